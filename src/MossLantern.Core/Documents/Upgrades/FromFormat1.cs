using System.Text.Json;
using System.Text.Json.Nodes;
using FluentValidation;

namespace MossLantern.Core.Documents.Upgrades;

/// <summary>
/// Format 1 to format 2. A layer had its cups, its bands and hearts, its resin and its times to itself: cups become recipes of the
/// piece, equal ones of several layers one; bands and hearts go into the layout that uses them, or are put by; everything about pouring
/// becomes the layer's sitting.
/// </summary>
/// <remarks>Source: docs/formats.md, Earlier formats.</remarks>
internal static class FromFormat1
{
    private const int MostCups = 40;

    /// <summary>So much of an id is kept where it needs a number: an id has up to 40 characters.</summary>
    private const int LongestStem = 34;

    /// <summary>What a layer says of how it is poured.</summary>
    private static readonly string[] OfPouring = ["resin", "measure", "tools", "losses", "reservePercent"];

    /// <summary>A piece, and the older work beneath it.</summary>
    public static void Piece(JsonObject piece)
    {
        if (piece["layers"] is JsonArray layers)
        {
            Bound(layers.Count <= PieceValidator.MostLayers, "layers", $"A piece has from 1 to {PieceValidator.MostLayers} layers.");
            var (recipes, sittings) = (new Recipes(), new JsonArray());
            foreach (var layer in layers.OfType<JsonObject>())
            {
                var ids = recipes.Take(layer);
                LaidOut(layer, ids);
                foreach (var zone in (layer["zones"] as JsonArray ?? []).OfType<JsonObject>())
                {
                    LaidOut(zone, ids);
                }

                sittings.Add(Sitting(layer));
            }

            piece["recipes"] = recipes.All;
            piece["sittings"] = sittings;
        }

        if (piece["ground"] is JsonObject ground && ground["old"] is JsonObject old)
        {
            Piece(old);
        }
    }

    /// <summary>A sequence that was kept with its cups.</summary>
    public static void Sequence(JsonObject sequence)
    {
        var recipes = new Recipes();
        var ids = recipes.Take(sequence);
        Rename(sequence["bands"], "cup", "recipeId", ids);
        sequence["recipes"] = recipes.All;
    }

    private static void Bound(bool holds, string field, string sentence)
    {
        if (!holds)
        {
            throw new ValidationException([new(field, sentence)]);
        }
    }

    private static JsonNode? Taken(JsonObject from, string field)
    {
        var value = from[field];
        from.Remove(field);
        return value;
    }

    private static string? Text(JsonNode? node) =>
        node is JsonValue value && value.GetValueKind() == JsonValueKind.String ? value.GetValue<string>() : null;

    private static JsonObject Sitting(JsonObject layer)
    {
        var id = layer["id"];
        var sitting = new JsonObject { ["id"] = id?.DeepClone(), ["rest"] = new JsonArray(id?.DeepClone()) };
        foreach (var field in OfPouring.Where(layer.ContainsKey))
        {
            sitting[field] = Taken(layer, field);
        }

        if (layer["plan"] is JsonObject plan)
        {
            layer.Remove("plan");
            foreach (var field in plan.Select(f => f.Key).ToList())
            {
                sitting[field] = Taken(plan, field);
            }
        }

        if (layer["pourOrder"] is JsonArray order)
        {
            layer.Remove("pourOrder");
            Bound(order.Count <= 1000, "layers", "An order of pours names up to 1000 regions.");
            sitting["order"] = order.Count == 0 ? null
                : new JsonArray([.. order
                    .Select(region => new JsonObject { ["layerId"] = id?.DeepClone(), ["region"] = region?.DeepClone() })]);
        }

        return sitting;
    }

    /// <summary>A layer's layout, or a zone's, takes the bands and hearts that it uses; rings that lay idle are put by.</summary>
    private static void LaidOut(JsonObject owner, Dictionary<string, string> ids)
    {
        var rings = new JsonObject { ["kind"] = "rings" };
        foreach (var field in new[] { "hearts", "bands", "rimFollow", "widening", "rimWay" }.Where(owner.ContainsKey))
        {
            rings[field] = Taken(owner, field);
        }

        Rename(rings["bands"], "cup", "recipeId", ids);
        var heartCup = Taken(owner, "heartCup");
        var hearts = rings["hearts"] is JsonArray { Count: > 0 };
        rings["heartRecipeId"] = hearts ? Mapped(heartCup, ids) : null;
        if (owner["layout"] is not JsonObject layout)
        {
            owner["layout"] = rings;
            return;
        }

        var worked = hearts;
        if (Text(layout["kind"]) is "lines" or "petals")
        {
            layout["bands"] = rings["bands"]?.DeepClone();
            if (rings["widening"] is { } widening)
            {
                layout["widening"] = widening.DeepClone();
            }
        }
        else
        {
            worked |= rings["bands"] is JsonArray { Count: > 1 };
        }

        Names(layout, ids);
        if (worked)
        {
            owner["aside"] = new JsonArray(rings);
        }
    }

