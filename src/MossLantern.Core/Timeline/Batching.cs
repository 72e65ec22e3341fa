using System.Collections.Immutable;
using MossLantern.Core.Curing;
using MossLantern.Core.Documents;
using MossLantern.Core.Materials;
using MossLantern.Core.Mixing;
using MossLantern.Core.Pouring;
using MossLantern.Core.Units;
using NodaTime;

namespace MossLantern.Core.Timeline;

/// <summary>Proposes the batches of a sitting, or works out those that the artist arranged.</summary>
/// <remarks>Source: docs/craft/mixing.md, Batches.</remarks>
internal sealed class Batching
{
    private readonly BatchingOf on;
    private readonly ReckonedInput room;
    private readonly Dictionary<string, Recipe> recipes;
    private readonly Dictionary<string, CupVolume> cups;
    private readonly List<List<BatchCup>> groups;
    private readonly InTurn hands;

    private Batching(Measuring tools, ImmutableArray<Recipe> recipes, CupPlan cups,
        ImmutableArray<RegionVolume> inOrder, (int Count, bool InTurn) copies, RoomCurve room, Instant? begun)
    {
        on = new(tools, room, begun);
        this.room = room.InputAt(begun);
        this.recipes = recipes.ToDictionary(r => r.Id);
        this.cups = cups.Cups.ToDictionary(c => c.CupId);
        hands = InTurn.Of(inOrder, this.recipes, copies.Count, copies.InTurn);
        groups = Together(inOrder);
    }

    /// <summary>The batches of a sitting.</summary>
    /// <param name="tools">How it measures.</param>
    /// <param name="sitting">The sitting.</param>
    /// <param name="recipes">The recipes that it may pour from.</param>
    /// <param name="cups">Its cups, as if all were poured off a jug.</param>
    /// <param name="inOrder">What it pours, in turn.</param>
    /// <param name="copies">For how many copies.</param>
    /// <param name="filmMm">How deep what it pours first is, mm; null where it pours nothing.</param>
    /// <param name="room">How warm the room is.</param>
    /// <param name="begun">When its first batch is begun; null while no start is known.</param>
    public static BatchesPlan Of(
        Measuring tools, Sitting sitting, ImmutableArray<Recipe> recipes, CupPlan cups,
        ImmutableArray<RegionVolume> inOrder, int copies, double? filmMm, RoomCurve room, Instant? begun)
    {
        var batching = new Batching(tools, recipes, cups, inOrder, (copies, sitting.CopiesInTurn), room, begun);
        if (sitting.Batches is { IsEmpty: false } own)
        {
            var arranged = batching.Arranged(own);
            return batching.Worked([.. arranged.Select(b => b.Id)], new(batching.hands, [.. arranged.Select(b => b.Run)]), false, filmMm);
        }

        var walk = Proposing.Walked(batching.groups, batching.Run, batches => new(batching.hands, batches));
        return batching.Worked(Named(walk.Batches.Length, []), walk, true, filmMm);
    }

    private BatchTiming Run(IReadOnlyList<BatchCup> of) => new(on, of, on.Tools.Jug.Value);

    /// <summary>So many ids of batches, beside those that are taken.</summary>
    private static List<string> Named(int count, IEnumerable<string> taken)
    {
        var (names, found) = (taken.ToHashSet(), new List<string>());
        while (found.Count < count)
        {
            found.Add(FreeId.Of("batch", names));
            names.Add(found[^1]);
        }

        return found;
    }

    /// <summary>Cups in the order in which they are first poured from; those that a mixed one is filled from stay together.</summary>
    private List<List<BatchCup>> Together(ImmutableArray<RegionVolume> pours)
    {
        List<string> order = [];
        foreach (var id in pours.SelectMany(p => recipes[p.CupId].Of is { } shares ? shares.Select(s => s.RecipeId)
            : [p.CupId]).Where(id => cups[id].MixMl.Value > 0))
        {
            if (!order.Contains(id))
            {
                order.Add(id);
            }
        }

        var until = Enumerable.Range(0, order.Count).ToArray();
        foreach (var shares in recipes.Values.Where(r => r.Of is not null && cups[r.Id].MixMl.Value > 0)
            .Select(r => r.Of!.Value.Select(s => order.IndexOf(s.RecipeId)).Where(i => i >= 0).ToList()).Where(s => s.Count > 0))
        {
            until[shares.Min()] = Math.Max(until[shares.Min()], shares.Max());
        }

        List<List<BatchCup>> found = [];
        for (int at = 0, end = -1; at < order.Count; at++)
        {
            if (at > end)
            {
                found.Add([]);
            }

            end = Math.Max(end, until[at]);
            found[^1].Add(CupOf(order[at], pours, order));
        }

        return found;
    }

