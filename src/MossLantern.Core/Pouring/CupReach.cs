using System.Collections.Immutable;
using MossLantern.Core.Documents;
using MossLantern.Core.Mixing;
using MossLantern.Core.Units;

namespace MossLantern.Core.Pouring;

/// <summary>What was noted of one pour.</summary>
/// <param name="Of">The region, and whose it is.</param>
/// <param name="Pass">Which pass over it, from 0.</param>
/// <param name="Ml">What was poured for all copies, ml.</param>
/// <param name="PlannedMl">What was planned when it was logged, ml; null where that is not known.</param>
/// <param name="Done">Whether no more of it comes.</param>
public sealed record PouredAmount(RegionOf Of, int Pass, double Ml, double? PlannedMl = null, bool Done = false);

/// <summary>A pour that a cup does not reach for.</summary>
/// <param name="LayerId">The layer of the region.</param>
/// <param name="RegionId">The region.</param>
/// <param name="Pass">Which pass over it, from 0.</param>
/// <param name="Copy">Which copy, from 1.</param>
public sealed record ShortPour(string LayerId, RegionId RegionId, int Pass, int Copy);

/// <summary>What can be made of what is left over in a cup.</summary>
/// <param name="Use">What.</param>
/// <param name="Amount">How much of it.</param>
public sealed record LeftOverWay(LeftOverUse Use, Reckoned Amount);

