using System.Collections.Immutable;
using MossLantern.Core.Documents;
using MossLantern.Core.Map;
using MossLantern.Core.Materials;
using NodaTime;

namespace MossLantern.Core.Edits;

/// <summary>What the workshop has of its own that a change may take from.</summary>
/// <param name="Catalogue">Its materials.</param>
/// <param name="Sequences">Sequences of colours that are kept by name, by their ids.</param>
/// <param name="Pots">Pots of paint, by their ids.</param>
/// <param name="Moulds">The library of moulds, by their ids.</param>
/// <param name="Recipes">Recipes that are kept by name, by their ids.</param>
/// <param name="Mapper">Lays out what a change has to look at; null where nothing can be looked at.</param>
public sealed record Cupboard(
    Catalogue Catalogue, ImmutableDictionary<string, KeptSequence> Sequences, ImmutableDictionary<string, PaintPot> Pots,
    ImmutableDictionary<string, LibraryMould> Moulds, ImmutableDictionary<string, KeptRecipe> Recipes, LayerMapper? Mapper = null)
{
    /// <summary>How the person works.</summary>
    public Habits Habits { get; init; } = Habits.Usual;

    /// <summary>One with nothing but the typical materials.</summary>
    public static Cupboard Empty { get; } = Of(Surroundings.Usual(DateTimeZone.Utc).Catalogue);

    /// <summary>One with materials alone.</summary>
    public static Cupboard Of(Catalogue catalogue) =>
        new(catalogue, ImmutableDictionary<string, KeptSequence>.Empty, ImmutableDictionary<string, PaintPot>.Empty,
            ImmutableDictionary<string, LibraryMould>.Empty,
            ImmutableDictionary<string, KeptRecipe>.Empty);
}