    /// <summary>A cup with the time that it takes. What is mixed from several is poured after the last of them.</summary>
    private BatchCup CupOf(string id, ImmutableArray<RegionVolume> pours, List<string> order)
    {
        var mixed = recipes.Values.Where(r => r.Of is { } of && cups[r.Id].MixMl.Value > 0 && of.Any(s => s.RecipeId == id)).ToList();
        var after = mixed.Where(m => m.Of!.Value.MaxBy(s => order.IndexOf(s.RecipeId))!.RecipeId == id).ToList();
        var last = after.Select(m => m.Id).Append(id).ToHashSet();
        var needed = cups[id].NeedMl + cups[id].Loss.Value;
        return new(
            id, cups[id].MixMl.Value, on.Tools.Up(needed),
            Pace.Colouring(recipes[id]) + mixed.Count * Pace.DivideSeconds + after.Sum(Pace.Colouring),
            pours.Where(p => last.Contains(p.CupId)).Sum(p => hands.Copies * Pace.Pouring(p.PourMl.Value / hands.Copies)));
    }

    /// <summary>As the artist arranged them; cups that nobody has put anywhere are proposed for by themselves.</summary>
    private List<(string Id, BatchTiming Run)> Arranged(ImmutableArray<Batch> batches)
    {
        var all = groups.SelectMany(g => g).ToList();
        var own = batches.Select(b => (b.Id, Cups: all.Where(c => b.RecipeIds.Contains(c.CupId)).ToList(), b.JugMl))
            .Where(b => b.Cups.Count > 0).ToList();
        var put = own.SelectMany(b => b.Cups).Select(c => c.CupId).ToHashSet();
        var left = groups.Select(g => g.Where(c => !put.Contains(c.CupId)).ToList()).Where(g => g.Count > 0).ToList();
        return
        [
            .. own.Select(b => (b.Id, new BatchTiming(on, b.Cups, b.JugMl ?? on.Tools.Jug.Value)))
                .Concat(Proposing.Best(left, Run) is var more ? Named(more.Count, batches.Select(b => b.Id)).Zip(more) : [])
                .OrderBy(b => all.IndexOf(b.Item2.Cups[0])),
        ];
    }

    private BatchesPlan Worked(List<string> ids, Walk walk, bool proposed, double? filmMm)
    {
        var inTurn = Enumerable.Range(0, ids.Count).OrderBy(walk.BegunMinutes).ToList();
        var runs = inTurn.Select(i => walk.Batches[i]).ToList();
        var holds = runs.Count > 0 && filmMm is { } mm ? Holds(runs[0], mm) : null;
        ImmutableArray<BatchPlan> plans =
        [
            .. inTurn.Select((i, at) => Worked(ids[i], walk.Batches[i], Begun(walk, i), at == 0 ? null : holds)),
        ];
        var ready = runs.Sum(r => r.ReadyMinutes);
        return new(
            plans, proposed, proposed ? [.. Why(runs)] : [],
            new(plans.Sum(p => p.MixMl.Value), "ml", Formulas.SittingVolume,
                [.. plans.Select((p, i) => new ReckonedInput($"batch {i + 1}", p.MixMl.Value, "ml", Origin.Reckoned))]),
            Reckoned.Of(walk.EndMinutes, "min", Formulas.SittingLasts,
                new("mixing, standing, dividing and colouring", ready, "min", Origin.Reckoned),
                new("pouring", walk.EndMinutes - ready, "min", Origin.Reckoned)),
            [.. Enumerable.Range(0, hands.Pours.Length).Select(p => Done(walk, p))])
        {
            FirstPourMinutes = walk.FirstPourMinutes,
            HoldMinutes = holds?.Value,
            GelMinutes = filmMm is { } depth && runs.Count > 0 ? Gels(walk, depth) : null,
            CopiesApartMinutes = hands.ApartMinutes,
        };
    }

