using System.Collections.Immutable;
using System.Globalization;
using MossLantern.Core.Grounds;
using MossLantern.Core.Mixing;
using MossLantern.Core.Pieces;
using MossLantern.Core.Walls;
using NodaTime;

namespace MossLantern.Core.Checks;

/// <summary>The piece stands so far out of level that its thinnest layer drifts.</summary>
internal sealed class TiltCheck : ICheck
{
    public string Id => "tilt";

    public IEnumerable<Finding> Look(Looked looked)
    {
        // A tilt of another spot says nothing of this one.
        var standing = looked.Plan.Ground.Standing;
        if (looked.Piece.Ground.Level is not { WhereItCures: true } || standing is not { Drift: { } drift, Level: false })
        {
            yield break;
        }

        var thinnest = looked.Piece.Layers.MinBy(l => l.DepthMm)!;
        var deepest = ResinInUse.Of(thinnest.Resin).System.DeepestMm;
        var needed = Math.Ceiling(drift.Value / Levelling.AcceptedShare * 10) / 10;
        var most = standing.Supports.MaxBy(s => s.Shim?.Value ?? 0)!;
        List<Remedy> remedies = [Remedy.Change(
            "shims", "The shims are in: measure again", p => p with { Ground = p.Ground with { Level = null } })];
        if (needed <= deepest)
        {
            remedies.Add(Remedy.Change("deeper", Text($"Pour {thinnest.Name} {needed:0.#} mm deep"), p => p with
            {
                Layers = [.. p.Layers.Select(l => l.DepthMm < needed ? l with { DepthMm = needed } : l)],
            }));
        }

        yield return new(
            Id, "tilt@ground", Grade.Mend, "Out of level",
            Text($"One side lies {drift.Value:0.0#} mm lower, more than a tenth of {thinnest.Name} ({thinnest.DepthMm:0.#} mm): it drifts there overnight."),
            new("ground", null, most.XMm, most.YMm), [.. remedies]);
    }

    private static string Text(FormattableString text) => text.ToString(CultureInfo.InvariantCulture);
}

/// <summary>Nobody has measured the level at the place where the piece cures.</summary>
internal sealed class LevelUnknownCheck : ICheck
{
    public string Id => "level-unknown";

    public IEnumerable<Finding> Look(Looked looked)
    {
        var reading = looked.Piece.Ground.Level;
        if (reading is { WhereItCures: true } && looked.Plan.Ground.Standing.Drift is not null)
        {
            yield break;
        }

        var elsewhere = reading is { WhereItCures: false };
        List<Remedy> remedies = [Remedy.Ask("measure", "Measure there", "ground.level.tiltXDeg")];
        if (elsewhere)
        {
            remedies.Add(Remedy.Change(
                "here", "It was measured where it cures", p => p with { Ground = p.Ground with { Level = p.Ground.Level! with { WhereItCures = true } } }));
        }

        yield return new(
            Id, "level-unknown@ground", Grade.Mind, "Level not known",
            elsewhere
                ? "The level was read on another spot than the one it will cure on, and that says nothing."
                : "Nobody has read the level where it will cure: a fraction of a degree is enough to drift.",
            new("ground"), [.. remedies]);
    }
}

/// <summary>The base bows so far that its thinnest layer pools.</summary>
internal sealed class BowCheck : ICheck
{
    public string Id => "bow";

    public IEnumerable<Finding> Look(Looked looked)
    {
        var standing = looked.Plan.Ground.Standing;
        if (standing is not { Sag: { } sag, Straight: false })
        {
            yield break;
        }

        var thickness = looked.Piece.Ground.Base!.ThicknessMm!.Value;
        var thinnest = looked.Piece.Layers.Min(l => l.DepthMm);

        // Thicker is stiffer by the third power and heavier by less than the first.
        var needed = thickness;
        while (needed < Units.Accepted.ThicknessMm.To && !Straight(looked, needed))
        {
            needed = Math.Floor(needed) + 1;
        }

        List<Remedy> remedies = [Remedy.Change("middle", "Support the middle too", p => p with
        {
            Ground = p.Ground with { Supports = WithMiddle(p) },
        })];
        if (Straight(looked, needed))
        {
            remedies.Add(Remedy.Change("thicker", string.Create(CultureInfo.InvariantCulture, $"Take a base of {needed:0.#} mm"), p => p with
            {
                Ground = p.Ground with { Base = p.Ground.Base! with { ThicknessMm = needed } },
            }));
        }

        yield return new(
            Id, "bow@ground", Grade.Mend, "Base bows",
            string.Create(CultureInfo.InvariantCulture,
                $"Over {standing.Span.Value:0} mm without a support it bows {sag.Value:0.0#} mm, more than a tenth of the thinnest layer ({thinnest:0.#} mm): resin pools in the middle."),
            new("ground", null, looked.Piece.Ground.Outline.BoxWidthMm / 2, looked.Piece.Ground.Outline.BoxHeightMm / 2), [.. remedies]);
    }

