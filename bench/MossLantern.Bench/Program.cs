using BenchmarkDotNet.Attributes;
using BenchmarkDotNet.Running;
using MossLantern.Bench;
using MossLantern.Core.Curing;
using MossLantern.Core.Map;
using MossLantern.Core.Pieces;
using MossLantern.Core.Shapes;
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
            var layer = FirstPiece.Of("Bench", ground).Layers[0];
            piece = new("Bench", ground, GrowthScale.For(ground.Outline),
            [
                layer with
                {
                    RimFollow = RimFollow,
                    Hearts = [.. Enumerable.Range(1, Hearts).Select(i => new Heart($"h{i}", 200 * i, 300 * i, 140, 100, 20, 18, i))],
                    Bands = [.. Enumerable.Range(1, 12).Select(i => new Band($"b{i}", 4 + 3 * (i % 7), i == 12, "cup-1"))],
                },
            ]);
            Drag();
        }

        [Benchmark]
        public BandMap Map() => mapper.Map(piece.Ground.Outline, piece.Growth, Moved().Layers[0]);

        /// <summary>What one preview costs in the core: map, plan and a draft painting.</summary>
        [Benchmark]
        public (PiecePlan, Painting) Drag()
        {
            var moved = Moved();
            return (planner.Plan(moved, [], DateTimeZone.Utc), planner.Paint(moved, null, PaintDetail.Draft));
        }

        /// <summary>What follows on release, the map being known.</summary>
        [Benchmark]
        public Painting FullPainting() => planner.Paint(piece, null, PaintDetail.Full);

        private Piece Moved()
        {
            x = (x + 1) % 200;
            var layer = piece.Layers[0];
            return piece with { Layers = [layer with { Hearts = layer.Hearts.SetItem(0, layer.Hearts[0] with { XMm = 150 + x }) }] };
        }
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
}
