using MossLantern.Core.Documents;
using MossLantern.Core.Grounds;
using NodaTime;

namespace MossLantern.Core.Edits;

/// <summary>A preparation of the ground is done, or is not.</summary>
/// <param name="Step">The preparation.</param>
/// <param name="Done">Whether it is done.</param>
/// <param name="At">When, in the workshop's local time; null for not known.</param>
public sealed record MarkPrepared(string Step, bool Done, LocalDateTime? At = null) : GroundEdit
{
    private const int LongestId = 40;

    /// <inheritdoc/>
    public override string Words(Piece before) => Done ? "mark a preparation as done" : "mark a preparation as not done";

    private protected override Ground? Change(Ground ground, Cupboard cupboard)
    {
        if (Step is not { Length: > 0 and <= LongestId } || (Done && !Preparation.Ids(ground, cupboard.Catalogue).Contains(Step)))
        {
            return null;
        }

        var others = (ground.Done ?? []).Where(d => d.Id != Step);
        return ground with { Done = Done ? [.. others, new PreparationDone(Step, At)] : [.. others] };
    }

    private protected override string Place => "ground.done";

    private protected override string Refusal => "There is no such preparation.";
}
