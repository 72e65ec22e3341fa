using System.Collections.Immutable;

namespace MossLantern.Core.Units;

/// <summary>A formula as a person reads it.</summary>
/// <param name="Id">Stable id, cited by <see cref="Reckoned.Formula"/>.</param>
/// <param name="Title">Its name.</param>
/// <param name="Words">The formula in words.</param>
/// <param name="Page">Page and section of the craft documentation.</param>
public sealed record Formula(string Id, string Title, string Words, string Page);

/// <summary>Every formula the program shows, by id.</summary>
public static class Formulas
{
    /// <summary>Area of an outline.</summary>
    public const string OutlineArea = "outline-area";

    /// <summary>Perimeter of an outline.</summary>
    public const string OutlinePerimeter = "outline-perimeter";

    /// <summary>Area of the side faces below an outline.</summary>
    public const string SideArea = "side-area";

    /// <summary>Area of a region of the map.</summary>
    public const string RegionArea = "region-area";

    /// <summary>Volume of a region.</summary>
    public const string RegionVolume = "region-volume";

    /// <summary>Resin that runs over an open edge and stays there or drips.</summary>
    public const string EdgeVolume = "edge-volume";

    /// <summary>What is poured on a region.</summary>
    public const string PourVolume = "pour-volume";

    /// <summary>What is left in a cup after a pour.</summary>
    public const string LeftInCup = "left-in-cup";

    /// <summary>What must be in a cup.</summary>
    public const string CupVolume = "cup-volume";

    /// <summary>Resin of a mix given by volume.</summary>
    public const string PartResinByVolume = "part-resin-by-volume";

    /// <summary>Hardener of a mix given by volume.</summary>
    public const string PartHardenerByVolume = "part-hardener-by-volume";

    /// <summary>Resin of a mix given by weight.</summary>
    public const string PartResinByWeight = "part-resin-by-weight";

    /// <summary>Hardener of a mix given by weight.</summary>
    public const string PartHardenerByWeight = "part-hardener-by-weight";

    /// <summary>Mass of a part from its volume.</summary>
    public const string PartMass = "part-mass";

    /// <summary>Mass of colourant for a load.</summary>
    public const string ColourantMass = "colourant-mass";

    /// <summary>Total of a layer's cups.</summary>
    public const string LayerVolume = "layer-volume";

    /// <summary>When an equivalent age is reached in a constant room.</summary>
    public const string Milestone = "milestone";

    /// <summary>Opacity of a coloured film.</summary>
    public const string Opacity = "opacity";

    /// <summary>All formulas.</summary>
    public static ImmutableArray<Formula> All { get; } =
    [
        new(OutlineArea, "Area", "Rectangle: width × height. Round: π × (diameter ÷ 2)².", "shapes.md#outline"),
        new(OutlinePerimeter, "Perimeter", "Rectangle: 2 × (width + height). Round: π × diameter.", "shapes.md#outline"),
        new(SideArea, "Side area", "perimeter × side height", "shapes.md#outline"),
        new(RegionArea, "Region area", "The part of the outline that lies between this band's inner and outer edge on the map, counted cell by cell; a cell that an edge or the outline cuts counts with the part inside.", "map.md#areas"),
        new(RegionVolume, "Region volume", "area × depth", "mixing.md#region-volume"),
        new(EdgeVolume, "Edges", "side film (open perimeter × side height × film thickness) + drips (share × layer volume)", "mixing.md#edges"),
        new(PourVolume, "Pour", "region volume + what runs over its part of the edge", "pouring.md#order"),
        new(LeftInCup, "Left in the cup", "what was in the cup before − what is poured; the reserve and what stays on its wall are the last of it", "pouring.md#order"),
        new(CupVolume, "Cup", "need = (regions + edges) × (1 + reserve); cup = need + what stays in any cup + a share of the need; rounded up to the cup step", "mixing.md#cup-volume"),
        new(PartResinByVolume, "Resin", "cup × resin parts ÷ (resin parts + hardener parts)", "mixing.md#by-volume"),
        new(PartHardenerByVolume, "Hardener", "cup − resin", "mixing.md#by-volume"),
        new(PartResinByWeight, "Resin", "cup mass × resin parts ÷ (resin parts + hardener parts), over the resin's density", "mixing.md#by-weight"),
        new(PartHardenerByWeight, "Hardener", "cup mass − resin mass, over the hardener's density", "mixing.md#by-weight"),
        new(PartMass, "Mass", "volume × density", "mixing.md#by-volume"),
        new(ColourantMass, "Colourant", "mixed mass × load", "mixing.md#load"),
        new(LayerVolume, "Layer", "the sum of its cups, each rounded up to the cup step", "mixing.md#cup-volume"),
        new(Milestone, "Window", "hours at the reference temperature ÷ speed of cure in this room, where speed = exp(−(Ea ÷ R) × (1 ÷ room − 1 ÷ reference)), temperatures in kelvin", "curing.md#equivalent-age"),
        new(Opacity, "Opacity", "1 − exp(−depth × κ × load), κ of the colourant's class per % and mm", "map.md#shown-colour"),
    ];
}
