namespace MossLantern.Core.Journal;

/// <summary>What an entry of the journal tells.</summary>
/// <remarks>Source: docs/craft/journal.md, Kinds. A kind that was written once stays readable.</remarks>
public enum EntryKind
{
    /// <summary>A sitting began.</summary>
    Started,

    /// <summary>A sitting ended.</summary>
    Ended,

    /// <summary>How warm the room was.</summary>
    Room,

    /// <summary>What somebody had to say.</summary>
    Noted,

    /// <summary>What the plan said of a place when it was logged.</summary>
    Planned,

    /// <summary>What was poured at a place.</summary>
    Poured,

    /// <summary>So much was weighed into a vessel.</summary>
    Weighed,

    /// <summary>What another entry told is not so, or not known any more.</summary>
    TakenBack,

    /// <summary>Hardener met resin in a vessel.</summary>
    Mixed,

    /// <summary>A vessel was divided.</summary>
    Divided,

    /// <summary>A cup was tinted.</summary>
    Tinted,

    /// <summary>One vessel was joined to another.</summary>
    Joined,

    /// <summary>Something was poured off a vessel.</summary>
    PouredOff,

    /// <summary>A step was begun.</summary>
    Begun,

    /// <summary>A step was done.</summary>
    Done,

    /// <summary>A step was passed over.</summary>
    Skipped,

    /// <summary>A step that was done was not.</summary>
    Undone,

    /// <summary>A step came in that nobody had planned.</summary>
    Added,

    /// <summary>Something was measured.</summary>
    Measured,

    /// <summary>A level was read.</summary>
    LevelRead,

    /// <summary>How a film felt to the hand.</summary>
    Felt,

    /// <summary>A stone was moved.</summary>
    StoneMoved,

    /// <summary>Something was looked at.</summary>
    Seen,

    /// <summary>Something went wrong.</summary>
    WentWrong,

    /// <summary>A photo was taken.</summary>
    Photo,

    /// <summary>What was poured at a place is all of it, however little it was.</summary>
    Enough,
}
