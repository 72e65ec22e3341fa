using System.Collections.Immutable;
using System.Text.Json.Serialization;
using MossLantern.Core.Documents;
using MossLantern.Core.Grounds;
using MossLantern.Core.Map;
using MossLantern.Core.Materials;
using MossLantern.Core.Painting;
using MossLantern.Core.Timeline;
using MossLantern.Core.Units;
using NodaTime;

namespace MossLantern.Core.Checks;

/// <summary>How much a finding weighs.</summary>
public enum Grade
{
    /// <summary>Somebody or the piece gets hurt.</summary>
    Stop,

    /// <summary>The plan will not come out as drawn.</summary>
    Mend,

    /// <summary>Worth a thought.</summary>
    Mind,
}

/// <summary>Where a finding is.</summary>
/// <param name="Station">The station that decides it.</param>
/// <param name="LayerId">The layer, or null for the whole piece.</param>
/// <param name="XMm">Where on the map, mm from the left; null where it is nowhere on it.</param>
/// <param name="YMm">Where on the map, mm from the top.</param>
public sealed record FindingPlace(string Station, string? LayerId = null, double? XMm = null, double? YMm = null);

/// <summary>A change that answers a finding.</summary>
/// <param name="Id">Stable id, unique in the finding.</param>
/// <param name="Label">What a press does, in words; <c>{0}</c> stands for <paramref name="Mm"/>.</param>
/// <param name="Field">The field to go to, for what only the person can say; null where the change is made by the press.</param>
/// <param name="Apply">The change; the piece itself where the person has to say something.</param>
/// <param name="Mm">A length in the label, for the person's own units, mm; null where there is none.</param>
public sealed record Remedy(
    string Id, string Label, string? Field, [property: JsonIgnore] Func<Piece, Piece> Apply, double? Mm = null)
{
    /// <summary>A change made by a press.</summary>
    public static Remedy Change(string id, string label, Func<Piece, Piece> apply, double? mm = null) => new(id, label, null, apply, mm);

    /// <summary>A change of the ground, made by a press.</summary>
    public static Remedy OnGround(string id, string label, Func<Ground, Ground> apply, double? mm = null) =>
        Change(id, label, piece => piece with { Ground = apply(piece.Ground) }, mm);

    /// <summary>A change of a layer, made by a press.</summary>
    public static Remedy OnLayer(string id, string label, string layerId, Func<FilledLayer, FilledLayer> apply, double? mm = null) =>
        Change(id, label, piece => piece.With(apply(piece.FilledBy(layerId))), mm);

    /// <summary>A field to be filled in by the person.</summary>
    public static Remedy Ask(string id, string label, string field) => new(id, label, field, piece => piece);
}

/// <summary>Something that the second look sees.</summary>
/// <param name="Check">Id of the check.</param>
/// <param name="Key">The check with its place: stays the same while the finding does.</param>
/// <param name="Grade">How much it weighs.</param>
/// <param name="Title">What it is, in two or three words.</param>
/// <param name="Reason">Why it matters, in one sentence; <c>{0}</c>, <c>{1}</c> stand for its numbers.</param>
/// <param name="Numbers">The numbers of the reason, each open to its formula.</param>
/// <param name="Place">Where it is.</param>
/// <param name="Remedies">What can be done about it; at least one.</param>
/// <param name="WavedOff">Why the artist let it be; null where nobody did.</param>
public sealed record Finding(
    string Check, string Key, Grade Grade, string Title, string Reason, ImmutableArray<Reckoned> Numbers, FindingPlace Place,
    ImmutableArray<Remedy> Remedies, string? WavedOff = null);

/// <summary>What a check looks at: a piece with everything worked out for it.</summary>
/// <param name="Piece">The piece.</param>
/// <param name="Ground">What was worked out for its ground.</param>
/// <param name="Layers">What was worked out for its layers, lowest first.</param>
/// <param name="Around">What it was worked out in.</param>
/// <param name="Mapper">Lays out what a remedy would change.</param>
public sealed record Looked(Piece Piece, GroundPlan Ground, ImmutableArray<LayerPlan> Layers, Surroundings Around, LayerMapper Mapper)
{
    /// <summary>Whether any layer is still to be poured.</summary>
    public bool MoreToPour => Layers.Any(l => !l.Poured);

    /// <summary>Whether nothing has been poured yet: only then can what lies below still be changed.</summary>
    public bool Bare => Layers.All(l => !l.Poured);
}

/// <summary>One judgement call.</summary>
public interface ICheck
{
    /// <summary>Its stable id.</summary>
    string Id { get; }

    /// <summary>What it sees.</summary>
    IEnumerable<Finding> Look(Looked looked);
}

/// <summary>The second look over a piece.</summary>
/// <remarks>Source: docs/craft/checks.md.</remarks>
public static class SecondLook
{
    /// <summary>Every check.</summary>
    public static ImmutableArray<ICheck> Checks { get; } =
    [
        new TiltCheck(), new LevelUnknownCheck(), new BowCheck(), new CanvasSagCheck(), new PaintOilCheck(), new WetGlueCheck(), new LeakyCheck(), new ReliefBelowCheck(),
        new TwinsCheck(), new MudCheck(), new BareGroundCheck(), new NoHomeCheck(),
        new OneSideCheck(), new DullFieldCheck(), new FloodsBareCheck(), new NearMissCheck(), new RimRoomCheck(), new HeartOutsideCheck(), new LayerEarlyCheck(),
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
