using MossLantern.Core.Documents;
using MossLantern.Core.Units;

namespace MossLantern.Core.Walls;

/// <summary>What the sides of a piece take when the face is done.</summary>
/// <param name="Finish">How they are finished.</param>
/// <param name="Ml">What is brushed on; null for leaf.</param>
/// <param name="Sheets">Sheets of leaf; null for a brush.</param>
/// <remarks>Source: docs/craft/walls.md, Sides.</remarks>
public sealed record SidesPlan(SideFinish Finish, Reckoned? Ml, Reckoned? Sheets)
{
    /// <summary>How thick resin is brushed on a side, mm.</summary>
    public const double BrushedMm = 0.2;

    /// <summary>So much more leaf than the sides are large, as a share, and how wide a sheet is, mm.</summary>
    public const double MoreLeaf = 0.15, SheetMm = 140;

    /// <summary>Of a piece; null where its sides stay as they are.</summary>
    public static SidesPlan? Of(Ground ground)
    {
        ArgumentNullException.ThrowIfNull(ground);
        if (ground.Sides is not { } finish || ground.Mould is not null)
        {
            return null;
        }

        ReckonedInput[] side =
        [
            new("perimeter", ground.Boards * ground.Outline.PerimeterMm, "mm", Origin.Reckoned),
            new("side", ground.SideHeightMm, "mm", Origin.Own, "ground.sideHeightMm"),
        ];
        var mm2 = side[0].Value * side[1].Value;
        var sheets = Math.Ceiling(mm2 * (1 + MoreLeaf) / (SheetMm * SheetMm));
        return finish == SideFinish.Brushed
            ? new(finish, new(mm2 * BrushedMm / 1000, "ml", Formulas.SidesBrushed,
                [.. side, new("film", BrushedMm, "mm", Origin.Default)]), null)
            : new(finish, null, new(sheets, sheets == 1 ? "sheet" : "sheets", Formulas.LeafSheets,
                [.. side, new("more", MoreLeaf, "", Origin.Default), new("a sheet", SheetMm, "mm", Origin.Default)]));
    }
}
