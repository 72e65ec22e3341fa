using System.Globalization;
using MossLantern.Core.Documents;

namespace MossLantern.Core.Edits;

/// <summary>A number becomes more or less by an amount, as arrow keys and hands move it; it stops at the ends of its range.</summary>
/// <param name="Place">Where it stands.</param>
/// <param name="By">By how much, in its unit.</param>
public sealed record Nudge(string Place, double By) : Edit
{
    /// <inheritdoc/>
    public override string Words(Piece before) => $"set {SettableFields.Words(Place)}";

    /// <inheritdoc/>
    public override Edit? Merge(Edit next) =>
        next is Nudge other && other.Place == Place && double.IsFinite(By) && double.IsFinite(other.By) && Math.Sign(By) == Math.Sign(other.By) && By % 1 == 0 && other.By % 1 == 0 ? new Nudge(Place, By + other.By) : null;

    /// <inheritdoc/>
    public override Edited Apply(Piece piece, Cupboard cupboard)
    {
        ArgumentNullException.ThrowIfNull(piece);
        var name = Place is { Length: > 0 and <= FieldAt.LongestPlace } ? FieldAt.RangeOf(Place) : "";
        if (!SettableFields.Has(name) || FieldAt.Of(piece, Place) is not { Value: double or int } field || !double.IsFinite(By))
        {
            return Edited.No(Place ?? "", "There is no such number.");
        }

        var was = Convert.ToDouble(field.Value, CultureInfo.InvariantCulture);
        var to = Rounded.Thousandth(was + By);
        if (SettableFields.RangeOf(name) is { } range)
        {
            to = Math.Clamp(to, range.From, range.To);
            to = range.FromExcluded && to <= range.From ? was : to;
        }

        object value = field.Value is int ? (object)(int)Rounded.Whole(Math.Clamp(to, int.MinValue, int.MaxValue)) : to;
        return SetField.With(piece, FieldAt.Set(piece, Place, value)!, name);
    }
}
