using System.Globalization;
using FluentValidation;
using FluentValidation.Results;
using MossLantern.Core.Units;
using static MossLantern.Core.Documents.PieceValidator;

namespace MossLantern.Core.Documents;

/// <summary>Refuses a layer with values outside the accepted ranges or with parts that do not fit together.</summary>
internal sealed class LayerValidator : AbstractValidator<Layer>
{
    private static readonly LayoutValidator Layouts = new();

    public LayerValidator()
    {
        RuleFor(l => l.Name).Named("The layer's name");
        RuleFor(l => l.DepthMm).In(Accepted.DepthMm);
        RuleForEach(l => l.PartDepths!.Value).ChildRules(p => p.RuleFor(x => x.DepthMm).In(Accepted.DepthMm))
            .OverridePropertyName("partDepths").When(l => l.PartDepths is not null);
        RuleFor(l => l.Contrast).IsInEnum();
        RuleFor(l => l).Custom((layer, context) => Tell(context, "", Layouts.Problems(layer.Layout, layer.Aside, layer.DepthMm)));
        RuleFor(l => l.Zones).Must(z => z!.Value.Length <= Zone.Most).WithMessage($"A layer has up to {Zone.Most} parts.")
            .Must(z => Unique(z!.Value.Select(x => x.Id).Append("kept")))
                .WithMessage("Each part needs an id of its own, other than 'kept'.")
            .When(l => l.Zones is not null);
        RuleFor(l => l).Custom((layer, context) =>
        {
            foreach (var (zone, i) in layer.Zones!.Value.Select((z, i) => (z, i)))
            {
                Tell(context, string.Create(CultureInfo.InvariantCulture, $"zones[{i}]."), Zones.Problems(layer, zone));
            }
        }).When(l => l.Zones is not null);
        RuleForEach(l => l.RegionDepths!.Value).ChildRules(d => d.RuleFor(x => x.DepthMm).In(Accepted.DepthMm, "Depth of the region"))
            .OverridePropertyName("regionDepths").When(l => l.RegionDepths is not null);
        RuleFor(l => l.RegionDepths).Must((l, depths) => depths!.Value.All(d => l.Has(d.Region) && l.HasDepth(d.Region))
            && depths.Value.Select(d => d.Region).Distinct().Count() == depths.Value.Length)
            .WithMessage("Each region with a depth of its own is named once; what is poured by the millilitre has none.")
                .When(l => l.RegionDepths is not null);
        RuleForEach(l => l.Stones!.Value).ChildRules(s => s.RuleFor(x => x.Grams).In(Accepted.StonesG, "Stones"))
            .OverridePropertyName("stones").When(l => l.Stones is not null);
        RuleFor(l => l.Stones).Must((l, stones) => stones!.Value.All(s => l.Has(s.Region) && l.HasDepth(s.Region))
            && stones.Value.Select(s => (s.Region, s.StoneId)).Distinct().Count() == stones.Value.Length)
            .WithMessage(
                "Stones of a kind are named once for each region they lie in; in what is poured by the millilitre none are counted.")
            .When(l => l.Stones is not null);
    }

    private static void Tell(ValidationContext<Layer> context, string before, IEnumerable<ValidationFailure> failures)
    {
        foreach (var failure in failures)
        {
            var path = context.PropertyPath.Length == 0 ? "" : $"{context.PropertyPath}.";
            context.AddFailure(new ValidationFailure($"{path}{before}{failure.PropertyName}", failure.ErrorMessage));
        }
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
