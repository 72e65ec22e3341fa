using MossLantern.Core.Mixing;
using MossLantern.Core.Pieces;

namespace MossLantern.Core.Map;

/// <summary>How a cup's resin looks: its colour at full cover, and how fast it covers.</summary>
/// <param name="Colour">Its colour at full cover.</param>
/// <param name="CoverPerMm">κ × load of everything in it, per mm.</param>
/// <remarks>Source: docs/craft/map.md, Shown colour.</remarks>
public readonly record struct CupLook(Colour Colour, double CoverPerMm)
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

        return new(colour, from.Sum(f => Plain(f.Cup, f.Share).CoverPerMm));
    }

    /// <summary>Opacity at a depth.</summary>
    /// <param name="depthMm">The depth, mm.</param>
    public double Opacity(double depthMm) => 1 - Math.Exp(-depthMm * CoverPerMm);

    /// <summary>The colour it shows over a ground.</summary>
    /// <param name="ground">Colour of the ground.</param>
    /// <param name="depthMm">Its depth, mm.</param>
    public Colour Over(Colour ground, double depthMm) => ground.Mix(Colour, Opacity(depthMm));

    private static CupLook Plain(Cup cup, double share) => new(
        Colour.Of(cup.Colour),
        cup.Colourant is null or ColourantClass.Lacing ? 0 : share * TypicalMaterials.Of(cup.Colourant.Value).Cover * cup.LoadPercent);
}
