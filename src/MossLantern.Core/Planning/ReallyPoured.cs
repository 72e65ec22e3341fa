using System.Collections.Immutable;
using MossLantern.Core.Documents;
using MossLantern.Core.Materials;
using MossLantern.Core.Mixing;
using MossLantern.Core.Pouring;
using MossLantern.Core.Timeline;

namespace MossLantern.Core.Planning;

/// <summary>
/// How deep passes really are that others lie over: what was poured of them by the log, where it is settled. So a pass that is added
/// later takes what its region still lacks.
/// </summary>
/// <remarks>Source: docs/craft/mixing.md, After a log.</remarks>
internal sealed class ReallyPoured
{
    /// <summary>A plan that differs by no more from what the log knew is still the same, as a share.</summary>
    private const double Same = 0.01;

    private readonly Piece piece;
    private readonly Catalogue catalogue;
    private readonly Dictionary<(string SittingId, RegionOf Of, int Pass), PouredAmount> amounts = [];

    /// <summary>What logs say.</summary>
    /// <param name="piece">The piece. Of one that is cast again and again each casting is poured as it is planned.</param>
    /// <param name="poured">What was really poured.</param>
    /// <param name="catalogue">The workshop's materials.</param>
    public ReallyPoured(Piece piece, IReadOnlyList<PouredSitting> poured, Catalogue catalogue)
    {
        (this.piece, this.catalogue) = (piece, catalogue);
        if (piece.Ground.Wanted > piece.Ground.AtOnce)
        {
            return;
        }

        foreach (var (sitting, amount) in poured.SelectMany(s => (s.Amounts ?? []).Select(a => (s.SittingId, a))))
        {
            amounts[(sitting, amount.Of, amount.Pass)] = amount;
        }
    }

    /// <summary>A pass as it was poured; as it is planned where that is not known, or more of it is still to come.</summary>
    /// <param name="planned">The pass.</param>
    /// <param name="whole">The same as if it filled all that its region aims at.</param>
    /// <param name="restAbove">Whether both it and one that lies over it take the rest: that one was added once this was poured.</param>
    public Portion Of(Portion planned, Portion whole, bool restAbove)
    {
        if (amounts.Count == 0 || !amounts.TryGetValue((planned.Layer.Sitting.Id, planned.Of, planned.Pass), out var amount))
        {
            return planned;
        }

        var now = Ml(planned);
        if (!amount.Done && !restAbove && amount.PlannedMl is { } then && Math.Abs(now - then) <= Same * then)
        {
            return planned;
        }

        // What runs over the edge is no part of the depth.
        var edge = Ml(whole with { Depths = [.. whole.Depths.Select(d => d with { DepthMm = 0 })] });
        var all = Ml(whole);
        var share = all > edge ? Math.Max(0, amount.Ml - edge) / (all - edge) : 0;
        return planned with { Depths = [.. whole.Depths.Select(d => d with { DepthMm = d.DepthMm * share })] };
    }

    private double Ml(Portion portion) => PouredVolumes.Of(piece,
        ImmutableDictionary<string, ImmutableArray<Portion>>.Empty
            .Add(portion.Layer.Sitting.Id, [portion]), catalogue)[portion.Layer.Sitting.Id][0].PourMl.Value;
}
