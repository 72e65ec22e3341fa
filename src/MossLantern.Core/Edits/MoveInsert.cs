using MossLantern.Core.Documents;

namespace MossLantern.Core.Edits;

/// <summary>An insert comes to stand elsewhere.</summary>
/// <param name="Insert">The insert.</param>
/// <param name="XMm">Left of its box, mm.</param>
/// <param name="YMm">Top of its box, mm.</param>
public sealed record MoveInsert(string Insert, double XMm, double YMm) : GroundEdit
{
    /// <inheritdoc/>
    public override Edit? Merge(Edit next) => next is MoveInsert other && other.Insert == Insert ? other : null;

    /// <inheritdoc/>
    public override string Words(Piece before) => "move an insert";

    private protected override Ground? Change(Ground ground, Cupboard cupboard) =>
        ground.Mould is { Inserts: { } inserts } mould && inserts.FirstOrDefault(i => i.Id == Insert) is { } insert
        ? ground with
        {
            Mould = mould
            with
            { Inserts = inserts.Replace(insert, insert with { XMm = Rounded.Whole(XMm), YMm = Rounded.Whole(YMm) }) }
        } : null;

    private protected override string Place => $"ground.mould.inserts[{Insert}]";

    private protected override string Refusal => "That insert is no longer there.";
}
