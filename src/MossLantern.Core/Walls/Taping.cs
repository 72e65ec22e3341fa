using System.Collections.Immutable;
using MossLantern.Core.Documents;
using MossLantern.Core.Materials;
using MossLantern.Core.Shapes;
using MossLantern.Core.Units;

namespace MossLantern.Core.Walls;

/// <summary>What a run of tape is for.</summary>
public enum TapeRun
{
    /// <summary>It covers the side and stands out as the dam.</summary>
    SideAndDam,

    /// <summary>It covers the side.</summary>
    Side,

    /// <summary>It stands out as the dam.</summary>
    Dam,

    /// <summary>It covers the back, under an edge that runs over.</summary>
    Back,
}

/// <summary>One run of tape round each board.</summary>
/// <param name="Run">What it is for.</param>
/// <param name="LeastMm">How wide it has to be.</param>
/// <param name="WidthMm">The narrowest width at hand that is; null where none is.</param>
/// <param name="Length">How long it is on all boards together.</param>
/// <param name="Clockwise">Which way it is laid: two runs go opposite ways.</param>
public sealed record TapedRun(TapeRun Run, Reckoned LeastMm, double? WidthMm, Reckoned Length, bool Clockwise);

/// <summary>How the edge of a piece is taped.</summary>
/// <param name="Runs">The way: the person's, or of the piece.</param>
/// <param name="Own">Whether the piece says so itself.</param>
/// <param name="Each">The runs, in the order they are laid.</param>
/// <param name="Corners">Corners where tape is broken and begun anew, of one board.</param>
/// <param name="DamMm">How far the dam stands above the edge.</param>
/// <param name="SideMm">Height of the side.</param>
/// <param name="Times">How often it is taped: anew for every sitting that reaches the open edge.</param>
/// <param name="StartsAt">Where a run begins: halfway along a straight edge, away from every corner.</param>
/// <remarks>Source: docs/craft/walls.md, Edge tape.</remarks>
public sealed record Taping(
    TapeRuns Runs, bool Own, ImmutableArray<TapedRun> Each, int Corners, Reckoned DamMm, double SideMm, int Times, Spot StartsAt)
{
    /// <summary>A corner is where an edge turns by more than this, degrees.</summary>
    private const double TurnDeg = 40;

    /// <summary>How wide the back is taped, in from its edge, mm.</summary>
    private const double BackMm = 20;

    /// <summary>How a piece is taped; null where its edge is held otherwise.</summary>
    /// <param name="piece">A valid piece.</param>
    /// <param name="widthsMm">Widths of tape at hand, mm.</param>
    /// <param name="usual">The person's usual way.</param>
    /// <param name="times">How many sittings reach the open edge.</param>
    public static Taping? Of(Piece piece, IReadOnlyCollection<double> widthsMm, TapeRuns usual, int times)
    {
        ArgumentNullException.ThrowIfNull(piece);
        ArgumentNullException.ThrowIfNull(widthsMm);
        var ground = piece.Ground;
        if (ground.Mould is not null || ground.Edge == EdgeStyle.Walled)
        {
            return null;
        }

        var runs = RunsOf(ground, usual);
        var (corners, start) = CornersOf(ground.Outline);
        var depth = piece.Layers.Where(l => l.Within is null).Sum(l => l.DepthMm);
        var dam = ground.Tape?.DamMm is { } own
            ? Reckoned.Of(own, "mm", Formulas.Stated, new ReckonedInput("dam", own, "mm", Origin.Own, "ground.tape.damMm"))
            : Reckoned.Of(EdgeTape.LeastDamHeightMm(depth), "mm", Formulas.DamHeight,
                new("depth of all layers", depth, "mm", Origin.Reckoned), new("above it", EdgeTape.AboveMm, "mm", Origin.Default));
        ReckonedInput side = new("side", ground.SideHeightMm, "mm", Origin.Own, "ground.sideHeightMm"),
        high = new("dam", dam.Value, "mm", Origin.Reckoned);
        var length = ground.Boards * EdgeTape.RunMm(ground.Outline.PerimeterMm, corners);
        var laid = Reckoned.Of(length, "mm", Formulas.TapeLength,
            new("perimeter", ground.Outline.PerimeterMm, "mm", Origin.Reckoned), new("corners", corners, "", Origin.Reckoned),
            new("a corner", EdgeTape.CornerMm, "mm", Origin.Default), new("tab", EdgeTape.TabMm, "mm", Origin.Default),
            new("boards", ground.Boards, "", Origin.Own));
        TapedRun Run(TapeRun run, double least, string formula, bool clockwise, params ReadOnlySpan<ReckonedInput> inputs) =>
            new(run, Reckoned.Of(least, "mm", formula, inputs), EdgeTape.Narrowest(widthsMm, least), laid, clockwise);
        ImmutableArray<TapedRun> each = runs switch
        {
            TapeRuns.One => [Run(TapeRun.SideAndDam, ground.SideHeightMm + dam.Value, Formulas.TapeOne, true, side, high)],
            TapeRuns.Two =>
            [
                Run(TapeRun.Side, EdgeTape.LeastMaskMm(ground.SideHeightMm), Formulas.TapeSide, true, side),
                Run(TapeRun.Dam, dam.Value + EdgeTape.OverlapMm, Formulas.TapeDam, false, high,
                    new ReckonedInput("overlap", EdgeTape.OverlapMm, "mm", Origin.Default)),
            ],
            TapeRuns.Back => [Run(TapeRun.Back, BackMm, Formulas.Stated, true, new ReckonedInput("back", BackMm, "mm", Origin.Default))],
            _ => [],
        };
        return new(runs, ground.Tape is not null, each, corners, dam, ground.SideHeightMm, Math.Max(1, times), start);
    }

    /// <summary>In which runs an edge is taped: as the piece says, at the back alone where it runs over, else as usual.</summary>
    internal static TapeRuns RunsOf(Ground ground, TapeRuns usual) =>
        ground.Tape?.Runs ?? (ground.Edge == EdgeStyle.DrippedOver ? TapeRuns.Back : usual);

    /// <summary>How many corners an outline has, and the middle of its longest straight edge.</summary>
    internal static (int Corners, Spot Start) CornersOf(Outline outline)
    {
        var outer = outline.Rings.MaxBy(r => Math.Abs(r.SignedAreaMm2))!;
        var count = outer.Count;
        (double X, double Y)[] ring = [.. Enumerable.Range(0, count).Select(i => (outer.Xs[i], outer.Ys[i]))];
        var corners = Enumerable.Range(0, count).Count(i =>
            Turn(ring[(i + count - 1) % count], ring[i], ring[(i + 1) % count]) > TurnDeg);
        var longest = Enumerable.Range(0, count).Select(i => (A: ring[i], B: ring[(i + 1) % count]))
            .MaxBy(e => double.Hypot(e.B.X - e.A.X, e.B.Y - e.A.Y));
        return (corners, new((longest.A.X + longest.B.X) / 2, (longest.A.Y + longest.B.Y) / 2));
    }

    private static double Turn((double X, double Y) a, (double X, double Y) b, (double X, double Y) c)
    {
        var turn = Math.Atan2(c.Y - b.Y, c.X - b.X) - Math.Atan2(b.Y - a.Y, b.X - a.X);
        return Math.Abs(Math.IEEERemainder(turn, 2 * Math.PI)) * 180 / Math.PI;
    }
}
