using System.Collections.Immutable;

namespace MossLantern.Core.Documents;

/// <summary>What the rest of a piece makes of a layer when it is filled.</summary>
/// <param name="Passes">Its regions that are filled pass by pass, from the bottom up.</param>
/// <param name="FillRecipes">Recipes that fills of its regions are poured from in place of the regions' own.</param>
/// <param name="Elsewhere">Recipes that layers name, or layouts that were put by.</param>
/// <param name="KeepsClear">Whether a spot of it is kept visible: that is poured from clear resin, though no layout says so.</param>
/// <param name="Lines">Its lines, as it is laid out now.</param>
public sealed record LayerFilling(
    ImmutableDictionary<RegionId, ImmutableArray<Fill>> Passes, ImmutableArray<string> FillRecipes,
    ImmutableHashSet<string> Elsewhere, bool KeepsClear, ImmutableArray<Line> Lines)
{
    /// <summary>Of a layer that stands by itself.</summary>
    public static LayerFilling None { get; } = new(ImmutableDictionary<RegionId, ImmutableArray<Fill>>.Empty, [], [], false, []);
}

/// <summary>A layer with what it is filled from: itself, the sitting that fills it, and the recipes of the piece.</summary>
/// <param name="Layer">The layer; looked at as a zone of it is, with the zone's layout.</param>
/// <param name="Sitting">The sitting that takes its rest, or the one that it is looked at in.</param>
/// <param name="Recipes">All recipes of the piece.</param>
/// <param name="Filling">What the rest of the piece makes of it.</param>
/// <param name="ZoneId">The zone of it that is looked at as if it were a layer; null for all of it.</param>
public sealed record FilledLayer(Layer Layer, Sitting Sitting, ImmutableArray<Recipe> Recipes, LayerFilling Filling, string? ZoneId = null)
{
    private readonly OfItself<ImmutableArray<Recipe>> cups = new();

    /// <summary>The layer's id.</summary>
    public string Id => Layer.Id;

    /// <summary>The layer's name.</summary>
    public string Name => Layer.Name;

    /// <summary>Its depth, mm.</summary>
    public double DepthMm => Layer.DepthMm;

    /// <summary>How it is laid out.</summary>
    public Layout Layout => Layer.Layout;

    /// <summary>Parts of it that are laid out in ways of their own; none where it is looked at as one of them is.</summary>
    public ImmutableArray<Zone> Zones => Layer.Zones ?? [];

    /// <summary>Id of the insert whose hollow it fills; null for a layer over everything.</summary>
    public string? Within => Layer.Within;

    /// <summary>Its place in the document.</summary>
    public string Place => PlaceIn.Layer(Id);

    /// <summary>The place of what it is laid out as: its own, or that of the zone.</summary>
    public string LaidOutPlace => PlaceIn.LaidOut(Id, ZoneId);

    /// <summary>The place of its sitting.</summary>
    public string SittingPlace => PlaceIn.Sitting(Sitting.Id);

    /// <summary>The recipes of its cups: those it is poured from, those that mixed ones are filled from, and those that
    /// nobody names yet.</summary>
    public ImmutableArray<Recipe> Cups => cups.Get(this, () =>
    {
        var own = InUse();
        if (Filling.KeepsClear && !Recipes.Any(r => r.IsClear && own.Contains(r.Id)) && Recipes.FirstOrDefault(r => r.IsClear) is { } clear)
        {
            own.Add(clear.Id);
        }

        return [.. Recipes.Where(r => own.Contains(r.Id) || !Filling.Elsewhere.Contains(r.Id))];
    });

    /// <summary>The recipes that something of it is poured or mixed from.</summary>
    public IReadOnlySet<string> RecipesInUse => InUse();

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
        return sitting.Id == Sitting.Id ? this : this with { Sitting = sitting };
    }

    /// <summary>Whether a region stays bare in it.</summary>
    public bool IsBare(RegionId region) => Layer.Bare is { } bare && bare.Contains(region);

    /// <summary>The depth that a region aims at of its own, mm; null where it is as deep as the layer.</summary>
    public double? OwnDepthMm(RegionId region) => (Layer.RegionDepths ?? []).FirstOrDefault(d => d.Region == region)?.DepthMm;

    /// <summary>Its depth in a letter or cavity of a drawn outline, mm.</summary>
    /// <param name="cavity">Which, from 1.</param>
    public double DepthIn(int cavity) => Layer.DepthIn(cavity);

    /// <summary>The layer as it is inside a zone of it.</summary>
    public FilledLayer Inside(Zone zone)
    {
        ArgumentNullException.ThrowIfNull(zone);
        return this with { Layer = Layer with { Layout = zone.Layout, Zones = null }, ZoneId = zone.Id };
    }

    /// <summary>The layer as it is outside of its zones.</summary>
    public FilledLayer Outside() => this with { Layer = Layer with { Zones = null } };

    /// <summary>The layer as if it were so deep all over.</summary>
    /// <param name="mm">The depth, mm.</param>
    public FilledLayer AsDeepAs(double mm) => this with { Layer = Layer with { DepthMm = mm, PartDepths = null } };

    /// <summary>Its own lines: of the zone that it is looked at as, or those in no zone.</summary>
    public IEnumerable<Line> Lines => Filling.Lines.Where(l => l.In?.Zone == ZoneId);

    /// <summary>Its own walls.</summary>
    public ImmutableArray<Line> Walls => [.. Lines.Where(l => l.IsBarrier)];

    /// <summary>Those that are laid on what is laid out: walls of pools are what lays it out.</summary>
    public IEnumerable<Line> LaidOn => Lines.Where(l => !(l.IsBarrier && Layout is PoolsLayout));

    private HashSet<string> InUse() => Recipe.WithShares(
        Layer.RecipeIds.Concat(Filling.Lines.Select(l => l.RecipeId).OfType<string>()).Concat(Filling.FillRecipes), Recipes);
}
