using System.Collections.Immutable;
using MossLantern.Core.Documents;
using MossLantern.Core.Materials;
using MossLantern.Core.Units;

namespace MossLantern.Core.Mixing;

/// <summary>Resin and hardener of a mix, as they are measured out.</summary>
/// <param name="ResinMl">Resin, ml.</param>
/// <param name="ResinG">Resin, g.</param>
/// <param name="HardenerMl">Hardener, ml.</param>
/// <param name="HardenerG">Hardener, g.</param>
/// <param name="Smallest">The smallest mix that the artist's tool can measure within the maker's tolerance, where this
/// one is smaller; else null.</param>
public sealed record MeasuredMix(Reckoned ResinMl, Reckoned ResinG, Reckoned HardenerMl, Reckoned HardenerG, Reckoned? Smallest);

/// <summary>How a sitting measures: its resin, its tools, and what its vessels keep.</summary>
/// <param name="lead">A layer as the sitting fills it.</param>
/// <param name="around">What it is worked out in.</param>
/// <remarks>Source: docs/craft/mixing.md.</remarks>
public sealed class Measuring(FilledLayer lead, Surroundings around)
{
    private readonly double staysMl = lead.Sitting.Losses?.CupMl ?? CupLoss.UsualMl;
    private readonly double staysPercent = lead.Sitting.Losses?.CupPercent ?? CupLoss.UsualShare * 100;

    /// <summary>A layer as the sitting fills it.</summary>
    public FilledLayer Lead => lead;

    /// <summary>What it is worked out in.</summary>
    public Surroundings Around => around;

    /// <summary>The resin.</summary>
    public ResinSystem System { get; } = lead.Sitting.Resin.From(around.Catalogue);

    /// <summary>Whether both parts are measured in marked cups.</summary>
    public bool ByVolume => lead.Sitting.Measure == Measure.ByVolume;

    /// <summary>Step of the marked cups, ml.</summary>
    public double StepMl { get; } = lead.Sitting.Tools?.CupStepMl ?? around.Habits.CupStepMl;

    /// <summary>What the largest jug holds, ml.</summary>
    public ReckonedInput Jug =>
        new("jug", lead.Sitting.Tools?.JugMl ?? around.Habits.JugMl, "ml",
            lead.Sitting.Tools?.JugMl is not null ? Origin.Own : around.Habits.OriginOf(h => h.JugMl), lead.SittingPlace + ".tools.jugMl");

    /// <summary>The step of the marked cups as an input.</summary>
    internal ReckonedInput Step =>
        new("cup step", StepMl, "ml", lead.Sitting.Tools?.CupStepMl is not null ? Origin.Own : around.Habits.OriginOf(h => h.CupStepMl),
            lead.SittingPlace + ".tools.cupStepMl");

    /// <summary>What stays in any vessel, as inputs.</summary>
    internal ImmutableArray<ReckonedInput> Stays =>
    [
        new("stays in any cup", staysMl, "ml", OriginOf(lead.Sitting.Losses?.CupMl is not null), lead.SittingPlace + ".losses.cupMl"),
        new("share of the need that stays", staysPercent, "%", OriginOf(lead.Sitting.Losses?.CupPercent is not null),
            lead.SittingPlace + ".losses.cupPercent"),
    ];

    private double ResinShare => Parts.OfVolume(System.Ratio, System.ResinDensity, System.HardenerDensity, 1).ResinMl;

    /// <summary>What stays in a vessel that so much must leave, ml.</summary>
    public double LossMl(double needMl) => CupLoss.Ml(needMl, 0, staysMl, staysPercent / 100);

    /// <summary>The least that can be measured of at least so much, ml: whole steps of both parts in marked cups, whole
    /// steps together on a scale.</summary>
    public double Up(double needMl) =>
        ByVolume ? MeasuringSteps.InSteps(ResinShare, needMl, StepMl, TypicalMaterials.RatioTolerance) : MeasuringSteps.Up(needMl, StepMl);

    /// <summary>Mass of so much of the mix, g.</summary>
    public double MassG(double ml) => Parts.OfVolume(System.Ratio, System.ResinDensity, System.HardenerDensity, ml).TotalG;

    /// <summary>Whether so much of the mix can be measured within the maker's tolerance.</summary>
    public bool IsMeasurable(double mixMl) =>
        Smaller(Measured(mixMl)) >= MeasuringSteps.SmallestMeasurable(ToolStep.Value, TypicalMaterials.RatioTolerance);

