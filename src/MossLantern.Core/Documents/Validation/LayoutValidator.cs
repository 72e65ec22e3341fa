using System.Collections.Immutable;
using System.Globalization;
using FluentValidation;
using FluentValidation.Results;
using MossLantern.Core.Shapes;
using MossLantern.Core.Units;
using NetTopologySuite.Geometries;
using static MossLantern.Core.Documents.PieceValidator;

namespace MossLantern.Core.Documents;

/// <summary>Refuses what is laid out wrongly, in a layer or in a zone of one.</summary>
internal sealed class LayoutValidator : AbstractValidator<Layout>
{
    public LayoutValidator() => RuleFor(l => l).SetInheritanceValidator(v =>
    {
        v.Add(new RingsValidator());
        v.Add(new StripesValidator());
        v.Add(new PetalsValidator());
        v.Add(new FieldsValidator());
        v.Add(new PoolsValidator());
        v.Add(new PuddleValidator());
        v.Add(new MarbleValidator());
    });

    /// <summary>What is wrong with a layout in a layer of a depth, or with those that were put by.</summary>
    public IEnumerable<ValidationFailure> Problems(Layout layout, ImmutableArray<Layout>? aside, double depthMm)
    {
        foreach (var failure in Validate(layout).Errors)
        {
            yield return At("layout", failure);
        }

        if (layout is StripesLayout lines && Accepted.FilmBelowMm.Contains(lines.StartMm) && lines.StartMm >= depthMm)
        {
            yield return new("layout", "The film that stripes are laid on must be thinner than the layer.");
        }

        var kinds = (aside ?? []).Select(l => l.GetType()).Append(layout.GetType()).ToList();
        if (kinds.Distinct().Count() < kinds.Count)
        {
            yield return new("aside", "A layer has one layout of each kind, put by or in use.");
        }

        foreach (var (put, i) in (aside ?? []).Select((l, i) => (l, i)))
        {
            foreach (var failure in Validate(put).Errors)
            {
                yield return At(string.Create(CultureInfo.InvariantCulture, $"aside[{i}]"), failure);
            }
        }
    }

    private static ValidationFailure At(string path, ValidationFailure failure) =>
        new(failure.PropertyName.Length == 0 ? path : $"{path}.{failure.PropertyName}", failure.ErrorMessage);
}

internal sealed class RingsValidator : AbstractValidator<RingsLayout>
{
    public RingsValidator()
    {
        RuleFor(r => r.RimFollow).In(Accepted.RimFollow);
        RuleFor(r => r.Widening).In(Accepted.Widening);
        RuleFor(r => r.RimWay).IsInEnum();
        RuleFor(r => r.Hearts).Must(h => Accepted.HeartCount.Contains(h.Length)).WithMessage(Accepted.HeartCount.Sentence)
            .Must(h => Unique(h.Select(x => x.Id))).WithMessage("Each heart needs an id of its own.");
        RuleForEach(r => r.Hearts).SetValidator(new HeartValidator());
        RuleFor(r => r.Bands).AreBands();
        RuleForEach(r => r.Bands).SetValidator(new BandValidator());
        RuleFor(r => r.HeartRecipeId).NotNull().WithMessage("The hearts' bed needs a recipe.").When(r => !r.Hearts.IsEmpty);
    }
}

internal sealed class BandValidator : AbstractValidator<Band>
{
    public BandValidator()
    {
        RuleFor(b => b.WidthMm).Must((b, width) => b.FillsRest ? double.IsFinite(width) : Accepted.BandMm.Contains(width))
            .WithMessage(Accepted.BandMm.Sentence);
    }
}

internal sealed class StripesValidator : AbstractValidator<StripesLayout>
{
    public StripesValidator()
    {
        RuleFor(l => l.Widening).In(Accepted.Widening);
        RuleFor(l => l.Bands).AreBands();
        RuleForEach(l => l.Bands).SetValidator(new BandValidator());
        RuleFor(l => l.StartMm).In(Accepted.FilmBelowMm);
        RuleFor(l => l.WavinessMm).In(Accepted.WavinessMm);
    }
}

