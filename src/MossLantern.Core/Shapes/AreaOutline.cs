using System.Collections.Immutable;
using System.Text.Json.Serialization;
using NetTopologySuite.Geometries;

namespace MossLantern.Core.Shapes;

/// <summary>Any area inside a larger outline, for what is measured in it. Its box is the larger one's.</summary>
/// <param name="Area">The area.</param>
/// <param name="Whole">The larger outline.</param>
internal sealed record AreaOutline(Geometry Area, Outline Whole) : Outline
{
    /// <inheritdoc/>
    [JsonIgnore]
    public override double BoxWidthMm => Whole.BoxWidthMm;

    /// <inheritdoc/>
    [JsonIgnore]
    public override double BoxHeightMm => Whole.BoxHeightMm;

    /// <inheritdoc/>
    [JsonIgnore]
    public override double AreaMm2 => Area.Area;

    /// <inheritdoc/>
    [JsonIgnore]
    public override double PerimeterMm => Area.Length;

    private protected override ImmutableArray<Ring> Draw() => Flat.Rings(Area);
}
