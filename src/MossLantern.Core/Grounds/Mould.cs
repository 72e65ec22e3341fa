using System.Collections.Immutable;
using System.Text.Json.Serialization;
using MossLantern.Core.Mixing;
using MossLantern.Core.Pieces;
using MossLantern.Core.Shapes;
using MossLantern.Core.Units;

namespace MossLantern.Core.Grounds;

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
/// <param name="CavityDepths">Depth of cavities of a drawn outline that are deeper or shallower than <paramref name="DepthMm"/>; null for none.</param>
/// <param name="Inserts">Inserts that stand in it while it is filled; null for none.</param>
public sealed record Mould(
    double DepthMm, CapacityFrom From, double? CapacityMl, int Pieces, int Cavities, double KeepMm,
    ImmutableArray<string>? LibraryIds = null, ImmutableArray<PartDepth>? CavityDepths = null, ImmutableArray<Insert>? Inserts = null)
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
            ? drawn.Parts.Select((p, i) => CupPlanner.RegionMl(p.AreaMm2, DepthOf(i + 1))).Sum()
            : CupPlanner.RegionMl(outline.AreaMm2, DepthMm);
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
public sealed record Insert(string Id, string Name, Outline Outline, double XMm, double YMm, double FloorMm, double RecessMm, double? HeightMm = null)
{
    /// <summary>Its outline, where it stands.</summary>
    [JsonIgnore]
    public Outline Placed => new PlacedOutline(Outline, XMm, YMm);

