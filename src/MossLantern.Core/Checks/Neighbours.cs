using System.Collections.Immutable;
using MossLantern.Core.Documents;
using MossLantern.Core.Map;
using MossLantern.Core.Materials;
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
    /// <summary>Width of a line that is put between two bands, mm.</summary>
    public const double LineMm = 3;

    /// <summary>Volume of a pour that is put between two others, ml.</summary>
    private const double PourMl = 5;

    public string Key => $"{Layer.Id}/{First}+{Second}";

    /// <summary>Number of the band further out, from 0, where both are bands; what lies inside it is the band before, or the hearts' bed.</summary>
    public int? Band => Layer.Bands.Select(b => (RegionId)b.Id).ToList().IndexOf(Second) is >= 0 and var at
        && (at == 0 ? First == RegionId.Heart : First == Layer.Bands[at - 1].Id) ? at : null;

    /// <summary>All that touch in the layers that are still to be poured.</summary>
    public static IEnumerable<Neighbours> Of(Looked looked)
    {
        foreach (var (layer, plan) in looked.Piece.Filled.Zip(looked.Layers).Where(l => !l.Second.Poured))
        {
            var cups = layer.Recipes.ToDictionary(c => c.Id);
            var cupOf = plan.Regions.Where(r => r.Fits).ToDictionary(r => r.Id, r => r.CupId);
            foreach (var border in plan.Borders)
            {
                if (!Veined(layer, border) && cupOf.GetValueOrDefault(border.First) is { } inner && cupOf.GetValueOrDefault(border.Second) is { } outer)
                {
                    yield return new(layer, plan, border.First, border.Second, cups[inner], cups[outer], border.At ?? OnCut(plan, border));
                }
            }
        }
    }

    /// <summary>Fields with a vein between them do not touch.</summary>
    private static bool Veined(FilledLayer layer, Border border) =>
        layer.Layout is FieldsLayout { Vein: not null } && border.First.Zone is null && border.Second.Zone is null;

    /// <summary>The layer with a line of a cup between the two, a cup that it does not have coming with it; null where there is no way or no room.</summary>
    public FilledLayer? WithLine(Recipe cup)
    {
        var withCup = Layer.Recipes.Any(c => c.Id == cup.Id) ? Layer : Layer with { Recipes = Layer.Recipes.Add(cup) };
        if (withCup.Recipes.Length > PieceValidator.MostRecipes)
        {
            return null;
        }

        if (Layer.Layout is BandedLayout banded && Band is { } at && banded.Bands.Length < Accepted.BandCount.To)
        {
            var line = new Band(FreeId.Of("line", banded.Bands.Select(b => b.Id)), Math.Max(Accepted.BandMm.From, LineMm / Math.Pow(banded.Widening, at)), false, cup.Id);
            return withCup with { Layout = banded with { Bands = banded.Bands.Insert(at, line) } };
        }

        return Layer.Layout switch
        {
            FieldsLayout fields when fields.Vein is null => withCup with { Layout = fields with { Vein = new(cup.Id, LineMm, 1) } },
            PuddleLayout puddle when puddle.Pours.Length < PuddleValidator.MostPours && Pour(puddle, First) is { } one && Pour(puddle, Second) is { } other =>
                withCup with { Layout = puddle with { Pours = puddle.Pours.Insert(Math.Max(one, other), new(FreeId.Of("pour", puddle.Pours.Select(p => p.Id)), cup.Id, PourMl)) } },
            _ => null,
        };

        static int? Pour(PuddleLayout puddle, RegionId id) => puddle.Pours.Select(p => (RegionId)p.Id).ToList().IndexOf(id) is >= 0 and var at ? at : null;
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
        ?? new(FreeId.Of(name, Layer.Recipes.Select(c => c.Id)), name, colour, colourant is { } own ? [new(own, load)] : []);

    /// <summary>A remedy that changes this layer.</summary>
    public Remedy Change(string id, string label, FilledLayer to, double? mm = null) => Remedy.OnLayer(id, label, Layer.Id, _ => to, mm);

    /// <summary>The layer with the colours of two places swapped, each by its number among <see cref="Places"/>.</summary>
    public FilledLayer Swapped(int one, int other) => Layer.Layout switch
    {
        FieldsLayout fields => Layer with { Layout = fields with { Recoloured = Recoloured(fields, one, other) } },
        PuddleLayout puddle => Layer with
        {
            Layout = puddle with
            {
                Pours = puddle.Pours.SetItem(one, puddle.Pours[one] with { RecipeId = puddle.Pours[other].RecipeId }).SetItem(other, puddle.Pours[other] with { RecipeId = puddle.Pours[one].RecipeId }),
            },
        },
        BandedLayout { Bands: var bands } banded => Layer with
        {
            Layout = banded with
            {
                Bands = bands.SetItem(one, bands[one] with { RecipeId = bands[other].RecipeId }).SetItem(other, bands[other] with { RecipeId = bands[one].RecipeId }),
            },
        },
        _ => Layer,
    };

    /// <summary>The regions whose colours can be swapped, with their cups.</summary>
    public ImmutableArray<(RegionId Id, string Cup)> Places => Layer.Layout switch
    {
        FieldsLayout fields =>
            [.. Enumerable.Range(1, fields.Fields).Select(RegionId.OfField).Select(id => (id, Plan.Regions.FirstOrDefault(r => r.Id == id)?.CupId ?? fields.Colours[0]))],
        PuddleLayout puddle => [.. puddle.Pours.Select(p => ((RegionId)p.Id, p.RecipeId))],
        _ => [.. Layer.Bands.Select(b => ((RegionId)b.Id, b.RecipeId))],
    };

    private ImmutableArray<FieldColour> Recoloured(FieldsLayout fields, int one, int other)
    {
        var places = Places;
        return
        [
            .. (fields.Recoloured ?? []).Where(r => r.Field != one + 1 && r.Field != other + 1),
            new(one + 1, places[other].Cup), new(other + 1, places[one].Cup),
        ];
    }

    private static Spot? OnCut(LayerPlan plan, Border border)
    {
        var pair = plan.Cut.Zip(plan.Cut.Skip(1)).FirstOrDefault(p =>
            (p.First.RegionId == border.First && p.Second.RegionId == border.Second) || (p.First.RegionId == border.Second && p.Second.RegionId == border.First));
        return pair.First is null ? null : new(pair.First.ToMm, plan.CutAtMm);
    }
}
