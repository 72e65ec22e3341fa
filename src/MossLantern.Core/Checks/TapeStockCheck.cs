using MossLantern.Core.Documents;
using MossLantern.Core.Edits;
using MossLantern.Core.Materials;
using MossLantern.Core.Units;
using MossLantern.Core.Walls;

namespace MossLantern.Core.Checks;

/// <summary>Tape that no width at hand is wide enough for, or of which there is too little left.</summary>
internal sealed class TapeStockCheck : ICheck
{
    public string Id => "not-in-stock";

    public IEnumerable<Finding> Look(Looked looked)
    {
        if (looked.Tape is not { } tape || !looked.MoreToPour)
        {
            yield break;
        }

        foreach (var run in tape.Each)
        {
            if (run.WidthMm is null)
            {
                yield return new(
                    Id, $"not-in-stock@tape/{run.Run}", Grade.Mend, "No tape so wide",
                    "The edge takes tape at least {0} wide, and none at hand is.", [run.LeastMm],
                    new(Station.Walls, looked.Piece.Layers[0].Id), [.. Otherwise(tape)]);
            }
        }

        // Both runs may come off one roll.
        foreach (var group in tape.Each.Where(r => r.WidthMm is not null).GroupBy(r => r.WidthMm!.Value))
        {
            var rolls = looked.Around.Catalogue.Materials.Where(m => m is { Kind: MaterialKind.Tape, PutAway: false }
                && m[MaterialProperties.TapeWidthMm] == group.Key).ToList();
            if (rolls.Count == 0 || rolls.Any(m => m.Find(MaterialProperties.LeftMetres) is null))
            {
                continue;
            }

            var (takes, left) = (group.Sum(r => r.Length.Value) * tape.Times / 1000, rolls.Sum(m => m[MaterialProperties.LeftMetres]));
            if (takes > left)
            {
                yield return new(
                    Id, FormattableString.Invariant($"not-in-stock@tape/{group.Key}"), Grade.Mend, "Not enough tape",
                    FormattableString.Invariant($"{{0}} of tape {group.Key} mm wide is taken, and {{1}} is left."),
                    [
                        Reckoned.Of(takes, "m", Formulas.TapeTaken,
                            new("a time", group.Sum(r => r.Length.Value), "mm", Origin.Reckoned),
                            new("times", tape.Times, "", Origin.Reckoned)),
                        Reckoned.Of(left, "m", Formulas.Stated, new ReckonedInput("left", left, "m", Origin.Own)),
                    ],
                    new(Station.Walls, looked.Piece.Layers[0].Id), [.. Otherwise(tape)], Worth: takes - left);
            }
        }
    }

    /// <summary>In another number of runs; or the person says what else.</summary>
    private static IEnumerable<Remedy> Otherwise(Taping tape)
    {
        var other = tape.Runs == TapeRuns.One ? TapeRuns.Two : TapeRuns.One;
        yield return Remedy.Of("otherwise", other == TapeRuns.Two ? "Tape it in two runs" : "Tape it in one run", new TapeEdge(other));
        yield return Remedy.Ask("depth", "Enter how high its sides are", "ground.sideHeightMm");
    }
}
