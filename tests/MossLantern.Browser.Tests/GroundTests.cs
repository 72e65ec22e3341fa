using OpenQA.Selenium;

namespace MossLantern.Browser.Tests;

/// <summary>The ground: kinds of piece, how it stands, what to prepare, and the second look over it.</summary>
public sealed class GroundTests(SharedWorkshop shared) : WorkshopCase(shared)
{
    [Fact]
    public void A_room_too_cold_is_told_where_it_is_typed_and_the_remedy_goes_there()
    {
        using var page = NewPage();
        page.Open(Own("/pieces/bogbean-round/cure"));
        page.WaitForText("When to pour");
        page.Write("Room", "12");
        page.WaitForText("Too cold");
        page.WaitUntilKept();
        page.Click("button", "Warm the room");
        Waiting.Until(() => page.Focused.ComputedAccessibleLabel == "Room", "the field of the room to be gone to");
        page.Write("Room", "15");
        Waiting.Until(() => !page.Text.Contains("Too cold", StringComparison.Ordinal), "nothing to be too cold");
        Assert.Empty(page.AxeFindings());
    }

    [Fact]
    public void A_slice_is_made_from_the_first_path_pulled_by_its_rim_and_opened()
    {
        using var page = NewPage();
        page.PutOnTheBench("Fern Slab", () =>
        {
            page.Choose("Kind of piece", "a freeform slice");
            page.Choose("Made of", "MDF");
            page.Write("Thickness of the base", "12");
            page.Write("Width", "400");
            page.Write("Wobble", "4");
        });
        page.GoTo("Ground", "How it stands");
        Assert.Matches(@"slice, 3\d\d × 2\d\d mm", page.Text);
        Assert.Matches(@"it spans 3\d\d × 2\d\d mm", page.Text);
        var whole = Area(page);

        // By the keyboard, and by the hand.
        page.TabTo("slider", "Rim handle 1");
        page.Press(Enumerable.Repeat(Keys.ArrowLeft, 6).ToArray());
        page.WaitUntilKept();
        Waiting.Until(() => Area(page) < whole, "the slice to shrink");
        var pulled = Area(page);
        page.Drag(page.Middle(page.Find("slider", "Rim handle 5")), 40, 0);
        page.WaitUntilKept();
        Waiting.Until(() => Area(page) < pulled - 1, "the slice to shrink by the hand");
        pulled = Area(page);
        page.Choose("Opening", "an opening");
        page.WaitUntilKept();
        Waiting.Until(() => Area(page) < pulled - 10, "the opening not to count");
        page.TabTo("slider", "Opening");
        page.Press(Enumerable.Repeat(Keys.Shift + Keys.ArrowRight, 16).ToArray());
        page.WaitForText("The opening must lie inside the slice");
        page.TabTo("button", "Undo");
        page.Press(Keys.Enter);
        Waiting.Until(() => !page.Text.Contains("The opening must lie inside", StringComparison.Ordinal), "the last good slice");
        Assert.Empty(page.AxeFindings());
    }

    [Fact]
    public void The_second_look_speaks_where_it_is_and_is_answered_by_a_press_or_let_be()
    {
        using var page = NewPage();
        page.Open(Own("/pieces/marsh-light/ground?layer=layer-1"));
        page.WaitForText("How it stands");
        Assert.DoesNotContain("Second look", page.Text, StringComparison.Ordinal);

        page.Open(Own("/pieces/bogbean-round/ground"));
        page.WaitForText("Level not known");
        page.WaitForPainting();
        page.Write("Tilt across, the right side higher", "0.2");
        page.Write("Tilt along, the lower side higher", "0");
        page.WaitForText("Out of level");
        page.Find("button", "Out of level: 1.0 mm. How is it worked out?");
        page.Find("button", "Out of level: 2.5 mm. How is it worked out?");
        Waiting.Until(() => page.Find("slider", "Support 1")
            .GetAttribute("aria-valuetext")!.Contains(", shim ", StringComparison.Ordinal), "the shims at their supports");

        // The pin on the map leads to the words; a press mends, and can be undone.
        page.TabTo("button", "Out of level: to its words");
        page.Press(Keys.Enter);
        Assert.Equal("finding-tilt-ground", page.Focused.GetAttribute("id"));
        page.TabTo("button", "The shims are in: measure again");
        page.Press(Keys.Enter);
        page.WaitForText("Level not known");
        page.WaitUntilKept();
        page.TabTo("button", "Measure there", back: true);
        page.Press(Keys.Enter);
        Assert.Equal("Tilt across, the right side higher", page.Focused.ComputedAccessibleLabel ?? "");

        page.TabTo("button", "Dismiss", back: true);
        page.Press(Keys.Enter);
        page.Write("Because", "The shelf was trued last week.");
        page.WaitForText("Level not known dismissed: The shelf was trued last week.");
        page.WaitUntilKept();
        page.Open(Own("/pieces/bogbean-round/ground"));
        page.WaitForText("dismissed: The shelf was trued last week.");
        Assert.DoesNotContain(page.All("link"),
            l => (l.GetAttribute("textContent") ?? "").Contains("level not known", StringComparison.Ordinal));
    }

