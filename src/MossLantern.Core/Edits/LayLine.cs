using MossLantern.Core.Documents;
using MossLantern.Core.Materials;
using MossLantern.Core.Mixing;

namespace MossLantern.Core.Edits;

/// <summary>A line of resin along the border of two regions, or along all borders of a layout: of a colour that is named, of a metallic
/// one that is there, or of a new one.</summary>
/// <param name="Layer">The layer.</param>
/// <param name="Zone">The zone of it; null for the layer as a whole.</param>
/// <param name="First">One region, in its own layout; null for all borders.</param>
/// <param name="Second">The other; null for all borders.</param>
/// <param name="Recipe">The colour; null for a metallic one.</param>
public sealed record LayLine(string Layer, string? Zone, RegionId? First = null, RegionId? Second = null, string? Recipe = null)
    : LayoutEdit(Layer, Zone)
{
    /// <summary>How wide and thick a line of resin is laid where nobody says otherwise, mm.</summary>
    public const double WidthMm = 3, ThicknessMm = 1;

    /// <inheritdoc/>
    public override string Words(Piece before) => First is null ? "lay a vein" : "lay a line";

    private protected override Edited Change(LaidOut laid, Cupboard cupboard)
    {
        if (Recipe is not null && laid.Piece.Recipes.All(r => r.Id != Recipe))
        {
            return Edited.No(PlaceIn.Recipe(Recipe), "That colour is no longer there.");
        }

        if ((First is null) != (Second is null) || First == Second && First is not null
            || new[] { First, Second }.OfType<RegionId>().Any(r => !laid.Layout.RegionIds.Contains(r)))
        {
            return Edited.No($"{laid.Place}.layout", "A line runs along the border of two regions that are there.");
        }

        var metal = Recipe ?? laid.Cups.FirstOrDefault(c => c.Colourant == ColourantClass.MetallicPaste)?.Id;
        var (with, recipe) = metal is null ? laid.WithNew(Palette.Gilt) : (laid, metal);
        return With(with, recipe, First is { } first ? new BorderCourse(first, Second!.Value) : new AllBordersCourse());
    }

    /// <summary>A line of a colour along a course.</summary>
    internal static Edited With(LaidOut laid, string recipe, Course course)
    {
        var (with, line) = laid.WithLine(
            course is AllBordersCourse ? "vein" : "line", course, new(WidthMm, ThicknessMm), new ResinLine(recipe));
        return line is null ? Edited.No("lines", $"A piece has up to {Line.Most} lines.") : with.DoneAt(line.Place);
    }
}
