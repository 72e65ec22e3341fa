namespace MossLantern.Core.Shapes;

/// <summary>A box on a piece.</summary>
/// <param name="XMm">Left, mm.</param>
/// <param name="YMm">Top, mm.</param>
/// <param name="WidthMm">Width, mm.</param>
/// <param name="HeightMm">Height, mm.</param>
public sealed record PieceBox(double XMm, double YMm, double WidthMm, double HeightMm);
