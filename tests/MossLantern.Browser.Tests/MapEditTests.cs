using System.Globalization;
using System.Net.Http.Json;
using OpenQA.Selenium;

namespace MossLantern.Browser.Tests;

/// <summary>The map is edited by hand and by keyboard, and everything follows.</summary>
public sealed class MapEditTests : IDisposable
{
    private const string Fields = "/pieces/marsh-light/map?layer=layer-1";
    private readonly WorkshopProcess workshop = new(demo: true);

    public void Dispose() => workshop.Dispose();

    [Fact]
    public void The_heart_is_dragged_by_the_mouse_and_map_cups_and_core_sample_follow()
    {
        using var page = Opened(Fields);
        var areas = Areas(page);
        var at = page.Middle(page.Find("slider", "Heart"));
        page.Drag(at, 120, 30, steps: 60);
        Waiting.Until(() => Value(page, "Heart") > 300, "the heart to have moved");
        page.WaitUntilKept();
        Waiting.Until(() => Areas(page) != areas, "the areas to follow");
        var times = Frames(page);
        Assert.NotEmpty(times);
        TestContext.Current.SendDiagnosticMessage(
            "hand to paint, {0} frames: median {1:0} ms, 95th percentile {2:0} ms",
            times.Count, times[times.Count / 2], times[(int)(times.Count * 0.95)]);

        // By the hand on the heart's own area too, and by its three grips.
        page.Drag((page.Middle(page.Find("slider", "Heart")).X + 25, page.Middle(page.Find("slider", "Heart")).Y + 3), -50, 0);
        Waiting.Until(() => Value(page, "Heart") < 300, "the heart to have moved back");
        page.WaitUntilKept();
        var width = Value(page, "Width of heart");
        page.Drag(page.Middle(page.Find("slider", "Width of heart")), 30, -10);
        Waiting.Until(() => Value(page, "Width of heart") > width + 20, "the heart to be wider");
        page.WaitUntilKept();
        page.Drag(page.Middle(page.Find("slider", "Turn of heart")), 60, 20);
        Waiting.Until(() => Value(page, "Turn of heart") > 0, "the heart to be turned");
        page.WaitUntilKept();
        Assert.Empty(page.Complaints());
    }

    [Fact]
    public async Task The_page_measures_how_quickly_the_map_follows_and_saves_nothing()
    {
        // Beside the demo: a sign of twelve letters and twenty-four small cavities, each with rings of its own.
        using var client = workshop.Client;
        foreach (var (name, svg) in new[] { ("Sign", ManyParts.Sign()), ("Cavities", ManyParts.Cavities()) })
        {
            var ground = new { outline = await ManyParts.Outline(client, svg), edge = "walled", sidesMm = 12, colour = "#d9c29a", @base = new { kind = "casting", material = "silicone" } };
            (await client.PostAsJsonAsync("api/pieces", new { name, ground })).EnsureSuccessStatusCode();
        }

        var pieces = (await client.GetFromJsonAsync<System.Text.Json.Nodes.JsonArray>("api/pieces"))!.Count;
        using var page = new Page(workshop.Address);
        page.Open("/speed?seconds=0.5");
        page.WaitForText("Drag every piece");
        page.Click("button", "Drag every piece");
        Waiting.Until(
            () => page.Driver.FindElements(By.CssSelector(".speed tbody tr")).Count == pieces && page.Text.Contains("Drag every piece", StringComparison.Ordinal),
            "every piece to be measured", TimeSpan.FromSeconds(90));
        TestContext.Current.SendDiagnosticMessage("hand to paint in the page: {0}",
            string.Join("; ", page.Driver.FindElements(By.CssSelector(".speed tbody tr")).Select(r => r.Text)));
        Assert.Contains("\"version\":1,", await client.GetStringAsync("api/pieces/marsh-light"), StringComparison.Ordinal);
    }