internal sealed class PetalsValidator : AbstractValidator<PetalsLayout>
{
    public PetalsValidator()
    {
        RuleFor(p => p.Widening).In(Accepted.Widening);
        RuleFor(p => p.Bands).AreBands();
        RuleForEach(p => p.Bands).SetValidator(new BandValidator());
        RuleFor(p => p.XMm).In(Accepted.PlaceMm, "From the left");
        RuleFor(p => p.YMm).In(Accepted.PlaceMm, "From the top");
        RuleFor(p => (double)p.Petals).In(Accepted.PetalCount).OverridePropertyName("petals");
        RuleFor(p => p.PullMm).In(Accepted.PullMm);
        RuleFor(p => p.ToolMm).In(Accepted.ToolMm);
        RuleFor(p => p.TurnDeg).In(Accepted.TurnDeg);
    }
}

internal sealed class FieldsValidator : AbstractValidator<FieldsLayout>
{
    /// <summary>Most colours of fields.</summary>
    public const int MostColours = 20;

    public FieldsValidator()
    {
        RuleFor(f => (double)f.Fields).In(Accepted.FieldCount).OverridePropertyName("fields");
        RuleFor(f => f.Colours).Must(c => c.Length is >= 1 and <= MostColours).WithMessage($"Fields have from 1 to {MostColours} colours.")
            .Must(c => c.Distinct().Count() == c.Length).WithMessage("Each colour of the fields is named once.");
        RuleForEach(f => f.Moved!.Value).ChildRules(m =>
        {
            m.RuleFor(x => x.XMm).In(Accepted.PlaceMm);
            m.RuleFor(x => x.YMm).In(Accepted.PlaceMm);
        }).OverridePropertyName("moved").When(f => f.Moved is not null);
        RuleFor(f => f.Moved).Must((f, m) => Named(m!.Value.Select(x => x.Field), f.Fields))
            .WithMessage("Each moved field is named once, from 1 up.")
            .When(f => f.Moved is not null);
        RuleFor(f => f.Recoloured).Must((f, r) => Named(r!.Value.Select(x => x.Field), f.Fields))
            .WithMessage("Each recoloured field is named once, from 1 up.")
            .When(f => f.Recoloured is not null);
    }

    private static bool Named(IEnumerable<int> fields, int count)
    {
        var all = fields.ToList();
        return all.All(n => n >= 1 && n <= count) && all.Distinct().Count() == all.Count;
    }
}

internal sealed class PoolsValidator : AbstractValidator<PoolsLayout>
{
    /// <summary>Most walls, and most pools.</summary>
    public const int Most = 60;

    public PoolsValidator()
    {
        RuleFor(p => p.Pools).Must(c => c.Length <= Most).WithMessage($"There are up to {Most} pools.")
            .Must(c => Unique(c.Select(x => x.Id).Append(PoolsLayout.WallId.ToString())))
                .WithMessage("Each pool needs an id of its own, other than 'wall'.");
        RuleForEach(p => p.Pools).ChildRules(c =>
        {
            c.RuleFor(x => x.XMm).In(Accepted.PlaceMm);
            c.RuleFor(x => x.YMm).In(Accepted.PlaceMm);
        });
    }
}

internal sealed class PuddleValidator : AbstractValidator<PuddleLayout>
{
    /// <summary>Most pours.</summary>
    public const int MostPours = 24;

