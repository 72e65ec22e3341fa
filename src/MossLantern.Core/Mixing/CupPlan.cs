using System.Collections.Immutable;
using MossLantern.Core.Documents;
using MossLantern.Core.Map;
using MossLantern.Core.Materials;
using MossLantern.Core.Units;

namespace MossLantern.Core.Mixing;

/// <summary>A region's resin.</summary>
/// <param name="RegionId">The region.</param>
/// <param name="CupId">The cup it is poured from.</param>
/// <param name="LayerMl">Area × depth, ml.</param>
/// <param name="EdgeMl">What runs over its part of the edge, ml.</param>
/// <param name="PourMl">What is poured on it, ml.</param>
public sealed record RegionVolume(RegionId RegionId, string CupId, Reckoned LayerMl, Reckoned EdgeMl, Reckoned PourMl);

/// <summary>What one cup holds.</summary>
/// <param name="CupId">The cup.</param>
/// <param name="RegionIds">The regions it serves.</param>
/// <param name="NeedMl">What must leave it, reserve included, ml.</param>
/// <param name="Reserve">The reserve in it.</param>
/// <param name="Loss">What stays on its wall.</param>
/// <param name="MixMl">What to mix, in steps that both parts can be measured in, ml; 0 for a cup that serves nothing.</param>
/// <param name="ResinMl">Resin, ml.</param>
/// <param name="ResinG">Resin, g.</param>
/// <param name="HardenerMl">Hardener, ml.</param>
/// <param name="HardenerG">Hardener, g.</param>
/// <param name="ColourantG">Colourant, g; null for clear resin.</param>
/// <param name="LimitPercent">Highest load of its colourant's class, %; null for clear resin.</param>
/// <param name="OverLimit">Whether its load is over the limit.</param>
/// <param name="Smallest">
/// The smallest mix that the artist's tool can measure within the maker's tolerance, where this one is smaller; else null.
/// </param>
/// <param name="Draws">What a mixed cup takes from others; empty for a cup that is mixed by itself.</param>
/// <param name="DrawnMl">What mixed cups take from this one, ml.</param>
/// <param name="Colour">Its colour at full cover, as <c>#rrggbb</c>: of a mixed cup, that of the mix; null for clear resin.</param>
public sealed record CupVolume(
    string CupId,
    ImmutableArray<RegionId> RegionIds,
    double NeedMl,
    Reckoned Reserve,
    Reckoned Loss,
    Reckoned MixMl,
    Reckoned ResinMl,
    Reckoned ResinG,
    Reckoned HardenerMl,
    Reckoned HardenerG,
    Reckoned? ColourantG,
    double? LimitPercent,
    bool OverLimit,
    Reckoned? Smallest,
    ImmutableArray<CupDraw> Draws,
    double DrawnMl,
    string? Colour);

/// <summary>What a mixed cup takes from another.</summary>
/// <param name="CupId">The other cup.</param>
/// <param name="Ml">How much, ml.</param>
public sealed record CupDraw(string CupId, Reckoned Ml);

/// <summary>A layer's resin, split into its cups.</summary>
/// <param name="Regions">Regions in the order of the map.</param>
/// <param name="Cups">Cups in the order of the layer.</param>
/// <param name="TotalMl">All cups together, ml; mixed ones are filled from the others and add nothing.</param>
public sealed record CupPlan(ImmutableArray<RegionVolume> Regions, ImmutableArray<CupVolume> Cups, Reckoned TotalMl);

/// <summary>Works out a layer's cups from its map.</summary>
/// <remarks>Source: docs/craft/mixing.md.</remarks>
public static class CupPlanner
{
    /// <summary>Thickness of the film that stays on an open side, mm.</summary>
    public const double SideFilmMm = 0.5;

    /// <summary>Share of an open-edged layer that drips off.</summary>
    public const double DripShare = 0.1;

    /// <summary>What stays in any cup, ml.</summary>
    public const double CupLossMl = 1.5;

