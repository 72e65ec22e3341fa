using System.Collections.Immutable;
using MossLantern.Core.Documents;
using MossLantern.Core.Map;
using MossLantern.Core.Materials;
using MossLantern.Core.Units;

namespace MossLantern.Core.Mixing;

/// <summary>What one pass pours on a region.</summary>
/// <param name="LayerId">The layer it is a region of.</param>
/// <param name="RegionId">The region.</param>
/// <param name="CupId">The cup it is poured from.</param>
/// <param name="LayerMl">Area × depth, ml.</param>
/// <param name="EdgeMl">What runs over its part of the edge, ml.</param>
/// <param name="PourMl">What is poured on it, ml.</param>
/// <param name="Pass">Which pass of the sitting over it, from 0.</param>
public sealed record RegionVolume(string LayerId, RegionId RegionId, string CupId, Reckoned LayerMl, Reckoned EdgeMl,
    Reckoned PourMl, int Pass = 0)
{
    /// <summary>What of the stones in the region lies below the level of this pass, of one copy, g.</summary>
    internal double StonesUnderG { get; init; }

    /// <summary>The same where it is piped as a paste: of that, resin is a share.</summary>
    internal RegionVolume AsPaste(double resinShare, ImmutableArray<ReckonedInput> inputs)
    {
        var resin = LayerMl.Value * resinShare;
        return this with
        {
            LayerMl = LayerMl with { Value = resin, Formula = Formulas.PasteResin, Inputs = inputs },
            PourMl = PourMl with
            {
                Value = resin + EdgeMl.Value,
                Inputs = [.. PourMl.Inputs.Select((input, i) => i == 0 ? input with { Value = resin } : input)],
            },
        };
    }

    /// <summary>The same where stones take up a part of the region: between them stays as much resin as their heap has room for.</summary>
    /// <param name="displacedMl">What all of them displace, ml.</param>
    /// <param name="solidsShare">The share of their heap that is solid.</param>
    /// <param name="inputs">What that was worked out from.</param>
    /// <param name="stonesG">Their mass, of one copy, g.</param>
    internal RegionVolume Among(double displacedMl, double solidsShare, double stonesG, ImmutableArray<ReckonedInput> inputs)
    {
        var taken = Math.Min(displacedMl, solidsShare * LayerMl.Value);
        var left = LayerMl.Value - taken;
        return this with
        {
            StonesUnderG = displacedMl > 0 ? stonesG * taken / displacedMl : 0,
            LayerMl = LayerMl with { Value = left, Formula = Formulas.RegionAmongStones, Inputs = [.. LayerMl.Inputs, .. inputs] },
            PourMl = PourMl with
            {
                Value = left + EdgeMl.Value,
                Inputs = [.. PourMl.Inputs.Select((input, i) => i == 0 ? input with { Value = left } : input)]
            },
        };
    }
}

/// <summary>What one cup holds.</summary>
/// <param name="CupId">The cup.</param>
/// <param name="Regions">The regions it serves.</param>
/// <param name="NeedMl">What must leave it, reserve included, ml.</param>
/// <param name="Reserve">The reserve in it.</param>
/// <param name="Loss">What stays on its wall.</param>
/// <param name="MixMl">What is in it, ml: rounded up to a step, and where it is mixed by itself, in steps that both
/// parts can be measured in; 0 for a cup that serves nothing.</param>
/// <param name="MixG">The same on a scale, g.</param>
/// <param name="Measured">Resin and hardener, where it is mixed by itself; null where it is poured off a jug or off other cups.</param>
/// <param name="Doses">What is stirred into it.</param>
/// <param name="Draws">What a mixed cup takes from others; empty for a cup that is mixed by itself.</param>
/// <param name="DrawnMl">What mixed cups take from this one, ml.</param>
/// <param name="Colour">Its colour at full cover, as <c>#rrggbb</c>: of a mixed cup, that of the mix; null for clear resin.</param>
/// <param name="Mixes">What each batch fills of it, in turn, where several do; else empty.</param>
public sealed record CupVolume(
    string CupId,
    ImmutableArray<RegionOf> Regions,
    double NeedMl,
    Reckoned Reserve,
    Reckoned Loss,
    Reckoned MixMl,
    Reckoned MixG,
    MeasuredMix? Measured,
    CupDoses Doses,
    ImmutableArray<CupDraw> Draws,
    double DrawnMl,
    string? Colour,
    ImmutableArray<CupMix> Mixes)
{
    /// <summary>What a batch fills of it; null where it fills all of it, or nothing.</summary>
    public CupMix? MixIn(string batchId) => Mixes.FirstOrDefault(m => m.BatchId == batchId);

    /// <summary>What was mixed in it, as somebody said, else as it is planned, ml.</summary>
    /// <param name="choices">What was said of single cups; null for nothing.</param>
    internal double ReallyMixedMl(ImmutableArray<CupChoice>? choices) =>
        choices?.FirstOrDefault(c => c.RecipeId == CupId)?.MixedMl ?? MixMl.Value;
}

