using MossLantern.Core.Documents;
using MossLantern.Core.Edits;
using MossLantern.Core.Materials;
using MossLantern.Core.Mixing;
using MossLantern.Core.Units;

namespace MossLantern.Core.Checks;

/// <summary>A cup with more colourant than its resin stands, or with paint that dulls it.</summary>
internal sealed class LoadHighCheck : ICheck
{
    public string Id => "load-high";

    public IEnumerable<Finding> Look(Looked looked)
    {
        HashSet<string> told = [];
        foreach (var pour in ToPour.Of(looked))
        {
            foreach (var cup in pour.Plan.Cups.Cups.Where(c => c.MixMl.Value > 0 && c.Doses.Over))
            {
                var recipe = looked.Piece.Recipes.Single(r => r.Id == cup.CupId);
                if (!told.Add(recipe.FirstId))
                {
                    continue;
                }

                var over = cup.Doses.All.FirstOrDefault(d => d.Over);
                yield return new(
                    Id, $"load-high@{recipe.FirstId}", Grade.Mend, "Too much colour",
                    over is null
                        ? $"The colourants of {recipe.Name} come to {{0}} together, and resin takes up to {{1}}: "
                            + "beyond that it stays weak or sticky."
                        : $"{recipe.Name} has {{0}} of {over.Name}, and resin takes up to {{1}}: beyond that it stays "
                            + "weak, sticky or streaked.",
                    [
                        over?.Load ?? cup.Doses.Total!,
                        ToPour.Limit("highest load", over?.LimitPercent ?? cup.Doses.TotalLimitPercent, "%"),
                    ],
                    pour.At(Station.Cups, cup.CupId),
                    [
                        Remedy.Of("less", "Cut it back to what resin takes",
                        [
                            .. Less(recipe, looked.Piece, looked.Around.Catalogue, pour.System).Doses
                                .Select((d, i) => (Dose: d, At: i)).Where(d => d.Dose.Percent != recipe.Doses[d.At].Percent)
                                .Select(d =>
                                    SetField.To(FormattableString.Invariant($"{PlaceIn.Recipe(recipe.FirstId)}.doses[{d.At}].percent"),
                                        d.Dose.Percent)),
                        ]),
                    ], Worth: over is { Load: { } load } ? load.Value / over.LimitPercent
                        : cup.Doses.Total!.Value / cup.Doses.TotalLimitPercent);
            }
        }
    }

    /// <summary>Each at its limit at most, and all together at theirs.</summary>
    private static Recipe Less(Recipe recipe, Piece piece, Catalogue catalogue, ResinSystem system)
    {
        var others = piece.Recipes.ToDictionary(r => r.Id);
        CupDoses Told(Recipe r) => CupDoses.Of(catalogue, r, 1, system.MixDensity, system.MixDensity, others);
        var first = Told(recipe);
        var to = recipe with
        {
            Doses = [.. recipe.Doses.Zip(first.All)
            .Select(d => d.Second is { Over: true, Load: { } load }
                ? d.First with { Percent = Down(d.First.Percent * d.Second.LimitPercent / load.Value) } : d.First)]
        };
        var all = Told(to);
        if (all is not { OverTotal: true, Total: { } total })
        {
            return to;
        }

        // What comes along with what it is filled from stays: its own colourants take what is left beside that.
        var own = total.Inputs.Take(to.Doses.Length).Sum(i => i.Value);
        var share = Math.Max(0, (all.TotalLimitPercent - (total.Value - own)) / own);
        return to with { Doses = [.. to.Doses.Select(d => d with { Percent = Down(d.Percent * share) })] };
    }

    private static double Down(double percent) => Math.Floor(percent * 1000 + 1e-6) / 1000;
}