    /// <summary>Share of what must leave a cup that stays in it.</summary>
    public const double CupLossShare = 0.02;

    /// <summary>Side film and drips of an open edge, ml; without an edge the drips alone, without sides no film.</summary>
    /// <param name="openEdgeMm">Length of open edge, mm.</param>
    /// <param name="sideHeightMm">Height of the sides, mm.</param>
    /// <param name="layerMl">The layer's or region's volume, ml.</param>
    /// <param name="filmMm">Thickness of the film on the side, mm.</param>
    /// <param name="dripShare">Share that drips off.</param>
    public static double EdgeMl(
        double openEdgeMm, double sideHeightMm, double layerMl, double filmMm = SideFilmMm, double dripShare = DripShare) =>
        openEdgeMm * sideHeightMm * filmMm / 1000 + dripShare * layerMl;

    /// <summary>What must leave a cup, reserve included, ml; nothing where stones take up all of it.</summary>
    /// <param name="layerMl">Area × depth of its regions, ml.</param>
    /// <param name="displacedMl">What stones below the level displace, ml.</param>
    /// <param name="edgeMl">What runs over the edge, ml.</param>
    /// <param name="reserve">Reserve, as a share.</param>
    public static double NeedMl(double layerMl, double displacedMl, double edgeMl, double reserve) =>
        Math.Max(0, layerMl - displacedMl + edgeMl) * (1 + reserve);

    /// <summary>What to mix in a cup, ml, not rounded; of a cup from which nothing is to come, what would stay in it.</summary>
    /// <param name="needMl">What must leave the cup, reserve included, ml.</param>
    /// <param name="transfers">Times the resin is moved to another cup.</param>
    public static double CupMl(double needMl, int transfers = 0) => needMl + LossMl(needMl, transfers);

    /// <summary>What stays in the cups, ml: even of a need of 0 what clings to a cup.</summary>
    /// <param name="needMl">What must leave the cup, reserve included, ml.</param>
    /// <param name="transfers">Times the resin is moved to another cup.</param>
    /// <param name="cupMl">What stays in any cup, ml.</param>
    /// <param name="share">Share of the need that stays as well.</param>
    public static double LossMl(double needMl, int transfers = 0, double cupMl = CupLossMl, double share = CupLossShare) =>
        (cupMl + share * needMl) * (1 + transfers);

    /// <summary>The cups of a layer.</summary>
    /// <param name="ground">The piece's ground.</param>
    /// <param name="layer">A valid layer.</param>
    /// <param name="map">The layer's map.</param>
    /// <param name="depths">Where each region is how deep, in the order of the map's regions.</param>
    /// <param name="around">What it is worked out in.</param>
    public static CupPlan Plan(Ground ground, FilledLayer layer, LayerMap map, ImmutableArray<ImmutableArray<DepthShare>> depths, Surroundings around)
    {
        ArgumentNullException.ThrowIfNull(around);
        ArgumentNullException.ThrowIfNull(ground);
        ArgumentNullException.ThrowIfNull(layer);
        ArgumentNullException.ThrowIfNull(map);
        var regions = map.Regions.Zip(depths)
            .Where(r => r.First.CupId is not null && (r.First.Kind != RegionKind.HeartBed || r.First.AreaMm2 > 0))
            .Select(r => Volume(ground, layer, r.First, r.Second, r.First.CupId!)).ToImmutableArray();
        var system = layer.Resin.From(around.Catalogue);

        // Mixed cups first: what they take has to be in the others.
        var mixed = layer.Cups.Where(c => c.Of is not null).ToDictionary(c => c.Id, c => Mixed(layer, c, system, regions, around));
        var drawn = mixed.Values.SelectMany(m => m.Draws).ToLookup(d => d.CupId, d => d.Ml.Value);
        var cups = layer.Cups.Select(cup => mixed.GetValueOrDefault(cup.Id) ?? Cup(layer, cup, system, regions, drawn[cup.Id].Sum(), around)).ToImmutableArray();
        var own = layer.Cups.Zip(cups).Where(c => c.First.Of is null).ToList();
        var total = new Reckoned(own.Sum(c => c.Second.MixMl.Value), "ml", Formulas.LayerVolume,
            [.. own.Select(c => new ReckonedInput(c.First.Name, c.Second.MixMl.Value, "ml", Origin.Reckoned))]);
        return new(regions, cups, total);
    }

