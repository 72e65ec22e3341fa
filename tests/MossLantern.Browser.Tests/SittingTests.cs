using OpenQA.Selenium;

namespace MossLantern.Browser.Tests;

/// <summary>A piece that is poured in several goes, each from its own jugs.</summary>
public sealed class SittingTests(SharedWorkshop shared) : WorkshopCase(shared)
{
    private protected override bool Poured => false;

    private static int Batches(Page page) => page.Script<long>("return document.querySelectorAll('.batch').length") is var n ? (int)n : 0;

    [Fact]
    public void Cups_are_poured_off_one_jug_and_go_to_others_by_the_mouse_and_by_a_choice()
    {
        using var page = Opened("/pieces/sphagnum-pools/cups");
        page.WaitForText("One batch does for all");
        Assert.Equal(1, Batches(page));
        page.Click("button", "Each cup by itself");
        Waiting.Until(() => Batches(page) == 6, "six batches");
        page.WaitUntilKept();
        page.Click("button", "Batches as proposed");
        Waiting.Until(() => Batches(page) == 1, "one batch again");
        page.WaitUntilKept();
        page.AtEverySize(_ =>
        {
            page.Click("button", "Split batch 1");
            Waiting.Until(() => Batches(page) == 2, "two batches");
            page.WaitUntilKept();

            // Carried by its name.
            var name = page.Middle(Name(page, "cream"));
            var to = page.Middle(Name(page, "peat"));
            page.Drag(name, to.X - name.X, to.Y - name.Y);
            Waiting.Until(() => page
                .Script<bool>(
                    "return [...document.querySelectorAll('.batch')][1].textContent.includes('cream') || "
                        + "[...document.querySelectorAll('.batch')][0].textContent.includes('peat')"),
                "cream to stand with peat");
            page.WaitUntilKept();
            page.Click("button", "Batches as proposed");
            Waiting.Until(() => Batches(page) == 1, "one batch again");
            page.WaitUntilKept();
        });
        page.Click("button", "Split batch 1");
        Waiting.Until(() => Batches(page) == 2, "two batches");
        page.WaitUntilKept();

        // By a choice, for hands that do not carry.
        page.Script<object>("arguments[0].closest('button').click()", Name(page, "moss"));
        page.Choose("moss is", "mixed in its own cup");
        Waiting.Until(() => Batches(page) == 3, "three batches");
        page.WaitUntilKept();
        Assert.Empty(page.Complaints());
    }

    private static WebElement Name(Page page, string cup) =>
        page.Script<WebElement>($"return [...document.querySelectorAll('.jug-cup-name')].find(n => n.textContent === '{cup}')");

    /// <summary>A colour that no jug holds is mixed in two goes, in more, and in one again; a larger jug is a press away.</summary>
    [Fact]
    public void A_colour_is_mixed_in_several_goes_and_in_one_again()
    {
        using var page = Opened("/pieces/sphagnum-pools/cups");
        page.WaitForText("One batch does for all");
        page.Write("Largest jug", "100");
        page.WaitForText("1 of 2");
        page.WaitUntilKept();
        page.Script<object>("arguments[0].closest('button').click()", Mixed(page));
        page.WaitForText("is mixed in two goes");
        page.AtEverySize(_ =>
        {
            page.Click("button", "Mix it in three goes");
            page.WaitForText("is mixed in three goes");
            page.WaitForText("Your own batches");
            page.WaitUntilKept();
            page.Click("button", "Mix it in two goes");
            page.WaitForText("is mixed in two goes");
            page.WaitUntilKept();
            page.Click("button", "Batches as proposed");
            page.WaitForText("batches, because");
            page.WaitUntilKept();
        });
        page.Click("button", "Mix it in one go");
        page.WaitForText("and the jug holds");
        page.WaitUntilKept();
        page.Click("button", "Use a larger jug");
        Waiting.Until(() => page.Script<bool>("return document.activeElement.dataset.place === 'sittings.tools.jugMl'"), "the jug's field");
        Assert.Empty(page.Complaints());
    }

