using System.Collections.Immutable;
using MossLantern.Core.Documents;
using MossLantern.Core.Materials;
using MossLantern.Core.Stones;
using MossLantern.Core.Units;

namespace MossLantern.Core.Mixing;

/// <summary>What every sitting of a piece pours, once stones have taken up their room.</summary>
/// <remarks>Source: docs/craft/stones.md, Displacement.</remarks>
public static class PouredVolumes
{
    /// <summary>
    /// The volumes of the portions of each sitting. What stones displace is taken from the passes over their region as these share it: it
    /// lies in all of them.
    /// </summary>
    /// <param name="piece">A valid piece.</param>
    /// <param name="portions">What each of its sittings pours.</param>
    /// <param name="catalogue">The workshop's materials. Stones that it does not have displace nothing.</param>
    public static ImmutableDictionary<string, ImmutableArray<RegionVolume>> Of(Piece piece,
        ImmutableDictionary<string, ImmutableArray<Portion>> portions, Catalogue catalogue)
    {
        ArgumentNullException.ThrowIfNull(piece);
        ArgumentNullException.ThrowIfNull(portions);
        ArgumentNullException.ThrowIfNull(catalogue);
        var whole = portions
            .ToImmutableDictionary(p => p.Key, p => p.Value.Select(portion => CupPlanner.Volume(piece.Ground, portion)).ToImmutableArray());
        var stones = piece.Layers.SelectMany(l => (l.Stones ?? [])
            .Select(s => (Of: new RegionOf(l.Id, s.Region), Stones: s))).ToLookup(s => s.Of, s => s.Stones);
        if (stones.Count == 0)
        {
            return whole;
        }

        // Of one copy, for a sitting may be mixed for more of them than another.
        var ofOne = portions.SelectMany(s => s.Value.Zip(whole[s.Key])).GroupBy(p => p.First.Of)
            .ToDictionary(g => g.Key, g => g.Sum(p => p.Second.LayerMl.Value / Casting.Copies(p.First.Layer, piece.Ground)));
        return portions.ToImmutableDictionary(s => s.Key,
            s => s.Value.Zip(whole[s.Key], (portion, volume) => stones[portion.Of].ToList() is { Count: > 0 } laid
            ? Among(volume, laid, Casting.Copies(portion.Layer, piece.Ground), ofOne[portion.Of], catalogue)
            : volume).ToImmutableArray());
    }

    private static RegionVolume Among(RegionVolume volume, List<LaidStones> laid, int copies, double regionMl, Catalogue catalogue)
    {
        var share = regionMl > 0 ? volume.LayerMl.Value / copies / regionMl : 0;
        List<(LaidStones Laid, Material Kind)> known = [.. laid
            .SelectMany(s => catalogue.Find(MaterialKind.Stone, s.StoneId) is { } kind ? new[] { (s, kind) } : [])];
        var displaced = share * copies * known.Sum(s => Displacement.Ml(s.Laid.Grams, s.Kind.Values[MaterialProperties.SolidDensity]));
        return volume.Less(displaced,
        [
            .. known.SelectMany(s => new[]
            {
                new ReckonedInput(s.Kind.Name, s.Laid.Grams, "g", Origin.Own,
                    PlaceIn.Stones(volume.LayerId, volume.RegionId, s.Laid.StoneId) + ".grams"),
                new($"density of {s.Kind.Name}", s.Kind.Values[MaterialProperties.SolidDensity], "g/ml",
                    s.Kind.Own.Contains(MaterialProperties.SolidDensity) ? Origin.Own : Origin.Default),
            }),
            .. copies == 1 ? Array.Empty<ReckonedInput>() : [new("how often", copies, "", Origin.Reckoned)],
            .. share == 1 ? Array.Empty<ReckonedInput>() : [new("share of this pass", share * 100, "%", Origin.Reckoned)],
        ]);
    }
}
