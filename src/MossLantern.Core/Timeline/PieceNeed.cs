using System.Collections.Immutable;
using MossLantern.Core.Documents;
using MossLantern.Core.Materials;
using MossLantern.Core.Units;

namespace MossLantern.Core.Timeline;

/// <summary>What a piece takes of one resin over all of its sittings, mixed as planned.</summary>
/// <param name="Resin">The resin's name.</param>
/// <param name="MixMl">All batches, ml.</param>
/// <param name="ResinMl">Resin, ml.</param>
/// <param name="HardenerMl">Hardener, ml.</param>
/// <param name="ResinG">Resin, g.</param>
/// <param name="HardenerG">Hardener, g.</param>
/// <remarks>Source: docs/craft/mixing.md, Sittings.</remarks>
public sealed record PieceNeed(string Resin, Reckoned MixMl, Reckoned ResinMl, Reckoned HardenerMl, Reckoned ResinG, Reckoned HardenerG)
{
    /// <summary>What a piece takes, resin by resin in the order of its sittings; those that mix nothing are left out.</summary>
    /// <param name="piece">The piece.</param>
    /// <param name="sittings">What was worked out for its sittings.</param>
    /// <param name="catalogue">The workshop's materials.</param>
    public static ImmutableArray<PieceNeed> Of(Piece piece, ImmutableArray<SittingPlan> sittings, Catalogue catalogue)
    {
        ArgumentNullException.ThrowIfNull(piece);
        ArgumentNullException.ThrowIfNull(catalogue);
        var mixed = sittings.Where(s => !s.Batches.All.IsEmpty).Select(s => (Sitting: s, Resin: piece.Sittings.Single(k => k.Id == s.SittingId).Resin.From(catalogue).Name));
        return [.. mixed.GroupBy(m => m.Resin, m => m.Sitting).Select(g => new PieceNeed(
            g.Key, Sum(g, "ml", b => b.MixMl), Sum(g, "ml", b => b.Measured.ResinMl), Sum(g, "ml", b => b.Measured.HardenerMl),
            Sum(g, "g", b => b.Measured.ResinG), Sum(g, "g", b => b.Measured.HardenerG)))];
    }

    private static Reckoned Sum(IEnumerable<SittingPlan> sittings, string unit, Func<BatchPlan, Reckoned> of)
    {
        ImmutableArray<ReckonedInput> each = [.. sittings.Select(s => new ReckonedInput(s.Name, s.Batches.All.Sum(b => of(b).Value), unit, Origin.Reckoned))];
        return new(each.Sum(e => e.Value), unit, Formulas.PieceVolume, each);
    }
}
