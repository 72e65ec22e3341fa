using System.Net.Http.Json;
using System.Text.Json.Nodes;
using OpenQA.Selenium;

namespace MossLantern.Browser.Tests;

/// <summary>What is stirred into a cup: several colourants, in any unit, on trial, for a cover, for a wanted colour;
/// frozen and kept.</summary>
public sealed class RecipeTests(SharedWorkshop shared) : WorkshopCase(shared)
{
    private protected override bool Poured => false;

    private static JsonNode Piece(WorkshopProcess workshop, string id)
    {
        using var client = workshop.Client;
        return JsonNode.Parse(client.GetStringAsync($"api/pieces/{id}").GetAwaiter().GetResult())!["piece"]!;
    }

    private static JsonNode Recipe(WorkshopProcess workshop, string id, string name) =>
        Piece(workshop, id)["recipes"]!.AsArray().Single(r => (string)r!["name"]! == name)!;

    /// <summary>Opens a part of the cup's card.</summary>
    private static void Open(Page page, string summary)
    {
        page.Unfold(summary);
    }

    private static void PickCup(Page page, string name) =>
        page.Script<object>(
            $"[...document.querySelectorAll('.jug-cup-name')].find(n => n.textContent === '{name}').closest('button').click()");

    [Fact]
    public void A_colour_needed_early_and_late_comes_from_two_cups_and_what_goes_in_by_eye_stays_unknown()
    {
        using var page = Opened("/pieces/bogbean-round/cups");
        PickCup(page, "petal");
        page.WaitForText("Needed early and late?");
        Open(page, "Needed early and late?");
        page.Click("button", "Pour those 2 from a second cup");
        page.WaitForText("petal, cup 2");
        page.WaitUntilKept();
        PickCup(page, "petal, cup 2");
        page.WaitForText("what you change there is changed here");
        Open(page, "Reaches for all");
        page.Click("button", "I mix it by eye");
        page.WaitForText("how far it reaches, is not known");
        Open(page, "The whole piece");
        page.WaitForText("a batch that nobody measures");
        page.Click("button", "Measure it");
        page.WaitForText("Reaches for all");
        page.Click("button", "Go to petal");
        page.Choose("opaque paste is dosed in", "by eye");
        page.WaitForText("opaque paste by eye: how much is not known.");
        page.WaitUntilKept();
        var recipes = Piece(Workshop, Copy("bogbean-round"))["recipes"]!.AsArray();
        Assert.Equal(2, recipes.Count(r => r!["doses"]!.AsArray().Any(d => (bool)d!["byEye"]!)));
        page.Choose("opaque paste is dosed in", "% by weight");
        page.WaitForText("Undo: dose it in another way");
        PickCup(page, "petal, cup 2");
        page.Click("button", "Pour all of it from one cup");
        Waiting.Until(() => !page.Text.Contains("petal, cup 2", StringComparison.Ordinal), "one cup of petal");
        page.WaitUntilKept();
        Assert.Empty(page.Complaints());
    }

    [Fact]
    public void A_cup_gets_several_colourants_dosed_as_people_dose_and_a_trial_is_kept()
    {
        using var page = Opened("/pieces/bogbean-round/cups");
        PickCup(page, "spring water");
        page.WaitForText("Shake the bottle first.");
        page.Choose("One more colourant", "frost flakes");
        page.WaitForText("Cut flakes small; in last of all.");
        page.WaitUntilKept();
        page.AtEverySize(_ => Assert.Empty(page.DeadControls()));

        // In drops: so many of them, to what is in the cup.
        page.Choose("resin ink or dye is dosed in", "drops");
        page.Write("Load of resin ink or dye", "3");
        page.WaitUntilKept();
        Waiting.Until(() => (double)Recipe(Workshop, Copy("bogbean-round"),
            "spring water")["doses"]![0]!["percent"]! is > 2.1 and < 2.6, "three drops as a load");
        page.Choose("frost flakes is dosed in", "% by weight");
        page.Write("Load of frost flakes", "13");
        page.WaitForText("is over the limit of 12 % by weight");
        page.WaitForText("All together are over 12 %");
        page.AtEverySize(_ => Assert.Empty(page.DeadControls()));
        page.WaitUntilKept();
        page.Click("button", "Leave out frost flakes");
        page.WaitForText("Undo: leave a colourant out");
        page.WaitUntilKept();

        Open(page, "Try it step by step");
        page.Write("How it looked", "still pale");
        page.Click("button", "Start with it from clear");
        page.WaitForText("1 drop to 30 ml:");
        page.WaitForText("still pale");
        page.WaitUntilKept();
        page.AtEverySize(_ => Assert.Empty(page.DeadControls()));
        Assert.Single(Recipe(Workshop, Copy("bogbean-round"), "spring water")["trials"]!.AsArray());
        Assert.Empty(page.Complaints());
    }

