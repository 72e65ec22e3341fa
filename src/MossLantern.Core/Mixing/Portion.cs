using System.Collections.Immutable;
using MossLantern.Core.Documents;
using MossLantern.Core.Map;

namespace MossLantern.Core.Mixing;

/// <summary>A layer with its map, and how deep each of its regions is where.</summary>
/// <param name="Layer">The layer.</param>
/// <param name="Map">Its map.</param>
/// <param name="Depths">The parts of every region with their depths, in the order of the map's regions.</param>
public sealed record LaidLayer(FilledLayer Layer, LayerMap Map, ImmutableArray<ImmutableArray<DepthShare>> Depths);

/// <summary>What a sitting pours on a region of a layer in one pass.</summary>
/// <param name="Layer">The layer, as the sitting fills it.</param>
/// <param name="Region">The region.</param>
/// <param name="CupId">The cup it is poured from.</param>
/// <param name="Depths">The parts of the region with the depth that this pass fills there.</param>
/// <param name="FillId">The fill that asks for it; null for a region of the rest.</param>
/// <param name="Pass">Which pass of the sitting over the region it is, from 0.</param>
/// <param name="Way">How it is laid.</param>
/// <remarks>Source: docs/craft/mixing.md, Sittings.</remarks>
public sealed record Portion(FilledLayer Layer, Region Region, string CupId, ImmutableArray<DepthShare> Depths,
    string? FillId = null, int Pass = 0, FillWay Way = FillWay.Poured)
{
    /// <summary>The region, and whose it is.</summary>
    public RegionOf Of => new(Layer.Id, Region.Id);

    /// <summary>How deep it lies where it is deepest, mm.</summary>
    internal double FilmMm => Region.Own is { } own ? own.ThicknessMm ?? Layer.DepthMm
        : Depths.Where(d => d.AreaMm2 > 0).Select(d => d.DepthMm).DefaultIfEmpty(Layer.DepthMm).Max();

    /// <summary>Area × depth of all that its region aims at, of one copy, mm³.</summary>
    internal double AimMm3 { get; init; }

    /// <summary>
    /// What every sitting of a piece pours: fills from the bottom up in the order of the sittings, and the regions that no fill names in
    /// the sitting that takes their layer's rest. What stays bare is poured by none.
    /// </summary>
    /// <param name="piece">A valid piece.</param>
    /// <param name="layers">Its layers as they are laid out.</param>
    /// <param name="really">How a pass that others lie over was really poured, from how it is planned, how it were if it filled all, and
    /// whether it and one of those take the rest; null for as it is planned.</param>
    public static ImmutableDictionary<string, ImmutableArray<Portion>> All(
        Piece piece, ImmutableArray<LaidLayer> layers, Func<Portion, Portion, bool, Portion>? really = null)
    {
        ArgumentNullException.ThrowIfNull(piece);
        var seconds = piece.Recipes.Where(r => r.SecondOf is not null).ToDictionary(r => r.Id, r => r.SecondOf!);
        var poured = piece.Sittings.ToDictionary(s => s.Id, _ => ImmutableArray.CreateBuilder<Portion>());
        var fills = piece.Sittings.SelectMany(s => (s.Fills ?? []).Select(f => (Sitting: s, Fill: f)))
            .ToLookup(f => new RegionOf(f.Fill.LayerId, f.Fill.Region));
        foreach (var laid in layers)
        {
            var rest = piece.SittingOf(laid.Layer.Id);
            foreach (var (region, depths) in laid.Map.Regions.Zip(laid.Depths).Where(r => Poured(laid.Layer, r.First)))
            {
                var own = fills[new(laid.Layer.Id, region.Id)].ToList();
                var aimMm3 = depths.Sum(d => d.AreaMm2 * d.DepthMm);
                if (own.Count == 0)
                {
                    poured[rest.Id].AddRange(Whole(piece, laid, region, depths).Select(p => p with { AimMm3 = aimMm3 }));
                }

                // From the bottom up; one without a depth leaves room for those above it.
                var filledMm = new double[depths.Length];
                var aboveMm = own.Sum(f => f.Fill.TakesMm ?? 0);
                var passes = new Dictionary<string, int>();
                foreach (var (sitting, fill) in own)
                {
                    var above = own.SkipWhile(f => f.Fill.Id != fill.Id).Skip(1).ToList();
                    aboveMm -= fill.TakesMm ?? 0;
                    var pass = passes[sitting.Id] = passes.GetValueOrDefault(sitting.Id, -1) + 1;
                    var takes = depths.Select((d, i) => Math.Max(0,
                        fill.TakesMm is { } mm ? Math.Min(mm, d.DepthMm - filledMm[i]) : d.DepthMm - filledMm[i] - aboveMm)).ToArray();
                    Portion whole = new(
                        laid.Layer.In(sitting), region, Cup(fill, fill.RecipeId ?? region.CupId!), depths, fill.Id, pass, fill.Way)
                    { AimMm3 = aimMm3 };
                    var planned = whole with { Depths = [.. depths.Select((d, i) => d with { DepthMm = takes[i] })] };
                    var portion = above.Count == 0 || really is null ? planned
                        : really(planned, whole, fill.TakesMm is null && above.Any(f => f.Fill.TakesMm is null));
                    poured[sitting.Id].Add(portion);
                    filledMm = [.. filledMm.Zip(portion.Depths, (mm, d) => mm + d.DepthMm)];
                }
            }
        }

        return poured.ToImmutableDictionary(p => p.Key, p => p.Value.ToImmutable());

        string Cup(Fill fill, string recipe) => fill.CupId is { } cup && seconds.GetValueOrDefault(cup) == recipe ? cup : recipe;
    }

    /// <summary>A region that no fill names: poured in one go, but for what is kept visible in a mould.</summary>
    private static IEnumerable<Portion> Whole(Piece piece, LaidLayer laid, Region region, ImmutableArray<DepthShare> depths)
    {
        var layer = laid.Layer;
        if (ThroughFace(piece, layer, laid.Map, region) is not var (clearMm, behind))
        {
            return [new(layer, region, region.CupId!, depths)];
        }

        ImmutableArray<DepthShare> Between(double from, double to) =>
            [.. depths.Select(d => d with { DepthMm = Math.Max(0, Math.Min(to, d.DepthMm) - from) })];
        Portion[] passes = [new(layer, region, region.CupId!, Between(0, clearMm)),
            new(layer, region, behind, Between(clearMm, double.PositiveInfinity))];
        return passes.Where(p => p.Depths.Any(d => d.DepthMm > 0)).Select((p, pass) => p with { Pass = pass });
    }

    /// <summary>What is kept visible in a mould is seen through the face: thin clear there, and what lies round it behind that.
    /// Null for everything else.</summary>
    internal static (double ClearMm, string Behind)? ThroughFace(Piece piece, FilledLayer layer, LayerMap map, Region region)
    {
        if (region.Kind != RegionKind.KeptVisible || piece.Ground.Mould is null || layer.Within is not null
            || Behind(layer, map, region) is not { } behind)
        {
            return null;
        }

        return (layer.Id != piece.Layers[0].Id ? 0
            : (piece.Kept ?? []).FirstOrDefault(k => RegionId.OfSpot(k.Id) == region.Id)?.ClearMm ?? ReservedSpot.UsualClearMm, behind);
    }

    /// <summary>The cup of the largest region beside it, or of the largest of all; null where nothing coloured is poured.</summary>
    private static string? Behind(FilledLayer layer, LayerMap map, Region region)
    {
        var beside = map.Touching.Where(b => b.First == region.Id || b.Second == region.Id)
            .Select(b => b.First == region.Id ? b.Second : b.First).ToHashSet();
        return map.Regions.Where(r => r.TakesArea && r.Kind != RegionKind.KeptVisible && Poured(layer, r))
            .OrderByDescending(r => beside.Contains(r.Id)).ThenByDescending(r => r.AreaMm2).FirstOrDefault()?.CupId;
    }

    private static bool Poured(FilledLayer layer, Region region) =>
        region.CupId is not null && (region.Kind != RegionKind.HeartBed || region.AreaMm2 > 0) && !layer.IsBare(region.Id);
}
