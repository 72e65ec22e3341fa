using System.Collections.Immutable;
using FluentValidation;
using Microsoft.AspNetCore.Http.HttpResults;
using MossLantern.Core.Documents;
using MossLantern.Core.Units;
using MossLantern.Data;
using MossLantern.Web.Hosting;

namespace MossLantern.Web.Endpoints;

/// <summary>A sequence of colours at one version, how wide each of its bands is (0 for the one that fills the rest),
/// and what they take up together.</summary>
public sealed record SequenceView(string Id, int Version, KeptSequence Sequence, ImmutableArray<double> WidthsMm, Reckoned Together);

/// <summary>A save of a sequence, based on a version; 0 is a new one.</summary>
public sealed record SaveSequence(int BasedOn, KeptSequence Sequence);

/// <summary>A layout whose sequence is to be kept by a name, the recipes of its piece, and how far across the place is
/// that it fills, the smaller way, mm.</summary>
public sealed record KeepSequence(string Name, Layout Layout, ImmutableArray<Recipe> Recipes, double AcrossMm);

/// <summary>Endpoints of the sequences of colours that are kept by name.</summary>
internal static class SequenceEndpoints
{
    private static readonly KeptSequenceValidator Validator = new();

    public static void MapSequences(this IEndpointRouteBuilder app)
    {
        var api = app.MapGroup("/api/sequences");
        api.MapGet("", (SequenceStore sequences) => All(sequences));
        api.MapPost("", Results<Created<ImmutableArray<SequenceView>>,
            ProblemHttpResult> (KeepSequence request, SequenceStore sequences, WorkshopTime time) =>
        {
            if (request.Layout is not BandedLayout layout)
            {
                return ProblemHandler.Invalid(new() { ["layout"] = ["Only rings, lines and petals have a sequence that can be saved."] });
            }

            var sequence = KeptSequence.Of(layout, request.Recipes, request.Name.Trim(), request.AcrossMm);
            Validator.ValidateAndThrow(sequence);
            var stored = sequences.Save(Guid.NewGuid().ToString("n"), 0, sequence, time.Now)!;
            return TypedResults.Created($"/api/sequences/{stored.Id}", All(sequences));
        });
        api.MapPut("/{id:length(1,40)}", Results<Ok<ImmutableArray<SequenceView>>,
            ProblemHttpResult> (string id, SaveSequence request, SequenceStore sequences, WorkshopTime time) =>
        {
            Validator.ValidateAndThrow(request.Sequence);
            return sequences.Save(id, request.BasedOn, request.Sequence with { Name = request.Sequence.Name.Trim() }, time.Now) is null
                ? NoSequence()
                : TypedResults.Ok(All(sequences));
        });
        api.MapDelete("/{id:length(1,40)}", Results<Ok<ImmutableArray<SequenceView>>,
            ProblemHttpResult> (string id, SequenceStore sequences) =>
            sequences.Remove(id) ? TypedResults.Ok(All(sequences)) : NoSequence());
    }

    private static ImmutableArray<SequenceView> All(SequenceStore sequences) =>
        [.. sequences.All().Select(s => new SequenceView(s.Id, s.Version, s.Thing, s.Thing.WidthsMm, s.Thing.Together))];

    private static ProblemHttpResult NoSequence() => TypedResults.Problem(
        title: "No such sequence", detail: "There is no sequence with this id in the cupboard.", statusCode: StatusCodes.Status404NotFound);
}
