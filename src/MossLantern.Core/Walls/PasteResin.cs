using System.Collections.Immutable;
using MossLantern.Core.Documents;
using MossLantern.Core.Materials;

namespace MossLantern.Core.Walls;

/// <summary>The resin of a paste, from the workshop's materials.</summary>
/// <remarks>Source: docs/craft/walls.md, Paste.</remarks>
public static class PasteResin
{
    /// <summary>Its granules as the catalogue knows them, and what they leave between them; kinds that it does not have are left out.</summary>
    public static (ImmutableArray<(Material Kind, double Parts)> Kinds, double Voids) Kinds(PasteLine paste, Catalogue catalogue)
    {
        ArgumentNullException.ThrowIfNull(paste);
        ArgumentNullException.ThrowIfNull(catalogue);
        ImmutableArray<(Material Kind, double Parts)> kinds = [.. paste.Granules.SelectMany(g =>
            catalogue.Find(MaterialKind.Stone, g.StoneId) is { } kind ? new[] { (kind, g.Parts) } : [])];
        return (kinds, Paste.Voids([.. kinds.Select(k => (k.Parts, k.Kind[MaterialProperties.Solids]))]));
    }

    /// <summary>Resin that a millilitre of the paste takes, with what stays in the bag.</summary>
    public static double Share(PasteLine paste, Catalogue catalogue)
    {
        ArgumentNullException.ThrowIfNull(paste);
        return Paste.ResinShare(Kinds(paste, catalogue).Voids, paste.Stiffness) * (1 + BarrierBead.StaysShare);
    }
}
