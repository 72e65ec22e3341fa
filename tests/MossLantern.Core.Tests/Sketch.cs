using System.Collections.Immutable;
using MossLantern.Core.Documents;

namespace MossLantern.Core.Tests;

/// <summary>A layer and the sitting that pours it, as tests draw them up: in one breath.</summary>
internal sealed record Sketch(
    string Id, string Name, double DepthMm, Layout Layout, ImmutableArray<Recipe> Recipes, ResinChoice Resin,
    Measure Measure, double? ReservePercent,
    ImmutableArray<RegionId> PourOrder, PlannedTimes Plan)
{
    public Losses? Losses { get; init; }

    public MeasuringTools? Tools { get; init; }

    public string? Within { get; init; }

    public ImmutableArray<CavityDepth>? PartDepths { get; init; }

    public Contrast Contrast { get; init; }

    public ImmutableArray<Zone>? Zones { get; init; }

    public ImmutableArray<RegionDepth>? RegionDepths { get; init; }

    public ImmutableArray<RegionId>? Bare { get; init; }

    public ImmutableArray<LaidStones>? Stones { get; init; }

    public int? Copies { get; init; }

    public ImmutableArray<Recipe> Cups => ((FilledLayer)this).Cups;

    public ImmutableArray<Band> Bands => ((FilledLayer)this).Bands;

    public ImmutableArray<Heart> Hearts => ((FilledLayer)this).Hearts;

    /// <summary>Its part of the document.</summary>
    public Layer Layer => new(Id, Name, DepthMm, Layout, null, Zones, RegionDepths, Bare, Within, PartDepths, Contrast, Stones);

    /// <summary>The sitting that pours it, and nothing else.</summary>
    public Sitting Sitting => InSitting(new(Id, [Id], Resin, Measure));

    /// <summary>A layer of a piece, with the sitting that takes its rest.</summary>
    public static Sketch Of(Piece piece, int index)
    {
        var (layer, sitting) = (piece.Layers[index], piece.SittingOf(piece.Layers[index].Id));
        return new(
            layer.Id, layer.Name, layer.DepthMm, layer.Layout, piece.Recipes, sitting.Resin, sitting.Measure,
            sitting.ReservePercent, sitting.OrderIn(layer.Id), sitting.Plan)
        {
            Losses = sitting.Losses,
            Tools = sitting.Tools,
            Within = layer.Within,
            PartDepths = layer.PartDepths,
            Contrast = layer.Contrast,
            Zones = layer.Zones,
            RegionDepths = layer.RegionDepths,
            Bare = layer.Bare,
            Stones = layer.Stones,
            Copies = sitting.Copies,
        };
    }

    /// <summary>A piece with the layer and its sitting as they are drawn up; what else they say stays.</summary>
    public Piece In(Piece piece) => piece with
    {
        Lines = Draw.LinesOf(this) is { IsEmpty: false } own ? [.. (piece.Lines ?? []).Where(l => l.LayerId != Id), .. own] : piece.Lines,
        Recipes = Recipes,
        Layers = [.. piece.Layers.Select(l => l.Id == Id ? Layer with { Aside = l.Aside } : l)],
        Sittings = [.. piece.Sittings.Select(s => s.Rest.Contains(Id) ? InSitting(s) : s)],
    };

    /// <summary>As what is filled, by itself.</summary>
    public static implicit operator FilledLayer(Sketch sketch) =>
        new(sketch.Layer, sketch.Sitting, sketch.Recipes, LayerFilling.None with { Lines = Draw.LinesOf(sketch) });

    private Sitting InSitting(Sitting sitting)
    {
        var at = (sitting.Order ?? []).TakeWhile(o => o.LayerId != Id).Count();
        ImmutableArray<RegionOf> order =
            [.. (sitting.Order ?? []).Take(at), .. PourOrder.Select(r => new RegionOf(Id, r)),
                .. (sitting.Order ?? []).Skip(at).Where(o => o.LayerId != Id)];
        return sitting.At(Plan) with
        {
            Resin = Resin,
            Measure = Measure,
            ReservePercent = ReservePercent,
            Losses = Losses,
            Tools = Tools,
            Copies = Copies,
            Order = order.IsEmpty ? null : order,
        };
    }
}
