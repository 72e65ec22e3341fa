using OpenQA.Selenium;

namespace MossLantern.Browser.Tests;

/// <summary>The stage does its station's work, and the page leaves it the room it needs.</summary>
public sealed class StageTests(SharedWorkshop shared) : WorkshopCase(shared)
{
    private static readonly string[] Stations = ["ground", "map", "walls", "cups", "pour", "cure", "story"];

    /// <summary>Two stages count as the same picture where no more than this share of their pixels differs.</summary>
    private const double Same = 0.2;

    private Page Opened(string path, int width = 1280, int height = 800)
    {
        var page = NewPage(width, height);
        page.Open(path);
        page.WaitForText("Ground");
        return page;
    }

    /// <summary>Tried with two more stations than there are, one of them with nothing in it.</summary>
    [Theory]
    [InlineData(800, 1200)]
    [InlineData(1024, 768)]
    [InlineData(1280, 800)]
    public void The_string_has_room_for_nine_tags(int width, int height)
    {
        using var page = Opened("/pieces/sphagnum-pools/map", width, height);
        page.WaitForPainting();
        var wrong = page.Script<string>(
            """
            const string = document.querySelector('.string ol'), own = [...string.children];
            const more = [['Stones', 'no stones', true], ['Finish', '12 lines to draw', false]];
            for (const [name, words, empty] of more) {
              const tag = own[1].cloneNode(true);
              tag.classList.toggle('empty', empty);
              tag.querySelector('a').classList.remove('active');
              tag.querySelector('a').firstChild.textContent = name;
              tag.querySelector('.tag-open').textContent = words;
              string.insertBefore(tag, own[3]);
            }
            const tags = [...string.querySelectorAll('.tag')], box = string.getBoundingClientRect();
            const at = tags.map(t => t.getBoundingClientRect());
            const narrow = at[3].width, usual = at[4].width;
            return [
              tags.length === 9 ? '' : `${tags.length} tags`,
              ...tags.map((t, i) => [t, ...t.querySelectorAll('.tag-open')].every(e => e.scrollWidth <= e.clientWidth + 1)
                ? '' : `${t.textContent} is cut`),
              ...at.map((b, i) => i && b.left < at[i - 1].right ? `${tags[i].textContent} lies on the one before` : ''),
              ...at.map((b, i) => b.left < box.left - 1 || b.right > box.right + 1 ? `${tags[i].textContent} lies outside` : ''),
              ...at.map((b, i) => b.height < 44 || b.width < 44 ? `${tags[i].textContent} is small for a glove` : ''),
              narrow < usual ? '' : `nothing takes ${narrow} px, something ${usual}`,
            ].filter(Boolean).join('; ');
            """);
        Assert.Equal("", wrong);
    }

