using MossLantern.Core.Documents;
using MossLantern.Core.Materials;
using MossLantern.Core.Shapes;

namespace MossLantern.Core.Edits;

/// <summary>The plain outlines a ground can be given.</summary>
public enum OutlineShape
{
    /// <summary>A rectangle.</summary>
    Rectangle,

    /// <summary>A round.</summary>
    Round,

    /// <summary>An oval.</summary>
    Oval,

    /// <summary>A freeform slice.</summary>
    Slice,
}

/// <summary>A ground made into another kind or given another outline: what goes with that follows.</summary>
/// <remarks>Source: docs/craft/grounds.md, Kinds.</remarks>
public static class Becoming
{
    /// <summary>A new slice's handles.</summary>
    private static readonly double[] FirstReach = [0.96, 0.9, 0.95, 0.88, 0.93, 0.97, 0.86, 0.94];

    private const double FirstWobble = 0.012;
    private const double OpeningShare = 0.16;

    /// <summary>Another kind of piece: its edge, its outline, its material and its mould follow.</summary>
    public static Ground OfKind(Ground ground, PieceKind kind)
    {
        ArgumentNullException.ThrowIfNull(ground);
        if (kind == PieceKind.Casting)
        {
            return ground with
            {
                Base = new(kind, BaseMaterial.Silicone),
                Edge = EdgeStyle.Walled,
                Paint = null,
                Set = null,
                Old = null,
                Mould = ground.Mould ?? new(10, CapacityFrom.Dimensions, null, 1, 1, 0),
            };
        }

        var was = ground.Base ?? new(kind, BaseMaterial.BirchPly);
        var edge = kind != PieceKind.Panel ? EdgeStyle.Walled : ground.Edge == EdgeStyle.Walled ? EdgeStyle.TapedClean : ground.Edge;
        return ground with
        {
            Base = was with { Kind = kind, Material = was.Material == BaseMaterial.Silicone ? BaseMaterial.BirchPly : was.Material },
            Edge = edge,
            Mould = null,
            Set = kind == PieceKind.Frame ? null : ground.Set,
            Outline = kind == PieceKind.Slice && ground.Outline is not (SliceOutline or DrawnOutline)
                ? Shaped(ground.Outline, OutlineShape.Slice) : ground.Outline,
        };
    }

    /// <summary>Another outline in the same box.</summary>
    public static Outline Shaped(Outline outline, OutlineShape shape)
    {
        ArgumentNullException.ThrowIfNull(outline);
        double width = outline.BoxWidthMm, height = outline.BoxHeightMm, smaller = Math.Min(width, height);
        Outline to = shape switch
        {
            OutlineShape.Round => new RoundOutline(smaller),
            OutlineShape.Oval => new OvalOutline(width, height),
            OutlineShape.Slice => new SliceOutline(width, height, [.. FirstReach], Math.Round(smaller * FirstWobble), 5),
            _ => new RectangleOutline(width, height),
        };
        var opened = to.Opened(outline.OpeningOf);
        return opened.OpeningFits(SliceOutline.LeastRimMm) ? opened : to;
    }

    /// <summary>The same curve through another number of handles.</summary>
    /// <param name="slice">A slice.</param>
    /// <param name="handles">From <see cref="SliceOutline.FewestHandles"/> to <see cref="SliceOutline.MostHandles"/>.</param>
    public static SliceOutline Through(SliceOutline slice, int handles)
    {
        ArgumentNullException.ThrowIfNull(slice);
        return slice with
        {
            Reach = [.. Enumerable.Range(0, handles)
                .Select(i => Math.Clamp(Math.Round(slice.ReachAt(2 * Math.PI * i / handles), 3),
                    Units.Accepted.Reach.From, Units.Accepted.Reach.To))],
        };
    }

    /// <summary>With an opening off the middle, or whole again.</summary>
    public static Outline Opened(Outline outline, bool open)
    {
        ArgumentNullException.ThrowIfNull(outline);
        double width = outline.BoxWidthMm, height = outline.BoxHeightMm;
        return outline.Opened(open
            ? new(Math.Round(width * 0.55), Math.Round(height * 0.5), Math.Max(5, Math.Round(width * OpeningShare)),
                Math.Max(5, Math.Round(height * OpeningShare)))
            : null);
    }

    /// <summary>With another wobble.</summary>
    public static SliceOutline Reseeded(SliceOutline slice)
    {
        ArgumentNullException.ThrowIfNull(slice);
        return slice with { Seed = slice.Seed % 9973 + 1 };
    }
}
