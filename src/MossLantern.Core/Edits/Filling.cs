using System.Collections.Immutable;
using MossLantern.Core.Documents;

namespace MossLantern.Core.Edits;

/// <summary>What changes of sittings have in common.</summary>
/// <remarks>Source: docs/craft/mixing.md, Sittings.</remarks>
internal static class Filling
{
    /// <summary>Most regions that are named at once.</summary>
    public const int MostRegions = 1000;

    /// <summary>Why regions cannot be meant; null where the layer has all of them.</summary>
    public static Edited? Unknown(Piece piece, string layerId, ImmutableArray<RegionId> regions) =>
        piece.Lined(layerId) is not { } layer ? Edited.No(PlaceIn.Layer(layerId), "There is no such layer.")
        : regions.IsDefaultOrEmpty || regions.Length > MostRegions || !regions.All(layer.Has)
            ? Edited.No(PlaceIn.Layer(layerId), "Name at least one region that the layer has.")
        : null;

    /// <summary>Why nothing can be said of how a region is filled: the layer has no such region, or it is poured by the
    /// millilitre. Null where it can.</summary>
    public static Edited? ByAmount(Piece piece, string layerId, RegionId region, string sentence) => Unknown(piece, layerId, [region])
        ?? (!piece.Lined(layerId)!.HasDepth(region) ? Edited.No(PlaceIn.Region(layerId, region), sentence) : null);

    /// <summary>Why a sitting cannot be meant; null where the piece has it.</summary>
    public static Edited? Unknown(Piece piece, string sittingId) =>
        piece.Sittings.Any(s => s.Id == sittingId) ? null : Edited.No(PlaceIn.Sitting(sittingId), "There is no such sitting.");

    /// <summary>A piece in which no fill names some regions of a layer.</summary>
    public static Piece WithoutFills(Piece piece, string layerId, ImmutableArray<RegionId> regions) =>
        Each(piece, s => s.Fills is not { } fills ? s
        : s with
        {
            Fills = fills
            .RemoveAll(f => f.LayerId == layerId && regions.Contains(f.Region)) is { IsEmpty: false } left ? left : null
        });

    /// <summary>A piece with every sitting changed.</summary>
    public static Piece Each(Piece piece, Func<Sitting, Sitting> change) => piece with { Sittings = [.. piece.Sittings.Select(change)] };

    /// <summary>A piece with one sitting changed.</summary>
    public static Piece On(Piece piece, string sittingId, Func<Sitting, Sitting> change) =>
        Each(piece, s => s.Id == sittingId ? change(s) : s);

    /// <summary>A piece in which a layer leaves regions bare, or all of them not.</summary>
    public static Piece WithBare(Piece piece, string layerId, Func<ImmutableArray<RegionId>, ImmutableArray<RegionId>> change) => piece with
    {
        Layers = [.. piece.Layers
            .Select(l => l.Id == layerId ? l with { Bare = change(l.Bare ?? []) is { IsEmpty: false } bare ? bare : null } : l)],
    };

    /// <summary>An id for a fill that the piece does not have yet.</summary>
    public static string FreeFill(Piece piece) => FreeId.Of("fill", piece.Sittings.SelectMany(s => s.Fills ?? []).Select(f => f.Id));

    /// <summary>An id for a sitting that the piece does not have yet.</summary>
    public static string FreeSitting(Piece piece) =>
        FreeId.Of("sitting", piece.Layers.Select(l => l.Id).Concat(piece.Sittings.Select(s => s.Id)));

    /// <summary>A sitting that is mixed and measured as another is, and fills nothing yet.</summary>
    public static Sitting Like(Sitting sitting, string id) =>
        new(id, [], sitting.Resin, sitting.Measure, Tools: sitting.Tools, Losses: sitting.Losses,
            ReservePercent: sitting.ReservePercent, RoomC: sitting.RoomC, Copies: sitting.Copies);
}