    /// <summary>A planned piece, one that is poured, one of many cups, one on a dark ground, a casting, and one over older work.</summary>
    [Theory]
    [InlineData("bogbean-round")]
    [InlineData("marsh-light")]
    [InlineData("sphagnum-pools")]
    [InlineData("marigold-dozen")]
    [InlineData("old-kiln")]
    public void No_two_stations_show_the_same_picture(string piece)
    {
        using var page = Opened($"/pieces/{piece}/{Stations[0]}");
        foreach (var (station, i) in Stations.Select((s, i) => (s, i)))
        {
            page.Press($"{i + 1}");
            Waiting.Until(() => page.Script<bool>("return document.querySelector('.tag.active')?.href.includes('/' + arguments[0])",
                station), $"the station {station}");
            if (station is not ("cups" or "cure"))
            {
                page.WaitForPainting();
            }

            // What has been painted may come to the screen some frames later: it is there when nothing changes any more.
            var (shot, before) = ("", "-");
            Waiting.Until(
                () =>
                {
                    page.Script<object>(
                        "window.framed = false; requestAnimationFrame(() => requestAnimationFrame(() => window.framed = true))");
                    Waiting.Until(() => page.Script<bool>("return window.framed"), "the next frame");
                    (before, shot) = (shot, ((ITakesScreenshot)page.Driver).GetScreenshot().AsBase64EncodedString);
                    return shot == before;
                },
                "the picture to rest");
            page.Script<object>("(window.shots ??= []).push(arguments[0])", shot);
        }

        page.Script<object>(
            """
            window.differ = null;
            (async () => {
              const box = document.querySelector(
                '.piece > .stage, .piece > .tide, .piece > .jug-stage, .piece > .pour-stage, .piece > .ground-stage, ' +
                '.piece > .walls-stage').getBoundingClientRect();
              const pixels = await Promise.all(window.shots.map(async shot => {
                const image = new Image();
                image.src = `data:image/png;base64,${shot}`;
                await image.decode();
                const canvas = new OffscreenCanvas(box.width, box.height);
                const context = canvas.getContext('2d');
                context.drawImage(image, -box.x, -box.y);
                return context.getImageData(0, 0, box.width, box.height).data;
              }));
              const differ = [];
              for (let a = 0; a < pixels.length; a++) for (let b = a + 1; b < pixels.length; b++) {
                let count = 0;
                for (let i = 0; i < pixels[a].length; i += 4)
                  if ([0, 1, 2].some(c => Math.abs(pixels[a][i + c] - pixels[b][i + c]) > 12)) count++;
                differ.push(`${a} ${b} ${(4 * count / pixels[a].length).toFixed(3)}`);
              }
              window.differ = differ;
            })();
            """);
        Waiting.Until(() => page.Script<bool>("return window.differ !== null"), "the pictures to be compared");
        var alike = page.Script<IReadOnlyCollection<object>>("return window.differ").Cast<string>()
            .Select(d => d.Split(' ')).Where(d => double.Parse(d[2], System.Globalization.CultureInfo.InvariantCulture) <= Same)
            .Select(d =>
                $"{Stations[int.Parse(d[0], System.Globalization.CultureInfo.InvariantCulture)]} and "
                    + $"{Stations[int.Parse(d[1], System.Globalization.CultureInfo.InvariantCulture)]} differ by {d[2]}");
        Assert.Equal([], alike);
    }

    /// <summary>Header, ribbon and cup row leave four fifths of the height to the piece.</summary>
    [Theory]
    [InlineData(1280, 800)]
    [InlineData(1024, 768)]
    [InlineData(800, 1200)]
    [InlineData(768, 1024)]
    public void What_stands_round_the_piece_takes_a_fifth_of_the_height_at_most(int width, int height)
    {
        using var page = Opened("/pieces/marsh-light/map?layer=layer-1", width, height);
        page.WaitForPainting();
        var round =
            page.Script<double>(
                "return ['.head', '.ribbon', '.cup-row'].reduce((sum, s) => sum + "
                    + "document.querySelector(s).getBoundingClientRect().height, 0) + 0.001");
        Assert.True(round <= height / 5.0, $"{round:0} of {height}");
        Assert.Equal(0,
            page.Script<long>(
                "return [...document.querySelectorAll('.head *')].filter(e => e.getBoundingClientRect().right > innerWidth).length"));
        Assert.True(page
            .Script<bool>("return [...document.querySelectorAll('.ribbon .span')].every(s => s.getBoundingClientRect().height >= 28)"));
    }

    /// <summary>Upright the piece and its station are both on the first screen; the strata are a strip above them.</summary>
    [Theory]
    [InlineData(800, 1200)]
    [InlineData(768, 1024)]
    public void Upright_the_piece_and_its_station_are_on_the_first_screen(int width, int height)
    {
        using var page = Opened("/pieces/marsh-light/map?layer=layer-1", width, height);
        page.WaitForPainting();
        double Top(string selector) =>
            page.Script<double>("return document.querySelector(arguments[0]).getBoundingClientRect().top + 0.001", selector);
        Assert.InRange(Top(".stage"), 0, height / 3.0);
        Assert.InRange(Top(".right"), 0, 0.75 * height);
        Assert.True(Top(".core li") < Top(".stage"));
        Assert.Equal("pan-y", page.Script<string>("return getComputedStyle(document.querySelector('.stage')).touchAction"));
        Assert.Equal("none", page.Script<string>("return getComputedStyle(document.querySelector('.handles g[role=slider]')).touchAction"));
    }

