using NodaTime;

namespace MossLantern.Core.Journal;

/// <summary>An entry of the journal: once written it is never changed, only replaced by a later one.</summary>
/// <param name="Id">Its id, made by who wrote it.</param>
/// <param name="Kind">What it tells.</param>
/// <param name="Of">What it is about.</param>
/// <param name="Time">When that was.</param>
/// <param name="Says">What it says of it.</param>
/// <param name="Replaces">The entry that it puts right; null for none.</param>
/// <remarks>Source: docs/craft/journal.md.</remarks>
public sealed record Entry(string Id, EntryKind Kind, EntryOf Of, EntryTime Time, EntrySays Says, string? Replaces = null)
{
    /// <summary>The entry that takes this one back.</summary>
    /// <param name="id">Its id.</param>
    /// <param name="now">When it is taken back.</param>
    public Entry TakenBack(string id, Instant now) =>
        new(id, EntryKind.TakenBack, Of, Time with { ArrivedAt = now }, EntrySays.Nothing, Id);
}

/// <summary>What an entry is about; each may be null for none.</summary>
/// <param name="RunId">The run it belongs to.</param>
/// <param name="PieceId">The piece.</param>
/// <param name="SittingId">The sitting of the piece.</param>
/// <param name="Step">The step of the sitting.</param>
/// <param name="Copy">Which copy, from 1.</param>
/// <param name="Place">Where on the piece, as it is spelled in documents.</param>
/// <param name="Vessel">The cup or jug.</param>
public sealed record EntryOf(
    string? RunId, string? PieceId, string? SittingId, StepId? Step = null, int? Copy = null, string? Place = null, string? Vessel = null);

/// <summary>When something was that an entry tells.</summary>
/// <param name="At">When it was; the start of its run where nobody noted it.</param>
/// <param name="ArrivedAt">When it came to be written here.</param>
/// <param name="Noted">Whether somebody noted the moment; else it is only known to belong to a run that began then.</param>
/// <param name="PageAt">The same by the clock of the page that wrote it; null where the page had none.</param>
public sealed record EntryTime(Instant At, Instant ArrivedAt, bool Noted = true, Instant? PageAt = null);

/// <summary>What an entry says; each may be null for not known.</summary>
/// <param name="Ml">An amount, ml.</param>
/// <param name="Grams">A mass, g.</param>
/// <param name="Celsius">A temperature, °C.</param>
/// <param name="Words">Words.</param>
/// <param name="PhotoSha">The photo that belongs to it, by its SHA-256.</param>
public sealed record EntrySays(double? Ml = null, double? Grams = null, double? Celsius = null, string? Words = null,
    string? PhotoSha = null)
{
    /// <summary>Nothing but that it was.</summary>
    public static EntrySays Nothing { get; } = new();
}
