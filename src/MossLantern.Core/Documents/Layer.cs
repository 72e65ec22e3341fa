using System.Collections.Immutable;
using System.Diagnostics.CodeAnalysis;
using System.Text.Json.Serialization;
using MossLantern.Core.Materials;
using NodaTime;

namespace MossLantern.Core.Documents;

/// <summary>One layer of a piece, cured before the next: a map of regions, filled by one sitting or several.</summary>
/// <param name="Id">Stable id, unique in the piece.</param>
/// <param name="Name">The layer's name.</param>
/// <param name="DepthMm">Its depth, mm.</param>
/// <param name="Layout">How it is laid out.</param>
/// <param name="Aside">Layouts of other kinds that were worked on and put by, one a kind; null for none.</param>
/// <param name="Zones">Parts of it that are laid out in ways of their own; null for none.</param>
/// <param name="RegionDepths">What regions aim at where it is another depth than <paramref name="DepthMm"/>; null for none.</param>
/// <param name="Bare">Regions that stay bare in this layer; null for none.</param>
/// <param name="Within">Id of the insert whose hollow it fills; null for a layer over everything.</param>
/// <param name="PartDepths">Depth in parts of a drawn outline where it is another than <paramref name="DepthMm"/>; null for none.</param>
/// <param name="Contrast">How its neighbouring colours are meant.</param>
/// <param name="Stones">Stones that lie in its resin and take up room of it; null for none.</param>
/// <remarks>Source: docs/craft/map.md.</remarks>
public sealed record Layer(
    string Id,
    string Name,
    double DepthMm,
    Layout Layout,
    ImmutableArray<Layout>? Aside = null,
    ImmutableArray<Zone>? Zones = null,
    ImmutableArray<RegionDepth>? RegionDepths = null,
    ImmutableArray<RegionId>? Bare = null,
    string? Within = null,
    ImmutableArray<CavityDepth>? PartDepths = null,
    Contrast Contrast = Contrast.Strong,
    ImmutableArray<LaidStones>? Stones = null)
{
    /// <summary>The recipes that its regions are poured from, those of its zones too.</summary>
    [JsonIgnore]
    public IEnumerable<string> RecipeIds => Layout.RecipeIds.Concat((Zones ?? []).SelectMany(z => z.Layout.RecipeIds));

    /// <summary>Every recipe that it names, those of layouts put by too.</summary>
    [JsonIgnore]
    public IEnumerable<string> NamedRecipeIds =>
        RecipeIds.Concat((Aside ?? []).Concat((Zones ?? []).SelectMany(z => z.Aside ?? [])).SelectMany(l => l.RecipeIds));

    /// <summary>The regions that an order of pours can name.</summary>
    [JsonIgnore]
    public IEnumerable<RegionId> RegionIds =>
        [.. Layout.RegionIds, .. (Zones ?? []).SelectMany(z => z.Layout.RegionIds.Select(id => id.In(z.Id)))];

    /// <summary>Whether it has such a region, or what the piece keeps may be one of it.</summary>
    public bool Has(RegionId region) => (region.Kept is not null && Within is null) || RegionIds.Contains(region);

    /// <summary>How deep a region of it is to be in the end, mm: lines lie on a film, which is a part of the layer's depth.</summary>
    /// <remarks>Source: docs/craft/mixing.md, Sittings.</remarks>
    public double AimMm(RegionId region) => FilmUnderMm(region) is { } film ? Math.Max(0, (OwnMm(region) ?? DepthMm) - film)
        : OwnMm(region) ?? (IsFilm(region, out var lines) ? Math.Min(lines.StartMm, DepthMm) : DepthMm);

    /// <summary>How deep the film is that a stripe lies on, mm: depths are counted from the ground, so that is a part of
    /// them. Null for what lies on no film.</summary>
    public double? FilmUnderMm(RegionId region) =>
        region.Kept is not null || LayoutOf(region) is not StripesLayout lines || region.InLayout == StripesLayout.StartId
            || !lines.RegionIds.Contains(region.InLayout) ? null
        : AimMm(region.Zone is { } zone ? StripesLayout.StartId.In(zone) : StripesLayout.StartId);

    private double? OwnMm(RegionId region) => (RegionDepths ?? []).FirstOrDefault(d => d.Region == region)?.DepthMm;

    private bool IsFilm(RegionId region, [NotNullWhen(true)] out StripesLayout? lines)
    {
        lines = region.Kept is null && region.InLayout == StripesLayout.StartId ? LayoutOf(region) as StripesLayout : null;
        return lines is not null;
    }

    /// <summary>What the amount that a region of it takes follows from, as it is laid out. Whether it stays bare is
    /// another question.</summary>
    public PouredBy By(RegionId region) =>
        region.Kept is null && LayoutOf(region) is { } layout ? layout.By(region.InLayout) : PouredBy.Area;

    /// <summary>Whether a region of it has a depth to aim at.</summary>
    public bool HasDepth(RegionId region) => By(region) == PouredBy.Area;

    private Layout? LayoutOf(RegionId region) => LaidOutBy(region.Zone);

    /// <summary>The layout of a zone of it, or its own; null where it has no such zone.</summary>
    /// <param name="zoneId">The zone; null for the layer itself.</param>
    internal Layout? LaidOutBy(string? zoneId) => zoneId is null ? Layout : (Zones ?? []).FirstOrDefault(z => z.Id == zoneId)?.Layout;

    /// <summary>Layouts that were put by in a zone of it, or in itself.</summary>
    /// <param name="zoneId">The zone; null for the layer itself.</param>
    internal ImmutableArray<Layout> AsideIn(string? zoneId) =>
        (zoneId is null ? Aside : (Zones ?? []).FirstOrDefault(z => z.Id == zoneId)?.Aside) ?? [];

    /// <summary>Whether a layout was put by in it or in one of its zones.</summary>
    [JsonIgnore]
    internal bool HasAside => Aside is not null || (Zones ?? []).Any(z => z.Aside is not null);

    /// <summary>The same without the layouts that were put by.</summary>
    internal Layer WithoutAside() =>
        this with { Aside = null, Zones = Zones is { } zones ? [.. zones.Select(z => z with { Aside = null })] : null };

    /// <summary>The same without depths, bare regions and stones of regions that it does not have.</summary>
    /// <param name="lines">The regions that its lines are.</param>
    internal Layer Mended(IReadOnlySet<RegionId> lines)
    {
        var depths = RegionDepths?.RemoveAll(d => !Has(d.Region) || !HasDepth(d.Region));
        var bare = Bare?.RemoveAll(r => !Has(r) && !lines.Contains(r));
        var stones = Stones?.RemoveAll(s => !Has(s.Region) || !HasDepth(s.Region));
        return depths?.Length == RegionDepths?.Length && bare?.Length == Bare?.Length && stones?.Length == Stones?.Length ? this : this with
        {
            Stones = stones is { IsEmpty: false } ? stones : null,
            RegionDepths = depths is { IsEmpty: false } ? depths : null,
            Bare = bare is { IsEmpty: false } ? bare : null,
        };
    }

    /// <summary>Its depth in a letter or cavity of a drawn outline, mm.</summary>
    /// <param name="part">Which, from 1.</param>
    public double DepthIn(int part) => (PartDepths ?? []).FirstOrDefault(p => p.Part == part)?.DepthMm ?? DepthMm;
}

