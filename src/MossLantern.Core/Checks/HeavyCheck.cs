using MossLantern.Core.Documents;
using MossLantern.Core.Units;

namespace MossLantern.Core.Checks;

/// <summary>A piece so heavy that how it hangs is to be thought of.</summary>
internal sealed class HeavyCheck : ICheck
{
    /// <summary>From here on it hangs from two points, kg.</summary>
    public const double TwoPointsKg = 5;

    /// <summary>From here on it hangs from a rail, and two people carry it, kg.</summary>
    public const double RailKg = 15;

    public string Id => "heavy";

    public IEnumerable<Finding> Look(Looked looked)
    {
        if (looked.Piece.Ground.Mould is not null || looked.Ground.Standing.FinishedMass is not { } mass || mass.Value < TwoPointsKg)
        {
            yield break;
        }

        var rail = mass.Value >= RailKg;
        yield return new(
            Id, "heavy@ground", Grade.Mind, "Heavy",
            rail ? "It will weigh {0}: from {1} on it hangs from a rail, and two people carry it. Where you are unsure, ask a professional."
                : "It will weigh {0}: from {1} on it hangs from two points. Each fixing holds four times that.",
            [mass, ToPour.Limit("from", rail ? RailKg : TwoPointsKg, "kg")],
            new(Station.Ground, null, looked.Piece.Ground.Outline.BoxWidthMm / 2, looked.Piece.Ground.Outline.BoxHeightMm / 2),
            [Remedy.Ask("lighter", "Use a lighter base", "ground.base.thicknessMm")], Worth: mass.Value);
    }
}