/// <summary>What one of several batches fills of a cup.</summary>
/// <param name="BatchId">The batch.</param>
/// <param name="Number">Which of them it is, from 1.</param>
/// <param name="Percent">Its share of what has to leave the cup, %.</param>
/// <param name="MixMl">What is in it, ml.</param>
/// <param name="MixG">The same, g.</param>
/// <param name="Measured">Resin and hardener, where it is mixed in itself; null where it is poured off a jug.</param>
/// <param name="Doses">What is stirred into it.</param>
/// <remarks>Source: docs/craft/mixing.md, One colour from several batches.</remarks>
public sealed record CupMix(
    string BatchId, int Number, double Percent, Reckoned MixMl, Reckoned MixG, MeasuredMix? Measured, CupDoses Doses);

/// <summary>How a cup is filled from one of its batches.</summary>
/// <param name="BatchId">The batch.</param>
/// <param name="Percent">Its share of what has to leave the cup, %.</param>
/// <param name="Alone">Whether it is mixed in itself, or poured off a jug.</param>
public sealed record CupPart(string BatchId, double Percent, bool Alone)
{
    /// <summary>A cup that is filled at once.</summary>
    /// <param name="alone">Whether it is mixed in itself, or poured off a jug.</param>
    public static ImmutableArray<CupPart> Whole(bool alone) => [new("", 100, alone)];
}

/// <summary>What a mixed cup takes from another.</summary>
/// <param name="CupId">The other cup.</param>
/// <param name="Ml">How much, ml.</param>
public sealed record CupDraw(string CupId, Reckoned Ml);

/// <summary>A sitting's resin, split into its cups.</summary>
/// <param name="Regions">What is poured, region by region in the order of the maps.</param>
/// <param name="Cups">Cups in the order of the piece's recipes.</param>
/// <param name="TotalMl">All cups together, ml; mixed ones are filled from the others and add nothing.</param>
public sealed record CupPlan(ImmutableArray<RegionVolume> Regions, ImmutableArray<CupVolume> Cups, Reckoned TotalMl);

/// <summary>Works out a sitting's cups from what it pours.</summary>
/// <remarks>Source: docs/craft/mixing.md.</remarks>
public static class CupPlanner
{
    /// <summary>Thickness of the film that stays on an open side, mm.</summary>
    public const double SideFilmMm = 0.5;

    /// <summary>Share of an open-edged layer that drips off.</summary>
    public const double DripShare = 0.1;

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
    public static double CupMl(double needMl, int transfers = 0) => needMl + CupLoss.Ml(needMl, transfers);

