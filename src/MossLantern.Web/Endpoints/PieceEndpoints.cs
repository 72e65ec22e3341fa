using System.Globalization;
using System.Collections.Immutable;
using Microsoft.AspNetCore.Http.HttpResults;
using MossLantern.Core.Documents;
using MossLantern.Core.Edits;
using MossLantern.Core.Painting;
using MossLantern.Data;
using MossLantern.Pictures;
using MossLantern.Web.Hosting;

namespace MossLantern.Web.Endpoints;

/// <summary>A new piece, from its name and its ground, laid out to begin with or not at all.</summary>
public sealed record NewPiece(string Name, Ground Ground, Starter? Starter = null);

/// <summary>A save, based on a version.</summary>
public sealed record SavePiece(int BasedOn, Piece Piece);

/// <summary>A step along a piece's revisions, based on a version. Under an id of its own it is taken once, however often it is
/// sent.</summary>
public sealed record StepPiece(int BasedOn, UndoStep Step, Guid? Id = null);

/// <summary>A change of a piece: commands made in turn, based on a version. The id is the change's own: sent again, it
/// is taken once.</summary>
public sealed record EditPiece(Guid Id, int BasedOn, ImmutableArray<Edit> Commands);

/// <summary>
/// A preview of an edited piece: painted up to a layer in a detail, if one is given, looked at in a way, with or
/// without its numbers. Either the
/// document itself, or commands made to a revision of what is kept: none for the revision itself.
/// </summary>
public sealed record PreviewPiece(
    Piece? Piece = null, string? LayerId = null, PaintDetail? Detail = null, bool Numbers = true, Look? Look = null,
    int? Revision = null, ImmutableArray<Edit>? Commands = null);

/// <summary>How a picture is looked at: <c>top</c> or <c>underside</c>, wet or cured, light from <c>front</c> or <c>back</c>.</summary>
public sealed record LookQuery
{
    /// <summary>Which face is looked at.</summary>
    public string? Face { get; init; }

    /// <summary>Whether it is wet.</summary>
    public string? Wet { get; init; }

    /// <summary>Where the light comes from.</summary>
    public string? Light { get; init; }

    /// <summary>How far it is tilted, degrees.</summary>
    public string? TiltDeg { get; init; }

    /// <summary>Whether a torch went over it.</summary>
    public string? Torched { get; init; }

    /// <summary>The look; null with what is wrong where it is none.</summary>
    public Look? Read(out Dictionary<string, string[]> wrong)
    {
        wrong = [];
        var face = Core.Painting.Face.Top;
        var light = LightFrom.Front;
        var wet = false;
        if (Face is not null && !Enum.TryParse(Face, true, out face) || !Enum.IsDefined(face))
        {
            wrong["face"] = ["The face must be top or underside."];
        }

        if (Wet is not null && !bool.TryParse(Wet, out wet))
        {
            wrong["wet"] = ["Wet must be true or false."];
        }

        if (Light is not null && !Enum.TryParse(Light, true, out light) || !Enum.IsDefined(light))
        {
            wrong["light"] = ["The light must come from the front or the back."];
        }

        var tilt = 0.0;
        if (TiltDeg is not null && !double.TryParse(TiltDeg, CultureInfo.InvariantCulture, out tilt))
        {
            wrong["tiltDeg"] = ["The tilt must be a number of degrees."];
        }

        var torched = false;
        if (Torched is not null && !bool.TryParse(Torched, out torched))
        {
            wrong["torched"] = ["Torched must be true or false."];
        }

        return wrong.Count == 0 ? new(face, wet, light, tilt, torched) : null;
    }
}

