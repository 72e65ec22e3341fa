using System.Collections.Immutable;
using FluentValidation;
using Microsoft.AspNetCore.Http.HttpResults;
using MossLantern.Core.Documents;
using MossLantern.Core.Map;
using MossLantern.Core.Materials;
using MossLantern.Core.Mixing;
using MossLantern.Core.Units;
using MossLantern.Data;
using MossLantern.Web.Hosting;
using Accepted = MossLantern.Core.Units.Accepted;

namespace MossLantern.Web.Endpoints;

/// <summary>A recipe at one version, and its colour at full cover; null for clear resin.</summary>
public sealed record RecipeView(string Id, int Version, KeptRecipe Kept, string? Colour);

/// <summary>A save of a recipe, based on a version; 0 is a new one.</summary>
public sealed record SaveRecipe(int BasedOn, KeptRecipe Kept);

/// <summary>A recipe of a piece that is to be kept, by its id, and the recipes of its piece.</summary>
public sealed record KeepRecipe(string RecipeId, ImmutableArray<Recipe> Recipes, string Note);

/// <summary>So much of a resin that a recipe is dosed for.</summary>
public sealed record DoseRecipe(double Ml, string Resin);

/// <summary>A wanted colour: what it lies on, how deep, in which resin, and how much of it; the colourants of the
/// cupboard are at hand, and these.</summary>
public sealed record WantedMixture(string Colour, string Ground, double DepthMm, string Resin, double Ml,
    ImmutableArray<ColourAtHand> Besides);

/// <summary>A colourant that a piece has in one of its cups.</summary>
public sealed record ColourAtHand(ColourantClass Colourant, string Name, string Colour);

/// <summary>A mixture that comes near to a wanted colour: what each colourant is called, how much of it so much resin
/// takes, how it looks, and how far off it is.</summary>
public sealed record MixtureView(ImmutableArray<Dose> Doses, ImmutableArray<string> Names, CupDoses Amounts,
    string Shown, Reckoned Apart, Nearness Near);

/// <summary>Endpoints of the recipes that are kept by name, and of colours that are to be mixed.</summary>
internal static class RecipeEndpoints
{
    private static readonly KeptRecipeValidator Validator = new();

    public static void MapRecipes(this IEndpointRouteBuilder app)
    {
        var api = app.MapGroup("/api/recipes");
        api.MapGet("", (RecipeStore recipes, WorkshopSurroundings around) => All(recipes, around));
        api.MapPost("", Results<Created<ImmutableArray<RecipeView>>,
            ProblemHttpResult> (KeepRecipe request, RecipeStore recipes, WorkshopSurroundings around, WorkshopTime time) =>
        {
            if (request.Recipes.Length > PieceValidator.MostRecipes
                || request.Recipes.FirstOrDefault(r => r.Id == request.RecipeId) is not { } recipe)
            {
                return ProblemHandler.Invalid(new() { ["recipeId"] = ["The piece has no such recipe."] });
            }

            var kept = KeptRecipe.Of(recipe, request.Recipes, request.Note.Trim());
            Validator.ValidateAndThrow(kept);
            var stored = recipes.Save(Guid.NewGuid().ToString("n"), 0, kept, time.Now)!;
            return TypedResults.Created($"/api/recipes/{stored.Id}", All(recipes, around));
        });
        api.MapPut("/{id:length(1,40)}", Results<Ok<ImmutableArray<RecipeView>>, ProblemHttpResult> (
            string id, SaveRecipe request, RecipeStore recipes, WorkshopSurroundings around, WorkshopTime time) =>
        {
            Validator.ValidateAndThrow(request.Kept);
            var trimmed = request.Kept with { Recipe = request.Kept.Recipe with { Name = request.Kept.Recipe.Name.Trim() } };
            return recipes.Save(id, request.BasedOn, trimmed, time.Now) is null ? NoRecipe() : TypedResults.Ok(All(recipes, around));
        });
        api.MapDelete("/{id:length(1,40)}", Results<Ok<ImmutableArray<RecipeView>>,
            ProblemHttpResult> (string id, RecipeStore recipes, WorkshopSurroundings around) =>
            recipes.Remove(id) ? TypedResults.Ok(All(recipes, around)) : NoRecipe());
        api.MapPost("/{id:length(1,40)}/dosed", Results<Ok<ImmutableArray<DosedCup>>,
            ProblemHttpResult> (string id, DoseRecipe request, RecipeStore recipes, WorkshopSurroundings around) =>
        {
            if (recipes.All().FirstOrDefault(r => r.Id == id) is not { } stored)
            {
                return NoRecipe();
            }

            return Problems(around.Catalogue, request.Resin,
                ("ml", Accepted.VolumeMl, request.Ml)) is { Count: > 0 } problems ? ProblemHandler.Invalid(problems)
                : TypedResults.Ok(DosedCup.Of(around.Catalogue, stored.Thing, request.Ml,
                    around.Catalogue.Resin(request.Resin)!.MixDensity));
        });
        app.MapPost("/api/colours/mixtures", Results<Ok<ImmutableArray<MixtureView>>,
            ProblemHttpResult> (WantedMixture request, WorkshopSurroundings around, CancellationToken gone) =>
        {
            var problems = Problems(around.Catalogue, request.Resin, ("depthMm", Accepted.DepthMm, request.DepthMm),
                ("ml", Accepted.VolumeMl, request.Ml));
            foreach (var (field, what, colour) in request.Besides
                .Select((b, i) => ($"besides[{i}].colour", b.Name, b.Colour))
                .Prepend(("ground", "The ground", request.Ground)).Prepend(("colour", "The wanted colour", request.Colour)))
            {
                if (Colour.Parse(colour) is null)
                {
                    problems[field] = [$"{what} must be a colour like #33523f."];
                }
            }

            if (request.Besides.Length > WantedColour.Most || request.Besides.Any(b => !Enum.IsDefined(b.Colourant)))
            {
                problems["besides"] = [$"Up to {WantedColour.Most} colourants are at hand besides those of the cupboard, each of a class."];
            }

            return problems.Count > 0 ? ProblemHandler.Invalid(problems) : TypedResults.Ok(Mixtures(request, around.Catalogue, gone));
        });
    }

