using System.Globalization;
using MossLantern.Core.Documents;
using OpenQA.Selenium;
using static MossLantern.Browser.Tests.MapPage;

namespace MossLantern.Browser.Tests;

/// <summary>Every way of laying out, chosen and changed by hand and by keyboard.</summary>
public sealed class LayoutTests(SharedWorkshop shared) : WorkshopCase(shared)
{
    private protected override bool Poured => false;

    [Fact]
    public void A_sequence_is_kept_by_name_laid_in_another_piece_and_taken_out_of_the_cupboard()
    {
        using var page = Opened("/pieces/water-mint/map");
        page.Click("button", "Save it");
        page.WaitForText("name must have from 1 to");
        page.Write("Save this one as", "Reed mint");
        page.Click("button", "Save it");
        page.WaitForText("Reed mint stands in the cupboard.");

        // In another mould, fitted to it; every cup that it takes comes with it, and those that nothing names any more go.
        page.Open(Own("/pieces/marigold-dozen/map"));
        page.WaitForPainting();
        var areas = Bands(page);
        page.TabTo("button", "Lay it fitted to 98 mm: Peat tea");
        page.Press(Keys.Enter);
        page.WaitForText("Peat tea is laid here.");
        Waiting.Until(() => Bands(page) == 9,
            $"eight bands and the heart's bed in place of {areas}");
        page.WaitUntilKept();
        Assert.Contains("black tea", Cups(page), StringComparison.Ordinal);
        Assert.DoesNotContain("marigold", Cups(page), StringComparison.Ordinal);
        page.TabTo("button", "Undo");
        page.Press(Keys.Enter);
        Waiting.Until(() => Cups(page).Contains("marigold", StringComparison.Ordinal), "the colours from before");
        Fine(page);

        page.Open("/cupboard");
        page.WaitForText("crushed glass");
        page.TabTo("button", "Reed mint");
        page.Press(Keys.Enter);
        page.Write("Name of the sequence", "Bog mint");
        Waiting.Until(() => page.All("button").Any(b => b.Text.Contains("Bog mint", StringComparison.Ordinal)), "the new name");
        page.TabTo("button", "Take it out of the cupboard");
        page.Press(Keys.Enter);
        page.WaitForText("Bog mint was taken out.");
        page.TabTo("button", "Put it back", back: true);
        page.Press(Keys.Enter);
        Waiting.Until(() => page.All("button").Any(b => b.Text.Contains("Bog mint", StringComparison.Ordinal)), "it to be back");
        Fine(page);
    }

