using System.Collections.Frozen;
using System.Text.Json;
using MossLantern.Core.Documents;
using MossLantern.Core.Units;
using NodaTime;

namespace MossLantern.Core.Edits;

/// <summary>The fields that are set by themselves: all numbers that have a range, and these names, colours, choices and times.</summary>
internal static class SettableFields
{
    private static readonly FrozenDictionary<string, string> Others = new Dictionary<string, string>
    {
        ["name"] = "the piece's name",
        ["ground.colour"] = "the ground's colour",
        ["ground.edge"] = "the edge",
        ["ground.base.material"] = "what it is made of",
        ["ground.base.backStiffened"] = "the back of the canvas",
        ["ground.paint.sealed"] = "the seal over the paint",
        ["ground.paint.asMap"] = "the colours of the paint",
        ["ground.set.mirrored"] = "how the map goes over the gap",
        ["ground.mould.from"] = "how it is known what the mould holds",
        ["ground.mould.inserts.name"] = "the insert's name",
        ["ground.mould.inserts.xMm"] = "the insert's place",
        ["ground.mould.inserts.yMm"] = "the insert's place",
        ["ground.outline.opening.xMm"] = "the opening's place",
        ["ground.outline.opening.yMm"] = "the opening's place",
        ["layers.name"] = "the layer's name",
        ["layers.contrast"] = "how neighbours are meant",
        ["layers.layout.rimWay"] = "how bands follow the rim",
        ["layers.zones.layout.rimWay"] = "how bands follow the rim",
        ["layers.layout.inward"] = "where the tool is drawn",
        ["layers.zones.layout.inward"] = "where the tool is drawn",
        ["layers.zones.name"] = "the part's name",
        ["recipes.name"] = "the colour's name",
        ["recipes.colour"] = "the colour",
        ["recipes.seen"] = "the colour that it came out as",
        ["recipes.frozen"] = "whether it is frozen",
        ["recipes.doses.colour"] = "the colour",
        ["sittings.name"] = "the sitting's name",
        ["sittings.measure"] = "how it is measured",
        ["sittings.resin.ratio.basis"] = "what the parts are",
        ["sittings.copiesInTurn"] = "the turn of the copies",
        ["sittings.sandFirst"] = "whether it is sanded first",
        ["sittings.start"] = "the start",
        ["sittings.end"] = "the end",
        ["lines.material.class"] = "what the line is laid of",
        ["lines.material.colour"] = "the colour of the line",
        ["lines.material.stiffness"] = "how stiff the paste is",
        ["dries.name"] = "what has to dry",
        ["ground.damOf"] = "what the dam is laid of",
        ["ground.sides"] = "how the sides are finished",
        ["ground.tape.runs"] = "how the edge is taped",
        ["kept.name"] = "the name of what is reserved",
        ["kept.keep"] = "how it is reserved",
    }.ToFrozenDictionary(StringComparer.Ordinal);

    /// <summary>Whether there is such a field, told by its place without the names of entries.</summary>
    public static bool Has(string range) =>
        range != "runs.pouredMl" && (PieceFields.Ranges.ContainsKey(range) || Others.ContainsKey(range));

    /// <summary>What setting a field does, in words that follow "Undo:".</summary>
    public static string Words(string? place)
    {
        var range = FieldAt.RangeOf(place ?? "");
        return range.EndsWith(".xMm", StringComparison.Ordinal) || range.EndsWith(".yMm", StringComparison.Ordinal)
            ? range.Contains(".hearts.", StringComparison.Ordinal) ? "move a heart" : "move it"
            : PieceFields.Ranges.TryGetValue(range, out var known) ? $"set {char.ToLowerInvariant(known.What[0])}{known.What[1..]}"
            : $"set {Others.GetValueOrDefault(range, "a field")}";
    }

    /// <summary>What a field takes, as a sentence.</summary>
    public static string Sentence(string range, Type type)
    {
        var own = Nullable.GetUnderlyingType(type) ?? type;
        return PieceFields.Ranges.TryGetValue(range, out var known) ? known.Sentence
            : own.IsEnum
                ? $"This must be one of: {string.Join(", ", Enum.GetNames(own).Select(JsonNamingPolicy.KebabCaseLower.ConvertName))}."
            : own == typeof(bool) ? "This must be true or false."
            : own == typeof(LocalDateTime) ? "This must be a date and time such as 2026-05-01T10:00:00."
            : own == typeof(string) ? "This must be a text." : "This must be a number.";
    }

    /// <summary>The range of a number field; null where it has none of its own.</summary>
    public static AcceptedRange? RangeOf(string range) => PieceFields.Ranges.GetValueOrDefault(range);
}
