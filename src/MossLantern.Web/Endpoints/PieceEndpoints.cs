using Microsoft.AspNetCore.Http.HttpResults;
using MossLantern.Core.Map;
using MossLantern.Core.Pieces;
using MossLantern.Data;
using MossLantern.Web.Hosting;

namespace MossLantern.Web.Endpoints;

/// <summary>A new piece, from its name and its ground.</summary>
public sealed record NewPiece(string Name, Ground Ground);

/// <summary>A save, based on a version.</summary>
public sealed record SavePiece(int BasedOn, Piece Piece);

/// <summary>A step along a piece's revisions, based on a version.</summary>
public sealed record StepPiece(int BasedOn, Step Step);

/// <summary>A preview of an edited piece, painted up to a layer.</summary>
public sealed record PreviewPiece(Piece Piece, string? LayerId, PaintDetail Detail);

/// <summary>Endpoints of pieces.</summary>
internal static class PieceEndpoints
{
    public static void MapPieces(this IEndpointRouteBuilder app)
    {
        var api = app.MapGroup("/api/pieces");
        api.MapGet("", (Workbench workbench) => workbench.Shelf());
        api.MapPost("", Created<PieceView> (NewPiece request, Workbench workbench, PieceStore pieces, WorkshopTime time) =>
        {
            var piece = workbench.Checked(FirstPiece.Of(request.Name.Trim(), request.Ground));
            var stored = pieces.Add(Guid.NewGuid().ToString("n"), piece, time.Now);
            return TypedResults.Created($"/api/pieces/{stored.Id}", workbench.View(stored));
        });
        api.MapGet("/{id}", Results<Ok<PieceView>, ProblemHttpResult> (string id, Workbench workbench, PieceStore pieces) =>
            pieces.Find(id) is { } stored ? TypedResults.Ok(workbench.View(stored)) : NoPiece());
        api.MapPut("/{id}", Results<Ok<PieceView>, ProblemHttpResult> (
            string id, SavePiece request, Workbench workbench, PieceStore pieces, WorkshopTime time) =>
        {
            var piece = workbench.Checked(request.Piece);
            return pieces.Save(id, request.BasedOn, piece, time.Now) is { } stored
                ? TypedResults.Ok(workbench.View(stored))
                : NoPiece();
        });
        api.MapPost("/{id}/step", Results<Ok<PieceView>, ProblemHttpResult> (
            string id, StepPiece request, Workbench workbench, PieceStore pieces, WorkshopTime time) =>
            pieces.Walk(id, request.BasedOn, request.Step, time.Now) is { } stored
                ? TypedResults.Ok(workbench.View(stored))
                : NoPiece());
        api.MapPost("/{id}/preview", (string id, PreviewPiece request, Workbench workbench) =>
        {
            var piece = workbench.Checked(request.Piece);
            return workbench.Preview(id, piece, Layer(piece, request.LayerId), request.Detail);
        });
        api.MapGet("/{id}/painting", Results<Ok<Painting>, ProblemHttpResult> (
            string id, string? layer, Workbench workbench, PieceStore pieces) =>
            pieces.Find(id) is { } stored
                ? TypedResults.Ok(workbench.Paint(stored.Piece, Layer(stored.Piece, layer), PaintDetail.Full))
                : NoPiece());
    }

    public static ProblemHttpResult NoPiece() => TypedResults.Problem(
        title: "No such piece", detail: "There is no piece with this id on the shelf.", statusCode: StatusCodes.Status404NotFound);

    /// <summary>A layer of the piece; anything else paints all.</summary>
    private static string? Layer(Piece piece, string? id) => piece.Layers.Any(l => l.Id == id) ? id : null;
}
