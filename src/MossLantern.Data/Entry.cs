using NodaTime;

namespace MossLantern.Data;

/// <summary>What an entry of the journal tells.</summary>
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
}

/// <summary>An entry of the journal: once written it is never changed, only replaced by a later one.</summary>
/// <param name="Id">Its id.</param>
/// <param name="RunId">The run it belongs to; null for one without.</param>
/// <param name="PieceId">The piece; null for what is of none.</param>
/// <param name="SittingId">The sitting of the piece.</param>
/// <param name="StepId">The step of the sitting.</param>
/// <param name="Copy">Which copy, from 1.</param>
/// <param name="Kind">What it tells.</param>
/// <param name="At">When it was; the start of its run where nobody noted it.</param>
/// <param name="PageAt">The same by the clock of the page that wrote it; null where the page had none.</param>
/// <param name="ArrivedAt">When it came to be written here.</param>
/// <param name="Place">Where on the piece.</param>
/// <param name="Vessel">The cup or jug.</param>
/// <param name="Ml">An amount, ml; null where it is not known.</param>
/// <param name="Grams">A mass, g.</param>
/// <param name="Celsius">A temperature, °C.</param>
/// <param name="Words">Words.</param>
/// <param name="PhotoSha">The photo that belongs to it, by its SHA-256.</param>
/// <param name="Replaces">The entry that it puts right.</param>
public sealed record Entry(
    string Id, string? RunId, string? PieceId, string? SittingId, string? StepId, int? Copy, EntryKind Kind, Instant At, Instant? PageAt, Instant ArrivedAt,
    string? Place = null, string? Vessel = null, double? Ml = null, double? Grams = null, double? Celsius = null, string? Words = null, string? PhotoSha = null,
    string? Replaces = null);
