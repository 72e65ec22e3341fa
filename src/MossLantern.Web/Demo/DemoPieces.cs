using System.Collections.Immutable;
using MossLantern.Core.Documents;
using MossLantern.Core.Materials;
using MossLantern.Core.Shapes;
using NodaTime;

namespace MossLantern.Web.Demo;

/// <summary>The pieces of the demo's studio, as their documents.</summary>
internal static class DemoPieces
{
    /// <summary>Three ovals of different size, as one drawing.</summary>
    public static readonly string Pebbles = Shapes([(0, 4, 96, 70), (112, 10, 72, 58), (200, 16, 52, 44)]);

    /// <summary>Ovals beside each other as one drawing.</summary>
    private static string Shapes((double X, double Y, double Width, double Height)[] ovals)
    {
        // A multiple of four, so that corners lie on the box round each.
        const int corners = 88;
        var top = ovals.Min(o => o.Y);
        return string.Concat(ovals.Select(o => string.Concat(Enumerable.Range(0, corners).Select(i =>
        {
            var turn = 2 * Math.PI * i / corners;
            double x = o.X + o.Width / 2 * (1 - Math.Cos(turn)), y = o.Y - top + o.Height / 2 * (1 - Math.Sin(turn));
            return FormattableString.Invariant($"{(i == 0 ? "M" : "L")}{x:0.##} {y:0.##}");
        })) + "Z"));
    }

    /// <summary>A piece of one layer, poured in one sitting.</summary>
    private static Piece OneLayer(
        string name, Ground ground, string layer, double depthMm, Layout layout, ImmutableArray<Recipe> recipes,
        ResinChoice resin, Measure measure,
        PlannedTimes plan, ImmutableArray<ReservedSpot>? kept = null, MeasuringTools? tools = null,
        ImmutableArray<Line>? lines = null) => new(
            name, ground, GrowthScale.For(ground.MapOutline), recipes, [new("layer-1", layer, depthMm, layout)],
            [new Sitting("layer-1", ["layer-1"], resin, measure, Tools: tools).At(plan)], Kept: kept, Lines: lines);

    public static Piece MarshLight()
    {
        var ground = new Ground(
            new RectangleOutline(600, 400), EdgeStyle.TapedClean, 38, "#d8bd8c", new(PieceKind.Panel, BaseMaterial.BirchPly, 18),
            Level: new(true, 0.004, -0.002), Done: [new("sand"), new("seal"), new("back"), new("level"), new("cover")],
            Tape: new(TapeRuns.Two));
        var heart = new Heart("heart-1", 222, 172, 124, 82, -18, 16, 29);
        return new(
            "Marsh Light", ground, GrowthScale.For(ground.MapOutline),
            [
                Recipe.Plain("amber", "amber", "#d07d1c", ColourantClass.Dye, 4),
                Recipe.Plain("honey", "honey", "#e2ab50", ColourantClass.Mica, 3),
                Recipe.Plain("bone", "bone", "#f0e8d5", ColourantClass.Paste, 4),
                Recipe.Plain("umber", "umber", "#57371f", ColourantClass.Paste, 3),
                Recipe.Plain("gilt", "gilt", "#c99b3a", ColourantClass.MetallicPaste, 5),
                Recipe.Plain("moss", "moss", "#30503a", ColourantClass.Mica, 4),
                Recipe.Plain("lichen", "lichen", "#93a681", ColourantClass.Mica, 3),
                Recipe.Plain("smoke", "smoke", "#6f7a80", ColourantClass.Mica, 3),
                Recipe.Clear("clear"),
                Recipe.Plain("thin-bone", "bone", "#f0e8d5", ColourantClass.Paste, 3),
                Recipe.Plain("mist", "mist", "#dfe6e4", ColourantClass.Mica, 1),
            ],
            [
                new("layer-1", "Fields", 3, new RingsLayout(
                    [heart],
                    [
                        new("honey-ring", 7, false, "honey"),
                        new("bone-line", 3, false, "bone"),
                        new("umber-ring", 16, false, "umber"),
                        new("gilt-line", 2, false, "gilt"),
                        new("moss-ring", 30, false, "moss"),
                        new("bone-band", 4, false, "bone"),
                        new("lichen-ring", 26, false, "lichen"),
                        new("gilt-rim", 3, false, "gilt"),
                        new("deep-moss", 38, false, "moss"),
                        new("bone-edge", 5, false, "bone"),
                        new("smoke-field", 10, true, "smoke"),
                    ],
                    0, "amber")),
                new("layer-2", "Veil", 1.5, new RingsLayout(
                    [heart],
                    [
                        new("clear-ring", 64, false, "clear"),
                        new("bone-thread", 2.5, false, "thin-bone"),
                        new("clear-band", 64, false, "clear"),
                        new("mist-ring", 14, false, "mist"),
                        new("clear-field", 10, true, "clear"),
                    ],
                    0, "clear")),
            ],
            [
                new("layer-1", ["layer-1"], new("coating"), Measure.ByVolume, RoomC: 20.5),
                new("layer-2", ["layer-2"], new("coating"), Measure.ByVolume, RoomC: 21.5),
            ]);
    }

