using MossLantern.Core.Documents;
using MossLantern.Core.Materials;

namespace MossLantern.Core.Edits;

/// <summary>How the edge is taped.</summary>
/// <param name="Runs">In which runs; null for the person's usual way.</param>
public sealed record TapeEdge(TapeRuns? Runs) : GroundEdit
{
    /// <inheritdoc/>
    public override string Words(Piece before) => "tape the edge otherwise";

    private protected override Ground? Change(Ground ground, Cupboard cupboard) =>
        Runs is { } runs && !Enum.IsDefined(runs) ? null
            : ground with { Tape = Runs is { } to ? new(to, ground.Tape?.DamMm) : null };

    private protected override string Place => "ground.tape";

    private protected override string Refusal => "The edge is taped in one run, in two, at the back alone or not at all.";
}
