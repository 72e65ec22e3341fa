using System.Collections.Immutable;
using MossLantern.Core.Documents;
using MossLantern.Core.Materials;
using MossLantern.Core.Mixing;
using MossLantern.Core.Shapes;

namespace MossLantern.Core.Edits;

/// <summary>Layouts to begin with.</summary>
public enum Starter
{
    /// <summary>Three colours and a gold vein round an amber heart.</summary>
    RingPiece,

    /// <summary>Lines from the rim to the middle, on a film of clear.</summary>
    RimStripes,

    /// <summary>Fields in threes, with a gold vein between them.</summary>
    Fields,

    /// <summary>Three pools between two walls.</summary>
    Pools,

    /// <summary>Rings that a tool is drawn through.</summary>
    Flower,

    /// <summary>A ground with streaks of a mixed cup.</summary>
    Marble,
}

/// <summary>A layout to begin with, whole and with its colours, to be changed from there. What was laid out is put by.</summary>
/// <param name="Layer">The layer.</param>
/// <param name="Zone">The part of it; null for the layer as a whole.</param>
/// <param name="Starter">Which.</param>
/// <remarks>Source: docs/craft/layouts.md, To begin with.</remarks>
public sealed record BeginLayout(string Layer, string? Zone, Starter Starter) : LayoutEdit(Layer, Zone)
{
    /// <summary>Widths of the bands of a ring piece beside the shorter side, from the heart; the last one fills the rest.</summary>
    private const double Inner = 0.05, Middle = 0.09, Metal = 0.012;

    /// <summary>No vein is narrower than can be poured from a stick, mm.</summary>
    private const double LeastMetalMm = 1.5;

    /// <summary>How high the walls of pools stand, as shares of the height, and how far they swing.</summary>
    private const double UpperWall = 0.36, LowerWall = 0.67, Swing = 0.05;
    private const int Stretches = 12;

    /// <inheritdoc/>
    public override string Words(Piece before) => $"begin with {NameOf(Starter)}";

    /// <summary>What a layout to begin with is called.</summary>
    public static string NameOf(Starter starter) => starter switch
    {
        Starter.RingPiece => "a ring piece",
        Starter.RimStripes => "stripes from the rim",
        Starter.Fields => "fields",
        Starter.Pools => "pools",
        Starter.Flower => "a flower",
        _ => "marble",
    };

    private protected override Edited Change(LaidOut laid, Cupboard cupboard)
    {
        if (!Enum.IsDefined(Starter))
        {
            return Edited.No($"{laid.Place}.layout", "There is no such layout to begin with.");
        }

        var was = LayoutKinds.Of(laid.Layout);
        // What is begun anew has none of the lines that were drawn in what it takes the place of.
        var begun = Begun(laid.WithoutLinesOf(KindOf(Starter)), cupboard);
        var now = LayoutKinds.Of(begun.Layout);
        ImmutableArray<Layout> aside =
        [
            .. laid.Aside.Where(l => LayoutKinds.Of(l) is var kind && kind != was && kind != now),
            .. was == now || IsEmpty(laid.Layout) ? [] : (ImmutableArray<Layout>)[laid.Layout],
        ];
        return begun.With(begun.Layout, aside).Done();
    }

    private static LayoutKind KindOf(Starter starter) => starter switch
    {
        Starter.RingPiece => LayoutKind.Rings,
        Starter.RimStripes => LayoutKind.Stripes,
        Starter.Fields => LayoutKind.Fields,
        Starter.Pools => LayoutKind.Pools,
        Starter.Flower => LayoutKind.Petals,
        _ => LayoutKind.Marble,
    };

    /// <summary>What a new piece has: nothing that would be missed.</summary>
    private static bool IsEmpty(Layout layout) => layout is RingsLayout { Hearts.IsEmpty: true, Bands.Length: 1 };

    private LaidOut Begun(LaidOut laid, Cupboard cupboard)
    {
        switch (Starter)
        {
            case Starter.RingPiece:
                return RingPiece(laid, cupboard);
            case Starter.RimStripes:
                return LaidAnew.As(laid.With(new RingsLayout([], [], 0, null)), LayoutKind.Stripes);
            case Starter.Fields:
                return Then(LaidAnew.As(laid, LayoutKind.Fields), new LayLine(Layer, Zone), cupboard);
            case Starter.Pools:
                return Pools(laid);
            case Starter.Flower:
                return LaidAnew.As(laid, LayoutKind.Petals);
            default:
                return LaidAnew.As(laid, LayoutKind.Marble);
        }
    }

    private LaidOut RingPiece(LaidOut laid, Cupboard cupboard)
    {
        var box = laid.Box;
        var small = Math.Min(box.WidthMm, box.HeightMm);
        var (with, own) = laid.WithColours(3);
        var known = with.Cups.FirstOrDefault(c => c.Colourant == ColourantClass.MetallicPaste)?.Id;
        (with, var gold) = known is null ? with.WithNew(Palette.Gilt) : (with, known);
        double Width(double share) => Math.Max(2, Rounded.Whole(share * small));
        return Then(
            with.With(new RingsLayout(
                [],
                [
                    new("band-1", Width(Inner), false, own[1]),
                    new("band-2", Width(Middle), false, own[2]),
                    new("band-3", Math.Max(LeastMetalMm, Rounded.Whole(2 * Metal * small) / 2), false, gold),
                    new("band-4", Width(Middle), true, own[0]),
                ],
                0, null)),
            new AddHeart(Layer, Zone), cupboard);
    }

    private static LaidOut Pools(LaidOut laid)
    {
        var box = laid.Box;
        var (with, own) = laid.WithColours(3);
        Spot At(double x, double y) => new(Rounded.Tenth(box.XMm + x * box.WidthMm), Rounded.Tenth(box.YMm + y * box.HeightMm));
        DrawnCourse Course(double y, int way) => new(
            [.. Enumerable.Range(0, Stretches + 1).Select(i => (double)i / Stretches)
                .Select(x => At(x, y + way * Swing * Math.Sin(2 * Math.PI * x)))]);
        PoolColour Pool(int i, double y) => new(FormattableString.Invariant($"pool-{i + 1}"), At(0.5, y).XMm, At(0.5, y).YMm, own[i]);
        var pools = with.With(new PoolsLayout(
            [Pool(0, UpperWall / 2), Pool(1, (UpperWall + LowerWall) / 2), Pool(2, (1 + LowerWall) / 2)]));
        foreach (var course in new[] { Course(UpperWall, 1), Course(LowerWall, -1) })
        {
            (pools, _) = pools.WithLine("wall", course, new(DrawWall.UsualMm), new BarrierLine());
        }

        return pools;
    }

    /// <summary>With a further change made to it.</summary>
    private static LaidOut Then(LaidOut laid, Edit edit, Cupboard cupboard) =>
        laid with { Piece = edit.Apply(laid.Piece, cupboard).Piece! };
}
