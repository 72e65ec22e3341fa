using MossLantern.Core.Curing;
using MossLantern.Core.Materials;
using MossLantern.Core.Mixing;
using MossLantern.Core.Units;
using MossLantern.Core.Walls;

namespace MossLantern.Web.Reckoner;

/// <summary>What every field of the reckoner takes, by its name: what is missing, out of range or no number gets the
/// same sentence.</summary>
internal static class ReckonerFields
{
    private static readonly Dictionary<string, AcceptedRange> Ranges = new(StringComparer.Ordinal)
    {
        ["resin"] = Accepted.RatioPart with { What = "Resin parts" },
        ["hardener"] = Accepted.RatioPart with { What = "Hardener parts" },
        ["resinDensity"] = Accepted.DensityGPerMl with { What = "Density of the resin" },
        ["hardenerDensity"] = Accepted.DensityGPerMl with { What = "Density of the hardener" },
        ["densityGPerMl"] = Accepted.DensityGPerMl,
        ["bulkDensity"] = Accepted.DensityGPerMl with { What = "Bulk density" },
        ["solidDensity"] = Accepted.DensityGPerMl with { What = "Solid density" },
        ["volumeMl"] = Accepted.VolumeMl,
        ["volumesMl"] = Accepted.VolumeMl,
        ["mixedMl"] = Accepted.VolumeMl with { What = "Mixed" },
        ["eachMl"] = Accepted.VolumeMl with { What = "What each takes" },
        ["boxMl"] = Accepted.VolumeMl with { What = "Box" },
        ["masterMl"] = Accepted.VolumeMl with { What = "Master" },
        ["capacityMl"] = Accepted.VolumeMl with { What = "Capacity" },
        ["massG"] = Accepted.MassG,
        ["freshG"] = Accepted.MassG with { What = "Fresh resin" },
        ["resinG"] = Accepted.MassG with { What = "Resin" },
        ["hardenerG"] = Accepted.MassG with { What = "Hardener", From = 0 },
        ["tolerance"] = Accepted.Share with { What = "Tolerance" },
        ["grams"] = Accepted.MassG with { From = 0 },
        ["drops"] = new("Drops", 0, 10_000, ""),
        ["areaMm2"] = Accepted.AreaMm2,
        ["depthMm"] = Accepted.DepthMm with { What = "Depth" },
        ["openEdgeMm"] = Accepted.EdgeMm with { What = "Open edge" },
        ["sideHeightMm"] = Accepted.SideMm,
        ["filmMm"] = Accepted.FilmMm,
        ["dripShare"] = Accepted.Share with { What = "Drip share" },
        ["reserve"] = Accepted.Share with { What = "Reserve" },
        ["transfers"] = new("Transfers", 0, 20, ""),
        ["referenceC"] = Accepted.RoomC with { What = "Reference temperature" },
        ["roomC"] = Accepted.RoomC,
        ["celsius"] = Accepted.RoomC with { What = "Temperature" },
        ["hours"] = Accepted.SegmentHours,
        ["minutes"] = new("Minutes", 0, 10_080, "min"),
        ["activationKj"] = new("Activation energy", 1, 200, "kJ/mol"),
        ["ageHours"] = new("Age", 0, 8760, "h"),
        ["workingMinutes"] = Accepted.WorkingMinutes,
        ["reactionHeatJPerG"] = new("Heat of reaction", 10, 1000, "J/g"),
        ["heightMm"] = Accepted.BeadMm with { What = "Height" },
        ["widthMm"] = Accepted.BeadMm with { What = "Width" },
        ["lengthMm"] = new("Length", 0.1, 1_000_000, "mm"),
        ["referenceHeightMm"] = Accepted.BeadMm with { What = "Reference height" },
        ["referenceDryHours"] = new("Reference drying time", 0.01, 8760, "h"),
        ["perimeterMm"] = Accepted.EdgeMm with { What = "Perimeter", FromExcluded = true },
        ["corners"] = new("Corners", 0, 1000, ""),
        ["sideMm"] = Accepted.SideMm with { FromExcluded = true },
        ["openDepthMm"] = Accepted.DepthMm with { What = "Open depth", From = 0 },
        ["stockWidthsMm"] = new("Stock width", 1, 500, "mm"),
        ["tiltXDeg"] = Accepted.TiltDeg with { What = "Tilt along x" },
        ["tiltYDeg"] = Accepted.TiltDeg with { What = "Tilt along y" },
        ["xMm"] = new("Support from the left", -3000, 3000, "mm"),
        ["yMm"] = new("Support from the top", -3000, 3000, "mm"),
        ["thinnestLayerMm"] = Accepted.DepthMm with { What = "Thinnest layer" },
        ["solidsShare"] = Accepted.Share with { What = "Solids share" },
        ["coverShare"] = Accepted.Share with { What = "Cover share" },
        ["radiusMm"] = new("Radius", 0.001, 50, "mm"),
        ["viscosityPaS"] = Accepted.ViscosityPaS,
        ["l"] = new("Lightness L", 0, 100, ""),
        ["a"] = new("a", -200, 200, ""),
        ["b"] = new("b", -200, 200, ""),
        ["pieces"] = Accepted.Copies with { What = "Pieces" },
        ["count"] = Accepted.Copies with { What = "Inserts" },
        ["top"] = Accepted.DepthMm with { What = "Top coat", From = 0 },
        ["bottom"] = Accepted.DepthMm with { What = "Bottom coat", From = 0 },
        ["shares"] = new("A share", 0, 100_000, ""),
        ["lossShare"] = Accepted.Share with { What = "Loss" },
    };

