using System.Text.Json.Nodes;
using MossLantern.Core.Documents;
using OpenQA.Selenium;

namespace MossLantern.Browser.Tests;

/// <summary>Keys as the browser's protocol takes them.</summary>
internal static class KeyStrokes
{
    private static readonly Dictionary<string, (string Key, int Code, string? Text)> Named = new()
    {
        [Keys.Tab] = ("Tab", 9, null),
        [Keys.Enter] = ("Enter", 13, "\r"),
        [Keys.Escape] = ("Escape", 27, null),
        [Keys.Backspace] = ("Backspace", 8, null),
        [Keys.Delete] = ("Delete", 46, null),
        [Keys.Space] = (" ", 32, " "),
        [Keys.Home] = ("Home", 36, null),
        [Keys.End] = ("End", 35, null),
        [Keys.PageUp] = ("PageUp", 33, null),
        [Keys.PageDown] = ("PageDown", 34, null),
        [Keys.ArrowLeft] = ("ArrowLeft", 37, null),
        [Keys.ArrowUp] = ("ArrowUp", 38, null),
        [Keys.ArrowRight] = ("ArrowRight", 39, null),
        [Keys.ArrowDown] = ("ArrowDown", 40, null),
    };

    private static readonly Dictionary<char, int> Modifiers = new() { [Keys.Alt[0]] = 1, [Keys.Control[0]] = 2, [Keys.Shift[0]] = 8 };

    /// <summary>Key downs and ups of a word, a named key, or either with modifiers held.</summary>
    public static IEnumerable<JsonObject> Of(string keys)
    {
        var held = keys.TakeWhile(Modifiers.ContainsKey).Sum(c => Modifiers[c]);
        return keys.SkipWhile(Modifiers.ContainsKey).SelectMany(c => Stroke(c, held));
    }

    private static IEnumerable<JsonObject> Stroke(char c, int held)
    {
        var (key, code, text) = Named.TryGetValue(c.ToString(), out var named) ? named
            : (c.ToString(), char.IsAsciiLetterOrDigit(c) ? char.ToUpperInvariant(c) : 0, c.ToString());
        var down = new JsonObject
        {
            ["type"] = text is null || (held & 3) != 0 ? "rawKeyDown" : "keyDown",
            ["key"] = key,
            ["windowsVirtualKeyCode"] = code,
            ["modifiers"] = held
        };
        if (key == " " || key.Length > 1)
        {
            down["code"] = key == " " ? "Space" : key;
        }
        else if (char.IsAsciiLetterOrDigit(c))
        {
            down["code"] = char.IsAsciiDigit(c) ? $"Digit{c}" : $"Key{char.ToUpperInvariant(c)}";
        }

        if (text is not null && (held & 3) == 0)
        {
            down["text"] = text;
        }

        yield return down;
        yield return new() { ["type"] = "keyUp", ["key"] = key, ["windowsVirtualKeyCode"] = code, ["modifiers"] = held };
    }
}
