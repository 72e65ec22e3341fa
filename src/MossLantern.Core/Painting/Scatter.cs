using System.Collections.Immutable;
using System.Globalization;
using System.Text;
using MossLantern.Core.Documents;
using MossLantern.Core.Map;
using MossLantern.Core.Materials;
using MossLantern.Core.Mixing;
using MossLantern.Core.Shapes;
using MossLantern.Core.Stones;
using MossLantern.Core.Units;

namespace MossLantern.Core.Painting;

/// <summary>What is scattered over a region: stones that lie in its resin, and cells that open in it.</summary>
/// <remarks>Source: docs/craft/stones.md, Dry and in resin; docs/craft/mixing.md, Lacing and cells.</remarks>
internal sealed class Scatter(LayerBrush on, LayerMap map)
{
    /// <summary>No more of one kind are drawn in a region; and so many places are tried for each.</summary>
    private const int Most = 500, Tries = 12;

    /// <summary>None lies over another: the square of how far apart their middles are at least, in reaches.</summary>
    private const double Apart = 6.25;

    /// <summary>A stone fills so much of the cube round it.</summary>
    private const double Fills = 0.5;

    /// <summary>How far the lightest and the darkest of a kind are off it, L*.</summary>
    private static readonly ImmutableArray<double> Tones = [-8, -2, 4, 10];

    /// <summary>Places at which each region was found, a fixed grid over the box of the outline.</summary>
    private readonly Dictionary<RegionId, List<Spot>> places = [];

    /// <summary>How far apart the places are that are looked at, as a share of the larger side.</summary>
    private const int Places = 90;

    public void Paint(bool torched)
    {
        if (!on.Full || on.Sheet.Through)
        {
            return;
        }

        Cells(torched);
        foreach (var laid in on.Layer.Layer.Stones ?? [])
        {
            if (on.Catalogue.Find(MaterialKind.Stone, laid.StoneId) is { } stone && WetStone.Of(stone.Like ?? stone.Id) is { } look)
            {
                Stones(laid, look, stone[MaterialProperties.SolidDensity]);
            }
        }
    }

    private void Stones(LaidStones laid, WetStone look, double density)
    {
        Effort.Check();

        // Where nothing is poured they lie dry.
        var seen = Poured.FirstOrDefault(r => r.Id == laid.Region)?.CupId is { } id ? look.In(on.Shown(on.Cups[id])) : Colour.Of(look.Dry);
        var one = Fills * look.AcrossMm * look.AcrossMm * look.AcrossMm / 1000 * density;
        var random = new SplitMix((ulong)(laid.StoneId.Length * 131 + (int)laid.Grams * 7 + 5));
        var texts = Tones.Select(_ => new StringBuilder()).ToArray();
        foreach (var at in Spread(laid.Region, (int)Math.Clamp(laid.Grams / one, 1, Most), look.AcrossMm / 3, ref random))
        {
            Shape(texts[random.Below(texts.Length)], at, look.AcrossMm * random.Between(0.35, 0.6),
                look.IsRound ? 0 : 0.45, look.IsRound ? 10 : 5 + random.Below(3), ref random);
        }

        for (var i = 0; i < texts.Length; i++)
        {
            Add(texts[i], Lab.Lighter(seen, Tones[i]), 1, laid.Region, look.Does == Wetting.Hides ? -0.12 : -0.35);
        }
    }

    /// <summary>The regions that something is poured into.</summary>
    private IEnumerable<Region> Poured => map.Regions.Where(r => r.CupId is not null && !on.Layer.IsBare(r.Id));

