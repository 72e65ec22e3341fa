using System.Collections.Immutable;
using FluentValidation;
using MossLantern.Core.Curing;
using MossLantern.Core.Documents;
using MossLantern.Core.Map;
using MossLantern.Core.Materials;
using MossLantern.Core.Planning;
using MossLantern.Core.Plans;
using MossLantern.Core.Timeline;
using MossLantern.Core.Units;
using NodaTime;
using P = MossLantern.Core.Materials.MaterialProperties;

namespace MossLantern.Core.Tests;

/// <summary>The catalogue: every typical value, and the person's own laid over them.</summary>
public sealed class MaterialTests
{
    /// <summary>Every value of every table: a material, its properties in the order of the row.</summary>
    public static TheoryData<MaterialKind, string, string[], double[]> Tables()
    {
        string[] resin =
        [
            P.RatioResin, P.RatioHardener, P.ResinDensity, P.HardenerDensity, P.Viscosity, P.WorkingMinutes,
            P.TapeFromHours, P.TapeToHours, P.DripHours, P.TackFreeHours,
            P.RecoatFromHours, P.RecoatToHours, P.DemouldHours, P.FullCureHours, P.DeepestMm, P.HeatC, P.ReferenceC,
        ];
        string[] colourant = [P.UsualFromPercent, P.UsualToPercent, P.LimitPercent, P.Density, P.Cover];
        string[] liquid = [.. colourant, P.DropMl];
        string[] stone = [P.BulkDensity, P.SolidDensity, P.Solids];
        string[] barrier = [P.HeightFromMm, P.HeightToMm, P.ReadyHours];
        string[] board = [P.BoardDensity, P.Stiffness];
        string[] pen = [P.DryFromHours, P.DryToHours];
        return new()
        {
            { MaterialKind.Resin, "coating", resin, [1, 1, 1.15, 0.98, 1.6, 45, 2, 3.5, 0.5, 12, 4, 24, 24, 72, 6, 50, 22] },
            { MaterialKind.Resin, "thick", resin, [1, 1, 1.16, 1.00, 3.5, 45, 2, 4, 0.5, 16, 5, 24, 24, 72, 6, 50, 22] },
            { MaterialKind.Resin, "quick", resin, [1, 1, 1.12, 0.97, 0.5, 35, 1.5, 2.5, 0.5, 6, 3, 12, 8, 48, 10, 50, 22] },
            { MaterialKind.Resin, "casting", resin, [2, 1, 1.13, 0.97, 0.35, 60, 4, 6, 1, 18, 8, 36, 30, 168, 25, 60, 22] },
            { MaterialKind.Resin, "heat", resin, [2, 1, 1.16, 1.01, 1.8, 40, 2, 3.5, 0.5, 12, 4, 24, 24, 168, 3, 100, 22] },
            { MaterialKind.Colourant, "paste", colourant, [2, 5, 10, 1.8, 1.2] },
            { MaterialKind.Colourant, "metallic-paste", colourant, [2, 6, 10, 2.0, 0.9] },
            { MaterialKind.Colourant, "mica", colourant, [1, 4, 6, 2.9, 0.25] },
            { MaterialKind.Colourant, "interference", colourant, [1, 3, 6, 2.9, 0.05] },
            { MaterialKind.Colourant, "alcohol-ink", liquid, [1, 3, 5, 0.85, 0.08, 0.05] },
            { MaterialKind.Colourant, "dye", liquid, [1, 4, 6, 1.0, 0.08, 0.05] },
            { MaterialKind.Colourant, "acrylic", liquid, [2, 6, 10, 1.3, 0.5, 0.05] },
            { MaterialKind.Colourant, "acrylic-metallic", liquid, [2, 6, 10, 1.3, 0.07, 0.05] },
            { MaterialKind.Colourant, "glitter", colourant, [2, 8, 12, 1.4, 0.03] },
            { MaterialKind.Colourant, "lacing", [P.UsualFromDrops, P.UsualToDrops, P.LimitDrops, P.Density, P.DropMl],
                [1, 3, 6, 0.97, 0.05] },
            { MaterialKind.Stone, "crushed-glass", stone, [1.40, 2.50, 0.56] },
            { MaterialKind.Stone, "fire-glass", stone, [1.45, 2.50, 0.58] },
            { MaterialKind.Stone, "mirror-glass", stone, [1.35, 2.50, 0.54] },
            { MaterialKind.Stone, "quartz-points", stone, [1.40, 2.65, 0.53] },
            { MaterialKind.Stone, "quartz-chips", stone, [1.45, 2.65, 0.55] },
            { MaterialKind.Stone, "resin-stones", stone, [0.70, 1.18, 0.59] },
            { MaterialKind.Stone, "glass-beads", stone, [1.55, 2.50, 0.62] },
            { MaterialKind.Stone, "pearls", stone, [0.70, 1.18, 0.59] },
            { MaterialKind.Stone, "shell", stone, [0.95, 2.70, 0.35] },
            { MaterialKind.Stone, "sand", stone, [1.60, 2.65, 0.60] },
            { MaterialKind.Barrier, "outliner", [.. barrier, P.ReadyAtMm], [1, 2, 1, 1.5] },
            { MaterialKind.Barrier, "liner", barrier, [1, 1.5, 24] },
            { MaterialKind.Barrier, "putty", barrier, [3, 25, 3] },
            { MaterialKind.Barrier, "silicone", [.. barrier, P.ReadyAtMm], [5, 10, 24, 3] },
            { MaterialKind.Barrier, "hot-glue", barrier, [3, 5, 2 / 60.0] },
            { MaterialKind.Barrier, "tape", [P.HeightToMm, P.ReadyHours], [12, 0] },
            { MaterialKind.Base, "birch-ply", board, [680, 8] },
            { MaterialKind.Base, "mdf", board, [750, 3.5] },
            { MaterialKind.Base, "pine", board, [500, 10] },
            { MaterialKind.Base, "acrylic", board, [1190, 3] },
            { MaterialKind.Base, "glass", board, [2500, 70] },
            { MaterialKind.Base, "canvas", [P.MassByArea], [0.5] },
            { MaterialKind.Base, "silicone", [P.MassByArea], [0] },
            { MaterialKind.Base, "resin", board, [1100, 3] },
            { MaterialKind.Base, "casting-sheet", [P.MassByArea], [0] },
            { MaterialKind.Base, "metal-rim", [], [] },
            { MaterialKind.Base, "cradled-panel", board, [680, 8] },
            { MaterialKind.Base, "painting", [], [] },
            { MaterialKind.Pen, "water-pen", pen, [2, 2] },
            { MaterialKind.Pen, "oil-pen", pen, [8, 8] },
            { MaterialKind.Pen, "chrome-pen", pen, [24, 24] },
            { MaterialKind.Pen, "solvent-marker", [], [] },
            { MaterialKind.Pen, "lacquer", pen, [2, 12] },
            { MaterialKind.Leaf, "leaf-size", [P.TackMinutes], [30] },
            { MaterialKind.Rubber, "mould-rubber",
                [P.RatioResin, P.RatioHardener, P.WorkingMinutes, P.SetsMinutes, P.Density], [1, 1, 40, 70, 1.15] },
            { MaterialKind.Tape, "tape-24", [P.TapeWidthMm, P.RollMetres], [24, 50] },
            { MaterialKind.Tape, "tape-36", [P.TapeWidthMm, P.RollMetres], [36, 50] },
            { MaterialKind.Tape, "tape-48", [P.TapeWidthMm, P.RollMetres], [48, 50] },
        };
    }

