using System.Collections.Immutable;
using System.Text.Json;
using MossLantern.Core.Documents;
using MossLantern.Core.Edits;
using MossLantern.Core.Map;
using MossLantern.Core.Materials;
using MossLantern.Core.Painting;
using MossLantern.Core.Planning;
using MossLantern.Core.Shapes;
using NodaTime;

namespace MossLantern.Core.Tests;

/// <summary>Changes as commands: what each makes of a piece, what it refuses, and that nothing it makes is spoiled.</summary>
public class EditTests
{
    private const string Field = "l1";

    private static readonly Piece Rings = Samples.Piece(Samples.Panel(),
        Samples.Layer(Samples.Heart(250, 180), 9, 6, 0) with { Resin = new("coating") });

    private static readonly Piece Letters = FirstPiece.Of("Letters", new(
        new DrawnOutline("M0 0L160 0L160 80L0 80ZM200 0L300 0L300 80L200 80Z"), EdgeStyle.TapedClean, 20, "#ffffff"));

    private static readonly Piece Tray = FirstPiece.Of("Tray", new(
        new OvalOutline(300, 200), EdgeStyle.Walled, 15, "#ffffff", new(PieceKind.Casting, BaseMaterial.Silicone),
        Mould: new(15, CapacityFrom.Dimensions, null, 2, 1, 1, Inserts: [new("pool", "pool", new RoundOutline(60), 120, 70, 0, 1)])));

    private static readonly Piece Pair = FirstPiece.Of("Pair", new(
        new RectangleOutline(300, 400), EdgeStyle.DrippedOver, 20, "#ffffff",
        new(PieceKind.Panel, BaseMaterial.BirchPly, 12), Set: new(2, 15, false)));

    private static readonly ImmutableArray<Piece> Starts =
    [
        Rings, Letters, Tray, Pair, Rework.Over(Rings, "old"),
        FirstPiece.Of("Slice", new(new SliceOutline(260, 220, [0.9, 0.8, 0.95, 0.85, 0.9], 3, 4), EdgeStyle.Walled, 8,
            "#ffffff", new(PieceKind.Slice, BaseMaterial.Mdf))),
    ];

    /// <summary>The first of them in every way of laying out, with a zone and a kept spot.</summary>
    private static readonly ImmutableArray<Piece> LaidOut =
    [
        .. Enum.GetValues<LayoutKind>().Select(kind => Made(Rings, new AddZone(Field), new ReserveSpot(), new LayOutAs(Field, null, kind))),
        Made(Rings, new LayOutAs(Field, null, LayoutKind.Pools), new PutWallAcross(Field, null)), Made(Tray, new FillHollow("pool")),
        Made(Letters, new BecomeKind(PieceKind.Casting)),
        Made(Rings, new LayOutAs(Field, null, LayoutKind.Marble), new AddToMix("cup-1", Field)),
        Joined(Made(Rings, new AddLayer())), Made(Rings, new AddColour("plum", "#553355", [])),
        Made(Rings with { Ground = Rings.Ground with { Paint = new(PaintKind.Water, 2) } },
            new SecondCup(Rings.Sittings[0].Id, "c1", [new(Field, R("b1"))])),
        Made(Rings, new AddColourant("c1", ColourantClass.Glitter), new AddColourant("c1", ColourantClass.Dye),
            new PourOff("c2", "c1"), Set("recipes[c1].frozen", true)),
        Made(Rings, new LayLine(Field, null, new RingCourse(120, 90, 60, 2), LineOf.Paste), new LayLine(Field, null, null, LineOf.Relief)),
    ];

    private static readonly int Walks = int
        .Parse(Environment.GetEnvironmentVariable("MOSS_LANTERN_EDITS") ?? "500", System.Globalization.CultureInfo.InvariantCulture);

    private static Piece Joined(Piece two) => Made(two, new JoinSittings(two.Sittings[1].Id, two.Sittings[0].Id));

    private static Piece Made(Piece piece, params Edit[] edits)
    {
        var made = Editing.Checked(piece, edits, AnyEdit.Cupboard);
        Assert.Null(made.Refusal);
        return made.Piece!;
    }

    private static (string Place, string Sentence) Refused(Piece piece, params Edit[] edits)
    {
        var made = Editing.Checked(piece, edits, AnyEdit.Cupboard);
        Assert.Null(made.Piece);
        Assert.False(string.IsNullOrWhiteSpace(made.Refusal));
        return (made.Place!, made.Refusal!);
    }

