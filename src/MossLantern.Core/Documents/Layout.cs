using System.Collections.Immutable;
using System.Globalization;
using System.Text.Json.Serialization;
using MossLantern.Core.Shapes;

namespace MossLantern.Core.Documents;

/// <summary>How a layer, or a zone of it, is laid out.</summary>
/// <remarks>Source: docs/craft/layouts.md.</remarks>
public abstract record Layout
{
    /// <summary>The recipes that its regions are poured from, each with the field that names it.</summary>
    [JsonIgnore]
    public abstract IEnumerable<(string Field, string RecipeId)> RecipePlaces { get; }

    /// <summary>The recipes that its regions are poured from.</summary>
    [JsonIgnore]
    public IEnumerable<string> RecipeIds => RecipePlaces.Select(p => p.RecipeId);

    /// <summary>Its regions, for an order of pours.</summary>
    [JsonIgnore]
    public abstract IEnumerable<RegionId> RegionIds { get; }

    /// <summary>What the amount that a region of it takes follows from.</summary>
    public virtual PouredBy By(RegionId region) => PouredBy.Area;

    /// <summary>All that its map depends on, as one text.</summary>
    [JsonIgnore]
    internal abstract string Key { get; }

    /// <summary>The fields of a list that name recipes.</summary>
    private protected static IEnumerable<(string Field, string RecipeId)> Each(string list,
        IEnumerable<string> recipeIds, string field = "") =>
        recipeIds.Select((id, i) => (string.Create(CultureInfo.InvariantCulture, $"{list}[{i}]{field}"), id));

    /// <summary>A text that is the same for the same values.</summary>
    private protected static string Text(params ReadOnlySpan<object?> values)
    {
        var parts = new string[values.Length];
        for (var i = 0; i < parts.Length; i++)
        {
            parts[i] = values[i] is double number
                ? number.ToString("R", CultureInfo.InvariantCulture)
                : Convert.ToString(values[i], CultureInfo.InvariantCulture) ?? "";
        }

        return string.Join('/', parts);
    }
}

/// <summary>A layout of bands, one beside the other.</summary>
/// <param name="Bands">Its bands from the middle outward; exactly one fills the rest.</param>
/// <param name="Widening">Factor by which each band is wider than it would be one place nearer the middle.</param>
public abstract record BandedLayout(ImmutableArray<Band> Bands, double Widening) : Layout
{
    /// <inheritdoc/>
    [JsonIgnore]
    public override IEnumerable<(string Field, string RecipeId)> RecipePlaces => Each("bands", Bands.Select(b => b.RecipeId), ".recipeId");

    /// <inheritdoc/>
    [JsonIgnore]
    public override IEnumerable<RegionId> RegionIds => Bands.Select(b => b.Region);

    /// <summary>Width of every band with the widening in it, mm; 0 for the one that fills the rest.</summary>
    /// <remarks>Source: docs/craft/map.md, Widths in millimetres.</remarks>
    public double[] BandWidthsMm() => Band.WidthsMm(Bands, Widening);

    /// <summary>What its bands' part of a map depends on, as one text.</summary>
    private protected string BandsKey =>
        string.Join('|', [Text(Widening), .. Bands.Select(b => Text(b.Id, b.WidthMm, b.FillsRest, b.RecipeId))]);
}

