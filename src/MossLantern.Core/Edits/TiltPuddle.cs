using MossLantern.Core.Documents;
using MossLantern.Core.Units;

namespace MossLantern.Core.Edits;

/// <summary>A puddle is tilted otherwise.</summary>
/// <param name="Layer">The layer.</param>
/// <param name="Zone">The zone of it; null for the layer as a whole.</param>
/// <param name="Deg">Where to, degrees clockwise from the right.</param>
/// <param name="Percent">How much longer it grows, %; it stays within the accepted range.</param>
public sealed record TiltPuddle(string Layer, string? Zone, double Deg, double Percent) : LayoutEdit<PuddleLayout>(Layer, Zone)
{
    /// <inheritdoc/>
    public override string Words(Piece before) => "tilt the puddle";

    /// <inheritdoc/>
    public override Edit? Merge(Edit next) => next is TiltPuddle other && IsOfTheSame(other) ? other : null;

    private protected override Edited Change(LaidOut laid, PuddleLayout layout, Cupboard cupboard) =>
        laid.With(layout with
        {
            TiltDeg = Rounded.Whole(Deg),
            TiltPercent = Math.Clamp(Rounded.Whole(Percent), Accepted.TiltPercent.From, Accepted.TiltPercent.To)
        }).Done();
}
