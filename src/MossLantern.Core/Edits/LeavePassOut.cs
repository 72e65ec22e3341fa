using System.Collections.Immutable;
using MossLantern.Core.Documents;

namespace MossLantern.Core.Edits;

/// <summary>A pass over a region goes; the last that is left takes all of what the region aims at.</summary>
/// <param name="Fill">The pass, by its id.</param>
public sealed record LeavePassOut(string Fill) : Edit
{
    /// <inheritdoc/>
    public override string Words(Piece before) => "leave a pass out";

    /// <inheritdoc/>
    public override Edited Apply(Piece piece, Cupboard cupboard)
    {
        ArgumentNullException.ThrowIfNull(piece);
        var all = piece.Sittings.SelectMany(s => (s.Fills ?? []).Select(f => (Sitting: s, Fill: f))).ToList();
        if (all.FirstOrDefault(f => f.Fill.Id == Fill) is not ({ } sitting, { } gone))
        {
            return Edited.No("sittings", "There is no such pass.");
        }

        var others = all.Where(f => f.Fill.Id != Fill && (f.Fill.LayerId, f.Fill.Region) == (gone.LayerId, gone.Region)).ToList();

        // One that is left, of the region's own colour and in the sitting of the rest, is no pass any more.
        var plain = others is [var only] && only.Fill is { RecipeId: null, Way: FillWay.Poured }
            && only.Sitting.Id == piece.SittingOf(gone.LayerId).Id ? only.Fill.Id : null;
        return Filling.Each(piece, s => s.Fills is not { } fills ? s : s with
        {
            Fills = fills.Where(f => f.Id != Fill && f.Id != plain)
                .Select(f => others is [var last] && f.Id == last.Fill.Id ? f with { DepthMm = null } : f)
                .ToImmutableArray() is { IsEmpty: false } left ? left : null,
        });
    }
}
