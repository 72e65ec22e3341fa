using System.Collections.Immutable;
using CsCheck;
using MossLantern.Core.Documents;
using MossLantern.Core.Map;
using MossLantern.Core.Shapes;

namespace MossLantern.Core.Tests;

/// <summary>What two regions have in common, in every layout and across parts.</summary>
public sealed class BorderTests
{
    private static readonly LayerMapper Mapper = new();

    private static readonly ImmutableArray<string> Kinds = ["rings", "stripes", "petals", "fields", "pools", "puddle", "marble", "flood"];

    private static Layout Of(string kind, int seed) => kind switch
    {
        "rings" => new RingsLayout([Samples.Heart(180 + seed % 90, 130, 60, 50, 12, seed)],
            [new("b1", 14, false, "c1"), new("b2", 4, false, "c2"), new("b3", 22, false, "c1"), new("b4", 10, true, "c2")], 0.2, "c2"),
        "stripes" =>
            new StripesLayout([new("b1", 10, true, "c1"), new("b2", 9, false, "c2"), new("b3", 12, false, "c1")], "c1", 1, 5, seed),
        "petals" => new PetalsLayout([new("b1", 30, false, "c1"), new("b2", 25, false, "c2"),
            new("b3", 10, true, "c1")], 200, 150, 7, 14, true, 6, 0),
        "fields" => new FieldsLayout(9, ["c1", "c2"], seed),
        "pools" => Draw.Pools([new("w1", [new(-1, 90 + seed % 40), new(401, 120)]),
            new("w2", [new(220, -1), new(180, 301)])], 4, [new("p1", 60, 40, "c1"), new("p2", 350, 260, "c2")]),
        "puddle" => new PuddleLayout(200, 150, [new("p1", "c1", 40), new("p2", "c2", 30), new("p3", "c1", 20)], RestRecipeId: "c2"),
        "marble" => new MarbleLayout("c1", "mix", 30, 0.5, 20, seed),
        _ => new FloodLayout("c1"),
    };

    /// <summary>The layout of a part. Its walls cross it: where one grazes its rim, what is left between them is thinner than a
    /// cell, and no region.</summary>
    private static Layout Inside(string kind, int seed, double left) => Of(kind, seed) is PoolsLayout pools
        ? Draw.Pools([new("w1", [new(left - 10, 105 + seed % 40), new(left + 140, 125)]),
            new("w2", [new(left + 70, 50), new(left + 50 + seed % 30, 200)])], 4, pools.Pools)
        : Of(kind, seed);

    private static readonly Gen<Piece> AnyPiece =
        from kind in Gen.Int[0, 7].Select(i => Kinds[i])
        from inner in Gen.Int[0, 8].Select(i => i == 8 ? "none" : Kinds[i])
        from seed in Gen.Int[1, 400]
        from spot in Gen.Int[0, 2]
        from shape in Gen.Int[0, 2]
        let layer = Samples.Layer(null, 10, 0) with
        {
            Layout = Of(kind, seed),
            Recipes = [Samples.Cup("c1"), Samples.Cup("c2"), new("mix", "mix", "#888888", [], [new("c1", 1), new("c2", 1)])],
            Zones = inner == "none" ? null
                : [new("z", "Pond", new RoundOutline(130), 40 + seed % 120, 60, Inside(inner, seed, 40 + seed % 120))],
        }
        select Samples.Piece(new(shape switch
        {
            0 => new RectangleOutline(400, 300),
            1 => new OvalOutline(400, 300),
            _ => (Outline)new RoundOutline(320)
        }, EdgeStyle.TapedClean, 20, "#d9c29a"), layer) with
        {
            Kept = spot == 0 ? null
                : [new("k", "Shell", new RoundOutline(36), 250, 110, spot == 1 ? Keep.Visible : Keep.Bare, spot == 1 ? null : 5)],
        };

    private static double PerimeterMm(IEnumerable<Ring> rings) => rings.Sum(r => Enumerable.Range(0, r.Count).Sum(i =>
        Math.Sqrt(Math.Pow(r.Xs[i] - r.Xs[(i + 1) % r.Count], 2) + Math.Pow(r.Ys[i] - r.Ys[(i + 1) % r.Count], 2))));

