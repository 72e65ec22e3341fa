using System.Collections.Immutable;
using MossLantern.Core.Documents;
using MossLantern.Core.Materials;
using MossLantern.Core.Units;
using NodaTime;

namespace MossLantern.Core.Grounds;

/// <summary>Where something is prepared.</summary>
public enum PreparedAt
{
    /// <summary>On the face that is poured over.</summary>
    Face,

    /// <summary>On the back.</summary>
    Back,

    /// <summary>All round, at the rim.</summary>
    Rim,

    /// <summary>Under it, where it stands.</summary>
    Under,

    /// <summary>Over it.</summary>
    Over,
}

/// <summary>One thing to do before resin comes.</summary>
/// <param name="Id">Stable id.</param>
/// <param name="What">What to do.</param>
/// <param name="Why">What it is good for, or what to mind.</param>
/// <param name="Amount">How much it takes; null where nothing is used up.</param>
/// <param name="DryHours">How long it dries, h; null where nothing has to.</param>
/// <param name="Done">Whether it is done.</param>
/// <param name="At">When it was done, in local time; null where nobody noted it.</param>
/// <param name="ReadyAt">From when resin may come, in local time; null while not known.</param>
/// <param name="Dry">How long it dries, as it is worked out; null where nothing has to.</param>
/// <param name="Where">Where it is done.</param>
public sealed record PreparationStep(
    string Id, string What, string Why, Reckoned? Amount, double? DryHours, bool Done, LocalDateTime? At,
    LocalDateTime? ReadyAt, Reckoned? Dry, PreparedAt Where);

/// <summary>The paint for one zone of a painted map.</summary>
/// <param name="Name">Name of its colour.</param>
/// <param name="Colour">The colour, as <c>#rrggbb</c>.</param>
/// <param name="Amount">How much it takes.</param>
public sealed record PaintZone(string Name, string Colour, Reckoned Amount);

/// <summary>A way of sealing a ground.</summary>
/// <param name="Id">Stable id; its price is kept under it.</param>
/// <param name="Name">What with.</param>
/// <param name="Amount">How much it takes.</param>
/// <param name="DryHours">How long until resin may come, h.</param>
/// <param name="Mind">What speaks for it or against it.</param>
/// <param name="Cost">What it costs for this ground; null while its price is not known.</param>
/// <param name="CostPerM2">What it costs for a square metre; null while its price is not known.</param>
public sealed record SealWay(
    string Id, string Name, Reckoned Amount, double DryHours, string Mind, Reckoned? Cost = null, Reckoned? CostPerM2 = null)
{
    /// <summary>How long it dries, as it is worked out.</summary>
    public Reckoned Dry =>
        Reckoned.Of(DryHours, "h", Formulas.Drying, new ReckonedInput("time by its label, or typical", DryHours, "h", Origin.Default));
}

/// <summary>What has to be done to a ground, by its kind.</summary>
/// <remarks>Source: docs/craft/grounds.md, Preparation.</remarks>
public static class Preparation
{
    /// <summary>Wet film of one coat of paint, mm.</summary>
    public const double PaintFilmMm = 0.1;

    /// <summary>Wet film of a thin seal coat of resin, mm.</summary>
    public const double SealFilmMm = 0.3;

    /// <summary>Depth of filler on the back of a canvas, mm.</summary>
    public const double BackFillMm = 1.5;

    /// <summary>Drying time of filler on the back of a canvas, h.</summary>
    public const double BackFillHours = 24;

    /// <summary>Drying time of water-based paint, h.</summary>
    public const double WaterPaintHours = 2;

    /// <summary>Drying time of oil paint, h.</summary>
    public const double OilPaintHours = 8;

    /// <summary>Drying time of a sealant's skin, h.</summary>
    public const double SealantHours = 24;

