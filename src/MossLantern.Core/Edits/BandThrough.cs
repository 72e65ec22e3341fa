using MossLantern.Core.Documents;
using MossLantern.Core.Materials;
using MossLantern.Core.Mixing;
using MossLantern.Core.Units;

namespace MossLantern.Core.Edits;

/// <summary>A band falls into two halves with a metallic vein between them.</summary>
/// <param name="Layer">The layer.</param>
/// <param name="Zone">The zone of it; null for the layer as a whole.</param>
/// <param name="Band">The band.</param>
public sealed record BandThrough(string Layer, string? Zone, string Band) : BandEdit(Layer, Zone, Band)
{
    /// <summary>Width of the vein, mm.</summary>
    public const double WidthMm = 2;

    /// <summary>A band has to be so many times as wide.</summary>
    private const double LeastWidths = 3;

    /// <summary>A band has to be wider than this, mm.</summary>
    public const double WiderThanMm = LeastWidths * WidthMm;

    /// <summary>Whether a band has room for it.</summary>
    public static bool HasRoom(BandedLayout layout, Band band)
    {
        ArgumentNullException.ThrowIfNull(layout);
        return band is { FillsRest: false, WidthMm: > WiderThanMm } && layout.Bands.Length + 2 <= Accepted.BandCount.To;
    }

    /// <inheritdoc/>
    public override string Words(Piece before) => $"lay a vein through {BandName(before)}";

    private protected override Edited Change(LaidOut laid, BandedLayout layout, int at, Cupboard cupboard)
    {
        var band = layout.Bands[at];
        if (!HasRoom(layout, band))
        {
            return Edited.No($"{laid.Place}.layout.bands[{Band}]",
                "The band is too narrow for a vein through it, or there are as many bands as there can be.");
        }

        var metal = laid.Piece.FilledBy(laid.LayerId).Recipes.FirstOrDefault(c => c.Colourant == ColourantClass.MetallicPaste)?.Id;
        var (with, recipe) = metal is null ? laid.WithNew(Palette.Gilt) : (laid, metal);
        var ids = layout.Bands.Select(b => b.Id).ToList();
        var half = band with { WidthMm = Math.Round((band.WidthMm - WidthMm) / 2, 1) };
        var vein = new Band(FreeId.Of("line", ids), WidthMm, false, recipe);
        Band[] halves = [half, vein, half with { Id = FreeId.Of("half", ids) }];
        return with.With(layout with { Bands = layout.Bands.RemoveAt(at).InsertRange(at, halves) })
            .Done($"layout.bands[{vein.Id}]");
    }
}
