using MossLantern.Core.Documents;

namespace MossLantern.Core.Edits;

/// <summary>The level of a panel is read, or has to be read again.</summary>
/// <param name="Panel">Which, from 1.</param>
/// <param name="Level">The reading; null where the last one does not hold any more.</param>
public sealed record ReadLevel(int Panel, LevelReading? Level) : GroundEdit
{
    /// <inheritdoc/>
    public override Edit? Merge(Edit next) => next is ReadLevel other && other.Panel == Panel ? other : null;

    /// <inheritdoc/>
    public override string Words(Piece before) => Level is null ? "ask for the level again" : "read the level";

    private protected override Ground? Change(Ground ground, Cupboard cupboard) =>
        Panel >= 1 && Panel <= ground.Boards ? ground.WithLevel(Panel, Level) : null;

    private protected override string Place => "ground.level";

    private protected override string Refusal => "There is no such panel.";
}
