using MossLantern.Core.Documents;
using OpenQA.Selenium;
using static MossLantern.Browser.Tests.MapPage;

namespace MossLantern.Browser.Tests;

/// <summary>Controls do what they say, keep the focus near, and tell what is so.</summary>
public sealed class ControlTests(SharedWorkshop shared) : WorkshopCase(shared)
{
    private const string Fields = "/pieces/marsh-light/map?layer=layer-1";

    private protected override bool Poured => false;

    private static string? Spoken(Page page, string slider) => page.Find("slider", slider).GetAttribute("aria-valuetext");

    [Fact]
    public void Grips_say_where_they_are_after_a_drag_and_after_undo()
    {
        using var page = Opened(Fields);
        var before = Spoken(page, "Heart");
        page.Drag(page.Middle(page.Find("slider", "Heart")), 70, 20);
        page.WaitUntilKept();
        Waiting.Until(() => Spoken(page, "Heart") != before, "the heart to say where it is");
        Assert.StartsWith($"{Value(page, "Heart"):0} mm from the left", Spoken(page, "Heart"), StringComparison.Ordinal);
        page.Click("button", "Undo");
        Waiting.Until(() => Spoken(page, "Heart") == before, "the heart to say where it was");
        var edge = page.All("slider").Select(s => s.GetAttribute("aria-label")!)
            .First(l => l.StartsWith("Edge of", StringComparison.Ordinal));
        var (width, at) = (Spoken(page, edge), page.Middle(page.Find("slider", edge)));
        page.Drag(at, 30, 0);
        page.WaitUntilKept();
        Waiting.Until(() => Spoken(page, edge) != width, "the edge to say how wide its band is");
        page.Click("button", "Undo");
        Waiting.Until(() => Spoken(page, edge) == width, "the edge to say how wide its band was");
    }

    [Fact]
    public void Five_presses_of_an_arrow_are_one_step_to_undo()
    {
        using var page = Opened(Fields);
        var before = Value(page, "Heart");
        page.TabTo("slider", "Heart");
        page.Press(Keys.ArrowRight, Keys.ArrowRight, Keys.ArrowRight, Keys.ArrowRight, Keys.ArrowRight);
        Waiting.Until(() => Value(page, "Heart") == before + 5, "the heart to move by 5 mm");
        Waiting.Until(() => page.Find("button", "Undo").Enabled, "the burst to be kept");
        page.WaitUntilKept();

        // Another kind of change is a step of its own.
        page.Press(Keys.Shift + Keys.ArrowDown);
        page.Press(Keys.Control + "z");
        Waiting.Until(() => Value(page, "Heart") == before && !page.Find("button", "Undo").Enabled
            || Value(page, "Heart") == before + 5, "a step back");
        if (Value(page, "Heart") != before)
        {
            page.WaitUntilKept();
            page.Press(Keys.Control + "z");
        }

        Waiting.Until(() => Value(page, "Heart") == before && !page.Find("button", "Undo").Enabled,
            "the heart to be where it was, with nothing more to undo");
    }

    [Fact]
    public void Focus_stays_near_what_was_added_or_taken_out()
    {
        using var page = Opened(Fields);
        bool Kept() =>
            page.Script<bool>("return document.activeElement !== document.body && !!document.activeElement.closest('section.right')");
        page.Click("button", "Add a part");
        page.WaitForText("Take the part out");
        page.WaitUntilKept();
        Waiting.Until(Kept, "the focus to stay by the zone");
        page.TabTo("button", "Take the part out");
        page.Press(Keys.Enter);
        Waiting.Until(() => !page.Text.Contains("Take the part out", StringComparison.Ordinal), "the zone to go");
        page.WaitUntilKept();
        Waiting.Until(Kept, "the focus to stay on the map's side");
        page.TabTo("button", "Reserve a spot");
        page.Press(Keys.Enter);
        page.WaitForText("Reserved, in every layer");
        page.TabTo("button", "Take out: Inlay");
        page.Press(Keys.Enter);
        Waiting.Until(() => !page.Text.Contains("Reserved, in every layer", StringComparison.Ordinal), "the spot to go");
        Waiting.Until(Kept, "the focus to stay on the map's side");
    }

    [Fact]
    public void A_new_piece_opens_with_the_focus_on_its_name()
    {
        using var page = NewPage();
        page.PutOnTheBench("Sedge", () => page.Write("Width", "300"));
        Waiting.Until(() => page.Script<string?>("return document.activeElement.id") == "main",
            "the focus on the piece, which goes by its name");
    }

    [Fact]
    public void A_cup_that_is_picked_lights_the_picture_where_it_was_picked_and_nowhere_else()
    {
        using var page = Opened("/pieces/marsh-light/cups?layer=layer-1");
        bool Veiled() => page.Script<bool>(
            """
            const veil = document.querySelector('.painted canvas.veil');
            const all = veil.getContext('2d').getImageData(0, 0, veil.width, veil.height).data;
            for (let i = 3; i < all.length; i += 4000) if (all[i] > 0) return true;
            return false;
            """);
        page.Click("button", "moss");
        page.Hover((700, 160));
        Waiting.Until(Veiled, "the other regions to be dimmed");
        foreach (var (station, shows) in new[] { ("Cure", "When to pour"), ("Story", "What was poured"),
            ("Ground", "How it stands"), ("Map", "Bands, from the heart") })
        {
            page.GoTo(station, shows);
            page.Hover((700, 160));
            Waiting.Until(() => !Veiled(), $"the picture of {station} to be whole");
        }
    }