    /// <summary>The cups of a sitting.</summary>
    /// <param name="lead">A layer as the sitting fills it: how it is mixed and measured.</param>
    /// <param name="cups">The recipes that it may pour from.</param>
    /// <param name="regions">What it pours.</param>
    /// <param name="parts">How a cup is filled, from one batch or from several.</param>
    /// <param name="around">What it is worked out in.</param>
    /// <param name="choices">What is wanted otherwise of single cups; null for nothing.</param>
    public static CupPlan Plan(
        FilledLayer lead, ImmutableArray<Recipe> cups, ImmutableArray<RegionVolume> regions, Func<string, ImmutableArray<CupPart>> parts,
        Surroundings around, ImmutableArray<CupChoice>? choices = null)
    {
        ArgumentNullException.ThrowIfNull(around);
        ArgumentNullException.ThrowIfNull(lead);
        ArgumentNullException.ThrowIfNull(parts);
        var tools = new Measuring(lead, around);

        // Mixed cups first: what they take has to be in the others.
        var known = cups.ToDictionary(c => c.Id);
        var mixed = cups.Where(c => c.Of is not null)
            .ToDictionary(c => c.Id, c => Mixed(c, Cup(tools, c, known, regions, 0, CupPart.Whole(false), choices)));
        var drawn = mixed.Values.SelectMany(m => m.Draws).ToLookup(d => d.CupId, d => d.Ml.Value);
        var all = cups.Select(cup => mixed.GetValueOrDefault(cup.Id)
            ?? Cup(tools, cup, known, regions, drawn[cup.Id].Sum(), parts(cup.Id), choices)).ToImmutableArray();
        var own = cups.Zip(all).Where(c => c.First.Of is null).ToList();
        var total = new Reckoned(own.Sum(c => c.Second.MixMl.Value), "ml", Formulas.LayerVolume,
            [.. own.Select(c => new ReckonedInput(c.First.Name, c.Second.MixMl.Value, "ml", Origin.Reckoned))]);
        return new(regions, all, total);
    }

    /// <summary>A cup that is filled from others: nothing is measured for it by itself.</summary>
    private static CupVolume Mixed(Recipe cup, CupVolume filled)
    {
        var shares = cup.Of!.Value;
        var all = shares.Sum(s => s.Parts);
        return filled with
        {
            Draws =
            [
                .. shares.Select(s => new CupDraw(s.RecipeId, Reckoned.Of(filled.MixMl.Value * s.Parts / all, "ml", Formulas.MixedDraw,
                    new("mixed cup", filled.MixMl.Value, "ml", Origin.Reckoned),
                    new("parts of it", s.Parts, "", Origin.Own, $"{PlaceIn.Recipe(cup.Id)}.of[{s.RecipeId}].parts"),
                    new("parts in all", all, "", Origin.Reckoned)))),
            ],
        };
    }

    /// <summary>What a pass over a region takes.</summary>
    /// <param name="ground">The piece's ground.</param>
    /// <param name="portion">The pass.</param>
    public static RegionVolume Volume(Ground ground, Portion portion)
    {
        ArgumentNullException.ThrowIfNull(ground);
        ArgumentNullException.ThrowIfNull(portion);
        var (layer, region, depths) = (portion.Layer, portion.Region, portion.Depths);
        var copies = Casting.Copies(layer, ground);
        var ml = region.Own is { } own ? OwnMl(ground, layer, region, own, copies)
            : AllOf(ground, [.. depths.Where(d => d.AreaMm2 > 0 || depths.Length == 1)], layer,
                copies: copies) is var all && portion.FillId is { } fill ? Domed(ground, portion, OfFill(all, fill, layer))
            : all;

        // What is poured as so many millilitres is that much: what runs over its edge is a part of it. A dome
        // ends at the edge.
        if (!ground.RunsOver || region.By == PouredBy.Amount || portion.Way == FillWay.Domed)
        {
            return Poured(portion, ml, Reckoned.Of(0, "ml", Formulas.EdgeNone,
                new ReckonedInput("open perimeter", region.OpenEdgeMm * copies, "mm", Origin.Reckoned)));
        }

        // The film on the side is paid by the first pass of a sitting that touches it.
        var film = layer.Sitting.Losses?.FilmMm ?? SideFilmMm;
        var drip = DripPercent(ground, layer);
        var open = portion.Pass > 0 ? 0 : region.OpenEdgeMm * copies;
        var edge = Reckoned.Of(
            EdgeMl(open, ground.SideHeightMm, ml.Value, film, drip / 100), "ml", Formulas.EdgeVolume,
            new("open perimeter", open, "mm", Origin.Reckoned),
            new("side height", ground.SideHeightMm, "mm", Origin.Own, "ground.sideHeightMm"),
            new("film thickness", film, "mm", OriginOf(layer.Sitting.Losses?.FilmMm is not null), layer.SittingPlace + ".losses.filmMm"),
            new("drip share", drip, "%", OriginOf(layer.Sitting.Losses?.DripPercent is not null),
                layer.SittingPlace + ".losses.dripPercent"),
            new("layer volume", ml.Value, "ml", Origin.Reckoned));
        return Poured(portion, ml, edge);
    }