    private static SetField Set(string place, object? value) => new(place, JsonSerializer.SerializeToElement(value));

    private static RingsLayout RingsOf(Piece piece) => (RingsLayout)piece.Layers[0].Layout;

    /// <summary>Whatever is done to whatever piece: it stays valid, plans and paints, or the change is refused in words.</summary>
    [Trait("Pace", "long")]
    [Fact]
    public void Any_change_of_any_piece_gives_a_piece_that_plans_and_paints_or_a_refusal()
    {
        var planner = new PiecePlanner(new LayerMapper());
        Dictionary<Type, (int Made, int Refused)> met = [];
        var random = new Random(Walks);
        var starts = Starts.AddRange(LaidOut);
        var piece = starts[0];
        for (var i = 0; i < Walks; i++)
        {
            // A walk of two dozen changes leads from a plain piece to one where many features meet.
            piece = i % 24 == 0 ? starts[i / 24 % starts.Length] : piece;
            for (var tries = 0; tries < 40; tries++)
            {
                var edit = tries == 0 ? AnyEdit.Of(AnyEdit.Kinds[i % AnyEdit.Kinds.Length], piece, random) : AnyEdit.Of(piece, random);
                Assert.False(string.IsNullOrWhiteSpace(edit.Words(piece)));
                var made = Editing.Checked(piece, [edit], AnyEdit.Cupboard);
                var (had, refused) = met.GetValueOrDefault(edit.GetType());
                met[edit.GetType()] = (had + (made.Piece is null ? 0 : 1), refused + (made.Piece is null ? 1 : 0));
                if (made.Piece is null)
                {
                    Assert.False(string.IsNullOrWhiteSpace(made.Refusal), $"{edit}");
                    continue;
                }

                piece = made.Piece;
                Assert.True(Walks > 0 && planner.Plan(piece, [], DateTimeZone.Utc).Layers.Length == piece.Layers.Length, $"{edit}");
                var draft = planner.Paint(piece, null, PaintDetail.Draft);
                Assert.NotEmpty(draft.Paths);
                if (i % 10 == 0)
                {
                    var alike = JsonSerializer.Serialize(planner.Paint(Painted.Of(piece), null, PaintDetail.Draft));
                    Assert.True(alike == JsonSerializer.Serialize(draft), $"After {edit} what is painted is more than is said of it.");
                }

                break;
            }
        }

        // Each kind is made at least once: one that is only ever refused would prove nothing.
        bool CanBeMade(Type kind) => starts.Any(s => Enumerable.Range(0, 40)
            .Any(_ => Editing.Checked(s, [AnyEdit.Of(kind, s, random)], AnyEdit.Cupboard).Piece is not null));
        Assert.Empty(AnyEdit.Kinds.Where(k => met.GetValueOrDefault(k).Made == 0 && !CanBeMade(k)).Select(k => k.Name));
    }

    /// <summary>In every way of laying out: what is said to be painted is all that is.</summary>
    [Fact]
    public void What_is_painted_knows_no_names_times_and_amounts()
    {
        var planner = new PiecePlanner(new LayerMapper());
        string Whole(Piece piece) => JsonSerializer.Serialize(planner.Paint(piece, null, PaintDetail.Full));
        var painted = (Piece piece) => Text(Painted.Of(piece));
        foreach (var piece in LaidOut)
        {
            Assert.Equal(Whole(piece), Whole(Painted.Of(piece)));
            var (sitting, recipe) = (piece.Sittings[0].Id, piece.Recipes[0].Id);
            Edit[] unseen =
            [
                Set("name", "Fen"), Set($"recipes[{recipe}].name", "sedge"), Set($"sittings[{sitting}].reservePercent", 17),
                new ReserveInCup(sitting, recipe, 21), Set($"sittings[{sitting}].start", "2026-05-03T10:00:00"),
            ];
            foreach (var edit in unseen)
            {
                Assert.Equal(painted(piece), painted(Made(piece, edit)));
            }

            Assert.NotEqual(painted(piece), painted(Made(piece, Set($"layers[{piece.Layers[0].Id}].depthMm", 2.25))));
        }
    }

