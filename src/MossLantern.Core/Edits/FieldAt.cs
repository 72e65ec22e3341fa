using System.Collections;
using System.Collections.Immutable;
using System.Globalization;
using System.Reflection;
using System.Text.RegularExpressions;
using MossLantern.Core.Documents;
using MossLantern.Core.Materials;

namespace MossLantern.Core.Edits;

/// <summary>A field of a piece by its place: what stands there, and the piece with something else there.</summary>
/// <remarks>Source: docs/formats.md, Places.</remarks>
internal static partial class FieldAt
{
    /// <summary>Longest place that is looked at.</summary>
    public const int LongestPlace = 300;

    private static readonly MethodInfo Replaced = typeof(FieldAt).GetMethod(nameof(With), BindingFlags.NonPublic | BindingFlags.Static)!;

    /// <summary>A place without the names of entries: its range is found by it.</summary>
    public static string RangeOf(string place) => Names().Replace(place, "");

    /// <summary>The type of what stands at a place, and what stands there; null where the piece has no such field.</summary>
    public static (Type Type, object? Value)? Of(Piece piece, string place)
    {
        (Type Type, object? Value)? at = (typeof(Piece), piece);
        foreach (var step in Steps(place))
        {
            at = at is not { } here ? null
                : ListOf(here.Type) is { } entry ? Entry(here.Value, step) is var (_, value) ? (entry, value) : null
                : Property(here, step) is { } property ? (property.PropertyType, here.Value is null ? null : property.GetValue(here.Value))
                : null;
        }

        return at;
    }

    /// <summary>
    /// The piece with a value at a place. What was left to its defaults is made on the way; null where the piece has no such field.
    /// </summary>
    public static Piece? Set(Piece piece, string place, object? value) => (Piece?)Set((typeof(Piece), piece), Steps(place), value);

    private static object? Set((Type Type, object? Value) at, ReadOnlySpan<string> steps, object? value)
    {
        if (steps.IsEmpty)
        {
            return value;
        }

        if (ListOf(at.Type) is { } entry)
        {
            return Entry(at.Value, steps[0]) is var (index, item) && Set((entry, item), steps[1..], value) is { } to
                ? Replaced.MakeGenericMethod(entry).Invoke(null, [at.Value, index, to])
                : null;
        }

        var whole = at.Value ?? Made(at.Type);
        if (whole is null || Property((at.Type, whole), steps[0]) is not { } property)
        {
            return null;
        }

        var inner = Set((property.PropertyType, property.GetValue(whole)), steps[1..], value);
        if (inner is null && steps.Length > 1)
        {
            return null;
        }

        var copy = whole.GetType().GetMethod("<Clone>$")!.Invoke(whole, null)!;
        property.SetValue(copy, inner);
        return copy;
    }

    private static ImmutableArray<T> With<T>(ImmutableArray<T> list, int index, T value) => list.SetItem(index, value);

    private static string[] Steps(string place) => place.Split(['.', '[', ']'], StringSplitOptions.RemoveEmptyEntries);

    /// <summary>A field that is stored, by its name as it is spelled.</summary>
    private static PropertyInfo? Property((Type Type, object? Value) at, string name) =>
        (at.Value?.GetType() ?? at.Type).GetProperties(BindingFlags.Instance | BindingFlags.Public)
            .FirstOrDefault(p => p.CanWrite && char.ToLowerInvariant(p.Name[0]) + p.Name[1..] == name);

    /// <summary>What a list holds; null for what is none.</summary>
    private static Type? ListOf(Type type)
    {
        var own = Nullable.GetUnderlyingType(type) ?? type;
        return own.IsGenericType && own.GetGenericTypeDefinition() == typeof(ImmutableArray<>) ? own.GetGenericArguments()[0] : null;
    }

    private static (int Index, object Value)? Entry(object? list, string name)
    {
        var entries = (list as IEnumerable)?.Cast<object>().ToList() ?? [];
        var at = entries.FindIndex(e => PlaceIn.NameOf(e) == name);
        at = at < 0 && int.TryParse(name, NumberStyles.None, CultureInfo.InvariantCulture, out var number)
            && number < entries.Count && PlaceIn.NameOf(entries[number]) is null ? number : at;
        return at < 0 ? null : (at, entries[at]);
    }

    /// <summary>What may be left out, with all of it left to its defaults.</summary>
    private static object? Made(Type type) =>
        type == typeof(Losses) ? new Losses() : type == typeof(MeasuringTools) ? new MeasuringTools()
        : type == typeof(Base) ? new Base(PieceKind.Panel, BaseMaterial.BirchPly) : null;

    [GeneratedRegex(@"\[[^\]]*\]")]
    private static partial Regex Names();
}
