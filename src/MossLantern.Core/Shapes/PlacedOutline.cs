using System.Collections.Immutable;
using System.Text.Json.Serialization;

namespace MossLantern.Core.Shapes;

/// <summary>An outline moved to a place inside a larger one. Its box is counted from the larger one's origin.</summary>
/// <param name="Inner">The outline as it is by itself.</param>
/// <param name="XMm">Left of its box, mm.</param>
/// <param name="YMm">Top of its box, mm.</param>
public sealed record PlacedOutline(Outline Inner, double XMm, double YMm) : Outline
{
    /// <inheritdoc/>
    [JsonIgnore]
    public override double BoxWidthMm => XMm + Inner.BoxWidthMm;

    /// <inheritdoc/>
    [JsonIgnore]
    public override double BoxHeightMm => YMm + Inner.BoxHeightMm;

    /// <inheritdoc/>
    [JsonIgnore]
    public override double AreaMm2 => Inner.AreaMm2;

    /// <inheritdoc/>
    [JsonIgnore]
    public override double PerimeterMm => Inner.PerimeterMm;

    private protected override ImmutableArray<Ring> Draw() => [.. Inner.Rings.Select(r => r.Moved(XMm, YMm))];
}

/// <summary>One part of a drawn outline, where it lies in it.</summary>
/// <param name="Whole">The drawn outline.</param>
/// <param name="Number">Which part, from 0.</param>
public sealed record PartOutline(DrawnOutline Whole, int Number) : Outline
{
    /// <inheritdoc/>
    [JsonIgnore]
    public override double BoxWidthMm => Whole.BoxWidthMm;

    /// <inheritdoc/>
    [JsonIgnore]
    public override double BoxHeightMm => Whole.BoxHeightMm;

    /// <inheritdoc/>
    [JsonIgnore]
    public override double AreaMm2 => Whole.Parts[Number].AreaMm2;

    /// <inheritdoc/>
    [JsonIgnore]
    public override double PerimeterMm => Whole.Parts[Number].PerimeterMm;

    private protected override ImmutableArray<Ring> Draw() => Whole.Parts[Number].Rings;
}

/// <summary>Several equal panels side by side, read as one piece.</summary>
/// <param name="Panel">One panel.</param>
/// <param name="Count">How many.</param>
/// <param name="GapMm">Gap between neighbours, mm.</param>
/// <param name="Mirrored">Whether every other panel is turned over, left for right.</param>
/// <remarks>Source: docs/craft/shapes.md, Several panels.</remarks>
public sealed record PanelsOutline(Outline Panel, int Count, double GapMm, bool Mirrored) : Outline
{
    /// <inheritdoc/>
    [JsonIgnore]
    public override double BoxWidthMm => Count * Panel.BoxWidthMm + (Count - 1) * GapMm;

    /// <inheritdoc/>
    [JsonIgnore]
    public override double BoxHeightMm => Panel.BoxHeightMm;

    /// <inheritdoc/>
    [JsonIgnore]
    public override double AreaMm2 => Count * Panel.AreaMm2;

    /// <inheritdoc/>
    [JsonIgnore]
    public override double PerimeterMm => Count * Panel.PerimeterMm;

    private protected override ImmutableArray<Ring> Draw() => [.. Copies.SelectMany(copy => Panel.Rings.Select(copy.Of))];

    /// <summary>Where each panel lies.</summary>
    [JsonIgnore]
    public ImmutableArray<PanelCopy> Copies =>
    [
        .. Enumerable.Range(0, Count).Select(i =>
        {
            var left = i * (Panel.BoxWidthMm + GapMm);
            return Mirrored && i % 2 == 1 ? new PanelCopy(left + Panel.BoxWidthMm, true) : new PanelCopy(left, false);
        }),
    ];
}

/// <summary>Where a copy of a panel lies.</summary>
/// <param name="FromMm">Where the panel's x = 0 comes to lie, mm.</param>
/// <param name="Mirrored">Whether x runs to the left from there.</param>
public sealed record PanelCopy(double FromMm, bool Mirrored)
{
    /// <summary>A place on the panel, on the whole.</summary>
    /// <param name="xMm">x on the panel, mm.</param>
    public double X(double xMm) => Mirrored ? FromMm - xMm : FromMm + xMm;

