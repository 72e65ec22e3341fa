using MossLantern.Core.Documents;
using MossLantern.Core.Units;

namespace MossLantern.Core.Edits;

/// <summary>The piece is so many equal panels.</summary>
/// <param name="Count">How many; 1 for a single one.</param>
public sealed record MakePanels(int Count) : GroundEdit
{
    private const double UsualGapMm = 20;

    /// <inheritdoc/>
    public override string Words(Piece before) => "change the number of panels";

    private protected override Ground? Change(Ground ground, Cupboard cupboard) => !Accepted.Panels.Contains(Count) && Count != 1 ? null
        : Count == 1 ? ground with { Set = null, PanelLevels = null }
        : ground with
        {
            Set = new(Count, ground.Set?.GapMm ?? UsualGapMm, ground.Set?.Mirrored ?? true),
            PanelLevels = ground.PanelLevels?.RemoveAll(p => p.Panel > Count)
        };

    private protected override string Place => "ground.set.count";

    private protected override string Refusal => Accepted.Panels.Sentence;
}