    /// <summary>The list for a ground.</summary>
    /// <param name="ground">A valid ground.</param>
    /// <param name="around">What it is worked out in.</param>
    public static ImmutableArray<PreparationStep> Of(Ground ground, Surroundings around)
    {
        ArgumentNullException.ThrowIfNull(ground);
        ArgumentNullException.ThrowIfNull(around);
        var done = (ground.Done ?? []).ToDictionary(d => d.Id, d => d.At);
        return [.. Steps(ground, around.Catalogue).Select(step =>
        {
            var isDone = done.TryGetValue(step.Id, out var at);
            LocalDateTime? ready = at is { } time && step.DryHours is { } hours
                ? (around.Zone.AtLeniently(time) + Duration.FromHours(hours)).LocalDateTime
                : at;
            return step with { Done = isDone, At = at, ReadyAt = ready,
                Dry = step.DryHours is { } dries ? Drying(dries, ground.Paint?.DryHours == dries && step.Id == "paint") : null };
        })];
    }

    /// <summary>What a price of a litre can be kept for.</summary>
    public static ImmutableArray<string> PricedIds { get; } = ["primer", "resin", "varnish"];

    /// <summary>Ways to seal a ground, side by side.</summary>
    /// <param name="ground">A valid ground.</param>
    /// <param name="catalogue">The workshop's materials.</param>
    public static ImmutableArray<SealWay> SealWays(Ground ground, Catalogue catalogue)
    {
        ArgumentNullException.ThrowIfNull(ground);
        return
        [
            new("primer", "acrylic primer, two coats", Film(ground, PaintFilmMm, 2), 2 * WaterPaintHours,
                "Colours the ground; must be dry right through."),
            new("resin", "a thin coat of resin", Film(ground, SealFilmMm, 1), SealRecoatHours(catalogue),
                "Bonds best; pour the first layer inside its recoat window."),
            new("varnish", "clear water-based varnish, two coats", Film(ground, PaintFilmMm, 2), 2 * WaterPaintHours,
                "Keeps the wood visible; try on a scrap whether resin bonds."),
        ];
    }

    /// <summary>Ways to seal a ground with what they cost, where the price of a litre is known.</summary>
    /// <param name="ways">The ways for a ground.</param>
    /// <param name="prices">What a litre costs.</param>
    /// <param name="areaCm2">Area of the ground, cm².</param>
    public static ImmutableArray<SealWay> Priced(ImmutableArray<SealWay> ways, Prices prices, double areaCm2)
    {
        ArgumentNullException.ThrowIfNull(prices);
        return
        [
            .. ways.Select(way =>
            {
                if (!prices.PerLitre.TryGetValue(way.Id, out var price))
                {
                    return way;
                }

                var cost = way.Amount.Value / 1000 * price;
                ReckonedInput litre = new("price of a litre", price, prices.Money, Origin.Own),
                amount = new("amount", way.Amount.Value, "ml", Origin.Reckoned);
                return way with
                {
                    Cost = Reckoned.Of(cost, prices.Money, Formulas.SealCost, amount, litre),
                    CostPerM2 = Reckoned.Of(cost / (areaCm2 / 10_000), $"{prices.Money}/m²", Formulas.SealCost, amount,
                        litre, new("area", areaCm2, "cm²", Origin.Reckoned)),
                };
            }),
        ];
    }

    /// <summary>The paint for each zone of a painted map; none where the ground is of one colour.</summary>
    /// <param name="ground">A valid ground.</param>
    /// <param name="first">The first layer.</param>
    /// <param name="areaCm2">What is poured from each of its cups, cm²; a cup that fills nothing may be left out.</param>
    public static ImmutableArray<PaintZone> PaintZones(Ground ground, FilledLayer first, IReadOnlyDictionary<string, double> areaCm2)
    {
        ArgumentNullException.ThrowIfNull(ground);
        ArgumentNullException.ThrowIfNull(first);
        var boards = ground.Set is { Mirrored: true } set ? set.Count : 1;
        return ground.Paint is not { AsMap: true } paint ? [] :
        [
            .. first.Recipes.Select(cup => (Cup: cup, Cm2: boards * areaCm2.GetValueOrDefault(cup.Id)))
                .Where(zone => zone.Cm2 > 0)
                .Select(zone => new PaintZone(zone.Cup.Name, zone.Cup.Colourant is null ? ground.Colour : zone.Cup.Colour, Reckoned.Of(
                    zone.Cm2 * 100 * PaintFilmMm * paint.Coats / 1000, "ml", Formulas.GroundPaintVolume,
                    new("area", zone.Cm2, "cm²", Origin.Reckoned), new("film", PaintFilmMm, "mm", Origin.Default),
                    new("coats", paint.Coats, "", Origin.Own, "ground.paint.coats")))),
        ];
    }

