using System.Collections.Immutable;
using MossLantern.Core.Documents;
using MossLantern.Core.Edits;
using MossLantern.Core.Units;

namespace MossLantern.Core.Checks;

/// <summary>Where a finding is.</summary>
/// <param name="Station">The station that decides it.</param>
/// <param name="LayerId">The layer, or null for the whole piece.</param>
/// <param name="XMm">Where on the map, mm from the left; null where it is nowhere on it.</param>
/// <param name="YMm">Where on the map, mm from the top.</param>
/// <param name="CupId">The cup, or null where it is at none.</param>
/// <param name="SittingId">The sitting, or null where it is not about one.</param>
public sealed record FindingPin(Station Station, string? LayerId = null, double? XMm = null, double? YMm = null,
    string? CupId = null, string? SittingId = null);

/// <summary>The station that decides what a finding is about.</summary>
public enum Station
{
    /// <summary>What it is poured on.</summary>
    Ground,

    /// <summary>How it is laid out.</summary>
    Map,

    /// <summary>What holds resin back, and the lines.</summary>
    Walls,

    /// <summary>What is mixed.</summary>
    Cups,

    /// <summary>When it is poured, and what it waits for.</summary>
    Cure,

    /// <summary>What was logged.</summary>
    Story,
}

/// <summary>What answers a finding: commands that a press sends like any other change.</summary>
/// <param name="Id">Stable id, unique in the finding.</param>
/// <param name="Label">What a press does, in words; <c>{0}</c> stands for <paramref name="Mm"/>.</param>
/// <param name="Edits">The commands in turn; empty where only the person can say.</param>
/// <param name="Field">The field to go to, for what only the person can say; null where the commands say all.</param>
/// <param name="Mm">A length in the label, for the person's own units, mm; null where there is none.</param>
/// <remarks>Source: docs/craft/checks.md.</remarks>
public sealed record Remedy(string Id, string Label, ImmutableArray<Edit> Edits, string? Field = null, double? Mm = null)
{
    /// <summary>Commands that a press sends.</summary>
    public static Remedy Of(string id, string label, params ReadOnlySpan<Edit> edits) => new(id, label, [.. edits]);

    /// <summary>A field to be filled in by the person.</summary>
    public static Remedy Ask(string id, string label, string field) => new(id, label, [], field);

    /// <summary>A field set to a value.</summary>
    internal static Remedy Set(string id, string label, string place, object? value, double? mm = null) =>
        new(id, label, [SetField.To(place, value)], null, mm);
}

/// <summary>Something that the second look sees.</summary>
/// <param name="Check">Id of the check.</param>
/// <param name="Key">The check with its place: stays the same while the finding does.</param>
/// <param name="Grade">How much it weighs.</param>
/// <param name="Title">What it is, in two or three words.</param>
/// <param name="Reason">Why it matters, in one sentence; <c>{0}</c>, <c>{1}</c> stand for its numbers.</param>
/// <param name="Numbers">The numbers of the reason, each open to its formula.</param>
/// <param name="Pin">Where it is.</param>
/// <param name="Remedies">What can be done about it by a press; none where only hands can.</param>
/// <param name="WavedOff">Why the artist let it be; null where nobody did.</param>
/// <param name="Worth">How far it goes, in a measure of its own: the more the worse; null where it only is or is not.</param>
public sealed record Finding(
    string Check, string Key, Grade Grade, string Title, string Reason, ImmutableArray<Reckoned> Numbers, FindingPin Pin,
    ImmutableArray<Remedy> Remedies, string? WavedOff = null, double? Worth = null);
