using System.Collections.Immutable;
using MossLantern.Core.Units;

namespace MossLantern.Core.Materials;

/// <summary>The properties of every kind of material.</summary>
/// <remarks>Source: docs/craft/materials.md.</remarks>
public static class MaterialProperties
{
    /// <summary>Parts of resin.</summary>
    public const string RatioResin = "ratioResin";

    /// <summary>Parts of hardener.</summary>
    public const string RatioHardener = "ratioHardener";

    /// <summary>Density of the resin, g/ml.</summary>
    public const string ResinDensity = "resinDensity";

    /// <summary>Density of the hardener, g/ml.</summary>
    public const string HardenerDensity = "hardenerDensity";

    /// <summary>Viscosity when mixed, Pa·s.</summary>
    public const string Viscosity = "viscosityPaS";

    /// <summary>Working time of 100 g in a cup, min.</summary>
    public const string WorkingMinutes = "workingMinutes";

    /// <summary>Temperature that times are given at, °C.</summary>
    public const string ReferenceC = "referenceC";

    /// <summary>When the mask run of tape may first come off, h.</summary>
    public const string TapeFromHours = "tapeFromHours";

    /// <summary>When it comes off no more, h.</summary>
    public const string TapeToHours = "tapeToHours";

    /// <summary>When drips are looked for, h.</summary>
    public const string DripHours = "dripHours";

    /// <summary>Touch-dry, h.</summary>
    public const string TackFreeHours = "tackFreeHours";

    /// <summary>When the next layer first bonds without sanding, h.</summary>
    public const string RecoatFromHours = "recoatFromHours";

    /// <summary>When it bonds without sanding no more, h.</summary>
    public const string RecoatToHours = "recoatToHours";

    /// <summary>When it may leave its mould, still flexible, h.</summary>
    public const string DemouldHours = "demouldHours";

    /// <summary>Full cure, h.</summary>
    public const string FullCureHours = "fullCureHours";

    /// <summary>Deepest single pour, mm.</summary>
    public const string DeepestMm = "deepestMm";

    /// <summary>What it stands after full cure, °C.</summary>
    public const string HeatC = "heatC";

    /// <summary>Usual load from, % of the mixed resin by weight.</summary>
    public const string UsualFromPercent = "usualFromPercent";

    /// <summary>Usual load to, %.</summary>
    public const string UsualToPercent = "usualToPercent";

    /// <summary>Highest load, %.</summary>
    public const string LimitPercent = "limitPercent";

    /// <summary>Usual drops to 30 ml from.</summary>
    public const string UsualFromDrops = "usualFromDrops";

    /// <summary>Usual drops to 30 ml to.</summary>
    public const string UsualToDrops = "usualToDrops";

    /// <summary>Most drops to 30 ml.</summary>
    public const string LimitDrops = "limitDrops";

    /// <summary>Density, g/ml.</summary>
    public const string Density = "densityGPerMl";

    /// <summary>Cover κ, per % and mm.</summary>
    public const string Cover = "cover";

    /// <summary>A drop, ml.</summary>
    public const string DropMl = "dropMl";

    /// <summary>A level scoop of the person's own, g.</summary>
    public const string ScoopG = "scoopG";

    /// <summary>What a stick of the person's own picks up at its tip, g.</summary>
    public const string TipG = "tipG";

    /// <summary>Density of the heap, g/ml.</summary>
    public const string BulkDensity = "bulkGPerMl";

    /// <summary>Density of the solid, g/ml.</summary>
    public const string SolidDensity = "solidGPerMl";

    /// <summary>Share of the heap that is solid.</summary>
    public const string Solids = "solidsShare";

    /// <summary>Height of a bead from, mm.</summary>
    public const string HeightFromMm = "heightFromMm";

    /// <summary>Height of a bead to, mm.</summary>
    public const string HeightToMm = "heightToMm";

    /// <summary>Ready after, h.</summary>
    public const string ReadyHours = "readyHours";

    /// <summary>The height at which that holds, mm.</summary>
    public const string ReadyAtMm = "readyAtMm";

    /// <summary>Density, kg/m³.</summary>
    public const string BoardDensity = "densityKgPerM3";

    /// <summary>Mass by area, kg/m².</summary>
    public const string MassByArea = "massKgPerM2";

    /// <summary>Young's modulus, GPa.</summary>
    public const string Stiffness = "stiffnessGPa";

    /// <summary>Dry before clear comes over it, from, h.</summary>
    public const string DryFromHours = "dryFromHours";

    /// <summary>Dry before clear comes over it, to, h.</summary>
    public const string DryToHours = "dryToHours";

    /// <summary>Tack after, min.</summary>
    public const string TackMinutes = "tackMinutes";

    /// <summary>Sets in, min.</summary>
    public const string SetsMinutes = "setsMinutes";

    /// <summary>Width of tape, mm.</summary>
    public const string TapeWidthMm = "tapeWidthMm";

    /// <summary>Tape on a roll, m.</summary>
    public const string RollMetres = "rollMetres";

    /// <summary>Tape that is left, m.</summary>
    public const string LeftMetres = "leftMetres";

    private const string Mixing = "Mixing and pouring";

