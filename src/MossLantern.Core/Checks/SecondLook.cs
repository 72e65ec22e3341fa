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
        new TiltCheck(), new LevelUnknownCheck(), new BowCheck(), new CanvasSagCheck(), new PaintOilCheck(), new WetGlueCheck(), new LeakyCheck(), new ReliefBelowCheck(),
        new TwinsCheck(), new MudCheck(), new BareGroundCheck(), new NoHomeCheck(),
        new OneSideCheck(), new DullFieldCheck(), new FloodsBareCheck(), new NearMissCheck(), new RimRoomCheck(), new HeartOutsideCheck(), new LayerEarlyCheck(), new TooColdCheck(),
    ];

    private static IEnumerable<Finding> Looked(ICheck check, Looked looked)
    {
        Effort.Check();
        return check.Look(looked);
    }

    /// <summary>A name may hold what stands for a number in a sentence: it is said with brackets that look alike.</summary>
    private static Piece Said(Piece piece)
    {
        static string Plain(string name) => name.Replace('{', '❴').Replace('}', '❵');
        return piece with
        {
            Name = Plain(piece.Name),
            Kept = piece.Kept is { } kept ? [.. kept.Select(k => k with { Name = Plain(k.Name) })] : null,
            Recipes = [.. piece.Recipes.Select(r => r with { Name = Plain(r.Name) })],
            Layers =
            [
                .. piece.Layers.Select(l => l with
                {
                    Name = Plain(l.Name),
                    Zones = l.Zones is { } zones ? [.. zones.Select(z => z with { Name = Plain(z.Name) })] : null,
                }),
            ],
        };
    }

    /// <summary>All findings, the gravest first; those waved off carry their reason and come last.</summary>
    public static ImmutableArray<Finding> Over(Looked looked)
    {
        ArgumentNullException.ThrowIfNull(looked);
        looked = looked with { Piece = Said(looked.Piece) };
        var waved = (looked.Piece.WavedOff ?? []).ToLookup(w => w.Finding, w => w.Reason);
        return
        [
            .. Checks.SelectMany(c => Looked(c, looked))
                .Select(f => f with { WavedOff = waved[f.Key].LastOrDefault() })
                .OrderBy(f => f.WavedOff is not null).ThenBy(f => f.Grade),
        ];
    }
}
