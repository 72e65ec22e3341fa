using MossLantern.Core.Documents;

namespace MossLantern.Core.Edits;

/// <summary>Another seed: a heart's shape, the waviness of lines, the places of fields or the streaks of a marble grow
/// differently.</summary>
/// <param name="Layer">The layer.</param>
/// <param name="Zone">The zone of it; null for the layer as a whole.</param>
/// <param name="Heart">The heart that is to grow differently; null for the layout itself.</param>
public sealed record GrowDifferently(string Layer, string? Zone, string? Heart = null) : LayoutEdit(Layer, Zone)
{
    private const int Seeds = 100_000;

    /// <inheritdoc/>
    public override string Words(Piece before) => "grow it differently";

    private protected override Edited Change(LaidOut laid, Cupboard cupboard) => laid.Layout switch
    {
        RingsLayout rings when rings.Hearts.ToList().FindIndex(h => h.Id == Heart) is >= 0 and var at =>
            laid.With(rings
                with
            { Hearts = rings.Hearts.SetItem(at, rings.Hearts[at] with { Seed = Next(rings.Hearts[at].Seed) }) }).Done(),
        StripesLayout lines => laid.With(lines with { Seed = Next(lines.Seed) }).Done(),
        FieldsLayout fields => laid.With(fields with { Seed = Next(fields.Seed), Moved = null, Recoloured = null }).Done(),
        MarbleLayout marble => laid.With(marble with { Seed = Next(marble.Seed) }).Done(),
        _ => Edited.No($"{laid.Place}.layout", "There is nothing here that grows by a seed."),
    };

    private static int Next(int seed) => (int)(((long)seed + 1) % Seeds);
}