    [Fact]
    public void Neighbours_that_read_as_one_are_pinned_where_they_touch_and_parted_by_a_press()
    {
        using var page = new Page(workshop.Address);
        page.Open("/pieces/bogbean-round/map");
        page.WaitForText("Twins. spring water and petal");
        page.WaitForPainting();
        var bands = page.Driver.FindElements(By.CssSelector(".bands > li")).Count;
        page.TabTo("button", "Twins: to its words");
        page.Press(Keys.Enter);
        Assert.StartsWith("finding-twins", page.Focused.GetAttribute("id"), StringComparison.Ordinal);
        page.TabTo("button", "Put a line of peat, 3 mm wide, between them");
        page.Press(Keys.Enter);
        Waiting.Until(() => !page.Text.Contains("Twins.", StringComparison.Ordinal), "the twins to be parted");
        page.WaitUntilKept();
        Assert.Equal(bands + 1, page.Driver.FindElements(By.CssSelector(".bands > li")).Count);
        page.TabTo("button", "Undo");
        page.Press(Keys.Enter);
        page.WaitForText("Twins. spring water and petal");
        page.Choose("Neighbours", "run into each other");
        Waiting.Until(() => !page.Text.Contains("Twins.", StringComparison.Ordinal), "gradual colours to be let be");
        page.WaitUntilKept();
        page.WaitForText("Bare ground.");
        Assert.Empty(page.AxeFindings());
    }

    [Fact]
    public void A_band_is_widened_by_its_area_by_its_edge_and_by_the_arrow_keys()
    {
        using var page = Opened(Fields);
        Assert.Equal(30, Value(page, "Edge of moss 1"));
        var edge = page.Middle(page.Find("slider", "Edge of moss 1"));

        // Taken by its area, just inside the edge, away from every grip.
        page.Drag((edge.X - 14, edge.Y + 24), 23, 0);
        Waiting.Until(() => Value(page, "Edge of moss 1") > 40, "the band to be wider");
        page.WaitUntilKept();
        var wide = Value(page, "Edge of moss 1");
        page.Drag(page.Middle(page.Find("slider", "Edge of moss 1")), -23, 0);
        Waiting.Until(() => Value(page, "Edge of moss 1") < wide - 10, "the band to be narrower");
        page.WaitUntilKept();
        var now = Value(page, "Edge of moss 1");
        page.TabTo("slider", "Edge of moss 1");
        page.Press(Keys.ArrowRight, Keys.Shift + Keys.ArrowRight);
        Waiting.Until(() => Value(page, "Edge of moss 1") == now + 11, "the arrow keys to widen the band by 11 mm");
        page.WaitUntilKept();
        Assert.Contains("mm wide", page.Find("slider", "Edge of moss 1").GetAttribute("aria-valuetext")!, StringComparison.Ordinal);
        page.WaitForText("drag to widen");
    }

    [Fact]
    public void The_rim_is_stretched_by_mouse_and_keyboard()
    {
        using var page = Opened("/pieces/marsh-light/ground?layer=layer-1");
        page.Drag(page.Middle(page.Find("slider", "Width")), 40, 0);
        Waiting.Until(() => Value(page, "Width") > 620, "the panel to be wider");
        page.WaitUntilKept();
        page.TabTo("slider", "Height");
        page.Press(Keys.ArrowDown);
        Waiting.Until(() => Value(page, "Height") == 401, "the panel to be higher by 1 mm");
        page.WaitUntilKept();
        page.WaitForText("× 401 mm");
    }

