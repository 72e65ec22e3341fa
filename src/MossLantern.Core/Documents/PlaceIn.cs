namespace MossLantern.Core.Documents;

/// <summary>
/// Where a field of a piece stands, in the one spelling that ranges, inputs of numbers, errors, findings and the page share: names joined
/// by dots, an entry of a list by its id, such as <c>layers[field].layout.bands[moss].widthMm</c>.
/// </summary>
/// <remarks>Source: docs/formats.md, Places.</remarks>
public static class PlaceIn
{
    /// <summary>A layer.</summary>
    public static string Layer(string layerId) => $"layers[{layerId}]";

    /// <summary>What is laid out by itself: a layer, or a zone of it.</summary>
    public static string LaidOut(string layerId, string? zoneId) => zoneId is null ? Layer(layerId) : $"{Layer(layerId)}.zones[{zoneId}]";

    /// <summary>A sitting.</summary>
    public static string Sitting(string sittingId) => $"sittings[{sittingId}]";

    /// <summary>A recipe.</summary>
    public static string Recipe(string recipeId) => $"recipes[{recipeId}]";
}
