using System.Collections.Immutable;
using MossLantern.Core.Documents;
using MossLantern.Core.Units;

namespace MossLantern.Core.Checks;

/// <summary>The second look over a piece.</summary>
/// <remarks>Source: docs/craft/checks.md.</remarks>
public static class SecondLook
{
    /// <summary>Every check.</summary>
    public static ImmutableArray<ICheck> Checks { get; } =
    [
        new TiltCheck(), new LevelUnknownCheck(), new BowCheck(), new CanvasSagCheck(), new CanvasBareCheck(),
        new PaintOilCheck(), new WetGlueCheck(), new LeakyCheck(), new ReliefBelowCheck(),
        new TwinsCheck(), new MudCheck(), new BareGroundCheck(), new NoHomeCheck(),
        new OneSideCheck(), new DullFieldCheck(), new FloodsBareCheck(), new NearMissCheck(), new RimRoomCheck(),
        new HeartOutsideCheck(), new LayerEarlyCheck(), new TooColdCheck(),
        new TooDeepCheck(), new CupTooBigCheck(), new ClockCheck(), new LoadHighCheck(), new WaterPaintCheck(),
        new SinksCheck(), new GlitterRunsCheck(), new RecoatClosedCheck(), new AsleepCheck(),
        new OverfillCheck(), new RunsShortCheck(), new LeftOverCheck(), new HidesInlayCheck(),
        new PartOutsideCheck(), new DripsCheck(), new HeavyCheck(), new ThinColourCheck(), new UnevenSetCheck(), new ManyFloodsCheck(),
        new LinePinnedCheck(), new TapeStockCheck(), new EdgeUntapedCheck(), new UndercutCheck(),
    ];

    /// <summary>What was let be is told again when it goes further by more than this share, not when a number moves.</summary>
    public const double WorseBy = 0.1;

    private static bool Worse(Finding finding, WavedOff let) =>
        finding.Grade < let.Grade || (finding.Worth is { } now && let.Worth is { } then && now > then + WorseBy * Math.Abs(then));

    private static IEnumerable<Finding> Looked(ICheck check, Looked looked)
    {
        Effort.Check();
        return check.Look(looked);
    }

    /// <summary>A name may hold what stands for a number in a sentence: it is said with brackets that look alike.</summary>
    private static Looked Said(Looked looked)
    {
        static string Plain(string name) => name.Replace('{', '❴').Replace('}', '❵');
        return looked with
        {
            Piece = Said(looked.Piece, Plain),
            Layers = [.. looked.Layers.Select(l => l.Regions.All(r => r.Name == Plain(r.Name))
                && l.Waits.All(w => w.What == Plain(w.What)) ? l
                : l with
                {
                    Regions = [.. l.Regions.Select(r => r with { Name = Plain(r.Name) })],
                    Waits = [.. l.Waits.Select(w => w with { What = Plain(w.What) })],
                })],
        };
    }

    private static Piece Said(Piece piece, Func<string, string> plain)
    {
        return piece with
        {
            Name = plain(piece.Name),
            Kept = piece.Kept is { } kept ? [.. kept.Select(k => k with { Name = plain(k.Name) })] : null,
            Recipes = [.. piece.Recipes.Select(r => r with { Name = plain(r.Name) })],
            Layers =
            [
                .. piece.Layers.Select(l => l with
                {
                    Name = plain(l.Name),
                    Zones = l.Zones is { } zones ? [.. zones.Select(z => z with { Name = plain(z.Name) })] : null,
                }),
            ],
        };
    }

    /// <summary>All findings, the gravest first; those waved off carry their reason and come last.</summary>
    public static ImmutableArray<Finding> Over(Looked looked)
    {
        ArgumentNullException.ThrowIfNull(looked);
        looked = Said(looked);
        return Told(looked.Piece, Checks.SelectMany(c => Looked(c, looked)));
    }

    /// <summary>The findings of a plan, with those that the hour brings: nothing that is kept depends on it.</summary>
    /// <param name="looked">What was looked at.</param>
    /// <param name="found">What was found without asking for the hour.</param>
    /// <param name="now">When this is asked.</param>
    public static ImmutableArray<Finding> At(Looked looked, ImmutableArray<Finding> found, NodaTime.Instant now)
    {
        ArgumentNullException.ThrowIfNull(looked);
        looked = Said(looked);
        Finding[] late = [.. new[] { WetGlueCheck.NotBegun(looked, now), WetGlueCheck.LinesNotBegun(looked, now) }.OfType<Finding>()];
        return late.Length > 0 ? Told(looked.Piece, found.Concat(late)) : found;
    }

    private static ImmutableArray<Finding> Told(Piece piece, IEnumerable<Finding> findings)
    {
        var waved = (piece.WavedOff ?? []).ToLookup(w => w.Finding);
        return
        [
            .. findings.Select(f => f with { WavedOff = waved[f.Key].LastOrDefault() is { } let && !Worse(f, let) ? let.Reason : null })
                .OrderBy(f => f.WavedOff is not null).ThenBy(f => f.Grade),
        ];
    }
}
