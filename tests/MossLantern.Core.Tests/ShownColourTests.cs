using CsCheck;
using MossLantern.Core.Documents;
using MossLantern.Core.Map;
using MossLantern.Core.Materials;
using MossLantern.Core.Painting;
using MossLantern.Core.Planning;
using MossLantern.Core.Pouring;
using MossLantern.Core.Shapes;
using MossLantern.Core.Units;
using NodaTime;

namespace MossLantern.Core.Tests;

/// <summary>What a region's own depth, glass, streaks and a stack that is too long look like.</summary>
public class ShownColourTests
{
    private static readonly PiecePlanner Planner = new(new());
    private static readonly Ground Casting = Samples.Panel(300, 200)
        with
    { Base = new(PieceKind.Casting, BaseMaterial.Silicone, 4), Colour = "#ffffff" };

    private static Sketch With(params Recipe[] cups) => Samples.Layer(null, 0) with { Recipes = [.. cups] };

    private static Painting.Painting Paint(Sketch layer, PaintDetail detail = PaintDetail.Draft, Look? look = null) =>
        Planner.Paint(Samples.Piece(Casting, layer), null, detail, look);

    [Fact]
    public void Dye_deepens_like_glass_and_does_not_veil()
    {
        // A channel of 0.8 below and 0.5 in the dye, 3 mm of 3 %.
        var dye = Recipe.Plain("d", "d", new Colour(0.5, 0.5, 0.5).ToHex(), ColourantClass.Dye, 3);
        var look = CupLook.Of(Catalogue.Typical, With(dye), dye);
        Assert.Equal(0.486, look.Over(new(0.8, 0.8, 0.8), 3).G, 0.002);
        Assert.Equal(0.8 * Math.Pow(Colour.Of(dye.Colour).G, 0.72), look.Over(new(0.8, 0.8, 0.8), 3).G, 1e-12);
        Assert.Equal(0.72, 3 * look.CoverPerMm, 1e-9);

        // Over black it adds nothing, and clear leaves everything.
        Assert.Equal(new(0, 0, 0), look.Over(new(0, 0, 0), 3));
        Assert.Equal(0, look.Veil(50));
        var clear = new Recipe("c", "c", "#ffffff", []);
        Assert.Equal("#33523f", CupLook.Of(Catalogue.Typical, With(clear), clear).Over(Colour.Of("#33523f"), 40).ToHex());

        // A channel of nothing counts as 0.002.
        var red = Recipe.Plain("r", "r", "#ff0000", ColourantClass.AlcoholInk, 5);
        Assert.Equal(Math.Pow(0.002, 10 * 0.08 * 5), CupLook.Of(Catalogue.Typical, With(red), red).Over(new(1, 1, 1), 10).G, 1e-12);
    }

    [Fact]
    public void Glass_over_a_layer_is_multiplied_with_it_and_pigment_in_the_same_cup_veils()
    {
        var dye = Recipe.Plain("d", "d", "#a01030", ColourantClass.Dye, 3);
        var bone = Recipe.Plain("b", "b", "#e8dcc0", ColourantClass.Paste, 4);
        var mix = new Recipe("m", "m", "#000000", [], [new("d", 1), new("b", 1)]);
        var below = With(bone) with { Layout = new FloodLayout("b") };
        Sketch Above(string cup) => With(dye, bone, mix) with { Id = "l2", Layout = new FloodLayout(cup) };
        var glass = Assert.Single(Planner.Paint(Samples.Piece(Casting, below, Above("d")), null,
            PaintDetail.Draft).Paths, p => p.Material == "l2/d");
        Assert.True(glass is { Glass: true, Opacity: 1 });
        Assert.Equal(CupLook.Of(Catalogue.Typical, Above("d"), dye).Filter(3).ToHex(), glass.Fill);

        var both = Planner.Paint(Samples.Piece(Casting, below, Above("m")), null, PaintDetail.Draft).Paths
            .Where(p => p.Material == "l2/m").ToList();
        Assert.Equal([true, false], both.Select(p => p.Glass));
        Assert.Equal(1 - Math.Exp(-3 * 0.5 * 4 * 1.2), both[1].Opacity, 0.002);
    }