    [Fact]
    public void A_wanted_colour_is_found_and_mixed_and_a_cover_is_solved_or_refused_in_words()
    {
        using var page = Opened("/pieces/bogbean-round/cups");
        PickCup(page, "bog water");
        page.WaitForText("Wet the powder with a little of the resin, then the rest.");
        page.Write("To cover", "90");
        page.WaitForText("Undo: dose it for a cover");
        page.WaitUntilKept();
        Assert.Equal(3.7, (double)Recipe(Workshop, Copy("bogbean-round"), "bog water")["doses"]![0]!["percent"]!, 1e-9);
        Assert.Empty(page.Complaints());

        // Mica does not cover so much so thin.
        page.Click("button", "Let no light through");
        page.WaitForText("at the most: more colourant than its limit leaves the resin weak");
        PickCup(page, "leaf");
        page.WaitForText("Stir it in its pot first.");
        Open(page, "Find what to mix for a colour");
        page.Write("or typed", "moss");
        page.WaitForText("Type a colour as #d98a1e");
        page.Write("or typed", "85, 112, 63");
        page.WaitForText("Mix it");
        Assert.DoesNotContain("Type a colour as", page.Text, StringComparison.Ordinal);
        page.Choose("as in", "bogbean rose");
        page.Click("button", "Mix it from bogbean rose");
        page.WaitForText("Undo: mix it from others");
        page.WaitUntilKept();
        var leaf = Recipe(Workshop, Copy("bogbean-round"), "leaf");
        Assert.Equal(("mica", "#c98f93"), ((string)leaf["doses"]![0]!["colourant"]!, (string)leaf["colour"]!));
        Assert.Empty(page.AxeFindings());
    }

    [Fact]
    public void What_the_second_look_sees_is_a_line_in_its_index_and_a_pin_at_its_cup()
    {
        using var page = Opened("/pieces/bogbean-round/cups");
        foreach (var cup in (string[])["peat", "leaf"])
        {
            PickCup(page, cup);
            page.Write("Load", "19");
            page.WaitUntilKept();
        }

        // The first is open by itself; the other is opened by its pin, with the mouse, and shut by its line.
        Waiting.Until(() => page.All("button")
            .Count(b => b.GetAttribute("className")!.Contains("cup-pin", StringComparison.Ordinal)) == 2, "two pins");
        page.WaitForText("resin takes up to");
        Assert.DoesNotContain("leaf has", page.Text, StringComparison.Ordinal);
        page.Drag(page.Middle(page.Find("button", "Fix Too much colour at leaf")), 0, 0);
        page.WaitForText("leaf has");
        Waiting.Until(() => page.Find("button", "leaf").GetAttribute("aria-pressed") == "true", "its cup to be picked");
        Assert.Empty(page.AxeFindings());
        page.Items("Second look")[1].FindElement(By.TagName("button")).Click();
        Waiting.Until(() => !page.Text.Contains("leaf has", StringComparison.Ordinal), "its words to be folded");
        Assert.Empty(page.Complaints());
    }

