using System.Collections.Immutable;
using MossLantern.Core.Materials;

namespace MossLantern.Core.Painting;

/// <summary>What is painted on so far.</summary>
internal sealed class Sheet(Catalogue catalogue, bool full, bool through, bool fromBelow, string ground)
{
    public Catalogue Catalogue => catalogue;

    public bool Full => full;

    /// <summary>Whether it is seen from below.</summary>
    public bool FromBelow => fromBelow;

    /// <summary>Whether the light comes from behind.</summary>
    public bool Through => through;

    /// <summary>Colour of the ground, or of light from behind that nothing has taken its share of.</summary>
    public string Ground => through ? "#ffffff" : ground;

    public ImmutableArray<PaintMaterial>.Builder Materials { get; } = ImmutableArray.CreateBuilder<PaintMaterial>();

    public ImmutableArray<PaintPath>.Builder Paths { get; } = ImmutableArray.CreateBuilder<PaintPath>();

    public ImmutableArray<string>.Builder Clips { get; } = ImmutableArray.CreateBuilder<string>();
}
