using System.Diagnostics.CodeAnalysis;
using FluentValidation;
using FluentValidation.Results;
using MossLantern.Core.Units;

namespace MossLantern.Web.Reckoner;

/// <summary>Takes the values of a sum out of a request, and gathers everything that is wrong with them before it complains.</summary>
internal sealed class Asked
{
    private readonly List<ValidationFailure> failures = [];

    /// <summary>A number that must be there.</summary>
    public double Number(double? value, string field) => Checked(value, field) ?? 0;

    /// <summary>A number with a default.</summary>
    public double Number(double? value, string field, double fallback) => value is null ? fallback : Number(value, field);

    /// <summary>A number with the usual default.</summary>
    public double Usual(double? value, string field) => Number(value, field, ReckonerFields.Usual(field));

    /// <summary>A whole number that must be there.</summary>
    public int Whole(int? value, string field) => (int)Number(value, field);

    /// <summary>Whether a part of the request that must be there is.</summary>
    public bool Has([NotNullWhen(true)] object? value, string field)
    {
        if (value is null)
        {
            Say(field, $"{field} is missing.");
        }

        return value is not null;
    }

    /// <summary>A list of so many, each taken by its own place.</summary>
    public List<TResult> List<T, TResult>(List<T>? values, string field, int from, int to, Func<T, string, TResult> take)
    {
        if (values is null || values.Count < from || values.Count > to)
        {
            Say(field, $"{field} must have from {from} to {to} entries.");
            return [];
        }

        return [.. values.Select((v, i) => take(v, $"{field}[{i}]"))];
    }

    /// <summary>A choice that must be there.</summary>
    public T Choice<T>(T? value, string field)
        where T : struct, Enum
    {
        if (value is null)
        {
            Say(field, ReckonerFields.Sentence(field) ?? $"{field} is missing.");
        }

        return value ?? default;
    }

    /// <summary>A colour that must be there.</summary>
    public Colour Colour(string? value, string field)
    {
        if (value is null || Core.Units.Colour.Parse(value) is not { } colour)
        {
            Say(field, ReckonerFields.Sentence(field)!);
            return default;
        }

        return colour;
    }

    /// <summary>Of two values exactly one must be given.</summary>
    public void One(double? first, string firstField, double? second, string secondField)
    {
        if (first is null == second is null)
        {
            var sentence = $"Give exactly one of {firstField} and {secondField}.";
            Say(firstField, sentence);
            Say(secondField, sentence);
        }
    }

    /// <summary>Says what is wrong with a field.</summary>
    public void Say(string field, string sentence) => failures.Add(new(field, sentence));

    /// <summary>Complains of everything that was wrong.</summary>
    /// <exception cref="ValidationException">Something was.</exception>
    public void Settle()
    {
        if (failures.Count > 0)
        {
            throw new ValidationException(failures);
        }
    }

    private double? Checked(double? value, string field)
    {
        var range = ReckonerFields.Range(field);
        if (value is { } v && range.Contains(v))
        {
            return v;
        }

        Say(field, range.Sentence);
        return null;
    }
}
