namespace MossLantern.Web.Tests;

/// <summary>The demo is looked over with nothing said that should not be, and nothing left unsaid that should.</summary>
public sealed class DemoFindingTests : IDisposable
{
    private readonly TestHost host = new(demo: true);

    public void Dispose() => host.Dispose();

    public static TheoryData<string, string[]> Meant => new()
    {
        { "marsh-light", [] },
        { "peat-pool", [] },
        { "marigold-dozen", [] },
        { "old-kiln", [] },
        { "sphagnum-pools", ["overfill@layer-1/eye", "level-unknown@ground", "dull-field@layer-1/sweep"] },
        { "water-mint", ["level-unknown@ground", "dull-field@layer-1/leaf-rim"] },
        { "heron-tray", ["leaky@ground", "level-unknown@ground"] },
        { "rain-ring", ["level-unknown@ground"] },
        { "bogbean-round", ["level-unknown@ground", "twins@layer-1/heart+white-line", "bare-ground@layer-1"] },
        { "sundew-pair", ["wet-glue@layer-1/leaf-line", "level-unknown@ground", "level-unknown@ground/panel-2"] },
        { "bracken-slice", ["leaky@ground", "level-unknown@ground"] },
    };

    [Theory]
    [MemberData(nameof(Meant))]
    public async Task A_piece_of_the_demo_has_the_findings_it_is_meant_to_have(string piece, string[] keys)
    {
        var findings = (await host.Get($"/api/pieces/{piece}"))["plan"]!["findings"]!.AsArray();
        Assert.Equal(keys, findings.Select(f => (string)f!["key"]!));
        Assert.All(findings, f => Assert.NotEmpty(f!["remedies"]!.AsArray()));
    }

    [Fact]
    public async Task Every_piece_of_the_demo_is_meant()
    {
        Assert.Equal(Meant.Select(m => m.Data.Item1).Order(), (await host.List("/api/pieces")).Select(p => (string)p!["id"]!).Order());
    }
}
