using System.Collections.Immutable;
using MossLantern.Core.Documents;
using MossLantern.Core.Materials;
using MossLantern.Core.Shapes;
using MossLantern.Core.Stones;
using MossLantern.Core.Units;

namespace MossLantern.Core.Mixing;

/// <summary>What a rim or an insert of rubber takes.</summary>
/// <param name="Id">What is cast.</param>
/// <param name="Name">What it is called.</param>
/// <param name="Ml">Rubber in it.</param>
/// <param name="Grams">Rubber to mix, with what is lost.</param>
/// <param name="First">Its first part, by weight.</param>
/// <param name="Second">Its second part, by weight.</param>
/// <param name="Works">How long it can be poured, and crystals pressed in, from mixing.</param>
/// <param name="Sets">When it is firm, from mixing.</param>
/// <param name="Undercut">How far the side that resin meets leans over it; null where it leans away, or stands upright.</param>
/// <remarks>Source: docs/craft/walls.md, Rubber.</remarks>
public sealed record RubberPlan(
    string Id, string Name, Reckoned Ml, Reckoned Grams, Reckoned First, Reckoned Second, Reckoned Works, Reckoned Sets, Reckoned? Undercut)
{
    /// <summary>All that is cast for a piece.</summary>
    /// <param name="ground">A valid ground.</param>
    /// <param name="catalogue">The workshop's materials: its first rubber that is not put away is mixed.</param>
    public static ImmutableArray<RubberPlan> All(Ground ground, Catalogue catalogue)
    {
        ArgumentNullException.ThrowIfNull(ground);
        ArgumentNullException.ThrowIfNull(catalogue);
        if (ground.Rubber is not { } all)
        {
            return [];
        }

        var rubbers = catalogue.Materials.Where(m => m.Kind == MaterialKind.Rubber).ToList();
        var rubber = rubbers.FirstOrDefault(m => !m.PutAway) ?? rubbers[0];
        return [.. all.Select(r => Of(ground, r, rubber, catalogue))];
    }

    private static RubberPlan Of(Ground ground, RubberCast cast, Material rubber, Catalogue catalogue)
    {
        var place = $"ground.rubber[{cast.Id}].";
        ReckonedInput Own(string name, double value, string unit, string field) => new(name, value, unit, Origin.Own, place + field);
        var insert = cast.InsertId is { } id ? ground.Mould?.Insert(id) : null;
        var (foot, edge) = insert is not null ? (insert.Outline.AreaMm2, insert.Outline.PerimeterMm) : Rim(ground.Outline, cast.WidthMm);
        var lean = Tan(cast.FaceDeg) + (insert is null ? Tan(cast.BackDeg) : 0);
        var crystals = Displacement.Ml(cast.CrystalsG ?? 0,
            catalogue.Find(MaterialKind.Stone, Crystals)![MaterialProperties.SolidDensity]);
        // A rim is cast round each board; an insert stands in every cavity.
        var times = insert is null ? ground.Boards : ground.AtOnce;
        var ml = Math.Max(0, (foot - edge * cast.HeightMm * lean / 2) * cast.HeightMm / 1000 - crystals) * times;
        ReckonedInput loss = new("loss", Casting.LossShare, "", Origin.Default),
        density = new("density", rubber[MaterialProperties.Density], "g/ml", rubber.OriginOf(MaterialProperties.Density));
        var mixed = MouldRubber.Of(rubber, ml, 0);
        ReckonedInput grams = new("rubber", mixed.G, "g", Origin.Reckoned),
        firstParts = new("first part", rubber[MaterialProperties.RatioResin], "", rubber.OriginOf(MaterialProperties.RatioResin)),
        secondParts = new("second part", rubber[MaterialProperties.RatioHardener], "", rubber.OriginOf(MaterialProperties.RatioHardener));
        Reckoned Minutes(string property, string name) => Reckoned.Of(rubber[property], "min", Formulas.Stated,
            new ReckonedInput(name, rubber[property], "min", rubber.OriginOf(property)));
        return new(
            cast.Id, insert?.Name ?? "rim",
            new(ml, "ml", Formulas.RubberCast,
            [
                new("foot", foot / 100, "cm²", Origin.Reckoned), new("edge", edge, "mm", Origin.Reckoned),
                Own("height", cast.HeightMm, "mm", "heightMm"), new("lean", lean, "", Origin.Reckoned),
                new("crystals", crystals, "ml", Origin.Reckoned), new("how many", times, "", Origin.Own),
            ]),
            Reckoned.Of(mixed.G, "g", Formulas.RubberGrams, new("rubber", ml, "ml", Origin.Reckoned), loss, density),
            Reckoned.Of(mixed.FirstG, "g", Formulas.RubberFirst, grams, firstParts, secondParts),
            Reckoned.Of(mixed.SecondG, "g", Formulas.RubberSecond, grams, firstParts, secondParts),
            Minutes(MaterialProperties.WorkingMinutes, "working time"), Minutes(MaterialProperties.SetsMinutes, "sets in"),
            cast.FaceDeg >= 0 ? null : Reckoned.Of(-cast.HeightMm * Tan(cast.FaceDeg), "mm", Formulas.Undercut,
                Own("height", cast.HeightMm, "mm", "heightMm"), new("leans over", -Tan(cast.FaceDeg), "", Origin.Own, place + "faceDeg")));
    }

    /// <summary>What is pressed in, of the catalogue's stones.</summary>
    private const string Crystals = "quartz-points";

    private static double Tan(double degrees) => Math.Tan(degrees * Math.PI / 180);

    /// <summary>A band of a width outside an outline: its area, and how long its middle is.</summary>
    private static (double Mm2, double Mm) Rim(Outline outline, double widthMm)
    {
        var area = Flat.Of(outline);
        var rim = area.Buffer(widthMm).Area - area.Area;
        return (rim, rim / widthMm);
    }
}
