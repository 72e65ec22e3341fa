using System.Collections.Immutable;
using MossLantern.Core.Documents;
using MossLantern.Core.Materials;

namespace MossLantern.Core.Edits;

/// <summary>A change of what a colour is mixed from.</summary>
/// <param name="Recipe">The colour.</param>
public abstract record RecipeEdit(string Recipe) : Edit
{
    /// <summary>What is said where a colour, or what is in it, is not there by now.</summary>
    private protected const string Gone = "That colour is no longer there, or has no such colourant.";

    /// <inheritdoc/>
    public sealed override Edited Apply(Piece piece, Cupboard cupboard)
    {
        ArgumentNullException.ThrowIfNull(piece);
        ArgumentNullException.ThrowIfNull(cupboard);
        return piece.Recipes.FirstOrDefault(r => r.Id == Recipe) is not { } recipe ? Edited.No(PlaceIn.Recipe(Recipe), Gone)

            // A second cup is mixed as its first is: the two change together.
            : recipe.SecondOf is { } first ? (this with { Recipe = first }).Apply(piece, cupboard)
            : Change(piece, recipe, cupboard);
    }

    /// <summary>The piece with the colour changed, or why it cannot be.</summary>
    private protected abstract Edited Change(Piece piece, Recipe recipe, Cupboard cupboard);

    /// <summary>A piece with a colour in place of another.</summary>
    private protected static Piece With(Piece piece, Recipe recipe, Recipe to) =>
        piece with { Recipes = piece.Recipes.Replace(recipe, to) };

    /// <summary>Doses in the order in which they go in: what is stirred in for long first, glitter and lacing last.</summary>
    private protected static ImmutableArray<Dose> InTurn(IEnumerable<Dose> doses) =>
        [.. doses.OrderBy(d => Mixing.Preparing.Turn(d.Colourant))];

    /// <summary>Whether doses can be stirred into a colour: not too many of them, each of a class, and each colour one.</summary>
    internal static bool CanBeMixed(ImmutableArray<Dose> doses) => !doses.IsDefault && doses.Length <= PieceValidator.MostDoses
        && doses.All(d => d is not null && Enum.IsDefined(d.Colourant) && (d.Colour is null || Units.Colour.Parse(d.Colour) is not null));

    /// <summary>How much of a colourant goes in to begin with, %.</summary>
    private protected static double Usual(Colourant known) => Math.Min(known.UsualFromPercent, known.LimitPercent);
}

/// <summary>A change of one colourant of a colour.</summary>
/// <param name="Recipe">The colour.</param>
/// <param name="Dose">Which of its colourants, from 0.</param>
public abstract record DoseEdit(string Recipe, int Dose) : RecipeEdit(Recipe)
{
    /// <summary>Where it stands.</summary>
    private protected string Place => FormattableString.Invariant($"{PlaceIn.Recipe(Recipe)}.doses[{Dose}].percent");

    private protected sealed override Edited Change(Piece piece, Recipe recipe, Cupboard cupboard) =>
        Dose >= 0 && Dose < recipe.Doses.Length ? Change(piece, recipe, recipe.Doses[Dose], cupboard)
            : Edited.No(PlaceIn.Recipe(Recipe), Gone);

    /// <summary>The piece with the colourant changed, or why it cannot be.</summary>
    private protected abstract Edited Change(Piece piece, Recipe recipe, Dose dose, Cupboard cupboard);

    /// <summary>A recipe with a dose of another amount.</summary>
    private protected Recipe With(Recipe recipe, double percent, bool byEye = false) =>
        recipe with { Doses = recipe.Doses.SetItem(Dose, recipe.Doses[Dose] with { Percent = percent, ByEye = byEye }) };
}
