using System.Globalization;
using System.Net;
using System.Text.Json.Nodes;
using static MossLantern.Web.Tests.Places;
using static MossLantern.Web.Tests.TestHost;

namespace MossLantern.Web.Tests;

public sealed class ReckonerTests(SharedHost shared) : IClassFixture<SharedHost>
{
    private const string OneToOne =
        """ "ratio": { "basis": "volume", "resin": 1, "hardener": 1 }, "resinDensity": 1.15, "hardenerDensity": 0.98 """;

    /// <summary>Every sum: a request with all of its fields, and answers to the digits given.</summary>
    public static TheoryData<string, string, string> Examples => new()
    {
        { "mix", $$"""{ {{OneToOne}}, "volumeMl": 150 }""",
            "resinMl 75, resinG 86.25, hardenerMl 75, hardenerG 73.50, totalMl 150, totalG 159.75, "
                + "densityGPerMl 1.065, hardenerGPer100GResin 85.22" },
        { "mix", """
            { "ratio": { "basis": "weight", "resin": 100, "hardener": 45 }, "resinDensity": 1.13,
            "hardenerDensity": 0.97, "massG": 250 }
            """, "resinG 172.41, resinMl 152.58, hardenerG 77.59, hardenerMl 79.99, totalMl 232.56" },
        { "mix", """
            { "ratio": { "basis": "volume", "resin": 2, "hardener": 1 }, "resinDensity": 1.13,
            "hardenerDensity": 0.97, "volumeMl": 300 }
            """, "resinG 226.0, hardenerG 97.0, hardenerGPer100GResin 42.92" },
        { "mix-correction", $$"""
            { {{OneToOne}}, "resinG": 90.1, "hardenerG": 82.0, "tolerance": 0.05 }
            """, "targetHardenerG 76.78, acceptFromG 72.94, acceptToG 80.62, onRatio false, "
                + "addResinG 6.124, addHardenerG 0, totalMlAfter 167.35" },
        { "load", """
            { "resinG": 31.95, "colourants": [{ "class": "alcohol-ink", "drops": 3, "densityGPerMl": 0.85 }] }
            """, "loads[0].percent 0.399, loads[0].limitPercent 5, loads[0].over false, totalPercent 0.399, over false" },
        { "load", """
            { "resinG": 53.25, "colourants": [{ "class": "acrylic", "grams": 6.5 }, { "class": "lacing",
            "drops": 12 }] }
            """, "loads[0].percent 12.21, loads[0].over true, loads[1].limitPercent 0.911, loads[1].over true, over true" },
        { "region", """
            { "areaMm2": 100000, "depthMm": 1, "reserve": 0.1, "transfers": 0 }
            """, "layerMl 100, displacedMl 0, edgeMl 0, cupMl 113.7" },
        { "region", """
            { "areaMm2": 100000, "depthMm": 3, "stones": [{ "grams": 67.2, "solidDensity": 2.5 }],
            "openEdgeMm": 2000, "sideHeightMm": 40, "filmMm": 0.5, "dripShare": 0.1, "reserve": 0.1, "transfers": 1 }
            """, "layerMl 300, displacedMl 26.88, edgeMl 70, cupMl 395.53" },
        { "age", """
            { "referenceC": 22, "segments": [{ "hours": 8, "celsius": 17 }, { "hours": 16, "celsius": 21 }],
            "activationKj": 50 }
            """, "equivalentHours 20.56" },
        { "milestone", """
            { "referenceC": 22, "ageHours": 24, "segments": [{ "hours": 1, "celsius": 18 }], "activationKj": 50 }
            """, "clockHours 31.75" },
        { "cup", """
            { "workingMinutes": 45, "massG": 100, "roomC": 22, "referenceC": 22, "reactionHeatJPerG": 260 }
            """, "workingMinutes 45.0, gelMinutes ~73, peakC ~79, grade warm" },
        { "film", """
            { "workingMinutes": 45, "depthMm": 3, "roomC": 22, "referenceC": 22, "reactionHeatJPerG": 260 }
            """, "workingMinutes ~66.5, gelMinutes ~210.9, peakC ~24, grade fine" },
        { "film", """{ "workingMinutes": 600, "depthMm": 3, "roomC": -20, "referenceC": 60 }""", "gelMinutes null" },
        { "journey", """
            { "workingMinutes": 45, "referenceC": 22, "viscosityPaS": 1.6, "reactionHeatJPerG": 260, "roomC": 22,
            "legs": [{ "kind": "cup", "massG": 300, "minutes": 8 }, { "kind": "cup", "massG": 100, "minutes": 12 },
            { "kind": "film", "depthMm": 3 }] }
            """, "working ~62, flowing ~43.1, holding ~82.5, setting ~140.5, gel ~206.5, legs[0].endMinutes 8, "
                + "legs[1].endMinutes 20, legs[1].degree ~0.0617, "
                + "legs[1].celsius ~28.3, legs[2].endMinutes 2880, legs[2].viscosityPaS null" },
        { "journey", """
            { "workingMinutes": 45, "viscosityPaS": 3.5, "room": [{ "minutes": 30, "celsius": 22 }, { "minutes": 1,
            "celsius": 22 }], "legs": [{ "kind": "cup", "massG": 300, "minutes": 8 }, { "kind": "cup", "massG": 100,
            "minutes": 12 }] }
            """, "working null, flowing 0, holding null, gel null, legs[1].endMinutes 20" },
        { "joining", """
            { "workingMinutes": 45, "referenceC": 22, "viscosityPaS": 1.6, "reactionHeatJPerG": 260, "roomC": 22,
            "massG": 300, "minutes": 20, "freshG": 100 }
            """, "stage runny, mayJoin true, degree ~0.0468, celsius ~27.2, workingMinutes ~46.1, inHandMinutes ~26.1" },
        { "joining", """
            { "workingMinutes": 45, "viscosityPaS": 1.6, "roomC": 22, "massG": 300, "minutes": 62, "freshG": 100 }
            """, "stage gelled, mayJoin false" },
        { "rubber", """{ "boxMl": 400, "masterMl": 150, "lossShare": 0.1 }""",
            "totalMl 275, totalG 316.25, firstG 158.125, secondG 158.125, workingMinutes 40, setsMinutes 70" },
        { "paste", """
            { "lengthMm": 500, "widthMm": 6, "heightMm": 4, "bulkDensity": 1.4, "solidsShare": 0.56 }
            """, "sectionMm2 18.85, pasteMl 9.425, stonesG 13.19, binderMl 2.903" },
        { "match", """
            { "class": "mica", "colour": "#30503a", "ground": "#d9c29a", "depthMm": 2, "first": { "grams": 0.6,
            "resinG": 30 }, "second": { "grams": 0.6, "resinG": 30 } }
            """, "firstPercent 2, secondPercent 2, deltaE00 0, sameToTheEye true" },
        { "match", """
            { "class": "mica", "colour": "#30503a", "ground": "#d9c29a", "depthMm": 2, "first": { "grams": 0.6,
            "resinG": 30 }, "second": { "grams": 0.7, "resinG": 30 } }
            """, "firstPercent 2, secondPercent 2.333, deltaE00 ~2.9, sameToTheEye false" },
        { "reach", """{ "mixedMl": 225, "eachMl": 150, "pieces": 1 }""", "filled 1, leftMl 75, lackMl 0" },
        { "reach", """{ "mixedMl": 225, "eachMl": 150, "pieces": 2 }""", "filled 1, leftMl 75, lackMl 75" },
        { "journey-line", """
            { "workingMinutes": 45, "referenceC": 22, "viscosityPaS": 1.6, "reactionHeatJPerG": 260, "roomC": 22,
            "legs": [{ "kind": "film", "depthMm": 3 }] }
            """, "line[0].minutes 0, line[0].celsius 22, line[0].viscosityPaS 1.6, stages[0].stage flowing, "
                + "stages[0].fromPaS 3, stages[3].stage gelled, stages[3].fromPaS null" },
        { "puddle", """{ "volumesMl": [60, 40, 80], "depthMm": 3 }""",
            "outerRadiiMm[0] 79.79, outerRadiiMm[1] 103.01, outerRadiiMm[2] 138.20" },
        { "bead", """
            { "heightMm": 1.5, "widthMm": 3, "volumeMl": 20, "referenceHeightMm": 1.5, "referenceDryHours": 1 }
            """, "sectionMm2 3.534, lengthMm 5659, volumeMl 20, dryHours 1" },
        { "bead", """{ "heightMm": 2, "lengthMm": 1000 }""", "sectionMm2 6.283, volumeMl 6.283, dryHours 1.778" },
        { "bead", """{ "heightMm": 24, "lengthMm": 1500, "class": "putty" }""", "sectionMm2 192, volumeMl 288, dryHours 3" },
        { "bead", """{ "heightMm": 1.2, "lengthMm": 2400, "class": "liner" }""", "sectionMm2 2.262, volumeMl 5.429, dryHours 24" },
        { "bead", """{ "heightMm": 2.5, "lengthMm": 1000, "class": "outliner" }""", "sectionMm2 9.817, volumeMl 9.817, dryHours 2.778" },
        { "bead", """{ "heightMm": 5, "widthMm": 8, "lengthMm": 1000, "class": "silicone" }""", "sectionMm2 31.42, dryHours 0.5" },
        { "tape", """
            { "perimeterMm": 2000, "corners": 4, "sideMm": 38, "openDepthMm": 40, "stockWidthsMm": [50, 38] }
            """, "maskWidthMm 38, damWidthMm null, damHeightMm 43, lengthEachMm 2120, "
                + "reason No tape is wide enough for the dam: it needs at least 53 mm." },
        { "level", """
            { "tiltXDeg": 0.1, "tiltYDeg": 0, "supports": [{ "xMm": 0, "yMm": 0 }, { "xMm": 600, "yMm": 400 }],
            "thinnestLayerMm": 3 }
            """, "wedgeMm 1.047, accept false, shimsMm[0] 1.047, shimsMm[1] 0" },
        { "stones", """
            { "areaMm2": 8000, "depthMm": 6, "bulkDensity": 1.4, "solidDensity": 2.5, "solidsShare": 0.56,
            "coverShare": 1 }
            """, "bulkMl 48, grams 67.2, solidMl 26.88, voidMl 21.12" },
        { "bubble", """
            { "radiusMm": 0.1, "viscosityPaS": 1.6, "densityGPerMl": 1.065, "depthMm": 3 }
            """, "riseMmPerS 0.01451, secondsToSurface 206.7" },
        { "colour-difference", """
            { "first": { "l": 50, "a": 2.5, "b": 0 }, "second": { "l": 58, "a": 24, "b": 15 } }
            """, "deltaE00 19.4535" },
        { "casting", """
            { "capacityMl": 180, "pieces": 12, "inserts": [{ "volumeMl": 10, "count": 2 }], "coatMm": { "top": 1.5,
            "bottom": 1.5, "areaMm2": 4000 }, "shares": [3, 1], "lossShare": 0.1 }
            """, "bodyMl 148, totalMl 1953.6, shareMl[0] 1465.2, shareMl[1] 488.4" },
        { "quantity", """{ "text": "1 3/4 in", "kind": "length" }""", "value 44.45, normalised 44.45 mm" },
    };

