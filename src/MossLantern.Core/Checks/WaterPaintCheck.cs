using MossLantern.Core.Documents;
using MossLantern.Core.Edits;
using MossLantern.Core.Materials;
using MossLantern.Core.Units;

namespace MossLantern.Core.Checks;

/// <summary>Acrylic beyond what resin takes without getting dull.</summary>
internal sealed class WaterPaintCheck : ICheck
{
    /// <summary>More acrylic than this dulls and softens, %.</summary>
    public const double MostPercent = 6;

    public string Id => "water-paint";

    /// <summary>What is made for resin and looks alike.</summary>
    private static ColourantClass Instead(ColourantClass paint) =>
        paint == ColourantClass.AcrylicMetallic ? ColourantClass.MetallicPaste : ColourantClass.Paste;

    public IEnumerable<Finding> Look(Looked looked)
    {
        HashSet<string> told = [];
        foreach (var pour in ToPour.Of(looked))
        {
            foreach (var cup in pour.Plan.Cups.Cups.Where(c => c.MixMl.Value > 0 && !c.Doses.Over))
            {
                var recipe = looked.Piece.Recipes.Single(r => r.Id == cup.CupId);
                var paint = recipe.Doses.Zip(cup.Doses.All)
                    .FirstOrDefault(d => d.First.Colourant is ColourantClass.Acrylic or ColourantClass.AcrylicMetallic && !d.First.ByEye
                        && d.First.Percent > MostPercent);
                if (paint.First is null || !told.Add(recipe.FirstId))
                {
                    continue;
                }

                var (acrylic, paste) = (looked.Around.Catalogue.Of(paint.First.Colourant),
                    looked.Around.Catalogue.Of(Instead(paint.First.Colourant)));
                var asMuch = Math.Round(Math.Min(paste.LimitPercent, paint.First.Percent * acrylic.Cover / paste.Cover), 2);
                var at = recipe.Doses.IndexOf(paint.First);
                var percent = FormattableString.Invariant($"{PlaceIn.Recipe(recipe.FirstId)}.doses[{at}].percent");
                yield return new(
                    Id, $"water-paint@{recipe.FirstId}", Grade.Mind, "Water in the resin",
                    $"{recipe.Name} has {{0}} of acrylic: above {{1}} the water in it dulls and softens resin.",
                    [Reckoned.Of(paint.First.Percent, "%", Formulas.Stated,
                        new ReckonedInput("load", paint.First.Percent, "%", Origin.Own)), ToPour.Limit("most", MostPercent, "%")],
                    pour.At(Station.Cups, cup.CupId),
                    [
                        Remedy.Of("paste", $"Use {paste.Name}, enough to cover as much",
                            new ChooseColourant(recipe.FirstId, Instead(paint.First.Colourant), at), SetField.To(percent, asMuch)),
                        Remedy.Set("less", "Cut it back to what resin takes", percent, MostPercent),
                    ], Worth: paint.First.Percent);
            }
        }
    }
}
