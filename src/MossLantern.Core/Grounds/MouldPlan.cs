using System.Collections.Immutable;
using MossLantern.Core.Documents;
using MossLantern.Core.Shapes;
using MossLantern.Core.Units;

namespace MossLantern.Core.Grounds;

/// <summary>What is worked out for an insert.</summary>
/// <param name="InsertId">The insert.</param>
/// <param name="Displaces">What it keeps out of the first pour.</param>
/// <param name="Depth">How deep its hollow is filled.</param>
/// <param name="Fill">What its hollow takes.</param>
/// <param name="LayerId">The layer that fills it; null where none does yet.</param>
public sealed record InsertPlan(string InsertId, Reckoned Displaces, Reckoned Depth, Reckoned Fill, string? LayerId);

/// <summary>What is worked out for a mould.</summary>
/// <param name="Capacity">What a cavity holds, or all cavities of a drawn outline.</param>
/// <param name="Body">What the layers may take of it: the capacity less the depth kept for later coats, and less what
/// inserts keep out.</param>
/// <param name="Room">Depth that the planned layers leave, mm, in the cavity where it is least; below zero where they
/// take more than there is.</param>
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
        ReckonedInput areaInput = new("area", area / 100, "cm²", Origin.Reckoned),
        keep = new("kept for later coats", mould.KeepMm, "mm", Origin.Own, KeepField);
        var capacity = CapacityOf(mould, outline);
        var inserts = (mould.Inserts ?? []).Select(i => InsertOf(piece, mould, i, holds)).ToImmutableArray();
        var kept = Volume.Ml(area, mould.KeepMm) * holds;
        return new(
            capacity,
            new(capacity.Value - kept - inserts.Sum(i => i.Displaces.Value), "ml", Formulas.MouldBody,
            [
                new("capacity", capacity.Value, "ml", Origin.Reckoned), areaInput, keep,
                new("share the mould holds", holds * 100, "%", Origin.Reckoned),
                .. inserts.IsEmpty ? Array.Empty<ReckonedInput>()
                    : [new("inserts keep out", inserts.Sum(i => i.Displaces.Value), "ml", Origin.Reckoned)],
            ]),
            RoomOf(piece, mould, keep),
            [.. Enumerable.Range(0, (mould.Pieces + mould.Cavities - 1) / mould.Cavities)
                .Select(i => Math.Min(mould.Cavities, mould.Pieces - i * mould.Cavities))],
            inserts);
    }

    /// <summary>What one cavity of a mould of the library holds, or all the different ones of a drawn mould.</summary>
    public static Reckoned CapacityOf(LibraryMould mould)
    {
        ArgumentNullException.ThrowIfNull(mould);
        return CapacityOf(mould.AsMould(1, 0, []), mould.Outline);
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
                new ReckonedInput($"area of cavity {i + 1}", p.AreaMm2 / 100, "cm²", Origin.Reckoned),
                Depth($"depth of cavity {i + 1}", mould.DepthOf(i + 1)),
            })]
            : [new("area", outline.AreaMm2 / 100, "cm²", Origin.Reckoned), Depth("depth", mould.DepthMm)]);
    }

    /// <summary>The room left in the cavity where it is least.</summary>
    private static Reckoned RoomOf(Piece piece, Mould mould, ReckonedInput keep)
    {
        var body = piece.Filled.Where(l => l.Within is null).ToList();
        var parts = piece.Ground.Outline is DrawnOutline drawn ? drawn.Parts.Length : 1;
        var (room, depth, layers) = Enumerable.Range(1, parts)
            .Select(part => (mould.DepthOf(part) - mould.KeepMm - body.Sum(l => l.DepthIn(part)), mould.DepthOf(part),
                body.Sum(l => l.DepthIn(part))))
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

        ReckonedInput recess = new("recess", insert.RecessMm, "mm", Origin.Own),
        share = new("share the mould holds", holds * 100, "%", Origin.Reckoned);
        var fill = insert.FillMm(body);
        return new(
            insert.Id,
            Reckoned.Of(Volume.Ml(area, insert.StandsInMm(body)) * holds, "ml", Formulas.InsertDisplaces, [areaInput, .. depths, share]),
            Reckoned.Of(fill, "mm", Formulas.InsertDepth, [.. depths, recess]),
            Reckoned.Of(Volume.Ml(area, fill) * holds, "ml", Formulas.InsertFill, [areaInput, .. depths, recess, share]),
            piece.Filled.FirstOrDefault(l => l.Within == insert.Id)?.Id);
    }
}
