using System.Collections.Immutable;
using System.Globalization;
using FluentValidation.Results;
using MossLantern.Core.Shapes;
using MossLantern.Core.Units;

namespace MossLantern.Core.Documents;

/// <summary>
/// Holds every count and every size of a document to its range before anything of it is expanded, drawn, copied or crossed: a few
/// bytes must not ask for minutes of work. It reads what is written and computes nothing; all other rules come after it.
/// </summary>
/// <remarks>Source: docs/craft/units.md, Accepted ranges.</remarks>
internal sealed class PieceBounds
{
    /// <summary>Most steps of an order of pours, and most entries of any list that has no smaller bound of its own.</summary>
    private const int MostEntries = 1000;

    /// <summary>Most layouts that are put by: one of every other kind.</summary>
    private const int MostAside = 7;

    /// <summary>Longest text of a drawn outline: its corners with the digits they need.</summary>
    private const int LongestPath = 50 * DrawnOutline.MostCorners;

    private readonly List<ValidationFailure> failures = [];

    private PieceBounds()
    {
    }

    /// <summary>What of a piece is out of its bounds; empty where nothing is.</summary>
    public static List<ValidationFailure> Of(Piece piece)
    {
        var bounds = new PieceBounds();
        bounds.Ground(piece.Ground, "ground");
        bounds.Recipes(piece.Recipes, "recipes");
        bounds.Layers(piece.Layers, "layers", 1);
        bounds.Sittings(piece.Sittings, "sittings");
        bounds.Kept(piece.Kept, "kept");
        bounds.Lines(piece.Lines, "lines");
        bounds.Count(piece.Dries, "dries", 0, Drying.Most, $"Up to {Drying.Most} things of one's own dry on a piece.");
        bounds.Count(piece.WavedOff, "wavedOff", 0, 200, "Up to 200 findings can be dismissed.");
        return bounds.failures;
    }

    /// <summary>What of a ground is out of its bounds.</summary>
    public static List<ValidationFailure> Of(Ground ground)
    {
        var bounds = new PieceBounds();
        bounds.Ground(ground, "");
        return bounds.failures;
    }

    /// <summary>What of a mould of the library is out of its bounds.</summary>
    public static List<ValidationFailure> Of(LibraryMould mould)
    {
        var bounds = new PieceBounds();
        bounds.Outline(mould.Outline, "outline", Accepted.OutlineMm, "");
        bounds.Count(mould.CavityDepths, "cavityDepths", 0, DrawnOutline.MostRings,
            "Depths of cavities must name each cavity once, from 1 up, of a drawn outline.");
        return bounds.failures;
    }

    /// <summary>What of a sequence is out of its bounds.</summary>
    public static List<ValidationFailure> Of(KeptSequence sequence)
    {
        var bounds = new PieceBounds();
        bounds.Count<Band>(sequence.Bands, "bands", 1, (int)Accepted.BandCount.To, Accepted.BandCount.Sentence);
        bounds.Count<Recipe>(sequence.Recipes, "recipes", 1, KeptSequence.MostRecipes,
            $"A sequence has from 1 to {KeptSequence.MostRecipes} cups.");
        bounds.Shares(sequence.Recipes, "recipes", KeptSequence.MostRecipes);
        return bounds.failures;
    }

    /// <summary>What of a kept recipe is out of its bounds.</summary>
    public static List<ValidationFailure> Of(KeptRecipe kept)
    {
        var bounds = new PieceBounds();
        bounds.Count<Recipe>(kept.Others, "others", 0, RecipeValidator.MostShares,
            $"A mixed cup is filled from 1 to {RecipeValidator.MostShares} different cups.");
        bounds.Shares([kept.Recipe], "recipe", 1);
        bounds.Shares(kept.Others, "others", RecipeValidator.MostShares);
        return bounds.failures;
    }

    private static string At(string path, string field) => path.Length == 0 ? field : $"{path}.{field}";

