using System.Collections.Immutable;
using System.Text.Json.Serialization;
using MossLantern.Core.Materials;
using MossLantern.Core.Shapes;
using MossLantern.Core.Units;
using NodaTime;

namespace MossLantern.Core.Documents;

/// <summary>A mould as it is kept in the workshop's library.</summary>
/// <param name="Name">Its name.</param>
/// <param name="Outline">Outline of a cavity; a drawn one of several parts is a mould with different cavities.</param>
/// <param name="DepthMm">Depth of a cavity, mm.</param>
/// <param name="From">How it is known what a cavity holds.</param>
/// <param name="CapacityMl">What a cavity holds, ml, where it was measured or stated.</param>
/// <param name="CavitiesEach">How many such cavities one mould has.</param>
/// <param name="Owned">How many of these moulds there are.</param>
/// <param name="Note">A note; may be empty.</param>
/// <param name="CavityDepths">Depth of cavities of a drawn outline that are deeper or shallower; null for none.</param>
/// <remarks>Source: docs/craft/grounds.md, Mould library.</remarks>
public sealed record LibraryMould(
    string Name, Outline Outline, double DepthMm, CapacityFrom From, double? CapacityMl, int CavitiesEach, int Owned, string Note,
    ImmutableArray<CavityDepth>? CavityDepths = null)
{
    /// <summary>Most different moulds that are filled together.</summary>
    public const int MostTogether = 8;

    /// <summary>Gap between moulds that stand beside each other, mm.</summary>
    public const double BesideMm = 15;

    /// <summary>How many pieces can be cast in it at once.</summary>
    [JsonIgnore]
    public int AtOnce => CavitiesEach * Owned;

    /// <summary>It as a mould that pieces are cast in.</summary>
    /// <param name="pieces">How many are wanted.</param>
    /// <param name="keepMm">Depth kept free for later coats, mm; at most half of its own.</param>
    /// <param name="ids">Its id in the library; none where it is not kept there.</param>
    public Mould AsMould(int pieces, double keepMm, ImmutableArray<string> ids) => new(
        DepthMm, From, CapacityMl, pieces, (int)Math.Clamp(AtOnce, Accepted.Copies.From, Accepted.Copies.To),
        Math.Min(keepMm, DepthMm / 2), ids, CavityDepths);

    /// <summary>A ground that is cast in it, to look it over.</summary>
    public Ground AsGround() => new(
        Outline, EdgeStyle.Walled, DepthMm, "#ffffff", new(PieceKind.Casting, BaseMaterial.Silicone), Mould: AsMould(1, 0, []));
}

/// <summary>One use of a mould.</summary>
/// <param name="MouldId">The mould.</param>
/// <param name="At">When.</param>
/// <param name="What">What was cast, or what else happened to it.</param>
/// <param name="Castings">How many castings it made.</param>
/// <param name="Hottest">How hot it got at most; null where nobody knows.</param>
public sealed record MouldUse(string MouldId, Instant At, string What, int Castings, Reckoned? Hottest);
