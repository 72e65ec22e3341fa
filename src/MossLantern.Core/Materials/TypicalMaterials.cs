using System.Collections.Immutable;
using static MossLantern.Core.Materials.MaterialProperties;

namespace MossLantern.Core.Materials;

/// <summary>The typical materials the program starts from. Each value is a default until the person enters the maker's own.</summary>
/// <remarks>Source: docs/craft/materials.md.</remarks>
public static class TypicalMaterials
{
    /// <summary>Temperature that typical times are given at, °C.</summary>
    public const double ReferenceC = 22;

    /// <summary>Tolerance of a mix ratio, as a share.</summary>
    public const double RatioTolerance = 0.05;

    /// <summary>Density of mixed resin where only a mass or only a volume is known, g/ml.</summary>
    public const double MixedDensity = 1.065;

    /// <summary>Volume of a drop, ml.</summary>
    public const double DropMl = 0.05;

    /// <summary>Every typical material, kind by kind.</summary>
    public static ImmutableArray<Material> All { get; } =
    [
        Resin("coating", "Coating resin", 1, 1, 1.15, 0.98, 1.6, 45, 2, 3.5, 0.5, 12, 4, 24, 24, 72, 6, 50),
        Resin("thick", "Thick artist's resin", 1, 1, 1.16, 1.00, 3.5, 45, 2, 4, 0.5, 16, 5, 24, 24, 72, 6, 50),
        Resin("quick", "Low-viscosity quick resin", 1, 1, 1.12, 0.97, 0.5, 35, 1.5, 2.5, 0.5, 6, 3, 12, 8, 48, 10, 50),
        Resin("casting", "Casting resin", 2, 1, 1.13, 0.97, 0.35, 60, 4, 6, 1, 18, 8, 36, 30, 168, 25, 60),
        Resin("heat", "Heat-resistant top coat", 2, 1, 1.16, 1.01, 1.8, 40, 2, 3.5, 0.5, 12, 4, 24, 24, 168, 3, 100),

        Colour("paste", "opaque paste", "Covers; white sinks.", 2, 5, 10, 1.8, 1.2),
        Colour("metallic-paste", "metallic paste", "Covers well; sinks, or takes over the surface.", 2, 6, 10, 2.0, 0.9),
        Colour("mica", "mica or pearl powder", "Shimmers, drifts to the surface, clumps.", 1, 4, 6, 2.9, 0.25),
        Colour("interference", "interference powder", "Shows over dark colours.", 1, 3, 6, 2.9, 0.05),
        Liquid("alcohol-ink", "alcohol ink", "Transparent; spreads and thins.", 1, 3, 5, 0.85, 0.08),
        Liquid("dye", "resin ink or dye", "Transparent to deep.", 1, 4, 6, 1.0, 0.08),
        Liquid("acrylic", "acrylic paint or ink", "Holds water: too much dulls the cure.", 2, 6, 10, 1.3, 0.5),
        Liquid("acrylic-metallic", "metallic acrylic", "Holds water: too much dulls the cure.", 2, 6, 10, 1.3, 0.07),
        Colour("glitter", "glitter, flake or foil", "Stays put where it is heavy, runs where it is fine.", 2, 8, 12, 1.4, 0.03),
        Of(MaterialKind.Colourant, "lacing", "lacing additive, silicone", "By the drop, in one colour only.",
            (UsualFromDrops, 1), (UsualToDrops, 3), (LimitDrops, 6), (Density, 0.97), (MaterialProperties.DropMl, DropMl)),

        Stone("crushed-glass", "crushed glass, 1-4 mm", true, 1.40, 2.50, 0.56),
        Stone("fire-glass", "fire glass, 6-12 mm", true, 1.45, 2.50, 0.58),
        Stone("mirror-glass", "mirror glass", true, 1.35, 2.50, 0.54),
        Stone("quartz-points", "quartz points", false, 1.40, 2.65, 0.53),
        Stone("quartz-chips", "quartz or dyed chips", false, 1.45, 2.65, 0.55),
        Stone("resin-stones", "resin or acrylic stones", false, 0.70, 1.18, 0.59),
        Stone("glass-beads", "glass beads", false, 1.55, 2.50, 0.62),
        Stone("pearls", "acrylic pearls", false, 0.70, 1.18, 0.59),
        Stone("shell", "shell pieces", true, 0.95, 2.70, 0.35),
        Stone("sand", "sand", false, 1.60, 2.65, 0.60),

        Barrier("outliner", "raised outliner",
            "Drying time goes with the square of its height. The coloured line stays visible; it is not taken off.", 1, 2, 1, 1.5),
        Barrier("liner", "clear glass-paint liner", "Disappears under clear; it is not taken off.", 1, 1.5, 24),
        Barrier("putty", "two-part putty",
            "Firm after 3 h, hard after 24 h. Takes sand, paint and glitter; it is not taken off.", 3, 25, 3),
        Barrier("silicone", "silicone bead",
            "Skins over in 30 min. Resin does not bond to it, so it peels off. Grease the finger, never the casting face.", 5, 10, 24, 3),
        Barrier("hot-glue", "hot glue", "Peels off; softens under the heat gun.", 3, 5, 2 / 60.0),
        Barrier("tape", "tape dam", "Pulled in its window. Not near a flame.", null, 12, 0),

        Board("birch-ply", "birch ply", 680, 8),
        Board("mdf", "MDF", 750, 3.5),
        Board("pine", "solid pine", 500, 10),
        Board("acrylic", "acrylic sheet", 1190, 3),
        Board("glass", "glass", 2500, 70),
        Of(MaterialKind.Base, "canvas", "stretched canvas", "Its bars come on top.", (MassByArea, 0.5)),
        Of(MaterialKind.Base, "silicone", "silicone mould", "It comes off the finished piece.", (MassByArea, 0)),
        Board("resin", "cured resin", 1100, 3),
        Of(MaterialKind.Base, "casting-sheet", "casting sheet", "It comes off the finished piece.", (MassByArea, 0)),
        Of(MaterialKind.Base, "metal-rim", "metal rim", ""),
        Of(MaterialKind.Base, "cradled-panel", "cradled panel", "A face, and bars of pine.", (BoardDensity, 680), (Stiffness, 8)),
        Of(MaterialKind.Base, "painting", "finished painting", ""),

        Pen("water-pen", "water-based paint pen", "Safe under resin.", 2, 2),
        Pen("oil-pen", "oil-based paint pen", "Safe under resin once it is dry.", 8, 8),
        Pen("chrome-pen", "liquid-chrome pen", "Dulls under resin unless it is dry right through and thinly sealed.", 24, 24),
        Of(MaterialKind.Pen, "solvent-marker", "solvent permanent marker", "Bleeds under resin: do not use it."),
        Pen("lacquer", "nail lacquer, relief line", "Safe under resin once it is dry.", 2, 12),

        Of(MaterialKind.Leaf, "leaf-size", "leaf size", "Seal it before the top coat or with it.", (TackMinutes, 30)),

        Of(MaterialKind.Rubber, "mould-rubber", "silicone rubber for moulds", "Mixed by weight.",
            (RatioResin, 1), (RatioHardener, 1), (WorkingMinutes, 40), (SetsMinutes, 70), (Density, 1.15))
                with { Basis = RatioBasis.Weight },

        Tape("tape-24", 24), Tape("tape-36", 36), Tape("tape-48", 48),
    ];

