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
    private readonly ImmutableArray<RegionVolume> pours;
    private readonly ImmutableArray<double> filmsMm;
    private readonly HashSet<string> drawnFrom;
    private readonly List<string> order = [];
    private readonly List<List<BatchCup>> groups;
    private readonly InTurn hands;

    private Batching(Measuring tools, ImmutableArray<Recipe> recipes, CupPlan cups,
        ImmutableArray<RegionVolume> inOrder, ImmutableArray<double> filmsMm, (int Count, bool InTurn) copies, RoomCurve room,
        Instant? begun)
    {
        (pours, this.filmsMm) = (inOrder, filmsMm);
        on = new(tools, room, begun);
        this.room = room.InputAt(begun);
        this.recipes = recipes.ToDictionary(r => r.Id);
        this.cups = cups.Cups.ToDictionary(c => c.CupId);
        hands = InTurn.Of(inOrder, this.recipes, copies.Count, copies.InTurn);
        drawnFrom = [.. tools.Lead.Recipes.SelectMany(r => r.Of ?? []).Select(s => s.RecipeId)];
        groups = Together();
    }

    /// <summary>The batches of a sitting.</summary>
    /// <param name="tools">How it measures.</param>
    /// <param name="sitting">The sitting.</param>
    /// <param name="recipes">The recipes that it may pour from.</param>
    /// <param name="cups">Its cups, as if all were poured off a jug.</param>
    /// <param name="inOrder">What it pours, in turn.</param>
    /// <param name="copies">For how many copies.</param>
    /// <param name="filmsMm">How deep each of those is, mm.</param>
    /// <param name="room">How warm the room is.</param>
    /// <param name="begun">When its first batch is begun; null while no start is known.</param>
    public static BatchesPlan Of(
        Measuring tools, Sitting sitting, ImmutableArray<Recipe> recipes, CupPlan cups,
        ImmutableArray<RegionVolume> inOrder, int copies, ImmutableArray<double> filmsMm, RoomCurve room, Instant? begun)
    {
        var batching = new Batching(tools, recipes, cups, inOrder, filmsMm, (copies, sitting.CopiesInTurn), room, begun);
        if (sitting.Batches is { IsEmpty: false } own)
        {
            var arranged = batching.Arranged(own);
            return batching.Worked([.. arranged.Select(b => b.Id)], new(batching.hands, [.. arranged.Select(b => b.Run)]), false);
        }

        var walk = Proposing.Walked(
            [.. batching.groups.SelectMany(batching.Apart)], batching.Run, batches => new(batching.hands, batches));
        return batching.Worked(Named(walk.Batches.Length, []), walk, true);
    }

    private BatchTiming Run(IReadOnlyList<BatchCup> of) => new(on, Whole(of), on.Tools.Jug.Value);

    /// <summary>Shares of one cup that come together are one.</summary>
    private IReadOnlyList<BatchCup> Whole(IReadOnlyList<BatchCup> of) => of.DistinctBy(c => c.CupId).Count() == of.Count ? of
        : [.. of.GroupBy(c => c.CupId).Select(g => g.Count() == 1 ? g.First() : CupOf(g.Key, Math.Round(g.Sum(c => c.Percent), 6)))];

    /// <summary>A cup that no batch can fill by itself, in equal shares for as few batches as can; itself where none can.</summary>
    private IEnumerable<IReadOnlyList<BatchCup>> Apart(List<BatchCup> group)
    {
        if (group.Count > 1 || drawnFrom.Contains(group[0].CupId) || Run(group) is not { CanBe: false } whole)
        {
            return [group];
        }

        var ways = Enumerable.Range(2, MostShares - 1).Select(n => (Count: n, Run: Run([CupOf(group[0].CupId, 100.0 / n)])))
            .TakeWhile(w => on.Tools.IsMeasurable(w.Run.MixMl));
        var best = ways.FirstOrDefault(w => w.Run.CanBe) is { Run: not null } fits ? fits
            : whole.Fits == Unfit.Jug ? ways.FirstOrDefault(w => w.Run.Fits != Unfit.Jug) : default;
        return best.Run is null ? [group] : Enumerable.Repeat((IReadOnlyList<BatchCup>)[best.Run.Cups[0]], best.Count);
    }

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

    /// <summary>Most batches that one cup is proposed to be filled from.</summary>
    public const int MostShares = 16;

    /// <summary>Cups in the order in which they are first poured from; those that a mixed one is filled from stay together.</summary>
    private List<List<BatchCup>> Together()
    {
        // What nothing is poured from, but something is kept of, comes last.
        foreach (var id in pours.SelectMany(p => recipes[p.CupId].Of is { } shares ? shares.Select(s => s.RecipeId) : [p.CupId])
            .Concat(recipes.Values.Where(r => r.Of is null).Select(r => r.Id)).Where(id => cups[id].MixMl.Value > 0))
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
            found[^1].Add(CupOf(order[at], 100));
        }

        return found;
    }

    /// <summary>A cup with the time that it takes. What is mixed from several is poured after the last of them.</summary>
    /// <param name="id">The cup.</param>
    /// <param name="percent">How much of it a batch fills, %.</param>
    private BatchCup CupOf(string id, double percent)
    {
        var mixed = recipes.Values
            .Where(r => r.Of is { } of && cups[r.Id].MixMl.Value > 0 && of.Any(s => s.RecipeId == id)).ToList();
        var after = mixed.Where(m => m.Of!.Value.MaxBy(s => order.IndexOf(s.RecipeId))!.RecipeId == id).ToList();
        var last = after.Select(m => m.Id).Append(id).ToHashSet();
        var need = cups[id].NeedMl * percent / 100;
        var needed = need + on.Tools.LossMl(need);
        return new(
            id, MeasuringSteps.Up(needed, on.Tools.StepMl), on.Tools.Up(needed),
            Pace.Colouring(recipes[id]) + mixed.Count * Pace.DivideSeconds + after.Sum(Pace.Colouring),
            percent / 100 * pours.Where(p => last.Contains(p.CupId))
                .Sum(p => hands.Copies * Pace.Pouring(p.PourMl.Value / hands.Copies)),
            percent);
    }

    /// <summary>As the artist arranged them; cups that nobody has put anywhere are proposed for by themselves.</summary>
    private List<(string Id, BatchTiming Run)> Arranged(ImmutableArray<Batch> batches)
    {
        var all = groups.SelectMany(g => g).ToList();
        var own = batches.Select(b => (b.Id, Cups: all.Where(c => b.RecipeIds.Contains(c.CupId))
                .Select(c => b.PercentOf(c.CupId) is var percent and < 100 ? CupOf(c.CupId, percent) : c).ToList(), b.JugMl))
            .Where(b => b.Cups.Count > 0).ToList();
        var put = own.SelectMany(b => b.Cups).Select(c => c.CupId).ToHashSet();
        var left = groups.Select(g => g.Where(c => !put.Contains(c.CupId)).ToList()).Where(g => g.Count > 0)
            .SelectMany(Apart).ToList();
        return
        [
            .. own.Select(b => (b.Id, new BatchTiming(on, b.Cups, b.JugMl ?? on.Tools.Jug.Value)))
                .Concat(Proposing.Best(left, Run) is var more ? Named(more.Count, batches.Select(b => b.Id)).Zip(more) : [])
                .OrderBy(b => order.IndexOf(b.Item2.Cups[0].CupId)),
        ];
    }

    private BatchesPlan Worked(List<string> ids, Walk walk, bool proposed)
    {
        var inTurn = Enumerable.Range(0, ids.Count).OrderBy(walk.BegunMinutes).ToList();
        var runs = inTurn.Select(i => walk.Batches[i]).ToList();
        var holds = runs.Count > 0 && !filmsMm.IsEmpty ? Holds(walk, runs[0]) : null;
        var joins = Joins(walk);
        ImmutableArray<BatchPlan> plans =
        [
            .. inTurn.Select((i, at) =>
                Worked(ids[i], walk.Batches[i], Begun(walk, i), at == 0 ? null : holds, joins.GetValueOrDefault(i))),
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
            FirstPourMinutes = walk.FirstPourMinutes ?? 0,
            Holds = holds,
            GelMinutes = runs.Count > 0 && !walk.Last.IsDefaultOrEmpty ? Gels(walk) : null,
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

    private BatchPlan Worked(string id, BatchTiming run, Reckoned start, Reckoned? firstHolds, Join? join)
    {
        var holds = join is { Holds: { } own } && !(firstHolds?.Value <= own.Value) ? own : firstHolds;
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
            [.. Problems(run), .. join is { Late: { } late } ? [late] : Array.Empty<Because>()]);
    }

    /// <summary>A cup that is mixed in itself: it takes what leaves it and what stays in it, in steps that can be measured.</summary>
    private Reckoned Alone(BatchTiming run, MeasuredMix measured)
    {
        var cup = cups[run.Cups[0].CupId];
        var part = CupPlanner.Mix(on.Tools, new("", run.Cups[0].Percent, true), cup.NeedMl * run.Cups[0].Percent / 100,
            [.. cup.MixMl.Inputs.TakeWhile(i => i.Name != "need")]).Ml;
        return part with { Value = run.MixMl };
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
                    new ReckonedInput("minutes in the cup", poured - run.DividedMinutes, "min", Origin.Reckoned)),
                run.Cups[i].Percent);
        }
    }

    /// <summary>When what is poured first keeps its edge, min from when its batch is mixed; null where it never does.</summary>
    private Reckoned? Holds(Walk walk, BatchTiming run)
    {
        var first = hands.Pours[0];
        var cup = Math.Max(0, run.Cups.ToList().FindIndex(c => c.CupId == first.ClockOf));
        var poured = walk.First is { Length: > 1 } streams ? Film(walk, streams, filmsMm[0], null)
            : run.Cup(cup, run.ReadyMinutes + first.Minutes).Poured;
        return Held(poured, filmsMm[0]) is { } holds
            ? Cure(holds.Seconds / 60, "min", new ReckonedInput("depth", filmsMm[0], "mm", Origin.Reckoned)) : null;
    }

    /// <summary>When what is poured last gels in its film, min from when the first batch is begun; null where it never does.</summary>
    private double? Gels(Walk walk)
    {
        var film = CuringBody.Film(filmsMm[^1]);
        return Comes(Film(walk, walk.Last, filmsMm[^1], null), film, s => s.Degree >= CureModel.GelDegree) is { } gelled
            ? walk.BegunMinutes(walk.Last[0].Batch) + gelled.Seconds / 60 : null;
    }

    /// <summary>How the film on a region is when all has come on it: what comes later joins what lies there, by mass.</summary>
    /// <param name="walk">The walk.</param>
    /// <param name="streams">What comes on it.</param>
    /// <param name="filmMm">How deep it is in the end, mm.</param>
    /// <param name="meets">Told of what each joins: how it is in its film when the one before has come; null for nobody.</param>
    private CureState Film(Walk walk, ImmutableArray<Stream> streams, double filmMm, Action<Stream, CureState, double>? meets)
    {
        var (allMl, begun) = (streams.Sum(s => s.Ml), walk.BegunMinutes(streams[0].Batch));
        CureState Fresh(Stream s) => walk.Batches[s.Batch].Cup(s.Cup, s.ToMinutes - walk.BegunMinutes(s.Batch)).Poured;
        var (state, ml) = (Fresh(streams[0]), streams[0].Ml);
        foreach (var next in streams.Skip(1))
        {
            var mm = filmMm * ml / allMl;
            meets?.Invoke(next, state, mm);
            state = on.Until(state, CuringBody.Film(mm), 60 * (next.ToMinutes - begun)).Joined(ml, Fresh(next), next.Ml);
            ml += next.Ml;
        }

        return state;
    }

    /// <summary>What a batch runs into where another filled a part of the same cup.</summary>
    /// <param name="Holds">When that keeps its edge, min from when the first batch is begun; null where it never does.</param>
    /// <param name="Late">What is said where the batch comes later; else null.</param>
    private sealed record Join(Reckoned? Holds, Because? Late);

    /// <summary>What batches join, by their place in the walk: of several the one that holds first.</summary>
    private Dictionary<int, Join> Joins(Walk walk)
    {
        Dictionary<int, Join> found = [];
        foreach (var (pour, streams) in walk.Joined)
        {
            var begun = walk.BegunMinutes(streams[0].Batch);
            Film(walk, streams, filmsMm[pour], (next, lies, mm) =>
            {
                if (Held(lies, mm) is not { } held || found.TryGetValue(next.Batch, out var known)
                    && known.Holds!.Value <= begun + held.Seconds / 60)
                {
                    return;
                }

                var holds = Cure(begun + held.Seconds / 60, "min", new ReckonedInput("depth", mm, "mm", Origin.Reckoned));
                var late = next.FromMinutes - holds.Value;
                found[next.Batch] = new(holds, late <= 0 ? null : new(
                    $"This mix of {recipes[hands.Pours[pour].ClockOf].Name} comes {{0}} after the one before it keeps its edge: the two "
                        + "will not run together.",
                    [Reckoned.Of(late, "min", Formulas.Stated, new ReckonedInput("late", late, "min", Origin.Reckoned))]));
            });
        }

        return found;
    }

    /// <summary>How a film is when it keeps its edge; null where it never does.</summary>
    private CureState? Held(CureState poured, double filmMm) => Comes(poured, CuringBody.Film(filmMm),
        s => Viscosity.PaS(on.Tools.System.ViscosityPaS, on.Tools.System.ReferenceC, s) >= Viscosity.HoldsPaS);

    /// <summary>How a film is when it has come so far; null where it does not within the longest time that is looked at.</summary>
    private CureState? Comes(CureState from, CuringBody film, Func<CureState, bool> there)
    {
        var state = from;
        while (!there(state))
        {
            if (state.Seconds >= Journey.LongestHours * 3600)
            {
                return null;
            }

            state = on.Model.Next(state, film, on.RoomC(state.Seconds));
        }

        return state;
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