    [Fact]
    public void Bands_are_split_repeated_moved_recupped_and_taken_out_and_every_step_is_undone()
    {
        using var page = Opened(Fields);
        var first = BandNames(page);
        page.Click("button", "umber");
        page.Click("button", "Split band 3");
        Waiting.Until(() => BandNames(page).Count == first.Count + 1, "two bands in place of one");
        page.Click("button", "Repeat band 3");
        Waiting.Until(() => BandNames(page).Count == first.Count + 2, "the band once more");
        page.Click("button", "Move band 3 inward");
        Waiting.Until(() => BandNames(page)[2].StartsWith("umber", StringComparison.Ordinal), "the band nearer the heart");
        page.WaitUntilKept();
        page.Click("button", "Take out band 2");
        Waiting.Until(() => BandNames(page).Count == first.Count + 1, "the band to be gone");
        page.WaitUntilKept();
        var last = BandNames(page);

        // Back to the start by keyboard, over a reload and a new start of the program, and forward again.
        page.Press(Keys.Escape);
        page.Script<object>("document.activeElement.blur()");
        page.Press(Keys.Control + "z");
        Waiting.Until(() => BandNames(page).Count == first.Count + 2, "the first step back");
        page.WaitUntilKept();
        workshop.Restart();
        page.Open(Fields);
        page.WaitForPainting();
        for (var i = 0; i < 3; i++)
        {
            page.WaitUntilKept();
            page.Click("button", "Undo");
            page.WaitUntilKept();
        }

        Waiting.Until(() => BandNames(page).SequenceEqual(first), "the bands as they were");
        Assert.False(page.Find("button", "Undo").Enabled);
        for (var i = 0; i < 4; i++)
        {
            page.WaitUntilKept();
            page.Click("button", "Redo");
        }

        Waiting.Until(() => BandNames(page).SequenceEqual(last), "the last step forward");
        Assert.False(page.Find("button", "Redo").Enabled);
    }

    [Fact]
    public void Bands_and_hearts_are_added_moved_and_taken_out_by_keyboard()
    {
        using var page = Opened(Fields);
        var first = BandNames(page);
        Act("umber");
        Act("Split band 3");
        Waiting.Until(() => BandNames(page).Count == first.Count + 1, "two bands in place of one");
        Act("Repeat band 3");
        Waiting.Until(() => BandNames(page).Count == first.Count + 2, "the band once more");
        Act("Move band 3 inward", back: true);
        Waiting.Until(() => BandNames(page)[2].StartsWith("umber", StringComparison.Ordinal), "the band nearer the heart");
        Act("Take out band 2");
        Waiting.Until(() => BandNames(page).Count == first.Count + 1, "the band to be gone");
        Act("Another heart");
        Waiting.Until(() => page.All("slider").Any(s => s.GetAttribute("aria-label") == "Heart 2"), "a second heart");
        Act("Take it out");
        Waiting.Until(() => page.All("slider").All(s => s.GetAttribute("aria-label") != "Heart 2"), "one heart again");
        Act("Nearer");
        Waiting.Until(() => page.Text.Contains("Whole piece", StringComparison.Ordinal), "the view to be nearer");
        page.WaitUntilKept();

        void Act(string button, bool back = false)
        {
            page.WaitUntilKept();
            page.TabTo("button", button, back);
            page.Press(Keys.Enter);
        }
    }

    [Fact]
    public void Two_fingers_zoom_the_view_and_edit_nothing()
    {
        using var page = Opened(Fields);
        var bar = ScaleBar();
        page.Pinch((740, 560), 60, 240);
        Waiting.Until(() => page.Text.Contains("Whole piece", StringComparison.Ordinal), "the view to be nearer");
        Assert.NotEqual(bar, ScaleBar());
        page.Pinch((540, 400), 300, 30);
        Waiting.Until(() => !page.Text.Contains("Whole piece", StringComparison.Ordinal), "the whole piece again");
        Assert.Equal(bar, ScaleBar());
        Assert.False(page.Find("button", "Undo").Enabled);

        string ScaleBar() => page.Script<string>("const b = document.querySelector('.scale-bar'); return `${b.textContent} ${b.style.width}`");
    }

    [Fact]
    public void One_part_of_a_typical_ratio_changed_where_it_is_explained_makes_the_ratio_ones_own()
    {
        using var page = Opened("/pieces/marsh-light/cups?layer=layer-1");
        page.WaitForText("1 : 1 by volume, typical data");
        page.Click("button", "Resin by volume");
        page.Write("resin parts by volume", "2");
        page.WaitForText("2 : 1 by volume, your own data");
        page.WaitUntilKept();
        page.Press(Keys.Escape);
        page.Click("button", "Mix for amber");
        page.Write("cup step", "5");
        Waiting.Until(() => Mix(page) % 5 == 0, "the mix in steps of 5 ml");
        page.WaitUntilKept();
        page.Press(Keys.Escape);
        Assert.Equal("5", page.Find("textbox", "Cup step").GetAttribute("value"));
    }

