using System.Collections.Immutable;
using MossLantern.Core.Curing;
using MossLantern.Core.Documents;
using MossLantern.Core.Grounds;
using MossLantern.Core.Map;
using MossLantern.Core.Materials;
using MossLantern.Core.Mixing;
using MossLantern.Core.Shapes;
using MossLantern.Core.Stones;
using MossLantern.Core.Timeline;
using MossLantern.Core.Units;
using MossLantern.Core.Walls;

namespace MossLantern.Web.Reckoner;

/// <summary>Each sum of the reckoner: takes its values, asks the core, answers.</summary>
internal static class Reckoning
{
    private const int Most = 1000;
    private const int MostLegs = 100;
    private const int MostStretches = 500;

    public static MixAnswer Mix(MixSum sum)
    {
        var asked = new Asked();
        var ratio = Ratio(asked, sum.Ratio);
        var resin = asked.Number(sum.ResinDensity, "resinDensity");
        var hardener = asked.Number(sum.HardenerDensity, "hardenerDensity");
        asked.One(sum.VolumeMl, "volumeMl", sum.MassG, "massG");
        var volume = asked.Number(sum.VolumeMl, "volumeMl", 0);
        var mass = asked.Number(sum.MassG, "massG", 0);
        asked.Settle();
        var mixed = sum.VolumeMl is null
            ? Parts.OfMass(ratio, resin, hardener, mass)
            : Parts.OfVolume(ratio, resin, hardener, volume);
        return new(
            mixed.ResinMl, mixed.ResinG, mixed.HardenerMl, mixed.HardenerG, mixed.TotalMl, mixed.TotalG, mixed.DensityGPerMl,
            mixed.HardenerGPer100GResin);
    }

    public static MixCorrectionAnswer MixCorrection(MixCorrectionSum sum)
    {
        var asked = new Asked();
        var ratio = Ratio(asked, sum.Ratio);
        var resin = asked.Number(sum.ResinDensity, "resinDensity");
        var hardener = asked.Number(sum.HardenerDensity, "hardenerDensity");
        var resinG = asked.Number(sum.ResinG, "resinG");
        var hardenerG = asked.Number(sum.HardenerG, "hardenerG");
        var tolerance = asked.Usual(sum.Tolerance, "tolerance");
        asked.Settle();
        var got = Core.Mixing.MixCorrection.Of(ratio, resin, hardener, resinG, hardenerG, tolerance);
        return new(
            got.TargetHardenerG, got.AcceptFromG, got.AcceptToG, got.OnRatio, got.AddResinG, got.AddHardenerG, got.After.TotalMl);
    }

    public static LoadAnswer Load(LoadSum sum, Catalogue catalogue)
    {
        var asked = new Asked();
        var resinG = asked.Number(sum.ResinG, "resinG");
        var colourants = asked.List(sum.Colourants, "colourants", 1, 100, (given, at) =>
        {
            var colourant = given ?? new();
            var kind = asked.Choice(colourant.Class, $"{at}.class");
            asked.One(colourant.Grams, $"{at}.grams", colourant.Drops, $"{at}.drops");
            var drops = asked.Number(colourant.Drops, $"{at}.drops", 0);
            var density = asked.Number(colourant.DensityGPerMl, $"{at}.densityGPerMl", Core.Mixing.Load.DensityGPerMl(catalogue, kind));
            var grams = asked.Number(colourant.Grams, $"{at}.grams", Core.Mixing.Load.DropsG(drops, density));
            return (Class: kind, Grams: grams);
        });
        asked.Settle();
        var loads = colourants.Select(c =>
        {
            double percent = Core.Mixing.Load.Percent(c.Grams, resinG), limit = Core.Mixing.Load.LimitPercent(catalogue, c.Class);
            return new OneLoad(percent, limit, percent > limit);
        }).ToImmutableArray();
        var total = loads.Sum(l => l.Percent);
        return new(loads, total, total > Core.Mixing.Load.TotalLimit(catalogue, colourants.Select(c => c.Class)));
    }