/// <summary>Endpoints of pieces.</summary>
internal static class PieceEndpoints
{
    public static void MapPieces(this IEndpointRouteBuilder app)
    {
        var api = app.MapGroup("/api/pieces");
        api.MapPost("", Created<PieceView> (
            NewPiece request, Workbench workbench, PieceStore pieces, WorkshopTime time, WorkshopSurroundings around) =>
        {
            var planned = workbench.Planned(FirstPiece.Of(request.Name.Trim(), request.Ground, request.Starter,
                around.Now.Habits.ByWeight ? Measure.ByWeight : Measure.ByVolume));
            return Added(planned, workbench, pieces, time);
        });
        api.MapGet("/{id}", Results<Ok<PieceView>, ProblemHttpResult> (string id, Workbench workbench, PieceStore pieces) =>
            pieces.Find(id) is { } stored ? TypedResults.Ok(workbench.View(stored)) : NoPiece());
        api.MapPut("/{id}", Results<Ok<PieceView>, ProblemHttpResult> (
            string id, SavePiece request, Workbench workbench, PieceStore pieces, WorkshopTime time) =>
        {
            return workbench.Planned(id, request.BasedOn, request.Piece) is { } planned
                && pieces.Save(id, request.BasedOn, planned.Piece, time.Now) is { } stored
                ? TypedResults.Ok(workbench.View(stored, planned.Plan))
                : NoPiece();
        });
        api.MapPost("/{id}/edit", Results<Ok<EditedView>, ProblemHttpResult> (string id, EditPiece request, Workbench workbench) =>
            workbench.Apply(id, request) is { } edited ? TypedResults.Ok(edited) : NoPiece());
        api.MapPost("/{id}/step", Results<Ok<PieceView>, ProblemHttpResult> (
            string id, StepPiece request, Workbench workbench, PieceStore pieces, WorkshopTime time) =>
            pieces.Walk(id, request.BasedOn, request.Step, time.Now, request.Id?.ToString("n")) is { } stored
                ? TypedResults.Ok(workbench.View(stored))
                : NoPiece());
        api.MapDelete("/{id}", Results<Ok<ImmutableArray<AsideView>>, ProblemHttpResult> (
            string id, Overview overview, PieceStore pieces, WorkshopTime time) =>
            pieces.TakeOff(id, time.Now) ? TypedResults.Ok(overview.Aside()) : NoPiece());
        app.MapPost("/api/aside/{id}/put-back", Results<Ok<ImmutableArray<AsideView>>,
            ProblemHttpResult> (string id, Overview overview, PieceStore pieces) =>
            pieces.PutBack(id) ? TypedResults.Ok(overview.Aside()) : TypedResults.Problem(
                title: "Not kept aside", detail: "No piece with this id is kept aside; its 30 days may be over.",
                statusCode: StatusCodes.Status404NotFound));
        api.MapPost("/{id}/rework", Results<Created<PieceView>, ProblemHttpResult> (
            string id, Workbench workbench, PieceStore pieces, WorkshopTime time) =>
        {
            if (pieces.Find(id) is not { } old)
            {
                return NoPiece();
            }

            if (!workbench.MayBePouredOver(old))
            {
                return TypedResults.Problem(
                    title: "Not finished", detail: "Layers of this piece are still to be poured; only a finished piece can be poured over.",
                    statusCode: StatusCodes.Status409Conflict);
            }

            return Added(workbench.Planned(Rework.Over(old.Piece, id)), workbench, pieces, time);
        });
        api.MapPost("/{id}/preview", Results<Ok<PreviewView>, ProblemHttpResult> (string id, PreviewPiece request, Workbench workbench) =>
        {
            if (request.Piece is null == (request.Commands is null || request.Revision is null))
            {
                return ProblemHandler.Invalid(
                    new() { ["commands"] = ["Send either a piece, or commands with the revision they are made to."] });
            }

            if ((request.Piece is { } own ? workbench.Checked(own)
                : workbench.Drafted(id, request.Revision!.Value, request.Commands!.Value)) is not { } piece)
            {
                return NoPiece();
            }

            return Refused(request.Look, piece)
                ?? (Results<Ok<PreviewView>, ProblemHttpResult>)TypedResults.Ok(
                    workbench.Preview(id, piece, Layer(piece, request.LayerId), request.Detail, request.Numbers,
                        request.Look) with
                    { Piece = request.Piece is null ? piece : null });
        });
        api.MapGet("/{id}/painting", Results<Ok<Painting>, ProblemHttpResult> (
            string id, string? layer, int? revision, [AsParameters] LookQuery query, Workbench workbench, PieceStore pieces) =>
        {
            if (At(pieces, id, revision) is not var (piece, _))
            {
                return NoPiece();
            }

            return Looked(query, piece, out var look)
                ?? (Results<Ok<Painting>,
                    ProblemHttpResult>)TypedResults.Ok(workbench.Paint(piece, Layer(piece, layer), PaintDetail.Full, look));
        });
    }

    /// <summary>Keeps a new piece that has been worked out, and answers it.</summary>
    public static Created<PieceView> Added(PlannedPiece planned, Workbench workbench, PieceStore pieces, WorkshopTime time)
    {
        var stored = pieces.Add(Guid.NewGuid().ToString("n"), planned.Piece, time.Now);
        return TypedResults.Created($"/api/pieces/{stored.Id}", workbench.View(stored, planned.Plan));
    }

    public static ProblemHttpResult NoPiece() => TypedResults.Problem(
        title: "No such piece", detail: "There is no piece with this id on the shelf.", statusCode: StatusCodes.Status404NotFound);

    /// <summary>Why a piece cannot be looked at in a way.</summary>
    private static ProblemHttpResult? Refused(Look? look, Piece piece) =>
        look?.Refused(piece) is { } why ? ProblemHandler.Invalid(new() { ["look"] = [why] }) : null;

    /// <summary>The look that is asked for, or why a piece cannot be looked at in that way.</summary>
    public static ProblemHttpResult? Looked(LookQuery query, Piece piece, out Look? look) =>
        (look = query.Read(out var wrong)) is null ? ProblemHandler.Invalid(wrong) : Refused(look, piece);

    /// <summary>A piece as it is, with its version, or as it was at a revision.</summary>
    public static (Piece Piece, int? Version)? At(PieceStore pieces, string id, int? revision) =>
        revision is { } number ? pieces.At(id, number) is { } then ? (then, null) : null
        : pieces.Find(id) is { } now ? (now.Piece, now.Version) : null;

    /// <summary>A layer of the piece; anything else paints all.</summary>
    private static string? Layer(Piece piece, string? id) => piece.Layers.Any(l => l.Id == id) ? id : null;
}
