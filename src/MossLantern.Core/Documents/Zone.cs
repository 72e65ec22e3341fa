using System.Collections.Immutable;
using System.Text.Json.Serialization;
using MossLantern.Core.Shapes;

namespace MossLantern.Core.Documents;

/// <summary>A part of a layer that is laid out in a way of its own.</summary>
/// <param name="Id">Stable id, unique in the layer.</param>
/// <param name="Name">Its name.</param>
/// <param name="Outline">Its outline.</param>
/// <param name="XMm">Left of its box, mm from the left of what the layer is poured in.</param>
/// <param name="YMm">Top of its box, mm from the top.</param>
/// <param name="Layout">Its layout.</param>
/// <param name="Aside">Layouts of other kinds that were worked on and put by, one a kind; null for none.</param>
/// <remarks>Source: docs/craft/layouts.md, Zones.</remarks>
public sealed record Zone(
    string Id, string Name, Outline Outline, double XMm, double YMm, Layout Layout, ImmutableArray<Layout>? Aside = null)
{
    /// <summary>Most zones of a layer, and reserved spots of a piece.</summary>
    public const int Most = 12;

    /// <summary>Its outline, where it lies.</summary>
    [JsonIgnore]
    public Outline Placed => new PlacedOutline(Outline, XMm, YMm);
}

/// <summary>How a zone of a piece is kept.</summary>
public enum Keep
{
    /// <summary>It must stay visible: clear resin only.</summary>
    Visible,

    /// <summary>No resin must come there.</summary>
    Bare,
}

/// <summary>A zone of a piece that every layer keeps to.</summary>
/// <param name="Id">Stable id, unique in the piece.</param>
/// <param name="Name">What is there.</param>
/// <param name="Outline">Its outline.</param>
/// <param name="XMm">Left of its box, mm from the left of what a map is grown over.</param>
/// <param name="YMm">Top of its box, mm from the top.</param>
/// <param name="Keep">How it is kept.</param>
/// <param name="ClearMm">In a mould, how thick the clear resin against its face is over what is kept visible, mm; null
/// for the default.</param>
/// <remarks>Source: docs/craft/layouts.md, Kept zones.</remarks>
public sealed record ReservedSpot(string Id, string Name, Outline Outline, double XMm, double YMm, Keep Keep,
    double? ClearMm = null)
{
    /// <summary>So thick is the clear against the face of a mould where nobody says otherwise, mm.</summary>
    public const double UsualClearMm = 0.8;

    /// <summary>Its outline, where it lies.</summary>
    [JsonIgnore]
    public Outline Placed => new PlacedOutline(Outline, XMm, YMm);
}

/// <summary>A spot that a piece reserves, with the dam round it.</summary>
/// <param name="Spot">The spot.</param>
/// <param name="DamMm">Width of the dam, mm; null for none.</param>
public sealed record DammedSpot(ReservedSpot Spot, double? DamMm)
{
    /// <summary>Its outline with its dam.</summary>
    public Outline WithDam => DamMm is { } mm ? new WidenedOutline(Spot.Placed, mm) : Spot.Placed;
}
