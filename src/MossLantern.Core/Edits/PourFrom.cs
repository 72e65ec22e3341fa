using MossLantern.Core.Documents;

namespace MossLantern.Core.Edits;

/// <summary>A region is poured from another colour.</summary>
/// <param name="Layer">The layer.</param>
/// <param name="Zone">The zone of it; null for the layer as a whole.</param>
/// <param name="Region">The region, in its own layout: a band, <c>heart</c>, <c>start</c>, a line, a pool, a pour,
/// <c>rest</c>, a field, <c>ground</c>, <c>streaks</c> or <c>flood</c>.</param>
/// <param name="Recipe">The colour; null for a new one of its own.</param>
public sealed record PourFrom(string Layer, string? Zone, RegionId Region, string? Recipe = null) : LayoutEdit(Layer, Zone)
{
    /// <inheritdoc/>
    public override string Words(Piece before) => Recipe is null ? "pour from a new colour" : $"pour from {Colour(before, Recipe)}";

    private protected override Edited Change(LaidOut laid, Cupboard cupboard)
    {
        if (laid.WithColour(Recipe) is not var (with, recipe))
        {
            return Edited.No($"{laid.Place}.layout", "The piece no longer has that colour.");
        }

        if (with.Lines.FirstOrDefault(l => l.IsPoured && l.Region.InLayout == Region) is { } line)
        {
            return with.WithLine(line, line with { Material = (PouredLine)line.Material with { RecipeId = recipe } }).Done();
        }

        return In(laid.Layout, Region, recipe) is not { } to
            ? Edited.No($"{PlaceIn.Layer(Layer)}.regions[{Region.In(Zone)}]", "That region is no longer there.")
            : with.With(to).Done();
    }

    /// <summary>A layout with a region poured from another colour; null where it has no such region.</summary>
    internal static Layout? In(Layout layout, RegionId region, string recipe) => layout switch
    {
        BandedLayout banded when banded.Bands.ToList().FindIndex(b => b.Region == region) is >= 0 and var at =>
            banded with { Bands = banded.Bands.SetItem(at, banded.Bands[at] with { RecipeId = recipe }) },
        RingsLayout { HeartRecipeId: not null } rings when region == RegionId.Heart => rings with { HeartRecipeId = recipe },
        StripesLayout lines when region == StripesLayout.StartId => lines with { StartRecipeId = recipe },
        FieldsLayout fields when region.Field is { } number && number <= fields.Fields =>
            fields with { Recoloured = [.. (fields.Recoloured ?? []).Where(r => r.Field != number), new FieldColour(number, recipe)] },
        PoolsLayout pools when pools.Pools.ToList().FindIndex(p => p.Region == region) is >= 0 and var at =>
            pools with { Pools = pools.Pools.SetItem(at, pools.Pools[at] with { RecipeId = recipe }) },
        PuddleLayout puddle when puddle.Pours.ToList().FindIndex(p => p.Region == region) is >= 0 and var at =>
            puddle with { Pours = puddle.Pours.SetItem(at, puddle.Pours[at] with { RecipeId = recipe }) },
        PuddleLayout puddle when region == PuddleLayout.RestId => puddle with { RestRecipeId = recipe },
        MarbleLayout marble when region == MarbleLayout.GroundId => marble with { GroundRecipeId = recipe },
        MarbleLayout marble when region == MarbleLayout.StreakId => marble with { StreakRecipeId = recipe },
        FloodLayout flood when region == FloodLayout.FloodId => flood with { RecipeId = recipe },
        _ => null,
    };
}
