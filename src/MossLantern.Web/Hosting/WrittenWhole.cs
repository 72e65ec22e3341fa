using System.Text.Json;
using Microsoft.AspNetCore.Http.Json;
using Microsoft.Extensions.Options;
using MossLantern.Web.Endpoints;

namespace MossLantern.Web.Hosting;

/// <summary>
/// Writes an answer whole before its first byte is sent: what cannot be written is told in words, and nobody is left with a part
/// of an answer that says that all is well.
/// </summary>
internal sealed class WrittenWhole(IOptions<JsonOptions> json) : IEndpointFilter
{
    /// <inheritdoc/>
    public async ValueTask<object?> InvokeAsync(EndpointFilterInvocationContext context, EndpointFilterDelegate next)
    {
        var made = await next(context);
        var result = made is INestedHttpResult nested ? nested.Result : made;
        return result is IValueHttpResult { Value: { } value }
            && result is IStatusCodeHttpResult { StatusCode: null or (>= 200 and < 300) } answer
            ? new Written(Bytes(value), answer.StatusCode ?? StatusCodes.Status200OK, LocationOf(result))
            : made;
    }

    private byte[] Bytes(object value)
    {
        try
        {
            return JsonSerializer.SerializeToUtf8Bytes(value, value.GetType(), json.Value.SerializerOptions);
        }
        catch (ArgumentException e)
        {
            // The one thing that it cannot write is a number that is none.
            throw new UnplannableException(e);
        }
    }

    private static string? LocationOf(object result) => result.GetType().GetProperty("Location")?.GetValue(result) as string;

    private sealed class Written(byte[] bytes, int status, string? location) : IResult
    {
        public async Task ExecuteAsync(HttpContext httpContext)
        {
            httpContext.Response.StatusCode = status;
            httpContext.Response.ContentType = "application/json; charset=utf-8";
            httpContext.Response.ContentLength = bytes.Length;
            if (location is not null)
            {
                httpContext.Response.Headers.Location = location;
            }

            await httpContext.Response.Body.WriteAsync(bytes, httpContext.RequestAborted);
        }
    }
}
