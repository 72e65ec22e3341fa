using System.Collections.Immutable;
using MossLantern.Core.Documents;
using MossLantern.Core.Map;
using MossLantern.Core.Mixing;
using MossLantern.Core.Shapes;

namespace MossLantern.Core.Edits;

/// <summary>A layer of a piece, or a zone of one, as a change of its layout meets it.</summary>
/// <param name="Before">The piece as it was.</param>
/// <param name="Piece">The piece as it is by now.</param>
/// <param name="LayerId">The layer.</param>
/// <param name="ZoneId">The zone of it; null for the layer as a whole.</param>
internal sealed record LaidOut(Piece Before, Piece Piece, string LayerId, string? ZoneId)
{
    /// <summary>Where it is; null where there is no such layer or zone.</summary>
    public static LaidOut? Of(Piece piece, string layerId, string? zoneId)
    {
        var layer = piece.Layers.FirstOrDefault(l => l.Id == layerId);
        return layer is null || (zoneId is not null && (layer.Zones ?? []).All(z => z.Id != zoneId)) ? null
            : new(piece, piece, layerId, zoneId);
    }

    /// <summary>The layer.</summary>
    public Layer Layer => Piece.Layers.Single(l => l.Id == LayerId);

    /// <summary>The zone; null for the layer as a whole.</summary>
    public Zone? Zone => ZoneId is null ? null : Layer.Zones!.Value.Single(z => z.Id == ZoneId);

    /// <summary>How it is laid out.</summary>
    public Layout Layout => Zone?.Layout ?? Layer.Layout;

    /// <summary>Layouts that were put by.</summary>
    public ImmutableArray<Layout> Aside => (ZoneId is null ? Layer.Aside : Zone!.Aside) ?? [];

    /// <summary>Where it stands in the document.</summary>
    public string Place => PlaceIn.LaidOut(LayerId, ZoneId);

    /// <summary>The box that it is laid out in.</summary>
    public PieceBox Box => Zone is { } zone
        ? new(zone.XMm, zone.YMm, zone.Outline.BoxWidthMm, zone.Outline.BoxHeightMm)
        : Layer.Within is { } id && Piece.Ground.Mould?.Insert(id) is { } insert
            ? new(insert.XMm, insert.YMm, insert.Outline.BoxWidthMm, insert.Outline.BoxHeightMm)
            : new(0, 0, Piece.Ground.MapOutline.BoxWidthMm, Piece.Ground.MapOutline.BoxHeightMm);

    /// <summary>Its lines, as it is laid out now.</summary>
    public IEnumerable<Line> Lines => Piece.Lined(Layer).There.Where(l => l.In!.Zone == ZoneId);

    /// <summary>A line of it that was drawn by hand, by its id; null where it has no such line.</summary>
    public (Line Line, DrawnCourse Course)? DrawnOf(string id) =>
        Lines.FirstOrDefault(l => l.Id == id) is { Course: DrawnCourse drawn } line ? (line, drawn) : null;

    /// <summary>A wall of it, by its id; null where it has no such wall that was drawn by hand.</summary>
    public (Line Line, Wall Wall)? WallOf(string id) => Lines.FirstOrDefault(l => l.Id == id) is { } line
        && Wall.Among([line]) is [var wall] ? (line, wall) : null;

    /// <summary>With a line more; the line is null where the piece has as many as it may.</summary>
    /// <param name="stem">What its id begins with.</param>
    /// <param name="course">How it runs.</param>
    /// <param name="section">How it is laid.</param>
    /// <param name="material">Of what.</param>
    public (LaidOut Laid, Line? Line) WithLine(string stem, Course course, Section section, LineMaterial material)
    {
        var all = Piece.Lines ?? [];
        if (all.Length >= Line.Most)
        {
            return (this, null);
        }

        var taken = all.Where(l => l.LayerId == LayerId).Select(l => l.Region.ToString()).Concat(Layer.RegionIds.Select(r => r.ToString()));
        var region = material is BarrierLine && Layout is PoolsLayout ? PoolsLayout.WallId.In(ZoneId)
            : stem is var own && !taken.Contains(RegionId.Parse(own).In(ZoneId).ToString()) ? RegionId.Parse(own).In(ZoneId)
            : RegionId.Parse(FreeId.Of(stem, taken.Select(r => RegionId.Parse(r).Own))).In(ZoneId);
        var line = new Line(FreeId.Of(stem, all.Select(l => l.Id)), region, course, section, material, LayerId,
            new(LayoutKinds.Of(Layout), ZoneId));
        return (this with { Piece = Piece with { Lines = all.Add(line) } }, line);
    }

