using MossLantern.Core.Documents;

namespace MossLantern.Core.Edits;

/// <summary>A number becomes more or less by an amount, as arrow keys and hands move it; it stops at the ends of its range.</summary>
/// <param name="Place">Where it stands.</param>
/// <param name="By">By how much, in its unit.</param>
/// <param name="From">What it counts from while it is left to its default; null for a number that is there.</param>
public sealed record Nudge(string Place, double By, double? From = null) : Edit
{
    /// <inheritdoc/>
    public override string Words(Piece before) => SettableFields.Words(Place);

    /// <inheritdoc/>
    public override Edit? Merge(Edit next) =>
        next is Nudge other && other.Place == Place && double.IsFinite(By) && double.IsFinite(other.By)
            && Math.Sign(By) == Math.Sign(other.By) && By % 1 == 0 && other.By % 1 == 0 ? this with { By = By + other.By } : null;

    /// <inheritdoc/>
    public override Edited Apply(Piece piece, Cupboard cupboard)
    {
        ArgumentNullException.ThrowIfNull(piece);
        var name = Place is { Length: > 0 and <= FieldAt.LongestPlace } ? FieldAt.RangeOf(Place) : "";
        if (!SettableFields.Has(name) || FieldAt.Of(piece, Place) is not var (type, value) || !double.IsFinite(By)
            || Was(type, value) is not { } was)
        {
            return Edited.No(Place ?? "", "There is no such number.");
        }

        var to = Rounded.Thousandth(was + By);
        if (SettableFields.RangeOf(name) is { } range)
        {
            to = Math.Clamp(to, range.From, range.To);
            to = range.FromExcluded && to <= range.From ? was : to;
        }

        object next = value is int ? (object)(int)Rounded.Whole(Math.Clamp(to, int.MinValue, int.MaxValue)) : to;
        return FieldAt.Set(piece, Place, next) is { } after ? SetField.With(piece, after, name)
            : Edited.No(Place, "There is no such number.");
    }

    /// <summary>What the number is, or counts from; null for what is no number.</summary>
    private double? Was(Type type, object? value) => value switch
    {
        double number => number,
        int number => number,
        null when type == typeof(double?) && From is { } from && double.IsFinite(from) => from,
        _ => null,
    };
}