    [Fact]
    public void Each_way_is_chosen_in_the_sentence_and_its_numbers_are_typed()
    {
        using var page = Opened("/pieces/bogbean-round/map");

        LayOutAs(page, "stripes from the rim");
        page.WaitForText("Room from the rim to the middle");
        page.Write("Laid on a film of", "1");
        page.WaitUntilKept();
        var lines = Bands(page);
        page.TabTo("button", "Lay the sequence again");
        for (var times = 2; times <= 4; times++)
        {
            page.Press(Keys.Enter);
            Waiting.Until(() => Bands(page) == 1 + times * (lines - 1), "more lines");
            page.WaitUntilKept();
        }

        page.WaitForText("No room for all the stripes");
        page.TabTo("button", "Make every stripe narrower");
        page.Press(Keys.Enter);
        Waiting.Until(() => !page.Text.Contains("No room for all the stripes", StringComparison.Ordinal), "the lines to find room");
        page.WaitForText("Repeat 1, at the rim");
        Fine(page);

        LayOutAs(page, "fields in threes");
        page.WaitForText("colours, 3 of each");
        var cups = Cups(page);
        page.TabTo("button", "Lay them differently");
        page.Press(Keys.Enter);
        Waiting.Until(() => Cups(page) != cups, "other fields");
        page.TabTo("slider", "Field 2");
        var at = Value(page, "Field 2");
        page.Press(Keys.Shift + Keys.ArrowRight, Keys.ArrowDown);

        // A centre that was grown lies anywhere; one that is moved lies on a whole millimetre.
        Waiting.Until(() => Math.Abs(Value(page, "Field 2") - (at + 10)) <= 0.5, "the field to be moved by the arrow keys");
        page.WaitUntilKept();
        page.Choose("Colour of field 2", "a new cup");
        page.WaitForText("Colour as spread");
        Fine(page);

        LayOutAs(page, "one puddle");
        page.WaitForText("Poured in turn");
        page.Write("Pour 1", "20");
        page.WaitUntilKept();

        // √(1000 × 20 ÷ (π × 2.5)) = 50.5 mm.
        page.WaitForText("50.5");
        page.TabTo("slider", "Tilt of the puddle");
        page.Press(Keys.Shift + Keys.ArrowRight);
        Waiting.Until(() => Value(page, "Tilt of the puddle") == 10, "the puddle to be tilted");
        page.WaitUntilKept();
        page.Write("Pour 1", "-3");
        page.WaitForText("must be from 0.01 to 100000 ml");
        page.Write("Pour 1", "20");
        page.WaitUntilKept();
        Fine(page);

        LayOutAs(page, "petals");
        page.WaitForText("no later than when it holds");
        page.Write("Strokes of the tool", "6");
        page.TabTo("slider", "Middle of the petals");
        var middle = Value(page, "Middle of the petals");
        page.Press(Keys.ArrowRight);
        Waiting.Until(() => Value(page, "Middle of the petals") == middle + 1, "the middle to be moved");
        page.WaitUntilKept();
        Fine(page);

        LayOutAs(page, "marble");
        page.WaitForText("The mixed cup");
        page.TabTo("slider", "Direction of the streaks");
        page.Press(Keys.ArrowRight);
        Waiting.Until(() => Value(page, "Direction of the streaks") == 21, "the streaks to be turned");
        page.WaitUntilKept();
        page.TabTo("slider", "Blended");
        page.Press(Keys.End);
        page.WaitForText("one even colour");
        page.WaitUntilKept();
        Fine(page);

        LayOutAs(page, "one colour");
        page.WaitForText("All of");
        page.WaitUntilKept();
        Fine(page);

        // What was put by comes back as it was left.
        LayOutAs(page, "petals");
        page.WaitForText("no later than when it holds");
        page.WaitUntilKept();
        Assert.Equal("6", page.Find("textbox", "Strokes of the tool").GetAttribute("value"));
        LayOutAs(page, "rings from hearts");
        page.WaitForText("Another heart");
        page.WaitUntilKept();
        Assert.DoesNotContain(page.Complaints(), c => !c.Contains("400", StringComparison.Ordinal));
    }

    [Fact]
    public void A_way_that_is_only_passed_changes_nothing_and_one_that_is_taken_can_be_undone()
    {
        using var page = Opened("/pieces/bogbean-round/map");
        var bands = BandNames(page);
        page.TabTo("combobox", "Laid out as");
        page.Press(Keys.ArrowDown, Keys.ArrowDown, Keys.ArrowDown);
        page.WaitForText("Lay it out as");
        page.TabTo("textbox", "Depth");
        Waiting.Until(() => !page.Text.Contains("Lay it out as", StringComparison.Ordinal), "what was passed to be put back");
        Assert.Equal(bands, BandNames(page));
        Assert.False(page.Find("button", "Undo").Enabled);

        page.TabTo("combobox", "Laid out as", back: true);
        page.Press(Keys.ArrowDown);
        page.Click("button", "Lay it out as");
        page.WaitForText("What was laid out before comes back with Undo.");
        page.WaitUntilKept();
        page.Click("button", "Undo");
        Waiting.Until(() => BandNames(page).SequenceEqual(bands), "the bands from before");
        Waiting.Until(() => !page.Text.Contains("comes back with Undo", StringComparison.Ordinal), "the word about it to go");
    }

