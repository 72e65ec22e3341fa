using System.Globalization;
using System.Net;
using System.Net.Http.Json;
using System.Text.Json.Nodes;
using MossLantern.Core.Documents;
using MossLantern.Core.Units;
using static MossLantern.Web.Tests.TestHost;

namespace MossLantern.Web.Tests;

/// <summary>Fields that the demo's documents leave empty, filled with what is just accepted: all of it is worked out or refused in
/// words.</summary>
public sealed class EmptyFieldTests : IDisposable
{
    private readonly TestHost host = new(demo: true);

    public void Dispose() => host.Dispose();

    [Fact]
    public async Task What_the_demo_leaves_empty_is_worked_out_or_refused_at_both_ends_of_its_range()
    {
        var pieces = new Dictionary<string, JsonObject>();
        foreach (var piece in await host.List("/api/pieces"))
        {
            pieces[(string)piece!["id"]!] = await host.Get($"/api/pieces/{piece["id"]}");
        }

        var tried = 0;
        foreach (var (field, range) in PieceFields.Ranges)
        {
            // The first piece in which it can stand and does not.
            if (pieces.Select(p => (p.Key, View: p.Value, Place: PlaceOf(p.Value["piece"]!, field))).FirstOrDefault(p =>
                p.Place is not null)
                is not { Place: { } place } found)
            {
                continue;
            }

            tried++;
            foreach (var value in (double[])[range.FromExcluded ? range.From + (range.To - range.From) * 1e-6 : range.From, range.To])
            {
                using var answer = await host.Client.PostAsJsonAsync($"/api/pieces/{found.Key}/preview", new JsonObject
                {
                    ["commands"] = new JsonArray(Do("set-field", ("place", place), ("value", value))),
                    ["revision"] = (int)found.View["revision"]!,
                    ["layerId"] = null,
                    ["detail"] = "draft",
                    ["numbers"] = true,
                });
                var text = await answer.Content.ReadAsStringAsync();
                Assert.True(answer.StatusCode is HttpStatusCode.OK or HttpStatusCode.BadRequest or HttpStatusCode.UnprocessableEntity
                    or HttpStatusCode.Conflict,
                        string.Create(CultureInfo.InvariantCulture, $"{place} = {value}: {text[..Math.Min(300, text.Length)]}"));
                Assert.NotNull(JsonNode.Parse(text));
            }
        }

        Assert.InRange(tried, 12, PieceFields.Ranges.Count);
    }

    /// <summary>A field of the first entries on the way, as its place is spelled; null where it is filled, or cannot stand there.</summary>
    private static string? PlaceOf(JsonNode piece, string field)
    {
        var (at, place) = ((JsonNode?)piece, "");
        foreach (var part in field.Split('.'))
        {
            if (at is JsonObject owner && owner.TryGetPropertyValue(part, out var next))
            {
                at = next;
            }
            else if (at is not null)
            {
                return null;
            }

            place += (place.Length > 0 ? "." : "") + part;
            if (at is JsonArray entries)
            {
                if (entries.Count == 0 || entries[0] is not JsonObject first || (string?)first["id"] is not { } id)
                {
                    return null;
                }

                (at, place) = (first, $"{place}[{id}]");
            }
        }

        return at is null ? place : null;
    }
}
