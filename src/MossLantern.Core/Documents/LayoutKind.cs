using System.Text.Json.Serialization;

namespace MossLantern.Core.Documents;

/// <summary>The ways of laying out.</summary>
public enum LayoutKind
{
    /// <summary>Rings round hearts.</summary>
    Rings,

    /// <summary>Stripes from the rim to the middle.</summary>
    [JsonStringEnumMemberName("lines")]
    Stripes,

    /// <summary>Rings drawn through with a tool.</summary>
    Petals,

    /// <summary>Fields of a few colours.</summary>
    Fields,

    /// <summary>Pools between walls.</summary>
    Pools,

    /// <summary>Colours poured in one place.</summary>
    Puddle,

    /// <summary>Streaks of a mixed cup.</summary>
    Marble,

    /// <summary>One colour over all.</summary>
    Flood,
}

/// <summary>Tells the way of a layout.</summary>
public static class LayoutKinds
{
    /// <summary>The way that a layout is one of.</summary>
    public static LayoutKind Of(Layout layout) => layout switch
    {
        RingsLayout => LayoutKind.Rings,
        StripesLayout => LayoutKind.Stripes,
        PetalsLayout => LayoutKind.Petals,
        FieldsLayout => LayoutKind.Fields,
        PoolsLayout => LayoutKind.Pools,
        PuddleLayout => LayoutKind.Puddle,
        MarbleLayout => LayoutKind.Marble,
        _ => LayoutKind.Flood,
    };
}