    [Theory(DisableDiscoveryEnumeration = true)]
    [MemberData(nameof(Tables))]
    public void A_typical_value_is_that_of_its_table(MaterialKind kind, string id, string[] properties, double[] values)
    {
        var material = Catalogue.Typical.Find(kind, id)!;
        Assert.Equal(properties.Zip(values).OrderBy(v => v.First, StringComparer.Ordinal), material.Values.Select(v => (v.Key, v.Value)));
        Assert.All(properties, p => Assert.Equal(Origin.Default, material.OriginOf(p)));
        Assert.All(material.Values, v => Assert.True(P.Of(kind).Single(p => p.Id == v.Key).Range.Contains(v.Value), v.Key));
    }

    [Fact]
    public void The_tables_are_the_whole_catalogue()
    {
        Assert.Equal(
            Catalogue.Typical.Materials.Select(m => (m.Kind, m.Id)).Order(), Tables().Select(t => (t.Data.Item1, t.Data.Item2)).Order());
        Assert.Equal(Enum.GetValues<BaseMaterial>().Length,
            Enum.GetValues<BaseMaterial>().Select(m => Catalogue.Typical.Of(m).Name).Distinct().Count());
        Assert.Equal(RatioBasis.Weight, Catalogue.Typical.Find(MaterialKind.Rubber, "mould-rubber")!.Basis);
        Assert.All(Catalogue.Typical.Resins, r => Assert.Equal(RatioBasis.Volume, r.Ratio.Basis));
        Assert.Contains("Sharp", Catalogue.Typical.Find(MaterialKind.Stone, "shell")!.Says, StringComparison.Ordinal);
        Assert.Contains("do not use", Catalogue.Typical.Find(MaterialKind.Pen, "solvent-marker")!.Says, StringComparison.Ordinal);
    }