    [Fact]
    public void Lines_are_as_opaque_as_their_own_depth_not_as_the_layers()
    {
        var lines = With(new Recipe("clear", "clear", "#eef0ea", []),
            Recipe.Plain("mica", "mica", "#3060c0", ColourantClass.Mica, 1))
        with
        {
            DepthMm = 3,
            Layout = Samples.Lines("clear", 2, 0, 3) with { Bands = [new("push", 1, true, "clear"), new("line", 8, false, "mica")] }
        };
        var piece = Samples.Piece(Casting, lines);
        Assert.Equal(22.1, Planner.Plan(piece, [], DateTimeZone.Utc).Layers[0].Opacity["mica"].Value, 0.05);
        Assert.Equal(1, Planner.Plan(piece, [], DateTimeZone.Utc).Layers[0].Opacity["mica"].Input("depth").Value, 1e-9);
        var look = CupLook.Of(Catalogue.Typical, lines, lines.Cups[1]);
        Assert.Equal(look.Over(Colour.Of("#ffffff"), 1).ToHex(), Paint(lines).Paths.Single(p => p.Region == "line").Fill);
        Assert.Equal(0.221, Planner.Paint(Samples.Piece(Casting,
            With(Samples.Cup("b")) with { Id = "l0", Layout = new FloodLayout("b") }, lines), null, PaintDetail.Draft)
            .Paths.Single(p => p.Region == "line").Opacity, 0.001);

        // A vein covers by its own thickness.
        var fields = With(Samples.Cup("a"), Samples.Cup("b"),
            Recipe.Plain("gilt", "gilt", "#c0a040", ColourantClass.Mica, 2))
        with
        { Layout = new FieldsLayout(6, ["a", "b"], 3).Veined("gilt", 4, 1) };
        Assert.Equal(1 - Math.Exp(-0.5), Paint(fields).Paths.Single(p => p.Region == "vein").Opacity, 0.001);
    }

    [Fact]
    public void From_below_the_film_lies_in_front_of_the_lines_and_from_above_behind_them()
    {
        var lines = With(Recipe.Plain("film", "film", "#20a060", ColourantClass.Mica, 2), Samples.Cup("line"),
            new Recipe("clear", "clear", "#eef0ea", []))
        with
        { Layout = Samples.Lines("film", 1, 0, 3) with { Bands = [new("push", 1, true, "clear"), new("line", 8, false, "line")] } };
        int[] FilmAt(Look look) => [.. Paint(lines, PaintDetail.Draft, look).Paths.Select((p, i) => (p, i))
            .Where(x => x.p is { Region: null, Material: "l1/film" }).Select(x => x.i)];
        var (above, below) = (Paint(lines), Paint(lines, PaintDetail.Draft, new(Face.Underside)));
        Assert.Equal([0], FilmAt(Look.Usual));
        Assert.Equal(1, above.Paths[0].Opacity);
        Assert.Equal([below.Paths.Length - 1], FilmAt(new(Face.Underside)));
        Assert.Equal(1 - Math.Exp(-1 * 0.25 * 2), below.Paths[^1].Opacity, 0.001);

        // Clear that pushes shows the film below it.
        var film = CupLook.Of(Catalogue.Typical, lines, lines.Cups[0]);
        Assert.Equal(film.Over(Colour.Of("#ffffff"), 1).ToHex(), above.Paths.Single(p => p.Region == "push").Fill);
    }

    [Fact]
    public void Lines_are_laid_from_the_rim_and_not_round_a_zone_or_a_kept_spot()
    {
        var layer = LayoutTests.Layer(Samples.Lines("clear", 1, 0, 3), 0, 6, 6);
        var zone = new Zone("z", "middle", new RoundOutline(60), 120, 70, new FloodLayout("moss"));
        var mapper = new LayerMapper();
        foreach (var (piece, what) in new[]
        {
            (Samples.Piece(Casting, layer with { Zones = [zone] }), "zone"),
            (Samples.Piece(Casting, layer) with { Kept = [new("k", "spot", new RoundOutline(60), 120, 70, Keep.Bare)] }, "kept spot"),
        })
        {
            var (plain, with) = (mapper.Map(Samples.Piece(Casting, layer), layer), mapper.Map(piece, piece.Filled[0]));
            foreach (var line in new[] { "b2", "b3" })
            {
                Assert.True(Math.Abs(plain.Area(RegionId.Parse(line)) - with.Area(RegionId.Parse(line))) < 0.5,
                    $"{line} has {plain.Area(RegionId.Parse(line))} mm² by itself and {with.Area(RegionId.Parse(line))} round a {what}");
            }

            Assert.Equal(plain.Area(R("b1")) - Math.PI * 900, with.Area(R("b1")), 5.0);
        }
    }

    [Fact]
    public void Room_for_lines_ends_where_a_zone_in_the_middle_begins()
    {
        // 300 × 200 mm: 100 mm to the middle, 60 mm of it free round a zone that leaves 60 mm on every side.
        var zone = new Zone("z", "middle", new RectangleOutline(180, 80), 60, 60, new FloodLayout("moss"));
        Sketch Lines(double width, params Zone[] zones) =>
            LayoutTests.Layer(Samples.Lines("clear", 1, 0, 3), 0, width, width) with { Zones = [.. zones] };
        PiecePlan Plan(Sketch layer) => Planner.Plan(Samples.Piece(Casting, layer), [], DateTimeZone.Utc);
        double Room(PiecePlan plan) => plan.Layers[0].Facts.Single(f => f.Id == LayoutFacts.RimRoom).Number.Value;
        Assert.Equal(100, Room(Plan(Lines(20))), 1.0);
        Assert.Equal(60, Room(Plan(Lines(20, zone))), 1.5);
        Assert.DoesNotContain(Plan(Lines(40)).Findings, f => f.Check == "rim-room");
        Assert.Contains(Plan(Lines(40, zone)).Findings, f => f.Check == "rim-room");
        Assert.DoesNotContain(Plan(Lines(20, zone)).Findings, f => f.Check == "rim-room");
    }

