using System.Collections.Immutable;
using MossLantern.Core.Curing;
using MossLantern.Core.Documents;
using MossLantern.Core.Timeline;
using MossLantern.Core.Units;

namespace MossLantern.Core.Checks;

/// <summary>Clear in many floods that a resin of the Cupboard takes in one.</summary>
internal sealed class ManyFloodsCheck : ICheck
{
    /// <summary>From so many floods on it is told.</summary>
    public const int Many = 3;

    public string Id => "many-floods";

    public IEnumerable<Finding> Look(Looked looked) =>
        Runs(looked).Where(r => r.Length >= Many).Select(r => Told(looked, r)).OfType<Finding>();

    /// <summary>The floods of clear that come one over the other with nothing between, still to be poured.</summary>
    private static IEnumerable<ImmutableArray<Layer>> Runs(Looked looked)
    {
        List<Layer> run = [];
        foreach (var (layer, plan) in looked.Piece.Layers.Zip(looked.Layers).Where(l => l.First.Within is null))
        {
            if (!plan.Poured && layer.Layout is FloodLayout flood && looked.Piece.Recipes.Single(r => r.Id == flood.RecipeId).IsClear)
            {
                run.Add(layer);
                continue;
            }

            yield return [.. run];
            run.Clear();
        }

        yield return [.. run];
    }

    private Finding? Told(Looked looked, ImmutableArray<Layer> run)
    {
        var depth = run.Sum(l => l.DepthMm);
        var sitting = looked.Piece.SittingOf(run[0].Id);
        var room = SittingRoom.Of(sitting, null, looked.Around).InputAt(null);
        return looked.Around.Catalogue.Resins.Where(r => !r.PutAway && depth <= r.DeepestMm
            && FilmHeat.HottestC(r, depth, room).Value <= TooDeepCheck.WarmC).MinBy(r => r.DeepestMm) is not { } resin ? null : new(
            Id, $"many-floods@{run[0].Id}", Grade.Mind, "Many floods",
            $"Clear comes in {run.Length} floods, {{0}} in all: {resin.Name} takes that in one, without the days and the bubbles between.",
            [new Reckoned(depth, "mm", Formulas.DepthOfAll,
                [.. run.Select(l => new ReckonedInput(l.Name, l.DepthMm, "mm", Origin.Own, PlaceIn.Layer(l.Id) + ".depthMm"))])],
            new(Station.Map, run[0].Id),
            [Remedy.Ask("one", $"Pour it as one, {depth:0.##} mm deep, of {resin.Name}", PlaceIn.Layer(run[0].Id) + ".depthMm")]);
    }
}
