using System.Globalization;
using OpenQA.Selenium;

namespace MossLantern.Browser.Tests;

/// <summary>What is read from the page of a map.</summary>
internal static class MapPage
{
    /// <summary>A page of a piece, once it is painted and kept.</summary>
    public static Page Opened(WorkshopProcess workshop, string path)
    {
        var page = new Page(workshop.Address);
        page.Open(path);
        page.WaitForPainting();
        page.WaitUntilKept();
        return page;
    }

    public static double Value(Page page, string slider) => double.Parse(
        page.Find("slider", slider).GetAttribute("aria-valuenow")!, CultureInfo.InvariantCulture);

    public static string Areas(Page page) => string.Join('|', page.All("button")
        .Select(b => b.GetAttribute("aria-label") ?? "").Where(l => l.StartsWith("Area of", StringComparison.Ordinal)));

    /// <summary>What to mix for the amber cup, ml.</summary>
    public static int Mix(Page page) => Number(page.Find("button", "Mix for amber").GetAttribute("aria-label")!, ": ");

    /// <summary>The reserve as the cup row tells it, %.</summary>
    public static int Reserve(Page page) => Number(page.Text, "hatched: reserve, ");

    public static int Number(string text, string after)
    {
        var rest = text[(text.IndexOf(after, StringComparison.Ordinal) + after.Length)..];
        return int.Parse(rest[..rest.IndexOf(' ', StringComparison.Ordinal)], CultureInfo.InvariantCulture);
    }

    /// <summary>The vessel of a cup in the cup row.</summary>
    public static IWebElement Glass(Page page, string cup) =>
        page.Items("Cups, in pour order").Select(c => c.FindElement(By.TagName("button")))
            .Single(b => b.Text.StartsWith(cup, StringComparison.Ordinal)).FindElement(By.TagName("svg"));

    /// <summary>How many bands, stripes or rings are listed, with the heart's bed.</summary>
    public static int Bands(Page page) =>
        new[] { "Bands, from", "Stripes, from", "Rings, from" }.Sum(list => page.Items(list).Count);

    public static List<string> BandNames(Page page) =>
        [.. page.Script<IReadOnlyCollection<object>>("return [...document.querySelectorAll('.bands .band-name')].map(n => n.textContent)")
            .Select(n => (string)n)];

    public static List<double> Frames(Page page) =>
        [.. page.Script<IReadOnlyCollection<object>>("return performance.getEntriesByName('hand-to-paint').map(e => e.duration)")
            .Select(d => Convert.ToDouble(d, CultureInfo.InvariantCulture)).Order()];
}