    [Fact]
    public void A_stack_longer_than_its_room_is_painted_in_the_colour_of_the_band_that_reaches_the_rim() =>
        (from widths in Gen.Double[5, 120].Array[2, 9]
         from fill in Gen.Int[0, 8]
         from follow in Gen.Bool
         from x in Gen.Double[20, 280]
         select Samples.Layer(Samples.Heart(x, 100, 40, 30),
             [.. widths.Select((w, i) => i == fill % widths.Length ? 0 : w)]).Rings(r => r with { RimFollow = follow ? 0.6 : 0 }))
        .Sample(
            layer =>
            {
                var piece = Samples.Piece(Casting, layer);
                var map = new LayerMapper().Map(piece, layer);
                foreach (var detail in new[] { PaintDetail.Draft, PaintDetail.Full })
                {
                    var bodies = Planner.Paint(piece, null, detail).Paths
                        .Where(p => p.Role is PaintRole.Body or PaintRole.GrowthLine && p.Fill is not null)
                        .Select(p => (p.Region, Rings: PaintingTests.Flatten(p.Path))).ToList();
                    var random = new SplitMix(7);
                    var differ = 0;
                    for (var i = 0; i < 200; i++)
                    {
                        double px = random.Between(0.5, 299.5), py = random.Between(0.5, 199.5);
                        var painted = bodies.Last(b => b.Rings.Count(r => r.SignedDistanceMm(px, py) < 0) % 2 == 1).Region;
                        differ += painted == map.RegionAt(px, py) ? 0 : 1;
                        Assert.True(map.Area(painted!.Value) > 0, $"{detail}: {painted} is seen and has no area");
                    }

                    Assert.InRange(differ, 0, 6);
                }
            },
            iter: 25);

    [Theory]
    [InlineData(PaintDetail.Draft)]
    [InlineData(PaintDetail.Full)]
    public void A_cup_that_is_not_mixed_shows_its_colours_side_by_side_and_a_mixed_one_the_mix(PaintDetail detail)
    {
        var (ink, bone) = (Recipe.Plain("ink", "ink", "#101830", ColourantClass.Paste, 10),
            Recipe.Plain("bone", "bone", "#f0e8d8", ColourantClass.Paste, 10));
        HashSet<string?> Streaks(double blend) =>
        [
            .. Paint(
                    With(ink, bone, new Recipe("both", "both", "#ff00ff", [], [new("ink", 1), new("bone", 1)]))
                        with { Layout = new MarbleLayout("bone", "both", 40, blend, 20, 3) }, detail)
                .Paths.Where(p => p.Fill is not null && p.Region == MarbleLayout.StreakId).Select(p => p.Fill),
        ];
        Assert.Equal([.. new[] { "#101830", "#f0e8d8" }.Order()], Streaks(0).Order());
        Assert.Equal(Pigment.Mix(Colour.Of("#101830"), 10, Colour.Of("#f0e8d8"), 10).ToHex(), Assert.Single(Streaks(1)));
        Assert.Equal(2, Streaks(0.5).Count);
    }

    [Fact]
    public void Growth_lines_stay_within_five_of_lightness_of_their_band()
    {
        foreach (var colour in new[] { "#0e0d10", "#33523f", "#e8dcc0", "#ffffff", "#7a1f66" })
        {
            var layer = Samples.Layer(Samples.Heart(150, 100), 12, 0, 20)
                with
            {
                Recipes = [.. new[] { "bed", "c1", "c2", "c3" }
                    .Select(id => Recipe.Plain(id, id, colour, ColourantClass.Paste, 10))]
            };
            var band = Lab.Of(Colour.Of(colour)).L;
            var lines = Paint(layer, PaintDetail.Full).Paths.Where(p => p.Role == PaintRole.GrowthLine)
                .Select(p => Lab.Of(Colour.Of(p.Fill ?? p.Stroke!)).L - band).ToList();
            Assert.All(lines, l => Assert.InRange(Math.Abs(l), 0, Painter.GrowthLightness + 0.6));
            Assert.True(lines.Max() - lines.Min() > 3, "growth lines are hardly seen");
        }
    }

    [Fact]
    public void A_colour_in_lab_is_the_same_colour_back() =>
        (from r in Gen.Double[0, 1] from g in Gen.Double[0, 1] from b in Gen.Double[0, 1] select new Colour(r, g, b)).Sample(
            colour =>
            {
                var back = Lab.Of(colour).ToColour();
                Assert.Equal(colour.R, back.R, 1e-5);
                Assert.Equal(colour.G, back.G, 1e-5);
                Assert.Equal(colour.B, back.B, 1e-5);
            },
            iter: 2000);
}
