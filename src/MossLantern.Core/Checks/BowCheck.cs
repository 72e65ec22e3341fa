using System.Collections.Immutable;
using System.Globalization;
using MossLantern.Core.Documents;
using MossLantern.Core.Grounds;
using MossLantern.Core.Materials;
using MossLantern.Core.Units;

namespace MossLantern.Core.Checks;

/// <summary>The base bows so far that its thinnest layer pools.</summary>
internal sealed class BowCheck : ICheck
{
    private const int MostRows = 7;

    public string Id => "bow";

    public IEnumerable<Finding> Look(Looked looked)
    {
        var standing = looked.Ground.Standing;
        if (looked.MoreToPour && looked.Piece.Ground is { Base: { ThicknessMm: null, Material: not BaseMaterial.Canvas, Kind: PieceKind.Panel or PieceKind.Slice } } unknown && standing.Sag is null)
        {
            yield return new(
                Id, "bow@ground/unknown", Grade.Mind, "Bow not known", "The thickness of the base has not been entered, so its bow under the resin is not known.", [],
                new("ground", null, unknown.Outline.BoxWidthMm / 2, unknown.Outline.BoxHeightMm / 2), [Remedy.Ask("thickness", "Enter how thick it is", "ground.base.thicknessMm")]);
        }

        if (!looked.MoreToPour || standing is not { Sag: { } sag, Straight: false })
        {
            yield break;
        }

        var (width, height) = (looked.Piece.Ground.Outline.BoxWidthMm, looked.Piece.Ground.Outline.BoxHeightMm);
        yield return new(
            Id, "bow@ground", Grade.Mend, "Base bows",
            "Across {0} without support the base bows {1}, more than a tenth of the thinnest layer still to pour ({2}): resin will pool in the middle.",
            [standing.Span, sag, standing.Thinnest], new("ground", null, width / 2, height / 2),
            [.. MoreSupports(looked), .. Thicker(looked), Remedy.Ask("base", "Use another base", "ground.base.thicknessMm")]);
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
                    "middle", string.Create(CultureInfo.InvariantCulture, $"Support the middle too: {supports.Length} supports in all"), g => g with { Supports = supports });
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
                    "thicker", "Use a base {0} thick", g => g with { Base = g.Base! with { ThicknessMm = thicker.Base.ThicknessMm } }, mm);
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
