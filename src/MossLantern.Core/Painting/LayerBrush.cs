using System.Collections.Immutable;
using MossLantern.Core.Documents;
using MossLantern.Core.Map;
using MossLantern.Core.Materials;
using MossLantern.Core.Mixing;
using MossLantern.Core.Shapes;
using MossLantern.Core.Units;

namespace MossLantern.Core.Painting;

/// <summary>What a layer, or a part of one, is painted with: how its cups look, and where the paths go.</summary>
internal sealed class LayerBrush(Sheet sheet, Piece piece, Outline outline, FilledLayer layer, string? zoneId, bool lowest, bool wet)
{
    /// <summary>Shares of the widest of three lines that lie over each other: the middle comes out strongest.</summary>
    private static readonly ImmutableArray<double> RunShares = [1, 0.66, 0.33];

    /// <summary>How opaque each of them is.</summary>
    private const double BleedOpacity = 0.35;

    /// <summary>The most that a shape hides which is not solid: only what is has no hole where the next region lies.</summary>
    private const double MostVeil = 0.999;

    public Sheet Sheet => sheet;

    public Piece Piece => piece;

    public Outline Outline => outline;

    public FilledLayer Layer => layer;

    public string? ZoneId => zoneId;

    /// <summary>Whether it is painted solid, as it looks on the ground.</summary>
    public bool Lowest => lowest;

    public bool Wet => wet;

    public bool Full => sheet.Full;

    public Catalogue Catalogue => sheet.Catalogue;

    public Dictionary<string, Recipe> Cups { get; } = layer.Recipes.ToDictionary(c => c.Id);

    /// <summary>What is seen through the face of a casting: so much clear, and the cup behind that.</summary>
    public IReadOnlyDictionary<RegionId, (double ClearMm, string Behind)> ThroughFace { get; init; } =
        ImmutableDictionary<RegionId, (double, string)>.Empty;

    public double DepthMm { get; } = DepthZones.DepthOf(layer, RegionKind.Band, layer.DepthMm);

    /// <summary>How deep the film is that lines lie on, mm.</summary>
    public double FilmMm { get; } = DepthZones.DepthOf(layer, RegionKind.Film, layer.DepthMm);

    /// <summary>What it paints on. All is cut along the outline in the end, so a draft need not follow it.</summary>
    public string Whole => PathText.Straight(Full ? outline : new RectangleOutline(outline.BoxWidthMm, outline.BoxHeightMm));

    public void Materials()
    {
        foreach (var cup in layer.Cups)
        {
            var shown = Shown(cup);
            sheet.Materials.Add(new(Material(cup.Id), cup.Colourant, shown.Tone(0.4).ToHex(), shown.Tone(-0.5).ToHex(), Angles(cup)));
        }
    }

    /// <summary>How flakes in a cup look at each angle, over what lies below it; null where there are none, or no light
    /// falls on them.</summary>
    private ImmutableArray<string>? Angles(Recipe cup)
    {
        if (cup.Colourant != ColourantClass.Interference || sheet.Through)
        {
            return null;
        }

        var (own, below, share) = (Colour.Of(cup.ColourOf(cup.Doses[0])), Below(cup), Shimmer.Share(DepthMm, cup.LoadPercent));
        return [.. Shimmer.AnglesDeg.Select(a => Shimmer.Seen(own, below, share, a).ToHex())];
    }

