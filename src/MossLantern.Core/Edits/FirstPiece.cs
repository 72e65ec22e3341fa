using MossLantern.Core.Documents;

namespace MossLantern.Core.Edits;

/// <summary>What a new piece starts from: one clear layer over the whole ground, and nothing decided.</summary>
public static class FirstPiece
{
    /// <summary>Depth of a first layer, mm.</summary>
    public const double DepthMm = 3;

    /// <summary>A new piece on a ground.</summary>
    /// <param name="name">Its name.</param>
    /// <param name="ground">What it is poured on.</param>
    /// <param name="measure">How its resin is measured.</param>
    public static Piece Of(string name, Ground ground, Measure measure = Measure.ByVolume)
    {
        ArgumentNullException.ThrowIfNull(ground);
        var clear = Recipe.Clear("clear");
        return new(
            name, ground, GrowthScale.For(ground.MapOutline), [clear],
            [new("layer-1", "First layer", DepthMm, new RingsLayout([], [new("band-1", 10, true, clear.Id)], 0, null))],
            [new("layer-1", ["layer-1"], new("coating"), measure)]);
    }

    /// <summary>A new piece on a ground, laid out to begin with.</summary>
    /// <param name="name">Its name.</param>
    /// <param name="ground">What it is poured on.</param>
    /// <param name="starter">The layout to begin with; null, or one that there is not, for nothing decided.</param>
    /// <param name="measure">How its resin is measured.</param>
    public static Piece Of(string name, Ground ground, Starter? starter, Measure measure = Measure.ByVolume)
    {
        var bare = Of(name, ground, measure);
        return starter is { } known ? new BeginLayout(bare.Layers[0].Id, null, known).Apply(bare, Cupboard.Empty).Piece ?? bare : bare;
    }
}
