using System.Collections.Immutable;
using FluentValidation;
using FluentValidation.Results;
using MossLantern.Core.Shapes;
using MossLantern.Core.Units;
using static MossLantern.Core.Documents.PieceValidator;

namespace MossLantern.Core.Documents;

/// <summary>Refuses a ground with values outside the accepted ranges.</summary>
public sealed class GroundValidator : AbstractValidator<Ground>
{
    /// <summary>A validator.</summary>
    public GroundValidator()
    {
        RuleFor(g => g.Outline).Custom((outline, context) => Measure(outline, Accepted.OutlineMm, "", context.AddFailure));
        RuleFor(g => (SliceOutline)g.Outline).SetValidator(new SliceValidator())
            .OverridePropertyName("outline").When(g => g.Outline is SliceOutline);
        RuleFor(g => (DrawnOutline)g.Outline).Cascade(CascadeMode.Stop)
            .Must(d => d.Problem is null).WithMessage((_, d) => d.Problem ?? "")
            .Must(d => Accepted.OutlineMm.Contains(d.BoxWidthMm) && Accepted.OutlineMm.Contains(d.BoxHeightMm))
            .WithMessage($"A drawn outline must be {Accepted.OutlineMm.Words} wide and high.")
            .OverridePropertyName("outline").When(g => g.Outline is DrawnOutline);
        RuleFor(g => g.Outline).Custom((outline, context) => MeasureOpening(outline, Accepted.InsertMm, "", context.AddFailure))
            .When(g => g.Outline is not SliceOutline);
        RuleFor(g => g.Base!.Kind).IsInEnum().When(g => g.Base is not null);
        RuleFor(g => g.Base!.Material).IsInEnum().When(g => g.Base is not null);
        RuleFor(g => g.Base!.ThicknessMm).In(Accepted.ThicknessMm).When(g => g.Base is not null);
        RuleFor(g => g.Base!.BarWidthMm).In(Accepted.BarMm).When(g => g.Base is not null);
        RuleFor(g => g.Paint!.Kind).IsInEnum().When(g => g.Paint is not null);
        RuleFor(g => (double)g.Paint!.Coats).In(Accepted.Coats).OverridePropertyName("paint.coats").When(g => g.Paint is not null);
        RuleFor(g => g.Paint!.DryHours).In(Accepted.DryHours).When(g => g.Paint is not null);
        RuleFor(g => g.Paint!.PotId).Must(id => id is null || id.Length is > 0 and <= 40)
            .WithMessage("A pot's id has from 1 to 40 characters.")
            .When(g => g.Paint is not null);
        RuleFor(g => g.Level!.TiltXDeg).In(Accepted.TiltDeg, "Tilt across").When(g => g.Level is not null);
        RuleFor(g => g.Level!.TiltYDeg).In(Accepted.TiltDeg, "Tilt along").When(g => g.Level is not null);
        RuleFor(g => g.Level!.StepDeg).In(Accepted.LevelStepDeg).When(g => g.Level is not null);
        RuleFor(g => g.Level!.Corners!).SetValidator(new CornersValidator()).OverridePropertyName("level.corners")
            .When(g => g.Level?.Corners is not null);
        RuleFor(g => g.Level).Must(l => l!.Corners is null || (l.TiltXDeg is null && l.TiltYDeg is null))
            .WithMessage("A level is read as tilts or as corner heights, not both.").When(g => g.Level is not null);
        RuleFor(g => g.PanelLevels).Must((g, levels) => g.Set is { } set
            && levels!.Value.All(l => l.Panel >= 2 && l.Panel <= set.Count && l.Level is not null)
            && Unique(levels.Value.Select(l => l.Panel.ToString(System.Globalization.CultureInfo.InvariantCulture))))
            .WithMessage("Levels of other panels must name each panel of the set once, from 2 up.").When(g => g.PanelLevels is not null);
        RuleForEach(g => g.PanelLevels!.Value).ChildRules(panel =>
        {
            panel.RuleFor(p => p.Level.TiltXDeg).In(Accepted.TiltDeg, "Tilt across").When(p => p.Level is not null);
            panel.RuleFor(p => p.Level.TiltYDeg).In(Accepted.TiltDeg, "Tilt along").When(p => p.Level is not null);
            panel.RuleFor(p => p.Level.StepDeg).In(Accepted.LevelStepDeg).When(p => p.Level is not null);
            panel.RuleFor(p => p.Level.Corners!).SetValidator(new CornersValidator()).When(p => p.Level?.Corners is not null);
            panel.RuleFor(p => p.Level).Must(l => l.Corners is null || (l.TiltXDeg is null && l.TiltYDeg is null))
                .WithMessage("A level is read as tilts or as corner heights, not both.").When(p => p.Level is not null);
        }).OverridePropertyName("panelLevels").When(g => g.PanelLevels is not null);
        RuleFor(g => g.Supports).Must(s => s!.Value.Length is >= 1 and <= MostSupports)
            .WithMessage($"A piece stands on 1 to {MostSupports} supports.").When(g => g.Supports is not null);
        RuleForEach(g => g.Supports!.Value).ChildRules(support =>
        {
            support.RuleFor(s => s.XMm).In(Accepted.HeartPlaceMm with { What = "Support from the left" });
            support.RuleFor(s => s.YMm).In(Accepted.HeartPlaceMm with { What = "Support from the top" });
        }).OverridePropertyName("supports").When(g => g.Supports is not null);
        RuleFor(g => g.Mould).Must((g, mould) => mould is null != (g.Base?.Kind == PieceKind.Casting))
            .WithMessage("A casting must have a mould, and nothing else can have one.");
        RuleFor(g => g.Mould!).SetValidator(new MouldValidator()).OverridePropertyName("mould").When(g => g.Mould is not null);
        RuleFor(g => g.Mould).Must((g, mould) => InParts(mould!.CavityDepths!.Value, g.Outline))
            .WithMessage("Depths of cavities must name each cavity once, from 1 up, of a drawn outline.")
            .OverridePropertyName("mould.cavityDepths").When(g => g.Mould?.CavityDepths is not null);
        RuleFor(g => g.Mould).Must((g, mould) => InsertsFit(mould!.Inserts!.Value, g.Outline))
            .WithMessage("Inserts must stand inside the cavity, and not on each other.")
            .OverridePropertyName("mould.inserts").When(g => g.Mould?.Inserts is { } inserts && inserts.All(i =>
                Accepted.InsertMm.Contains(i.Outline.BoxWidthMm) && Accepted.InsertMm.Contains(i.Outline.BoxHeightMm)));
        RuleFor(g => (double)g.Set!.Count).In(Accepted.Panels).OverridePropertyName("set.count").When(g => g.Set is not null);
        RuleFor(g => g.Set!.GapMm).In(Accepted.GapMm).When(g => g.Set is not null);
        RuleFor(g => g.Set).Must((g, set) => set is null || g.Base?.Kind is not (PieceKind.Frame or PieceKind.Casting))
            .WithMessage("Only panels and slices come in sets.");
        RuleFor(g => g.Old!).SetValidator(g => OldWorks.Value).When(g => g.Old is not null && Beneath(g) <= OldWork.Deepest);
        RuleFor(g => g.Old).Must((g, _) => Beneath(g) <= OldWork.Deepest)
            .WithMessage($"Up to {OldWork.Deepest} older works lie beneath each other.");
        RuleFor(g => g.Old).Must((g, old) => LiesIn(old!, g.Whole)).WithMessage("The older work must lie inside the new outline.")
            .When(g => g.Old is not null && Accepted.OutlineMm.Contains(g.Outline.BoxWidthMm)
                && Accepted.OutlineMm.Contains(g.Outline.BoxHeightMm));
        RuleForEach(g => g.Done!.Value).ChildRules(d => d.RuleFor(x => x.At).Dated("When it was done"))
            .OverridePropertyName("done").When(g => g.Done is not null);
        RuleFor(g => g.Done).Must(d => Unique(d!.Value.Select(x => x.Id)))
            .WithMessage("Each preparation is noted once.").When(g => g.Done is not null);
        RuleFor(g => g.SideHeightMm).In(Accepted.SideMm);
        RuleFor(g => g.Colour).IsColour("Ground colour");
        RuleFor(g => g.Edge).IsInEnum();
        RuleFor(g => g.Sides).IsInEnum().When(g => g.Sides is not null);
        RuleFor(g => g.Tape!.Runs).IsInEnum().When(g => g.Tape is not null);
        RuleFor(g => g.Tape!.DamMm).In(Accepted.TapeDamMm).When(g => g.Tape is not null);
        RuleFor(g => g.Rubber).Must(r => Unique(r!.Value.Select(x => x.Id))
            && r!.Value.Select(x => x.InsertId ?? "").Distinct().Count() == r.Value.Length)
            .WithMessage("A rim, and each insert of the mould, is cast of rubber once.").When(g => g.Rubber is not null);
        RuleForEach(g => g.Rubber!.Value).ChildRules(r =>
        {
            r.RuleFor(x => x.WidthMm).In(Accepted.RubberWidthMm);
            r.RuleFor(x => x.HeightMm).In(Accepted.RubberHeightMm);
            r.RuleFor(x => x.FaceDeg).In(Accepted.RubberLeanDeg);
            r.RuleFor(x => x.BackDeg).In(Accepted.RubberLeanDeg);
            r.RuleFor(x => x.CrystalsG).In(Accepted.StonesG, "Crystals in the rubber");
        }).OverridePropertyName("rubber").When(g => g.Rubber is not null);
        RuleForEach(g => g.Rubber!.Value).Must((g, r) => r.InsertId is null || g.Mould?.Insert(r.InsertId) is not null)
            .WithMessage("What is cast of rubber is a rim, or an insert that is there.").OverridePropertyName("rubber")
            .When(g => g.Rubber is not null);
        RuleFor(g => g.DamOf).IsInEnum().When(g => g.DamOf is not null);
    }

