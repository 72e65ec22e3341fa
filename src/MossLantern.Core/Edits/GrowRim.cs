using MossLantern.Core.Documents;
using MossLantern.Core.Units;

namespace MossLantern.Core.Edits;

/// <summary>A rim round older work grows all round.</summary>
/// <param name="Mm">Its width, mm.</param>
public sealed record GrowRim(double Mm) : GroundEdit
{
    /// <inheritdoc/>
    public override string Words(Piece before) => "grow a rim";

    private protected override Ground? Change(Ground ground, Cupboard cupboard) =>
        Accepted.GrowMm.Contains(Mm) && ground.Old is not null && ground.Set is null ? Rework.Grown(ground, Mm) : null;

    private protected override string Place => "ground.old";

    private protected override string Refusal => Accepted.GrowMm.Sentence;
}