    /// <summary>Which part of a drawn outline it stands in, from 1; 0 for none.</summary>
    internal int PartIn(DrawnOutline drawn)
    {
        var ring = Placed.Rings[0];
        return drawn.Parts.Select((p, i) => (p, i)).FirstOrDefault(x => new PartOutline(drawn, x.i).SignedDistanceMm(ring.Xs[0], ring.Ys[0]) <= 0, (null!, -1)).i + 1;
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

/// <summary>What is worked out for an insert.</summary>
/// <param name="InsertId">The insert.</param>
/// <param name="Displaces">What it keeps out of the first pour.</param>
/// <param name="Depth">How deep its hollow is filled.</param>
/// <param name="Fill">What its hollow takes.</param>
/// <param name="LayerId">The layer that fills it; null where none does yet.</param>
public sealed record InsertPlan(string InsertId, Reckoned Displaces, Reckoned Depth, Reckoned Fill, string? LayerId);

/// <summary>What is worked out for a mould.</summary>
/// <param name="Capacity">What a cavity holds, or all cavities of a drawn outline.</param>
/// <param name="Body">What the layers may take of it: the capacity less the depth kept for later coats, and less what inserts keep out.</param>
/// <param name="Room">Depth that the planned layers leave, mm, in the cavity where it is least; below zero where they take more than there is.</param>
/// <param name="Castings">Pieces in each casting.</param>
/// <param name="Inserts">Its inserts.</param>
/// <remarks>Source: docs/craft/grounds.md, Moulds.</remarks>
public sealed record MouldPlan(
    Reckoned Capacity, Reckoned Body, Reckoned Room, ImmutableArray<int> Castings, ImmutableArray<InsertPlan> Inserts)
{
    private const string KeepField = "ground.mould.keepMm";

    /// <summary>The plan of a piece's mould; null where it has none.</summary>
    public static MouldPlan? Of(Piece piece)
    {
        ArgumentNullException.ThrowIfNull(piece);
        if (piece.Ground.Mould is not { } mould)
        {
            return null;
        }

        var outline = piece.Ground.Outline;
        var area = outline.AreaMm2;
        var holds = mould.Holds(outline);
        ReckonedInput areaInput = new("area", area / 100, "cm²", Origin.Reckoned), keep = new("kept for later coats", mould.KeepMm, "mm", Origin.Own, KeepField);
        var capacity = CapacityOf(mould, outline);
        var inserts = (mould.Inserts ?? []).Select(i => InsertOf(piece, mould, i, holds)).ToImmutableArray();
        var kept = CupPlanner.RegionMl(area, mould.KeepMm) * holds;
        return new(
            capacity,
            new(capacity.Value - kept - inserts.Sum(i => i.Displaces.Value), "ml", Formulas.MouldBody,
            [
                new("capacity", capacity.Value, "ml", Origin.Reckoned), areaInput, keep, new("share the mould holds", holds * 100, "%", Origin.Reckoned),
                .. inserts.IsEmpty ? Array.Empty<ReckonedInput>() : [new("inserts keep out", inserts.Sum(i => i.Displaces.Value), "ml", Origin.Reckoned)],
            ]),
            RoomOf(piece, mould, keep),
            [.. Enumerable.Range(0, (mould.Pieces + mould.Cavities - 1) / mould.Cavities)
                .Select(i => Math.Min(mould.Cavities, mould.Pieces - i * mould.Cavities))],
            inserts);
    }

    internal static Reckoned CapacityOf(Mould mould, Outline outline)
    {
        if (mould.From != CapacityFrom.Dimensions && mould.CapacityMl is { } ml)
        {
            return Reckoned.Of(ml, "ml", Formulas.Stated, new ReckonedInput(
                mould.From == CapacityFrom.Water ? "water it held" : "as its maker says", ml, "ml",
                mould.From == CapacityFrom.Water ? Origin.Measured : Origin.Own, "ground.mould.capacityMl"));
        }

        ReckonedInput Depth(string what, double mm) => new(what, mm, "mm", Origin.Own, "ground.mould.depthMm");
        return new(mould.SizeMl(outline), "ml", Formulas.MouldCapacity, outline is DrawnOutline { Parts.Length: > 1 } drawn
            ? [.. drawn.Parts.SelectMany((p, i) => new[]
            {
                new ReckonedInput($"area of cavity {i + 1}", p.AreaMm2 / 100, "cm²", Origin.Reckoned), Depth($"depth of cavity {i + 1}", mould.DepthOf(i + 1)),
            })]
            : [new("area", outline.AreaMm2 / 100, "cm²", Origin.Reckoned), Depth("depth", mould.DepthMm)]);
    }

    /// <summary>The room left in the cavity where it is least.</summary>
    private static Reckoned RoomOf(Piece piece, Mould mould, ReckonedInput keep)
    {
        var body = piece.Layers.Where(l => l.Within is null).ToList();
        var parts = piece.Ground.Outline is DrawnOutline drawn ? drawn.Parts.Length : 1;
        var (room, depth, layers) = Enumerable.Range(1, parts)
            .Select(part => (mould.DepthOf(part) - mould.KeepMm - body.Sum(l => l.DepthIn(part)), mould.DepthOf(part), body.Sum(l => l.DepthIn(part))))
            .MinBy(r => r.Item1);
        return Reckoned.Of(room, "mm", Formulas.MouldRoom,
            new("depth", depth, "mm", Origin.Own, "ground.mould.depthMm"), keep, new("layers", layers, "mm", Origin.Own));
    }

    private static InsertPlan InsertOf(Piece piece, Mould mould, Insert insert, double holds)
    {
        var area = insert.Outline.AreaMm2;
        var deep = piece.Ground.MouldPart(insert.Id) is > 0 and var part ? mould.DepthOf(part) : mould.DepthMm;
        var body = deep - mould.KeepMm;
        ReckonedInput areaInput = new("area of the insert", area / 100, "cm²", Origin.Reckoned);
        ReckonedInput[] depths =
        [
            new("depth", deep, "mm", Origin.Own, "ground.mould.depthMm"),
            new("kept for later coats", mould.KeepMm, "mm", Origin.Own, KeepField),
            new("insert's foot above the floor", insert.FloorMm, "mm", Origin.Own),
        ];
        if (insert.HeightMm is { } high)
        {
            depths = [.. depths, new("its height", high, "mm", Origin.Own)];
        }

        ReckonedInput recess = new("recess", insert.RecessMm, "mm", Origin.Own), share = new("share the mould holds", holds * 100, "%", Origin.Reckoned);
        var fill = insert.FillMm(body);
        return new(
            insert.Id,
            Reckoned.Of(CupPlanner.RegionMl(area, insert.StandsInMm(body)) * holds, "ml", Formulas.InsertDisplaces, [areaInput, .. depths, share]),
            Reckoned.Of(fill, "mm", Formulas.InsertDepth, [.. depths, recess]),
            Reckoned.Of(CupPlanner.RegionMl(area, fill) * holds, "ml", Formulas.InsertFill, [areaInput, .. depths, recess, share]),
            piece.Layers.FirstOrDefault(l => l.Within == insert.Id)?.Id);
    }
}
