using System.Collections;
using System.Reflection;
using System.Runtime.CompilerServices;
using System.Text.RegularExpressions;
using MossLantern.Core.Documents;
using MossLantern.Core.Grounds;
using MossLantern.Core.Map;
using MossLantern.Core.Materials;
using MossLantern.Core.Planning;
using MossLantern.Core.Shapes;
using MossLantern.Core.Timeline;
using MossLantern.Core.Units;
using NodaTime;

namespace MossLantern.Web.Tests;

/// <summary>The words of every formula, worked out over the inputs that are shown, give the number that is shown.</summary>
public partial class FormulaTests
{
    /// <summary>What arithmetic on a few inputs cannot repeat.</summary>
    private static readonly string[] Measured =
    [
        Formulas.ShapeArea, Formulas.ShapePerimeter, Formulas.RegionArea, Formulas.BandWidth, Formulas.LineLength,
        Formulas.WallLength, Formulas.RimRoom,
        Formulas.ColourDifference, Formulas.Mud, Formulas.Heat,
    ];

    private static readonly Instant Now = Instant.FromUtc(2027, 3, 2, 9, 0);

    [Fact]
    public void The_words_of_every_formula_give_the_number_that_is_shown()
    {
        Assert.True(Measured.Length <= 10);
        var planner = new PiecePlanner(new LayerMapper());
        var (count, used) = (0, new HashSet<string>());
        List<string> wrong = [];
        foreach (var (name, piece) in DemoDocuments.All.SelectMany(d => Variants(d.Name, d.Piece)))
        {
            PouredSitting[] poured = [new(piece.Layers[0].Id, Now - Duration.FromHours(20), Now - Duration.FromHours(19), 19.5)];
            var plan = planner.Plan(piece, poured, Surroundings.Usual(DateTimeZone.Utc));
            var priced = Preparation.Priced(plan.Ground.SealWays,
                new("€", Prices.None.PerLitre.Add("primer", 14).Add("resin", 38)), plan.Ground.Area.Value);
            foreach (var number in Numbers(plan).Concat(Numbers(priced)))
            {
                count++;
                var formula = Formulas.All.Single(f => f.Id == number.Formula);
                used.Add(formula.Id);
                if (Measured.Contains(formula.Id))
                {
                    continue;
                }

                var what =
                    $"{name}: {formula.Id} {number.Value} {number.Unit} from "
                        + $"{string.Join(", ", number.Inputs.Select(i => $"{i.Name} {i.Value} {i.Unit}"))}";
                try
                {
                    var (value, named, untrue) = FormulaWords.Of(number, formula.Words);
                    wrong.AddRange(FormulaWords.Near(value, number.Value) ? [] : [$"{what}: the words give {value}"]);
                    wrong.AddRange(untrue.Select(u => $"{what}: {u}"));
                    wrong.AddRange(number.Inputs.Where(i => !named.Contains(i.Name))
                        .Select(i => $"{what}: the words do not name {i.Name}"));
                }
                catch (FormatException e)
                {
                    wrong.Add($"{what}: {e.Message}");
                }
            }
        }

        TestContext.Current
            .SendDiagnosticMessage(
                $"{count} numbers by {used.Count} formulas: {string.Join(", ", used.Order())}; not met: "
                    + $"{string.Join(", ", Formulas.All.Select(f => f.Id).Except(used))}");
        Assert.True(wrong.Count == 0, $"{wrong.Count} of {count}:\n"
            + string.Join('\n', wrong.GroupBy(w => w[..Math.Min(w.Length, 60)]).Select(g => g.First()).Take(40)));
        Assert.True(count > 2000, $"only {count} numbers");
        Assert.True(used.Count > 35, $"only {used.Count} formulas");
    }

    /// <summary>Planned and not poured: what is decided is typed where its number is opened.</summary>
    [Fact]
    public void Every_input_that_names_a_place_can_be_set_there()
    {
        var planner = new PiecePlanner(new LayerMapper());
        var places = new HashSet<string>();
        foreach (var (name, piece) in DemoDocuments.All)
        {
            var planned = piece with { Sittings = [.. piece.Sittings.Select(s => s with { Start = new(2027, 3, 1, 9, 0), RoomC = 14 })] };
            foreach (var place in Numbers(planner.Plan(planned, [], Surroundings.Usual(DateTimeZone.Utc)))
                .SelectMany(n => n.Inputs).Select(i => i.Field).OfType<string>())
            {
                var field = Indices().Replace(place, "");
                places.Add(field);
                Assert.True(PieceFields.Ranges.ContainsKey(field), $"{name}: {place}");
            }
        }

        Assert.Contains("sittings.roomC", places);
    }