    /// <summary>Merged, commands do what they do in turn.</summary>
    [Fact]
    public void Merged_commands_do_what_they_do_in_turn()
    {
        var random = new Random(7);
        var merged = 0;
        foreach (var piece in Starts.Concat(LaidOut))
        {
            foreach (var kind in AnyEdit.Kinds)
            {
                for (var i = 0; i < 25; i++)
                {
                    Edit first = AnyEdit.Of(kind, piece, random), second = AnyEdit.Of(kind, piece, random);
                    if (first.Merge(second) is not { } one || Editing.Apply(piece, [first, second], AnyEdit.Cupboard).Piece is not { } both)
                    {
                        continue;
                    }

                    merged++;
                    Assert.Equal(Text(both), Text(Editing.Apply(piece, [one], AnyEdit.Cupboard).Piece!));
                }
            }
        }

        Assert.True(merged > 20, $"{merged} pairs were merged.");
    }

    private static readonly JsonSerializerOptions Loose =
        new() { NumberHandling = System.Text.Json.Serialization.JsonNumberHandling.AllowNamedFloatingPointLiterals };

    private static string Text(Piece piece) =>
        JsonSerializer.Serialize<object>(new
        {
            piece.Ground,
            piece.Recipes,
            Layers = piece.Layers.Select(l => (object)new
            {
                l,
                Layout = (object)l.Layout,
                Zones = l.Zones?.Select(z => (object)z.Layout)
            }),
            piece.Sittings,
            piece.Kept
        }, Loose);

    [Fact]
    public void A_command_without_its_place_is_refused_where_it_belongs()
    {
        Assert.Equal("layers[nowhere]", Refused(Rings, new AddBand("nowhere", null)).Place);
        Assert.Equal("layers[l1].layout.bands[gone]", Refused(Rings, new WidenBand(Field, null, "gone", 1)).Place);
        Assert.Equal("layers[l1].layout", Refused(Rings, new LayLine(Field, null, new BorderCourse(R("nowhere"), R("b1")))).Place);
        Assert.Equal("layers[l1].regions[gone]", Refused(Rings, new PourFrom(Field, null, R("gone"))).Place);
        Assert.Contains("from 0.1 to", Refused(Rings, Set("layers[l1].depthMm", -1)).Sentence, StringComparison.Ordinal);
        Assert.Equal("layers[l1].depthMm", Refused(Rings, Set("layers[l1].depthMm", "three")).Place);
        Assert.Contains("from 1 to", Refused(Rings).Sentence, StringComparison.Ordinal);
        Assert.NotNull(Editing.Apply(Rings,
            [.. Enumerable.Repeat(new Nudge("layers[l1].depthMm", 0), Editing.MostAtOnce)], AnyEdit.Cupboard).Piece);
        Assert.NotNull(Editing.Apply(Rings,
            [.. Enumerable.Repeat(new Nudge("layers[l1].depthMm", 0), Editing.MostAtOnce + 1)], AnyEdit.Cupboard).Refusal);
    }

    [Fact]
    public void Of_several_commands_one_that_is_refused_leaves_the_piece_as_it_is()
    {
        var refused = Editing.Checked(Rings, [new AddBand(Field, null), new WidenBand(Field, null, "gone", 1)], AnyEdit.Cupboard);
        Assert.Null(refused.Piece);
        Assert.Equal(3, RingsOf(Rings).Bands.Length);
    }

    [Fact]
    public void A_band_comes_inside_the_one_that_fills_the_rest_in_a_colour_of_its_own()
    {
        var made = Editing.Checked(Rings, [new AddBand(Field, null)], AnyEdit.Cupboard);
        Assert.Equal("layers[l1].layout.bands[band-1]", made.Place);
        Assert.Equal(["b1", "b2", "band-1", "b3"], RingsOf(made.Piece!).Bands.Select(b => b.Id));
        Assert.Equal("moss", made.Piece!.Recipes.Single(r => r.Id == "cup-1").Name);
        var lines = Made(Rings, new LayOutAs(Field, null, LayoutKind.Stripes));
        Assert.Equal(["push", "band-1"],
            ((StripesLayout)Made(lines, new AddBand(Field, null)).Layers[0].Layout).Bands.Take(2).Select(b => b.Id));
    }

    [Fact]
    public void A_band_that_goes_takes_its_colour_along_where_nobody_else_has_it()
    {
        var gone = Made(Rings, new LeaveBandOut(Field, null, "b1"));
        Assert.DoesNotContain(gone.Recipes, r => r.Id == "c1");
        Assert.Contains(Made(Rings, new PourFrom(Field, null, R("b2"), "c1"),
            new LeaveBandOut(Field, null, "b1")).Recipes, r => r.Id == "c1");
        Refused(Rings, new LeaveBandOut(Field, null, "b3"));
    }

