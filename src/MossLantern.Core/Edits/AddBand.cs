using MossLantern.Core.Documents;

namespace MossLantern.Core.Edits;

/// <summary>A band just inside the one that fills the rest, in a colour of its own; among lines, one just outside of
/// it: the innermost.</summary>
/// <param name="Layer">The layer.</param>
/// <param name="Zone">The zone of it; null for the layer as a whole.</param>
public sealed record AddBand(string Layer, string? Zone) : LayoutEdit<BandedLayout>(Layer, Zone)
{
    internal const double WidthMm = 12;

    /// <inheritdoc/>
    public override string Words(Piece before) => "add a band";

    private protected override Edited Change(LaidOut laid, BandedLayout layout, Cupboard cupboard)
    {
        var lines = layout is StripesLayout;
        var (with, recipe) = laid.WithNew();
        var band = new Band(FreeId.Of("band", layout.Bands.Select(b => b.Id)), lines ? layout.Bands[^1].WidthMm : WidthMm, false, recipe);
        var at = layout.Bands.ToList().FindIndex(b => b.FillsRest) + (lines ? 1 : 0);
        return with.With(layout with { Bands = layout.Bands.Insert(at, band) }).Done($"layout.bands[{band.Id}]");
    }
}