    [Fact]
    public void A_recipe_is_frozen_kept_and_taken_and_a_cup_is_poured_off_another()
    {
        using var page = Opened("/pieces/bogbean-round/cups");
        PickCup(page, "peat");
        Open(page, "Save it, pour it off another");
        page.Choose("peat may change", "frozen: a change makes a new one");
        page.WaitUntilKept();
        page.Write("Load", "5");
        page.WaitUntilKept();
        var id = Copy("bogbean-round");
        Waiting.Until(() => (double)Recipe(Workshop, id, "peat 2")["doses"]![0]!["percent"]! == 5, "the new one");
        Assert.Equal((3, true),
            ((double)Recipe(Workshop, id, "peat")["doses"]![0]!["percent"]!, (bool)Recipe(Workshop, id, "peat")["frozen"]!));
        page.WaitForText("peat 2");
        page.Choose("Mix it as", "Fen glow");
        page.WaitForText("fen gold");
        page.WaitUntilKept();
        page.Choose("Fen glow comes", "off bog water, tinted further");
        page.WaitForText("Nothing is measured for it: it is filled from other cups.");
        page.WaitUntilKept();
        Assert.Equal(3, Recipe(Workshop, id, "Fen glow")["doses"]!.AsArray().Count);
        Assert.Empty(page.Complaints());
    }

    [Fact]
    public void What_is_mixed_of_a_cup_runs_short_by_name_is_held_back_and_what_is_left_goes_on_the_shelf()
    {
        using var page = Opened("/pieces/sphagnum-pools/cups");
        PickCup(page, "cream");
        Open(page, "Reaches for all");
        page.WaitForText("left over of");
        page.Write("Mixed in cream", "4");
        page.WaitForText("cannot be filled any more:");
        page.WaitForText("one runs short");
        page.WaitUntilKept();
        page.Write("Mixed in cream", "200");
        page.WaitForText("cast stones:");
        page.WaitUntilKept();
        page.Click("button", "Put them on the left-over shelf");
        page.WaitForText("On the left-over shelf");
        Assert.Empty(page.AxeFindings());
        Assert.Empty(page.Complaints());
        page.Write("Held back of cream", "20");
        page.WaitForText("Enter what it is held back for.");
        page.Write("What cream is held back for", "the last corner");
        page.Write("Held back of cream", "21");
        page.WaitForText("Undo: hold some back");
        page.WaitUntilKept();
        var choice = Piece(Workshop, Copy("sphagnum-pools"))["sittings"]![0]!["cupChoices"]![0]!;
        Assert.Equal(("the last corner", 21, 200),
            ((string)choice["heldBack"]!["name"]!, (double)choice["heldBack"]!["ml"]!, (double)choice["mixedMl"]!));
    }

    [Fact]
    public void The_cupboard_doses_a_kept_recipe_anew_and_has_a_shelf_for_what_was_left_over()
    {
        using var own = OwnWorkshop();
        using var page = new Page(own.Address);
        page.Open("/cupboard");
        page.WaitForText("Left-over shelf");
        page.Click("button", "marigold");
        page.Write("Amount of the recipe", "250");
        Waiting.Until(() => page.Items("marigold, dosed").Any(d => d.Text.Contains("10.6", StringComparison.Ordinal)), "4 % of 250 ml");
        page.Click("button", "Put something on it");
        page.WaitForText("New left-over");
        page.Write("Name of the left-over", "sedge");
        page.Write("How much there is", "-5");
        page.WaitForText("Amount must be from 0 to 100000 g");
        page.Write("How much there is", "35");
        page.WaitForText("35 g of cast stones");
        page.Click("button", "Take sedge off the shelf");
        page.WaitForText("sedge was taken out.");
        page.Click("button", "Put it back");
        page.WaitForText("35 g of cast stones");
        page.Click("button", "+ A colourant of your own");
        page.WaitForText("dosed, and limited, by");
        Assert.Empty(page.AxeFindings());
    }
}
