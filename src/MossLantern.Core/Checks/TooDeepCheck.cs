using System.Collections.Immutable;
using MossLantern.Core.Curing;
using MossLantern.Core.Documents;
using MossLantern.Core.Edits;
using MossLantern.Core.Materials;
using MossLantern.Core.Timeline;
using MossLantern.Core.Units;

namespace MossLantern.Core.Checks;

/// <summary>A layer that is poured deeper in one go than its resin stands.</summary>
internal sealed class TooDeepCheck : ICheck
{
    /// <summary>A film that gets hotter than this yellows and cracks, °C.</summary>
    public const double WarmC = 60;

    /// <summary>One that gets hotter than this is a danger, °C.</summary>
    public const double DangerC = 90;

    /// <summary>So many times the deepest pour is a danger.</summary>
    public const double DangerTimes = 1.5;

    /// <summary>Most layers that one is divided into by a press.</summary>
    private const int MostLayers = 12;

    public string Id => "too-deep";

    public IEnumerable<Finding> Look(Looked looked)
    {
        ImmutableArray<PouredOver> over = [.. PouredOver.Of(looked, poured: false)];
        foreach (var pour in ToPour.Of(looked))
        {
            foreach (var layer in looked.Piece.Layers.Where(l => pour.Plan.LayerIds.Contains(l.Id)))
            {
                var (itself, depth, most) = (pour.DeepestMm(layer.Id), pour.WetMm(looked, over, layer.Id), pour.System.DeepestMm);
                var room = SittingRoom.Of(pour.Sitting, null, looked.Around).InputAt(pour.Plan.Span?.Start);
                if (itself <= 0 || FilmHeat.HottestC(pour.System, depth, room) is var peak && depth <= most && peak.Value <= WarmC)
                {
                    continue;
                }

                var stop = depth > DangerTimes * most || peak.Value > DangerC;
                yield return new(
                    Id, $"too-deep@{pour.Sitting.Id}/{layer.Id}", stop ? Grade.Stop : Grade.Mend, "Too deep",
                    depth > itself
                        ? $"{layer.Name} and what is wet below it come to {{0}} in one go; "
                            + $"{pour.System.Name} takes {{1}}{What(peak.Value)}."
                        : $"{layer.Name} is poured {{0}} deep in one go; {pour.System.Name} takes {{1}}{What(peak.Value)}.",
                    [
                        depth > itself ? new Reckoned(depth, "mm", Formulas.DepthOfAll,
                            [
                                new ReckonedInput(layer.Name, itself, "mm", Origin.Own, PlaceIn.Layer(layer.Id) + ".depthMm"),
                                new("wet below it", depth - itself, "mm", Origin.Reckoned),
                            ])
                            : Reckoned.Of(depth, "mm", Formulas.Stated,
                                new ReckonedInput("deepest", depth, "mm", Origin.Own, PlaceIn.Layer(layer.Id) + ".depthMm")),
                        Reckoned.Of(most, "mm", Formulas.Stated,
                            new ReckonedInput("deepest pour", most, "mm", pour.System.OriginOf(MaterialProperties.DeepestMm))),
                        .. peak.Value > WarmC ? [peak] : Array.Empty<Reckoned>(),
                    ],
                    new(Station.Cups, layer.Id, SittingId: pour.Plan.SittingId),
                    [
                        .. ByItself(looked, pour, layer, itself, depth).Concat(Divided(looked, pour, layer, depth))
                            .Concat(Another(looked, pour, depth))
                            .Where(r => !CupTooBigCheck.IsMadeBy(looked, r)),
                        Remedy.Ask("depth", "Pour it shallower", PlaceIn.Layer(layer.Id) + ".depthMm"),
                    ], Worth: depth / most);
            }
        }
    }

    /// <summary>Whether a resin stands a depth.</summary>
    private static bool Stands(ResinSystem system, double depthMm, ReckonedInput room) =>
        depthMm <= system.DeepestMm && FilmHeat.HottestC(system, depthMm, room).Value <= WarmC;

    /// <summary>A layer that is shallow enough, in a sitting of its own.</summary>
    private static IEnumerable<Remedy> ByItself(Looked looked, ToPour pour, Layer layer, double itself, double depth)
    {
        var room = SittingRoom.Of(pour.Sitting, null, looked.Around).InputAt(pour.Plan.Span?.Start);
        if (depth > itself && Stands(pour.System, itself, room) && pour.Sitting.Rest.Length > 1 && pour.Sitting.Rest.Contains(layer.Id)
            && looked.Piece.Sittings.Length < PieceValidator.MostSittings)
        {
            yield return Remedy.Of("apart", $"Pour {layer.Name} in a sitting of its own", new PourLayerApart(layer.Id));
        }
    }

    /// <summary>As many layers as it takes, laid out alike, each in a sitting of its own.</summary>
    private static IEnumerable<Remedy> Divided(Looked looked, ToPour pour, Layer layer, double depth)
    {
        var room = SittingRoom.Of(pour.Sitting, null, looked.Around).InputAt(pour.Plan.Span?.Start);
        var count = Enumerable.Range(2, MostLayers - 1).FirstOrDefault(n => Stands(pour.System, DivideLayer.EachMm(depth, n), room));
        if (depth == layer.DepthMm && DivideLayer.IsPossible(looked.Piece, layer, count))
        {
            yield return Remedy.Of("divide", FormattableString.Invariant($"Pour it as {count} layers, {{0}} each"),
                new DivideLayer(layer.Id, count)) with
            {
                Mm = DivideLayer.EachMm(depth, count),
            };
        }
    }

    /// <summary>The resin of the catalogue that stands it, the least deep of those first.</summary>
    private static IEnumerable<Remedy> Another(Looked looked, ToPour pour, double depth)
    {
        var room = SittingRoom.Of(pour.Sitting, null, looked.Around).InputAt(pour.Plan.Span?.Start);
        if (looked.Around.Catalogue.Resins.Where(r => !r.PutAway && Stands(r, depth, room)).MinBy(r => r.DeepestMm) is { } other)
        {
            yield return Remedy.Of("resin", $"Use {other.Name} for it", new ChooseResin(pour.Sitting.Id, other.Id));
        }
    }

    private static string What(double peakC) => peakC <= WarmC ? ": it traps bubbles, shrinks and cracks"
        : peakC <= DangerC ? ", and would get {2} hot: it cracks and yellows"
        : ", and would get {2} hot: it smokes and cracks";
}
