using System.Globalization;
using System.Text.RegularExpressions;
using MossLantern.Core.Units;

namespace MossLantern.Web.Tests;

/// <summary>Reads the words of a formula as a person would and works them out over the inputs that are shown with a number.</summary>
internal sealed partial class FormulaWords(Reckoned of)
{
    private static readonly string[] Functions = ["min(", "exp(", "tan(", "√(", "∑(", "⌈"];
    private string text = "";
    private int at;
    private string? group;

    private readonly HashSet<string> named = [];

    /// <summary>The value that the words give, the inputs they name, and those of their clauses that do not hold.</summary>
    public static (double Value, IReadOnlySet<string> Named, List<string> Untrue) Of(Reckoned of, string words)
    {
        var reader = new FormulaWords(of);
        var value = reader.Main(reader.WithOptions(words), out var untrue);
        return (value, reader.named, untrue);
    }

    /// <summary>A part in brackets counts where an input that it names is shown.</summary>
    private string WithOptions(string words) =>
        Brackets()
        .Replace(words, m => of.Inputs.Any(i => m.Groups[1].Value.Contains(i.Name, StringComparison.Ordinal)) ? m.Groups[1].Value : "");

    private double Main(string words, out List<string> untrue)
    {
        untrue = [];
        var clauses = words.Split(';', StringSplitOptions.TrimEntries);
        foreach (var clause in clauses.Skip(1))
        {
            // A clause defines an input of the first, or is there to be read.
            var input = of.Inputs.FirstOrDefault(i => clause.StartsWith(i.Name + " = ", StringComparison.Ordinal));
            if (input is not null)
            {
                named.Add(input.Name);
                var value = Read(clause[(input.Name.Length + 3)..]);
                if (!Near(value, input.Value))
                {
                    untrue.Add($"{clause}: {value} and not {input.Value}");
                }
            }
            else
            {
                named.UnionWith(of.Inputs.Where(i => clause.Contains(i.Name, StringComparison.Ordinal)).Select(i => i.Name));
            }
        }

        var main = clauses[0];
        if (main.StartsWith("the sum of ", StringComparison.Ordinal))
        {
            return All().Sum();
        }

        if (main.StartsWith("the smallest of ", StringComparison.Ordinal))
        {
            return All().Min();
        }

        if (main.StartsWith("the largest of ", StringComparison.Ordinal))
        {
            return All().Max();
        }

        if (main.StartsWith("as it was read or stated", StringComparison.Ordinal))
        {
            return All().Single();
        }

        const string tangent = "the angle whose tangent is ";
        if (main.StartsWith(tangent, StringComparison.Ordinal))
        {
            return Math.Atan(Read(main[tangent.Length..])) * 180 / Math.PI;
        }

        if (main.Split(", to the ") is [var first, var step])
        {
            var by = Input(step).Value;
            return Math.Round(Read(first) / by, MidpointRounding.AwayFromZero) * by;
        }

        return Read(main);
    }

    public static bool Near(double a, double b) => Math.Abs(a - b) <= 1e-6 * Math.Max(1e-3, Math.Max(Math.Abs(a), Math.Abs(b)));

    private IEnumerable<double> All()
    {
        named.UnionWith(of.Inputs.Select(i => i.Name));
        return of.Inputs.Select(i => i.Value);
    }

    private ReckonedInput Input(string name)
    {
        named.Add(name);
        return of.Inputs.Single(i => i.Name == name);
    }

    private double Read(string expression)
    {
        var (wasText, wasAt) = (text, at);
        (text, at) = (expression.Trim(), 0);
        var value = Sum();
        if (at < text.Length)
        {
            throw new FormatException($"'{text[at..]}' is no arithmetic, in '{expression}'");
        }

        (text, at) = (wasText, wasAt);
        return value;
    }

    private double Sum()
    {
        var value = Product();
        while (true)
        {
            if (Took("+"))
            {
                value += Product();
            }
            else if (Took("−"))
            {
                value -= Product();
            }
            else
            {
                return value;
            }
        }
    }

    private double Product()
    {
        var value = Power();
        while (true)
        {
            if (Took("×"))
            {
                value *= Power();
            }
            else if (Took("÷"))
            {
                value /= Power();
            }
            else
            {
                return value;
            }
        }
    }