    public static RegionAnswer Region(RegionSum sum)
    {
        var asked = new Asked();
        var area = asked.Number(sum.AreaMm2, "areaMm2");
        var depth = asked.Number(sum.DepthMm, "depthMm");
        var displaced = sum.Stones is null ? 0 : asked.List(sum.Stones, "stones", 0, Most, (given, at) =>
        {
            var stones = given ?? new();
            return (Grams: asked.Number(stones.Grams, $"{at}.grams"), Density: asked.Number(stones.SolidDensity, $"{at}.solidDensity"));
        }).Sum(s => s.Density > 0 ? Displacement.Ml(s.Grams, s.Density) : 0);
        var openEdge = asked.Usual(sum.OpenEdgeMm, "openEdgeMm");
        var side = openEdge > 0 ? asked.Number(sum.SideHeightMm, "sideHeightMm") : asked.Usual(sum.SideHeightMm, "sideHeightMm");
        var film = asked.Usual(sum.FilmMm, "filmMm");
        var drip = asked.Usual(sum.DripShare, "dripShare");
        var reserve = asked.Usual(sum.Reserve, "reserve");
        var transfers = (int)asked.Usual(sum.Transfers, "transfers");
        asked.Settle();
        var layer = Volume.Ml(area, depth);
        var edge = openEdge > 0 ? CupPlanner.EdgeMl(openEdge, side, layer, film, drip) : 0;
        var need = CupPlanner.NeedMl(layer, displaced, edge, reserve);
        return new(layer, displaced, edge, need > 0 ? CupPlanner.CupMl(need, transfers) : 0);
    }

    public static AgeAnswer Age(AgeSum sum)
    {
        var asked = new Asked();
        var reference = asked.Number(sum.ReferenceC, "referenceC");
        var segments = Segments(asked, sum.Segments);
        var activation = asked.Usual(sum.ActivationKj, "activationKj");
        asked.Settle();
        return new(EquivalentAge.Hours(segments, reference, activation));
    }

    public static MilestoneAnswer Milestone(MilestoneSum sum)
    {
        var asked = new Asked();
        var reference = asked.Number(sum.ReferenceC, "referenceC");
        var age = asked.Number(sum.AgeHours, "ageHours");
        var segments = Segments(asked, sum.Segments);
        var activation = asked.Usual(sum.ActivationKj, "activationKj");
        asked.Settle();
        return new(EquivalentAge.ClockHours(age, segments, reference, activation));
    }

    public static CuredAnswer Cup(CupSum sum)
    {
        var asked = new Asked();
        var mass = asked.Number(sum.MassG, "massG");
        var (model, room) = Model(asked, sum.WorkingMinutes, sum.RoomC, sum.ReferenceC, sum.ReactionHeatJPerG);
        return Answer(model().Cup(mass, room));
    }

    public static CuredAnswer Film(FilmSum sum)
    {
        var asked = new Asked();
        var depth = asked.Number(sum.DepthMm, "depthMm");
        var (model, room) = Model(asked, sum.WorkingMinutes, sum.RoomC, sum.ReferenceC, sum.ReactionHeatJPerG);
        return Answer(model().Film(depth, room));
    }

    public static JoiningAnswer Joining(JoiningSum sum)
    {
        var asked = new Asked();
        var viscosity = asked.Number(sum.ViscosityPaS, "viscosityPaS");
        var mass = asked.Number(sum.MassG, "massG");
        var minutes = asked.Number(sum.Minutes, "minutes");
        var fresh = asked.Number(sum.FreshG, "freshG");
        var reference = asked.Usual(sum.ReferenceC, "referenceC");
        var (model, room) = Model(asked, sum.WorkingMinutes, sum.RoomC, sum.ReferenceC, sum.ReactionHeatJPerG);
        var joined = Core.Timeline.Joining.Of(model(), viscosity, reference, mass, minutes, fresh, room);
        return new(joined.Stage, joined.MayJoin, joined.Joined.Degree, joined.Joined.Celsius,
            Told(joined.WorkingMinutes), Told(joined.InHandMinutes));
    }

