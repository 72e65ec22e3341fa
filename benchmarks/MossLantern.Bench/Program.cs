using System.Collections.Immutable;
using BenchmarkDotNet.Attributes;
using BenchmarkDotNet.Running;
using MossLantern.Bench;
using MossLantern.Core.Curing;
using MossLantern.Core.Documents;
using MossLantern.Core.Edits;
using MossLantern.Core.Map;
using MossLantern.Core.Materials;
using MossLantern.Core.Mixing;
using MossLantern.Core.Painting;
using MossLantern.Core.Planning;
using MossLantern.Core.Pouring;
using MossLantern.Core.Shapes;
using MossLantern.Core.Timeline;
using MossLantern.Core.Units;
using NodaTime;

BenchmarkSwitcher.FromAssembly(typeof(MapBenchmarks).Assembly).Run(args);

namespace MossLantern.Bench
{
    /// <summary>One step of a drag on a 600 × 900 mm panel with twelve bands: a heart has moved by a millimetre.</summary>
    [MemoryDiagnoser]
    public class MapBenchmarks
    {
        private readonly LayerMapper mapper = new();
        private readonly PiecePlanner planner;
        private double x;
        private Piece piece = null!;

        public MapBenchmarks() => planner = new(mapper);

        [Params(1, 2)]
        public int Hearts { get; set; }

        [Params(0, 1)]
        public double RimFollow { get; set; }

        [GlobalSetup]
        public void Set()
        {
            var ground = new Ground(new RectangleOutline(600, 900), EdgeStyle.TapedClean, 38, "#d8bd8c");
            var first = FirstPiece.Of("Bench", ground);
            var colour = first.Recipes[0].Id;
            piece = first with
            {
                Layers =
                [
                    first.Layers[0] with
                    {
                        Layout = new RingsLayout(
                            [.. Enumerable.Range(1, Hearts).Select(i => new Heart($"h{i}", 200 * i, 300 * i, 140, 100, 20, 18, i))],
                            [.. Enumerable.Range(1, 12)
                                .Select(i => new Band($"b{i}", 4 + 3 * (i % 7), i == 12, colour))], RimFollow, colour),
                    },
                ],
            };
            Drag();
        }

        [Benchmark]
        public LayerMap Map() => mapper.Map(piece.Ground.Outline, piece.Growth, Moved().Filled[0], []);

        /// <summary>What one preview costs in the core: map, plan and a draft painting.</summary>
        [Benchmark]
        public (PiecePlan, Painting) Drag()
        {
            var moved = Moved();
            return (planner.Plan(moved, [], Surroundings.Usual(DateTimeZone.Utc)),
                planner.Paint(moved, Catalogue.Typical, null, PaintDetail.Draft));
        }

        /// <summary>What follows on release, the map being known.</summary>
        [Benchmark]
        public Painting FullPainting() => planner.Paint(piece, Catalogue.Typical, null, PaintDetail.Full);

        private Piece Moved()
        {
            x = (x + 1) % 200;
            var layer = piece.Layers[0];
            var rings = (RingsLayout)layer.Layout;
            return piece with { Layers = [layer
                with { Layout = rings with { Hearts = rings.Hearts.SetItem(0, rings.Hearts[0] with { XMm = 150 + x }) } }] };
        }
    }

    /// <summary>One step of a drag in each way of laying out, on a panel of 420 × 300 mm.</summary>
    [MemoryDiagnoser]
    public class LayoutBenchmarks
    {
        private static readonly ImmutableArray<Recipe> Recipes = [.. Enumerable.Range(1, 6)
            .Select(i => Recipe.Plain($"c{i}", $"c{i}", $"#{i}0{9 - i}0{i}0", ColourantClass.Paste, 4))];
        private static readonly ImmutableArray<Band> Bands = [.. Enumerable.Range(1, 8)
            .Select(i => new Band($"b{i}", 5 + i % 4, i == 1, $"c{1 + i % 6}"))];

        private readonly LayerMapper mapper = new();
        private double by;
        private Piece piece = null!;

        [Params("lines", "petals", "fields", "pools", "puddle", "marble")]
        public string Way { get; set; } = "";

        [GlobalSetup]
        public void Set()
        {
            var ground = new Ground(new RectangleOutline(420, 300), EdgeStyle.TapedClean, 18, "#d8bd8c");
            piece = FirstPiece.Of("Bench", ground) with { Recipes = Recipes };
            Drag();
        }

