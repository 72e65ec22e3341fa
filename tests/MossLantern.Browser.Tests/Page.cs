using System.Diagnostics;
using System.Globalization;
using OpenQA.Selenium;
using OpenQA.Selenium.Chrome;
using OpenQA.Selenium.Interactions;

namespace MossLantern.Browser.Tests;

/// <summary>A page in a real browser without a monitor, worked as a person works it: by roles and labels.</summary>
internal sealed class Page : IDisposable
{
    private readonly ChromeDriver driver;
    private readonly string profile = Directory.CreateTempSubdirectory("moss-lantern-profile-").FullName;
    private readonly Uri address;

    public Page(Uri address, int width = 1280, int height = 800)
    {
        this.address = address;
        var options = new ChromeOptions { BinaryLocation = "/usr/bin/chromium" };
        options.AddArguments(
            "--headless=new", "--no-sandbox", "--disable-gpu", "--disable-quic", "--no-first-run", "--lang=en-US",
            "--disable-background-networking", "--disable-component-update", "--disable-sync", "--disable-dev-shm-usage",
            $"--user-data-dir={profile}");
        options.SetLoggingPreference(LogType.Browser, LogLevel.All);
        driver = new ChromeDriver(ChromeDriverService.CreateDefaultService("/usr/bin", "chromedriver"), options);
        Resize(width, height);
    }

    public IWebDriver Driver => driver;

    private static readonly string Modifiers = Keys.Control + Keys.Shift + Keys.Alt;

    public WebElement Focused => (WebElement)driver.SwitchTo().ActiveElement();

    public void Resize(int width, int height) => Cdp("Emulation.setDeviceMetricsOverride", new()
    {
        ["width"] = width,
        ["height"] = height,
        ["deviceScaleFactor"] = 1,
        ["mobile"] = false,
    });

    public void Cdp(string command, Dictionary<string, object?> arguments) => driver.ExecuteCdpCommand(command, arguments);

    public void Open(string path) => driver.Navigate().GoToUrl(new Uri(address, path));

    public T Script<T>(string script, params object[] arguments) => (T)driver.ExecuteScript(script, arguments)!;

    public string Text => Script<string>("return document.body.innerText");

    public void WaitForText(string text) => Waiting.Until(() => Text.Contains(text, StringComparison.Ordinal), $"'{text}' on the page; it shows:\n{Text}");

    /// <summary>Waits until the map has been painted with all its growth lines.</summary>
    public void WaitForPainting() => Waiting.Until(
        () => Script<bool>(
            """
            const canvases = [...document.querySelectorAll('.painted canvas.picture')];
            const pictures = [...document.querySelectorAll('.stand img')];
            return document.fonts.status === 'loaded' && canvases.length + pictures.length > 0
              && pictures.every(p => p.complete && p.naturalWidth > 0)
              && canvases.every(c => c.getContext('2d').getImageData(0, c.height / 2, c.width, 1).data.some((v, i) => i % 4 === 3 && v > 0));
            """),
        "the painting");

    /// <summary>Makes a piece by the first path: a name, what is said of its ground, and the button.</summary>
    public void PutOnTheBench(string name, Action ground)
    {
        Open("/new");
        WaitForText("A new piece");
        Write("Name", name);
        ground();
        TabTo("button", "Put it on the bench");
        Press(Keys.Enter);
        WaitForText("Put a heart");
        WaitForPainting();
    }

    /// <summary>Goes to a station by its tag.</summary>
    public void GoTo(string station, string shows)
    {
        TabTo("link", station);
        Press(Keys.Enter);
        WaitForText(shows);
    }

    /// <summary>Waits until the piece on the page is kept.</summary>
    public void WaitUntilKept() => Waiting.Until(
        () => Script<bool>("return document.querySelector('.kept')?.dataset.state === 'kept'"), "the piece to be kept");