/// <summary>How far what is in a cup reaches: over its pours in turn, copy by copy. Of what was poured already, what
/// was noted of it counts.</summary>
/// <param name="CupId">The cup.</param>
/// <param name="Available">What of it can be poured: without what stays in the cup, goes to mixed cups, or is held back.</param>
/// <param name="First">The first pour that cannot be filled; null where all can, or all were poured.</param>
/// <param name="Lacks">What is missing for all; null where nothing is.</param>
/// <param name="Left">What is left over; null where nothing is.</param>
/// <param name="Copies">How many copies get all that they are to have from it.</param>
/// <param name="Uses">What can be made of what is left over; none where there is too little.</param>
/// <remarks>Source: docs/craft/mixing.md, Running short and left over.</remarks>
public sealed record CupReach(
    string CupId, Reckoned Available, ShortPour? First, Reckoned? Lacks, Reckoned? Left, int Copies, ImmutableArray<LeftOverWay> Uses)
{
    /// <summary>Less than this is not worth saying, ml.</summary>
    private const double LeastMl = 0.05;

    /// <summary>Of less than this nothing is made, ml.</summary>
    private const double LeastUseMl = 3;

    /// <summary>A seal coat is so thick, mm.</summary>
    public const double SealMm = 0.2;

    /// <summary>The smallest mould that is worth filling holds so much, ml.</summary>
    public const double SmallestMouldMl = 10;

    /// <summary>How far each cup of a sitting reaches; those that nothing is poured from are left out, and those that
    /// are mixed by eye: how far they reach is not known.</summary>
    /// <param name="sitting">The sitting.</param>
    /// <param name="recipes">The recipes of its cups.</param>
    /// <param name="cups">Its cups.</param>
    /// <param name="inOrder">What it pours, in turn, for all copies.</param>
    /// <param name="copies">For how many copies.</param>
    /// <param name="amounts">What was poured already, where that was noted; null for nowhere.</param>
    public static ImmutableArray<CupReach> Of(
        Sitting sitting, ImmutableArray<Recipe> recipes, CupPlan cups, ImmutableArray<RegionVolume> inOrder, int copies,
        ImmutableArray<PouredAmount>? amounts = null)
    {
        ArgumentNullException.ThrowIfNull(sitting);
        ArgumentNullException.ThrowIfNull(cups);
        var known = recipes.ToDictionary(r => r.Id);
        var noted = (amounts ?? []).ToLookup(a => (a.Of, a.Pass), a => a.Ml);
        return
        [
            .. cups.Cups
                .Where(c => c.MixMl.Value > 0 && !(sitting.CupChoices ?? []).Any(k => k.ByEye && k.RecipeId == c.CupId)).Select(c => One(
                c, known[c.CupId], (sitting.CupChoices ?? []).FirstOrDefault(k => k.RecipeId == c.CupId),
                [.. inOrder.Where(r => r.CupId == c.CupId)
                    .Select(r => new ToReach(r,
                        noted[(new(r.LayerId, r.RegionId), r.Pass)].Select(ml => (double?)ml).FirstOrDefault()))], copies, sitting)),
        ];
    }

    /// <summary>A pour with what was noted of it, where it was poured already.</summary>
    private sealed record ToReach(RegionVolume Volume, double? PouredMl)
    {
        public double Ml => PouredMl ?? Volume.PourMl.Value;
    }

    private static CupReach One(CupVolume cup, Recipe recipe, CupChoice? choice, ImmutableArray<ToReach> pours, int copies, Sitting sitting)
    {
        ReckonedInput mixed = choice?.MixedMl is { } own ? new("mixed", own, "ml", Origin.Measured)
            : new("mixed", cup.MixMl.Value, "ml", Origin.Reckoned),
            stays = new("stays in this cup", cup.Loss.Value, "ml", Origin.Reckoned),
            drawn = new("to mixed cups", cup.DrawnMl, "ml", Origin.Reckoned),
            held = new("held back", choice?.HeldBack?.Ml ?? 0, "ml", Origin.Own);
        var available = Math.Max(0, mixed.Value - stays.Value - drawn.Value - held.Value);
        var wanted = pours.Sum(p => p.Ml);
        ReckonedInput[] asked = pours.All(p => p.PouredMl is null) ? [new("wanted", wanted, "ml", Origin.Reckoned)]
            : [new("poured so far", pours.Sum(p => p.PouredMl ?? 0), "ml", Origin.Measured),
                new("still to pour", pours.Where(p => p.PouredMl is null).Sum(p => p.Ml), "ml", Origin.Reckoned)];
        var can = available > 0 ? Reckoned.Of(available, "ml", Formulas.CupAvailable, mixed, stays, drawn, held)
            : Reckoned.Of(0, "ml", Formulas.CupNone, mixed with { Name = "regions", Value = 0 });

        // More than was there cannot have been poured: what it says is that more was mixed. What lacks is never more than is to come.
        var left = Math.Max(available - wanted, -pours.Where(p => p.PouredMl is null).Sum(p => p.Ml));
        if (left >= -LeastMl)
        {
            var over = left < LeastMl ? null
                : Reckoned.Of(left, "ml", Formulas.CupLeft, [new("can be poured", available, "ml", Origin.Reckoned), .. asked]);
            return new(cup.CupId, can, null, null, over, copies, over is null ? [] : [.. Ways(cup, recipe, over)]);
        }

        var (first, filled) = Short(pours, copies, available, sitting.CopiesInTurn);
        return new(
            cup.CupId, can, first,
            Reckoned.Of(-left, "ml", Formulas.CupLacks, [.. asked, new("can be poured", available, "ml", Origin.Reckoned)]),
            null, filled, []);
    }

    /// <summary>The first pour that cannot be filled, and how many copies get all of theirs.</summary>
    private static (ShortPour? First, int Copies) Short(ImmutableArray<ToReach> pours, int copies, double available, bool inTurn)
    {
        // What is poured is poured: what is still to come shares what is left.
        available -= pours.Sum(p => p.PouredMl ?? 0);
        pours = pours.RemoveAll(p => p.PouredMl is not null);
        var turns = inTurn ? Enumerable.Range(1, copies).SelectMany(c => pours.Select(p => (Pour: p, Copy: c)))
            : pours.SelectMany(p => Enumerable.Range(1, copies).Select(c => (Pour: p, Copy: c)));
        ShortPour? first = null;
        var starved = new HashSet<int>();
        foreach (var (pour, copy) in turns)
        {
            available -= pour.Ml / copies;
            if (available < -LeastMl)
            {
                first ??= new(pour.Volume.LayerId, pour.Volume.RegionId, pour.Volume.Pass, copy);
                starved.Add(copy);
            }
        }

        return (first, copies - starved.Count);
    }

    /// <summary>Stones by colour always; clear seals the next ground or brings up what stands low; what is enough fills
    /// a small mould.</summary>
    private static IEnumerable<LeftOverWay> Ways(CupVolume cup, Recipe recipe, Reckoned left)
    {
        if (left.Value < LeastUseMl)
        {
            yield break;
        }

        ReckonedInput over = new("left over", left.Value, "ml", Origin.Reckoned);
        yield return new(LeftOverUse.CastStones,
            Reckoned.Of(left.Value * cup.MixG.Value / cup.MixMl.Value, "g", Formulas.LeftOverStones, over,
            new("density of the mix", cup.MixG.Value / cup.MixMl.Value, "g/ml", Origin.Reckoned)));
        if (left.Value >= SmallestMouldMl)
        {
            yield return new(LeftOverUse.SpareCasting, Reckoned.Of(left.Value, "ml", Formulas.Stated, over));
        }

        if (recipe.IsClear)
        {
            yield return new(LeftOverUse.SealCoat,
                Reckoned.Of(left.Value * 10 / SealMm, "cm²", Formulas.LeftOverSeal, over, new("seal coat", SealMm, "mm", Origin.Default)));
            yield return new(LeftOverUse.TopUp, Reckoned.Of(left.Value, "ml", Formulas.Stated, over));
        }
    }
}
