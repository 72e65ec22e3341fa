using MossLantern.Core.Documents;
using MossLantern.Core.Shapes;

namespace MossLantern.Core.Edits;

/// <summary>A wall from side to side through the middle.</summary>
/// <param name="Layer">The layer.</param>
/// <param name="Zone">The zone of it; null for the layer as a whole.</param>
public sealed record PutWallAcross(string Layer, string? Zone) : LayoutEdit(Layer, Zone)
{
    private const int Stretches = 4;

    /// <inheritdoc/>
    public override string Words(Piece before) => "put a wall across";

    private protected override Edited Change(LaidOut laid, Cupboard cupboard) => DrawWall.With(laid,
        Enumerable.Range(0, Stretches + 1)
            .Select(i => new Spot(laid.Box.XMm + laid.Box.WidthMm * i / Stretches, laid.Box.YMm + laid.Box.HeightMm / 2)), cupboard);
}
