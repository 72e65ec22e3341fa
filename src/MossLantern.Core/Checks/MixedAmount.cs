using MossLantern.Core.Documents;
using MossLantern.Core.Pouring;

namespace MossLantern.Core.Checks;

/// <summary>A cup of which somebody has said how much is mixed.</summary>
internal static class MixedAmount
{
    public static IEnumerable<(ToPour Pour, CupChoice Choice, CupReach Reach, string Name)> Of(Looked looked) =>
        from pour in ToPour.Of(looked)
        from choice in pour.Sitting.CupChoices ?? []
        where choice.MixedMl is not null
        let reach = pour.Plan.Reach.FirstOrDefault(r => r.CupId == choice.RecipeId)
        where reach is not null
        select (pour, choice, reach, looked.Piece.Recipes.Single(r => r.Id == choice.RecipeId).Name);

    public static Remedy AsPlanned(ToPour pour, CupChoice choice) =>
        Remedy.Set("planned", "Mix the planned amount", $"{PlaceIn.Sitting(pour.Sitting.Id)}.cupChoices[{choice.RecipeId}].mixedMl", null);
}
