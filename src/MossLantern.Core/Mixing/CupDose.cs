using System.Collections.Immutable;
using MossLantern.Core.Documents;
using MossLantern.Core.Materials;
using MossLantern.Core.Units;

namespace MossLantern.Core.Mixing;

/// <summary>A colourant of a cup, as it is measured out.</summary>
/// <param name="Name">What it is.</param>
/// <param name="Colourant">Its class.</param>
/// <param name="Colour">Its colour at full cover, as <c>#rrggbb</c>; null for what has none.</param>
/// <param name="G">How much, g; null where nobody measures it.</param>
/// <param name="Ml">The same, ml.</param>
/// <param name="Drops">The same in drops; null for what does not drip.</param>
/// <param name="Scoops">The same in level scoops; null where nobody has weighed one.</param>
/// <param name="Tips">The same in dipped stick tips; null where nobody has weighed one.</param>
/// <param name="Load">Its load in what its limit is percent of, %; null where nobody measures it.</param>
/// <param name="LimitPercent">Highest load, %.</param>
/// <param name="LimitBy">What that is percent of.</param>
/// <param name="Over">Whether it is over.</param>
/// <param name="Prepare">What is done with it before it goes in; null for nothing.</param>
/// <remarks>Source: docs/craft/mixing.md, Load.</remarks>
public sealed record CupDose(
    string Name, ColourantClass Colourant, string? Colour, Reckoned? G, Reckoned? Ml, Reckoned? Drops, Reckoned? Scoops,
    Reckoned? Tips, Reckoned? Load, double LimitPercent,
    RatioBasis LimitBy, bool Over, string? Prepare);

/// <summary>Everything that is stirred into a cup.</summary>
/// <param name="All">Each colourant, in the order in which they go in.</param>
/// <param name="Total">All loads together, %; by volume where the limit of each is, else by weight. Null where there is
/// none, or where one goes in by eye.</param>
/// <param name="TotalLimitPercent">Highest load of all together, %.</param>
/// <remarks>Source: docs/craft/mixing.md, Load.</remarks>
public sealed record CupDoses(ImmutableArray<CupDose> All, Reckoned? Total, double TotalLimitPercent)
{
    /// <summary>A hair over a limit is at it.</summary>
    private const double Hair = 1e-9;

    /// <summary>Whether all together are over what they may be.</summary>
    public bool OverTotal => Total is { } total && total.Value > TotalLimitPercent + Hair;

    /// <summary>Whether one of them, or all together, are over what they may be.</summary>
    public bool Over => OverTotal || All.Any(d => d.Over);

    /// <summary>What is stirred into so much resin.</summary>
    /// <param name="catalogue">The workshop's materials.</param>
    /// <param name="cup">The recipe.</param>
    /// <param name="mixMl">The resin, ml.</param>
    /// <param name="massG">The resin, g.</param>
    /// <param name="mixDensity">Its density, g/ml.</param>
    /// <param name="others">The recipes that it may be filled from, by their ids: what they bring along counts too. Null for none.</param>
    public static CupDoses Of(Catalogue catalogue, Recipe cup, double mixMl, double massG, double mixDensity,
        IReadOnlyDictionary<string, Recipe>? others = null)
    {
        ArgumentNullException.ThrowIfNull(catalogue);
        ArgumentNullException.ThrowIfNull(cup);
        var known = cup.Doses.Select(d => catalogue.Of(d.Colourant, d.ColourantId)).ToList();
        var several = cup.Doses.Length > 1;
        ImmutableArray<CupDose> all = [.. cup.Doses.Select((d, i) => One(cup, d, i, known[i], mixMl, massG, mixDensity, several))];
        var brought = Brought(cup, others).ToList();
        if (all.IsEmpty || cup.Doses.Concat(brought.Select(b => b.Dose)).Any(d => d.ByEye))
        {
            return new(all, null, Mixing.Load.TotalLimitPercent);
        }

        ImmutableArray<(string Name, Colourant Known, double Share, Dose Dose)> parts =
        [
            .. cup.Doses.Zip(known).Select(d => (d.Second.Name, d.Second, 1.0, d.First)),
            .. brought.Select(b => (Known: catalogue.Of(b.Dose.Colourant, b.Dose.ColourantId), b.From, b.Share, b.Dose))
                .Select(b => ($"{b.Known.Name} that comes with {b.From}", b.Known, b.Share, b.Dose)),
        ];
        var by = parts.All(c => c.Known.LimitBy == RatioBasis.Volume) ? RatioBasis.Volume : RatioBasis.Weight;
        var loads = parts.Select(p => p.Share * p.Known.Percent(p.Dose.Percent, p.Dose.By, by, mixDensity)).ToList();
        return new(
            all,
            new(loads.Sum(), "%", Formulas.LoadTotal,
                [.. parts.Zip(loads).Select(l => new ReckonedInput(l.First.Name, l.Second, "%", Origin.Reckoned))]),
            parts.Select(c => c.Known.LimitPercent).Append(Mixing.Load.TotalLimitPercent).Max());
    }