    private static string At(string path, int index) => string.Create(CultureInfo.InvariantCulture, $"{path}[{index}]");

    private void Refuse(bool refused, string field, string sentence)
    {
        if (refused)
        {
            failures.Add(new(field, sentence));
        }
    }

    private void Count<T>(ImmutableArray<T>? list, string field, int least, int most, string sentence) =>
        Refuse(list is { } given && (given.IsDefault || given.Length < least || given.Length > most), field, sentence);

    private void In(double value, AcceptedRange range, string field) => Refuse(!range.Contains(value), field, range.Sentence);

    private void Ground(Ground ground, string path)
    {
        Outline(ground.Outline, At(path, "outline"), Accepted.OutlineMm, "");
        Count(ground.Supports, At(path, "supports"), 1, PieceValidator.MostSupports,
            $"A piece stands on 1 to {PieceValidator.MostSupports} supports.");
        Count(ground.Done, At(path, "done"), 0, 100, "Each preparation is noted once.");
        Count(ground.Rubber, At(path, "rubber"), 0, RubberCast.Most, $"Up to {RubberCast.Most} things are cast of rubber for a piece.");
        if (ground.Set is { } set)
        {
            In(set.Count, Accepted.Panels, At(path, "set.count"));
            In(set.GapMm, Accepted.GapMm, At(path, "set.gapMm"));
        }

        if (ground.Mould is { } mould)
        {
            var at = At(path, "mould");
            In(mould.Pieces, Accepted.Copies with { What = "Pieces" }, At(at, "pieces"));
            In(mould.Cavities, Accepted.Copies with { What = "Cavities" }, At(at, "cavities"));
            Count(mould.CavityDepths, At(at, "cavityDepths"), 0, DrawnOutline.MostRings,
                "Depths of cavities must name each cavity once, from 1 up, of a drawn outline.");
            Count(mould.LibraryIds, At(at, "libraryIds"), 0, LibraryMould.MostTogether,
                $"Up to {LibraryMould.MostTogether} different moulds are filled together.");
            Count(mould.Inserts, At(at, "inserts"), 0, Mould.MostInserts, $"A mould has up to {Mould.MostInserts} inserts.");
            Each(mould.Inserts, At(at, "inserts"), Mould.MostInserts,
                (insert, place) => Outline(insert.Outline, At(place, "outline"), Accepted.InsertMm, " of the insert"));
        }

        if (ground.Old is { } old)
        {
            var at = At(path, "old");
            Ground(old.Ground, At(at, "ground"));
            Recipes(old.Recipes, At(at, "recipes"));
            Layers(old.Layers, At(at, "layers"), 0);
            Sittings(old.Sittings, At(at, "sittings"));
            Kept(old.Kept, At(at, "kept"));
            Lines(old.Lines, At(at, "lines"));
        }
    }

    private void Layers(ImmutableArray<Layer> layers, string path, int least)
    {
        Count<Layer>(layers, path, least, PieceValidator.MostLayers, $"A piece has from 1 to {PieceValidator.MostLayers} layers.");
        Each<Layer>(layers, path, PieceValidator.MostLayers, (layer, at) =>
        {
            Count(layer.PartDepths, At(at, "partDepths"), 0, DrawnOutline.MostRings,
                "Depths of letters and cavities must name each once, from 1 up, of a drawn outline.");
            LaidOut(layer.Layout, layer.Aside, at);
            Count(layer.RegionDepths, At(at, "regionDepths"), 0, MostEntries, $"A layer has depths of up to {MostEntries} regions.");
            Count(layer.Stones, At(at, "stones"), 0, MostEntries, $"Up to {MostEntries} kinds and places of stones lie in a layer.");
            Count(layer.Bare, At(at, "bare"), 0, MostEntries, $"Up to {MostEntries} regions of a layer stay bare.");
            Count(layer.Zones, At(at, "zones"), 0, Zone.Most, $"A layer has up to {Zone.Most} parts.");
            Each(layer.Zones, At(at, "zones"), Zone.Most, (zone, place) =>
            {
                Outline(zone.Outline, At(place, "outline"), Accepted.InsertMm, " of the part");
                In(zone.XMm, Accepted.PlaceMm with { What = "Part from the left" }, At(place, "xMm"));
                In(zone.YMm, Accepted.PlaceMm with { What = "Part from the top" }, At(place, "yMm"));
                LaidOut(zone.Layout, zone.Aside, place);
            });
        });
    }

