using System.Globalization;
using OpenQA.Selenium;

namespace MossLantern.Browser.Tests;

/// <summary>From a bare board to a logged layer, by the keyboard alone, over a restart of the program.</summary>
public sealed class FirstPieceWalkTests(SharedWorkshop shared) : WorkshopCase(shared)
{
    [Fact]
    public void A_first_panel_goes_from_bare_board_to_logged_layer_by_keyboard_and_survives_a_restart()
    {
        using var workshop = OwnWorkshop();
        using var page = new Page(workshop.Address);
        page.Open("/");
        page.WaitForText("Marsh Light");
        page.WaitForPainting();

        // A new rectangular panel.
        page.TabTo("link", "Start a piece");
        page.Press(Keys.Enter);
        page.WaitForText("A new piece");
        page.Write("Name", "Fen Lamp");
        page.Write("Width", "300");
        page.Write("Height", "200");
        page.TabTo("button", "Put it on the bench");
        page.Press(Keys.Enter);
        page.WaitForText("Place a heart");
        page.WaitForPainting();

        // A heart and a stack of bands with widths and cups.
        page.TabTo("button", "Place a heart");
        page.Press(Keys.Enter);
        page.WaitForText("amber, heart bed");
        for (var band = 0; band < 2; band++)
        {
            page.TabTo("button", "Add a band");
            page.Press(Keys.Enter);
        }

        page.WaitForText("fills the rest");
        page.Write("Width of band 1", "14");
        page.Write("Width of band 2", "6");
        page.WaitUntilKept();

        // The heart is moved with the arrow keys, and every region has its area.
        page.TabTo("slider", "Heart");
        page.Press(Keys.ArrowRight);
        Waiting.Until(() => page.Find("slider", "Heart")
            .GetAttribute("aria-valuetext") == "127 mm from the left, 92 mm from the top", "the heart to move");
        page.WaitUntilKept();
        var areas = page.All("button").Select(b => b.GetAttribute("aria-label") ?? "")
            .Where(l => l.StartsWith("Area of", StringComparison.Ordinal)).Select(l => Number(l, ": ", " cm²")).ToList();
        Assert.Equal(4, areas.Count);
        Assert.All(areas, a => Assert.True(a > 0));
        Assert.Equal(600, areas.Sum(), 1.0);

        // What to mix: one colourant with its load, both parts by volume and by weight.
        Station(page, "Cups", "hardener");
        page.TabTo("button", "moss");
        if (page.Focused.GetAttribute("aria-pressed") != "true")
        {
            page.Press(Keys.Space);
        }

        page.Write("Load", "5");
        page.WaitUntilKept();
        page.TabTo("button", "Mix for moss");
        var mix = Number(page.Focused.GetAttribute("aria-label")!, ": ", " ml");
        Assert.InRange(mix, 10, 100);
        page.Press(Keys.Enter);
        page.WaitForText("need = ((regions + edges) × (1 + reserve ÷ 100)");
        page.WaitForText("default");
        page.Press(Keys.Escape);
        foreach (var part in (string[])["Resin of batch 1", "Hardener of batch 1", "Colourant"])
        {
            Assert.True(Number(page.Find("button", part).GetAttribute("aria-label")!, ": ", " ") > 0, part);
        }

        // The order of pours, and a change of it.
        Station(page, "Pour", "Order of pours");
        page.TabTo("button", "Pour moss earlier");
        page.Press(Keys.Enter);
        page.WaitForText("Your own order.");
        page.WaitUntilKept();

        // When, how warm, and the windows in local time.
        Station(page, "Cure", "Mixing starts");
        WriteTime(page, "Mixing starts", "15 Jan 2026 14:30");
        WriteTime(page, "Pour ends", "15 jan 2026 2:45 pm");
        page.Write("Room", "18");
        page.WaitForText("tape off");
        page.WaitUntilKept();
        foreach (var window in (string[])["tape off", "next layer", "touch-dry", "full cure"])
        {
            page.WaitForText(window);
        }

        // 2 h at 22 °C take 2.65 h at 18 °C: 14:45 and 2:39 later.
        page.WaitForText("Thu 15 Jan, 17:23");

        // What really happened.
        Station(page, "Story", "What was poured");
        WriteTime(page, "First pour", "2026-01-15 14:35");
        WriteTime(page, "Last pour", "15 Jan 2026 14:50");
        page.Write("Room", "19,5");
        page.Write("Poured of moss", "21.5");
        page.Write("Note", "Moss crept to the left.");
        page.TabTo("button", "Save to the log");
        page.Press(Keys.Enter);

        // More than was to be mixed is asked about, and taken when it is so.
        page.WaitForText("Was more mixed?");
        page.TabTo("button", "Save it to the log even so");
        page.Press(Keys.Enter);
        page.WaitForText("Saved to the log.");

        // The program is killed and started again, and nothing is lost. What the page asked for meanwhile could not be had.
        Assert.Contains("/runs/", Assert.Single(page.Complaints()), StringComparison.Ordinal);
        workshop.Restart();
        page.Open("/");
        _ = page.Complaints();
        page.WaitForText("Fen Lamp");
        page.WaitForPainting();
        page.TabTo("link", "Fen Lamp");
        Assert.Contains("300 × 200 mm", page.Focused.Text, StringComparison.Ordinal);
        page.Press(Keys.Enter);
        page.WaitForText("amber, heart bed");
        Station(page, "Story", "What was poured");
        Assert.Equal("21.5", page.Find("textbox", "Poured of moss").GetAttribute("value"));
        Assert.Equal("19.5", page.Find("textbox", "Room").GetAttribute("value"));
        Assert.Equal("Moss crept to the left.", page.Find("textbox", "Note").GetAttribute("value"));
        Assert.Equal("", page.Find("textbox", "Poured of amber, heart bed").GetAttribute("value"));
        Station(page, "Cure", "Counted from what was logged");
        page.WaitForText("at 19.5 °C");
        Assert.Empty(page.AxeFindings());
        Assert.Empty(page.Complaints());
    }

