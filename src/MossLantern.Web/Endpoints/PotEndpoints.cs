using System.Collections.Immutable;
using FluentValidation;
using Microsoft.AspNetCore.Http.HttpResults;
using MossLantern.Core.Documents;
using MossLantern.Core.Planning;
using MossLantern.Data;
using MossLantern.Web.Hosting;

namespace MossLantern.Web.Endpoints;

/// <summary>A pot of paint at one version, and how it stands by now.</summary>
public sealed record PotView(string Id, int Version, PaintPot Pot, PotStock Stock);

/// <summary>A save of a pot, based on a version; 0 is a new one.</summary>
public sealed record SavePot(int BasedOn, PaintPot Pot);

/// <summary>Endpoints of the pots of paint.</summary>
internal static class PotEndpoints
{
    private static readonly PaintPotValidator Validator = new();

    public static void MapPots(this IEndpointRouteBuilder app)
    {
        var api = app.MapGroup("/api/pots");
        api.MapGet("", (PotStore pots, KeptPlans plans) => All(pots, plans.All()));
        api.MapPut("/{id:length(1,40)}", Results<Ok<ImmutableArray<PotView>>,
            ProblemHttpResult> (string id, SavePot request, PotStore pots, KeptPlans plans, WorkshopTime time) =>
        {
            Validator.ValidateAndThrow(request.Pot);

            // It was measured when somebody last said how much is left, not when its name was changed.
            var before = pots.All().FirstOrDefault(p => p.Id == id)?.Thing;
            var measured = before is not null && before.LeftMl == request.Pot.LeftMl ? before.MeasuredAt : time.Now;
            return pots
                .Save(id, request.BasedOn, request.Pot with { Name = request.Pot.Name.Trim(), MeasuredAt = measured }, time.Now) is null
                ? TypedResults.Problem(title: "No such pot", detail: "There is no pot with this id in the cupboard.",
                    statusCode: StatusCodes.Status404NotFound)
                : TypedResults.Ok(All(pots, plans.All()));
        });
    }

    private static ImmutableArray<PotView> All(PotStore pots, ImmutableArray<Known> pieces)
    {
        var uses = Uses(pieces);
        return [.. pots.All().Select(p => new PotView(p.Id, p.Version, p.Thing, PotStock.Of(p.Thing, uses[p.Id])))];
    }

    /// <summary>What pieces take out of pots, by the pots' ids.</summary>
    public static ILookup<string, PotUse> Uses(IEnumerable<Known> pieces) =>
        pieces.SelectMany(k => (k.Plan?.Pots ?? []).Select(t => new PotUse(k.Head.Name, t))).ToLookup(u => u.Take.PotId);
}
