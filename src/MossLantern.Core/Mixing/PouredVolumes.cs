using System.Collections.Immutable;
using MossLantern.Core.Documents;
using MossLantern.Core.Materials;
using MossLantern.Core.Stones;
using MossLantern.Core.Units;
using MossLantern.Core.Walls;

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
            .ToImmutableDictionary(p => p.Key, p => p.Value
                .Select(portion => OfPaste(CupPlanner.Volume(piece.Ground, portion), portion, catalogue)).ToImmutableArray());
        var stones = piece.Layers.SelectMany(l => (l.Stones ?? [])
            .Select(s => (Of: new RegionOf(l.Id, s.Region), Stones: s))).ToLookup(s => s.Of, s => s.Stones);
        if (stones.Count == 0)
        {
            return whole;
        }

        return portions.ToImmutableDictionary(s => s.Key,
            s => s.Value.Zip(whole[s.Key], (portion, volume) => stones[portion.Of].ToList() is { Count: > 0 } laid
            ? Among(volume, laid, Casting.Copies(portion.Layer, piece.Ground), portion, catalogue)
            : volume).ToImmutableArray());
    }

    /// <summary>Of a line of paste, what is poured is the resin of it.</summary>
    private static RegionVolume OfPaste(RegionVolume volume, Portion portion, Catalogue catalogue)
    {
        if (portion.Region.Own?.LineId is not { } id
            || portion.Layer.Filling.Lines.FirstOrDefault(l => l.Id == id) is not { Material: PasteLine paste })
        {
            return volume;
        }

        var (_, voids) = PasteResin.Kinds(paste, catalogue);
        var ml = volume.LayerMl.Value;
        return volume.AsPaste(PasteResin.Share(paste, catalogue),
        [
            new("paste", ml, "ml", Origin.Reckoned), new("stays in the bag", BarrierBead.StaysShare, "", Origin.Default),
            new("makes", 1 / Paste.BulkMl(1, voids, paste.Stiffness), "", Origin.Reckoned),
            new("voids", voids, "", Origin.Reckoned), new("voids filled", Paste.VoidsFilled(paste.Stiffness), "", Origin.Default),
        ]);
    }

    private static RegionVolume Among(RegionVolume volume, List<LaidStones> laid, int copies, Portion portion, Catalogue catalogue)
    {
        // They lie in all that the region aims at: a pass has as much of them as it fills of that.
        var share = portion.AimMm3 > 0 ? portion.Depths.Sum(d => d.AreaMm2 * d.DepthMm) / portion.AimMm3 : 0;
        List<(LaidStones Laid, Material Kind)> known = [.. laid
            .SelectMany(s => catalogue.Find(MaterialKind.Stone, s.StoneId) is { } kind ? new[] { (s, kind) } : [])];
        List<(double Ml, double Solids)> each = [.. known.Select(s => (
            Displacement.Ml(s.Laid.Grams, s.Kind.Values[MaterialProperties.SolidDensity]), s.Kind.Values[MaterialProperties.Solids]))];
        var all = each.Sum(e => e.Ml);
        var solids = all > 0 ? each.Sum(e => e.Ml * e.Solids) / all : 0;
        return volume.Among(share * copies * all, solids, share * known.Sum(s => s.Laid.Grams),
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
            new("share of their heap that is solid", solids * 100, "%",
                known.Any(s => s.Kind.Own.Contains(MaterialProperties.Solids)) ? Origin.Own : Origin.Default),
        ]);
    }
}
