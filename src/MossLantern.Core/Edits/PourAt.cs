using MossLantern.Core.Documents;
using MossLantern.Core.Units;
using NodaTime;

namespace MossLantern.Core.Edits;

/// <summary>A sitting is poured at another time; it lasts as long as it was to last.</summary>
/// <param name="Sitting">The sitting.</param>
/// <param name="Start">When it starts, in the workshop's local time.</param>
public sealed record PourAt(string Sitting, LocalDateTime Start) : Edit
{
    /// <inheritdoc/>
    public override string Words(Piece before) => "pour at another time";

    /// <inheritdoc/>
    public override Edit? Merge(Edit next) => next is PourAt other && other.Sitting == Sitting ? other : null;

    /// <inheritdoc/>
    public override Edited Apply(Piece piece, Cupboard cupboard)
    {
        ArgumentNullException.ThrowIfNull(piece);
        return Filling.Unknown(piece, Sitting)
            ?? (Accepted.Years.Contains(Start.Year) ? Filling.On(piece, Sitting, s => s.At(s.Plan.MovedTo(Start)))
                : Edited.No(PlaceIn.Sitting(Sitting) + ".start", Accepted.DateSentence("The start")));
    }
}

/// <summary>Everything that is planned from a moment on comes as much later, or earlier, as brings that moment to another.</summary>
/// <param name="From">The moment, in the workshop's local time.</param>
/// <param name="To">What it becomes.</param>
public sealed record PourFromThenOn(LocalDateTime From, LocalDateTime To) : Edit
{
    /// <inheritdoc/>
    public override string Words(Piece before) => "pour at another time, with all that follows";

    /// <inheritdoc/>
    public override Edited Apply(Piece piece, Cupboard cupboard)
    {
        ArgumentNullException.ThrowIfNull(piece);
        if (!Accepted.Years.Contains(From.Year) || !Accepted.Years.Contains(To.Year))
        {
            return Edited.No("sittings", Accepted.DateSentence("The start"));
        }

        var by = Period.Between(From, To, PeriodUnits.Days | PeriodUnits.AllTimeUnits);
        return Filling.Each(piece, s => s.Start >= From ? s.At(s.Plan.MovedTo(s.Start.Value + by)) : s);
    }
}
