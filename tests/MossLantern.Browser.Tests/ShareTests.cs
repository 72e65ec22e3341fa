using OpenQA.Selenium;

namespace MossLantern.Browser.Tests;

/// <summary>Versions by name, compared; a copy in another colourway; paper and files; a piece back from a file.</summary>
public sealed class ShareTests(SharedWorkshop shared) : WorkshopCase(shared)
{
    [Fact]
    public async Task A_version_is_named_compared_and_taken_up_and_a_copy_stands_on_the_shelf()
    {
        using var page = NewPage();
        page.Open(Own("/pieces/water-mint/map"));
        page.WaitForText("Laid out as");
        page.WaitForPainting();
        page.TabTo("link", "Versions, colourways, paper");
        page.Press(Keys.Enter);
        page.WaitForText("No version has a name yet.");
        page.Write("Name it as it is now", "Nine petals");
        page.WaitForText("the one it shows");
        Assert.Empty(page.AxeFindings());

        page.Open(Own("/pieces/water-mint/map"));
        page.WaitForText("Strokes of the tool");
        page.WaitForPainting();
        page.Write("Strokes of the tool", "5");
        page.WaitUntilKept();
        page.Open(Own("/pieces/water-mint/share"));
        page.WaitForText("Take up again");
        Waiting.Until(
            () => page
                .Script<bool>(
                    "return [...document.querySelectorAll('.compared img')].length === 2 && "
                        + "[...document.querySelectorAll('.compared img')].every(i => i.complete && i.naturalWidth > 0)"),
            "both pictures");
        page.TabTo("slider", "Where one ends");
        page.Press(Keys.ArrowLeft);
        Waiting.Until(() => page.Focused.GetAttribute("aria-valuetext") == "49 % Nine petals", "the seam to move");
        page.Choose("How they are shown", "side by side");
        page.WaitForText("side by side");
        Assert.Empty(page.AxeFindings());
        page.TabTo("button", "Take up again: Nine petals");
        page.Press(Keys.Enter);
        using var client = Workshop.Client;
        Waiting.Until(
            () => client.GetStringAsync($"api/pieces/{Copy("water-mint")}/piece.json").GetAwaiter().GetResult()
                .Contains("\"petals\":9", StringComparison.Ordinal), "nine petals again");

        page.Click("button", "In place of heather");
        page.Write("or typed", "#b8506a");
        page.Click("button", "Done");
        page.Write("Name of the copy", "Rose Mint");
        page.TabTo("button", "Put the copy on the shelf");
        page.Press(Keys.Enter);
        page.WaitForText("Rose Mint");
        page.WaitForText("Laid out as");
        Assert.Contains("#b8506a",
            await client
            .GetStringAsync($"api{new Uri(page.Driver.Url).AbsolutePath.Replace("/map", "/piece.json", StringComparison.Ordinal)}"),
            StringComparison.Ordinal);
        Assert.Empty(page.Complaints());
    }

    [Fact]
    public async Task A_piece_goes_out_as_a_file_and_comes_in_again_and_a_bad_one_is_refused_beside_the_field()
    {
        using var client = Workshop.Client;
        var folder = Directory.CreateTempSubdirectory("moss-lantern-file-").FullName;
        var good = Path.Combine(folder, "piece.json");
        var bad = Path.Combine(folder, "bad.json");
        await File.WriteAllTextAsync(good, (await client.GetStringAsync("api/pieces/rain-ring/piece.json"))
            .Replace("Rain Ring", "Rain From A File", StringComparison.Ordinal));
        await File.WriteAllTextAsync(bad, "{ \"format\": \"something else\" }");
        using var page = NewPage();
        page.Open("/new");
        page.WaitForText("Or bring a piece from a file");
        var input = page.Driver.FindElement(By.Id("from-file"));
        input.SendKeys(bad);
        page.WaitForText("This is not a Moss Lantern piece.");
        Assert.Empty(page.AxeFindings());
        page.Driver.FindElement(By.Id("from-file")).SendKeys(good);
        page.WaitForText("Rain From A File");
        page.WaitForText("one puddle of many colours");
        Directory.Delete(folder, recursive: true);

        page.Open(Own("/pieces/rain-ring/share"));
        page.WaitForText("Template as PDF");
        page.Choose("on", "Letter");
        Waiting.Until(
            () => page.Find("link", "Template as PDF")
                .GetAttribute("href")!.Contains("paper=Letter&grid=false", StringComparison.Ordinal), "the paper to be asked for");
    }
}