    /// <summary>
    /// On one side of every line lies the one region and on the other the other, whichever is asked for first; and what
    /// a region has in common
    /// with others and with the rim is as long as its own outline.
    /// </summary>
    [Theory]
    [InlineData(null, 40)]
    [InlineData("6cKaeSKgW0o2", 1)]
    public void Both_sides_agree_and_borders_and_rim_are_as_long_as_the_outlines_of_regions(string? start, int times) => AnyPiece.Sample(
        piece =>
        {
            var (layer, outline) = (piece.Filled[0], piece.Ground.MapOutline);
            var map = Mapper.Map(piece, layer);
            var (sided, met) = (0, 0);
            foreach (var border in map.Borders())
            {
                Assert.Same(border, map.Along(border.First, border.Second));
                Assert.Same(border, map.Along(border.Second, border.First));
                Assert.True(border.LengthMm > 0);
                foreach (var line in border.Lines)
                {
                    Assert.True(line.Count > 1);
                    foreach (var (from, to) in line.Zip(line.Skip(1)))
                    {
                        double dx = to.X - from.X, dy = to.Y - from.Y, length = Math.Sqrt(dx * dx + dy * dy);
                        if (length < 0.2)
                        {
                            continue;
                        }

                        double x = (from.X + to.X) / 2, y = (from.Y + to.Y) / 2, offX = -dy / length * BesideMm,
                        offY = dx / length * BesideMm;
                        if (outline.Holds(x + offX, y + offY) && outline.Holds(x - offX, y - offY))
                        {
                            met++;
                            var sides = new HashSet<RegionId> { map.RegionAt(x + offX, y + offY), map.RegionAt(x - offX, y - offY) };
                            sided += sides.SetEquals([border.First, border.Second]) ? 1 : 0;
                        }
                    }
                }
            }

            // Where three regions meet, and where a line bends within a cell, a look to the side may meet another.
            Assert.True(met == 0 || sided > 0.93 * met, $"{sided} of {met} in {layer.Layout.GetType().Name}");
            var shapes = RegionShapes.Of(Mapper, piece, layer);
            foreach (var shape in shapes.Where(s => s.Kind is not (RegionKind.Line or RegionKind.Film)).GroupBy(s => s.RegionId))
            {
                var own = shape.Sum(s => PerimeterMm(s.Rings));
                var told = map.Borders().Where(b => b.First == shape.Key || b.Second == shape.Key)
                    .Sum(b => b.LengthMm) + RimMm(outline, shape.SelectMany(s => s.Rings));
                Assert.True(Math.Abs(own - told) < 6 + 0.03 * own,
                    $"{shape.Key} of {layer.Layout.GetType().Name}, {own:0.0} mm round, {told:0.0} told");
            }
        },
        seed: start,
        iter: times);

    private const double BesideMm = 0.15;

    /// <summary>How much of some rings lies along the rim of an outline, mm.</summary>
    private static double RimMm(Outline outline, IEnumerable<Ring> rings) => rings.Sum(r => Enumerable.Range(0, r.Count).Sum(i =>
    {
        double x = r.Xs[i], y = r.Ys[i], toX = r.Xs[(i + 1) % r.Count], toY = r.Ys[(i + 1) % r.Count],
        length = Math.Sqrt((toX - x) * (toX - x) + (toY - y) * (toY - y));
        var steps = Math.Max(1, (int)Math.Ceiling(length));
        return Enumerable.Range(0, steps).Sum(s => Math.Abs(outline
            .SignedDistanceMm(x + (toX - x) * (s + 0.5) / steps, y + (toY - y) * (s + 0.5) / steps)) < 0.2 ? length / steps : 0);
    }));

    [Fact]
    public void A_ring_round_a_heart_closes_and_stripes_run_as_long_as_their_rectangle()
    {
        var rings = Samples.Piece(Samples.Panel(), Samples.Layer(Samples.Heart(300, 200, waviness: 0), 20, 0));
        var line = Assert.Single(Mapper.Map(rings, rings.Filled[0]).Along(R("b1"), R("b2"))!.Lines);
        Assert.Equal(line[0], line[^1]);

        var stripes = Samples.Piece(Samples.Panel(300, 200), Samples.Layer(null, 0, 10) with { Layout = Samples.Lines("c1", 1, 0, 1) });
        stripes = stripes.OnLayer(0, l => l.WithBands(new("b1", 10, true, "c1"), new("b2", 10, false, "c2")));
        var map = Mapper.Map(stripes, stripes.Filled[0]);
        Assert.Equal(2 * (280 + 180), map.Along(R("b1"), R("b2"))!.LengthMm, 12.0);
        Assert.Null(map.Along(R("b1"), R("nowhere")));
        Assert.Empty(Mapper.Map(stripes, stripes.OnLayer(0, l => l with { Layout = new FloodLayout("c1") }).Filled[0]).Borders());
    }

    /// <summary>A band that found no room keeps those beside it not apart.</summary>
    [Fact]
    public void What_found_no_room_keeps_its_neighbours_not_apart()
    {
        var piece = Samples.Piece(Samples.Panel(200, 200), Samples.Layer(Samples.Heart(100, 100, 60, 60, 0), 70, 0, 80));
        var map = Mapper.Map(piece, piece.Filled[0]);
        Assert.Equal(0, map.Area(R("b2")));
        Assert.Equal(
            map.Touching.Select(t => (t.First, t.Second)).Order(), map.Borders().Select(b => (b.First, b.Second)).Order());
        Assert.Contains(map.Touching, t => t.First == "b1" && t.Second == "b3");
    }
}
