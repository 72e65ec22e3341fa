using System.Text;
using Microsoft.AspNetCore.Http.HttpResults;
using Microsoft.AspNetCore.Mvc;
using MossLantern.Core.Documents;
using MossLantern.Core.Map;
using MossLantern.Core.Plans;
using MossLantern.Core.Timeline;
using MossLantern.Data;
using MossLantern.Formats;
using MossLantern.Formats.Svg;
using MossLantern.Pictures;
using MossLantern.Web.Hosting;

namespace MossLantern.Web.Endpoints;

/// <summary>A piece's document as text, from elsewhere.</summary>
public sealed record ImportPiece(string Text);

/// <summary>What of a piece leaves the program in open formats, and comes back.</summary>
internal static class SharingEndpoints
{
    private const int MostBytes = 12_000_000;

    public static void MapSharing(this IEndpointRouteBuilder app)
    {
        var api = app.MapGroup("/api/pieces");
        api.MapGet("/{id}/map.svg", Results<FileContentHttpResult, ProblemHttpResult> (
            string id, string? layer, LayerMapper mapper, PieceStore pieces, WorkshopSurroundings around) =>
        {
            if (pieces.Find(id) is not { Piece: var piece })
            {
                return PieceEndpoints.NoPiece();
            }

            if (layer is not null && piece.Layers.All(l => l.Id != layer))
            {
                return NoLayer();
            }

            var drawn = piece.Filled.Where(l => layer is null || l.Id == layer)
                .Select(l => new DrawnLayer(l, RegionShapes.Of(mapper, piece, l), RegionNames.Of(piece, l, mapper.Map(piece, l))));
            return TypedResults.File(Encoding.UTF8.GetBytes(SvgMap.Write(piece, drawn, around.Catalogue)),
                "image/svg+xml", FileName(piece, "map.svg"));
        });
        api.MapGet("/{id}/template.pdf", Results<FileContentHttpResult, ProblemHttpResult> (
            string id, string? layer, Word<Paper>? paper, bool? grid, LayerMapper mapper, PieceStore pieces, WorkshopSurroundings around) =>
        {
            if (pieces.Find(id) is not { Piece: var piece })
            {
                return PieceEndpoints.NoPiece();
            }

            if (piece.Filled.FirstOrDefault(l => layer is null || l.Id == layer) is not { } chosen)
            {
                return NoLayer();
            }

            var pdf = TemplatePdf.Write(piece, chosen, RegionShapes.Of(mapper, piece, chosen), paper?.Value ?? Paper.A4,
                grid ?? false, around.Catalogue);
            return TypedResults.File(pdf, "application/pdf", FileName(piece, "template.pdf"));
        });
        api.MapGet("/{id}/sittings/{sitting}/mixing-sheet.pdf", Results<FileContentHttpResult, ProblemHttpResult> (
            string id, string sitting, Word<Paper>? paper, Word<SheetUnits>? units, PieceStore pieces, Workbench workbench,
            WorkshopSurroundings around) =>
            SheetOf(id, sitting, pieces, workbench, around) is { } found
                ? TypedResults.File(MixingSheetPdf.Write(found.Sheet, paper?.Value ?? Paper.A4, units?.Value ?? SheetUnits.Metric),
                    "application/pdf", FileName(found.Piece, "mixing-sheet.pdf"))
                : NoSitting());
        api.MapGet("/{id}/sittings/{sitting}/mixing-sheet.csv", Results<FileContentHttpResult, ProblemHttpResult> (
            string id, string sitting, PieceStore pieces, Workbench workbench, WorkshopSurroundings around) =>
            SheetOf(id, sitting, pieces, workbench, around) is { } found
                ? TypedResults.File(Encoding.UTF8.GetBytes(MixingSheetCsv.Write(found.Sheet)), "text/csv",
                    FileName(found.Piece, "mixing-sheet.csv"))
                : NoSitting());
        api.MapGet("/{id}/piece.json", Results<FileContentHttpResult, ProblemHttpResult> (string id, PieceStore pieces) =>
            pieces.Find(id) is { } stored
                ? TypedResults.File(Encoding.UTF8.GetBytes(PieceJson.Write(stored.Piece)), "application/json",
                    FileName(stored.Piece, "piece.json"))
                : PieceEndpoints.NoPiece());
        api.MapPost("/import", Results<Created<PieceView>,
            ProblemHttpResult> (ImportPiece request, Workbench workbench, PieceStore pieces, WorkshopTime time) =>
        {
            Piece piece;
            try
            {
                piece = PieceJson.ReadFromOutside(request.Text);
            }
            catch (PieceFormatException e)
            {
                return ProblemHandler.Invalid(new() { ["text"] = [e.Message] });
            }

            // The whole document is looked over before anything is written.
            return PieceEndpoints.Added(workbench.Planned(piece), workbench, pieces, time);
        }).WithMetadata(new RequestSizeLimitAttribute(MostBytes));
        app.MapGet("/api/schemas/piece.json", () => TypedResults.Content(PieceSchema.Text, "application/schema+json"));
    }

    private static (Piece Piece, MixingSheet Sheet)? SheetOf(string id, string sitting, PieceStore pieces,
        Workbench workbench, WorkshopSurroundings around) =>
        pieces.Find(id) is { } stored && workbench.PlanOf(stored) is { } plan
            && plan.Sittings.FirstOrDefault(s => s.SittingId == sitting) is { } poured
            ? (stored.Piece, MixingSheet.Of(stored.Piece, poured, [.. plan.Layers.SelectMany(l => l.Lines)], plan.Tape, around.Now))
            : null;

    private static ProblemHttpResult NoSitting() => TypedResults.Problem(
        title: "No such sitting", detail: "There is no such piece, or it has no sitting with this id.",
        statusCode: StatusCodes.Status404NotFound);

    private static ProblemHttpResult NoLayer() => TypedResults.Problem(
        title: "No such layer", detail: "The piece has no layer with this id.", statusCode: StatusCodes.Status404NotFound);

    /// <summary>The piece's name with what it is, for a file: letters, digits and hyphens.</summary>
    private static string FileName(Piece piece, string what)
    {
        var plain = new string([.. piece.Name.ToLowerInvariant().Select(c => char.IsAsciiLetterOrDigit(c) ? c : '-')]).Trim('-');
        return plain.Length == 0 ? what : $"{plain}-{what}";
    }
}
