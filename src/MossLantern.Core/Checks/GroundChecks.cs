using System.Collections.Immutable;
using System.Globalization;
using MossLantern.Core.Documents;
using MossLantern.Core.Grounds;
using MossLantern.Core.Materials;
using MossLantern.Core.Painting;
using MossLantern.Core.Shapes;
using MossLantern.Core.Units;
using NodaTime;

namespace MossLantern.Core.Checks;

/// <summary>The piece stands so far out of level that its thinnest layer drifts.</summary>
internal sealed class TiltCheck : ICheck
{
    public string Id => "tilt";

    public IEnumerable<Finding> Look(Looked looked)
    {
        // A tilt of another spot says nothing of this one.
        foreach (var (panel, reading, standing, named) in PanelsOf.Each(looked).Where(_ => looked.MoreToPour))
        {
            if (reading is not { WhereItCures: true } || standing is not { Drift: { } drift, Level: false })
            {
                continue;
            }

            var lowest = standing.Supports.MaxBy(s => s.Shim?.Value ?? 0)!;
            yield return new(
                Id, PanelsOf.Key("tilt@ground", panel), Grade.Mend, "Out of level",
                $"One side{named} lies {{0}} lower, more than a tenth of the thinnest layer to come ({{1}}): it drifts there overnight.",
                [drift, standing.Thinnest], new("ground", null, lowest.XMm, lowest.YMm),
                [
                    Remedy.OnGround("shims", "The shims are in: measure again", g => g.WithLevel(panel, null)),
                    .. Deeper(looked, Math.Ceiling(drift.Value / Levelling.AcceptedShare * 10) / 10),
                ]);
        }
    }

    /// <summary>Layers to come as deep as the drift asks for, where their resins can be poured so deep.</summary>
    private static IEnumerable<Remedy> Deeper(Looked looked, double neededMm)
    {
        var thin = looked.Piece.Filled.Zip(looked.Layers).Where(l => !l.Second.Poured && l.First.DepthMm < neededMm).Select(l => l.First).ToList();
        if (thin.All(l => neededMm <= l.Resin.From(looked.Around.Catalogue).DeepestMm))
        {
            yield return Remedy.Change(
                "deeper", "Pour the layers to come at least {0} deep",
                p => p with { Layers = [.. p.Layers.Select(l => thin.Any(t => t.Id == l.Id) ? l with { DepthMm = neededMm } : l)] },
                neededMm);
        }
    }
}

/// <summary>Nobody has measured the level at the place where the piece cures.</summary>
internal sealed class LevelUnknownCheck : ICheck
{
    public string Id => "level-unknown";

    public IEnumerable<Finding> Look(Looked looked)
    {
        return looked.MoreToPour ? PanelsOf.Each(looked).SelectMany(p => Unknown(p.Panel, p.Reading, p.Standing, p.Named)) : [];
    }

    private IEnumerable<Finding> Unknown(int panel, LevelReading? reading, Standing standing, string named)
    {
        if (reading is { WhereItCures: true } && standing.TooCoarse)
        {
            yield return new(
                Id, PanelsOf.Key("level-unknown@ground/coarse", panel), Grade.Mind, "Level too coarse to tell",
                $"The level{named} shows steps of {{0}}, and the thinnest layer to come asks for {{1}}: a dish of water on the spot tells more.",
                [
                    Reckoned.Of(reading.StepDeg!.Value, "°", Formulas.Stated, new ReckonedInput("step of the level", reading.StepDeg.Value, "°", Origin.Measured)),
                    standing.Needed,
                ],
                new("ground"),
                [
                    Remedy.OnGround("water", "Water stands level there", g => g.WithLevel(panel, g.LevelOf(panel)! with { WaterChecked = true })),
                    Remedy.Ask("measure", "Measure with a finer level", "ground.level.tiltXDeg"),
                ]);
            yield break;
        }

        if (reading is { WhereItCures: true } && standing.Drift is not null)
        {
            yield break;
        }

        var elsewhere = reading is { WhereItCures: false };
        var field = reading?.Corners is null ? "ground.level.tiltXDeg" : "ground.level.corners.topLeftMm";
        yield return new(
            Id, PanelsOf.Key("level-unknown@ground", panel), Grade.Mind, "Level not known",
            elsewhere
                ? $"The level{named} was read on another spot than the one it will cure on, and that says nothing."
                : $"Nobody has read the level{named} where it will cure: a fraction of a degree is enough to drift.",
            [], new("ground"),
            [
                Remedy.Ask("measure", "Measure there", field),
                .. elsewhere ? [Remedy.OnGround("here", "It was measured where it cures", g => g.WithLevel(panel, g.LevelOf(panel)! with { WhereItCures = true }))] : Array.Empty<Remedy>(),
            ]);
    }
}