    [Fact]
    public void What_is_poured_in_an_order_of_its_own_goes_from_the_order_with_its_band()
    {
        var ordered = Made(Rings, new OrderPours(Field, [new(Field, R("b2")), new(Field, R("b1")), new(Field, R("heart"))]));
        Assert.Equal(["b2", "heart"],
            Made(ordered, new LeaveBandOut(Field, null, "b1")).Sittings[0].Order!.Value.Select(o => o.Region.ToString()));
        Assert.Null(Made(ordered, new OrderPours(Field, [])).Sittings[0].Order);
        Assert.Null(Made(ordered, new LayOutAs(Field, null, LayoutKind.Flood)).Sittings[0].Order);
    }

    [Fact]
    public void A_split_band_keeps_its_width_and_a_repeated_one_comes_two_places_on()
    {
        var split = RingsOf(Made(Rings, new SplitBand(Field, null, "b1"))).Bands;
        Assert.Equal(["b1", "band-1", "b2", "b3"], split.Select(b => b.Id));
        Assert.Equal((4.5, 4.5), (split[0].WidthMm, split[1].WidthMm));
        var rest = RingsOf(Made(Rings, new SplitBand(Field, null, "b3"))).Bands;
        Assert.Equal((12, true), (rest[2].WidthMm, rest[3].FillsRest));
        var again = RingsOf(Made(Rings, new RepeatBand(Field, null, "b1"))).Bands;
        Assert.Equal(["c1", "c2", "c1", "c3"], again.Select(b => b.RecipeId));
    }

    [Theory]
    [InlineData(1, 1.5, 9, 10.5)]
    [InlineData(1, -60, 9, 0.5)]
    [InlineData(1, 5000, 9, 1000)]
    [InlineData(1.5, 3, 9, 10)]
    public void A_band_is_widened_on_the_map(double widening, double by, double from, double to)
    {
        // The third band is seen twice widened: so much less of its own width is needed.
        var layout = RingsOf(Rings) with { Widening = widening, Bands = [new("a", 5, true, "c1"), new("b", from, false, "c2")] };
        var piece = Rings with { Layers = [Rings.Layers[0] with { Layout = layout }] };
        var wide = Editing.Apply(piece, [new WidenBand(Field, null, "b", by * (widening > 1 ? 0.5 : 1))], AnyEdit.Cupboard).Piece!;
        Assert.Equal(to, RingsOf(wide).Bands[1].WidthMm, 6);
        Refused(piece, new WidenBand(Field, null, "a", 1));
    }

    [Fact]
    public void The_first_heart_has_amber_in_its_bed_and_the_last_one_takes_it_along()
    {
        var plain = FirstPiece.Of("Plain", Samples.Panel());
        var one = Made(plain, new AddHeart("layer-1", null));
        Assert.Equal("amber", one.Recipes.Single(r => r.Id == RingsOf(one).HeartRecipeId).Name);
        var two = Made(one, new AddHeart("layer-1", null));
        Assert.Equal(["heart-1", "heart-2"], RingsOf(two).Hearts.Select(h => h.Id));
        Assert.True(double
            .Hypot(RingsOf(two).Hearts[0].XMm - RingsOf(two).Hearts[1].XMm, RingsOf(two).Hearts[0].YMm - RingsOf(two).Hearts[1].YMm) > 150);
        var none = Made(two, new LeaveHeartOut("layer-1", null, "heart-1"), new LeaveHeartOut("layer-1", null, "heart-2"));
        Assert.Null(RingsOf(none).HeartRecipeId);
        Assert.DoesNotContain(none.Recipes, r => r.Name == "amber");
    }

    [Fact]
    public void What_was_laid_out_before_is_put_by_and_comes_back_as_it_was()
    {
        foreach (var kind in Enum.GetValues<LayoutKind>())
        {
            foreach (var other in Enum.GetValues<LayoutKind>().Where(k => k != kind))
            {
                var first = Made(Rings, new LayOutAs(Field, null, kind));
                var back = Made(first, new LayOutAs(Field, null, other), new LayOutAs(Field, null, kind));
                Assert.Equal(JsonSerializer.Serialize<object>(first.Layers[0].Layout),
                    JsonSerializer.Serialize<object>(back.Layers[0].Layout));
                Assert.Equal(back.Layers[0].Aside!.Value.Length, back.Layers[0].Aside!.Value.Select(l => l.GetType()).Distinct().Count());
            }
        }
    }