    public static JourneyAnswer Journey(JourneySum sum)
    {
        var journey = Followed(sum);
        double? At(FilmStage stage) => journey.Stages.TryGetValue(stage, out var minutes) ? minutes : null;
        return new(
            journey.WorkingMinutes, At(FilmStage.Flowing), At(FilmStage.Holding), At(FilmStage.Setting), At(FilmStage.Gelled),
            [.. journey.Stays.Select(s => new LegAnswer(s.At.Minutes, s.At.Degree, s.At.Celsius, Told(s.At.PaS), s.PeakC))]);
    }

    public static JourneyLineAnswer JourneyLine(JourneySum sum)
    {
        var journey = Followed(sum);
        var gelled = journey.Line.TakeWhile(p => double.IsFinite(p.PaS)).Count();
        return new(
            [.. journey.Line.Take(gelled + 1).Select(p => new LinePoint(p.Minutes, p.Celsius, Told(p.PaS)))],
            [.. Core.Timeline.Journey.Begins.Select(s => new LineStage(s.Stage, Told(s.FromPaS)))]);
    }

    private static double? Told(double paS) => double.IsFinite(paS) ? paS : null;

    private static Journey Followed(JourneySum sum)
    {
        var asked = new Asked();
        var working = asked.Number(sum.WorkingMinutes, "workingMinutes");
        var reference = asked.Usual(sum.ReferenceC, "referenceC");
        var viscosity = asked.Number(sum.ViscosityPaS, "viscosityPaS");
        var heat = asked.Usual(sum.ReactionHeatJPerG, "reactionHeatJPerG");
        asked.One(sum.RoomC, "roomC", sum.Room is null ? null : 0, "room");
        ImmutableArray<RoomSegment> room = sum.Room is null
            ? [new(1, asked.Number(sum.RoomC, "roomC", TypicalMaterials.ReferenceC))]
            : [.. asked.List(sum.Room, "room", 1, MostStretches, (given, at) =>
            {
                var stretch = given ?? new();
                return new RoomSegment(asked.Number(stretch.Minutes, $"{at}.minutes") / 60, asked.Number(stretch.Celsius, $"{at}.celsius"));
            })];
        var stays = asked.List(sum.Legs, "legs", 1, MostLegs, (given, at) =>
        {
            var leg = given ?? new();
            var kind = asked.Choice(leg.Kind, $"{at}.kind");
            double? minutes = leg.Minutes is null ? null : asked.Number(leg.Minutes, $"{at}.minutes");
            var (own, other) = kind == LegKind.Cup ? ("massG", "depthMm") : ("depthMm", "massG");
            if ((kind == LegKind.Cup ? leg.DepthMm : leg.MassG) is not null)
            {
                asked.Say($"{at}.{other}", kind == LegKind.Cup ? "A cup has a mass and no depth." : "A film has a depth and no mass.");
            }

            var size = asked.Number(kind == LegKind.Cup ? leg.MassG : leg.DepthMm, $"{at}.{own}");
            return new Stay(kind == LegKind.Cup ? new CupVessel(size) : new FilmVessel(size), minutes);
        });

        // Only in the last vessel may it be left.
        foreach (var (_, i) in stays.SkipLast(1).Select((s, i) => (s, i)).Where(s => s.s.Minutes is null))
        {
            asked.Number(null, $"legs[{i}].minutes");
        }

        asked.Settle();
        return Core.Timeline.Journey.Of(CureModel.Of(working, reference, heat), viscosity, reference, room, [.. stays]);
    }

    public static PuddleAnswer Puddle(PuddleSum sum)
    {
        var asked = new Asked();
        var volumes = asked.List(sum.VolumesMl, "volumesMl", 1, Most, (v, at) => asked.Number(v, at));
        var depth = asked.Number(sum.DepthMm, "depthMm");
        asked.Settle();
        return new(Core.Map.Puddle.OuterRadiiMm(volumes, depth));
    }

