using MossLantern.Core.Units;

namespace MossLantern.Web.StandIns;

/// <summary>What a level shows.</summary>
/// <param name="AcrossDeg">Tilt across, degrees; positive where the right side is higher.</param>
/// <param name="AlongDeg">Tilt along, degrees; positive where the lower side is higher.</param>
/// <param name="StepDeg">Step in which it shows them, degrees.</param>
public sealed record LevelShows(double AcrossDeg, double AlongDeg, double StepDeg);

/// <summary>A two-axis level that lies on the piece.</summary>
public interface ILevel
{
    /// <summary>What it shows now.</summary>
    LevelShows Read();
}

/// <summary>How the simulated level is steered: the true tilt of the spot it lies on, and how finely it shows it.</summary>
public sealed record LevelSteering(double AcrossDeg, double AlongDeg, double StepDeg);

/// <summary>A simulated level with a phone's resolution: it shows whole steps, and trembles by a small share of one.</summary>
public sealed class LevelStandIn : ILevel
{
    /// <summary>Step of a phone's level, degrees.</summary>
    public const double PhoneStepDeg = 0.1;

    private const double TrembleShare = 0.2;

    private readonly Lock gate = new();
    private readonly Random tremble = new(7);
    private LevelSteering steering = new(0.32, -0.14, PhoneStepDeg);

    /// <summary>How it is steered.</summary>
    public LevelSteering Steering
    {
        get
        {
            lock (gate)
            {
                return steering;
            }
        }

        set
        {
            lock (gate)
            {
                steering = value;
            }
        }
    }

    /// <inheritdoc/>
    public LevelShows Read()
    {
        lock (gate)
        {
            return new(Shown(steering.AcrossDeg), Shown(steering.AlongDeg), steering.StepDeg);
        }
    }

    /// <summary>Whole steps, without the noise of binary fractions.</summary>
    private double Shown(double trueDeg)
    {
        var steps = Math.Round(trueDeg / steering.StepDeg + TrembleShare * (tremble.NextDouble() - 0.5));
        return Math.Round(steps * steering.StepDeg, 6) + 0.0;
    }

    /// <summary>What is wrong with how it is to be steered, by field; empty where nothing is.</summary>
    public static Dictionary<string, string[]> Problems(LevelSteering to)
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

        Look("acrossDeg", Accepted.TiltDeg with { What = "Tilt across" }, to.AcrossDeg);
        Look("alongDeg", Accepted.TiltDeg with { What = "Tilt along" }, to.AlongDeg);
        Look("stepDeg", Accepted.LevelStepDeg, to.StepDeg);
        return errors;
    }
}