    [Fact]
    public void A_zone_is_laid_out_as_a_layer_is_and_a_colour_used_outside_stays()
    {
        var zoned = Made(Rings, new AddZone(Field), new LayOutAs(Field, "zone-1", LayoutKind.Petals), new AddBand(Field, "zone-1"));
        var zone = zoned.Layers[0].Zones!.Value[0];
        Assert.IsType<PetalsLayout>(zone.Layout);
        Assert.IsType<RingsLayout>(zoned.Layers[0].Layout);
        var flood = Made(zoned, new LayOutAs(Field, "zone-1", LayoutKind.Flood), new PourFrom(Field, "zone-1", R("flood"), "c1"));
        Assert.Contains(Made(flood, new PourFrom(Field, "zone-1", R("flood"), "c2")).Recipes, r => r.Id == "c1");
        var left = Made(zoned, new LeaveZoneOut(Field, "zone-1"));
        Assert.Null(left.Layers[0].Zones);
        Assert.Equal(Rings.Recipes.Length, left.Recipes.Length);
    }

    [Fact]
    public void A_spot_is_stretched_and_reshaped_about_its_middle()
    {
        var kept = Made(Rings, new ReserveSpot());
        var spot = kept.Kept!.Value[0];
        Assert.Contains(kept.Recipes, r => r.IsClear);
        var wide = Made(kept, new StretchSpot(null, spot.Id, 100 - spot.Outline.BoxWidthMm, 0)).Kept!.Value[0];
        Assert.Equal((100, spot.XMm + spot.Outline.BoxWidthMm / 2), (wide.Outline.BoxWidthMm, wide.XMm + 50));
        var oval = Made(kept, new ShapeSpot(null, spot.Id, OutlineShape.Oval)).Kept!.Value[0].Outline;
        Assert.Equal(Math.Round(spot.Outline.BoxHeightMm * 0.7), oval.BoxHeightMm, 0.6);
        Assert.Null(Made(kept, new FreeSpot(spot.Id)).Kept);
        Assert.Equal(5, Made(kept, new StretchSpot(null, spot.Id, -800, 1)).Kept!.Value[0].Outline.BoxWidthMm);
    }

    [Fact]
    public void A_layer_over_another_has_its_hearts_and_is_clear()
    {
        // A clear coat is one flood of clear, in a sitting of its own.
        var coated = Made(Rings, new AddLayer(ClearCoat: true));
        var flood = Assert.IsType<FloodLayout>(coated.Layers[^1].Layout);
        Assert.True(coated.Recipes.Single(r => r.Id == flood.RecipeId).IsClear);
        Assert.Equal(("Clear coat", coated.Layers[^1].Id), (coated.Layers[^1].Name, Assert.Single(coated.Sittings[^1].Rest)));

        var made = Editing.Checked(Rings, [new AddLayer()], AnyEdit.Cupboard);
        Assert.Equal("layers[layer-1]", made.Place);
        var over = made.Piece!.Layers[1];
        Assert.Equal(RingsOf(Rings).Hearts.AsEnumerable(), ((RingsLayout)over.Layout).Hearts);
        Assert.All(over.RecipeIds, id => Assert.True(made.Piece.Recipes.Single(r => r.Id == id).IsClear));
        Assert.Equal([over.Id], made.Piece.SittingOf(over.Id).Rest.AsEnumerable());
    }

