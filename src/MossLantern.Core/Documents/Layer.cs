using System.Collections.Immutable;
using System.Text.Json.Serialization;
using MossLantern.Core.Materials;
using MossLantern.Core.Mixing;
using MossLantern.Core.Pouring;
using MossLantern.Core.Units;
using NodaTime;

namespace MossLantern.Core.Documents;

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
    ImmutableArray<RegionId> PourOrder,
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
            var poured = LaidOutFrom.Concat((Zones ?? []).SelectMany(z => this.Inside(z).LaidOutFrom)).ToHashSet();
            return [.. poured, .. Cups.Where(c => poured.Contains(c.Id)).SelectMany(c => c.Of ?? []).Select(s => s.Cup)];
        }
    }

    /// <summary>The regions that an order of pours can name.</summary>
    [JsonIgnore]
    public IEnumerable<RegionId> RegionIds =>
    [
        .. UsesBands ? Bands.Select(b => (RegionId)b.Id) : [],
        .. Layout?.RegionIds ?? [RegionId.Heart],
        .. (Zones ?? []).SelectMany(z => this.Inside(z).RegionIds.Select(id => id.In(z.Id))),
    ];

    /// <summary>The layer as it is inside a zone of it.</summary>
    public Layer Inside(Zone zone)
    {
        ArgumentNullException.ThrowIfNull(zone);
        return this with
        {
            Layout = zone.Layout,
            Hearts = zone.Hearts,
            Bands = zone.Bands,
            RimFollow = zone.RimFollow,
            HeartCup = zone.HeartCup,
            Widening = zone.Widening,
            RimWay = zone.RimWay,
            Zones = null,
        };
    }

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
/// <param name="System">Id of a resin of the catalogue.</param>
/// <param name="Ratio">The maker's mix ratio, or null for the typical one.</param>
/// <param name="ResinDensity">Density of the resin, g/ml, or null for the typical one.</param>
/// <param name="HardenerDensity">Density of the hardener, g/ml, or null for the typical one.</param>
public sealed record ResinChoice(
    string System, MixRatio? Ratio = null, double? ResinDensity = null, double? HardenerDensity = null)
{
    /// <summary>The system from a catalogue, with the layer's own data in place.</summary>
    /// <exception cref="ArgumentException">The catalogue has no such system.</exception>
    public ResinSystem From(Catalogue catalogue)
    {
        ArgumentNullException.ThrowIfNull(catalogue);
        return (catalogue.Resin(System) ?? throw new ArgumentException($"There is no resin system '{System}'.")).With(Ratio, ResinDensity, HardenerDensity);
    }
}

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
