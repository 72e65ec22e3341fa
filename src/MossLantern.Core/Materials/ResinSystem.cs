using System.Collections.Immutable;
using System.Text.Json.Serialization;
using MossLantern.Core.Units;
using static MossLantern.Core.Materials.MaterialProperties;

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
/// <param name="ViscosityPaS">Viscosity when mixed, Pa·s.</param>
/// <param name="ReferenceC">Temperature the times are given at, °C.</param>
/// <param name="WorkingMinutes">Working time of 100 g in a cup, min.</param>
/// <param name="TapePull">When the mask run of tape comes off.</param>
/// <param name="DripHours">When drips are looked for, h.</param>
/// <param name="TackFreeHours">Touch-dry, h.</param>
/// <param name="Recoat">When the next layer bonds without sanding.</param>
/// <param name="DemouldHours">When it may leave its mould, still flexible, h.</param>
/// <param name="FullCureHours">Full cure, h.</param>
/// <param name="DeepestMm">Deepest single pour, mm.</param>
/// <param name="HeatC">What it stands after full cure, °C.</param>
/// <param name="Own">The properties that the person has entered, by their ids; all others are typical.</param>
/// <param name="PutAway">Whether it is offered no more.</param>
public sealed record ResinSystem(
    string Id,
    string Name,
    MixRatio Ratio,
    double ResinDensity,
    double HardenerDensity,
    double ViscosityPaS,
    double ReferenceC,
    double WorkingMinutes,
    AgeSpan TapePull,
    double DripHours,
    double TackFreeHours,
    AgeSpan Recoat,
    double DemouldHours,
    double FullCureHours,
    double DeepestMm,
    double HeatC,
    ImmutableSortedSet<string> Own,
    bool PutAway = false)
{
    /// <summary>From so deep a single pour on, mm, a resin is one for casting: it is slow, and gives off less heat.</summary>
    public const double CastsFromMm = 20;

    /// <summary>Heat that it gives off as it cures, J/g.</summary>
    [JsonIgnore]
    public double ReactionHeatJPerG => DeepestMm >= CastsFromMm ? 180 : 260;

    /// <summary>Density of the mixed resin, g/ml.</summary>
    [JsonIgnore]
    public double MixDensity => Parts.OfVolume(Ratio, ResinDensity, HardenerDensity, 1).TotalG;

    /// <summary>Where a property came from.</summary>
    public Origin OriginOf(string property) => Own.Contains(property) ? Origin.Own : Origin.Default;

    /// <summary>The same with a maker's own data in place of what is here; null keeps it.</summary>
    /// <param name="ratio">The mix ratio.</param>
    /// <param name="resinDensity">Density of the resin, g/ml.</param>
    /// <param name="hardenerDensity">Density of the hardener, g/ml.</param>
    public ResinSystem With(MixRatio? ratio, double? resinDensity, double? hardenerDensity)
    {
        var own = Own;
        own = ratio is null ? own : own.Union([RatioResin, RatioHardener]);
        own = resinDensity is null ? own : own.Add(MaterialProperties.ResinDensity);
        own = hardenerDensity is null ? own : own.Add(MaterialProperties.HardenerDensity);
        return this with
        {
            Ratio = ratio ?? Ratio,
            ResinDensity = resinDensity ?? ResinDensity,
            HardenerDensity = hardenerDensity ?? HardenerDensity,
            Own = own,
        };
    }

    internal static ResinSystem Of(Material m) => new(
        m.Id, m.Name, new(m.Basis ?? RatioBasis.Volume, m[RatioResin], m[RatioHardener]),
        m[MaterialProperties.ResinDensity], m[MaterialProperties.HardenerDensity],
        m[MaterialProperties.Viscosity], m[MaterialProperties.ReferenceC], m[MaterialProperties.WorkingMinutes],
        new(m[TapeFromHours], m[TapeToHours]), m[MaterialProperties.DripHours],
        m[MaterialProperties.TackFreeHours], new(m[RecoatFromHours], m[RecoatToHours]),
        m[MaterialProperties.DemouldHours], m[MaterialProperties.FullCureHours],
        m[MaterialProperties.DeepestMm], m[MaterialProperties.HeatC], m.Own, m.PutAway);
}