    /// <summary>Resin and hardener of so much of the mix.</summary>
    /// <param name="mixMl">How much, ml; above 0.</param>
    public MeasuredMix Of(double mixMl)
    {
        var parts = Measured(mixMl);
        var byRatio = System.Ratio.Basis == RatioBasis.Volume;
        ReckonedInput mix = new("mix", mixMl, "ml", Origin.Reckoned),
        resin = new("resin", parts.ResinMl, "ml", Origin.Reckoned), mass = new("mixed mass", parts.TotalG, "g", Origin.Reckoned);

        // A ratio by weight, read in marked cups, is the volumes that those weights take up.
        ReckonedInput Part(string part, double amount, double density, string property)
        {
            var field = $"{lead.SittingPlace}.resin.ratio.{part}";
            return byRatio || !ByVolume
                ? new(byRatio ? $"{part} parts by volume" : $"{part} parts by weight", amount, "", System.OriginOf(property), field)
                : new($"{part} parts by volume", amount / density, "", Origin.Reckoned);
        }

        ReckonedInput[] ratio = [Part("resin", System.Ratio.Resin, System.ResinDensity, MaterialProperties.RatioResin),
            Part("hardener", System.Ratio.Hardener, System.HardenerDensity, MaterialProperties.RatioHardener)];
        ReckonedInput Density(string part, double density) =>
            new($"density of the {part}", density, "g/ml", System.OriginOf($"{part}Density"), $"{lead.SittingPlace}.resin.{part}Density");
        return new(
            ByVolume ? new(parts.ResinMl, "ml", Formulas.PartResinToStep, [mix, .. ratio, Step])
                : byRatio ? new(parts.ResinMl, "ml", Formulas.PartResinByVolume, [mix, .. ratio])
                : new(parts.ResinMl, "ml", Formulas.PartResinByWeight, [mass, .. ratio, Density("resin", System.ResinDensity)]),
            Mass(parts.ResinMl, parts.ResinG, "resin", Density("resin", System.ResinDensity)),
            ByVolume || byRatio
                ? Reckoned.Of(parts.HardenerMl, "ml", Formulas.PartHardenerByVolume, mix, resin)
                : new(parts.HardenerMl, "ml", Formulas.PartHardenerByWeight, [mass, .. ratio, Density("hardener", System.HardenerDensity)]),
            Mass(parts.HardenerMl, parts.HardenerG, "hardener", Density("hardener", System.HardenerDensity)),
            SmallestOf(parts, mixMl));
    }

    private ReckonedInput ToolStep => ByVolume ? Step with { Name = "step" }
        : new("step", lead.Sitting.Tools?.ScaleStepG ?? around.Habits.ScaleStepG, "g",
            lead.Sitting.Tools?.ScaleStepG is not null ? Origin.Own : around.Habits.OriginOf(h => h.ScaleStepG),
                lead.SittingPlace + ".tools.scaleStepG");

    private Mixed Measured(double mixMl) => ByVolume
        ? MeasuringSteps.ToStep(ResinShare, System.ResinDensity, System.HardenerDensity, mixMl, StepMl)
        : Parts.OfVolume(System.Ratio, System.ResinDensity, System.HardenerDensity, mixMl);

    private double Smaller(Mixed parts) => ByVolume ? Math.Min(parts.ResinMl, parts.HardenerMl) : Math.Min(parts.ResinG, parts.HardenerG);

    private Reckoned? SmallestOf(Mixed parts, double mixMl)
    {
        var (smaller, step) = (Smaller(parts), ToolStep);
        var least = MeasuringSteps.SmallestMeasurable(step.Value, TypicalMaterials.RatioTolerance);
        return smaller >= least ? null : Reckoned.Of(MeasuringSteps.Up(mixMl * least / smaller, 1), "ml", Formulas.SmallestMix,
            new("mix", mixMl, "ml", Origin.Reckoned),
            new("smaller part", smaller, step.Unit, Origin.Reckoned),
            step,
            new("tolerance", 100 * TypicalMaterials.RatioTolerance, "%", Origin.Default));
    }

    private static Reckoned Mass(double ml, double g, string part, ReckonedInput density) =>
        Reckoned.Of(g, "g", Formulas.PartMass, new(part, ml, "ml", Origin.Reckoned), density);

    private static Origin OriginOf(bool own) => own ? Origin.Own : Origin.Default;
}