/// <summary>The panels of a set one after the other; a single piece is one.</summary>
internal static class PanelsOf
{
    /// <summary>Each panel with its reading, how it stands, and what it is called in a sentence.</summary>
    public static IEnumerable<(int Panel, LevelReading? Reading, Standing Standing, string Named)> Each(Looked looked)
    {
        var (ground, plan) = (looked.Piece.Ground, looked.Ground);
        string Named(int panel) => ground.Set is null ? "" : string.Create(CultureInfo.InvariantCulture, $" of panel {panel}");
        yield return (1, ground.Level, plan.Standing, Named(1));
        foreach (var other in plan.Panels ?? [])
        {
            yield return (other.Panel, ground.LevelOf(other.Panel), other.Standing, Named(other.Panel));
        }
    }

    /// <summary>A finding's key; the first panel's is that of a single piece.</summary>
    public static string Key(string key, int panel) => panel == 1 ? key : string.Create(CultureInfo.InvariantCulture, $"{key}/panel-{panel}");
}

/// <summary>The base bows so far that its thinnest layer pools.</summary>
internal sealed class BowCheck : ICheck
{
    private const int MostRows = 7;

    public string Id => "bow";

    public IEnumerable<Finding> Look(Looked looked)
    {
        var standing = looked.Ground.Standing;
        if (!looked.MoreToPour || standing is not { Sag: { } sag, Straight: false })
        {
            yield break;
        }

        var (width, height) = (looked.Piece.Ground.Outline.BoxWidthMm, looked.Piece.Ground.Outline.BoxHeightMm);
        yield return new(
            Id, "bow@ground", Grade.Mend, "Base bows",
            "Over {0} without a support it bows {1}, more than a tenth of the thinnest layer to come ({2}): resin pools in the middle.",
            [standing.Span, sag, standing.Thinnest], new("ground", null, width / 2, height / 2),
            [.. MoreSupports(looked), .. Thicker(looked), Remedy.Ask("base", "Take another base", "ground.base.thicknessMm")]);
    }

    /// <summary>The fewest rows of supports that carry it.</summary>
    private static IEnumerable<Remedy> MoreSupports(Looked looked)
    {
        for (var rows = 3; rows <= MostRows; rows++)
        {
            var supports = Rows(looked.Piece, rows);
            if (Straight(looked, looked.Piece.Ground with { Supports = supports }))
            {
                yield return Remedy.OnGround(
                    "middle", string.Create(CultureInfo.InvariantCulture, $"Support the middle too: {supports.Length} in all"), g => g with { Supports = supports });
                yield break;
            }
        }
    }

    /// <summary>The thinnest board, in whole millimetres, that carries itself and its resin.</summary>
    private static IEnumerable<Remedy> Thicker(Looked looked)
    {
        var ground = looked.Piece.Ground;
        for (var mm = Math.Floor(ground.Base!.ThicknessMm!.Value) + 1; mm <= Accepted.ThicknessMm.To; mm++)
        {
            var thicker = ground with { Base = ground.Base with { ThicknessMm = mm } };
            if (Straight(looked, thicker))
            {
                yield return Remedy.OnGround(
                    "thicker", "Take a base of {0}", g => g with { Base = g.Base! with { ThicknessMm = thicker.Base.ThicknessMm } }, mm);
                yield break;
            }
        }
    }

    private static bool Straight(Looked looked, Ground ground) =>
        Standing.Of(looked.Piece with { Ground = ground }, [.. looked.Layers.Select(l => l.LoadOn(ground))], looked.Around.Catalogue).Straight == true;

    /// <summary>The supports, with rows of more between the outermost wherever they lie under the piece.</summary>
    private static ImmutableArray<Support> Rows(Piece piece, int rows)
    {
        var supports = Standing.SupportsOf(piece.Ground);
        double left = supports.Min(s => s.XMm), right = supports.Max(s => s.XMm), top = supports.Min(s => s.YMm), bottom = supports.Max(s => s.YMm);
        double At(double from, double to, int i) => Math.Round(from + (to - from) * i / (rows - 1), 1);
        return
        [
            .. supports,
            .. Enumerable.Range(0, rows * rows).Select(i => new Support(At(left, right, i % rows), At(top, bottom, i / rows)))
                .Where(s => !supports.Contains(s) && piece.Ground.Outline.SignedDistanceMm(s.XMm, s.YMm) < 0),
        ];
    }
}

