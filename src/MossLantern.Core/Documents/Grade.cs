namespace MossLantern.Core.Documents;

/// <summary>How much a finding weighs.</summary>
public enum Grade
{
    /// <summary>Somebody or the piece gets hurt.</summary>
    Stop,

    /// <summary>The plan will not come out as drawn.</summary>
    Mend,

    /// <summary>Worth a thought.</summary>
    Mind,
}