    private static Catalogue With(string id, OwnMaterial own) => Catalogue.Typical.With([(id, own)]);

    private static OwnMaterial Own(MaterialKind kind, string like, params (string, double)[] values) =>
        new(kind, "Mine", like, values.ToImmutableSortedDictionary(v => v.Item1, v => v.Item2));

    private static LayerPlan Planned(Catalogue catalogue, Sketch layer)
    {
        var piece = Samples.Piece(Samples.Panel(), layer);
        return new PiecePlanner(new LayerMapper())
            .Plan(piece, [], Surroundings.Usual(DateTimeZone.Utc) with { Catalogue = catalogue }).Layers[0];
    }

    private static readonly Sketch Poured = Samples.Layer(Samples.Heart(300, 200), 20, 0)
        with
    { Plan = new(new(2026, 5, 1, 9, 0), null, null) };

    [Fact]
    public void Windows_heat_and_depths_follow_the_persons_figures_and_each_says_where_it_is_from()
    {
        var catalogue = With("coating",
            Own(MaterialKind.Resin, "coating", (P.RecoatFromHours, 6), (P.ResinDensity, 1.2), (P.DeepestMm, 4), (P.WorkingMinutes, 20)));
        var (before, after) = (Planned(Catalogue.Typical, Poured), Planned(catalogue, Poured));
        var next = after.Windows.Single(w => w.Milestone == Milestone.NextLayer);
        Assert.Equal(before.Windows.Single(w => w.Milestone == Milestone.NextLayer).Opens - before.Sitting.Span!.End
            + Duration.FromHours(2), next.Opens - after.Sitting.Span!.End);
        Assert.Equal(Origin.Own, next.OpensAfterHours.Input("at the reference temperature").Origin);
        Assert.Equal(Origin.Default, next.ClosesAfterHours!.Input("at the reference temperature").Origin);

        // Two densities are two origins.
        var cup = after.Sitting.Batches.All[0].Measured;
        Assert.Equal((1.2, Origin.Own), (cup.ResinG.Input("density of the resin").Value, cup.ResinG.Input("density of the resin").Origin));
        Assert.Equal((0.98, Origin.Default),
            (cup.HardenerG.Input("density of the hardener").Value, cup.HardenerG.Input("density of the hardener").Origin));

        var (typical, own) = (FilmHeat.HottestC(Catalogue.Typical.Resin("coating")!, 6,
            RoomCurve.Constant(22).InputAt(null)), FilmHeat.HottestC(catalogue.Resin("coating")!, 6, RoomCurve.Constant(22).InputAt(null)));
        Assert.True(own.Value > typical.Value, $"{own.Value} > {typical.Value}");
        Assert.Equal(Origin.Own, own.Input("working time of 100 g in a cup").Origin);
        Assert.Equal(4, catalogue.Resin("coating")!.DeepestMm);
    }

    [Fact]
    public void A_layers_own_data_win_over_the_cupboards()
    {
        var catalogue = With("coating", Own(MaterialKind.Resin, "coating", (P.ResinDensity, 1.2), (P.HardenerDensity, 1.0)));
        var system = new ResinChoice("coating", null, 1.3).From(catalogue);
        Assert.Equal((1.3, 1.0, 1.0), (system.ResinDensity, system.HardenerDensity, system.Ratio.Resin));
        Assert.Equal((Origin.Own, Origin.Own, Origin.Default),
            (system.OriginOf(P.ResinDensity), system.OriginOf(P.HardenerDensity), system.OriginOf(P.RatioResin)));
        Assert.Equal(Origin.Own, new ResinChoice("coating", new(RatioBasis.Weight, 100, 45)).From(catalogue).OriginOf(P.RatioHardener));
    }