    /// <summary>What of a layer drips off an edge that it runs over, %: of one that is rolled over nothing does.</summary>
    internal static double DripPercent(Ground ground, FilledLayer layer) =>
        ground.Edge == EdgeStyle.RolledOver ? 0 : layer.Sitting.Losses?.DripPercent ?? DripShare * 100;

    /// <summary>So far from the rim a dome is rounded off on average, mm.</summary>
    private const double DomeMm = 2;

    /// <summary>A dome holds less than what is flat: it is rounded off along the rim.</summary>
    private static Reckoned Domed(Ground ground, Portion portion, Reckoned flat)
    {
        var dome = portion.Depths.Select(d => d.DepthMm).DefaultIfEmpty(0).Max();
        if (portion.Way != FillWay.Domed || dome <= 0)
        {
            return flat;
        }

        var rim = Math.Min(portion.Region.OpenEdgeMm * Casting.Copies(portion.Layer, ground), 1000 * flat.Value / (DomeMm * dome));
        return Reckoned.Of(flat.Value - rim * dome * DomeMm / 1000, "ml", Formulas.DomeVolume,
            new("flat", flat.Value, "ml", Origin.Reckoned), new("rim", rim, "mm", Origin.Reckoned),
            new("dome", dome, "mm", Origin.Own, $"{portion.Layer.SittingPlace}.fills[{portion.FillId}].depthMm"),
            new("rounded off over", DomeMm, "mm", Origin.Default));
    }

    /// <summary>A fill's depth is decided at the fill.</summary>
    private static Reckoned OfFill(Reckoned all, string fillId, FilledLayer layer) => all with
    {
        Inputs = [.. all.Inputs
            .Select(i => i.Unit == "mm" ? i with { Origin = Origin.Own, Field = $"{layer.SittingPlace}.fills[{fillId}].depthMm" } : i)],
    };

    /// <summary>Area × depth of some parts, in all panels or cavities that are poured at once.</summary>
    /// <param name="ground">The ground.</param>
    /// <param name="shares">The parts.</param>
    /// <param name="layer">The layer.</param>
    /// <param name="pouredMl">What besides is poured by the millilitre, of all panels or cavities, ml.</param>
    /// <param name="copies">For how many copies; null for those that are poured at once.</param>
    internal static Reckoned AllOf(Ground ground, ImmutableArray<DepthShare> shares, FilledLayer layer,
        double pouredMl = 0, int? copies = null)
    {
        var (times, of) = (copies ?? ground.AtOnce, Times(ground, layer, copies ?? ground.AtOnce));
        var holds = ground.Mould?.Holds(ground.Outline) ?? 1;
        shares = [.. shares.GroupBy(d => (d.Where, d.DepthMm)).Select(g => g.First() with { AreaMm2 = g.Sum(d => d.AreaMm2) })];
        return new(shares.Sum(d => d.Ml) * times * holds + pouredMl, "ml", Formulas.RegionVolume,
        [
            .. shares.SelectMany(d => new[]
            {
                new ReckonedInput($"area {d.Where}".TrimEnd(), d.AreaMm2 / 100, "cm²", Origin.Reckoned),
                new ReckonedInput($"depth {d.Where}".TrimEnd(), d.DepthMm, "mm",
                    d.DepthMm == layer.DepthMm ? Origin.Own : Origin.Reckoned, layer.Place + ".depthMm"),
            }),
            .. of,
            .. holds == 1 ? Array.Empty<ReckonedInput>() : [new("share the mould holds", holds * 100, "%", Origin.Reckoned)],
            .. pouredMl == 0 ? Array.Empty<ReckonedInput>() : [new("poured by the ml", pouredMl, "ml", Origin.Reckoned)],
        ]);
    }

    /// <summary>How often it is poured, as an input; none for once.</summary>
    private static ReckonedInput[] Times(Ground ground, FilledLayer layer, int copies) => copies == 1 ? []
        : [new(ground.Set is null ? "pieces at once" : "panels", copies, "", Origin.Own,
            layer.Sitting.Copies is null ? null : layer.SittingPlace + ".copies")];

