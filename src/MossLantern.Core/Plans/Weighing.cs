using System.Collections.Immutable;
using MossLantern.Core.Documents;
using MossLantern.Core.Journal;
using MossLantern.Core.Materials;
using MossLantern.Core.Mixing;
using MossLantern.Core.Timeline;
using MossLantern.Core.Units;

namespace MossLantern.Core.Plans;

/// <summary>What is weighed.</summary>
public enum WeighedPart
{
    /// <summary>Resin, into the vessel that is mixed in.</summary>
    Resin,

    /// <summary>Hardener, to the resin.</summary>
    Hardener,

    /// <summary>A colourant, into its cup.</summary>
    Colourant,
}

/// <summary>One thing to weigh.</summary>
/// <param name="Id">Its id: the same while the batch, the cup and the colourant are.</param>
/// <param name="BatchId">The batch.</param>
/// <param name="CupId">The cup that it goes into; null for a jug.</param>
/// <param name="Part">What it is.</param>
/// <param name="Name">What it is called.</param>
/// <param name="Into">Where it goes, in words.</param>
/// <param name="Target">How much of it: of hardener, for the resin that is really in; of a colourant, for the cup as it is mixed.</param>
/// <param name="FromG">Least that is near enough, g.</param>
/// <param name="ToG">Most that is near enough, g.</param>
/// <param name="Finer">Whether the scale's steps are too coarse for it.</param>
/// <param name="WeighedG">How much was weighed in, g; null while it was not.</param>
/// <param name="Ml">The same by volume, for marked cups; null for a colourant.</param>
/// <param name="Dose">The same in drops and level scoops, and what is done with it first; null for resin and hardener.</param>
/// <remarks>Source: docs/craft/mixing.md, Weighing.</remarks>
public sealed record WeighingStep(
    string Id, string BatchId, string? CupId, WeighedPart Part, string Name, string Into, Reckoned Target, double FromG,
    double ToG, bool Finer, double? WeighedG, Reckoned? Ml = null,
    CupDose? Dose = null);

/// <summary>How a reading stands to what is to be weighed.</summary>
public enum WeighedHow
{
    /// <summary>Too little.</summary>
    Under,

    /// <summary>Near enough.</summary>
    Good,

    /// <summary>Too much.</summary>
    Over,
}

/// <summary>What is said of a reading.</summary>
/// <param name="How">How it stands.</param>
/// <param name="Missing">How much is missing; null where nothing is.</param>
/// <param name="Add">How much of what has to be added where there is too much; null where nothing has.</param>
/// <param name="AddName">What has to be added, in words.</param>
/// <param name="Grows">What the batch, or the cup, grows to; null where it does not.</param>
/// <remarks>Source: docs/craft/mixing.md, Weighing.</remarks>
public sealed record WeighedJudgement(WeighedHow How, Reckoned? Missing, Reckoned? Add, string? AddName, Reckoned? Grows);

/// <summary>Everything that a sitting weighs, in working order: resin and hardener of each batch, then the colourants
/// of its cups.</summary>
/// <remarks>Source: docs/craft/mixing.md, Weighing.</remarks>
public sealed class Weighing
{
    /// <summary>A colourant may be off by so much of its target, as a share; at least by half a step of the scale.</summary>
    public const double ColourantShare = 0.1;

    private readonly ResinSystem system;

    private Weighing(ResinSystem system, ImmutableArray<WeighingStep> steps)
    {
        this.system = system;
        Steps = steps;
    }

    /// <summary>What is weighed, in turn.</summary>
    public ImmutableArray<WeighingStep> Steps { get; }

    /// <summary>The number of the next one, from 0; as many as there are once all are weighed.</summary>
    public int Next => Steps.TakeWhile(s => s.WeighedG is not null).Count();

