namespace MossLantern.Core.Curing;

/// <summary>A body of resin that gives off heat as it cures, as far as its temperature depends on its shape.</summary>
/// <param name="LossPerMassWPerGK">Heat it gives to the room, W per gram and kelvin.</param>
/// <remarks>Source: docs/craft/curing.md, Degree of cure.</remarks>
public readonly record struct CuringBody(double LossPerMassWPerGK)
{
    private const double DensityGPerMl = 1.08;

    /// <summary>Height of a cup's contents by their width.</summary>
    private const double CupHeight = 0.75;

    /// <summary>A film that gives off its heat over its plan area.</summary>
    /// <param name="depthMm">Its depth, mm.</param>
    public static CuringBody Film(double depthMm) => new(20 / (DensityGPerMl * 1000 * depthMm));

    /// <summary>A cup that gives off its heat on all faces.</summary>
    /// <param name="massG">What is in it, g.</param>
    /// <param name="lossWPerM2K">Heat transfer of its faces, W/m²K.</param>
    public static CuringBody Cup(double massG, double lossWPerM2K = CureModel.CupLossWPerM2K)
    {
        // π/4 · w² · 0.75 w is the volume, π w² (0.75 + 0.5) the surface.
        var widthM = Math.Cbrt(4 * massG / DensityGPerMl * 1e-6 / (CupHeight * Math.PI));
        return new(lossWPerM2K * Math.PI * widthM * widthM * (CupHeight + 0.5) / massG);
    }
}

/// <summary>How far and how warm a body of resin is at a moment.</summary>
/// <param name="Seconds">Time since mixing, s.</param>
/// <param name="Degree">Degree of cure, 0 to 1.</param>
/// <param name="Celsius">Temperature, °C.</param>
public readonly record struct CureState(double Seconds, double Degree, double Celsius)
{
    /// <summary>What comes of it when other resin joins it: degree and temperature are the mean by mass, the clock goes
    /// on from this one's mixing.</summary>
    /// <param name="massG">How much of this there is, g.</param>
    /// <param name="other">The other.</param>
    /// <param name="otherMassG">How much of it, g; of nothing in nothing comes not-a-number.</param>
    public CureState Joined(double massG, CureState other, double otherMassG)
    {
        var share = otherMassG / (massG + otherMassG);
        return this with { Degree = Degree + share * (other.Degree - Degree), Celsius = Celsius + share * (other.Celsius - Celsius) };
    }
}

/// <summary>What becomes of a body that is left standing.</summary>
/// <param name="WorkingMinutes">End of the working time, min.</param>
/// <param name="GelMinutes">Gel, min; null when it does not gel within seven days.</param>
/// <param name="PeakC">Highest temperature, °C.</param>
public sealed record Cured(double WorkingMinutes, double? GelMinutes, double PeakC)
{
    /// <summary>Up to here a peak is fine, °C.</summary>
    public const double FineC = 60;

    /// <summary>Up to here it is warm, and a danger above, °C.</summary>
    public const double WarmC = 90;

    /// <summary>How the peak is judged; one that is not a number is a danger.</summary>
    public HeatGrade Grade => PeakC <= FineC ? HeatGrade.Fine : PeakC <= WarmC ? HeatGrade.Warm : HeatGrade.Danger;
}

/// <summary>Grades of a peak temperature.</summary>
public enum HeatGrade
{
    /// <summary>Up to 60 °C.</summary>
    Fine,

    /// <summary>Up to 90 °C.</summary>
    Warm,

    /// <summary>Above 90 °C: it may smoke.</summary>
    Danger,
}

/// <summary>
/// Degree of cure and temperature of resin in the hours before gel, from its working time: 100 g of it in a cup, in a
/// room at the reference temperature, reach the end of their working time when the maker says.
/// </summary>
/// <remarks>Source: docs/craft/curing.md, Degree of cure.</remarks>
public sealed class CureModel
{
    /// <summary>Degree of cure at the end of the working time.</summary>
    public const double WorkingDegree = 0.20;

    /// <summary>Degree of cure at gel.</summary>
    public const double GelDegree = 0.60;

    /// <summary>Heat of reaction, J/g.</summary>
    public const double ReactionHeatJPerG = 260;

    /// <summary>Heat transfer of a cup's faces, W/m²K.</summary>
    public const double CupLossWPerM2K = 10;

