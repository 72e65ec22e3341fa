using FluentValidation;
using FluentValidation.Results;
using MossLantern.Core.Materials;

namespace MossLantern.Core.Documents;

/// <summary>Whether what a piece is made of is in the workshop's cupboard.</summary>
public static class KnownMaterials
{
    /// <summary>Looks for every resin of a piece and all stones in it, and of the older work beneath it.</summary>
    /// <exception cref="ValidationException">One is not there; the failure names its place.</exception>
    public static void Check(Piece piece, Catalogue catalogue)
    {
        ArgumentNullException.ThrowIfNull(piece);
        ArgumentNullException.ThrowIfNull(catalogue);
        var sentence =
            $"The resin must be one of the cupboard's: {string.Join(", ", catalogue.Resins.Where(r => !r.PutAway).Select(r => r.Id))}.";
        List<ValidationFailure> failures = [.. Places(piece, "").Where(p => catalogue.Resin(p.Resin) is null)
            .Select(p => new ValidationFailure(p.Field, sentence))];
        var stones = catalogue.Materials.Where(m => m.Kind == MaterialKind.Stone && !m.PutAway).Select(m => m.Id);
        failures.AddRange(Stones(piece, "").Where(s => catalogue.Find(MaterialKind.Stone, s.StoneId) is null)
            .Select(s => new ValidationFailure(s.Field,
                $"The stones must be of the cupboard's: {string.Join(", ", stones)}.")));
        if (failures.Count > 0)
        {
            throw new ValidationException(failures);
        }
    }

    private static IEnumerable<(string Field, string StoneId)> Stones(Piece piece, string before) =>
        piece.Layers
            .SelectMany(l => (l.Stones ?? []).Select(s => ($"{before}{PlaceIn.Stones(l.Id, s.Region, s.StoneId)}.stoneId", s.StoneId)))
            .Concat((piece.Lines ?? []).SelectMany(l => l.Material is PasteLine paste
                ? paste.Granules.Select(g => ($"{before}{l.Place}.material.granules[{g.StoneId}].stoneId", g.StoneId)) : []))
            .Concat(piece.Ground.Old is { } old ? Stones(old.Piece, $"{before}ground.old.") : []);

    private static IEnumerable<(string Field, string Resin)> Places(Piece piece, string before) =>
        piece.Sittings.Select(s => ($"{before}{PlaceIn.Sitting(s.Id)}.resin.system", s.Resin.System))
            .Concat(piece.Ground.Old is { } old ? Places(old.Piece, $"{before}ground.old.") : []);
}
