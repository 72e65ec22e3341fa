using System.Net.Http.Json;
using OpenQA.Selenium;

namespace MossLantern.Browser.Tests;

/// <summary>Pairs, older work, castings with inserts, the mould library and the level: each made as a person makes it.</summary>
public sealed class KindsTests(SharedWorkshop shared) : WorkshopCase(shared)
{
    [Fact]
    public void A_pair_is_made_from_the_first_path_its_map_mirrored_or_running_on()
    {
        using var page = NewPage();
        page.PutOnTheBench("Reed Pair", () =>
        {
            page.Choose("Number of panels", "as a pair");
            page.Write("Gap between panels", "40");
            page.Write("Width", "300");
        });
        page.WaitForText("640 × 300 mm, 2 panels with gaps");
        page.TabTo("button", "Place a heart");
        page.Press(Keys.Enter);
        page.WaitUntilKept();

        // One heart, two pictures of it.
        page.WaitForPainting();
        Waiting.Until(() => Like(page), "the heart on both panels");
        var mirrored = Mix(page);
        page.GoTo("Ground", "How it stands");
        Assert.Contains("Each panel stands on 4 supports", page.Text, StringComparison.Ordinal);
        page.Choose("Over the gap", "running on");
        page.WaitUntilKept();
        page.GoTo("Map", "Bands, from the heart to the rim");
        page.WaitForPainting();
        Waiting.Until(() => !Like(page), "one heart on the first panel only");

        // The same two boards take the same resin, however the map goes over them.
        Assert.Equal(mirrored, Mix(page), 3.0);
        Assert.Empty(page.AxeFindings());
        page.TabTo("button", "Undo");
        page.Press(Keys.Enter);
        page.WaitUntilKept();
        Waiting.Until(() => Like(page), "the mirrored pair again");
    }

    [Fact]
    public void A_finished_piece_is_poured_over_again_grows_a_rim_and_keeps_its_story()
    {
        using var page = NewPage();
        Copy("old-kiln", "Fen Kiln");
        page.Open(Own("/pieces/old-kiln/map"));
        page.WaitForText("over Kiln Door");
        page.WaitForPainting();
        page.TabTo("button", "Pour over it again");
        page.Press(Keys.Enter);
        page.WaitForText("Fen Kiln and its story");
        page.WaitForPainting();

        // Everything that was poured before lies in the cut, the deepest lowest.
        Assert.Equal("Beneath: Fen Kiln", page.Find("list", "Beneath: ").GetAttribute("aria-label"));
        Assert.True(page.Text.IndexOf("Left-overs", StringComparison.Ordinal) < page.Text.IndexOf("Kiln door", StringComparison.Ordinal));
        page.Write("Width of a new rim", "30");
        page.TabTo("button", "grow it all round");
        page.Press(Keys.Enter);
        page.WaitForText("panel, 480 × 360 mm");
        page.WaitUntilKept();
        page.Write("Height of the older work", "6");
        page.WaitUntilKept();

        // 480 × 360 at 2 mm, and the new rim 6 mm more.
        page.Open("/");
        page.WaitForText("Fen Kiln, again");
        Assert.DoesNotContain("Fen Kiln\n", page.Text, StringComparison.Ordinal);
        page.TabTo("link", "Fen Kiln, again");
        page.Press(Keys.Enter);
        page.WaitForText("Fen Kiln and its story");
        page.TabTo("link", "Fen Kiln and its story");
        page.Press(Keys.Enter);
        page.WaitForText("lies beneath");
        Assert.StartsWith("Improvised over the sanded panel", page.Find("textbox", "Note").GetAttribute("value"), StringComparison.Ordinal);
    }

    [Fact]
    public void A_casting_comes_from_the_library_and_the_hollow_of_an_insert_is_filled_by_its_own_clock()
    {
        using var page = NewPage();
        page.PutOnTheBench("Bog Tray", () =>
        {
            page.Choose("Kind of piece", "cast in a mould");
            page.Choose("Mould of the library", "Peat tray");
            Waiting.Until(() => page.Find("textbox", "Capacity").GetAttribute("value") == "975", "what the tray holds");
            page.TabTo("button", "Stand an insert in it");
            page.Press(Keys.Enter);
        });
        page.GoTo("Ground", "How it stands");
        page.WaitForText("keeps out");
        var out1 = page.Find("button", "hollow keeps out:").GetAttribute("aria-label")!;

        // By the keyboard, by the hand, and not over the rim.
        page.TabTo("slider", "Insert hollow");
        page.Press(Enumerable.Repeat(Keys.ArrowLeft, 5).ToArray());
        page.WaitUntilKept();
        var before = Left(page);
        page.Drag(page.Middle(page.Find("slider", "Insert hollow")), 60, 0);
        page.WaitUntilKept();
        Waiting.Until(() => Left(page) > before + 10, "the insert to be moved");
        page.Drag(page.Middle(page.Find("slider", "Insert hollow")), 0, 320);
        page.WaitForText("Inserts must stand inside the cavity");
        page.TabTo("button", "Undo");
        page.Press(Keys.Enter);
        Waiting.Until(() => !page.Text.Contains("Inserts must stand inside", StringComparison.Ordinal), "the last good place");
        page.Write("Foot of hollow", "3");
        Waiting.Until(() => page.Find("button", "hollow keeps out:").GetAttribute("aria-label") != out1, "less to be kept out");
        page.WaitUntilKept();
        page.TabTo("button", "Plan its fill");
        page.Press(Keys.Enter);
        page.WaitForText("Filled by hollow, with its own clock in the mould.");
        page.WaitUntilKept();
        Assert.Empty(page.AxeFindings());
        page.TabTo("button", "2 · hollow", back: true);
        page.Press(Keys.Enter);
        page.GoTo("Cure", "When to pour");
        page.Write("Mixing starts", "2027-03-01T09:00");
        Waiting.Until(() => page.TextOf(".tide").Contains("out of the mould", StringComparison.Ordinal), "when the hollow comes out");
        page.WaitUntilKept();
    }

