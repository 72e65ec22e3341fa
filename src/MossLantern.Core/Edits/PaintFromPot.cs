using MossLantern.Core.Documents;

namespace MossLantern.Core.Edits;

/// <summary>The paint of the ground comes from a pot, or from none of the person's own.</summary>
/// <param name="Pot">The pot, by its id in the cupboard; null for none.</param>
public sealed record PaintFromPot(string? Pot) : GroundEdit
{
    /// <inheritdoc/>
    public override string Words(Piece before) => "paint from a pot";

    private protected override Ground? Change(Ground ground, Cupboard cupboard) => ground.Paint is not { } paint ? null
        : Pot is null ? ground with { Paint = paint with { PotId = null } }
        : cupboard.Pots.TryGetValue(Pot, out var pot)
            ? ground with { Colour = pot.Colour, Paint = paint with { Kind = pot.Kind, PotId = Pot } } : null;

    private protected override string Place => "ground.paint.potId";

    private protected override string Refusal => "There is no such pot, or the ground is not painted.";
}
