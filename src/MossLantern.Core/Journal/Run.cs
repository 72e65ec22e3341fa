using System.Collections.Immutable;
using MossLantern.Core.Documents;
using NodaTime;

namespace MossLantern.Core.Journal;

/// <summary>What was done in one go at the bench.</summary>
/// <param name="Id">Its id.</param>
/// <param name="Version">Counts its saves, from 1.</param>
/// <param name="Parts">The sittings that were poured; of none, a run without a plan.</param>
public sealed record Run(string Id, int Version, ImmutableArray<RunPart> Parts);

/// <summary>A sitting of a piece, as a part of a run.</summary>
/// <param name="PieceId">The piece.</param>
/// <param name="SittingId">The sitting.</param>
/// <param name="Revision">The revision of the piece that was poured; null where it is not known.</param>
public sealed record RunPart(string PieceId, string SittingId, int? Revision = null);

/// <summary>An amount that was poured at once.</summary>
/// <param name="Ml">How much, ml; null where nobody noted it.</param>
/// <param name="Copy">Into which copy, from 1; null for all of them.</param>
/// <param name="At">When; null where nobody noted it.</param>
public sealed record PouredOnce(double? Ml, int? Copy = null, Instant? At = null);

/// <summary>One pour of a run: planned beside poured.</summary>
/// <param name="LayerId">The layer of the region.</param>
/// <param name="RegionId">The region.</param>
/// <param name="ColourName">Name of the colour when it was logged; empty where it was poured without a plan.</param>
/// <param name="PlannedMl">What the plan said when it was logged, ml; null where it said nothing.</param>
/// <param name="Poured">What was poured, pour by pour; empty where nobody noted anything.</param>
/// <param name="Pass">Which pass over the region, from 0.</param>
/// <param name="ThatIsAll">Whether the person said that no more of it comes.</param>
public sealed record LoggedPour(string LayerId, RegionId RegionId, string ColourName, double? PlannedMl,
    ImmutableArray<PouredOnce> Poured, int Pass = 0, bool ThatIsAll = false)
{
    /// <summary>From this share of what was planned on a pour is done.</summary>
    public const double DoneShare = 0.9;

    /// <summary>A pour of which one amount was noted, or none.</summary>
    public static LoggedPour Of(string layerId, RegionId regionId, string colourName, double? plannedMl, double? pouredMl, int pass = 0) =>
        new(layerId, regionId, colourName, plannedMl, pouredMl is { } ml ? [new(ml)] : [], pass);

    /// <summary>The region, and whose it is.</summary>
    public RegionOf Region => new(LayerId, RegionId);

    /// <summary>All that was poured, ml; null where no amount is known.</summary>
    public double? PouredMl => Poured.All(p => p.Ml is null) ? null : Poured.Sum(p => p.Ml ?? 0);

    /// <summary>Whether it is done: nearly all of what was planned was poured, or the person said that it is all.</summary>
    public bool Done => ThatIsAll || (PouredMl is > 0 and var ml && ml >= DoneShare * (PlannedMl ?? 0));

    /// <inheritdoc/>
    public bool Equals(LoggedPour? other) => other is not null
        && (other.LayerId, other.RegionId, other.ColourName, other.PlannedMl, other.Pass, other.ThatIsAll) == (LayerId, RegionId,
            ColourName, PlannedMl, Pass, ThatIsAll)
        && Poured.AsSpan().SequenceEqual(other.Poured.AsSpan());

    /// <inheritdoc/>
    public override int GetHashCode() => HashCode.Combine(LayerId, RegionId, Pass, PlannedMl);
}

/// <summary>What a run tells of one sitting.</summary>
/// <param name="RunId">The run.</param>
/// <param name="Version">Its version, from 1; 0 for one that is not kept yet.</param>
/// <param name="Part">The sitting.</param>
/// <param name="Start">First pour.</param>
/// <param name="End">Last pour; null where nobody noted it.</param>
/// <param name="RoomC">Room temperature, °C; null where nobody read it.</param>
/// <param name="Note">A note; may be empty.</param>
/// <param name="Pours">Its pours in order.</param>
public sealed record LoggedSitting(
    string RunId, int Version, RunPart Part, Instant Start, Instant? End, double? RoomC, string Note, ImmutableArray<LoggedPour> Pours)
{
    /// <summary>The piece.</summary>
    public string PieceId => Part.PieceId;

    /// <summary>The sitting of it.</summary>
    public string SittingId => Part.SittingId;

    /// <summary>The regions that are done, in every pass; null where nothing was noted of any, which counts as all.</summary>
    public ImmutableArray<RegionOf>? PouredRegions => Pours.All(p => p.PouredMl is null && !p.ThatIsAll) ? null
        : [.. Pours.GroupBy(p => p.Region).Where(g => g.All(p => p.Done)).Select(g => g.Key)];
}

/// <summary>What logs tell of a piece.</summary>
public static class Logged
{
    /// <summary>Whether a layer is done: every sitting that fills something of it is in the journal, and each of its
    /// regions was poured.</summary>
    public static bool IsDone(Piece piece, Layer layer, ImmutableArray<LoggedSitting> logged)
    {
        ArgumentNullException.ThrowIfNull(piece);
        ArgumentNullException.ThrowIfNull(layer);
        var filling = piece.SittingsOf(layer).ToList();
        return filling.Count > 0 && filling.All(s => logged.LastOrDefault(r => r.SittingId == s.Id) is { } run
            && (run.PouredRegions is not { } regions || run.Pours.Where(p => p.LayerId == layer.Id).All(p => regions.Contains(p.Region))));
    }

    /// <summary>Whether something of a layer was poured, and not all.</summary>
    public static bool IsBegun(Piece piece, Layer layer, ImmutableArray<LoggedSitting> logged)
    {
        ArgumentNullException.ThrowIfNull(piece);
        ArgumentNullException.ThrowIfNull(layer);
        return !IsDone(piece, layer, logged) && piece.SittingsOf(layer).Any(s => logged.LastOrDefault(r => r.SittingId == s.Id) is { } run
            && (run.PouredRegions is null || run.Pours.Any(p => p.LayerId == layer.Id && (p.Done || p.PouredMl > 0))));
    }

    /// <summary>How many copies of a piece a sitting has still to pour, of so many castings that are done.</summary>
    internal static int CopiesLeft(Piece piece, Sitting sitting, int castings) =>
        Math.Max(0, piece.Ground.Wanted - castings * Math.Clamp(sitting.Copies ?? piece.Ground.AtOnce, 1,
            Math.Max(1, piece.Ground.Wanted)));

    /// <summary>The layers that something was poured of.</summary>
    public static IEnumerable<string> LayerIds(Piece piece, ImmutableArray<LoggedSitting> logged)
    {
        ArgumentNullException.ThrowIfNull(piece);
        var sittings = logged.Select(r => r.SittingId).ToHashSet();
        return piece.Sittings.Where(s => sittings.Contains(s.Id)).SelectMany(s => s.LayerIds);
    }
}
