using MossLantern.Core.Documents;

namespace MossLantern.Core.Edits;

/// <summary>Another pour of a puddle, of a colour of its own.</summary>
/// <param name="Layer">The layer.</param>
/// <param name="Zone">The zone of it; null for the layer as a whole.</param>
public sealed record AddPour(string Layer, string? Zone) : LayoutEdit<PuddleLayout>(Layer, Zone)
{
    /// <inheritdoc/>
    public override string Words(Piece before) => "add a pour";

    private protected override Edited Change(LaidOut laid, PuddleLayout layout, Cupboard cupboard)
    {
        var (with, recipe) = laid.WithNew();
        var pour = new PuddlePour(FreeId.Of("pour", layout.Pours.Select(p => p.Id)), recipe, layout.Pours[^1].Ml);
        return with.With(layout with { Pours = layout.Pours.Add(pour) }).Done($"layout.pours[{pour.Id}]");
    }
}
