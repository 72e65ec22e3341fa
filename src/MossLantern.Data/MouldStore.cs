using System.Collections.Immutable;
using Dapper;
using MossLantern.Core.Documents;
using NodaTime;

namespace MossLantern.Data;

/// <summary>A use of a mould that somebody noted, beside the castings of the log.</summary>
/// <param name="MouldId">The mould.</param>
/// <param name="At">When.</param>
/// <param name="What">What happened.</param>
/// <param name="Castings">How many castings it made; may be none.</param>
/// <param name="HottestC">How hot it got, °C; null where nobody read it.</param>
public sealed record NotedUse(string MouldId, Instant At, string What, int Castings, double? HottestC);

/// <summary>Keeps the mould library.</summary>
public sealed class MouldStore(WorkshopDatabase database) : CupboardStore<LibraryMould>(database, "mould", mould => mould.Name)
{
    private sealed record UseRow(string MouldId, string UsedAt, string What, long Castings, double? HottestC);

    /// <summary>The noted uses of all moulds, the latest first.</summary>
    public ImmutableArray<NotedUse> Uses() => Database.Read<ImmutableArray<NotedUse>>(connection =>
    [
        .. connection.Query<UseRow>(
            """
            select mould_id as MouldId, used_at as UsedAt, what as What, castings as Castings, hottest_c as HottestC
            from mould_use order by used_at desc, id
            """)
            .Select(u => new NotedUse(u.MouldId, Times.Read(u.UsedAt), u.What, (int)u.Castings, u.HottestC)),
    ]);

    /// <inheritdoc/>
    public override void Clear()
    {
        Database.Write(connection => connection.Execute("delete from mould_use"));
        base.Clear();
    }

    /// <summary>Notes a use.</summary>
    public void Note(NotedUse use, Instant now)
    {
        ArgumentNullException.ThrowIfNull(use);
        Database.Write(connection => connection.Execute(
            """
            insert into mould_use (id, mould_id, used_at, what, castings, hottest_c, saved_at)
            values (@id, @MouldId, @at, @What, @Castings, @HottestC, @now)
            """,
            new
            {
                id = Guid.NewGuid().ToString("n"),
                use.MouldId,
                at = Times.Write(use.At),
                use.What,
                use.Castings,
                use.HottestC,
                now = Times.Write(now)
            }));
    }
}
