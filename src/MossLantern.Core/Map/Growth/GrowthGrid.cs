namespace MossLantern.Core.Map;

/// <summary>A square grid of nodes over an outline's box, padded by three cells on every side.</summary>
/// <param name="SpacingMm">Distance between neighbouring nodes, mm.</param>
/// <param name="Columns">Nodes along x.</param>
/// <param name="Rows">Nodes along y.</param>
internal readonly record struct GrowthGrid(double SpacingMm, int Columns, int Rows)
{
    public const int Padding = 3;

    public static GrowthGrid Over(double widthMm, double heightMm, double spacingMm) => new(
        spacingMm,
        (int)Math.Ceiling(widthMm / spacingMm) + 1 + 2 * Padding,
        (int)Math.Ceiling(heightMm / spacingMm) + 1 + 2 * Padding);

    public int Count => Columns * Rows;

    public double X(int column) => (column - Padding) * SpacingMm;

    public double Y(int row) => (row - Padding) * SpacingMm;

    /// <summary>The column left of a place.</summary>
    public int Column(double x) => (int)Math.Floor(x / SpacingMm) + Padding;

    /// <summary>The row above a place.</summary>
    public int Row(double y) => (int)Math.Floor(y / SpacingMm) + Padding;
}
