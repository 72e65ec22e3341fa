using System.Collections.Immutable;
using MossLantern.Core.Documents;
using MossLantern.Core.Shapes;

namespace MossLantern.Core.Edits;

/// <summary>One more insert stands in the mould, beside the others as far as there is room.</summary>
public sealed record StandInsert : GroundEdit
{
    private const double LeastMm = 5;

    private static readonly ImmutableArray<double> Places = [0.5, 0.25, 0.75, 0.38, 0.62];

    /// <inheritdoc/>
    public override string Words(Piece before) => "stand an insert in the mould";

    private protected override Ground? Change(Ground ground, Cupboard cupboard) =>
        ground.Mould is { } mould && ground.Outline is not DrawnOutline && (mould.Inserts ?? []).Length < Mould.MostInserts
        ? ground with { Mould = mould with { Inserts = (mould.Inserts ?? []).Add(Next(ground.Outline, mould.Inserts ?? [])) } } : null;

    private protected override string Place => "ground.mould.inserts";

    private protected override string Refusal =>
        FormattableString.Invariant($"Up to {Mould.MostInserts} inserts stand in a mould that is not drawn.");

    private static Insert Next(Outline outline, ImmutableArray<Insert> taken)
    {
        var across = Math.Max(LeastMm, Rounded.Whole(Math.Min(outline.BoxWidthMm, outline.BoxHeightMm) / 4));
        var id = FreeId.Of("insert", taken.Select(i => i.Id));
        return new(
            id, taken.IsEmpty ? "hollow" : FormattableString.Invariant($"hollow {taken.Length + 1}"), new RoundOutline(across),
            Rounded.Whole(outline.BoxWidthMm * Places[taken.Length % Places.Length] - across / 2),
            Rounded.Whole(outline.BoxHeightMm / 2 - across / 2), 0, 0);
    }
}
