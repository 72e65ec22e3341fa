using System.Collections.Immutable;
using FluentValidation;
using FluentValidation.Results;
using MossLantern.Core.Shapes;
using MossLantern.Core.Units;

namespace MossLantern.Core.Documents;

/// <summary>Refuses a piece with values outside the accepted ranges or with parts that do not fit together.</summary>
public sealed class PieceValidator : AbstractValidator<Piece>
{
    /// <summary>Most layers of a piece.</summary>
    public const int MostLayers = 20;

    /// <summary>Most recipes of a piece.</summary>
    public const int MostRecipes = 800;

    /// <summary>Most colourants of a recipe.</summary>
    public const int MostDoses = 6;

    /// <summary>Most steps of a trial that are kept.</summary>
    public const int MostTrials = 40;

    /// <summary>Most sittings of a piece.</summary>
    public const int MostSittings = 60;

    /// <summary>Most batches of a sitting.</summary>
    public const int MostBatches = 40;

    /// <summary>Most characters of a name.</summary>
    public const int LongestName = 120;

    /// <summary>Most supports.</summary>
    public const int MostSupports = 60;

    /// <summary>Most characters of a reason.</summary>
    public const int LongestReason = 500;

    /// <summary>A validator.</summary>
    public PieceValidator()
    {
        RuleFor(p => p.Name).Named("The piece's name");
        RuleFor(p => p.Ground).SetValidator(new GroundValidator());
        When(p => Accepted.OutlineMm.Contains(p.Ground.Outline.BoxWidthMm)
            && Accepted.OutlineMm.Contains(p.Ground.Outline.BoxHeightMm), () =>
        {
            RuleFor(p => p.Growth.GridMm).Must((p, grid) => SuitsOutline(grid, p.Ground.MapOutline))
                .WithMessage("Grid spacing must suit the outline: leave it to the program.");
            RuleFor(p => p.Growth.GrainMm).InclusiveBetween(5, 500).WithMessage("Grain must be from 5 to 500 mm.");
        });
        RuleFor(p => p.Layers).Must(l => l.Length is > 0 and <= MostLayers).WithMessage($"A piece has from 1 to {MostLayers} layers.")
            .Must(l => Unique(l.Select(x => x.Id))).WithMessage("Each layer needs an id of its own.");
        RuleForEach(p => p.Layers).SetValidator(new LayerValidator());
        RuleForEach(p => p.Layers).Must((p, l) => l.Within is null || p.Ground.Mould?.Insert(l.Within) is not null)
            .WithMessage("A layer that fills a hollow must name an insert of the mould.");
        RuleForEach(p => p.Layers).Must((p, l) => l.PartDepths is not { } parts || InParts(parts, p.Ground.Outline))
            .WithMessage("Depths of letters and cavities must name each once, from 1 up, of a drawn outline.");
        RuleFor(p => p.Layers).Must(l => l.Where(x => x.Within is not null).GroupBy(x => x.Within).All(g => g.Count() == 1))
            .WithMessage("Each hollow is filled by one layer.")
            .Must(l => l[0].Within is null).WithMessage("The first layer of a casting is poured round the inserts.")
                .When(p => !p.Layers.IsDefaultOrEmpty);
        RuleFor(p => p).Custom((piece, context) => FillingRules.Problems(piece).ToList().ForEach(context.AddFailure));
        RuleFor(p => p.Kept).Must(k => k!.Value.Length <= Zone.Most).WithMessage($"Up to {Zone.Most} spots of a piece can be reserved.")
            .Must(k => Unique(k!.Value.Select(x => x.Id))).WithMessage("Each reserved spot needs an id of its own.")
                .When(p => p.Kept is not null);
        RuleForEach(p => p.Kept!.Value).SetValidator(new ReservedSpotValidator()).OverridePropertyName("kept")
            .When(p => p.Kept is not null);
        RuleFor(p => p.Layers).Must((p, layers) => layers.All(l => LeavesSome(p, l)))
            .WithMessage("Parts and reserved spots must leave some of the layer.")
                .When(p => (p.Kept is not null || p.Layers.Any(l => l.Zones is not null)) && Sound(p));
        RuleFor(p => p.Dries).Must((p, d) => Unique(d!.Value.Select(x => x.Id).Concat((p.Lines ?? []).Select(l => l.Id))))
            .WithMessage("What dries needs an id of its own.").When(p => p.Dries is not null);
        RuleForEach(p => p.Dries!.Value).ChildRules(d =>
        {
            d.RuleFor(x => x.Kind).IsInEnum();
            d.RuleFor(x => x.Hours).In(Accepted.DryHours);
            d.RuleFor(x => x.Name!).Named("What has to dry").When(x => x.Name is not null);
            d.RuleFor(x => x.Laid!.At).Dated("When it was put on").When(x => x.Laid is not null);
        }).OverridePropertyName("dries").When(p => p.Dries is not null);
        RuleForEach(p => p.Dries!.Value).Must((p, d) => p.Layers.Any(l => l.Id == d.LayerId)).WithMessage("What dries must name a layer.")
            .OverridePropertyName("dries").When(p => p.Dries is not null);
        RuleFor(p => p.WavedOff).Must(w => w!.Value.Length <= 200).WithMessage("Up to 200 findings can be dismissed.")
            .When(p => p.WavedOff is not null);
        RuleForEach(p => p.WavedOff!.Value).ChildRules(w =>
        {
            w.RuleFor(x => x.Finding).Must(k => k.Length is > 0 and <= 120).WithMessage("A finding's key has from 1 to 120 characters.");
            w.RuleFor(x => x.Grade).IsInEnum().When(x => x.Grade is not null);
            w.RuleFor(x => x.Worth).Must(v => v is null || double.IsFinite(v.Value)).WithMessage("How far a finding goes is a number.");
            w.RuleFor(x => x.Reason).Must(r => !string.IsNullOrWhiteSpace(r) && r.Length <= LongestReason)
                .WithMessage($"Say why, in 1 to {LongestReason} characters.");
        }).OverridePropertyName("wavedOff").When(p => p.WavedOff is not null);
    }