    /// <summary>How long a thin coat of resin stands before the next: of the coating resin, h.</summary>
    private static double SealRecoatHours(Catalogue catalogue) => catalogue.Resin("coating")!.Recoat.FromHours;

    /// <summary>The ids of the steps of a ground.</summary>
    internal static IEnumerable<string> Ids(Ground ground, Catalogue catalogue) => Steps(ground, catalogue).Select(s => s.Id);

    private static Reckoned Drying(double hours, bool own) =>
        Reckoned.Of(hours, "h", Formulas.Drying,
            new ReckonedInput("time by its label, or typical", hours, "h", own ? Origin.Own : Origin.Default));

    private static IEnumerable<PreparationStep> Steps(Ground ground, Catalogue catalogue)
    {
        var kind = ground.Base?.Kind ?? PieceKind.Panel;
        if (ground.Old is { } old)
        {
            yield return old.ReliefMm > 0
                ? Step("key-old", "Roughen the old face with a fine pad, lines and stones too",
                    "Resin peels off a smooth cured face. Wet where you can; dust needs a mask of its own.")
                : Step("sand-old", "Sand the old face flat, wet where you can",
                    "Resin peels off a smooth cured face, and rings break on anything that stands proud. Dust needs a mask of its own.");
            yield return Step("wipe-old", "Wipe it down and let it dry",
                "Dust, wax and polish show as craters. No flame near the alcohol.");
        }

        switch (ground.Old is null ? ground.Base?.Material : null)
        {
            case BaseMaterial.BirchPly or BaseMaterial.Mdf or BaseMaterial.Pine or BaseMaterial.CradledPanel:
                yield return Step("sand", "Sand the face and wipe off the dust",
                    "Resin bonds to a clean, keyed face. Sanding dust needs a mask of its own.");
                yield return Step("seal", "Seal the face", "Open pores give off bubbles for hours.",
                    Film(ground, PaintFilmMm, 2), 2 * WaterPaintHours);
                break;
            case BaseMaterial.Acrylic or BaseMaterial.Glass:
                yield return Step("clean", "Clean off grease and film",
                    "Fingerprints show through, and resin peels where they are. No flame near the alcohol.");
                yield return Step("key", "Roughen the face with a fine pad", "Resin peels off a smooth face.");
                break;
            case BaseMaterial.Canvas:
                yield return Step("stiffen", "Stiffen the back",
                    "A stretched canvas sags in the middle, and resin pools there.", Film(ground, BackFillMm, 1), BackFillHours);
                yield return Step("seal", "Seal the face", "Bare canvas drinks resin, and its weave gives off bubbles.",
                    Film(ground, PaintFilmMm, 2), 2 * WaterPaintHours);
                break;
            case BaseMaterial.CastingSheet:
                yield return Step("sheet", "Lay the sheet flat and wipe it clean and dry",
                    "The side that lies on it becomes the glossy face, so the sheet is neither roughened nor painted.");
                yield return Step("release", "Check that the sheet bends",
                    "Once the piece is firm, the sheet is bent away from it, a little all round.");
                break;
            case BaseMaterial.MetalRim:
                yield return Step("degrease", "Wipe the metal with alcohol and let it dry",
                    "Resin bonds to clean metal: it is neither sanded nor sealed. No flame near the alcohol.");
                yield return Step("back-tape", "Tape the open back, burnished from the middle", "Tape that is not pressed down leaks.");
                break;
            case BaseMaterial.Painting:
                yield return Step("dust", "Check that the painting is dry right through, and dust it",
                    "It is neither sanded nor painted over: what is there is meant to be seen. Try the edge first.");
                yield return Step("seal-painting", "Seal it with a thin clear coat",
                    "Resin lifts some paints and varnishes; a thin coat shows that before it matters.",
                    Film(ground, SealFilmMm, 1), SealRecoatHours(catalogue));
                break;
        }

        if (kind == PieceKind.Casting)
        {
            yield return Step("wipe", "Wipe the mould clean and dry",
                "A hair or a drop of water shows on the face. Resin comes away from clean silicone by itself.");
            yield return Step("stiff", "Stand it on a stiff board", "A full mould bends when it is moved, and the resin in it too.");
        }

        if (ground.Paint is { } paint)
        {
            yield return Step(
                "paint", paint.Coats == 1 ? "Paint the ground" : $"Paint the ground, {paint.Coats} coats",
                "Must be dry right through before any resin.",
                Film(ground, PaintFilmMm, paint.Coats),
                paint.DryHours ?? (paint.Kind == PaintKind.Water ? WaterPaintHours : OilPaintHours));
        }

        switch (kind)
        {
            case PieceKind.Panel:
                yield return Step("back", "Mask the back",
                    "With tape, or a peelable latex mask: that smells strongly, and is not for anyone with a latex allergy.");
                break;
            case PieceKind.Slice:
                yield return ground.DamOf is { } of and not BarrierClass.Silicone
                    ? Step("dam", "Press the dam down all round", "What is not pressed down lets resin creep under it.", null,
                        (catalogue.OwnReady(of.MaterialId) ?? catalogue.Find(MaterialKind.Barrier, of.MaterialId)!)
                            [MaterialProperties.ReadyHours])
                    : Step("dam", "Press the dam down all round", "Grease the finger, never the casting face.", null,
                        SiliconeHours(catalogue));
                break;
            case PieceKind.Frame:
                yield return Step("caulk", "Seal the gaps from behind", "Thin resin finds every gap.", null, SiliconeHours(catalogue));
                break;
        }

        if (kind is PieceKind.Slice or PieceKind.Frame)
        {
            yield return Step("water", "Test it with water, and dry it again", "What holds water for ten minutes holds resin.");
        }

        yield return Step("level", "Raise it on its supports and level it where it will cure",
            "A fraction of a degree is enough to drift overnight.");
        yield return Step("cover", "Have a cover ready, higher than anything on the piece", "Dust, hair and insects.");
    }

