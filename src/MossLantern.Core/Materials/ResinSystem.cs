namespace MossLantern.Core.Materials;

/// <summary>A span of equivalent ages.</summary>
/// <param name="FromHours">Opens at this age, h at the reference temperature.</param>
/// <param name="ToHours">Closes at this age, h at the reference temperature.</param>
public sealed record AgeSpan(double FromHours, double ToHours);

/// <summary>A resin system with its maker's data. Times are at <paramref name="ReferenceC"/> in a 3 mm film.</summary>
/// <param name="Id">Stable id.</param>
/// <param name="Name">Its name.</param>
/// <param name="Ratio">Mix ratio.</param>
/// <param name="ResinDensity">Density of the resin, g/ml.</param>
/// <param name="HardenerDensity">Density of the hardener, g/ml.</param>
/// <param name="ReferenceC">Temperature the times are given at, °C.</param>
/// <param name="WorkingMinutes">Working time of 100 g in a cup, min.</param>
/// <param name="TapePull">When the mask run of tape comes off.</param>
/// <param name="TackFreeHours">Touch-dry, h.</param>
/// <param name="Recoat">When the next layer bonds without sanding.</param>
/// <param name="DemouldHours">When it may leave its mould, still flexible, h.</param>
/// <param name="FullCureHours">Full cure, h.</param>
/// <param name="DeepestMm">Deepest single pour, mm.</param>
public sealed record ResinSystem(
    string Id,
    string Name,
    MixRatio Ratio,
    double ResinDensity,
    double HardenerDensity,
    double ReferenceC,
    double WorkingMinutes,
    AgeSpan TapePull,
    double TackFreeHours,
    AgeSpan Recoat,
    double DemouldHours,
    double FullCureHours,
    double DeepestMm);