    /// <summary>What is poured as it is asked for, or laid on others along its length.</summary>
    private static Reckoned OwnMl(Ground ground, FilledLayer layer, Region region, OwnVolume own, int copies)
    {
        var place = PlaceIn.LaidOut(layer.Id, region.Id.Zone);
        var id = region.Id.Own;
        var times = Times(ground, layer, copies);
        return own.LengthMm is { } length
            ? new(own.Ml * copies, "ml", Formulas.LineVolume,
            [
                new("length", length, "mm", Origin.Reckoned),
                new("width", own.WidthMm!.Value, "mm", Origin.Own, PlaceIn.Line(own.LineId!) + ".section.widthMm"),
                new("thickness", own.ThicknessMm!.Value, "mm", Origin.Own, PlaceIn.Line(own.LineId!) + ".section.heightMm"),
                .. times,
            ])
            : new(own.Ml * copies, "ml", Formulas.PuddlePour,
                [new("asked for", own.Ml, "ml", Origin.Own, $"{place}.layout.pours[{id}].ml"), .. times]);
    }

    private static RegionVolume Poured(Portion portion, Reckoned layer, Reckoned edge)
    {
        var place = PlaceIn.Region(portion.Layer.Id, portion.Region.Id);
        return new(portion.Layer.Id, portion.Region.Id, portion.CupId, layer with { Place = place },
            edge with { Place = place }, Reckoned.Of(layer.Value + edge.Value, "ml", Formulas.PourVolume,
            new("region", layer.Value, "ml", Origin.Reckoned),
            new("edges", edge.Value, "ml", Origin.Reckoned)) with
            { Place = place }, portion.Pass);
    }

    private static CupVolume Cup(Measuring tools, Recipe cup, IReadOnlyDictionary<string, Recipe> known,
        ImmutableArray<RegionVolume> regions, double drawnMl, ImmutableArray<CupPart> parts, ImmutableArray<CupChoice>? choices)
    {
        var (layer, around) = (tools.Lead, tools.Around);
        var own = regions.Where(r => r.CupId == cup.Id).ToList();
        var layerMl = own.Sum(r => r.LayerMl.Value);
        var edgeMl = own.Sum(r => r.EdgeMl.Value);
        var choice = choices?.FirstOrDefault(c => c.RecipeId == cup.Id);
        var reserve = (choice?.ReservePercent ?? layer.Sitting.ReservePercent ?? around.Habits.ReservePercent) / 100;
        var heldMl = choice?.HeldBack?.Ml ?? 0;
        // What goes to a mixed cup has its reserve in it already; what is held back is so much.
        var need = NeedMl(layerMl, 0, edgeMl, reserve) + drawnMl + heldMl;
        ReckonedInput layerInput = new("regions", layerMl, "ml", Origin.Reckoned), edgeInput = new("edges", edgeMl, "ml", Origin.Reckoned),
            reserveInput = new(
                "reserve", reserve * 100, "%",
                choice?.ReservePercent is null && layer.Sitting.ReservePercent is null
                    ? around.Habits.OriginOf(h => h.ReservePercent) : Origin.Own,
                choice?.ReservePercent is null ? layer.SittingPlace + ".reservePercent"
                    : $"{layer.SittingPlace}.cupChoices[{cup.Id}].reservePercent"),
            needInput = new("need", need, "ml", Origin.Reckoned);
        ReckonedInput[] needs =
        [
            layerInput, edgeInput, reserveInput,
            .. drawnMl > 0 ? [new ReckonedInput("to mixed cups", drawnMl, "ml", Origin.Reckoned)] : Array.Empty<ReckonedInput>(),
            .. heldMl > 0 ? [new ReckonedInput("held back", heldMl, "ml", Origin.Own,
                $"{layer.SittingPlace}.cupChoices[{cup.Id}].heldBack.ml")] : Array.Empty<ReckonedInput>(),
        ];
        var empty = Reckoned.Of(0, "ml", Formulas.CupNone, layerInput);
        CupDoses Stirred(double ml, double g) => CupDoses.Of(around.Catalogue, cup, ml, g, tools.System.MixDensity, known);

        var loss = 0.0;
        ImmutableArray<CupMix> mixes = [];
        if (need > 0)
        {
            mixes = [.. parts.Select((part, i) =>
            {
                var mix = Mix(tools, part, need * part.Percent / 100, needs);
                loss += mix.LossMl;
                return new CupMix(part.BatchId, i + 1, part.Percent, mix.Ml, mix.G, mix.Measured, Stirred(mix.Ml.Value, mix.G.Value));
            })];
        }

        var all = mixes.Length == 1 ? mixes[0] : null;
        var (ml, grams) = (mixes.Sum(m => m.MixMl.Value), mixes.Sum(m => m.MixG.Value));
        return new(
            cup.Id,
            [.. own.Select(r => new RegionOf(r.LayerId, r.RegionId)).Distinct()],
            need,
            Reckoned.Of((layerMl + edgeMl) * reserve, "ml", Formulas.CupReserve, layerInput, edgeInput, reserveInput),
            need <= 0 ? empty : new(loss, "ml", Formulas.CupLoss,
                [needInput, .. tools.Stays, .. all is null ? [new ReckonedInput("batches", mixes.Length, "", Origin.Reckoned)]
                    : Array.Empty<ReckonedInput>()]),
            mixes.IsEmpty ? empty : all?.MixMl ?? new(ml, "ml", Formulas.CupOfBatches,
                [.. mixes.Select(m => new ReckonedInput($"mix {m.Number}", m.MixMl.Value, "ml", Origin.Reckoned))]),
            mixes.IsEmpty ? empty with { Unit = "g", Inputs = [layerInput with { Unit = "g" }] }
                : all?.MixG ?? new(grams, "g", Formulas.CupOfBatches,
                    [.. mixes.Select(m => new ReckonedInput($"mix {m.Number}", m.MixG.Value, "g", Origin.Reckoned))]),
            all?.Measured,
            all?.Doses ?? Stirred(ml, grams),
            [],
            drawnMl,
            CupLook.Of(around.Catalogue, layer, cup) is { CoverPerMm: > 0 } look ? look.Colour.ToHex() : null,
            all is null ? mixes : []);
    }