    private static Reckoned Begun(Walk walk, int batch) => walk.BegunMinutes(batch) is 0
        ? Reckoned.Of(0, "min", Formulas.Stated, new ReckonedInput("the first", 0, "min", Origin.Reckoned))
        : Reckoned.Of(walk.BegunMinutes(batch), "min", Formulas.BatchStart,
            new("batches before, until they can be poured", walk.BegunMinutes(batch) - walk.PouringBefore(batch), "min", Origin.Reckoned),
            new("pouring before", walk.PouringBefore(batch), "min", Origin.Reckoned));

    private static Reckoned Done(Walk walk, int pour) => Reckoned.Of(walk.DoneMinutes(pour), "min", Formulas.PourDone,
        new("batches so far, until they can be poured", walk.DoneMinutes(pour) - walk.PouringUntil(pour), "min", Origin.Reckoned),
        new("pouring so far", walk.PouringUntil(pour), "min", Origin.Reckoned));

    private BatchPlan Worked(string id, BatchTiming run, Reckoned start, Reckoned? holds)
    {
        var tools = on.Tools;
        var measured = tools.Of(run.MixMl);
        var cupsInput = new ReckonedInput("cups", run.CupsMl, "ml", Origin.Reckoned);
        var alone = run.Cups.Count == 1;
        var mix = alone ? Alone(run, measured)
            : new Reckoned(run.MixMl, "ml", tools.ByVolume ? Formulas.BatchVolume : Formulas.BatchRounded,
        [
            cupsInput, .. tools.Stays, new("stays in the jug", run.LossMl, "ml", Origin.Reckoned), tools.Step,
            .. tools.ByVolume ? [new ReckonedInput("resin", measured.ResinMl.Value, "ml", Origin.Reckoned),
                new("hardener", measured.HardenerMl.Value, "ml", Origin.Reckoned)] : Array.Empty<ReckonedInput>(),
        ]);
        var mass = new ReckonedInput("in the jug", tools.MassG(run.MixMl), "g", Origin.Reckoned);
        var divided = new Reckoned(run.DividedMinutes, "min", Formulas.BatchDivided,
        [
            new("mixing", run.MixingMinutes, "min", Origin.Reckoned), new("time to mix", Pace.MixMinutes, "min", Origin.Default),
            new("over 200 ml", Math.Max(0, run.MixMl - Pace.MixMoreMl), "ml", Origin.Reckoned),
            new("standing", Pace.StandMinutes, "min", Origin.Default),
            .. alone ? Array.Empty<ReckonedInput>()
                : [new("cups", run.Cups.Count, "", Origin.Reckoned), new("time to divide", Pace.DivideSeconds, "s", Origin.Default)],
        ]);
        var standing = on.Model.Cup(mass.Value, on.RoomC());
        return new(
            id, [.. run.Cups.Select(c => c.CupId)], mix, run.LossMl, measured, start,
            holds is null ? null : Reckoned.Of(holds.Value - run.ReadyMinutes, "min", Formulas.BatchLatest,
                new("first pour holds", holds.Value, "min", Origin.Reckoned),
                new("ready to pour", run.ReadyMinutes, "min", Origin.Reckoned)),
            divided, Cure(run.Divided.Celsius, "°C", mass,
                new ReckonedInput("minutes in the jug", run.DividedMinutes, "min", Origin.Reckoned)),
            [.. Clocks(run, mass)],
            standing.GelMinutes is { } gel ? Cure(gel, "min", mass) : null, Cure(standing.PeakC, "°C", mass), standing.Grade,
            [.. Problems(run)]);
    }

    /// <summary>A cup that is mixed in itself: it takes what leaves it and what stays in it, in steps that can be measured.</summary>
    private Reckoned Alone(BatchTiming run, MeasuredMix measured)
    {
        var cup = cups[run.Cups[0].CupId];
        var inputs = cup.MixMl.Inputs.Where(i => i.Name is not ("resin" or "hardener"));
        return on.Tools.ByVolume
            ? new(run.MixMl, "ml", Formulas.CupVolume,
                [.. inputs, new("resin", measured.ResinMl.Value, "ml", Origin.Reckoned),
                    new("hardener", measured.HardenerMl.Value, "ml", Origin.Reckoned)])
            : cup.MixMl with { Value = run.MixMl };
    }

