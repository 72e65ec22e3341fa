using System.Collections.Immutable;
using MossLantern.Core.Documents;
using MossLantern.Core.Materials;
using MossLantern.Core.Shapes;
using MossLantern.Core.Units;

namespace MossLantern.Core.Grounds;

/// <summary>A support with the shim that goes under it.</summary>
/// <param name="XMm">Place, mm from the left.</param>
/// <param name="YMm">Place, mm from the top.</param>
/// <param name="Shim">Thickness to put under it; null while no tilt is known.</param>
/// <param name="FromLeft">The same place from the left, with how it came about.</param>
/// <param name="FromTop">The same place from the top.</param>
public sealed record StandingSupport(double XMm, double YMm, Reckoned? Shim, Reckoned FromLeft, Reckoned FromTop);

/// <summary>The resin of a layer, as what stands under it carries it.</summary>
/// <param name="Poured">Whether it has been poured.</param>
/// <param name="ResinG">Its mass without reserve and losses, of one casting, g.</param>
/// <param name="ResinMl">Its volume, of one casting, ml.</param>
/// <param name="StonesG">Mass of the stones in it, of one casting, g.</param>
public readonly record struct LayerLoad(bool Poured, double ResinG, double ResinMl, double StonesG = 0)
{
    /// <summary>Mass of all of it, g.</summary>
    public double MassG => ResinG + StonesG;
}