    private const double HeatCapacityJPerGK = 1.9;
    private const double StatedMassG = 100;
    private const double Longest = 7 * 24 * 3600;
    private const double MostLossFactor = 30;
    private const double StepOfDegree = 0.002;

    private readonly double rate;
    private readonly double reactionHeat;

    private CureModel(double rate, double reactionHeatJPerG, double cupLossWPerM2K)
    {
        this.rate = rate;
        reactionHeat = reactionHeatJPerG;
        CupLoss = cupLossWPerM2K;
    }

    /// <summary>Rate constant A, 1/s.</summary>
    public double RatePerS => rate;

    /// <summary>Heat transfer of a cup's faces, W/m²K: the default, or from a second stated pair.</summary>
    public double CupLoss { get; }

    /// <summary>A model of a resin. Every step is one of cure, so that even of not-a-number it comes to an end: what is
    /// asked of it then is not a number.</summary>
    /// <param name="workingMinutes">Working time of 100 g in a cup, min; above 0.</param>
    /// <param name="referenceC">Room at which it is stated, °C.</param>
    /// <param name="reactionHeatJPerG">Heat of reaction, J/g.</param>
    public static CureModel Of(double workingMinutes, double referenceC, double reactionHeatJPerG = ReactionHeatJPerG) =>
        Calibrated(workingMinutes, referenceC, reactionHeatJPerG, CupLossWPerM2K);

    /// <summary>A model of a resin whose working time is stated, or was measured, for a second mass as well.</summary>
    /// <param name="workingMinutes">Working time of 100 g in a cup, min.</param>
    /// <param name="referenceC">Room at which both are stated, °C.</param>
    /// <param name="secondMassG">The second mass, g.</param>
    /// <param name="secondMinutes">Its working time, min.</param>
    /// <param name="reactionHeatJPerG">Heat of reaction, J/g.</param>
    /// <exception cref="ArgumentException">No way of losing heat gives both times.</exception>
    public static CureModel Of(
        double workingMinutes, double referenceC, double secondMassG, double secondMinutes,
        double reactionHeatJPerG = ReactionHeatJPerG)
    {
        // Shedding no heat and shedding it all give the same time for any mass, so two ways of losing heat may fit: the one
        // nearer the default is taken.
        var (low, high) = Bracket() ?? throw new ArgumentException(
            $"{secondMinutes:0.#} min for {secondMassG:0.#} g does not go with {workingMinutes:0.#} min for 100 g.", nameof(secondMinutes));
        var sign = Math.Sign(Off(low));
        for (var i = 0; i < 30; i++)
        {
            var middle = Math.Sqrt(low * high);
            (low, high) = Math.Sign(Off(middle)) == sign ? (middle, high) : (low, middle);
        }

        return Calibrated(workingMinutes, referenceC, reactionHeatJPerG, Math.Sqrt(low * high));

        (double Low, double High)? Bracket()
        {
            const double factor = 1.2;
            double above = CupLossWPerM2K, below = CupLossWPerM2K;
            double offAbove = Off(above), offBelow = offAbove;
            while (above < CupLossWPerM2K * MostLossFactor)
            {
                var (nextAbove, nextBelow) = (Off(above * factor), Off(below / factor));
                if (nextAbove * offAbove <= 0)
                {
                    return (above, above * factor);
                }

                if (nextBelow * offBelow <= 0)
                {
                    return (below / factor, below);
                }

                (above, below, offAbove, offBelow) = (above * factor, below / factor, nextAbove, nextBelow);
            }

            return null;
        }

        double Off(double loss)
        {
            var model = Calibrated(workingMinutes, referenceC, reactionHeatJPerG, loss);
            return model.WorkingSeconds(CuringBody.Cup(secondMassG, loss), referenceC) - 60 * secondMinutes;
        }
    }

    /// <summary>What becomes of a cup that is left standing: the less is in it, the nearer it stays to the room. In a
    /// room so cold that it does not gel within a week, that is not known.</summary>
    /// <param name="massG">What is in it, g.</param>
    /// <param name="roomC">Room, °C; the resin starts as warm.</param>
    public Cured Cup(double massG, double roomC) => Left(CuringBody.Cup(massG, CupLoss), roomC);

    /// <summary>What becomes of a film: the thinner, the nearer it stays to the room.</summary>
    /// <param name="depthMm">Its depth, mm.</param>
    /// <param name="roomC">Room, °C; the resin starts as warm.</param>
    public Cured Film(double depthMm, double roomC) => Left(CuringBody.Film(depthMm), roomC);

