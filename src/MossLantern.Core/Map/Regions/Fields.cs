using System.Collections.Immutable;
using MossLantern.Core.Documents;
using MossLantern.Core.Shapes;
using NetTopologySuite.Geometries;

namespace MossLantern.Core.Map;

/// <summary>
/// Fields of a few colours: many small cells grown together into as many fields as are asked for, every shared border
/// smoothed once, and colours spread so that none lies beside itself and each is met all over the piece.
/// </summary>
/// <remarks>Source: docs/craft/layouts.md, Fields in threes.</remarks>
internal sealed class FieldGrower
{
    private const int Kept = 32;

    private readonly Recent<(Outline, int Fields, int Colours, int Seed), int[]> spread = new(Kept);
    private readonly Recent<(Outline, int Fields, int Seed), FieldSites> sites = new(Kept);

    /// <summary>The map of a layout.</summary>
    public RegionMap Grow(Outline outline, GrowthScale growth, FieldsLayout layout)
    {
        var cells = Cells(outline, layout, layout.Moved ?? []);
        var colours = Colours(outline, layout, cells);
        var patches = ImmutableArray.CreateBuilder<Patch>(layout.Fields);
        for (var field = 0; field < layout.Fields; field++)
        {
            var chosen = (layout.Recoloured ?? []).LastOrDefault(r => r.Field == field + 1)?.RecipeId;
            patches.Add(new(
                RegionId.OfField(field + 1), RegionKind.Field, chosen ?? layout.Colours[colours[field]],
                cells.Areas[field], null, cells.Centres[field]));
        }

        return new(outline, patches.ToImmutable(), growth.GridMm / 2, inner: new(cells.BordersInside));
    }

    /// <summary>The points are kept between calls: a drag of one field's centre finds them where they were.</summary>
    private FieldCells Cells(Outline outline, FieldsLayout layout, ImmutableArray<FieldPlace> moved) =>
        new(outline, layout, moved, sites.Of((outline, layout.Fields, layout.Seed), () => FieldSites.Of(outline, layout)));

    /// <summary>Colours are spread over the fields as they were before any was moved, so that a moved one keeps the
    /// rest; only where it now meets its own colour is something changed.</summary>
    private int[] Colours(Outline outline, FieldsLayout layout, FieldCells cells)
    {
        var colours = spread.Of((outline, layout.Fields, layout.Colours.Length, layout.Seed), () =>
        {
            var unmoved = layout.Moved is null or { IsEmpty: true } ? cells : Cells(outline, layout, []);
            return FieldColours.Spread(unmoved.Centres, unmoved.Touch(), layout.Colours.Length, layout.Seed);
        });

        return layout.Moved is null or { IsEmpty: true } ? colours
            : FieldColours.Mend(colours, cells.Centres, cells.Touch(), layout.Colours.Length);
    }
}
