using MossLantern.Core.Materials;
using NodaTime;

namespace MossLantern.Core.Documents;

/// <summary>A paint of the artist's own mixing, kept in a lidded pot: it paints grounds and tints the resin that goes with them.</summary>
/// <param name="Name">Its name.</param>
/// <param name="Colour">Its colour, as <c>#rrggbb</c>.</param>
/// <param name="Kind">What paint it is.</param>
/// <param name="LeftMl">How much is left, ml.</param>
/// <param name="Note">How it was mixed; may be empty.</param>
/// <param name="MeasuredAt">When it was last measured; null where nobody noted it. What was taken since is not in it any more.</param>
/// <remarks>Source: docs/craft/grounds.md, Pots.</remarks>
public sealed record PaintPot(string Name, string Colour, PaintKind Kind, double LeftMl, string Note, Instant? MeasuredAt = null);