    /// <inheritdoc/>
    protected override bool PreValidate(ValidationContext<Ground> context, ValidationResult result)
    {
        ArgumentNullException.ThrowIfNull(context);
        return context.IsChildContext || PieceValidator.Within(PieceBounds.Of(context.InstanceToValidate), result);
    }

    // Made when it is first needed: a ground may hold older work, which has a ground.
    private static readonly Lazy<OldWorkValidator> OldWorks = new(() => new());

    private static int Beneath(Ground ground) => ground.Old is { } old ? 1 + Beneath(old.Ground) : 0;

    /// <summary>Whether older work lies inside an outline.</summary>
    private static bool LiesIn(OldWork old, Outline outline)
    {
        var placed = old.Placed;
        return placed == outline
            || placed.Rings.Where(r => r.SignedAreaMm2 > 0).SelectMany(Corners).All(c => outline.SignedDistanceMm(c.X, c.Y) <= TouchMm);
    }

    /// <summary>Some corners all round a ring, which stand for the rest: a piece is looked over many times a second
    /// while it is dragged.</summary>
    private static IEnumerable<(double X, double Y)> Corners(Ring ring)
    {
        const int most = 90;
        var step = Math.Max(1, ring.Count / most);
        return Enumerable.Range(0, ring.Count / step).Select(i => (ring.Xs[i * step], ring.Ys[i * step]));
    }

