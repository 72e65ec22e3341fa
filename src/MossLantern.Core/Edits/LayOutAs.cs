using System.Collections.Immutable;
using System.Text.Json.Serialization;
using MossLantern.Core.Documents;

namespace MossLantern.Core.Edits;

/// <summary>The ways of laying out.</summary>
public enum LayoutKind
{
    /// <summary>Rings round hearts.</summary>
    Rings,

    /// <summary>Stripes from the rim to the middle.</summary>
    [JsonStringEnumMemberName("lines")]
    Stripes,

    /// <summary>Rings drawn through with a tool.</summary>
    Petals,

    /// <summary>Fields of a few colours.</summary>
    Fields,

    /// <summary>Pools between walls.</summary>
    Pools,

    /// <summary>Colours poured in one place.</summary>
    Puddle,

    /// <summary>Streaks of a mixed cup.</summary>
    Marble,

    /// <summary>One colour over all.</summary>
    Flood,
}

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
        var was = LaidAnew.KindOf(laid.Layout);
        if (!Enum.IsDefined(Kind))
        {
            return Edited.No($"{laid.Place}.layout", "There is no such way of laying out.");
        }

        if (was == Kind)
        {
            return laid.Piece;
        }

        var before = laid.Aside.FirstOrDefault(l => LaidAnew.KindOf(l) == Kind);
        ImmutableArray<Layout> aside = [.. laid.Aside
            .Where(l => LaidAnew.KindOf(l) is var kind && kind != Kind && kind != was), laid.Layout];
        var next = before is null ? LaidAnew.As(laid, Kind) : laid.With(before);
        return next.With(next.Layout, aside).Done();
    }
}