    public static Piece BogbeanRound()
    {
        var ground = new Ground(new RoundOutline(300), EdgeStyle.DrippedOver, 12, "#efe9dc");
        return OneLayer(
            "Bogbean Round", ground, "Rings", 2.5,
            new RingsLayout(
                [new("heart-1", 128, 160, 46, 34, 25, 11, 8)],
                [
                    new("white-line", 3, false, "petal"),
                    new("rose-ring", 12, false, "rose"),
                    new("line-two", 2, false, "petal"),
                    new("peat-ring", 16, false, "peat"),
                    new("line-three", 3, false, "petal"),
                    new("water-field", 10, true, "water"),
                    new("leaf-rim", 9, false, "leaf"),
                ],
                1, "glass"),
            [
                    Recipe.Plain("glass", "spring water", "#9fb7b4", ColourantClass.Dye, 2),
                    Recipe.Plain("petal", "petal", "#f6f1ea", ColourantClass.Paste, 4),
                    Recipe.Plain("rose", "bogbean rose", "#c98f93", ColourantClass.Mica, 3),
                    Recipe.Plain("peat", "peat", "#3b2a22", ColourantClass.Paste, 3),
                    Recipe.Plain("water", "bog water", "#4c7476", ColourantClass.Mica, 3),
                    Recipe.Plain("leaf", "leaf", "#55703f", ColourantClass.Paste, 3),
                ],
            new("thick"), Measure.ByWeight, new(null, null, 20));
    }

    public static Piece BrackenSlice(LocalDateTime start, LocalDateTime seal)
    {
        var ground = new Ground(
            new SliceOutline(700, 450, [0.97, 0.86, 0.93, 0.9, 0.99, 0.94, 0.88, 0.83, 0.92, 0.96], 7, 12, new(478, 262, 92, 64)),
            EdgeStyle.Walled, 10, "#3d3128", new(PieceKind.Slice, BaseMaterial.Mdf, 12), new(PaintKind.Water, 2),
            Done: [new("sand"), new("seal", seal)], DamOf: BarrierClass.Putty);
        var piece = OneLayer(
            "Bracken Slice", ground, "Fronds", 3,
            new RingsLayout(
                [
                    new("heart-1", 196, 196, 118, 82, -22, 15, 5),
                    new("heart-2", 372, 318, 74, 52, 30, 13, 17),
                    new("heart-3", 548, 148, 64, 50, -8, 12, 31),
                ],
                [
                    new("gold-line", 2.5, false, "gold"),
                    new("cream-ring", 8, false, "cream"),
                    new("rust-ring", 15, false, "rust"),
                    new("umber-line", 3, false, "umber"),
                    new("frond-ring", 22, false, "frond"),
                    new("cream-line", 3, false, "cream"),
                    new("bracken-field", 10, true, "bracken"),
                    new("gold-vein", 2, false, "gold"),
                    new("umber-rim", 12, false, "umber"),
                ],
                1, "ember"),
            [
                    Recipe.Plain("ember", "ember", "#b8551f", ColourantClass.Dye, 4),
                    Recipe.Plain("gold", "gold", "#c79a3c", ColourantClass.MetallicPaste, 5),
                    Recipe.Plain("cream", "cream", "#efe4cb", ColourantClass.Paste, 4),
                    Recipe.Plain("rust", "rust", "#8f4322", ColourantClass.Paste, 4),
                    Recipe.Plain("umber", "umber", "#40291b", ColourantClass.Paste, 4),
                    Recipe.Plain("frond", "frond", "#6f7a3a", ColourantClass.Mica, 4),
                    Recipe.Plain("bracken", "bracken", "#9a6a34", ColourantClass.Mica, 4),
                ],
            new("thick"), Measure.ByWeight, new(start, null, 20));

        // Three goes on one map: the hearts with their lines, the rings round them a day later, field and rim on the third day.
        var rest = piece.Sittings[0];
        Sitting Earlier(string id, string name, int days, params ImmutableArray<RegionId> regions) => rest with
        {
            Id = id,
            Name = name,
            Rest = [],
            Start = start.PlusDays(days),
            Fills = [.. regions.Select(r => new Fill($"{id}-{r}", piece.Layers[0].Id, r))],
        };
        return piece with
        {
            Sittings =
            [
                Earlier("hearts", "Hearts", 0, RegionId.Heart, RegionId.Parse("gold-line"), RegionId.Parse("cream-ring")),
                Earlier("rings", "Rings", 1, RegionId.Parse("rust-ring"), RegionId.Parse("umber-line"),
                    RegionId.Parse("frond-ring"), RegionId.Parse("cream-line")),
                rest with { Name = "Field and rim", Start = start.PlusDays(2) },
            ],
        };
    }