    [Fact]
    public void A_resin_of_ones_own_is_like_a_typical_one_until_more_is_known()
    {
        var catalogue = With("own-1",
            Own(MaterialKind.Resin, "casting", (P.RatioResin, 100), (P.RatioHardener, 83)) with { Basis = RatioBasis.Weight });
        var resin = catalogue.Resin("own-1")!;
        Assert.Equal(("Mine", new MixRatio(RatioBasis.Weight, 100, 83), 25.0, 168.0),
            (resin.Name, resin.Ratio, resin.DeepestMm, resin.FullCureHours));
        Assert.Equal((Origin.Own, Origin.Default), (resin.OriginOf(P.RatioResin), resin.OriginOf(P.DeepestMm)));
        Assert.Equal(6, catalogue.Resins.Length);
        Assert.Equal("own-1", catalogue.Resins[^1].Id);
        Assert.NotEmpty(Planned(catalogue, Poured with { Resin = new("own-1") }).Cups.Cups);
    }

    [Fact]
    public void A_colourants_own_cover_and_limit_are_what_is_shown_and_minded()
    {
        var layer = Poured with { Recipes = [.. Poured.Cups.Select(c => c.WithColourant(ColourantClass.Mica).WithLoad(3))] };
        var catalogue = With("mica", Own(MaterialKind.Colourant, "mica", (P.Cover, 0.5), (P.LimitPercent, 2), (P.UsualToPercent, 2)));
        var (before, after) = (Planned(Catalogue.Typical, layer), Planned(catalogue, layer));
        Assert.Equal(100 * (1 - Math.Exp(-3 * 3 * 0.25)), before.Opacity["c1"].Value, 1e-9);
        Assert.Equal(100 * (1 - Math.Exp(-3 * 3 * 0.5)), after.Opacity["c1"].Value, 1e-9);
        Assert.Equal(Origin.Own, after.Opacity["c1"].Input("cover κ").Origin);
        Assert.False(before.Cups.Cups[0].Doses.Over);
        Assert.True(after.Cups.Cups[0].Doses.Over);
    }

    [Fact]
    public void A_bases_own_density_weighs_the_piece()
    {
        var ground = Samples.Panel() with { Base = new(PieceKind.Panel, BaseMaterial.BirchPly, 12) };
        var catalogue = With("birch-ply", Own(MaterialKind.Base, "birch-ply", (P.BoardDensity, 720)));
        var mass = new PiecePlanner(new LayerMapper())
            .Plan(Samples.Piece(ground, Poured), [],
                Surroundings.Usual(DateTimeZone.Utc) with { Catalogue = catalogue }).Ground.Standing.BaseMass!;
        Assert.Equal(0.6 * 0.4 * 0.012 * 720, mass.Value, 1e-9);
        Assert.Equal(Origin.Own, mass.Input("density").Origin);
    }

    [Fact]
    public void A_catalogues_key_tells_every_number_and_whose_it_is()
    {
        string Key(string id, OwnMaterial own) => With(id, own).Key;
        var keys = new[]
        {
            Catalogue.Typical.Key, Key("coating", Own(MaterialKind.Resin, "coating", (P.HeatC, 51))),
            Key("coating", Own(MaterialKind.Resin, "coating", (P.HeatC, 50))),
            Key("coating", Own(MaterialKind.Resin, "coating") with { Basis = RatioBasis.Weight }),
            Key("own-1", Own(MaterialKind.Resin, "coating")),
        };
        Assert.Distinct(keys);
        Assert.Equal(keys[1], Key("coating", Own(MaterialKind.Resin, "coating", (P.HeatC, 51)) with { Note = "data sheet" }));
        Assert.Equal(Catalogue.Typical.ColourKey, With("coating", Own(MaterialKind.Resin, "coating", (P.HeatC, 51))).ColourKey);
        Assert.Equal(Catalogue.Typical.Key,
            With("brush", Own(MaterialKind.Leaf, Catalogue.Typical.Materials.First(m => m.Kind == MaterialKind.Leaf).Id)).Key);
        Assert.NotEqual(Catalogue.Typical.Key, With("sand", Own(MaterialKind.Stone, "sand", (P.SolidDensity, 2.5))).Key);
        Assert.NotEqual(Catalogue.Typical.Key, With("mdf", Own(MaterialKind.Base, "mdf", (P.BoardDensity, 700))).Key);
        Assert.NotEqual(Catalogue.Typical.ColourKey, With("mica", Own(MaterialKind.Colourant, "mica", (P.Cover, 0.3))).ColourKey);
    }