/// <summary>What a region aims at where it is another depth than its layer's.</summary>
/// <param name="Region">The region.</param>
/// <param name="DepthMm">The depth, mm.</param>
public sealed record RegionDepth(RegionId Region, double DepthMm);

/// <summary>Stones that lie in the resin of a region: what they take up is not poured.</summary>
/// <param name="Region">The region.</param>
/// <param name="StoneId">Which stones, of the cupboard's.</param>
/// <param name="Grams">What lies below the level of the resin, of one piece, g.</param>
/// <remarks>Source: docs/craft/stones.md, Displacement.</remarks>
public sealed record LaidStones(RegionId Region, string StoneId, double Grams)
{
    /// <summary>What an entry of this region and these stones is called in a place.</summary>
    public static string NameOf(RegionId region, string stoneId) => $"{region} {stoneId}";
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

    /// <summary>They blend.</summary>
    Gradual,

    /// <summary>Nobody minds.</summary>
    Any,
}

/// <summary>The depth in one part of a drawn outline, such as a letter or a cavity.</summary>
/// <param name="Part">Which part, from 1, counted from left to right.</param>
/// <param name="DepthMm">The depth, mm.</param>
public sealed record CavityDepth(int Part, double DepthMm);

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
/// <param name="JugMl">What the largest jug holds, ml.</param>
/// <remarks>Source: docs/craft/mixing.md, Rounding.</remarks>
public sealed record MeasuringTools(double? CupStepMl = null, double? ScaleStepG = null, double? JugMl = null);

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
/// <param name="WidthMm">Its width on average before the widening, mm; ignored where <paramref name="FillsRest"/>.</param>
/// <param name="FillsRest">Whether it takes all the width that is left.</param>
/// <param name="RecipeId">Id of its recipe.</param>
public sealed record Band(string Id, double WidthMm, bool FillsRest, string RecipeId)
{
    /// <summary>Its region, in the layout that it is laid out by.</summary>
    [JsonIgnore]
    public RegionId Region => RegionId.Parse(Id);

    /// <summary>Width of every band, each wider than the one inside it by a factor, mm; 0 for the one that fills the rest.</summary>
    /// <remarks>Source: docs/craft/map.md, Widths in millimetres.</remarks>
    internal static double[] WidthsMm(ImmutableArray<Band> bands, double widening) =>
        [.. bands.Select((b, i) => b.FillsRest ? 0 : Math.Min(b.WidthMm * Math.Pow(widening, i), 1e6))];
}

/// <summary>The resin system a sitting uses, with the maker's own data where the artist has entered it.</summary>
/// <param name="System">Id of a resin of the catalogue.</param>
/// <param name="Ratio">The maker's mix ratio, or null for the typical one.</param>
/// <param name="ResinDensity">Density of the resin, g/ml, or null for the typical one.</param>
/// <param name="HardenerDensity">Density of the hardener, g/ml, or null for the typical one.</param>
public sealed record ResinChoice(
    string System, MixRatio? Ratio = null, double? ResinDensity = null, double? HardenerDensity = null)
{
    /// <summary>The system from a catalogue, with the sitting's own data in place.</summary>
    /// <exception cref="ArgumentException">The catalogue has no such system.</exception>
    public ResinSystem From(Catalogue catalogue)
    {
        ArgumentNullException.ThrowIfNull(catalogue);
        return (catalogue.Resin(System) ?? throw new ArgumentException($"There is no resin system '{System}'."))
            .With(Ratio, ResinDensity, HardenerDensity);
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
public sealed record PlannedTimes(LocalDateTime? Start, LocalDateTime? End, double? RoomC)
{
    /// <summary>Nothing decided yet.</summary>
    [JsonIgnore]
    public static PlannedTimes None { get; } = new(null, null, null);

    /// <summary>The same hours from another start on.</summary>
    /// <param name="start">When it starts instead.</param>
    public PlannedTimes MovedTo(LocalDateTime start) =>
        this with { Start = start, End = this is { Start: { } from, End: { } end } ? start + (end - from) : null };
}