    private const string Times = "Times in a film of 3 mm";

    private static readonly MaterialProperty[] Mixed =
    [
        new(RatioResin, "parts of resin", Accepted.RatioPart), new(RatioHardener, "parts of hardener", Accepted.RatioPart),
    ];

    /// <summary>The properties of a kind, in the order in which they are told.</summary>
    public static ImmutableArray<MaterialProperty> Of(MaterialKind kind) => Kinds[kind];

    private static readonly ImmutableDictionary<MaterialKind, ImmutableArray<MaterialProperty>> Kinds =
        new Dictionary<MaterialKind, ImmutableArray<MaterialProperty>>
        {
            [MaterialKind.Resin] =
        [
            .. Mixed.Select(p => p with { Group = Mixing }),
            new(ResinDensity, "density of the resin", Accepted.DensityGPerMl, Mixing),
            new(HardenerDensity, "density of the hardener", Accepted.DensityGPerMl, Mixing),
            new(Viscosity, "viscosity when mixed", Accepted.ViscosityPaS, Mixing),
            new(WorkingMinutes, "working time of 100 g in a cup", Accepted.WorkingMinutes, Mixing),
            new(DeepestMm, "deepest pour at once", "mm", 0.1, 500, Mixing),
            new(ReferenceC, "its times hold at", "°C", 5, 40, Times), new(DripHours, "look for drips after", "h", 0.05, 100, Times),
            new(TapeFromHours, "tape comes off from", "h", 0.1, 1000, Times, "tape comes off", TapeToHours),
            new(TapeToHours, "tape comes off until", "h", 0.1, 1000, Times),
            new(RecoatFromHours, "next layer from", "h", 0.1, 1000, Times, "next layer", RecoatToHours),
            new(RecoatToHours, "next layer until", "h", 0.1, 5000, Times),
            new(TackFreeHours, "dry to the touch after", "h", 0.1, 1000, Times),
            new(DemouldHours, "out of the mould after", "h", 0.1, 1000, Times),
            new(FullCureHours, "cured through after", "h", 0.1, 5000, Times), new(HeatC, "then stands heat up to", "°C", 20, 400, Times),
        ],
            [MaterialKind.Colourant] =
        [
            new(UsualFromPercent, "usual load from", "%", 0, 100, "", "usual load", UsualToPercent),
            new(UsualToPercent, "usual load to", "%", 0, 100), new(LimitPercent, "highest load", "%", 0.1, 100),
            new(UsualFromDrops, "usual load, to 30 ml, from", "drops", 0, 100, "", "usual load, to 30 ml,",
                UsualToDrops), new(UsualToDrops, "usual load, to 30 ml, to", "drops", 0, 100),
            new(LimitDrops, "highest load, to 30 ml,", "drops", 0.1, 100),
            new(Density, "density", "g/ml", 0.1, 20), new(Cover, "cover κ", "per % and mm", 0, 20), new(DropMl, "a drop", "ml", 0.005, 1),
            new(ScoopG, "a level scoop of yours", "g", 0.005, 100, For: ["paste", "metallic-paste", "mica", "interference", "glitter"]),
            new(TipG, "a dipped tip of your stick", "g", 0.001, 10, For: ["paste", "metallic-paste", "acrylic", "acrylic-metallic", "dye"]),
        ],
            [MaterialKind.Stone] =
        [
            new(BulkDensity, "density of the heap", "g/ml", 0.05, 20), new(SolidDensity, "density of the solid", "g/ml", 0.05, 20),
            new(Solids, "share of the heap that is solid", "", 0.05, 1),
        ],
            [MaterialKind.Barrier] =
        [
            new(HeightFromMm, "height from", "mm", 0.1, 100, "", "height", HeightToMm),
            new(HeightToMm, "height to", "mm", 0.1, 100), new(ReadyHours, "ready after", "h", 0, 500),
            new(ReadyAtMm, "at a height of", "mm", 0.1, 100),
        ],
            [MaterialKind.Base] =
        [
            new(BoardDensity, "density", "kg/m³", 10, 20_000), new(MassByArea, "mass by area", "kg/m²", 0, 100),
            new(Stiffness, "stiffness E", "GPa", 0.01, 500),
        ],
            [MaterialKind.Pen] = [new(DryFromHours, "dry before clear from", "h", 0, 500, "", "dry before clear",
            DryToHours), new(DryToHours, "dry before clear to", "h", 0, 500)],
            [MaterialKind.Leaf] = [new(TackMinutes, "tack after", "min", 0, 1000)],
            [MaterialKind.Rubber] =
        [
            .. Mixed, new(WorkingMinutes, "working time", Accepted.WorkingMinutes),
            new(SetsMinutes, "sets in", "min", 1, 5000), new(Density, "density", Accepted.DensityGPerMl),
        ],
            [MaterialKind.Tape] =
        [
            new(TapeWidthMm, "width", "mm", 3, 300), new(RollMetres, "a roll", "m", 0.1, 1000),
            new(LeftMetres, "left of it", "m", 0, 10_000, For: ["tape-24", "tape-36", "tape-48"]),
        ],
        }.ToImmutableDictionary();
}