    private static Material Tape(string id, double widthMm) => Of(
        MaterialKind.Tape, id, $"tape, {widthMm} mm", "Burnished from the middle outward; not near a flame.",
        (TapeWidthMm, widthMm), (RollMetres, 50));

    private static Material Of(MaterialKind kind, string id, string name, string says,
        params ReadOnlySpan<(string Property, double Value)> values)
    {
        var all = ImmutableSortedDictionary.CreateBuilder<string, double>(StringComparer.Ordinal);
        foreach (var (property, value) in values)
        {
            all.Add(property, value);
        }

        return new(id, kind, name, all.ToImmutable(), says, null, []);
    }

    private static Material Resin(
        string id, string name, double resin, double hardener, double resinDensity, double hardenerDensity,
        double viscosity, double working, double tapeFrom, double tapeTo,
        double drips, double tackFree, double recoatFrom, double recoatTo, double demould, double full, double deepest, double heat)
    {
        var plain = Of(
            MaterialKind.Resin, id, name, "",
            (RatioResin, resin), (RatioHardener, hardener), (ResinDensity, resinDensity),
            (HardenerDensity, hardenerDensity), (MaterialProperties.Viscosity, viscosity), (WorkingMinutes, working),
            (MaterialProperties.ReferenceC, ReferenceC), (TapeFromHours, tapeFrom), (TapeToHours, tapeTo),
            (DripHours, drips), (TackFreeHours, tackFree),
            (RecoatFromHours, recoatFrom), (RecoatToHours, recoatTo), (DemouldHours, demould), (FullCureHours, full),
            (DeepestMm, deepest), (HeatC, heat));
        return plain with { Basis = RatioBasis.Volume };
    }

    private static Material Colour(string id, string name, string says, double from, double to, double limit,
        double density, double cover) =>
        Of(MaterialKind.Colourant, id, name, says, (UsualFromPercent, from), (UsualToPercent, to),
            (LimitPercent, limit), (Density, density), (Cover, cover)) with
        { Basis = RatioBasis.Weight };

    private static Material Liquid(string id, string name, string says, double from, double to, double limit, double density, double cover)
    {
        var colour = Colour(id, name, says, from, to, limit, density, cover);
        return colour with { Values = colour.Values.Add(MaterialProperties.DropMl, DropMl) };
    }

    private static Material Stone(string id, string name, bool sharp, double bulk, double solid, double share) =>
        Of(MaterialKind.Stone, id, name, sharp ? "Sharp: cover or blunt it before the piece is sold." : "",
            (BulkDensity, bulk), (SolidDensity, solid), (Solids, share));

    private static Material Barrier(string id, string name, string says, double? from, double to, double ready, double? at = null)
    {
        var bead = Of(MaterialKind.Barrier, id, name, says, (HeightToMm, to), (ReadyHours, ready));
        bead = from is { } least ? bead with { Values = bead.Values.Add(HeightFromMm, least) } : bead;
        return at is { } height ? bead with { Values = bead.Values.Add(ReadyAtMm, height) } : bead;
    }

    private static Material Board(string id, string name, double density, double stiffness) =>
        Of(MaterialKind.Base, id, name, "", (BoardDensity, density), (Stiffness, stiffness));

    private static Material Pen(string id, string name, string says, double from, double to) =>
        Of(MaterialKind.Pen, id, name, says, (DryFromHours, from), (DryToHours, to));
}
