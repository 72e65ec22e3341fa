using System.Globalization;
using MossLantern.Core.Documents;
using MossLantern.Core.Materials;
using MossLantern.Core.Units;

namespace MossLantern.Core.Edits;

/// <summary>An amount of a colourant as a person says it.</summary>
/// <remarks>Source: docs/craft/mixing.md, Load.</remarks>
internal static class DoseAmount
{
    /// <summary>It as a load, % by what the dose is percent of, or why it is none.</summary>
    /// <param name="piece">The piece, whose sitting's resin it is stirred into.</param>
    /// <param name="dose">What it is of.</param>
    /// <param name="amount">How much.</param>
    /// <param name="unit">What in.</param>
    /// <param name="inMl">In how much resin, ml; null for percent.</param>
    /// <param name="sittingId">The sitting; null for the first.</param>
    /// <param name="cupboard">What the workshop has.</param>
    public static (double Percent, string? Refusal) Of(Piece piece, Dose dose, double amount, DoseUnit unit,
        double? inMl, string? sittingId, Cupboard cupboard)
    {
        if (unit == DoseUnit.ByEye)
        {
            // Nobody knows how much: it stays drawn as it is.
            return (dose.Percent, null);
        }

        var range = unit == DoseUnit.Percent ? Accepted.LoadPercent : Accepted.DoseAmount;
        if (!range.Contains(amount) || !Enum.IsDefined(unit))
        {
            return (0, range.Sentence);
        }

        if (unit == DoseUnit.Percent)
        {
            return (amount, null);
        }

        var resin = piece.Sittings.FirstOrDefault(s => s.Id == sittingId) ?? (sittingId is null ? piece.Sittings[0] : null);
        if (inMl is not { } ml || !Accepted.VolumeMl.Contains(ml) || resin is null || cupboard.Catalogue.Resin(resin.Resin.System) is null)
        {
            return (0, "Give the millilitres of resin, and which sitting's it is: " + Accepted.VolumeMl.Sentence);
        }

        var known = cupboard.Catalogue.Of(dose.Colourant, dose.ColourantId);
        var grams = unit switch
        {
            DoseUnit.Drops when known.DropMl is { } drop => amount * drop * known.DensityGPerMl,
            DoseUnit.Scoops when known.ScoopG is { } scoop => amount * scoop,
            DoseUnit.Tips when known.TipG is { } tip => amount * tip,
            DoseUnit.Grams => amount,
            _ => (double?)null,
        };
        if (grams is not { } g)
        {
            return (0, unit == DoseUnit.Drops
                ? $"{Capital(known.Name)} does not drip: say it in grams, in percent, or in level scoops of yours."
                : $"What a {(unit == DoseUnit.Tips ? "stick tip" : "level scoop")} of {known.Name} weighs is not "
                    + "known yet: enter it in the Cupboard, or give grams or percent instead.");
        }

        var density = resin.Resin.From(cupboard.Catalogue).MixDensity;
        var percent = dose.By == RatioBasis.Weight ? 100 * g / (ml * density) : 100 * g / known.DensityGPerMl / ml;
        return (percent, Accepted.LoadPercent.Contains(percent) ? null
            : string.Create(CultureInfo.InvariantCulture,
                $"That is {percent:0} % of {ml:0.##} ml: "
                    + $"{char.ToLowerInvariant(Accepted.LoadPercent.Sentence[0])}{Accepted.LoadPercent.Sentence[1..]}"));
    }

    private static string Capital(string text) => char.ToUpperInvariant(text[0]) + text[1..];
}
