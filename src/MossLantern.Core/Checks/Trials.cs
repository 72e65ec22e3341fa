using System.Collections.Immutable;
using MossLantern.Core.Documents;
using MossLantern.Core.Edits;
using MossLantern.Core.Plans;
using MossLantern.Core.Timeline;
using MossLantern.Core.Units;

namespace MossLantern.Core.Checks;

/// <summary>What becomes of a piece when a remedy is taken: tried by the commands that a press would send, and only so
/// often in a look.</summary>
/// <param name="piece">The piece that is looked at.</param>
/// <param name="cupboard">What the commands may take from.</param>
/// <param name="workOut">Works out the sittings of a piece.</param>
public sealed class Trials(Piece piece, Cupboard cupboard, Func<Piece, ImmutableArray<SittingPlan>> workOut)
{
    /// <summary>Most remedies that are tried in one look.</summary>
    public const int Most = 16;

    /// <summary>How many have been tried.</summary>
    public int Tried { get; private set; }

    /// <summary>The sittings as a remedy would leave them; null where it would be refused, or enough have been tried.</summary>
    public ImmutableArray<SittingPlan>? Of(Remedy remedy)
    {
        ArgumentNullException.ThrowIfNull(remedy);
        if (Tried >= Most)
        {
            return null;
        }

        Tried++;
        Effort.Check();
        return Editing.Checked(piece, remedy.Edits, cupboard).Piece is { } to ? workOut(to) : null;
    }
}
