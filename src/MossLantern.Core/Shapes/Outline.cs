using System.Text.Json.Serialization;

namespace MossLantern.Core.Shapes;

/// <summary>
/// The outline of a base seen from above, in millimetres, its box's top left at the origin, x to the right and y down.
/// </summary>
/// <remarks>Source: docs/craft/shapes.md, Outline.</remarks>
[JsonPolymorphic(TypeDiscriminatorPropertyName = "shape")]
[JsonDerivedType(typeof(RectangleOutline), "rectangle")]
[JsonDerivedType(typeof(RoundOutline), "round")]
public abstract record Outline
{
    /// <summary>Width of the box round it, mm.</summary>
    [JsonIgnore]
    public abstract double BoxWidthMm { get; }

    /// <summary>Height of the box round it, mm.</summary>
    [JsonIgnore]
    public abstract double BoxHeightMm { get; }

    /// <summary>Exact area, mm².</summary>
    [JsonIgnore]
    public abstract double AreaMm2 { get; }

    /// <summary>Exact perimeter, mm.</summary>
    [JsonIgnore]
    public abstract double PerimeterMm { get; }

    /// <summary>Left and right end of the horizontal line across it at a height inside its box, mm.</summary>
    public abstract (double FromMm, double ToMm) Chord(double yMm);

    /// <summary>Its boundary as a polygon, clockwise as seen, not closed, whose area is exact.</summary>
    public abstract Ring ToRing();
}

/// <summary>A rectangle.</summary>
/// <param name="WidthMm">Width, mm.</param>
/// <param name="HeightMm">Height, mm.</param>
public sealed record RectangleOutline(double WidthMm, double HeightMm) : Outline
{
    /// <inheritdoc/>
    [JsonIgnore]
    public override double BoxWidthMm => WidthMm;

    /// <inheritdoc/>
    [JsonIgnore]
    public override double BoxHeightMm => HeightMm;

    /// <inheritdoc/>
    [JsonIgnore]
    public override double AreaMm2 => WidthMm * HeightMm;

    /// <inheritdoc/>
    [JsonIgnore]
    public override double PerimeterMm => 2 * (WidthMm + HeightMm);

    /// <inheritdoc/>
    public override (double FromMm, double ToMm) Chord(double yMm) => (0, WidthMm);

    /// <inheritdoc/>
    public override Ring ToRing() => new([0, WidthMm, WidthMm, 0], [0, 0, HeightMm, HeightMm]);
}

/// <summary>A round.</summary>
/// <param name="DiameterMm">Diameter, mm.</param>
public sealed record RoundOutline(double DiameterMm) : Outline
{
    private const int Corners = 720;

    /// <inheritdoc/>
    [JsonIgnore]
    public override double BoxWidthMm => DiameterMm;

    /// <inheritdoc/>
    [JsonIgnore]
    public override double BoxHeightMm => DiameterMm;

    /// <inheritdoc/>
    [JsonIgnore]
    public override double AreaMm2 => Math.PI * DiameterMm * DiameterMm / 4;

    /// <inheritdoc/>
    [JsonIgnore]
    public override double PerimeterMm => Math.PI * DiameterMm;

    /// <inheritdoc/>
    public override (double FromMm, double ToMm) Chord(double yMm)
    {
        var radius = DiameterMm / 2;
        var half = Math.Sqrt(Math.Max(0, radius * radius - (yMm - radius) * (yMm - radius)));
        return (radius - half, radius + half);
    }

    /// <inheritdoc/>
    public override Ring ToRing()
    {
        // The polygon's corners stand out by a hair so that its area is that of the round.
        var step = 2 * Math.PI / Corners;
        var radius = DiameterMm / 2 * Math.Sqrt(step / Math.Sin(step));
        var xs = new double[Corners];
        var ys = new double[Corners];
        for (var i = 0; i < Corners; i++)
        {
            xs[i] = DiameterMm / 2 + radius * Math.Cos(i * step);
            ys[i] = DiameterMm / 2 + radius * Math.Sin(i * step);
        }

        return new(xs, ys);
    }
}
