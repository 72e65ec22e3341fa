using MossLantern.Core.Documents;

namespace MossLantern.Core.Edits;

/// <summary>What one sitting pours is poured in another, and the one goes. What both pour from the same colour comes
/// from one cup.</summary>
/// <param name="Sitting">The sitting that goes.</param>
/// <param name="Into">The one that it goes into.</param>
public sealed record JoinSittings(string Sitting, string Into) : Edit
{
    /// <inheritdoc/>
    public override string Words(Piece before) => "pour two sittings as one";

    /// <inheritdoc/>
    public override Edited Apply(Piece piece, Cupboard cupboard)
    {
        ArgumentNullException.ThrowIfNull(piece);
        if ((Filling.Unknown(piece, Sitting) ?? Filling.Unknown(piece, Into)) is { } refused)
        {
            return refused;
        }

        if (Sitting == Into)
        {
            return piece;
        }

        var (from, into) = (piece.Sittings.Single(s => s.Id == Sitting), piece.Sittings.Single(s => s.Id == Into));
        var rest = into.Rest.AddRange(from.Rest);

        // What is poured whole, in its own colour, where the rest of its layer is poured needs no fill of its own.
        var fills = (into.Fills ?? []).AddRange(from.Fills ?? []);
        var alone = piece.Sittings.SelectMany(s => s.Fills ?? []).GroupBy(f => (f.LayerId, f.Region))
            .Where(g => g.Count() == 1).Select(g => g.Single().Id).ToHashSet();
        fills = fills.RemoveAll(f => rest.Contains(f.LayerId) && f.RecipeId is null && f.TakesMm is null && alone.Contains(f.Id));
        var order = (into.Order ?? []).AddRange(from.Order ?? []);
        return piece with
        {
            Sittings =
            [
                .. piece.Sittings.Where(s => s.Id != Sitting).Select(s => s.Id != Into ? s : s with
                {
                    Rest = rest, Fills = fills.IsEmpty ? null : fills, Order = order.IsEmpty ? null : [.. order.Distinct()], Batches = null,
                }),
            ],
        };
    }
}