        /// <summary>Map and draft painting.</summary>
        [Benchmark]
        public Painting Drag()
        {
            by = (by + 1) % 60;
            var layer = piece.Layers[0];
            var moved = Way switch
            {
                "lines" =>
                    layer with { Layout = new StripesLayout(Bands.SetItem(1, Bands[1] with { WidthMm = 5 + by / 10 }), "c1", 1, 9, 3) },
                "petals" => layer with { Layout = new PetalsLayout(Bands, 180 + by, 150, 9, 30, true, 6, 0) },
                "fields" => layer with { Layout = new FieldsLayout(15, ["c1", "c2", "c3", "c4", "c5"], 7,
                    Vein: new("c6", 3, 1), Moved: [new(1, 120 + by, 130)]) },
                "pools" => layer with { Layout = new PoolsLayout([new("w",
                    [new(0, 80 + by), new(200, 110 + by), new(420, 90 + by)]), new("v", [new(150, 0), new(170, 300)])],
                3, [new("p", 40, 40, "c1")]) },
                "puddle" => layer with { Layout = new PuddleLayout(180 + by, 150,
                    [.. Enumerable.Range(1, 10).Select(i => new PuddlePour($"p{i}", $"c{1 + i % 6}", 12))], 30, 40, "c6") },
                _ => layer with { Layout = new MarbleLayout("c1", "c2", 20 + by, 0.3, 20, 14) },
            };
            return Painter.Paint(mapper, Catalogue.Typical, piece with { Layers = [moved] }, 0, PaintDetail.Draft);
        }
    }

    /// <summary>What to mix for a wanted colour from many colourants.</summary>
    [MemoryDiagnoser]
    public class ColourBenchmarks
    {
        private ImmutableArray<AtHand> atHand = [];

        [Params(12, 40)]
        public int Colourants { get; set; }

        [GlobalSetup]
        public void Set() => atHand =
        [
            .. Enumerable.Range(0, Colourants).Select(i => new AtHand(
                Catalogue.Typical.Of(Enum.GetValues<ColourantClass>()[i % 9]), null, $"c{i}",
                Colour.Of($"#{(i * 67 + 20) % 230:x2}{(i * 131 + 60) % 240:x2}{(i * 29 + 90) % 220:x2}"))),
        ];

        [Benchmark]
        public ImmutableArray<ColourMixture> Find() => WantedColour.Of(Colour.Of("#5b7f4a"), Colour.Of("#d9c29a"), 3, atHand, 1.065);
    }

    /// <summary>The cure model: calibrated once per resin, then asked for every cup and film.</summary>
    [MemoryDiagnoser]
    public class CureBenchmarks
    {
        private CureModel model = null!;

        [GlobalSetup]
        public void Set() => model = CureModel.Of(45, 22);

        [Benchmark]
        public CureModel Calibrate() => CureModel.Of(45, 22);

        [Benchmark]
        public CureModel CalibrateWithSecondPair() => CureModel.Of(45, 22, 300, 41);

        [Benchmark]
        public Cured Cup() => model.Cup(300, 22);

        [Benchmark]
        public Cured Film() => model.Film(3, 22);
    }

    /// <summary>Proposing the batches of a sitting.</summary>
    [MemoryDiagnoser]
    public class BatchBenchmarks
    {
        private BatchingOf on = null!;
        private List<IReadOnlyList<BatchCup>> cups = [];

        /// <summary>40 is the most that a sitting may have.</summary>
        [Params(8, 40)]
        public int Cups { get; set; }

        [Params(500, 5000)]
        public double JugMl { get; set; }

        [GlobalSetup]
        public void Set()
        {
            var sitting = FirstPiece.Of("Bench", new Ground(new RectangleOutline(600, 900), EdgeStyle.TapedClean, 38, "#d8bd8c")).Filled[0];
            on = new(new(sitting, Surroundings.Usual(DateTimeZone.Utc)), 22);
            cups = [.. Enumerable.Range(1, Cups)
                .Select(i => (IReadOnlyList<BatchCup>)[new BatchCup($"c{i}", 10 + 7 * (i % 13), 10 + 7 * (i % 13), 60, 15 + i % 5)])];
        }

        [Benchmark]
        public int Propose() => Proposing.Best(cups, c => new(on, c, JugMl)).Count;
    }
}