    public static BeadAnswer Bead(BeadSum sum)
    {
        var asked = new Asked();
        var height = asked.Number(sum.HeightMm, "heightMm");
        var width = asked.Number(sum.WidthMm, "widthMm",
            sum.Class is { } of ? BarrierBead.WidthMm(of, height) : Core.Walls.Bead.OutlinerWidthMm(height));
        asked.One(sum.VolumeMl, "volumeMl", sum.LengthMm, "lengthMm");
        var volume = asked.Number(sum.VolumeMl, "volumeMl", 0);
        var length = asked.Number(sum.LengthMm, "lengthMm", 0);
        var referenceHeight = asked.Usual(sum.ReferenceHeightMm, "referenceHeightMm");
        var referenceHours = asked.Usual(sum.ReferenceDryHours, "referenceDryHours");
        asked.Settle();
        var section = sum.Class is { } laid ? BarrierBead.SectionMm2(laid, width, height) : Core.Walls.Bead.SectionMm2(height, width);
        return new(
            section,
            sum.LengthMm is null ? Core.Walls.Bead.LengthMm(volume, section) : length,
            sum.VolumeMl is null ? Core.Walls.Bead.VolumeMl(length, section) : volume,
            sum.Class is { } dries and not BarrierClass.Outliner ? BarrierBead.ReadyHours(dries, height)
                : Core.Walls.Bead.DryHours(height, referenceHeight, referenceHours));
    }

    public static TapeAnswer Tape(TapeSum sum)
    {
        var asked = new Asked();
        var perimeter = asked.Number(sum.PerimeterMm, "perimeterMm");
        var corners = asked.Whole(sum.Corners, "corners");
        var side = asked.Number(sum.SideMm, "sideMm");
        var open = asked.Number(sum.OpenDepthMm, "openDepthMm");
        var widths = asked.List(sum.StockWidthsMm, "stockWidthsMm", 0, 100, (w, at) => asked.Number(w, at));
        asked.Settle();
        var tape = EdgeTape.Of(perimeter, corners, side, open, widths);
        string?[] reasons =
        [
            tape.MaskWidthMm is null ? $"No tape covers the side: the mask run needs at least {EdgeTape.LeastMaskMm(side):0.##} mm." : null,
            tape.DamWidthMm is null ? $"No tape is wide enough for the dam: it needs at least {EdgeTape.LeastDamMm(open):0.##} mm." : null,
        ];
        var reason = string.Join(' ', reasons.OfType<string>());
        return new(tape.MaskWidthMm, tape.DamWidthMm, tape.DamHeightMm, tape.LengthEachMm, reason.Length > 0 ? reason : null);
    }

    public static LevelAnswer Level(LevelSum sum)
    {
        var asked = new Asked();
        var tiltX = asked.Number(sum.TiltXDeg, "tiltXDeg");
        var tiltY = asked.Number(sum.TiltYDeg, "tiltYDeg");
        var supports = asked.List(sum.Supports, "supports", 1, 100, (given, at) =>
        {
            var support = given ?? new();
            return new Support(asked.Number(support.XMm, $"{at}.xMm"), asked.Number(support.YMm, $"{at}.yMm"));
        });
        var thinnest = asked.Number(sum.ThinnestLayerMm, "thinnestLayerMm");
        asked.Settle();
        var level = Levelling.Of(tiltX, tiltY, [.. supports], thinnest);
        return new(level.WedgeMm, level.Accept, level.ShimsMm);
    }

