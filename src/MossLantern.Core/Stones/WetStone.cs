using System.Collections.Immutable;
using MossLantern.Core.Map;
using MossLantern.Core.Units;

namespace MossLantern.Core.Stones;

/// <summary>What clear resin does to the look of a stone.</summary>
public enum Wetting
{
    /// <summary>Brighter, and of a stronger colour.</summary>
    Brightens,

    /// <summary>Darker, and of a stronger colour, as a pebble in water.</summary>
    Deepens,

    /// <summary>Darker and duller: the white that was in its dry faces is gone.</summary>
    Dulls,

    /// <summary>Hardly to be seen: it breaks the light as resin does.</summary>
    Hides,

    /// <summary>As it was dry.</summary>
    Keeps,
}

/// <summary>How a class of stones looks dry, and in clear resin.</summary>
/// <param name="Dry">Its colour while it is dry, as <c>#rrggbb</c>.</param>
/// <param name="Does">What clear resin does to it.</param>
/// <param name="AcrossMm">How large one is to be drawn, mm.</param>
/// <param name="IsRound">Whether it is drawn round: beads and pearls.</param>
/// <remarks>Source: docs/craft/stones.md, Dry and in resin. Colours and sizes are ours, for drawing alone.</remarks>
public sealed record WetStone(string Dry, Wetting Does, double AcrossMm, bool IsRound = false)
{
    private static readonly ImmutableDictionary<string, WetStone> Classes = new Dictionary<string, WetStone>
    {
        ["crushed-glass"] = new("#dfe8e6", Wetting.Hides, 3),
        ["fire-glass"] = new("#6aa3ad", Wetting.Deepens, 9),
        ["mirror-glass"] = new("#c9d0d4", Wetting.Keeps, 6),
        ["quartz-points"] = new("#ece7df", Wetting.Hides, 13),
        ["quartz-chips"] = new("#b58fb0", Wetting.Deepens, 6),
        ["resin-stones"] = new("#9fc0a8", Wetting.Keeps, 9),
        ["glass-beads"] = new("#b5d0d8", Wetting.Hides, 5, true),
        ["pearls"] = new("#f5efe6", Wetting.Dulls, 5, true),
        ["shell"] = new("#d9c3b0", Wetting.Brightens, 8),
        ["sand"] = new("#f2ead8", Wetting.Dulls, 1.2),
    }.ToImmutableDictionary(StringComparer.Ordinal);

    /// <summary>So much of what hides is gone in resin.</summary>
    private const double Gone = 0.8;

    /// <summary>How a typical class of stones looks; null for what is none.</summary>
    /// <param name="stoneId">Its id in the catalogue.</param>
    public static WetStone? Of(string stoneId) => Classes.GetValueOrDefault(stoneId);

    /// <summary>Its colour in resin.</summary>
    /// <param name="around">What the resin round it looks like.</param>
    public Colour In(Colour around)
    {
        var dry = Colour.Of(Dry);
        return Does switch
        {
            Wetting.Brightens => With(dry, 6, 1.35),
            Wetting.Deepens => With(dry, -7, 1.4),
            Wetting.Dulls => With(dry, -14, 0.8),
            Wetting.Hides => dry.Mix(around, Gone),
            _ => dry,
        };
    }

    /// <summary>Its colour in clear resin over white, to be told of it by itself.</summary>
    public string InClear => In(new(1, 1, 1)).ToHex();

    private static Colour With(Colour dry, double lighter, double stronger)
    {
        var lab = Lab.Of(dry);
        var (r, g, b) = new Lab(Math.Clamp(lab.L + lighter, 0, 100), lab.A * stronger, lab.B * stronger).ToColour();
        return new(Math.Clamp(r, 0, 1), Math.Clamp(g, 0, 1), Math.Clamp(b, 0, 1));
    }
}