    /// <summary>Drags from a point of the page by so many pixels, in small steps as a hand does.</summary>
    public void Drag((double X, double Y) from, double byX, double byY, bool alt = false, int steps = 12)
    {
        Mouse("mousePressed", from.X, from.Y);
        for (var i = 1; i <= steps; i++)
        {
            Mouse("mouseMoved", from.X + byX * i / steps, from.Y + byY * i / steps);
        }

        Mouse("mouseReleased", from.X + byX, from.Y + byY);

        void Mouse(string type, double x, double y) => Cdp("Input.dispatchMouseEvent", new()
        {
            ["type"] = type,
            ["x"] = x,
            ["y"] = y,
            ["button"] = "left",
            ["buttons"] = type == "mouseReleased" ? 0 : 1,
            ["clickCount"] = 1,
            ["modifiers"] = alt ? 1 : 0,
        });
    }

    /// <summary>Moves the mouse to a point without pressing.</summary>
    public void Hover((double X, double Y) to) => Cdp("Input.dispatchMouseEvent", new()
    {
        ["type"] = "mouseMoved",
        ["x"] = to.X,
        ["y"] = to.Y,
    });

    /// <summary>Two fingers that begin so far apart and end so far apart, round a point, in a line across.</summary>
    public void Pinch((double X, double Y) middle, double apart, double to)
    {
        const int steps = 8;
        Touch("touchStart", apart);
        for (var i = 1; i <= steps; i++)
        {
            Touch("touchMove", apart + (to - apart) * i / steps);
        }

        Touch("touchEnd", null);

        void Touch(string type, double? distance) => driver.ExecuteCdpCommand("Input.dispatchTouchEvent", new()
        {
            ["type"] = type,
            ["touchPoints"] = distance is not { } d
                ? Array.Empty<object>()
                : new[] { -d / 2, d / 2 }.Select((x, id) => (object)new Dictionary<string, object> { ["x"] = middle.X + x, ["y"] = middle.Y, ["id"] = id }).ToArray(),
        });
    }

    /// <summary>The middle of an element, in pixels of the page.</summary>
    public (double X, double Y) Middle(IWebElement element)
    {
        var box = Script<Dictionary<string, object>>("const b = arguments[0].getBoundingClientRect(); return { x: b.x + b.width / 2, y: b.y + b.height / 2 }", element);
        return (Convert.ToDouble(box["x"], CultureInfo.InvariantCulture), Convert.ToDouble(box["y"], CultureInfo.InvariantCulture));
    }

    /// <summary>Presses keys where the focus is; one that begins with a modifier is pressed with it held.</summary>
    public void Press(params string[] keys)
    {
        var actions = new Actions(driver);
        foreach (var key in keys)
        {
            var held = key.TakeWhile(c => Modifiers.Contains(c)).Select(c => c.ToString()).ToList();
            held.ForEach(modifier => actions.KeyDown(modifier));
            actions.SendKeys(key[held.Count..]);
            held.ForEach(modifier => actions.KeyUp(modifier));
        }

        actions.Perform();
    }

    /// <summary>Presses Tab, or Shift with it, until the focus is on an element of a role and a name, as a screen reader tells them.</summary>
    public void TabTo(string role, string name, bool back = false)
    {
        var seen = new List<string>();
        for (var i = 0; i < 160; i++)
        {
            Press(back ? Keys.Shift + Keys.Tab : Keys.Tab);

            // Most of what Tab passes is told apart in the page; only what may be it is asked how a screen reader tells it.
            var passed = Script<string>(
                """
                const e = document.activeElement;
                const texts = [e.getAttribute('aria-label'), e.labels?.[0]?.textContent, e.textContent, e.title, e.alt, e.querySelector?.('img')?.alt];
                return texts.filter(Boolean).join(' ').replace(/\s+/g, ' ').trim();
                """);
            seen.Add(passed.Length > 60 ? passed[..60] : passed);
            if (!passed.Contains(name[..Math.Min(name.Length, 6)], StringComparison.Ordinal))
            {
                continue;
            }

            try
            {
                var focused = Focused;
                if (focused.ComputedAccessibleRole == role && focused.ComputedAccessibleLabel.StartsWith(name, StringComparison.Ordinal))
                {
                    return;
                }
            }
            catch (StaleElementReferenceException)
            {
                // What had the focus has just been replaced, by a new page or a new answer: go on from there.
            }
        }

        Assert.Fail($"Tab never came to {role} '{name}'. It came to:\n{string.Join('\n', seen.Distinct())}");
    }