    private IEnumerable<CupClock> Clocks(BatchTiming run, ReckonedInput mass)
    {
        for (var i = 0; i < run.Cups.Count; i++)
        {
            var working = run.Cup(i).WorkingMinutes;
            var poured = run.PouredMinutes[i];
            var cupMass = new ReckonedInput("in the cup",
                on.Tools.MassG(run.Cups.Count == 1 ? run.MixMl : run.Cups[i].Ml), "g", Origin.Reckoned);
            yield return new(
                run.Cups[i].CupId,
                Reckoned.Of(poured, "min", Formulas.CupPoured,
                    new("divided", run.DividedMinutes, "min", Origin.Reckoned),
                    new("colouring", run.ColouringMinutes, "min", Origin.Reckoned),
                    new("pours and other batches until then", poured - run.ReadyMinutes, "min", Origin.Reckoned)),
                Cure(working, "min", mass, cupMass),
                Reckoned.Of(working - poured, "min", Formulas.InHand,
                    new("working time ends", working, "min", Origin.Reckoned), new("poured", poured, "min", Origin.Reckoned)),
                Cure(run.HottestOf(i), "°C", mass, cupMass,
                    new ReckonedInput("minutes in the jug", run.DividedMinutes, "min", Origin.Reckoned),
                    new ReckonedInput("minutes in the cup", poured - run.DividedMinutes, "min", Origin.Reckoned)));
        }
    }

    /// <summary>When what is poured first keeps its edge, min from when its batch is mixed; null where it never does.</summary>
    private Reckoned? Holds(BatchTiming run, double filmMm)
    {
        var system = on.Tools.System;
        var first = hands.Pours[0];
        var cup = Math.Max(0, run.Cups.ToList().FindIndex(c => c.CupId == first.ClockOf));
        var (state, film) = (run.Cup(cup, run.ReadyMinutes + first.Minutes).Poured, CuringBody.Film(filmMm));
        while (state.Seconds < Journey.LongestHours * 3600
            && Viscosity.PaS(system.ViscosityPaS, system.ReferenceC, state) < Viscosity.HoldsPaS)
        {
            state = on.Model.Next(state, film, on.RoomC(state.Seconds));
        }

        return state.Seconds >= Journey.LongestHours * 3600 ? null
            : Cure(state.Seconds / 60, "min", new ReckonedInput("depth", filmMm, "mm", Origin.Reckoned));
    }

    /// <summary>When what is poured last gels in its film, min from when the first batch is begun; null where it never does.</summary>
    private double? Gels(Walk walk, double filmMm)
    {
        var last = hands.Pours[^1].ClockOf;
        var at = walk.Batches.ToList().FindIndex(b => b.Cups.Any(c => c.CupId == last));
        var run = walk.Batches[Math.Max(0, at)];
        var cup = Math.Max(0, run.Cups.ToList().FindIndex(c => c.CupId == last));
        var begun = walk.BegunMinutes(Math.Max(0, at));
        var (state, film) = (run.Cup(cup, Math.Max(run.ReadyMinutes, walk.EndMinutes - begun)).Poured, CuringBody.Film(filmMm));
        while (state.Degree < CureModel.GelDegree && state.Seconds < Journey.LongestHours * 3600)
        {
            state = on.Model.Next(state, film, on.RoomC(state.Seconds));
        }

        return state.Degree < CureModel.GelDegree ? null : begun + state.Seconds / 60;
    }

    private Reckoned Cure(double value, string unit, params ReadOnlySpan<ReckonedInput> of) => new(value, unit, Formulas.Heat,
    [
        .. of, new("working time of 100 g in a cup", on.Tools.System.WorkingMinutes, "min",
            on.Tools.System.OriginOf(MaterialProperties.WorkingMinutes)), room,
    ]);