    /// <summary>Cells show the colour that the laced one meets along most places.</summary>
    private void Cells(bool torched)
    {
        // What regions there are is dear to ask: of most pieces nobody needs it.
        var with = on.Cups.Values.Where(c => c.Doses.Any(d => d.Colourant == ColourantClass.Lacing)).Select(c => c.Id).ToHashSet();
        if (with.Count == 0)
        {
            return;
        }

        var density = on.Layer.Sitting.Resin.From(on.Catalogue).MixDensity;
        foreach (var region in Poured.Where(r => with.Contains(r.CupId!)))
        {
            Effort.Check();
            var laced = on.Cups[region.CupId!];
            var beside = map.Touching.Where(b => b.First == region.Id || b.Second == region.Id)
                .Select(b => b.First == region.Id ? b.Second : b.First)
                .Select(id => Poured.FirstOrDefault(r => r.Id == id)).Where(r => r is not null && r.CupId != laced.Id)
                    .MaxBy(r => r!.AreaMm2);
            if (beside is null || Lacing.Of(on.Catalogue, laced, on.Cups[beside.CupId!], density, torched) is not { } cells)
            {
                continue;
            }

            var random = new SplitMix((ulong)(region.Id.ToString().Length * 77 + (int)region.AreaMm2 + 3));
            var text = new StringBuilder();
            var wanted = (int)Math.Clamp(cells.Share * region.AreaMm2 / (Math.PI / 4 * cells.AcrossMm * cells.AcrossMm), 1, Most);
            foreach (var at in Spread(region.Id, wanted, cells.AcrossMm / 2, ref random))
            {
                Shape(text, at, cells.AcrossMm / 2 * random.Between(0.4, 1.25), 0.16, 12, ref random);
            }

            Add(text, on.Shown(on.Cups[beside.CupId!]), 0.92, region.Id, -0.3);
        }
    }

    private void Add(StringBuilder text, Colour colour, double opacity, RegionId region, double edge)
    {
        if (text.Length > 0)
        {
            on.Sheet.Paths.Add(new(PaintRole.Facet, text.ToString(), colour.ToHex(), colour.Tone(edge).ToHex(), 0.2,
                opacity, region.In(on.ZoneId), null));
        }
    }

    /// <summary>Up to so many places in a region, each so far from its border to all sides.</summary>
    private List<Spot> Spread(RegionId region, int count, double reachMm, ref SplitMix random)
    {
        if (places.Count == 0)
        {
            Look();
        }

        List<Spot> found = [];
        if (!places.TryGetValue(region, out var own))
        {
            return found;
        }

        var step = Step;
        for (var tries = 0; found.Count < count && tries < Tries * count; tries++)
        {
            var from = own[random.Below(own.Count)];
            Spot at = new(from.XMm + random.Between(-0.5, 0.5) * step, from.YMm + random.Between(-0.5, 0.5) * step);
            if (Holds(region, at.XMm, at.YMm) && Holds(region, at.XMm - reachMm, at.YMm) && Holds(region, at.XMm + reachMm, at.YMm)
                && Holds(region, at.XMm, at.YMm - reachMm) && Holds(region, at.XMm, at.YMm + reachMm)
                && found.TrueForAll(f => Math.Pow(f.XMm - at.XMm, 2) + Math.Pow(f.YMm - at.YMm, 2) >= Apart * reachMm * reachMm))
            {
                found.Add(at);
            }
        }

        return found;
    }

    private bool Holds(RegionId region, double xMm, double yMm) => on.Outline.Holds(xMm, yMm) && map.RegionAt(xMm, yMm) == region;

    private double Step => Math.Max(on.Outline.BoxWidthMm, on.Outline.BoxHeightMm) / Places;

    private void Look()
    {
        var step = Step;
        for (var y = step / 2; y < on.Outline.BoxHeightMm; y += step)
        {
            Effort.Check();
            for (var x = step / 2; x < on.Outline.BoxWidthMm; x += step)
            {
                if (on.Outline.Holds(x, y))
                {
                    var region = map.RegionAt(x, y);
                    (places.TryGetValue(region, out var own) ? own : places[region] = []).Add(new(x, y));
                }
            }
        }
    }

    /// <summary>Adds a shape with so many corners, each so much off the round.</summary>
    private static void Shape(StringBuilder text, Spot at, double radiusMm, double rough, int corners, ref SplitMix random)
    {
        var turn = random.Between(0, Math.Tau);
        for (var i = 0; i < corners; i++)
        {
            var (angle, radius) = (turn + Math.Tau * i / corners, radiusMm * (1 - rough * random.Unit()));
            text.Append(CultureInfo.InvariantCulture,
                $"{(i == 0 ? 'M' : 'L')}{at.XMm + radius * Math.Cos(angle):0.##} {at.YMm + radius * Math.Sin(angle):0.##}");
        }

        text.Append('Z');
    }
}