    private void Kept(ImmutableArray<ReservedSpot>? kept, string path)
    {
        Count(kept, path, 0, Zone.Most, $"Up to {Zone.Most} spots of a piece can be reserved.");
        Each(kept, path, Zone.Most, (zone, at) =>
        {
            Outline(zone.Outline, At(at, "outline"), Accepted.InsertMm, " of the reserved spot");
            In(zone.XMm, Accepted.PlaceMm with { What = "Reserved spot from the left" }, At(at, "xMm"));
            In(zone.YMm, Accepted.PlaceMm with { What = "Reserved spot from the top" }, At(at, "yMm"));
        });
    }

    private void Lines(ImmutableArray<Line>? lines, string path)
    {
        Count(lines, path, 0, Line.Most, $"A piece has up to {Line.Most} lines.");
        Each(lines, path, Line.Most, (line, at) =>
        {
            if (line.Course is DrawnCourse drawn)
            {
                Count<Spot>(drawn.Spots, At(at, "course.spots"), 2, DrawnCourse.Most,
                    $"A wall runs through 2 to {DrawnCourse.Most} spots.");
            }
        });
    }

    private void Recipes(ImmutableArray<Recipe> recipes, string path)
    {
        Count<Recipe>(recipes, path, 0, PieceValidator.MostRecipes, $"A piece has up to {PieceValidator.MostRecipes} recipes.");
        Shares(recipes, path, PieceValidator.MostRecipes);
    }

    private void Shares(ImmutableArray<Recipe> recipes, string path, int most) => Each<Recipe>(recipes, path, most, (recipe, at) =>
    {
        Count<Dose>(recipe.Doses, At(at, "doses"), 0, RecipeValidator.MostDoses, RecipeValidator.DosesSentence);
        Count(recipe.Trials, At(at, "trials"), 0, PieceValidator.MostTrials, RecipeValidator.TrialsSentence);
        Count(recipe.Of, At(at, "of"), 1, RecipeValidator.MostShares,
            $"A mixed cup is filled from 1 to {RecipeValidator.MostShares} different cups.");
    });

    private void Sittings(ImmutableArray<Sitting> sittings, string path)
    {
        Count<Sitting>(sittings, path, 0, PieceValidator.MostSittings, $"A piece has from 1 to {PieceValidator.MostSittings} sittings.");
        Each<Sitting>(sittings, path, PieceValidator.MostSittings, (sitting, at) =>
        {
            Count<string>(sitting.Rest, At(at, "rest"), 0, PieceValidator.MostLayers,
                $"A piece has from 1 to {PieceValidator.MostLayers} layers.");
            Count(sitting.Fills, At(at, "fills"), 0, MostEntries, $"A sitting has up to {MostEntries} fills.");
            Count(sitting.CupChoices, At(at, "cupChoices"), 0, PieceValidator.MostRecipes,
                $"A piece has up to {PieceValidator.MostRecipes} recipes.");
            Count(sitting.Batches, At(at, "batches"), 0, PieceValidator.MostBatches,
                $"A sitting mixes up to {PieceValidator.MostBatches} batches.");
            Each(sitting.Batches, At(at, "batches"), PieceValidator.MostBatches, (batch, place) =>
            {
                Count<string>(batch.RecipeIds, At(place, "recipeIds"), 1, PieceValidator.MostRecipes,
                    "A batch is divided into at least one cup.");
                Count(batch.Shares, At(place, "shares"), 0, PieceValidator.MostRecipes,
                    $"A piece has up to {PieceValidator.MostRecipes} recipes.");
            });
            Count(sitting.Order, At(at, "order"), 0, MostEntries, $"An order of pours names up to {MostEntries} regions.");
        });
    }

