using System.Collections.Immutable;
using Dapper;
using Microsoft.Data.Sqlite;
using MossLantern.Core.Pieces;
using MossLantern.Formats;
using NodaTime;
using NodaTime.Text;

namespace MossLantern.Data;

/// <summary>A stored piece at one version.</summary>
/// <param name="Id">Its id.</param>
/// <param name="Version">Its version, from 1.</param>
/// <param name="SavedAt">When this version was saved.</param>
/// <param name="Piece">The document.</param>
public sealed record StoredPiece(string Id, int Version, Instant SavedAt, Piece Piece);

/// <summary>A save that was based on a version that is no longer the newest. Nothing was written.</summary>
/// <param name="Newest">The newest version.</param>
public sealed class StaleVersionException(int newest) : Exception($"It was changed elsewhere: version {newest} is the newest.")
{
    /// <summary>The newest version.</summary>
    public int Newest { get; } = newest;
}

/// <summary>Keeps pieces. Every save is a revision; none is ever overwritten.</summary>
public sealed class PieceStore(WorkshopDatabase database)
{
    private sealed record Row(string Id, long Version, string SavedAt, string Document)
    {
        public StoredPiece ToStored() => new(Id, (int)Version, Times.Read(SavedAt), PieceJson.Read(Document));
    }

    private const string Newest =
        """
        select p.id as Id, p.version as Version, p.saved_at as SavedAt, r.document as Document
        from piece p join piece_revision r on r.piece_id = p.id and r.version = p.version
        """;

    /// <summary>All pieces at their newest version, oldest piece first.</summary>
    public ImmutableArray<StoredPiece> All()
    {
        using var connection = database.Connect();
        return [.. connection.Query<Row>(Newest + " order by p.created_at, p.id").Select(r => r.ToStored())];
    }

    /// <summary>A piece at its newest version, or null.</summary>
    public StoredPiece? Find(string id)
    {
        using var connection = database.Connect();
        return connection.QuerySingleOrDefault<Row>(Newest + " where p.id = @id", new { id })?.ToStored();
    }

    /// <summary>Keeps a new piece as version 1.</summary>
    public StoredPiece Add(string id, Piece piece, Instant now)
    {
        ArgumentNullException.ThrowIfNull(piece);
        return database.Write(connection =>
        {
            connection.Execute(
                """
                insert into piece (id, name, version, width_mm, height_mm, area_mm2, created_at, saved_at)
                values (@id, @Name, 1, @WidthMm, @HeightMm, @AreaMm2, @now, @now)
                """,
                Figures(id, piece, now));
            Revise(connection, id, 1, piece, now);
            return new StoredPiece(id, 1, now, piece);
        });
    }

    /// <summary>Saves a piece as the version after the one it was based on.</summary>
    /// <returns>The new version, or null when there is no such piece.</returns>
    /// <exception cref="StaleVersionException">The version it was based on is not the newest.</exception>
    public StoredPiece? Save(string id, int basedOn, Piece piece, Instant now)
    {
        ArgumentNullException.ThrowIfNull(piece);
        return database.Write(connection =>
        {
            var newest = connection.ExecuteScalar<int?>("select version from piece where id = @id", new { id });
            if (newest is null)
            {
                return null;
            }

            if (newest != basedOn)
            {
                throw new StaleVersionException(newest.Value);
            }

            var version = basedOn + 1;
            connection.Execute(
                """
                update piece set name = @Name, version = @version, width_mm = @WidthMm, height_mm = @HeightMm,
                    area_mm2 = @AreaMm2, saved_at = @now
                where id = @id
                """,
                new DynamicParameters(Figures(id, piece, now)).With("version", version));
            Revise(connection, id, version, piece, now);
            return new StoredPiece(id, version, now, piece);
        });
    }

    private static void Revise(SqliteConnection connection, string id, int version, Piece piece, Instant now) =>
        connection.Execute(
            "insert into piece_revision (piece_id, version, document, saved_at) values (@id, @version, @document, @now)",
            new { id, version, document = PieceJson.Write(piece), now = Times.Write(now) });

    private static object Figures(string id, Piece piece, Instant now) => new
    {
        id,
        piece.Name,
        WidthMm = piece.Ground.Outline.BoxWidthMm,
        HeightMm = piece.Ground.Outline.BoxHeightMm,
        piece.Ground.Outline.AreaMm2,
        now = Times.Write(now),
    };
}

internal static class Times
{
    public static string Write(Instant instant) => InstantPattern.ExtendedIso.Format(instant);

    public static Instant Read(string text) => InstantPattern.ExtendedIso.Parse(text).Value;

    public static DynamicParameters With(this DynamicParameters parameters, string name, object value)
    {
        parameters.Add(name, value);
        return parameters;
    }
}