    /// <inheritdoc/>
    public override ValidationResult Validate(ValidationContext<Piece> context) => Spelled(context, base.Validate(context));

    /// <inheritdoc/>
    protected override void RaiseValidationException(ValidationContext<Piece> context, ValidationResult result) =>
        base.RaiseValidationException(context, Spelled(context, result));

    /// <inheritdoc/>
    protected override bool PreValidate(ValidationContext<Piece> context, ValidationResult result) =>
        Within(PieceBounds.Of(context?.InstanceToValidate ?? throw new ArgumentNullException(nameof(context))), result);

    /// <summary>What is out of bounds is told by itself: nothing of it is worked out for other rules.</summary>
    internal static bool Within(List<ValidationFailure> outOfBounds, ValidationResult result)
    {
        result.Errors.AddRange(outOfBounds);
        return outOfBounds.Count == 0;
    }

    /// <summary>Fields are named as they are everywhere else.</summary>
    private static ValidationResult Spelled(ValidationContext<Piece> context, ValidationResult result)
    {
        foreach (var failure in result.Errors)
        {
            failure.PropertyName = PlaceIn.Spelled(context.InstanceToValidate, failure.PropertyName);
        }

        return result;
    }

    // To make a validator takes longer than to use it.
    private static readonly GroundValidator Grounds = new();
    private static readonly ReservedSpotValidator KeptZones = new();

    /// <summary>Whether outlines are such that they can be laid over each other.</summary>
    private static bool Sound(Piece piece) =>
        Grounds.Validate(piece.Ground).IsValid
        && (piece.Kept ?? []).All(k => KeptZones.Validate(k).IsValid)
        && (piece.Lines ?? []).All(l => Accepted.LineMm.Contains(l.Section.WidthMm))
        && piece.Layers.All(l => (l.Zones ?? []).All(z => !Zones.Problems(l, z).Any()));

    /// <summary>Something of a layer has to be left beside what is kept; in a hollow nothing is.</summary>
    private static bool LeavesSome(Piece piece, Layer layer) => layer.Within is not null
        || piece.Dammed
            .Aggregate(piece.Ground.MapOutline, (left, kept) => new CombinedOutline(left, kept.WithDam, Shared: false)).AreaMm2 >= 100;

    /// <summary>A document from elsewhere must not make the grid enormous.</summary>
    internal static bool SuitsOutline(double gridMm, Outline outline) => gridMm / GrowthScale.For(outline).GridMm is > 0.5 and < 8;

    internal static bool InParts(ImmutableArray<CavityDepth> parts, Outline outline) =>
        outline is DrawnOutline { Problem: null } drawn
        && parts.All(p => p.Part >= 1 && p.Part <= drawn.Parts.Length) && parts.Select(p => p.Part).Distinct().Count() == parts.Length;

    internal static bool Unique(IEnumerable<string> ids) => Entries.Unique(ids);
}
