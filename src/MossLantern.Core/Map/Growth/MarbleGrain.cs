using MossLantern.Core.Documents;

namespace MossLantern.Core.Map;

/// <summary>The grain that marble's streaks follow; only their share is laid on it.</summary>
/// <param name="Field">Per node, nothing in the middle of a streak.</param>
/// <param name="Far">The field's greatest value.</param>
/// <param name="Curve">How much lies below a level.</param>
internal sealed record MarbleGrain(float[] Field, double Far, AreaCurve Curve)
{
    /// <summary>The grain of a layout.</summary>
    public static MarbleGrain Of(OutlineCover cover, GrowthScale growth, MarbleLayout marble)
    {
        var grid = cover.Grid;
        var field = new float[grid.Count];
        var noise = new GradientNoise(marble.Seed);
        double cos = Math.Cos(marble.DirectionDeg * Math.PI / 180), sin = Math.Sin(marble.DirectionDeg * Math.PI / 180);
        var lambda = growth.GrainMm * 1.1;
        Parallel.For(0, grid.Rows, row =>
        {
            for (var column = 0; column < grid.Columns; column++)
            {
                double x = grid.X(column), y = grid.Y(row);
                float along = (float)((x * cos + y * sin) / (4.5 * lambda)), across = (float)((y * cos - x * sin) / lambda);
                var bend = 0.6f * noise.At(1.9f * along, 0.9f * across, 3.7f);
                var value = noise.At(along + 0.25f * bend, across + bend, 0.5f) + 0.1f * noise.At(3.3f * along, 2.6f * across, 7.1f);
                field[row * grid.Columns + column] = 50 * Math.Abs(value);
            }
        });
        return new(field, DepthScale.Farthest(cover, field), new(cover, field));
    }
}