/// <summary>Rings round hearts.</summary>
/// <param name="Hearts">The hearts that the bands run round; where there are none, the band that fills the rest takes all.</param>
/// <param name="Bands">Its bands from the hearts outward; exactly one fills the rest.</param>
/// <param name="RimFollow">How far outer bands follow the rim instead of the hearts, 0 to 1.</param>
/// <param name="HeartRecipeId">Recipe of the hearts' bed; null only where there are no hearts.</param>
/// <param name="Widening">Factor by which each band is wider than it would be one place nearer the hearts.</param>
/// <param name="RimWay">How bands that follow the rim share the room.</param>
/// <remarks>Source: docs/craft/map.md.</remarks>
public sealed record RingsLayout(
    ImmutableArray<Heart> Hearts, ImmutableArray<Band> Bands, double RimFollow, string? HeartRecipeId, double Widening = 1,
    RimWay RimWay = RimWay.Proportional) : BandedLayout(Bands, Widening)
{
    /// <inheritdoc/>
    [JsonIgnore]
    public override IEnumerable<(string Field, string RecipeId)> RecipePlaces =>
        HeartRecipeId is null ? base.RecipePlaces : [.. base.RecipePlaces, ("heartRecipeId", HeartRecipeId)];

    /// <inheritdoc/>
    [JsonIgnore]
    public override IEnumerable<RegionId> RegionIds => [.. base.RegionIds, RegionId.Heart];

    internal override string Key => string.Join('|',
        [
            Text("rings", RimFollow, HeartRecipeId, RimWay), BandsKey,
            .. Hearts.Select(h => Text(h.Id, h.XMm, h.YMm, h.WidthMm, h.HeightMm, h.TurnDeg, h.WavinessMm, h.Seed)),
        ]);
}

/// <summary>
/// Bands as lines laid from the rim inward on a film of clear; the innermost, which fills the rest, is poured
/// last and pushes them out.
/// </summary>
/// <param name="Bands">The lines from the middle to the rim; exactly one fills the rest.</param>
/// <param name="StartRecipeId">Recipe of the film they are laid on.</param>
/// <param name="StartMm">Thickness of that film, mm; part of the layer's depth.</param>
/// <param name="WavinessMm">How far the lines wander, mm.</param>
/// <param name="Seed">Seed of the waviness.</param>
/// <param name="Widening">Factor by which each line is wider than it would be one place nearer the middle.</param>
/// <remarks>Source: docs/craft/layouts.md, Rim-to-middle lines.</remarks>
public sealed record StripesLayout(
    ImmutableArray<Band> Bands, string StartRecipeId, double StartMm, double WavinessMm, int Seed, double Widening = 1)
        : BandedLayout(Bands, Widening)
{
    /// <summary>Id of the region of the film.</summary>
    public static RegionId StartId { get; } = RegionId.Parse("start");

    /// <inheritdoc/>
    [JsonIgnore]
    public override IEnumerable<(string Field, string RecipeId)> RecipePlaces => [.. base.RecipePlaces, ("startRecipeId", StartRecipeId)];

    /// <inheritdoc/>
    [JsonIgnore]
    public override IEnumerable<RegionId> RegionIds => [.. base.RegionIds, StartId];

    internal override string Key => string.Join('|', [Text("lines", StartRecipeId, WavinessMm, Seed), BandsKey]);
}

/// <summary>Bands as rings round a middle, drawn through with a tool while the film sets.</summary>
/// <param name="Bands">The rings from the middle outward; exactly one fills the rest.</param>
/// <param name="XMm">Middle, mm from the left.</param>
/// <param name="YMm">Middle, mm from the top.</param>
/// <param name="Petals">How many strokes of the tool, evenly round.</param>
/// <param name="PullMm">How far a stroke drags the colour along, mm.</param>
/// <param name="Inward">Whether the tool is drawn towards the middle; else away from it.</param>
/// <param name="ToolMm">Width of what the tool drags along, mm.</param>
/// <param name="TurnDeg">Where the first stroke lies, degrees clockwise from the right.</param>
/// <param name="Widening">Factor by which each ring is wider than it would be one place nearer the middle.</param>
/// <remarks>Source: docs/craft/layouts.md, Petals.</remarks>
public sealed record PetalsLayout(
    ImmutableArray<Band> Bands, double XMm, double YMm, int Petals, double PullMm, bool Inward, double ToolMm, double TurnDeg,
    double Widening = 1) : BandedLayout(Bands, Widening)
{
    internal override string Key => string.Join('|', [Text("petals", XMm, YMm, Petals, PullMm, Inward, ToolMm, TurnDeg), BandsKey]);
}

