using System.Collections.Immutable;
using MossLantern.Core.Curing;
using MossLantern.Core.Documents;
using MossLantern.Core.Materials;

namespace MossLantern.Web.Reckoner;

// Everything a sum takes may be left out of the request as far as JSON goes; what must be there is told together with
// everything else that is wrong.

/// <summary>A mix ratio.</summary>
public sealed record AskedRatio(RatioBasis? Basis = null, double? Resin = null, double? Hardener = null);

/// <summary>Parts of a volume or a mass.</summary>
public sealed record MixSum(
    AskedRatio? Ratio = null, double? ResinDensity = null, double? HardenerDensity = null, double? VolumeMl = null, double? MassG = null);

/// <summary>The two parts.</summary>
public sealed record MixAnswer(
    double ResinMl, double ResinG, double HardenerMl, double HardenerG, double TotalMl, double TotalG, double DensityGPerMl,
    double HardenerGPer100GResin);

/// <summary>What is in a mixing cup.</summary>
public sealed record MixCorrectionSum(
    AskedRatio? Ratio = null, double? ResinDensity = null, double? HardenerDensity = null, double? ResinG = null,
    double? HardenerG = null, double? Tolerance = null);

/// <summary>What brings it back on ratio.</summary>
public sealed record MixCorrectionAnswer(
    double TargetHardenerG, double AcceptFromG, double AcceptToG, bool OnRatio, double AddResinG, double AddHardenerG, double TotalMlAfter);

/// <summary>A colourant, in grams or in drops.</summary>
public sealed record AskedColourant(
    ColourantClass? Class = null, double? Grams = null, double? Drops = null, double? DensityGPerMl = null);

/// <summary>Colourants in so much resin.</summary>
public sealed record LoadSum(double? ResinG = null, List<AskedColourant?>? Colourants = null);

/// <summary>Load of one colourant.</summary>
public sealed record OneLoad(double Percent, double LimitPercent, bool Over);

/// <summary>Loads of a cup.</summary>
public sealed record LoadAnswer(ImmutableArray<OneLoad> Loads, double TotalPercent, bool Over);

/// <summary>Stones below the level.</summary>
public sealed record AskedStones(double? Grams = null, double? SolidDensity = null);

/// <summary>Resin for a region.</summary>
public sealed record RegionSum(
    double? AreaMm2 = null, double? DepthMm = null, List<AskedStones?>? Stones = null, double? OpenEdgeMm = null,
    double? SideHeightMm = null, double? FilmMm = null, double? DripShare = null, double? Reserve = null, int? Transfers = null);

/// <summary>The volumes of a region and of its cup.</summary>
public sealed record RegionAnswer(double LayerMl, double DisplacedMl, double EdgeMl, double CupMl);

/// <summary>Hours at a temperature.</summary>
public sealed record AskedSegment(double? Hours = null, double? Celsius = null);

/// <summary>Age after a profile.</summary>
public sealed record AgeSum(double? ReferenceC = null, List<AskedSegment?>? Segments = null, double? ActivationKj = null);

/// <summary>An equivalent age.</summary>
public sealed record AgeAnswer(double EquivalentHours);

/// <summary>When an age is reached; the last segment goes on for ever.</summary>
public sealed record MilestoneSum(
    double? ReferenceC = null, double? AgeHours = null, List<AskedSegment?>? Segments = null, double? ActivationKj = null);

/// <summary>Clock hours to a milestone.</summary>
public sealed record MilestoneAnswer(double ClockHours);

/// <summary>Heat of a cup.</summary>
public sealed record CupSum(
    double? WorkingMinutes = null, double? MassG = null, double? RoomC = null, double? ReferenceC = null, double? ReactionHeatJPerG = null);

/// <summary>Heat of a film.</summary>
public sealed record FilmSum(
    double? WorkingMinutes = null, double? DepthMm = null, double? RoomC = null, double? ReferenceC = null,
    double? ReactionHeatJPerG = null);

