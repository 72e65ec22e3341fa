using System.Collections.Immutable;
using MossLantern.Core.Documents;
using MossLantern.Core.Edits;
using MossLantern.Core.Map;
using MossLantern.Core.Materials;
using MossLantern.Core.Plans;
using MossLantern.Core.Shapes;
using MossLantern.Core.Timeline;
using MossLantern.Core.Units;

namespace MossLantern.Core.Checks;

/// <summary>Two regions that touch while both are wet.</summary>
/// <param name="Layer">Their layer.</param>
/// <param name="Plan">What is worked out for it.</param>
/// <param name="First">One region; of two bands, the one nearer the middle.</param>
/// <param name="Second">The other.</param>
/// <param name="Inner">Cup of the one.</param>
/// <param name="Outer">Cup of the other.</param>
/// <param name="At">Where they touch; null where that is not on the cut.</param>
internal sealed record Neighbours(FilledLayer Layer, LayerPlan Plan, RegionId First, RegionId Second, Recipe Inner, Recipe Outer, Spot? At)
{
    public string Key => $"{Layer.Id}/{First}+{Second}";

    /// <summary>All that touch in the layers that are still to be poured.</summary>
    public static IEnumerable<Neighbours> Of(Looked looked)
    {
        foreach (var (layer, plan) in looked.Piece.Filled.Zip(looked.Layers).Where(l => !l.Second.Poured))
        {
            var cups = layer.Recipes.ToDictionary(c => c.Id);
            var cupOf = plan.Regions.Where(r => r.Fits).ToDictionary(r => r.Id, r => r.CupId);
            foreach (var border in plan.Borders)
            {
                if (!Apart(layer, border) && cupOf.GetValueOrDefault(border.First) is { } inner
                    && cupOf.GetValueOrDefault(border.Second) is { } outer)
                {
                    yield return new(layer, plan, border.First, border.Second, cups[inner], cups[outer], border.At ?? OnCut(plan, border));
                }
            }
        }
    }

    /// <summary>Regions with a line between them do not touch.</summary>
    private static bool Apart(FilledLayer layer, Border border) => border.First.Zone == border.Second.Zone
        && layer.Filling.Lines.Any(l => l.In!.Zone == border.First.Zone && (l.Course is AllBordersCourse
            || (l.Course is BorderCourse course && course.IsBetween(border.First.InLayout, border.Second.InLayout))));

    /// <summary>
    /// What puts a colour between these two, and between others of the layer that are alike; one that the piece does
    /// not have comes with it.
    /// Empty where there is no way or no room.
    /// </summary>
    /// <param name="cup">The colour.</param>
    /// <param name="alike">All that it is to come between, one after the other.</param>
    public static ImmutableArray<Edit> Between(Recipe cup, IReadOnlyList<Neighbours> alike)
    {
        var layer = alike[0].Layer;
        var isNew = layer.Recipes.All(c => c.Id != cup.Id);
        var edits = ImmutableArray.CreateBuilder<Edit>();
        if (isNew)
        {
            if (layer.Recipes.Length >= PieceValidator.MostRecipes)
            {
                return [];
            }

            edits.Add(AddColour.Of(cup));
        }

        // A vein along the fields lies between all of them.
        var layout = layer.Layout;
        foreach (var pair in layout is FieldsLayout ? alike.Take(1) : alike)
        {
            if (layout is FieldsLayout ? layer.Lines.Any(l => l.Course is AllBordersCourse)
                : PutBetween.In(layout, pair.First, pair.Second, cup.Id) is null)
            {
                return [];
            }

            edits.Add(new PutBetween(layer.Id, pair.First, pair.Second, cup.Id));
            layout = PutBetween.In(layout, pair.First, pair.Second, cup.Id) ?? layout;
        }

        return edits.ToImmutable();
    }

    /// <summary>A line in words, as it is put between the two: of a band's width, along all fields, or as a pour.</summary>
    public string LineWords(string colour) => Layer.Layout switch
    {
        FieldsLayout => $"Lay a vein of {colour}, {{0}} wide, along the fields",
        PuddleLayout => $"Pour a little {colour} between them",
        _ => $"Put a line of {colour}, {{0}} wide, between them",
    };

    /// <summary>A cup of this layer by what it is, or a new one.</summary>
    public Recipe Own(string name, string colour, ColourantClass? colourant, double load) =>
        Layer.Recipes.FirstOrDefault(c => c.Of is null && c.Colourant == colourant && (colourant is null || c.Colour == colour))
        ?? new(AddColour.IdOf(name, Layer.Recipes), name, colour, colourant is { } own ? [new(own, load)] : []);

    /// <summary>What swaps the colours of two places, each by its number among <see cref="Places"/>.</summary>
    public SwapColours Swapped(int one, int other)
    {
        var (first, second) = (Places[one], Places[other]);
        return new(Layer.Id, null, first.Id, first.Cup, second.Id, second.Cup);
    }

    /// <summary>The regions whose colours can be swapped, with their cups.</summary>
    public ImmutableArray<(RegionId Id, string Cup)> Places => Layer.Layout switch
    {
        FieldsLayout fields =>
            [.. Enumerable.Range(1, fields.Fields).Select(RegionId.OfField)
                .Select(id => (id, Plan.Regions.FirstOrDefault(r => r.Id == id)?.CupId ?? fields.Colours[0]))],
        PuddleLayout puddle => [.. puddle.Pours.Select(p => (p.Region, p.RecipeId))],
        _ => [.. Layer.Bands.Select(b => (b.Region, b.RecipeId))],
    };

    private static Spot? OnCut(LayerPlan plan, Border border)
    {
        var pair = plan.Cut.Zip(plan.Cut.Skip(1)).FirstOrDefault(p =>
            (p.First.RegionId == border.First && p.Second.RegionId == border.Second)
                || (p.First.RegionId == border.Second && p.Second.RegionId == border.First));
        return pair.First is null ? null : new(pair.First.ToMm, plan.CutAtMm);
    }
}
