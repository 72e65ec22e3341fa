using System.Collections.Immutable;
using System.Globalization;
using System.Text.Json.Serialization;
using MossLantern.Core.Shapes;

namespace MossLantern.Core.Documents;

/// <summary>How a layer, or a zone of it, is laid out where it is not rings from hearts.</summary>
/// <remarks>Source: docs/craft/layouts.md.</remarks>
public abstract record Layout
{
    /// <summary>Whether it lays out the layer's bands; else it has regions of its own.</summary>
    [JsonIgnore]
    public virtual bool UsesBands => false;

    /// <summary>The cups it names itself.</summary>
    [JsonIgnore]
    public abstract IEnumerable<string> CupIds { get; }

    /// <summary>The regions it names itself, for an order of pours.</summary>
    [JsonIgnore]
    public abstract IEnumerable<RegionId> RegionIds { get; }

    /// <summary>All that its map depends on, as one text.</summary>
    [JsonIgnore]
    internal abstract string Key { get; }

    /// <summary>A text that is the same for the same values.</summary>
    private protected static string Text(params ReadOnlySpan<object?> values)
    {
        var parts = new string[values.Length];
        for (var i = 0; i < parts.Length; i++)
        {
            parts[i] = values[i] is double number
                ? number.ToString("R", CultureInfo.InvariantCulture)
                : Convert.ToString(values[i], CultureInfo.InvariantCulture) ?? "";
        }

        return string.Join('/', parts);
    }
}

/// <summary>
/// The layer's bands as lines laid from the rim inward on a film of clear; the innermost, which fills the rest, is poured
/// last and pushes them out.
/// </summary>
/// <param name="StartCup">Cup of the film they are laid on.</param>
/// <param name="StartMm">Thickness of that film, mm; part of the layer's depth.</param>
/// <param name="WavinessMm">How far the lines wander, mm.</param>
/// <param name="Seed">Seed of the waviness.</param>
/// <remarks>Source: docs/craft/layouts.md, Rim-to-middle lines.</remarks>
public sealed record LinesLayout(string StartCup, double StartMm, double WavinessMm, int Seed) : Layout
{
    /// <summary>Id of the region of the film.</summary>
    public static RegionId StartId { get; } = "start";

    /// <inheritdoc/>
    [JsonIgnore]
    public override bool UsesBands => true;

    /// <inheritdoc/>
    [JsonIgnore]
    public override IEnumerable<string> CupIds => [StartCup];

    /// <inheritdoc/>
    [JsonIgnore]
    public override IEnumerable<RegionId> RegionIds => [StartId];

    internal override string Key => Text("lines", StartCup, WavinessMm, Seed);
}

/// <summary>The layer's bands as rings round a middle, drawn through with a tool while the film sets.</summary>
/// <param name="XMm">Middle, mm from the left.</param>
/// <param name="YMm">Middle, mm from the top.</param>
/// <param name="Petals">How many strokes of the tool, evenly round.</param>
/// <param name="PullMm">How far a stroke drags the colour along, mm.</param>
/// <param name="Inward">Whether the tool is drawn towards the middle; else away from it.</param>
/// <param name="ToolMm">Width of what the tool drags along, mm.</param>
/// <param name="TurnDeg">Where the first stroke lies, degrees clockwise from the right.</param>
/// <remarks>Source: docs/craft/layouts.md, Petals.</remarks>
public sealed record PetalsLayout(double XMm, double YMm, int Petals, double PullMm, bool Inward, double ToolMm, double TurnDeg) : Layout
{
    /// <inheritdoc/>
    [JsonIgnore]
    public override bool UsesBands => true;

    /// <inheritdoc/>
    [JsonIgnore]
    public override IEnumerable<string> CupIds => [];

    /// <inheritdoc/>
    [JsonIgnore]
    public override IEnumerable<RegionId> RegionIds => [];

    internal override string Key => Text("petals", XMm, YMm, Petals, PullMm, Inward, ToolMm, TurnDeg);
}