    /// <summary>Cast nine hours ago: it comes out of its mould tomorrow.</summary>
    public static Piece PeatPool()
    {
        var ground = new Ground(
            new OvalOutline(320, 220), EdgeStyle.Walled, 18, "#e9e5da", new(PieceKind.Casting, BaseMaterial.Silicone),
            Level: new(true, 0.006, 0), Done: [new("wipe"), new("stiff"), new("level"), new("cover")],
            Mould: new(18, CapacityFrom.Water, 975, 1, 1, 1.5, ["peat-tray"]));
        return OneLayer(
            "Peat Pool", ground, "Pool", 9,
            new StripesLayout(
                [
                    // From the middle to the rim: clear pushes the lines out; tea, cream and glint are laid twice.
                    new("clear-push", 10, true, "clear"),
                    new("glint-inner", 3, false, "glint"),
                    new("cream-inner", 6, false, "cream"),
                    new("tea-inner", 15, false, "tea"),
                    new("glint-outer", 3, false, "glint"),
                    new("cream-outer", 6, false, "cream"),
                    new("tea-outer", 15, false, "tea"),
                    new("lichen-rim", 9, false, "lichen"),
                ],
                "clear", 2, 9, 12),
            [
                    new("clear", "clear", "#e9efe9", []),
                    Recipe.Plain("glint", "glint", "#c8a85a", ColourantClass.MetallicPaste, 4),
                    Recipe.Plain("tea", "black tea", "#6b3f1f", ColourantClass.Dye, 4),
                    Recipe.Plain("cream", "cream", "#efe4cb", ColourantClass.Paste, 3),
                    Recipe.Plain("lichen", "lichen", "#a3b08d", ColourantClass.Mica, 4),
                ],
            new("casting"), Measure.ByWeight, new(null, null, 20));
    }

    /// <summary>Twelve coasters from five moulds: five are done.</summary>
    public static Piece MarigoldDozen()
    {
        var ground = new Ground(
            new RoundOutline(98), EdgeStyle.Walled, 10, "#f2ede1", new(PieceKind.Casting, BaseMaterial.Silicone),
            Level: new(true, 0.004, 0.003), Done: [new("wipe"), new("stiff"), new("level"), new("cover")],
            Mould: new(10, CapacityFrom.Dimensions, null, 12, 5, 1.5, ["marsh-round"]));
        return OneLayer(
            "Marigold Dozen", ground, "Petals", 5,
            new RingsLayout(
                [new("heart-1", 46, 51, 20, 17, 10, 5, 3)],
                [
                    new("bud-line", 1.5, false, "bud"),
                    new("marigold-ring", 9, false, "marigold"),
                    new("white-line", 1.2, false, "white"),
                    new("flame-field", 10, true, "flame"),
                    new("white-edge", 1.2, false, "white"),
                    new("green-rim", 4, false, "bud"),
                ],
                1, "honey"),
            [
                    Recipe.Plain("honey", "honey", "#d99b32", ColourantClass.Dye, 3),
                    Recipe.Plain("bud", "bud", "#55652f", ColourantClass.Mica, 4),
                    Recipe.Plain("marigold", "marigold", "#e08a1e", ColourantClass.Paste, 4) with { Frozen = true },
                    Recipe.Plain("white", "white", "#f7f3ea", ColourantClass.Paste, 5),
                    Recipe.Plain("flame", "flame", "#b9501c", ColourantClass.Mica, 4),
                ],
            new("coating"), Measure.ByWeight, new(null, null, 21));
    }