    private double Power()
    {
        var value = Atom();
        return Took("^") ? Math.Pow(value, Atom()) : value;
    }

    private double Atom()
    {
        if (Took("−"))
        {
            return -Power();
        }

        if (Took("("))
        {
            return Closed(Sum());
        }

        if (Took("π"))
        {
            return Math.PI;
        }

        foreach (var function in Functions)
        {
            if (Took(function))
            {
                return Called(function);
            }
        }

        if (Took("|"))
        {
            var inner = Sum();
            Assert.True(Took("|"));
            return Math.Abs(inner);
        }

        if (Number().Match(text, at) is { Success: true } number)
        {
            at += number.Length;
            return double.Parse(number.Value, CultureInfo.InvariantCulture);
        }

        return Named();
    }

    private double Called(string function)
    {
        switch (function)
        {
            case "⌈":
                var inner = Sum();
                Assert.True(Took("⌉"));
                return Math.Ceiling(inner - 1e-9);
            case "∑(":
                return EachGroup();
            case "min(":
                var least = Sum();
                while (Took(","))
                {
                    least = Math.Min(least, Sum());
                }

                return Closed(least);
            case "exp(":
                return Math.Exp(Closed(Sum()));
            case "tan(":
                return Math.Tan(Closed(Sum()) * Math.PI / 180);
            default:
                return Math.Sqrt(Closed(Sum()));
        }
    }

    /// <summary>A sum over inputs of the same beginnings: "area under the hollow" × "depth under the hollow", and so on.</summary>
    private double EachGroup()
    {
        var from = at;
        var first = text[from..].TrimStart().Split([' ', ')'], 2)[0];
        var sum = 0.0;
        var groups = of.Inputs.Where(i => i.Name.StartsWith(first, StringComparison.Ordinal)).Select(i => i.Name[first.Length..]).ToList();
        for (var i = 0; i < groups.Count; i++)
        {
            (at, group) = (from, groups[i]);
            sum += Closed(Sum());
        }

        if (groups.Count == 0)
        {
            at = text.IndexOf(')', from) + 1;
        }

        group = null;
        return sum;
    }

    private double Named()
    {
        var here = text[at..];
        if (group is not null)
        {
            // Within a sum, the longest beginning that with the group's ending is an input.
            var within = of.Inputs.Where(i => i.Name.EndsWith(group, StringComparison.Ordinal))
                .Select(i => (Input: i, Start: i.Name[..^group.Length].TrimEnd()))
                .Concat(of.Inputs.Where(i => i.Name.EndsWith(group, StringComparison.Ordinal)
                    && here.StartsWith("resin of", StringComparison.Ordinal)).Select(i => (Input: i, Start: "resin of")))
                .Where(x => x.Start.Length > 0 && here.StartsWith(x.Start, StringComparison.Ordinal))
                    .OrderByDescending(x => x.Start.Length).ToList();
            if (within.Count > 0)
            {
                named.Add(within[0].Input.Name);
                at += within[0].Start.Length;
                return within[0].Input.Value;
            }
        }

        var input = of.Inputs.Where(i => here.StartsWith(i.Name, StringComparison.Ordinal)).MaxBy(i => i.Name.Length)
            ?? throw new FormatException(
                $"'{here}' names no input that is shown; there are {string.Join(", ", of.Inputs.Select(i => i.Name))}");
        at += input.Name.Length;
        named.Add(input.Name);
        return input.Value;
    }

    private double Closed(double value)
    {
        Assert.True(Took(")"), $"no end of a bracket in '{text}' at '{text[at..]}'");
        return value;
    }

    private bool Took(string sign)
    {
        var from = at;
        while (from < text.Length && text[from] == ' ')
        {
            from++;
        }

        if (string.CompareOrdinal(text, from, sign, 0, sign.Length) != 0)
        {
            at = from;
            return false;
        }

        at = from + sign.Length;
        while (at < text.Length && text[at] == ' ')
        {
            at++;
        }

        return true;
    }

    [GeneratedRegex(@"\[([^\]]*)\]")]
    private static partial Regex Brackets();

    [GeneratedRegex(@"\G\d+(\.\d+)?")]
    private static partial Regex Number();
}
