using System.Collections.Immutable;
using MossLantern.Core.Documents;
using MossLantern.Core.Map;
using MossLantern.Core.Materials;
using MossLantern.Core.Painting;
using MossLantern.Core.Planning;
using MossLantern.Core.Shapes;
using MossLantern.Core.Units;
using MossLantern.Pictures;
using SkiaSharp;

namespace MossLantern.Web.Tests;

/// <summary>What is painted is what the cups hold, whatever was kept from before.</summary>
public class TrueColourTests
{
    private const string Other = "#7a1f66";

    /// <summary>Every demo piece as it is, and with a zone and a kept spot in each of its layers.</summary>
    private static IEnumerable<(string Name, Piece Piece)> Pieces =>
        DemoDocuments.All.SelectMany(d => new[] { d, ($"{d.Name}, zoned", Zoned(d.Piece)) });

    [Fact]
    public void Recolouring_a_cup_recolours_every_region_it_fills_and_no_other()
    {
        foreach (var (name, piece) in Pieces)
        {
            var mapper = new LayerMapper();
            var planner = new PiecePlanner(mapper);
            var before = Bodies(planner.Paint(piece, Catalogue.Typical, null, PaintDetail.Draft));
            for (var number = 0; number < piece.Layers.Length; number++)
            {
                var layer = piece.Filled[number];
                foreach (var cup in layer.Cups)
                {
                    var recoloured = piece with { Recipes = piece.Recipes.Replace(cup, cup with { Colour = Other }) };
                    var after = Bodies(planner.Paint(recoloured, Catalogue.Typical, null, PaintDetail.Draft));
                    Assert.Equal(before.Count, after.Count);
                    for (var i = 0; i < before.Count; i++)
                    {
                        var (was, now) = (before[i], after[i]);
                        var where = $"{name}: {layer.Name}, {cup.Name}, {was.Material} {was.Region}";
                        Assert.Equal((was.Material, was.Region, was.Path), (now.Material, now.Region, now.Path));
                        if (was.Opacity == 0)
                        {
                            continue;
                        }

                        if (Holds(layer, was, cup))
                        {
                            Assert.True(was.Fill != now.Fill, where + " keeps its old colour");
                        }
                        else
                        {
                            Assert.True(was.Fill == now.Fill, where + " takes a colour that is not its own");
                        }
                    }
                }
            }
        }
    }

    /// <summary>Whether a path is painted from a cup, by itself or in a mix. Streaks are of one of the colours each:
    /// they may change.</summary>
    private static bool Holds(FilledLayer layer, PaintPath path, Recipe cup)
    {
        if (cup.Colourant is null)
        {
            return false;
        }

        var own = layer.Cups.FirstOrDefault(c => path.Material == $"{layer.Id}/{c.Id}");
        return own is not null && (own.Id == cup.Id || (own.Of ?? []).Any(s => s.RecipeId == cup.Id));
    }

    private static List<PaintPath> Bodies(Painting painting) =>
    [
        .. painting.Paths.Where(p => p.Role is PaintRole.Body or PaintRole.Part && p.Fill is not null && p.Region?.Own != "streaks"),
        .. painting.Insets.Where(i => !i.Below).SelectMany(i => Bodies(i.Painting)),
    ];

    private static Piece Zoned(Piece piece)
    {
        var outline = piece.Ground.MapOutline;
        double wide = outline.BoxWidthMm, high = outline.BoxHeightMm;
        return piece with
        {
            Kept = [.. piece.Kept ?? [],
                new("spot-x", "spot", new RoundOutline(Math.Max(20, wide / 8)), 0.62 * wide, 0.55 * high, Keep.Bare)],
            Lines = [.. piece.Lines ?? [], new("dam-x", RegionId.OfDam("spot-x"), new RoundCourse("spot-x"), new(2), new BarrierLine())],
            Layers =
            [
                .. piece.Layers.Select(l => l.Within is not null ? l : l with
                {
                    Zones =
                    [
                        .. l.Zones ?? [],
                        new("zone-x", "x", new OvalOutline(Math.Max(20, wide / 3), Math.Max(20, high / 4)), 0.3 * wide,
                            0.3 * high, new FloodLayout(l.RecipeIds.Last())),
                    ],
                }),
            ],
        };
    }

    public static TheoryData<string> Ways => ["rings", "lines", "petals", "fields", "pools", "puddle", "marble", "flood"];

    /// <summary>Black paste that covers all is black, not grey, in every way of laying out: its growth lines are dark as well.</summary>
    [Theory]
    [MemberData(nameof(Ways))]
    public void Black_is_painted_black(string way)
    {
        var (ground, cup) = (new Ground(new RectangleOutline(300, 200), EdgeStyle.TapedClean, 20, "#d9c29a"),
            Recipe.Plain("black", "black", "#0e0d10", ColourantClass.Paste, 10));
        ImmutableArray<Band> bands = [new("a", 10, false, "black"), new("b", 1, true, "black")];
        Layout layout = way switch
        {
            "rings" => new RingsLayout([new("h", 150, 100, 60, 40, 0, 12, 3)], bands, 0, "black"),
            "lines" => new StripesLayout(bands, "black", 1, 5, 3),
            "petals" => new PetalsLayout(bands, 150, 100, 6, 20, true, 8, 0),
            "fields" => new FieldsLayout(8, ["black"], 4),
            "pools" => new PoolsLayout([new("p", 20, 20, "black")]),
            "puddle" => new PuddleLayout(150, 100, [new("a", "black", 40)], RestRecipeId: "black"),
            "marble" => new MarbleLayout("black", "black", 40, 0, 20, 3),
            _ => new FloodLayout("black"),
        };
        var night = new Piece(
            "Night", ground, GrowthScale.For(ground.Outline), [cup], [new("l", "l", 3, layout)],
            [new("l", ["l"], new("coating"), Measure.ByVolume)]);
        var painting = new PiecePlanner(new LayerMapper()).Paint(night, Catalogue.Typical, null, PaintDetail.Full);
        Assert.All(
            painting.Paths.Where(p => p.Role is PaintRole.GrowthLine or PaintRole.Body or PaintRole.Part),
            p => Assert.InRange(Lab.Of(Colour.Of(p.Fill ?? p.Stroke!)).L, 0,
                Lab.Of(Colour.Of("#0e0d10")).L + Painter.GrowthLightness + 0.5));

        using var picture = SKBitmap.Decode(SkiaBrush.Png(painting, 300));
        var (most, at) = (0.0, (0, 0));
        foreach (var (x, y) in from x in Enumerable.Range(8, 284)
                               from y in Enumerable.Range(8, 184)
                               where way != "rings" || Math.Abs(x - 150) > 60 || Math.Abs(y - 100) > 50
                               select (x, y))
        {
            var pixel = picture.GetPixel(x, y);
            var brightest = (double)Math.Max(pixel.Red, Math.Max(pixel.Green, pixel.Blue));
            (most, at) = brightest > most ? (brightest, (x, y)) : (most, at);
        }

        Assert.True(most < 58, $"the brightest place, {at}, measures {most}");
    }
}
