namespace MossLantern.Core.Shapes;

/// <summary>
/// Outlines that were worked with lately. A piece is read anew for every request while something of it is dragged; an
/// outline equal to one that is known is exchanged for that one, whose rings have been worked out. Safe to share between
/// threads.
/// </summary>
public sealed class KnownOutlines
{
    private const int Kept = 128;

    private readonly Recent<Outline, Outline> known = new(Kept);

    /// <summary>The outline that is known and equal to one, or that one, which is known from then on.</summary>
    /// <exception cref="ArgumentNullException">It is null.</exception>
    public T Of<T>(T outline)
        where T : Outline
    {
        ArgumentNullException.ThrowIfNull(outline);
        return (T)known.Of(outline, () => outline);
    }
}
