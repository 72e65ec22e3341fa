using System.Collections.Immutable;
using MossLantern.Core.Documents;
using MossLantern.Core.Mixing;
using MossLantern.Core.Units;

namespace MossLantern.Core.Edits;

/// <summary>A cup is given another colour as a whole: what it is called, and what is stirred into it; nothing for clear resin.</summary>
/// <param name="Recipe">The colour as it is now.</param>
/// <param name="Name">Its name.</param>
/// <param name="Colour">Colour of its first colourant at full cover, as <c>#rrggbb</c>.</param>
/// <param name="Doses">What is stirred in, the first first.</param>
public sealed record ChooseColour(string Recipe, string Name, string Colour, ImmutableArray<Dose> Doses) : RecipeEdit(Recipe)
{
    /// <inheritdoc/>
    public override string Words(Piece before) => "choose another colour";

    /// <inheritdoc/>
    public bool Equals(ChooseColour? other) =>
        other is not null && (other.Recipe, other.Name, other.Colour) == (Recipe, Name, Colour)
            && Doses.AsSpan().SequenceEqual(other.Doses.AsSpan());

    /// <inheritdoc/>
    public override int GetHashCode() => HashCode.Combine(Recipe, Name, Colour, Doses.IsDefault ? 0 : Doses.Length);

    private protected override Edited Change(Piece piece, Recipe recipe, Cupboard cupboard)
    {
        if (!CanBeMixed(Doses))
        {
            return Edited.No(PlaceIn.Recipe(Recipe) + ".doses",
                FormattableString.Invariant($"A colour is mixed from up to {PieceValidator.MostDoses} colourants, each of a class."));
        }

        return Name is null || Units.Colour.Parse(Colour) is null ? Edited.No(PlaceIn.Recipe(Recipe) + ".colour", Recolour.Written)
            : Settle.Of(piece, With(piece, recipe, Doses.IsEmpty
                ? Documents.Recipe.Clear(recipe.Id) with { Frozen = recipe.Frozen }
                : new(recipe.Id, Name, Colour, Doses, Frozen: recipe.Frozen)));
    }
}

/// <summary>A cup is given another shade of what it is tinted with. A name that is only a word for a colour goes with it.</summary>
/// <param name="Recipe">The colour.</param>
/// <param name="Colour">The shade, as <c>#rrggbb</c>.</param>
/// <param name="Name">What it is called from now on; null for what goes with the shade.</param>
public sealed record Recolour(string Recipe, string Colour, string? Name = null) : RecipeEdit(Recipe)
{
    /// <summary>How a colour is written.</summary>
    internal const string Written = "A colour must be written like #33523f.";

    /// <inheritdoc/>
    public override string Words(Piece before) => "choose another shade";

    /// <inheritdoc/>
    public override Edit? Merge(Edit next) =>
        next is Recolour other && other.Recipe == Recipe && (Name is null || other.Name is not null) ? other : null;

    private protected override Edited Change(Piece piece, Recipe recipe, Cupboard cupboard)
    {
        var place = PlaceIn.Recipe(Recipe) + ".colour";
        if (Units.Colour.Parse(Colour) is not { } to)
        {
            return Edited.No(place, Written);
        }

        if (recipe.Of is not null || recipe.Doses is not [var dose])
        {
            return Edited.No(place, recipe.Of is null && recipe.Doses.IsEmpty
                ? "Clear resin has no shade: choose a colourant first."
                : "It is mixed from several colours, and its colour comes from theirs.");
        }

        // Of another shade it is another colourant than the one in the cupboard.
        var known = cupboard.Catalogue.Of(dose.Colourant, dose.ColourantId);
        return With(piece, recipe, recipe with
        {
            Colour = Colour,
            Seen = null,
            Name = Name ?? (Palette.IsWord(recipe.Name)
                ? WordFor(to, [.. piece.Recipes.Where(r => r.Id != recipe.Id).Select(r => r.Name)]) : recipe.Name),
            Doses = [dose with { Colour = null, ColourantId = known.Colour is null ? dose.ColourantId : null }],
        });
    }

    /// <summary>The word for a shade; with a number where another colour of the piece is called so.</summary>
    private static string WordFor(Colour colour, HashSet<string> taken)
    {
        var word = Palette.WordFor(colour);
        return Enumerable.Range(1, taken.Count + 1)
            .Select(n => n == 1 ? word : FormattableString.Invariant($"{word} {n}")).First(n => !taken.Contains(n));
    }
}
