using System.Collections.Immutable;
using Dapper;
using MossLantern.Core.Documents;
using MossLantern.Core.Materials;
using MossLantern.Formats;
using NodaTime;

namespace MossLantern.Data;

/// <summary>A thing of the cupboard at one version.</summary>
/// <param name="Id">Its id.</param>
/// <param name="Version">Its version, from 1.</param>
/// <param name="Thing">The thing.</param>
public sealed record Stored<T>(string Id, int Version, T Thing);

/// <summary>Keeps things of one kind that stand in the cupboard, as documents with a version.</summary>
/// <param name="database">The workshop's file.</param>
/// <param name="table">Their table.</param>
/// <param name="name">What a thing is called, to be sorted by.</param>
public abstract class CupboardStore<T>(WorkshopDatabase database, string table, Func<T, string> name)
{
    private sealed record Row(string Id, long Version, string Document);

    /// <summary>The workshop's file.</summary>
    protected WorkshopDatabase Database { get; } = database;

    /// <summary>All of them, by name.</summary>
    public ImmutableArray<Stored<T>> All() => Database.Read<ImmutableArray<Stored<T>>>(connection =>
    [
        .. connection.Query<Row>($"select id as Id, version as Version, document as Document from {table} order by name, id")
            .Select(r => new Stored<T>(r.Id, (int)r.Version, CupboardJson.Read<T>(r.Document))),
    ]);

    /// <summary>Keeps a thing as the version after the one it was based on; 0 is a new one. Null where there is no such thing.</summary>
    /// <exception cref="StaleVersionException">The version it was based on is not the newest.</exception>
    public Stored<T>? Save(string id, int basedOn, T thing, Instant now) => Database.Write(connection =>
    {
        var newest = connection.ExecuteScalar<int?>($"select version from {table} where id = @id", new { id });
        if (newest is null && basedOn > 0)
        {
            return null;
        }

        if ((newest ?? 0) != basedOn)
        {
            throw new StaleVersionException(newest ?? 0);
        }

        connection.Execute(
            $"""
            insert into {table} (id, name, version, document, created_at, saved_at) values (@id, @name, @version, @document, @now, @now)
            on conflict (id) do update set name = @name, version = @version, document = @document, saved_at = @now
            """,
            new { id, name = name(thing), version = basedOn + 1, document = CupboardJson.Write(thing), now = Times.Write(now) });
        return new Stored<T>(id, basedOn + 1, thing);
    });

    /// <summary>Takes everything out.</summary>
    public virtual void Clear() => Database.Write(connection => connection.Execute($"delete from {table}"));

    /// <summary>Takes a thing out of the cupboard; false where there is no such thing.</summary>
    public bool Remove(string id) =>
        Database.Write(connection => connection.Execute($"delete from {table} where id = @id", new { id }) > 0);
}

/// <summary>Keeps pots of paint.</summary>
public sealed class PotStore(WorkshopDatabase database) : CupboardStore<PaintPot>(database, "pot", pot => pot.Name);

/// <summary>Keeps sequences of colours.</summary>
public sealed class SequenceStore(WorkshopDatabase database) : CupboardStore<KeptSequence>(database, "sequence", sequence => sequence.Name);

/// <summary>Keeps what the person has entered of materials; an id is the kind and the id of the catalogue, as in
/// <c>resin/coating</c>.</summary>
public sealed class MaterialStore(WorkshopDatabase database) : CupboardStore<OwnMaterial>(database, "material", material => material.Name);

/// <summary>Keeps recipes.</summary>
public sealed class RecipeStore(WorkshopDatabase database) : CupboardStore<KeptRecipe>(database, "recipe", kept => kept.Recipe.Name);

/// <summary>Keeps what was cast from left-over resin.</summary>
public sealed class LeftOverStore(WorkshopDatabase database) : CupboardStore<LeftOver>(database, "left_over", left => left.Name);
