using System.Collections.Immutable;
using MossLantern.Core.Documents;
using MossLantern.Core.Edits;
using MossLantern.Core.Grounds;
using MossLantern.Core.Map;
using MossLantern.Core.Materials;
using MossLantern.Core.Shapes;
using NodaTime;

namespace MossLantern.Core.Tests;

/// <summary>A line for each command: a piece before it, the command, and what it has made of it.</summary>
public class CommandTests
{
    private const string Field = "l1";

    private static readonly LocalDateTime Noon = new(2026, 5, 3, 12, 0);

    private static readonly Piece Rings = Samples.Piece(Samples.Panel(), Samples.Layer(Samples.Heart(250, 180), 9, 6, 0));

    private static readonly Piece Stripes = As(LayoutKind.Stripes), Petals = As(LayoutKind.Petals), Fields = As(LayoutKind.Fields),
        Pools = As(LayoutKind.Pools), Puddle = As(LayoutKind.Puddle), Marble = As(LayoutKind.Marble);

    private static readonly Piece Walled = Made(Pools, new DrawWall(Field, null, [new(0, 100), new(300, 100), new(590, 110)]));

    private static readonly Piece Letters = FirstPiece.Of("Letters", new(
        new DrawnOutline("M0 0L160 0L160 80L0 80ZM200 0L300 0L300 80L200 80Z"), EdgeStyle.Walled, 20, "#ffffff",
        new(PieceKind.Casting, BaseMaterial.Silicone), Mould: new(15, CapacityFrom.Dimensions, null, 1, 1, 0)));

    private static readonly Piece Tray = FirstPiece.Of("Tray", new(
        new OvalOutline(300, 200), EdgeStyle.Walled, 15, "#ffffff", new(PieceKind.Casting, BaseMaterial.Silicone),
        Mould: new(15, CapacityFrom.Dimensions, null, 2, 1, 1, Inserts: [new("pool", "pool", new RoundOutline(60), 120, 70, 0, 1)])));

    private static readonly Piece Slice = FirstPiece.Of("Slice", new(new SliceOutline(260, 220, [0.9, 0.8, 0.95, 0.85, 0.9], 3, 4),
        EdgeStyle.Walled, 8, "#ffffff", new(PieceKind.Slice, BaseMaterial.Mdf)));

    private static readonly Piece Mixed = Rings with
    {
        Recipes = [.. Rings.Recipes.Select(r => r.Id != "c1" ? r
            : r with { Doses = [], Of = [new("c2", 1), new("c3", 1), new("bed", 1)] })],
    };

    private static readonly Piece Plum = Made(Rings, new AddColour("plum", "#553355", []));

    private static readonly Piece Two = Made(Rings, new AddLayer(), new PourAt("l1", Noon), new PourAt("layer-1", Noon.PlusDays(2)));

