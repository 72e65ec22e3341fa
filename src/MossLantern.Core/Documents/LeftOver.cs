namespace MossLantern.Core.Documents;

/// <summary>What becomes of resin that is left over.</summary>
public enum LeftOverUse
{
    /// <summary>Stones are cast of it, by colour.</summary>
    CastStones,

    /// <summary>A spare coaster or another small mould.</summary>
    SpareCasting,

    /// <summary>A seal coat on the next ground.</summary>
    SealCoat,

    /// <summary>It tops up what stands too low.</summary>
    TopUp,
}

/// <summary>What was made of resin that was left over, on its shelf.</summary>
/// <param name="Name">What it is called, such as its colour.</param>
/// <param name="Colour">Its colour, as <c>#rrggbb</c>.</param>
/// <param name="Use">What was made of it.</param>
/// <param name="Grams">How much there is, g.</param>
/// <param name="Note">A note; may be empty.</param>
/// <remarks>Source: docs/craft/mixing.md, Left over.</remarks>
public sealed record LeftOver(string Name, string Colour, LeftOverUse Use, double Grams, string Note = "");
