using MossLantern.Core.Documents;
using MossLantern.Core.Grounds;

namespace MossLantern.Core.Edits;

/// <summary>More supports stand between the outermost, in so many rows and columns, wherever they lie under the piece.</summary>
/// <param name="Count">How many rows, and columns.</param>
public sealed record SupportInRows(int Count) : GroundEdit
{
    /// <inheritdoc/>
    public override string Words(Piece before) => "support the middle";

    private protected override Ground? Change(Ground ground, Cupboard cupboard) =>
        Count is >= 3 and <= Standing.MostRows && Standing.InRows(ground, Count) is var supports
            && supports.Length <= PieceValidator.MostSupports
            ? ground with { Supports = supports } : null;

    private protected override string Place => "ground.supports";

    private protected override string Refusal =>
        FormattableString.Invariant(
            $"Supports stand in 3 to {Standing.MostRows} rows, and a piece can have up to {PieceValidator.MostSupports}.");
}
