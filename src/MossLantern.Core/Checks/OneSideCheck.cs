using System.Collections.Immutable;
using MossLantern.Core.Documents;
using MossLantern.Core.Map;
using MossLantern.Core.Shapes;
using MossLantern.Core.Timeline;

namespace MossLantern.Core.Checks;

/// <summary>A colour of fields that lies all on one side.</summary>
internal sealed class OneSideCheck : ICheck
{
    /// <summary>A colour leans to one side from so much of the piece's diagonal on.</summary>
    private const double LeanShare = 0.17;

    /// <summary>Seeds that are tried for one that leans nowhere.</summary>
    private const int Seeds = 25;

    public string Id => "one-side";

    public IEnumerable<Finding> Look(Looked looked)
    {
        foreach (var (layer, plan) in looked.Piece.Filled.Zip(looked.Layers).Where(l => !l.Second.Poured))
        {
            if (layer.Layout is not FieldsLayout fields)
            {
                continue;
            }

            var placed = Placed(looked.Mapper.Map(looked.Piece, layer));
            foreach (var cup in Bunched(placed, plan.Box))
            {
                // Where fields would go is told by their anchors; what is said of a colour holds for all of its area.
                var balance = plan.Balance.First(b => b.CupId == cup);
                if (balance.Lean.Value <= LeanShare * Diagonal(plan.Box))
                {
                    continue;
                }

                yield return new(
                    Id, $"one-side@{layer.Id}/{cup}", Grade.Mind, "On one side",
                    $"All of {layer.Recipes.Single(c => c.Id == cup).Name} lies to one side: its centre is {{0}} off the centre of the piece.", [balance.Lean],
                    new("map", layer.Id, balance.Middle.XMm, balance.Middle.YMm),
                    [
                        .. Swap(layer, plan, fields, placed, cup),
                        Remedy.Change("again", "Lay out the fields again", p => Again(looked.Mapper, p, layer.Id, plan.Box)),
                    ]);
            }
        }
    }

    private static List<(int Field, string Cup, Spot At, double Area)> Placed(LayerMap map) =>
    [
        .. map.Regions.Where(r => r is { Kind: RegionKind.Field, AreaMm2: > 0, CupId: not null, Anchor: not null } && r.Id is { Zone: null, Field: not null })
            .Select(r => (r.Id.Field!.Value, r.CupId!, r.Anchor!, r.AreaMm2)),
    ];

    private static double Diagonal(PieceBox box) => Math.Sqrt(box.WidthMm * box.WidthMm + box.HeightMm * box.HeightMm);

    /// <summary>Colours with two fields or more, all of them on the side to which they lean.</summary>
    private static HashSet<string> Bunched(List<(int Field, string Cup, Spot At, double Area)> placed, PieceBox box)
    {
        double midX = placed.Sum(p => p.At.XMm * p.Area) / placed.Sum(p => p.Area), midY = placed.Sum(p => p.At.YMm * p.Area) / placed.Sum(p => p.Area);
        var least = LeanShare * Diagonal(box);
        return
        [
            .. placed.GroupBy(p => p.Cup).Where(g => g.Count() > 1).Where(g =>
            {
                var area = g.Sum(p => p.Area);
                double x = g.Sum(p => p.At.XMm * p.Area) / area - midX, y = g.Sum(p => p.At.YMm * p.Area) / area - midY;
                return Math.Sqrt(x * x + y * y) > least && g.All(p => (p.At.XMm - midX) * x + (p.At.YMm - midY) * y > 0);
            }).Select(g => g.Key),
        ];
    }

    /// <summary>The first swap that bunches nothing and puts no colour beside itself.</summary>
    private static IEnumerable<Remedy> Swap(
        FilledLayer layer, LayerPlan plan, FieldsLayout fields, List<(int Field, string Cup, Spot At, double Area)> placed, string cup)
    {
        foreach (var one in placed.Where(p => p.Cup == cup))
        {
            foreach (var other in placed.Where(p => p.Cup != cup))
            {
                var swapped = placed.Select(p => p.Field == one.Field ? p with { Cup = other.Cup } : p.Field == other.Field ? p with { Cup = one.Cup } : p).ToList();
                var cupOf = swapped.ToDictionary(p => RegionId.OfField(p.Field), p => p.Cup);
                if (Bunched(swapped, plan.Box).Count == 0
                    && plan.Borders.All(b => !cupOf.TryGetValue(b.First, out var a) || !cupOf.TryGetValue(b.Second, out var c) || a != c))
                {
                    ImmutableArray<FieldColour> recoloured =
                    [
                        .. (fields.Recoloured ?? []).Where(r => r.Field != one.Field && r.Field != other.Field),
                        new(one.Field, other.Cup), new(other.Field, one.Cup),
                    ];
                    yield return Remedy.OnLayer(
                        "swap", FormattableString.Invariant($"Swap field {one.Field} and field {other.Field}"), layer.Id,
                        l => l with { Layout = fields with { Recoloured = recoloured } });
                    yield break;
                }
            }
        }
    }

    /// <summary>The next seed that leans nowhere.</summary>
    private static Piece Again(LayerMapper mapper, Piece piece, string layerId, PieceBox box)
    {
        var number = piece.Layers.Select(l => l.Id).ToList().IndexOf(layerId);
        var fields = (FieldsLayout)piece.Layers[number].Layout;
        Piece With(int seed) => piece with
        {
            Layers = piece.Layers.SetItem(number, piece.Layers[number] with { Layout = fields with { Seed = seed, Moved = null, Recoloured = null } }),
        };
        return Enumerable.Range(1, Seeds).Select(i => With((fields.Seed + i) % 100_000)).FirstOrDefault(p => Bunched(Placed(mapper.Map(p, p.Filled[number])), box).Count == 0)
            ?? With(fields.Seed + 1);
    }
}