    /// <summary>How long a bead of silicone dries: as the person's own data say, else a sealant's usual time, h.</summary>
    private static double SiliconeHours(Catalogue catalogue) =>
        catalogue.OwnReady(Silicone)?[MaterialProperties.ReadyHours] ?? SealantHours;

    private const string Silicone = "silicone";

    private static PreparationStep Step(string id, string what, string why, Reckoned? amount = null, double? dryHours = null) =>
        new(id, what, why, amount, dryHours, false, null, null, null, WhereOf(id));

    private static PreparedAt WhereOf(string id) => id switch
    {
        "stiffen" or "back" or "back-tape" or "release" => PreparedAt.Back,
        "dam" or "caulk" or "water" or "degrease" => PreparedAt.Rim,
        "stiff" or "level" => PreparedAt.Under,
        "cover" => PreparedAt.Over,
        _ => PreparedAt.Face,
    };

    private static Reckoned Film(Ground ground, double filmMm, int coats) => Reckoned.Of(
        ground.Whole.AreaMm2 * filmMm * coats / 1000, "ml", Formulas.GroundPaintVolume,
        new("area", ground.Whole.AreaMm2 / 100, "cm²", Origin.Reckoned),
        new("film", filmMm, "mm", Origin.Default),
        new("coats", coats, "", Origin.Own));
}
