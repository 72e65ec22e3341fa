using System.Collections.Immutable;
using Dapper;
using MossLantern.Core.Journal;
using NodaTime;

namespace MossLantern.Data;

/// <summary>Keeps what is weighed at the bench in the journal: entries of a sitting, of no run yet.</summary>
public sealed class WeighingStore(WorkshopDatabase database)
{
    /// <summary>What was weighed of a sitting and still holds, in the order in which it was; each step once, as it was
    /// last weighed.</summary>
    public ImmutableArray<Entry> Of(string pieceId, string sittingId) =>
        database.Read(connection => Folds.Weighed(EntryRows.OfWeighing(connection, pieceId, sittingId)));

    /// <summary>Writes what was weighed of a step. Under an id that is there already nothing is written.</summary>
    public void Add(string id, string pieceId, string sittingId, StepId step, double grams, Instant now) => database.Write(connection =>
    {
        if (connection.ExecuteScalar<long>("select count(*) from entry where id = @id", new { id }) == 0)
        {
            var before = Folds.Holding(EntryRows.OfWeighing(connection, pieceId, sittingId)).LastOrDefault(e => e.Of.Step == step);
            EntryRows.Add(connection,
                [new(id, EntryKind.Weighed, new(null, pieceId, sittingId, step), new(now, now), new(Grams: grams), before?.Id)]);
        }

        return true;
    });

    /// <summary>Takes back what was weighed last, or everything, so that it is weighed again.</summary>
    /// <param name="pieceId">The piece.</param>
    /// <param name="sittingId">The sitting.</param>
    /// <param name="everything">Whether everything is.</param>
    /// <param name="now">When this is.</param>
    /// <param name="id">The id of this, of which the entries have theirs; where it was done under it before, nothing is.</param>
    /// <returns>How much was taken back.</returns>
    public int TakeBack(string pieceId, string sittingId, bool everything, Instant now, string id) => database.Write(connection =>
    {
        if (connection.ExecuteScalar<long>("select count(*) from entry where id = @id", new { id }) > 0)
        {
            return 0;
        }

        var all = EntryRows.OfWeighing(connection, pieceId, sittingId).ToList();
        var holding = Folds.Holding(all);
        var back = everything ? holding : holding.IsEmpty ? [] : [all.Last(e => holding.Any(h => h.Id == e.Id))];
        EntryRows.Add(connection, back.Select((e, i) =>
            e.TakenBack(i == 0 ? id : FormattableString.Invariant($"{id}-{i}"), now) with { Time = new(now, now) }));
        return back.Length;
    });
}