    /// <summary>Why two batches that follow each other are not one, and what becomes of one that stands.</summary>
    private IEnumerable<Because> Why(List<BatchTiming> runs)
    {
        for (var i = 1; i < runs.Count; i++)
        {
            var joined = Run([.. runs[i - 1].Cups, .. runs[i].Cups]);
            var walked = new Walk(hands, [.. runs.Take(i - 1), joined, .. runs.Skip(i + 1)]).Batches[i - 1];
            var both = joined.CanBe ? walked : joined;
            var what = $"Batches {i} and {i + 1} would be {{0}} together";
            var sum = Reckoned.Of(both.MixMl, "ml", Formulas.SittingVolume,
                new ReckonedInput("together", both.MixMl, "ml", Origin.Reckoned));
            if (Told(both, what, sum) is { } because)
            {
                yield return because;
            }
        }
    }

    /// <summary>What does not fit about a batch.</summary>
    private IEnumerable<Because> Problems(BatchTiming run)
    {
        var sum = Reckoned.Of(run.MixMl, "ml", Formulas.SittingVolume, new ReckonedInput("together", run.MixMl, "ml", Origin.Reckoned));
        if (Told(run, "This batch is {0}", sum) is { } because)
        {
            yield return because;
        }
    }

    private Because? Told(BatchTiming run, string what, Reckoned sum) => run.Fits switch
    {
        Unfit.Jug => new($"{what}, and the jug holds {{1}}.",
            [sum, Reckoned.Of(run.JugMl, "ml", Formulas.Stated,
                run.JugMl == on.Tools.Jug.Value ? on.Tools.Jug : new ReckonedInput("jug", run.JugMl, "ml", Origin.Own))]),
        Unfit.SetJug => new($"{what}, and it sets in the jug before it is divided after {{1}}.",
            [sum, Reckoned.Of(run.DividedMinutes, "min", Formulas.Stated,
                new ReckonedInput("divided", run.DividedMinutes, "min", Origin.Reckoned))]),
        Unfit.HotJug => new($"{what}, and at {{1}} when it is divided: from {{2}} on it runs away with its own heat.",
            [sum, Cure(run.Divided.Celsius, "°C", Jug(run)), Limit("hottest", BatchTiming.HottestC, "°C")]),
        Unfit.LateJug => new($"{what}, and past its working time when it is divided after {{1}}.",
            [sum, Reckoned.Of(run.DividedMinutes, "min", Formulas.Stated,
                new ReckonedInput("divided", run.DividedMinutes, "min", Origin.Reckoned))]),
        Unfit.HotCup => Hottest(run) is var (cup, celsius)
            ? new($"{what}, and {recipes[cup.CupId].Name} at {{1}} when the last of it is poured.",
                [sum, Cure(celsius, "°C", Jug(run))]) : null,
        Unfit.LateCup => Latest(run) is var (cup, hand) ? new(
            hand >= 0 ? $"{what}, and {recipes[cup.CupId].Name} would have {{1}} in hand when the last of it is poured; {{2}} are wanted."
                : $"{what}, and {recipes[cup.CupId].Name} would be poured {{1}} after its working time.",
            [
                sum, Reckoned.Of(Math.Abs(hand), "min", Formulas.Stated,
                    new ReckonedInput("in hand", Math.Abs(hand), "min", Origin.Reckoned)),
                .. hand >= 0 ? [Limit("wanted", BatchTiming.InHandMinutes, "min")] : Array.Empty<Reckoned>(),
            ]) : null,
        Unfit.TooLittle => new($"{what}: too little to measure. Mix at least {{1}}, or weigh it.", [sum, on.Tools.Of(run.MixMl).Smallest!]),
        _ => null,
    };

    private ReckonedInput Jug(BatchTiming run) => new("in the jug", on.Tools.MassG(run.MixMl), "g", Origin.Reckoned);

    private static Reckoned Limit(string name, double value, string unit) =>
        Reckoned.Of(value, unit, Formulas.Stated, new ReckonedInput(name, value, unit, Origin.Default));

    private static (BatchCup Cup, double Celsius) Hottest(BatchTiming run) =>
        run.Cups.Select((c, i) => (Cup: c, Celsius: run.HottestOf(i))).MaxBy(c => c.Celsius);

    private static (BatchCup Cup, double InHand) Latest(BatchTiming run) =>
        run.Cups.Select((c, i) => (Cup: c, InHand: run.Cup(i).WorkingMinutes - run.PouredMinutes[i])).MinBy(c => c.InHand);
}
