using System.Diagnostics;
using System.Globalization;
using System.Text.Json.Nodes;
using MossLantern.Core.Documents;
using OpenQA.Selenium;
using OpenQA.Selenium.Chrome;

namespace MossLantern.Browser.Tests;

/// <summary>A page in a real browser without a monitor, worked as a person works it: by roles and labels.</summary>
internal sealed class Page : IDisposable
{
    private readonly Browser browser = Browser.Take();
    private readonly string window;
    private readonly string session;
    private readonly Uri address;

    public Page(Uri address, int width = 1280, int height = 800)
    {
        this.address = address;
        (window, session) = browser.Open();
        Resize(width, height);
    }

    private ChromeDriver driver => browser.Driver;

    public IWebDriver Driver => driver;

    public WebElement Focused => (WebElement)driver.SwitchTo().ActiveElement();

    /// <summary>Turns the window to a size, and waits until the page has been laid out in it: what measures itself is
    /// drawn a frame or two later.</summary>
    public void Resize(int width, int height)
    {
        Cdp("Emulation.setDeviceMetricsOverride",
            new() { ["width"] = width, ["height"] = height, ["deviceScaleFactor"] = 1, ["mobile"] = false });
        driver.ExecuteAsyncScript(
            "const done = arguments[0], wait = (frames) => requestAnimationFrame(() => (frames > 0 ? wait(frames - 1) "
                + ": setTimeout(done))); wait(3);");
    }

    /// <summary>The widths a page is worked at: a laptop, a tablet, and a tablet held upright.</summary>
    public static readonly (int Width, int Height)[] Sizes = [(1280, 800), (1024, 768), (800, 1200)];

    /// <summary>Does something at every size, in the load that is open, and turns the window back to the first.</summary>
    public void AtEverySize(Action<(int Width, int Height)> look)
    {
        foreach (var size in Sizes)
        {
            Resize(size.Width, size.Height);
            look(size);
        }

        Resize(Sizes[0].Width, Sizes[0].Height);
    }

    public void Cdp(string command, JsonObject arguments) => browser.Tools.Send(command, arguments, session);

    public void Open(string path) => driver.Navigate().GoToUrl(new Uri(address, path));

    public T Script<T>(string script, params object[] arguments) => (T)driver.ExecuteScript(script, arguments)!;

    public string Text => Script<string>("return document.body.innerText");

    /// <summary>The text of the first part that a selector finds, without breaks; empty while there is none.</summary>
    public string TextOf(string selector) =>
        Script<string>("return (document.querySelector(arguments[0])?.innerText ?? '').replace(/\\n/g, '')", selector);

    /// <summary>Waits until a text can be seen. What is on the page at all is asked first: to look at it as it is seen
    /// lays it out each time.</summary>
    public void WaitForText(string text) => Waiting.Until(
        () => Script<bool>(
            """
            const plain = t => t.replace(/\s+/g, '').toLowerCase();
            return plain(document.body.textContent).includes(plain(arguments[0])) && document.body.innerText.includes(arguments[0]);
            """,
            text),
        () => $"'{text}' on the page; it shows:\n{Text}");

