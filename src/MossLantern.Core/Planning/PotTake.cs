using System.Collections.Immutable;
using MossLantern.Core.Documents;
using MossLantern.Core.Grounds;
using MossLantern.Core.Materials;
using MossLantern.Core.Plans;
using MossLantern.Core.Timeline;
using NodaTime;

namespace MossLantern.Core.Planning;

/// <summary>What a piece takes out of a pot of paint.</summary>
/// <param name="PotId">The pot.</param>
/// <param name="What">What for, in words.</param>
/// <param name="Ml">How much, ml.</param>
/// <param name="OfGround">Whether the ground is painted with it; else resin is tinted.</param>
/// <param name="Taken">Whether it has been taken; else it is spoken for.</param>
/// <param name="At">When it was taken; null where nobody noted it, or while it is only spoken for.</param>
/// <remarks>Source: docs/craft/grounds.md, Pots.</remarks>
public sealed record PotTake(string PotId, string What, double Ml, bool OfGround, bool Taken, Instant? At)
{
    /// <summary>All that a piece takes out of pots: for its ground, and in the cups of its sittings. What goes in by
    /// eye is not known.</summary>
    /// <param name="piece">The piece.</param>
    /// <param name="ground">What was worked out for its ground.</param>
    /// <param name="sittings">What was worked out for its sittings.</param>
    /// <param name="around">What it was worked out in.</param>
    public static ImmutableArray<PotTake> Of(Piece piece, GroundPlan ground, ImmutableArray<SittingPlan> sittings, Surroundings around)
    {
        ArgumentNullException.ThrowIfNull(piece);
        ArgumentNullException.ThrowIfNull(ground);
        ArgumentNullException.ThrowIfNull(around);
        var takes = ImmutableArray.CreateBuilder<PotTake>();
        if (piece.Ground.Paint is { PotId: { } pot, AsMap: false }
            && ground.Preparation.FirstOrDefault(s => s.Id == "paint") is { Amount: { Unit: "ml" } amount } step)
        {
            takes.Add(new(pot, "the ground", amount.Value, true, step.Done,
                step is { Done: true, At: { } at } ? around.Zone.AtLeniently(at).ToInstant() : null));
        }

        var recipes = piece.Recipes.ToDictionary(r => r.Id);
        foreach (var sitting in sittings)
        {
            foreach (var cup in sitting.Cups.Cups.Where(c => c.MixMl.Value > 0))
            {
                takes.AddRange(cup.Doses.All.Zip(recipes[cup.CupId].Doses)
                    .Where(d => d.Second.PotId is not null && d.First.Ml is not null).Select(d => new PotTake(
                    d.Second.PotId!, $"{recipes[cup.CupId].Name} in {sitting.Name}", d.First.Ml!.Value, false,
                    sitting.Poured, sitting.Poured ? sitting.Span?.Start : null)));
            }
        }

        return takes.ToImmutable();
    }
}
