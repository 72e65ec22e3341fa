using System.Collections.Immutable;
using MossLantern.Core.Documents;
using NodaTime;

namespace MossLantern.Core.Journal;

/// <summary>
/// What a form says of a sitting, as entries: a field that it changed is a correction of the entry that told it, one
/// that it left empty takes
/// that back. Of what the form does not ask for, and of places that it does not name, nothing is written.
/// </summary>
/// <remarks>Source: docs/craft/journal.md, Corrections.</remarks>
public static class Corrections
{
    /// <summary>A field of the form: what tells it, and what it is to say; null where it was left empty.</summary>
    private sealed record Field(EntryKind Kind, RegionOf? Region, int Pass, Func<Entry>? Told);

    /// <summary>The entries that are to be written.</summary>
    /// <param name="form">What the form says.</param>
    /// <param name="entries">All entries of its run, in the order in which they were written.</param>
    /// <param name="now">When they come to be written.</param>
    /// <param name="newId">Makes an id.</param>
    public static ImmutableArray<Entry> Of(LoggedSitting form, IEnumerable<Entry> entries, Instant now, Func<string> newId)
    {
        ArgumentNullException.ThrowIfNull(form);
        ArgumentNullException.ThrowIfNull(newId);
        var holding = Folds.OfPart(form.Part, entries);
        var written = ImmutableArray.CreateBuilder<Entry>();
        foreach (var field in Fields(form, now, newId))
        {
            var told = holding.Where(e => e.Kind == field.Kind
                && (field.Region is null
                    || (e.Of.Place is not null && Folds.RegionIn(e) == field.Region && StepId.PassOf(e.Of.Step) == field.Pass))).ToList();
            var wanted = field.Told?.Invoke();
            if (wanted is not null && (IsSaid(told, wanted) || (field.Kind == EntryKind.Planned && told.Count > 0)))
            {
                // What was planned when it was first logged stays what was planned.
                continue;
            }

            if (wanted is not null)
            {
                written.Add(wanted with { Replaces = told.FirstOrDefault()?.Id });
            }

            written.AddRange(told.Skip(wanted is null ? 0 : 1).Select(e => e.TakenBack(newId(), now)));
        }

        return written.ToImmutable();
    }

    private static IEnumerable<Field> Fields(LoggedSitting form, Instant now, Func<string> newId)
    {
        // Of the rest nobody noted when it was: it belongs to a run that began then.
        Entry New(EntryKind kind, EntrySays says, RegionOf? region = null, int pass = 0, Instant? at = null) => new(
            newId(), kind,
            new(form.RunId, form.PieceId, form.SittingId, StepId.OfPass(pass),
                Place: region is { } r ? PlaceIn.Region(r.LayerId, r.Region) : null),
            new(at ?? form.Start, now, at is not null), says);

        yield return new(EntryKind.Started, null, 0, () => New(EntryKind.Started, EntrySays.Nothing, at: form.Start));
        yield return new(EntryKind.Ended, null, 0, form.End is { } end ? () => New(EntryKind.Ended, EntrySays.Nothing, at: end) : null);
        yield return new(EntryKind.Room, null, 0, form.RoomC is { } room ? () => New(EntryKind.Room, new(Celsius: room)) : null);
        yield return new(EntryKind.Noted, null, 0, form.Note.Length > 0 ? () => New(EntryKind.Noted, new(Words: form.Note)) : null);
        foreach (var pour in form.Pours)
        {
            var of = pour.Region;
            if (pour.PlannedMl is { } planned)
            {
                yield return new(EntryKind.Planned, of, pour.Pass,
                    () => New(EntryKind.Planned, new(Ml: planned, Words: pour.ColourName), of, pour.Pass));
            }

            yield return new(EntryKind.Poured, of, pour.Pass,
                pour.PouredMl is { } ml ? () => New(EntryKind.Poured, new(Ml: ml), of, pour.Pass) : null);
            yield return new(EntryKind.Enough, of, pour.Pass,
                pour.ThatIsAll ? () => New(EntryKind.Enough, EntrySays.Nothing, of, pour.Pass) : null);
        }
    }

    /// <summary>Whether what holds says that already. Several pours of one place say it together; the moment counts
    /// only for what is one.</summary>
    private static bool IsSaid(List<Entry> told, Entry wanted) => told.Count > 0 && wanted.Kind switch
    {
        EntryKind.Started or EntryKind.Ended => told.Count == 1 && told[0].Time.At == wanted.Time.At,
        EntryKind.Poured => told.Sum(e => e.Says.Ml ?? 0) == wanted.Says.Ml,
        EntryKind.Noted => string.Join('\n', told.Select(e => e.Says.Words)) == wanted.Says.Words,
        _ => told.Count == 1 && told[0].Says == wanted.Says,
    };
}