    [Fact]
    public void The_map_of_a_poured_layer_is_asked_about_once_and_its_log_shows_what_was_poured()
    {
        Copy("peat-pool", poured: true);
        using var page = Opened("/pieces/peat-pool/map");
        var bands = BandNames(page);
        page.Write("Depth", "5");
        page.WaitForText("has been poured.");
        Assert.Empty(page.AxeFindings());
        page.Click("button", "Leave it as it was poured");
        Waiting.Until(() => !page.Text.Contains("has been poured.", StringComparison.Ordinal), "the question to go");
        Assert.False(page.Find("button", "Undo").Enabled);

        page.Click("button", bands[1]);
        page.Click("button", "Take out band");
        page.WaitForText("has been poured.");
        page.Click("button", "Change its map all the same");
        Waiting.Until(() => BandNames(page).Count == bands.Count - 1, "the band to be gone");
        page.WaitUntilKept();
        page.Click("button", BandNames(page)[1]);
        page.Click("button", "Take out band");
        Waiting.Until(() => BandNames(page).Count == bands.Count - 2, "another to be gone without a question");
        page.WaitUntilKept();
        page.WaitForPainting();
        page.Script<object>("window.changed = document.querySelector('canvas.picture').toDataURL()");
        page.GoTo("Story", "The picture shows the map as it was poured");
        Waiting.Until(() => page
            .Script<bool>("return document.querySelector('canvas.picture').toDataURL() !== window.changed"), "the map as it was poured");
    }

    private static int Rows(Page page) => (int)page.Script<long>("return document.querySelectorAll('.lines li').length");

    /// <summary>What the button of a line is called.</summary>
    private static string LineNamed(Page page, int index) => page.Script<string>(
        "return [...document.querySelectorAll('.line-name')].at(arguments[0]).innerText.replaceAll('\\n', ' ').trim()", index);

    private static void Rows(Page page, int count) => Waiting.Until(() => Rows(page) == count, $"{count} lines");

    [Fact]
    public void Walls_are_drawn_by_hand_and_put_across_by_keyboard_and_pools_get_their_cups()
    {
        using var page = Opened("/pieces/sphagnum-pools/walls");
        page.WaitForPainting();
        page.Click("button", "Draw walls");
        var stage = page.Middle(page.Driver.FindElement(By.CssSelector(".stage")));
        page.Drag((stage.X + 80, stage.Y + 110), 220, 40, steps: 24);
        Rows(page, 5);
        page.WaitUntilKept();
        page.Click("button", "Walls are drawn: done");

        page.Choose("A line of", "wall");
        page.TabTo("button", "Put a wall across");
        page.Press(Keys.Enter);
        Rows(page, 6);
        page.WaitUntilKept();
        page.Driver.FindElements(By.CssSelector(".line-name"))[^1].SendKeys(Keys.Enter);
        page.TabTo("slider", "Wall 6, spot 3");
        var at = Value(page, "Wall 6, spot 3");
        page.Press(Keys.ArrowRight);
        Waiting.Until(() => Value(page, "Wall 6, spot 3") == at + 1, "the spot to be moved");
        page.WaitUntilKept();
        Fine(page);
        page.GoTo("Map", "no cup yet");
        page.Choose("Cup of no colour yet", "moss");
        page.WaitUntilKept();

        // What is chosen stays chosen on the way.
        page.GoTo("Walls", "A line more");
        Waiting.Until(() => page.Driver.FindElements(By.CssSelector("button[aria-label^='Take away: wall']")).Count == 1,
            "the wall to open");
        page.Driver.FindElement(By.CssSelector("button[aria-label^='Take away: wall']")).SendKeys(Keys.Enter);
        Rows(page, 5);
        page.WaitUntilKept();
    }

