using System.Globalization;
using MossLantern.Core.Documents;
using MossLantern.Core.Grounds;

namespace MossLantern.Core.Checks;

/// <summary>The panels of a set one after the other; a single piece is one.</summary>
internal static class PanelsOf
{
    /// <summary>Each panel with its reading, how it stands, and what it is called in a sentence.</summary>
    public static IEnumerable<(int Panel, LevelReading? Reading, Standing Standing, string Named)> Each(Looked looked)
    {
        var (ground, plan) = (looked.Piece.Ground, looked.Ground);
        string Named(int panel) => ground.Set is null ? "" : string.Create(CultureInfo.InvariantCulture, $" of panel {panel}");
        yield return (1, ground.Level, plan.Standing, Named(1));
        foreach (var other in plan.Panels ?? [])
        {
            yield return (other.Panel, ground.LevelOf(other.Panel), other.Standing, Named(other.Panel));
        }
    }

    /// <summary>A finding's key; the first panel's is that of a single piece.</summary>
    public static string Key(string key, int panel) =>
        panel == 1 ? key : string.Create(CultureInfo.InvariantCulture, $"{key}/panel-{panel}");
}
