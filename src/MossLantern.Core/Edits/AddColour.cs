using System.Collections.Immutable;
using MossLantern.Core.Documents;

namespace MossLantern.Core.Edits;

/// <summary>A colour comes to those of the piece; nothing is poured from it yet.</summary>
/// <param name="Name">Its name; the id that it gets is made of it.</param>
/// <param name="Colour">Colour of its first colourant at full cover, as <c>#rrggbb</c>.</param>
/// <param name="Doses">What is stirred in, the first first; none for clear resin.</param>
public sealed record AddColour(string Name, string Colour, ImmutableArray<Dose> Doses) : Edit
{
    /// <summary>The change that brings a recipe which the piece does not have.</summary>
    public static AddColour Of(Recipe recipe)
    {
        ArgumentNullException.ThrowIfNull(recipe);
        return new(recipe.Name, recipe.Colour, recipe.Doses);
    }

    /// <summary>The id that a colour of a name gets among others.</summary>
    public static string IdOf(string name, IEnumerable<Recipe> among) => FreeId.Of(name, among.Select(r => r.Id));

    /// <inheritdoc/>
    public override string Words(Piece before) => "add a colour";

    /// <inheritdoc/>
    public bool Equals(AddColour? other) =>
        other is not null && (other.Name, other.Colour) == (Name, Colour) && Doses.AsSpan().SequenceEqual(other.Doses.AsSpan());

    /// <inheritdoc/>
    public override int GetHashCode() => HashCode.Combine(Name, Colour, Doses.IsDefault ? 0 : Doses.Length);

    /// <inheritdoc/>
    public override Edited Apply(Piece piece, Cupboard cupboard)
    {
        ArgumentNullException.ThrowIfNull(piece);
        if (Name is not { Length: > 0 and <= PieceValidator.LongestName } || Units.Colour.Parse(Colour) is null
            || !RecipeEdit.CanBeMixed(Doses))
        {
            return Edited.No("recipes",
                FormattableString.Invariant(
                    $"A colour has a name, a shade like #33523f, and up to {PieceValidator.MostDoses} colourants, each of a class."));
        }

        if (piece.Recipes.Length >= PieceValidator.MostRecipes)
        {
            return Edited.No("recipes", FormattableString.Invariant($"A piece has up to {PieceValidator.MostRecipes} colours."));
        }

        var id = IdOf(Name, piece.Recipes);
        return new(piece with { Recipes = piece.Recipes.Add(new(id, Name, Colour, Doses)) }, null, PlaceIn.Recipe(id));
    }
}

/// <summary>A colour that nothing is poured from goes.</summary>
/// <param name="Recipe">The colour.</param>
public sealed record PutColourAway(string Recipe) : Edit
{
    /// <inheritdoc/>
    public override string Words(Piece before) => "put a colour away";

    /// <inheritdoc/>
    public override Edited Apply(Piece piece, Cupboard cupboard)
    {
        ArgumentNullException.ThrowIfNull(piece);
        return piece.Recipes.FirstOrDefault(r => r.Id == Recipe) is not { } recipe
            ? Edited.No(PlaceIn.Recipe(Recipe), "That colour is no longer there.")
            : recipe.Frozen || Settle.IsNamed(piece, Recipe) || piece.Recipes.Length == 1
                ? Edited.No(PlaceIn.Recipe(Recipe), "It is frozen for an order, something is still poured from it, or it is the only one.")
            : piece with { Recipes = piece.Recipes.Remove(recipe) };
    }
}
