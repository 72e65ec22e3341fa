using MossLantern.Core.Documents;
using MossLantern.Core.Materials;

namespace MossLantern.Core.Edits;

/// <summary>Something more has to dry before a layer is poured.</summary>
/// <param name="Layer">The layer.</param>
/// <param name="Kind">What it is.</param>
public sealed record AddDrying(string Layer, DryingKind Kind) : Edit
{
    /// <inheritdoc/>
    public override string Words(Piece before) => "add what has to dry";

    /// <inheritdoc/>
    public override Edited Apply(Piece piece, Cupboard cupboard)
    {
        ArgumentNullException.ThrowIfNull(piece);
        var all = piece.Dries ?? [];
        if (piece.Layers.All(l => l.Id != Layer))
        {
            return Edited.No(PlaceIn.Layer(Layer), "There is no such layer.");
        }

        if (!Enum.IsDefined(Kind) || all.Length >= Drying.Most)
        {
            return Edited.No("dries", $"Crackle paste, glue, a mask or something of one's own has to dry, up to {Drying.Most} of them.");
        }

        var id = FreeId.Of("dry", all.Select(d => d.Id).Concat((piece.Lines ?? []).Select(l => l.Id)));
        return new(piece with { Dries = all.Add(new(id, Kind, Layer)) }, Place: PlaceIn.Drying(id));
    }
}
