using MossLantern.Core.Documents;
using MossLantern.Core.Materials;
using MossLantern.Core.Mixing;

namespace MossLantern.Core.Edits;

/// <summary>A highlight vein along the borders of the fields, of a metallic colour that is there or of a new one.</summary>
/// <param name="Layer">The layer.</param>
/// <param name="Zone">The zone of it; null for the layer as a whole.</param>
public sealed record AddVein(string Layer, string? Zone) : LayoutEdit<FieldsLayout>(Layer, Zone)
{
    private const double WidthMm = 3;
    private const double ThicknessMm = 1;

    /// <inheritdoc/>
    public override string Words(Piece before) => "lay a vein";

    private protected override Edited Change(LaidOut laid, FieldsLayout layout)
    {
        var metal = laid.Cups.FirstOrDefault(c => c.Colourant == ColourantClass.MetallicPaste)?.Id;
        var (with, recipe) = metal is null ? laid.WithNew(Palette.Gilt) : (laid, metal);
        return with.With(layout with { Vein = new(recipe, WidthMm, ThicknessMm) }).Done("layout.vein");
    }
}
