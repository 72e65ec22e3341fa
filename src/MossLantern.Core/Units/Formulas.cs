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

    /// <summary>Thinnest layer still to be poured.</summary>
    public const string Thinnest = "thinnest";

    /// <summary>Longest stretch without a support.</summary>
    public const string Span = "span";

    /// <summary>The tilt that a layer can just take.</summary>
    public const string NeededTilt = "needed-tilt";

    /// <summary>Sag of a base.</summary>
    public const string Sag = "sag";

    /// <summary>Mass of a base.</summary>
    public const string BaseMass = "base-mass";

    /// <summary>Mass of a piece.</summary>
    public const string PieceMass = "piece-mass";

    /// <summary>What a mould holds.</summary>
    public const string MouldCapacity = "mould-capacity";

    /// <summary>What the layers may take of a mould.</summary>
    public const string MouldBody = "mould-body";

    /// <summary>Depth that is left in a mould.</summary>
    public const string MouldRoom = "mould-room";

    /// <summary>What an insert keeps out of a mould.</summary>
    public const string InsertDisplaces = "insert-displaces";

    /// <summary>How deep the hollow of an insert is filled.</summary>
    public const string InsertDepth = "insert-depth";

    /// <summary>What the hollow of an insert takes.</summary>
    public const string InsertFill = "insert-fill";

    /// <summary>A coat that wets what stands up from older work.</summary>
    public const string WettingCoat = "wetting-coat";

    /// <summary>What sealing a ground costs.</summary>
    public const string SealCost = "seal-cost";

    /// <summary>Whether a pot of paint is enough.</summary>
    public const string PotShort = "pot-short";

    /// <summary>Paint for a ground.</summary>
    public const string GroundPaintVolume = "ground-paint-volume";

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

    /// <summary>What a batch needs to be on ratio.</summary>
    public const string MixCorrection = "mix-correction";

    /// <summary>Load of a colourant.</summary>
    public const string Load = "load";

    /// <summary>Resin that stones displace.</summary>
    public const string Displacement = "displacement";

    /// <summary>What must be in a cup, not rounded.</summary>
    public const string CupUnrounded = "cup-unrounded";

    /// <summary>Equivalent age.</summary>
    public const string Age = "age";

    /// <summary>Heat of resin that is left standing.</summary>
    public const string Heat = "heat";

    /// <summary>Radius of a puddle.</summary>
    public const string Puddle = "puddle";

    /// <summary>Length, section and volume of a bead.</summary>
    public const string BeadLength = "bead";

    /// <summary>Drying time of a bead.</summary>
    public const string BeadDry = "bead-dry";

    /// <summary>Tape round an edge.</summary>
    public const string Tape = "tape";

    /// <summary>Difference in depth from a tilt.</summary>
    public const string Wedge = "wedge";

    /// <summary>A bed of stones.</summary>
    public const string StoneBed = "stone-bed";

    /// <summary>A rising bubble.</summary>
    public const string Bubble = "bubble";

    /// <summary>How far two colours differ.</summary>
    public const string ColourDifference = "colour-difference";

    /// <summary>Chroma of a mix.</summary>
    public const string Mud = "mud";

    /// <summary>A set of castings.</summary>
    public const string Casting = "casting";

    /// <summary>What a mixed cup takes of another.</summary>
    public const string MixedDraw = "mixed-draw";

    /// <summary>Volume of a vein laid on a wet field.</summary>
    public const string VeinVolume = "vein-volume";

    /// <summary>A pour of a puddle.</summary>
    public const string PuddlePour = "puddle-pour";

    /// <summary>Room from the rim to the middle.</summary>
    public const string RimRoom = "rim-room";

    /// <summary>Room that lines need.</summary>
    public const string LinesNeed = "lines-need";

    /// <summary>Length of the borders between fields.</summary>
    public const string VeinLength = "vein-length";

    /// <summary>Length of walls and what they take.</summary>
    public const string WallLength = "wall-length";

    /// <summary>Share of a colour.</summary>
    public const string ColourShare = "colour-share";

    /// <summary>How far a colour leans to one side.</summary>
    public const string ColourLean = "colour-lean";

    /// <summary>What lies outside the outline.</summary>
    public const string RunOff = "run-off";

    /// <summary>A quantity in the program's own units.</summary>
    public const string Quantity = "quantity";

    /// <summary>All formulas.</summary>
    public static ImmutableArray<Formula> All { get; } =
    [
        new(OutlineArea, "Area", "Rectangle: width × height. Round: π × (diameter ÷ 2)². Several panels: × their number.", "shapes.md#outline"),
        new(OutlinePerimeter, "Perimeter", "Rectangle: 2 × (width + height). Round: π × diameter. Several panels: × their number.", "shapes.md#outline"),
        new(SideArea, "Side area", "perimeter × side height", "shapes.md#outline"),
        new(RegionArea, "Region area", "The part of the outline that lies between this band's inner and outer edge on the map, counted cell by cell; a cell that an edge or the outline cuts counts with the part inside.", "map.md#areas"),
        new(RegionVolume, "Region volume", "area × depth, summed over where the depth differs; in mirrored panels × their number; in moulds × pieces at once × what the mould holds of area × depth", "mixing.md#region-volume"),
        new(Thinnest, "Thinnest layer", "the smallest depth of the layers still to be poured; of all where none is", "grounds.md#level"),
        new(Span, "Span", "the longest gap between neighbouring supports, along either side", "grounds.md#sag"),
        new(NeededTilt, "Tilt it can take", "the angle whose tangent is a tenth of the thinnest layer ÷ longer side", "grounds.md#level"),
        new(Sag, "Sag", "5 × weight per area × span⁴ ÷ (32 × E × thickness³); weight per area = 9.81 × (thickness × density + resin depth × resin density)", "grounds.md#sag"),
        new(BaseMass, "Base", "area × thickness × density, or area × mass by area", "grounds.md#weight"),
        new(PieceMass, "Weight", "base + resin (volume × density), that of older work too; stones and hardware come on top", "grounds.md#weight"),
        new(MouldCapacity, "Capacity", "area × depth, or what it was measured or stated to hold", "grounds.md#moulds"),
        new(MouldBody, "Body", "capacity − area × depth kept for later coats × (capacity ÷ (area × depth of the cavity)) − what inserts keep out", "grounds.md#moulds"),
        new(MouldRoom, "Room left", "depth − depth kept for later coats − all layers", "grounds.md#moulds"),
        new(InsertDisplaces, "Kept out", "area of the insert × (depth − kept for later coats − its foot above the floor) × what the mould holds of area × depth", "grounds.md#inserts"),
        new(InsertDepth, "Hollow", "depth − kept for later coats − foot of the insert above the floor − recess", "grounds.md#inserts"),
        new(InsertFill, "Fill", "area of the insert × depth of its hollow × what the mould holds of area × depth", "grounds.md#inserts"),
        new(WettingCoat, "Wetting coat", "area of the older work × depth", "grounds.md#older-work"),
        new(SealCost, "Cost", "amount × price of a litre; for a square metre ÷ area", "grounds.md#preparation"),
        new(PotShort, "Pot", "missing: what the ground takes − what is left in the pot", "grounds.md#pots"),
        new(GroundPaintVolume, "Coat", "area × film × coats", "grounds.md#preparation"),
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
        new(MixCorrection, "On ratio", "target = resin × (hardener ÷ resin by weight, as the maker says), accepted within the tolerance; short: target − hardener is added; over: hardener ÷ (hardener ÷ resin) − resin is added", "mixing.md#on-the-scale"),
        new(Load, "Load", "colourant ÷ mixed resin, by weight; a drop is 0.05 ml × density", "mixing.md#load"),
        new(Displacement, "Displacement", "mass of the stones below the level ÷ solid density", "stones.md#displacement"),
        new(CupUnrounded, "Cup", "need = (region − displaced + edges) × (1 + reserve); cup = need + (1.5 ml + 2 % of need) × (1 + transfers)", "mixing.md#cup-volume"),
        new(Age, "Equivalent age", "the sum of hours × speed of cure, where speed = exp(−(Ea ÷ R) × (1 ÷ temperature − 1 ÷ reference)), temperatures in kelvin", "curing.md#equivalent-age"),
        new(Heat, "Heat of cure", "degree of cure and temperature step by step: dα/dt = A × exp(−Ea ÷ RT) × (α + 0.3) × (1 − α)^1.5, heat given off less heat lost to the room; A such that 100 g in a cup meet the working time", "curing.md#degree-of-cure"),
        new(Puddle, "Puddle", "√(1000 × all poured so far ÷ (π × depth))", "pouring.md#puddles"),
        new(BeadLength, "Bead", "section = π × width × height ÷ 4; volume = section × length", "walls.md#beads"),
        new(BeadDry, "Drying", "reference time × (height ÷ reference height)²", "walls.md#beads"),
        new(Tape, "Edge tape", "mask run: the narrowest that covers the side; dam = open depth + 3 mm, its run the narrowest that is 10 mm wider; each perimeter + 25 mm a corner + 20 mm", "walls.md#edge-tape"),
        new(Wedge, "Wedge", "length × tan tilt, on both axes, over the box of the supports; shims: what each support lies lower than the highest", "walls.md#level"),
        new(StoneBed, "Bed of stones", "bulk = area × depth × cover; mass = bulk × bulk density; solid = mass ÷ solid density; voids = bulk × (1 − solids share)", "stones.md#beds"),
        new(Bubble, "Bubble", "2 × density × g × radius² ÷ (9 × viscosity)", "pouring.md#bubbles"),
        new(ColourDifference, "Colour difference", "ΔE00 of the CIEDE2000 formula; wet neighbours under 12 read as one", "map.md#colour-difference"),
        new(Mud, "Mixed colour", "channel by channel in linear light: absorption over scattering K = (1 − R)² ÷ (2 × R), averaged by load, and back R = 1 + K − √(K² + 2 × K); mud where the chroma of the mix is below half of the weaker colour's and below 20", "map.md#mixing-and-mud"),
        new(Quantity, "Units", "what was typed × what one of its unit is: in 25.4 mm, ft 304.8 mm, fl oz 29.574 ml, tsp 4.929 ml, pint 473.176 ml, oz 28.35 g, lb 453.592 g; °C = (°F − 32) ÷ 1.8", "units.md#typed-quantities"),
        new(MixedDraw, "Taken", "mixed cup × its parts ÷ parts in all; the cup it is taken from is mixed larger by that", "layouts.md#mixed-cups"),
        new(VeinVolume, "Vein", "length × width × thickness ÷ 1000; it comes on top of the fields", "layouts.md#highlight-veins"),
        new(PuddlePour, "Pour", "as it is asked for", "layouts.md#puddle"),
        new(RimRoom, "Rim room", "the way from the rim to the place farthest from it, in the narrowest part", "layouts.md#rim-to-middle-lines"),
        new(LinesNeed, "Lines", "the sum of their widths; lines in all × width where they are alike", "layouts.md#rim-to-middle-lines"),
        new(VeinLength, "Vein length", "all borders between fields, as far as they lie on the piece", "layouts.md#highlight-veins"),
        new(WallLength, "Walls", "the walls as drawn, with their ends joined on; area = length × bead width, ends and crossings counted once", "layouts.md#pools"),
        new(ColourShare, "Share", "area of its regions ÷ area of the piece", "layouts.md#balance"),
        new(ColourLean, "Lean", "distance from the middle of the piece to the middle of the colour's regions, weighed by area", "layouts.md#balance"),
        new(RunOff, "Run-off", "pour × (1 − its area on the piece ÷ its area): it runs over an open edge, or stands higher inside a wall", "layouts.md#puddle"),
        new(Casting, "Castings", "body = capacity − inserts − area × kept depth; in all: pieces × body × (1 + loss)", "mixing.md#castings"),
    ];
}
