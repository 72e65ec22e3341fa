using System.Globalization;
using System.Net.Http.Json;
using OpenQA.Selenium;
using static MossLantern.Browser.Tests.MapPage;

namespace MossLantern.Browser.Tests;

/// <summary>The map is edited by hand and by keyboard, and everything follows.</summary>
public sealed class MapEditTests(SharedWorkshop shared) : WorkshopCase(shared)
{
    private const string Fields = "/pieces/marsh-light/map?layer=layer-1";

    private protected override bool Poured => false;

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
        using var workshop = OwnWorkshop();
        using var client = workshop.Client;
        foreach (var (name, svg) in new[] { ("Sign", ManyParts.Sign()), ("Cavities", ManyParts.Cavities()) })
        {
            await ManyParts.Add(client, name, svg);
        }

        var pieces = (await client.GetFromJsonAsync<System.Text.Json.Nodes.JsonArray>("api/pieces"))!.Count;
        using var page = new Page(workshop.Address);
        page.Open("/speed?seconds=0.5");
        page.WaitForText("Drag every piece");
        page.Click("button", "Drag every piece");
        Waiting.Until(
            () => page.Items("Drags of the demo").Count == pieces
                && page.Text.Contains("Drag every piece", StringComparison.Ordinal),
            "every piece to be measured", TimeSpan.FromSeconds(90));
        TestContext.Current.SendDiagnosticMessage("hand to paint in the page: {0}",
            string.Join("; ", page.Items("Drags of the demo").Select(r => r.Text)));
        Assert.Contains("\"version\":1,", await client.GetStringAsync("api/pieces/marsh-light"), StringComparison.Ordinal);
    }

    [Fact]
    public void Neighbours_that_read_as_one_are_pinned_where_they_touch_and_parted_by_a_press()
    {
        using var page = NewPage();
        page.Open(Own("/pieces/bogbean-round/map"));
        page.WaitForText("spring water and petal lie side by side");
        page.WaitForPainting();
        var bands = Bands(page);
        page.TabTo("button", "Twins: to its words");
        page.Press(Keys.Enter);
        Assert.StartsWith("finding-twins", page.Focused.GetAttribute("id"), StringComparison.Ordinal);
        page.TabTo("button", "Put a line of peat, 3 mm wide, between them");
        page.Press(Keys.Enter);
        Waiting.Until(() => !page.Text.Contains("Twins", StringComparison.Ordinal), "the twins to be parted");
        page.WaitUntilKept();
        Assert.Equal(bands + 1, Bands(page));
        page.TabTo("button", "Undo");
        page.Press(Keys.Enter);
        page.WaitForText("spring water and petal lie side by side");
        page.Choose("Neighbouring colours", "blend");
        Waiting.Until(() => !page.Text.Contains("Twins", StringComparison.Ordinal), "gradual colours to be let be");
        page.WaitUntilKept();
        page.WaitForText("Bare ground");
        Assert.Empty(page.AxeFindings());
    }

    [Fact]
    public void A_band_is_widened_by_its_area_by_its_edge_and_by_the_arrow_keys()
    {
        using var page = Opened(Fields);
        Assert.Equal(30, Value(page, "Edge of moss, inner ring"));
        var edge = page.Middle(page.Find("slider", "Edge of moss, inner ring"));

        // Taken by its area, just inside the edge, away from every grip.
        page.Drag((edge.X - 14, edge.Y + 24), 23, 0);
        Waiting.Until(() => Value(page, "Edge of moss, inner ring") > 40, "the band to be wider");
        page.WaitUntilKept();
        var wide = Value(page, "Edge of moss, inner ring");
        page.Drag(page.Middle(page.Find("slider", "Edge of moss, inner ring")), -23, 0);
        Waiting.Until(() => Value(page, "Edge of moss, inner ring") < wide - 10, "the band to be narrower");
        page.WaitUntilKept();
        var now = Value(page, "Edge of moss, inner ring");
        page.TabTo("slider", "Edge of moss, inner ring");
        page.Press(Keys.ArrowRight, Keys.Shift + Keys.ArrowRight);
        Waiting.Until(() => Value(page, "Edge of moss, inner ring") == now + 11, "the arrow keys to widen the band by 11 mm");
        page.WaitUntilKept();
        Assert.Contains("mm wide", page.Find("slider", "Edge of moss, inner ring").GetAttribute("aria-valuetext")!,
            StringComparison.Ordinal);
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
        using var workshop = OwnWorkshop();
        var fields = $"/pieces/{Copied(workshop, "marsh-light", poured: false)}/map?layer=layer-1";
        using var page = MapPage.Opened(workshop, fields);
        var first = BandNames(page);
        page.Click("button", "umber");
        page.Click("button", "Split band 3");
        Waiting.Until(() => BandNames(page).Count == first.Count + 1, "two bands in place of one");
        page.WaitUntilKept();
        page.Click("button", "Repeat band 3");
        Waiting.Until(() => BandNames(page).Count == first.Count + 2, "the band once more");
        page.WaitUntilKept();
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
        page.Open(fields);
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
        page.WaitUntilKept();
        page.TabTo("slider", "Scale");
        page.Press(Keys.ArrowRight);
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
    public void A_second_heart_shares_the_bands_and_can_stand_outside_the_edge()
    {
        using var page = Opened(Fields);
        page.Click("button", "Another heart");
        Waiting.Until(() => page.All("slider").Any(s => s.GetAttribute("aria-label") == "Heart 2"), "a second heart");
        page.WaitUntilKept();
        page.Write("From the left", "-60");
        Waiting.Until(() => Value(page, "Heart 2") == -60, "the heart to be outside");
        page.WaitUntilKept();
        var sum = page.All("button").Select(b => b.GetAttribute("aria-label") ?? "")
            .Where(l => l.StartsWith("Area of", StringComparison.Ordinal))
            .Sum(l => double.Parse(l[(l.IndexOf(": ", StringComparison.Ordinal) + 2)..l
                .IndexOf(" cm²", StringComparison.Ordinal)], CultureInfo.InvariantCulture));
        Assert.Equal(2400, sum, 6.0);
        page.Click("button", "Take it out");
        Waiting.Until(() => page.All("slider").All(s => s.GetAttribute("aria-label") != "Heart 2"), "one heart again");
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

        page.Open(Own("/pieces/marsh-light/cups?layer=layer-1"));
        page.WaitForPainting();
        var mix = Mix(page);
        page.Click("button", "Mix for amber");
        page.WaitForText("stays in any cup");
        page.Write("stays in any cup", "6.5");
        // 5 ml more, and up to the next two that both parts can be measured in.
        Waiting.Until(() => Mix(page) >= mix + 4 && Mix(page) <= mix + 6,
            () => $"the cup to hold 5 ml more than {mix}; it holds {Mix(page)}, and the page shows:\n{page.Text}");
        page.WaitUntilKept();
        page.Press(Keys.Escape);
        page.Click("button", "Undo");
        Waiting.Until(() => Mix(page) == mix, "the default to count again");
    }
}
