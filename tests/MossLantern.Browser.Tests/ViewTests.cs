namespace MossLantern.Browser.Tests;

/// <summary>Every view of the demo: accessible, without complaint, and pictured.</summary>
public sealed class ViewTests : IDisposable
{
    private static readonly (string Name, string Path, string Shows)[] Views =
    [
        ("shelf", "/", "Marsh Light"),
        ("new-piece", "/new", "A new piece"),
        ("ground", "/pieces/marsh-light/ground?layer=layer-1", "Perimeter"),
        ("map", "/pieces/marsh-light/map?layer=layer-1", "Bands, from the heart to the rim"),
        ("cups", "/pieces/marsh-light/cups?layer=layer-1", "hardener"),
        ("pour", "/pieces/bogbean-round/pour", "Order of pours"),
        ("cure", "/pieces/marsh-light/cure?layer=layer-2", "tape off"),
        ("story", "/pieces/marsh-light/story?layer=layer-1", "What was poured"),
    ];

    private readonly WorkshopProcess workshop = new(demo: true);

    [Fact]
    public void Every_view_passes_axe_without_complaint_from_the_browser()
    {
        workshop.SetZone("Europe/Dublin");
        using var page = new Page(workshop.Address);
        var findings = new List<string>();
        foreach (var (name, path, shows) in Views)
        {
            page.Open(path);
            page.WaitForText(shows);
            if (name != "new-piece")
            {
                page.WaitForPainting();
            }

            findings.AddRange(page.AxeFindings().Select(f => $"{name}: {f}"));
            findings.AddRange(page.Complaints().Select(c => $"{name}: {c}"));
            if (Environment.GetEnvironmentVariable("MOSS_LANTERN_PICTURES") is { Length: > 0 } folder)
            {
                page.Picture(Path.Combine(folder, name + ".png"));
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
            if (Environment.GetEnvironmentVariable("MOSS_LANTERN_PICTURES") is { Length: > 0 } folder && name is "map" or "cups")
            {
                page.WaitForPainting();
                page.Picture(Path.Combine(folder, "tablet", name + ".png"));
            }
        }
    }

    public void Dispose() => workshop.Dispose();
}
