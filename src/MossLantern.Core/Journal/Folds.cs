using System.Collections.Immutable;
using MossLantern.Core.Documents;

namespace MossLantern.Core.Journal;

/// <summary>What entries of the journal tell together.</summary>
/// <remarks>Source: docs/craft/journal.md, Folds.</remarks>
public static class Folds
{
    /// <summary>What still holds: the entries that no other one replaces or takes back, each in the place of the first
    /// one that it goes back to.</summary>
    /// <param name="entries">Entries in the order in which they were written.</param>
    public static ImmutableArray<Entry> Holding(IEnumerable<Entry> entries)
    {
        var all = entries.ToList();
        var replaced = all.Select(e => e.Replaces).OfType<string>().ToHashSet();
        var first = new Dictionary<string, int>();
        foreach (var (entry, at) in all.Select((e, i) => (e, i)))
        {
            first[entry.Id] = entry.Replaces is { } before && first.TryGetValue(before, out var from) ? from : at;
        }

        return [.. all.Where(e => !replaced.Contains(e.Id) && e.Kind != EntryKind.TakenBack).OrderBy(e => first[e.Id])];
    }

    /// <summary>What a run tells of one of its sittings; null where it tells nothing of it.</summary>
    /// <param name="runId">The run.</param>
    /// <param name="version">Its version.</param>
    /// <param name="part">The sitting.</param>
    /// <param name="entries">All entries of the run, in the order in which they were written.</param>
    public static LoggedSitting? Of(string runId, int version, RunPart part, IEnumerable<Entry> entries)
    {
        ArgumentNullException.ThrowIfNull(part);
        var holding = OfPart(part, entries);
        if (holding.IsEmpty)
        {
            return null;
        }

        Entry? One(EntryKind kind) => holding.FirstOrDefault(e => e.Kind == kind);
        return new(
            runId, version, part, One(EntryKind.Started)?.Time.At ?? holding.Min(e => e.Time.At),
            One(EntryKind.Ended)?.Time.At, One(EntryKind.Room)?.Says.Celsius,
            string.Join('\n', holding.Where(e => e.Kind == EntryKind.Noted).Select(e => e.Says.Words).OfType<string>()),
            [.. holding.Where(e => e.Kind is EntryKind.Planned or EntryKind.Poured or EntryKind.Enough && e.Of.Place is not null)
                .GroupBy(e => (RegionIn(e), StepId.PassOf(e.Of.Step))).Select(Pour)]);
    }

    /// <summary>What still holds of one sitting of a run.</summary>
    internal static ImmutableArray<Entry> OfPart(RunPart part, IEnumerable<Entry> entries) =>
        [.. Holding(entries).Where(e => e.Of.PieceId == part.PieceId && e.Of.SittingId == part.SittingId)];

    /// <summary>
    /// Where an entry of a region was: as its place is spelled. Entries of old tell a region of the layer that their
    /// sitting was called after
    /// by its id alone.
    /// </summary>
    internal static RegionOf RegionIn(Entry entry) =>
        PlaceIn.RegionAt(entry.Of.Place!) ?? new(entry.Of.SittingId!, RegionId.Parse(entry.Of.Place!));

    /// <summary>What was weighed and still holds, in the order in which it was; each step once, as it was last weighed.</summary>
    /// <param name="entries">The entries of a sitting's weighings, in the order in which they were written.</param>
    public static ImmutableArray<Entry> Weighed(IEnumerable<Entry> entries) =>
        [.. Holding(entries).Where(e => e.Kind == EntryKind.Weighed && e.Of.Step is not null).GroupBy(e => e.Of.Step)
            .Select(g => g.Last())];

    private static LoggedPour Pour(IGrouping<(RegionOf Of, int Pass), Entry> told)
    {
        var planned = told.FirstOrDefault(e => e.Kind == EntryKind.Planned);
        return new(
            told.Key.Of.LayerId, told.Key.Of.Region, planned?.Says.Words ?? "", planned?.Says.Ml,
            [.. told.Where(e => e.Kind == EntryKind.Poured)
                .Select(e => new PouredOnce(e.Says.Ml, e.Of.Copy, e.Time.Noted ? e.Time.At : null))],
            told.Key.Pass, told.Any(e => e.Kind == EntryKind.Enough));
    }
}
