using System.Net.Http.Json;

namespace MossLantern.Browser.Tests;

/// <summary>Weighing at the bench, with the scale's stand-in.</summary>
public sealed class WeighTests(SharedWorkshop shared) : WorkshopCase(shared)
{
    private static void Steer(WorkshopProcess workshop, double onItG, string behaves = "well")
    {
        using var client = workshop.Client;
        client.PutAsJsonAsync("api/stand-ins/scale",
            new { onItG, pourGPerS = 0, pourToG = 0, driftGPerMin = 0, leanG = 0, jumpG = 0, behaves }).GetAwaiter()
        .GetResult().EnsureSuccessStatusCode();
    }

    private static void Shows(Page page, string grams) =>
        Waiting.Until(() => page.TextOf(".weigh-now") == grams, () => $"{grams}; it shows {page.TextOf(".weigh-now")}");

    [Fact]
    public void Resin_then_hardener_then_colourants_by_the_space_bar_and_it_survives_a_reload()
    {
        using var own = OwnWorkshop();
        using var page = new Page(own.Address);
        Steer(own, 0);
        page.Open("/pieces/bogbean-round/weigh/layer-1");
        page.WaitForText("Resin");
        Shows(page, "0.0g");
        Steer(own, 100);
        Shows(page, "100.0g");
        page.WaitForText("g more.");

        // Too little is asked about once.
        page.Press(" ");
        page.WaitForText("That is too little: press once more");
        Steer(own, 140);
        Shows(page, "140.0g");
        page.WaitForText("Good.");
        page.Press(" ");
        page.WaitForText("Hardener");

        // The scale was set to nothing: hardener goes by the resin that is really in.
        Shows(page, "0.0g");
        page.WaitForText("120.7");
        Steer(own, 140 + 130);
        page.WaitForText("Too much. Add");
        page.WaitForText("the batch grows to");
        page.Open("/pieces/bogbean-round/weigh/layer-1");
        page.WaitForText("Hardener");
        Shows(page, "130.0g");
        Steer(own, 140 + 120);
        Shows(page, "120.0g");
        page.WaitForText("140.0 of 140.9 g");
        page.Press(" ");
        page.WaitForText("into the cup of spring water");
        Assert.Empty(page.AxeFindings());

        // Stalled it is told; dead it is typed instead.
        Steer(own, 300, "stalls");
        page.WaitForText("The scale has said nothing new for 2 seconds.");
        Steer(own, 300, "dead");
        page.WaitForText("No scale is answering: type what it shows.");
        page.Write("The scale shows", "0.13");
        page.Click("button", "Next: opaque paste");
        page.WaitForText("into the cup of petal");
        page.Click("button", "Weigh the last again");
        page.WaitForText("into the cup of spring water");
        Assert.Empty(page.Complaints());
    }

    [Fact]
    public void In_marked_cups_the_two_lines_are_shown_and_nothing_is_read()
    {
        using var own = OwnWorkshop();
        using var page = new Page(own.Address);
        page.Open("/pieces/sphagnum-pools/cups");
        page.WaitForText("Weigh it out");
        page.Click("link", "Weigh it out");
        page.WaitForText("into the jug of batch 1");
        Assert.Equal(2, page.Script<long>("return document.querySelectorAll('.two-cups-line').length"));
        page.Click("button", "Next: hardener");
        page.WaitForText("Hardener");
        Assert.Equal("hardener",
            page.Script<string>("return document.querySelector('.two-cups [data-now] .two-cups-name').textContent.split(' ')[0]"));
        page.Click("button", "Start afresh");
        page.WaitForText("Resin");
        Assert.Empty(page.AxeFindings());
        Assert.Empty(page.Complaints());
    }

    [Fact]
    public void The_scale_is_steered_from_the_stand_ins()
    {
        using var own = OwnWorkshop();
        using var page = new Page(own.Address);
        page.Open("/stand-ins");
        page.WaitForText("Bench scale");
        page.Write("Really on it", "12.34");
        page.WaitForText("It shows 12.3 g.");
        page.Click("button", "Pour 5 g on");
        page.WaitForText("It shows 17.3 g.");
        page.Click("button", "Take everything off");
        page.WaitForText("It shows 0.0 g.");
        page.Choose("How it behaves", "is dead");
        page.WaitForText("No scale answers.");
        Assert.Empty(page.Complaints());
        page.Write("Leans on it with", "50000");
        page.WaitForText("Leaning must be from -20000 to 20000 g");
    }
}
