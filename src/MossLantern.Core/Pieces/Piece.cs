using System.Collections.Immutable;
using System.Text.Json.Serialization;
using MossLantern.Core.Grounds;
using MossLantern.Core.Map;
using MossLantern.Core.Mixing;
using MossLantern.Core.Shapes;
using MossLantern.Core.Walls;
using NodaTime;

namespace MossLantern.Core.Pieces;

/// <summary>A whole piece as the artist plans it: one immutable document. Nothing in it is worked out; the chain works out the rest.</summary>
/// <param name="Name">The piece's name.</param>
/// <param name="Ground">What the resin is poured on.</param>
/// <param name="Growth">How fine the map is grown; belongs to the piece so that a drag never changes it.</param>
/// <param name="Layers">Layers in pour order, lowest first.</param>
/// <param name="WavedOff">Findings the artist has waved off, and why; null for none.</param>
/// <param name="Kept">Zones that every layer keeps visible or bare; null for none.</param>
public sealed record Piece(
    string Name, Ground Ground, GrowthScale Growth, ImmutableArray<Layer> Layers, ImmutableArray<WavedOff>? WavedOff = null,
    ImmutableArray<KeptZone>? Kept = null)
{
    /// <summary>The version of the document's layout that this program writes.</summary>
    public const int FormatVersion = 1;
}

/// <summary>A finding that the artist has looked at and let be.</summary>
/// <param name="Finding">The finding's key.</param>
/// <param name="Reason">Why.</param>
public sealed record WavedOff(string Finding, string Reason);

/// <summary>What the resin is poured on.</summary>
/// <param name="Outline">Its outline seen from above.</param>
/// <param name="Edge">How the edge is finished; drives what runs over it.</param>
/// <param name="SideHeightMm">Height of its sides, mm.</param>
/// <param name="Colour">Colour of the ground under the first layer, as <c>#rrggbb</c>.</param>
/// <param name="Base">What it is made of; null while nobody has said.</param>
/// <param name="Paint">How it is painted; null for not at all.</param>
/// <param name="Level">How level it stands; null while nobody has measured.</param>
/// <param name="Supports">What it stands on; null for the usual four near the corners.</param>
/// <param name="Done">The preparations that are done; null for none.</param>
/// <param name="Mould">The mould of a casting; null for anything else.</param>
/// <param name="Set">How many panels it is, where it is more than one; null for a single one.</param>
/// <param name="Old">The older work beneath; null for a new ground.</param>
/// <param name="PanelLevels">How level the other panels of a set stand, each by itself; null while nobody has measured them.</param>
public sealed record Ground(
    Outline Outline,
    EdgeStyle Edge,
    double SideHeightMm,
    string Colour,
    Base? Base = null,
    GroundPaint? Paint = null,
    LevelReading? Level = null,
    ImmutableArray<Support>? Supports = null,
    ImmutableArray<PreparationDone>? Done = null,
    Mould? Mould = null,
    PanelSet? Set = null,
    OldWork? Old = null,
    ImmutableArray<PanelLevel>? PanelLevels = null)
{
    /// <summary>How level a panel of a set stands, from 1; null while nobody has measured it there.</summary>
    public LevelReading? LevelOf(int panel) => panel <= 1 ? Level : (PanelLevels ?? []).FirstOrDefault(p => p.Panel == panel)?.Level;

    /// <summary>The same ground with a panel's level read anew, or not known.</summary>
    public Ground WithLevel(int panel, LevelReading? level) => panel <= 1 ? this with { Level = level } : this with
    {
        PanelLevels = (PanelLevels ?? []).Where(p => p.Panel != panel).Concat(level is null ? [] : [new PanelLevel(panel, level)]).OrderBy(p => p.Panel).ToImmutableArray() is { IsEmpty: false } all ? all : null,
    };

    /// <summary>Everything that is seen of it: its outline, or all its panels side by side.</summary>
    [JsonIgnore]
    public Outline Whole => Panels is { } panels ? panels : Outline;

    /// <summary>What a map is grown over: all panels where bands run on across the gap, else one outline.</summary>
    [JsonIgnore]
    public Outline MapOutline => Set is { Mirrored: false } ? Whole : Outline;

    /// <summary>How often what is mapped is poured at once: in mirrored panels, or in a mould's cavities.</summary>
    [JsonIgnore]
    public int AtOnce => Set is { Mirrored: true } set ? set.Count : Mould?.AtOnce ?? 1;

    /// <summary>How many separate boards or castings it takes for one piece.</summary>
    [JsonIgnore]
    public int Boards => Set?.Count ?? 1;

    /// <summary>The panels of a set; null for a single one.</summary>
    [JsonIgnore]
    public PanelsOutline? Panels => Set is { } set ? new(Outline, set.Count, set.GapMm, set.Mirrored) : null;

    /// <summary>A place on one panel, on each panel that the map runs on over; once where it does not.</summary>
    internal ImmutableArray<Outline> OnEachPanel(Outline place) =>
        Set is { Mirrored: false } ? [.. Panels!.Copies.Select(c => new PlacedOutline(place, c.FromMm, 0))] : [place];

    /// <summary>Which part of a drawn outline an insert of the mould stands in, from 1; 0 where there are no parts.</summary>
    internal int MouldPart(string insertId) => Outline is DrawnOutline drawn && Mould?.Insert(insertId) is { } insert ? insert.PartIn(drawn) : 0;

    /// <summary>What a layer is poured in: what a map is grown over, or the hollow that an insert left.</summary>
    public Outline OutlineOf(Layer layer)
    {
        ArgumentNullException.ThrowIfNull(layer);
        return layer.Within is { } id && Mould?.Insert(id) is { } insert ? insert.Placed : MapOutline;
    }
}

