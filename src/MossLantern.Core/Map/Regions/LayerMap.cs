using System.Collections.Immutable;
using MossLantern.Core.Documents;
using MossLantern.Core.Shapes;

namespace MossLantern.Core.Map;

/// <summary>What a region of the map is.</summary>
public enum RegionKind
{
    /// <summary>The bed of the hearts.</summary>
    HeartBed,

    /// <summary>A band, vein or line.</summary>
    Band,

    /// <summary>A field.</summary>
    Field,

    /// <summary>A line of resin: it lies on other regions and takes no area from them.</summary>
    Line,

    /// <summary>A film that other regions are laid on; it takes no area from them.</summary>
    Film,

    /// <summary>A pool between walls.</summary>
    Pool,

    /// <summary>What walls or a dam take up: no resin comes there.</summary>
    Wall,

    /// <summary>A ring of a puddle.</summary>
    PuddleRing,

    /// <summary>One colour over all, or what lies outside a puddle.</summary>
    Flood,

    /// <summary>Streaks of a mixed cup.</summary>
    Streaks,

    /// <summary>A zone that is kept visible: clear only.</summary>
    KeptVisible,

    /// <summary>A zone that is kept bare: no resin.</summary>
    KeptBare,
}

/// <summary>What follows from the kind of a region.</summary>
internal static class RegionKinds
{
    /// <summary>Whether regions of a kind are parts that together are the outline; others lie on those.</summary>
    public static bool TakesArea(this RegionKind kind) => kind is not (RegionKind.Line or RegionKind.Film);
}

/// <summary>A region of a layer: what is poured from one cup in one go.</summary>
/// <param name="Id">Its id, unique in the layer.</param>
/// <param name="Kind">What it is.</param>
/// <param name="CupId">Its cup; null where nothing is poured, or nobody has said from which.</param>
/// <param name="AreaMm2">Area, mm²; 0 where it does not fit.</param>
/// <param name="OpenEdgeMm">Length of the outline's edge that it touches, mm.</param>
/// <param name="PlannedWidthMm">The width asked for, mm; null for what has none.</param>
/// <param name="Own">The volume that the layout itself sets; null where it is area × depth.</param>
/// <param name="Anchor">Where it is held by a hand; null for what is held otherwise.</param>
/// <param name="Widths">How narrow and how wide it really is; null for what has no width, or no room.</param>
public sealed record Region(
    RegionId Id, RegionKind Kind, string? CupId, double AreaMm2, double OpenEdgeMm, double? PlannedWidthMm = null,
    OwnVolume? Own = null, Spot? Anchor = null,
    WidthRange? Widths = null)
{
    /// <summary>Whether it is one of the parts that together are the outline.</summary>
    public bool TakesArea => Kind.TakesArea();

    /// <summary>What the amount that it takes follows from.</summary>
    public PouredBy By => Kind is RegionKind.Wall or RegionKind.KeptBare ? PouredBy.Nothing
        : Own is null ? PouredBy.Area : Own.LengthMm is null ? PouredBy.Amount : PouredBy.Length;
}

/// <summary>How narrow and how wide a band is, a twentieth of its length at either end left out.</summary>
/// <param name="FromMm">Where it is narrow, mm.</param>
/// <param name="ToMm">Where it is wide, mm.</param>
public sealed record WidthRange(double FromMm, double ToMm);

/// <summary>A volume that does not follow from a region's area.</summary>
/// <param name="Ml">Volume, ml.</param>
/// <param name="LengthMm">Length of a line, mm; null for a pour.</param>
/// <param name="WidthMm">Its width, mm.</param>
/// <param name="ThicknessMm">Its thickness, mm.</param>
/// <param name="LineId">The line; null for a pour.</param>
public sealed record OwnVolume(
    double Ml, double? LengthMm = null, double? WidthMm = null, double? ThicknessMm = null, string? LineId = null);

/// <summary>Two regions that touch.</summary>
/// <param name="First">One of them.</param>
/// <param name="Second">The other.</param>
/// <param name="At">Where they touch; null where that is not known.</param>
public sealed record Border(RegionId First, RegionId Second, Spot? At);

/// <summary>A stretch of a cut across the map.</summary>
/// <param name="RegionId">The region it passes.</param>
/// <param name="FromMm">Where it enters, mm from the left.</param>
/// <param name="ToMm">Where it leaves, mm from the left.</param>
public sealed record CutSpan(RegionId RegionId, double FromMm, double ToMm);

/// <summary>The map of one layer.</summary>
public abstract partial class LayerMap
{
    private readonly Lazy<ImmutableArray<BorderLine>> lines;

    /// <summary>A map whose borders are worked out when they are asked for.</summary>
    private protected LayerMap() => lines = new(FindLines);

    /// <summary>Its regions. The areas of those that take area sum to the outline's.</summary>
    public abstract ImmutableArray<Region> Regions { get; }

    /// <summary>Which regions touch.</summary>
    public abstract ImmutableArray<Border> Touching { get; }

    /// <summary>What regions have in common, as lines: each pair once, the rim not among them. Worked out when it is
    /// first asked for.</summary>
    public ImmutableArray<BorderLine> Borders() => lines.Value;

    /// <summary>The line between two regions; null where they do not touch.</summary>
    /// <param name="first">One of them.</param>
    /// <param name="second">The other.</param>
    public BorderLine? Along(RegionId first, RegionId second) =>
        Borders().FirstOrDefault(b => (b.First == first && b.Second == second) || (b.First == second && b.Second == first));

    /// <summary>Works the lines out.</summary>
    private protected abstract ImmutableArray<BorderLine> FindLines();

    /// <summary>The region at a place.</summary>
    /// <param name="xMm">mm from the left.</param>
    /// <param name="yMm">mm from the top.</param>
    public abstract RegionId RegionAt(double xMm, double yMm);

    /// <summary>The area of every region that lies in a part of the outline, mm², in the order of <see cref="Regions"/>.</summary>
    internal abstract double[] AreasWithin(OutlineCover part);

    /// <summary>How finely a cut has to step, mm.</summary>
    internal abstract double StepMm { get; }

    /// <summary>A straight cut across the map from left to right: the regions it passes, in order.</summary>
    /// <param name="yMm">Height of the cut, mm from the top.</param>
    /// <param name="fromMm">Left end, mm.</param>
    /// <param name="toMm">Right end, mm.</param>
    public ImmutableArray<CutSpan> Cut(double yMm, double fromMm, double toMm)
    {
        var spans = ImmutableArray.CreateBuilder<CutSpan>();
        var steps = Math.Max(1, (int)Math.Ceiling((toMm - fromMm) / StepMm));
        var start = fromMm;
        var current = RegionAt(fromMm, yMm);
        for (var i = 1; i <= steps; i++)
        {
            var x = fromMm + (toMm - fromMm) * i / steps;
            var region = i == steps ? (RegionId?)null : RegionAt(x, yMm);
            if (region != current)
            {
                spans.Add(new(current, start, x));
                (start, current) = (x, region ?? current);
            }
        }

        return spans.ToImmutable();
    }
}