    [Fact]
    public void A_second_heart_shares_the_bands_and_can_stand_outside_the_edge()
    {
        using var page = Opened(Fields);
        page.Click("button", "Another heart");
        Waiting.Until(() => page.All("slider").Any(s => s.GetAttribute("aria-label") == "Heart 2"), "a second heart");
        page.WaitUntilKept();
        page.Write("From the left", "-60");
        Waiting.Until(() => Value(page, "Heart 2") == -60, "the heart to be outside");
        page.WaitUntilKept();
        var sum = page.All("button").Select(b => b.GetAttribute("aria-label") ?? "").Where(l => l.StartsWith("Area of", StringComparison.Ordinal))
            .Sum(l => double.Parse(l[(l.IndexOf(": ", StringComparison.Ordinal) + 2)..l.IndexOf(" cm²", StringComparison.Ordinal)], CultureInfo.InvariantCulture));
        Assert.Equal(2400, sum, 6.0);
        page.Click("button", "Take it out");
        Waiting.Until(() => page.All("slider").All(s => s.GetAttribute("aria-label") != "Heart 2"), "one heart again");
    }

    [Fact]
    public void A_cups_level_is_pulled_for_the_reserve_and_with_Alt_for_the_band()
    {
        using var page = Opened(Fields);
        page.WaitForText("reserve, 10 %");
        var glass = Glass(page, "moss");
        page.Drag(page.Middle(glass), 0, -12);
        Waiting.Until(() => !page.Text.Contains("reserve, 10 %", StringComparison.Ordinal), "the reserve to follow");
        page.WaitUntilKept();
        var width = Value(page, "Edge of lichen");
        page.Drag(page.Middle(Glass(page, "lichen")), 0, -14, alt: true);
        Waiting.Until(() => Value(page, "Edge of lichen") > width, "the band to follow");
        page.WaitUntilKept();

        // The same by keyboard.
        page.Script<object>("arguments[0].closest('button').focus()", Glass(page, "gilt"));
        var reserve = Reserve(page);
        page.Press(Keys.ArrowUp);
        Waiting.Until(() => Reserve(page) == reserve + 1, "the reserve to rise by 1 %");
    }

    [Fact]
    public void Pointing_at_a_region_lights_its_cup_and_pointing_at_a_cup_dims_the_others()
    {
        using var page = Opened(Fields);
        var edge = page.Middle(page.Find("slider", "Edge of moss 1"));
        page.Hover((edge.X - 14, edge.Y + 24));
        Waiting.Until(() => page.Script<bool>("return document.querySelector('.cup-row [data-lit]')?.textContent.startsWith('moss')"), "the cup to be lit");
        var veiled = () => page.Script<bool>(
            """
            const veil = document.querySelector('.painted canvas.veil');
            return veil.getContext('2d').getImageData(veil.width * 0.9, veil.height * 0.5, 1, 1).data[3] > 0;
            """);
        Waiting.Until(veiled, "the other regions to be dimmed");
        page.Hover((8, 790));
        Waiting.Until(() => !veiled(), "all regions to be lit again");
    }

    [Fact]
    public void A_number_is_changed_where_it_is_explained_and_typed_in_any_unit()
    {
        using var page = Opened("/pieces/marsh-light/cups?layer=layer-1");
        var before = page.Find("button", "Mix for amber").GetAttribute("aria-label");
        page.Click("button", "Mix for amber");
        page.WaitForText("need = (regions + edges) × (1 + reserve)");
        page.Write("reserve", "25");
        Waiting.Until(() => page.Find("button", "Mix for amber").GetAttribute("aria-label") != before, "the cup to follow");
        page.WaitUntilKept();
        Assert.Equal("25", page.Find("textbox", "Reserve").GetAttribute("value"));
        page.Press(Keys.Escape);

        page.Click("button", "mm · ml");
        page.WaitForText("23.6 × 15.7 in");
        page.Open("/pieces/marsh-light/ground?layer=layer-1");
        page.WaitForPainting();
        page.Write("Width", "1 ft 8 in");
        Waiting.Until(() => page.Find("textbox", "Width").GetAttribute("value") == "20", "20 in");
        page.Write("Height", "300 mm");
        Waiting.Until(() => page.Find("textbox", "Height").GetAttribute("value") == "11.811", "300 mm in inches");
        page.WaitUntilKept();
        page.Write("Height", "12 apples");
        page.WaitForText("Type a length with its unit, such as 250 mm, 1 3/4 in or 2 ft 6 in.");
        page.Click("button", "in · fl oz");
        page.WaitForText("508 × 300 mm");
    }