    public static StonesAnswer Stones(StonesSum sum)
    {
        var asked = new Asked();
        var area = asked.Number(sum.AreaMm2, "areaMm2");
        var depth = asked.Number(sum.DepthMm, "depthMm");
        var bulk = asked.Number(sum.BulkDensity, "bulkDensity");
        var solid = asked.Number(sum.SolidDensity, "solidDensity");
        var solids = asked.Number(sum.SolidsShare, "solidsShare");
        var cover = asked.Usual(sum.CoverShare, "coverShare");
        asked.Settle();
        var bed = StoneBed.Of(area, depth, bulk, solid, solids, cover);
        return new(bed.BulkMl, bed.Grams, bed.SolidMl, bed.VoidMl);
    }

    public static BubbleAnswer Bubble(BubbleSum sum)
    {
        var asked = new Asked();
        var radius = asked.Number(sum.RadiusMm, "radiusMm");
        var viscosity = asked.Number(sum.ViscosityPaS, "viscosityPaS");
        var density = asked.Number(sum.DensityGPerMl, "densityGPerMl");
        var depth = asked.Number(sum.DepthMm, "depthMm");
        asked.Settle();
        var rise = Core.Map.Bubble.RiseMmPerS(radius, viscosity, density);
        return new(rise, depth / rise);
    }

    public static ColourAnswer ColourDifference(ColourSum sum)
    {
        var asked = new Asked();
        var first = Colour(sum.First, "first");
        var second = Colour(sum.Second, "second");
        asked.Settle();
        return new(Lab.Difference(first, second));

        Lab Colour(AskedLab? given, string field)
        {
            return asked.Has(given, field)
                ? new(asked.Number(given.L, $"{field}.l"), asked.Number(given.A, $"{field}.a"), asked.Number(given.B, $"{field}.b"))
                : default;
        }
    }

    public static CastingAnswer Casting(CastingSum sum)
    {
        var asked = new Asked();
        var capacity = asked.Number(sum.CapacityMl, "capacityMl");
        var pieces = asked.Whole(sum.Pieces, "pieces");
        var inserts = sum.Inserts is null ? 0 : asked.List(sum.Inserts, "inserts", 0, 100, (given, at) =>
        {
            var insert = given ?? new();
            return asked.Number(insert.VolumeMl, $"{at}.volumeMl") * asked.Whole(insert.Count, $"{at}.count");
        }).Sum();
        var coats = sum.CoatMm is not { } coat ? 0 : Volume.Ml(
            asked.Number(coat.AreaMm2, "coatMm.areaMm2"),
            asked.Number(coat.Top, "coatMm.top") + asked.Number(coat.Bottom, "coatMm.bottom"));
        var shares = sum.Shares is null ? [] : asked.List(sum.Shares, "shares", 0, 100, (s, at) => asked.Number(s, at));
        if (shares.Count > 0 && shares.Sum() <= 0)
        {
            asked.Say("shares", "At least one share must be above 0.");
        }

        var loss = asked.Usual(sum.LossShare, "lossShare");
        asked.Settle();
        var casting = Core.Mixing.Casting.Of(capacity, pieces, inserts, coats, [.. shares], loss);
        if (casting.BodyMl <= 0)
        {
            asked.Say("capacityMl",
                $"Inserts and coats take up {inserts + coats:0.##} ml, and the cavity holds {capacity:0.##} ml: "
                    + "nothing is left for the body.");
        }

        asked.Settle();
        return new(casting.BodyMl, casting.TotalMl, casting.ShareMl);
    }

    public static ReachAnswer Reach(ReachSum sum)
    {
        var asked = new Asked();
        var mixed = asked.Number(sum.MixedMl, "mixedMl");
        var each = asked.Number(sum.EachMl, "eachMl");
        var pieces = asked.Whole(sum.Pieces, "pieces");
        asked.Settle();
        var reach = Core.Mixing.Reach.Of(mixed, each, pieces);
        return new(reach.Filled, reach.LeftMl, reach.LackMl);
    }