    [Fact]
    public void A_field_is_set_by_its_place_and_what_goes_with_it_goes_with_it()
    {
        Assert.Equal(4.5, Made(Rings, Set("layers[l1].depthMm", 4.5)).Layers[0].DepthMm);
        Assert.Equal("Sedge", Made(Rings, Set("recipes[c1].name", "Sedge")).Recipes.Single(r => r.Id == "c1").Name);
        Assert.Equal(Contrast.Gradual, Made(Rings, Set("layers[l1].contrast", "gradual")).Layers[0].Contrast);
        Assert.Equal(0.2, Made(Rings, Set("sittings[l1].losses.filmMm", 0.2)).Sittings[0].Losses!.FilmMm);
        Assert.Equal(new LocalDateTime(2026, 5, 1, 10, 0), Made(Rings, Set("sittings[l1].start", "2026-05-01T10:00:00")).Sittings[0].Start);
        Assert.Null(Made(Rings, Set("sittings[l1].roomC", 21), new SetField("sittings[l1].roomC", null)).Sittings[0].RoomC);

        // A typical ratio becomes the person's own with the first of its parts.
        var typical = Catalogue.Typical.Resin("coating")!.Ratio;
        var ratio = Made(Rings, Set("sittings[l1].resin.ratio.hardener", 2.5)).Sittings[0].Resin.Ratio!;
        Assert.Equal((typical.Resin, 2.5, typical.Basis), (ratio.Resin, ratio.Hardener, ratio.Basis));
        Assert.Null(Made(Rings, Set("sittings[l1].resin.ratio.hardener", 2.5), new ChooseResin("l1", "casting")).Sittings[0].Resin.Ratio);

        // Fields that are gone were neither moved nor recoloured.
        var fields = Made(Rings, new LayOutAs(Field, null, LayoutKind.Fields),
            new MoveField(Field, null, 9, 40, 50, 3, -2), new PourFrom(Field, null, R("field-8"), null));
        Assert.Equal(new FieldPlace(9, 43, 48), ((FieldsLayout)fields.Layers[0].Layout).Moved!.Value[0]);
        Assert.Equal(new FieldPlace(9, 44, 48),
            ((FieldsLayout)Made(fields, new MoveField(Field, null, 9, 40, 50, 1, 0)).Layers[0].Layout).Moved!.Value[0]);
        var fewer = (FieldsLayout)Made(fields, Set("layers[l1].layout.fields", 7)).Layers[0].Layout;
        Assert.Equal((0, 0), (fewer.Moved!.Value.Length, fewer.Recoloured!.Value.Length));
    }

    [Theory]
    [InlineData("ground")]
    [InlineData("layers")]
    [InlineData("layers[l1].layout")]
    [InlineData("layers[l1].id")]
    [InlineData("growth.gridMm")]
    [InlineData("sittings[l1].rest")]
    [InlineData("runs.pouredMl")]
    [InlineData("layers[l1].layout.hearts[gone].xMm")]
    [InlineData("layers[l1].layout.startMm")]
    [InlineData("recipes[c1].of[c2].parts")]
    public void What_is_no_field_to_be_set_is_refused(string place) => Assert.Equal(place, Refused(Rings, Set(place, 3)).Place);

    [Theory]
    [InlineData(2, 5)]
    [InlineData(-20, 0.1)]
    [InlineData(1e9, 100)]
    public void A_nudge_stops_at_the_ends_of_the_range(double by, double to) =>
        Assert.Equal(to, Made(Rings, new Nudge("layers[l1].depthMm", by)).Layers[0].DepthMm);

    [Fact]
    public void A_number_left_to_its_default_is_nudged_from_that()
    {
        const string Reserve = "sittings[l1].reservePercent";
        Assert.Equal(13, Made(Rings, new Nudge(Reserve, 3, 10)).Sittings[0].ReservePercent);
        Assert.Equal(15, Made(Rings, new Nudge(Reserve, 3, 10), new Nudge(Reserve, 2, 10)).Sittings[0].ReservePercent);
        Refused(Rings, new Nudge(Reserve, 3));
    }

    [Fact]
    public void A_burst_of_keys_is_one_step_and_says_what_it_did()
    {
        var burst = Enumerable.Repeat(new Nudge("layers[l1].layout.hearts[h1].xMm", 1), 12).ToList();
        Assert.Equal(12, Assert.IsType<Nudge>(Assert.Single(Editing.Merged(burst))).By);
        Assert.Equal("widen c1", Editing.Words(Rings, [new WidenBand(Field, null, "b1", 1), new WidenBand(Field, null, "b1", 1)]));
        Assert.Equal("narrow c2", Editing.Words(Rings, [new WidenBand(Field, null, "b2", -1)]));
        Assert.Equal("widen c1 and 1 more", Editing.Words(Rings, [new WidenBand(Field, null, "b1", 1), new AddBand(Field, null)]));
        Assert.Equal("set layer depth", Editing.Words(Rings, [Set("layers[l1].depthMm", 3)]));
    }

