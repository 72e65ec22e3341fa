using System.Collections.Immutable;
using FluentValidation;
using Microsoft.AspNetCore.Http.HttpResults;
using MossLantern.Core.Documents;
using MossLantern.Core.Materials;
using MossLantern.Core.Mixing;
using MossLantern.Core.Units;
using MossLantern.Data;
using MossLantern.Web.Hosting;
using Accepted = MossLantern.Core.Units.Accepted;

namespace MossLantern.Web.Endpoints;

/// <summary>What a cup is poured over, how deep, and in which resin: for the colours that it can be given.</summary>
public sealed record OfferColours(string Ground, bool AsMap, double DepthMm, string Resin);

/// <summary>A colour before it is chosen, what it would be poured over, how deep, and in which resin.</summary>
public sealed record TryColour(string Ground, bool AsMap, double DepthMm, string Resin, string Colour, ImmutableArray<Dose> Doses);

/// <summary>Endpoints of the colours that a cup can be given.</summary>
internal static class ColourEndpoints
{
    private static readonly KeptRecipeValidator Validator = new();

    public static void MapColours(this IEndpointRouteBuilder app)
    {
        var api = app.MapGroup("/api/colours");
        api.MapPost("/offered", Results<Ok<ImmutableArray<ColourOffer>>,
            ProblemHttpResult> (OfferColours request, RecipeStore recipes, SequenceStore sequences, WorkshopSurroundings around) =>
            On(around.Catalogue, request.Ground, request.AsMap, request.DepthMm, request.Resin,
                out var problems) is not { } on ? ProblemHandler.Invalid(problems)
            : TypedResults.Ok(ColourOffers.Of(around.Catalogue,
                recipes.All().Select(r => KeyValuePair.Create(r.Id, r.Thing)), sequences.All().Select(s => s.Thing), on)));
        api.MapPost("/seen", Results<Ok<ColourSeen>, ProblemHttpResult> (TryColour request, WorkshopSurroundings around) =>
        {
            if (On(around.Catalogue, request.Ground, request.AsMap, request.DepthMm, request.Resin, out var problems) is not { } on)
            {
                return ProblemHandler.Invalid(problems);
            }

            var recipe = new Recipe("tried", "tried", request.Colour, request.Doses);
            Validator.ValidateAndThrow(new(recipe, []));
            return TypedResults.Ok(ColourSeen.Of(around.Catalogue, recipe, [], on));
        });
    }

    /// <summary>What a cup is poured over; null where it is not said rightly.</summary>
    private static PouredOn? On(Catalogue catalogue, string ground, bool asMap, double depthMm, string resin,
        out Dictionary<string, string[]> problems)
    {
        problems = RecipeEndpoints.Problems(catalogue, resin, ("depthMm", Accepted.DepthMm, depthMm));
        if (Colour.Parse(ground) is null)
        {
            problems["ground"] = ["The ground must be a colour like #33523f."];
        }

        return problems.Count > 0 ? null : new(Colour.Of(ground), depthMm, catalogue.Resin(resin)!.MixDensity, asMap);
    }
}
