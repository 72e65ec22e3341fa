using System.Globalization;
using System.Net.Http.Json;
using OpenQA.Selenium;
using static MossLantern.Browser.Tests.MapPage;

namespace MossLantern.Browser.Tests;

/// <summary>What the map, its cups and its numbers show of each other, near and far and in two windows.</summary>
public sealed class MapNumberTests(SharedWorkshop shared) : WorkshopCase(shared)
{
    private const string Fields = "/pieces/marsh-light/map?layer=layer-1";

    private protected override bool Poured => false;

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

        string ScaleBar() =>
            page.Script<string>("const b = document.querySelector('.scale-bar'); return `${b.textContent} ${b.style.width}`");
    }

    [Fact]
    public void One_part_of_a_typical_ratio_changed_where_it_is_explained_makes_the_ratio_ones_own()
    {
        using var page = Opened("/pieces/marsh-light/cups?layer=layer-1");
        page.WaitForText("1 : 1 by volume, typical data");
        page.Click("button", "Resin of batch 1");
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

    /// <summary>A number of one region leads to it, from another station and at every width of the page.</summary>
    [Theory]
    [InlineData(1280, 800)]
    [InlineData(1024, 768)]
    [InlineData(800, 1200)]
    public void A_press_on_a_number_goes_to_where_on_the_piece_it_is_so(int width, int height)
    {
        using var page = Opened("/pieces/marsh-light/pour?layer=layer-1");
        page.Resize(width, height);
        page.WaitForText("Order of pours");
        page.Click("button", "Pour of umber");
        page.Click("button", "Show it on the map");
        page.WaitForText("Bands, from the heart to the rim");
        Waiting.Until(() => page.All("button").Any(b => b.GetAttribute("aria-pressed") == "true"
            && b.Text.Contains("umber", StringComparison.Ordinal)), "umber to be chosen");
        Assert.DoesNotContain("Show it on the map", page.Text, StringComparison.Ordinal);
    }

    [Fact]
    public void A_colour_of_two_layers_says_so_in_both()
    {
        using var page = Opened("/pieces/bogbean-round/cups");
        page.Click("button", "+ pour another");
        page.WaitForText("2 · Layer 2");
        page.WaitUntilKept();
        Assert.DoesNotContain("This colour is also in", page.Text, StringComparison.Ordinal);
        page.Click("button", "+ pour another");
        page.WaitForText("This colour is also in Layer 2: a change here changes it there.");
        page.Write("Cup", "glass");
        page.WaitUntilKept();
        page.Click("button", "2 · Layer 2");
        page.WaitForText("This colour is also in Layer 3");
        Assert.Equal("glass", page.Find("textbox", "Cup").GetAttribute("value"));
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
        var edge = page.Middle(page.Find("slider", "Edge of moss, inner ring"));
        page.Hover((edge.X - 14, edge.Y + 24));
        Waiting.Until(() => page
            .Script<bool>("return document.querySelector('.cup-row [data-lit]')?.textContent.startsWith('moss')"), "the cup to be lit");
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
        page.WaitForText("need = ((regions + edges) × (1 + reserve ÷ 100)");
        page.Write("reserve", "25");
        Waiting.Until(() => page.Find("button", "Mix for amber").GetAttribute("aria-label") != before, "the cup to follow");
        page.WaitUntilKept();
        Assert.Equal("25", page.Find("textbox", "Reserve").GetAttribute("value"));
        page.Press(Keys.Escape);

        page.Click("button", "mm · ml");
        page.WaitForText("23.6 × 15.7 in");
        page.Open(Own("/pieces/marsh-light/ground?layer=layer-1"));
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
    public void A_band_takes_another_colour_and_map_and_cup_show_it()
    {
        using var page = Opened(Fields);
        page.Find("button", "Colour of umber").Click();
        page.Write("or typed", "#7a3b6e");
        page.WaitUntilKept();
        page.WaitForText("It is called bilberry now.");
        Waiting.Until(() => Glass(page, "bilberry")
            .GetAttribute("innerHTML")!.Contains("#7a3b6e", StringComparison.Ordinal), "the cup to be filled with it");
        page.Open(Own(Fields));
        page.WaitForPainting();
        Assert.Equal("rgb(122, 59, 110)", page.Find("button", "Colour of bilberry").GetCssValue("background-color")
            .Replace("rgba", "rgb", StringComparison.Ordinal).Replace(", 1)", ")", StringComparison.Ordinal));
    }

    [Fact]
    public void The_view_comes_nearer_and_goes_back_to_the_whole_piece()
    {
        using var page = Opened(Fields);
        double Bar() =>
            page.Script<double>(
                "return document.querySelector('.scale-bar').getBoundingClientRect().width / "
                    + "parseFloat(document.querySelector('.scale-bar').textContent)");
        var whole = Bar();
        page.Drag(page.Middle(page.Find("slider", "Scale")), 160, 0);
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

        // Keys by themselves, wherever the focus lies on the piece.
        page.Press("+", "+");
        Waiting.Until(() => Value(page, "Scale") == 156, "two steps nearer");
        page.Press("-");
        Waiting.Until(() => Value(page, "Scale") == 125, "one step back");
        new OpenQA.Selenium.Interactions.Actions(page.Driver).DoubleClick(page.Find("slider", "Scale")).Perform();
        Waiting.Until(() => Math.Abs(Bar() - whole) < 1e-6, "the whole piece by a double press");
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
        mine.Click("button", "Save mine over it");
        mine.WaitUntilKept();

        // Neither is gone: the other's depth is one step back.
        mine.Click("button", "Undo");
        Waiting.Until(() => mine.Find("textbox", "Depth").GetAttribute("value") == "4", "the other's depth");
    }

    [Fact]
    public void While_the_program_is_gone_an_edit_stays_on_the_page_and_is_kept_when_it_is_back()
    {
        using var workshop = OwnWorkshop();
        var fields = $"/pieces/{Copied(workshop, "marsh-light", poured: false)}/map?layer=layer-1";
        using var page = MapPage.Opened(workshop, fields);
        workshop.Kill();
        page.Write("Depth", "4.5");
        page.WaitForText("The workshop is not answering.");
        Assert.Equal("4.5", page.Find("textbox", "Depth").GetAttribute("value"));
        workshop.Start();
        page.WaitUntilKept();
        page.Open(fields);
        page.WaitForPainting();
        Assert.Equal("4.5", page.Find("textbox", "Depth").GetAttribute("value"));
    }
}
