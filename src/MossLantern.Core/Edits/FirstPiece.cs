using MossLantern.Core.Documents;

namespace MossLantern.Core.Edits;

/// <summary>What a new piece starts from: one clear layer over the whole ground, and nothing decided.</summary>
public static class FirstPiece
{
    /// <summary>Depth of a first layer, mm.</summary>
    public const double DepthMm = 3;

    /// <summary>A new piece on a ground.</summary>
    public static Piece Of(string name, Ground ground)
    {
        ArgumentNullException.ThrowIfNull(ground);
        return new(name, ground, GrowthScale.For(ground.MapOutline),
        [
            new(
                "layer-1", "First layer", DepthMm, [], [new("band-1", 10, true, "cup-1")], 0, "cup-1",
                [new("cup-1", "clear", "#eef0ea", null, 0)],
                new("coating"), Measure.ByVolume, null, [], PourTimes.None),
        ]);
    }
}