    /// <summary>A pair that mirrors over the gap; its map is done and its walls are drying.</summary>
    public static Piece SundewPair(LocalDateTime walls)
    {
        var ground = new Ground(
            new RectangleOutline(350, 700), EdgeStyle.TapedClean, 30, "#2b2a26",
            new(PieceKind.Panel, BaseMaterial.BirchPly, 12), new(PaintKind.Water, 2, PotId: "peat-black"),
            Done: [new("sand"), new("seal"), new("paint", walls), new("back")], Set: new(2, 24, true));
        return OneLayer(
            "Sundew Pair", ground, "Dew and leaf", 3,
            new RingsLayout(
                [
                    // The upper heart lies on the seam: each panel has half of it.
                    new("heart-1", 362, 212, 148, 104, 0, 15, 23),
                    new("heart-2", 96, 520, 88, 66, 24, 13, 9),
                ],
                [
                    new("dew-line", 3, false, "dew"),
                    new("rose-ring", 20, false, "rose"),
                    new("bone-line", 4, false, "bone"),
                    new("wine-ring", 30, false, "wine"),
                    new("copper-line", 2.5, false, "copper"),
                    new("leaf-ring", 44, false, "leaf"),
                    new("bone-band", 5, false, "bone"),
                    new("rose-band", 26, false, "rose"),
                    new("copper-vein", 2.5, false, "copper"),
                    new("sedge-field", 10, true, "sedge"),
                    new("bone-edge", 4, false, "bone"),
                    new("wine-edge", 34, false, "wine"),
                ],
                0, "dewglass"),
            [
                    Recipe.Plain("dewglass", "dew glass", "#d9667a", ColourantClass.Dye, 4),
                    Recipe.Plain("dew", "dew", "#f3ded6", ColourantClass.Mica, 4),
                    Recipe.Plain("rose", "rose", "#b8506a", ColourantClass.Mica, 4),
                    Recipe.Plain("bone", "bone", "#f0e8d5", ColourantClass.Paste, 4),
                    Recipe.Plain("wine", "wine", "#5a2233", ColourantClass.Paste, 4),
                    Recipe.Plain("copper", "copper", "#b5713f", ColourantClass.MetallicPaste, 5),
                    Recipe.Plain("leaf", "leaf", "#5d7448", ColourantClass.Mica, 4),
                    Recipe.Plain("sedge", "sedge", "#a9a66b", ColourantClass.Mica, 3),
                ],
            new("thick"), Measure.ByWeight, new(walls.PlusHours(7), null, 20), tools: new(JugMl: 1000),
            lines:
            [
                // The first was laid last night; the second is still wet at the planned pour.
                Raised("rim-line", new BorderCourse(RegionId.Parse("bone-line"), RegionId.Parse("wine-ring")), "#d8a657",
                    walls.PlusHours(-8)),
                Raised("leaf-line", new BorderCourse(RegionId.Parse("leaf-ring"), RegionId.Parse("bone-band")), "#e9dfc8", walls),
            ]);

        static Line Raised(string id, Course course, string colour, LocalDateTime laid) => new(
            id, RegionId.Parse(id), course, new(4, 5), new ReliefLine(BarrierClass.Outliner, colour), "layer-1",
            new(LayoutKind.Rings), new(laid));
    }