    /// <summary>What is mixed for a part of a cup.</summary>
    /// <param name="tools">How the sitting measures.</param>
    /// <param name="part">The part.</param>
    /// <param name="needMl">What has to leave it, ml; above 0.</param>
    /// <param name="needs">What the need of the whole cup was worked out from.</param>
    internal static (Reckoned Ml, Reckoned G, MeasuredMix? Measured, double LossMl) Mix(
        Measuring tools, CupPart part, double needMl, ReckonedInput[] needs)
    {
        var loss = tools.LossMl(needMl);

        // A cup that is filled from a jug or from others is marked to its step; one that is measured in two cups takes
        // whole steps of both parts.
        var mix = part.Alone ? tools.Up(needMl + loss) : MeasuringSteps.Up(needMl + loss, tools.StepMl);
        var parts = tools.Of(mix);
        var inSteps = part.Alone && tools.ByVolume;
        var massG = part.Alone ? parts.ResinG.Value + parts.HardenerG.Value : tools.MassG(mix);
        return (
            new(mix, "ml", inSteps ? Formulas.CupVolume : Formulas.CupRounded,
            [
                .. needs,
                .. part.Percent < 100 ? [new ReckonedInput("share of this batch", part.Percent, "%", Origin.Reckoned)]
                    : Array.Empty<ReckonedInput>(),
                new("need", needMl, "ml", Origin.Reckoned),
                .. tools.Stays,
                new("stays in this cup", loss, "ml", Origin.Reckoned),
                tools.Step,
                .. inSteps ? [new ReckonedInput("resin", parts.ResinMl.Value, "ml", Origin.Reckoned),
                    new("hardener", parts.HardenerMl.Value, "ml", Origin.Reckoned)] : Array.Empty<ReckonedInput>(),
            ]),
            Reckoned.Of(massG, "g", Formulas.CupMass, new("cup", mix, "ml", Origin.Reckoned),
                new("density of the mix", massG / mix, "g/ml", Origin.Reckoned)),
            part.Alone ? parts : null,
            loss);
    }

    private static Origin OriginOf(bool own) => own ? Origin.Own : Origin.Default;
}