    [Fact]
    public void A_heart_is_reshaped_by_the_keyboard_and_a_default_becomes_ones_own()
    {
        using var page = Opened(Fields);
        page.TabTo("slider", "Heart");
        page.TabTo("slider", "Width of heart");
        page.Press(Keys.Shift + Keys.ArrowRight);
        Waiting.Until(() => Value(page, "Width of heart") == 134, "the heart to be wider by 10 mm");
        page.TabTo("slider", "Height of heart");
        page.Press(Keys.ArrowDown);
        Waiting.Until(() => Value(page, "Height of heart") == 83, "the heart to be higher by 1 mm");
        page.TabTo("slider", "Turn of heart");
        page.Press(Keys.ArrowRight);
        Waiting.Until(() => Value(page, "Turn of heart") == -17, "the heart to be turned by 1 degree");
        page.WaitUntilKept();

        page.Open("/pieces/marsh-light/cups?layer=layer-1");
        page.WaitForPainting();
        var mix = Mix(page);
        page.Click("button", "Mix for amber");
        page.WaitForText("stays in any cup");
        page.Write("stays in any cup", "6.5");
        Waiting.Until(() => Mix(page) == mix + 5, "the cup to hold 5 ml more");
        page.WaitUntilKept();
        page.Press(Keys.Escape);
        page.Click("button", "Undo");
        Waiting.Until(() => Mix(page) == mix, "the default to count again");
    }

    [Fact]
    public void A_band_takes_another_colour_and_map_and_cup_show_it()
    {
        using var page = Opened(Fields);
        page.Script<object>(
            """
            const well = document.querySelector('input[aria-label="Colour of umber"]');
            well.value = '#7a3b6e';
            well.dispatchEvent(new Event('change', { bubbles: true }));
            """);
        page.WaitUntilKept();
        Waiting.Until(() => Glass(page, "umber").GetAttribute("innerHTML")!.Contains("#7a3b6e", StringComparison.Ordinal), "the cup to be filled with it");
        page.Open(Fields);
        page.WaitForPainting();
        Assert.Equal("#7a3b6e", page.Script<string>("return document.querySelector('input[aria-label=\"Colour of umber\"]').value"));
    }

    [Fact]
    public void The_view_comes_nearer_and_goes_back_to_the_whole_piece()
    {
        using var page = Opened(Fields);
        double Bar() => page.Script<double>("return document.querySelector('.scale-bar').getBoundingClientRect().width / parseFloat(document.querySelector('.scale-bar').textContent)");
        var whole = Bar();
        page.Click("button", "Nearer");
        page.Click("button", "Nearer");
        Waiting.Until(() => Bar() > whole * 2, "the scale to grow");
        var before = page.Middle(page.Find("slider", "Heart"));
        page.Drag((870, 560), -40, -30);
        Waiting.Until(() => Math.Abs(page.Middle(page.Find("slider", "Heart")).X - before.X + 40) < 1.5, "the view to move with the hand");

        // Anywhere with the space bar held, even over a heart; nothing is edited by it.
        page.Cdp("Input.dispatchKeyEvent", new() { ["type"] = "keyDown", ["key"] = " ", ["code"] = "Space" });
        page.Drag(page.Middle(page.Find("slider", "Heart")), 40, 0);
        page.Cdp("Input.dispatchKeyEvent", new() { ["type"] = "keyUp", ["key"] = " ", ["code"] = "Space" });
        Waiting.Until(() => Math.Abs(page.Middle(page.Find("slider", "Heart")).X - before.X) < 1.5, "the view to move back");
        Assert.Equal(222, Value(page, "Heart"));
        page.Click("button", "Whole piece");
        Waiting.Until(() => Math.Abs(Bar() - whole) < 1e-6, "the whole piece");
    }