    public PuddleValidator()
    {
        RuleFor(p => p.XMm).In(Accepted.PlaceMm, "From the left");
        RuleFor(p => p.YMm).In(Accepted.PlaceMm, "From the top");
        RuleFor(p => p.TiltDeg).In(Accepted.TurnDeg, "Direction of the tilt");
        RuleFor(p => p.TiltPercent).In(Accepted.TiltPercent);
        RuleFor(p => p.Pours).Must(x => x.Length is >= 1 and <= MostPours).WithMessage($"A puddle has from 1 to {MostPours} pours.")
            .Must(x => Unique(x.Select(y => y.Id).Append(PuddleLayout.RestId.ToString())))
                .WithMessage("Each pour needs an id of its own, other than 'rest'.");
        RuleForEach(p => p.Pours).ChildRules(x => x.RuleFor(y => y.Ml).In(Accepted.VolumeMl, "Pour"));
    }
}

internal sealed class MarbleValidator : AbstractValidator<MarbleLayout>
{
    public MarbleValidator()
    {
        RuleFor(m => m.StreakPercent).In(Accepted.StreakPercent);
        RuleFor(m => m.Blend).In(Accepted.Blend);
        RuleFor(m => m.DirectionDeg).In(Accepted.TurnDeg, "Direction of the streaks");
        RuleFor(m => m.StreakRecipeId).Must((m, recipe) => recipe != m.GroundRecipeId)
            .WithMessage("The streaks and the ground colour come from different cups.");
    }
}

/// <summary>Rules for places that lie on a piece.</summary>
internal static class Zones
{
    // To make a validator takes longer than to use it.
    private static readonly SliceValidator Slices = new();
    private static readonly LayoutValidator Layouts = new();

    /// <summary>What is wrong with an outline of a zone, told field by field.</summary>
    public static void Measure(Outline outline, string ofWhat, Action<string, string> tell)
    {
        if (outline is SliceOutline slice)
        {
            foreach (var failure in Slices.Validate(slice).Errors)
            {
                tell($"outline.{failure.PropertyName}", failure.ErrorMessage);
            }
        }
        else if (outline is DrawnOutline)
        {
            tell("outline", $"The outline{ofWhat} is a rectangle, a round, an oval or a freeform.");
        }
        else
        {
            GroundValidator.Measure(outline, Accepted.InsertMm, ofWhat, tell);
            GroundValidator.MeasureOpening(outline, Accepted.InsertMm, ofWhat, tell);
        }
    }

    /// <summary>What is wrong with a zone of a layer.</summary>
    public static IEnumerable<ValidationFailure> Problems(Layer layer, Zone zone)
    {
        var failures = new List<ValidationFailure>();
        Measure(zone.Outline, " of the part", (field, sentence) => failures.Add(new(field, sentence)));
        if (string.IsNullOrWhiteSpace(zone.Name) || zone.Name.Length > LongestName)
        {
            failures.Add(new("name", $"The part's name must have from 1 to {LongestName} characters."));
        }

        foreach (var (field, side, _) in new[] { ("xMm", "left", zone.XMm), ("yMm", "top", zone.YMm) }
            .Where(p => !Accepted.PlaceMm.Contains(p.Item3)))
        {
            failures.Add(new(field, (Accepted.PlaceMm with { What = $"Part from the {side}" }).Sentence));
        }

        return failures.Concat(Layouts.Problems(zone.Layout, zone.Aside, layer.DepthMm));
    }
}

internal sealed class ReservedSpotValidator : AbstractValidator<ReservedSpot>
{
    public ReservedSpotValidator()
    {
        RuleFor(k => k.Name).Named("Name of the reserved spot");
        RuleFor(k => k.Keep).IsInEnum();
        RuleFor(k => k.XMm).In(Accepted.PlaceMm, "Reserved spot from the left");
        RuleFor(k => k.YMm).In(Accepted.PlaceMm, "Reserved spot from the top");
        RuleFor(k => k.ClearMm).In(Accepted.FaceClearMm);
        RuleFor(k => k.Outline).Custom((outline, context) => Zones.Measure(outline, " of the reserved spot", context.AddFailure));
    }
}