    /// <summary>With a line as it is now.</summary>
    public LaidOut WithLine(Line was, Line now) => this with { Piece = Piece with { Lines = Piece.Lines!.Value.Replace(was, now) } };

    /// <summary>Without the lines of layouts of a kind.</summary>
    public LaidOut WithoutLinesOf(LayoutKind kind) => this with
    {
        Piece = Piece with { Lines = Piece.Lines?.RemoveAll(l => l.LayerId == LayerId && l.In == new LineIn(kind, ZoneId)) },
    };

    /// <summary>The colours that the layer is poured from, and those that nobody names yet.</summary>
    public ImmutableArray<Recipe> Cups => Piece.FilledBy(LayerId).Cups;

    /// <summary>It laid out otherwise.</summary>
    public LaidOut With(Layout layout) => With(layout, ZoneId is null ? Layer.Aside : Zone!.Aside);

    /// <summary>It laid out otherwise, with other layouts put by.</summary>
    public LaidOut With(Layout layout, ImmutableArray<Layout>? aside) => OnLayer(l => ZoneId is null
        ? l with { Layout = layout, Aside = aside }
        : l with { Zones = [.. l.Zones!.Value.Select(z => z.Id == ZoneId ? z with { Layout = layout, Aside = aside } : z)] });

    /// <summary>The layer changed.</summary>
    public LaidOut OnLayer(Func<Layer, Layer> change) =>
        this with { Piece = Piece with { Layers = [.. Piece.Layers.Select(l => l.Id == LayerId ? change(l) : l)] } };

    /// <summary>With a colour that the piece does not have yet, and its id.</summary>
    /// <param name="model">What it is to be; null for the next of the palette.</param>
    public (LaidOut Laid, string RecipeId) WithNew(Recipe? model = null)
    {
        var recipe = model ?? Palette.Next([.. Cups.Select(c => c.Name)]);
        var id = FreeId.Of("cup", Piece.Recipes.Select(r => r.Id));
        return (this with { Piece = Piece with { Recipes = Piece.Recipes.Add(recipe with { Id = id }) } }, id);
    }

    /// <summary>With a colour of the piece, or one that it does not have yet.</summary>
    /// <param name="recipeId">The colour; null for a new one.</param>
    /// <returns>Null where the piece has no such colour.</returns>
    public (LaidOut Laid, string RecipeId)? WithColour(string? recipeId) =>
        recipeId is null ? WithNew() : Piece.Recipes.FirstOrDefault(r => r.Id == recipeId) is { } known ? (this, known.FirstId) : null;

    /// <summary>With clear resin: the layer's own, the piece's, or a new one.</summary>
    public (LaidOut Laid, string RecipeId) WithClear()
    {
        var (piece, id) = ClearIn(Piece, Cups);
        return (this with { Piece = piece }, id);
    }

    /// <summary>At least so many colours that are mixed by themselves.</summary>
    public (LaidOut Laid, ImmutableArray<string> RecipeIds) WithColours(int count)
    {
        var laid = this;
        ImmutableArray<string> own = [.. Cups.Where(c => c.Of is null && c.SecondOf is null && c.Colourant is not null).Select(c => c.Id)];
        while (own.Length < count)
        {
            (laid, var id) = laid.WithNew();
            own = own.Add(id);
        }

        return (laid, own);
    }

    /// <summary>The piece with the change made: orders of pours name regions that are there, and colours that the
    /// change let go of are gone.</summary>
    /// <param name="made">The place of what was made anew, counted from what is laid out; null for nothing.</param>
    public Edited Done(string? made = null) => new(Settle.Of(Before, Piece), null, made is null ? null : $"{Place}.{made}");

    /// <summary>The piece with the change made, and the place of what was made anew.</summary>
    public Edited DoneAt(string place) => Done() with { Place = place };

    /// <summary>A piece with clear resin among some of its colours.</summary>
    public static (Piece Piece, string RecipeId) ClearIn(Piece piece, ImmutableArray<Recipe> among)
    {
        if ((among.FirstOrDefault(r => r.IsClear) ?? piece.Recipes.FirstOrDefault(r => r.IsClear)) is { } known)
        {
            return (piece, known.FirstId);
        }

        var ids = piece.Recipes.Select(r => r.Id).ToList();
        var clear = Recipe.Clear(ids.Contains("clear") ? FreeId.Of("clear", ids) : "clear");
        return (piece with { Recipes = piece.Recipes.Add(clear) }, clear.Id);
    }
}
