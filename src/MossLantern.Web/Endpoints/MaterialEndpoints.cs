using System.Collections.Immutable;
using System.Text.Json;
using FluentValidation;
using Microsoft.AspNetCore.Http.HttpResults;
using MossLantern.Core.Documents;
using MossLantern.Core.Materials;
using MossLantern.Core.Stones;
using MossLantern.Core.Units;
using MossLantern.Data;
using MossLantern.Web.Hosting;

namespace MossLantern.Web.Endpoints;

/// <summary>The materials a piece can be made of.</summary>
public sealed record MaterialsView(ImmutableArray<ResinSystem> ResinSystems, ImmutableArray<Colourant> Colourants,
    ImmutableArray<Colourant> OwnColourants);

/// <summary>A property of a material: its value and what is typical, null where it is not known, what it takes and
/// where it came from. One that begins a span names it and what ends it.</summary>
public sealed record PropertyView(string Id, string Label, string Group, string? Span, string? Until, string Unit,
    double? Value, double? Typical, Origin Origin, AcceptedRange Range);

/// <summary>A material of the cupboard: as it is typically, with the person's own values in place. The version is of
/// what the person entered; 0 for nothing yet.</summary>
public sealed record MaterialView(
    string Id, MaterialKind Kind, string Name, string Like, string Says, RatioBasis? Basis, bool OwnBasis, bool Own,
    bool PutAway, int Version, string Note,
    string? Colour, bool InVessel, double? LeftPercent, ImmutableArray<PropertyView> Properties, StoneLook? Looks);

/// <summary>How a stone looks dry, and in clear resin, as <c>#rrggbb</c>, and what the resin does to it.</summary>
public sealed record StoneLook(string Dry, string InResin, Wetting Does);

/// <summary>A save of what a person enters of a material, based on a version; 0 is the first.</summary>
public sealed record SaveMaterial(int BasedOn, OwnMaterial Material);

/// <summary>Endpoints of the materials.</summary>
internal static class MaterialEndpoints
{
    private static readonly OwnMaterialValidator Validator = new();

    public static void MapMaterials(this IEndpointRouteBuilder app)
    {
        var api = app.MapGroup("/api");
        api.MapGet("/materials", (WorkshopSurroundings around) => new MaterialsView(around.Catalogue.Resins,
            around.Catalogue.Colourants, around.Catalogue.OwnColourants));
        api.MapGet("/cupboard/materials", (WorkshopSurroundings around, MaterialStore materials) => All(around, materials));
        api.MapPut("/cupboard/materials/{id:length(1,40)}", Results<Ok<ImmutableArray<MaterialView>>, ProblemHttpResult> (
            string id, SaveMaterial request, WorkshopSurroundings around, MaterialStore materials, WorkshopTime time) =>
        {
            var given = request.Material;
            Validator.ValidateAndThrow(given);
            if (!IsId(id))
            {
                return ProblemHandler.Invalid(new() { ["id"] = ["The id of a material has letters from a to z, digits and hyphens."] });
            }

            if (Catalogue.Typical.Find(given.Kind, id) is not null && given.Like != id)
            {
                return ProblemHandler.Invalid(new() { ["like"] = ["Only a material of your own can be like another."] });
            }

            var saved = materials
                .Save(KeyOf(given.Kind, id), request.BasedOn, given with { Name = given.Name.Trim(), Note = given.Note.Trim() }, time.Now);
            around.Changed();
            return saved is null
                ? TypedResults.Problem(title: "No such material",
                    detail: "There is no material with this id in the cupboard.", statusCode: StatusCodes.Status404NotFound)
                : TypedResults.Ok(All(around, materials));
        });
        api.MapDelete("/cupboard/materials/{kind}/{id:length(1,40)}", Results<Ok<ImmutableArray<MaterialView>>, ProblemHttpResult> (
            Word<MaterialKind> kind, string id, WorkshopSurroundings around, MaterialStore materials, PieceStore pieces,
            RecipeStore recipes, SequenceStore sequences) =>
        {
            if (Catalogue.Typical.Find(kind.Value, id) is not null)
            {
                return ProblemHandler.Invalid(new()
                {
                    ["id"] = ["Only a material of your own can be taken out; clear its values instead."],
                });
            }

            if (NamedIn(kind.Value, id, pieces, recipes, sequences) is { } where)
            {
                return ProblemHandler.Invalid(new() { ["id"] = [$"It is named in {where}: put it away instead."] });
            }

            var gone = materials.Remove(KeyOf(kind.Value, id));
            around.Changed();
            return gone ? TypedResults.Ok(All(around, materials))
                : TypedResults.Problem(title: "No such material",
                    detail: "There is no material with this id in the cupboard.", statusCode: StatusCodes.Status404NotFound);
        });
    }

    /// <summary>Ids stand in documents, in places and in keys: nothing in them may be taken for something else.</summary>
    private static bool IsId(string id) => id.All(c => char.IsAsciiLetterLower(c) || char.IsAsciiDigit(c) || c == '-');

    /// <summary>Where a material of one's own is still named, in words; null for nowhere.</summary>
    private static string? NamedIn(MaterialKind kind, string id, PieceStore pieces, RecipeStore recipes, SequenceStore sequences)
    {
        if (pieces.WithAside().FirstOrDefault(p => NamedMaterials.Of(p.Piece).Contains((kind, id))) is { } stored)
        {
            return stored.Piece.Name;
        }

        return recipes.All().FirstOrDefault(r => r.Thing.Others.Prepend(r.Thing.Recipe).SelectMany(NamedMaterials.Of).Contains((kind, id)))
                ?.Thing.Recipe.Name is { } recipe ? $"the recipe {recipe}"
            : sequences.All().FirstOrDefault(s => s.Thing.Recipes.SelectMany(NamedMaterials.Of).Contains((kind, id)))
                ?.Thing.Name is { } sequence ? $"the sequence {sequence}" : null;
    }

    private static string KeyOf(MaterialKind kind, string id) => $"{JsonNamingPolicy.KebabCaseLower.ConvertName(kind.ToString())}/{id}";

    private static ImmutableArray<MaterialView> All(WorkshopSurroundings around, MaterialStore materials)
    {
        var entered = materials.All().ToDictionary(m => m.Id);
        return
        [
            .. around.Catalogue.Materials.Select(m =>
            {
                var own = entered.GetValueOrDefault(KeyOf(m.Kind, m.Id));
                var typical = Catalogue.Typical.Find(m.Kind, m.Like ?? m.Id)!;
                return new MaterialView(
                    m.Id, m.Kind, m.Name, typical.Id, m.Says, m.Basis, own?.Thing.Basis is not null, m.Like is not null,
                    m.PutAway, own?.Version ?? 0, own?.Thing.Note ?? "", m.Colour, OwnMaterial.StandsInVessels(m.Kind),
                    own?.Thing.LeftPercent,
                    [
                        .. MaterialProperties.Of(m.Kind).Where(p => p.IsOf(typical))
                            .Select(p => new PropertyView(p.Id, p.Label, p.Group,
                                m.Values.ContainsKey(p.Until ?? "") ? p.Span : null, m.Values.ContainsKey(p.Until ?? "")
                                ? p.Until : null, p.Unit, m.Find(p.Id), typical.Find(p.Id), m.OriginOf(p.Id), p.Range)),
                    ],
                    m.Kind == MaterialKind.Stone && WetStone.Of(typical.Id) is { } stone
                        ? new(stone.Dry, stone.InClear, stone.Does) : null);
            }),
        ];
    }
}
