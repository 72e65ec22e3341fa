using System.Collections.Immutable;
using System.Text.Json.Serialization;
using MossLantern.Core.Shapes;

namespace MossLantern.Core.Documents;

/// <summary>How it is known what a mould holds.</summary>
public enum CapacityFrom
{
    /// <summary>From its area and its depth.</summary>
    Dimensions,

    /// <summary>Filled with water and measured.</summary>
    Water,

    /// <summary>As its maker says.</summary>
    Maker,
}

/// <summary>The mould of a casting, and how many are cast.</summary>
/// <param name="DepthMm">Depth of a cavity, mm.</param>
/// <param name="From">How it is known what a cavity holds.</param>
/// <param name="CapacityMl">What a cavity holds, ml, where it was measured or stated.</param>
/// <param name="Pieces">How many pieces are wanted.</param>
/// <param name="Cavities">How many cavities there are to cast in at once.</param>
/// <param name="KeepMm">Depth kept free for later coats on both faces together, mm.</param>
/// <param name="LibraryIds">The moulds it is, by their ids in the mould library; null where it is not kept there.</param>
/// <param name="CavityDepths">Depth of cavities of a drawn outline that are deeper or shallower than
/// <paramref name="DepthMm"/>; null for none.</param>
/// <param name="Inserts">Inserts that stand in it while it is filled; null for none.</param>
public sealed record Mould(
    double DepthMm, CapacityFrom From, double? CapacityMl, int Pieces, int Cavities, double KeepMm,
    ImmutableArray<string>? LibraryIds = null, ImmutableArray<CavityDepth>? CavityDepths = null, ImmutableArray<Insert>? Inserts = null)
{
    /// <summary>Most inserts.</summary>
    public const int MostInserts = 12;

    /// <summary>Depth of a cavity of a drawn outline, mm.</summary>
    /// <param name="part">Which, from 1.</param>
    public double DepthOf(int part) => (CavityDepths ?? []).FirstOrDefault(p => p.Part == part)?.DepthMm ?? DepthMm;

    /// <summary>An insert, or null.</summary>
    public Insert? Insert(string id) => (Inserts ?? []).FirstOrDefault(i => i.Id == id);

    /// <summary>Area × depth, cavity by cavity, ml.</summary>
    /// <param name="outline">Outline of the cavities.</param>
    public double SizeMl(Outline outline)
    {
        ArgumentNullException.ThrowIfNull(outline);
        return outline is DrawnOutline drawn
            ? drawn.Parts.Select((p, i) => Volume.Ml(p.AreaMm2, DepthOf(i + 1))).Sum()
            : Volume.Ml(outline.AreaMm2, DepthMm);
    }

    /// <summary>How many pieces one casting makes, at most.</summary>
    [JsonIgnore]
    public int AtOnce => Math.Min(Pieces, Cavities);

    /// <summary>What a cavity really holds, as a share of area × depth: its sides may lean or be rounded.</summary>
    /// <param name="outline">Outline of the cavities.</param>
    public double Holds(Outline outline) =>
        From == CapacityFrom.Dimensions || CapacityMl is not { } ml ? 1 : ml / SizeMl(outline);
}

/// <summary>An insert: it stands in a mould while the mould is filled, and the hollow it leaves is filled later.</summary>
/// <param name="Id">Stable id, unique in the mould.</param>
/// <param name="Name">Its name.</param>
/// <param name="Outline">Its outline: a rectangle, a round or an oval.</param>
/// <param name="XMm">Left of its box, mm from the left of the mould's.</param>
/// <param name="YMm">Top of its box, mm from the top of the mould's.</param>
/// <param name="FloorMm">How far its foot stands above the mould's floor, mm: resin runs in below it.</param>
/// <param name="RecessMm">How far the hollow stays lower than the rest when it is filled, mm; 0 is flush.</param>
/// <param name="HeightMm">Its height, mm: resin closes over one that is lower than the mould; null where it reaches the top.</param>
public sealed record Insert(string Id, string Name, Outline Outline, double XMm, double YMm, double FloorMm,
    double RecessMm, double? HeightMm = null)
{
    /// <summary>Its outline, where it stands.</summary>
    [JsonIgnore]
    public Outline Placed => new PlacedOutline(Outline, XMm, YMm);

    /// <summary>Which part of a drawn outline it stands in, from 1; 0 for none.</summary>
    internal int PartIn(DrawnOutline drawn)
    {
        var ring = Placed.Rings[0];
        return drawn.Parts.Select((p, i) => (p, i))
            .FirstOrDefault(x => new PartOutline(drawn, x.i).SignedDistanceMm(ring.Xs[0], ring.Ys[0]) <= 0, (null!, -1)).i + 1;
    }

    /// <summary>How much of a depth that is filled round it it takes up, mm.</summary>
    /// <param name="bodyMm">Depth of the mould that is filled round it, mm.</param>
    public double StandsInMm(double bodyMm) => Math.Max(0, Math.Min(HeightMm ?? double.MaxValue, bodyMm - FloorMm));

    /// <summary>How deep its hollow is filled, mm.</summary>
    /// <param name="bodyMm">Depth of the mould that is filled round it, mm.</param>
    public double FillMm(double bodyMm) => StandsInMm(bodyMm) - RecessMm;

    /// <summary>How deep a layer is at its place, mm: below its foot, and over its top.</summary>
    /// <param name="bottomMm">Where the layer begins, mm above the mould's floor.</param>
    /// <param name="depthMm">How deep the layer is beside it, mm.</param>
    public double LeavesMm(double bottomMm, double depthMm)
    {
        double top = bottomMm + depthMm, under = Math.Clamp(FloorMm - bottomMm, 0, depthMm);
        return under + (HeightMm is { } high ? Math.Clamp(top - Math.Max(FloorMm + high, bottomMm), 0, depthMm - under) : 0);
    }
}
