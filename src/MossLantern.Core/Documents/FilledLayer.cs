using System.Collections.Immutable;

namespace MossLantern.Core.Documents;

/// <summary>A layer with what it is filled from: its own part of the document, and that of the sitting that takes its rest.</summary>
/// <param name="Id">The layer's id.</param>
/// <param name="Name">The layer's name.</param>
/// <param name="DepthMm">Its depth, mm.</param>
/// <param name="Layout">How it is laid out.</param>
/// <param name="Recipes">All recipes of the piece.</param>
/// <param name="Resin">The resin it is mixed from.</param>
/// <param name="Measure">How the artist measures.</param>
/// <param name="ReservePercent">Reserve in every cup, %; null takes the default.</param>
/// <param name="PourOrder">Its regions in pour order; empty for the usual one. Regions left out follow in that.</param>
/// <param name="Plan">When and in what room it is to be poured.</param>
/// <param name="Losses">What is lost on the way, where the artist knows better than the defaults.</param>
/// <param name="Tools">What the artist measures with, where it is not the usual.</param>
/// <param name="Within">Id of the insert whose hollow it fills; null for a layer over everything.</param>
/// <param name="PartDepths">Depth in parts of a drawn outline where it is another than <paramref name="DepthMm"/>; null for none.</param>
/// <param name="Contrast">How its neighbouring colours are meant.</param>
/// <param name="Zones">Parts of it that are laid out in ways of their own; null for none.</param>
/// <param name="Elsewhere">Recipes that layers name, or layouts that were put by; null for none.</param>
/// <param name="KeepsClear">Whether a spot of it is kept visible: that is poured from clear resin, though no layout says so.</param>
/// <param name="SittingId">Id of its sitting; null for one of the layer's own id.</param>
/// <param name="ZoneId">The zone of it that is looked at as if it were a layer; null for all of it.</param>
/// <param name="RegionDepths">What regions aim at where it is another depth than <paramref name="DepthMm"/>; null for none.</param>
/// <param name="Bare">Regions that stay bare in it; null for none.</param>
/// <param name="Passes">Regions that are filled pass by pass, from the bottom up; null for none.</param>
/// <param name="Copies">For how many copies its sitting is mixed; null for those that are poured at once.</param>
/// <param name="FillRecipes">Recipes that fills of its regions are poured from in place of the regions' own; null for none.</param>
/// <param name="Stones">Stones that lie in its resin and take up room of it; null for none.</param>
public sealed record FilledLayer(
    string Id,
    string Name,
    double DepthMm,
    Layout Layout,
    ImmutableArray<Recipe> Recipes,
    ResinChoice Resin,
    Measure Measure,
    double? ReservePercent,
    ImmutableArray<RegionId> PourOrder,
    PlannedTimes Plan,
    Losses? Losses = null,
    MeasuringTools? Tools = null,
    string? Within = null,
    ImmutableArray<CavityDepth>? PartDepths = null,
    Contrast Contrast = Contrast.Strong,
    ImmutableArray<Zone>? Zones = null,
    ImmutableHashSet<string>? Elsewhere = null,
    bool KeepsClear = false,
    string? SittingId = null,
    string? ZoneId = null,
    ImmutableArray<RegionDepth>? RegionDepths = null,
    ImmutableArray<RegionId>? Bare = null,
    ImmutableDictionary<RegionId, ImmutableArray<Fill>>? Passes = null,
    int? Copies = null,
    ImmutableArray<string>? FillRecipes = null,
    ImmutableArray<LaidStones>? Stones = null)
{
    private readonly OfItself<ImmutableArray<Recipe>> cups = new();

    /// <summary>Its place in the document.</summary>
    public string Place => PlaceIn.Layer(Id);

    /// <summary>The place of what it is laid out as: its own, or that of the zone.</summary>
    public string LaidOutPlace => PlaceIn.LaidOut(Id, ZoneId);

    /// <summary>The place of its sitting.</summary>
    public string SittingPlace => PlaceIn.Sitting(SittingId ?? Id);

    /// <summary>The recipes of its cups: those it is poured from, those that mixed ones are filled from, and those that nobody names yet.</summary>
    public ImmutableArray<Recipe> Cups => cups.Get(this, () =>
    {
        var own = InUse();
        if (KeepsClear && !Recipes.Any(r => r.IsClear && own.Contains(r.Id)) && Recipes.FirstOrDefault(r => r.IsClear) is { } clear)
        {
            own.Add(clear.Id);
        }

        return [.. Recipes.Where(r => own.Contains(r.Id) || Elsewhere?.Contains(r.Id) != true)];
    });

    /// <summary>The recipes that something of it is poured or mixed from.</summary>
    public IReadOnlySet<string> RecipesInUse => InUse();

    /// <summary>The regions that an order of pours can name.</summary>
    public IEnumerable<RegionId> RegionIds => [.. Layout.RegionIds, .. (Zones ?? []).SelectMany(z => z.Layout.RegionIds.Select(id => id.In(z.Id)))];

    /// <summary>Its bands; none where its layout has regions of its own.</summary>
    public ImmutableArray<Band> Bands => Layout is BandedLayout banded ? banded.Bands : [];

    /// <summary>The hearts of its rings; none where it is laid out otherwise.</summary>
    public ImmutableArray<Heart> Hearts => Layout is RingsLayout rings ? rings.Hearts : [];

    /// <summary>The recipe that a zone which is kept visible is poured from: the first of clear resin; null where it has none.</summary>
    public string? ClearRecipe => Cups.FirstOrDefault(r => r.IsClear)?.Id;

    /// <summary>The layer as a sitting fills it: mixed, measured and timed in that sitting's way.</summary>
    public FilledLayer In(Sitting sitting)
    {
        ArgumentNullException.ThrowIfNull(sitting);
        return sitting.Id == SittingId ? this : this with
        {
            Resin = sitting.Resin,
            Measure = sitting.Measure,
            ReservePercent = sitting.ReservePercent,
            PourOrder = sitting.OrderIn(Id),
            Plan = sitting.Plan,
            Losses = sitting.Losses,
            Tools = sitting.Tools,
            Copies = sitting.Copies,
            SittingId = sitting.Id,
        };
    }

    /// <summary>Whether a region stays bare in it.</summary>
    public bool IsBare(RegionId region) => Bare is { } bare && bare.Contains(region);

    /// <summary>The depth that a region aims at of its own, mm; null where it is as deep as the layer.</summary>
    public double? OwnDepthMm(RegionId region) => (RegionDepths ?? []).FirstOrDefault(d => d.Region == region)?.DepthMm;

    /// <summary>The layer as it is inside a zone of it.</summary>
    public FilledLayer Inside(Zone zone)
    {
        ArgumentNullException.ThrowIfNull(zone);
        return this with { Layout = zone.Layout, Zones = null, ZoneId = zone.Id };
    }

    /// <summary>Its depth in a part of a drawn outline, mm.</summary>
    /// <param name="part">Which part, from 1.</param>
    public double DepthIn(int part) => (PartDepths ?? []).FirstOrDefault(p => p.Part == part)?.DepthMm ?? DepthMm;

    private HashSet<string> InUse() => Recipe.WithShares(Layout.RecipeIds.Concat((Zones ?? []).SelectMany(z => z.Layout.RecipeIds)).Concat(FillRecipes ?? []), Recipes);
}
