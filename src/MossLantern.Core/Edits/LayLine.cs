using MossLantern.Core.Documents;
using MossLantern.Core.Materials;
using MossLantern.Core.Mixing;
using MossLantern.Core.Shapes;

namespace MossLantern.Core.Edits;

/// <summary>What a line is laid of.</summary>
public enum LineOf
{
    /// <summary>Resin.</summary>
    Resin,

    /// <summary>Granules in resin.</summary>
    Paste,

    /// <summary>Raised outliner.</summary>
    Relief,

    /// <summary>What holds resin back: as the wall before it, or as the person usually lays walls.</summary>
    Wall,
}

/// <summary>A line along a border, along all borders of a layout, drawn by hand or round: of resin or paste of a colour that is named,
/// of a metallic one that is there, or of a new one; of raised outliner; or a wall. Between pools a wall is drawn by hand.</summary>
/// <param name="Layer">The layer.</param>
/// <param name="Zone">The zone of it; null for the layer as a whole.</param>
/// <param name="Course">How it runs; null for along all borders.</param>
/// <param name="Of">Of what.</param>
/// <param name="Recipe">The colour; null for a metallic one, and for paste for clear resin in a cup of the pastes' own.</param>
/// <param name="WidthMm">How wide it is laid, mm; null for as usual.</param>
public sealed record LayLine(string Layer, string? Zone, Course? Course = null, LineOf Of = LineOf.Resin, string? Recipe = null,
    double? WidthMm = null)
    : LayoutEdit(Layer, Zone)
{
    /// <summary>How wide and thick a line of resin is laid where nobody says otherwise, mm.</summary>
    public const double UsualMm = 3, ThicknessMm = 1;

    /// <summary>How wide and high a line of paste is piped, mm.</summary>
    public const double PasteWidthMm = 8, PasteHeightMm = 5;

    /// <summary>How wide and high a line of outliner stands up, mm.</summary>
    public const double ReliefWidthMm = 3, ReliefHeightMm = 1.5;

    /// <summary>The granules of a paste, and the colour of a raised line, where nobody says otherwise.</summary>
    public const string UsualGranules = "crushed-glass", UsualReliefColour = "#c9a227";

    /// <summary>A paste is mixed fresh, and so in a cup of its own: what that is called.</summary>
    public const string PasteName = "resin for the paste";

    /// <inheritdoc/>
    public override string Words(Piece before) => Of == LineOf.Wall ? "lay a wall" : Course is null ? "lay a vein" : "lay a line";

    private protected override Edited Change(LaidOut laid, Cupboard cupboard)
    {
        if (Recipe is not null && laid.Piece.Recipes.All(r => r.Id != Recipe))
        {
            return Edited.No(PlaceIn.Recipe(Recipe), "That colour is no longer there.");
        }

        if (Course is BorderCourse border && (border.First == border.Second
            || new[] { border.First, border.Second }.Any(r => !laid.Layout.RegionIds.Contains(r))))
        {
            return Edited.No($"{laid.Place}.layout", "A line runs along the border of two regions that are there.");
        }

        if (Course is RoundCourse || (Course is DrawnCourse drawn && !DrawWall.MayBeDrawn(drawn.Spots)))
        {
            return Edited.No("lines", DrawWall.Sentence);
        }

        var course = Course is DrawnCourse hand ? new DrawnCourse([.. DrawWall.Thinned(hand.Spots).Select(Rounded.Tenth)])
            : Course ?? new AllBordersCourse();
        switch (Of)
        {
            case LineOf.Wall:
                return course is not DrawnCourse && laid.Layout is PoolsLayout
                    ? Edited.No("lines", "Between pools a wall is drawn by hand, from rim to rim or round.")
                    : DrawWall.Along(laid, course, cupboard, WidthMm);
            case LineOf.Relief:
                return Laid(laid, "relief", course, new(WidthMm ?? ReliefWidthMm, ReliefHeightMm),
                    new ReliefLine(BarrierClass.Outliner, UsualReliefColour));
            case LineOf.Paste:
                var stone = cupboard.Catalogue.Materials.First(m => m.Kind == MaterialKind.Stone && !m.PutAway).Id;
                var (clear, of) = (Recipe ?? laid.Lines.Select(l => (l.Material as PasteLine)?.RecipeId)
                    .FirstOrDefault(r => r is not null)) is { } own
                    ? (laid, own) : laid.WithNew(Documents.Recipe.Clear("") with { Name = PasteName });
                return Laid(clear, "paste", course, new(WidthMm ?? PasteWidthMm, PasteHeightMm),
                    new PasteLine(of, [new(cupboard.Catalogue.Find(MaterialKind.Stone, UsualGranules)?.Id ?? stone, 1)],
                        PasteStiffness.Holds));
            default:
                var metal = Recipe ?? laid.Cups.FirstOrDefault(c => c.Colourant == ColourantClass.MetallicPaste)?.Id;
                var (with, recipe) = metal is null ? laid.WithNew(Palette.Gilt) : (laid, metal);
                return With(with, recipe, course, WidthMm);
        }
    }

    /// <summary>A line of a colour along a course.</summary>
    internal static Edited With(LaidOut laid, string recipe, Course course, double? widthMm = null) =>
        Laid(laid, course is AllBordersCourse ? "vein" : "line", course, new(widthMm ?? UsualMm, ThicknessMm), new ResinLine(recipe));

    private static Edited Laid(LaidOut laid, string stem, Course course, Section section, LineMaterial material)
    {
        var (with, line) = laid.WithLine(stem, course, section, material);
        return line is null ? Edited.No("lines", $"A piece has up to {Line.Most} lines.") : with.DoneAt(line.Place);
    }
}