    /// <summary>Whether inserts stand inside an outline and apart from each other.</summary>
    private static bool InsertsFit(ImmutableArray<Insert> inserts, Outline outline) =>
        inserts.All(i => Corners(i.Placed.Rings[0]).All(c => outline.SignedDistanceMm(c.X, c.Y) < 0))
        && inserts.All(a => inserts.All(b => ReferenceEquals(a, b) || Apart(a, b)));

    private static bool Apart(Insert a, Insert b)
    {
        double left = Math.Max(a.XMm, b.XMm), right = Math.Min(a.Placed.BoxWidthMm, b.Placed.BoxWidthMm);
        double top = Math.Max(a.YMm, b.YMm), bottom = Math.Min(a.Placed.BoxHeightMm, b.Placed.BoxHeightMm);
        if (left >= right || top >= bottom)
        {
            return true;
        }

        // Neither has a corner in the other, nor do both hold the middle of where their boxes meet, as crossed bars do.
        var (one, other) = (a.Placed, b.Placed);
        double x = (left + right) / 2, y = (top + bottom) / 2;
        return Corners(one.Rings[0]).All(c => other.SignedDistanceMm(c.X, c.Y) >= 0)
            && Corners(other.Rings[0]).All(c => one.SignedDistanceMm(c.X, c.Y) >= 0)
            && (one.SignedDistanceMm(x, y) >= 0 || other.SignedDistanceMm(x, y) >= 0);
    }

    /// <summary>Rounding of sizes that touch, mm.</summary>
    private const double TouchMm = 0.5;

    /// <summary>Tells of every size of a plain outline that is out of range.</summary>
    internal static void Measure(Outline outline, AcceptedRange range, string ofWhat, Action<string, string> tell)
    {
        (string Field, string What, double Mm)[] sizes = outline switch
        {
            RectangleOutline r => [("widthMm", "Width", r.WidthMm), ("heightMm", "Height", r.HeightMm)],
            OvalOutline o => [("widthMm", "Width", o.WidthMm), ("heightMm", "Height", o.HeightMm)],
            RoundOutline r => [("diameterMm", "Diameter", r.DiameterMm)],
            _ => [],
        };
        foreach (var size in sizes.Where(s => !range.Contains(s.Mm)))
        {
            tell($"outline.{size.Field}", (range with { What = size.What + ofWhat }).Sentence);
        }
    }

