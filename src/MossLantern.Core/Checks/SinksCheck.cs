using MossLantern.Core.Documents;
using MossLantern.Core.Edits;
using MossLantern.Core.Materials;
using MossLantern.Core.Units;

namespace MossLantern.Core.Checks;

/// <summary>Heavy paste or metallic over wet clear: it drops through and takes over the other face.</summary>
internal sealed class SinksCheck : ICheck
{
    public string Id => "sinks";

    public IEnumerable<Finding> Look(Looked looked)
    {
        HashSet<string> told = [];
        var recipes = looked.Piece.Recipes.ToDictionary(r => r.Id);
        foreach (var pour in ToPour.Of(looked))
        {
            // On clear that is poured in the same sitting: in an earlier pass, or as the film that lines lie on.
            var film = looked.Piece.Filled
                .Where(l => l.Layout is StripesLayout lines && recipes[lines.StartRecipeId].IsClear).Select(l => l.Id).ToHashSet();
            foreach (var region in pour.Plan.Cups.Regions)
            {
                var onClear = (film.Contains(region.LayerId) && region.RegionId != StripesLayout.StartId && region.Pass == 0)
                    || pour.Plan.Cups.Regions.Any(r => r.LayerId == region.LayerId && r.RegionId == region.RegionId
                        && r.Pass == region.Pass - 1 && recipes[r.CupId].IsClear);
                var recipe = recipes[region.CupId];
                if (!onClear || recipe.Doses.FirstOrDefault(d => Heavy(d, looked.Around.Catalogue)) is not { } dose
                    || !told.Add(recipe.FirstId))
                {
                    continue;
                }

                var known = looked.Around.Catalogue.Of(dose.Colourant, dose.ColourantId);
                yield return new(
                    Id, $"sinks@{recipe.FirstId}", Grade.Mind, "Sinks",
                    $"{recipe.Name} has {{0}} of {known.Name}, more than the usual {{1}}, and lies on wet clear: it "
                        + "will drop through to the other face.",
                    [
                        Reckoned.Of(dose.Percent, "%", Formulas.Stated, new ReckonedInput("load", dose.Percent, "%", Origin.Own)),
                        Reckoned.Of(known.UsualToPercent, "%", Formulas.Stated,
                            new ReckonedInput("usual load to", known.UsualToPercent, "%",
                                known.OriginOf(MaterialProperties.UsualToPercent))),
                    ],
                    new(Station.Cups, region.LayerId, CupId: region.CupId, SittingId: pour.Plan.SittingId),
                    [
                        Remedy.Of("less", "Use the usual load",
                        [
                            .. recipe.Doses.Select((d, i) => (Dose: d,
                                Place: FormattableString.Invariant($"{PlaceIn.Recipe(recipe.FirstId)}.doses[{i}].percent")))
                                .Where(d => Heavy(d.Dose, looked.Around.Catalogue))
                                .Select(d => SetField.To(d.Place,
                                    looked.Around.Catalogue.Of(d.Dose.Colourant, d.Dose.ColourantId).UsualToPercent)),
                        ]),
                    ], Worth: dose.Percent);
            }
        }
    }

    private static bool Heavy(Dose dose, Catalogue catalogue) =>
        dose is { ByEye: false, By: RatioBasis.Weight, Colourant: ColourantClass.Paste or ColourantClass.MetallicPaste }
        && dose.Percent > catalogue.Of(dose.Colourant, dose.ColourantId).UsualToPercent;
}
