using System.Collections;
using System.Collections.Immutable;
using System.Reflection;
using System.Text.Json;
using CsCheck;
using MossLantern.Core.Documents;
using MossLantern.Core.Edits;
using MossLantern.Core.Materials;
using MossLantern.Core.Shapes;
using MossLantern.Core.Units;
using NodaTime;

namespace MossLantern.Core.Tests;

/// <summary>Commands of every kind with anything in them: what the piece has, what it does not have, and numbers near and far.</summary>
internal static class AnyEdit
{
    public static readonly ImmutableArray<Type> Kinds =
        [.. typeof(Edit).Assembly.GetTypes().Where(t => t.IsSubclassOf(typeof(Edit)) && !t.IsAbstract)
            .OrderBy(t => t.Name, StringComparer.Ordinal)];

    /// <summary>What the workshop has of its own: a sequence, a pot of each kind and two moulds.</summary>
    public static readonly Cupboard Cupboard = Cupboard.Empty with
    {
        Sequences = ImmutableDictionary<string, KeptSequence>.Empty.Add("seq", new(
            "Peat", [new("a", 4, true, "x"), new("b", 6, false, "y")], [Samples.Cup("x"), Samples.Cup("y", ColourantClass.Mica)], 200)),
        Pots = ImmutableDictionary<string, PaintPot>.Empty.Add("pot", new("Fen", "#224433", PaintKind.Water, 40, ""))
            .Add("oil", new("Tar", "#221100", PaintKind.Oil, 40, "")),
        Moulds = ImmutableDictionary<string, LibraryMould>.Empty
            .Add("tray", new("Tray", new OvalOutline(200, 150), 12, CapacityFrom.Dimensions, null, 1, 2, ""))
            .Add("coasters", new("Coasters", new RoundOutline(95), 9, CapacityFrom.Dimensions, null, 4, 1, "")),
        Recipes = ImmutableDictionary<string, KeptRecipe>.Empty
            .Add("kept", new(Samples.Cup("k", ColourantClass.Mica), []))
            .Add("mixed", new(new("m", "m", "#445566", [new(ColourantClass.Glitter, 2)], [new("o", 1)]), [Samples.Cup("o")])),
    };

    private static readonly ImmutableArray<string> Ids = ["nowhere", ""];

    /// <summary>A command for a piece; about one in twenty names something that is not there.</summary>
    public static Edit Of(Piece piece, Random random)
    {
        var kind = random.Next(4) == 0 ? random.Next(2) == 0 ? typeof(SetField) : typeof(Nudge) : Kinds[random.Next(Kinds.Length)];
        return Of(kind, piece, random);
    }