    /// <summary>Tells of an opening that is out of range, or that the outline does not hold.</summary>
    internal static void MeasureOpening(Outline outline, AcceptedRange range, string ofWhat, Action<string, string> tell)
    {
        if (outline.OpeningOf is not { } opening)
        {
            return;
        }

        foreach (var (field, what, mm) in new[] { ("widthMm", "Width", opening.WidthMm), ("heightMm", "Height", opening.HeightMm) }
            .Where(s => !Accepted.OpeningMm.Contains(s.Item3)))
        {
            tell($"outline.opening.{field}", (Accepted.OpeningMm with { What = $"{what} of the opening{ofWhat}" }).Sentence);
        }

        // The shape of what is out of range is not asked for.
        if (range.Contains(outline.BoxWidthMm) && range.Contains(outline.BoxHeightMm) && !outline.OpeningFits(SliceOutline.LeastRimMm))
        {
            var inside = ofWhat.Length == 0 ? "the outline" : "it";
            tell("outline.opening", $"The opening{ofWhat} must lie inside {inside}, {SliceOutline.LeastRimMm} mm from its rim.");
        }
    }
}

internal sealed class OldWorkValidator : AbstractValidator<OldWork>
{
    public OldWorkValidator()
    {
        RuleFor(o => o.Name).Named("The older work's name");
        RuleFor(o => o.PieceId).Must(id => id is null || id.Length is > 0 and <= 40)
            .WithMessage("The older work's id has from 1 to 40 characters.");
        RuleFor(o => o.Ground).SetValidator(new GroundValidator());
        RuleFor(o => o.Growth.GridMm).Must((o, grid) => SuitsOutline(grid, o.Ground.MapOutline))
            .WithMessage("Grid spacing must suit the older work's outline.")
            .When(o => Accepted.OutlineMm.Contains(o.Ground.Outline.BoxWidthMm)
                && Accepted.OutlineMm.Contains(o.Ground.Outline.BoxHeightMm));
        RuleFor(o => o.Growth.GrainMm).InclusiveBetween(5, 500).WithMessage("Grain must be from 5 to 500 mm.");
        RuleFor(o => o.Layers).Must(l => l.Length <= MostLayers).WithMessage($"The older work has up to {MostLayers} layers.")
            .Must(l => Unique(l.Select(x => x.Id))).WithMessage("Each layer needs an id of its own.");
        RuleForEach(o => o.Layers).SetValidator(new LayerValidator());
        RuleFor(o => o).Custom((old, context) =>
        {
            foreach (var failure in FillingRules.Problems(old.Piece))
            {
                context.AddFailure(new ValidationFailure(context.PropertyPath.Length == 0 ? failure.PropertyName
                    : $"{context.PropertyPath}.{failure.PropertyName}", failure.ErrorMessage));
            }
        });
        RuleForEach(o => o.Layers).Must((o, l) => l.Within is null || o.Ground.Mould?.Insert(l.Within) is not null)
            .WithMessage("A layer that fills a hollow must name an insert of the mould.");
        RuleForEach(o => o.Layers).Must((o, l) => l.PartDepths is not { } parts || InParts(parts, o.Ground.Outline))
            .WithMessage("Depths of letters and cavities must name each once, from 1 up, of a drawn outline.");
        RuleFor(o => o.XMm).In(Accepted.HeartPlaceMm with { What = "Left of the older work" });
        RuleFor(o => o.YMm).In(Accepted.HeartPlaceMm with { What = "Top of the older work" });
        RuleFor(o => o.Kept).Must(k => k!.Value.Length <= Zone.Most)
            .WithMessage($"Up to {Zone.Most} spots of a piece can be reserved.").When(o => o.Kept is not null);
        RuleForEach(o => o.Kept!.Value).SetValidator(new ReservedSpotValidator()).OverridePropertyName("kept")
            .When(o => o.Kept is not null);
        RuleFor(o => o.StandsMm).In(Accepted.StandsMm);
        RuleFor(o => o.ReliefMm).In(Accepted.ReliefMm);
    }
}

internal sealed class InsertValidator : AbstractValidator<Insert>
{
    public InsertValidator()
    {
        RuleFor(i => i.Name).Named("The insert's name");
        RuleFor(i => i.Outline).Must(o => o is (RectangleOutline or RoundOutline or OvalOutline)
            and { OpeningOf: null }).WithMessage("An insert is a rectangle, round or an oval.");
        RuleFor(i => i.Outline)
            .Custom((outline, context) => GroundValidator.Measure(outline, Accepted.InsertMm, " of the insert", context.AddFailure));
        RuleFor(i => i.FloorMm).In(Accepted.FloorMm);
        RuleFor(i => i.RecessMm).In(Accepted.RecessMm);
        RuleFor(i => i.HeightMm).In(Accepted.MouldDepthMm, "Height of the insert above its foot");
    }
}