    private static readonly Dictionary<string, double> UsualValues = new(StringComparer.Ordinal)
    {
        ["tolerance"] = TypicalMaterials.RatioTolerance,
        ["openEdgeMm"] = 0,
        ["sideHeightMm"] = 0,
        ["filmMm"] = CupPlanner.SideFilmMm,
        ["dripShare"] = CupPlanner.DripShare,
        ["reserve"] = Habits.Usual.ReservePercent / 100,
        ["transfers"] = 0,
        ["activationKj"] = EquivalentAge.ActivationKj,
        ["referenceC"] = TypicalMaterials.ReferenceC,
        ["reactionHeatJPerG"] = CureModel.ReactionHeatJPerG,
        ["referenceHeightMm"] = Bead.ReferenceHeightMm,
        ["referenceDryHours"] = Bead.ReferenceDryHours,
        ["coverShare"] = 1,
        ["lossShare"] = Casting.LossShare,
    };

    private static readonly Dictionary<string, string> Words = new(StringComparer.Ordinal)
    {
        ["basis"] = "Basis must be 'volume' or 'weight'.",
        ["colourants.class"] =
            "Class must be one of paste, metallic-paste, mica, interference, alcohol-ink, dye, acrylic, "
                + "acrylic-metallic, glitter or lacing.",
        ["class"] =
            "Class must be one of paste, metallic-paste, mica, interference, alcohol-ink, dye, acrylic, "
                + "acrylic-metallic, glitter or lacing; of a bead outliner, liner, silicone, hot-glue or putty.",
        ["legs.kind"] = "Kind must be 'cup' or 'film'.",
        ["colour"] = "The colour must be one like #33523f.",
        ["ground"] = "The ground must be a colour like #d9c29a.",
        ["kind"] = "Kind must be one of length, volume, mass or temperature.",
    };

    /// <summary>The range of a field.</summary>
    public static AcceptedRange Range(string field) => Ranges[Last(field)];

    /// <summary>What counts where a field may be left out.</summary>
    public static double Usual(string field) => UsualValues[Last(field)];

    /// <summary>What counts, for every field that may be left out.</summary>
    public static IReadOnlyDictionary<string, double> AllUsual => UsualValues;

    /// <summary>What a field takes, for a value that is none; null for a field the reckoner does not know.</summary>
    public static string? Sentence(string field) =>
        Words.TryGetValue(Whole(field), out var own) ? own
        : Words.TryGetValue(Last(field), out var words) ? words
        : Ranges.TryGetValue(Last(field), out var range) ? range.Sentence : null;

    /// <summary>A place without its numbers: <c>legs[0].kind</c> is <c>legs.kind</c>.</summary>
    private static string Whole(string field) =>
        string.Concat(field.Split('[').Select((part, i) => i == 0 ? part : part[(part.IndexOf(']', StringComparison.Ordinal) + 1)..]));

    /// <summary>The name at the end of a place: <c>stones[0].grams</c> is <c>grams</c>, <c>volumesMl[2]</c> is <c>volumesMl</c>.</summary>
    private static string Last(string field)
    {
        var name = field[(field.LastIndexOf('.') + 1)..];
        return name.IndexOf('[', StringComparison.Ordinal) is var at and >= 0 ? name[..at] : name;
    }
}
