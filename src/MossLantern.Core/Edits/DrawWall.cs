using System.Collections.Immutable;
using MossLantern.Core.Documents;
using MossLantern.Core.Shapes;
using MossLantern.Core.Units;

namespace MossLantern.Core.Edits;

/// <summary>A wall between pools, or through another layout, as it was drawn by hand: thinned to what its course needs.</summary>
/// <param name="Layer">The layer.</param>
/// <param name="Zone">The zone of it; null for the layer as a whole.</param>
/// <param name="Spots">Where the hand went.</param>
/// <param name="WidthMm">How wide it is laid, mm; null for as the one before, or as usual.</param>
public sealed record DrawWall(string Layer, string? Zone, ImmutableArray<Spot> Spots, double? WidthMm = null)
    : LayoutEdit(Layer, Zone)
{
    /// <summary>Most spots that a hand draws at once.</summary>
    public const int MostSpots = 20_000;

    /// <summary>How wide a wall is laid where nobody says otherwise, mm.</summary>
    public const double UsualMm = 3;

    private const double ToleranceMm = 0.8;

    /// <inheritdoc/>
    public override string Words(Piece before) => "draw a wall";

    /// <inheritdoc/>
    public bool Equals(DrawWall? other) => other is not null && base.Equals(other) && WidthMm == other.WidthMm
        && Spots.AsSpan().SequenceEqual(other.Spots.AsSpan());

    /// <inheritdoc/>
    public override int GetHashCode() => HashCode.Combine(base.GetHashCode(), Spots.IsDefault ? 0 : Spots.Length);

    private protected override Edited Change(LaidOut laid, Cupboard cupboard) =>
        MayBeDrawn(Spots) ? With(laid, Thinned(Spots), cupboard, WidthMm) : Edited.No("lines", Sentence);

    /// <summary>What a hand may draw.</summary>
    internal static string Sentence { get; } =
        FormattableString.Invariant($"A line goes through 2 to {MostSpots} spots, each {Accepted.PlaceMm.Words}.");

    /// <summary>Whether a hand may have drawn it.</summary>
    internal static bool MayBeDrawn(ImmutableArray<Spot> spots) => spots is { IsDefault: false, Length: >= 2 and <= MostSpots }
        && spots.All(s => Accepted.PlaceMm.Contains(s.XMm) && Accepted.PlaceMm.Contains(s.YMm));

    /// <summary>A wall through spots.</summary>
    internal static Edited With(LaidOut laid, IEnumerable<Spot> spots, Cupboard cupboard, double? widthMm = null) =>
        Along(laid, new DrawnCourse([.. spots.Select(Rounded.Tenth)]), cupboard, widthMm);

    /// <summary>A wall along a course.</summary>
    internal static Edited Along(LaidOut laid, Course course, Cupboard cupboard, double? widthMm = null)
    {
        // A new wall is laid as the one before was.
        var like = laid.Lines.LastOrDefault(l => l.IsBarrier);
        var (with, line) = laid.WithLine("wall", course,
            (like?.Section ?? new(UsualMm)) is var section && widthMm is { } wide ? section with { WidthMm = wide } : section,
            like?.Material ?? new BarrierLine(Usual(cupboard)));
        return line is null ? Edited.No("lines", $"A piece has up to {Line.Most} lines.") : with.DoneAt(line.Place);
    }

    /// <summary>What the person lays walls of; null where that is said of each.</summary>
    private static BarrierClass? Usual(Cupboard cupboard) => Enum.GetValues<BarrierClass>().Cast<BarrierClass?>()
        .FirstOrDefault(c => c!.Value.MaterialId == cupboard.Habits.WallsOf);

    /// <summary>Without the spots that lie within a tolerance of the line without them: the farthest of each stretch stays.</summary>
    internal static List<Spot> Thinned(ImmutableArray<Spot> spots)
    {
        var stays = new bool[spots.Length];
        stays[0] = stays[^1] = true;
        var stretches = new Stack<(int From, int To)>([(0, spots.Length - 1)]);
        while (stretches.TryPop(out var stretch))
        {
            var (from, to) = stretch;
            var (worst, far) = (0, ToleranceMm);
            for (var i = from + 1; i < to; i++)
            {
                var off = Off(spots[from], spots[to], spots[i]);
                (worst, far) = off > far ? (i, off) : (worst, far);
            }

            if (worst > 0)
            {
                stays[worst] = true;
                stretches.Push((from, worst));
                stretches.Push((worst, to));
            }
        }

        return [.. spots.Where((_, i) => stays[i])];
    }

    private static double Off(Spot from, Spot to, Spot at)
    {
        double dx = to.XMm - from.XMm, dy = to.YMm - from.YMm, length = double.Hypot(dx, dy);
        return length > 0 ? Math.Abs((at.XMm - from.XMm) * dy - (at.YMm - from.YMm) * dx) / length
            : double.Hypot(at.XMm - from.XMm, at.YMm - from.YMm);
    }
}