    [Fact]
    public void A_pool_that_runs_over_is_told_largest_and_its_wall_laid_higher_by_one_press_and_walls_marked_as_laid()
    {
        using var page = Opened("/pieces/sphagnum-pools/walls");
        page.WaitForText("runs over into");
        page.WaitForText("2.0 ml over");
        page.TabTo("button", "Lay its walls so high that they hold 6.3 mm");
        page.Press(Keys.Enter);
        page.WaitForText("All hold");
        page.WaitUntilKept();
        Fine(page);
        page.Click("button", "All 4 are laid");
        page.WaitForText("Not laid after all");
        page.WaitForText("ready ");
        page.WaitUntilKept();

        // All in one sentence: outliner that is low dries lower than what is poured.
        page.Write("All walls, high", "2");
        page.Choose("All walls are of", "raised outliner");
        page.WaitForText("runs over into");
        page.WaitUntilKept();
        Fine(page);

        // The cut is carried across by keys and by hand.
        page.TabTo("slider", "Cut across");
        var at = Value(page, "Cut across");
        page.Press(Keys.ArrowDown);
        Waiting.Until(() => Value(page, "Cut across") == at + 1, "the cut to be carried down");
        var grip = page.Middle(page.Find("slider", "Cut across"));
        page.Drag((grip.X, grip.Y), 0, 60);
        Waiting.Until(() => Value(page, "Cut across") > at + 20, "the cut to follow the hand");
    }

    [Fact]
    public void Lines_of_every_kind_are_laid_changed_and_taken_away_by_mouse_and_by_keys()
    {
        using var page = Opened("/pieces/bracken-slice/walls");
        var chosen = page.Script<string>("""
            const label = [...document.querySelectorAll('label')].find((l) => l.textContent === 'A line between');
            return document.getElementById(label.htmlFor).options[1].textContent;
            """);
        page.Choose("A line between", chosen);
        page.TabTo("button", "Lay it there");
        page.Press(Keys.Enter);
        Rows(page, 1);
        page.WaitUntilKept();
        var name = LineNamed(page, 0);
        Assert.StartsWith("line, between ", name, StringComparison.Ordinal);
        var own = page.Driver.FindElement(By.CssSelector(".line-name b")).Text;
        page.Write($"{own}, high", "0.5");
        page.Write($"{own}, beside the border", "2");
        page.Write($"{own}, to", "50");
        page.Write($"{own}, swelling", "30");
        page.WaitUntilKept();
        Fine(page);
        page.TabTo("button", $"Take away: {own}");
        page.Press(Keys.Enter);
        Rows(page, 0);

        page.Choose("A line of", "paste");
        page.Click("button", "A ring");
        Rows(page, 1);
        page.Choose("paste, a ring, how stiff", "creeps");
        page.Click("button", "More granules");
        page.WaitForText("parts of");
        page.Write("paste, a ring, across", "90");
        page.WaitUntilKept();
        page.TabTo("slider", "Width of the ring");
        page.Press(Keys.ArrowRight);
        Waiting.Until(() => Value(page, "Width of the ring") == 91, "a wider ring");
        page.WaitUntilKept();
        Fine(page);

        page.Click("button", "Draw in outliner");
        var stage = page.Middle(page.Driver.FindElement(By.CssSelector(".stage")));
        page.Drag((stage.X - 120, stage.Y), 160, 40, steps: 20);
        Rows(page, 2);
        page.WaitUntilKept();
        page.Driver.FindElements(By.CssSelector(".line-name"))[^1].Click();
        page.Click("button", "Mark as laid");
        page.WaitForText("ready ");
        page.WaitUntilKept();
        Fine(page);
    }

    [Fact]
    public void Walls_and_lines_are_taken_from_a_drawing_as_wide_as_they_are_drawn()
    {
        using var page = Opened("/pieces/sphagnum-pools/walls");
        var chooser = page.Driver.FindElement(By.CssSelector(".new-line input[type=file]"));
        chooser.SendKeys(Written("blank.svg", "<rect width='9' height='9'/>"));
        page.WaitForText("Nothing in the drawing is stroked");
        page.Choose("A line of", "wall");
        chooser.SendKeys(Written("walls.svg", "<path d='M10 150 L90 180 M300 20 L380 60' fill='none' stroke='#000' stroke-width='2.5'/>"));
        Rows(page, 6);
        page.WaitUntilKept();
        page.Driver.FindElements(By.CssSelector(".line-name"))[^1].Click();
        Waiting.Until(() => page.Driver.FindElements(By.CssSelector(".line-detail input")).Any(i => i.GetAttribute("value") == "2.5"),
            "its width");
        Fine(page);

        string Written(string name, string body)
        {
            var file = Path.Combine(Directory.CreateTempSubdirectory("moss-lantern-").FullName, name);
            File.WriteAllText(file,
                $"<svg xmlns='http://www.w3.org/2000/svg' width='420mm' height='300mm' viewBox='0 0 420 300'>{body}</svg>");
            return file;
        }
    }