    /// <summary>A cup that is filled from others: nothing is measured for it by itself.</summary>
    private static CupVolume Mixed(FilledLayer layer, Recipe cup, ResinSystem system, ImmutableArray<RegionVolume> regions, Surroundings around)
    {
        var filled = Cup(layer, cup, system, regions, 0, around);
        var shares = cup.Of!.Value;
        var all = shares.Sum(s => s.Parts);
        Reckoned Nothing(Reckoned of) => Reckoned.Of(0, of.Unit, Formulas.CupNone, new ReckonedInput("regions", 0, "ml", Origin.Reckoned));
        return filled with
        {
            ResinMl = Nothing(filled.ResinMl),
            ResinG = Nothing(filled.ResinG),
            HardenerMl = Nothing(filled.HardenerMl),
            HardenerG = Nothing(filled.HardenerG),
            ColourantG = null,
            LimitPercent = null,
            OverLimit = false,
            Smallest = null,
            Draws =
            [
                .. shares.Select(s => new CupDraw(s.RecipeId, Reckoned.Of(filled.MixMl.Value * s.Parts / all, "ml", Formulas.MixedDraw,
                    new("mixed cup", filled.MixMl.Value, "ml", Origin.Reckoned),
                    new("parts of it", s.Parts, "", Origin.Own, $"{PlaceIn.Recipe(cup.Id)}.of[{s.RecipeId}].parts"),
                    new("parts in all", all, "", Origin.Reckoned)))),
            ],
        };
    }

    private static RegionVolume Volume(Ground ground, FilledLayer layer, Region region, ImmutableArray<DepthShare> depths, string cupId)
    {
        var copies = ground.AtOnce;
        var ml = region.Own is { } own ? OwnMl(ground, layer, region, own, copies) : AllOf(ground, [.. depths.Where(d => d.AreaMm2 > 0 || depths.Length == 1)], layer);

        // What is poured as so many millilitres is that much: what runs over its edge is a part of it.
        if (ground.Edge != EdgeStyle.DrippedOver || region.Own is { LengthMm: null })
        {
            return Poured(PlaceIn.Region(layer.Id, region.Id), region.Id, cupId, ml, Reckoned.Of(0, "ml", Formulas.EdgeNone, new ReckonedInput("open perimeter", region.OpenEdgeMm * copies, "mm", Origin.Reckoned)));
        }

        var film = layer.Losses?.FilmMm ?? SideFilmMm;
        var drip = layer.Losses?.DripPercent ?? DripShare * 100;
        var open = region.OpenEdgeMm * copies;
        var edge = Reckoned.Of(
            EdgeMl(open, ground.SideHeightMm, ml.Value, film, drip / 100), "ml", Formulas.EdgeVolume,
            new("open perimeter", open, "mm", Origin.Reckoned),
            new("side height", ground.SideHeightMm, "mm", Origin.Own, "ground.sideHeightMm"),
            new("film thickness", film, "mm", OriginOf(layer.Losses?.FilmMm is not null), layer.SittingPlace + ".losses.filmMm"),
            new("drip share", drip, "%", OriginOf(layer.Losses?.DripPercent is not null), layer.SittingPlace + ".losses.dripPercent"),
            new("layer volume", ml.Value, "ml", Origin.Reckoned));
        return Poured(PlaceIn.Region(layer.Id, region.Id), region.Id, cupId, ml, edge);
    }