    private void LaidOut(Layout layout, ImmutableArray<Layout>? aside, string path)
    {
        LaidOut(layout, At(path, "layout"));
        Count(aside, At(path, "aside"), 0, MostAside, $"Up to {MostAside} layouts are put by.");
        Each(aside, At(path, "aside"), MostAside, LaidOut);
    }

    private void LaidOut(Layout layout, string at)
    {
        if (layout is BandedLayout banded)
        {
            Count<Band>(banded.Bands, At(at, "bands"), 1, (int)Accepted.BandCount.To, Accepted.BandCount.Sentence);
        }

        switch (layout)
        {
            case RingsLayout rings:
                Count<Heart>(rings.Hearts, At(at, "hearts"), 0, (int)Accepted.HeartCount.To, Accepted.HeartCount.Sentence);
                break;
            case FieldsLayout fields:
                In(fields.Fields, Accepted.FieldCount, At(at, "fields"));
                Count<string>(fields.Colours, At(at, "colours"), 1, FieldsValidator.MostColours,
                    $"Fields have from 1 to {FieldsValidator.MostColours} colours.");
                Count(fields.Moved, At(at, "moved"), 0, (int)Accepted.FieldCount.To, "Each moved field is named once, from 1 up.");
                Count(fields.Recoloured, At(at, "recoloured"), 0, (int)Accepted.FieldCount.To,
                    "Each recoloured field is named once, from 1 up.");
                break;
            case PetalsLayout petals:
                In(petals.Petals, Accepted.PetalCount, At(at, "petals"));
                break;
            case PuddleLayout puddle:
                Count<PuddlePour>(puddle.Pours, At(at, "pours"), 1, PuddleValidator.MostPours,
                    $"A puddle has from 1 to {PuddleValidator.MostPours} pours.");
                break;
            case PoolsLayout pools:
                Count<PoolColour>(pools.Pools, At(at, "pools"), 0, PoolsValidator.Most, $"There are up to {PoolsValidator.Most} pools.");
                break;
            default:
                break;
        }
    }

    private void Outline(Outline outline, string path, AcceptedRange range, string ofWhat)
    {
        switch (outline)
        {
            case SliceOutline slice:
                In(slice.WidthMm, Accepted.OutlineMm with { What = "Width" }, At(path, "widthMm"));
                In(slice.HeightMm, Accepted.OutlineMm with { What = "Height" }, At(path, "heightMm"));
                Count<double>(slice.Reach, At(path, "reach"), SliceOutline.FewestHandles, SliceOutline.MostHandles,
                    $"A slice has from {SliceOutline.FewestHandles} to {SliceOutline.MostHandles} handles.");
                break;
            case DrawnOutline drawn:
                Refuse(drawn.Path.Length > LongestPath, At(path, "path"), $"A drawn outline has up to {DrawnOutline.MostCorners} corners.");
                break;
            default:
                GroundValidator.Measure(outline, range, ofWhat,
                    (field, sentence) => Refuse(true, At(path, field["outline.".Length..]), sentence));
                break;
        }
    }

    /// <summary>Looks at the entries of a list, as many as it may have.</summary>
    private static void Each<T>(ImmutableArray<T>? list, string path, int most, Action<T, string> look)
    {
        if (list is { IsDefault: false } given)
        {
            for (var i = 0; i < Math.Min(given.Length, most); i++)
            {
                look(given[i], At(path, i));
            }
        }
    }
}
