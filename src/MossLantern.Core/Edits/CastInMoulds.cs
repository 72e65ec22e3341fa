using System.Collections.Immutable;
using MossLantern.Core.Documents;

namespace MossLantern.Core.Edits;

/// <summary>A casting is made in moulds of the library, filled together; or in one that is not kept there.</summary>
/// <param name="Moulds">Their ids in the library; none for a mould that is not kept there.</param>
public sealed record CastInMoulds(ImmutableArray<string> Moulds) : GroundEdit
{
    /// <inheritdoc/>
    public bool Equals(CastInMoulds? other) => other is not null && Moulds.AsSpan().SequenceEqual(other.Moulds.AsSpan());

    /// <inheritdoc/>
    public override int GetHashCode() => Moulds.IsDefault ? 0 : Moulds.Length;

    /// <inheritdoc/>
    public override string Words(Piece before) => "cast it in another mould";

    private protected override Ground? Change(Ground ground, Cupboard cupboard) => Moulds.IsDefault || ground.Mould is not { } mould ? null
        : Moulds.IsEmpty ? ground with { Mould = mould with { LibraryIds = null } }
        : Moulds.Length > LibraryMould.MostTogether || Moulds.Any(id => !cupboard.Moulds.ContainsKey(id)) ? null
        : InMoulds.Cast(ground, [.. Moulds.Distinct().Select(id => (id, cupboard.Moulds[id]))]);

    private protected override string Place => "ground.mould.libraryIds";

    private protected override string Refusal =>
        FormattableString.Invariant($"Name from 1 to {LibraryMould.MostTogether} moulds of the library.");
}