    [Fact]
    public void How_one_works_counts_wherever_a_piece_says_nothing_else()
    {
        using var own = OwnWorkshop();
        using var page = new Page(own.Address);
        page.Open("/cupboard");
        page.WaitForText("How I work");
        page.Choose("I tape an edge with", "two runs");
        page.Write("Reserve in every cup", "25");
        page.Choose("My walls are of", "two-part putty");
        Waiting.Until(() => page.Find("textbox", "Reserve in every cup").GetAttribute("value") == "25", "the reserve");
        Fine(page);

        // Tape stands in the Cupboard, and what is left of it is said there.
        page.Click("button", "tape, 36 mm");
        page.Write("left of it", "1");
        Waiting.Until(() => page.Find("textbox", "left of it").GetAttribute("value") == "1", "what is left");
        page.Open("/pieces/sphagnum-pools/walls");
        page.WaitForText("dam tape");
        page.WaitForText("hatched: reserve, 25 %");
    }

    [Fact]
    public void An_edge_is_taped_in_one_run_or_two_and_a_dam_all_round_says_what_it_takes()
    {
        using var page = Opened("/pieces/water-mint/walls");
        page.Open(Own("/pieces/sphagnum-pools/walls"));
        page.WaitForText("Edge tape");
        page.Choose("The edge is taped with", "two runs");
        page.WaitForText("dam tape");
        page.Write("Dam above the edge", "20");
        page.WaitForText("36 mm");
        page.WaitUntilKept();
        Fine(page);
        page.GoTo("Cure", "Mixing starts");
        page.Write("Mixing starts", "tomorrow 10");
        page.WaitForText("dam tape off");

        page.Open(Own("/pieces/bracken-slice/walls"));
        page.WaitForText("The dam all round");
        page.Choose("The dam all round is of", "silicone");
        page.WaitForText("peels after");
        page.WaitUntilKept();
        Fine(page);
    }

    [Fact]
    public void A_wall_parts_rings_glue_is_waited_for_and_a_rim_is_cast_of_rubber()
    {
        using var page = Opened("/pieces/bogbean-round/walls");
        page.WaitForText("No walls inside");
        page.Choose("A line of", "wall");
        page.Click("button", "A ring");
        page.Choose("All walls are of", "two-part putty");
        page.Write("All walls, high", "5");
        page.WaitForText("ml more");
        page.WaitForText("The wall holds. Laid now, pour from");
        page.Write("All walls, high", "1");
        page.WaitForText("runs over");
        page.Write("All walls, high", "5");
        page.TabTo("button", "+ Glue");
        page.Press(Keys.Enter);
        page.Write("glue, until it is clear, dries", "900");
        page.WaitForText("Drying time must be from 0 to 720 h.");
        page.Write("glue, until it is clear, dries", "6");
        page.Click("button", "Mark as on: glue, until it is clear");
        page.WaitForText("say when");
        page.Write("glue, until it is clear, put on at", "today 9");
        page.WaitForText("ready");
        page.Choose("The sides are", "leafed");
        page.Find("button", "The sides take: 1 sheet. How is it worked out?");
        page.WaitUntilKept();
        Fine(page);

        page.Open(Own("/pieces/bracken-slice/walls"));
        page.WaitForText("Mould rubber");
        page.Click("button", "+ A rim of rubber");
        page.Write("rim of rubber, face leans", "-5");
        page.WaitForText("It leans over the resin by");
        page.WaitForText("Undercut");
        page.Write("rim of rubber, face leans", "5");
        Waiting.Until(() => !page.Text.Contains("It leans over the resin by", StringComparison.Ordinal), "the undercut to be gone");
        page.WaitUntilKept();
        Fine(page);
    }