/// <summary>How level one panel of a set stands.</summary>
/// <param name="Panel">Which, from 2: the first is the ground's own.</param>
/// <param name="Level">The reading.</param>
public sealed record PanelLevel(int Panel, LevelReading Level);

/// <summary>Several equal panels that are read as one piece.</summary>
/// <param name="Count">How many.</param>
/// <param name="GapMm">Gap between neighbours, mm.</param>
/// <param name="Mirrored">Whether each mirrors its neighbour; else the map runs on across the gap.</param>
/// <remarks>Source: docs/craft/shapes.md, Several panels.</remarks>
public sealed record PanelSet(int Count, double GapMm, bool Mirrored);

/// <summary>Older work that a piece is poured over.</summary>
/// <param name="Name">What it was.</param>
/// <param name="PieceId">Its id on the shelf; null where it never stood there.</param>
/// <param name="Ground">Its ground.</param>
/// <param name="Growth">The scale its map was grown at.</param>
/// <param name="Layers">Its layers, lowest first; none where nobody knows them.</param>
/// <param name="XMm">Where the left of its box lies, mm from the left of the new one.</param>
/// <param name="YMm">Where the top of its box lies, mm from the top of the new one.</param>
/// <param name="StandsMm">How far its face stands above what lies round it, mm: the first layer fills that up too.</param>
/// <param name="ReliefMm">How far lines and stones stand up from its face, mm; 0 where it was sanded flat.</param>
/// <param name="Kept">Zones that its layers kept visible or bare; null for none.</param>
/// <remarks>Source: docs/craft/grounds.md, Older work.</remarks>
public sealed record OldWork(
    string Name, string? PieceId, Ground Ground, GrowthScale Growth, ImmutableArray<Layer> Layers,
    double XMm = 0, double YMm = 0, double StandsMm = 0, double ReliefMm = 0, ImmutableArray<KeptZone>? Kept = null)
{
    /// <summary>How much older work may lie beneath each other.</summary>
    public const int Deepest = 4;

    /// <summary>It as a piece of its own.</summary>
    [JsonIgnore]
    public Piece Itself => new(Name, Ground, Growth, Layers, Kept: Kept);

    /// <summary>Its outline, where it lies.</summary>
    [JsonIgnore]
    public Outline Placed => XMm == 0 && YMm == 0 ? Ground.Whole : new PlacedOutline(Ground.Whole, XMm, YMm);
}

/// <summary>How a piece's edge is finished.</summary>
public enum EdgeStyle
{
    /// <summary>Taped and pulled: nothing runs over.</summary>
    TapedClean,

    /// <summary>Open: resin runs down the sides and is smoothed.</summary>
    DrippedOver,

    /// <summary>A rim or dam of its own holds the resin: nothing runs over.</summary>
    Walled,
}

