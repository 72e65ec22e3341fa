using System.Collections.Immutable;
using MossLantern.Core.Documents;
using MossLantern.Core.Map;
using MossLantern.Core.Materials;
using MossLantern.Core.Units;

namespace MossLantern.Core.Mixing;

/// <summary>Colours that something new is offered, in turn: our own names.</summary>
internal static class Palette
{
    private static readonly ImmutableArray<Recipe> Colours =
    [
        Recipe.Plain("", "moss", "#30503a", ColourantClass.Mica, 3),
        Recipe.Plain("", "bone", "#f0e8d5", ColourantClass.Paste, 4),
        Recipe.Plain("", "umber", "#57371f", ColourantClass.Paste, 3),
        Recipe.Plain("", "lichen", "#93a681", ColourantClass.Mica, 3),
        Recipe.Plain("", "gilt", "#c99b3a", ColourantClass.MetallicPaste, 5),
        Recipe.Plain("", "smoke", "#85888a", ColourantClass.Mica, 2.5),
        Recipe.Plain("", "heather", "#7d6a8f", ColourantClass.Mica, 3),
        Recipe.Plain("", "rust", "#9a4f26", ColourantClass.Paste, 3),
        Recipe.Plain("", "mere", "#3f6c74", ColourantClass.Mica, 3),
    ];

    /// <summary>What the bed of a first heart is offered.</summary>
    public static Recipe Amber { get; } = Recipe.Plain("", "amber", "#d07d1c", ColourantClass.Dye, 4);

    /// <summary>What a vein is offered.</summary>
    public static Recipe Gilt => Colours[4];

    /// <summary>The colour that a colourant of a class is offered in, as <c>#rrggbb</c>.</summary>
    public static string Of(ColourantClass colourant) => colourant switch
    {
        ColourantClass.Paste => "#f0e8d5",
        ColourantClass.MetallicPaste or ColourantClass.AcrylicMetallic => "#c99b3a",
        ColourantClass.Mica => "#d9c9a3",
        ColourantClass.Interference => "#b9c4d6",
        ColourantClass.AlcoholInk or ColourantClass.Dye => "#3f6c74",
        ColourantClass.Acrylic => "#9a4f26",
        _ => "#d8d4c8",
    };

    /// <summary>The first colour whose name is not among some.</summary>
    public static Recipe Next(IReadOnlyCollection<string> names) => Colours.FirstOrDefault(c => !names.Contains(c.Name))
        ?? Colours[0] with { Name = FormattableString.Invariant($"colour {names.Count + 1}") };

    /// <summary>All of them, a heart's amber last.</summary>
    public static IEnumerable<Recipe> All => Colours.Add(Amber);

    /// <summary>Words for colours that are none of those offered.</summary>
    private static readonly ImmutableArray<(string Name, string Hex)> More =
    [
        ("chalk", "#fbfaf6"), ("ash", "#c6c6c0"), ("slate", "#4d545a"), ("soot", "#17181a"), ("peat", "#2b1d14"),
        ("clay", "#b98a6a"), ("sand", "#d8c39a"),
        ("straw", "#e2cf6e"), ("marigold", "#f0a51e"), ("copper", "#b4673a"), ("ember", "#cf3f1c"),
        ("cranberry", "#9c1b2f"), ("sundew", "#c4455e"), ("dawn", "#eab8b0"),
        ("bog rose", "#d58aa4"), ("bilberry", "#3a2a52"), ("iris", "#5a4ba0"), ("dusk", "#2a3358"), ("rain", "#a9bfce"),
        ("kingfisher", "#1f7fb4"), ("deep water", "#12435a"),
        ("dragonfly", "#1fa39b"), ("reed", "#6f9440"), ("duckweed", "#a9cf4f"), ("fern", "#2f7a3d"), ("olive", "#6b6a2f"),
    ];

    private static readonly ImmutableArray<(string Name, Lab Lab)> Words =
        [.. All.Select(c => (c.Name, Lab.Of(Units.Colour.Of(c.Colour))))
            .Concat(More.Select(m => (m.Name, Lab.Of(Units.Colour.Of(m.Hex)))))];

    /// <summary>The word for a colour: that of the nearest of those that have one.</summary>
    /// <param name="colour">The colour at full cover.</param>
    public static string WordFor(Units.Colour colour)
    {
        var lab = Lab.Of(colour);
        return Words.MinBy(w => Lab.Difference(w.Lab, lab)).Name;
    }

    /// <summary>Whether a name is only a word for a colour, perhaps with a number: then it goes with the colour.</summary>
    /// <param name="name">A colour's name.</param>
    public static bool IsWord(string name)
    {
        var word = name.TrimEnd(' ', '0', '1', '2', '3', '4', '5', '6', '7', '8', '9');
        return word is "colour" or "clear" || Words.Any(w => w.Name.Equals(word, StringComparison.OrdinalIgnoreCase));
    }
}