    /// <summary>A command of a kind for a piece.</summary>
    public static Edit Of(Type kind, Piece piece, Random random)
    {
        var layer = Any(piece.Layers, random);
        var zone = (layer.Zones ?? []).IsEmpty || random.Next(2) == 0 ? null : Any(layer.Zones!.Value, random);
        var constructor = kind.GetConstructors().MaxBy(c => c.GetParameters().Length)!;
        // To look for all places takes longer than the change itself: only what names one asks for it.
        var places = new Lazy<string>(() => Any(PlacesIn(piece), random));
        return (Edit)constructor.Invoke([.. constructor.GetParameters().Select(p => Value(kind, p))]);

        // One cup of the first batch is filled from another too; about one time in ten the shares are not all of it.
        ImmutableArray<Batch> Shared(ImmutableArray<Batch> own)
        {
            var (cup, percent) = (own[0].RecipeIds[0], random.Next(1, 100));
            return own.SetItem(0, own[0] with { Shares = [new(cup, percent)] })
                .Add(new("shared", [cup], null, [new(cup, 100 - percent + (random.Next(10) == 0 ? 3 : 0))]));
        }

        object? Value(Type of, ParameterInfo parameter)
        {
            var type = Nullable.GetUnderlyingType(parameter.ParameterType) ?? parameter.ParameterType;
            if (random.Next(20) == 0 && type == typeof(string))
            {
                return Any(Ids, random);
            }

            var layout = zone?.Layout ?? layer.Layout;
            if (type == typeof(string))
            {
                var wanted = parameter.Name switch
                {
                    "Layer" when of.IsSubclassOf(typeof(SpotEdit)) => zone is null ? null : layer.Id,
                    "Layer" => layer.Id,
                    "Zone" => zone?.Id,
                    "Id" when of == typeof(LeaveRubberOut) => One((piece.Ground.Rubber ?? []).Select(r => r.Id)),
                    "Id" => zone?.Id ?? One((piece.Kept ?? []).Select(k => k.Id)),
                    "Band" => One((layout as BandedLayout)?.Bands.Select(b => b.Id)),
                    "Heart" => One((layout as RingsLayout)?.Hearts.Select(h => h.Id)),
                    "Wall" or "Line" => One((piece.Lines ?? []).Select(l => l.Id).Concat((piece.Dries ?? []).Select(d => d.Id))),
                    "Pool" => One((layout as PoolsLayout)?.Pools.Select(p => p.Id)),
                    "Pour" => One((layout as PuddleLayout)?.Pours.Select(p => p.Id)),
                    "Spot" => One((piece.Kept ?? []).Select(k => k.Id)),
                    "Region" => One(layout.RegionIds.Select(r => r.ToString())),
                    "Kept" => One(["kept", "mixed"]),
                    "ColourantId" => random.Next(3) == 0 ? "fen-gold" : null,
                    "Note" => random.Next(2) == 0 ? "still pale" : null,
                    "From" => random.Next(3) == 0 ? null : One(piece.Recipes.Select(r => r.Id)),
                    "FirstRecipe" or "SecondRecipe" => One(piece.Recipes.Select(r => r.Id)),
                    "Recipe" when of == typeof(OneCup) => One(piece.Recipes.Where(r => r.SecondOf is not null).Select(r => r.Id)),
                    "Recipe" when of.IsSubclassOf(typeof(RecipeEdit)) => One(piece.Recipes.Select(r => r.Id)),
                    "Recipe" => random.Next(3) == 0 ? null : One(piece.Recipes.Select(r => r.Id)),
                    "Mix" => One(piece.Recipes.Where(r => r.Of is not null || random.Next(5) == 0).Select(r => r.Id)),
                    "Sitting" or "Into" => random.Next(4) == 0 ? null : Any(piece.Sittings, random).Id,
                    "Fill" => One(piece.Sittings.SelectMany(s => s.Fills ?? []).Select(f => f.Id)),
                    "Insert" => One((piece.Ground.Mould?.Inserts ?? []).Select(i => i.Id)),
                    "Sequence" => "seq",
                    "Pot" => One(["pot", "oil"]),
                    "Colour" => One(["#446688", "#c99b3a", "#f0e8d5", "blue"]),
                    "Name" => random.Next(3) == 0 ? null : One(["rust", "Ann's blue", "clear"]),
                    "Stone" => One(["crushed-glass", "sand"]),
                    "Resin" => One(["coating", "casting", "deep-pour"]),
                    "Place" => places.Value,
                    _ => One(["seal", "paint", "mud:1"]),
                };
                return wanted
                    ?? (new NullabilityInfoContext().Create(parameter).WriteState == NullabilityState.Nullable ? null : "nowhere");
            }

            return type switch
            {
                _ when type.IsEnum => Enum.ToObject(type, random.Next(Enum.GetValues(type).Length + (random.Next(20) == 0 ? 1 : 0))),
                _ when type == typeof(bool) => random.Next(2) == 0,
                _ when type == typeof(int) => parameter.Name == "Count" ? random.Next(0, 6) : parameter.Name == "Part"
                    ? random.Next(0, 4) : parameter.Name == "Dose" ? random.Next(0, 20) / 10 : random.Next(-1, 10),
                _ when type == typeof(double) && parameter.Name == "DepthMm" =>
                    random.Next(3) switch { 0 => null, 1 => Number(false), _ => (object)(random.Next(1, 60) / 4.0) },
                _ when type == typeof(double) && parameter.Name is "Amount" or "CoverPercent" => random.Next(3) == 0
                    ? Number(false) : random.Next(1, 60) / 10.0,
                _ when type == typeof(double) => Number(parameter.Name!.StartsWith("By", StringComparison.Ordinal)),
                _ when type == typeof(LocalDateTime) => new LocalDateTime(2026, 5, random.Next(1, 28), 10, 0),
                _ when type == typeof(JsonElement) => random.Next(10) == 0 ? null : Written(piece, places.Value, random),
                _ when type == typeof(LevelReading) => new LevelReading(true, Number(true) / 100, 0.2),
                _ when type == typeof(DrawnOutline) => new DrawnOutline("M0 0L160 0L160 80L0 80ZM200 0L300 0L300 80L200 80Z"),
                _ when type == typeof(ImmutableArray<Spot>) => Enumerable.Range(0, random.Next(0, 30))
                    .Select(_ => new Spot(random.NextDouble() * 400, random.NextDouble() * 300)).ToImmutableArray(),
                _ when type == typeof(RegionId) => Region(),
                _ when type == typeof(ImmutableArray<RegionOf>) =>
                    piece.Layers.SelectMany(l => l.RegionIds.Select(r => new RegionOf(l.Id, r)))
                    .Where(_ => random.Next(2) == 0).OrderBy(_ => random.Next()).ToImmutableArray(),
                _ when type == typeof(ImmutableArray<PourRef>) =>
                    piece.Layers.SelectMany(l => l.RegionIds.Select(r => new PourRef(l.Id, r, random.Next(5) / 4)))
                    .Where(_ => random.Next(3) == 0).ToImmutableArray(),
                _ when type == typeof(ImmutableArray<Batch>) =>
                    piece.Recipes.Where(_ => random.Next(3) > 0).OrderBy(_ => random.Next()).Chunk(random.Next(1, 5))
                    .Select((c, i) => new Batch(random.Next(20) == 0 ? "one" : $"batch-{i}", [.. c.Select(r => r.Id)],
                        random.Next(5) == 0 ? Number(false) : null)).ToImmutableArray() is { IsEmpty: false } own && random.Next(2) == 0
                    ? Shared(own) : piece.Recipes.Select((r, i) => new Batch($"batch-{i}", [r.Id])).Take(random.Next(4)).ToImmutableArray(),
                _ when type == typeof(ImmutableArray<Dose>) =>
                    Enumerable.Range(0, random.Next(0, 4))
                    .Select(_ => new Dose(Any(Enum.GetValues<ColourantClass>(), random), random.Next(0, 80) / 10.0,
                        Any(Enum.GetValues<RatioBasis>(), random), null, random.Next(20) == 0 ? null : "#446688")).ToImmutableArray(),
                _ when type == typeof(ImmutableArray<RegionId>) =>
                    layer.RegionIds.Where(_ => random.Next(2) == 0).OrderBy(_ => random.Next()).ToImmutableArray(),
                _ when type == typeof(Course) => random.Next(5) switch
                {
                    0 => null,
                    1 => new DrawnCourse([.. Enumerable.Range(0, random.Next(1, 8))
                        .Select(_ => new Spot(random.NextDouble() * 400, random.NextDouble() * 300))]),
                    2 => new RingCourse(
                        random.Next(400), random.Next(300), random.Next(-5, 300), random.Next(2) == 0 ? null : random.Next(6)),
                    3 => new BorderCourse(Region(), Region(), random.Next(-8, 8), random.Next(3) / 4.0, random.Next(2, 5) / 4.0),
                    _ => new AllBordersCourse(),
                },
                _ when type == typeof(ImmutableArray<Granules>) => Enumerable.Range(0, random.Next(0, 4))
                    .Select(i => new Granules(i == 3 ? "sand" : Any(["crushed-glass", "sand", "shell"], random), random.Next(0, 9)))
                    .ToImmutableArray(),
                _ when type == typeof(ImmutableArray<string>) && parameter.Name == "Lines" =>
                    (piece.Lines ?? []).Select(l => l.Id).Concat((piece.Dries ?? []).Select(d => d.Id)).Where(_ => random.Next(3) > 0)
                    .ToImmutableArray(),
                _ when type == typeof(ImmutableArray<string>) =>
                    ImmutableArray.Create("tray", "coasters").RemoveAll(_ => random.Next(2) == 0),
                _ => throw new InvalidOperationException($"{of.Name}.{parameter.Name} of {type} has no way to be made up."),
            };

            RegionId Region() => R(random.Next(20) == 0 ? "nowhere" : One(layer.RegionIds.Written()) ?? "nowhere");

            string? One(IEnumerable<string>? among) => among?.ToImmutableArray() is { IsEmpty: false } some ? Any(some, random) : null;
        }

        double Number(bool small) => random.Next(40) switch
        {
            0 => double.MaxValue,
            1 => -1e6,
            2 => 0,
            3 => double.NaN,
            _ => small ? random.Next(-120, 120) / 10.0 : random.NextDouble() * 500,
        };
    }