    [Fact]
    public void A_wall_drawn_by_hand_keeps_its_course_in_few_spots()
    {
        var pools = Made(Rings, new LayOutAs(Field, null, LayoutKind.Pools));
        var straight = Enumerable.Range(0, 200).Select(i => new Spot(i * 3, 100 + i % 2 * 0.3)).ToImmutableArray();
        var bent = straight.AddRange(Enumerable.Range(1, 100).Select(i => new Spot(597, 100 + i * 2)));
        int Drawn(ImmutableArray<Spot> spots) =>
            ((DrawnCourse)Made(pools, new DrawWall(Field, null, spots)).Lines!.Value[0].Course).Spots.Length;
        Assert.Equal((2, 3), (Drawn(straight), Drawn(bent)));
        Refused(pools, new DrawWall(Field, null, [new(1, 1)]));
        Refused(pools, new DrawWall(Field, null, [new(1, 1), new(double.NaN, 3)]));
        var across = (DrawnCourse)Made(pools, new PutWallAcross(Field, null)).Lines!.Value[0].Course;
        Assert.Equal((new Spot(0, 200), new Spot(600, 200)), (across.Spots[0], across.Spots[^1]));
    }

    [Fact]
    public void A_pool_gets_one_colour_however_often_it_is_chosen()
    {
        var pools = Made(Rings, new LayOutAs(Field, null, LayoutKind.Pools), new PutWallAcross(Field, null));
        var poured = (PoolsLayout)Made(pools, new AddPool(Field, null, 300, 300, "c2"),
            new AddPool(Field, null, 300, 300, "c3")).Layers[0].Layout;
        Assert.Equal(["pool-1", "pool-2"], poured.Pools.Select(p => p.Id));
        Assert.Equal("c3", poured.Pools[1].RecipeId);
    }

    [Fact]
    public void Another_colourant_takes_a_load_that_its_class_can_have()
    {
        Recipe Of(Piece piece) => piece.Recipes.Single(r => r.Id == "c1");
        var limit = Catalogue.Typical.Of(ColourantClass.Mica).LimitPercent;
        Assert.Equal(limit,
            Of(Made(Rings, Set("recipes[c1].doses[0].percent", 19), new ChooseColourant("c1", ColourantClass.Mica))).LoadPercent);
        Assert.True(Of(Made(Rings, new ChooseColourant("c1", null))).IsClear);
        Assert.Equal("Fen", Of(Made(Rings, new TintFromPot("c1", "pot"))).Name);
        Refused(Rings, new TintFromPot("c1", "oil"));
    }

    [Fact]
    public void Another_ground_takes_along_what_only_the_last_one_had_a_place_for()
    {
        var filled = Made(Tray, new FillHollow("pool"));
        Assert.Equal("pool", filled.Layers[^1].Within);
        Assert.DoesNotContain(Made(filled, new TakeInsertOut("pool")).Layers, l => l.Within is not null);
        Assert.DoesNotContain(Made(filled, new BecomeKind(PieceKind.Panel)).Layers, l => l.Within is not null);
        var deep = Made(Letters, new SetDepthInCavity("layer-1", 2, 5));
        Assert.Equal(5, deep.Layers[0].PartDepths!.Value.Single().DepthMm);
        Assert.Null(Made(deep, new SetDepthInCavity("layer-1", 2, deep.Layers[0].DepthMm)).Layers[0].PartDepths);
        Assert.Null(Made(deep, new ShapeOutline(OutlineShape.Round)).Layers[0].PartDepths);
        Refused(Letters, new SetDepthInCavity("layer-1", 3, 5));
        Assert.Null(Made(Pair, new ReadLevel(2, new(true, 0.1, 0.1)), new MakePanels(1)).Ground.PanelLevels);
        Refused(Pair, new ReadLevel(3, new(true, 0.1, 0.1)));
        Assert.Equal(5, Made(Rings, new AddSupport()).Ground.Supports!.Value.Length);
        Assert.Equal(WallSeal.Tested == WallSeal.Open, Made(Rings, new SealWall(WallSeal.Open)).Ground.Base!.GapsSealed);
        Assert.True(Made(Rings, new SealWall(WallSeal.Tested)).Ground.Base!.SealTested);
    }

    [Fact]
    public void What_is_let_be_is_told_again_when_asked()
    {
        var off = Made(Rings, new WaveOff("mud:1", "It is meant."));
        Assert.Equal("It is meant.", off.WavedOff!.Value.Single().Reason);
        Assert.Null(Made(off, new WaveOff("mud:1", null)).WavedOff);
        Refused(Rings, new WaveOff("mud:1", "  "));
    }
}
