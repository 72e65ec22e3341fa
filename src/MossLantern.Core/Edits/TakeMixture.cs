using System.Collections.Immutable;
using MossLantern.Core.Documents;

namespace MossLantern.Core.Edits;

/// <summary>A colour is mixed from other colourants than before, all of them at once.</summary>
/// <param name="Recipe">The colour.</param>
/// <param name="Doses">What is stirred into it; each with its colour.</param>
public sealed record TakeMixture(string Recipe, ImmutableArray<Dose> Doses) : RecipeEdit(Recipe)
{
    /// <inheritdoc/>
    public override string Words(Piece before) => "mix it from others";

    /// <inheritdoc/>
    public bool Equals(TakeMixture? other) =>
        other is not null && other.Recipe == Recipe && Doses.AsSpan().SequenceEqual(other.Doses.AsSpan());

    /// <inheritdoc/>
    public override int GetHashCode() => HashCode.Combine(Recipe, Doses.IsDefault ? 0 : Doses.Length);

    private protected override Edited Change(Piece piece, Recipe recipe, Cupboard cupboard) =>
        Doses.IsDefaultOrEmpty || !CanBeMixed(Doses) || Doses.Any(d => d.Colour is null)
            ? Edited.No($"{PlaceIn.Recipe(Recipe)}.doses",
                FormattableString.Invariant(
                    $"A colour is mixed from 1 to {PieceValidator.MostDoses} colourants, each of a class and with its colour."))
            : With(piece, recipe, recipe with { Doses = InTurn(Doses), Colour = InTurn(Doses)[0].Colour!, Trials = null });
}
