using System.Collections.Immutable;
using System.Text.Json.Serialization;

namespace MossLantern.Core.Shapes;

/// <summary>
/// The outline of a base seen from above, in millimetres, its box's top left at the origin, x to the right and y down.
/// </summary>
/// <remarks>Source: docs/craft/shapes.md, Outline.</remarks>
public abstract record Outline
{
    private ImmutableArray<Ring> rings;

    private protected Outline()
    {
    }

    /// <summary>A changed copy: what was worked out for the original does not go with it.</summary>
    /// <param name="original">What it is a copy of.</param>
    protected Outline(Outline original)
    {
    }

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

    /// <summary>
    /// Its boundary as polygons, not closed, whose area is exact: outer edges clockwise as seen, openings the other way.
    /// </summary>
    [JsonIgnore]
    public ImmutableArray<Ring> Rings => rings.IsDefault ? rings = Draw() : rings;

    /// <summary>Its rings, worked out; an outline asks once and holds them.</summary>
    private protected abstract ImmutableArray<Ring> Draw();

    /// <summary>Outlines are equal by what they are, whatever of it has been worked out already.</summary>
    public virtual bool Equals(Outline? other) => other is not null && EqualityContract == other.EqualityContract;

    /// <inheritdoc/>
    public override int GetHashCode() => EqualityContract.GetHashCode();

    /// <summary>The stretches inside it of the horizontal line at a height, mm, from left to right.</summary>
    public virtual ImmutableArray<(double FromMm, double ToMm)> Chords(double yMm)
    {
        var crossings = Rings.SelectMany(r => r.Crossings(yMm)).Order().ToList();
        return [.. crossings.Chunk(2).Where(pair => pair.Length == 2).Select(pair => (pair[0], pair[1]))];
    }

    /// <summary>Distance from a point to the boundary, mm; negative inside.</summary>
    public double SignedDistanceMm(double x, double y)
    {
        var distances = Rings.Select(r => r.SignedDistanceMm(x, y)).ToList();
        var nearest = distances.Min(Math.Abs);
        return distances.Count(d => d < 0) % 2 == 1 ? -nearest : nearest;
    }

    /// <summary>Whether a place lies inside, and in none of its openings.</summary>
    /// <param name="x">mm from the left.</param>
    /// <param name="y">mm from the top.</param>
    public bool Holds(double x, double y)
    {
        var inside = false;
        foreach (var ring in Rings)
        {
            inside ^= ring.Holds(x, y);
        }

        return inside;
    }

    /// <summary>An outline with an opening in it.</summary>
    private protected static ImmutableArray<Ring> WithOpening(Ring outer, Opening? opening) =>
        opening is null ? [outer] : [outer, opening.Ring(0, 0)];

    /// <summary>Whether the opening, if there is one, lies inside with a margin all round.</summary>
    public bool OpeningFits(double marginMm)
    {
        if (OpeningOf is null)
        {
            return true;
        }

        var (outer, hole) = (Rings[0], Rings[1]);
        return Enumerable.Range(0, hole.Count)
            .All(i => outer.Holds(hole.Xs[i], hole.Ys[i]) && !outer.PassesWithin(hole.Xs[i], hole.Ys[i], marginMm));
    }

    /// <summary>Its opening; null for what has none.</summary>
    [JsonIgnore]
    public virtual Opening? OpeningOf => null;

    /// <summary>The same with another opening, or none; a drawn outline as it is.</summary>
    public virtual Outline Opened(Opening? opening) => this;

    /// <summary>Whether a place on its boundary lies on the edge of the piece, and not on a border inside it.</summary>
    /// <param name="xMm">mm from the left.</param>
    /// <param name="yMm">mm from the top.</param>
    public virtual bool OnRim(double xMm, double yMm) => true;

    /// <summary>Tells of every side of its rings, by their numbers, whether it lies on the edge of the piece; a side
    /// ends at the corner of its number.</summary>
    internal virtual Func<int, int, bool> SidesOnRim() => static (_, _) => true;

    /// <summary>
    /// All rings as one walk, out to each and back along the same line: its signed area is that of the outline however it
    /// is cut by straight lines.
    /// </summary>
    internal Ring Walk()
    {
        if (Rings.Length <= 1)
        {
            return Rings.IsEmpty ? new([], []) : Rings[0];
        }

        List<double> xs = [], ys = [];
        foreach (var ring in Rings)
        {
            xs.AddRange(ring.Xs);
            ys.AddRange(ring.Ys);
            xs.Add(ring.Xs[0]);
            ys.Add(ring.Ys[0]);
            if (ring != Rings[0])
            {
                xs.Add(Rings[0].Xs[0]);
                ys.Add(Rings[0].Ys[0]);
            }
        }

        return new([.. xs], [.. ys]);
    }
}