/// <summary>The scale at which a piece's map is grown.</summary>
/// <param name="GridMm">Spacing of the growth grid, mm.</param>
/// <param name="GrainMm">Wavelength of the waviness, mm.</param>
/// <remarks>Source: docs/craft/map.md, Grid.</remarks>
public sealed record GrowthScale(double GridMm, double GrainMm)
{
    /// <summary>Cells in a grid over the outline's box, about.</summary>
    public const double Cells = 55_000;

    /// <summary>The scale a new piece of this outline gets.</summary>
    public static GrowthScale For(Outline outline)
    {
        var side = Math.Sqrt(outline.BoxWidthMm * outline.BoxHeightMm);
        return new(
            Math.Round(side / Math.Sqrt(Cells), 3),
            Math.Round(Math.Clamp(0.17 * side, 25, 150), 1));
    }

    /// <summary>
    /// The scale to keep when a piece is saved with a new outline: this one, unless the outline's box has grown
    /// or shrunk so far that the grid would be needlessly coarse or slow.
    /// </summary>
    public GrowthScale Kept(Outline outline)
    {
        var fresh = For(outline);
        var ratio = GridMm / fresh.GridMm;
        return ratio is > 0.7 and < 1.45 ? this : fresh;
    }
}

/// <summary>One layer: poured in one go, cured before the next.</summary>
/// <param name="Id">Stable id, unique in the piece.</param>
/// <param name="Name">The layer's name.</param>
/// <param name="DepthMm">Its depth, mm.</param>
/// <param name="Hearts">The hearts its bands run round.</param>
/// <param name="Bands">Its bands from the hearts outward; exactly one fills the rest.</param>
/// <param name="RimFollow">How far outer bands follow the rim instead of the hearts, 0 to 1.</param>
/// <param name="HeartCup">Cup of the hearts' bed.</param>
/// <param name="Cups">The cups its resin is split into.</param>
/// <param name="Resin">The resin it is mixed from.</param>
/// <param name="Measure">How the artist measures: in marked cups or on a scale.</param>
/// <param name="ReservePercent">Reserve in every cup, %; null takes the default.</param>
/// <param name="PourOrder">Regions in pour order; empty for ring by ring from the heart. Regions left out follow in that order.</param>
/// <param name="Plan">When and in what room it is to be poured.</param>
/// <param name="Widening">Factor by which each band is wider than it would be one place nearer the hearts.</param>
/// <param name="Losses">What is lost on the way, where the artist knows better than the defaults.</param>
/// <param name="Tools">What the artist measures with, where it is not the usual.</param>
/// <param name="Within">Id of the insert whose hollow it fills; null for a layer over everything.</param>
/// <param name="PartDepths">Depth in parts of a drawn outline where it is another than <paramref name="DepthMm"/>; null for none.</param>
/// <param name="Contrast">How its neighbouring colours are meant.</param>
/// <param name="Layout">How it is laid out; null for rings from its hearts.</param>
/// <param name="Zones">Parts of it that are laid out in ways of their own; null for none.</param>
/// <param name="RimWay">How bands that follow the rim share the room.</param>
public sealed record Layer(
    string Id,
    string Name,
    double DepthMm,
    ImmutableArray<Heart> Hearts,
    ImmutableArray<Band> Bands,
    double RimFollow,
    string HeartCup,
    ImmutableArray<Cup> Cups,
    ResinChoice Resin,
    Measure Measure,
    double? ReservePercent,
    ImmutableArray<string> PourOrder,
    PourTimes Plan,
    double Widening = 1,
    Losses? Losses = null,
    MeasuringTools? Tools = null,
    string? Within = null,
    ImmutableArray<PartDepth>? PartDepths = null,
    Contrast Contrast = Contrast.Strong,
    Layout? Layout = null,
    ImmutableArray<Zone>? Zones = null,
    RimWay RimWay = RimWay.Proportional)
{
    /// <summary>Whether its bands are laid out, and not regions of its layout's own.</summary>
    [JsonIgnore]
    public bool UsesBands => Layout is null or { UsesBands: true };

    /// <summary>The cup that a zone which is kept visible is poured from: the first of clear resin; null where it has none.</summary>
    [JsonIgnore]
    public string? ClearCup => Cups.FirstOrDefault(c => c.Colourant is null && c.Of is null)?.Id;

    /// <summary>The cups that the regions of its own layout, its zones aside, are poured from.</summary>
    [JsonIgnore]
    internal IEnumerable<string> LaidOutFrom =>
    [
        .. UsesBands ? Bands.Select(b => b.Cup) : [],
        .. Layout is null && !Hearts.IsEmpty ? [HeartCup] : Array.Empty<string>(),
        .. Layout?.CupIds ?? [],
    ];

    /// <summary>Every cup that something is poured or mixed from.</summary>
    [JsonIgnore]
    public ImmutableHashSet<string> CupsInUse
    {
        get
        {
            var poured = LaidOutFrom.Concat((Zones ?? []).SelectMany(z => z.Of(this).LaidOutFrom)).ToHashSet();
            return [.. poured, .. Cups.Where(c => poured.Contains(c.Id)).SelectMany(c => c.Of ?? []).Select(s => s.Cup)];
        }
    }

    /// <summary>The regions that an order of pours can name.</summary>
    [JsonIgnore]
    public IEnumerable<string> RegionIds =>
    [
        .. UsesBands ? Bands.Select(b => b.Id) : [],
        .. Layout?.RegionIds ?? [BandMap.HeartBedId],
        .. (Zones ?? []).SelectMany(z => z.Of(this).RegionIds.Select(id => $"{z.Id}/{id}")),
    ];

    /// <summary>How deep a region of its own layout is, mm: lines lie on a film, which is a part of the layer's depth.</summary>
    /// <param name="kind">What the region is.</param>
    /// <param name="depthMm">The layer's depth there, mm.</param>
    /// <remarks>Source: docs/craft/layouts.md, Rim-to-middle lines.</remarks>
    public double DepthOf(RegionKind kind, double depthMm) =>
        Layout is not LinesLayout lines || kind is RegionKind.KeptVisible or RegionKind.KeptBare or RegionKind.Wall ? depthMm
        : kind == RegionKind.Film ? Math.Min(lines.StartMm, depthMm)
        : Math.Max(0, depthMm - lines.StartMm);

    /// <summary>Its depth in a part of a drawn outline, mm.</summary>
    /// <param name="part">Which part, from 1.</param>
    public double DepthIn(int part) => (PartDepths ?? []).FirstOrDefault(p => p.Part == part)?.DepthMm ?? DepthMm;

    /// <summary>Width of every band with the widening in it, mm; 0 for the one that fills the rest.</summary>
    /// <remarks>Source: docs/craft/map.md, Widths in millimetres.</remarks>
    public double[] BandWidthsMm() => Band.WidthsMm(Bands, Widening);
}