    /// <summary>On a phone nothing is wider than the screen, and windows and amounts can be read.</summary>
    [Theory]
    [InlineData("cups", "hardener")]
    [InlineData("cure", "next layer")]
    [InlineData("pour", "Order of pours")]
    public void On_a_phone_windows_and_amounts_can_be_read(string station, string shows)
    {
        using var page = Opened($"/pieces/marsh-light/{station}?layer=layer-1", 390, 844);
        page.WaitForText(shows);
        Assert.Equal(390, page.Script<long>("return document.documentElement.scrollWidth"));
        Assert.NotEmpty(page.Driver.FindElements(By.CssSelector(".ribbon .span")));
        Assert.Equal(0,
            page.Script<long>(
                "return [...document.querySelectorAll('.right .how-number')].filter(n => "
                    + "n.getBoundingClientRect().right > innerWidth + 1).length"));
    }

    [Theory]
    [InlineData("cups", "All cups")]
    [InlineData("pour", "The next pour")]
    public void The_number_of_the_bench_is_large_and_all_are_read_from_across_the_table(string station, string number)
    {
        using var page = Opened($"/pieces/bogbean-round/{station}");
        double Size(string name) =>
            page.Script<double>("return parseFloat(getComputedStyle(arguments[0].querySelector('b')).fontSize) + 0.001",
                page.Find("button", name));
        Assert.InRange(Size(number), 40, 63);
        page.Click("button", "From across the table");
        Waiting.Until(() => Size(number) >= 64, "large numbers");
        Assert.True(page
            .Script<bool>(
                "return [...document.querySelectorAll('.right .how-number b')].filter(b => "
                    + "b.checkVisibility()).every(b => parseFloat(getComputedStyle(b).fontSize) >= 64)"));
        Assert.Empty(page.DeadControls());

        // It stays so from station to station and after a reload, until it is switched off.
        page.Open($"/pieces/bogbean-round/{station}");
        Waiting.Until(() => Size(number) >= 64, "large numbers after a reload");
        page.Click("button", "From across the table");
        Waiting.Until(() => Size(number) < 64, "numbers at arm's length");
    }

    [Fact]
    public void Digits_lead_to_stations_and_belong_to_fields_and_handles_where_these_have_the_focus()
    {
        using var page = Opened(Own("/pieces/bogbean-round/map"));
        page.WaitForPainting();
        page.Press("4");
        Waiting.Until(() => page.Driver.Url.Contains("/cups", StringComparison.Ordinal), "Cups");
        page.Press("2");
        Waiting.Until(() => page.Driver.Url.Contains("/map", StringComparison.Ordinal), "Map");
        page.TabTo("slider", "Heart");
        page.Press("4");
        page.TabTo("textbox", "Depth");
        page.Press("4");
        Assert.Contains("/map", page.Driver.Url, StringComparison.Ordinal);
        page.Press(Keys.Control + "z");

        // What can be done here, and no single keys for those who want none.
        page.Script<object>("document.activeElement.blur()");
        page.Press("?");
        page.WaitForText("With hands and keys");
        Assert.Empty(page.AxeFindings());
        page.TabTo("checkbox", "Digits and ? act by themselves");
        page.Press(Keys.Space, Keys.Escape);
        Waiting.Until(() => !page.Text.Contains("With hands and keys", StringComparison.Ordinal), "the sheet to be shut");
        page.Script<object>("document.activeElement.blur()");
        page.Press("4");
        Assert.Contains("/map", page.Driver.Url, StringComparison.Ordinal);
        page.Click("button", "? What can be done here");
        page.TabTo("checkbox", "Digits and ? act by themselves");
        page.Press(Keys.Space);
        page.Click("button", "Close");
    }

