using MossLantern.Core.Documents;
using NodaTime;

namespace MossLantern.Data;

/// <summary>A stored piece at one version.</summary>
/// <param name="Id">Its id.</param>
/// <param name="Version">Counts every change of the piece, steps back and forward included, from 1.</param>
/// <param name="SavedAt">When it was last changed.</param>
/// <param name="Piece">The document.</param>
/// <param name="CanUndo">Whether there is a revision to step back to.</param>
/// <param name="CanRedo">Whether there is a revision to step forward to.</param>
/// <param name="Revision">The revision that it shows.</param>
/// <param name="Logged">How often its journal was written in.</param>
/// <param name="Undoes">What a step back undoes, in words; null where it is not known.</param>
/// <param name="Redoes">What a step forward does again, in words; null where it is not known.</param>
public sealed record StoredPiece(
    string Id, int Version, Instant SavedAt, Piece Piece, bool CanUndo, bool CanRedo, int Revision, int Logged = 0,
    string? Undoes = null, string? Redoes = null);

/// <summary>What made a revision.</summary>
/// <param name="Words">What it did, in words; null where nobody says.</param>
/// <param name="EditId">The id of the change; null where it has none. The same change is kept once.</param>
public sealed record MadeBy(string? Words = null, string? EditId = null);

/// <summary>A piece that was taken off the shelf and is kept aside.</summary>
/// <param name="Id">Its id.</param>
/// <param name="Name">Its name.</param>
/// <param name="TakenOffAt">When it was taken off.</param>
public sealed record AsidePiece(string Id, string Name, Instant TakenOffAt);

/// <summary>A piece on the shelf whose document cannot be read.</summary>
/// <param name="Id">Its id.</param>
/// <param name="Name">Its name.</param>
/// <param name="Version">Its version.</param>
/// <param name="WidthMm">Its width, mm.</param>
/// <param name="HeightMm">Its height, mm.</param>
/// <param name="SavedAt">When it was last changed.</param>
public sealed record UnreadablePiece(string Id, string Name, int Version, double WidthMm, double HeightMm, Instant SavedAt);

/// <summary>A revision that the artist has named.</summary>
/// <param name="Revision">Its number.</param>
/// <param name="Name">Its name.</param>
/// <param name="NamedAt">When it was named.</param>
/// <param name="Shown">Whether it is the one that the piece shows now.</param>
public sealed record NamedRevision(int Revision, string Name, Instant NamedAt, bool Shown);

/// <summary>A step along the revisions of a piece.</summary>
public enum UndoStep
{
    /// <summary>Back to the revision this one was made from.</summary>
    Undo,

    /// <summary>Forward to the newest revision that was made from this one.</summary>
    Redo,
}