/// <summary>How bands that follow the rim share the room between the hearts and the rim.</summary>
public enum RimWay
{
    /// <summary>Each takes its share of it: they are narrow where there is little.</summary>
    Proportional,

    /// <summary>Those outside of the band that fills the rest keep their width to the rim.</summary>
    Even,
}

/// <summary>How the colours of neighbours are meant.</summary>
public enum Contrast
{
    /// <summary>Each stands out from the next.</summary>
    Strong,

    /// <summary>They run into each other.</summary>
    Gradual,

    /// <summary>Nobody minds.</summary>
    Any,
}

/// <summary>The depth in one part of a drawn outline, such as a letter or a cavity.</summary>
/// <param name="Part">Which part, from 1, counted from left to right.</param>
/// <param name="DepthMm">The depth, mm.</param>
public sealed record PartDepth(int Part, double DepthMm);

/// <summary>The artist's own figures for resin that does not end up on the panel; null takes the default.</summary>
/// <param name="FilmMm">Thickness of the film that stays on an open side, mm.</param>
/// <param name="DripPercent">Share of an open-edged layer that drips off, %.</param>
/// <param name="CupMl">What stays in any cup, ml.</param>
/// <param name="CupPercent">Share of what must leave a cup that stays in it as well, %.</param>
/// <remarks>Source: docs/craft/mixing.md, Edges and Cup volume.</remarks>
public sealed record Losses(double? FilmMm = null, double? DripPercent = null, double? CupMl = null, double? CupPercent = null);

