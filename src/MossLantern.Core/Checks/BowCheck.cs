using System.Collections.Immutable;
using System.Globalization;
using MossLantern.Core.Documents;
using MossLantern.Core.Edits;
using MossLantern.Core.Grounds;
using MossLantern.Core.Materials;
using MossLantern.Core.Units;

namespace MossLantern.Core.Checks;

/// <summary>The base bows so far that its thinnest layer pools.</summary>
internal sealed class BowCheck : ICheck
{
    public string Id => "bow";

    public IEnumerable<Finding> Look(Looked looked)
    {
        var standing = looked.Ground.Standing;
        if (looked.MoreToPour && looked.Piece.Ground is
            {
                Base:
                {
                    ThicknessMm: null, Kind: PieceKind.Panel or PieceKind.Slice
                }
            } unknown && unknown.Base.Material.Carries() && standing.Sag is null)
        {
            yield return new(
                Id, "bow@ground/unknown", Grade.Mind, "Bow not known",
                "The thickness of the base has not been entered, so its bow under the resin is not known.", [],
                new(Station.Ground, null, unknown.Outline.BoxWidthMm / 2, unknown.Outline.BoxHeightMm / 2),
                [Remedy.Ask("thickness", "Enter how thick it is", "ground.base.thicknessMm")]);
        }

        if (!looked.MoreToPour || standing is not { Sag: { } sag, Straight: false })
        {
            yield break;
        }

        var (width, height) = (looked.Piece.Ground.Outline.BoxWidthMm, looked.Piece.Ground.Outline.BoxHeightMm);
        yield return new(
            Id, "bow@ground", Grade.Mend, "Base bows",
            "Across {0} without support the base bows {1}, more than a tenth of the thinnest layer still to pour "
                + "({2}): resin will pool in the middle.",
            [standing.Span, sag, standing.Thinnest], new(Station.Ground, null, width / 2, height / 2),
            [.. MoreSupports(looked), .. Thicker(looked), Remedy.Ask("base", "Use another base", "ground.base.thicknessMm")]);
    }

    /// <summary>The fewest rows of supports that carry it.</summary>
    private static IEnumerable<Remedy> MoreSupports(Looked looked)
    {
        for (var rows = 3; rows <= Standing.MostRows; rows++)
        {
            var supports = Standing.InRows(looked.Piece.Ground, rows);
            if (Straight(looked, looked.Piece.Ground with { Supports = supports }))
            {
                yield return Remedy.Of("middle",
                    FormattableString.Invariant($"Support the middle too: {supports.Length} supports in all"), new SupportInRows(rows));
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
                yield return Remedy.Set("thicker", "Use a base {0} thick", "ground.base.thicknessMm", mm, mm);
                yield break;
            }
        }
    }

    private static bool Straight(Looked looked, Ground ground) =>
        Standing.Of(looked.Piece with { Ground = ground }, [.. looked.Layers.Select(l => l.LoadOn(ground))],
            looked.Around.Catalogue).Straight == true;
}
