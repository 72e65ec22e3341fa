using OpenQA.Selenium;

namespace MossLantern.Browser.Tests;

/// <summary>Quick sums at the bench, by the keyboard.</summary>
public sealed class ReckonerTests(SharedWorkshop shared) : WorkshopCase(shared)
{
    [Fact]
    public void A_sum_is_worked_out_explained_copied_and_remembered()
    {
        using var page = NewPage();
        page.Open("/reckoner");
        Waiting.Until(() => Result(page, "Hardener").Contains("75.0 ml", StringComparison.Ordinal), "the first sum");
        page.Write("Volume", "10 oz");
        Waiting.Until(() => Result(page, "Hardener").Contains("147.9 ml", StringComparison.Ordinal),
            "ten fluid ounces, half of them hardener");

        // Every result opens to its formula and inputs.
        page.TabTo("button", "Resin: 147.9 ml");
        page.Press(Keys.Enter);
        page.WaitForText("mix × resin parts by volume ÷ (resin parts by volume + hardener parts by volume)");
        page.WaitForText("Density of the resin");
        page.Press(Keys.Enter);

        page.TabTo("link", "Is this batch on ratio?");
        page.Press(Keys.Enter);
        page.WaitForText("Off ratio");
        Waiting.Until(() => Result(page, "Add resin").Contains("6.1 g", StringComparison.Ordinal), "the resin to add");
        page.TabTo("button", "Copy Add resin, 6.1 g");
        page.Press(Keys.Enter);
        Waiting.Until(() => page.Script<bool>("return document.activeElement.textContent === 'copied'"), "the result to be copied");

        page.Open("/reckoner");
        page.WaitForText("Is this batch on ratio?");
        Waiting.Until(() => Result(page, "Add resin").Length > 0, "the last sum");
        page.Open("/reckoner/mix");
        Waiting.Until(() => page.Find("textbox", "Volume").GetAttribute("value") == "295.7", "what was filled in last");
        Assert.Empty(page.Complaints());
    }

    [Fact]
    public void What_was_reckoned_stays_on_the_slate_for_the_day_the_newest_on_top()
    {
        using var page = NewPage();
        page.Open("/reckoner/mix");
        page.WaitForText("Hardener to 100 g of resin");
        string Heads() =>
            page.Script<string>("return [...document.querySelectorAll('.slate h1, .slate h2')].map(h => h.textContent).join('|')");
        page.Click("link", "How hot does a cup get?");
        Waiting.Until(() => Heads() == "How hot does a cup get?|How much of each part?", "the newer sum above the older");
        page.WaitForText("Peaks at");
        page.Write("Volume", "300");
        Waiting.Until(() => Result(page, "Resin").StartsWith("Resin: 150.0 ml", StringComparison.Ordinal),
            "the older one to be reckoned still");
        page.Click("button", "Once more: How much of each part?");
        Waiting.Until(() => Heads() == "How much of each part?|How hot does a cup get?|How much of each part?",
            "the same sum with other numbers");
        page.Open("/reckoner");
        Waiting.Until(() => Heads() == "How much of each part?|How hot does a cup get?|How much of each part?",
            "all of it, after the page was left");
        page.WaitForText("Peaks at");
        Assert.Empty(page.AxeFindings());
        page.AtEverySize(_ => Assert.Empty(page.DeadControls()));
        page.Click("button", "Wipe off: How much of each part?");
        Waiting.Until(() => Heads() == "How hot does a cup get?|How much of each part?", "the newest to be wiped off");
        page.Click("button", "Wipe off: How hot does a cup get?");
        page.Click("button", "Wipe off: How much of each part?");
        Waiting.Until(() => Heads() == "How much of each part?", "one blank sum to begin with");
        Assert.Empty(page.Complaints());
    }