    /// <summary>Area × depth of some parts, in all panels or cavities that are poured at once.</summary>
    /// <param name="ground">The ground.</param>
    /// <param name="shares">The parts.</param>
    /// <param name="layer">The layer.</param>
    /// <param name="pouredMl">What besides is poured by the millilitre, of all panels or cavities, ml.</param>
    internal static Reckoned AllOf(Ground ground, ImmutableArray<DepthShare> shares, FilledLayer layer, double pouredMl = 0)
    {
        var copies = ground.AtOnce;
        var holds = ground.Mould?.Holds(ground.Outline) ?? 1;
        shares = [.. shares.GroupBy(d => (d.Where, d.DepthMm)).Select(g => g.First() with { AreaMm2 = g.Sum(d => d.AreaMm2) })];
        return new(shares.Sum(d => d.Ml) * copies * holds + pouredMl, "ml", Formulas.RegionVolume,
        [
            .. shares.SelectMany(d => new[]
            {
                new ReckonedInput($"area {d.Where}".TrimEnd(), d.AreaMm2 / 100, "cm²", Origin.Reckoned),
                new ReckonedInput($"depth {d.Where}".TrimEnd(), d.DepthMm, "mm", d.DepthMm == layer.DepthMm ? Origin.Own : Origin.Reckoned, layer.Place + ".depthMm"),
            }),
            .. copies == 1 ? Array.Empty<ReckonedInput>() : [new(ground.Set is null ? "pieces at once" : "panels", copies, "", Origin.Own)],
            .. holds == 1 ? Array.Empty<ReckonedInput>() : [new("share the mould holds", holds * 100, "%", Origin.Reckoned)],
            .. pouredMl == 0 ? Array.Empty<ReckonedInput>() : [new("poured by the ml", pouredMl, "ml", Origin.Reckoned)],
        ]);
    }

    /// <summary>What is poured as it is asked for, or laid on others along its length.</summary>
    private static Reckoned OwnMl(Ground ground, FilledLayer layer, Region region, OwnVolume own, int copies)
    {
        var place = PlaceIn.LaidOut(layer.Id, region.Id.Zone);
        var id = region.Id.Own;
        ReckonedInput[] times = copies == 1 ? [] : [new(ground.Set is null ? "pieces at once" : "panels", copies, "", Origin.Own)];
        return own.LengthMm is { } length
            ? new(own.Ml * copies, "ml", Formulas.VeinVolume,
            [
                new("length", length, "mm", Origin.Reckoned),
                new("width", own.WidthMm!.Value, "mm", Origin.Own, place + ".layout.vein.widthMm"),
                new("thickness", own.ThicknessMm!.Value, "mm", Origin.Own, place + ".layout.vein.thicknessMm"),
                .. times,
            ])
            : new(own.Ml * copies, "ml", Formulas.PuddlePour, [new("asked for", own.Ml, "ml", Origin.Own, $"{place}.layout.pours[{id}].ml"), .. times]);
    }

    private static RegionVolume Poured(string place, RegionId regionId, string cupId, Reckoned layer, Reckoned edge) =>
        new(regionId, cupId, layer with { Place = place }, edge with { Place = place }, Reckoned.Of(layer.Value + edge.Value, "ml", Formulas.PourVolume,
            new("region", layer.Value, "ml", Origin.Reckoned),
            new("edges", edge.Value, "ml", Origin.Reckoned)) with
        { Place = place });

