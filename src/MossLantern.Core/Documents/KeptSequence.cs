using System.Collections.Immutable;
using System.Text.Json.Serialization;
using FluentValidation;
using MossLantern.Core.Units;

namespace MossLantern.Core.Documents;

/// <summary>A sequence of colours that is kept by name, to be laid again in any other piece.</summary>
/// <param name="Name">Its name.</param>
/// <param name="Bands">Its bands or lines, from the middle to the rim; widths in mm.</param>
/// <param name="Cups">The cups that they are poured from, with those that mixed ones are filled from.</param>
/// <param name="AcrossMm">How far across the smaller way the place was that it was kept from, mm: what a fitted one is measured against.</param>
/// <param name="Widening">Factor by which each band is wider than the one inside it.</param>
/// <param name="Note">A note; may be empty.</param>
/// <remarks>Source: docs/craft/layouts.md, Sequences.</remarks>
public sealed record KeptSequence(string Name, ImmutableArray<Band> Bands, ImmutableArray<Cup> Cups, double AcrossMm, double Widening = 1, string Note = "")
{
    /// <summary>Width of every band with the widening in it, mm; 0 for the one that fills the rest.</summary>
    [JsonIgnore]
    public ImmutableArray<double> WidthsMm => [.. Band.WidthsMm(Bands, Widening)];

    /// <summary>What its bands take up together, the one that fills the rest aside, mm.</summary>
    [JsonIgnore]
    public Reckoned Together => new(WidthsMm.Sum(), "mm", Formulas.LinesNeed,
        [.. Bands.Zip(WidthsMm).Where(b => !b.First.FillsRest).Select(b => new ReckonedInput(Cups.First(c => c.Id == b.First.Cup).Name, b.Second, "mm", Origin.Own))]);

    /// <summary>The sequence of a layer.</summary>
    /// <param name="layer">A valid layer whose layout uses bands.</param>
    /// <param name="name">Name to keep it by.</param>
    /// <param name="acrossMm">How far across the place is that the layer fills, the smaller way, mm.</param>
    public static KeptSequence Of(Layer layer, string name, double acrossMm)
    {
        ArgumentNullException.ThrowIfNull(layer);
        var used = layer.Bands.Select(b => b.Cup).ToHashSet();
        used.UnionWith(layer.Cups.Where(c => used.Contains(c.Id)).SelectMany(c => c.Of ?? []).Select(s => s.Cup).ToList());
        return new(name, layer.Bands, [.. layer.Cups.Where(c => used.Contains(c.Id))], acrossMm, layer.Widening);
    }

    /// <summary>
    /// A layer with this sequence in place of its own bands. Cups that it has already are taken for those of the sequence
    /// where name, colour and colourant are the same; the others come with it.
    /// </summary>
    /// <param name="layer">A valid layer whose layout uses bands.</param>
    /// <param name="acrossMm">How far across the place is that the layer fills, the smaller way, mm, to fit the widths to it; null lays them as wide as they were kept.</param>
    public Layer LaidIn(Layer layer, double? acrossMm)
    {
        ArgumentNullException.ThrowIfNull(layer);
        var cups = layer.Cups;
        var ids = new Dictionary<string, string>();

        // Mixed cups come after what they are filled from.
        foreach (var cup in Cups.OrderBy(c => c.Of is null ? 0 : 1))
        {
            var wanted = cup with { Of = cup.Of is { } of ? [.. of.Select(s => s with { Cup = ids[s.Cup] })] : null };
            var own = cups.FirstOrDefault(c => Same(c, wanted));
            if (own is null)
            {
                own = cups.Any(c => c.Id == cup.Id) ? wanted with { Id = FreeId.Of(cup.Id, cups.Select(c => c.Id)) } : wanted;
                cups = cups.Add(own);
            }

            ids[cup.Id] = own.Id;
        }

        var scale = (acrossMm ?? AcrossMm) / AcrossMm;
        return layer with
        {
            Cups = cups,
            Bands = [.. Bands.Select(b => b with { WidthMm = Width(b.WidthMm * scale), Cup = ids[b.Cup] })],
            Widening = Widening,
            PourOrder = [],
        };
    }

    private static double Width(double mm) => Math.Clamp(Math.Round(mm, 1), Accepted.BandMm.From, Accepted.BandMm.To);

    private static bool Same(Cup one, Cup other) =>
        one.Name == other.Name && one.Colour == other.Colour && one.Colourant == other.Colourant && one.LoadPercent.Equals(other.LoadPercent)
        && (one.Of ?? []).SequenceEqual(other.Of ?? []);
}
