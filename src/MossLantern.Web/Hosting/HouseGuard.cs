namespace MossLantern.Web.Hosting;

/// <summary>
/// Keeps the house closed: a page of another origin may not write, and our own pages run no script but ours.
/// Foreign host names are refused before this by the host filter.
/// </summary>
public sealed class HouseGuard(RequestDelegate next)
{
    private const string Policy =
        "default-src 'self'; img-src 'self' data: blob:; style-src 'self' 'unsafe-inline'; script-src 'self'; "
        + "object-src 'none'; base-uri 'none'; form-action 'self'; frame-ancestors 'none'";

    /// <summary>Handles a request.</summary>
    public Task InvokeAsync(HttpContext context)
    {
        ArgumentNullException.ThrowIfNull(context);
        var headers = context.Response.Headers;
        headers.ContentSecurityPolicy = Policy;
        headers.XContentTypeOptions = "nosniff";
        headers["Referrer-Policy"] = "no-referrer";
        headers["Cross-Origin-Resource-Policy"] = "same-origin";
        if (!IsRead(context.Request.Method) && !IsOurs(context.Request))
        {
            return Results.Problem(
                title: "This page may not write here.",
                detail: "Writes are taken from the workshop's own pages and from scripts on this machine only.",
                statusCode: StatusCodes.Status403Forbidden).ExecuteAsync(context);
        }

        return next(context);
    }

    private static bool IsRead(string method) =>
        HttpMethods.IsGet(method) || HttpMethods.IsHead(method) || HttpMethods.IsOptions(method);

    private static bool IsOurs(HttpRequest request)
    {
        var origin = request.Headers.Origin.ToString();
        var site = request.Headers["Sec-Fetch-Site"].ToString();
        return (origin.Length == 0 || origin == $"{request.Scheme}://{request.Host}")
            && site is "" or "same-origin" or "none";
    }
}