    [Fact]
    public void A_mould_is_taken_down_changed_and_its_log_kept()
    {
        using var page = NewPage();
        page.Open("/cupboard");
        page.WaitForText("Marsh round");
        page.TabTo("button", "Marsh round");
        page.Press(Keys.Enter);
        page.WaitForText("Marigold Dozen, Petals");
        page.WaitForText("Its log: 7 castings");
        page.Find("button", "Hottest, Marigold Dozen, Petals:");
        page.Write("What else happened to it", "Torn at the rim");
        page.Write("Castings", "0");
        page.TabTo("button", "Note it");
        page.Press(Keys.Enter);
        Waiting.Until(() => page.Text.Contains("Torn at the rim", StringComparison.Ordinal), "the note in the log");
        page.Write("How many I own", "4");
        page.WaitForText("I own 4, cast 7 times");
        page.Write("Depth", "900");
        page.WaitForText("Depth of the cavity must be from 0.10 to 100 mm.");

        page.TabTo("button", "A new mould", back: true);
        page.Press(Keys.Enter);
        page.WaitForText("New mould");
        page.Choose("Shape of the mould", "oval");
        page.Write("Height", "60");
        page.Write("Name of the mould", "Dew drop");
        page.WaitForText("Dew drop");
        page.Open("/cupboard");
        page.WaitForText("Dew drop");

        // What is in a pot is painted with, and tints a cup.
        page.TabTo("button", "Reed cream");
        page.Press(Keys.Enter);
        page.Write("Left in the pot", "5");
        page.WaitForText("5 ml left");
        Assert.Empty(page.AxeFindings());
        page.Open(Own("/pieces/sundew-pair/ground"));
        page.WaitForText("Peat black has");
        page.WaitForPainting();

        // What is painted already takes nothing more; to be painted, it does.
        page.Click("checkbox", "Paint the ground");
        page.WaitForText("Undo: mark a preparation as not done");
        page.Choose("Pot of paint", "Reed cream");
        page.WaitForText("too little");
        page.WaitUntilKept();
        page.GoTo("Cups", "Tint from a pot");
        page.TabTo("combobox", "Tint from a pot");
        page.Press("Reed cream");
        page.WaitUntilKept();
        Waiting.Until(() => page.Find("textbox", "Cup").GetAttribute("value") == "Reed cream", "the cup to be tinted");
    }

    [Fact]
    public async Task The_level_is_read_live_and_what_it_cannot_tell_is_said()
    {
        using var page = NewPage();
        using var client = new HttpClient { BaseAddress = Workshop.Address };
        page.Open(Own("/pieces/bogbean-round/ground"));
        page.WaitForText("How it stands");
        page.TabTo("button", "Lay the level on it");
        page.Press(Keys.Enter);
        page.WaitForText("Right side 0.3° higher, lower side 0.1° lower.");
        page.WaitForText("finer than it shows");
        await client.PutAsJsonAsync("/api/stand-ins/level", new { acrossDeg = 0.012, alongDeg = -0.01, stepDeg = 0.1 });
        page.WaitForText("Right side even, lower side even.");
        page.TabTo("button", "Take this reading");
        page.Press(Keys.Enter);
        page.WaitForText("Level too coarse to tell");
        page.WaitForText("read too coarsely to tell");
        page.WaitUntilKept();
        Assert.Empty(page.AxeFindings());
        page.TabTo("button", "Water stood level there", back: true);
        page.Press(Keys.Enter);
        page.WaitForText("level by water");
        page.WaitUntilKept();

        // The panel of the stand-ins steers the same level.
        page.TabTo("link", "simulated: tilt it");
        page.Press(Keys.Enter);
        page.WaitForText("Stand-ins");
        page.Write("True tilt across", "12");
        page.WaitForText("Tilt across must be from -10 to 10 degrees.");
        page.Write("True tilt across", "1.5");
        page.WaitForText("It shows 1.5° across");
    }

    private static double Left(Page page) =>
        double.Parse(page.Find("slider", "Insert hollow").GetAttribute("aria-valuenow")!,
            System.Globalization.CultureInfo.InvariantCulture);

    /// <summary>What all cups together are mixed to, ml.</summary>
    private static double Mix(Page page) => page.Items("Cups, in pour order")
        .Sum(c => MapPage.Number(c.FindElement(By.CssSelector("[aria-label^='Mix in']")).GetAttribute("aria-label")!, ": "));

    /// <summary>Whether the right half of the picture is the left one turned over.</summary>
    private static bool Like(Page page) => page.Script<bool>(
        """
        const canvas = document.querySelector('canvas.picture');
        const { width, height } = canvas;
        const pixels = canvas.getContext('2d').getImageData(0, 0, width, height).data;
        let left = width, right = 0;
        for (let y = 0; y < height; y++) for (let x = 0; x < width; x++)
          if (pixels[4 * (y * width + x) + 3] > 250) { left = Math.min(left, x); right = Math.max(right, x); }
        let far = 0, count = 0;
        for (let y = 20; y < height - 20; y += 3) for (let x = left + 6; x < (left + right) / 2 - 30; x += 3) {
          const own = 4 * (y * width + x), other = 4 * (y * width + left + right - x);
          if (pixels[own + 3] < 255) continue;
          count++;
          if (Math.abs(pixels[own + 2] - pixels[other + 2]) > 45) far++;
        }
        return count > 500 && far / count < 0.015;
        """);
}
