using MossLantern.Core.Documents;
using MossLantern.Core.Edits;
using MossLantern.Core.Units;

namespace MossLantern.Core.Checks;

/// <summary>More resin, over all layers, than a mould or a wall holds.</summary>
internal sealed class OverfillCheck : ICheck
{
    private const double Hair = 1e-6;

    public string Id => "overfill";

    public IEnumerable<Finding> Look(Looked looked) => Hollows(looked).Concat(Whole(looked)).Concat(PoolsRunOver.Of(Id, looked));

    /// <summary>A hollow is as deep as its insert stood in what was poured round it.</summary>
    private IEnumerable<Finding> Hollows(Looked looked)
    {
        if (looked.Piece.Ground.Mould is not { } mould)
        {
            yield break;
        }

        foreach (var insert in mould.Inserts ?? [])
        {
            var layers = looked.Piece.Layers.Where(l => l.Within == insert.Id).ToList();
            var body = Math.Min(mould.DepthMm - mould.KeepMm, looked.Piece.Layers.Where(l => l.Within is null).Sum(l => l.DepthMm));
            var (holds, depth) = (insert.StandsInMm(body), layers.Sum(l => l.DepthMm));
            if (layers.Count == 0 || depth <= holds + Hair || looked.Layers.Single(l => l.LayerId == layers[^1].Id).Poured)
            {
                continue;
            }

            var left = Math.Round(layers[^1].DepthMm - (depth - holds), 3);
            yield return new(
                Id, $"overfill@{layers[^1].Id}", Grade.Mend, "Runs over",
                $"The hollow of {insert.Name} is {{1}} deep, and what fills it comes to {{0}}: it will run over.",
                [
                    new Reckoned(depth, "mm", Formulas.DepthOfAll,
                        [.. layers.Select(l => new ReckonedInput(l.Name, l.DepthMm, "mm", Origin.Own, PlaceIn.Layer(l.Id) + ".depthMm"))]),
                    Reckoned.Of(holds, "mm", Formulas.Stated, new ReckonedInput("holds", holds, "mm", Origin.Reckoned)),
                ],
                new(Station.Map, layers[^1].Id),
                [
                    .. left >= Accepted.DepthMm.From ? [Lower(layers[^1], left)] : Array.Empty<Remedy>(),
                    Remedy.Ask("depth", "Enter how deep it is filled", PlaceIn.Layer(layers[^1].Id) + ".depthMm"),
                ], Worth: depth - holds);
        }
    }

    private IEnumerable<Finding> Whole(Looked looked)
    {
        var ground = looked.Piece.Ground;
        var layers = looked.Piece.Layers.Where(l => l.Within is null).ToList();

        // What depth was kept for are the layers over the lowest.
        var body = ground.Mould is { KeepMm: > 0 } kept && layers.Count > 0 && layers[0].DepthMm > kept.DepthMm - kept.KeepMm + Hair;
        layers = body ? [layers[0]] : layers;
        var (holds, what, field) = ground.Mould is { } mould
            ? (mould.DepthMm - (body || layers.Count == 1 ? mould.KeepMm : 0), "The mould", "ground.mould.depthMm")
            : ground is { Edge: EdgeStyle.Walled, SideHeightMm: > 0 }
                ? (ground.SideHeightMm, ground.Base?.Kind == PieceKind.Slice ? "The dam" : "The wall",
                    "ground.sideHeightMm") : (double.PositiveInfinity, "", "");
        var depth = layers.Sum(l => l.DepthMm);
        var (top, plan) = looked.Piece.Layers.Zip(looked.Layers).LastOrDefault(l => layers.Contains(l.First));
        if (depth <= holds + Hair || top is null || plan.Poured)
        {
            yield break;
        }

        var left = Math.Round(top.DepthMm - (depth - holds), 3);
        ReckonedInput[] each = [.. layers
            .Select(l => new ReckonedInput(l.Name, l.DepthMm, "mm", Origin.Own, PlaceIn.Layer(l.Id) + ".depthMm"))];
        yield return new(
            Id, $"overfill@{top.Id}", Grade.Mend, "Runs over",
            layers.Count == 1 ? $"{what} holds {{1}}, and {top.Name} is {{0}} deep: it will run over."
                : $"{what} holds {{1}}, and the layers come to {{0}} together: {top.Name} will run over.",
            [
                new Reckoned(depth, "mm", Formulas.DepthOfAll, [.. each]),
                Reckoned.Of(holds, "mm", Formulas.Stated, new ReckonedInput("holds", holds, "mm", Origin.Own, field)),
            ],
            new(Station.Map, top.Id),
            [
                .. left >= Accepted.DepthMm.From ? [Lower(top, left)] : Array.Empty<Remedy>(),
                .. ground.Mould is null && Accepted.SideMm.Contains(Math.Ceiling(depth))
                    ? [Remedy.Set("higher", "Make it {0} high", "ground.sideHeightMm", Math.Ceiling(depth),
                        Math.Ceiling(depth))] : Array.Empty<Remedy>(),
                Remedy.Ask("depth", $"Enter how much {what.ToLowerInvariant()[4..]} holds", field),
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
