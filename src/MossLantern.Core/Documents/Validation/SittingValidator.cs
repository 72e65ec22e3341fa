using FluentValidation;
using MossLantern.Core.Units;

namespace MossLantern.Core.Documents;

/// <summary>Refuses a sitting with values outside the accepted ranges.</summary>
internal sealed class SittingValidator : AbstractValidator<Sitting>
{
    public SittingValidator()
    {
        RuleFor(s => s.Name!).Named("The sitting's name").When(s => s.Name is not null);
        RuleForEach(s => s.Fills!.Value).ChildRules(f =>
        {
            f.RuleFor(x => x.DepthMm).In(Accepted.DepthMm, "Depth of the fill");
            f.RuleFor(x => x.Way).IsInEnum();
        }).OverridePropertyName("fills").When(s => s.Fills is not null);
        RuleFor(s => s.CupChoices).Must(c => PieceValidator.Unique(c!.Value.Select(k => k.RecipeId)))
            .WithMessage("Each cup is named once.").When(s => s.CupChoices is { IsEmpty: false });
        RuleForEach(s => s.CupChoices!.Value).ChildRules(c =>
        {
            c.RuleFor(x => x.ReservePercent).In(Accepted.ReservePercent, "Reserve of the cup");
            c.RuleFor(x => x.HeldBack!.Ml).In(Accepted.VolumeMl, "What is held back").When(x => x.HeldBack is not null);
            c.RuleFor(x => x.HeldBack!.Name).Named("What it is held back for").When(x => x.HeldBack is not null);
            c.RuleFor(x => x.MixedMl).In(Accepted.PouredMl, "What is mixed");
            c.RuleFor(x => x.MixedMl).Null().WithMessage("What is mixed by eye is not known in millilitres.").When(x => x.ByEye);
        }).OverridePropertyName("cupChoices").When(s => s.CupChoices is not null);
        RuleFor(s => s.Resin.System).Must(id => id.Length is > 0 and <= 40).WithMessage("The resin must be one of the cupboard's.");
        RuleFor(s => s.Resin.Ratio!.Resin).In(Accepted.RatioPart, "Resin parts").When(s => s.Resin.Ratio is not null);
        RuleFor(s => s.Resin.Ratio!.Hardener).In(Accepted.RatioPart, "Hardener parts").When(s => s.Resin.Ratio is not null);
        RuleFor(s => s.Resin.Ratio!.Hardener)
            .Must((s, hardener) => Accepted.RatioQuotient.Contains(s.Resin.Ratio!.Resin / hardener)).WithMessage(Accepted.RatioSentence)
            .When(s => s.Resin.Ratio is { } r && Accepted.RatioPart.Contains(r.Resin) && Accepted.RatioPart.Contains(r.Hardener));
        RuleFor(s => s.Resin.ResinDensity).In(Accepted.DensityGPerMl, "Density of the resin");
        RuleFor(s => s.Resin.HardenerDensity).In(Accepted.DensityGPerMl, "Density of the hardener");
        RuleFor(s => s.Measure).IsInEnum();
        RuleFor(s => s.ReservePercent).In(Accepted.ReservePercent);
        RuleFor(s => s.Losses!.FilmMm).In(Accepted.FilmMm).When(s => s.Losses is not null);
        RuleFor(s => s.Losses!.DripPercent).In(Accepted.LossPercent, "Drip share").When(s => s.Losses is not null);
        RuleFor(s => s.Losses!.CupMl).In(Accepted.CupLossMl).When(s => s.Losses is not null);
        RuleFor(s => s.Losses!.CupPercent).In(Accepted.LossPercent, "Share that stays in a cup").When(s => s.Losses is not null);
        RuleFor(s => s.Tools!.CupStepMl).In(Accepted.CupStepMl).When(s => s.Tools is not null);
        RuleFor(s => s.Tools!.ScaleStepG).In(Accepted.ScaleStepG).When(s => s.Tools is not null);
        RuleFor(s => s.Tools!.JugMl).In(Accepted.JugMl).When(s => s.Tools is not null);
        RuleForEach(s => s.Batches!.Value).ChildRules(b => b.RuleFor(x => x.JugMl).In(Accepted.JugMl))
            .OverridePropertyName("batches").When(s => s.Batches is not null);
        RuleFor(s => (double?)s.Copies).In(Accepted.Copies, "Copies of the sitting").OverridePropertyName("copies");
        RuleFor(s => s.RoomC).In(Accepted.RoomC);
        RuleFor(s => s.End).Must((s, end) => end is null || s.Start is null || end >= s.Start)
            .WithMessage("The last pour cannot be before the first.");
        RuleFor(s => s.Start).Dated("The start");
        RuleFor(s => s.End).Dated("The end");
    }
}
