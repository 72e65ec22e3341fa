using System.Collections.Immutable;
using FluentValidation;
using FluentValidation.Results;
using Microsoft.AspNetCore.Http.HttpResults;
using MossLantern.Core.Curing;
using MossLantern.Core.Documents;
using MossLantern.Core.Edits;
using MossLantern.Core.Grounds;
using MossLantern.Core.Painting;
using MossLantern.Core.Units;
using MossLantern.Data;
using MossLantern.Web.Hosting;
using NodaTime;

namespace MossLantern.Web.Endpoints;

/// <summary>A mould of the library with what happened to it, the latest first; the path draws its outline in mm.</summary>
public sealed record MouldView(
    string Id, int Version, LibraryMould Mould, string Path, double WidthMm, double HeightMm, Reckoned Capacity,
    int Castings, ImmutableArray<MouldUseView> Uses);

/// <summary>A use of a mould in the workshop's local time.</summary>
public sealed record MouldUseView(Moment At, string What, int Castings, Reckoned? Hottest);

/// <summary>A save of a mould, based on a version; 0 is a new one.</summary>
public sealed record SaveMould(int BasedOn, LibraryMould Mould);

/// <summary>A use to note, in the workshop's local time.</summary>
public sealed record NoteUse(LocalDateTime At, string What, int Castings, double? HottestC = null);

/// <summary>Endpoints of the mould library.</summary>
internal static class MouldEndpoints
{
    private static readonly LibraryMouldValidator Validator = new();
    private static readonly GroundValidator Grounds = new();

    public static void MapMoulds(this IEndpointRouteBuilder app)
    {
        var api = app.MapGroup("/api/moulds");
        api.MapGet("", (MouldLibrary library) => library.All());
        api.MapPut("/{id:length(1,40)}", Results<Ok<ImmutableArray<MouldView>>, ProblemHttpResult> (
            string id, SaveMould request, MouldStore moulds, MouldLibrary library, WorkshopTime time) =>
        {
            Validator.Validate(request.Mould, o => o.ThrowOnFailures());
            return moulds.Save(id, request.BasedOn, request.Mould with { Name = request.Mould.Name.Trim() }, time.Now) is null
                ? NoMould()
                : TypedResults.Ok(library.All());
        });
        api.MapPost("/{id}/uses", Results<Ok<ImmutableArray<MouldView>>, ProblemHttpResult> (
            string id, NoteUse request, MouldStore moulds, MouldLibrary library, WorkshopTime time) =>
        {
            if (moulds.All().All(m => m.Id != id))
            {
                return NoMould();
            }

            Check(request, time);
            moulds.Note(new(id, time.Zone.AtLeniently(request.At).ToInstant(), request.What.Trim(), request.Castings,
                request.HottestC), time.Now);
            return TypedResults.Ok(library.All());
        });
    }

    private static void Check(NoteUse request, WorkshopTime time)
    {
        var errors = new List<ValidationFailure>();
        if (string.IsNullOrWhiteSpace(request.What) || request.What.Length > LibraryMouldValidator.LongestNote)
        {
            errors.Add(new("what", $"Say what happened, in 1 to {LibraryMouldValidator.LongestNote} characters."));
        }

        if (!Core.Units.Accepted.Years.Contains(request.At.Year)
            || time.Zone.AtLeniently(request.At).ToInstant() > time.Now + Duration.FromMinutes(1))
        {
            errors.Add(new("at", "What happened must lie in the past, from the year 1970 on."));
        }

        if (request.Castings < 0 || request.Castings > Core.Units.Accepted.Owned.To)
        {
            errors.Add(new("castings", (Core.Units.Accepted.Owned with { What = "Castings" }).Sentence));
        }

        if (request.HottestC is { } hottest && !Core.Units.Accepted.HottestC.Contains(hottest))
        {
            errors.Add(new("hottestC", Core.Units.Accepted.HottestC.Sentence));
        }

        if (errors.Count > 0)
        {
            throw new ValidationException(errors);
        }
    }

    private static ProblemHttpResult NoMould() => TypedResults.Problem(
        title: "No such mould", detail: "There is no mould with this id in the library.", statusCode: StatusCodes.Status404NotFound);
}

/// <summary>The mould library with the log of every mould: the castings of the pieces' logs, and what was noted beside them.</summary>
public sealed class MouldLibrary(MouldStore moulds, PieceStore pieces, RunStore runs, WorkshopSurroundings around, WorkshopTime time)
{
    /// <summary>All moulds.</summary>
    public ImmutableArray<MouldView> All()
    {
        var zone = time.Zone;
        var uses = Cast().Concat(moulds.Uses().Select(u => new MouldUse(
                u.MouldId, u.At, u.What, u.Castings,
                u.HottestC is { } read
                    ? Reckoned.Of(read, "°C", Formulas.Stated, new ReckonedInput("read", read, "°C", Origin.Measured)) : null)))
            .OrderByDescending(u => u.At).ToLookup(u => u.MouldId);
        return
        [
            .. moulds.All().Select(m => new MouldView(
                m.Id, m.Version, m.Thing, Painter.OutlinePath(m.Thing.Outline), m.Thing.Outline.BoxWidthMm,
                m.Thing.Outline.BoxHeightMm, MouldPlan.CapacityOf(m.Thing),
                uses[m.Id].Sum(u => u.Castings),
                [.. uses[m.Id].Select(u => new MouldUseView(WorkshopTime.Local(u.At, zone), u.What, u.Castings, u.Hottest))])),
        ];
    }

    /// <summary>The castings of the pieces' logs. A casting begins with its first layer; every layer warms its mould.</summary>
    private IEnumerable<MouldUse> Cast()
    {
        var kept = runs.Of(null).ToLookup(r => r.PieceId);
        return
            from stored in pieces.All()
            let piece = stored.Piece
            let mould = piece.Ground.Mould
            where mould?.LibraryIds is not null
            from run in kept[stored.Id]
            let sitting = piece.Sittings.FirstOrDefault(s => s.Id == run.SittingId)
            where sitting is not null
            let layers = piece.Filled.Where(l => sitting.LayerIds.Contains(l.Id)).ToList()
            from id in mould.LibraryIds!.Value
            select new MouldUse(
                id, run.Start, $"{piece.Name}, {sitting.Name ?? string.Join(", ", layers.Select(l => l.Name))}",
                piece.SittingsOf(piece.Layers[0]).FirstOrDefault()?.Id == sitting.Id ? mould.AtOnce : 0,
                FilmHeat.HottestC(sitting.Resin.From(around.Catalogue), layers.Max(l => l.DepthMm),
                    run.RoomC is { } read ? new ReckonedInput("room", read, "°C", Origin.Measured) : around.Now.Room.InputAt(run.Start)));
    }
}