    [GeneratedRegex(@"\[[^\]]*\]")]
    private static partial Regex Indices();

    [Fact]
    public void Every_input_has_a_name_of_its_own()
    {
        var planner = new PiecePlanner(new LayerMapper());
        foreach (var (name, piece) in DemoDocuments.All)
        {
            Assert.All(Numbers(planner.Plan(piece, [], Surroundings.Usual(DateTimeZone.Utc))),
                n => Assert.True(n.Inputs.Select(i => i.Name).Distinct().Count() == n.Inputs.Length || Summed(n), $"{name}: {n.Formula}"));
        }

        // In a sum of equal things two may have one name.
        static bool Summed(Reckoned n) => Formulas.All.Single(f => f.Id == n.Formula).Words.StartsWith("the ", StringComparison.Ordinal);
    }

    /// <summary>As it is, dripped over with a level reading, measured by weight, and with parts, inserts and pieces at once.</summary>
    private static IEnumerable<(string, Piece)> Variants(string name, Piece piece)
    {
        yield return (name, piece);
        yield return ($"{name}, dripped over", piece with
        {
            Ground = piece.Ground
                with
            { Edge = piece.Ground.Mould is null ? EdgeStyle.DrippedOver : piece.Ground.Edge, Level = new(true, 0.2, -0.15) },
            Sittings = [.. piece.Sittings
                .Select(l => l with { Measure = Measure.ByWeight, ReservePercent = 14, Losses = new(0.4, 8, 2, 3), Tools = new(5, 1) })],
        });
        yield return ($"{name}, two to one", piece with
        {
            Sittings = [.. piece.Sittings.Select(l => l with { Resin = new("casting", new(RatioBasis.Weight, 100, 43)) })],
        });
        if (piece.Ground.Mould is { } mould && piece.Ground.Outline is not DrawnOutline)
        {
            var across = Math.Min(piece.Ground.Outline.BoxWidthMm, piece.Ground.Outline.BoxHeightMm) / 5;
            yield return ($"{name}, with an insert", piece with
            {
                Ground = piece.Ground with
                {
                    Mould = mould with
                    {
                        From = CapacityFrom.Water,
                        CapacityMl = 0.83 * mould.SizeMl(piece.Ground.Outline),
                        Pieces = 5,
                        Cavities = 3,
                        Inserts = [new("i", "hollow", new RoundOutline(Math.Max(5, across)),
                            piece.Ground.Outline.BoxWidthMm / 2, piece.Ground.Outline.BoxHeightMm / 2, 0.5, 0.5, mould.DepthMm / 2)],
                    },
                },
            });
        }
    }

    private static IEnumerable<Reckoned> Numbers(object? within) => Walk(within, new(ReferenceEqualityComparer.Instance));

    private static IEnumerable<Reckoned> Walk(object? here, HashSet<object> seen)
    {
        if (here is null or string or Delegate or RegionId || here.GetType() is { IsPrimitive: true }
            || here.GetType().IsEnum || (!here.GetType().IsValueType && !seen.Add(here)))
        {
            return [];
        }

        if (here is Reckoned number)
        {
            return [number];
        }

        if (here is IEnumerable many)
        {
            return [.. many.Cast<object?>().SelectMany(m => Walk(m, seen))];
        }

        return here.GetType().Namespace?.StartsWith("MossLantern", StringComparison.Ordinal) == true || here is ITuple
            || here.GetType().Name.StartsWith("KeyValuePair", StringComparison.Ordinal)
            ? [.. here.GetType().GetProperties(BindingFlags.Public | BindingFlags.Instance)
                .Where(p => p.GetIndexParameters().Length == 0).SelectMany(p => Walk(p.GetValue(here), seen))]
            : [];
    }
}
