namespace MossLantern.Core.Materials;

/// <summary>What a ground is painted with.</summary>
public enum PaintKind
{
    /// <summary>Water-based paint or gesso; must be dry before resin comes.</summary>
    Water,

    /// <summary>Oil paint: resin lets go of it.</summary>
    Oil,
}