    [Fact]
    public void Bad_input_is_said_beside_the_field_and_nothing_is_lost()
    {
        using var page = NewPage();
        page.Open(Own("/pieces/bogbean-round/map"));
        page.WaitForPainting();
        page.Write("Depth", "200");
        page.WaitForText("Layer depth must be from 0.1 to 100 mm.");
        Assert.Equal("200", page.Find("textbox", "Depth").GetAttribute("value"));
        page.Write("Width of band 1", "three");
        page.WaitForText("Type a number in mm, such as 12.5.");
        page.Click("button", "Undo");
        Waiting.Until(() => page.Find("textbox", "Depth").GetAttribute("value") == "2.5", "the refused depth to be undone");
        page.Write("Depth", "2");
        Waiting.Until(() => !page.Text.Contains("must be from", StringComparison.Ordinal), "the refusal to go");
        Assert.Equal("three", page.Find("textbox", "Width of band 1").GetAttribute("value"));
    }

    private static void Station(Page page, string name, string shows)
    {
        page.TabTo("link", name);
        page.Press(Keys.Enter);
        page.WaitForText(shows);
    }

    private static void WriteTime(Page page, string label, string moment)
    {
        page.TabTo("textbox", label);
        page.Press(Keys.Control + "a", moment, Keys.Enter);
        Waiting.Until(() => page.Focused.GetAttribute("value")
            ?.StartsWith("Thu 15 Jan", StringComparison.Ordinal) == true, $"{label} to be read");
    }

    private static double Number(string text, string after, string before)
    {
        var from = text.IndexOf(after, StringComparison.Ordinal) + after.Length;
        return double.Parse(text[from..text.IndexOf(before, from, StringComparison.Ordinal)], CultureInfo.InvariantCulture);
    }
}
