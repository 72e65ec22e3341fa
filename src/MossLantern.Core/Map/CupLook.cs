using MossLantern.Core.Mixing;
using MossLantern.Core.Pieces;

namespace MossLantern.Core.Map;

/// <summary>How a cup's resin looks: its colour at full cover, and how fast it covers.</summary>
/// <param name="Colour">Its colour at full cover.</param>
/// <param name="CoverPerMm">κ × load of everything in it, per mm.</param>
/// <param name="BlocksPerMm">The part of it that lets no light through, per mm: what is not dissolved.</param>
/// <remarks>Source: docs/craft/map.md, Shown colour; Faces, wet resin and light from behind.</remarks>
public readonly record struct CupLook(Colour Colour, double CoverPerMm, double BlocksPerMm)
{
    /// <summary>The look of a cup of a layer; a mixed one takes it from the cups it is filled from.</summary>
    public static CupLook Of(Layer layer, Cup cup)
    {
        ArgumentNullException.ThrowIfNull(layer);
        ArgumentNullException.ThrowIfNull(cup);
        if (cup.Of is not { IsEmpty: false } shares)
        {
            return Plain(cup, 1);
        }

        // Clear in the mix thins it and has no colour of its own.
        var all = shares.Sum(s => s.Parts);
        var from = shares.Select(s => (Cup: layer.Cups.Single(c => c.Id == s.Cup), Share: s.Parts / all)).ToList();
        var (colour, load) = (Colour.Of(cup.Colour), 0.0);
        foreach (var (part, share) in from.Where(f => f.Cup.Colourant is not null))
        {
            var own = share * part.LoadPercent;
            colour = load == 0 ? Colour.Of(part.Colour) : Pigment.Mix(colour, load, Colour.Of(part.Colour), own);
            load += own;
        }

        var plain = from.Select(f => Plain(f.Cup, f.Share)).ToList();
        return new(colour, plain.Sum(p => p.CoverPerMm), plain.Sum(p => p.BlocksPerMm));
    }

    /// <summary>Opacity at a depth.</summary>
    /// <param name="depthMm">The depth, mm.</param>
    public double Opacity(double depthMm) => 1 - Math.Exp(-depthMm * CoverPerMm);

    /// <summary>The colour it shows over a ground.</summary>
    /// <param name="ground">Colour of the ground.</param>
    /// <param name="depthMm">Its depth, mm.</param>
    public Colour Over(Colour ground, double depthMm) => ground.Mix(Colour, Opacity(depthMm));

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

    /// <summary>What two cups give where they run into each other in equal parts; clear resin thins the other's colour.</summary>
    public static CupLook Between(Layer layer, Cup one, Cup other)
    {
        var (first, second) = (Of(layer, one), Of(layer, other));
        var colour = first.CoverPerMm == 0 ? second.Colour
            : second.CoverPerMm == 0 ? first.Colour
            : Pigment.Mix(first.Colour, one.LoadPercent, second.Colour, other.LoadPercent);
        return new(colour, (first.CoverPerMm + second.CoverPerMm) / 2, (first.BlocksPerMm + second.BlocksPerMm) / 2);
    }

    private static CupLook Plain(Cup cup, double share)
    {
        var cover = cup.Colourant is null or ColourantClass.Lacing ? 0 : share * TypicalMaterials.Of(cup.Colourant.Value).Cover * cup.LoadPercent;
        return new(Colour.Of(cup.Colour), cover, cup.Colourant is ColourantClass.Dye or ColourantClass.AlcoholInk or ColourantClass.Interference ? 0 : cover);
    }
}
