using System.Collections.Immutable;
using System.Text.Json.Serialization;
using MossLantern.Core.Materials;
using MossLantern.Core.Shapes;

namespace MossLantern.Core.Documents;

/// <summary>A whole piece as the artist plans it: one immutable document. Nothing in it is worked out; the chain works
/// out the rest.</summary>
/// <param name="Name">The piece's name.</param>
/// <param name="Ground">What the resin is poured on.</param>
/// <param name="Growth">How fine the map is grown; belongs to the piece so that a drag never changes it.</param>
/// <param name="Recipes">The colours it is poured from.</param>
/// <param name="Layers">Layers, lowest first.</param>
/// <param name="Sittings">What is poured in one go each.</param>
/// <param name="WavedOff">Findings the artist has waved off, and why; null for none.</param>
/// <param name="Kept">Zones that every layer keeps visible or bare; null for none.</param>
/// <param name="Lines">Walls, dams and lines of resin; null for none.</param>
/// <param name="Dries">What else has to dry before resin meets it; null for nothing.</param>
public sealed partial record Piece(
    string Name, Ground Ground, GrowthScale Growth, ImmutableArray<Recipe> Recipes, ImmutableArray<Layer> Layers,
    ImmutableArray<Sitting> Sittings,
    ImmutableArray<WavedOff>? WavedOff = null, ImmutableArray<ReservedSpot>? Kept = null, ImmutableArray<Line>? Lines = null,
    ImmutableArray<Drying>? Dries = null)
{
    /// <summary>The version of the document's layout that this program writes.</summary>
    public const int FormatVersion = 8;

    /// <summary>The same with nothing in it that names what is gone: each record says what of it dangles. A sitting
    /// that fills nothing goes.</summary>
    public Piece Mended()
    {
        var lines = Lines?.RemoveAll(l => !IsDrawnIn(l));
        lines = lines is not { IsEmpty: false } ? null : lines.Value.Length == Lines!.Value.Length ? Lines : lines;
        var own = (lines ?? []).ToLookup(l => l.LayerId ?? "");
        ImmutableArray<LinedLayer> lined = [.. Layers.Select(l => new LinedLayer(l, [.. own[l.Id]]))
            .Select(l => l with { Layer = l.Layer.Mended(l.There.Select(x => x.Region).ToHashSet()) })];
        var byId = lined.ToDictionary(l => l.Layer.Id);
        ImmutableArray<Layer> layers = [.. lined.Select(l => l.Layer)];

        // A second cup is there for what is poured from it, and goes with the last of that.
        var seconds = Poured(Recipes).SelectMany(s => s.Fills ?? []).Select(f => f.CupId).OfType<string>().ToHashSet();
        var recipes = Recipes.RemoveAll(r => r.SecondOf is not null && !seconds.Contains(r.Id));
        var sittings = Poured(recipes);
        ImmutableArray<Drying>? dries = Dries?.RemoveAll(d => Layers.All(l => l.Id != d.LayerId)) is { IsEmpty: false } left ? left : null;
        var ground = Ground.Paint is not null && Ground.Base?.Material.TakesPaint() == false ? Ground with { Paint = null } : Ground;
        ground = ground.Rubber?.RemoveAll(r => r.InsertId is { } insert && ground.Mould?.Insert(insert) is null) is { } rubber
            && rubber.Length < ground.Rubber.Value.Length ? ground with { Rubber = rubber.IsEmpty ? null : rubber } : ground;
        return layers.SequenceEqual(Layers) && recipes.Length == Recipes.Length && sittings.SequenceEqual(Sittings)
            && ReferenceEquals(ground, Ground) && lines?.Length == Lines?.Length
                && dries?.Length == Dries?.Length ? this
            : this with { Ground = ground, Layers = layers, Recipes = recipes, Sittings = sittings, Lines = lines, Dries = dries };

        ImmutableArray<Sitting> Poured(ImmutableArray<Recipe> from)
        {
            var known = from.ToDictionary(r => r.Id);
            return [.. Sittings.Select(s => s.Mended(byId, known)).Where(s => s.LayerIds.Any())];
        }
    }

    /// <summary>Whether what a line was drawn in is there still, be it put by.</summary>
    private bool IsDrawnIn(Line line) => line.Course is RoundCourse round ? (Kept ?? []).Any(k => k.Id == round.Spot)
        : line.In is { } drawn && Layers.FirstOrDefault(l => l.Id == line.LayerId) is { } layer && layer.LaidOutBy(drawn.Zone) is { } layout
            && layer.AsideIn(drawn.Zone).Append(layout).Any(l => LayoutKinds.Of(l) == drawn.Kind);

    /// <summary>A layer of it with its lines.</summary>
    public LinedLayer Lined(Layer layer)
    {
        ArgumentNullException.ThrowIfNull(layer);
        return new(layer, [.. (Lines ?? []).Where(l => l.LayerId == layer.Id)]);
    }

    /// <summary>A layer of it with its lines; null where it has no such layer.</summary>
    public LinedLayer? Lined(string layerId) => Layers.FirstOrDefault(l => l.Id == layerId) is { } layer ? Lined(layer) : null;

    /// <summary>What it reserves, with the dams round that.</summary>
    [JsonIgnore]
    public ImmutableArray<DammedSpot> Dammed => [.. (Kept ?? []).Select(k => new DammedSpot(k, DamOf(k.Id)?.Section.WidthMm))];

    /// <summary>The dam round a spot that it reserves; null for none.</summary>
    public Line? DamOf(string spotId) => (Lines ?? []).FirstOrDefault(l => l.Course is RoundCourse round && round.Spot == spotId);

    /// <summary>The same without the layouts that were put by in some layers: in one that has been poured there is
    /// nothing left to choose.</summary>
    /// <param name="layerIds">Ids of those layers; others may be among them.</param>
    public Piece WithoutAside(IEnumerable<string> layerIds)
    {
        var ids = layerIds.ToHashSet(StringComparer.Ordinal);
        return !Layers.Any(l => ids.Contains(l.Id) && l.HasAside) ? this : (this with
        {
            Layers = [.. Layers.Select(l => ids.Contains(l.Id) ? l.WithoutAside() : l)],
        }).Mended();
    }
}

