using MossLantern.Core.Materials;

namespace MossLantern.Core.Documents;

/// <summary>The materials that documents name by their ids.</summary>
/// <remarks>Source: docs/craft/materials.md, Your own.</remarks>
public static class NamedMaterials
{
    /// <summary>Of a piece and of the older work beneath it: resins, colourants and stones.</summary>
    public static IEnumerable<(MaterialKind Kind, string Id)> Of(Piece piece)
    {
        ArgumentNullException.ThrowIfNull(piece);
        return piece.Sittings.Select(s => (MaterialKind.Resin, s.Resin.System))
            .Concat(piece.Recipes.SelectMany(Of))
            .Concat(piece.Layers.SelectMany(l => l.Stones ?? []).Select(s => (MaterialKind.Stone, s.StoneId)))
            .Concat(piece.Ground.Old is { } old ? Of(old.Piece) : []);
    }

    /// <summary>Of a colour: what it is dosed with.</summary>
    public static IEnumerable<(MaterialKind Kind, string Id)> Of(Recipe recipe)
    {
        ArgumentNullException.ThrowIfNull(recipe);
        return recipe.Doses.Select(d => d.ColourantId).OfType<string>().Select(id => (MaterialKind.Colourant, id));
    }
}
