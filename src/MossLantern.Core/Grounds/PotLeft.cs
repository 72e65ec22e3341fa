using MossLantern.Core.Documents;
using MossLantern.Core.Units;

namespace MossLantern.Core.Grounds;

/// <summary>Whether what is left in a pot is enough for a ground.</summary>
/// <param name="Name">The pot's name.</param>
/// <param name="Left">What is left in it.</param>
/// <param name="Short">What is missing; null where it is enough.</param>
public sealed record PotLeft(string Name, Reckoned Left, Reckoned? Short)
{
    /// <summary>What is left in a pot beside what a ground takes.</summary>
    /// <param name="pot">The pot.</param>
    /// <param name="takes">What the ground takes, ml.</param>
    public static PotLeft Of(PaintPot pot, Reckoned takes)
    {
        ArgumentNullException.ThrowIfNull(pot);
        ArgumentNullException.ThrowIfNull(takes);
        ReckonedInput left = new("left in the pot", pot.LeftMl, "ml", Origin.Measured), amount = new("the ground takes", takes.Value, "ml", Origin.Reckoned);
        return new(
            pot.Name,
            Reckoned.Of(pot.LeftMl, "ml", Formulas.Stated, left),
            takes.Value > pot.LeftMl ? Reckoned.Of(takes.Value - pot.LeftMl, "ml", Formulas.PotShort, amount, left) : null);
    }
}