    /// <summary>What comes along from the cups that one is filled from, by their shares.</summary>
    private static IEnumerable<(string From, double Share, Dose Dose)> Brought(Recipe cup, IReadOnlyDictionary<string, Recipe>? others)
    {
        if (others is null || cup.Of is not { IsEmpty: false } of)
        {
            yield break;
        }

        var parts = of.Sum(s => s.Parts);
        foreach (var share in of.Where(s => others.ContainsKey(s.RecipeId)))
        {
            var from = others[share.RecipeId];
            foreach (var (name, more, dose) in from.Doses.Select(d => (from.Name, 1.0, d)).Concat(Brought(from, others)))
            {
                yield return (name, more * share.Parts / parts, dose);
            }
        }
    }

    private static CupDose One(Recipe cup, Dose dose, int at, Colourant known, double mixMl, double massG, double mixDensity, bool several)
    {
        if (dose.ByEye)
        {
            // Not known is not nothing.
            return new(
                known.Name, dose.Colourant, dose.Colourant == ColourantClass.Lacing ? null : cup.ColourOf(dose), null,
                null, null, null, null, null,
                known.LimitPercent, known.LimitBy, false, Preparing.Of(dose.Colourant, several));
        }

        ReckonedInput load = new("load", dose.Percent, "%", Origin.Own,
            FormattableString.Invariant($"{PlaceIn.Recipe(cup.Id)}.doses[{at}].percent")),
            density = new("density of the colourant", known.DensityGPerMl, "g/ml", known.OriginOf(MaterialProperties.Density)),
            mix = new("density of the mix", mixDensity, "g/ml", Origin.Reckoned);
        var g = dose.By == RatioBasis.Weight ? massG * dose.Percent / 100 : mixMl * dose.Percent / 100 * known.DensityGPerMl;
        ReckonedInput grams = new("grams", g, "g", Origin.Reckoned);
        var own = known.Percent(dose.Percent, dose.By, known.LimitBy, mixDensity);
        return new(
            known.Name, dose.Colourant, dose.Colourant == ColourantClass.Lacing ? null : cup.ColourOf(dose),
            dose.By == RatioBasis.Weight ? Reckoned.Of(g, "g", Formulas.ColourantMass, new("mixed mass", massG, "g", Origin.Reckoned), load)
                : Reckoned.Of(g, "g", Formulas.ColourantMassByVolume, new("cup", mixMl, "ml", Origin.Reckoned), load, density),
            Reckoned.Of(g / known.DensityGPerMl, "ml", Formulas.ColourantVolume, grams, density),
            known.DropMl is { } drop ? Reckoned.Of(g / known.DensityGPerMl / drop, "drops", Formulas.ColourantDrops,
                grams, density, new("a drop", drop, "ml", known.OriginOf(MaterialProperties.DropMl))) : null,
            known.ScoopG is { } scoop ? Reckoned.Of(g / scoop, "scoops", Formulas.ColourantScoops, grams,
                new("a level scoop", scoop, "g", known.OriginOf(MaterialProperties.ScoopG))) : null,
            known.TipG is { } tip ? Reckoned.Of(g / tip, "tips", Formulas.ColourantTips, grams,
                new("a dipped tip", tip, "g", known.OriginOf(MaterialProperties.TipG))) : null,
            dose.By == known.LimitBy ? Reckoned.Of(own, "%", Formulas.Stated, load)
                : Reckoned.Of(own, "%",
                    known.LimitBy == RatioBasis.Weight ? Formulas.LoadByWeight : Formulas.LoadByVolume, load, density, mix),
            known.LimitPercent, known.LimitBy, own > known.LimitPercent + Hair, Preparing.Of(dose.Colourant, several));
    }
}
