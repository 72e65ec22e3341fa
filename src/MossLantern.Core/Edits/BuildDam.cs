using MossLantern.Core.Documents;

namespace MossLantern.Core.Edits;

/// <summary>A dam round a spot that the piece reserves, or another width of it.</summary>
/// <param name="Spot">The spot.</param>
/// <param name="WidthMm">Its width, mm.</param>
public sealed record BuildDam(string Spot, double WidthMm) : Edit
{
    /// <inheritdoc/>
    public override string Words(Piece before) => "build a dam";

    /// <inheritdoc/>
    public override Edited Apply(Piece piece, Cupboard cupboard)
    {
        ArgumentNullException.ThrowIfNull(piece);
        if ((piece.Kept ?? []).All(k => k.Id != Spot))
        {
            return Edited.No($"kept[{Spot}]", "That spot is no longer reserved.");
        }

        var lines = piece.Lines ?? [];
        if (piece.DamOf(Spot) is { } dam)
        {
            return new(piece with { Lines = lines.Replace(dam, dam with { Section = dam.Section with { WidthMm = WidthMm } }) });
        }

        var made = new Line(FreeId.Of("dam", lines.Select(l => l.Id)), RegionId.OfDam(Spot), new RoundCourse(Spot), new(WidthMm),
            new BarrierLine());
        return new(piece with { Lines = lines.Add(made) }, null, made.Place);
    }
}