/// <summary>What becomes of resin that is left standing.</summary>
public sealed record CuredAnswer(double WorkingMinutes, double? GelMinutes, double PeakC, HeatGrade Grade);

/// <summary>What resin stands in.</summary>
public enum LegKind
{
    /// <summary>A cup or a jug, of a mass.</summary>
    Cup,

    /// <summary>A film, of a depth.</summary>
    Film,
}

/// <summary>So many minutes at a temperature.</summary>
public sealed record AskedStretch(double? Minutes = null, double? Celsius = null);

/// <summary>A time in a cup or in a film; only in the last may the minutes be left out: it is left there.</summary>
public sealed record AskedLeg(LegKind? Kind = null, double? MassG = null, double? DepthMm = null, double? Minutes = null);

/// <summary>The way of resin from vessel to vessel, in a room of one temperature or of several in turn.</summary>
public sealed record JourneySum(
    double? WorkingMinutes = null, double? ReferenceC = null, double? ViscosityPaS = null,
    double? ReactionHeatJPerG = null, double? RoomC = null,
    List<AskedStretch?>? Room = null, List<AskedLeg?>? Legs = null);

/// <summary>How resin leaves a vessel; the viscosity is null once it has gelled.</summary>
public sealed record LegAnswer(double EndMinutes, double Degree, double Celsius, double? ViscosityPaS, double PeakC);

/// <summary>When resin comes to what, in minutes from mixing; null where it does not within 48 hours, 0 where it starts so.</summary>
public sealed record JourneyAnswer(double? Working, double? Flowing, double? Holding, double? Setting, double? Gel,
    ImmutableArray<LegAnswer> Legs);

/// <summary>A point of the way; the viscosity is null once it has gelled.</summary>
public sealed record LinePoint(double Minutes, double Celsius, double? ViscosityPaS);

/// <summary>A stage and the viscosity that it begins at; null for gel.</summary>
public sealed record LineStage(FilmStage Stage, double? FromPaS);

/// <summary>The way of resin as a line, until it has gelled or is followed no more.</summary>
public sealed record JourneyLineAnswer(ImmutableArray<LinePoint> Line, ImmutableArray<LineStage> Stages);

/// <summary>Fresh resin that joins a batch.</summary>
public sealed record JoiningSum(
    double? WorkingMinutes = null, double? ViscosityPaS = null, double? MassG = null, double? Minutes = null,
    double? FreshG = null, double? RoomC = null,
    double? ReferenceC = null, double? ReactionHeatJPerG = null);

/// <summary>What comes of it; the working time is null where it does not end within 48 hours.</summary>
public sealed record JoiningAnswer(FilmStage Stage, bool MayJoin, double Degree, double Celsius, double? WorkingMinutes,
    double? InHandMinutes);

/// <summary>Colours poured in one place.</summary>
public sealed record PuddleSum(List<double>? VolumesMl = null, double? DepthMm = null);

/// <summary>How far they reach.</summary>
public sealed record PuddleAnswer(ImmutableArray<double> OuterRadiiMm);

/// <summary>A bead.</summary>
public sealed record BeadSum(
    double? HeightMm = null, double? WidthMm = null, double? VolumeMl = null, double? LengthMm = null, double? ReferenceHeightMm = null,
    double? ReferenceDryHours = null, BarrierClass? Class = null);

/// <summary>What a bead takes.</summary>
public sealed record BeadAnswer(double SectionMm2, double LengthMm, double VolumeMl, double DryHours);

/// <summary>Tape round an edge.</summary>
public sealed record TapeSum(
    double? PerimeterMm = null, int? Corners = null, double? SideMm = null, double? OpenDepthMm = null, List<double>? StockWidthsMm = null);

/// <summary>The runs of tape; a width is null where no stock width will do, and the reason says so.</summary>
public sealed record TapeAnswer(double? MaskWidthMm, double? DamWidthMm, double DamHeightMm, double LengthEachMm, string? Reason);

