using System.Collections.Immutable;

namespace MossLantern.Core.Materials;

/// <summary>What things cost in this workshop.</summary>
/// <param name="Money">The workshop's money, as it is written behind an amount.</param>
/// <param name="PerLitre">Price of a litre, by the id of what it is; what is not here is not known.</param>
public sealed record Prices(string Money, ImmutableSortedDictionary<string, double> PerLitre)
{
    /// <summary>What the price of a resin of the catalogue is kept under.</summary>
    public static string IdOf(string resinId) => "resin/" + resinId;

    /// <summary>Nothing is known yet.</summary>
    public static Prices None { get; } = new("€", ImmutableSortedDictionary<string, double>.Empty);
}