    /// <summary>Before, the command, what is looked at, what that was, and what it is.</summary>
    private static readonly ImmutableArray<(Piece Before, Edit Command, Func<Piece, object?> What, string Was, string Is)> Lines =
    [
        (Stripes, new LaySequenceAgain(Field, null, 1), p => p.All<StripesLayout>(l => l.Bands.Select(b => b.RecipeId)),
            "clear c1 c2", "clear c1 c2 c1 c2"),
        (Rings, new MoveBand(Field, null, "b1", 1), p => p.All<RingsLayout>(l => l.Bands.Select(b => b.Id)), "b1 b2 b3", "b2 b1 b3"),
        (Rings, new LaySequence(Field, null, "seq", 400), p => p.All<RingsLayout>(l => l.Bands.Select(b => b.WidthMm)), "9 6 0", "8 12"),
        (Rings, new BandThrough(Field, null, "b1"), p => p.All<RingsLayout>(l => l.Bands.Select(b => b.WidthMm)),
            "9 6 0", "3.5 2 3.5 6 0"),
        (Rings, new PutBetween(Field, R("b1"), R("b2"), "c3"), p => p.All<RingsLayout>(l => l.Bands.Select(b => b.RecipeId)),
            "c1 c2 c3", "c1 c3 c2 c3"),
        (Rings, new SwapColours(Field, null, R("b1"), "c1", R("b3"), "c3"), p => p.All<RingsLayout>(l => l.Bands.Select(b => b.RecipeId)),
            "c1 c2 c3", "c3 c2 c1"),
        (Rings, new MoveHeart(Field, null, "h1", 300.4, 99.6), p => p.All<RingsLayout>(l => l.Hearts.Select(h => (h.XMm, h.YMm))),
            "(250, 180)", "(300, 100)"),
        (Rings, new GrowDifferently(Field, null, "h1"), p => p.All<RingsLayout>(l => l.Hearts.Select(h => h.Seed)), "3", "4"),
        (Marble, new GrowDifferently(Field, null), p => p.In<MarbleLayout>().Seed, "7", "8"),
        (Petals, new MoveMiddle(Field, null, 111.2, 88.8), p => (p.In<PetalsLayout>().XMm, p.In<PetalsLayout>().YMm),
            "(300, 200)", "(111, 89)"),
        (Puddle, new MoveMiddle(Field, null, 50, 60), p => (p.In<PuddleLayout>().XMm, p.In<PuddleLayout>().YMm),
            "(300, 200)", "(50, 60)"),
        (Fields, new AddFieldColour(Field, null), p => (p.In<FieldsLayout>().Colours.Length, p.In<FieldsLayout>().Fields),
            "(4, 12)", "(5, 15)"),
        (Made(Fields, new PourFrom(Field, null, R("field-2"), "c1"), new PourFrom(Field, null, R("field-3"), "c1")),
            new ColourFieldAsSpread(Field, null, 2), p => p.All<FieldsLayout>(l => (l.Recoloured ?? []).Select(r => r.Field)), "2 3", "3"),
        (Fields, new LeaveFieldColourOut(Field, null, "c1"), p => p.All<FieldsLayout>(l => l.Colours), "bed c1 c2 c3", "bed c2 c3"),
        (Fields, new LayLine(Field, null), p => Text((p.Lines ?? []).Select(l => l.Region)), "", "vein"),
        (Made(Fields, new LayLine(Field, null)), new TakeLineAway("vein-1"), p => p.Lines is null, "False", "True"),
        (Made(Fields, new MoveField(Field, null, 9, 40, 50, 3, -2)), new SpreadAgain(Field),
            p => (p.In<FieldsLayout>().Seed, p.In<FieldsLayout>().Moved?.Length ?? 0), "(7, 1)", "(8, 0)"),
        (Puddle, new AddPour(Field, null), p => p.All<PuddleLayout>(l => l.Pours.Select(o => o.Id)),
            "pour-1 pour-2 pour-3 pour-4", "pour-1 pour-2 pour-3 pour-4 pour-5"),
        (Puddle, new LeavePourOut(Field, null, "pour-1"), p => p.All<PuddleLayout>(l => l.Pours.Select(o => o.Id)),
            "pour-1 pour-2 pour-3 pour-4", "pour-2 pour-3 pour-4"),
        (Puddle, new PourLast(Field, null, "pour-1"), p => p.All<PuddleLayout>(l => l.Pours.Select(o => o.Id)),
            "pour-1 pour-2 pour-3 pour-4", "pour-2 pour-3 pour-4 pour-1"),
        (Made(Puddle, new PourFrom(Field, null, R("rest"), "c1")), new LeaveRestBare(Field, null),
            p => p.In<PuddleLayout>().RestRecipeId, "c1", ""),
        (Puddle, new TiltPuddle(Field, null, 45.3, 900), p => (p.In<PuddleLayout>().TiltDeg, p.In<PuddleLayout>().TiltPercent),
            "(0, 0)", "(45, 400)"),
        (Walled, new MoveWallSpot(Field, null, "wall-1", 1, 10, -5),
            p => Text(((DrawnCourse)p.Lines!.Value[0].Course).Spots.Select(s => (s.XMm, s.YMm))),
            "(0, 100) (300, 100) (590, 110)", "(0, 100) (310, 95) (590, 110)"),
        (Walled, new JoinWall(Field, null, "wall-1", false, 600, 110),
            p => Text(((DrawnCourse)p.Lines!.Value[0].Course).Spots.Select(s => s.XMm)),
            "0 300 590", "0 300 590 600"),
        (Walled, new TakeLineAway("wall-1"), p => (p.Lines ?? []).Length, "1", "0"),
        (Made(Pools, new AddPool(Field, null, 50, 60)), new LeavePoolOut(Field, null, "pool-1"),
            p => p.All<PoolsLayout>(l => l.Pools.Select(o => o.Id)), "pool-1 pool-2", "pool-2"),
        (Mixed, new LeaveOutOfMix("c1", "c2"),
            p => Text(p.Recipes.Single(r => r.Id == "c1").Of!.Value.Select(o => o.RecipeId)), "c2 c3 bed", "c3 bed"),
        (Rings, new TakeMixture("c1", [new(ColourantClass.Dye, 2, Colour: "#112233"), new(ColourantClass.Mica, 5, Colour: "#445566")]),
            p => (p.Recipes.Single(r => r.Id == "c1").Colour, Text(p.Recipes.Single(r => r.Id == "c1").Doses.Select(d => d.Colourant))),
            "(#33523f, Paste)", "(#112233, Dye Mica)"),
        (Plum, new PutColourAway(Plum.Recipes[^1].Id), p => p.Recipes.Count(r => r.Name == "plum"), "1", "0"),
        (Rings, new DivideLayer(Field, 2), p => Text(p.Layers.Select(l => (l.Id, l.DepthMm, p.SittingOf(l.Id).Id))),
            "(l1, 3, l1)", "(l1, 1.5, l1) (layer-1, 1.5, layer-1)"),
        (Made(Rings, new AddZone(Field)), new MoveSpot(Field, "zone-1", 33.4, 44.6),
            p => (p.Layers[0].Zones!.Value[0].XMm, p.Layers[0].Zones!.Value[0].YMm), "(290, 50)", "(33, 45)"),
        (Two, new PourAt("l1", Noon.PlusHours(3)), Starts, "03 12:00 05 12:00", "03 15:00 05 12:00"),
        (Two, new PourFromThenOn(Noon.PlusDays(1), Noon.PlusDays(1).PlusHours(5)), Starts,
            "03 12:00 05 12:00", "03 12:00 05 17:00"),
        (Made(Two, new PourOverOld(false)), new PourOverOld(true), p => p.Ground.Old?.Piece.Name, "", "older work"),
        (Rework.Over(Rings, "old"), new GrowRim(15), p => (p.Ground.Outline.BoxWidthMm, p.Ground.Outline.BoxHeightMm),
            "(600, 400)", "(630, 430)"),
        (Rings, new OpenOutline(true), p => p.Ground.Outline.OpeningOf is not null, "False", "True"),
        (Rings, new TakeOutline(new("M0 0L160 0L160 80L0 80Z")), p => p.Ground.Outline.AreaMm2, "240000", "12800"),
        (Rings, new PaintGround(PaintKind.Water), p => p.Ground.Paint?.Kind, "", "Water"),
        (Slice, new PullRim(1, 0.06), p => Text(((SliceOutline)p.Ground.Outline).Reach), "0.9 0.8 0.95 0.85 0.9", "0.9 0.86 0.95 0.85 0.9"),
        (Slice, new PutHandles(8), p => ((SliceOutline)p.Ground.Outline).Reach.Length, "5", "8"),
        (Rings, new SupportInRows(3), p => p.Ground.Supports?.Length, "", "9"),
        (Rings, new MoveSupport(0, 4.4, -3), p => Text(Standing.SupportsOf(p.Ground).Take(1).Select(s => (s.XMm, s.YMm))),
            "(60, 40)", "(64, 37)"),
        (Letters, new SetCavityDepth(2, 8), p => Text((p.Ground.Mould!.CavityDepths ?? []).Select(d => (d.Part, d.DepthMm))), "", "(2, 8)"),
        (Tray, new MoveInsert("pool", 99.7, 50.2), p => Text(p.Ground.Mould!.Inserts!.Value.Select(i => (i.XMm, i.YMm))),
            "(120, 70)", "(100, 50)"),
        (Tray, new ShapeInsert("pool", OutlineShape.Oval), p => Text(p.Ground.Mould!.Inserts!.Value
            .Select(i => (i.Outline.GetType().Name, i.Outline.BoxWidthMm, i.Outline.BoxHeightMm))),
            "(RoundOutline, 60, 60)", "(OvalOutline, 60, 42)"),
        (Tray, new CastInMoulds(["coasters"]), p => (p.Ground.Outline.BoxWidthMm, p.Ground.Mould!.DepthMm, p.Ground.Mould!.Cavities),
            "(300, 15, 1)", "(95, 9, 4)"),
    ];

