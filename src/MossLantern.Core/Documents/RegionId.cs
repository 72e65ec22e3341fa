using System.Globalization;
using System.Text.Json.Serialization;

namespace MossLantern.Core.Documents;

/// <summary>
/// The id of a region in its layer: of the layer's own layout (<c>moss</c>, <c>field-3</c>), of the layout of one of its zones
/// (<c>zone-1/moss</c>), or a spot that the piece keeps visible or bare (<c>kept/signature</c>). Two are equal when they are written alike.
/// </summary>
/// <remarks>Source: docs/formats.md, Places.</remarks>
public readonly record struct RegionId : IComparable<RegionId>
{
    private const string KeptIn = "kept";
    private const char Between = '/';
    private const string FieldBefore = "field-", Dam = "dam";

    private readonly string? text;

    private RegionId(string text) => this.text = text;

    /// <summary>The bed of the hearts.</summary>
    public static RegionId Heart { get; } = new("heart");

    /// <summary>Reads an id. Any text is one; whether a layer has such a region is another question.</summary>
    public static RegionId Parse(string text)
    {
        ArgumentNullException.ThrowIfNull(text);
        return new(text);
    }

    /// <summary>A field of a layout of fields.</summary>
    /// <param name="number">Which, from 1.</param>
    public static RegionId OfField(int number) => new(string.Create(CultureInfo.InvariantCulture, $"{FieldBefore}{number}"));

    /// <summary>A spot that the piece keeps visible or bare.</summary>
    /// <param name="keptId">The id of what is kept.</param>
    public static RegionId OfSpot(string keptId) => new($"{KeptIn}{Between}{keptId}");

    /// <summary>The dam round such a spot.</summary>
    /// <param name="keptId">The id of what is kept.</param>
    public static RegionId OfDam(string keptId) => new($"{KeptIn}{Between}{keptId}{Between}{Dam}");

    /// <summary>The zone that it lies in; null for a region of the layer's own layout and for what is kept.</summary>
    public string? Zone => Before is { } zone && zone != KeptIn ? zone : null;

    /// <summary>What is kept there; null for any other region.</summary>
    public string? Kept => Before == KeptIn ? After : null;

    /// <summary>Itself in the layout that it is laid out by.</summary>
    [JsonIgnore]
    public RegionId InLayout => Zone is null ? this : new(After);

    /// <summary>Its id in the layout that it is laid out by.</summary>
    public string Own => Zone is null ? ToString() : After;

    /// <summary>Which field it is, from 1; null for any other region.</summary>
    public int? Field => Own.StartsWith(FieldBefore, StringComparison.Ordinal)
        && int.TryParse(Own.AsSpan(FieldBefore.Length), NumberStyles.None, CultureInfo.InvariantCulture, out var number) ? number : null;

    /// <summary>The region of this id in a zone's layout; the same where there is no zone.</summary>
    /// <param name="zoneId">The zone, or null.</param>
    /// <exception cref="ArgumentException">The zone's id is empty.</exception>
    public RegionId In(string? zoneId)
    {
        if (zoneId is null)
        {
            return this;
        }

        ArgumentException.ThrowIfNullOrEmpty(zoneId);
        return new($"{zoneId}{Between}{this}");
    }

    /// <inheritdoc/>
    public int CompareTo(RegionId other) => string.CompareOrdinal(ToString(), other.ToString());

    /// <summary>As it is written in documents.</summary>
    public override string ToString() => text ?? "";

    private string? Before => ToString().IndexOf(Between, StringComparison.Ordinal) is > 0 and var at ? ToString()[..at] : null;

    private string After => ToString()[(ToString().IndexOf(Between, StringComparison.Ordinal) + 1)..];
}
