namespace MossLantern.Core.Materials;

/// <summary>The runs of tape round an edge.</summary>
public enum TapeRuns
{
    /// <summary>One run that covers the side and stands out as the dam.</summary>
    One,

    /// <summary>One for the side, and one for the dam.</summary>
    Two,

    /// <summary>Only the back, under an edge that runs over.</summary>
    Back,

    /// <summary>None.</summary>
    None,
}