    [Theory]
    [MemberData(nameof(Examples))]
    public async Task A_sum_comes_out_as_worked(string path, string request, string wanted)
    {
        var answer = await Read(await Ask(path, request), HttpStatusCode.OK);
        foreach (var pair in wanted.Split(", "))
        {
            var (field, value) = (pair[..pair.IndexOf(' ', StringComparison.Ordinal)],
                pair[(pair.IndexOf(' ', StringComparison.Ordinal) + 1)..]);
            var got = At(answer, field);
            if (value.StartsWith('~'))
            {
                var about = double.Parse(value[1..], CultureInfo.InvariantCulture);
                Assert.InRange((double)got!, about * 0.98, about * 1.02);
            }
            else if (got is JsonValue number && number.TryGetValue<double>(out var d))
            {
                var decimals = value.Contains('.', StringComparison.Ordinal)
                    ? value.Length - value.IndexOf('.', StringComparison.Ordinal) - 1 : 0;
                Assert.Equal(double.Parse(value, CultureInfo.InvariantCulture), d, 0.501 * Math.Pow(10, -decimals));
            }
            else
            {
                Assert.Equal(value, got?.ToString() ?? "null");
            }
        }
    }

    /// <summary>Fields that may be left out, for those that must not.</summary>
    private static readonly HashSet<string> Optional = [
        "tolerance", "stones", "openEdgeMm", "filmMm", "dripShare", "reserve", "transfers", "activationKj",
        "referenceC@cup", "referenceC@film",
        "reactionHeatJPerG", "widthMm", "referenceHeightMm", "referenceDryHours", "coverShare", "inserts", "coatMm",
        "shares", "lossShare", "densityGPerMl@load", "class@bead",
        "referenceC@journey", "referenceC@journey-line", "referenceC@joining", "minutes@journey"];

