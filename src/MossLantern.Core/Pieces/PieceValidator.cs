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
            RuleFor(p => p.Growth.GridMm).Must((p, grid) => SuitsOutline(grid, p.Ground.Outline))
                .WithMessage("Grid spacing must suit the outline: leave it to the program.");
            RuleFor(p => p.Growth.GrainMm).InclusiveBetween(5, 500).WithMessage("Grain must be from 5 to 500 mm.");
        });
        RuleFor(p => p.Layers).Must(l => l.Length is > 0 and <= MostLayers).WithMessage($"A piece has from 1 to {MostLayers} layers.")
            .Must(l => Unique(l.Select(x => x.Id))).WithMessage("Each layer needs an id of its own.");
        RuleForEach(p => p.Layers).SetValidator(new LayerValidator());
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

    internal static bool Unique(IEnumerable<string> ids) => ids.GroupBy(id => id).All(g => g.Key.Length is > 0 and <= 40 && g.Count() == 1);

    /// <summary>Refuses a ground with values outside the accepted ranges.</summary>
    public sealed class GroundValidator : AbstractValidator<Ground>
    {
        /// <summary>A validator.</summary>
        public GroundValidator()
        {
            RuleFor(g => ((RectangleOutline)g.Outline).WidthMm).In(Accepted.OutlineMm, "Width")
                .OverridePropertyName("outline.widthMm").When(g => g.Outline is RectangleOutline);
            RuleFor(g => ((RectangleOutline)g.Outline).HeightMm).In(Accepted.OutlineMm, "Height")
                .OverridePropertyName("outline.heightMm").When(g => g.Outline is RectangleOutline);
            RuleFor(g => ((RoundOutline)g.Outline).DiameterMm).In(Accepted.OutlineMm, "Diameter")
                .OverridePropertyName("outline.diameterMm").When(g => g.Outline is RoundOutline);
            RuleFor(g => ((OvalOutline)g.Outline).WidthMm).In(Accepted.OutlineMm, "Width")
                .OverridePropertyName("outline.widthMm").When(g => g.Outline is OvalOutline);
            RuleFor(g => ((OvalOutline)g.Outline).HeightMm).In(Accepted.OutlineMm, "Height")
                .OverridePropertyName("outline.heightMm").When(g => g.Outline is OvalOutline);
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
            RuleFor(g => g.Level!.TiltXDeg).In(Accepted.TiltDeg, "Tilt across").When(g => g.Level is not null);
            RuleFor(g => g.Level!.TiltYDeg).In(Accepted.TiltDeg, "Tilt along").When(g => g.Level is not null);
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
            RuleFor(g => g.Done).Must(d => Unique(d!.Value.Select(x => x.Id))).WithMessage("Each preparation is noted once.").When(g => g.Done is not null);
            RuleFor(g => g.SideHeightMm).In(Accepted.SideMm);
            RuleFor(g => g.Colour).IsColour("Ground colour");
            RuleFor(g => g.Edge).IsInEnum();
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
            RuleFor(l => l.RimFollow).In(Accepted.RimFollow);
            RuleFor(l => l.Widening).In(Accepted.Widening);
            RuleFor(l => l.Hearts).Must(h => Accepted.HeartCount.Contains(h.Length)).WithMessage(Accepted.HeartCount.Sentence)
                .Must(h => Unique(h.Select(x => x.Id))).WithMessage("Each heart needs an id of its own.");
            RuleForEach(l => l.Hearts).SetValidator(new HeartValidator());
            RuleFor(l => l.Bands).Cascade(CascadeMode.Stop).Must(b => Accepted.BandCount.Contains(b.Length)).WithMessage(Accepted.BandCount.Sentence)
                .Must(b => b.Count(x => x.FillsRest) == 1).WithMessage("Exactly one band must fill the rest.")
                .Must(b => Unique(b.Select(x => x.Id).Append(BandMap.HeartBedId))).WithMessage("Each band needs an id of its own, other than 'heart'.");
            RuleForEach(l => l.Bands).ChildRules(band =>
                band.RuleFor(b => b.WidthMm).In(Accepted.BandMm).When(b => !b.FillsRest));
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
