using System.Text.Json.Nodes;
using OpenQA.Selenium;

namespace MossLantern.Browser.Tests;

/// <summary>A cup is given its colour as what is stirred in, wherever it is met.</summary>
public sealed class ColourTests(SharedWorkshop shared) : WorkshopCase(shared)
{
    private const string Fields = "marsh-light";

    private protected override bool Poured => false;

    private JsonArray Recipes()
    {
        using var client = Workshop.Client;
        return JsonNode.Parse(client.GetStringAsync($"api/pieces/{Copy(Fields)}").GetAwaiter()
            .GetResult())!["piece"]!["recipes"]!.AsArray();
    }

    [Theory]
    [InlineData("map", "Colour of moss, inner ring", 1280, 800)]
    [InlineData("cups", "Colour of amber", 800, 1200)]
    [InlineData("pour", "Colour of amber, heart bed", 1024, 768)]
    [InlineData("story", "Colour of amber, heart bed", 1280, 800)]
    public void Wherever_a_colour_is_met_it_becomes_gold_or_clear_by_one_press_of_the_mouse(string station,
        string swatch, int width, int height)
    {
        using var page = Opened($"/pieces/{Fields}/{station}?layer=layer-1");
        page.Resize(width, height);
        var before = swatch.Contains("amber", StringComparison.Ordinal) ? "amber" : "moss";
        page.Find("button", swatch).Click();
        page.WaitForText("Each swatch runs from nothing");
        page.Find("button", "Gold vein").Click();
        page.WaitForText("It is called gold vein now.");
        page.WaitUntilKept();
        Assert.Contains(Recipes(), r => (string)r!["name"]! == "gold vein" && (string)r["doses"]![0]!["colourant"]! == "metallic-paste");
        page.Find("button", "Clear").Click();
        page.WaitForText("Clear resin, nothing stirred in.");
        page.WaitForText($"Call it {before}");
        Assert.Empty(page.AxeFindings());
        Assert.Empty(page.DeadControls());
        page.Find("button", "Done").Click();
        Waiting.Until(() => !page.Text.Contains("Each swatch runs", StringComparison.Ordinal)
            && page.Script<bool>("return document.activeElement.classList.contains('colour-well')"),
            "the station again, and the keys at the swatch");
        page.WaitUntilKept();
        Assert.Empty(page.Complaints());
    }

    [Fact]
    public void What_is_offered_tells_how_it_looks_and_a_name_of_ones_own_is_asked_about()
    {
        using var page = Opened($"/pieces/{Fields}/map?layer=layer-1");
        page.Find("button", "Colour of smoke").Click();
        page.WaitForText("of this ground at 3 mm");
        page.Click("button", "reed green");
        page.WaitForText("It is called reed green now.");
        page.Click("button", "Call it smoke");
        page.WaitForText("Undo: set the colour's name");
        page.Write("It is called", "fog of the fen");
        page.WaitUntilKept();

        // By the keys, and the name stays until it is wanted otherwise.
        page.TabTo("slider", "Hue");
        for (var i = 0; i < 40; i++)
        {
            page.Press(Keys.ArrowRight);
        }

        page.WaitForText("Still called fog of the fen.");
        page.Click("button", "Call it");
        page.WaitUntilKept();
        Assert.DoesNotContain(Recipes(), r => (string)r!["name"]! == "fog of the fen");
        page.Press(Keys.Escape);
        Waiting.Until(() => !page.Text.Contains("Each swatch runs", StringComparison.Ordinal), "Escape to close it");
        Assert.Empty(page.Complaints());
    }

    [Fact]
    public void A_colour_that_nothing_is_mixed_for_opens_to_any_shade()
    {
        using var page = Opened($"/pieces/{Fields}/ground");
        page.Find("button", "Ground colour").Click();
        page.Write("or typed", "12 apples");
        page.WaitForText("Type a colour as #d98a1e");
        page.Write("or typed", "#445566");
        page.WaitUntilKept();
        page.TabTo("slider", "Darker to lighter");
        page.Press(Keys.ArrowRight, Keys.ArrowRight);
        page.Press(Keys.Escape);
        Waiting.Until(() => page.Find("button", "Ground colour").GetAttribute("data-colour") is { } at
            && at != "#445566", "a lighter ground");
        Waiting.Until(() => page.Focused.GetAttribute("aria-label") == "Ground colour", "the keys at the swatch");
        Assert.Empty(page.Complaints());
    }
}
