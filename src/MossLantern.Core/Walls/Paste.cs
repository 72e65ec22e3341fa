using MossLantern.Core.Documents;

namespace MossLantern.Core.Walls;

/// <summary>Granules in resin: how much of each a volume of paste takes.</summary>
/// <remarks>Plain arithmetic: nothing is thrown. Source: docs/craft/walls.md, Paste.</remarks>
public static class Paste
{
    /// <summary>How much of what granules leave between them is filled with resin.</summary>
    public static double VoidsFilled(PasteStiffness stiffness) => stiffness switch
    {
        PasteStiffness.Crumbly => 0.5,
        PasteStiffness.Holds => 0.7,
        PasteStiffness.Creeps => 0.9,
        _ => 1.2,
    };

    /// <summary>Share of a heap of granules that is void.</summary>
    /// <param name="granules">Parts by bulk of each kind, and the share of its heap that is solid.</param>
    public static double Voids(IReadOnlyCollection<(double Parts, double Solids)> granules)
    {
        ArgumentNullException.ThrowIfNull(granules);
        var all = granules.Sum(g => g.Parts);
        return all > 0 ? granules.Sum(g => g.Parts * (1 - g.Solids)) / all : 0;
    }

    /// <summary>Bulk of granules in a volume of paste, ml: resin beyond what lies between them makes more of it.</summary>
    public static double BulkMl(double pasteMl, double voids, PasteStiffness stiffness) =>
        pasteMl / Math.Max(1, 1 - voids + voids * VoidsFilled(stiffness));

    /// <summary>Resin in a volume of paste, as a share of it.</summary>
    public static double ResinShare(double voids, PasteStiffness stiffness) => BulkMl(1, voids, stiffness) * voids * VoidsFilled(stiffness);
}
