using MossLantern.Core.Documents;
using MossLantern.Web.Demo;
using NodaTime;

namespace MossLantern.Web.Tests;

/// <summary>The documents of the demo's pieces, for what is to hold for every kind of piece.</summary>
internal static class DemoDocuments
{
    private static readonly LocalDateTime Morning = new(2027, 3, 1, 9, 30);

    public static IEnumerable<(string Name, Piece Piece)> All =>
    [
        ("marsh light", DemoPieces.MarshLight()),
        ("bogbean round", DemoPieces.BogbeanRound()),
        ("bracken slice", DemoPieces.BrackenSlice(Morning, Morning.PlusHours(-12))),
        ("peat pool", DemoPieces.PeatPool()),
        ("marigold dozen", DemoPieces.MarigoldDozen()),
        ("sundew pair", DemoPieces.SundewPair(Morning)),
        ("old kiln", DemoPieces.OldKiln()),
        ("sphagnum pools", DemoPieces.SphagnumPools()),
        ("water mint", DemoPieces.WaterMint()),
        ("heron tray", DemoPieces.HeronTray()),
        ("rain ring", DemoPieces.RainRing()),
    ];
}
