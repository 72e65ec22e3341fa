using System.Collections.Immutable;
using FluentValidation;
using Microsoft.AspNetCore.Http.HttpResults;
using MossLantern.Core.Documents;
using MossLantern.Data;
using MossLantern.Web.Hosting;

namespace MossLantern.Web.Endpoints;

/// <summary>A pot of paint at one version.</summary>
public sealed record PotView(string Id, int Version, PaintPot Pot);

/// <summary>A save of a pot, based on a version; 0 is a new one.</summary>
public sealed record SavePot(int BasedOn, PaintPot Pot);

/// <summary>Endpoints of the pots of paint.</summary>
internal static class PotEndpoints
{
    private static readonly PaintPotValidator Validator = new();

    public static void MapPots(this IEndpointRouteBuilder app)
    {
        var api = app.MapGroup("/api/pots");
        api.MapGet("", (PotStore pots) => All(pots));
        api.MapPut("/{id:length(1,40)}", Results<Ok<ImmutableArray<PotView>>, ProblemHttpResult> (string id, SavePot request, PotStore pots, WorkshopTime time) =>
        {
            Validator.ValidateAndThrow(request.Pot);
            return pots.Save(id, request.BasedOn, request.Pot with { Name = request.Pot.Name.Trim() }, time.Now) is null
                ? TypedResults.Problem(title: "No such pot", detail: "There is no pot with this id in the cupboard.", statusCode: StatusCodes.Status404NotFound)
                : TypedResults.Ok(All(pots));
        });
    }

    private static ImmutableArray<PotView> All(PotStore pots) => [.. pots.All().Select(p => new PotView(p.Id, p.Version, p.Thing))];
}