/// <summary>Steps of the artist's own tools; null takes the default. Nothing is shown finer than they resolve.</summary>
/// <param name="CupStepMl">Step of a marked cup, ml.</param>
/// <param name="ScaleStepG">Step of the scale, g.</param>
/// <remarks>Source: docs/craft/mixing.md, Rounding.</remarks>
public sealed record MeasuringTools(double? CupStepMl = null, double? ScaleStepG = null);

/// <summary>A heart: the crystal-lined hollow that bands run round.</summary>
/// <param name="Id">Stable id, unique in the layer.</param>
/// <param name="XMm">Middle, mm from the left of the outline's box.</param>
/// <param name="YMm">Middle, mm from the top of the outline's box.</param>
/// <param name="WidthMm">Width before it is turned, mm.</param>
/// <param name="HeightMm">Height before it is turned, mm.</param>
/// <param name="TurnDeg">Turn, degrees clockwise as seen.</param>
/// <param name="WavinessMm">How far the band edges round it wander, mm.</param>
/// <param name="Seed">Seed of its shape and waviness.</param>
public sealed record Heart(
    string Id, double XMm, double YMm, double WidthMm, double HeightMm, double TurnDeg, double WavinessMm, int Seed);

/// <summary>A band or vein.</summary>
/// <param name="Id">Stable id, unique in the layer; also the id of its region.</param>
/// <param name="WidthMm">Its width on average before the layer's widening, mm; ignored where <paramref name="FillsRest"/>.</param>
/// <param name="FillsRest">Whether it takes all the width that is left.</param>
/// <param name="Cup">Id of its cup.</param>
public sealed record Band(string Id, double WidthMm, bool FillsRest, string Cup)
{
    /// <summary>Width of every band, each wider than the one inside it by a factor, mm; 0 for the one that fills the rest.</summary>
    /// <remarks>Source: docs/craft/map.md, Widths in millimetres.</remarks>
    internal static double[] WidthsMm(ImmutableArray<Band> bands, double widening) =>
        [.. bands.Select((b, i) => b.FillsRest ? 0 : Math.Min(b.WidthMm * Math.Pow(widening, i), 1e6))];
}

/// <summary>A cup of coloured resin.</summary>
/// <param name="Id">Stable id, unique in the layer.</param>
/// <param name="Name">The colour's name.</param>
/// <param name="Colour">Colour of the colourant at full cover, as <c>#rrggbb</c>.</param>
/// <param name="Colourant">Class of the colourant; null for clear resin.</param>
/// <param name="LoadPercent">Load, % of the mixed resin by weight.</param>
/// <param name="Of">The cups it is filled from, where it is a mixed one; null for a cup of its own.</param>
public sealed record Cup(
    string Id, string Name, string Colour, ColourantClass? Colourant, double LoadPercent, ImmutableArray<CupShare>? Of = null);

/// <summary>What a mixed cup takes from another.</summary>
/// <param name="Cup">The other cup.</param>
/// <param name="Parts">How many parts.</param>
public sealed record CupShare(string Cup, double Parts);

/// <summary>The resin system a layer uses, with the maker's own data where the artist has entered it.</summary>
/// <param name="System">Id of a system in <see cref="TypicalMaterials"/>.</param>
/// <param name="Ratio">The maker's mix ratio, or null for the typical one.</param>
/// <param name="ResinDensity">Density of the resin, g/ml, or null for the typical one.</param>
/// <param name="HardenerDensity">Density of the hardener, g/ml, or null for the typical one.</param>
public sealed record ResinChoice(
    string System, MixRatio? Ratio = null, double? ResinDensity = null, double? HardenerDensity = null);

/// <summary>How parts are measured.</summary>
public enum Measure
{
    /// <summary>By volume, in two marked cups.</summary>
    ByVolume,

    /// <summary>By weight, on a scale.</summary>
    ByWeight,
}

/// <summary>When a layer is to be poured, in the workshop's local time, and how warm the room will be.</summary>
/// <param name="Start">First pour; null while not decided.</param>
/// <param name="End">Last pour; null for the default of 20 min after the start.</param>
/// <param name="RoomC">Room temperature, °C; null while not known.</param>
public sealed record PourTimes(LocalDateTime? Start, LocalDateTime? End, double? RoomC)
{
    /// <summary>Nothing decided yet.</summary>
    [JsonIgnore]
    public static PourTimes None { get; } = new(null, null, null);
}
