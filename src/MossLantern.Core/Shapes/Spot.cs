namespace MossLantern.Core.Shapes;

/// <summary>A place on a piece.</summary>
/// <param name="XMm">mm from the left of the outline's box.</param>
/// <param name="YMm">mm from its top.</param>
public sealed record Spot(double XMm, double YMm);
