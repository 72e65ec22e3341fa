using System.Collections.Immutable;
using MossLantern.Core.Documents;
using MossLantern.Core.Map;
using MossLantern.Core.Materials;

namespace MossLantern.Core.Mixing;

/// <summary>What of its colourants a cup takes to cover so much of what lies below.</summary>
/// <param name="Doses">Its doses; all of them taken so much stronger or weaker.</param>
/// <param name="Fits">Whether each is within the limit of its class, and all together are within theirs.</param>
/// <param name="MostPercent">What it covers at its limits, %.</param>
/// <remarks>Source: docs/craft/mixing.md, Load for a cover.</remarks>
public sealed record WantedCover(ImmutableArray<Dose> Doses, bool Fits, double MostPercent)
{
    /// <summary>What covers so much lets no light through: 99.5 %.</summary>
    public const double LetsNothingThroughPercent = 99.5;

    /// <summary>Loads are rounded up to this, %: as finely as anybody doses.</summary>
    private const double StepPercent = 0.1;

    /// <summary>The doses that cover so much at a depth; null for a cup in which nothing covers by itself.</summary>
    /// <param name="catalogue">The workshop's materials.</param>
    /// <param name="layer">A layer that it is poured in.</param>
    /// <param name="cup">The recipe.</param>
    /// <param name="percent">How much is to be covered, %; above 0, below 100.</param>
    /// <param name="depthMm">How deep it is poured, mm; above 0.</param>
    public static WantedCover? Of(Catalogue catalogue, FilledLayer layer, Recipe cup, double percent, double depthMm)
    {
        ArgumentNullException.ThrowIfNull(catalogue);
        ArgumentNullException.ThrowIfNull(layer);
        ArgumentNullException.ThrowIfNull(cup);
        var density = layer.Sitting.Resin.From(catalogue).MixDensity;

        // What it was filled from covers as it is; its own colourants do the rest.
        var all = CupLook.Of(catalogue, layer, cup).CoverPerMm;
        var given = CupLook.Of(catalogue, layer, cup with { Doses = [] }).CoverPerMm;
        var own = all - given;
        if (own <= 0)
        {
            // Nothing is dosed yet: as if each were at one per cent.
            var one = cup with { Doses = [.. cup.Doses.Select(d => d with { Percent = 1 })] };
            own = CupLook.Of(catalogue, layer, one).CoverPerMm - given;
            return own <= 0 ? null : Of(catalogue, layer, one, percent, depthMm);
        }

        var times = Math.Max(0, -Math.Log(1 - percent / 100) / depthMm - given) / own;
        ImmutableArray<Dose> doses = [.. cup.Doses
            .Select(d => d with { ByEye = false,
                Percent = cup.Doses.Length == 1 ? MeasuringSteps.Up(d.Percent * times, StepPercent) : Math.Round(d.Percent * times, 2) })];
        return new(doses, !Loads(catalogue, doses, density).Over,
            100 * (1 - Math.Exp(-depthMm * (given + own * Most(catalogue, cup.Doses, density)))));
    }

    /// <summary>So many times what is in it is at the first limit that it meets.</summary>
    private static double Most(Catalogue catalogue, ImmutableArray<Dose> doses, double density)
    {
        var loads = Loads(catalogue, doses, density);
        return loads.All.Where(d => d.Load is { Value: > 0 }).Select(d => d.LimitPercent / d.Load!.Value)
            .Append(loads.Total is { Value: > 0 } total ? loads.TotalLimitPercent / total.Value : double.PositiveInfinity).Min();
    }

    private static CupDoses Loads(Catalogue catalogue, ImmutableArray<Dose> doses, double density) =>
        CupDoses.Of(catalogue, new("", "", "#000000", [.. doses.Select(d => d with { ByEye = false })]), 1, density, density);
}
