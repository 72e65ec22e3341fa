using MossLantern.Core.Documents;
using MossLantern.Core.Edits;
using MossLantern.Core.Map;
using MossLantern.Core.Units;

namespace MossLantern.Core.Checks;

/// <summary>A wall stops short, so that two pools are one.</summary>
internal sealed class NearMissCheck : ICheck
{
    public string Id => "near-miss";

    /// <summary>So near to the rim an end is taken to it, mm.</summary>
    private const double OnRimMm = 0.5;

    private static string To(LaidOut part, NearMiss miss) =>
        Math.Abs(part.Outline.SignedDistanceMm(miss.To.XMm, miss.To.YMm)) < OnRimMm ? "the rim" : "the next one";

    public IEnumerable<Finding> Look(Looked looked)
    {
        foreach (var part in LaidOut.All(looked))
        {
            var walls = Wall.Among(part.Of.Walls);
            foreach (var miss in Pools.NearMisses(part.Outline, walls))
            {
                yield return new(
                    Id, $"near-miss@{part.Key}/{miss.WallId}/{(miss.AtStart ? "start" : "end")}", Grade.Mend, "Wall stops short",
                    $"This wall stops {{0}} short of {To(part, miss)}: what is poured on one side runs round to the other.",
                    [Reckoned.Of(miss.GapMm, "mm", Formulas.WallLength,
                        new ReckonedInput("ends join on up to", Pools.SnapBeads * walls.Single(w => w.Id == miss.WallId).WidthMm, "mm",
                            Origin.Default))],
                    new(Station.Walls, part.Layer.Id, miss.From.XMm, miss.From.YMm),
                    [Remedy.Of("close", $"Draw it on to {To(part, miss)}",
                        new JoinWall(part.Layer.Id, part.ZoneId, miss.WallId, miss.AtStart, miss.To.XMm, miss.To.YMm))]);
            }
        }
    }
}