    /// <summary>Waits until the map has been painted with all its growth lines.</summary>
    public void WaitForPainting() => Waiting.Until(
        () => Script<bool>(
            """
            const canvases = [...document.querySelectorAll('.painted canvas.picture')];
            const pictures = [...document.querySelectorAll('.stand img')];
            return document.fonts.status === 'loaded' && canvases.length + pictures.length > 0
              && pictures.every(p => p.complete && p.naturalWidth > 0)
              && canvases.every(c => c.getContext('2d').getImageData(0, c.height / 2, c.width, 1).data.some((v,
                i) => i % 4 === 3 && v > 0));
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
        WaitForText("Place a heart");
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
        () => Script<bool>("return document.querySelector('.kept')?.dataset.state === 'kept'"),
        () => $"the piece to be kept; the page says \"{Script<string>(
            "const k = document.querySelector('.kept'); return k ? `${k.dataset.state}: ${k.textContent}` : 'nothing'")}\", "
            + $"and the browser \"{string.Join("; ", Complaints())}\"");

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

        void Touch(string type, double? distance) => Cdp("Input.dispatchTouchEvent", new()
        {
            ["type"] = type,
            ["touchPoints"] = new JsonArray(distance is not { } d
                ? []
                : [.. new[] { -d / 2, d / 2 }.Select((x, id) => new JsonObject { ["x"] = middle.X + x, ["y"] = middle.Y, ["id"] = id })]),
        });
    }

    /// <summary>The middle of an element, in pixels of the page.</summary>
    public (double X, double Y) Middle(IWebElement element)
    {
        var box =
            Script<Dictionary<string, object>>(
                "const b = arguments[0].getBoundingClientRect(); return { x: b.x + b.width / 2, y: b.y + b.height / 2 }", element);
        return (Convert.ToDouble(box["x"], CultureInfo.InvariantCulture), Convert.ToDouble(box["y"], CultureInfo.InvariantCulture));
    }

    /// <summary>Presses keys where the focus is; one that begins with a modifier is pressed with it held.</summary>
    public void Press(params string[] keys)
    {
        var pressed = 0;
        foreach (var stroke in keys.SelectMany(KeyStrokes.Of))
        {
            pressed = browser.Tools.Begin("Input.dispatchKeyEvent", stroke, session);
        }

        if (pressed > 0)
        {
            browser.Tools.Wait(pressed);
        }
    }

    /// <summary>Steps that are pressed before it is looked at what they came to: the page need not be drawn for each.</summary>
    private const int StepsAtOnce = 8;

    /// <summary>Steps that are looked at one by one: what is near is often in a bubble that closes when it is left.</summary>
    private const int FirstSteps = 10;

    /// <summary>
    /// Presses Tab, or Shift with it, until the focus is on an element of a role and a name, as a screen reader tells them. Far off,
    /// the walk begins a few steps before it; that Tab comes to everything on a page is looked at once for each view.
    /// </summary>
    public void TabTo(string role, string name, bool back = false)
    {
        var (on, home) = back ? (Keys.Shift + Keys.Tab, Keys.Tab) : (Keys.Tab, Keys.Shift + Keys.Tab);
        var wanted = Plain(name);
        var seen = new List<string>();
        Unfold(role, name);
        if (Stepped(role, name, back) && Walked(on, FirstSteps, role, name, seen))
        {
            return;
        }

        // A grip is chosen by the focus, and what is not chosen may lose its grips: these are walked one by one.
        if (Walked(on, role == "slider" ? 200 : FirstSteps, role, name, seen))
        {
            return;
        }

        for (var steps = 0; steps < 200; steps += StepsAtOnce)
        {
            // Everything that the steps come to is noted in the page; one that may be meant is stepped back to, and
            // asked for its role and name.
            Evaluate(Passing);
            Press([.. Enumerable.Repeat(on, StepsAtOnce)]);
            var passed = ((JsonArray)JsonNode.Parse(Evaluate("JSON.stringify(window.passed)"))!).Select(p => (string)p!).ToList();
            seen.AddRange(passed.Select(p => p.Length > 60 ? p[..60] : p));
            for (var i = 0; i < passed.Count; i++)
            {
                if (!Plain(passed[i]).Contains(wanted, StringComparison.Ordinal))
                {
                    continue;
                }

                Press([.. Enumerable.Repeat(home, passed.Count - 1 - i)]);
                if (Stands(role, name) || Walked(on, StepsAtOnce, role, name, seen))
                {
                    return;
                }
            }
        }

        if (Walked(on, 160, role, name, seen))
        {
            return;
        }

        Assert.Fail($"Tab never came to {role} '{name}'. It came to:\n{string.Join('\n', seen.Distinct())}");

        static string Plain(string text) => text.Replace(" ", "", StringComparison.Ordinal);
    }

    /// <summary>Notes what the focus comes to from now on.</summary>
    private const string Passing =
        $$"""
        window.passed = [];
        if (!window.passing) {
          window.passing = {{TextsOf}};
          document.addEventListener('focusin', e => window.passed.push(window.passing(e.target)), true);
        }
        """;

    /// <summary>Everything that Tab stops at, in order.</summary>
    private const string Stops =
        """
        [...document.querySelectorAll('a[href], button, input, select, textarea, summary, [tabindex]')]
          .filter(e => e.tabIndex >= 0 && !e.disabled && e.checkVisibility({ visibilityProperty: true })
            && !(e.type === 'radio' && e.name && !e.checked))
        """;

    /// <summary>What Tab should stop at and does not come to, one line each.</summary>
    public IReadOnlyList<string> UnreachedByTab()
    {
        var stops = (int)(long)driver.ExecuteScript(
            $$"""
            document.activeElement.blur();
            window.stops = {{Stops}};
            window.stopped = new Set();
            document.addEventListener('focusin', e => window.stopped.add(e.target), true);
            return window.stops.length;
            """)!;
        const string Missed =
            "window.stops.filter(e => e.isConnected && !e.disabled && e.checkVisibility({ visibilityProperty: true }) "
                + "&& !window.stopped.has(e))";

        // What is chosen by the focus may show grips of its own on the way.
        for (var pressed = 0; pressed < 2 * stops + StepsAtOnce && Evaluate($"{Missed}.length") != "0"; pressed += StepsAtOnce)
        {
            Press([.. Enumerable.Repeat(Keys.Tab, StepsAtOnce)]);
        }

        return [.. ((JsonArray)JsonNode.Parse(Evaluate($"JSON.stringify({Missed}.map({TextsOf}))"))!)
            .Select(m => $"Tab does not come to '{m}'")];
    }

    /// <summary>Puts the focus a few steps before the next element of a role and a name, if it is far off; whether there is one.</summary>
    private bool Stepped(string role, string name, bool back)
    {
        var may = driver.ExecuteScript(
            $$"""
            const [selector, begins, back, near] = arguments, texts = {{TextsOf}}, stops = {{Stops}};
            const follows = (a, b) => !!(a.compareDocumentPosition(b) & Node.DOCUMENT_POSITION_FOLLOWING);
            if (back) stops.reverse();
            const at = document.activeElement, first = stops.findIndex(e => back ? follows(e, at) : follows(at, e));
            const turned = first < 0 ? stops : [...stops.slice(first), ...stops.slice(0, first)];
            // A bubble is walked into from what opened it: it may close when the focus comes from elsewhere.
            const walked = (e, i) => i < near || e.closest('.popover, [role=tooltip], [role=dialog]');
            return turned.flatMap((e, i) => e.matches(selector) && texts(e).includes(begins) ? [e, walked(e, i)
              ? null : turned[i - 2]] : []);
            """,
            Selector(role), name[..Math.Min(name.Length, 6)].Trim(), back, FirstSteps) as IReadOnlyList<object>;
        for (var i = 0; i < (may?.Count ?? 0); i += 2)
        {
            try
            {
                if (may![i] is WebElement found && found.ComputedAccessibleRole == role
                    && found.ComputedAccessibleLabel.StartsWith(name, StringComparison.Ordinal))
                {
                    if (may[i + 1] is { } before)
                    {
                        driver.ExecuteScript("arguments[0].focus()", before);
                    }

                    return true;
                }
            }
            catch (WebDriverException)
            {
                // It has just been replaced; the walk goes on without.
                return false;
            }
        }

        return false;
    }

    /// <summary>Steps one by one, looking at each.</summary>
    private bool Walked(string on, int steps, string role, string name, List<string> seen)
    {
        for (var i = 0; i < steps; i++)
        {
            Press(on);
            var passed = Evaluate($"({TextsOf})(document.activeElement)");
            seen.Add(passed.Length > 60 ? passed[..60] : passed);
            if (passed.Contains(name[..Math.Min(name.Length, 6)], StringComparison.Ordinal) && Stands(role, name))
            {
                return true;
            }
        }

        return false;
    }

    private bool Stands(string role, string name)
    {
        try
        {
            var focused = Focused;
            return focused.ComputedAccessibleRole == role && focused.ComputedAccessibleLabel.StartsWith(name, StringComparison.Ordinal);
        }
        catch (WebDriverException)
        {
            // What had the focus has just been replaced, by a new page or a new answer.
            return false;
        }
    }

    private string Evaluate(string script) =>
        (string?)browser.Tools.Send("Runtime.evaluate", new() { ["expression"] = script }, session)["result"]?["value"]?.ToString() ?? "";

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
                if (Script<string>("const s = document.activeElement; return s.selectedOptions?.[0]?.text ?? ''")
                    .StartsWith(choice, StringComparison.Ordinal))
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
        Press(Keys.Enter);
    }

    public void Click(string role, string name)
    {
        Unfold(role, name);
        var found = Find(role, name);
        driver.ExecuteScript("arguments[0].scrollIntoView({ block: 'center', behavior: 'instant' })", found);
        found.Click();
    }

    /// <summary>Everything in the page that may name an element, in one line.</summary>
    private const string TextsOf =
        """
        e => [e.getAttribute('aria-label'),
          (e.getAttribute('aria-labelledby') ?? '').split(' ').map(i => document.getElementById(i)?.textContent).join(' '),
          e.labels?.[0]?.textContent, e.textContent, e.title, e.alt,
            e.querySelector?.('img')?.alt].filter(Boolean).join(' ').replace(/\s+/g, ' ').trim()
        """;

    /// <summary>Opens what is folded away over an element of a role and a name, as a person would who looks for it.</summary>
    private void Unfold(string role, string name) => driver.ExecuteScript(
        $$"""
        const texts = {{TextsOf}},
          named = [...document.querySelectorAll(arguments[0])].filter(e => texts(e).includes(arguments[1])
          && !e.matches('summary'));
        if (!named.some(e => e.checkVisibility({ visibilityProperty: true })))
          for (const fold of new Set(named.map(e => e.closest('details:not([open])')))) fold?.querySelector('summary').click();
        """,
        Selector(role), name);

    /// <summary>The one element of a role whose name begins so.</summary>
    public IWebElement Find(string role, string name)
    {
        IWebElement? found = null;
        Waiting.Until(() => (found = MayBe(role, name).FirstOrDefault(e => Named(e, name))) is not null, $"{role} '{name}'");
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

    /// <summary>The elements of a role that may have a name: only they are asked how a screen reader tells them.</summary>
    private IEnumerable<IWebElement> MayBe(string role, string name) => (driver.ExecuteScript(
        $"const texts = {TextsOf}; return [...document.querySelectorAll(arguments[0])].filter(e => texts(e).includes(arguments[1]))",
        Selector(role), name[..Math.Min(name.Length, 6)].Trim()) as IEnumerable<IWebElement>) ?? [];

    /// <summary>What stands in a list, or in the rows of a table, of a name: its own label, or that of the part it is in. None
    /// where there is no such list.</summary>
    public IReadOnlyList<IWebElement> Items(string list) => [.. (driver.ExecuteScript(
        """
        const named = [...document.querySelectorAll('[aria-label]')].filter(e => e.ariaLabel.startsWith(arguments[0])),
          lists = named.map(e => e.matches('ol, ul, table') ? e : e.querySelector('ol, ul, table')).filter(Boolean);
        return [...(lists[0]?.querySelectorAll(':scope > li, :scope > tbody > tr') ?? [])];
        """,
        list) as IEnumerable<object> ?? []).Cast<IWebElement>()];

    /// <summary>Opens or shuts what is folded behind a line that begins so.</summary>
    public void Unfold(string summary)
    {
        const string Line =
            "const line = [...document.querySelectorAll('summary')].find(s => s.textContent.trim().startsWith(arguments[0]));";
        Waiting.Until(() => Script<bool>(Line + "return line !== undefined", summary), $"'{summary}'");
        Script<object?>(Line + "line.scrollIntoView({ block: 'center' }); line.click(); return null", summary);
    }

    public IReadOnlyCollection<IWebElement> All(string role) => driver.FindElements(By.CssSelector(Selector(role)));

    private static string Selector(string role) => role switch
    {
        "button" => "button, [role=button]",
        "link" => "a[href]",
        "textbox" => "input:not([type=color]), textarea",
        "combobox" => "select",
        "checkbox" => "input[type=checkbox]",
        "slider" => "[role=slider], input[type=range]",
        "list" => "ol, ul",
        "file" => "input[type=file]",
        _ => $"[role={role}]",
    };

    /// <summary>A picture of the page.</summary>
    public void Picture(string path)
    {
        Directory.CreateDirectory(Path.GetDirectoryName(path)!);
        ((ITakesScreenshot)driver).GetScreenshot().SaveAsFile(path);
    }

    /// <summary>What axe finds wrong, one line each.</summary>
    /// <param name="only">One rule; all of them where none is named.</param>
    public IReadOnlyList<string> AxeFindings(string? only = null)
    {
        var axe = File.ReadAllText(Path.Combine(WorkshopProcess.Root, "web", "node_modules", "axe-core", "axe.min.js"));
        if (Script<bool>("return !window.axe"))
        {
            driver.ExecuteScript(axe);
        }

        driver.Manage().Timeouts().AsynchronousJavaScript = TimeSpan.FromSeconds(60);
        var found = driver.ExecuteAsyncScript(
            """
            const done = arguments[arguments.length - 1];
            axe.run(document, { resultTypes: ['violations'], ...(arguments[0] ? { runOnly: [arguments[0]] } : {}) }).then(
              r => done(r.violations.flatMap(v => v.nodes.map(
                n => `${v.id}: ${n.target.join(' ')} ${n.failureSummary.replace(/\s+/g, ' ')}`))),
              e => done([`axe failed: ${e}`]));
            """,
            only ?? "");
        return [.. ((IReadOnlyCollection<object>)found!).Select(f => Convert.ToString(f, CultureInfo.InvariantCulture)!)];
    }

    /// <summary>
    /// Controls on the screen that do not answer at their own middle, that are cut off, or whose words are: one line each. A control
    /// that lies under a part that scrolls is brought into view first.
    /// </summary>
    public IReadOnlyList<string> DeadControls() =>
        [.. Script<IReadOnlyCollection<object>>(
            """
            const found = [];
            const name = e => `${e.tagName.toLowerCase()} '${(e.getAttribute('aria-label') || e.labels?.[0]?.textContent
              || e.textContent || e.title || '').replace(/\s+/g, ' ').trim().slice(0, 60)}'`;
            const scroller = e => { while (e && !/auto|scroll/.test(getComputedStyle(e).overflowY)) e = e.parentElement; return e; };
            const controls = [...document.querySelectorAll(
              'button, a[href], input, select, textarea, summary, [role=button], [role=slider]')];
            const shown = e => e.checkVisibility({ visibilityProperty: true, opacityProperty: true })
              && !e.closest('.visually-hidden, .visually-hidden-focusable') && e.type !== 'file' && !e.disabled;
            const boxes = controls.filter(shown).filter(e => !(e instanceof SVGElement)).map(e => [e, e.getBoundingClientRect()]);
            for (const [i, [a, p]] of boxes.entries()) for (const [b, q] of boxes.slice(i + 1)) {
              const [wide, high] = [Math.min(p.right, q.right) - Math.max(p.left, q.left), Math.min(p.bottom,
                q.bottom) - Math.max(p.top, q.top)];
              if (wide > 2 && high > 2 && !a.contains(b) && !b.contains(a) && p.top >= 0 && q.bottom <= innerHeight
                && scroller(a) === scroller(b)) found.push(`${name(a)} overlaps ${name(b)}`);
            }
            for (const e of controls.filter(shown)) {
              e.scrollIntoView({ block: 'nearest', inline: 'nearest', behavior: 'instant' });
              const b = e.getBoundingClientRect();
              if (b.width < 1 || b.height < 1) { found.push(`${name(e)} has no size`); continue; }
              const [x, y] = [b.x + b.width / 2, b.y + b.height / 2];
              if (x < 0 || y < 0 || x > innerWidth
                || y > innerHeight) { found.push(`${name(e)} lies off the screen at ${Math.round(x)}, ${Math.round(y)}`); continue; }
              const top = document.elementFromPoint(x, y);
              if (top !== e && !e.contains(top) && !(e.labels && [...e.labels].some(l => l.contains(top))))
                found.push(`${name(e)} lies under ${top
                  ? `${top.tagName.toLowerCase()}.${top.getAttribute('class') ?? ''} '${(top.textContent ?? '').slice(0, 30)}'`
                  : 'nothing'}`);
              if (e instanceof HTMLInputElement && ['text', ''].includes(e.type)) {
                const style = getComputedStyle(e);
                // Written as it is there, a placeholder in its own weight.
                const as = getComputedStyle(e, e.value ? null : '::placeholder');
                const probe = document.createElement('span');
                const text = e.value || e.placeholder;
                Object.assign(probe.style, { position: 'absolute', visibility: 'hidden', whiteSpace: 'pre',
                  fontSize: as.fontSize, fontWeight: as.fontWeight, fontFamily: as.fontFamily,
                  fontStyle: as.fontStyle, letterSpacing: as.letterSpacing,
                  fontVariantNumeric: as.fontVariantNumeric });
                probe.textContent = text;
                document.body.append(probe);
                const written = probe.getBoundingClientRect().width;
                probe.remove();
                const room = e.clientWidth - parseFloat(style.paddingLeft) - parseFloat(style.paddingRight);
                if (written > room + 1) found.push(`${name(e)} cuts its words '${text}'`);
                // A unit that stands in the same box must not stand over them.
                const unit = e.parentElement?.querySelector('.unit');
                if (unit
                  && e.getBoundingClientRect().x + parseFloat(style.paddingLeft) + written > unit.getBoundingClientRect().x + 1)
                  found.push(`${name(e)} has its unit over its words '${text}'`);
              }
            }
            scrollTo({ top: 0, behavior: 'instant' });
            for (const e of document.querySelectorAll('*')) if (e.scrollTop > 0) e.scrollTop = 0;
            return found;
            """).Cast<string>()];

    /// <summary>What the browser complained of; that pictures are read back often is the tests' own doing.</summary>
    public IReadOnlyList<string> Complaints() =>
    [
        .. driver.Manage().Logs.GetLog(LogType.Browser).Where(l => l.Level >= LogLevel.Warning).Select(l => l.Message)
            .Where(m => !m.Contains("willReadFrequently", StringComparison.Ordinal)),
    ];

    public void Dispose()
    {
        try
        {
            browser.Close(window, address);
        }
        catch
        {
            // One that does not answer any more is not left running.
            browser.Dispose();
            throw;
        }

        browser.GiveBack();
    }
}
