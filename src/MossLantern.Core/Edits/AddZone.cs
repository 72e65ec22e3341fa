using MossLantern.Core.Documents;
using MossLantern.Core.Shapes;

namespace MossLantern.Core.Edits;

/// <summary>A round zone off the middle of a layer, flooded with a colour of its own to begin with.</summary>
/// <param name="Layer">The layer.</param>
public sealed record AddZone(string Layer) : LayoutEdit(Layer, null)
{
    private const double Share = 0.35;
    private const double LeastMm = 10;

    /// <inheritdoc/>
    public override string Words(Piece before) => "lay a part out differently";

    private protected override Edited Change(LaidOut laid, Cupboard cupboard)
    {
        var (with, recipe) = laid.WithNew();
        var zones = laid.Layer.Zones ?? [];
        var box = laid.Box;
        var across = Rounded.Whole(Math.Max(LeastMm, Math.Min(box.WidthMm, box.HeightMm) * Share));
        var zone = new Zone(
            FreeId.Of("zone", zones.Select(z => z.Id)), FormattableString.Invariant($"Part {zones.Length + 1}"), new RoundOutline(across),
            Rounded.Whole(box.XMm + box.WidthMm * 0.6 - across / 2),
            Rounded.Whole(box.YMm + box.HeightMm * (0.3 + 0.2 * (zones.Length % 3)) - across / 2),
            new FloodLayout(recipe));
        return with.OnLayer(l => l with { Zones = zones.Add(zone) }).Done($"zones[{zone.Id}]");
    }
}