/// <summary>Fields of a few colours, each colour in several places spread out over the piece, none beside itself.</summary>
/// <param name="Fields">How many fields.</param>
/// <param name="Colours">Cups of the colours.</param>
/// <param name="Seed">Seed of their shapes and places.</param>
/// <param name="Moved">Fields whose centre was moved by hand; null for none.</param>
/// <param name="Recoloured">Fields whose colour was chosen by hand; null for none.</param>
/// <param name="Vein">A highlight vein along their borders; null for none.</param>
/// <remarks>Source: docs/craft/layouts.md, Fields in threes.</remarks>
public sealed record FieldsLayout(
    int Fields, ImmutableArray<string> Colours, int Seed,
    ImmutableArray<FieldPlace>? Moved = null, ImmutableArray<FieldColour>? Recoloured = null, FieldVein? Vein = null) : Layout
{
    /// <summary>Id of the region of the vein.</summary>
    public static RegionId VeinId { get; } = "vein";

    /// <inheritdoc/>
    [JsonIgnore]
    public override IEnumerable<string> CupIds =>
        [.. Colours, .. (Recoloured ?? []).Select(r => r.Cup), .. Vein is null ? Array.Empty<string>() : [Vein.Cup]];

    /// <inheritdoc/>
    [JsonIgnore]
    public override IEnumerable<RegionId> RegionIds => [.. Enumerable.Range(1, Fields).Select(RegionId.OfField), VeinId];

    internal override string Key => string.Join('|',
        [
            Text("fields", Fields, Seed, Vein?.Cup, Vein?.WidthMm, Vein?.ThicknessMm), .. Colours,
            .. (Moved ?? []).Select(m => Text(m.Field, m.XMm, m.YMm)),
            .. (Recoloured ?? []).Select(r => Text(r.Field, r.Cup)),
        ]);
}

/// <summary>Where a field's centre was moved to.</summary>
/// <param name="Field">Which field, from 1.</param>
/// <param name="XMm">mm from the left.</param>
/// <param name="YMm">mm from the top.</param>
public sealed record FieldPlace(int Field, double XMm, double YMm);

/// <summary>The colour that was chosen for a field by hand.</summary>
/// <param name="Field">Which field, from 1.</param>
/// <param name="Cup">Its cup.</param>
public sealed record FieldColour(int Field, string Cup);

/// <summary>A highlight vein laid on the wet fields along their borders.</summary>
/// <param name="Cup">Its cup.</param>
/// <param name="WidthMm">Width, mm.</param>
/// <param name="ThicknessMm">Thickness, mm: it comes on top of the fields.</param>
public sealed record FieldVein(string Cup, double WidthMm, double ThicknessMm);

/// <summary>Pools between walls that were drawn by hand.</summary>
/// <param name="Strokes">The walls.</param>
/// <param name="BeadMm">Width of the bead they are laid as, mm.</param>
/// <param name="Pools">The cups of the pools, each by a spot that lies in its pool.</param>
/// <remarks>Source: docs/craft/layouts.md, Pools.</remarks>
public sealed record PoolsLayout(ImmutableArray<Stroke> Strokes, double BeadMm, ImmutableArray<PoolColour> Pools) : Layout
{
    /// <summary>Id of the region that the beads take up.</summary>
    public static RegionId WallId { get; } = "wall";

    /// <inheritdoc/>
    [JsonIgnore]
    public override IEnumerable<string> CupIds => Pools.Select(p => p.Cup);

    /// <inheritdoc/>
    [JsonIgnore]
    public override IEnumerable<RegionId> RegionIds => Pools.Select(p => (RegionId)p.Id);

    internal override string Key => string.Join('|',
        [
            Text("pools", BeadMm),
            .. Strokes.Select(s => string.Join(' ', s.Spots.Select(p => Text(p.XMm, p.YMm)))),
            .. Pools.Select(p => Text(p.Id, p.XMm, p.YMm, p.Cup)),
        ]);
}

/// <summary>One wall, drawn by hand.</summary>
/// <param name="Id">Stable id, unique in the layout.</param>
/// <param name="Spots">Its course; an end near a wall, the rim or its own beginning joins on there.</param>
public sealed record Stroke(string Id, ImmutableArray<Spot> Spots);

