using MossLantern.Core.Documents;
using MossLantern.Core.Plans;
using MossLantern.Core.Shapes;
using MossLantern.Core.Timeline;

namespace MossLantern.Core.Checks;

/// <summary>A layer as a whole, or a zone of it as if it were a layer, with what it is laid out in.</summary>
/// <param name="Layer">The layer.</param>
/// <param name="Plan">What is worked out for it.</param>
/// <param name="Of">It, or the zone.</param>
/// <param name="ZoneId">The zone; null for the layer.</param>
/// <param name="Outline">What it is laid out in.</param>
internal sealed record LaidOut(FilledLayer Layer, LayerPlan Plan, FilledLayer Of, string? ZoneId, Outline Outline)
{
    /// <summary>What the ids of its regions and numbers begin with.</summary>
    public string Prefix => ZoneId is null ? "" : ZoneId + "/";

    /// <summary>What names it in the key of a finding.</summary>
    public string Key => ZoneId is null ? Layer.Id : $"{Layer.Id}/{ZoneId}";

    /// <summary>Every layer that is still to be poured, and every zone of those.</summary>
    public static IEnumerable<LaidOut> All(Looked looked) =>
        from pair in looked.Piece.Filled.Zip(looked.Layers)
        where !pair.Second.Poured
        let whole = new LaidOut(pair.First, pair.Second, pair.First, null, looked.Piece.Ground.OutlineWithin(pair.First.Within))
        from part in pair.First.Zones
            .Select(z => whole with { Of = pair.First.Inside(z), ZoneId = z.Id, Outline = z.Placed }).Prepend(whole)
        select part;
}
