using System.Collections.Immutable;
using System.Text.Json.Serialization;

namespace MossLantern.Core.Shapes;

/// <summary>
/// A freeform slice: a closed wobbly curve through a few handles that stand at equal angles round the middle of a frame,
/// perhaps with an opening. It never crosses itself.
/// </summary>
/// <param name="WidthMm">Width of the frame it stands in, mm.</param>
/// <param name="HeightMm">Height of the frame, mm.</param>
/// <param name="Reach">How far the curve reaches at each handle, as a share of the way from the middle to the frame;
/// the first lies to the right, the rest follow clockwise as seen.</param>
/// <param name="WobbleMm">How far the curve wanders between handles, mm.</param>
/// <param name="Seed">Seed of the wobble.</param>
/// <param name="Opening">An opening, or null.</param>
/// <remarks>Source: docs/craft/shapes.md, Slices.</remarks>
public sealed record SliceOutline(
    double WidthMm, double HeightMm, ImmutableArray<double> Reach, double WobbleMm, int Seed, Opening? Opening = null) : Outline
{
    /// <summary>Fewest handles.</summary>
    public const int FewestHandles = 3;

    /// <summary>Most handles.</summary>
    public const int MostHandles = 24;

    /// <summary>Narrowest rim between an opening and the outside, mm.</summary>
    public const double LeastRimMm = 5;

    private const int Corners = 480;

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
    public override double AreaMm2 => Rings.Sum(r => r.SignedAreaMm2);

    /// <inheritdoc/>
    [JsonIgnore]
    public override double PerimeterMm => Rings.Sum(r => r.LengthMm);

    private protected override ImmutableArray<Ring> Draw() => Opening is null ? [Outer()] : [Outer(), Opening.Ring(WobbleMm, Seed)];

    /// <inheritdoc/>
    public bool Equals(SliceOutline? other) =>
        other is not null && WidthMm == other.WidthMm && HeightMm == other.HeightMm && WobbleMm == other.WobbleMm
        && Seed == other.Seed && Opening == other.Opening && Reach.AsSpan().SequenceEqual(other.Reach.AsSpan());

    /// <inheritdoc/>
    public override int GetHashCode()
    {
        var hash = default(HashCode);
        hash.Add(WidthMm);
        hash.Add(HeightMm);
        hash.Add(WobbleMm);
        hash.Add(Seed);
        hash.Add(Opening);
        foreach (var reach in Reach.AsSpan())
        {
            hash.Add(reach);
        }

        return hash.ToHashCode();
    }

    private Ring Outer()
    {
        var wobble = new Wobble(Seed);
        var scale = WobbleMm / Math.Max(1, (WidthMm + HeightMm) / 4);
        var xs = new double[Corners];
        var ys = new double[Corners];
        for (var i = 0; i < Corners; i++)
        {
            var angle = 2 * Math.PI * i / Corners;
            var reach = Math.Clamp(ReachAt(angle) + scale * wobble.At(angle), 0.05, 1);
            xs[i] = WidthMm / 2 * (1 + reach * Math.Cos(angle));
            ys[i] = HeightMm / 2 * (1 + reach * Math.Sin(angle));
        }

        return new(xs, ys);
    }

    /// <summary>The reach of the smooth closed curve through the handles, without its wobble.</summary>
    /// <param name="angle">Angle from the first handle, clockwise as seen, 0 to 2π.</param>
    public double ReachAt(double angle)
    {
        var at = angle / (2 * Math.PI) * Reach.Length;
        var i = (int)at;
        var t = at - i;
        double before = Handle(i - 1), here = Handle(i), next = Handle(i + 1), after = Handle(i + 2);
        return here + 0.5 * t * (next - before + t * (2 * before - 5 * here + 4 * next - after + t * (3 * (here - next) + after - before)));
    }

    private double Handle(int i) => Reach[(i % Reach.Length + Reach.Length) % Reach.Length];
}

/// <summary>An opening in a slice: its inner rim.</summary>
/// <param name="XMm">Middle, mm from the left of the frame.</param>
/// <param name="YMm">Middle, mm from the top of the frame.</param>
/// <param name="WidthMm">Width, mm.</param>
/// <param name="HeightMm">Height, mm.</param>
public sealed record Opening(double XMm, double YMm, double WidthMm, double HeightMm)
{
    private const int Corners = 240;

    /// <summary>Area of one that does not wobble, mm².</summary>
    [JsonIgnore]
    public double AreaMm2 => -Ring(0, 0).SignedAreaMm2;

    /// <summary>Length of its rim where it does not wobble, mm.</summary>
    [JsonIgnore]
    public double PerimeterMm => Ring(0, 0).LengthMm;

    /// <summary>Its rim, wobbling half as much as the slice, anticlockwise as seen.</summary>
    internal Ring Ring(double wobbleMm, int seed)
    {
        var wobble = new Wobble(seed + 1);
        var scale = wobbleMm / 2 / Math.Max(1, (WidthMm + HeightMm) / 4);
        var xs = new double[Corners];
        var ys = new double[Corners];
        for (var i = 0; i < Corners; i++)
        {
            var angle = -2 * Math.PI * i / Corners;
            var reach = Math.Clamp(1 + scale * wobble.At(angle), 0.3, 1.7);
            xs[i] = XMm + WidthMm / 2 * reach * Math.Cos(angle);
            ys[i] = YMm + HeightMm / 2 * reach * Math.Sin(angle);
        }

        return new(xs, ys);
    }
}

/// <summary>A seeded closed wave of the angle, with about unit amplitude: a few long swings and shorter ones on them.</summary>
internal sealed class Wobble
{
    private const int Slowest = 3;
    private const int Waves = 9;

    private readonly double[] amplitudes = new double[Waves];
    private readonly double[] phases = new double[Waves];

    public Wobble(int seed)
    {
        for (var k = 0; k < Waves; k++)
        {
            amplitudes[k] = (0.4 + 0.6 * Random(seed, 2 * k)) / (1 + 0.35 * k) * 0.62;
            phases[k] = 2 * Math.PI * Random(seed, 2 * k + 1);
        }
    }

    public double At(double angle)
    {
        var sum = 0.0;
        for (var k = 0; k < Waves; k++)
        {
            sum += amplitudes[k] * Math.Sin((Slowest + k) * angle + phases[k]);
        }

        return sum;
    }

    /// <summary>Evenly spread from 0 to 1, the same on every machine.</summary>
    private static double Random(int seed, int place)
    {
        var x = (ulong)(uint)seed * 0x9E3779B97F4A7C15 + (ulong)(uint)place * 0xBF58476D1CE4E5B9 + 0x94D049BB133111EB;
        x = (x ^ (x >> 30)) * 0xBF58476D1CE4E5B9;
        x = (x ^ (x >> 27)) * 0x94D049BB133111EB;
        return ((x ^ (x >> 31)) >> 11) * (1.0 / (1UL << 53));
    }
}