    private static CupVolume Cup(FilledLayer layer, Recipe cup, ResinSystem system, ImmutableArray<RegionVolume> regions, double drawnMl, Surroundings around)
    {
        var own = regions.Where(r => r.CupId == cup.Id).ToList();
        var layerMl = own.Sum(r => r.LayerMl.Value);
        var edgeMl = own.Sum(r => r.EdgeMl.Value);
        var reserve = (layer.ReservePercent ?? around.Habits.ReservePercent) / 100;
        // What goes to a mixed cup has its reserve in it already.
        var need = NeedMl(layerMl, 0, edgeMl, reserve) + drawnMl;
        var stays = layer.Losses?.CupMl ?? CupLossMl;
        var staysPercent = layer.Losses?.CupPercent ?? CupLossShare * 100;
        var loss = need > 0 ? LossMl(need, 0, stays, staysPercent / 100) : 0;

        var step = layer.Tools?.CupStepMl ?? around.Habits.CupStepMl;
        var byVolume = system.Ratio.Basis == RatioBasis.Volume;

        // A cup that is filled from others is marked to its step; one that is measured in two cups takes whole steps of both parts.
        var measured = layer.Measure == Measure.ByVolume && cup.Of is null;
        var share = Parts.OfVolume(system.Ratio, system.ResinDensity, system.HardenerDensity, 1).ResinMl;
        var mix = need + loss <= 0 ? 0 : measured ? MeasuringSteps.InSteps(share, need + loss, step, TypicalMaterials.RatioTolerance) : MeasuringSteps.Up(need + loss, step);
        var parts = mix == 0 ? new(0, 0, 0, 0)
            : measured ? MeasuringSteps.ToStep(share, system.ResinDensity, system.HardenerDensity, mix, step)
            : Parts.OfVolume(system.Ratio, system.ResinDensity, system.HardenerDensity, mix);
        var colourant = cup.Colourant is { } c and not ColourantClass.Lacing ? around.Catalogue.Of(c) : null;
        ReckonedInput layerInput = new("regions", layerMl, "ml", Origin.Reckoned), edgeInput = new("edges", edgeMl, "ml", Origin.Reckoned),
            reserveInput = new("reserve", reserve * 100, "%", layer.ReservePercent is null ? Origin.Default : Origin.Own, layer.SittingPlace + ".reservePercent"),
            needInput = new("need", need, "ml", Origin.Reckoned),
            staysInput = new("stays in any cup", stays, "ml", OriginOf(layer.Losses?.CupMl is not null), layer.SittingPlace + ".losses.cupMl"),
            staysShare = new("share of the need that stays", staysPercent, "%", OriginOf(layer.Losses?.CupPercent is not null), layer.SittingPlace + ".losses.cupPercent"),
            cupInput = new("cup", mix, "ml", Origin.Reckoned), resinInput = new("resin", parts.ResinMl, "ml", Origin.Reckoned);
        var mixMl = mix == 0 ? Reckoned.Of(0, "ml", Formulas.CupNone, layerInput) : new Reckoned(mix, "ml", measured ? Formulas.CupVolume : Formulas.CupRounded,
        [
            layerInput, edgeInput, reserveInput,
            .. drawnMl > 0 ? [new ReckonedInput("to mixed cups", drawnMl, "ml", Origin.Reckoned)] : Array.Empty<ReckonedInput>(),
            needInput, staysInput, staysShare,
            new("stays in this cup", loss, "ml", Origin.Reckoned),
            new("cup step", step, "ml", OriginOf(layer.Tools?.CupStepMl is not null), layer.SittingPlace + ".tools.cupStepMl"),
            .. measured ? [resinInput, new("hardener", parts.HardenerMl, "ml", Origin.Reckoned)] : Array.Empty<ReckonedInput>(),
        ]);

        // A ratio by weight, read in marked cups, is the volumes that those weights take up.
        ReckonedInput Part(string part, double amount, double density, string property)
        {
            var field = $"{layer.SittingPlace}.resin.ratio.{part}";
            return byVolume || !measured
                ? new(byVolume ? $"{part} parts by volume" : $"{part} parts by weight", amount, "", system.OriginOf(property), field)
                : new($"{part} parts by volume", amount / density, "", Origin.Reckoned);
        }

        ReckonedInput[] ratio = [Part("resin", system.Ratio.Resin, system.ResinDensity, MaterialProperties.RatioResin), Part("hardener", system.Ratio.Hardener, system.HardenerDensity, MaterialProperties.RatioHardener)];
        ReckonedInput Density(string part, double density) => new($"density of the {part}", density, "g/ml", system.OriginOf($"{part}Density"), $"{layer.SittingPlace}.resin.{part}Density");
        ReckonedInput massInput = new("cup mass", parts.TotalG, "g", Origin.Reckoned);
        return new(
            cup.Id,
            [.. own.Select(r => r.RegionId)],
            need,
            Reckoned.Of((layerMl + edgeMl) * reserve, "ml", Formulas.CupReserve, layerInput, edgeInput, reserveInput),
            need > 0 ? Reckoned.Of(loss, "ml", Formulas.CupLoss, needInput, staysInput, staysShare) : Reckoned.Of(0, "ml", Formulas.CupNone, layerInput),
            mixMl,
            measured
                ? new(parts.ResinMl, "ml", Formulas.PartResinToStep, [cupInput, .. ratio, new("cup step", step, "ml", OriginOf(layer.Tools?.CupStepMl is not null), layer.SittingPlace + ".tools.cupStepMl")])
                : byVolume ? new(parts.ResinMl, "ml", Formulas.PartResinByVolume, [cupInput, .. ratio])
                : new(parts.ResinMl, "ml", Formulas.PartResinByWeight, [massInput, .. ratio, Density("resin", system.ResinDensity)]),
            Mass(parts.ResinMl, parts.ResinG, "resin", Density("resin", system.ResinDensity)),
            measured || byVolume
                ? Reckoned.Of(parts.HardenerMl, "ml", Formulas.PartHardenerByVolume, cupInput, resinInput)
                : new(parts.HardenerMl, "ml", Formulas.PartHardenerByWeight, [massInput, .. ratio, Density("hardener", system.HardenerDensity)]),
            Mass(parts.HardenerMl, parts.HardenerG, "hardener", Density("hardener", system.HardenerDensity)),
            colourant is null ? null : Reckoned.Of(parts.TotalG * cup.LoadPercent / 100, "g", Formulas.ColourantMass,
                new("mixed mass", parts.TotalG, "g", Origin.Reckoned),
                new("load", cup.LoadPercent, "%", Origin.Own, PlaceIn.Recipe(cup.Id) + ".doses[0].percent")),
            colourant?.LimitPercent,
            colourant is not null && cup.LoadPercent > colourant.LimitPercent,
            SmallestOf(layer, parts, mix, around),
            [],
            drawnMl,
            CupLook.Of(around.Catalogue, layer, cup) is { CoverPerMm: > 0 } look ? look.Colour.ToHex() : null);
    }