    [Fact]
    public void A_vein_of_one_millimetre_is_edited_at_one_to_one_by_the_mouse_and_by_keys()
    {
        using var page = Opened(Fields);
        page.Write("Width of band 2", "1");
        page.WaitUntilKept();
        Waiting.Until(() => Value(page, "Edge of bone, inner ring") == 1, "the vein to be 1 mm wide");
        page.Click("button", "bone, inner ring");
        var grip = page.Middle(page.Find("slider", "Edge of bone, inner ring"));
        var neighbour = Value(page, "Edge of honey");
        page.Drag(grip, 24, 0);
        page.WaitUntilKept();
        Waiting.Until(() => Value(page, "Edge of bone, inner ring") > 8, "the vein to be wider");
        Assert.Equal(neighbour, Value(page, "Edge of honey"));
        page.Click("button", "Undo");
        Waiting.Until(() => Value(page, "Edge of bone, inner ring") == 1, "the vein to be 1 mm wide again");
        page.TabTo("slider", "Edge of bone, inner ring");
        page.Press(Keys.ArrowRight);
        Waiting.Until(() => Value(page, "Edge of bone, inner ring") == 2, "the vein to be 2 mm wide");
        Assert.Equal(neighbour, Value(page, "Edge of honey"));
    }

    [Fact]
    public void Bands_that_follow_the_rim_do_so_in_proportion_or_evenly_and_say_how_wide_they_are()
    {
        using var page = Opened("/pieces/marigold-dozen/map");
        page.Write("Bands follow the edge", "100");
        page.WaitUntilKept();
        page.Choose("How bands follow the edge", "evenly, outer bands at full width");
        page.WaitUntilKept();
        Waiting.Until(() => !page.Text.Contains("Nothing", StringComparison.Ordinal)
            && page.Find("combobox", "How bands follow the edge").GetAttribute("value") == "even", "it to be kept");
        page.Click("button", "Undo");
        Waiting.Until(() => page.Find("combobox", "How bands follow the edge").GetAttribute("value") == "proportional", "it to be undone");
        Assert.Contains(page.All("button"),
            b => b.GetAttribute("aria-label")?.StartsWith("Narrowest of", StringComparison.Ordinal) == true);
    }

    [Fact]
    public void Moments_are_typed_as_people_say_them_and_the_workshop_tells_hours_to_twelve_if_it_is_asked_to()
    {
        using var workshop = OwnWorkshop();
        using var page = new Page(workshop.Address);
        page.Open("/pieces/bogbean-round/cure");
        page.WaitForPainting();
        page.Write("Mixing starts", "tomorrow 7");
        Waiting.Until(() => page.Find("textbox", "Mixing starts")
            .GetAttribute("value")!.EndsWith(", 07:00", StringComparison.Ordinal), "the moment to be read");
        page.WaitUntilKept();
        page.WaitForText("tape off");
        page.Write("Pour ends", "soonish");
        page.WaitForText("Type a moment, such as now, tonight, tomorrow 7");
        page.Click("button", "Now, for pour ends");
        Waiting.Until(() => !page.Text.Contains("Type a moment", StringComparison.Ordinal), "now to be taken");
        page.Click("link", "About");
        page.WaitForText("Data folder");
        page.WaitForText("no licence is chosen yet");
        page.Choose("Hours are told", "to 12, as 6:30 pm");
        Waiting.Until(() => page.Text.Contains(" am", StringComparison.Ordinal)
            || page.Text.Contains(" pm", StringComparison.Ordinal), "the clock to be told to 12");
        page.Driver.Navigate().Back();
        Waiting.Until(() => page.Find("textbox", "Mixing starts")
            .GetAttribute("value")!.EndsWith(", 7:00 am", StringComparison.Ordinal), "the field to be told to 12");
        page.Open("/notices.txt");
        page.WaitForText("SIL OPEN FONT LICENSE");
    }

    [Fact]
    public void A_piece_is_taken_off_the_shelf_and_put_back_by_a_press()
    {
        using var workshop = OwnWorkshop();
        using var page = new Page(workshop.Address);
        page.Open("/pieces/rain-ring/share");
        page.WaitForText("Take Rain Ring off the shelf");
        page.TabTo("button", "Take Rain Ring off the shelf");
        page.Press(Keys.Enter);
        page.WaitForText("1 piece kept aside");
        bool Stands() =>
            page.All("link").Any(a => a.Text.Contains("Rain Ring", StringComparison.Ordinal));
        Waiting.Until(() => !Stands(), "the piece to be off the shelf");
        page.Unfold("1 piece kept aside");
        page.Click("button", "Put it back on the shelf: Rain Ring");
        Waiting.Until(Stands, "the piece to be back");
    }
}
