using System.Globalization;
using System.Collections.Immutable;
using System.Text;
using FluentValidation;
using Microsoft.AspNetCore.Http.HttpResults;
using Microsoft.AspNetCore.Mvc;
using MossLantern.Core.Documents;
using MossLantern.Core.Edits;
using MossLantern.Core.Painting;
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

/// <summary>The lines of a drawing. Nothing is saved.</summary>
public sealed record SvgLinesRead(ImmutableArray<SvgLine> Lines);

/// <summary>Commands made to a ground that belongs to no piece yet.</summary>
public sealed record EditGround(Ground Ground, ImmutableArray<Edit> Commands);

/// <summary>A ground that belongs to no piece yet, to be laid out to begin with.</summary>
public sealed record BeginOn(Ground Ground);

/// <summary>A layout to begin with, painted on a ground.</summary>
public sealed record StarterView(Starter Starter, string Name, Painting Painting);

/// <summary>Grounds that are changed before there is a piece, and outlines in and out. Nothing is saved.</summary>
internal static class GroundEndpoints
{
    private const int MostBytes = 12_000_000;

    private static readonly AcceptedRange Dpi = new("Pixels to an inch", 20, 2400, "");

    private static readonly GroundValidator Grounds = new();

    public static void MapGrounds(this IEndpointRouteBuilder app)
    {
        app.MapPost("/api/grounds/edit", (EditGround request, WorkshopCupboard cupboard) =>
        {
            Grounds.ValidateAndThrow(request.Ground);
            var made = Editing.Checked(FirstPiece.Of("New piece", request.Ground), request.Commands, cupboard.For(request.Commands));
            return made.Piece?.Ground ?? throw new RefusedException(made.Place ?? "", made.Refusal!);
        });
        app.MapPost("/api/grounds/starters", (BeginOn request, Workbench workbench) =>
        {
            Grounds.ValidateAndThrow(request.Ground);
            return Enum.GetValues<Starter>().Select(starter => new StarterView(
                starter, BeginLayout.NameOf(starter),
                workbench
                .Paint(workbench.Checked(FirstPiece.Of("New piece", request.Ground, starter)), null, PaintDetail.Full))).ToImmutableArray();
        });
        app.MapPost("/api/lines/svg", Results<Ok<SvgLinesRead>, ProblemHttpResult> (SvgDrawing drawing) =>
        {
            var dpi = drawing.Dpi ?? SvgOutline.UsualDpi;
            if (!Dpi.Contains(dpi))
            {
                return ProblemHandler.Invalid(new() { ["dpi"] = [Dpi.Sentence] });
            }

            try
            {
                return TypedResults.Ok(new SvgLinesRead(SvgLines.Read(drawing.Svg, dpi)));
            }
            catch (SvgRefusedException e)
            {
                return ProblemHandler.Invalid(new() { ["svg"] = [e.Message] });
            }
        }).WithMetadata(new RequestSizeLimitAttribute(MostBytes));
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
                return Core.Units.Accepted.OutlineMm.Contains(outline.BoxWidthMm)
                    && Core.Units.Accepted.OutlineMm.Contains(outline.BoxHeightMm)
                    ? TypedResults.Ok(new SvgRead(outline, outline.BoxWidthMm, outline.BoxHeightMm, outline.Parts.Length))
                    : ProblemHandler.Invalid(new()
                    {
                        ["svg"] =
                            [string.Create(
                                CultureInfo.InvariantCulture,
                                $"The shapes are {outline.BoxWidthMm:0.#} × {outline.BoxHeightMm:0.#} mm; an outline "
                                    + $"must be {Core.Units.Accepted.OutlineMm.Words}. Is the drawing to scale?")],
                    });
            }
            catch (SvgRefusedException e)
            {
                return ProblemHandler.Invalid(new() { ["svg"] = [e.Message] });
            }
        }).WithMetadata(new RequestSizeLimitAttribute(MostBytes));
        app.MapGet("/api/pieces/{id}/outline.svg", Results<FileContentHttpResult, ProblemHttpResult> (string id, PieceStore pieces) =>
            pieces.Find(id) is { } stored
                ? TypedResults.File(Encoding.UTF8.GetBytes(SvgOutline.Write(stored.Piece.Ground.Whole)), "image/svg+xml", "outline.svg")
                : PieceEndpoints.NoPiece());
    }
}
