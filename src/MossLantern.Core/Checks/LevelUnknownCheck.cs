using MossLantern.Core.Documents;
using MossLantern.Core.Edits;
using MossLantern.Core.Grounds;
using MossLantern.Core.Units;

namespace MossLantern.Core.Checks;

/// <summary>Nobody has measured the level at the place where the piece cures.</summary>
internal sealed class LevelUnknownCheck : ICheck
{
    public string Id => "level-unknown";

    public IEnumerable<Finding> Look(Looked looked)
    {
        return looked.MoreToPour ? PanelsOf.Each(looked).SelectMany(p => Unknown(p.Panel, p.Reading, p.Standing, p.Named)) : [];
    }

    private IEnumerable<Finding> Unknown(int panel, LevelReading? reading, Standing standing, string named)
    {
        if (reading is { WhereItCures: true } && standing.TooCoarse)
        {
            yield return new(
                Id, PanelsOf.Key("level-unknown@ground/coarse", panel), Grade.Mind, "Level too coarse to tell",
                $"The level{named} reads in steps of {{0}}, and the thinnest layer still to pour needs {{1}}: a dish "
                    + "of water on the spot tells more.",
                [
                    Reckoned.Of(reading.StepDeg!.Value, "°", Formulas.Stated,
                        new ReckonedInput("step of the level", reading.StepDeg.Value, "°", Origin.Measured)),
                    standing.Needed,
                ],
                new(Station.Ground),
                [
                    Remedy.Of("water", "Water stood level there", new ReadLevel(panel, reading with { WaterChecked = true })),
                    Remedy.Ask("measure", "Measure with a finer level", "ground.level.tiltXDeg"),
                ]);
            yield break;
        }

        if (reading is { WhereItCures: true } && standing.Drift is not null)
        {
            yield break;
        }

        var elsewhere = reading is { WhereItCures: false };
        var field = reading?.Corners is null ? "ground.level.tiltXDeg" : "ground.level.corners.topLeftMm";
        yield return new(
            Id, PanelsOf.Key("level-unknown@ground", panel), Grade.Mind, "Level not known",
            elsewhere
                ? $"The level{named} was not read where the piece will cure, so it says nothing about that spot."
                : $"The level{named} has not been read where the piece will cure: a fraction of a degree is enough for resin to drift.",
            [], new(Station.Ground),
            [
                Remedy.Ask("measure", "Measure there", field),
                .. elsewhere ? [Remedy.Of("here", "It was measured where it cures",
                    new ReadLevel(panel, reading! with { WhereItCures = true }))] : Array.Empty<Remedy>(),
            ]);
    }
}