    [Theory]
    [MemberData(nameof(Examples))]
    public async Task Nothing_but_what_is_asked_for_is_taken_and_the_field_is_named(string path, string request, string wanted)
    {
        _ = wanted;
        foreach (var (place, leaf) in All(Parsed(request)))
        {
            var last = place[(place.LastIndexOf('.') + 1)..].Split('[')[0];
            var optional = Optional.Contains(last) || Optional.Contains($"{last}@{path}");
            foreach (var bad in BadValues)
            {
                // Another object or list in place of one, or text in place of text, may be whole; those are told apart by what is in them.
                if (leaf is JsonArray && bad is "[]" or "[null]" || leaf is JsonObject && bad is "{}"
                    || bad is "\"12 apples\"" && last == "text")
                {
                    continue;
                }

                var changed = Parsed(request);
                Set(changed, place, bad is null or "null" ? null : JsonNode.Parse(bad), remove: bad is null);
                var answer = await Ask(path, changed.ToJsonString());
                if (optional && bad is null or "null" && answer.StatusCode == HttpStatusCode.OK)
                {
                    continue;
                }

                var problem = await Problem(answer, HttpStatusCode.BadRequest);
                var errors = problem["errors"]!.AsObject();
                Assert.True(
                    errors.Any(e => e.Key.StartsWith(place, StringComparison.Ordinal)
                        || place.StartsWith(e.Key + ".", StringComparison.Ordinal)),
                    $"{path}: {place} = {bad} gave {errors.ToJsonString()}");
                Assert.All(errors,
                    e => Assert.All(e.Value!.AsArray(), sentence => Assert.EndsWith(".", (string)sentence!, StringComparison.Ordinal)));
            }
        }
    }

