using System.Collections.Immutable;
using MossLantern.Core.Documents;
using MossLantern.Core.Shapes;
using MossLantern.Core.Units;

namespace MossLantern.Core.Grounds;

/// <summary>What a mould, a frame, a dam all round or a hollow holds, and how deep it is filled: it counts to its edge.</summary>
/// <param name="What">What holds.</param>
/// <param name="LayerId">The topmost layer in it.</param>
/// <param name="Field">The field that says how much it holds; null where it follows from others.</param>
/// <param name="Holds">How deep it can be filled, mm: on a tilt as deep as its low side lets it.</param>
/// <param name="Filled">How deep its layers fill it, mm.</param>
/// <param name="Side">The side that lies low; null where it is level, or nobody measured.</param>
/// <param name="InsertId">The insert whose hollow it is; null for none.</param>
/// <remarks>Source: docs/craft/walls.md, What holds to its edge.</remarks>
public sealed record EdgeHold(
    string What, string LayerId, string? Field, Reckoned Holds, Reckoned Filled, string? Side = null, string? InsertId = null)
{
    private const double Hair = 1e-6;

    /// <summary>Whether it is filled beyond its edge.</summary>
    public bool RunsOver => Filled.Value > Holds.Value + Hair;

    /// <summary>Everything that holds to its edge: the piece as a whole, and its hollows.</summary>
    /// <param name="piece">A valid piece.</param>
    public static ImmutableArray<EdgeHold> Of(Piece piece)
    {
        ArgumentNullException.ThrowIfNull(piece);
        return [.. Hollows(piece), .. Whole(piece)];
    }

    /// <summary>A hollow is as deep as its insert stood in what was poured round it.</summary>
    private static IEnumerable<EdgeHold> Hollows(Piece piece)
    {
        if (piece.Ground.Mould is not { } mould)
        {
            yield break;
        }

        foreach (var insert in mould.Inserts ?? [])
        {
            var layers = piece.Layers.Where(l => l.Within == insert.Id).ToList();
            if (layers.Count > 0)
            {
                var body = Math.Min(mould.DepthMm - mould.KeepMm, piece.Layers.Where(l => l.Within is null).Sum(l => l.DepthMm));
                var holds = insert.StandsInMm(body);
                yield return new($"The hollow of {insert.Name}", layers[^1].Id, null,
                    Reckoned.Of(holds, "mm", Formulas.Stated, new ReckonedInput("holds", holds, "mm", Origin.Reckoned)), Depth(layers),
                    InsertId: insert.Id);
            }
        }
    }

    private static IEnumerable<EdgeHold> Whole(Piece piece)
    {
        var ground = piece.Ground;
        var layers = piece.Layers.Where(l => l.Within is null).ToList();

        // What depth was kept for are the layers over the lowest.
        var body = ground.Mould is { KeepMm: > 0 } kept && layers.Count > 0 && layers[0].DepthMm > kept.DepthMm - kept.KeepMm + Hair;
        layers = body ? [layers[0]] : layers;
        if (layers.Count == 0)
        {
            yield break;
        }

        var part = ground.Mould is { } m && ground.Outline is DrawnOutline { Parts.Length: > 1 } drawn
            ? Enumerable.Range(1, drawn.Parts.Length).MinBy(i => m.DepthOf(i) - layers.Sum(l => l.DepthIn(i))) : 1;
        var (holds, what, field) = ground.Mould is { } mould
            ? (mould.DepthOf(part) - (body || layers.Count == 1 ? mould.KeepMm : 0), "The mould", "ground.mould.depthMm")
            : ground is { Edge: EdgeStyle.Walled, SideHeightMm: > 0 }
                ? (ground.SideHeightMm, ground.Base?.Kind == PieceKind.Slice ? "The dam" : "The wall",
                    "ground.sideHeightMm") : (double.PositiveInfinity, "", "");
        if (double.IsFinite(holds))
        {
            var low = LowSide.Of(ground, ground.Outline.BoxWidthMm, ground.Outline.BoxHeightMm);
            yield return new(what, layers[^1].Id, field,
                low is null ? Reckoned.Of(holds, "mm", Formulas.Stated, new ReckonedInput("holds", holds, "mm", Origin.Own, field))
                    : Reckoned.Of(holds - low.DeeperMm, "mm", Formulas.HoldsOnTilt,
                        new("holds", holds, "mm", Origin.Own, field), new("deeper at its low side", low.DeeperMm, "mm", Origin.Measured)),
                Depth(layers, part), low?.Name);
        }
    }

    private static Reckoned Depth(List<Layer> layers, int part = 0)
    {
        double Deep(Layer layer) => part == 0 ? layer.DepthMm : layer.DepthIn(part);
        return new(layers.Sum(Deep), "mm", Formulas.DepthOfAll,
            [.. layers.Select(l => new ReckonedInput(l.Name, Deep(l), "mm", Origin.Own, PlaceIn.Layer(l.Id) + ".depthMm"))]);
    }
}

/// <summary>The side of something that lies low where it was measured out of level.</summary>
/// <param name="DeeperMm">How much deeper resin stands there than in the middle, mm.</param>
/// <param name="Name">The side, as the piece is drawn.</param>
/// <remarks>Source: docs/craft/walls.md, Level.</remarks>
public sealed record LowSide(double DeeperMm, string Name)
{
    /// <summary>What is less is told as level, mm.</summary>
    private const double LeastMm = 0.01;

    /// <summary>Of a box on a ground; null where it is level there, or nobody measured where it cures.</summary>
    /// <param name="ground">The ground.</param>
    /// <param name="widthMm">Width of the box, mm.</param>
    /// <param name="heightMm">Height of the box, mm.</param>
    public static LowSide? Of(Ground ground, double widthMm, double heightMm)
    {
        ArgumentNullException.ThrowIfNull(ground);
        if (ground.Level is not { WhereItCures: true } level
            || level.Tilts(ground.Whole.BoxWidthMm, ground.Whole.BoxHeightMm) is not var (x, y))
        {
            return null;
        }

        var deeper = Levelling.WedgeOver(x, y, widthMm, heightMm) / 2;
        string?[] sides = [y > 0 ? "top" : y < 0 ? "bottom" : null, x > 0 ? "left" : x < 0 ? "right" : null];
        return deeper < LeastMm ? null : new(deeper, string.Join(' ', sides.OfType<string>()));
    }
}