    [Fact]
    public void What_is_wrong_is_said_beside_it_and_the_last_good_sum_stays()
    {
        using var page = NewPage();
        page.Open("/reckoner/puddle");
        Waiting.Until(() => Result(page, "Radius 3").Contains("138.2 mm", StringComparison.Ordinal), "the radii");

        // Without Enter and without leaving the blank.
        page.TabTo("textbox", "Depth");
        page.Press(Keys.Control + "a", "200");
        page.WaitForText("Depth must be from 0.1 to 100 mm.");
        page.WaitForText("The last sum that could be worked out:");
        Assert.Contains("138.2 mm", Result(page, "Radius 3"), StringComparison.Ordinal);
        page.Write("Colour 2", "-3");
        page.WaitForText("Volume must be from 0.01 to 100000 ml.");
        page.Write("Colour 2", "40");
        page.TabTo("textbox", "Depth");
        page.Press(Keys.Control + "a", "2");
        Waiting.Until(() => Result(page, "Radius 3").Contains("169.3 mm", StringComparison.Ordinal), "the sum to follow again");

        page.TabTo("button", "+ another colour");
        page.Press(Keys.Enter);
        Waiting.Until(() => Result(page, "Radius 4").Length > 0, "a fourth colour");
        page.TabTo("button", "Take out colour 1", back: true);
        page.Press(Keys.Enter);
        Waiting.Until(() => !page.All("button").Any(b => b.Text.StartsWith("Radius 4", StringComparison.Ordinal))
            && Result(page, "Radius 3").Length > 0, "three colours again");
    }

    [Fact]
    public void Every_sum_works_out_as_it_starts()
    {
        using var page = NewPage();
        page.Open("/reckoner");
        page.WaitForText("How much of each part?");
        var addresses =
            page.Script<IReadOnlyCollection<object>>(
                "return [...document.querySelectorAll('.reckoner nav a')].map(a => a.getAttribute('href'))");
        Assert.Equal(23, addresses.Count);
        foreach (var address in addresses.Cast<string>())
        {
            page.Open(address);
            Waiting.Until(() => page
                .Script<bool>(
                    "return document.querySelector('.reckoner nav .active')?.getAttribute('href') === "
                        + "location.pathname && document.querySelectorAll('.slate > li:first-child .answer "
                        + "li').length > 0 && !document.querySelector('.field-error, .answer[data-old]')"),
                () => $"{address} to be worked out; it shows "
                    + page.Script<string>("return document.querySelector('main')?.innerText ?? document.body.innerText"));
        }
    }

    [Fact]
    public void The_way_of_resin_is_drawn_and_follows_what_is_typed_and_pressed()
    {
        using var page = NewPage();
        page.Open("/reckoner/journey");
        int Turns() => (int)page.Script<long>("return document.querySelectorAll('.way .way-turn').length");
        Waiting.Until(() => Turns() == 2
            && Result(page, "Gels after").StartsWith("Gels after: 206 min", StringComparison.Ordinal), "the way of the first sum");
        Assert.Empty(page.AxeFindings());
        page.Click("button", "Take out vessel 1");
        Waiting.Until(() => Turns() == 1
            && !Result(page, "Gels after").StartsWith("Gels after: 206", StringComparison.Ordinal), "the way without the jug");
        page.Write("As a film 2", "6");
        Waiting.Until(() => Result(page, "Gels after").StartsWith("Gels after: 17", StringComparison.Ordinal),
            () => $"a deeper film to gel sooner; it is {Result(page, "Gels after")}");
        page.Write("Minutes 1", "99999");
        page.WaitForText("Minutes must be from 0 to 10080 min.");
        page.WaitForText("The last sum that could be worked out:");
        Assert.Equal(1, Turns());
    }

    /// <summary>The name of a result's button, such as "Hardener: 75.0 ml. How is it worked out?".</summary>
    private static string Result(Page page, string label) =>
        page.Script<string>(
            "return document.querySelector(`.answer .how-number[aria-label^='${arguments[0]}:']`)?.getAttribute('aria-label') ?? ''",
            label);
}