    public static TheoryData<int> Numbers => [.. Enumerable.Range(0, Lines.Length)];

    [Theory]
    [MemberData(nameof(Numbers))]
    public void A_command_makes_what_it_says(int line)
    {
        var (before, command, what, was, now) = Lines[line];
        Assert.Equal($"{command.GetType().Name}: {was}", $"{command.GetType().Name}: {Said(what(before))}");
        var after = Made(before, command);
        Assert.Equal($"{command.GetType().Name}: {now}", $"{command.GetType().Name}: {Said(what(after))}");
    }

    private static object Starts(Piece piece) => Text(piece.Sittings.Select(s => s.Start!.Value.ToString("dd HH:mm", null)));

    private static Piece As(LayoutKind kind) => Made(Rings, new LayOutAs(Field, null, kind));

    private static Piece Made(Piece piece, params Edit[] edits)
    {
        var made = Editing.Checked(piece, edits, AnyEdit.Cupboard);
        Assert.True(made.Refusal is null, $"{made.Place}: {made.Refusal}");
        return made.Piece!;
    }

    private static string Text<T>(IEnumerable<T> all) => string.Join(' ', all.Select(one => Said(one)));

    private static string Said(object? one) => FormattableString.Invariant($"{one}");
}

file static class Reading
{
    public static T In<T>(this Piece piece)
        where T : Layout => Assert.IsType<T>(piece.Layers[0].Layout);

    public static string All<T>(this Piece piece, Func<T, System.Collections.IEnumerable> what)
        where T : Layout => string.Join(' ', what(piece.In<T>()).Cast<object>().Select(one => FormattableString.Invariant($"{one}")));
}
