using MossLantern.Core.Documents;

namespace MossLantern.Core.Edits;

/// <summary>A change of one thing that is wanted otherwise of one cup of a sitting; the others stay as they are.</summary>
/// <param name="Sitting">The sitting.</param>
/// <param name="Recipe">The cup, by its recipe.</param>
public abstract record CupEdit(string Sitting, string Recipe) : Edit
{
    /// <summary>Where what is wanted of the cup stands.</summary>
    private protected string Place => $"{PlaceIn.Sitting(Sitting)}.cupChoices[{Recipe}]";

    /// <inheritdoc/>
    public sealed override Edited Apply(Piece piece, Cupboard cupboard)
    {
        ArgumentNullException.ThrowIfNull(piece);
        if (Filling.Unknown(piece, Sitting) is { } unknown)
        {
            return unknown;
        }

        if (piece.Recipes.All(r => r.Id != Recipe))
        {
            return Edited.No(PlaceIn.Recipe(Recipe), "That colour is no longer there.");
        }

        return Refused ?? Filling.On(piece, Sitting, s => s with
        {
            CupChoices = [.. (s.CupChoices ?? []).Where(c => c.RecipeId != Recipe),
                Change((s.CupChoices ?? []).FirstOrDefault(c => c.RecipeId == Recipe) ?? new(Recipe))],
        });
    }

    /// <summary>Why it cannot be; null where it can.</summary>
    private protected virtual Edited? Refused => null;

    /// <summary>What is wanted of the cup with the change made. What is wanted no more goes by itself.</summary>
    private protected abstract CupChoice Change(CupChoice choice);

    /// <summary>Whether another is a change of the same cup.</summary>
    private protected bool IsOfTheSame(CupEdit other) => (other.Sitting, other.Recipe) == (Sitting, Recipe);
}

/// <summary>A cup has a reserve of its own, or that of its sitting.</summary>
/// <param name="Sitting">The sitting.</param>
/// <param name="Recipe">The cup, by its recipe.</param>
/// <param name="Percent">Reserve in it, %; null for that of the sitting.</param>
public sealed record ReserveInCup(string Sitting, string Recipe, double? Percent) : CupEdit(Sitting, Recipe)
{
    /// <inheritdoc/>
    public override string Words(Piece before) => "set the reserve of a cup";

    /// <inheritdoc/>
    public override Edit? Merge(Edit next) => next is ReserveInCup other && IsOfTheSame(other) ? other : null;

    private protected override CupChoice Change(CupChoice choice) => choice with { ReservePercent = Percent };
}

/// <summary>Something of a cup is held back by name, or nothing is.</summary>
/// <param name="Sitting">The sitting.</param>
/// <param name="Recipe">The cup, by its recipe.</param>
/// <param name="For">What for; null where nothing is.</param>
/// <param name="Ml">How much, ml; null for nothing.</param>
public sealed record HoldBack(string Sitting, string Recipe, string? For, double? Ml) : CupEdit(Sitting, Recipe)
{
    /// <inheritdoc/>
    public override string Words(Piece before) => Ml is null ? "hold nothing back" : "hold some back";

    /// <inheritdoc/>
    public override Edit? Merge(Edit next) => next is HoldBack other && IsOfTheSame(other) ? other : null;

    private protected override Edited? Refused =>
        Ml is not null && string.IsNullOrWhiteSpace(For) ? Edited.No($"{Place}.heldBack.name", "Enter what it is held back for.") : null;

    private protected override CupChoice Change(CupChoice choice) => choice with { HeldBack = Ml is { } ml ? new(For!.Trim(), ml) : null };
}

/// <summary>So much is really mixed in a cup, measured; or as much as is planned.</summary>
/// <param name="Sitting">The sitting.</param>
/// <param name="Recipe">The cup, by its recipe.</param>
/// <param name="Ml">How much, ml; null for as much as is planned.</param>
public sealed record MixInCup(string Sitting, string Recipe, double? Ml) : CupEdit(Sitting, Recipe)
{
    /// <inheritdoc/>
    public override string Words(Piece before) => Ml is null ? "mix as much as is planned" : "mix another amount";

    /// <inheritdoc/>
    public override Edit? Merge(Edit next) => next is MixInCup other && IsOfTheSame(other) ? other : null;

    private protected override CupChoice Change(CupChoice choice) => choice with { MixedMl = Ml, ByEye = false };
}

/// <summary>Nobody measures how much is mixed in a cup, or somebody does.</summary>
/// <param name="Sitting">The sitting.</param>
/// <param name="Recipe">The cup, by its recipe.</param>
/// <param name="ByEye">Whether nobody does.</param>
public sealed record MixByEye(string Sitting, string Recipe, bool ByEye) : CupEdit(Sitting, Recipe)
{
    /// <inheritdoc/>
    public override string Words(Piece before) => ByEye ? "mix a cup by eye" : "measure a cup";

    /// <inheritdoc/>
    public override Edit? Merge(Edit next) => next is MixByEye other && IsOfTheSame(other) ? other : null;

    private protected override CupChoice Change(CupChoice choice) => choice with { ByEye = ByEye, MixedMl = ByEye ? null : choice.MixedMl };
}
