using System.Globalization;
using MossLantern.Core.Documents;
using MossLantern.Core.Materials;
using MossLantern.Core.Shapes;

namespace MossLantern.Core.Edits;

/// <summary>Pieces that are poured over again, outlines that grow a new rim, and hollows that are filled.</summary>
/// <remarks>Source: docs/craft/grounds.md, Older work.</remarks>
public static class Rework
{
    /// <summary>Depth of a coat that only wets what stands up from older work, mm.</summary>
    public const double WettingMm = 0.5;

    private const double OverMm = 2;

    /// <summary>A new piece over a finished one, which then lies beneath it and shows; nothing is decided yet.</summary>
    /// <param name="old">The finished piece.</param>
    /// <param name="id">Its id on the shelf.</param>
    public static Piece Over(Piece old, string id)
    {
        ArgumentNullException.ThrowIfNull(old);
        var ground = Over(old.Ground, new OldWork(old, id));
        var name = $"{old.Name}, again";
        var first = FirstPiece.Of(name.Length <= PieceValidator.LongestName ? name : old.Name, ground);
        return first with { Growth = old.Growth, Layers = [first.Layers[0] with { Name = "Over the old work", DepthMm = OverMm }] };
    }

    /// <summary>A ground that is poured over older work of which only the outline and the colour are known.</summary>
    public static Ground OverUnknown(Ground ground)
    {
        ArgumentNullException.ThrowIfNull(ground);
        return Over(ground, new OldWork(new("older work", ground, GrowthScale.For(ground.MapOutline), [], [], []), null));
    }

    /// <summary>A ground without the older work beneath; one that had grown goes back to what it was.</summary>
    public static Ground OverNothing(Ground ground)
    {
        ArgumentNullException.ThrowIfNull(ground);
        return ground.Old is { } old ? ground with { Old = null, Outline = old.Ground.Outline, Supports = null } : ground;
    }

    /// <summary>The same ground with a new rim all round the older work; openings stay as they are.</summary>
    /// <param name="ground">A ground with older work beneath.</param>
    /// <param name="mm">Width of the new rim, mm.</param>
    public static Ground Grown(Ground ground, double mm)
    {
        ArgumentNullException.ThrowIfNull(ground);
        if (ground.Old is not { } old || ground.Set is not null)
        {
            return ground;
        }

        var (outline, byX, byY) = Grown(ground.Outline, mm);

        // A free casting and a slice stand on what the new rim is poured on: they are as high as they are thick.
        var stands = old.StandsMm == 0 && ThickMm(ground.Base, old) is { } thick ? Math.Round(thick, 2) : old.StandsMm;
        return ground
            with
        { Outline = outline, Supports = null, Old = old with { XMm = old.XMm + byX, YMm = old.YMm + byY, StandsMm = stands } };
    }

    /// <summary>A piece with a layer that fills the hollow of an insert; the piece itself where it has no such insert,
    /// or it is filled already.</summary>
    public static Piece Filled(Piece piece, string insertId)
    {
        ArgumentNullException.ThrowIfNull(piece);
        if (piece.Ground.Mould is not { } mould || mould.Insert(insertId) is not { } insert || piece.Layers.Any(l => l.Within == insertId))
        {
            return piece;
        }

        var below = piece.SittingOf(piece.Layers.Last(l => l.Within is null).Id);
        var ids = piece.Layers.Select(l => l.Id).Concat(piece.Sittings.Select(s => s.Id)).ToHashSet();
        var number = Enumerable.Range(piece.Layers.Length + 1, 2 * PieceValidator.MostLayers + 1).First(n => !ids.Contains(LayerId(n)));
        var known = piece.Recipes.FirstOrDefault(r => r.IsClear);
        var clear = known ?? Recipe.Clear(FreeId.Of("clear", piece.Recipes.Select(r => r.Id)));
        return piece with
        {
            Recipes = known is null ? piece.Recipes.Add(clear) : piece.Recipes,
            Layers = piece.Layers.Add(new(
                LayerId(number), insert.Name, Math.Round(insert.FillMm(mould.DepthMm - mould.KeepMm), 2),
                new RingsLayout([], [new("band-1", 10, true, clear.Id)], 0, null), Within: insert.Id)),
            Sittings = piece.Sittings.Add(new(LayerId(number), [LayerId(number)], below.Resin, below.Measure)),
        };

        static string LayerId(int n) => string.Create(CultureInfo.InvariantCulture, $"layer-{n}");
    }

    /// <summary>What was done to the old ground does not hold for what is poured on now.</summary>
    private static Ground Over(Ground ground, OldWork old)
    {
        var casting = ground.Base?.Kind == PieceKind.Casting;
        return ground with
        {
            Old = old,
            Paint = null,
            Done = null,
            Level = null,
            PanelLevels = null,
            Mould = null,
            Edge = casting ? EdgeStyle.DrippedOver : ground.Edge,
            Base = casting
                ? new(PieceKind.Panel, BaseMaterial.Resin,
                    old.Layers.IsEmpty ? null : Math.Max(0.5, old.Layers.Where(l => l.Within is null).Sum(l => l.DepthMm)))
                : ground.Base,
            SideHeightMm = casting ? Math.Round(old.Layers.Where(l => l.Within is null).Sum(l => l.DepthMm), 1) : ground.SideHeightMm,
        };
    }

    private static double? ThickMm(Base? of, OldWork old) => of switch
    {
        { Material: BaseMaterial.Resin } => of.ThicknessMm,
        { Kind: PieceKind.Slice, ThicknessMm: { } board } when !old.Layers.IsEmpty =>
            board + old.Layers.Where(l => l.Within is null).Sum(l => l.DepthMm),
        _ => null,
    };

    private static (Outline Outline, double ByX, double ByY) Grown(Outline outline, double mm)
    {
        var (grown, byX, byY) = outline switch
        {
            RectangleOutline r => (new RectangleOutline(r.WidthMm + 2 * mm, r.HeightMm + 2 * mm), mm, mm),
            RoundOutline r => (new RoundOutline(r.DiameterMm + 2 * mm), mm, mm),
            OvalOutline o => (new OvalOutline(o.WidthMm + 2 * mm, o.HeightMm + 2 * mm), mm, mm),
            _ => Buffered(outline, mm),
        };
        return grown is not DrawnOutline && outline.OpeningOf is { } opening
            ? (grown.Opened(opening with { XMm = opening.XMm + byX, YMm = opening.YMm + byY }), byX, byY)
            : (grown, byX, byY);
    }

    private static (Outline Outline, double ByX, double ByY) Buffered(Outline outline, double mm)
    {
        var outer = Flat.Of([.. outline.Rings.Where(r => r.SignedAreaMm2 > 0)]).Buffer(0).Buffer(mm);
        foreach (var hole in outline.Rings.Where(r => r.SignedAreaMm2 < 0))
        {
            outer = Flat.Without(outer, Flat.Of([hole.Reversed()]));
        }

        var box = outer.EnvelopeInternal;
        return (DrawnOutline.Of(Flat.Rings(outer).Select(r => r.Moved(-box.MinX, -box.MinY))), -box.MinX, -box.MinY);
    }
}
