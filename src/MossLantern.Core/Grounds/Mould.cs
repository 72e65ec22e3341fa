using System.Collections.Immutable;
using MossLantern.Core.Mixing;
using MossLantern.Core.Pieces;
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
public sealed record Mould(
    double DepthMm, CapacityFrom From, double? CapacityMl, int Pieces, int Cavities, double KeepMm)
{
    /// <summary>How many pieces one casting makes, at most.</summary>
    public int AtOnce => Math.Min(Pieces, Cavities);

    /// <summary>What a cavity really holds, as a share of area × depth: its sides may lean or be rounded.</summary>
    /// <param name="areaMm2">Area of a cavity, mm².</param>
    public double Holds(double areaMm2) =>
        From == CapacityFrom.Dimensions || CapacityMl is not { } ml ? 1 : ml / CupPlanner.RegionMl(areaMm2, DepthMm);
}

/// <summary>What is worked out for a mould.</summary>
/// <param name="Capacity">What a cavity holds.</param>
/// <param name="Body">What the layers may take of it: the capacity less the depth kept for later coats.</param>
/// <param name="Room">Depth that the planned layers leave, mm; below zero where they take more than there is.</param>
/// <param name="Castings">Pieces in each casting.</param>
/// <remarks>Source: docs/craft/grounds.md, Moulds.</remarks>
public sealed record MouldPlan(Reckoned Capacity, Reckoned Body, Reckoned Room, ImmutableArray<int> Castings)
{
    /// <summary>The plan of a piece's mould; null where it has none.</summary>
    public static MouldPlan? Of(Piece piece)
    {
        ArgumentNullException.ThrowIfNull(piece);
        if (piece.Ground.Mould is not { } mould)
        {
            return null;
        }

        var area = piece.Ground.Outline.AreaMm2;
        ReckonedInput areaInput = new("area", area / 100, "cm²", Origin.Reckoned), depth = new("depth", mould.DepthMm, "mm", Origin.Own, "ground.mould.depthMm");
        var own = mould.From != CapacityFrom.Dimensions ? mould.CapacityMl : null;
        var capacity = own is { } ml
            ? Reckoned.Of(ml, "ml", Formulas.MouldCapacity, new ReckonedInput(
                mould.From == CapacityFrom.Water ? "water it held" : "as its maker says", ml, "ml",
                mould.From == CapacityFrom.Water ? Origin.Measured : Origin.Own, "ground.mould.capacityMl"))
            : Reckoned.Of(CupPlanner.RegionMl(area, mould.DepthMm), "ml", Formulas.MouldCapacity, areaInput, depth);
        var kept = CupPlanner.RegionMl(area, mould.KeepMm) * mould.Holds(area);
        var layers = piece.Layers.Sum(l => l.DepthMm);
        return new(
            capacity,
            Reckoned.Of(capacity.Value - kept, "ml", Formulas.MouldBody,
                new("capacity", capacity.Value, "ml", Origin.Reckoned), areaInput, new("kept for later coats", mould.KeepMm, "mm", Origin.Own, "ground.mould.keepMm")),
            Reckoned.Of(mould.DepthMm - mould.KeepMm - layers, "mm", Formulas.MouldRoom,
                depth, new("kept for later coats", mould.KeepMm, "mm", Origin.Own, "ground.mould.keepMm"), new("layers", layers, "mm", Origin.Own)),
            [.. Enumerable.Range(0, (mould.Pieces + mould.Cavities - 1) / mould.Cavities)
                .Select(i => Math.Min(mould.Cavities, mould.Pieces - i * mould.Cavities))]);
    }
}