    /// <summary>
    /// A shape of a cup's resin: as it looks on the ground where it is solid; else first what its glass takes of the light
    /// from below, then what its pigments hide.
    /// </summary>
    public void Lay(PaintRole role, string path, Recipe cup, CupLook look, double depth, bool solid, RegionId? region, double lightness = 0)
    {
        if (region is { } bare && layer.IsBare(bare))
        {
            // Nothing is poured here: it is there to be pointed at.
            sheet.Paths.Add(new(role, path, sheet.Ground, null, 0, solid ? 1 : 0, region, Material("")));
            return;
        }

        depth = region is { } own && (layer.OwnDepthMm(own) ?? layer.Layer.FilmUnderMm(own)) is not null ? layer.Layer.AimMm(own) : depth;
        var passes = region is { } filled ? PassesOf(filled, look, depth) : [(look, depth)];
        if (sheet.Through)
        {
            var through = passes.Select(p => p.Look.Through(p.DepthMm)).Aggregate((a, b) => new(a.R * b.R, a.G * b.G, a.B * b.B));
            Add(through, solid || passes.Any(p => p.Look.CoverPerMm > 0) ? 1 : 0, false);
            return;
        }

        if (solid)
        {
            Add(passes.Aggregate(Below(cup), (ground, p) => p.Look.Over(ground, p.DepthMm)), 1, false);
            return;
        }

        foreach (var (of, mm) in passes)
        {
            Veil(of, mm);
        }

        void Add(Colour colour, double opacity, bool glass) => sheet.Paths.Add(
            new(role, path, Lab.Lighter(colour, lightness).ToHex(), null, 0, opacity, region, Material(cup.Id), null, glass));

        void Veil(CupLook look, double depth)
        {
            var veil = Math.Min(MostVeil, Math.Round(look.Veil(depth), 3));
            if (look.GlassPerMm > 0)
            {
                Add(look.Filter(depth), 1, true);
            }

            if (look.GlassPerMm == 0 || veil > 0)
            {
                Add(look.Colour, veil, false);
            }
        }
    }

    /// <summary>How a region is filled from the bottom up: the last pass is what is seen. Usually it is one.</summary>
    private List<(CupLook Look, double DepthMm)> PassesOf(RegionId region, CupLook own, double depthMm)
    {
        if (layer.Filling.Passes?.GetValueOrDefault(region) is not { IsDefaultOrEmpty: false } passes)
        {
            return ThroughFace.TryGetValue(region, out var seen)
                ? [(own, Math.Min(seen.ClearMm, depthMm)),
                    (CupLook.Of(Catalogue, layer, Cups[seen.Behind]), Math.Max(0, depthMm - seen.ClearMm))]
                : [(own, depthMm)];
        }

        var left = Math.Max(0, depthMm - passes.Sum(p => p.TakesMm ?? 0));
        return [.. passes.Select(p => (p.RecipeId is { } id ? CupLook.Of(Catalogue, layer, Cups[id]) : own, p.TakesMm ?? left))];
    }

    public void Run(string path, Recipe one, Recipe other, RegionId region)
    {
        var between = CupLook.Between(Catalogue, layer, one, other);
        if (one.Id != other.Id && path.Length > 0 && between.CoverPerMm > 0)
        {
            Run(path, lowest ? Shown(between, one) : sheet.Through ? between.Through(DepthMm) : between.Colour,
                lowest ? 1 : between.Opacity(DepthMm), region);
        }
    }

    /// <summary>A line that is strongest in its middle.</summary>
    public void Run(string path, Colour colour, double opacity, RegionId region)
    {
        foreach (var share in RunShares)
        {
            sheet.Paths.Add(new(PaintRole.Bleed, path, null, colour.ToHex(), share * Look.BleedMm,
                Math.Round(BleedOpacity * opacity, 3), region.In(zoneId), null));
        }
    }

    /// <summary>The colour of a cup's resin on the ground, as deep as this layer's regions are.</summary>
    public Colour Shown(Recipe cup) => Shown(CupLook.Of(Catalogue, layer, cup), cup);

    public Colour Shown(CupLook look, Recipe cup) => sheet.Through ? look.Through(DepthMm) : look.Over(Below(cup), DepthMm);

    /// <summary>
    /// A painted map lies under the first layer; clear resin keeps the ground's own colour below it. Lines lie on their film.
    /// </summary>
    public Colour Below(Recipe cup)
    {
        var ground = lowest && piece.Ground.Paint is { AsMap: true } && cup.Colourant is not null
            ? Colour.Of(cup.Colour) : Colour.Of(piece.Ground.Colour);
        return layer.Layout is StripesLayout lines && !sheet.FromBelow
            ? CupLook.Of(Catalogue, layer, Cups[lines.StartRecipeId]).Over(ground, FilmMm) : ground;
    }

    public string Material(string cupId) => layer.Id + "/" + cupId;
}
