using MossLantern.Core.Units;
using NodaTime;

namespace MossLantern.Web.StandIns;

/// <summary>What a scale shows.</summary>
/// <param name="Grams">The mass on it since it was tared, g, in whole steps.</param>
/// <param name="StepG">Its step, g.</param>
/// <param name="Reading">Which of its readings it is: one that goes on giving the same number is not the one that stopped.</param>
public sealed record ScaleShows(double Grams, double StepG, long Reading);

/// <summary>A bench scale.</summary>
public interface IScale
{
    /// <summary>What it shows now; null where none answers.</summary>
    ScaleShows? Read();

    /// <summary>Sets it to nothing with what is on it.</summary>
    void Tare();
}

/// <summary>How a scale behaves.</summary>
public enum ScaleBehaves
{
    /// <summary>As it should.</summary>
    Well,

    /// <summary>It goes on showing its last reading.</summary>
    Stalls,

    /// <summary>It does not answer.</summary>
    Dead,
}

/// <summary>How the simulated scale is steered: what is on it, what is being poured, and what goes wrong.</summary>
/// <param name="OnItG">What is really on it, g.</param>
/// <param name="PourGPerS">What is poured on, g/s, until <paramref name="PourToG"/>.</param>
/// <param name="PourToG">When the pouring ends, g on the scale.</param>
/// <param name="DriftGPerMin">How it drifts, g/min.</param>
/// <param name="LeanG">Somebody leans on it with so much, g.</param>
/// <param name="JumpG">How far its readings jump, g; 0 for still.</param>
/// <param name="Behaves">How it behaves.</param>
public sealed record ScaleSteering(double OnItG, double PourGPerS, double PourToG, double DriftGPerMin, double LeanG,
    double JumpG, ScaleBehaves Behaves);

/// <summary>A simulated bench scale in steps of 0.1 g: resin can be poured on it, it drifts, somebody leans on it, it
/// jumps, stalls or dies.</summary>
/// <param name="clock">The clock that pouring and drifting go by.</param>
public sealed class ScaleStandIn(IClock clock) : IScale
{
    /// <summary>Its step, g.</summary>
    public const double StepG = 0.1;

    /// <summary>How often it gives a reading.</summary>
    public static readonly Duration Every = Duration.FromMilliseconds(100);

    private readonly Lock gate = new();
    private readonly Random jumps = new(5);
    private ScaleSteering steering = new(0, 0, 0, 0, 0, 0, ScaleBehaves.Well);
    private Instant since = clock.GetCurrentInstant();
    private double tareG;
    private ScaleShows? last;

    /// <summary>How it is steered, with what is on it by now.</summary>
    public ScaleSteering Steering
    {
        get
        {
            lock (gate)
            {
                return steering with { OnItG = Math.Round(PouredG(clock.GetCurrentInstant()), 3) };
            }
        }

        set
        {
            lock (gate)
            {
                steering = value;
                since = clock.GetCurrentInstant();
            }
        }
    }

    /// <inheritdoc/>
    public ScaleShows? Read()
    {
        lock (gate)
        {
            if (steering.Behaves == ScaleBehaves.Dead)
            {
                return null;
            }

            var now = clock.GetCurrentInstant();
            var reading = (now - Instant.FromUnixTimeTicks(0)).ToInt64Nanoseconds() / Every.ToInt64Nanoseconds();
            if (last is not null && (steering.Behaves == ScaleBehaves.Stalls || last.Reading == reading))
            {
                return last;
            }

            return last = new(Math.Round((TrueG(now) - tareG
                + steering.JumpG * (2 * jumps.NextDouble() - 1)) / StepG) * StepG is var g ? Math.Round(g, 6) + 0.0 : 0, StepG, reading);
        }
    }

    /// <inheritdoc/>
    public void Tare()
    {
        lock (gate)
        {
            tareG = TrueG(clock.GetCurrentInstant());
            last = null;
        }
    }

    private double PouredG(Instant now)
    {
        var poured = steering.OnItG + steering.PourGPerS * (now - since).TotalSeconds;
        return steering.PourGPerS switch
        {
            > 0 => Math.Max(steering.OnItG, Math.Min(poured, steering.PourToG)),
            < 0 => Math.Min(steering.OnItG, Math.Max(poured, steering.PourToG)),
            _ => steering.OnItG,
        };
    }

    private double TrueG(Instant now) => PouredG(now) + steering.DriftGPerMin * (now - since).TotalMinutes + steering.LeanG;

    /// <summary>What is wrong with how it is to be steered, by field; empty where nothing is.</summary>
    public static Dictionary<string, string[]> Problems(ScaleSteering to)
    {
        ArgumentNullException.ThrowIfNull(to);
        var errors = new Dictionary<string, string[]>();
        void Look(string field, AcceptedRange range, double value)
        {
            if (!range.Contains(value))
            {
                errors[field] = [range.Sentence];
            }
        }

        Look("onItG", Accepted.OnScaleG, to.OnItG);
        Look("pourGPerS", Accepted.PourGPerS, to.PourGPerS);
        Look("pourToG", Accepted.OnScaleG with { What = "Where the pouring ends" }, to.PourToG);
        Look("driftGPerMin", Accepted.PourGPerS with { What = "Drift", Unit = "g/min" }, to.DriftGPerMin);
        Look("leanG", Accepted.OnScaleG with { What = "Leaning" }, to.LeanG);
        Look("jumpG", Accepted.OnScaleG with { What = "Jumps" }, to.JumpG);
        if (!Enum.IsDefined(to.Behaves))
        {
            errors["behaves"] = ["A scale behaves well, stalls, or is dead."];
        }

        return errors;
    }
}
