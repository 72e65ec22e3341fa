using MossLantern.Core.Documents;

namespace MossLantern.Browser.Tests;

/// <summary>Every view of the demo: accessible, without complaint, and pictured.</summary>
public sealed class ViewTests(SharedWorkshop shared) : WorkshopCase(shared)
{
    private static readonly (string Name, string Path, string Shows)[] Views =
    [
        ("shelf", "/", "Marsh Light"),
        ("new-piece", "/new", "A new piece"),
        ("reckoner", "/reckoner/mix-correction", "Off ratio"),
        ("journey", "/reckoner/journey", "Lines keep their edge from"),
        ("speed", "/speed", "Drag every piece"),
        ("ground", "/pieces/marsh-light/ground?layer=layer-1", "Perimeter"),
        ("map", "/pieces/marsh-light/map?layer=layer-1", "Bands, from the heart to the rim"),
        ("cups", "/pieces/marsh-light/cups?layer=layer-1", "hardener"),
        ("weigh", "/pieces/bogbean-round/weigh/layer-1", "good from"),
        ("slice", "/pieces/bracken-slice/ground", "How it stands"),
        ("pair", "/pieces/sundew-pair/map", "Bands, from the heart to the rim"),
        ("rework", "/pieces/old-kiln/ground", "How it stands"),
        ("walls", "/pieces/sphagnum-pools/walls", "runs over into|Edge tape"),
        ("drying", "/pieces/sundew-pair/walls", "raised line|Not dry yet"),
        ("fields", "/pieces/old-kiln/map", "colours, "),
        ("pools", "/pieces/sphagnum-pools/map", "Mother-of-pearl"),
        ("puddle", "/pieces/rain-ring/map", "Poured in turn"),
        ("marble", "/pieces/heron-tray/map", "The mixed cup"),
        ("petals", "/pieces/water-mint/map", "Strokes of the tool"),
        ("lines", "/pieces/peat-pool/map", "Room from the rim to the middle"),
        ("share", "/pieces/water-mint/share", "Another colourway"),
        ("cupboard", "/cupboard", "Three pebbles|crushed glass"),
        ("stand-ins", "/stand-ins", "It shows"),
        ("about", "/about", "Data folder"),
        ("pour", "/pieces/bogbean-round/pour", "Order of pours"),
        ("cure", "/pieces/marsh-light/cure?layer=layer-2", "tape off"),
        ("story", "/pieces/marsh-light/story?layer=layer-1", "What was poured"),
        ("unlogged", "/pieces/bogbean-round/story", "What was poured"),
    ];

    /// <summary>Where pictures go, when they are wanted.</summary>
    private static string? Pictures =>
        Environment.GetEnvironmentVariable("MOSS_LANTERN_PICTURES") is { Length: > 0 } folder ? folder : null;

    public static TheoryData<string> Names => [.. Views.Select(v => v.Name)];

    /// <summary>In one load of the view: by day and in the evening, on a laptop, a tablet, and a tablet held upright.</summary>
    [Theory]
    [MemberData(nameof(Names))]
    public void A_view_is_accessible_fits_every_screen_and_has_no_complaint_from_the_browser(string name)
    {
        var (_, path, shows) = Views.Single(v => v.Name == name);
        var painted =
            name is not ("new-piece" or "reckoner" or "journey" or "speed" or "cupboard" or "stand-ins" or "share" or "about" or "weigh");
        // What other cases put on the shelf and take off again is not in the way.
        using var own = name == "shelf" ? OwnWorkshop() : null;
        using var page = own is null ? NewPage() : new Page(own.Address);
        page.Open(path);
        foreach (var text in shows.Split('|'))
        {
            page.WaitForText(text);
        }

        if (painted)
        {
            page.WaitForPainting();
        }

        Waiting.Until(() => page.Script<bool>("return [...document.images].every(i => i.complete)"), "every picture");
        TestContext.Current.SendDiagnosticMessage("{0}: first content after {1} ms", name, page.Script<string>(
            "return String(Math.round(performance.getEntriesByName('first-contentful-paint')[0]?.startTime))"));
        var findings = new List<string>();
        Picture(page, name,
            name is not (
                "journey" or "speed" or "stand-ins" or "about" or "petals" or "lines" or "marble"
                    or "unlogged" or "pair" or "pools" or "rework"));
        findings.AddRange(page.AxeFindings().Select(f => $"by day: {f}"));
        page.AtEverySize(size =>
        {
            var (width, height) = size;
            if (!page.Script<bool>("return document.documentElement.scrollWidth <= window.innerWidth"))
            {
                findings.Add($"at {width} × {height}: wider than the screen");
            }

            if (painted)
            {
                page.WaitForPainting();
            }

            findings.AddRange(page.DeadControls().Select(f => $"at {width} × {height}: {f}"));

            if (width == 800)
            {
                Picture(page, name + "-upright", name is "map" or "cups" or "pour");
            }
        });

        // What stands where does not change with the light; how it is read does.
        page.Click("button", "day: dim the page");
        Waiting.Until(() => page
            .Script<bool>(
                "return document.documentElement.dataset.theme === 'evening' && !document.getAnimations().some(a => a "
                    + "instanceof CSSTransition)"),
            "the evening");
        findings.AddRange(page.AxeFindings("color-contrast").Select(f => $"in the evening: {f}"));
        Picture(page, "map-evening", name == "map");

        // Last, as what the focus comes to may be chosen by it.
        findings.AddRange(page.UnreachedByTab());
        findings.AddRange(page.Complaints());
        Assert.True(findings.Count == 0, string.Join("\n", findings));
    }

    [Fact]
    public void What_Tab_does_not_come_to_is_told()
    {
        using var page = NewPage();
        page.Open("/about");
        page.WaitForText("Data folder");
        page.Script<object>(
            "const lost = document.createElement('div'); lost.inert = true; lost.innerHTML = '<button>Lost</button>'; "
                + "document.body.append(lost)");
        Assert.Equal("Tab does not come to 'Lost'", Assert.Single(page.UnreachedByTab()));
    }

    private static void Picture(Page page, string name, bool wanted)
    {
        if (wanted && Pictures is { } folder)
        {
            page.Picture(Path.Combine(folder, name + ".png"));
        }
    }
}
