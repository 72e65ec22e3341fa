using MossLantern.Core.Documents;
using MossLantern.Core.Materials;
using MossLantern.Core.Units;

namespace MossLantern.Core.Map;

/// <summary>How a cup's resin looks: its colour at full cover, and how fast it covers.</summary>
/// <param name="Colour">Its colour at full cover.</param>
/// <param name="CoverPerMm">κ × load of everything in it, per mm.</param>
/// <param name="BlocksPerMm">The part of it that lets no light through, per mm: what is not dissolved.</param>
/// <param name="GlassPerMm">The part of it that is dye or ink: glass, which deepens what lies below and does not veil it, per mm.</param>
/// <param name="Deepens">How fast the glass in it takes light, channel by channel, as −ln of what a millimetre leaves.</param>
/// <remarks>Source: docs/craft/map.md, Shown colour; Faces, wet resin and light from behind.</remarks>
public readonly record struct CupLook(Colour Colour, double CoverPerMm, double BlocksPerMm, double GlassPerMm = 0, Colour Deepens = default)
{
    /// <summary>The look of a cup of a layer; a mixed one takes it from the cups it is filled from.</summary>
    public static CupLook Of(Catalogue catalogue, FilledLayer layer, Recipe cup)
    {
        ArgumentNullException.ThrowIfNull(catalogue);
        ArgumentNullException.ThrowIfNull(layer);
        ArgumentNullException.ThrowIfNull(cup);
        if (cup.Of is not { IsEmpty: false } shares)
        {
            return Plain(catalogue, cup, 1);
        }

        // Clear in the mix thins it and has no colour of its own.
        var all = shares.Sum(s => s.Parts);
        var from = shares.Select(s => (Cup: layer.Recipes.Single(c => c.Id == s.RecipeId), Share: s.Parts / all)).ToList();
        var (colour, load) = (Colour.Of(cup.Colour), 0.0);
        foreach (var (part, share) in from.Where(f => f.Cup.Colourant is not null))
        {
            var own = share * part.LoadPercent;
            colour = load == 0 ? Colour.Of(part.Colour) : Pigment.Mix(colour, load, Colour.Of(part.Colour), own);
            load += own;
        }

        var plain = from.Select(f => Plain(catalogue, f.Cup, f.Share)).ToList();
        return new(
            colour, plain.Sum(p => p.CoverPerMm), plain.Sum(p => p.BlocksPerMm), plain.Sum(p => p.GlassPerMm),
            new(plain.Sum(p => p.Deepens.R), plain.Sum(p => p.Deepens.G), plain.Sum(p => p.Deepens.B)));
    }

    /// <summary>Opacity at a depth: 0 at none, and of resin without colour; never quite 1.</summary>
    /// <param name="depthMm">The depth, mm.</param>
    public double Opacity(double depthMm) => 1 - Math.Exp(-depthMm * CoverPerMm);

    /// <summary>The share of what lies below that its pigments hide at a depth: glass hides nothing.</summary>
    /// <param name="depthMm">The depth, mm.</param>
    public double Veil(double depthMm) => 1 - Math.Exp(-depthMm * (CoverPerMm - GlassPerMm));

    /// <summary>What its glass leaves of the light from below, channel by channel; all of it where there is none.</summary>
    /// <param name="depthMm">The depth, mm.</param>
    public Colour Filter(double depthMm) => new(Math.Exp(-depthMm * Deepens.R), Math.Exp(-depthMm * Deepens.G), Math.Exp(-depthMm * Deepens.B));

    /// <summary>The colour it shows over a ground; the ground's own at no depth.</summary>
    /// <param name="ground">Colour of the ground.</param>
    /// <param name="depthMm">Its depth, mm.</param>
    public Colour Over(Colour ground, double depthMm)
    {
        var filter = Filter(depthMm);
        return new Colour(ground.R * filter.R, ground.G * filter.G, ground.B * filter.B).Mix(Colour, Veil(depthMm));
    }

    /// <summary>At this cover a layer hides 95 % of what is below it: then dye lets through its own colour.</summary>
    private const double FullCover = 3;

    /// <summary>The share of light from behind that comes through, channel by channel: clear resin lets all of it through.</summary>
    /// <param name="depthMm">Its depth, mm.</param>
    public Colour Through(double depthMm)
    {
        var (blocks, cover) = (Math.Exp(-depthMm * BlocksPerMm), depthMm * CoverPerMm / FullCover);
        return new(Channel(Colour.R), Channel(Colour.G), Channel(Colour.B));

        double Channel(double reflects) => blocks * Math.Pow(Math.Clamp(reflects, Pigment.LeastReflectance, 1), cover);
    }

    /// <summary>On the way from this look to another, by a share of the way; what has no cover takes on the other's colour.</summary>
    public CupLook Towards(CupLook other, double share) => new(
        CoverPerMm == 0 ? other.Colour : Colour.Mix(other.Colour, share),
        CoverPerMm + share * (other.CoverPerMm - CoverPerMm), BlocksPerMm + share * (other.BlocksPerMm - BlocksPerMm),
        GlassPerMm + share * (other.GlassPerMm - GlassPerMm), Deepens.Mix(other.Deepens, share));

    /// <summary>What two cups give where they run into each other in equal parts; clear resin thins the other's colour.</summary>
    public static CupLook Between(Catalogue catalogue, FilledLayer layer, Recipe one, Recipe other)
    {
        var (first, second) = (Of(catalogue, layer, one), Of(catalogue, layer, other));
        var colour = first.CoverPerMm == 0 ? second.Colour
            : second.CoverPerMm == 0 ? first.Colour
            : Pigment.Mix(first.Colour, one.LoadPercent, second.Colour, other.LoadPercent);
        return new(
            colour, (first.CoverPerMm + second.CoverPerMm) / 2, (first.BlocksPerMm + second.BlocksPerMm) / 2,
            (first.GlassPerMm + second.GlassPerMm) / 2, first.Deepens.Mix(second.Deepens, 0.5));
    }

    private static CupLook Plain(Catalogue catalogue, Recipe cup, double share)
    {
        var cover = cup.Colourant is null or ColourantClass.Lacing ? 0 : share * catalogue.Of(cup.Colourant.Value).Cover * cup.LoadPercent;
        var colour = Colour.Of(cup.Colour);
        return cup.Colourant is ColourantClass.Dye or ColourantClass.AlcoholInk
            ? new(colour, cover, 0, cover, new(Takes(colour.R), Takes(colour.G), Takes(colour.B)))
            : new(colour, cover, cup.Colourant is ColourantClass.Interference ? 0 : cover);

        double Takes(double channel) => -cover * Math.Log(Math.Clamp(channel, Pigment.LeastReflectance, 1));
    }
}
