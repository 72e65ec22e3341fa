using System.Text.Json;
using System.Text.RegularExpressions;
using FluentValidation;
using Microsoft.AspNetCore.Diagnostics;
using Microsoft.AspNetCore.Http.HttpResults;
using Microsoft.Data.Sqlite;
using MossLantern.Data;
using MossLantern.Formats;
using MossLantern.Web.Endpoints;
using MossLantern.Web.Reckoner;
using NodaTime.Text;

namespace MossLantern.Web.Hosting;

/// <summary>Turns what can go wrong into problem details with a sentence a person can use.</summary>
public sealed partial class ProblemHandler(ILogger<ProblemHandler> log) : IExceptionHandler
{
    /// <inheritdoc/>
    public async ValueTask<bool> TryHandleAsync(HttpContext httpContext, Exception exception, CancellationToken cancellationToken)
    {
        ArgumentNullException.ThrowIfNull(httpContext);
        IResult? problem = exception switch
        {
            ValidationException e => Invalid(e.Errors.GroupBy(f => CamelPath(f.PropertyName))
                .ToDictionary(g => g.Key, g => g.Select(f => f.ErrorMessage).Distinct().ToArray())),
            RefusedException e => Invalid(new() { [e.Place] = [e.Message] }),
            StaleVersionException e => TypedResults.Problem(
                title: "Changed elsewhere",
                detail: "This was saved in another window since you opened it. Your version is still on your screen.",
                statusCode: StatusCodes.Status409Conflict,
                extensions: new Dictionary<string, object?> { ["newest"] = e.Newest }),
            TakenIdException e => TypedResults.Problem(
                title: "Another piece's", detail: e.Message + " Nothing was written.", statusCode: StatusCodes.Status409Conflict),
            UnplannableException => TypedResults.Problem(
                title: "Cannot be worked out",
                detail: "This cannot be worked out, although each value is in its range. "
                    + "Nothing was saved; the piece on the shelf is as it was: go on from there with another value, "
                    + "or take up an earlier version.",
                statusCode: StatusCodes.Status422UnprocessableEntity),
            PieceFormatException e => TypedResults.Problem(
                title: "Cannot be read", detail: e.Message + " The other pieces are not touched by it.",
                statusCode: StatusCodes.Status422UnprocessableEntity),
            BadHttpRequestException { InnerException: JsonException json } =>
                Unreadable(json, httpContext.Request.Path.StartsWithSegments("/api/reckon", StringComparison.Ordinal)),

            // The name of a field with half a character in it.
            InvalidOperationException { Source: "System.Text.Json" } =>
                Invalid(new() { [""] = ["The request is not valid JSON: it holds a character that is none."] }),

            // A choice of forms, such as an outline's, that does not say which form it is.
            NotSupportedException e when Formless().Match(e.Message) is { Success: true } found => Invalid(new()
            {
                [found.Groups[1].Value] = [$"{found.Groups[1].Value} must say which shape it is."],
            }),
            BadHttpRequestException { StatusCode: StatusCodes.Status413PayloadTooLarge } => TypedResults.Problem(
                title: "Too large", detail: "That is too large: a request may have up to 2 MB, a drawing up to 5 MB.",
                statusCode: StatusCodes.Status413PayloadTooLarge),
            BadHttpRequestException { StatusCode: StatusCodes.Status415UnsupportedMediaType } => TypedResults.Problem(
                title: "Not JSON", detail: "Send the request as application/json.", statusCode: StatusCodes.Status415UnsupportedMediaType),
            BadHttpRequestException e => TypedResults.Problem(
                title: "The request cannot be read", detail: e.Message, statusCode: e.StatusCode),
            SqliteException { SqliteErrorCode: 5 or 6 } => TypedResults.Problem(
                title: "Busy", detail: "The workshop file is in use by another program. Nothing was saved; try again in a moment.",
                statusCode: StatusCodes.Status503ServiceUnavailable),
            SqliteException e => TypedResults.Problem(
                title: "Not saved",
                detail: e.SqliteErrorCode switch
                {
                    8 => "The workshop file is read-only now. Nothing was saved; make it writable again.",
                    13 => "The disk is full. Nothing was saved; make room.",
                    _ => $"The workshop file could not be used: {e.Message}",
                },
                statusCode: StatusCodes.Status503ServiceUnavailable),
            _ => null,
        };
        if (problem is null)
        {
            return false;
        }

        if (exception is SqliteException)
        {
            log.LogError(exception, "The workshop file could not be used");
        }
        else if (exception is UnplannableException)
        {
            log.LogError(exception, "A piece could not be worked out");
        }

        await problem.ExecuteAsync(httpContext);
        return true;
    }

    /// <summary>A problem that names each field and its range.</summary>
    public static ProblemHttpResult Invalid(Dictionary<string, string[]> errors) => TypedResults.Problem(
        title: "Some values are not accepted",
        detail: string.Join(" ", errors.SelectMany(e => e.Value).Distinct().Take(4)),
        statusCode: StatusCodes.Status400BadRequest,
        extensions: new Dictionary<string, object?> { ["errors"] = errors });

    private static ProblemHttpResult Unreadable(JsonException json, bool sum)
    {
        // "$.layers[0].depthMm" becomes "layers[0].depthMm".
        var field = (json.Path ?? "$").TrimStart('$').TrimStart('.');
        var what = json is UnsoundValueException ? json.Message : json.InnerException is UnparsableValueException
            ? "is not a date or time in the form 2026-05-01T14:30:00"
            : "is missing, unknown or of the wrong type";
        var sentence = sum && ReckonerFields.Sentence(field) is { } takes ? takes : field.Length > 0
            ? $"{field} {what}." : "The request is not valid JSON, or a field of it is missing or unknown.";
        return Invalid(new() { [field] = [sentence] });
    }

    [GeneratedRegex(@"type discriminator.*Path: \$\.([^ |]+)", RegexOptions.Singleline)]
    private static partial Regex Formless();

    private static string CamelPath(string path) => NameStart().Replace(path, m => m.Value.ToLowerInvariant());

    /// <summary>The first letter of a name; ids stand in brackets and are left alone.</summary>
    [GeneratedRegex(@"(?<=^|\.)(?<!\[[^\]]*)[A-Z]")]
    private static partial Regex NameStart();
}