    /// <summary>A ring of the panel, on the whole; it runs the same way round as before.</summary>
    public Ring Of(Ring ring)
    {
        ArgumentNullException.ThrowIfNull(ring);
        var moved = new Ring([.. ring.Xs.ToArray().Select(X)], ring.Ys.ToArray());
        return Mirrored ? moved.Reversed() : moved;
    }
}

/// <summary>What two outlines share, or what one leaves of the other; it keeps the box of the first.</summary>
/// <param name="First">The one.</param>
/// <param name="Second">The other, where it lies on the first.</param>
/// <param name="Shared">Whether it is what both share; else the first without the second.</param>
/// <remarks>Source: docs/craft/layouts.md, Zones.</remarks>
public sealed record CombinedOutline(Outline First, Outline Second, bool Shared) : Outline
{
    private ImmutableArray<ImmutableArray<bool>> sides;

    // What was worked out for the original does not go with a changed copy.
    private CombinedOutline(CombinedOutline original)
        : base(original) => (First, Second, Shared) = (original.First, original.Second, original.Shared);

    /// <inheritdoc/>
    [JsonIgnore]
    public override double BoxWidthMm => First.BoxWidthMm;

    /// <inheritdoc/>
    [JsonIgnore]
    public override double BoxHeightMm => First.BoxHeightMm;

    /// <inheritdoc/>
    [JsonIgnore]
    public override double AreaMm2 => Rings.Sum(r => r.SignedAreaMm2);

    /// <inheritdoc/>
    [JsonIgnore]
    public override double PerimeterMm => Rings.Sum(r => r.LengthMm);

    private protected override ImmutableArray<Ring> Draw() => Shared
        ? Flat.Rings(Flat.Shared(Flat.Of(First), Flat.Of(Second)))
        : Flat.Rings(Flat.Without(Flat.Of(First), Flat.Of(Second)));

    /// <inheritdoc/>
    public override bool OnRim(double xMm, double yMm) => First.OnRim(xMm, yMm) && First.Rings.Any(r => r.PassesWithin(xMm, yMm, 0.02));

    internal override Func<int, int, bool> SidesOnRim()
    {
        // Where both outlines meet there is a corner: what holds for a side's middle holds for all of it.
        var known = sides.IsDefault ? sides = [.. Rings.Select(SidesOf)] : sides;
        return (ring, side) => known[ring][side];

        ImmutableArray<bool> SidesOf(Ring ring) =>
        [
            .. Enumerable.Range(0, ring.Count).Select(i =>
            {
                var j = (i + ring.Count - 1) % ring.Count;
                return OnRim((ring.Xs[i] + ring.Xs[j]) / 2, (ring.Ys[i] + ring.Ys[j]) / 2);
            }),
        ];
    }

    /// <inheritdoc/>
    public bool Equals(CombinedOutline? other) =>
        other is not null && Shared == other.Shared && First.Equals(other.First) && Second.Equals(other.Second);

    /// <inheritdoc/>
    public override int GetHashCode() => HashCode.Combine(First, Second, Shared);
}

/// <summary>An outline widened all round.</summary>
/// <param name="Inner">The outline as it is.</param>
/// <param name="ByMm">By how much, mm.</param>
public sealed record WidenedOutline(Outline Inner, double ByMm) : Outline
{
    /// <inheritdoc/>
    [JsonIgnore]
    public override double BoxWidthMm => Inner.BoxWidthMm + ByMm;

    /// <inheritdoc/>
    [JsonIgnore]
    public override double BoxHeightMm => Inner.BoxHeightMm + ByMm;

    /// <inheritdoc/>
    [JsonIgnore]
    public override double AreaMm2 => Rings.Sum(r => r.SignedAreaMm2);

    /// <inheritdoc/>
    [JsonIgnore]
    public override double PerimeterMm => Rings.Sum(r => r.LengthMm);

    private protected override ImmutableArray<Ring> Draw() => Flat.Rings(Flat.Of(Inner).Buffer(ByMm));
}