internal sealed class SliceValidator : AbstractValidator<SliceOutline>
{
    public SliceValidator()
    {
        RuleFor(s => s.WidthMm).In(Accepted.OutlineMm, "Width");
        RuleFor(s => s.HeightMm).In(Accepted.OutlineMm, "Height");
        RuleFor(s => s.Reach).Must(r => r.Length is >= SliceOutline.FewestHandles and <= SliceOutline.MostHandles)
            .WithMessage($"A slice has from {SliceOutline.FewestHandles} to {SliceOutline.MostHandles} handles.");
        RuleForEach(s => s.Reach).In(Accepted.Reach);
        RuleFor(s => s.WobbleMm).In(Accepted.WobbleMm);
        RuleFor(s => s.Opening!.WidthMm).In(Accepted.OpeningMm, "Width of the opening").When(s => s.Opening is not null);
        RuleFor(s => s.Opening!.HeightMm).In(Accepted.OpeningMm, "Height of the opening").When(s => s.Opening is not null);
        RuleFor(s => s.Opening).Must((s, _) => s.OpeningFits(SliceOutline.LeastRimMm))
            .WithMessage($"The opening must lie inside the slice, {SliceOutline.LeastRimMm} mm from its rim.")
            .When(s => s.Opening is not null && Accepted.OutlineMm.Contains(s.WidthMm) && Accepted.OutlineMm.Contains(s.HeightMm)
                && s.Reach.Length is >= SliceOutline.FewestHandles and <= SliceOutline.MostHandles);
    }
}

internal sealed class MouldValidator : AbstractValidator<Mould>
{
    public MouldValidator()
    {
        RuleFor(m => m.DepthMm).In(Accepted.MouldDepthMm);
        RuleFor(m => m.From).IsInEnum();
        RuleFor(m => m.CapacityMl).In(Accepted.VolumeMl, "Capacity");
        RuleFor(m => (double)m.Pieces).In(Accepted.Copies, "Pieces").OverridePropertyName("pieces");
        RuleFor(m => (double)m.Cavities).In(Accepted.Copies, "Cavities").OverridePropertyName("cavities");
        RuleFor(m => m.KeepMm).In(Accepted.KeepMm);
        RuleFor(m => m.KeepMm).Must((m, keep) => keep < m.DepthMm)
            .WithMessage("The depth kept for later coats must be less than the cavity's.")
            .When(m => Accepted.KeepMm.Contains(m.KeepMm));
        RuleForEach(m => m.CavityDepths!.Value).ChildRules(c => c.RuleFor(x => x.DepthMm).In(Accepted.MouldDepthMm))
            .OverridePropertyName("cavityDepths").When(m => m.CavityDepths is not null);
        RuleFor(m => m.Inserts).Must(i => i!.Value.Length <= Mould.MostInserts)
            .WithMessage($"A mould has up to {Mould.MostInserts} inserts.")
            .Must(i => Unique(i!.Value.Select(x => x.Id))).WithMessage("Each insert needs an id of its own.")
                .When(m => m.Inserts is not null);
        RuleForEach(m => m.Inserts!.Value).SetValidator(new InsertValidator()).OverridePropertyName("inserts")
            .When(m => m.Inserts is not null);
        RuleForEach(m => m.Inserts!.Value).Must((m, i) => i.FillMm(m.DepthMm - m.KeepMm) > 0)
            .WithMessage("An insert's hollow must be deeper than its recess and what lies below its foot.").OverridePropertyName("inserts")
            .When(m => m.Inserts is not null);
        RuleFor(m => m.LibraryIds).Must(ids => Unique(ids!.Value) && ids.Value.Length <= LibraryMould.MostTogether)
            .WithMessage($"Up to {LibraryMould.MostTogether} different moulds are filled together.").When(m => m.LibraryIds is not null);
    }
}

internal sealed class CornersValidator : AbstractValidator<CornerHeights>
{
    public CornersValidator()
    {
        RuleFor(c => c.TopLeftMm).In(Accepted.CornerMm);
        RuleFor(c => c.TopRightMm).In(Accepted.CornerMm);
        RuleFor(c => c.BottomLeftMm).In(Accepted.CornerMm);
        RuleFor(c => c.BottomRightMm).In(Accepted.CornerMm);
    }
}