    private static void Names(JsonObject layout, Dictionary<string, string> ids)
    {
        foreach (var (was, now) in new[]
        {
            ("cup", "recipeId"), ("startCup", "startRecipeId"), ("restCup", "restRecipeId"),
            ("groundCup", "groundRecipeId"), ("streakCup", "streakRecipeId"),
        })
        {
            Rename(layout, was, now, ids);
        }

        Rename(layout["vein"], "cup", "recipeId", ids);
        foreach (var list in new[] { "recoloured", "pools", "pours" })
        {
            Rename(layout[list], "cup", "recipeId", ids);
        }

        if (layout["colours"] is JsonArray colours)
        {
            layout["colours"] = new JsonArray([.. colours.Select(c => Mapped(c, ids))]);
        }
    }

    /// <summary>A field that named a cup names its recipe, in an object or in each of a list.</summary>
    private static void Rename(JsonNode? of, string was, string now, Dictionary<string, string> ids)
    {
        foreach (var entry in of is JsonArray list ? list.OfType<JsonObject>() : of is JsonObject one ? [one] : [])
        {
            if (entry.ContainsKey(was))
            {
                entry[now] = Mapped(Taken(entry, was), ids);
            }
        }
    }

    private static JsonNode? Mapped(JsonNode? cup, Dictionary<string, string> ids) =>
        Text(cup) is { } id && ids.TryGetValue(id, out var recipe) ? recipe : cup?.DeepClone();

    /// <summary>The recipes of a piece, gathered layer by layer.</summary>
    private sealed class Recipes
    {
        private readonly HashSet<string> taken = [];
        private readonly Dictionary<string, List<string>> alike = [];

        public JsonArray All { get; } = [];

        /// <summary>Takes the cups of a layer, and gives the recipe of each.</summary>
        public Dictionary<string, string> Take(JsonObject layer)
        {
            var ids = new Dictionary<string, string>();
            if (layer["cups"] is not JsonArray cups)
            {
                return ids;
            }

            Bound(cups.Count <= MostCups, "layers", $"A layer has from 1 to {MostCups} cups.");
            layer.Remove("cups");

            // Two equal cups of one layer stay two: somebody chose so.
            var own = new HashSet<string>();

            // Mixed ones come after what they are filled from, but stay where they were.
            var recipes = new (JsonNode? Recipe, bool Known)[cups.Count];
            foreach (var (cup, at) in cups.Select((c, i) => (Cup: c, At: i))
                .OrderBy(c => (c.Cup as JsonObject)?["of"] is JsonArray).ToList())
            {
                recipes[at] = cup is JsonObject written ? Take(written, ids, own) : (cup?.DeepClone(), false);
            }

            foreach (var (recipe, _) in recipes.Where(r => !r.Known))
            {
                All.Add(recipe);
            }

            return ids;
        }

        /// <summary>The recipe of a cup, and whether an earlier layer has an equal one.</summary>
        private (JsonNode? Recipe, bool Known) Take(JsonObject cup, Dictionary<string, string> ids, HashSet<string> own)
        {
            var id = Text(Taken(cup, "id"));
            var (colourant, load) = (Taken(cup, "colourant"), Taken(cup, "loadPercent"));
            var of = Taken(cup, "of");
            Rename(of, "cup", "recipeId", ids);
            var recipe = new JsonObject
            {
                ["doses"] = colourant is null ? [] : new JsonArray(new JsonObject { ["colourant"] = colourant, ["percent"] = load }),
                ["of"] = of,
            };
            foreach (var field in cup.Select(f => f.Key).ToList())
            {
                recipe[field] = Taken(cup, field);
            }

            var text = recipe.ToJsonString();
            if (id is null)
            {
                return (recipe, false);
            }

            if (alike.TryGetValue(text, out var known) && known.Find(k => !own.Contains(k)) is { } same)
            {
                own.Add(same);
                ids[id] = same;
                return (null, true);
            }

            var free = taken.Contains(id) ? FreeId.Of(id[..Math.Min(id.Length, LongestStem)], taken) : id;
            taken.Add(free);
            own.Add(free);
            ids[id] = free;
            (alike.TryGetValue(text, out var list) ? list : alike[text] = []).Add(free);
            recipe["id"] = free;
            return (recipe, false);
        }
    }
}