    public static RubberAnswer Rubber(RubberSum sum, Catalogue catalogue)
    {
        var asked = new Asked();
        var box = asked.Number(sum.BoxMl, "boxMl");
        var master = asked.Number(sum.MasterMl, "masterMl");
        var loss = asked.Usual(sum.LossShare, "lossShare");
        if (sum.BoxMl is not null && sum.MasterMl is not null && master >= box)
        {
            asked.Say("masterMl", "The master takes up all of its box: there is no room for rubber.");
        }

        asked.Settle();
        var rubber = catalogue.Find(MaterialKind.Rubber, "mould-rubber")!;
        var mix = MouldRubber.Of(rubber, box, master, loss);
        return new(mix.Ml, mix.G, mix.FirstG, mix.SecondG, rubber[MaterialProperties.WorkingMinutes],
            rubber[MaterialProperties.SetsMinutes]);
    }

    public static PasteAnswer Paste(PasteSum sum)
    {
        var asked = new Asked();
        var length = asked.Number(sum.LengthMm, "lengthMm");
        var width = asked.Number(sum.WidthMm, "widthMm");
        var height = asked.Number(sum.HeightMm, "heightMm");
        var bulk = asked.Number(sum.BulkDensity, "bulkDensity");
        var solids = asked.Number(sum.SolidsShare, "solidsShare");
        asked.Settle();
        var paste = PasteMix.Of(length, width, height, bulk, solids);
        return new(paste.SectionMm2, paste.Ml, paste.StonesG, paste.BinderMl);
    }

    public static MatchAnswer Match(MatchSum sum, Catalogue catalogue)
    {
        var asked = new Asked();
        var kind = asked.Choice(sum.Class, "class");
        var colour = asked.Colour(sum.Colour, "colour");
        var ground = asked.Colour(sum.Ground, "ground");
        var depth = asked.Number(sum.DepthMm, "depthMm");
        double Percent(AskedBatch? given, string at) =>
            asked.Has(given, at)
                ? Core.Mixing.Load.Percent(asked.Number(given.Grams, $"{at}.grams"), asked.Number(given.ResinG, $"{at}.resinG")) : 0;
        double first = Percent(sum.First, "first"), second = Percent(sum.Second, "second");
        asked.Settle();
        Colour Seen(double percent) => CupLook.Of(
            catalogue, new("batch", "batch", colour.ToHex(), [new(kind, percent)]),
            _ => throw new InvalidOperationException("Nothing is filled from another."),
            () => TypicalMaterials.MixedDensity).Over(ground, depth);
        var apart = Lab.Difference(Lab.Of(Seen(first)), Lab.Of(Seen(second)));
        return new(first, second, apart, apart < Lab.SameToTheEye);
    }

    private static MixRatio Ratio(Asked asked, AskedRatio? given)
    {
        return asked.Has(given, "ratio")
            ? new(
                asked.Choice(given.Basis, "ratio.basis"), asked.Number(given.Resin, "ratio.resin"),
                asked.Number(given.Hardener, "ratio.hardener"))
            : new(default, 1, 1);
    }

    private static ImmutableArray<RoomSegment> Segments(Asked asked, List<AskedSegment?>? given) =>
    [
        .. asked.List(given, "segments", 1, Most, (one, at) =>
        {
            var segment = one ?? new();
            return new RoomSegment(asked.Number(segment.Hours, $"{at}.hours"), asked.Number(segment.Celsius, $"{at}.celsius"));
        }),
    ];

    private static (Func<CureModel> Model, double RoomC) Model(
        Asked asked, double? workingMinutes, double? roomC, double? referenceC, double? reactionHeat)
    {
        var working = asked.Number(workingMinutes, "workingMinutes");
        var room = asked.Number(roomC, "roomC");
        var reference = asked.Usual(referenceC, "referenceC");
        var heat = asked.Usual(reactionHeat, "reactionHeatJPerG");
        asked.Settle();
        return (() => CureModel.Of(working, reference, heat), room);
    }

    private static CuredAnswer Answer(Cured cured) => new(cured.WorkingMinutes, cured.GelMinutes, cured.PeakC, cured.Grade);
}
