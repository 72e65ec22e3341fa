using System.Text;
using FluentValidation;
using Microsoft.AspNetCore.Http.HttpResults;
using Microsoft.AspNetCore.Mvc;
using MossLantern.Core.Documents;
using MossLantern.Core.Edits;
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

/// <summary>
/// One change of a ground that takes others with it: of its kind, its outline's shape, a slice's handles, opening or wobble,
/// or of what lies beneath it and the new rim round that.
/// </summary>
public sealed record GroundChange(
    Ground Ground, PieceKind? Kind = null, OutlineShape? Shape = null, int? Handles = null, bool? Open = null, bool AnotherRim = false,
    bool? OverOld = null, double? GrowMm = null);

/// <summary>A piece with an insert whose hollow is to be filled.</summary>
public sealed record FillHollow(Piece Piece, string InsertId);

/// <summary>Grounds that become others, and outlines in and out. Nothing is saved.</summary>
internal static class GroundEndpoints
{
    private const int MostBytes = 12_000_000;

    private static readonly AcceptedRange Dpi = new("Pixels to an inch", 20, 2400, "");

    private static readonly GroundChangeValidator Changes = new();

    public static void MapGrounds(this IEndpointRouteBuilder app)
    {
        app.MapPost("/api/grounds/become", (GroundChange change) =>
        {
            Changes.ValidateAndThrow(change);
            var ground = change.Kind is { } kind ? Becoming.OfKind(change.Ground, kind) : change.Ground;
            ground = change.Shape is { } shape ? ground with { Outline = Becoming.Shaped(ground.Outline, shape) } : ground;
            ground = change.OverOld is { } over ? over ? Rework.OverUnknown(ground) : Rework.OverNothing(ground) : ground;
            ground = change.GrowMm is { } mm ? Rework.Grown(ground, mm) : ground;
            ground = change.Open is { } open ? ground with { Outline = Becoming.Opened(ground.Outline, open) } : ground;
            if (ground.Outline is not SliceOutline slice)
            {
                return ground;
            }

            slice = change.Handles is { } handles ? Becoming.Through(slice, handles) : slice;
            return ground with { Outline = change.AnotherRim ? Becoming.Reseeded(slice) : slice };
        });
        app.MapPost("/api/grounds/fill", (FillHollow request, Workbench workbench) => Rework.Filled(workbench.Checked(request.Piece), request.InsertId));
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
                ? TypedResults.File(Encoding.UTF8.GetBytes(SvgOutline.Write(stored.Piece.Ground.Whole)), "image/svg+xml", "outline.svg")
                : PieceEndpoints.NoPiece());
    }

    private sealed class GroundChangeValidator : AbstractValidator<GroundChange>
    {
        public GroundChangeValidator()
        {
            RuleFor(c => c.Ground).SetValidator(new GroundValidator());
            RuleFor(c => c.Handles).Must(h => h is null or (>= SliceOutline.FewestHandles and <= SliceOutline.MostHandles))
                .WithMessage($"A slice has from {SliceOutline.FewestHandles} to {SliceOutline.MostHandles} handles.");
            RuleFor(c => c.GrowMm).Must(mm => mm is null || Core.Units.Accepted.GrowMm.Contains(mm.Value)).WithMessage(Core.Units.Accepted.GrowMm.Sentence);
        }
    }
}
