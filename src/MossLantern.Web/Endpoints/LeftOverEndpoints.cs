using System.Collections.Immutable;
using FluentValidation;
using Microsoft.AspNetCore.Http.HttpResults;
using MossLantern.Core.Documents;
using MossLantern.Data;
using MossLantern.Web.Hosting;

namespace MossLantern.Web.Endpoints;

/// <summary>A left-over at one version.</summary>
public sealed record LeftOverView(string Id, int Version, LeftOver LeftOver);

/// <summary>A save of a left-over, based on a version; 0 is a new one.</summary>
public sealed record SaveLeftOver(int BasedOn, LeftOver LeftOver);

/// <summary>Endpoints of the shelf of what was made from resin that was left over.</summary>
internal static class LeftOverEndpoints
{
    private static readonly LeftOverValidator Validator = new();

    public static void MapLeftOvers(this IEndpointRouteBuilder app)
    {
        var api = app.MapGroup("/api/left-overs");
        api.MapGet("", (LeftOverStore left) => All(left));
        api.MapPut("/{id:length(1,40)}", Results<Ok<ImmutableArray<LeftOverView>>,
            ProblemHttpResult> (string id, SaveLeftOver request, LeftOverStore left, WorkshopTime time) =>
        {
            Validator.ValidateAndThrow(request.LeftOver);
            return left.Save(id, request.BasedOn, request.LeftOver with { Name = request.LeftOver.Name.Trim() },
                time.Now) is null ? None() : TypedResults.Ok(All(left));
        });
        api.MapDelete("/{id:length(1,40)}", Results<Ok<ImmutableArray<LeftOverView>>, ProblemHttpResult> (string id, LeftOverStore left) =>
            left.Remove(id) ? TypedResults.Ok(All(left)) : None());
    }

    private static ImmutableArray<LeftOverView> All(LeftOverStore left) =>
        [.. left.All().Select(l => new LeftOverView(l.Id, l.Version, l.Thing))];

    private static ProblemHttpResult None() => TypedResults.Problem(
        title: "No such left-over", detail: "There is nothing with this id on the left-over shelf.",
        statusCode: StatusCodes.Status404NotFound);
}