/// <summary>A support.</summary>
public sealed record AskedSupport(double? XMm = null, double? YMm = null);

/// <summary>A tilt.</summary>
public sealed record LevelSum(
    double? TiltXDeg = null, double? TiltYDeg = null, List<AskedSupport?>? Supports = null, double? ThinnestLayerMm = null);

/// <summary>What levels it.</summary>
public sealed record LevelAnswer(double WedgeMm, bool Accept, ImmutableArray<double> ShimsMm);

/// <summary>A bed of stones.</summary>
public sealed record StonesSum(
    double? AreaMm2 = null, double? DepthMm = null, double? BulkDensity = null, double? SolidDensity = null, double? SolidsShare = null,
    double? CoverShare = null);

/// <summary>What a bed takes.</summary>
public sealed record StonesAnswer(double BulkMl, double Grams, double SolidMl, double VoidMl);

/// <summary>A bubble.</summary>
public sealed record BubbleSum(double? RadiusMm = null, double? ViscosityPaS = null, double? DensityGPerMl = null, double? DepthMm = null);

/// <summary>How it rises.</summary>
public sealed record BubbleAnswer(double RiseMmPerS, double SecondsToSurface);

/// <summary>A colour in CIELAB.</summary>
public sealed record AskedLab(double? L = null, double? A = null, double? B = null);

/// <summary>Two colours.</summary>
public sealed record ColourSum(AskedLab? First = null, AskedLab? Second = null);

/// <summary>How far they differ.</summary>
public sealed record ColourAnswer(double DeltaE00);

/// <summary>Inserts of a kind in one cavity.</summary>
public sealed record AskedInsert(double? VolumeMl = null, int? Count = null);

/// <summary>Depth kept for later coats.</summary>
public sealed record AskedCoats(double? Top = null, double? Bottom = null, double? AreaMm2 = null);

/// <summary>A set of castings.</summary>
public sealed record CastingSum(
    double? CapacityMl = null, int? Pieces = null, List<AskedInsert?>? Inserts = null, AskedCoats? CoatMm = null,
    List<double>? Shares = null, double? LossShare = null);

/// <summary>What a set takes.</summary>
public sealed record CastingAnswer(double BodyMl, double TotalMl, ImmutableArray<double> ShareMl);

/// <summary>An amount that is mixed, and what it is for.</summary>
public sealed record ReachSum(double? MixedMl = null, double? EachMl = null, int? Pieces = null);

/// <summary>How many it fills, and what is left or missing.</summary>
public sealed record ReachAnswer(int Filled, double LeftMl, double LackMl);

/// <summary>Rubber round a master in its box.</summary>
public sealed record RubberSum(double? BoxMl = null, double? MasterMl = null, double? LossShare = null);

/// <summary>The rubber, its two parts by weight, and how long it can be worked and takes to set.</summary>
public sealed record RubberAnswer(double TotalMl, double TotalG, double FirstG, double SecondG, double WorkingMinutes, double SetsMinutes);

/// <summary>A line of paste.</summary>
public sealed record PasteSum(double? LengthMm = null, double? WidthMm = null, double? HeightMm = null,
    double? BulkDensity = null, double? SolidsShare = null);

/// <summary>The paste, its stones and its resin.</summary>
public sealed record PasteAnswer(double SectionMm2, double PasteMl, double StonesG, double BinderMl);

/// <summary>So much colourant in so much resin.</summary>
public sealed record AskedBatch(double? Grams = null, double? ResinG = null);

/// <summary>Two batches of one recipe.</summary>
public sealed record MatchSum(
    ColourantClass? Class = null, string? Colour = null, string? Ground = null, double? DepthMm = null,
    AskedBatch? First = null, AskedBatch? Second = null);

/// <summary>How the second comes out beside the first.</summary>
public sealed record MatchAnswer(double FirstPercent, double SecondPercent, double DeltaE00, bool SameToTheEye);
