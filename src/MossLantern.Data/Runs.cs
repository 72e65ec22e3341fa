using System.Globalization;
using MossLantern.Core.Documents;
using NodaTime;

namespace MossLantern.Data;

/// <summary>What entries of the journal tell of a sitting together, and what has to be written so that they tell something else.</summary>
internal static class Runs
{
    /// <summary>One run of one sitting, as its entries tell it.</summary>
    /// <param name="part">Which it is: everything that entries do not tell.</param>
    /// <param name="entries">All of its entries, in the order in which they were written.</param>
    public static Run Fold(Run part, IEnumerable<Entry> entries)
    {
        var holding = Journal.Holding(entries);
        var poured = holding.Where(e => e.Kind == EntryKind.Poured).ToDictionary(e => (e.Place!, e.StepId), e => e.Ml);
        Entry? Of(EntryKind kind) => holding.FirstOrDefault(e => e.Kind == kind);
        return part with
        {
            Start = Of(EntryKind.Started)!.At,
            End = Of(EntryKind.Ended)?.At,
            RoomC = Of(EntryKind.Room)?.Celsius,
            Note = Of(EntryKind.Noted)?.Words ?? "",
            Pours = [.. holding.Where(e => e.Kind == EntryKind.Planned).Select(e => Pour(part.SittingId, e, poured.GetValueOrDefault((e.Place!, e.StepId))))],
        };
    }

    /// <summary>The entries that make a run tell what it is to tell: only what is new, or other than before.</summary>
    /// <param name="run">What it is to tell.</param>
    /// <param name="entries">What it tells so far; none for a new one.</param>
    /// <param name="now">When they come to be written.</param>
    public static IEnumerable<Entry> Told(Run run, IEnumerable<Entry> entries, Instant now)
    {
        var before = Journal.Holding(entries).ToDictionary(e => (e.Kind, e.Place, e.StepId));
        var told = Wanted(run, now).ToDictionary(e => (e.Kind, e.Place, e.StepId));
        return
        [
            .. told.Where(t => before.GetValueOrDefault(t.Key) is not { } was || !Same(was, t.Value))
                .Select(t => t.Value with { Replaces = before.GetValueOrDefault(t.Key)?.Id }),
            .. before.Where(b => !told.ContainsKey(b.Key))
                .Select(b => b.Value with { Id = NewId(), Kind = EntryKind.TakenBack, ArrivedAt = now, Ml = null, Celsius = null, Words = null, Replaces = b.Value.Id }),
        ];
    }

    private static IEnumerable<Entry> Wanted(Run run, Instant now)
    {
        Entry New(EntryKind kind) => new(NewId(), run.Id, run.PieceId, run.SittingId, null, null, kind, run.Start, null, now);
        yield return New(EntryKind.Started);
        if (run.End is { } end)
        {
            yield return New(EntryKind.Ended) with { At = end };
        }

        if (run.RoomC is { } room)
        {
            yield return New(EntryKind.Room) with { Celsius = room };
        }

        if (run.Note.Length > 0)
        {
            yield return New(EntryKind.Noted) with { Words = run.Note };
        }

        foreach (var pour in run.Pours)
        {
            var (place, step) = (PlaceOf(run.SittingId, pour), pour.Pass == 0 ? null : FormattableString.Invariant($"{Pass}{pour.Pass + 1}"));
            yield return New(EntryKind.Planned) with { Place = place, StepId = step, Ml = pour.PlannedMl, Words = pour.ColourName };
            if (pour.PouredMl is { } ml)
            {
                yield return New(EntryKind.Poured) with { Place = place, StepId = step, Ml = ml };
            }
        }
    }

    /// <summary>The step of a pass after the first.</summary>
    private const string Pass = "pass-";

    /// <summary>A region of the layer that the sitting is called after is told by itself; any other by its place.</summary>
    private static string PlaceOf(string sittingId, LoggedPour pour) => pour.LayerId == sittingId ? pour.RegionId.ToString() : PlaceIn.Region(pour.LayerId, pour.RegionId);

    private static LoggedPour Pour(string sittingId, Entry planned, double? pouredMl)
    {
        const string before = "layers[", between = "].regions[";
        var (place, layer, region) = (planned.Place!, sittingId, planned.Place!);
        if (place.StartsWith(before, StringComparison.Ordinal) && place.IndexOf(between, StringComparison.Ordinal) is > 0 and var at)
        {
            (layer, region) = (place[before.Length..at], place[(at + between.Length)..^1]);
        }

        var pass = planned.StepId is { } step && step.StartsWith(Pass, StringComparison.Ordinal) && int.TryParse(step.AsSpan(Pass.Length), NumberStyles.None, CultureInfo.InvariantCulture, out var number) ? number - 1 : 0;
        return new(layer, RegionId.Parse(region), planned.Words!, planned.Ml!.Value, pouredMl, pass);
    }

    /// <summary>Whether two tell the same. The moment counts only for what is a moment: the rest is told as of the start.</summary>
    private static bool Same(Entry was, Entry now) =>
        was.SittingId == now.SittingId && (was.Ml, was.Celsius, was.Words) == (now.Ml, now.Celsius, now.Words)
        && (was.Kind is not (EntryKind.Started or EntryKind.Ended) || was.At == now.At);

    private static string NewId() => Guid.NewGuid().ToString("n");
}