/// <summary>Fields of a few colours, each colour in several places spread out over the piece, none beside itself.</summary>
/// <param name="Fields">How many fields.</param>
/// <param name="Colours">Recipes of the colours.</param>
/// <param name="Seed">Seed of their shapes and places.</param>
/// <param name="Moved">Fields whose centre was moved by hand; null for none.</param>
/// <param name="Recoloured">Fields whose colour was chosen by hand; null for none.</param>
/// <remarks>Source: docs/craft/layouts.md, Fields in threes.</remarks>
public sealed record FieldsLayout(
    int Fields, ImmutableArray<string> Colours, int Seed,
    ImmutableArray<FieldPlace>? Moved = null, ImmutableArray<FieldColour>? Recoloured = null) : Layout
{
    /// <inheritdoc/>
    [JsonIgnore]
    public override IEnumerable<(string Field, string RecipeId)> RecipePlaces =>
    [
        .. Each("colours", Colours), .. Each("recoloured", (Recoloured ?? []).Select(r => r.RecipeId), ".recipeId"),
    ];

    /// <inheritdoc/>
    [JsonIgnore]
    public override IEnumerable<RegionId> RegionIds => [.. Enumerable.Range(1, Fields).Select(RegionId.OfField)];

    internal override string Key => string.Join('|',
        [
            Text("fields", Fields, Seed), .. Colours,
            .. (Moved ?? []).Select(m => Text(m.Field, m.XMm, m.YMm)),
            .. (Recoloured ?? []).Select(r => Text(r.Field, r.RecipeId)),
        ]);
}

/// <summary>Where a field's centre was moved to.</summary>
/// <param name="Field">Which field, from 1.</param>
/// <param name="XMm">mm from the left.</param>
/// <param name="YMm">mm from the top.</param>
public sealed record FieldPlace(int Field, double XMm, double YMm);

/// <summary>The colour that was chosen for a field by hand.</summary>
/// <param name="Field">Which field, from 1.</param>
/// <param name="RecipeId">Its recipe.</param>
public sealed record FieldColour(int Field, string RecipeId);

/// <summary>Pools between walls that were drawn by hand: lines of the piece.</summary>
/// <param name="Pools">The colours of the pools, each by a spot that lies in its pool.</param>
/// <remarks>Source: docs/craft/layouts.md, Pools.</remarks>
public sealed record PoolsLayout(ImmutableArray<PoolColour> Pools) : Layout
{
    /// <summary>Id of the region that the beads take up.</summary>
    public static RegionId WallId { get; } = RegionId.Parse("wall");

    /// <inheritdoc/>
    [JsonIgnore]
    public override IEnumerable<(string Field, string RecipeId)> RecipePlaces => Each("pools", Pools.Select(p => p.RecipeId), ".recipeId");

    /// <inheritdoc/>
    [JsonIgnore]
    public override IEnumerable<RegionId> RegionIds => Pools.Select(p => p.Region);

    /// <inheritdoc/>
    public override PouredBy By(RegionId region) => region == WallId ? PouredBy.Nothing : PouredBy.Area;

    internal override string Key => string.Join('|',
        [
            "pools",
            .. Pools.Select(p => Text(p.Id, p.XMm, p.YMm, p.RecipeId)),
        ]);
}

/// <summary>The colour of a pool.</summary>
/// <param name="Id">Stable id, unique in the layout; also the id of the pool's region.</param>
/// <param name="XMm">A spot in the pool, mm from the left.</param>
/// <param name="YMm">mm from the top.</param>
/// <param name="RecipeId">Its recipe.</param>
public sealed record PoolColour(string Id, double XMm, double YMm, string RecipeId)
{
    /// <summary>Its region, in the layout that it is laid out by.</summary>
    [JsonIgnore]
    public RegionId Region => RegionId.Parse(Id);
}

