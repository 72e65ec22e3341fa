using System.Collections.Immutable;
using Dapper;
using MossLantern.Core.Grounds;
using MossLantern.Formats;
using NodaTime;

namespace MossLantern.Data;

/// <summary>A mould of the library at one version.</summary>
/// <param name="Id">Its id.</param>
/// <param name="Version">Its version, from 1.</param>
/// <param name="Mould">The mould.</param>
public sealed record StoredMould(string Id, int Version, LibraryMould Mould);

/// <summary>A use of a mould that somebody noted, beside the castings of the log.</summary>
/// <param name="MouldId">The mould.</param>
/// <param name="At">When.</param>
/// <param name="What">What happened.</param>
/// <param name="Castings">How many castings it made; may be none.</param>
/// <param name="HottestC">How hot it got, °C; null where nobody read it.</param>
public sealed record NotedUse(string MouldId, Instant At, string What, int Castings, double? HottestC);

/// <summary>Keeps the mould library.</summary>
public sealed class MouldStore(WorkshopDatabase database)
{
    private sealed record Row(string Id, long Version, string Document);

    private sealed record UseRow(string MouldId, string UsedAt, string What, long Castings, double? HottestC);

    /// <summary>All moulds, by name.</summary>
    public ImmutableArray<StoredMould> All()
    {
        using var connection = database.Connect();
        return
        [
            .. connection.Query<Row>("select id as Id, version as Version, document as Document from mould order by name, id")
                .Select(r => new StoredMould(r.Id, (int)r.Version, MouldJson.Read(r.Document))),
        ];
    }

    /// <summary>Keeps a mould as the version after the one it was based on; 0 is a new mould. Null where there is no such mould.</summary>
    /// <exception cref="StaleVersionException">The version it was based on is not the newest.</exception>
    public StoredMould? Save(string id, int basedOn, LibraryMould mould, Instant now)
    {
        ArgumentNullException.ThrowIfNull(mould);
        return database.Write(connection =>
        {
            var newest = connection.ExecuteScalar<int?>("select version from mould where id = @id", new { id });
            if (newest is null && basedOn > 0)
            {
                return null;
            }

            if ((newest ?? 0) != basedOn)
            {
                throw new StaleVersionException(newest ?? 0);
            }

            connection.Execute(
                """
                insert into mould (id, name, version, document, created_at, saved_at) values (@id, @Name, @version, @document, @now, @now)
                on conflict (id) do update set name = @Name, version = @version, document = @document, saved_at = @now
                """,
                new { id, mould.Name, version = basedOn + 1, document = MouldJson.Write(mould), now = Times.Write(now) });
            return new StoredMould(id, basedOn + 1, mould);
        });
    }

    /// <summary>The noted uses of all moulds, the latest first.</summary>
    public ImmutableArray<NotedUse> Uses()
    {
        using var connection = database.Connect();
        return
        [
            .. connection.Query<UseRow>(
                """
                select mould_id as MouldId, used_at as UsedAt, what as What, castings as Castings, hottest_c as HottestC
                from mould_use order by used_at desc, id
                """)
                .Select(u => new NotedUse(u.MouldId, Times.Read(u.UsedAt), u.What, (int)u.Castings, u.HottestC)),
        ];
    }

    /// <summary>Notes a use.</summary>
    public void Note(NotedUse use, Instant now)
    {
        ArgumentNullException.ThrowIfNull(use);
        database.Write(connection => connection.Execute(
            """
            insert into mould_use (id, mould_id, used_at, what, castings, hottest_c, saved_at)
            values (@id, @MouldId, @at, @What, @Castings, @HottestC, @now)
            """,
            new { id = Guid.NewGuid().ToString("n"), use.MouldId, at = Times.Write(use.At), use.What, use.Castings, use.HottestC, now = Times.Write(now) }));
    }
}