/// <summary>A finding that the artist has looked at and let be.</summary>
/// <param name="Finding">The finding's key.</param>
/// <param name="Reason">Why.</param>
/// <param name="Grade">How much it weighed then; null where that is not known.</param>
/// <param name="Worth">How far it went then, in its own measure; null where that is not known, or where it has none.</param>
public sealed record WavedOff(string Finding, string Reason, Grade? Grade = null, double? Worth = null);

/// <summary>The scale at which a piece's map is grown.</summary>
/// <param name="GridMm">Spacing of the growth grid, mm.</param>
/// <param name="GrainMm">Wavelength of the waviness, mm.</param>
/// <remarks>Source: docs/craft/map.md, Grid.</remarks>
public sealed record GrowthScale(double GridMm, double GrainMm)
{
    /// <summary>Cells in a grid over the outline's box, about.</summary>
    public const double Cells = 55_000;

    /// <summary>The scale a new piece of this outline gets.</summary>
    public static GrowthScale For(Outline outline)
    {
        var side = Math.Sqrt(outline.BoxWidthMm * outline.BoxHeightMm);
        return new(
            Math.Round(side / Math.Sqrt(Cells), 3),
            Math.Round(Math.Clamp(0.17 * side, 25, 150), 1));
    }

    /// <summary>
    /// The scale to keep when a piece is saved with a new outline: this one, unless the outline's box has grown
    /// or shrunk so far that the grid would be needlessly coarse or slow.
    /// </summary>
    public GrowthScale Kept(Outline outline)
    {
        var fresh = For(outline);
        var ratio = GridMm / fresh.GridMm;
        return ratio is > 0.7 and < 1.45 ? this : fresh;
    }
}
