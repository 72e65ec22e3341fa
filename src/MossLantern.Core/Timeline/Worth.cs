namespace MossLantern.Core.Timeline;

/// <summary>How good a way of cutting is: the fewer batches that no jug holds the better, then the fewer that cannot be poured, then the
/// fewer that do not fit, then the fewer batches, then the more time the worst cup has in hand.</summary>
/// <param name="TooLarge">Batches that no jug holds.</param>
/// <param name="Spoiled">Batches that get hot, or of which a cup is poured after its working time, those too.</param>
/// <param name="Unfit">Batches that do not fit, those too.</param>
/// <param name="Batches">Batches in all.</param>
/// <param name="InHand">The least that a cup has in hand, min.</param>
/// <remarks>Source: docs/craft/mixing.md, Batches.</remarks>
internal readonly record struct Worth(int TooLarge, int Spoiled, int Unfit, int Batches, double InHand) : IComparable<Worth>
{
    public static Worth Nothing { get; } = new(0, 0, 0, 0, double.PositiveInfinity);

    /// <summary>Worse than any.</summary>
    public static Worth None { get; } = new(int.MaxValue, int.MaxValue, int.MaxValue, int.MaxValue, double.NegativeInfinity);

    /// <summary>Whether a batch cannot be poured: a cup that has less in hand than is wanted still can.</summary>
    public static bool IsSpoiled(BatchTiming run) =>
        !run.CanBe && !(run.Fits == Timeline.Unfit.LateCup && run.LeastInHand >= 0);

    /// <summary>With one more batch.</summary>
    public Worth And(BatchTiming run) => new(
        TooLarge + (run.Fits == Timeline.Unfit.Jug ? 1 : 0),
        Spoiled + (IsSpoiled(run) ? 1 : 0),
        Unfit + (run.Fits == Timeline.Unfit.None ? 0 : 1), Batches + 1, Math.Min(InHand, run.LeastInHand));

    public int CompareTo(Worth other) =>
        (TooLarge, Spoiled, Unfit, Batches, -InHand).CompareTo((other.TooLarge, other.Spoiled, other.Unfit, other.Batches, -other.InHand));
}