    private static bool Straight(Looked looked, double thicknessMm)
    {
        var ground = looked.Piece.Ground;
        var thicker = looked.Piece with { Ground = ground with { Base = ground.Base! with { ThicknessMm = thicknessMm } } };
        return Standing.Of(thicker, [.. looked.Plan.Layers.Select(l => l.ResinG)], [.. looked.Plan.Layers.Select(l => l.Poured)]).Straight == true;
    }

    /// <summary>The supports with those between them that lie under the piece.</summary>
    private static ImmutableArray<Support> WithMiddle(Piece piece)
    {
        var supports = Standing.SupportsOf(piece.Ground);
        double left = supports.Min(s => s.XMm), right = supports.Max(s => s.XMm), top = supports.Min(s => s.YMm), bottom = supports.Max(s => s.YMm);
        var (x, y) = ((left + right) / 2, (top + bottom) / 2);
        Support[] more = [new(x, top), new(x, bottom), new(left, y), new(right, y), new(x, y)];
        return [.. supports, .. more.Where(m => !supports.Contains(m) && piece.Ground.Outline.SignedDistanceMm(m.XMm, m.YMm) < 0)];
    }
}

/// <summary>A canvas whose back is not stiffened.</summary>
internal sealed class CanvasSagCheck : ICheck
{
    public string Id => "canvas-sag";

    public IEnumerable<Finding> Look(Looked looked)
    {
        if (looked.Piece.Ground is { Base: { Material: BaseMaterial.Canvas, BackStiffened: false }, Outline: var outline })
        {
            yield return new(
                Id, "canvas-sag@ground", Grade.Mend, "Canvas sags", "Under the weight of resin a canvas sags in the middle and the layer pools there.",
                new("ground", null, outline.BoxWidthMm / 2, outline.BoxHeightMm / 2),
                [Remedy.Change("stiffen", "Stiffen the back first", p => p with { Ground = p.Ground with { Base = p.Ground.Base! with { BackStiffened = true } } })]);
        }
    }
}

/// <summary>Oil paint as ground.</summary>
internal sealed class PaintOilCheck : ICheck
{
    public string Id => "paint-oil";

    public IEnumerable<Finding> Look(Looked looked)
    {
        if (looked.Piece.Ground.Paint is { Kind: PaintKind.Oil, Sealed: false })
        {
            yield return new(
                Id, "paint-oil@ground", Grade.Mend, "Oil paint below", "Resin lets go of oil paint, sooner or later.", new("ground"),
                [
                    Remedy.Change("seal", "Seal it under a thin coat", p => p with { Ground = p.Ground with { Paint = p.Ground.Paint! with { Sealed = true } } }),
                    Remedy.Change("water", "Paint with water-based paint instead", p => p with
                    {
                        Ground = p.Ground with { Paint = p.Ground.Paint! with { Kind = PaintKind.Water, DryHours = null } },
                    }),
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
        var layer = looked.Piece.Layers[0];
        if (looked.Plan.Layers[0].Poured || layer.Plan.Start is not { } start)
        {
            yield break;
        }

        foreach (var step in looked.Plan.Ground.Preparation.Where(s => s.ReadyAt > start && s.DryHours is not null))
        {
            var ready = step.ReadyAt!.Value;
            yield return new(
                Id, $"wet-glue@ground/{step.Id}", Grade.Mend, "Not dry yet",
                $"\"{step.What}\" is dry at {Clock(ready)}, and {layer.Name} starts at {Clock(start)}: it clouds or lifts.",
                new("ground", layer.Id),
                [Remedy.Change("later", $"Start at {Clock(ready)}", p => p with
                {
                    Layers = p.Layers.SetItem(0, p.Layers[0] with { Plan = Later(p.Layers[0].Plan, ready) }),
                })]);
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
        if (looked.Piece.Ground.Base is { Kind: PieceKind.Slice or PieceKind.Frame } board && !(board.GapsSealed && board.SealTested))
        {
            var what = board.Kind == PieceKind.Frame ? "frame" : "dam";
            yield return new(
                Id, "leaky@ground", Grade.Mend, "May leak",
                board.GapsSealed ? $"Nobody has tested the {what} with water: resin finds every gap and runs out underneath."
                    : $"The gaps of the {what} are not sealed: resin runs out underneath.",
                new("ground"),
                [Remedy.Change("sealed", "It is sealed and held water", p => p with
                {
                    Ground = p.Ground with { Base = p.Ground.Base! with { GapsSealed = true, SealTested = true } },
                })]);
        }
    }
}
