namespace MossLantern.Browser.Tests;

/// <summary>Every view of the demo: accessible, without complaint, and pictured.</summary>
public sealed class ViewTests : IDisposable
{
    private static readonly (string Name, string Path, string Shows)[] Views =
    [
        ("shelf", "/", "Marsh Light"),
        ("new-piece", "/new", "A new piece"),
        ("reckoner", "/reckoner/mix-correction", "Off ratio"),
        ("speed", "/speed", "Drag every piece"),
        ("ground", "/pieces/marsh-light/ground?layer=layer-1", "Perimeter"),
        ("map", "/pieces/marsh-light/map?layer=layer-1", "Bands, from the heart to the rim"),
        ("cups", "/pieces/marsh-light/cups?layer=layer-1", "hardener"),
        ("slice", "/pieces/bracken-slice/ground", "How it stands"),
        ("pair", "/pieces/sundew-pair/map", "Bands, from the heart to the rim"),
        ("rework", "/pieces/old-kiln/ground", "How it stands"),
        ("fields", "/pieces/old-kiln/map", "Vein along the borders"),
        ("pools", "/pieces/sphagnum-pools/map", "Mother-of-pearl"),
        ("puddle", "/pieces/rain-ring/map", "Poured in turn"),
        ("marble", "/pieces/heron-tray/map", "The mixed cup"),
        ("petals", "/pieces/water-mint/map", "Strokes of the tool"),
        ("lines", "/pieces/peat-pool/map", "Room from the rim to the middle"),
        ("share", "/pieces/water-mint/share", "Another colourway"),
        ("cupboard", "/cupboard", "Its log"),
        ("stand-ins", "/stand-ins", "It shows"),
        ("pour", "/pieces/bogbean-round/pour", "Order of pours"),
        ("cure", "/pieces/marsh-light/cure?layer=layer-2", "tape off"),
        ("story", "/pieces/marsh-light/story?layer=layer-1", "What was poured"),
    ];

    private readonly WorkshopProcess workshop = new(demo: true);

    /// <summary>Where pictures go, when they are wanted.</summary>
    private static string? Pictures => Environment.GetEnvironmentVariable("MOSS_LANTERN_PICTURES") is { Length: > 0 } folder ? folder : null;

    [Theory]
    [InlineData("day")]
    [InlineData("evening")]
    public void Every_view_passes_axe_without_complaint_from_the_browser(string theme)
    {
        workshop.SetZone("Europe/Dublin");
        using var page = new Page(workshop.Address);
        page.Open("/");
        page.Script<object>("localStorage.setItem('theme', arguments[0])", theme);
        var findings = new List<string>();
        foreach (var (name, path, shows) in Views)
        {
            page.Open(path);
            page.WaitForText(shows);
            if (name is not ("new-piece" or "reckoner" or "speed" or "cupboard" or "stand-ins" or "share"))
            {
                page.WaitForPainting();
            }

            TestContext.Current.SendDiagnosticMessage("{0}: first content after {1} ms", name, page.Script<string>(
                "return String(Math.round(performance.getEntriesByName('first-contentful-paint')[0]?.startTime))"));
            findings.AddRange(page.AxeFindings().Select(f => $"{name}: {f}"));
            findings.AddRange(page.Complaints().Select(c => $"{name}: {c}"));
            if (Pictures is { } folder && name is not ("speed" or "stand-ins" or "petals" or "lines" or "marble") && (theme == "day" || name == "map"))
            {
                page.Picture(Path.Combine(folder, theme == "day" ? $"{name}.png" : $"{name}-evening.png"));
            }
        }

        Assert.True(findings.Count == 0, string.Join("\n", findings));
    }

    [Fact]
    public void No_view_scrolls_sideways_on_a_tablet()
    {
        using var page = new Page(workshop.Address, 1024, 768);
        foreach (var (name, path, shows) in Views)
        {
            page.Open(path);
            page.WaitForText(shows);
            Assert.True(
                page.Script<bool>("return document.documentElement.scrollWidth <= window.innerWidth"),
                $"{name} is wider than a tablet");
            if (Pictures is { } folder && name == "map")
            {
                page.WaitForPainting();
                page.Picture(Path.Combine(folder, name + "-tablet.png"));
            }
        }
    }

    public void Dispose() => workshop.Dispose();
}
