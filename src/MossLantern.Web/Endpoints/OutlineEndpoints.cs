using System.Text;
using Microsoft.AspNetCore.Http.HttpResults;
using Microsoft.AspNetCore.Mvc;
using MossLantern.Core.Shapes;
using MossLantern.Core.Units;
using MossLantern.Data;
using MossLantern.Formats.Svg;
using MossLantern.Web.Hosting;

namespace MossLantern.Web.Endpoints;

/// <summary>A drawing to take an outline from; its size in pixels counts by so many to an inch.</summary>
public sealed record SvgDrawing(string Svg, double? Dpi = null);

/// <summary>The outline of a drawing. Nothing is saved.</summary>
public sealed record SvgRead(Outline Outline, double WidthMm, double HeightMm, int Parts);

/// <summary>Outlines in and out.</summary>
internal static class OutlineEndpoints
{
    private const int MostBytes = 12_000_000;

    private static readonly AcceptedRange Dpi = new("Pixels to an inch", 20, 2400, "");

    public static void MapOutlines(this IEndpointRouteBuilder app)
    {
        app.MapPost("/api/outlines/svg", Results<Ok<SvgRead>, ProblemHttpResult> (SvgDrawing drawing) =>
        {
            var dpi = drawing.Dpi ?? SvgOutline.UsualDpi;
            if (!Dpi.Contains(dpi))
            {
                return ProblemHandler.Invalid(new() { ["dpi"] = [Dpi.Sentence] });
            }

            try
            {
                var outline = SvgOutline.Read(drawing.Svg, dpi);
                return Core.Units.Accepted.OutlineMm.Contains(outline.BoxWidthMm) && Core.Units.Accepted.OutlineMm.Contains(outline.BoxHeightMm)
                    ? TypedResults.Ok(new SvgRead(outline, outline.BoxWidthMm, outline.BoxHeightMm, outline.Parts.Length))
                    : ProblemHandler.Invalid(new()
                    {
                        ["svg"] = [FormattableString.Invariant($"The shapes are {outline.BoxWidthMm:0.#} × {outline.BoxHeightMm:0.#} mm; an outline must be {Core.Units.Accepted.OutlineMm.Words}. Is the drawing to scale?")],
                    });
            }
            catch (SvgRefusedException e)
            {
                return ProblemHandler.Invalid(new() { ["svg"] = [e.Message] });
            }
        }).WithMetadata(new RequestSizeLimitAttribute(MostBytes));
        app.MapGet("/api/pieces/{id}/outline.svg", Results<FileContentHttpResult, ProblemHttpResult> (string id, PieceStore pieces) =>
            pieces.Find(id) is { } stored
                ? TypedResults.File(Encoding.UTF8.GetBytes(SvgOutline.Write(stored.Piece.Ground.Outline)), "image/svg+xml", "outline.svg")
                : PieceEndpoints.NoPiece());
    }
}
