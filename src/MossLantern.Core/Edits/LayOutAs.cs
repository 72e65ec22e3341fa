using System.Collections.Immutable;
using MossLantern.Core.Documents;

namespace MossLantern.Core.Edits;

/// <summary>
/// Another way of laying out: as it was when that was put by, else anew with the colours that are there. What was laid out is put by.
/// </summary>
/// <param name="Layer">The layer.</param>
/// <param name="Zone">The zone of it; null for the layer as a whole.</param>
/// <param name="Kind">The way.</param>
public sealed record LayOutAs(string Layer, string? Zone, LayoutKind Kind) : LayoutEdit(Layer, Zone)
{
    /// <inheritdoc/>
    public override string Words(Piece before) => $"lay it out as {Kind.ToString().ToLowerInvariant()}";

    private protected override Edited Change(LaidOut laid, Cupboard cupboard)
    {
        var was = LayoutKinds.Of(laid.Layout);
        if (!Enum.IsDefined(Kind))
        {
            return Edited.No($"{laid.Place}.layout", "There is no such way of laying out.");
        }

        if (was == Kind)
        {
            return laid.Piece;
        }

        var before = laid.Aside.FirstOrDefault(l => LayoutKinds.Of(l) == Kind);
        ImmutableArray<Layout> aside = [.. laid.Aside
            .Where(l => LayoutKinds.Of(l) is var kind && kind != Kind && kind != was), laid.Layout];
        var next = before is null ? LaidAnew.As(laid, Kind) : laid.With(before);
        return next.With(next.Layout, aside).Done();
    }
}
