using Microsoft.AspNetCore.StaticFiles;

namespace MossLantern.Web.Hosting;

/// <summary>Serves the built front end.</summary>
internal static class StaticAssets
{
    public static StaticFileOptions Options { get; } = new()
    {
        ContentTypeProvider = new FileExtensionContentTypeProvider(),
        OnPrepareResponse = served =>
        {
            // Built files carry a hash in their name and never change; the page itself is always asked for.
            var hashed = served.Context.Request.Path.StartsWithSegments("/assets", StringComparison.Ordinal);
            served.Context.Response.Headers.CacheControl = hashed ? "public, max-age=31536000, immutable" : "no-cache";
        },
    };

    /// <summary>Any address of the interface gets its one page; unknown addresses of the API get a problem.</summary>
    public static void MapFallbackToPage(this WebApplication app) =>
        app.MapFallbackToFile("{*path:regex(^(?!api(/|$)).*$):nonfile}", "index.html", Options);
}
