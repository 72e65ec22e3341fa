using System.Collections.Immutable;
using MossLantern.Core.Documents;
using MossLantern.Core.Materials;
using MossLantern.Core.Timeline;
using MossLantern.Core.Units;

namespace MossLantern.Core.Plans;

/// <summary>What a piece takes of one resin over all of its sittings, mixed as planned.</summary>
/// <param name="Resin">The resin's name.</param>
/// <param name="MixMl">All batches, ml.</param>
/// <param name="ResinMl">Resin, ml.</param>
/// <param name="HardenerMl">Hardener, ml.</param>
/// <param name="ResinG">Resin, g.</param>
/// <param name="HardenerG">Hardener, g.</param>
/// <param name="Unmeasured">Batches that are mixed by eye, and that are in no sum, by what is poured from them; empty for none.</param>
/// <remarks>Source: docs/craft/mixing.md, Sittings.</remarks>
public sealed record PieceNeed(string Resin, Reckoned MixMl, Reckoned ResinMl, Reckoned HardenerMl, Reckoned ResinG,
    Reckoned HardenerG, ImmutableArray<string> Unmeasured)
{
    /// <summary>What a piece takes, resin by resin in the order of its sittings; those that mix nothing are left out.</summary>
    /// <param name="piece">The piece.</param>
    /// <param name="sittings">What was worked out for its sittings.</param>
    /// <param name="catalogue">The workshop's materials.</param>
    public static ImmutableArray<PieceNeed> Of(Piece piece, ImmutableArray<SittingPlan> sittings, Catalogue catalogue)
    {
        ArgumentNullException.ThrowIfNull(piece);
        ArgumentNullException.ThrowIfNull(catalogue);
        var names = piece.Recipes.ToDictionary(r => r.Id, r => r.Name);
        var mixed = sittings.Where(s => !s.Batches.All.IsEmpty)
            .Select(s => Mixed(piece.Sittings.Single(k => k.Id == s.SittingId), s, catalogue));
        return [.. mixed.GroupBy(m => m.Resin).Select(g => new PieceNeed(
            g.Key, Sum(g, "ml", b => b.MixMl), Sum(g, "ml", b => b.Measured.ResinMl), Sum(g, "ml", b => b.Measured.HardenerMl),
            Sum(g, "g", b => b.Measured.ResinG), Sum(g, "g", b => b.Measured.HardenerG),
            [.. g.SelectMany(m => m.ByEye.Select(b => $"{m.Name}: {string.Join(", ", b.CupIds.Select(id => names[id]))}"))]))];
    }

    private readonly record struct OfSitting(string Resin, string Name, IReadOnlyList<BatchPlan> Measured, IReadOnlyList<BatchPlan> ByEye);

    /// <summary>A batch is as little known as the least known of its cups.</summary>
    private static OfSitting Mixed(Sitting sitting, SittingPlan plan, Catalogue catalogue)
    {
        var byEye = (sitting.CupChoices ?? []).Where(c => c.ByEye).Select(c => c.RecipeId).ToHashSet();
        var all = plan.Batches.All.ToLookup(b => b.CupIds.Any(byEye.Contains));
        return new(sitting.Resin.From(catalogue).Name, plan.Name, [.. all[false]], [.. all[true]]);
    }

    private static Reckoned Sum(IEnumerable<OfSitting> sittings, string unit, Func<BatchPlan, Reckoned> of)
    {
        ImmutableArray<ReckonedInput> each = [.. sittings.Where(s => s.Measured.Count > 0)
            .Select(s => new ReckonedInput(s.Name, s.Measured.Sum(b => of(b).Value), unit, Origin.Reckoned))];
        return new(each.Sum(e => e.Value), unit, Formulas.PieceVolume, each);
    }
}
