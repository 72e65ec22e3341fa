using FluentValidation;
using MossLantern.Core.Map;
using MossLantern.Core.Materials;
using MossLantern.Core.Pouring;
using MossLantern.Core.Units;
using static MossLantern.Core.Documents.PieceValidator;

namespace MossLantern.Core.Documents;

/// <summary>Refuses a layer with values outside the accepted ranges or with parts that do not fit together.</summary>
internal sealed class LayerValidator : AbstractValidator<Layer>
{
    /// <summary>Most cups of a layer.</summary>
    public const int MostCups = 40;

    public LayerValidator()
    {
        RuleFor(l => l.Name).Named("The layer's name");
        RuleFor(l => l.DepthMm).In(Accepted.DepthMm);
        RuleForEach(l => l.PartDepths!.Value).ChildRules(p => p.RuleFor(x => x.DepthMm).In(Accepted.DepthMm))
            .OverridePropertyName("partDepths").When(l => l.PartDepths is not null);
        RuleFor(l => l.Contrast).IsInEnum();
        Include(new LaidOutValidator());
        RuleFor(l => l.Cups).Must(c => c.Length is > 0 and <= MostCups).WithMessage($"A layer has from 1 to {MostCups} cups.")
            .Must(c => Unique(c.Select(x => x.Id))).WithMessage("Each cup needs an id of its own.");
        RuleForEach(l => l.Cups).SetValidator(new CupValidator());
        RuleForEach(l => l.Cups).Must((l, cup) => (cup.Of ?? []).All(s => s.Cup != cup.Id && l.Cups.Any(c => c.Id == s.Cup && c.Of is null)))
            .WithMessage("A mixed cup is filled from other cups of the layer that are not mixed themselves.");
        RuleFor(l => l.Zones).Must(z => z!.Value.Length <= Zone.Most).WithMessage($"A layer has up to {Zone.Most} zones.")
            .Must(z => Unique(z!.Value.Select(x => x.Id).Append("kept"))).WithMessage("Each zone needs an id of its own, other than 'kept'.")
            .When(l => l.Zones is not null);
        RuleFor(l => l.Zones).Custom((zones, context) =>
        {
            foreach (var (zone, i) in zones!.Value.Select((z, i) => (z, i)))
            {
                foreach (var failure in Zones.Problems(context.InstanceToValidate, zone))
                {
                    failure.PropertyName = $"{context.PropertyPath}[{i}].{failure.PropertyName}";
                    context.AddFailure(failure);
                }
            }
        }).When(l => l.Zones is not null);
        RuleFor(l => l.Resin.System).Must(id => id.Length is > 0 and <= 40).WithMessage("The resin must be one of the cupboard's.");
        RuleFor(l => l.Resin.Ratio!.Resin).In(Accepted.RatioPart, "Resin parts").When(l => l.Resin.Ratio is not null);
        RuleFor(l => l.Resin.Ratio!.Hardener).In(Accepted.RatioPart, "Hardener parts").When(l => l.Resin.Ratio is not null);
        RuleFor(l => l.Resin.ResinDensity).In(Accepted.DensityGPerMl, "Density of the resin");
        RuleFor(l => l.Resin.HardenerDensity).In(Accepted.DensityGPerMl, "Density of the hardener");
        RuleFor(l => l.ReservePercent).In(Accepted.ReservePercent);
        RuleFor(l => l.Losses!.FilmMm).In(Accepted.FilmMm).When(l => l.Losses is not null);
        RuleFor(l => l.Losses!.DripPercent).In(Accepted.LossPercent, "Drip share").When(l => l.Losses is not null);
        RuleFor(l => l.Losses!.CupMl).In(Accepted.CupLossMl).When(l => l.Losses is not null);
        RuleFor(l => l.Losses!.CupPercent).In(Accepted.LossPercent, "Share that stays in a cup").When(l => l.Losses is not null);
        RuleFor(l => l.Tools!.CupStepMl).In(Accepted.CupStepMl).When(l => l.Tools is not null);
        RuleFor(l => l.Tools!.ScaleStepG).In(Accepted.ScaleStepG).When(l => l.Tools is not null);
        RuleFor(l => l.PourOrder).Must((l, order) => order.All(id => id.Kept is not null || l.RegionIds.Contains(id)))
            .WithMessage("The pour order names a region that the layer does not have.");
        RuleFor(l => l.Plan.RoomC).In(Accepted.RoomC);
        RuleFor(l => l.Plan.End).Must((l, end) => end is null || l.Plan.Start is null || end >= l.Plan.Start)
            .WithMessage("The last pour cannot be before the first.");
        RuleFor(l => l.Plan.Start).Dated("The start");
        RuleFor(l => l.Plan.End).Dated("The end");
    }
}

internal sealed class HeartValidator : AbstractValidator<Heart>
{
    public HeartValidator()
    {
        RuleFor(h => h.XMm).In(Accepted.HeartPlaceMm);
        RuleFor(h => h.YMm).In(Accepted.HeartPlaceMm);
        RuleFor(h => h.WidthMm).In(Accepted.HeartMm, "Heart width");
        RuleFor(h => h.HeightMm).In(Accepted.HeartMm, "Heart height");
        RuleFor(h => h.WavinessMm).In(Accepted.WavinessMm);
        RuleFor(h => h.TurnDeg).In(Accepted.TurnDeg);
    }
}

internal sealed class CupValidator : AbstractValidator<Cup>
{
    /// <summary>Most cups that a mixed one is filled from.</summary>
    public const int MostShares = 8;

    public CupValidator()
    {
        RuleFor(c => c.Name).Named("The colour's name");
        RuleFor(c => c.Colour).IsColour("The cup's colour");
        RuleFor(c => c.LoadPercent).In(Accepted.LoadPercent);
        RuleFor(c => c.Of).Must(o => o!.Value.Length is >= 2 and <= MostShares && Unique(o.Value.Select(s => s.Cup)))
            .WithMessage($"A mixed cup is filled from 2 to {MostShares} different cups.").When(c => c.Of is not null);
        RuleForEach(c => c.Of!.Value).ChildRules(s => s.RuleFor(x => x.Parts).In(Accepted.RatioPart, "Parts"))
            .OverridePropertyName("of").When(c => c.Of is not null);
    }
}
