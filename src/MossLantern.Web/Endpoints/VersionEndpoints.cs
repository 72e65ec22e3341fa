using System.Collections.Immutable;
using FluentValidation;
using Microsoft.AspNetCore.Http.HttpResults;
using MossLantern.Core.Documents;
using MossLantern.Core.Edits;
using MossLantern.Core.Units;
using MossLantern.Data;
using MossLantern.Web.Hosting;

namespace MossLantern.Web.Endpoints;

/// <summary>A name for a piece as it stands, based on a version.</summary>
public sealed record NameRevision(int BasedOn, string Name);

/// <summary>A named version is taken up again, based on a version.</summary>
public sealed record TakeRevision(int BasedOn);

/// <summary>A named version of a piece.</summary>
public sealed record NamedView(int Revision, string Name, Moment NamedAt, bool Shown);

/// <summary>A piece once more in another colourway.</summary>
public sealed record CopyPiece(string Name, ImmutableArray<ColourChange> Colours);

/// <summary>Named versions of a piece, and copies of it.</summary>
internal static class VersionEndpoints
{
    /// <summary>Most colours that are changed at once.</summary>
    private const int MostChanges = 200;

    private static readonly CopyValidator Copies = new();

    public static void MapVersions(this IEndpointRouteBuilder app)
    {
        var api = app.MapGroup("/api/pieces/{id}");
        api.MapGet("/versions", Results<Ok<ImmutableArray<NamedView>>,
            ProblemHttpResult> (string id, PieceStore pieces, WorkshopTime time) =>
            pieces.Find(id) is null ? PieceEndpoints.NoPiece() : TypedResults.Ok(Views(pieces.Named(id), time)));
        api.MapPost("/versions", Results<Ok<ImmutableArray<NamedView>>,
            ProblemHttpResult> (string id, NameRevision request, PieceStore pieces, WorkshopTime time) =>
        {
            if (string.IsNullOrWhiteSpace(request.Name) || request.Name.Length > PieceValidator.LongestName)
            {
                return ProblemHandler.Invalid(
                    new() { ["name"] = [$"The version's name must have from 1 to {PieceValidator.LongestName} characters."] });
            }

            return pieces.Name(id, request.BasedOn, request.Name.Trim(), time.Now) is { } named
                ? TypedResults.Ok(Views(named, time)) : PieceEndpoints.NoPiece();
        });
        api.MapDelete("/versions/{revision:int}", Results<Ok<ImmutableArray<NamedView>>,
            ProblemHttpResult> (string id, int revision, PieceStore pieces, WorkshopTime time) =>
            pieces.Unname(id, revision) ? TypedResults.Ok(Views(pieces.Named(id), time)) : NoVersion());
        api.MapPost("/versions/{revision:int}/take", Results<Ok<PieceView>, ProblemHttpResult> (
            string id, int revision, TakeRevision request, Workbench workbench, PieceStore pieces, WorkshopTime time) =>
        {
            if (pieces.At(id, revision) is not { } piece)
            {
                return NoVersion();
            }

            return workbench.Planned(id, request.BasedOn, piece) is { } planned
                && pieces.Save(id, request.BasedOn, planned.Piece, time.Now) is { } stored
                ? TypedResults.Ok(workbench.View(stored, planned.Plan))
                : PieceEndpoints.NoPiece();
        });
        api.MapPost("/copy", Results<Created<PieceView>, ProblemHttpResult> (
            string id, CopyPiece request, Workbench workbench, PieceStore pieces, WorkshopTime time) =>
        {
            Copies.ValidateAndThrow(request);
            if (pieces.Find(id) is not { } stored)
            {
                return PieceEndpoints.NoPiece();
            }

            var colourway = Colourway.Of(stored.Piece, request.Name.Trim(), request.Colours);
            if (workbench.View(stored).Plan is null)
            {
                // What is on the shelf and cannot be worked out can be copied as it is: a copy loses nothing that the first has.
                var copy = pieces.Add(Guid.NewGuid().ToString("n"), colourway, time.Now);
                return TypedResults.Created($"/api/pieces/{copy.Id}", workbench.View(copy));
            }

            return PieceEndpoints.Added(workbench.Planned(colourway), workbench, pieces, time);
        });
    }

    private static ImmutableArray<NamedView> Views(ImmutableArray<NamedRevision> named, WorkshopTime time) =>
        [.. named.Select(n => new NamedView(n.Revision, n.Name, WorkshopTime.Local(n.NamedAt, time.Zone), n.Shown))];

    private static ProblemHttpResult NoVersion() => TypedResults.Problem(
        title: "No such version", detail: "The piece has no version of this number.", statusCode: StatusCodes.Status404NotFound);

    private sealed class CopyValidator : AbstractValidator<CopyPiece>
    {
        public CopyValidator()
        {
            RuleFor(c => c.Name).Must(n => !string.IsNullOrWhiteSpace(n) && n.Length <= PieceValidator.LongestName)
                .WithMessage($"The copy's name must have from 1 to {PieceValidator.LongestName} characters.");
            RuleFor(c => c.Colours).Must(c => c.Length <= MostChanges).WithMessage($"Up to {MostChanges} colours are changed.");
            RuleForEach(c => c.Colours).ChildRules(c =>
            {
                c.RuleFor(x => x.From).Must(x => Colour.Parse(x) is not null).WithMessage("The colour must be one like #33523f.");
                c.RuleFor(x => x.To).Must(x => Colour.Parse(x) is not null).WithMessage("The colour must be one like #33523f.");
            });
        }
    }
}