    private static T Any<T>(IReadOnlyList<T> among, Random random) => among[random.Next(among.Count)];

    /// <summary>A value of about the kind that stands at a place.</summary>
    private static JsonElement? Written(Piece piece, string place, Random random)
    {
        var now = FieldAt.Of(piece, place)?.Value;
        return JsonSerializer.SerializeToElement<object?>(now switch
        {
            double number => random.Next(3)
                switch
            { 0 => number + 1, 1 => number * (0.5 + random.NextDouble()), _ => (random.NextDouble() - 0.2) * 1000 },
            int number => number + random.Next(-3, 4),
            bool yes => !yes,
            Enum choice => JsonNamingPolicy.KebabCaseLower.ConvertName(Any(Enum.GetNames(choice.GetType()), random)),
            _ => Any<object>([3.5, "Sedge", "#446677", true, "2026-05-01T10:00:00"], random),
        });
    }

    /// <summary>Every place of a piece that holds a value, and some that hold none.</summary>
    private static List<string> PlacesIn(Piece piece)
    {
        List<string> found = ["sittings[layer-1].roomC", "layers[nowhere].depthMm", "runs.pouredMl", "ground", ""];
        Walk(piece, "", 0);
        return found;

        void Walk(object value, string at, int depth)
        {
            foreach (var property in value.GetType().GetProperties().Where(p => p.CanWrite && p.GetIndexParameters().Length == 0))
            {
                var own = (at.Length > 0 ? at + "." : "") + JsonNamingPolicy.CamelCase.ConvertName(property.Name);
                var of = property.GetValue(value);
                if (of is IEnumerable list and not string)
                {
                    foreach (var (entry, i) in list.Cast<object>().Select((e, i) => (e, i)).Where(e => e.e is not string and not double))
                    {
                        Walk(entry, $"{own}[{PlaceIn.NameOf(entry) ?? $"{i}"}]", depth + 1);
                    }
                }
                else if (of is not null && of.GetType().Namespace!.StartsWith("MossLantern", StringComparison.Ordinal)
                    && !of.GetType().IsEnum && depth < 8)
                {
                    Walk(of, own, depth + 1);
                }
                else
                {
                    found.Add(own);
                }
            }
        }
    }
}
