using MossLantern.Core.Documents;
using MossLantern.Core.Edits;
using MossLantern.Core.Grounds;
using MossLantern.Core.Units;

namespace MossLantern.Core.Checks;

/// <summary>More resin, over all layers, than a mould or a wall holds.</summary>
internal sealed class OverfillCheck : ICheck
{
    public string Id => "overfill";

    public IEnumerable<Finding> Look(Looked looked) => looked.Ground.Edges.Where(e => e.RunsOver
            && !looked.Layers.Single(l => l.LayerId == e.LayerId).Poured).Select(e => Edge(looked.Piece, e))
        .Concat(PoolsRunOver.Of(Id, looked));

    private Finding Edge(Piece piece, EdgeHold hold)
    {
        var top = piece.Layers.Single(l => l.Id == hold.LayerId);
        var (depth, holds) = (hold.Filled.Value, hold.Holds.Value);
        var left = Math.Round(top.DepthMm - (depth - holds), 3);
        var tilted = hold.Side is null ? "" : $" at its {hold.Side}, which lies low";
        var higher = Math.Ceiling(depth + (hold.Side is null ? 0 : hold.Holds.Inputs[1].Value));
        return new(
            Id, $"overfill@{top.Id}", Grade.Mend, "Runs over",
            hold.InsertId is not null ? $"{hold.What} is {{1}} deep, and what fills it comes to {{0}}: it will run over."
                : hold.Filled.Inputs.Length == 1 ? $"{hold.What} holds {{1}}{tilted}, and {top.Name} is {{0}} deep: it will run over."
                : $"{hold.What} holds {{1}}{tilted}, and the layers come to {{0}} together: {top.Name} will run over.",
            [hold.Filled, hold.Holds],
            new(Station.Walls, top.Id),
            [
                .. left >= Accepted.DepthMm.From ? [Lower(top, left)] : Array.Empty<Remedy>(),
                .. hold.Field == "ground.sideHeightMm" && Accepted.SideMm.Contains(higher)
                    ? [Remedy.Set("higher", "Make it {0} high", "ground.sideHeightMm", higher, higher)] : Array.Empty<Remedy>(),
                hold.Field is { } field ? Remedy.Ask("depth", $"Enter how much {hold.What.ToLowerInvariant()[4..]} holds", field)
                    : Remedy.Ask("depth", "Enter how deep it is filled", PlaceIn.Layer(top.Id) + ".depthMm"),
            ], Worth: depth - holds);
    }

    /// <summary>A layer poured less deep, without depths of its own anywhere.</summary>
    private static Remedy Lower(Layer layer, double mm) => new(
        "lower", $"Pour {layer.Name} {{0}} deep",
        [
            .. (layer.RegionDepths ?? []).Select(d => new SetRegionDepth(layer.Id, d.Region, null)),
            .. (layer.PartDepths ?? []).Select(d => new SetDepthInCavity(layer.Id, d.Part, null)),
            SetField.To(PlaceIn.Layer(layer.Id) + ".depthMm", mm),
        ],
        Mm: mm);
}
