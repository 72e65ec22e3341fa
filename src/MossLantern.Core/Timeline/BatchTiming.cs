using MossLantern.Core.Curing;
using MossLantern.Core.Pouring;

namespace MossLantern.Core.Timeline;

/// <summary>A cup as a batch fills it.</summary>
/// <param name="CupId">The cup.</param>
/// <param name="Ml">What is in it where it is poured off a jug, ml.</param>
/// <param name="AloneMl">What is in it where it is mixed in itself, ml.</param>
/// <param name="ColourSeconds">To colour it, and to fill the cups that are mixed from it, s.</param>
/// <param name="PourSeconds">To pour it, s.</param>
/// <param name="Percent">The batch's share of what has to leave the cup, %.</param>
internal sealed record BatchCup(
    string CupId, double Ml, double AloneMl, double ColourSeconds, double PourSeconds, double Percent = 100);

/// <summary>What keeps cups from being one batch.</summary>
internal enum Unfit
{
    /// <summary>Nothing does.</summary>
    None,

    /// <summary>It is too little to be measured.</summary>
    TooLittle,

    /// <summary>No jug holds it.</summary>
    Jug,

    /// <summary>It has set in the jug before it is divided.</summary>
    SetJug,

    /// <summary>It is too hot when it is divided.</summary>
    HotJug,

    /// <summary>Its working time is over when it is divided.</summary>
    LateJug,

    /// <summary>A cup is too hot when it is poured.</summary>
    HotCup,

    /// <summary>A cup is poured too late.</summary>
    LateCup,
}

/// <summary>Cups as one batch: when it is divided, when each has been poured, and how they are then.</summary>
/// <remarks>Source: docs/craft/mixing.md, Batches.</remarks>
internal sealed class BatchTiming
{
    /// <summary>Above it resin runs away with its own heat, °C.</summary>
    public const double HottestC = 45;

    /// <summary>So much of the working time has to be left when a cup has been poured, min.</summary>
    public const double InHandMinutes = 5;

    private readonly BatchingOf on;
    private CureState? divided;

    /// <summary>Works a batch out as far as its timing goes.</summary>
    /// <param name="on">What it is worked out for.</param>
    /// <param name="cups">Its cups, the first to be poured first.</param>
    /// <param name="jugMl">What its jug holds, ml.</param>
    public BatchTiming(BatchingOf on, IReadOnlyList<BatchCup> cups, double jugMl)
    {
        this.on = on;
        (Cups, JugMl) = (cups, jugMl);
        CupsMl = cups.Sum(c => c.Ml);
        LossMl = cups.Count == 1 ? 0 : on.Tools.LossMl(CupsMl);
        MixMl = cups.Count == 1 ? cups[0].AloneMl : on.Tools.Up(CupsMl + LossMl);
        MixingMinutes = Pace.Mixing(MixMl);
        DividedMinutes = MixingMinutes + Pace.StandMinutes + (cups.Count == 1 ? 0 : cups.Count * Pace.DivideSeconds / 60);
        ColouringMinutes = cups.Sum(c => c.ColourSeconds) / 60;
        PouredMinutes = new double[cups.Count];
        var seconds = 0.0;
        for (var i = 0; i < cups.Count; i++)
        {
            seconds += cups[i].PourSeconds;
            PouredMinutes[i] = ReadyMinutes + seconds / 60;
        }

        Fits = !(MixMl <= jugMl) ? Unfit.Jug : None();
    }

    private BatchTiming(BatchTiming of, double[] pouredMinutes)
    {
        on = of.on;
        divided = of.divided;
        (Cups, JugMl, CupsMl, LossMl, MixMl) = (of.Cups, of.JugMl, of.CupsMl, of.LossMl, of.MixMl);
        (MixingMinutes, DividedMinutes, ColouringMinutes) = (of.MixingMinutes, of.DividedMinutes, of.ColouringMinutes);
        PouredMinutes = pouredMinutes;
        Fits = !(MixMl <= JugMl) ? Unfit.Jug : None();
    }