    /// <summary>An older panel, sanded and poured over without a plan: only what happened is written down.</summary>
    public static Piece OldKiln()
    {
        var below = new Ground(
            new RectangleOutline(420, 300), EdgeStyle.TapedClean, 22, "#cbb899", new(PieceKind.Panel, BaseMaterial.Mdf, 18));
        var door = OneLayer(
            "Kiln Door", below, "Kiln door", 3,
            new RingsLayout(
                [new("heart-1", 168, 138, 110, 84, -10, 14, 41)],
                [
                new("brick-ring", 18, false, "brick"),
                new("ash-line", 4, false, "ash"),
                new("soot-ring", 22, false, "soot"),
                new("brass-line", 2, false, "brass"),
                new("clay-ring", 30, false, "clay"),
                new("ash-field", 10, true, "ash"),
            ],
                0, "glow"),
            [
                Recipe.Plain("glow", "glow", "#c9642a", ColourantClass.Dye, 4),
                Recipe.Plain("brick", "brick", "#8c3f2c", ColourantClass.Paste, 4),
                Recipe.Plain("ash", "ash", "#c9c2b4", ColourantClass.Paste, 4),
                Recipe.Plain("soot", "soot", "#2e2a28", ColourantClass.Paste, 4),
                Recipe.Plain("brass", "brass", "#b38f3f", ColourantClass.MetallicPaste, 5),
                Recipe.Plain("clay", "clay", "#a86f4c", ColourantClass.Mica, 4),
            ],
            new("coating"), Measure.ByVolume, new(null, null, 20));
        var ground = below with
        {
            Done = [new("sand-old"), new("wipe-old"), new("level"), new("cover")],
            Level = new(true, 0.003, 0.002),
            Old = new(door with { Ground = below }, null),
        };
        return OneLayer(
            "Old Kiln", ground, "Left-overs", 2,
            new FieldsLayout(12, ["clear", "rust", "ash", "smoke", "mere"], 8),
            [
                    new("clear", "clear", "#e9efe9", []),
                    Recipe.Plain("rust", "rust", "#9a4f26", ColourantClass.Dye, 3),
                    Recipe.Plain("ash", "ash", "#d8d2c4", ColourantClass.Paste, 2.5),
                    Recipe.Plain("smoke", "smoke", "#4d4a48", ColourantClass.AlcoholInk, 3),
                    Recipe.Plain("mere", "mere", "#3f6c74", ColourantClass.Mica, 3),
                    Recipe.Plain("brass", "brass", "#b38f3f", ColourantClass.MetallicPaste, 5),
                ],
            new("coating"), Measure.ByVolume, new(null, null, 20),
            lines:
            [
                new("vein", RegionId.Parse("vein"), new AllBordersCourse(), new(3, 0.8), new ResinLine("brass"), "layer-1",
                    new(LayoutKind.Fields)),
            ]);
    }

    /// <summary>Pools between drawn walls; a shell in the ground is kept visible.</summary>
    public static Piece SphagnumPools()
    {
        var ground = new Ground(
            new RectangleOutline(420, 300), EdgeStyle.TapedClean, 20, "#2f3328",
            new(PieceKind.Panel, BaseMaterial.BirchPly, 12), new(PaintKind.Water));
        var piece = OneLayer(
            "Sphagnum Pools", ground, "Pools", 3,
            new PoolsLayout(
                    [
                        new("corner", 60, 40, "mere"), new("sweep", 190, 110, "cream"), new("left", 90, 260, "moss"),
                        new("right", 390, 120, "rust"), new("eye", 332, 214, "peat"),
                    ]),
            [
                    Recipe.Plain("moss", "moss", "#5f7a3c", ColourantClass.Mica, 4),
                    Recipe.Plain("mere", "mere", "#2f5d66", ColourantClass.Mica, 4),
                    Recipe.Plain("cream", "cream", "#efe4cb", ColourantClass.Paste, 4),
                    Recipe.Plain("rust", "rust", "#9a4f26", ColourantClass.Paste, 3),
                    Recipe.Plain("peat", "peat", "#3f2d21", ColourantClass.Paste, 3),
                    new("clear", "clear", "#eef0ea", []),
                ],
            new("coating"), Measure.ByVolume, new(null, null, 20),
            [new("shell", "Mother-of-pearl", new OvalOutline(52, 38), 72, 128, Keep.Visible)],
            lines:
            [
                Wall("wall-1", [new(0, 96), new(60, 112), new(128, 92), new(176, 44), new(198, 0)]),
                Wall("wall-2", [new(0, 226), new(70, 214), new(150, 168), new(222, 154), new(300, 120), new(368, 62), new(420, 44)]),
                Wall("wall-3", [new(222, 154), new(240, 206), new(232, 262), new(246, 300)]),
                Wall("wall-4", [.. Enumerable.Range(0, 25).Select(i => new Spot(
                    Math.Round(332 + 34 * Math.Cos(i * Math.PI / 12), 1), Math.Round(214 + 27 * Math.Sin(i * Math.PI / 12), 1)))]),
            ]);

        // The eye is meant to be dark, and so deep that it runs over until its wall is laid higher.
        return piece with { Layers = [piece.Layers[0] with { RegionDepths = [new(RegionId.Parse("eye"), 5.8)] }] };

        static Line Wall(string id, ImmutableArray<Spot> spots) =>
            new(id, PoolsLayout.WallId, new DrawnCourse(spots), new(3.5, 4), new BarrierLine(BarrierClass.Putty),
                "layer-1", new(LayoutKind.Pools));
    }