    /// <summary>Writes over what a field holds, by the keyboard, and leaves the field's value taken.</summary>
    public void Write(string label, string text, string role = "textbox")
    {
        TabTo(role, label);
        Press(Keys.Control + "a", Keys.Backspace, text, Keys.Enter);
    }

    /// <summary>Chooses by typing what the choice begins with.</summary>
    public void Choose(string label, string choice)
    {
        TabTo("combobox", label);
        var typed = Stopwatch.StartNew();
        Press(choice);
        Waiting.Until(
            () =>
            {
                if (Script<string>("const s = document.activeElement; return s.selectedOptions?.[0]?.text ?? ''").StartsWith(choice, StringComparison.Ordinal))
                {
                    return true;
                }

                // A list forgets what was typed after a second: on a busy machine a word can fall apart, and is typed again.
                if (typed.Elapsed > TimeSpan.FromSeconds(4))
                {
                    Press(choice);
                    typed.Restart();
                }

                return false;
            },
            $"'{choice}' to be chosen");
    }

    public void Click(string role, string name) => Find(role, name).Click();

    /// <summary>The one element of a role whose name begins so.</summary>
    public IWebElement Find(string role, string name)
    {
        IWebElement? found = null;
        Waiting.Until(() => (found = All(role).FirstOrDefault(e => Named(e, name))) is not null, $"{role} '{name}'");
        return found!;

        static bool Named(IWebElement element, string name)
        {
            try
            {
                return ((WebElement)element).ComputedAccessibleLabel.StartsWith(name, StringComparison.Ordinal);
            }
            catch (StaleElementReferenceException)
            {
                return false;
            }
        }
    }

    public IReadOnlyCollection<IWebElement> All(string role) => driver.FindElements(By.CssSelector(role switch
    {
        "button" => "button, [role=button]",
        "link" => "a[href]",
        "textbox" => "input:not([type=color]), textarea",
        "combobox" => "select",
        "list" => "ol, ul",
        _ => $"[role={role}]",
    }));

    /// <summary>A picture of the page.</summary>
    public void Picture(string path)
    {
        Directory.CreateDirectory(Path.GetDirectoryName(path)!);
        ((ITakesScreenshot)driver).GetScreenshot().SaveAsFile(path);
    }

    /// <summary>What axe finds wrong, one line each.</summary>
    public IReadOnlyList<string> AxeFindings()
    {
        var axe = File.ReadAllText(Path.Combine(WorkshopProcess.Root, "web", "node_modules", "axe-core", "axe.min.js"));
        driver.ExecuteScript(axe);
        driver.Manage().Timeouts().AsynchronousJavaScript = TimeSpan.FromSeconds(60);
        var found = driver.ExecuteAsyncScript(
            """
            const done = arguments[arguments.length - 1];
            axe.run(document, { resultTypes: ['violations'] }).then(
              r => done(r.violations.flatMap(v => v.nodes.map(n => `${v.id}: ${n.target.join(' ')} ${n.failureSummary.replace(/\s+/g, ' ')}`))),
              e => done([`axe failed: ${e}`]));
            """);
        return [.. ((IReadOnlyCollection<object>)found!).Select(f => Convert.ToString(f, CultureInfo.InvariantCulture)!)];
    }

    /// <summary>What the browser complained of.</summary>
    public IReadOnlyList<string> Complaints() =>
        [.. driver.Manage().Logs.GetLog(LogType.Browser).Where(l => l.Level >= LogLevel.Warning).Select(l => l.Message)];

    public void Dispose()
    {
        driver.Dispose();
        try
        {
            Directory.Delete(profile, recursive: true);
        }
        catch (IOException)
        {
            // The browser may still be writing its profile while it ends; the system clears its temporary folder.
        }
    }
}