    public static TheoryData<string, string, OwnMaterial> Refused { get; } = new()
    {
        { "Name", "from 1 to 120 characters", Own(MaterialKind.Resin, "coating") with { Name = " " } },
        { "Like", "like one of the typical ones", Own(MaterialKind.Resin, "syrup") },
        { "Like", "like one of the typical ones", Own(MaterialKind.Stone, "coating") },
        { "Basis", "Only what is mixed from two parts", Own(MaterialKind.Stone, "sand") with { Basis = RatioBasis.Weight } },
        { "Note", "up to 500 characters", Own(MaterialKind.Stone, "sand") with { Note = new('x', 501) } },
        { "values.sweetness", "no such property", Own(MaterialKind.Stone, "sand", ("sweetness", 1)) },
        { "values.usualFromPercent", "no such property", Own(MaterialKind.Colourant, "lacing", (P.UsualFromPercent, 1)) },
        { "values.viscosityPaS", "Viscosity when mixed must be from 0.01 to 200 Pa·s.",
            Own(MaterialKind.Resin, "coating", (P.Viscosity, 0.009)) },
        { "values.viscosityPaS", "Viscosity when mixed must be from 0.01 to 200 Pa·s.",
            Own(MaterialKind.Resin, "coating", (P.Viscosity, double.NaN)) },
        { "values.recoatFromHours", "Next layer from cannot be more than next layer until.",
            Own(MaterialKind.Resin, "coating", (P.RecoatFromHours, 25)) },
        { "values.recoatToHours", "Next layer from cannot be more than next layer until.",
            Own(MaterialKind.Resin, "coating", (P.RecoatToHours, 3.9)) },
        { "values.limitPercent", "Usual load to cannot be more than highest load.",
            Own(MaterialKind.Colourant, "mica", (P.LimitPercent, 3.9)) },
        { "values.fullCureHours", "Dry to the touch after cannot be more than cured through after.",
            Own(MaterialKind.Resin, "coating", (P.FullCureHours, 11)) },
    };

    [Theory(DisableDiscoveryEnumeration = true)]
    [MemberData(nameof(Refused))]
    public void What_a_material_cannot_be_is_refused_by_its_field(string field, string sentence, OwnMaterial own)
    {
        var failure = Assert.Single(new OwnMaterialValidator().Validate(own).Errors);
        Assert.Equal(field, failure.PropertyName, ignoreCase: true);
        Assert.Contains(sentence, failure.ErrorMessage, StringComparison.Ordinal);
    }

    [Fact]
    public void What_is_at_the_edge_is_taken()
    {
        Assert.True(new OwnMaterialValidator()
            .Validate(Own(MaterialKind.Resin, "coating", (P.RecoatFromHours, 24), (P.Viscosity, 0.01), (P.FullCureHours, 12))).IsValid);
        Assert.True(new OwnMaterialValidator().Validate(Own(MaterialKind.Colourant, "mica", (P.LimitPercent, 4))).IsValid);
    }

    [Fact]
    public void A_resin_that_the_cupboard_does_not_have_is_told_with_its_place_in_older_work_too()
    {
        var piece = Samples.Piece(Samples.Panel(), Poured with { Resin = new("syrup") });
        var failure = Assert.Single(Assert.Throws<ValidationException>(() => KnownMaterials.Check(piece, Catalogue.Typical)).Errors);
        Assert.Equal(("sittings[l1].resin.system", true),
            (failure.PropertyName, failure.ErrorMessage.Contains("coating, thick, quick", StringComparison.Ordinal)));
        var over = Samples.Piece(Samples.Panel()
            with
        { Old = new("Old", null, piece.Ground, piece.Growth, piece.Recipes, piece.Layers, piece.Sittings) }, Poured);
        Assert.Equal("ground.old.sittings[l1].resin.system",
            Assert.Single(Assert.Throws<ValidationException>(() => KnownMaterials.Check(over, Catalogue.Typical)).Errors).PropertyName);
        KnownMaterials.Check(piece, With("syrup", Own(MaterialKind.Resin, "coating")));
        var putAway = With("syrup", Own(MaterialKind.Resin, "coating") with { PutAway = true });
        KnownMaterials.Check(piece, putAway);
    }
}
