namespace MossLantern.Core.Timeline;

/// <summary>How good a way of cutting is: the fewer batches that cannot be poured the better, then the fewer that do not fit, then
/// the fewer batches, then the more time the worst cup has in hand.</summary>
/// <param name="Spoiled">Batches that no jug holds, that get hot, or of which a cup is poured after its working time.</param>
/// <param name="Unfit">Batches that do not fit, those too.</param>
/// <param name="Batches">Batches in all.</param>
/// <param name="InHand">The least that a cup has in hand, min.</param>
/// <remarks>Source: docs/craft/mixing.md, Batches.</remarks>
internal readonly record struct Worth(int Spoiled, int Unfit, int Batches, double InHand) : IComparable<Worth>
{
    public static Worth Nothing { get; } = new(0, 0, 0, double.PositiveInfinity);

    /// <summary>With one more batch.</summary>
    public Worth And(BatchTiming run) => new(
        Spoiled + (run.CanBe || (run.Fits == Timeline.Unfit.LateCup && run.LeastInHand >= 0) ? 0 : 1),
        Unfit + (run.Fits == Timeline.Unfit.None ? 0 : 1), Batches + 1, Math.Min(InHand, run.LeastInHand));

    public int CompareTo(Worth other) =>
        Spoiled != other.Spoiled ? Spoiled.CompareTo(other.Spoiled) : Unfit != other.Unfit ? Unfit.CompareTo(other.Unfit)
            : Batches != other.Batches ? Batches.CompareTo(other.Batches) : other.InHand.CompareTo(InHand);
}