/// <summary>The cup of a pool.</summary>
/// <param name="Id">Stable id, unique in the layout; also the id of the pool's region.</param>
/// <param name="XMm">A spot in the pool, mm from the left.</param>
/// <param name="YMm">mm from the top.</param>
/// <param name="Cup">Its cup.</param>
public sealed record PoolColour(string Id, double XMm, double YMm, string Cup);

/// <summary>Colours poured in turn in one place, perhaps tilted afterwards.</summary>
/// <param name="XMm">Where they are poured, mm from the left.</param>
/// <param name="YMm">mm from the top.</param>
/// <param name="Pours">The pours in turn.</param>
/// <param name="TiltDeg">Where it is tilted to, degrees clockwise from the right.</param>
/// <param name="TiltPercent">How much longer it grows along the tilt, %; 0 for not tilted.</param>
/// <param name="RestCup">Cup of what lies outside the puddle; null where nothing is poured there.</param>
/// <remarks>Source: docs/craft/layouts.md, Puddle.</remarks>
public sealed record PuddleLayout(
    double XMm, double YMm, ImmutableArray<PuddlePour> Pours, double TiltDeg = 0, double TiltPercent = 0, string? RestCup = null) : Layout
{
    /// <summary>Id of the region outside the puddle.</summary>
    public static RegionId RestId { get; } = "rest";

    /// <inheritdoc/>
    [JsonIgnore]
    public override IEnumerable<string> CupIds => [.. Pours.Select(p => p.Cup), .. RestCup is null ? Array.Empty<string>() : [RestCup]];

    /// <inheritdoc/>
    [JsonIgnore]
    public override IEnumerable<RegionId> RegionIds => [.. Pours.Select(p => (RegionId)p.Id), RestId];

    internal override string Key => string.Join('|',
        [Text("puddle", XMm, YMm, TiltDeg, TiltPercent, RestCup), .. Pours.Select(p => Text(p.Id, p.Cup, p.Ml))]);
}

/// <summary>One pour of a puddle.</summary>
/// <param name="Id">Stable id, unique in the layout; also the id of its region.</param>
/// <param name="Cup">Its cup.</param>
/// <param name="Ml">How much, ml.</param>
public sealed record PuddlePour(string Id, string Cup, double Ml);

/// <summary>A ground colour with streaks of a mixed cup poured through it.</summary>
/// <param name="GroundCup">Cup of the ground colour.</param>
/// <param name="StreakCup">The mixed cup.</param>
/// <param name="StreakPercent">Share of the area that the streaks take up, %.</param>
/// <param name="Blend">From 0, the mixed cup's colours side by side, to 1, one even colour.</param>
/// <param name="DirectionDeg">Where the streaks run, degrees clockwise from the right.</param>
/// <param name="Seed">Seed of the streaks.</param>
/// <remarks>Source: docs/craft/layouts.md, Marble.</remarks>
public sealed record MarbleLayout(string GroundCup, string StreakCup, double StreakPercent, double Blend, double DirectionDeg, int Seed) : Layout
{
    /// <summary>Id of the region of the ground colour.</summary>
    public static RegionId GroundId { get; } = "ground";

    /// <summary>Id of the region of the streaks.</summary>
    public static RegionId StreakId { get; } = "streaks";

    /// <inheritdoc/>
    [JsonIgnore]
    public override IEnumerable<string> CupIds => [GroundCup, StreakCup];

    /// <inheritdoc/>
    [JsonIgnore]
    public override IEnumerable<RegionId> RegionIds => [GroundId, StreakId];

    internal override string Key => Text("marble", GroundCup, StreakCup, StreakPercent, DirectionDeg, Seed);
}

/// <summary>One colour, or clear, over all.</summary>
/// <param name="Cup">Its cup.</param>
/// <remarks>Source: docs/craft/layouts.md, Flood.</remarks>
public sealed record FloodLayout(string Cup) : Layout
{
    /// <summary>Id of its region.</summary>
    public static RegionId FloodId { get; } = "flood";

    /// <inheritdoc/>
    [JsonIgnore]
    public override IEnumerable<string> CupIds => [Cup];

    /// <inheritdoc/>
    [JsonIgnore]
    public override IEnumerable<RegionId> RegionIds => [FloodId];

    internal override string Key => Text("flood", Cup);
}