    [Theory]
    [MemberData(nameof(Examples))]
    public async Task An_unknown_field_is_refused_wherever_it_stands(string path, string request, string wanted)
    {
        _ = wanted;
        foreach (var (place, leaf) in All(Parsed(request)).Where(p => p.Leaf is JsonObject).Prepend(("", Parsed(request))))
        {
            _ = leaf;
            var changed = Parsed(request);
            Set(changed, place.Length == 0 ? "surplus" : place + ".surplus", 1, remove: false);
            var problem = await Problem(await Ask(path, changed.ToJsonString()), HttpStatusCode.BadRequest);
            Assert.Contains(problem["errors"]!.AsObject(), e => e.Key.EndsWith("surplus", StringComparison.Ordinal));
        }
    }

    [Theory]
    [MemberData(nameof(Examples))]
    public async Task What_is_no_request_is_refused_and_never_a_fault(string path, string request, string wanted)
    {
        _ = wanted;
        foreach (var body in new[] { "", "null", "[]", "1", "{", "NaN", "{\"depthMm\": NaN}", "{\"depthMm\": Infinity}",
            new string('[', 100_000), "{\"a\":" + new string('{', 60), "\0", "{}" })
        {
            await Problem(await Ask(path, body), HttpStatusCode.BadRequest);
        }

        await Problem(await Post(path, Body(request, "text/plain")), HttpStatusCode.UnsupportedMediaType);
        await Problem(await Post(path, Body(request, "application/x-www-form-urlencoded")), HttpStatusCode.UnsupportedMediaType);
        Assert.InRange((int)(await shared.Host.Client.GetAsync(new Uri($"/api/reckon/{path}", UriKind.Relative))).StatusCode, 404, 405);
        Assert.InRange((int)(await shared.Host.Client.PostAsync($"/api/reckon/{path}/../../nothing", Body(request))).StatusCode, 404, 405);
    }

    [Fact]
    public async Task A_refusal_names_every_field_and_its_range_at_once()
    {
        var problem = await Problem(
            await Ask("region", """
                { "areaMm2": -1, "depthMm": 200, "stones": [{ "grams": -1, "solidDensity": 0 }], "openEdgeMm": 5,
                "reserve": 2 }
                """),
            HttpStatusCode.BadRequest);
        Assert.Equal("Area must be from 0.01 to 9000000 mm².", Sentence(problem, "areaMm2"));
        Assert.Equal("Depth must be from 0.1 to 100 mm.", Sentence(problem, "depthMm"));
        Assert.Equal("Solid density must be from 0.3 to 20 g/ml.", Sentence(problem, "stones[0].solidDensity"));
        Assert.Equal("Side height must be from 0 to 300 mm.", Sentence(problem, "sideHeightMm"));
        Assert.Equal("Reserve must be from 0 to 1.", Sentence(problem, "reserve"));
        Assert.True(problem["errors"]!.AsObject().ContainsKey("stones[0].grams"));
    }

