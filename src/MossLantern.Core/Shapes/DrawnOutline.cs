using System.Collections.Immutable;
using System.Globalization;
using System.Text;
using System.Text.Json.Serialization;

namespace MossLantern.Core.Shapes;

/// <summary>
/// An outline drawn elsewhere: letters or any other shape, in one or many parts, with openings where rings lie inside others.
/// </summary>
/// <param name="Path">Its rings in mm, each <c>M x y L x y … Z</c> with absolute numbers, the box's top left at the origin.</param>
/// <remarks>Source: docs/craft/shapes.md, Drawn shapes.</remarks>
public sealed record DrawnOutline(string Path) : Outline
{
    /// <summary>Most corners of all rings together.</summary>
    public const int MostCorners = 20_000;

    /// <summary>Most rings.</summary>
    public const int MostRings = 400;

    private DrawnRings? drawn;

    // What was worked out for the original does not go with a changed copy.
    private DrawnOutline(DrawnOutline original)
        : base(original) => Path = original.Path;

    /// <summary>The outline of rings, in mm, where they lie.</summary>
    public static DrawnOutline Of(IEnumerable<Ring> rings)
    {
        ArgumentNullException.ThrowIfNull(rings);
        var text = new StringBuilder();
        foreach (var ring in rings)
        {
            for (var i = 0; i < ring.Count; i++)
            {
                text.Append(CultureInfo.InvariantCulture, $"{(i == 0 ? "M" : "L")}{ring.Xs[i]:0.###} {ring.Ys[i]:0.###}");
            }

            text.Append('Z');
        }

        return new(text.ToString());
    }

    /// <summary>What is wrong with the path, as a sentence; null when nothing is.</summary>
    [JsonIgnore]
    public string? Problem => Drawn.Problem;

    /// <summary>Its parts from left to right: an outer ring with the openings in it.</summary>
    [JsonIgnore]
    public ImmutableArray<DrawnPart> Parts => Drawn.Parts;

    /// <inheritdoc/>
    [JsonIgnore]
    public override double BoxWidthMm => Drawn.WidthMm;

    /// <inheritdoc/>
    [JsonIgnore]
    public override double BoxHeightMm => Drawn.HeightMm;

    /// <inheritdoc/>
    [JsonIgnore]
    public override double AreaMm2 => Parts.Sum(p => p.AreaMm2);

    /// <inheritdoc/>
    [JsonIgnore]
    public override double PerimeterMm => Parts.Sum(p => p.PerimeterMm);

    private DrawnRings Drawn => drawn ??= DrawnRings.Read(Path);

    private protected override ImmutableArray<Ring> Draw() => Drawn.Rings;

    /// <inheritdoc/>
    public bool Equals(DrawnOutline? other) => other is not null && Path == other.Path;

    /// <inheritdoc/>
    public override int GetHashCode() => HashCode.Combine(Path);
}

/// <summary>One part of a drawn outline, such as a letter.</summary>
/// <param name="Rings">Its outer ring, clockwise as seen, then its openings, the other way.</param>
public sealed record DrawnPart(ImmutableArray<Ring> Rings)
{
    /// <summary>Area, mm².</summary>
    public double AreaMm2 => Rings.Sum(r => r.SignedAreaMm2);

    /// <summary>Length of all its edges, mm.</summary>
    public double PerimeterMm => Rings.Sum(r => r.LengthMm);
}
