using System.Text.Json;
using MossLantern.Core.Documents;
using MossLantern.Core.Edits;
using MossLantern.Core.Map;
using MossLantern.Core.Materials;
using MossLantern.Core.Painting;
using MossLantern.Core.Planning;
using MossLantern.Core.Shapes;
using MossLantern.Formats;
using NodaTime;

namespace MossLantern.Web.Hosting;

/// <summary>
/// In the first lull after a start the endpoints are made, and a small map is grown and painted a few dozen times, so that the first piece
/// opens and the first drag runs as quickly as the tenth.
/// </summary>
public sealed class WarmUp(IServiceProvider services, Lull lull, StartOptions asked) : BackgroundService
{
    private const int Rounds = 60;

    /// <inheritdoc/>
    protected override async Task ExecuteAsync(CancellationToken stoppingToken)
    {
        await lull.First(stoppingToken);
        await Task.Run(() =>
        {
            _ = services.GetRequiredService<EndpointDataSource>().Endpoints;
            if (asked.WarmUp)
            {
                Grow(stoppingToken);
            }
        }, stoppingToken);
    }

    private static void Grow(CancellationToken stoppingToken)
    {
        var around = Surroundings.Usual(DateTimeZone.Utc);
        var planner = new PiecePlanner(new LayerMapper());
        var piece = FirstPiece.Of("Warm up", new(new RectangleOutline(120, 80), EdgeStyle.TapedClean, 10, "#ffffff"));
        var layer = piece.Layers[0];
        var (rings, colour) = ((RingsLayout)layer.Layout, piece.Recipes[0].Id);
        for (var i = 0; i < Rounds && !stoppingToken.IsCancellationRequested; i++)
        {
            var moved = piece with
            {
                Growth = piece.Growth with { GridMm = piece.Growth.GridMm * 2 },
                Layers =
                [
                    layer with
                    {
                        Layout = rings with
                        {
                            Hearts = [new("h1", 40 + i * 0.5, 30, 30, 20, 10, 8, 1), new("h2", 90, 60, 20, 20, 0, 8, 2)],
                            Bands = [new("b1", 6, false, colour), new("b2", 3, false, colour), .. rings.Bands],
                            HeartRecipeId = colour,
                        },
                    },
                ],
            };
            JsonSerializer.SerializeToUtf8Bytes(planner.Plan(moved, [], around), WorkshopJson.Options);
            JsonSerializer.SerializeToUtf8Bytes(planner
                .Paint(moved, around.Catalogue, null, i % 2 == 0 ? PaintDetail.Draft : PaintDetail.Full), WorkshopJson.Options);
        }
    }
}
