using System.Collections.Immutable;

namespace MossLantern.Core.Materials;

/// <summary>The typical materials the program starts from. Each is a default until the person enters the maker's own.</summary>
/// <remarks>Source: docs/craft/materials.md.</remarks>
public static class TypicalMaterials
{
    /// <summary>Temperature that typical times are given at, °C.</summary>
    public const double ReferenceC = 22;

    /// <summary>Reserve where none is set, %.</summary>
    public const double ReservePercent = 10;

    /// <summary>Tolerance of a mix ratio, as a share.</summary>
    public const double RatioTolerance = 0.05;

    /// <summary>Step of a marked cup, ml.</summary>
    public const double CupStepMl = 1;

    /// <summary>Step of a scale, g.</summary>
    public const double ScaleStepG = 0.1;

    /// <summary>Density of mixed resin where only a mass or only a volume is known, g/ml.</summary>
    public const double MixedDensity = 1.065;

    /// <summary>Volume of a drop, ml.</summary>
    public const double DropMl = 0.05;

    /// <summary>Minutes from the first pour to the last where no end is set.</summary>
    public const double PourMinutes = 20;

    /// <summary>Resin systems.</summary>
    public static ImmutableArray<ResinSystem> ResinSystems { get; } =
    [
        new("coating", "Coating resin", new(RatioBasis.Volume, 1, 1), 1.15, 0.98, ReferenceC, 45, new(2, 3.5), 12, new(4, 24), 24, 72, 6),
        new("thick", "Thick artist's resin", new(RatioBasis.Volume, 1, 1), 1.16, 1.00, ReferenceC, 45, new(2, 4), 16, new(5, 24), 24, 72, 6),
        new("quick", "Low-viscosity quick resin", new(RatioBasis.Volume, 1, 1), 1.12, 0.97, ReferenceC, 35, new(1.5, 2.5), 6, new(3, 12), 8, 48, 10),
        new("casting", "Casting resin", new(RatioBasis.Volume, 2, 1), 1.13, 0.97, ReferenceC, 60, new(4, 6), 18, new(8, 36), 30, 168, 25),
        new("heat", "Heat-resistant top coat", new(RatioBasis.Volume, 2, 1), 1.16, 1.01, ReferenceC, 40, new(2, 3.5), 12, new(4, 24), 24, 168, 3),
    ];

    /// <summary>Classes of colourant.</summary>
    public static ImmutableArray<Colourant> Colourants { get; } =
    [
        new(ColourantClass.Paste, "opaque paste", 2, 5, 10, 1.8, 1.2),
        new(ColourantClass.MetallicPaste, "metallic paste", 2, 6, 10, 2.0, 0.9),
        new(ColourantClass.Mica, "mica or pearl powder", 1, 4, 6, 2.9, 0.25),
        new(ColourantClass.Interference, "interference powder", 1, 3, 6, 2.9, 0.05),
        new(ColourantClass.AlcoholInk, "alcohol ink", 1, 3, 5, 0.85, 0.08),
        new(ColourantClass.Dye, "resin ink or dye", 1, 4, 6, 1.0, 0.08),
        new(ColourantClass.Acrylic, "acrylic paint or ink", 2, 6, 10, 1.3, 0.5),
        new(ColourantClass.AcrylicMetallic, "metallic acrylic", 2, 6, 10, 1.3, 0.07),
        new(ColourantClass.Glitter, "glitter, flake or foil", 2, 8, 12, 1.4, 0.03),
    ];

    /// <summary>Limit of the lacing additive, drops to 30 ml.</summary>
    public const double LacingLimitDropsPer30Ml = 6;

    /// <summary>Density of the lacing additive, g/ml.</summary>
    public const double LacingDensity = 0.97;

    /// <summary>The typical data of a class. The lacing additive is dosed in drops and has none.</summary>
    /// <exception cref="ArgumentOutOfRangeException">The class has no load by weight.</exception>
    public static Colourant Of(ColourantClass colourant) =>
        Colourants.FirstOrDefault(c => c.Class == colourant)
        ?? throw new ArgumentOutOfRangeException(nameof(colourant), colourant, "This class is dosed in drops.");

    /// <summary>A resin system by id, or null.</summary>
    public static ResinSystem? System(string id) => ResinSystems.FirstOrDefault(s => s.Id == id);
}