    [Fact]
    public void Two_windows_on_one_piece_lose_nothing()
    {
        using var mine = Opened(Fields);
        using var other = Opened(Fields);
        other.Write("Depth", "4");
        other.WaitUntilKept();
        mine.Write("Depth", "5");
        mine.WaitForText("saved in another window");
        Assert.Equal("5", mine.Find("textbox", "Depth").GetAttribute("value"));
        mine.Click("button", "Look at the newest");
        mine.WaitForText("This is the newest, not yours.");
        Waiting.Until(() => mine.Find("textbox", "Depth").GetAttribute("value") == "4", "the newest depth");
        mine.Click("button", "Look at mine again");
        Waiting.Until(() => mine.Find("textbox", "Depth").GetAttribute("value") == "5", "mine");
        mine.Click("button", "Keep mine over it");
        mine.WaitUntilKept();

        // Neither is gone: the other's depth is one step back.
        mine.Click("button", "Undo");
        Waiting.Until(() => mine.Find("textbox", "Depth").GetAttribute("value") == "4", "the other's depth");
    }

    [Fact]
    public void While_the_program_is_gone_an_edit_stays_on_the_page_and_is_kept_when_it_is_back()
    {
        using var page = Opened(Fields);
        workshop.Kill();
        page.Write("Depth", "4.5");
        page.WaitForText("The workshop is not answering.");
        Assert.Equal("4.5", page.Find("textbox", "Depth").GetAttribute("value"));
        workshop.Start();
        page.WaitUntilKept();
        page.Open(Fields);
        page.WaitForPainting();
        Assert.Equal("4.5", page.Find("textbox", "Depth").GetAttribute("value"));
    }

    private Page Opened(string path)
    {
        var page = new Page(workshop.Address);
        page.Open(path);
        page.WaitForPainting();
        page.WaitUntilKept();
        return page;
    }

    private static double Value(Page page, string slider) => double.Parse(
        page.Find("slider", slider).GetAttribute("aria-valuenow")!, CultureInfo.InvariantCulture);

    private static string Areas(Page page) => string.Join('|', page.All("button")
        .Select(b => b.GetAttribute("aria-label") ?? "").Where(l => l.StartsWith("Area of", StringComparison.Ordinal)));

    /// <summary>What to mix for the amber cup, ml.</summary>
    private static int Mix(Page page) => Number(page.Find("button", "Mix for amber").GetAttribute("aria-label")!, ": ");

    /// <summary>The reserve as the cup row tells it, %.</summary>
    private static int Reserve(Page page) => Number(page.Text, "hatched: reserve, ");

    private static int Number(string text, string after)
    {
        var rest = text[(text.IndexOf(after, StringComparison.Ordinal) + after.Length)..];
        return int.Parse(rest[..rest.IndexOf(' ', StringComparison.Ordinal)], CultureInfo.InvariantCulture);
    }

    /// <summary>The vessel of a cup in the cup row.</summary>
    private static IWebElement Glass(Page page, string cup) =>
        page.Driver.FindElements(By.CssSelector(".cup-row button")).Single(b => b.Text.StartsWith(cup, StringComparison.Ordinal)).FindElement(By.TagName("svg"));

    private static List<string> BandNames(Page page) =>
        [.. page.Script<IReadOnlyCollection<object>>("return [...document.querySelectorAll('.bands .name')].map(n => n.textContent)").Select(n => (string)n)];

    private static List<double> Frames(Page page) =>
        [.. page.Script<IReadOnlyCollection<object>>("return performance.getEntriesByName('hand-to-paint').map(e => e.duration)")
            .Select(d => Convert.ToDouble(d, CultureInfo.InvariantCulture)).Order()];
}