    /// <summary>What a sitting weighs.</summary>
    /// <param name="piece">The piece.</param>
    /// <param name="plan">What was worked out for the sitting.</param>
    /// <param name="around">What it is worked out in.</param>
    /// <param name="weighed">What has been weighed of it, g, by the ids of the steps.</param>
    public static Weighing Of(Piece piece, SittingPlan plan, Surroundings around, IReadOnlyDictionary<string, double> weighed)
    {
        ArgumentNullException.ThrowIfNull(piece);
        ArgumentNullException.ThrowIfNull(plan);
        ArgumentNullException.ThrowIfNull(around);
        ArgumentNullException.ThrowIfNull(weighed);
        var sitting = piece.Sittings.Single(s => s.Id == plan.SittingId);
        var system = sitting.Resin.From(around.Catalogue);
        ReckonedInput step = new("scale step", sitting.Tools?.ScaleStepG ?? around.Habits.ScaleStepG, "g",
            sitting.Tools?.ScaleStepG is null ? around.Habits.OriginOf(h => h.ScaleStepG) : Origin.Own,
            PlaceIn.Sitting(sitting.Id) + ".tools.scaleStepG");
        var recipes = piece.Recipes.ToDictionary(r => r.Id);
        var steps = ImmutableArray.CreateBuilder<WeighingStep>();
        foreach (var (batch, number) in plan.Batches.All.Select((b, i) => (b, i + 1)))
        {
            var alone = batch.CupIds.Length == 1;
            var into = alone ? OfCup(batch.CupIds[0]) : FormattableString.Invariant($"the jug of batch {number}");
            string OfCup(string id) => plan.Cups.Cups.Single(c => c.CupId == id).MixIn(batch.Id) is { } mix
                ? FormattableString.Invariant($"mix {mix.Number} of {recipes[id].Name}") : $"the cup of {recipes[id].Name}";
            var (resinId, hardenerId) = (StepId.OfResin(batch.Id).ToString(), StepId.OfHardener(batch.Id).ToString());
            double? resin = weighed.TryGetValue(resinId, out var r) ? r : null,
            hardener = weighed.TryGetValue(hardenerId, out var h) ? h : null;
            steps.Add(Near(new(resinId, batch.Id, alone ? batch.CupIds[0] : null, WeighedPart.Resin, "resin", into,
                batch.Measured.ResinG, 0, 0, false, resin, batch.Measured.ResinMl), TypicalMaterials.RatioTolerance, step.Value));
            var target = resin is { } really ? Hardener(system, really) : batch.Measured.HardenerG;
            steps.Add(Near(new(hardenerId, batch.Id, alone ? batch.CupIds[0] : null, WeighedPart.Hardener, "hardener",
                into, target, 0, 0, false, hardener, batch.Measured.HardenerMl), TypicalMaterials.RatioTolerance, step.Value));

            // A batch that grew, or came out smaller, takes its colourants along where it is a cup of its own.
            var grown = alone && resin is { } a && hardener is { } b
                ? (a + b) / (batch.Measured.ResinG.Value + batch.Measured.HardenerG.Value) : 1;
            var last = plan.Cups.Cups
                .Where(c => c.MixMl.Value > 0 && c.Draws.Length > 0 && c.Draws.Any(d => d.CupId == batch.CupIds[^1])).Select(c => c.CupId);
            foreach (var cup in batch.CupIds.Concat(last).Select(id => plan.Cups.Cups.Single(c => c.CupId == id)))
            {
                var doses = (cup.MixIn(batch.Id)?.Doses ?? cup.Doses).All;
                foreach (var (dose, planned, at) in doses.Select((d, i) => (d, d.G, i)).Where(d => d.G is not null))
                {
                    var id = StepId.OfColourant(batch.Id, cup.CupId, at).ToString();
                    var wanted = grown == 1 ? planned! : Reckoned.Of(planned!.Value * grown, "g",
                        Formulas.ColourantGrown, new("as planned", planned.Value, "g", Origin.Reckoned),
                        new("cup to what was planned", 100 * grown, "%", Origin.Measured));
                    steps.Add(Near(
                        new(id, batch.Id, cup.CupId, WeighedPart.Colourant, dose.Name,
                            OfCup(cup.CupId), wanted, 0, 0, false,
                            weighed.TryGetValue(id, out var g) ? g : null, Dose: dose),
                        ColourantShare, step.Value));
                }
            }
        }

        return new(system, steps.ToImmutable());
    }

