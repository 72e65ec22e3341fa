using MossLantern.Core.Documents;

namespace MossLantern.Core.Edits;

/// <summary>
/// A change that a person makes to a piece, as a named command. Kept in the order they were made, commands are the story of a document;
/// the words of one are the words of the step that is undone.
/// </summary>
/// <remarks>Source: docs/craft/editing.md.</remarks>
public abstract record Edit
{
    /// <summary>The piece with the change made, or why it cannot be. What a person may send never throws.</summary>
    /// <param name="piece">A valid piece.</param>
    /// <param name="cupboard">What the workshop has of its own.</param>
    public abstract Edited Apply(Piece piece, Cupboard cupboard);

    /// <summary>What it does, in words that follow "Undo:", such as <c>widen moss</c>.</summary>
    /// <param name="before">The piece it is applied to.</param>
    public abstract string Words(Piece before);

    /// <summary>One command that does what this and the next do in turn; null where they are two.</summary>
    public virtual Edit? Merge(Edit next) => null;
}

/// <summary>What became of a change: the piece with it, or a refusal in words.</summary>
/// <param name="Piece">The piece with the change; null where it was refused.</param>
/// <param name="Refusal">Why it was refused, as a sentence; null where it was made.</param>
/// <param name="Place">Where it was refused, or the place of what was made anew; null for nowhere.</param>
public sealed record Edited(Piece? Piece, string? Refusal = null, string? Place = null)
{
    /// <summary>A change that was made.</summary>
    public static implicit operator Edited(Piece piece) => new(piece);

    /// <summary>A change that was refused.</summary>
    /// <param name="place">Where.</param>
    /// <param name="sentence">Why.</param>
    public static Edited No(string place, string sentence) => new(null, sentence, place);
}
