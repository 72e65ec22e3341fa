using OpenQA.Selenium;

namespace MossLantern.Browser.Tests;

/// <summary>Materials of the cupboard, by mouse and by keys, and a resin of one's own from there into a cup.</summary>
public sealed class MaterialTests(SharedWorkshop shared) : WorkshopCase(shared)
{
    [Fact]
    public void The_makers_values_go_over_the_typical_ones_and_a_resin_of_ones_own_is_poured()
    {
        using var page = NewPage();
        page.Open("/cupboard");
        page.WaitForText("Coating resin");

        // By mouse: something off its shelf, a value, and back to what is typical.
        page.Click("button", "sand");
        page.WaitForText("share of the heap that is solid");
        page.Write("density of the heap", "1.7");
        page.WaitForText("1 of 3 yours");
        page.Write("density of the heap", "900");
        page.WaitForText("Density of the heap must be from 0.05 to 20 g/ml.");
        page.Write("density of the heap", "1.7");
        page.Click("button", "Back to typical, 1.6 g/ml");
        Waiting.Until(() => !page.Text.Contains("1 of 3 yours", StringComparison.Ordinal), "the typical value again");

        // How full a bottle is: it stands on its shelf so.
        page.Click("button", "Casting resin");
        page.Write("How full Casting resin is", "101");
        page.WaitForText("How full it is must be from 0 to 100 %.");
        page.Write("How full Casting resin is", "25");
        page.WaitForText("all typical, 25 % full");
        page.Click("button", "Casting resin");

        // By keys: a resin of one's own.
        page.TabTo("button", "+ A resin of your own");
        page.Press(Keys.Enter);
        page.Find("button", "My coating resin");
        page.Find("textbox", "Name of the material");
        page.Write("Name of the material", "Bog gloss");
        page.Find("button", "Bog gloss");
        page.Write("next layer from", "7");
        page.WaitForText("1 of 17 yours");
        Assert.Empty(page.AxeFindings());
        foreach (var (width, height) in new[] { (1024, 768), (800, 1200), (1280, 800) })
        {
            page.Resize(width, height);
            page.Find("textbox", "Name of the material");
            Assert.Empty(page.DeadControls());
        }

        // One thing is down at a time, and a press puts it back.
        page.Click("button", "sand");
        page.WaitForText("share of the heap that is solid");
        Waiting.Until(() => page.Script<long>("return document.querySelectorAll('.ledge[data-open]').length") == 1, "one thing to be down");
        page.Click("button", "sand");
        Waiting.Until(() => page.Script<long>("return document.querySelectorAll('.ledge[data-open]').length") == 0,
            "it to stand on its shelf again");

        page.Open(Own("/pieces/marsh-light/cups"));
        page.WaitForText("Mixed from");
        page.Choose("Resin", "Bog gloss");
        page.WaitUntilKept();
    }
}
