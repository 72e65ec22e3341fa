using System.Collections.Immutable;
using MossLantern.Core.Documents;
using MossLantern.Core.Edits;
using MossLantern.Core.Map;
using MossLantern.Core.Plans;
using MossLantern.Core.Shapes;
using MossLantern.Core.Timeline;

namespace MossLantern.Core.Checks;

/// <summary>A colour of fields that lies all on one side.</summary>
internal sealed class OneSideCheck : ICheck
{
    public string Id => "one-side";

    public IEnumerable<Finding> Look(Looked looked)
    {
        foreach (var (layer, plan) in looked.Piece.Filled.Zip(looked.Layers).Where(l => !l.Second.Poured))
        {
            if (layer.Layout is not FieldsLayout)
            {
                continue;
            }

            var placed = FieldSpread.Placed(looked.Mapper.Map(looked.Piece, layer));
            foreach (var cup in FieldSpread.Bunched(placed, plan.Box))
            {
                // Where fields would go is told by their anchors; what is said of a colour holds for all of its area.
                var balance = plan.Balance.First(b => b.CupId == cup);
                if (balance.Lean.Value <= FieldSpread.MostLeanMm(plan.Box))
                {
                    continue;
                }

                yield return new(
                    Id, $"one-side@{layer.Id}/{cup}", Grade.Mind, "On one side",
                    $"All of {layer.Recipes.Single(c => c.Id == cup).Name} lies to one side: its centre is {{0}} off "
                        + "the centre of the piece.",
                    [balance.Lean],
                    new(Station.Map, layer.Id, balance.Middle.XMm, balance.Middle.YMm),
                    [
                        .. Swap(layer, plan, placed, cup),
                        Remedy.Of("again", "Lay out the fields again", new SpreadAgain(layer.Id)),
                    ]);
            }
        }
    }

    /// <summary>The first swap that bunches nothing and puts no colour beside itself.</summary>
    private static IEnumerable<Remedy> Swap(
        FilledLayer layer, LayerPlan plan, List<PlacedField> placed, string cup)
    {
        foreach (var one in placed.Where(p => p.Cup == cup))
        {
            foreach (var other in placed.Where(p => p.Cup != cup))
            {
                var swapped = placed.Select(p => p.Field == one.Field ? p with { Cup = other.Cup }
                    : p.Field == other.Field ? p with { Cup = one.Cup } : p).ToList();
                var cupOf = swapped.ToDictionary(p => RegionId.OfField(p.Field), p => p.Cup);
                if (FieldSpread.Bunched(swapped, plan.Box).Count == 0
                    && plan.Borders.All(b => !cupOf.TryGetValue(b.First, out var a) || !cupOf.TryGetValue(b.Second, out var c) || a != c))
                {
                    var (first, second) = (RegionId.OfField(one.Field), RegionId.OfField(other.Field));
                    yield return Remedy.Of("swap", $"Swap {plan.NameOf(first)} with {plan.NameOf(second)}",
                        new SwapColours(layer.Id, null, first, one.Cup, second, other.Cup));
                    yield break;
                }
            }
        }
    }
}