    [Fact]
    public void Fields_puddles_petals_and_streaks_follow_the_hand()
    {
        using var page = Opened("/pieces/rain-ring/map");
        Dragged(page, "Middle of the puddle", 30, 12);
        Dragged(page, "Tilt of the puddle", 40, 30);

        // By a ring of its own area as well.
        var from = page.Middle(page.Find("slider", "Middle of the puddle"));
        var before = Value(page, "Middle of the puddle");
        page.Drag((from.X, from.Y - 45), -30, 0);
        Waiting.Until(() => Value(page, "Middle of the puddle") < before - 5, "the puddle to follow its ring");
        page.WaitUntilKept();

        page.Open(Own("/pieces/heron-tray/map"));
        page.WaitForPainting();
        Dragged(page, "Direction of the streaks", -20, 60);
        page.Open(Own("/pieces/water-mint/map"));
        page.WaitForPainting();
        Dragged(page, "Middle of the petals", 24, -10);

        page.Open(Own("/pieces/bogbean-round/map"));
        page.WaitForPainting();
        LayOutAs(page, "fields in threes");
        page.WaitForText("of each");
        page.WaitUntilKept();
        Dragged(page, "Field 1", 26, 18);
        Assert.Empty(page.Complaints());
    }

    [Fact]
    public void A_zone_is_laid_out_by_itself_a_spot_is_kept_bare_behind_a_dam_and_a_remedy_is_seen_first()
    {
        using var page = Opened("/pieces/bogbean-round/map");
        page.TabTo("button", "Add a part");
        page.Press(Keys.Enter);
        page.WaitForText("Take the part out");
        LayOutAs(page, "marble");
        page.WaitForText("The mixed cup");
        page.Choose("Shape of the part", "an oval");
        page.WaitUntilKept();
        Dragged(page, "Part 1", -30, 20);
        Fine(page);
        page.TabTo("button", "Whole layer");
        page.Press(Keys.Enter);
        page.WaitForText("Bands, from the heart to the rim");

        page.TabTo("button", "Reserve a spot");
        page.Press(Keys.Enter);
        page.WaitForText("Reserved, in every layer");
        page.Choose("How Inlay is reserved", "stays bare");
        page.WaitForText("Floods a reserved spot");
        page.TabTo("button", "See first: Build a dam");
        page.Press(Keys.Enter);
        page.WaitForText("How it would look.");
        page.TabTo("button", "Leave it", back: true);
        page.Press(Keys.Enter);
        Waiting.Until(() => !page.Text.Contains("How it would look.", StringComparison.Ordinal), "the trial to be left");
        Assert.Contains("Floods a reserved spot", page.Text, StringComparison.Ordinal);
        page.TabTo("button", "See first: Build a dam");
        page.Press(Keys.Enter);
        page.WaitForText("How it would look.");
        page.TabTo("button", "Do it this way", back: true);
        page.Press(Keys.Enter);
        Waiting.Until(() => !page.Text.Contains("Floods a reserved spot", StringComparison.Ordinal), "the dam to hold");
        page.WaitUntilKept();
        Fine(page);
    }

    private new Page Opened(string path)
    {
        var page = base.Opened(path);
        page.WaitForText(path.EndsWith("/walls", StringComparison.Ordinal) ? "A line more" : "Laid out as");
        return page;
    }

    /// <summary>A way of laying out is passed by the keys and taken by Enter.</summary>
    private static void LayOutAs(Page page, string kind) => page.Choose("Laid out as", kind);

    private static void Fine(Page page) => Assert.Empty(page.AxeFindings());

    private static string Cups(Page page) => string.Join(' ', page.Items("Cups, in pour order").Select(c => c.Text));

    private static string Words(Page page, string slider) => page.Find("slider", slider).GetAttribute("aria-valuetext")!;

    private static void Dragged(Page page, string slider, double byX, double byY)
    {
        var before = Words(page, slider);
        page.Drag(page.Middle(page.Find("slider", slider)), byX, byY);
        Waiting.Until(() => Words(page, slider) != before, $"{slider} to follow the hand");
        page.WaitUntilKept();
    }
}
