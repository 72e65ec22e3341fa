using System.Text.Json.Serialization;

namespace MossLantern.Core.Documents;

/// <summary>What a person puts on a piece that has to dry before resin meets it, besides lines and the preparation of its ground.</summary>
/// <param name="Id">Stable id, unique among the lines and the dryings of the piece.</param>
/// <param name="Kind">What it is.</param>
/// <param name="LayerId">The layer that it has to be dry for.</param>
/// <param name="Name">What it is called; null for as its kind is.</param>
/// <param name="Hours">How long it dries, h; null for what is typical of its kind.</param>
/// <param name="Laid">That it is on; null while it is not.</param>
/// <remarks>Source: docs/craft/walls.md, What else dries.</remarks>
public sealed record Drying(string Id, DryingKind Kind, string LayerId, string? Name = null, double? Hours = null, LineLaid? Laid = null)
{
    /// <summary>Most of a piece.</summary>
    public const int Most = 60;

    /// <summary>What it is called.</summary>
    [JsonIgnore]
    public string Called => Name ?? Kind switch
    {
        DryingKind.CracklePaste => "crackle paste",
        DryingKind.Glue => "glue, until it is clear",
        DryingKind.Mask => "peelable mask",
        _ => "what has to dry",
    };
}

/// <summary>What has to dry.</summary>
public enum DryingKind
{
    /// <summary>Texture or crackle paste.</summary>
    CracklePaste,

    /// <summary>Water-based glue.</summary>
    Glue,

    /// <summary>A mask that is painted on and peeled off.</summary>
    Mask,

    /// <summary>Something of the person's own.</summary>
    Other,
}
