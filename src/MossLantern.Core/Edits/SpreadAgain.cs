using MossLantern.Core.Documents;
using MossLantern.Core.Map;
using MossLantern.Core.Units;

namespace MossLantern.Core.Edits;

/// <summary>Fields are laid out again, by the next seed whose colours lie on no one side.</summary>
/// <param name="Layer">The layer.</param>
public sealed record SpreadAgain(string Layer) : LayoutEdit(Layer, null)
{
    /// <summary>Seeds that are tried.</summary>
    public const int MostSeeds = 25;

    private const int Seeds = 100_000;

    /// <inheritdoc/>
    public override string Words(Piece before) => "lay out the fields again";

    private protected override Edited Change(LaidOut laid, Cupboard cupboard)
    {
        if (laid.Layout is not FieldsLayout layout)
        {
            return Edited.No($"{laid.Place}.layout", "It is laid out differently now.");
        }

        var box = laid.Box;
        LaidOut By(int seed) =>
            laid.With(layout with { Seed = (int)(((long)layout.Seed + seed) % Seeds), Moved = null, Recoloured = null });
        for (var i = 1; cupboard.Mapper is { } mapper && i <= MostSeeds; i++)
        {
            Effort.Check();
            var spread = By(i);
            if (FieldSpread.Bunched(FieldSpread.Placed(mapper.Map(spread.Piece, spread.Piece.FilledBy(laid.LayerId))), box).Count == 0)
            {
                return spread.Done();
            }
        }

        return By(1).Done();
    }
}
