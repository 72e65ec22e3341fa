namespace MossLantern.Core.Units;

/// <summary>
/// How long a piece of work may go on. Whoever asks for it sets the bound; what takes long looks at it now and then. Without a
/// bound nothing stops. It follows the work into other threads, and never changes what is worked out.
/// </summary>
/// <remarks>Source: docs/architecture.md, The edges.</remarks>
public static class Effort
{
    private static readonly AsyncLocal<CancellationToken> Bound = new();

    /// <summary>Bounds everything that is done from here on in this flow of work.</summary>
    /// <param name="stop">Ends it.</param>
    public static void Until(CancellationToken stop) => Bound.Value = stop;

    /// <summary>Goes on, or ends where the bound is reached. Never called inside what is made once and kept by a lazy value.</summary>
    /// <exception cref="OperationCanceledException">The bound is reached.</exception>
    public static void Check() => Bound.Value.ThrowIfCancellationRequested();

    /// <summary>Whether the bound is reached, for what must not end by an exception.</summary>
    public static bool IsOver => Bound.Value.IsCancellationRequested;

    /// <summary>Does something for each of so many numbers, on every core, looking at the bound before each.</summary>
    /// <param name="count">How many; none does nothing.</param>
    /// <param name="work">Takes a number from 0.</param>
    /// <exception cref="OperationCanceledException">The bound is reached.</exception>
    public static void For(int count, Action<int> work) =>
        Parallel.For(0, count, new ParallelOptions { CancellationToken = Bound.Value }, work);
}