    /// <summary>What is wrong with what is asked, by field; empty where nothing is.</summary>
    internal static Dictionary<string, string[]> Problems(Catalogue catalogue, string resin,
        params ReadOnlySpan<(string Field, AcceptedRange Range, double Value)> numbers)
    {
        var problems = new Dictionary<string, string[]>();
        foreach (var (field, range, value) in numbers)
        {
            if (!range.Contains(value))
            {
                problems[field] = [range.Sentence];
            }
        }

        if (catalogue.Resin(resin) is null)
        {
            problems["resin"] = ["The resin must be one of the cupboard's."];
        }

        return problems;
    }

    private static ImmutableArray<MixtureView> Mixtures(WantedMixture request, Catalogue catalogue, CancellationToken gone)
    {
        var (wanted, ground, density) = (Colour.Of(request.Colour), Colour.Of(request.Ground), catalogue.Resin(request.Resin)!.MixDensity);
        var own = catalogue.OwnColourants.Where(c => c is { Colour: not null, PutAway: false })
            .Select(c => new AtHand(c, c.Id, c.Name, Colour.Of(c.Colour!)));
        var besides = request.Besides.Select(b => new AtHand(catalogue.Of(b.Colourant), null, b.Name, Colour.Of(b.Colour)));
        return
        [
            .. WantedColour.Of(wanted, ground, request.DepthMm,
                [.. own.Concat(besides).DistinctBy(a => (a.Known.Class, a.Colour.ToHex()))], density, gone).Select(m => new MixtureView(
                m.Doses, m.Names, CupDoses.Of(catalogue, new("mixture", "mixture", m.Doses[0].Colour!, m.Doses),
                    request.Ml, request.Ml * density, density), m.Shown.ToHex(),
                WantedColour.Difference(m.Shown, wanted), Lab.NearnessOf(m.Apart))),
        ];
    }

    private static ImmutableArray<RecipeView> All(RecipeStore recipes, WorkshopSurroundings around) =>
    [
        .. recipes.All().Select(r => new RecipeView(
            r.Id, r.Version, r.Thing,
            CupLook.Of(around.Catalogue, r.Thing.Recipe, id => r.Thing.Others.Single(o => o.Id == id),
                () => TypicalMaterials.MixedDensity) is { CoverPerMm: > 0 } look ? look.Colour.ToHex() : null)),
    ];

    private static ProblemHttpResult NoRecipe() => TypedResults.Problem(
        title: "No such recipe", detail: "There is no recipe with this id in the cupboard.", statusCode: StatusCodes.Status404NotFound);
}