    private static WebElement Mixed(Page page) => page.Script<WebElement>(
        "return [...document.querySelectorAll('.jug-cup-name')].find(n => n.textContent.includes('1 of 2'))");

    [Fact]
    public void A_jug_that_holds_less_makes_two_batches_and_says_why()
    {
        using var page = Opened("/pieces/sphagnum-pools/cups");
        page.WaitForText("One batch does for all");
        page.Write("Largest jug", "300");
        page.WaitForText("Two batches, because");
        page.WaitForText("and the jug holds");
        page.WaitUntilKept();
        page.Write("Largest jug", "5");
        page.WaitForText("Jug must be from 20 to 20000 ml");
    }

    [Fact]
    public void A_layer_is_divided_into_sittings_that_are_planned_and_logged_each_by_itself()
    {
        using var page = Opened("/pieces/bogbean-round/pour");
        page.WaitForText("Order of pours");
        page.Click("button", "peat");
        page.Choose("Poured", "in a new sitting before it");
        page.WaitForText("This sitting:");
        page.WaitUntilKept();
        Assert.Equal(2, page.All("button").Count(b => b.Text.Contains("pour", StringComparison.Ordinal)
            && b.Text.Contains("no start yet", StringComparison.Ordinal)));
        Assert.Equal(2, page.Items("Sittings of").Count);

        // The core sample is the way from one to the other.
        page.Items("Sittings of")[0].FindElement(By.TagName("button")).Click();
        Waiting.Until(() => page.Items("Order of pours").Count == 1, "one pour");
        page.GoTo("Cure", "When to pour");
        page.Write("Mixing starts", "2027-03-01T09:00");
        page.WaitForText("next layer");
        page.WaitUntilKept();
        page.GoTo("Story", "What was poured");
        Assert.Single(page.Items("What was poured"));
        page.Write("First pour", "2026-05-01T09:00");
        page.Click("button", "Save to the log");
        page.WaitForText("Saved to the log.");
        Waiting.Until(() => page.Text.Contains("half poured", StringComparison.Ordinal), "the layer to be half poured");
        Assert.Empty(page.Complaints());
    }

    [Fact]
    public void A_region_that_is_pointed_at_on_the_piece_is_poured_in_passes_or_not_at_all()
    {
        using var page = Opened("/pieces/sphagnum-pools/pour");
        page.WaitForPainting();
        var stage = page.Middle(page.Script<WebElement>("return document.querySelector('.stage .painted')"));
        page.Drag((stage.X + 150, stage.Y - 40), 0, 0);
        page.WaitForText("Depth of this region");
        page.Click("button", "Clear below it");
        page.WaitForText("the region's colour");
        page.WaitUntilKept();
        Assert.Equal(2, page.Items("Passes over").Count);
        Assert.Empty(page.Complaints());
        page.Write("Depth of the pass", "9");
        page.WaitForText("come to more than the 3 mm");
        page.Write("Depth of the pass", "0.5");
        page.WaitUntilKept();
        page.Click("button", "Leave out the pass of clear");
        Waiting.Until(() => page.Items("Passes over").Count == 0, "one pass again");
        page.WaitUntilKept();
        page.Choose("Stones that lie in it", "quartz points");
        page.Write("Below its level: quartz points", "0");
        page.WaitForText("from 0.1 to 20000 g");
        page.Write("Below its level: quartz points", "5.3");
        page.WaitForText("What they take up is not mixed");
        page.WaitUntilKept();
        page.WaitForText("Undo: set the stones in a region");
        page.Write("Below its level: quartz points", "");
        page.WaitForText("Undo: take stones out");
        page.WaitUntilKept();
        page.Choose("Laid", "rubbed on with the finger");
        page.WaitForText("How deep that comes out");
        page.WaitUntilKept();
        page.Choose("Poured", "not at all: it stays bare");
        page.WaitForText("Stays bare in this layer");
        page.WaitUntilKept();
        page.Click("button", "Pour it");
        Waiting.Until(() => !page.Text.Contains("Stays bare in this layer", StringComparison.Ordinal), "it to be poured again");
    }
}