/// <summary>How a piece stands: level or not, bowed or not, on what, and how heavy.</summary>
/// <param name="Supports">Its supports.</param>
/// <param name="OwnSupports">Whether the artist placed them.</param>
/// <param name="Drift">Difference in depth across the piece; null while no tilt is known.</param>
/// <param name="Corners">By how much the film is deeper at the corners of its box than in its middle, top left, top
/// right, bottom left, bottom right; empty while no tilt is known.</param>
/// <param name="Level">Whether the thinnest layer can take that; null while not known, and where the level's steps are
/// too coarse to tell.</param>
/// <param name="Needed">The tilt along the longer side that the thinnest layer can just take.</param>
/// <param name="TooCoarse">Whether the level's steps are too coarse to tell, and no water check said more.</param>
/// <param name="Thinnest">Depth of the thinnest layer that is still to be poured; of all where none is.</param>
/// <param name="Span">Longest stretch without a support.</param>
/// <param name="Sag">How far the base bows over that stretch; null while its thickness is not known or it is no board.</param>
/// <param name="Straight">Whether the thinnest layer can take the sag; null while not known.</param>
/// <param name="BaseMass">Mass of the base, kg; null while its thickness is not known.</param>
/// <param name="MassSoFar">Mass with what has been poured, kg; null while the base's is not known.</param>
/// <param name="FinishedMass">Mass with every layer, kg; null while the base's is not known.</param>
/// <remarks>Source: docs/craft/grounds.md.</remarks>
public sealed record Standing(
    ImmutableArray<StandingSupport> Supports,
    bool OwnSupports,
    Reckoned? Drift,
    ImmutableArray<Reckoned> Corners,
    bool? Level,
    Reckoned Needed,
    bool TooCoarse,
    Reckoned Thinnest,
    Reckoned Span,
    Reckoned? Sag,
    bool? Straight,
    Reckoned? BaseMass,
    Reckoned? MassSoFar,
    Reckoned? FinishedMass)
{
    /// <summary>How far inside the box the usual supports stand, as a share of it.</summary>
    public const double UsualInset = 0.1;

    /// <summary>How a piece stands.</summary>
    /// <param name="piece">A valid piece.</param>
    /// <param name="layers">The resin of each of its layers, lowest first.</param>
    /// <param name="catalogue">The workshop's materials.</param>
    /// <param name="panel">Which panel of a set, from 1.</param>
    public static Standing Of(Piece piece, ImmutableArray<LayerLoad> layers, Catalogue catalogue, int panel = 1)
    {
        ArgumentNullException.ThrowIfNull(piece);
        var ground = piece.Ground with { Level = piece.Ground.LevelOf(panel) };
        var supports = SupportsOf(ground);
        var toCome = piece.Filled.Where((_, i) => !layers[i].Poured).DefaultIfEmpty(piece.Filled.MinBy(l => l.DepthMm)!).ToList();
        var thinnest = toCome.Min(l => l.DepthMm);
        var (drift, corners, level, coarse, shims) = LevelOf(ground, supports, thinnest);
        var span = ground.Base is { Material: BaseMaterial.CradledPanel } cradle ? BetweenBars(ground, cradle) : SpanOf(supports);
        var resinMm = piece.Filled.Where(l => l.Within is null).Sum(l => l.DepthMm);
        // Each panel of a set stands by itself.
        var share = ground.Set is { Mirrored: false } set ? 1.0 / set.Count : 1;
        var allG = share * layers.Sum(l => l.ResinG);
        var allMl = share * layers.Sum(l => l.ResinMl);
        var sag = SagOf(ground, span, resinMm, allG / Math.Max(1e-9, allMl), catalogue);
        var baseMass = BaseMassOf(ground, catalogue);
        var oldG = OldG(ground, catalogue) / ground.Boards;
        return new(
            [.. supports.Select((s, i) => new StandingSupport(s.XMm, s.YMm, shims[i],
                Place(ground, i, "xMm", s.XMm, ground.Outline.BoxWidthMm),
                Place(ground, i, "yMm", s.YMm, ground.Outline.BoxHeightMm)))],
            ground.Supports is not null,
            drift, corners, level, NeededTilt(ground, thinnest), coarse,
            Reckoned.Of(thinnest, "mm", Formulas.Thinnest, [.. toCome.Select(l => new ReckonedInput(l.Name, l.DepthMm, "mm", Origin.Own))]),
            span, sag,
            sag is null ? null : sag.Value <= Grounds.Sag.AcceptedShare * thinnest,
            baseMass,
            With(baseMass, oldG,
                [.. piece.Filled.Zip(layers).Where(l => l.Second.Poured).Select(l => (l.First.Name, share * l.Second.MassG))]),
            With(baseMass, oldG, [.. piece.Filled.Zip(layers).Select(l => (l.First.Name, share * l.Second.MassG))]));
    }

    /// <summary>Where a support stands: where the artist put it, or at so much of the box.</summary>
    private static Reckoned Place(Ground ground, int support, string field, double mm, double boxMm) =>
        ground.Supports is { IsDefaultOrEmpty: false }
            ? Reckoned.Of(mm, "mm", Formulas.Stated,
                new ReckonedInput("placed", mm, "mm", Origin.Own, FormattableString.Invariant($"ground.supports[{support}].{field}")))
            : Reckoned.Of(mm, "mm", Formulas.SupportPlace, new ReckonedInput("box", boxMm, "mm", Origin.Reckoned),
                new ReckonedInput("share of it", 100 * mm / boxMm, "%", Origin.Default));

    /// <summary>The supports of a ground: its own, or four near the corners that lie under the piece.</summary>
    public static ImmutableArray<Support> SupportsOf(Ground ground)
    {
        ArgumentNullException.ThrowIfNull(ground);
        if (ground.Supports is { IsDefaultOrEmpty: false } own)
        {
            return own;
        }

        var outline = ground.Outline;
        double width = outline.BoxWidthMm, height = outline.BoxHeightMm;
        (double X, double Y)[] corners = [(0, 0), (1, 0), (0, 1), (1, 1)];
        return [.. corners.Select(c => Under(outline, width, height, c.X, c.Y))];
    }

    /// <summary>Most rows that supports are put in.</summary>
    public const int MostRows = 7;

    /// <summary>The supports, with rows of more between the outermost wherever they lie under the piece.</summary>
    /// <param name="ground">The ground.</param>
    /// <param name="rows">How many rows, and columns; from 2.</param>
    public static ImmutableArray<Support> InRows(Ground ground, int rows)
    {
        var supports = SupportsOf(ground);
        double left = supports.Min(s => s.XMm), right = supports.Max(s => s.XMm), top = supports.Min(s => s.YMm),
        bottom = supports.Max(s => s.YMm);
        double At(double from, double to, int i) => Math.Round(from + (to - from) * i / (rows - 1), 1);
        return
        [
            .. supports,
            .. Enumerable.Range(0, rows * rows).Select(i => new Support(At(left, right, i % rows), At(top, bottom, i / rows)))
                .Where(s => !supports.Contains(s) && ground.Outline.SignedDistanceMm(s.XMm, s.YMm) < 0),
        ];
    }

    /// <summary>How far from a corner a support is looked for, in what steps, and how deep under the piece it must lie,
    /// as shares.</summary>
    private const double MostInset = 0.45, InsetStep = 0.02, LeastUnder = 0.02;

    /// <summary>From near a corner towards the middle until it lies under the piece.</summary>
    private static Support Under(Outline outline, double width, double height, double cornerX, double cornerY)
    {
        for (var inset = UsualInset; inset < MostInset; inset += InsetStep)
        {
            double x = width * (cornerX == 0 ? inset : 1 - inset), y = height * (cornerY == 0 ? inset : 1 - inset);
            if (outline.SignedDistanceMm(x, y) < -LeastUnder * Math.Min(width, height))
            {
                return new(Math.Round(x, 1), Math.Round(y, 1));
            }
        }

        // A narrow rim, or an opening in the way: where this quarter of the piece is deepest.
        const int places = 40;
        var (x0, y0) = (cornerX * 0.5, cornerY * 0.5);
        return (from column in Enumerable.Range(0, places)
                from row in Enumerable.Range(0, places)
                let place = new Support(
                    Math.Round(width * (x0 + 0.5 * (column + 0.5) / places), 1), Math.Round(height * (y0 + 0.5 * (row + 0.5) / places), 1))
                select place).MinBy(p => outline.SignedDistanceMm(p.XMm, p.YMm))!;
    }

    private static (Reckoned? Drift, ImmutableArray<Reckoned> Corners, bool? Level, bool TooCoarse,
        ImmutableArray<Reckoned?> Shims) LevelOf(
        Ground ground, ImmutableArray<Support> supports, double thinnestMm)
    {
        double width = ground.Outline.BoxWidthMm, height = ground.Outline.BoxHeightMm;
        if (ground.Level?.Tilts(width, height) is not { } tilt)
        {
            return (null, [], null, false, [.. supports.Select(_ => (Reckoned?)null)]);
        }

        ReckonedInput tiltX = new("tilt across", tilt.XDeg, "°", Origin.Measured),
        tiltY = new("tilt along", tilt.YDeg, "°", Origin.Measured);
        var drift = Levelling.WedgeOver(tilt.XDeg, tilt.YDeg, width, height);
        var levelling = Levelling.Of(tilt.XDeg, tilt.YDeg, supports, thinnestMm);
        var takes = Levelling.AcceptedShare * thinnestMm;

        // A level that shows 0.0 in steps of 0.1 may stand off by half a step on either axis.
        var half = (ground.Level.StepDeg ?? 0) / 2;
        var atWorst = Levelling.WedgeOver(Math.Abs(tilt.XDeg) + half, Math.Abs(tilt.YDeg) + half, width, height);
        var corners = Levelling.DeeperAtCorners(tilt.XDeg, tilt.YDeg, width, height)
            .Zip(Levelling.CornersOf(width, height), (deeper, c) => Reckoned.Of(
            deeper, "mm", Formulas.CornerDepth,
            new("width", width, "mm", Origin.Own), new("height", height, "mm", Origin.Own),
            new("from the left", c.XMm, "mm", Origin.Own), new("from the top", c.YMm, "mm", Origin.Own), tiltX, tiltY));
        var coarse = drift <= takes && atWorst > takes && !ground.Level.WaterChecked;
        return (
            Reckoned.Of(drift, "mm", Formulas.Wedge,
                new("width", width, "mm", Origin.Own), new("height", height, "mm", Origin.Own), tiltX, tiltY),
            [.. corners],
            coarse ? null : drift <= takes,
            coarse,
            [.. levelling.ShimsMm.Zip(supports, (shim, s) => Reckoned.Of(shim, "mm", Formulas.Shim,
                new("highest support", levelling.HighestMm, "mm", Origin.Reckoned),
                new("from the left", s.XMm, "mm", Origin.Own), new("from the top", s.YMm, "mm", Origin.Own), tiltX, tiltY))]);
    }

    private static Reckoned NeededTilt(Ground ground, double thinnestMm)
    {
        var longer = Math.Max(ground.Outline.BoxWidthMm, ground.Outline.BoxHeightMm);
        return Reckoned.Of(Math.Atan2(Levelling.AcceptedShare * thinnestMm, longer) * 180 / Math.PI, "°", Formulas.NeededTilt,
            new("thinnest layer", thinnestMm, "mm", Origin.Own), new("longer side", longer, "mm", Origin.Own));
    }

    /// <summary>The longest gap between neighbouring supports, along either side.</summary>
    private static Reckoned SpanOf(ImmutableArray<Support> supports)
    {
        var across = Gap(supports.Select(s => s.XMm));
        var along = Gap(supports.Select(s => s.YMm));
        return Reckoned.Of(Math.Max(across, along), "mm", Formulas.Span,
            new("longest gap across", across, "mm", Origin.Reckoned), new("longest gap along", along, "mm", Origin.Reckoned));
    }

    /// <summary>The face of a cradled panel bows between its bars, wherever the panel is supported.</summary>
    private static Reckoned BetweenBars(Ground ground, Base cradle)
    {
        double width = ground.Outline.BoxWidthMm, height = ground.Outline.BoxHeightMm, bar = cradle.BarWidthMm ?? Base.UsualBarMm;
        return Reckoned.Of(Math.Max(0, Math.Min(width, height) - 2 * bar), "mm", Formulas.SpanBetweenBars,
            new("width", width, "mm", Origin.Own), new("height", height, "mm", Origin.Own),
            new("bar width", bar, "mm", cradle.BarWidthMm is null ? Origin.Default : Origin.Own, "ground.base.barWidthMm"));
    }

    private static double Gap(IEnumerable<double> places)
    {
        var sorted = places.Order().ToList();
        return sorted.Zip(sorted.Skip(1), (a, b) => b - a).DefaultIfEmpty(0).Max();
    }

    private static Reckoned? SagOf(Ground ground, Reckoned span, double resinMm, double resinGPerMl, Catalogue catalogue)
    {
        if (ground.Base is not { ThicknessMm: { } thickness } board
            || catalogue.Of(board.Material) is not { DensityKgPerM3: { } density, StiffnessGPa: { } stiffness } data)
        {
            return null;
        }

        var load = Grounds.Sag.LoadNPerMm2(thickness, density, resinMm, resinGPerMl);
        return Reckoned.Of(Grounds.Sag.Mm(load, span.Value, stiffness, thickness), "mm", Formulas.Sag,
            new("span", span.Value, "mm", Origin.Reckoned),
            new("thickness", thickness, "mm", Origin.Own, "ground.base.thicknessMm"),
            new("density", density, "kg/m³", data.OriginOf(MaterialProperties.BoardDensity)),
            new("stiffness E", stiffness, "GPa", data.OriginOf(MaterialProperties.Stiffness)),
            new("resin in all", resinMm, "mm", Origin.Own),
            new("density of the resin", resinGPerMl, "g/ml", Origin.Reckoned));
    }

    private static Reckoned? BaseMassOf(Ground ground, Catalogue catalogue)
    {
        if (ground.Base is not { } board)
        {
            return null;
        }

        var area = ground.Outline.AreaMm2;
        var data = catalogue.Of(board.Material);
        return data switch
        {
            { Material: BaseMaterial.CradledPanel, DensityKgPerM3: { } density } => board.ThicknessMm is not { } face
                ? null : Cradled(ground, board, face, data, density, area),
            { MassKgPerM2: { } byArea } => Reckoned.Of(area * byArea * 1e-6, "kg", Formulas.BaseMassByArea,
                new("area", area / 100, "cm²", Origin.Reckoned),
                new("mass by area", byArea, "kg/m²", data.OriginOf(MaterialProperties.MassByArea))),
            { DensityKgPerM3: { } density } when board.ThicknessMm is { } thickness =>
                Reckoned.Of(area * thickness * density * 1e-9, "kg", Formulas.BaseMass,
                new("area", area / 100, "cm²", Origin.Reckoned), new("thickness", thickness, "mm", Origin.Own, "ground.base.thicknessMm"),
                new("density", density, "kg/m³", data.OriginOf(MaterialProperties.BoardDensity))),
            _ => null,
        };
    }

    /// <summary>A thin face, and bars all round it as high as the sides are below the face.</summary>
    private static Reckoned Cradled(Ground ground, Base board, double faceMm, BaseData data, double density, double area)
    {
        var (bar, high, round) = (board.BarWidthMm ?? Base.UsualBarMm, Math.Max(0, ground.SideHeightMm - faceMm),
            ground.Outline.PerimeterMm);
        return Reckoned.Of(
            area * faceMm * density * 1e-9 + round * bar * high * Base.BarDensity * 1e-9, "kg", Formulas.BaseMassCradled,
            new("area", area / 100, "cm²", Origin.Reckoned), new("thickness", faceMm, "mm", Origin.Own, "ground.base.thicknessMm"),
            new("density", density, "kg/m³", data.OriginOf(MaterialProperties.BoardDensity)),
            new("perimeter", round, "mm", Origin.Reckoned),
            new("bar width", bar, "mm", board.BarWidthMm is null ? Origin.Default : Origin.Own, "ground.base.barWidthMm"),
            new("bar height", high, "mm", Origin.Reckoned), new("bar density", Base.BarDensity, "kg/m³", Origin.Default));
    }

    /// <summary>Mass of the resin of older work, g. A cast piece is its own base, and counts there.</summary>
    private static double OldG(Ground ground, Catalogue catalogue) =>
        ground.Old is not { } old || ground.Base?.Material == BaseMaterial.Resin ? 0
        : OldG(old.Ground, catalogue) + old.Piece.Filled.Sum(l =>
    {
        var system = l.Sitting.Resin.From(catalogue);
        return Volume.Ml(old.Ground.Whole.AreaMm2, l.DepthMm)
            * Parts.OfVolume(system.Ratio, system.ResinDensity, system.HardenerDensity, 100).DensityGPerMl;
    });

    private static Reckoned? With(Reckoned? baseMass, double oldG, ImmutableArray<(string Name, double G)> layers) =>
        baseMass is null ? null : new(
        baseMass.Value + (oldG + layers.Sum(l => l.G)) / 1000, "kg", Formulas.PieceMass,
        [
            new("base", baseMass.Value, "kg", Origin.Reckoned),
            .. oldG > 0 ? [new ReckonedInput("resin of the older work", oldG, "g", Origin.Reckoned)] : Array.Empty<ReckonedInput>(),
            .. layers.Select((l, i) => new ReckonedInput($"resin of layer {i + 1}, {l.Name}", l.G, "g", Origin.Reckoned)),
        ]);
}
