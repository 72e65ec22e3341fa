using System.Collections.Immutable;
using MossLantern.Core.Documents;
using MossLantern.Core.Materials;

namespace MossLantern.Core.Edits;

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
}