    /// <summary>From the top of the page, by Tab and Enter alone.</summary>
    [Fact]
    public void A_station_is_six_steps_of_Tab_away_at_most_and_the_ribbon_is_one_of_them()
    {
        using var page = Opened("/pieces/marsh-light/map?layer=layer-1");
        page.WaitForPainting();
        page.Script<object>("document.activeElement.blur()");
        page.Press(Keys.Tab, Keys.Enter);
        var steps = 2;
        while (!page.Script<bool>("return document.activeElement.matches('.tag')") && steps < 20)
        {
            page.Press(Keys.Tab);
            steps++;
        }

        Assert.InRange(steps, 1, 6);
        Assert.Single(page.Driver.FindElements(By.CssSelector(".ribbon .span:not([tabindex='-1'])")));
        var first = page.Script<string>("return document.querySelector('.ribbon .span').textContent").Split(" · ")[0];
        page.TabTo("link", first);
        string At() => page.Script<string>("return document.activeElement.closest('.span')?.textContent ?? ''");
        page.Press(Keys.ArrowRight);
        Assert.NotEqual("", At());
        var second = At();
        page.Press(Keys.ArrowLeft);
        Assert.StartsWith(first, At(), StringComparison.Ordinal);
        Assert.NotEqual(second, At());
    }

    [Fact]
    public void Escape_lets_go_of_what_is_dragged_and_of_what_is_chosen()
    {
        using var page = Opened("/pieces/bogbean-round/map");
        page.WaitForPainting();
        var heart = page.Find("slider", "Heart");
        var (x, y) = page.Middle(heart);
        var before = heart.GetAttribute("aria-valuenow");
        void Mouse(string type, double atX, double atY, int buttons) => page.Cdp("Input.dispatchMouseEvent", new()
        {
            ["type"] = type,
            ["x"] = atX,
            ["y"] = atY,
            ["button"] = "left",
            ["buttons"] = buttons,
            ["clickCount"] = 1,
        });
        Mouse("mousePressed", x, y, 1);
        for (var i = 1; i <= 10; i++)
        {
            Mouse("mouseMoved", x + 6 * i, y, 1);
        }

        Waiting.Until(() => page.Find("slider", "Heart").GetAttribute("aria-valuenow") != before, "the heart to follow");
        page.Press(Keys.Escape);
        Mouse("mouseReleased", x + 60, y, 0);
        Waiting.Until(() => page.Find("slider", "Heart").GetAttribute("aria-valuenow") == before, "the heart to be back");
        Assert.DoesNotContain("Undo:", page.Text, StringComparison.Ordinal);

        page.Click("button", "peat");
        Waiting.Until(() => page.Driver.FindElements(By.CssSelector("[data-open]")).Count > 0, "a band to be chosen");
        page.Script<object>("document.activeElement.blur()");
        page.Press(Keys.Escape);
        Waiting.Until(() => page.Driver.FindElements(By.CssSelector("[data-open]")).Count == 0, "nothing to be chosen");
    }

    /// <summary>What is still to prepare is ticked beside the ground it is done to.</summary>
    [Fact]
    public void What_is_to_prepare_is_ticked_on_the_stage()
    {
        using var page = Opened(Own("/pieces/bogbean-round/ground"));
        page.WaitForPainting();
        page.Click("checkbox", "Done: Mask the back");
        Waiting.Until(() => page.Items("Still to prepare")
            .All(i => !i.Text.Contains("Mask the back", StringComparison.Ordinal)), "it to be done");
        page.WaitForText("Undo: mark a preparation");
        page.WaitUntilKept();
    }

    /// <summary>On a phone nothing but a strip that is drawn along reaches beyond the screen.</summary>
    [Theory]
    [InlineData("reckoner")]
    [InlineData("pieces/marsh-light/share")]
    [InlineData("pieces/marsh-light/cure")]
    [InlineData("pieces/bracken-slice/ground")]
    public void Narrow_pages_fit(string path)
    {
        using var page = NewPage(390, 844);
        page.Open($"/{path}");
        page.WaitForText(path == "reckoner" ? "How much of each part?" : path.EndsWith("share", StringComparison.Ordinal) ? "Versions"
            : "Cure");
        Assert.InRange(page.Script<long>("return document.documentElement.scrollWidth"), 360, 390);
        Assert.Equal("", page.Script<string>(
            """
            return [...document.querySelectorAll('main :is(button, a, input, select, p, h1, h2, h3, td)')].filter(e => {
              const box = e.getBoundingClientRect();
              return box.width > 0 && box.right > 392 && !e.closest('nav, .core, .string, .tide');
            }).map(e => e.outerHTML.slice(0, 80)).join('; ');
            """));
    }
}