    [Fact]
    public void What_is_prepared_is_ticked_and_dries_before_resin_comes()
    {
        using var page = NewPage();
        page.Open(Own("/pieces/bracken-slice/ground"));
        page.WaitForText("Before resin comes");
        page.WaitForPainting();
        page.TabTo("checkbox", "Paint the ground, 2 coats");
        page.Press(Keys.Space);
        page.WaitUntilKept();
        page.Write("Drying time of the paint", "90");
        page.WaitForText("Not dry yet");
        page.WaitForText("\"Paint the ground, 2 coats\" is dry at");
        page.TabTo("button", "Start at", back: true);
        page.Press(Keys.Enter);
        Waiting.Until(() => !page.Text.Contains("Not dry yet", StringComparison.Ordinal), "the start to move");
        page.WaitUntilKept();
    }

    [Fact]
    public void Letters_come_from_a_drawing_and_a_bad_one_is_told_and_changes_nothing()
    {
        var folder = Directory.CreateTempSubdirectory("moss-lantern-drawings-").FullName;
        string Drawing(string name, string body)
        {
            var file = Path.Combine(folder, name);
            File.WriteAllText(file, $"""
                <svg xmlns="http://www.w3.org/2000/svg" width="200mm" height="60mm" viewBox="0 0 200 60">{body}</svg>
                """);
            return file;
        }

        using var page = NewPage();
        page.PutOnTheBench("Fen Sign", () =>
        {
            page.Choose("Kind of piece", "a rimmed frame");
            page.Write("Thickness of the base", "18");
        });
        page.GoTo("Ground", "May leak");
        page.TabTo("button", "It is sealed and holds water");
        page.Press(Keys.Enter);
        Waiting.Until(() => !page.Text.Contains("May leak", StringComparison.Ordinal), "the frame to be sealed");
        page.WaitUntilKept();
        page.Unfold("Several panels");
        var chooser = page.All("file").Single();
        chooser.SendKeys(Drawing("text.svg", "<text id='name'>Fen</text>"));
        page.WaitForText("<text id=\"name\"> is text");
        Assert.Contains("frame, 400 × 300 mm", page.Text, StringComparison.Ordinal);
        chooser.SendKeys(Drawing("letters.svg", "<path d='M0 0h20v40h40v20h-60z'/><path d='M120 0h40v60h-40zM130 10v40h20v-40z'/>"));
        page.WaitForText("2 letters, from left to right");
        page.WaitUntilKept();
        Assert.DoesNotContain("is text", page.Text, StringComparison.Ordinal);
        Assert.Contains("frame, 160 × 60 mm", page.Text, StringComparison.Ordinal);
        Assert.Equal(36, Area(page), 0.5);
        page.Find("button", "Area of letter 2: 16.0 cm²");

        // The second letter is poured deeper, and its resin follows.
        page.Write("Depth of First layer in letter 2", "5");
        page.WaitUntilKept();
        page.Find("button", "First layer in letter 2: 8.0 ml");
        Assert.Empty(page.AxeFindings());
        Directory.Delete(folder, recursive: true);
    }

    private static double Area(Page page)
    {
        var name = page.Find("button", "Area:").GetAttribute("aria-label")!;
        return double.Parse(name.Split(' ')[1], System.Globalization.CultureInfo.InvariantCulture);
    }
}
