using MossLantern.Core.Documents;

namespace MossLantern.Core.Edits;

/// <summary>An insert of the mould goes, and with it the layer that fills its hollow.</summary>
/// <param name="Insert">The insert.</param>
public sealed record TakeInsertOut(string Insert) : GroundEdit
{
    /// <inheritdoc/>
    public override string Words(Piece before) => "take an insert out";

    private protected override Ground? Change(Ground ground, Cupboard cupboard) =>
        ground.Mould is { Inserts: { } inserts } mould && inserts.RemoveAll(i => i.Id == Insert) is var left && left.Length < inserts.Length
        ? ground with { Mould = mould with { Inserts = left.IsEmpty ? null : left } } : null;

    private protected override string Place => $"ground.mould.inserts[{Insert}]";

    private protected override string Refusal => "That insert is no longer there.";
}
