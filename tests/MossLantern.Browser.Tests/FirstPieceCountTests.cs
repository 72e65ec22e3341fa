using OpenQA.Selenium;

namespace MossLantern.Browser.Tests;

/// <summary>How many things a newcomer has to do, by the mouse, from an empty workshop to the first amounts and the first log.</summary>
public sealed class FirstPieceCountTests
{
    private const int MostToAmounts = 12, MostToLog = 25;

    [Fact]
    public void A_round_panel_of_three_colours_and_a_gold_vein_is_mixed_and_logged_in_a_few_steps()
    {
        using var workshop = new WorkshopProcess(demo: false);
        using var page = new Page(workshop.Address);
        page.Open("/");
        page.WaitForText("An empty shelf");
        Waiting.Until(() => page.Driver.FindElements(By.CssSelector(".first-sample canvas")).Count > 0, "what will stand there");
        Assert.Empty(page.AxeFindings());
        Assert.Empty(page.DeadControls());

        var actions = 0;
        void Press(string role, string name)
        {
            page.Click(role, name);
            actions++;
        }

        Press("link", "Start the first piece");
        page.WaitForText("A new piece");
        page.Write("Name", "Fen Moon");
        actions++;
        page.Choose("Outline", "round");
        actions++;
        Waiting.Until(() => page.Items("Layouts to begin with").Count == 6, "six layouts to begin with");
        Press("button", "A ring piece");
        Press("button", "Put it on the bench");
        page.WaitForText("amber, heart bed");
        page.WaitForPainting();
        Press("link", "Cups");
        page.WaitForText("hardener");
        var toAmounts = actions;
        Assert.Equal(5, page.All("button")
            .Count(b => (b.GetAttribute("aria-label") ?? "").StartsWith("Mix in ", StringComparison.Ordinal)));
        Press("link", "Next: Pour");
        page.WaitForText("Order of pours");
        Press("link", "Next: Cure");
        page.WaitForText("When to pour");
        Press("link", "Next: Story");
        page.WaitForText("What was poured");
        Press("button", "Now, for first pour");
        Press("button", "Save to the log");
        page.WaitForText("Saved to the log.");
        TestContext.Current.SendDiagnosticMessage("to amounts: {0} actions; to the first log: {1}", toAmounts, actions);
        Assert.InRange(toAmounts, 1, MostToAmounts);
        Assert.InRange(actions, 1, MostToLog);
        Assert.DoesNotContain("Next:", page.Text, StringComparison.Ordinal);
        Assert.Empty(page.Complaints());
    }

    [Fact]
    public void A_sample_is_taken_down_by_a_press_and_a_bare_map_offers_layouts()
    {
        using var workshop = new WorkshopProcess(demo: false);
        using var page = new Page(workshop.Address);
        page.Open("/");
        page.WaitForText("An empty shelf");
        page.Click("button", "Take this sample down");
        page.WaitForText("amber, heart bed");
        page.WaitForPainting();

        // A new layer is poured over it; another piece begins bare, and takes a layout by a press.
        page.Open("/new");
        page.WaitForText("A new piece");
        page.Click("button", "Put it on the bench");
        page.WaitForText("Take one and change it");
        Waiting.Until(() => page.Items("Layouts to begin with").Count == 6, "six layouts to begin with");
        Assert.Empty(page.AxeFindings());
        Assert.Empty(page.DeadControls());
        page.Click("button", "Pools between two walls");
        page.WaitForText("Draw walls");
        page.WaitForPainting();
        page.WaitForText("Undo: begin with pools");
        page.WaitUntilKept();
        page.Click("button", "Undo");
        page.WaitForText("Take one and change it");
        Assert.Empty(page.Complaints());
    }
}