    /// <summary>What is said of a reading of a step.</summary>
    /// <param name="stepId">The step.</param>
    /// <param name="grams">What the scale shows, g.</param>
    /// <returns>Null where there is no such step.</returns>
    public WeighedJudgement? Judge(string stepId, double grams)
    {
        if (Steps.FirstOrDefault(s => s.Id == stepId) is not { } step)
        {
            return null;
        }

        var target = step.Target.Value;
        ReckonedInput wanted = new("target", target, "g", Origin.Reckoned), there = new("on the scale", grams, "g", Origin.Measured);
        if (grams < step.FromG)
        {
            return new(WeighedHow.Under, Reckoned.Of(target - grams, "g", Formulas.WeighedMissing, wanted, there), null, null, null);
        }

        if (grams <= step.ToG)
        {
            return new(WeighedHow.Good, null, null, null, null);
        }

        switch (step.Part)
        {
            case WeighedPart.Resin:
                // More resin is no mistake yet: it asks for more hardener, and the batch is larger.
                return new(WeighedHow.Over, null, Hardener(system, grams), "hardener in all", Grown(grams, Hardener(system, grams).Value));
            case WeighedPart.Hardener:
                var resin = Steps.First(s => s.BatchId == step.BatchId && s.Part == WeighedPart.Resin) is var own
                    ? own.WeighedG ?? own.Target.Value : 0;
                var per = Hardener(system, 1).Value;
                var after = MixCorrection.Of(system.Ratio, system.ResinDensity, system.HardenerDensity, resin, grams);
                return new(
                    WeighedHow.Over, null,
                    Reckoned.Of(after.AddResinG, "g", Formulas.WeighedOver,
                        there with { Name = "hardener on the scale" },
                        new("hardener to 1 g of resin", per, "g", Origin.Reckoned), new("resin in the cup", resin, "g", Origin.Measured)),
                    "resin", Grown(resin + after.AddResinG, grams));
            default:
                // So much more of the mixture has the same colour.
                var mix = grams / target;
                return new(WeighedHow.Over, null,
                    Reckoned.Of(100 * (mix - 1), "%", Formulas.WeighedTooStrong, there, wanted), "more of the mixture, uncoloured", null);
        }
    }

    private Reckoned Grown(double resinG, double hardenerG) =>
        Reckoned.Of(resinG / system.ResinDensity + hardenerG / system.HardenerDensity, "ml", Formulas.BatchGrown,
        new("resin", resinG, "g", Origin.Measured),
        new("density of the resin", system.ResinDensity, "g/ml", system.OriginOf(MaterialProperties.ResinDensity)),
        new("hardener", hardenerG, "g", Origin.Measured),
        new("density of the hardener", system.HardenerDensity, "g/ml", system.OriginOf(MaterialProperties.HardenerDensity)));

    private static WeighingStep Near(WeighingStep step, double share, double scaleStepG)
    {
        var target = step.Target.Value;
        var off = Math.Max(share * target, scaleStepG / 2);
        return step with { FromG = target - off, ToG = target + off, Finer = share * target < scaleStepG / 2 };
    }

    /// <summary>Hardener for so much resin, g.</summary>
    private static Reckoned Hardener(ResinSystem system, double resinG)
    {
        var one = Parts.OfMass(system.Ratio, system.ResinDensity, system.HardenerDensity, 1);
        return Reckoned.Of(resinG * one.HardenerG / one.ResinG, "g", Formulas.HardenerForResin,
            new("resin in the cup", resinG, "g", Origin.Measured),
            new("hardener to 1 g of resin", one.HardenerG / one.ResinG, "g", Origin.Reckoned));
    }
}
