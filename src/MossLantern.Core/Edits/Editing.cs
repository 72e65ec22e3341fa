using System.Collections.Immutable;
using MossLantern.Core.Documents;

namespace MossLantern.Core.Edits;

/// <summary>Commands made one after the other.</summary>
/// <remarks>Source: docs/craft/editing.md.</remarks>
public static class Editing
{
    /// <summary>Most commands that are sent at once: a burst of keys, or what a drag and its hand do together.</summary>
    public const int MostAtOnce = 400;

    private static readonly PieceValidator Validator = new();

    /// <summary>What becomes of commands that follow each other: the piece with all of them, or the first that was refused.</summary>
    /// <param name="piece">A valid piece.</param>
    /// <param name="edits">The commands in turn.</param>
    /// <param name="cupboard">What the workshop has of its own.</param>
    /// <returns>The piece; it need not be valid yet.</returns>
    public static Edited Apply(Piece piece, IReadOnlyList<Edit> edits, Cupboard cupboard)
    {
        ArgumentNullException.ThrowIfNull(piece);
        ArgumentNullException.ThrowIfNull(edits);
        if (edits.Count is 0 or > MostAtOnce)
        {
            return Edited.No("commands", FormattableString.Invariant($"Send from 1 to {MostAtOnce} commands at once."));
        }

        var made = new Edited(piece);
        foreach (var edit in edits)
        {
            var next = edit.Apply(made.Piece!, cupboard);
            if (next.Piece is null)
            {
                return next;
            }

            made = next with { Piece = Settle.Mixed(made.Piece!, next.Piece).Mended(), Place = next.Place ?? made.Place };
        }

        return made;
    }

    /// <summary>The same, and the piece is valid: else the first rule that it breaks is why it was refused.</summary>
    /// <param name="piece">A valid piece.</param>
    /// <param name="edits">The commands in turn.</param>
    /// <param name="cupboard">What the workshop has of its own.</param>
    public static Edited Checked(Piece piece, IReadOnlyList<Edit> edits, Cupboard cupboard)
    {
        var made = Apply(piece, edits, cupboard);
        if (made.Piece is not { } to)
        {
            return made;
        }

        to = to with { Growth = to.Growth.Kept(to.Ground.MapOutline) };
        return Validator.Validate(to).Errors is [var first, ..] ? Edited.No(first.PropertyName, first.ErrorMessage)
            : made with { Piece = to };
    }

    /// <summary>Commands with those merged that are one step.</summary>
    public static ImmutableArray<Edit> Merged(IEnumerable<Edit> edits)
    {
        ArgumentNullException.ThrowIfNull(edits);
        var merged = ImmutableArray.CreateBuilder<Edit>();
        foreach (var edit in edits)
        {
            if (merged.Count > 0 && merged[^1].Merge(edit) is { } one)
            {
                merged[^1] = one;
            }
            else
            {
                merged.Add(edit);
            }
        }

        return merged.ToImmutable();
    }

    /// <summary>What commands do together, in words that follow "Undo:".</summary>
    /// <param name="before">The piece they are applied to.</param>
    /// <param name="edits">The commands in turn.</param>
    public static string Words(Piece before, IEnumerable<Edit> edits)
    {
        var words = Merged(edits).Select(e => e.Words(before)).Distinct().ToList();
        return words.Count == 1 ? words[0] : FormattableString.Invariant($"{words[0]} and {words.Count - 1} more");
    }
}