    [Theory]
    [InlineData("mix", $$"""{ {{OneToOne}}, "volumeMl": 1, "massG": 1 }""", "massG", "Give exactly one of volumeMl and massG.")]
    [InlineData("mix", $$"""{ {{OneToOne}} }""", "volumeMl", "Give exactly one of volumeMl and massG.")]
    [InlineData("mix", """{ "ratio": { "basis": "parts" } }""", "ratio.basis", "Basis must be 'volume' or 'weight'.")]
    [InlineData("load", """
        { "resinG": 10, "colourants": [{ "class": "soot", "grams": 1 }] }
        """, "colourants[0].class", "Class must be one of paste, metallic-paste, mica, "
            + "interference, alcohol-ink, dye, acrylic, acrylic-metallic, glitter or lacing.")]
    [InlineData("casting", """
        { "capacityMl": 10, "pieces": 1, "inserts": [{ "volumeMl": 6, "count": 2 }] }
        """, "capacityMl", "Inserts and coats take up 12 ml, and the cavity holds 10 ml: nothing is left for the body.")]
    [InlineData("casting", """{ "capacityMl": 10, "pieces": 1, "shares": [0, 0] }""", "shares", "At least one share must be above 0.")]
    [InlineData("casting", """{ "capacityMl": 10, "pieces": 1.5 }""", "pieces", "Pieces must be from 1 to 500.")]
    [InlineData("age", """{ "referenceC": 22, "segments": [] }""", "segments", "segments must have from 1 to 1000 entries.")]
    [InlineData("age", """{ "referenceC": 22, "segments": [null] }""", "segments[0].hours",
        "Hours in a segment must be above 0 to 8760 h.")]
    [InlineData("journey", """{ "workingMinutes": 45, "viscosityPaS": 1.6, "legs": [] }""", "legs",
        "legs must have from 1 to 100 entries.")]
    [InlineData("journey", """
        { "workingMinutes": 45, "viscosityPaS": 1.6, "legs": [{ "kind": "film", "depthMm": 3 }] }
        """, "room", "Give exactly one of roomC and room.")]
    [InlineData("journey", """
        { "workingMinutes": 45, "viscosityPaS": 1.6, "roomC": 22, "room": [{ "minutes": 1, "celsius": 20 }],
        "legs": [{ "kind": "film", "depthMm": 3 }] }
        """, "roomC", "Give exactly one of roomC and room.")]
    [InlineData("journey", """
        { "workingMinutes": 45, "viscosityPaS": 1.6, "roomC": 22, "legs": [{ "kind": "film", "depthMm": 3 },
        { "kind": "film", "depthMm": 3 }] }
        """, "legs[0].minutes", "Minutes must be from 0 to 10080 min.")]
    [InlineData("journey", """
        { "workingMinutes": 45, "viscosityPaS": 1.6, "roomC": 22, "legs": [{ "kind": "cup", "massG": 3,
        "depthMm": 3 }] }
        """, "legs[0].depthMm", "A cup has a mass and no depth.")]
    [InlineData("journey", """
        { "workingMinutes": 45, "viscosityPaS": 1.6, "roomC": 22, "legs": [{ "kind": "film", "depthMm": 3,
        "massG": 3 }] }
        """, "legs[0].massG", "A film has a depth and no mass.")]
    [InlineData("journey", """
        { "workingMinutes": 45, "viscosityPaS": 1.6, "roomC": 22, "legs": [{ "kind": "bucket" }] }
        """, "legs[0].kind", "Kind must be 'cup' or 'film'.")]
    [InlineData("puddle", """{ "volumesMl": [60, null], "depthMm": 3 }""", "volumesMl[1]", "Volume must be from 0.01 to 100000 ml.")]
    public async Task What_goes_together_is_checked_together(string path, string request, string field, string sentence) =>
        Assert.Equal(sentence, Sentence(await Problem(await Ask(path, request), HttpStatusCode.BadRequest), field));

    private Task<HttpResponseMessage> Ask(string path, string body) => Post(path, Body(body));

    private Task<HttpResponseMessage> Post(string path, StringContent body) => shared.Host.Client.PostAsync($"/api/reckon/{path}", body);
}

/// <summary>One program for all sums: nothing of them is kept.</summary>
public sealed class SharedHost : IDisposable
{
    public TestHost Host { get; } = new();

    public void Dispose() => Host.Dispose();
}
