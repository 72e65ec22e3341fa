using MossLantern.Core.Documents;
using MossLantern.Core.Map;
using MossLantern.Core.Materials;
using MossLantern.Core.Units;

namespace MossLantern.Core.Mixing;

/// <summary>What a cup is poured over.</summary>
public enum PouredOver
{
    /// <summary>The ground.</summary>
    Ground,

    /// <summary>Paint of its own colour, where the map is painted on the ground.</summary>
    OwnPaint,

    /// <summary>The layer below it.</summary>
    LayerBelow,
}

/// <summary>What lies beneath a cup's resin, and how deep that is at its deepest.</summary>
/// <param name="Over">What it is poured over.</param>
/// <param name="Colour">What that looks like, as <c>#rrggbb</c>: of a layer, what most of it looks like; of paint, the
/// ground it lies on.</param>
/// <param name="DepthMm">How deep the cup is poured, mm.</param>
/// <remarks>Source: docs/craft/mixing.md, Choosing a colour.</remarks>
public sealed record Beneath(PouredOver Over, string Colour, double DepthMm)
{
    /// <summary>What lies beneath a cup.</summary>
    /// <param name="piece">A valid piece.</param>
    /// <param name="catalogue">The workshop's materials.</param>
    /// <param name="laid">The layer that the cup is poured in.</param>
    /// <param name="cup">The cup.</param>
    /// <param name="below">The layer below it; null for the lowest.</param>
    public static Beneath Of(Piece piece, Catalogue catalogue, LaidLayer laid, Recipe cup, LaidLayer? below)
    {
        ArgumentNullException.ThrowIfNull(piece);
        ArgumentNullException.ThrowIfNull(laid);
        ArgumentNullException.ThrowIfNull(cup);
        var (ground, depth) = (piece.Ground.Colour, CupOpacity.DeepestOf(laid.Layer, laid.Map, cup));
        return below is not null
            ? new(PouredOver.LayerBelow, MostOf(catalogue, below.Layer, below.Map, Units.Colour.Of(ground)).ToHex(), depth)
            : new(piece.Ground.Paint is { AsMap: true } ? PouredOver.OwnPaint : PouredOver.Ground, ground, depth);
    }

    /// <summary>What the largest region of a layer looks like; the ground where nothing of it is poured.</summary>
    private static Colour MostOf(Catalogue catalogue, FilledLayer layer, LayerMap map, Colour ground)
    {
        var most = map.Regions.Where(r => r.TakesArea && r.CupId is not null && !layer.IsBare(r.Id)).MaxBy(r => r.AreaMm2);
        return most is null ? ground : CupLook.Of(catalogue, layer, layer.Recipes.Single(r => r.Id == most.CupId))
            .Over(ground, DepthZones.DepthOf(layer, most, layer.OwnDepthMm(most.Id) ?? layer.DepthMm));
    }
}
