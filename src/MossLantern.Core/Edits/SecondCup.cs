using System.Collections.Immutable;
using MossLantern.Core.Documents;

namespace MossLantern.Core.Edits;

/// <summary>A pour of a sitting.</summary>
/// <param name="Layer">The layer of the region.</param>
/// <param name="Region">The region.</param>
/// <param name="Pass">Which pass of the sitting over it, from 0.</param>
public sealed record PourRef(string Layer, RegionId Region, int Pass = 0);

/// <summary>
/// Some pours of a colour come from a second cup, mixed as the first is: so a colour that is needed early and late can be of two batches.
/// </summary>
/// <param name="Sitting">The sitting.</param>
/// <param name="Recipe">The colour.</param>
/// <param name="Pours">What comes from the second cup.</param>
public sealed record SecondCup(string Sitting, string Recipe, ImmutableArray<PourRef> Pours) : Edit
{
    /// <inheritdoc/>
    public override string Words(Piece before) => "pour the later ones from a second cup";

    /// <inheritdoc/>
    public bool Equals(SecondCup? other) =>
        other is not null && (other.Sitting, other.Recipe) == (Sitting, Recipe) && Pours.AsSpan().SequenceEqual(other.Pours.AsSpan());

    /// <inheritdoc/>
    public override int GetHashCode() => HashCode.Combine(Sitting, Recipe, Pours.IsDefault ? 0 : Pours.Length);

    /// <inheritdoc/>
    public override Edited Apply(Piece piece, Cupboard cupboard)
    {
        ArgumentNullException.ThrowIfNull(piece);
        if (Filling.Unknown(piece, Sitting) is { } unknown)
        {
            return unknown;
        }

        if (piece.Recipes.FirstOrDefault(r => r.Id == Recipe) is not { } recipe)
        {
            return Edited.No(PlaceIn.Recipe(Recipe), "That colour is no longer there.");
        }

        if (Pours.IsDefaultOrEmpty || Pours.Length > Filling.MostRegions
            || Pours.Any(p => piece.Lined(p.Layer)?.Has(p.Region) != true))
        {
            return Edited.No(PlaceIn.Recipe(Recipe), "Name at least one pour of this colour that comes from its second cup.");
        }

        var first = recipe.SecondOf is { } id ? piece.Recipes.Single(r => r.Id == id) : recipe;
        var second = first
            .AnotherCup(FreeId.Of(first.Id, piece.Recipes.Select(r => r.Id)), 2 + piece.Recipes.Count(r => r.SecondOf == first.Id));
        var to = piece with { Recipes = piece.Recipes.Add(second) };
        foreach (var pour in Pours)
        {
            if (From(to, pour, second.Id) is not { } poured)
            {
                return Edited.No(PlaceIn.Region(pour.Layer, pour.Region), "This sitting does not pour that, or not in so many passes.");
            }

            to = poured;
        }

        return new(Settle.Of(piece, to), null, PlaceIn.Recipe(second.Id));
    }

    /// <summary>The piece with one pour from a cup; null where the sitting has no such pour.</summary>
    private Piece? From(Piece piece, PourRef pour, string cup)
    {
        var own = piece.Sittings.SelectMany(s => (s.Fills ?? []).Select(f => (Sitting: s.Id, Fill: f)))
            .Where(f => f.Fill.LayerId == pour.Layer && f.Fill.Region == pour.Region).ToList();
        if (own.Count == 0)
        {
            return pour.Pass == 0 && piece.SittingOf(pour.Layer).Id == Sitting
                ? Filling.On(piece, Sitting,
                    s => s with { Fills = (s.Fills ?? []).Add(new(Filling.FreeFill(piece), pour.Layer, pour.Region, CupId: cup)) })
                : null;
        }

        return own.Where(f => f.Sitting == Sitting).Skip(pour.Pass).Select(f => f.Fill).FirstOrDefault() is not { } pass
            || pour.Pass < 0 ? null
            : Filling.On(piece, Sitting,
                s => s with { Fills = [.. s.Fills!.Value.Select(f => f.Id == pass.Id ? f with { CupId = cup } : f)] });
    }
}

/// <summary>What comes from a second cup comes from the first again.</summary>
/// <param name="Recipe">The second cup.</param>
public sealed record OneCup(string Recipe) : Edit
{
    /// <inheritdoc/>
    public override string Words(Piece before) => "pour all of it from one cup";

    /// <inheritdoc/>
    public override Edited Apply(Piece piece, Cupboard cupboard)
    {
        ArgumentNullException.ThrowIfNull(piece);
        if (piece.Recipes.FirstOrDefault(r => r.Id == Recipe) is not { SecondOf: not null })
        {
            return Edited.No(PlaceIn.Recipe(Recipe), "This is not a second cup.");
        }

        // Poured whole with the rest of its layer again, a region needs no fill of its own.
        var only = piece.Sittings.SelectMany(s => s.Fills ?? []).GroupBy(f => (f.LayerId, f.Region))
            .Where(g => g.Count() == 1).Select(g => g.Key).ToHashSet();
        return Settle.Of(piece, Filling.Each(piece, s =>
        {
            ImmutableArray<Fill> left =
            [
                .. (s.Fills ?? []).Select(f => f.CupId == Recipe ? f with { CupId = null } : f).Where(f => !(
                    f is { RecipeId: null, CupId: null, DepthMm: null, Way: FillWay.Poured }
                        && s.Rest.Contains(f.LayerId) && only.Contains((f.LayerId, f.Region)))),
            ];
            return s with { Fills = left.IsEmpty ? null : left };
        }));
    }
}
