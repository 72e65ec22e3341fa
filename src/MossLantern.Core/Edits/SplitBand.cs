using MossLantern.Core.Documents;
using MossLantern.Core.Units;

namespace MossLantern.Core.Edits;

/// <summary>Two bands of half the width in place of one; the outer gets a colour of its own.</summary>
/// <param name="Layer">The layer.</param>
/// <param name="Zone">The zone of it; null for the layer as a whole.</param>
/// <param name="Band">The band.</param>
public sealed record SplitBand(string Layer, string? Zone, string Band) : BandEdit(Layer, Zone, Band)
{
    /// <inheritdoc/>
    public override string Words(Piece before) => $"split {BandName(before)}";

    private protected override Edited Change(LaidOut laid, BandedLayout layout, int at, Cupboard cupboard)
    {
        var band = layout.Bands[at];
        var (with, recipe) = laid.WithNew();
        var half = Math.Max(Accepted.BandMm.From, Rounded.Tenth(band.WidthMm / 2));
        var outer = band
            with
        { Id = FreeId.Of("band", layout.Bands.Select(b => b.Id)), RecipeId = recipe, WidthMm = half, FillsRest = false };
        Band[] pair = band.FillsRest ? [outer with { WidthMm = AddBand.WidthMm }, band] : [band with { WidthMm = half }, outer];
        return with.With(layout with { Bands = layout.Bands.RemoveAt(at).InsertRange(at, pair) }).Done($"layout.bands[{outer.Id}]");
    }
}