    /// <summary>The same batch with its cups poured at other times, min from when it is begun.</summary>
    public BatchTiming Poured(double[] pouredMinutes) => new(this, pouredMinutes);

    /// <summary>Its cups, the first to be poured first.</summary>
    public IReadOnlyList<BatchCup> Cups { get; }

    /// <summary>What its jug holds, ml.</summary>
    public double JugMl { get; }

    /// <summary>All of its cups, ml.</summary>
    public double CupsMl { get; }

    /// <summary>What stays in the jug, ml.</summary>
    public double LossMl { get; }

    /// <summary>What is mixed, ml.</summary>
    public double MixMl { get; }

    /// <summary>To mix it, min.</summary>
    public double MixingMinutes { get; }

    /// <summary>When it is divided, min.</summary>
    public double DividedMinutes { get; }

    /// <summary>To colour all of its cups, min.</summary>
    public double ColouringMinutes { get; }

    /// <summary>When it can be poured: divided, and every cup coloured, min.</summary>
    public double ReadyMinutes => DividedMinutes + ColouringMinutes;

    /// <summary>When each cup has been poured, min. As a batch by itself: one cup after the other.</summary>
    public double[] PouredMinutes { get; }

    /// <summary>How it is when it is divided.</summary>
    public CureState Divided =>
        divided ??= on.Until(new(0, 0, on.RoomC()), CuringBody.Cup(on.Tools.MassG(MixMl), on.Model.CupLoss), 60 * DividedMinutes);

    /// <summary>What keeps it from being one batch first of all.</summary>
    public Unfit Fits { get; }

    /// <summary>Whether it can be mixed and poured, be it too little to be measured.</summary>
    public bool CanBe => Fits is Unfit.None or Unfit.TooLittle;

    /// <summary>The least time that a cup has in hand, min; known where it can be.</summary>
    public double LeastInHand { get; private set; } = double.NegativeInfinity;

    /// <summary>How a cup is when it has been poured, and when its working time ends, min.</summary>
    /// <param name="at">Which cup, from 0.</param>
    /// <param name="minutes">When it is poured, min; null for when all of it has been.</param>
    public (CureState Poured, double WorkingMinutes) Cup(int at, double? minutes = null)
    {
        var body = Body(at);
        var poured = on.Until(Divided, body, 60 * (minutes ?? PouredMinutes[at]));
        return (poured, on.WorkingEnd(Divided, body));
    }

    /// <summary>How hot a cup gets until it has been poured, °C.</summary>
    public double HottestOf(int at) => on.HottestUntil(Divided, Body(at), 60 * PouredMinutes[at]);

    private CuringBody Body(int at) => CuringBody.Cup(on.Tools.MassG(Cups.Count == 1 ? MixMl : Cups[at].Ml), on.Model.CupLoss);

    private Unfit None()
    {
        if (Divided.Degree >= CureModel.GelDegree)
        {
            return Unfit.SetJug;
        }

        if (Divided.Celsius >= HottestC)
        {
            return Unfit.HotJug;
        }

        if (Divided.Degree >= CureModel.WorkingDegree)
        {
            return Unfit.LateJug;
        }

        // A cup that is smaller, and poured before another, is cooler and has more time in hand: it need not be looked at.
        var (largest, least) = (0.0, double.PositiveInfinity);
        foreach (var i in Enumerable.Range(0, Cups.Count).OrderByDescending(i => PouredMinutes[i]).ThenByDescending(i => i))
        {
            if (Cups[i].Ml <= largest)
            {
                continue;
            }

            largest = Cups[i].Ml;
            var (poured, working) = Cup(i);
            if (poured.Celsius >= HottestC)
            {
                return Unfit.HotCup;
            }

            least = Math.Min(least, working - PouredMinutes[i]);
        }

        LeastInHand = least;
        return least < InHandMinutes ? Unfit.LateCup : on.Tools.IsMeasurable(MixMl) ? Unfit.None : Unfit.TooLittle;
    }
}