/// <summary>Colours poured in turn in one place, perhaps tilted afterwards.</summary>
/// <param name="XMm">Where they are poured, mm from the left.</param>
/// <param name="YMm">mm from the top.</param>
/// <param name="Pours">The pours in turn.</param>
/// <param name="TiltDeg">Where it is tilted to, degrees clockwise from the right.</param>
/// <param name="TiltPercent">How much longer it grows along the tilt, %; 0 for not tilted.</param>
/// <param name="RestRecipeId">Recipe of what lies outside the puddle; null where nothing is poured there.</param>
/// <remarks>Source: docs/craft/layouts.md, Puddle.</remarks>
public sealed record PuddleLayout(
    double XMm, double YMm, ImmutableArray<PuddlePour> Pours, double TiltDeg = 0, double TiltPercent = 0,
    string? RestRecipeId = null) : Layout
{
    /// <summary>Id of the region outside the puddle.</summary>
    public static RegionId RestId { get; } = RegionId.Parse("rest");

    /// <inheritdoc/>
    [JsonIgnore]
    public override IEnumerable<(string Field, string RecipeId)> RecipePlaces =>
    [
        .. Each("pours", Pours.Select(p => p.RecipeId), ".recipeId"),
        .. RestRecipeId is null ? Array.Empty<(string, string)>() : [("restRecipeId", RestRecipeId)],
    ];

    /// <inheritdoc/>
    [JsonIgnore]
    public override IEnumerable<RegionId> RegionIds => [.. Pours.Select(p => p.Region), RestId];

    /// <inheritdoc/>
    public override PouredBy By(RegionId region) => Pours.Any(p => p.Region == region) ? PouredBy.Amount : PouredBy.Area;

    internal override string Key => string.Join('|',
        [Text("puddle", XMm, YMm, TiltDeg, TiltPercent, RestRecipeId), .. Pours.Select(p => Text(p.Id, p.RecipeId, p.Ml))]);
}

/// <summary>One pour of a puddle.</summary>
/// <param name="Id">Stable id, unique in the layout; also the id of its region.</param>
/// <param name="RecipeId">Its recipe.</param>
/// <param name="Ml">How much, ml.</param>
public sealed record PuddlePour(string Id, string RecipeId, double Ml)
{
    /// <summary>Its region, in the layout that it is laid out by.</summary>
    [JsonIgnore]
    public RegionId Region => RegionId.Parse(Id);
}

/// <summary>A ground colour with streaks of a mixed cup poured through it.</summary>
/// <param name="GroundRecipeId">Recipe of the ground colour.</param>
/// <param name="StreakRecipeId">The mixed recipe.</param>
/// <param name="StreakPercent">Share of the area that the streaks take up, %.</param>
/// <param name="Blend">From 0, the mixed cup's colours side by side, to 1, one even colour.</param>
/// <param name="DirectionDeg">Where the streaks run, degrees clockwise from the right.</param>
/// <param name="Seed">Seed of the streaks.</param>
/// <remarks>Source: docs/craft/layouts.md, Marble.</remarks>
public sealed record MarbleLayout(string GroundRecipeId, string StreakRecipeId, double StreakPercent, double Blend,
    double DirectionDeg, int Seed) : Layout
{
    /// <summary>Id of the region of the ground colour.</summary>
    public static RegionId GroundId { get; } = RegionId.Parse("ground");

    /// <summary>Id of the region of the streaks.</summary>
    public static RegionId StreakId { get; } = RegionId.Parse("streaks");

    /// <inheritdoc/>
    [JsonIgnore]
    public override IEnumerable<(string Field, string RecipeId)> RecipePlaces =>
        [("groundRecipeId", GroundRecipeId), ("streakRecipeId", StreakRecipeId)];

    /// <inheritdoc/>
    [JsonIgnore]
    public override IEnumerable<RegionId> RegionIds => [GroundId, StreakId];

    internal override string Key => Text("marble", GroundRecipeId, StreakRecipeId, StreakPercent, DirectionDeg, Seed);
}

/// <summary>One colour, or clear, over all.</summary>
/// <param name="RecipeId">Its recipe.</param>
/// <remarks>Source: docs/craft/layouts.md, Flood.</remarks>
public sealed record FloodLayout(string RecipeId) : Layout
{
    /// <summary>Id of its region.</summary>
    public static RegionId FloodId { get; } = RegionId.Parse("flood");

    /// <inheritdoc/>
    [JsonIgnore]
    public override IEnumerable<(string Field, string RecipeId)> RecipePlaces => [("recipeId", RecipeId)];

    /// <inheritdoc/>
    [JsonIgnore]
    public override IEnumerable<RegionId> RegionIds => [FloodId];

    internal override string Key => Text("flood", RecipeId);
}
