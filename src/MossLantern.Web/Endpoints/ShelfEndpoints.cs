using System.Collections.Immutable;
using System.Text.Json;
using Microsoft.AspNetCore.Http.HttpResults;
using MossLantern.Core.Documents;
using MossLantern.Core.Edits;
using MossLantern.Core.Grounds;
using MossLantern.Core.Materials;
using MossLantern.Core.Painting;
using MossLantern.Data;
using MossLantern.Formats;
using MossLantern.Pictures;
using MossLantern.Web.Hosting;
using MossLantern.Web.Reckoner;

namespace MossLantern.Web.Endpoints;

/// <summary>
/// What the shelf asks for. These few have routes of their own, ahead of all others: those know every type of a piece and take more than a
/// second to be made after a start. Nothing in here reads a document, unless it has to paint it.
/// </summary>
internal static class ShelfEndpoints
{
    /// <summary>Whether a request is one of these. A list that is written to elsewhere is only read here.</summary>
    public static bool IsAsked(HttpRequest request) => request.Path.Value?.TrimEnd('/').ToLowerInvariant() switch
    {
        "/api/pieces" or "/api/workshop" => HttpMethods.IsGet(request.Method),
        "/api/aside" or "/api/fields" or "/api/ribbon" => true,
        { } path => path.StartsWith("/api/pieces/", StringComparison.Ordinal) && path.EndsWith("/picture.png", StringComparison.Ordinal),
        null => false,
    };

    public static void MapShelf(this IEndpointRouteBuilder app)
    {
        var api = app.MapGroup("/api");
        api.MapGet("/pieces", (Overview overview) => overview.Shelf());
        api.MapGet("/aside", (Overview overview) => overview.Aside());
        api.MapGet("/ribbon", (Overview overview) => overview.Ribbon());
        api.MapGet("/workshop", WorkshopEndpoints.View);
        api.MapGet("/fields", (WayList ways) => new FieldsView(PieceFields.Ranges, PieceFields.Most, UsualBy(ways.Now), Unpainted));
        api.MapGet("/pieces/{id}/picture.png", PictureAsync);
    }

    /// <summary>Works out once what the shelf will ask for, so that it is told at once when it asks.</summary>
    public static void LookOver(IServiceProvider services)
    {
        var overview = services.GetRequiredService<Overview>();
        var workshop = WorkshopEndpoints.View(services.GetRequiredService<SettingStore>(), services.GetRequiredService<WorkshopTime>());
        foreach (var told in (object[])[workshop, overview.Shelf(), overview.Ribbon(), overview.Aside()])
        {
            JsonSerializer.SerializeToUtf8Bytes(told, told.GetType(), WorkshopJson.FromOutside);
        }
    }

    private static async Task<Results<FileContentHttpResult, ProblemHttpResult>> PictureAsync(
        string id, int? width, int? revision, [AsParameters] LookQuery query, HttpContext context, PieceStore pieces,
        KeptPictures kept, WorkshopSurroundings around)
    {
        var pixels = width ?? DefaultPixels;
        if (pixels is < LeastPixels or > MostPixels)
        {
            return ProblemHandler.Invalid(
                new() { ["width"] = [$"The picture's width must be from {LeastPixels} to {MostPixels} pixels."] });
        }

        // One that is kept is sent without its document being read.
        if (revision is null && pieces.Head(id) is { } head && query.Read(out _) == Look.Usual
            && kept.Of(KeyOf(head.Version, Narrowed(pixels, head.WidthMm / head.HeightMm), Look.Usual)) is { } there)
        {
            return Sent(there);
        }

        if (PieceEndpoints.At(pieces, id, revision) is not var (piece, version))
        {
            return PieceEndpoints.NoPiece();
        }

        if (PieceEndpoints.Looked(query, piece, out var look) is { } refused)
        {
            return refused;
        }

        var outline = piece.Ground.Whole;
        var wideOverHigh = outline.BoxWidthMm / outline.BoxHeightMm;
        pixels = Narrowed(pixels, wideOverHigh);
        var key = version is { } now ? KeyOf(now, pixels, look!) : null;
        if (kept.Of(key) is not { } png)
        {
            using var turn = await PictureTurn.For(pixels, 1 / wideOverHigh, context.RequestAborted);
            turn.Begin();
            png = SkiaBrush.Png(context.RequestServices.GetRequiredService<Workbench>().Paint(piece, null, PaintDetail.Full, look), pixels);
            kept.Keep(key, png);
        }

        return Sent(png);

        PictureKey KeyOf(int of, int wide, Look seen) => new(id, of, wide, seen, KeptPictures.MarkOf(around.Catalogue));

        FileContentHttpResult Sent(byte[] picture)
        {
            // The page asks for a picture by its version and the moment of its save, so it may keep it for as long as it wants.
            context.Response.Headers.CacheControl = context.Request.Query.ContainsKey("version")
                ? "private, max-age=31536000, immutable" : "no-cache";
            return TypedResults.File(picture, "image/png");
        }
    }

    private const int DefaultPixels = 2400;
    private const int LeastPixels = 16;
    private const int MostPixels = 6000;

    /// <summary>Most pixels of a picture: two slow cores paint and pack them in well under <see cref="WorkBound.MostWork"/>.</summary>
    private const double MostArea = 16_000_000;

    /// <summary>What would be too large to paint in time is made narrower, not begun.</summary>
    private static int Narrowed(int pixels, double wideOverHigh) =>
        Math.Clamp((int)Math.Min(MostPixels * wideOverHigh, Math.Sqrt(MostArea * wideOverHigh)), 1, pixels);

    private static readonly ImmutableArray<BaseMaterial> Unpainted = [.. Enum.GetValues<BaseMaterial>().Where(m => !m.TakesPaint())];

    /// <summary>What counts where a field is left empty, by how the person works.</summary>
    private static ImmutableDictionary<string, double> UsualBy(Habits ways) => UsualValues
        .Add("sittings.reservePercent", ways.ReservePercent)
        .Add("sittings.tools.cupStepMl", ways.CupStepMl)
        .Add("sittings.tools.scaleStepG", ways.ScaleStepG)
        .Add("sittings.tools.jugMl", ways.JugMl);

    /// <summary>What counts where a field is left empty, whoever works.</summary>
    private static readonly ImmutableDictionary<string, double> UsualValues = ReckonerFields.AllUsual.ToImmutableDictionary()
        .Add("ground.paint.dryHours.water", Preparation.WaterPaintHours)
        .Add("ground.paint.dryHours.oil", Preparation.OilPaintHours)
        .Add("ground.base.barWidthMm", Core.Documents.Base.UsualBarMm)
        .Add("sittings.roomC", TypicalMaterials.ReferenceC)
        .Add("runs.donePercent", 100 * Core.Journal.LoggedPour.DoneShare)
        .Add("layers.layout.bands.lineThroughMm", BandThrough.WiderThanMm)
        .Add("kept.clearMm", ReservedSpot.UsualClearMm)
        .AddRange(Enum.GetValues<FillWay>().Where(w => Fill.UsualMm(w) is not null)
            .Select(w => KeyValuePair.Create($"sittings.fills.{JsonNamingPolicy.KebabCaseLower.ConvertName(w.ToString())}",
                Fill.UsualMm(w)!.Value)));
}
