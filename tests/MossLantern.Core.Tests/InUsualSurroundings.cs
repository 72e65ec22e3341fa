using MossLantern.Core.Documents;
using MossLantern.Core.Materials;
using MossLantern.Core.Painting;
using MossLantern.Core.Planning;
using MossLantern.Core.Timeline;
using NodaTime;

namespace MossLantern.Core.Tests;

/// <summary>Most tests are about the piece and not about where it is made: typical materials, usual habits.</summary>
internal static class InUsualSurroundings
{
    public static PiecePlan Plan(this PiecePlanner planner, Piece piece, IReadOnlyList<PouredSitting> poured, DateTimeZone zone) =>
        planner.Plan(piece, poured, Surroundings.Usual(zone));

    public static Painting.Painting Paint(this PiecePlanner planner, Piece piece, string? layerId, PaintDetail detail, Look? look = null) =>
        planner.Paint(piece, Catalogue.Typical, layerId, detail, look);
}
