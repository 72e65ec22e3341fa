using System.Collections.Immutable;
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
    /// <summary>Load of everything in it that has a colour, % of the resin by weight.</summary>
    public double LoadPercent { get; init; }

    /// <summary>The look of a cup of a layer: of all that is in it, what it was filled from with it.</summary>
    public static CupLook Of(Catalogue catalogue, FilledLayer layer, Recipe cup)
    {
        ArgumentNullException.ThrowIfNull(catalogue);
        ArgumentNullException.ThrowIfNull(layer);
        ArgumentNullException.ThrowIfNull(cup);
        return Of(catalogue, cup, id => layer.Recipes.Single(c => c.Id == id), () => layer.Sitting.Resin.From(catalogue).MixDensity);
    }

    /// <summary>The look of a mixture.</summary>
    /// <param name="catalogue">The workshop's materials.</param>
    /// <param name="cup">The recipe.</param>
    /// <param name="other">The recipes that it is filled from, by their ids.</param>
    /// <param name="mixDensity">Density of the mixed resin, g/ml; asked for where something is dosed by volume.</param>
    public static CupLook Of(Catalogue catalogue, Recipe cup, Func<string, Recipe> other, Func<double> mixDensity)
    {
        ArgumentNullException.ThrowIfNull(catalogue);
        ArgumentNullException.ThrowIfNull(cup);
        ArgumentNullException.ThrowIfNull(other);
        ArgumentNullException.ThrowIfNull(mixDensity);
        var looks = ImmutableArray.CreateBuilder<ColourantLook>();
        if (cup.Of is { IsEmpty: false } shares)
        {
            // Clear in the mix thins it and has no colour of its own.
            var all = shares.Sum(s => s.Parts);
            foreach (var share in shares)
            {
                var from = other(share.RecipeId);
                looks.AddRange(from.Doses
                    .Select(d => ColourantLook.Of(catalogue, d, Colour.Of(cup.Seen ?? from.ColourOf(d)), share.Parts / all, mixDensity)));
            }
        }

        looks.AddRange(cup.Doses.Select(d => ColourantLook.Of(catalogue, d, Colour.Of(cup.ColourOf(d)), 1, mixDensity)));
        return Of(looks, Colour.Of(cup.Seen ?? cup.Colour));
    }

    /// <summary>The look of colourants in one cup.</summary>
    /// <param name="looks">The colourants with their loads.</param>
    /// <param name="none">The colour where nothing in it has one.</param>
    internal static CupLook Of(IReadOnlyList<ColourantLook> looks, Colour none)
    {
        var (load, cover, blocks, glass) = (0.0, 0.0, 0.0, 0.0);
        Colour? colour = null;
        var deepens = default(Colour);
        foreach (var look in looks.Where(l => l.Percent > 0 && l.Covers))
        {
            // Summed by load, K/S of many is that of two after two.
            colour = colour is { } mixed ? Pigment.Mix(mixed, load, look.Colour, look.Percent) : look.Colour;
            load += look.Percent;
            cover += look.CoverPerMm;
            blocks += look.BlocksPerMm;
            glass += look.IsGlass ? look.CoverPerMm : 0;
            deepens = look.IsGlass ? new(deepens.R + look.Takes(look.Colour.R), deepens.G + look.Takes(look.Colour.G),
                deepens.B + look.Takes(look.Colour.B)) : deepens;
        }

        return new(colour ?? none, cover, blocks, glass, deepens) { LoadPercent = load };
    }

    /// <summary>Opacity at a depth: 0 at none, and of resin without colour; never quite 1.</summary>
    /// <param name="depthMm">The depth, mm.</param>
    public double Opacity(double depthMm) => 1 - Math.Exp(-depthMm * CoverPerMm);

    /// <summary>The share of what lies below that its pigments hide at a depth: glass hides nothing.</summary>
    /// <param name="depthMm">The depth, mm.</param>
    public double Veil(double depthMm) => 1 - Math.Exp(-depthMm * (CoverPerMm - GlassPerMm));

    /// <summary>What its glass leaves of the light from below, channel by channel; all of it where there is none.</summary>
    /// <param name="depthMm">The depth, mm.</param>
    public Colour Filter(double depthMm) =>
        new(Math.Exp(-depthMm * Deepens.R), Math.Exp(-depthMm * Deepens.G), Math.Exp(-depthMm * Deepens.B));

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

    /// <summary>What two cups give where they blend in equal parts; clear resin thins the other's colour.</summary>
    public static CupLook Between(Catalogue catalogue, FilledLayer layer, Recipe one, Recipe other)
    {
        var (first, second) = (Of(catalogue, layer, one), Of(catalogue, layer, other));
        var colour = first.CoverPerMm == 0 ? second.Colour
            : second.CoverPerMm == 0 ? first.Colour
            : Pigment.Mix(first.Colour, first.LoadPercent, second.Colour, second.LoadPercent);
        return new(
            colour, (first.CoverPerMm + second.CoverPerMm) / 2, (first.BlocksPerMm + second.BlocksPerMm) / 2,
            (first.GlassPerMm + second.GlassPerMm) / 2, first.Deepens.Mix(second.Deepens, 0.5))
        { LoadPercent = (first.LoadPercent + second.LoadPercent) / 2 };
    }
}

/// <summary>How so much of one colourant looks in resin.</summary>
/// <param name="Colour">Its colour at full cover.</param>
/// <param name="Percent">Its load, % of the resin by weight.</param>
/// <param name="CoverPerMm">κ × load, per mm.</param>
/// <param name="BlocksPerMm">The part of it that lets no light through, per mm.</param>
/// <param name="IsGlass">Whether it is dissolved.</param>
/// <param name="Covers">Whether it has a colour at all: lacing has none.</param>
internal readonly record struct ColourantLook(Colour Colour, double Percent, double CoverPerMm, double BlocksPerMm,
    bool IsGlass, bool Covers)
{
    /// <summary>A dose of a cup.</summary>
    /// <param name="catalogue">The workshop's materials.</param>
    /// <param name="dose">The dose.</param>
    /// <param name="colour">Its colour.</param>
    /// <param name="share">The share of the cup that it was stirred into.</param>
    /// <param name="mixDensity">Density of the mixed resin, g/ml.</param>
    public static ColourantLook Of(Catalogue catalogue, Dose dose, Colour colour, double share, Func<double> mixDensity)
    {
        var known = catalogue.Of(dose.Colourant, dose.ColourantId);
        var percent = dose.By == RatioBasis.Weight ? dose.Percent : known.Percent(dose.Percent, dose.By, RatioBasis.Weight, mixDensity());
        var cover = share * known.Cover * percent;

        // White ink is a pigment in alcohol: as glass it would take nothing of the light, and not be there.
        var glass = known.IsGlass && !(known.Class == ColourantClass.AlcoholInk && IsWhite(colour));
        return new(colour, share * percent, cover,
            glass || known.Class == ColourantClass.Interference ? 0 : cover, glass, known.Class != ColourantClass.Lacing);
    }

    /// <summary>From so much light in each channel on a colour counts as white.</summary>
    private const double White = 0.75;

    private static bool IsWhite(Colour colour) => Math.Min(colour.R, Math.Min(colour.G, colour.B)) >= White;

    /// <summary>What it takes of light in a channel, as −ln of what a millimetre leaves.</summary>
    public double Takes(double channel) => -CoverPerMm * Math.Log(Math.Clamp(channel, Pigment.LeastReflectance, 1));
}
