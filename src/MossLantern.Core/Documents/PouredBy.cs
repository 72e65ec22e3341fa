namespace MossLantern.Core.Documents;

/// <summary>What the amount that a region takes follows from.</summary>
/// <remarks>Source: docs/craft/mixing.md, Region volume.</remarks>
public enum PouredBy
{
    /// <summary>Its area and its depth.</summary>
    Area,

    /// <summary>Its length: it is laid on what is there, and has no depth to aim at.</summary>
    Length,

    /// <summary>The millilitres that were asked for: it has no depth to aim at.</summary>
    Amount,

    /// <summary>Nothing: no resin comes there.</summary>
    Nothing,
}