/// <summary>A rectangle.</summary>
/// <param name="WidthMm">Width, mm.</param>
/// <param name="HeightMm">Height, mm.</param>
/// <param name="Opening">An opening, or null.</param>
public sealed record RectangleOutline(double WidthMm, double HeightMm, Opening? Opening = null) : Outline
{
    /// <inheritdoc/>
    [JsonIgnore]
    public override Opening? OpeningOf => Opening;

    /// <inheritdoc/>
    public override Outline Opened(Opening? opening) => this with { Opening = opening };

    /// <inheritdoc/>
    [JsonIgnore]
    public override double BoxWidthMm => WidthMm;

    /// <inheritdoc/>
    [JsonIgnore]
    public override double BoxHeightMm => HeightMm;

    /// <inheritdoc/>
    [JsonIgnore]
    public override double AreaMm2 => WidthMm * HeightMm - (Opening?.AreaMm2 ?? 0);

    /// <inheritdoc/>
    [JsonIgnore]
    public override double PerimeterMm => 2 * (WidthMm + HeightMm) + (Opening?.PerimeterMm ?? 0);

    private protected override ImmutableArray<Ring> Draw() =>
        WithOpening(new([0, WidthMm, WidthMm, 0], [0, 0, HeightMm, HeightMm]), Opening);
}

/// <summary>A round.</summary>
/// <param name="DiameterMm">Diameter, mm.</param>
/// <param name="Opening">An opening, or null.</param>
public sealed record RoundOutline(double DiameterMm, Opening? Opening = null) : Outline
{
    /// <inheritdoc/>
    [JsonIgnore]
    public override Opening? OpeningOf => Opening;

    /// <inheritdoc/>
    public override Outline Opened(Opening? opening) => this with { Opening = opening };

    /// <inheritdoc/>
    [JsonIgnore]
    public override double BoxWidthMm => DiameterMm;

    /// <inheritdoc/>
    [JsonIgnore]
    public override double BoxHeightMm => DiameterMm;

    /// <inheritdoc/>
    [JsonIgnore]
    public override double AreaMm2 => Math.PI * DiameterMm * DiameterMm / 4 - (Opening?.AreaMm2 ?? 0);

    /// <inheritdoc/>
    [JsonIgnore]
    public override double PerimeterMm => Math.PI * DiameterMm + (Opening?.PerimeterMm ?? 0);

    private protected override ImmutableArray<Ring> Draw() =>
        WithOpening(Ellipse.Ring(DiameterMm / 2, DiameterMm / 2, DiameterMm / 2, DiameterMm / 2), Opening);

    /// <inheritdoc/>
    public override ImmutableArray<(double FromMm, double ToMm)> Chords(double yMm) =>
        Opening is not null ? base.Chords(yMm) : Ellipse.Chords(DiameterMm / 2, DiameterMm / 2, DiameterMm / 2, DiameterMm / 2, yMm);
}

/// <summary>An oval: an ellipse.</summary>
/// <param name="WidthMm">Width, mm.</param>
/// <param name="HeightMm">Height, mm.</param>
/// <param name="Opening">An opening, or null.</param>
public sealed record OvalOutline(double WidthMm, double HeightMm, Opening? Opening = null) : Outline
{
    /// <inheritdoc/>
    [JsonIgnore]
    public override Opening? OpeningOf => Opening;

    /// <inheritdoc/>
    public override Outline Opened(Opening? opening) => this with { Opening = opening };

    /// <inheritdoc/>
    [JsonIgnore]
    public override double BoxWidthMm => WidthMm;

    /// <inheritdoc/>
    [JsonIgnore]
    public override double BoxHeightMm => HeightMm;

    /// <inheritdoc/>
    [JsonIgnore]
    public override double AreaMm2 => Math.PI * WidthMm * HeightMm / 4 - (Opening?.AreaMm2 ?? 0);

    /// <inheritdoc/>
    [JsonIgnore]
    public override double PerimeterMm => Ellipse.PerimeterMm(WidthMm / 2, HeightMm / 2) + (Opening?.PerimeterMm ?? 0);

    private protected override ImmutableArray<Ring> Draw() =>
        WithOpening(Ellipse.Ring(WidthMm / 2, HeightMm / 2, WidthMm / 2, HeightMm / 2), Opening);

    /// <inheritdoc/>
    public override ImmutableArray<(double FromMm, double ToMm)> Chords(double yMm) =>
        Opening is not null ? base.Chords(yMm) : Ellipse.Chords(WidthMm / 2, HeightMm / 2, WidthMm / 2, HeightMm / 2, yMm);
}