    private static Reckoned Mass(double ml, double g, string part, ReckonedInput density) =>
        Reckoned.Of(g, "g", Formulas.PartMass, new(part, ml, "ml", Origin.Reckoned), density);

    private static Origin OriginOf(bool own) => own ? Origin.Own : Origin.Default;

    private static Reckoned? SmallestOf(FilledLayer layer, Mixed parts, double mixMl, Surroundings around)
    {
        if (mixMl == 0)
        {
            return null;
        }

        var byVolume = layer.Measure == Measure.ByVolume;
        var smaller = byVolume
            ? Math.Min(parts.ResinMl, parts.HardenerMl)
            : Math.Min(parts.ResinG, parts.HardenerG);
        var (step, own) = byVolume
            ? (layer.Tools?.CupStepMl ?? around.Habits.CupStepMl, layer.Tools?.CupStepMl is not null)
            : (layer.Tools?.ScaleStepG ?? around.Habits.ScaleStepG, layer.Tools?.ScaleStepG is not null);
        var (least, unit) = (MeasuringSteps.SmallestMeasurable(step, TypicalMaterials.RatioTolerance), byVolume ? "ml" : "g");
        return smaller >= least ? null : Reckoned.Of(MeasuringSteps.Up(mixMl * least / smaller, 1), "ml", Formulas.SmallestMix,
            new("mix", mixMl, "ml", Origin.Reckoned),
            new("smaller part", smaller, unit, Origin.Reckoned),
            new("step", step, unit, OriginOf(own), layer.SittingPlace + (byVolume ? ".tools.cupStepMl" : ".tools.scaleStepG")),
            new("tolerance", 100 * TypicalMaterials.RatioTolerance, "%", Origin.Default));
    }
}
