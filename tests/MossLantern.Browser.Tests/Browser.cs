using System.Collections.Concurrent;
using System.Text.Json.Nodes;
using OpenQA.Selenium;
using OpenQA.Selenium.Chrome;

namespace MossLantern.Browser.Tests;

/// <summary>A real browser without a monitor. It is kept for the next page, which finds nothing of what the one before
/// has kept in it.</summary>
internal sealed class Browser : IDisposable
{
    private static readonly ConcurrentBag<Browser> Idle = [];

    private readonly string profile = Directory.CreateTempSubdirectory("moss-lantern-profile-").FullName;
    private readonly string first, firstSession;

    private Browser()
    {
        var options = new ChromeOptions { BinaryLocation = "/usr/bin/chromium" };
        options.AddArguments(
            "--headless=new", "--no-sandbox", "--disable-gpu", "--disable-software-rasterizer", "--disable-quic",
            "--no-first-run", "--lang=en-US",
            "--disable-background-networking", "--disable-component-update", "--disable-sync",
            "--disable-dev-shm-usage", "--disable-extensions",

            // One site is open at a time, and seldom for long: what keeps sites apart, and what compiles for the long run, only takes time.
            "--disable-site-isolation-trials", "--no-zygote", "--in-process-gpu", "--js-flags=--no-maglev",
            "--disable-backgrounding-occluded-windows", "--disable-renderer-backgrounding",
            $"--user-data-dir={profile}");
        options.SetLoggingPreference(LogType.Browser, LogLevel.All);
        Driver = new ChromeDriver(ChromeDriverService.CreateDefaultService("/usr/bin", "chromedriver"), options);
        first = Driver.CurrentWindowHandle;
        var told = (Dictionary<string, object>)Driver.Capabilities.GetCapability("goog:chromeOptions")!;
        Tools = DevTools.Of((string)told["debuggerAddress"]);
        firstSession = (string)Tools.Send("Target.attachToTarget", new() { ["targetId"] = first, ["flatten"] = true })["sessionId"]!;
    }

    public ChromeDriver Driver { get; }

    public DevTools Tools { get; }

    /// <summary>A browser that is idle, or a new one.</summary>
    public static Browser Take() => Idle.TryTake(out var browser) ? browser : new();

    /// <summary>Keeps a browser for the next page.</summary>
    public void GiveBack() => Idle.Add(this);

    /// <summary>Ends all that are idle.</summary>
    public static void EndAll()
    {
        while (Idle.TryTake(out var browser))
        {
            browser.Dispose();
        }
    }

    /// <summary>The window, turned to.</summary>
    public (string Window, string Session) Open()
    {
        _ = Driver.Manage().Logs.GetLog(LogType.Browser);
        return (first, firstSession);
    }

    /// <summary>Leaves the page, and forgets everything that its pages have kept in the browser.</summary>
    public void Close(string window, Uri address)
    {
        Driver.Navigate().GoToUrl("about:blank");
        Tools.Send("Storage.clearDataForOrigin",
            new() { ["origin"] = address.GetLeftPart(UriPartial.Authority), ["storageTypes"] = "all" }, firstSession);
    }

    public void Dispose()
    {
        Tools.Dispose();
        Driver.Dispose();
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