    /// <summary>
    /// The states a body goes through, ever further cured. Degree and temperature travel with the resin: what is poured
    /// from one body into another goes on from where it was. The states have no end: who asks for them stops.
    /// </summary>
    /// <param name="body">The body.</param>
    /// <param name="from">Where it starts.</param>
    /// <param name="roomC">Room, °C.</param>
    public IEnumerable<CureState> From(CureState from, CuringBody body, double roomC)
    {
        var state = from;
        while (true)
        {
            yield return state;
            state = Next(state, body, roomC);
        }
    }

    /// <summary>
    /// The next state: a step of so much cure, or of so much time where that is less. Within it heat is given off at an even rate and
    /// lost exactly, so that a thin film that follows the room at once needs no short steps; start and end are averaged.
    /// </summary>
    /// <param name="state">How far it is.</param>
    /// <param name="body">The body it is in.</param>
    /// <param name="roomC">Room, °C.</param>
    /// <param name="mostSeconds">The longest step, s; above 0.</param>
    public CureState Next(CureState state, CuringBody body, double roomC, double mostSeconds = double.PositiveInfinity)
    {
        var start = Rate(state.Degree, state.Celsius);
        var step = Math.Min(StepOfDegree, (1 - state.Degree) / 8);
        var mean = Mean(step, step / start);
        var seconds = step / mean;
        if (seconds > mostSeconds)
        {
            seconds = mostSeconds;
            mean = Mean(start * seconds, seconds);
            step = mean * seconds;
        }

        return new(state.Seconds + seconds, state.Degree + step, Warmed(mean, seconds));

        double Mean(double degree, double time) => (start + Rate(state.Degree + degree, Warmed(start, time))) / 2;

        double Warmed(double perSecond, double time)
        {
            var loss = body.LossPerMassWPerGK / HeatCapacityJPerGK;
            var level = roomC + perSecond * reactionHeat / body.LossPerMassWPerGK;
            return level + (state.Celsius - level) * Math.Exp(-loss * time);
        }
    }

    private static CureModel Calibrated(double workingMinutes, double referenceC, double reactionHeatJPerG, double loss)
    {
        // Were it not for its own heat, time would go with 1/A: a few rounds settle the rest.
        var wanted = 60 * workingMinutes;
        var body = CuringBody.Cup(StatedMassG, loss);
        var model = new CureModel(1e5, reactionHeatJPerG, loss);
        for (var i = 0; i < 60; i++)
        {
            var took = model.WorkingSeconds(body, referenceC);
            if (Math.Abs(took / wanted - 1) < 1e-6)
            {
                break;
            }

            model = new(model.rate * took / wanted, reactionHeatJPerG, loss);
        }

        return model;
    }

    private double WorkingSeconds(CuringBody body, double roomC)
    {
        var before = new CureState(0, 0, roomC);
        foreach (var state in From(before, body, roomC))
        {
            if (state.Degree >= WorkingDegree)
            {
                return At(before, state, WorkingDegree);
            }

            before = state;
        }

        throw new InvalidOperationException("Resin cures at any temperature.");
    }

    private Cured Left(CuringBody body, double roomC)
    {
        double? working = null, gel = null;
        var peak = roomC;
        var before = new CureState(0, 0, roomC);
        foreach (var state in From(before, body, roomC))
        {
            peak = Math.Max(peak, state.Celsius);
            working ??= state.Degree >= WorkingDegree ? At(before, state, WorkingDegree) : null;
            gel ??= state.Degree >= GelDegree ? At(before, state, GelDegree) : null;

            // Past gel its rate falls faster than it can warm again.
            if (gel is not null && (state.Celsius < peak - 0.5 || state.Degree > 0.999))
            {
                break;
            }

            before = state;
        }

        return new(working!.Value / 60, gel <= Longest ? gel / 60 : null, peak);
    }

    /// <summary>When a degree between two states was reached, s.</summary>
    private static double At(CureState before, CureState after, double degree) =>
        before.Seconds + (after.Seconds - before.Seconds) * (degree - before.Degree) / (after.Degree - before.Degree);

    private double Rate(double degree, double celsius) =>
        rate * EquivalentAge.Arrhenius(celsius, EquivalentAge.ActivationKj) * (degree + 0.3) * Math.Pow(1 - degree, 1.5);
}
