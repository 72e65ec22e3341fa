using System.Collections.Immutable;
using MossLantern.Core.Documents;
using MossLantern.Core.Edits;
using MossLantern.Core.Map;
using MossLantern.Data;

namespace MossLantern.Web.Hosting;

/// <summary>What the workshop has of its own, for changes that take from it; what none of them takes from is not read.</summary>
public sealed class WorkshopCupboard(SequenceStore sequences, PotStore pots, MouldStore moulds, RecipeStore recipes,
    LayerMapper mapper, WorkshopSurroundings around)
{
    /// <summary>What some changes may take from.</summary>
    /// <param name="commands">The changes.</param>
    public Cupboard For(ImmutableArray<Edit> commands) => Cupboard.Of(around.Catalogue) with
    {
        Sequences = Read(sequences, commands.Any(c => c is LaySequence)),
        Pots = Read(pots, commands.Any(c => c is TintFromPot or PaintFromPot)),
        Moulds = Read(moulds, commands.Any(c => c is CastInMoulds)),
        Recipes = Read(recipes, commands.Any(c => c is TakeRecipe)),
        Mapper = mapper,
        Habits = around.Now.Habits,
    };

    private static ImmutableDictionary<string, T> Read<T>(CupboardStore<T> store, bool taken) =>
        taken ? store.All().ToImmutableDictionary(s => s.Id, s => s.Thing) : ImmutableDictionary<string, T>.Empty;
}
