using Microsoft.AspNetCore.Http.HttpResults;
using MossLantern.Core.Units;
using MossLantern.Web.Hosting;

namespace MossLantern.Web.Endpoints;

/// <summary>A quantity as it was typed.</summary>
public sealed record TypedQuantity(string Text, QuantityKind Kind);

/// <summary>Sums on their own.</summary>
internal static class ReckonEndpoints
{
    public static void MapReckon(this IEndpointRouteBuilder app) =>
        app.MapPost("/api/reckon/quantity", Results<Ok<QuantityRead>, ProblemHttpResult> (TypedQuantity request) =>
            QuantityText.Read(request.Text, request.Kind) is { } read
                ? TypedResults.Ok(read)
                : ProblemHandler.Invalid(new() { ["text"] = [QuantityText.Sentence(request.Kind)] }));
}
