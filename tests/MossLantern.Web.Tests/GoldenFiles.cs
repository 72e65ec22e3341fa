using System.Net;
using System.Net.Http.Json;
using System.Text.Json;
using System.Text.Json.Nodes;
using Microsoft.Data.Sqlite;
using MossLantern.Core.Documents;
using MossLantern.Data;
using MossLantern.Formats;
using NodaTime;
using static MossLantern.Web.Tests.TestHost;

namespace MossLantern.Web.Tests;

/// <summary>
/// Writes the golden files of the format as it is now: documents of every kind, a document of every layout, and a workshop
/// in which everything has happened. Run by hand, once for each format, before the next one lands:
/// <c>MOSS_LANTERN_GOLDEN=folder MossLantern.Web.Tests -explicit only -class MossLantern.Web.Tests.GoldenFiles</c>.
/// </summary>
public sealed class GoldenFiles : IDisposable
{
    private readonly TestHost host = new(demo: true);

    public void Dispose() => host.Dispose();

    [Fact(Explicit = true)]
    public async Task Documents_and_a_workshop_are_written()
    {
        var folder = Environment.GetEnvironmentVariable("MOSS_LANTERN_GOLDEN");
        Assert.True(folder is not null, "MOSS_LANTERN_GOLDEN says where to.");
        Directory.CreateDirectory(folder);
        var marsh = DemoDocuments.All.First().Piece;
        var shared = marsh with
        {
            Sittings = [marsh.Sittings[0] with
            {
                Batches = [new("first", ["smoke", "moss"], 700, [new("smoke", 60)]), new("second", ["smoke"], null, [new("smoke", 40)])],
            }, .. marsh.Sittings.Skip(1)],
        };
        foreach (var (name, piece) in DemoDocuments.All.Append(("one colour from several batches", shared)))
        {
            await File.WriteAllTextAsync(Path.Combine(folder, $"{name.Replace(' ', '-')}.json"), PieceJson.Write(piece));
        }

        var (_, worked) = await BadValueTests.Worked(host);
        var casting = await Kept(folder, "casting-with-an-insert", worked);
        foreach (var layout in BadValueTests.Layouts.Select(l => l.Data))
        {
            await Kept(folder, $"layout-{layout}-and-a-zone-of-it", BadValueTests.Laid(worked, layout));
        }

        var pair = worked.DeepClone().AsObject();
        BadValueTests.Panel(pair["ground"]!);
        pair["layers"]!.AsArray().RemoveAt(1);
        pair["sittings"]!.AsArray().RemoveAt(1);
        await Kept(folder, "pair-over-older-work", pair);
        foreach (var kind in new[] { "panel", "slice", "frame", "casting" })
        {
            foreach (var shape in new[] { "rectangle", "round", "oval", "slice" })
            {
                JsonObject[] change = [Do("become-kind", ("kind", kind)), Do("shape-outline", ("shape", shape)),
                    Do("open-outline", ("open", true))];
                using var answer = await host.TryEditGround(Ground(300, 200), change);
                if (answer.StatusCode == HttpStatusCode.OK)
                {
                    var view = await host.AddPiece($"{kind} {shape}", Parsed(await answer.Content.ReadAsStringAsync()));
                    await Kept(folder, $"kind-{kind}-{shape}", PieceApiTests.WithBands(view)["piece"]!.AsObject());
                }
            }
        }

        foreach (var material in new[] { "birch-ply", "mdf", "pine", "acrylic", "glass", "canvas", "resin",
            "casting-sheet", "metal-rim", "cradled-panel", "painting" })
        {
            var ground = Ground(200, 150);
            ground["base"] = Parsed($$"""
                { "kind": "panel", "material": "{{material}}", "thicknessMm": 9, "backStiffened": false,
                "gapsSealed": false, "sealTested": false }
                """);
            await Kept(folder, $"base-{material}", (await host.AddPiece(material, ground))["piece"]!.AsObject());
        }

        await Everything((string)casting["id"]!);
        await using var file = new SqliteConnection($"Data Source={Path.Combine(host.Folder, WorkshopDatabase.FileName)};Pooling=False");
        file.Open();
        await using var command = file.CreateCommand();
        command.CommandText = $"vacuum into '{Path.Combine(folder, "workshop.db")}'";
        await command.ExecuteNonQueryAsync();
    }

