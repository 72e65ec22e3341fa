using System.Text.Json;
using MossLantern.Core.Documents;

namespace MossLantern.Core.Edits;

/// <summary>
/// A field gets another value: a number, a name, a colour, a choice, a yes or no, or a time. What goes with that value goes with it.
/// </summary>
/// <param name="Place">Where it stands, such as <c>layers[veil].depthMm</c>.</param>
/// <param name="Value">The value, as it is written in a document; null for the default, or for not known.</param>
public sealed record SetField(string Place, JsonElement? Value) : Edit
{
    private const string Ratio = "sittings.resin.ratio.";

    /// <summary>The change that sets a field to a number, a text, a yes or no, or to none.</summary>
    /// <param name="place">Where it stands.</param>
    /// <param name="value">The value, as it is written in a document.</param>
    public static SetField To(string place, object? value) => new(place, value is null ? null : JsonSerializer.SerializeToElement(value));

    /// <inheritdoc/>
    public override string Words(Piece before) => SettableFields.Words(Place);

    /// <inheritdoc/>
    public override Edit? Merge(Edit next) => next is SetField other && other.Place == Place ? other : null;

    /// <inheritdoc/>
    public override Edited Apply(Piece piece, Cupboard cupboard)
    {
        ArgumentNullException.ThrowIfNull(piece);
        ArgumentNullException.ThrowIfNull(cupboard);
        var range = Place is { Length: > 0 and <= FieldAt.LongestPlace } ? FieldAt.RangeOf(Place) : "";
        var before = range.StartsWith(Ratio, StringComparison.Ordinal) ? OwnRatio(piece, cupboard) : piece;
        if (!SettableFields.Has(range) || FieldAt.Of(before, Place) is not { } field)
        {
            return Edited.No(Place ?? "", "There is no such field to set.");
        }

        if (!FieldValue.TryRead(Value, field.Type, out var value))
        {
            return Edited.No(Place, SettableFields.Sentence(range, field.Type));
        }

        return FieldAt.Set(before, Place, value) is { } after ? With(piece, after, range)
            : Edited.No(Place, "There is no such field to set.");
    }

    /// <summary>The piece with what goes with a field.</summary>
    internal static Edited With(Piece piece, Piece after, string range) => range switch
    {
        "layers.layout.fields" or "layers.zones.layout.fields" => after with { Layers = [.. after.Layers.Select(Fewer)] },
        "ground.mould.from" when after.Ground.Mould is { From: CapacityFrom.Dimensions } mould =>
            after with { Ground = after.Ground with { Mould = mould with { CapacityMl = null } } },
        _ when range.StartsWith("ground.", StringComparison.Ordinal) => Settle.OnGround(piece with { Ground = piece.Ground }, after.Ground),
        "kept.keep" when (after.Kept ?? []).Any(k => k.Keep == Keep.Visible) => LaidOut.ClearIn(after, after.Recipes).Piece,
        _ => after,
    };

    /// <summary>One part of a typical ratio changed makes the whole ratio the person's own.</summary>
    private Piece OwnRatio(Piece piece, Cupboard cupboard) => piece with
    {
        Sittings =
        [
            .. piece.Sittings.Select(s => s.Resin.Ratio is null
                && Place.StartsWith(PlaceIn.Sitting(s.Id) + ".", StringComparison.Ordinal)
                && cupboard.Catalogue.Resin(s.Resin.System) is { } resin
                ? s with { Resin = s.Resin with { Ratio = resin.Ratio } }
                : s),
        ],
    };

    /// <summary>Fields that are not there any more were neither moved nor recoloured.</summary>
    private static Layer Fewer(Layer layer) => layer with
    {
        Layout = Fewer(layer.Layout),
        Zones = layer.Zones is { } zones ? [.. zones.Select(z => z with { Layout = Fewer(z.Layout) })] : null,
    };

    private static Layout Fewer(Layout layout) => layout is not FieldsLayout fields ? layout : fields with
    {
        Moved = fields.Moved?.RemoveAll(m => m.Field > fields.Fields),
        Recoloured = fields.Recoloured?.RemoveAll(r => r.Field > fields.Fields),
    };
}