    /// <summary>Rings drawn to petals with a tool, on a round.</summary>
    public static Piece WaterMint()
    {
        var ground = new Ground(new RoundOutline(260), EdgeStyle.Walled, 10, "#f1ede2",
            new(PieceKind.Panel, BaseMaterial.BirchPly, 9), new(PaintKind.Water));
        return OneLayer(
            "Water Mint", ground, "Petals", 3,
            new PetalsLayout(
                [
                    new("pollen", 14, false, "pollen"),
                    new("white-one", 10, false, "white"),
                    new("mint-one", 22, false, "mint"),
                    new("white-two", 7, false, "white"),
                    new("heather-one", 24, false, "heather"),
                    new("white-three", 6, false, "white"),
                    new("leaf-rim", 10, true, "leaf"),
                ],
                130, 130, 9, 40, true, 5, -90),
            [
                    Recipe.Plain("pollen", "pollen", "#d9a93a", ColourantClass.Paste, 4),
                    Recipe.Plain("white", "white", "#f7f3ea", ColourantClass.Paste, 5),
                    Recipe.Plain("mint", "mint", "#7fae94", ColourantClass.Mica, 4),
                    Recipe.Plain("heather", "heather", "#7d6a8f", ColourantClass.Mica, 4),
                    Recipe.Plain("leaf", "leaf", "#3f5a38", ColourantClass.Paste, 4),
                ],
            new("thick"), Measure.ByWeight, new(null, null, 21));
    }

    /// <summary>A mixed cup through a ground colour.</summary>
    public static Piece HeronTray()
    {
        var ground = new Ground(new RectangleOutline(360, 220), EdgeStyle.Walled, 14, "#e6e2d6",
            new(PieceKind.Frame, BaseMaterial.Pine, 10), new(PaintKind.Water));
        return OneLayer(
            "Heron Tray", ground, "Marble", 3,
            new MarbleLayout("dusk", "heron", 38, 0.3, 20, 14),
            [
                    Recipe.Plain("dusk", "dusk", "#3a4a57", ColourantClass.Mica, 4),
                    Recipe.Plain("feather", "feather", "#dfe3e0", ColourantClass.Paste, 5),
                    Recipe.Plain("slate", "slate", "#8fa0a8", ColourantClass.Mica, 4),
                    new("heron", "heron mix", "#b8c3c6", [], [new("feather", 2), new("slate", 1)]),
                ],
            new("coating"), Measure.ByVolume, new(null, null, 20));
    }

    /// <summary>Colours poured in one place and tilted; foil in a corner stays bare behind a dam.</summary>
    public static Piece RainRing()
    {
        var ground = new Ground(new RoundOutline(300), EdgeStyle.Walled, 12, "#24303a",
            new(PieceKind.Panel, BaseMaterial.BirchPly, 9), new(PaintKind.Water));
        return OneLayer(
            "Rain Ring", ground, "Puddle", 3,
            new PuddleLayout(
                    132, 150,
                    [
                        new("pour-1", "foam", 22), new("pour-2", "rain", 34), new("pour-3", "copper", 10), new("pour-4", "foam", 9),
                        new("pour-5", "rain", 26), new("pour-6", "night", 12), new("pour-7", "foam", 6),
                    ],
                    18, 18, "night"),
            [
                    Recipe.Plain("night", "night", "#2b3b52", ColourantClass.Mica, 4),
                    Recipe.Plain("rain", "rain", "#5f9fd0", ColourantClass.Interference, 3),
                    Recipe.Plain("foam", "foam", "#eef1ee", ColourantClass.Paste, 5),
                    Recipe.Plain("copper", "copper", "#b5713f", ColourantClass.MetallicPaste, 5),
                ],
            new("coating"), Measure.ByVolume, new(null, null, 20),
            [new("foil", "Colour-shift foil", new RoundOutline(44), 214, 40, Keep.Bare)],
            lines: [new("dam", RegionId.OfDam("foil"), new RoundCourse("foil"), new(5), new BarrierLine())]);
    }
}
