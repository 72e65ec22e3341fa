using System.Collections.Immutable;
using FluentValidation;
using MossLantern.Core.Grounds;
using MossLantern.Core.Map;
using MossLantern.Core.Mixing;
using MossLantern.Core.Shapes;
using MossLantern.Core.Units;

namespace MossLantern.Core.Pieces;

/// <summary>Refuses a piece with values outside the accepted ranges or with parts that do not fit together.</summary>
public sealed class PieceValidator : AbstractValidator<Piece>
{
    /// <summary>Most layers of a piece.</summary>
    public const int MostLayers = 20;

    /// <summary>Most characters of a name.</summary>
    public const int LongestName = 80;

    /// <summary>Most supports.</summary>
    public const int MostSupports = 60;

    /// <summary>Most characters of a reason.</summary>
    public const int LongestReason = 500;

    /// <summary>A validator.</summary>
    public PieceValidator()
    {
        RuleFor(p => p.Name).Named("The piece's name");
        RuleFor(p => p.Ground).SetValidator(new GroundValidator());
        When(p => Accepted.OutlineMm.Contains(p.Ground.Outline.BoxWidthMm) && Accepted.OutlineMm.Contains(p.Ground.Outline.BoxHeightMm), () =>
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
            .WithMessage("Depths of parts must name each part once, from 1 up, of a drawn outline.");
        RuleFor(p => p.Layers).Must(l => l.Where(x => x.Within is not null).GroupBy(x => x.Within).All(g => g.Count() == 1))
            .WithMessage("Each hollow is filled by one layer.")
            .Must(l => l[0].Within is null).WithMessage("The first layer of a casting is poured round the inserts.").When(p => !p.Layers.IsDefaultOrEmpty);
        RuleFor(p => p.WavedOff).Must(w => w!.Value.Length <= 200).WithMessage("Up to 200 findings can be waved off.").When(p => p.WavedOff is not null);
        RuleForEach(p => p.WavedOff!.Value).ChildRules(w =>
        {
            w.RuleFor(x => x.Finding).Must(k => k.Length is > 0 and <= 120).WithMessage("A finding's key has from 1 to 120 characters.");
            w.RuleFor(x => x.Reason).Must(r => !string.IsNullOrWhiteSpace(r) && r.Length <= LongestReason)
                .WithMessage($"Say why, in 1 to {LongestReason} characters.");
        }).OverridePropertyName("wavedOff").When(p => p.WavedOff is not null);
    }

    /// <summary>A document from elsewhere must not make the grid enormous.</summary>
    private static bool SuitsOutline(double gridMm, Outline outline) => gridMm / GrowthScale.For(outline).GridMm is > 0.5 and < 8;

    private static bool InParts(ImmutableArray<PartDepth> parts, Outline outline) =>
        outline is DrawnOutline { Problem: null } drawn
        && parts.All(p => p.Part >= 1 && p.Part <= drawn.Parts.Length) && parts.Select(p => p.Part).Distinct().Count() == parts.Length;

    internal static bool Unique(IEnumerable<string> ids) => ids.GroupBy(id => id).All(g => g.Key.Length is > 0 and <= 40 && g.Count() == 1);

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
            RuleFor(g => g.Base!.Kind).IsInEnum().When(g => g.Base is not null);
            RuleFor(g => g.Base!.Material).IsInEnum().When(g => g.Base is not null);
            RuleFor(g => g.Base!.ThicknessMm).In(Accepted.ThicknessMm).When(g => g.Base is not null);
            RuleFor(g => g.Paint!.Kind).IsInEnum().When(g => g.Paint is not null);
            RuleFor(g => (double)g.Paint!.Coats).In(Accepted.Coats).OverridePropertyName("paint.coats").When(g => g.Paint is not null);
            RuleFor(g => g.Paint!.DryHours).In(Accepted.DryHours).When(g => g.Paint is not null);
            RuleFor(g => g.Paint!.PotId).Must(id => id is null || id.Length is > 0 and <= 40).WithMessage("A pot's id has from 1 to 40 characters.")
                .When(g => g.Paint is not null);
            RuleFor(g => g.Level!.TiltXDeg).In(Accepted.TiltDeg, "Tilt across").When(g => g.Level is not null);
            RuleFor(g => g.Level!.TiltYDeg).In(Accepted.TiltDeg, "Tilt along").When(g => g.Level is not null);
            RuleFor(g => g.Level!.StepDeg).In(Accepted.LevelStepDeg).When(g => g.Level is not null);
            RuleFor(g => g.Level!.Corners!).SetValidator(new CornersValidator()).OverridePropertyName("level.corners").When(g => g.Level?.Corners is not null);
            RuleFor(g => g.Level).Must(l => l!.Corners is null || (l.TiltXDeg is null && l.TiltYDeg is null))
                .WithMessage("A level is read as tilts or as corner heights, not both.").When(g => g.Level is not null);
            RuleFor(g => g.Supports).Must(s => s!.Value.Length is >= 1 and <= MostSupports)
                .WithMessage($"A piece stands on 1 to {MostSupports} supports.").When(g => g.Supports is not null);
            RuleForEach(g => g.Supports!.Value).ChildRules(support =>
            {
                support.RuleFor(s => s.XMm).In(Accepted.HeartPlaceMm with { What = "Support from the left" });
                support.RuleFor(s => s.YMm).In(Accepted.HeartPlaceMm with { What = "Support from the top" });
            }).OverridePropertyName("supports").When(g => g.Supports is not null);
            RuleFor(g => g.Mould).Must((g, mould) => mould is null != (g.Base?.Kind == PieceKind.Casting))
                .WithMessage("A casting needs a mould, and nothing else has one.");
            RuleFor(g => g.Mould!).SetValidator(new MouldValidator()).OverridePropertyName("mould").When(g => g.Mould is not null);
            RuleFor(g => g.Mould).Must((g, mould) => InParts(mould!.CavityDepths!.Value, g.Outline))
                .WithMessage("Depths of cavities must name each cavity once, from 1 up, of a drawn outline.")
                .OverridePropertyName("mould.cavityDepths").When(g => g.Mould?.CavityDepths is not null);
            RuleFor(g => g.Mould).Must((g, mould) => InsertsFit(mould!.Inserts!.Value, g.Outline))
                .WithMessage("Inserts must stand inside the cavity, and not on each other.")
                .OverridePropertyName("mould.inserts").When(g => g.Mould?.Inserts is { } inserts && inserts.All(i => SizeOk(i.Outline)));
            RuleFor(g => (double)g.Set!.Count).In(Accepted.Panels).OverridePropertyName("set.count").When(g => g.Set is not null);
            RuleFor(g => g.Set!.GapMm).In(Accepted.GapMm).When(g => g.Set is not null);
            RuleFor(g => g.Set).Must((g, set) => set is null || g.Base?.Kind is not (PieceKind.Frame or PieceKind.Casting))
                .WithMessage("Only panels and slices come in sets.");
            RuleFor(g => g.Old!).SetValidator(g => new OldWorkValidator()).When(g => g.Old is not null && Beneath(g) <= OldWork.Deepest);
            RuleFor(g => g.Old).Must((g, _) => Beneath(g) <= OldWork.Deepest).WithMessage($"Up to {OldWork.Deepest} older works lie beneath each other.");
            RuleFor(g => g.Old).Must((g, old) => LiesIn(old!, g.Whole)).WithMessage("The older work must lie inside the new outline.")
                .When(g => g.Old is not null && Accepted.OutlineMm.Contains(g.Outline.BoxWidthMm) && Accepted.OutlineMm.Contains(g.Outline.BoxHeightMm));
            RuleFor(g => g.Done).Must(d => Unique(d!.Value.Select(x => x.Id))).WithMessage("Each preparation is noted once.").When(g => g.Done is not null);
            RuleFor(g => g.SideHeightMm).In(Accepted.SideMm);
            RuleFor(g => g.Colour).IsColour("Ground colour");
            RuleFor(g => g.Edge).IsInEnum();
        }
    }

    private static int Beneath(Ground ground) => ground.Old is { } old ? 1 + Beneath(old.Ground) : 0;

    /// <summary>Whether older work lies inside an outline; some corners all round stand for the rest.</summary>
    private static bool LiesIn(OldWork old, Outline outline)
    {
        const int corners = 90;
        var placed = old.Placed;
        return placed == outline || placed.Rings.Where(r => r.SignedAreaMm2 > 0).All(ring =>
        {
            var step = Math.Max(1, ring.Count / corners);
            return Enumerable.Range(0, ring.Count / step).All(i => outline.SignedDistanceMm(ring.Xs[i * step], ring.Ys[i * step]) <= TouchMm);
        });
    }

    private static bool SizeOk(Outline outline) => Accepted.InsertMm.Contains(outline.BoxWidthMm) && Accepted.InsertMm.Contains(outline.BoxHeightMm);

    /// <summary>Whether inserts stand inside an outline and apart from each other.</summary>
    private static bool InsertsFit(ImmutableArray<Insert> inserts, Outline outline)
    {
        var placed = inserts.Select(i => i.Placed).ToList();
        return placed.All(p => Inside(p, outline, true)) && placed.All(p => placed.All(q => ReferenceEquals(p, q) || (Inside(p, q, false) && Inside(q, p, false))));
    }

    /// <summary>Whether every corner of an outline lies inside another, or every one outside it.</summary>
    private static bool Inside(Outline outline, Outline of, bool inside)
    {
        var ring = outline.Rings[0];
        var rings = of.Rings;
        for (var i = 0; i < ring.Count; i++)
        {
            var within = rings.Count(r => r.SignedDistanceMm(ring.Xs[i], ring.Ys[i]) < 0) % 2 == 1;
            if (within != inside)
            {
                return false;
            }
        }

        return inside || outline != of;
    }

    /// <summary>Rounding of sizes that touch, mm.</summary>
    private const double TouchMm = 0.5;

    private sealed class OldWorkValidator : AbstractValidator<OldWork>
    {
        public OldWorkValidator()
        {
            RuleFor(o => o.Name).Named("The older work's name");
            RuleFor(o => o.PieceId).Must(id => id is null || id.Length is > 0 and <= 40).WithMessage("The older work's id has from 1 to 40 characters.");
            RuleFor(o => o.Ground).SetValidator(new GroundValidator());
            RuleFor(o => o.Growth.GridMm).Must((o, grid) => SuitsOutline(grid, o.Ground.MapOutline)).WithMessage("Grid spacing must suit the older work's outline.")
                .When(o => Accepted.OutlineMm.Contains(o.Ground.Outline.BoxWidthMm) && Accepted.OutlineMm.Contains(o.Ground.Outline.BoxHeightMm));
            RuleFor(o => o.Growth.GrainMm).InclusiveBetween(5, 500).WithMessage("Grain must be from 5 to 500 mm.");
            RuleFor(o => o.Layers).Must(l => l.Length <= MostLayers).WithMessage($"The older work has up to {MostLayers} layers.")
                .Must(l => Unique(l.Select(x => x.Id))).WithMessage("Each layer needs an id of its own.");
            RuleForEach(o => o.Layers).SetValidator(new LayerValidator());
            RuleForEach(o => o.Layers).Must((o, l) => l.Within is null || o.Ground.Mould?.Insert(l.Within) is not null)
                .WithMessage("A layer that fills a hollow must name an insert of the mould.");
            RuleForEach(o => o.Layers).Must((o, l) => l.PartDepths is not { } parts || InParts(parts, o.Ground.Outline))
                .WithMessage("Depths of parts must name each part once, from 1 up, of a drawn outline.");
            RuleFor(o => o.XMm).In(Accepted.HeartPlaceMm with { What = "Left of the older work" });
            RuleFor(o => o.YMm).In(Accepted.HeartPlaceMm with { What = "Top of the older work" });
            RuleFor(o => o.StandsMm).In(Accepted.StandsMm);
            RuleFor(o => o.ReliefMm).In(Accepted.ReliefMm);
        }
    }

    /// <summary>Tells of every size of a plain outline that is out of range.</summary>
    private static void Measure(Outline outline, AcceptedRange range, string ofWhat, Action<string, string> tell)
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

    private sealed class InsertValidator : AbstractValidator<Insert>
    {
        public InsertValidator()
        {
            RuleFor(i => i.Name).Named("The insert's name");
            RuleFor(i => i.Outline).Must(o => o is RectangleOutline or RoundOutline or OvalOutline).WithMessage("An insert is a rectangle, round or an oval.");
            RuleFor(i => i.Outline).Custom((outline, context) => Measure(outline, Accepted.InsertMm, " of the insert", context.AddFailure));
            RuleFor(i => i.FloorMm).In(Accepted.FloorMm);
            RuleFor(i => i.RecessMm).In(Accepted.RecessMm);
        }
    }

    private sealed class SliceValidator : AbstractValidator<SliceOutline>
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

    private sealed class MouldValidator : AbstractValidator<Mould>
    {
        public MouldValidator()
        {
            RuleFor(m => m.DepthMm).In(Accepted.MouldDepthMm);
            RuleFor(m => m.From).IsInEnum();
            RuleFor(m => m.CapacityMl).In(Accepted.VolumeMl, "Capacity");
            RuleFor(m => (double)m.Pieces).In(Accepted.Copies, "Pieces").OverridePropertyName("pieces");
            RuleFor(m => (double)m.Cavities).In(Accepted.Copies, "Cavities").OverridePropertyName("cavities");
            RuleFor(m => m.KeepMm).In(Accepted.KeepMm);
            RuleFor(m => m.KeepMm).Must((m, keep) => keep < m.DepthMm).WithMessage("The depth kept for later coats must be less than the cavity's.")
                .When(m => Accepted.KeepMm.Contains(m.KeepMm));
            RuleForEach(m => m.CavityDepths!.Value).ChildRules(c => c.RuleFor(x => x.DepthMm).In(Accepted.MouldDepthMm))
                .OverridePropertyName("cavityDepths").When(m => m.CavityDepths is not null);
            RuleFor(m => m.Inserts).Must(i => i!.Value.Length <= Mould.MostInserts).WithMessage($"A mould has up to {Mould.MostInserts} inserts.")
                .Must(i => Unique(i!.Value.Select(x => x.Id))).WithMessage("Each insert needs an id of its own.").When(m => m.Inserts is not null);
            RuleForEach(m => m.Inserts!.Value).SetValidator(new InsertValidator()).OverridePropertyName("inserts").When(m => m.Inserts is not null);
            RuleForEach(m => m.Inserts!.Value).Must((m, i) => i.FillMm(m.DepthMm - m.KeepMm) > 0)
                .WithMessage("An insert's hollow must be deeper than its recess and what lies below its foot.").OverridePropertyName("inserts")
                .When(m => m.Inserts is not null);
            RuleFor(m => m.LibraryIds).Must(ids => Unique(ids!.Value) && ids.Value.Length <= LibraryMould.MostTogether)
                .WithMessage($"Up to {LibraryMould.MostTogether} different moulds are filled together.").When(m => m.LibraryIds is not null);
        }
    }

    private sealed class CornersValidator : AbstractValidator<CornerHeights>
    {
        public CornersValidator()
        {
            RuleFor(c => c.TopLeftMm).In(Accepted.CornerMm);
            RuleFor(c => c.TopRightMm).In(Accepted.CornerMm);
            RuleFor(c => c.BottomLeftMm).In(Accepted.CornerMm);
            RuleFor(c => c.BottomRightMm).In(Accepted.CornerMm);
        }
    }

    private sealed class LayerValidator : AbstractValidator<Layer>
    {
        public LayerValidator()
        {
            RuleFor(l => l.Name).Named("The layer's name");
            RuleFor(l => l.DepthMm).In(Accepted.DepthMm);
            RuleForEach(l => l.PartDepths!.Value).ChildRules(p => p.RuleFor(x => x.DepthMm).In(Accepted.DepthMm))
                .OverridePropertyName("partDepths").When(l => l.PartDepths is not null);
            RuleFor(l => l.RimFollow).In(Accepted.RimFollow);
            RuleFor(l => l.Widening).In(Accepted.Widening);
            RuleFor(l => l.Hearts).Must(h => Accepted.HeartCount.Contains(h.Length)).WithMessage(Accepted.HeartCount.Sentence)
                .Must(h => Unique(h.Select(x => x.Id))).WithMessage("Each heart needs an id of its own.");
            RuleForEach(l => l.Hearts).SetValidator(new HeartValidator());
            RuleFor(l => l.Bands).Cascade(CascadeMode.Stop).Must(b => Accepted.BandCount.Contains(b.Length)).WithMessage(Accepted.BandCount.Sentence)
                .Must(b => b.Count(x => x.FillsRest) == 1).WithMessage("Exactly one band must fill the rest.")
                .Must(b => Unique(b.Select(x => x.Id).Append(BandMap.HeartBedId))).WithMessage("Each band needs an id of its own, other than 'heart'.");
            RuleForEach(l => l.Bands).ChildRules(band =>
                band.RuleFor(b => b.WidthMm).Must((b, width) => b.FillsRest ? double.IsFinite(width) : Accepted.BandMm.Contains(width))
                    .WithMessage(Accepted.BandMm.Sentence));
            RuleForEach(l => l.Bands).Must((l, band) => l.Cups.Any(c => c.Id == band.Cup)).WithMessage("A band's cup must be one of the layer's cups.");
            RuleFor(l => l.HeartCup).Must((l, cup) => l.Cups.Any(c => c.Id == cup)).WithMessage("The heart's cup must be one of the layer's cups.");
            RuleFor(l => l.Cups).Must(c => c.Length is > 0 and <= 40).WithMessage("A layer has from 1 to 40 cups.")
                .Must(c => Unique(c.Select(x => x.Id))).WithMessage("Each cup needs an id of its own.");
            RuleForEach(l => l.Cups).SetValidator(new CupValidator());
            RuleFor(l => l.Resin.System).Must(s => TypicalMaterials.System(s) is not null)
                .WithMessage($"The resin must be one of: {string.Join(", ", TypicalMaterials.ResinSystems.Select(s => s.Id))}.");
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
            RuleFor(l => l.PourOrder).Must((l, order) => order.All(id => id == BandMap.HeartBedId || l.Bands.Any(b => b.Id == id)))
                .WithMessage("The pour order names a region that the layer does not have.");
            RuleFor(l => l.Plan.RoomC).In(Accepted.RoomC);
            RuleFor(l => l.Plan.End).Must((l, end) => end is null || l.Plan.Start is null || end >= l.Plan.Start)
                .WithMessage("The last pour cannot be before the first.");
            RuleFor(l => l.Plan.Start).Must(s => s is null || s.Value.Year is >= 2000 and < 2200).WithMessage("The start must be in the years 2000 to 2199.");
            RuleFor(l => l.Plan.End).Must(s => s is null || s.Value.Year is >= 2000 and < 2200).WithMessage("The end must be in the years 2000 to 2199.");
        }
    }

    private sealed class HeartValidator : AbstractValidator<Heart>
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

    private sealed class CupValidator : AbstractValidator<Cup>
    {
        public CupValidator()
        {
            RuleFor(c => c.Name).Named("The colour's name");
            RuleFor(c => c.Colour).IsColour("The cup's colour");
            RuleFor(c => c.LoadPercent).In(Accepted.LoadPercent);
        }
    }
}

internal static class RuleExtensions
{
    public static IRuleBuilderOptions<T, double> In<T>(this IRuleBuilder<T, double> rule, AcceptedRange range, string? what = null) =>
        rule.Must(range.Contains).WithMessage((what is null ? range : range with { What = what }).Sentence);

    public static IRuleBuilderOptions<T, double?> In<T>(this IRuleBuilder<T, double?> rule, AcceptedRange range, string? what = null) =>
        rule.Must(v => v is null || range.Contains(v.Value)).WithMessage((what is null ? range : range with { What = what }).Sentence);

    public static IRuleBuilderOptions<T, string> IsColour<T>(this IRuleBuilder<T, string> rule, string what) =>
        rule.Must(c => Colour.Parse(c) is not null).WithMessage($"{what} must be a colour like #33523f.");

    public static IRuleBuilderOptions<T, string> Named<T>(this IRuleBuilder<T, string> rule, string what) =>
        rule.Must(n => !string.IsNullOrWhiteSpace(n) && n.Length <= PieceValidator.LongestName)
            .WithMessage($"{what} must have from 1 to {PieceValidator.LongestName} characters.");
}
