using MossLantern.Core.Documents;
using MossLantern.Core.Units;

namespace MossLantern.Core.Edits;

/// <summary>Another colour among the fields, and three more of them.</summary>
/// <param name="Layer">The layer.</param>
/// <param name="Zone">The zone of it; null for the layer as a whole.</param>
public sealed record AddFieldColour(string Layer, string? Zone) : LayoutEdit<FieldsLayout>(Layer, Zone)
{
    private const int InThrees = 3;

    /// <inheritdoc/>
    public override string Words(Piece before) => "add a colour to the fields";

    private protected override Edited Change(LaidOut laid, FieldsLayout layout, Cupboard cupboard)
    {
        var (with, recipe) = laid.WithNew();
        return with.With(layout with
        {
            Colours = layout.Colours.Add(recipe),
            Fields = (int)Math.Min(Accepted.FieldCount.To, layout.Fields + InThrees),
        }).Done();
    }
}
