using MossLantern.Core.Documents;
using MossLantern.Core.Units;

namespace MossLantern.Core.Edits;

/// <summary>A narrow band, a vein or a small pour of a colour comes between two regions that touch.</summary>
/// <param name="Layer">The layer.</param>
/// <param name="First">One region; of two bands, the one nearer the middle.</param>
/// <param name="Second">The other.</param>
/// <param name="Recipe">The colour.</param>
public sealed record PutBetween(string Layer, RegionId First, RegionId Second, string Recipe) : LayoutEdit(Layer, null)
{
    /// <summary>Width of the band or the vein, mm.</summary>
    public const double WidthMm = 3;

    private const double PourMl = 5;

    /// <inheritdoc/>
    public override string Words(Piece before) => $"put {Colour(before, Recipe)} between";

    private protected override Edited Change(LaidOut laid, Cupboard cupboard) =>
        laid.Piece.Recipes.All(r => r.Id != Recipe) ? Edited.No(PlaceIn.Recipe(Recipe), "That colour is no longer there.")
        : TakesVein(laid) ? LayLine.With(laid, Recipe, new AllBordersCourse())
        : In(laid.Layout, First, Second, Recipe) is { } to ? laid.With(to).Done()
        : Edited.No($"{laid.Place}.layout", "There is no way, or no room, to put a colour between these two.");

    /// <summary>Whether it is fields that have no line along all their borders yet: that comes between any two.</summary>
    private static bool TakesVein(LaidOut laid) =>
        laid.Layout is FieldsLayout && laid.Lines.All(l => l.Course is not AllBordersCourse);

    /// <summary>A layout with a colour between two of its regions; null where there is no way or no room.</summary>
    public static Layout? In(Layout layout, RegionId first, RegionId second, string recipe) => layout switch
    {
        BandedLayout banded when BandBetween(banded, first, second) is { } at && banded.Bands.Length < Accepted.BandCount.To => banded with
        {
            Bands = banded.Bands.Insert(at, new(
                FreeId.Of("line", banded.Bands.Select(b => b.Id)),
                Math.Max(Accepted.BandMm.From, WidthMm / Math.Pow(banded.Widening, at)), false, recipe)),
        },
        PuddleLayout puddle when puddle.Pours.Length < PuddleValidator.MostPours && Pour(puddle, first) is { } one
            && Pour(puddle, second) is { } other => puddle with
            {
                Pours = puddle.Pours.Insert(Math.Max(one, other), new(FreeId.Of("pour", puddle.Pours.Select(p => p.Id)), recipe, PourMl)),
            },
        _ => null,
    };

    /// <summary>Number of the band further out, from 0, where both are bands; what lies inside it is the band before,
    /// or the hearts' bed.</summary>
    private static int? BandBetween(BandedLayout banded, RegionId first, RegionId second) =>
        banded.Bands.Select(b => b.Region).ToList().IndexOf(second) is >= 0 and var at
        && (at == 0 ? first == RegionId.Heart : first == banded.Bands[at - 1].Region) ? at : null;

    private static int? Pour(PuddleLayout puddle, RegionId id) =>
        puddle.Pours.Select(p => p.Region).ToList().IndexOf(id) is >= 0 and var at ? at : null;
}