    /// <summary>Brings a document in, and keeps what is given out of it again.</summary>
    private async Task<JsonObject> Kept(string folder, string name, JsonObject piece)
    {
        piece = piece.DeepClone().AsObject();
        piece["name"] = name;
        var text = new JsonObject
        {
            ["format"] = PieceJson.Format,
            ["formatVersion"] = Piece.FormatVersion,
            ["piece"] = piece
        }.ToJsonString();
        var view = await Read(await host.Client.PostAsJsonAsync("/api/pieces/import", new { text }), HttpStatusCode.Created);
        var given = JsonNode.Parse(await host.Client.GetStringAsync($"/api/pieces/{view["id"]}/piece.json"))!;
        await File.WriteAllTextAsync(Path.Combine(folder, $"{name}.json"),
            given.ToJsonString(new JsonSerializerOptions { WriteIndented = true }));
        return view;
    }

    /// <summary>Steps back and forward, names, copies, reworks, logs, takes off the shelf and puts back.</summary>
    private async Task Everything(string castingId)
    {
        var view = await host.Get("/api/pieces/water-mint");
        for (var step = 0; step < 4; step++)
        {
            host.Clock.Advance(Duration.FromMinutes(3));
            view["piece"]!["layers"]![0]!["depthMm"] = 2.5 + 0.25 * step;
            view = await host.Save(view);
        }

        (await host.Client.PostAsJsonAsync("/api/pieces/water-mint/versions",
            new { basedOn = (int)view["version"]!, name = "Thickest" })).EnsureSuccessStatusCode();
        foreach (var step in new[] { "undo", "undo", "redo" })
        {
            view = await Read(await host.Client
                .PostAsJsonAsync("/api/pieces/water-mint/step", new { basedOn = (int)view["version"]!, step }), HttpStatusCode.OK);
        }

        view["piece"]!["name"] = "Water Mint again";
        await host.Save(view);
        var run = new JsonObject
        {
            ["basedOn"] = 0,
            ["sittingId"] = "layer-1",
            ["start"] = "2026-05-01T09:00:00",
            ["end"] = "2026-05-01T09:20:00",
            ["roomC"] = 21,
            ["note"] = "The well first.",
            ["pours"] = new JsonArray(new JsonObject { ["regionId"] = "heart", ["pouredMl"] = 1.5 }),
            ["evenSo"] = true,
        };
        await Read(await host.Client
            .PutAsJsonAsync($"/api/pieces/{castingId}/runs/0c4b2a52-6b0f-4a7e-9f0e-3f2d7d0f4a22", run), HttpStatusCode.OK);
        await Read(await host.Client.PostAsync("/api/pieces/peat-pool/rework", null), HttpStatusCode.Created);
        var colour = (string)(await host.Get("/api/pieces/sundew-pair"))["piece"]!["recipes"]![0]!["colour"]!;
        await Read(await host.Client.PostAsJsonAsync("/api/pieces/sundew-pair/copy",
            new { name = "Sundew again", colours = new[] { new { from = colour, to = "#9a4f26" } } }), HttpStatusCode.Created);
        (await host.Client.DeleteAsync("/api/pieces/heron-tray")).EnsureSuccessStatusCode();
        await Read(await host.Client.PutAsJsonAsync("/api/workshop", new { timeZone = "Europe/Dublin" }), HttpStatusCode.OK);
        var light = (await host.Get("/api/pieces/marsh-light"))["piece"]!;
        (await host.Client.PostAsJsonAsync("/api/sequences",
            new
            {
                name = "Marsh",
                layout = light["layers"]![0]!["layout"],
                recipes = light["recipes"],
                acrossMm = 180
            })).EnsureSuccessStatusCode();
    }
}
