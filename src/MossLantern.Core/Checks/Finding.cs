using System.Collections.Immutable;
using System.Text.Json.Serialization;
using MossLantern.Core.Documents;
using MossLantern.Core.Units;

namespace MossLantern.Core.Checks;

/// <summary>Where a finding is.</summary>
/// <param name="Station">The station that decides it.</param>
/// <param name="LayerId">The layer, or null for the whole piece.</param>
/// <param name="XMm">Where on the map, mm from the left; null where it is nowhere on it.</param>
/// <param name="YMm">Where on the map, mm from the top.</param>
/// <param name="CupId">The cup, or null where it is at none.</param>
/// <param name="SittingId">The sitting, or null where it is not about one.</param>
public sealed record FindingPlace(string Station, string? LayerId = null, double? XMm = null, double? YMm = null, string? CupId = null, string? SittingId = null);

/// <summary>A change that answers a finding.</summary>
/// <param name="Id">Stable id, unique in the finding.</param>
/// <param name="Label">What a press does, in words; <c>{0}</c> stands for <paramref name="Mm"/>.</param>
/// <param name="Field">The field to go to, for what only the person can say; null where the change is made by the press.</param>
/// <param name="Apply">The change; the piece itself where the person has to say something.</param>
/// <param name="Mm">A length in the label, for the person's own units, mm; null where there is none.</param>
public sealed record Remedy(
    string Id, string Label, string? Field, [property: JsonIgnore] Func<Piece, Piece> Apply, double? Mm = null)
{
    /// <summary>A change made by a press.</summary>
    public static Remedy Change(string id, string label, Func<Piece, Piece> apply, double? mm = null) => new(id, label, null, apply, mm);

    /// <summary>A change of the ground, made by a press.</summary>
    public static Remedy OnGround(string id, string label, Func<Ground, Ground> apply, double? mm = null) =>
        Change(id, label, piece => piece with { Ground = apply(piece.Ground) }, mm);

    /// <summary>A change of a layer, made by a press.</summary>
    public static Remedy OnLayer(string id, string label, string layerId, Func<FilledLayer, FilledLayer> apply, double? mm = null) =>
        Change(id, label, piece => piece.With(apply(piece.FilledBy(layerId))), mm);

    /// <summary>A change of a sitting, made by a press.</summary>
    public static Remedy OnSitting(string id, string label, string sittingId, Func<Sitting, Sitting> apply) =>
        Change(id, label, piece => piece with { Sittings = [.. piece.Sittings.Select(s => s.Id == sittingId ? apply(s) : s)] });

    /// <summary>A field to be filled in by the person.</summary>
    public static Remedy Ask(string id, string label, string field) => new(id, label, field, piece => piece);
}

/// <summary>Something that the second look sees.</summary>
/// <param name="Check">Id of the check.</param>
/// <param name="Key">The check with its place: stays the same while the finding does.</param>
/// <param name="Grade">How much it weighs.</param>
/// <param name="Title">What it is, in two or three words.</param>
/// <param name="Reason">Why it matters, in one sentence; <c>{0}</c>, <c>{1}</c> stand for its numbers.</param>
/// <param name="Numbers">The numbers of the reason, each open to its formula.</param>
/// <param name="Place">Where it is.</param>
/// <param name="Remedies">What can be done about it by a press; none where only hands can.</param>
/// <param name="WavedOff">Why the artist let it be; null where nobody did.</param>
/// <param name="Worth">How far it goes, in a measure of its own: the more the worse; null where it only is or is not.</param>
public sealed record Finding(
    string Check, string Key, Grade Grade, string Title, string Reason, ImmutableArray<Reckoned> Numbers, FindingPlace Place,
    ImmutableArray<Remedy> Remedies, string? WavedOff = null, double? Worth = null);
