using MossLantern.Core.Materials;

namespace MossLantern.Core.Painting;

/// <summary>Colourants that shine as metal does: dark, light and dark again across a line of them.</summary>
internal static class Metals
{
    /// <summary>Whether a colourant is one of them; clear resin is none.</summary>
    public static bool Have(ColourantClass? colourant) => colourant is ColourantClass.MetallicPaste or ColourantClass.AcrylicMetallic;
}