/// <summary>A canvas whose back is not stiffened.</summary>
internal sealed class CanvasSagCheck : ICheck
{
    public string Id => "canvas-sag";

    public IEnumerable<Finding> Look(Looked looked)
    {
        if (looked.Bare && looked.Piece.Ground is { Base: { Material: BaseMaterial.Canvas, BackStiffened: false }, Outline: var outline })
        {
            yield return new(
                Id, "canvas-sag@ground", Grade.Mend, "Canvas sags", "Under the weight of resin a canvas sags in the middle and the layer pools there.",
                [], new("ground", null, outline.BoxWidthMm / 2, outline.BoxHeightMm / 2),
                [Remedy.OnGround("stiffen", "Stiffen the back first", g => g with { Base = g.Base! with { BackStiffened = true } })]);
        }
    }
}

/// <summary>Oil paint as ground.</summary>
internal sealed class PaintOilCheck : ICheck
{
    public string Id => "paint-oil";

    public IEnumerable<Finding> Look(Looked looked)
    {
        if (looked.Bare && looked.Piece.Ground.Paint is { Kind: PaintKind.Oil, Sealed: false })
        {
            yield return new(
                Id, "paint-oil@ground", Grade.Mend, "Oil paint below", "Resin lets go of oil paint, sooner or later.", [], new("ground"),
                [
                    Remedy.OnGround("seal", "Seal it under a thin coat", g => g with { Paint = g.Paint! with { Sealed = true } }),
                    Remedy.OnGround(
                        "water", "Paint with water-based paint instead", g => g with { Paint = g.Paint! with { Kind = PaintKind.Water, DryHours = null } }),
                ]);
        }
    }
}

/// <summary>Paint, filler or sealant that is not dry when the first resin comes.</summary>
internal sealed class WetGlueCheck : ICheck
{
    public string Id => "wet-glue";

    public IEnumerable<Finding> Look(Looked looked)
    {
        var layer = looked.Piece.Filled[0];
        if (!looked.Bare || layer.Plan.Start is not { } start)
        {
            yield break;
        }

        foreach (var step in looked.Ground.Preparation.Where(s => s.ReadyAt > start && s.DryHours is not null))
        {
            var ready = step.ReadyAt!.Value;
            yield return new(
                Id, $"wet-glue@ground/{step.Id}", Grade.Mend, "Not dry yet",
                $"\"{step.What}\" is dry at {Clock(ready)}, and {layer.Name} starts at {Clock(start)}: it clouds or lifts.",
                [], new("ground", layer.Id),
                [Remedy.OnLayer("later", $"Start at {Clock(ready)}", layer.Id, l => l with { Plan = Later(l.Plan, ready) })]);
        }
    }

    private static PourTimes Later(PourTimes plan, LocalDateTime start) => plan with
    {
        Start = start,
        End = plan.End is { } end && plan.Start is { } was ? start + Period.Between(was, end) : plan.End,
    };

    private static string Clock(LocalDateTime time) => time.ToString("ddd d MMM, HH:mm", CultureInfo.InvariantCulture);
}

/// <summary>A frame or a dam that is not sealed, or whose seal nobody tested.</summary>
internal sealed class LeakyCheck : ICheck
{
    public string Id => "leaky";

    public IEnumerable<Finding> Look(Looked looked)
    {
        if (looked.Bare && looked.Piece.Ground.Base is { Kind: PieceKind.Slice or PieceKind.Frame } board && !(board.GapsSealed && board.SealTested))
        {
            var what = board.Kind == PieceKind.Frame ? "frame" : "dam";
            yield return new(
                Id, "leaky@ground", Grade.Mend, "May leak",
                board.GapsSealed ? $"Nobody has tested the {what} with water: resin finds every gap and runs out underneath."
                    : $"The gaps of the {what} are not sealed: resin runs out underneath.",
                [], new("ground"),
                [Remedy.OnGround("sealed", "It is sealed and held water", g => g with { Base = g.Base! with { GapsSealed = true, SealTested = true } })]);
        }
    }
}
