using MossLantern.Core.Units;

namespace MossLantern.Core.Grounds;

/// <summary>Whether what is left in a pot is enough for a ground.</summary>
/// <param name="Name">The pot's name.</param>
/// <param name="Left">What is left in it.</param>
/// <param name="Short">What is missing; null where it is enough.</param>
public sealed record PotLeft(string Name, Reckoned Left, Reckoned? Short)
{
    /// <summary>What is left in a pot beside what a ground takes.</summary>
    /// <param name="name">The pot's name.</param>
    /// <param name="left">What is left in it without this ground, ml.</param>
    /// <param name="takes">What the ground takes, ml; null where it is painted already.</param>
    public static PotLeft Of(string name, Reckoned left, Reckoned? takes)
    {
        ArgumentNullException.ThrowIfNull(left);
        return new(
            name, left,
            takes is not null && takes.Value > left.Value
                ? Reckoned.Of(takes.Value - left.Value, "ml", Formulas.PotShort,
                    new("the ground takes", takes.Value, "ml", Origin.Reckoned), new("left in the pot", left.Value, "ml", Origin.Reckoned))
                : null);
    }
}
