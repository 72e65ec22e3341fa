using System.Collections.Immutable;
using Dapper;
using NodaTime;

namespace MossLantern.Data;

/// <summary>Keeps what is weighed at the bench in the journal: entries of a sitting, of no run yet.</summary>
public sealed class WeighingStore(WorkshopDatabase database)
{
    /// <summary>What was weighed of a sitting and still holds, in the order in which it was; each step once, as it was last weighed.</summary>
    public ImmutableArray<Entry> Of(string pieceId, string sittingId) =>
        database.Read<ImmutableArray<Entry>>(connection => [.. Journal.Holding(All(connection, pieceId, sittingId)).GroupBy(e => e.StepId).Select(g => g.Last())]);

    /// <summary>Writes what was weighed of a step. Under an id that is there already nothing is written.</summary>
    public void Add(string id, string pieceId, string sittingId, string stepId, double grams, Instant now) => database.Write(connection =>
    {
        if (connection.ExecuteScalar<long>("select count(*) from entry where id = @id", new { id }) == 0)
        {
            var before = Journal.Holding(All(connection, pieceId, sittingId)).LastOrDefault(e => e.StepId == stepId);
            Journal.Add(connection, [new(id, null, pieceId, sittingId, stepId, null, EntryKind.Weighed, now, null, now, Grams: grams, Replaces: before?.Id)]);
        }

        return true;
    });

    /// <summary>Takes back what was weighed last, or everything, so that it is weighed again.</summary>
    /// <returns>How much was taken back.</returns>
    public int TakeBack(string pieceId, string sittingId, bool everything, Instant now) => database.Write(connection =>
    {
        var holding = Journal.Holding(All(connection, pieceId, sittingId));
        var back = everything ? holding : holding.IsEmpty ? [] : [All(connection, pieceId, sittingId).Last(e => holding.Any(h => h.Id == e.Id))];
        Journal.Add(connection, back.Select(e => e with { Id = Guid.NewGuid().ToString("n"), Kind = EntryKind.TakenBack, At = now, ArrivedAt = now, Grams = null, Replaces = e.Id }));
        return back.Length;
    });

    private static List<Entry> All(Microsoft.Data.Sqlite.SqliteConnection connection, string pieceId, string sittingId) =>
        [.. Journal.Of(connection, pieceId).Where(e => e.RunId is null && e.SittingId == sittingId && e.StepId is not null && e.Kind is EntryKind.Weighed or EntryKind.TakenBack)];
}
