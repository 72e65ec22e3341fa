using System.Collections.Immutable;
using MossLantern.Core.Plans;

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

    /// <summary>Area of a round.</summary>
    public const string RoundArea = "round-area";

    /// <summary>Area of an oval.</summary>
    public const string OvalArea = "oval-area";

    /// <summary>Area of a slice or a drawing.</summary>
    public const string ShapeArea = "shape-area";

    /// <summary>Perimeter of an outline.</summary>
    public const string OutlinePerimeter = "outline-perimeter";

    /// <summary>Perimeter of a round.</summary>
    public const string RoundPerimeter = "round-perimeter";

    /// <summary>Perimeter of an oval, a slice or a drawing.</summary>
    public const string ShapePerimeter = "shape-perimeter";

    /// <summary>Area of the side faces below an outline.</summary>
    public const string SideArea = "side-area";

    /// <summary>Thinnest layer still to be poured.</summary>
    public const string Thinnest = "thinnest";

    /// <summary>Longest stretch without a support.</summary>
    public const string Span = "span";

    /// <summary>The tilt that a layer can just take.</summary>
    public const string NeededTilt = "needed-tilt";

    /// <summary>What was read or stated.</summary>
    public const string Stated = "stated";

    /// <summary>What was poured against what was planned.</summary>
    public const string LogDifference = "log-difference";

    /// <summary>What was noted or planned of several pours, together.</summary>
    public const string LogTotal = "log-total";

    /// <summary>Sag of a base.</summary>
    public const string Sag = "sag";

    /// <summary>Mass of a base.</summary>
    public const string BaseMass = "base-mass";

    /// <summary>Mass of a base that is weighed by its area.</summary>
    public const string BaseMassByArea = "base-mass-by-area";

    /// <summary>Mass of a cradled panel.</summary>
    public const string BaseMassCradled = "base-mass-cradled";

    /// <summary>How far the face of a cradled panel spans.</summary>
    public const string SpanBetweenBars = "span-between-bars";

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

    /// <summary>How deep all layers are together.</summary>
    public const string DepthOfAll = "depth-of-all";

    /// <summary>What the resin of a sitting costs.</summary>
    public const string SittingCost = "sitting-cost";

    /// <summary>What is left in a pot of paint by now.</summary>
    public const string PotNow = "pot-now";

    /// <summary>What is still to be taken out of a pot of paint.</summary>
    public const string PotSpokenFor = "pot-spoken-for";

    /// <summary>Paint for a ground.</summary>
    public const string GroundPaintVolume = "ground-paint-volume";

    /// <summary>Area of a region of the map.</summary>
    public const string RegionArea = "region-area";

    /// <summary>How narrow or wide a band is.</summary>
    public const string BandWidth = "band-width";

    /// <summary>Volume of a region.</summary>
    public const string RegionVolume = "region-volume";

    /// <summary>Resin that runs over an open edge and stays there or drips.</summary>
    public const string EdgeVolume = "edge-volume";

    /// <summary>What runs over an edge that nothing runs over.</summary>
    public const string EdgeNone = "edge-none";

    /// <summary>What is poured on a region.</summary>
    public const string PourVolume = "pour-volume";

    /// <summary>What is left in a cup after a pour.</summary>
    public const string LeftInCup = "left-in-cup";

    /// <summary>What must be in a cup.</summary>
    public const string CupVolume = "cup-volume";

    /// <summary>What must be in a cup that is rounded up by itself.</summary>
    public const string CupRounded = "cup-rounded";

    /// <summary>Where a usual support stands.</summary>
    public const string SupportPlace = "support-place";

    /// <summary>What is in a cup that several batches fill.</summary>
    public const string CupOfBatches = "cup-of-batches";

    /// <summary>What is in a cup that serves nothing.</summary>
    public const string CupNone = "cup-none";

    /// <summary>What is mixed in a jug that is measured in marked cups.</summary>
    public const string BatchVolume = "batch-volume";

    /// <summary>What is mixed in a jug that is weighed.</summary>
    public const string BatchRounded = "batch-rounded";

    /// <summary>Everything that a sitting mixes.</summary>
    public const string SittingVolume = "sitting-volume";

    /// <summary>Everything that a piece takes.</summary>
    public const string PieceVolume = "piece-volume";

    /// <summary>When a batch is divided.</summary>
    public const string BatchDivided = "batch-divided";

    /// <summary>When a cup has been poured.</summary>
    public const string CupPoured = "cup-poured";

    /// <summary>How much of its working time a cup has left when it has been poured.</summary>
    public const string InHand = "in-hand";

    /// <summary>When a batch is begun.</summary>
    public const string BatchStart = "batch-start";

    /// <summary>When a pour is done.</summary>
    public const string PourDone = "pour-done";

    /// <summary>How long a sitting takes.</summary>
    public const string SittingLasts = "sitting-lasts";

    /// <summary>When a batch has to be begun.</summary>
    public const string BatchLatest = "batch-latest";

    /// <summary>What a casting takes.</summary>
    public const string CastingNeed = "casting-need";

    /// <summary>What a copy takes of a pour.</summary>
    public const string EachCopy = "each-copy";

    /// <summary>Volume of a domed coat.</summary>
    public const string DomeVolume = "dome-volume";

    /// <summary>Clear that brings a region up to the highest.</summary>
    public const string LevelClear = "level-clear";

    /// <summary>The reserve in a cup.</summary>
    public const string CupReserve = "cup-reserve";

    /// <summary>What is in a cup on a scale.</summary>
    public const string CupMass = "cup-mass";

    /// <summary>What stays in a cup.</summary>
    public const string CupLoss = "cup-loss";

    /// <summary>The smallest mix that the tools can measure.</summary>
    public const string SmallestMix = "smallest-mix";

    /// <summary>Resin of a mix given by volume.</summary>
    public const string PartResinByVolume = "part-resin-by-volume";

    /// <summary>Resin of a mix that is measured in marked cups.</summary>
    public const string PartResinToStep = "part-resin-to-step";

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

    /// <summary>Mass of a colourant that is dosed by volume.</summary>
    public const string ColourantMassByVolume = "colourant-mass-by-volume";

    /// <summary>Volume of a colourant.</summary>
    public const string ColourantVolume = "colourant-volume";

    /// <summary>A colourant in drops.</summary>
    public const string ColourantDrops = "colourant-drops";

    /// <summary>A colourant in level scoops.</summary>
    public const string ColourantScoops = "colourant-scoops";

    /// <summary>A colourant in dipped stick tips.</summary>
    public const string ColourantTips = "colourant-tips";

    /// <summary>A load by volume as one by weight.</summary>
    public const string LoadByWeight = "load-by-weight";

    /// <summary>A load by weight as one by volume.</summary>
    public const string LoadByVolume = "load-by-volume";

    /// <summary>All loads of a cup together.</summary>
    public const string LoadTotal = "load-total";

    /// <summary>The load that covers so much.</summary>
    public const string LoadForCover = "load-for-cover";

    /// <summary>Hardener for the resin that is really in the cup.</summary>
    public const string HardenerForResin = "hardener-for-resin";

    /// <summary>A colourant for a cup that came out larger or smaller.</summary>
    public const string ColourantGrown = "colourant-grown";

    /// <summary>What is missing on the scale.</summary>
    public const string WeighedMissing = "weighed-missing";

    /// <summary>Resin to add to too much hardener.</summary>
    public const string WeighedOver = "weighed-over";

    /// <summary>How much more of the mixture too much colourant asks for.</summary>
    public const string WeighedTooStrong = "weighed-too-strong";

    /// <summary>What a batch has grown to.</summary>
    public const string BatchGrown = "batch-grown";

    /// <summary>What of a cup can be poured.</summary>
    public const string CupAvailable = "cup-available";

    /// <summary>What is left over in a cup.</summary>
    public const string CupLeft = "cup-left";

    /// <summary>What a cup lacks.</summary>
    public const string CupLacks = "cup-lacks";

    /// <summary>Stones that are cast of what is left over.</summary>
    public const string LeftOverStones = "left-over-stones";

    /// <summary>What is sealed with what is left over.</summary>
    public const string LeftOverSeal = "left-over-seal";

    /// <summary>Rubber in a rim or an insert.</summary>
    public const string RubberCast = "rubber-cast";

    /// <summary>Rubber to mix for that, and its two parts.</summary>
    public const string RubberGrams = "rubber-grams", RubberFirst = "rubber-first", RubberSecond = "rubber-second";

    /// <summary>How far a side leans over the resin.</summary>
    public const string Undercut = "undercut";

    /// <summary>Rubber for a mould.</summary>
    public const string Rubber = "rubber";

    /// <summary>Paste for a line.</summary>
    public const string Paste = "paste";

    /// <summary>Two batches of one recipe.</summary>
    public const string Match = "match";

    /// <summary>Opacity of a coloured film.</summary>
    public const string Opacity = "opacity";

    /// <summary>What a batch needs to be on ratio.</summary>
    public const string MixCorrection = "mix-correction";

    /// <summary>Load of a colourant.</summary>
    public const string Load = "load";

    /// <summary>What is poured of a region in which stones lie.</summary>
    public const string RegionAmongStones = "region-among-stones";

    /// <summary>Stones that stand out of what is poured round them.</summary>
    public const string StonesOut = "stones-out";

    /// <summary>Resin that stones displace.</summary>
    public const string Displacement = "displacement";

    /// <summary>What must be in a cup, not rounded.</summary>
    public const string CupUnrounded = "cup-unrounded";

    /// <summary>Equivalent age.</summary>
    public const string Age = "age";

    /// <summary>Heat of resin that is left standing.</summary>
    public const string Heat = "heat";

    /// <summary>What becomes of resin on its way from vessel to vessel.</summary>
    public const string Journey = "journey";

    /// <summary>Radius of a puddle.</summary>
    public const string Puddle = "puddle";

    /// <summary>Length, section and volume of a bead.</summary>
    public const string BeadLength = "bead";

    /// <summary>What a pool takes with room to spare.</summary>
    public const string PoolRoom = "pool-room";

    /// <summary>What a pool takes to the brim.</summary>
    public const string PoolBrim = "pool-brim";

    /// <summary>What a pool takes until it runs over.</summary>
    public const string PoolOver = "pool-over";

    /// <summary>What is poured into a pool.</summary>
    public const string PoolGets = "pool-gets";

    /// <summary>Drying time of a bead.</summary>
    public const string BeadDry = "bead-dry";

    /// <summary>Tape round an edge.</summary>
    public const string Tape = "tape";

    /// <summary>How deep a pool stands.</summary>
    public const string PoolLevel = "pool-level";

    /// <summary>What a pool still takes.</summary>
    public const string PoolMore = "pool-more";

    /// <summary>Walls together.</summary>
    public const string WallsTogether = "walls-together";

    /// <summary>The wall that is ready last.</summary>
    public const string WallsReady = "walls-ready";

    /// <summary>What of a pool runs over.</summary>
    public const string RunsOver = "runs-over";

    /// <summary>Length of a run of tape.</summary>
    public const string TapeLength = "tape-length";

    /// <summary>Tape that is taken in all.</summary>
    public const string TapeTaken = "tape-taken";

    /// <summary>Resin that is brushed on the sides of a piece.</summary>
    public const string SidesBrushed = "sides-brushed";

    /// <summary>Sheets of leaf for the sides of a piece.</summary>
    public const string LeafSheets = "leaf-sheets";

    /// <summary>Least width of tape in one run.</summary>
    public const string TapeOne = "tape-one";

    /// <summary>Least width of side tape.</summary>
    public const string TapeSide = "tape-side";

    /// <summary>Least width of dam tape.</summary>
    public const string TapeDam = "tape-dam";

    /// <summary>What holds to its edge, out of level.</summary>
    public const string HoldsOnTilt = "holds-on-tilt";

    /// <summary>What a line takes.</summary>
    public const string LineMl = "line-ml";

    /// <summary>Width of a dam all round.</summary>
    public const string DamWidth = "dam-width";

    /// <summary>Mass of what a line takes.</summary>
    public const string LineGrams = "line-grams";

    /// <summary>Tubes for a line.</summary>
    public const string LineTubes = "line-tubes";

    /// <summary>How long a line takes to draw.</summary>
    public const string LineDraw = "line-draw";

    /// <summary>To what height a line holds.</summary>
    public const string LineHolds = "line-holds";

    /// <summary>When silicone peels.</summary>
    public const string LinePeels = "line-peels";

    /// <summary>Granules of a paste.</summary>
    public const string PasteGranules = "paste-granules";

    /// <summary>Resin of a paste.</summary>
    public const string PasteResin = "paste-resin";

    /// <summary>Height of a dam.</summary>
    public const string DamHeight = "dam-height";

    /// <summary>How long something dries.</summary>
    public const string Drying = "drying";

    /// <summary>Difference in depth from a tilt.</summary>
    public const string Wedge = "wedge";

    /// <summary>How much deeper a film is at a corner of a tilted piece.</summary>
    public const string CornerDepth = "corner-depth";

    /// <summary>What goes under a support.</summary>
    public const string Shim = "shim";

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

    /// <summary>How far what is mixed goes.</summary>
    public const string Reach = "reach";

    /// <summary>What a mixed cup takes of another.</summary>
    public const string MixedDraw = "mixed-draw";

    /// <summary>Volume of a vein laid on a wet field.</summary>
    public const string LineVolume = "line-volume";

    /// <summary>A pour of a puddle.</summary>
    public const string PuddlePour = "puddle-pour";

    /// <summary>Room from the rim to the middle.</summary>
    public const string RimRoom = "rim-room";

    /// <summary>Room that lines need.</summary>
    public const string StripesNeed = "stripes-need";

    /// <summary>What a repeat of a sequence takes.</summary>
    public const string Repeat = "repeat";

    /// <summary>Length of the borders between fields.</summary>
    public const string LineLength = "line-length";

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
        new(OutlineArea, "Area", "width × height ÷ 100 [× panels]; a rectangle", "shapes.md#outline"),
        new(RoundArea, "Area", "π × (diameter ÷ 2)^2 ÷ 100 [× panels]; a round", "shapes.md#outline"),
        new(OvalArea, "Area", "π × width × height ÷ 400 [× panels]; an oval", "shapes.md#outline"),
        new(ShapeArea, "Area",
            "measured along the curve: half the sum of x × next y − next x × y over its corners, what it encloses less its openings",
            "shapes.md#outline"),
        new(OutlinePerimeter, "Perimeter", "2 × (width + height) [× panels]; a rectangle", "shapes.md#outline"),
        new(RoundPerimeter, "Perimeter", "π × diameter [× panels]; a round", "shapes.md#outline"),
        new(ShapePerimeter, "Perimeter", "measured along the curve, its openings with it", "shapes.md#outline"),
        new(SideArea, "Side area", "perimeter × side height ÷ 100", "shapes.md#outline"),
        new(RegionArea, "Region area",
            "measured on the map: the part of the outline that lies between this region's edges, cell by cell; a cell "
                + "that an edge or the outline cuts counts with the part inside",
            "map.md#areas"),
        new(BandWidth, "Width",
            "measured on the map along the middle of the band, a twentieth of it at either end left out", "map.md#widths-in-millimetres"),
        new(RegionVolume, "Region volume",
            "∑(area × depth) ÷ 10 [× panels] [× pieces at once] [× share the mould holds ÷ 100] [+ poured by the ml]; "
                + "∑ is over where the depth differs",
            "mixing.md#region-volume"),
        new(Thinnest, "Thinnest layer", "the smallest of the layers still to be poured; of all where none is", "grounds.md#level"),
        new(Span, "Span", "the largest of longest gap across and longest gap along, between neighbouring supports", "grounds.md#sag"),
        new(NeededTilt, "Tilt it can take", "the angle whose tangent is thinnest layer ÷ 10 ÷ longer side", "grounds.md#level"),
        new(Stated, "As it was read", "as it was read or stated", "grounds.md#level"),
        new(LogDifference, "Difference", "poured − planned", "journal.md#folds"),
        new(LogTotal, "In all", "the sum of the pours", "journal.md#folds"),
        new(Sag, "Sag",
            "5 × 9.81 × (thickness × density + 1000 × resin in all × density of the resin) ÷ 10^9 × span^4 ÷ (32 × "
                + "1000 × stiffness E × thickness^3)",
            "grounds.md#sag"),
        new(BaseMass, "Base", "area × thickness × density ÷ 10^7", "grounds.md#weight"),
        new(BaseMassByArea, "Base", "area × mass by area ÷ 10^4", "grounds.md#weight"),
        new(BaseMassCradled, "Base",
            "area × thickness × density ÷ 10^7 + perimeter × bar width × bar height × bar density ÷ 10^9; the face, and its bars all round",
            "grounds.md#weight"),
        new(SpanBetweenBars, "Span",
            "min(width, height) − 2 × bar width; the face of a cradled panel bows between its bars", "grounds.md#sag"),
        new(PieceMass, "Weight",
            "base + ∑(resin of) ÷ 1000; ∑ is over the layers, each its volume × the density of its mix; stones and hardware come on top",
            "grounds.md#weight"),
        new(MouldCapacity, "Capacity", "∑(area × depth) ÷ 10; ∑ is over the cavities", "grounds.md#moulds"),
        new(MouldBody, "Body",
            "capacity − area × kept for later coats ÷ 10 × share the mould holds ÷ 100 [− inserts keep out]", "grounds.md#moulds"),
        new(MouldRoom, "Room left", "depth − kept for later coats − layers", "grounds.md#moulds"),
        new(InsertDisplaces, "Kept out",
            "area of the insert × min(depth − kept for later coats − insert's foot above the floor [, its height]) ÷ "
                + "10 × share the mould holds ÷ 100",
            "grounds.md#inserts"),
        new(InsertDepth, "Hollow",
            "min(depth − kept for later coats − insert's foot above the floor [, its height]) − recess", "grounds.md#inserts"),
        new(InsertFill, "Fill",
            "area of the insert × (min(depth − kept for later coats − insert's foot above the floor [, its height]) − "
                + "recess) ÷ 10 × share the mould holds ÷ 100",
            "grounds.md#inserts"),
        new(WettingCoat, "Wetting coat", "area of the older work × depth ÷ 10", "grounds.md#older-work"),
        new(SealCost, "Cost", "amount × price of a litre ÷ 1000 [÷ area × 10^4]", "grounds.md#preparation"),
        new(SittingCost, "Cost", "mixed in all ÷ 1000 × a litre", "mixing.md#prices"),
        new(DepthOfAll, "Depth", "the sum of the depths of all layers", "checks.md"),
        new(PotNow, "Pot", "measured in the pot − what was taken since, never below nothing", "grounds.md#pots"),
        new(PotSpokenFor, "Pot", "the sum of what is still to be taken", "grounds.md#pots"),
        new(PotShort, "Pot", "what is to be taken − left in the pot; what is missing", "grounds.md#pots"),
        new(GroundPaintVolume, "Coat", "area × film × coats ÷ 10", "grounds.md#preparation"),
        new(EdgeVolume, "Edges",
            "open perimeter × side height × film thickness ÷ 1000 + drip share ÷ 100 × layer volume; side film and drips",
            "mixing.md#edges"),
        new(EdgeNone, "Edges",
            "open perimeter × 0; nothing runs over a taped edge or a wall, and what runs off a pour of a stated size is part of it",
            "mixing.md#edges"),
        new(PourVolume, "Pour", "region + edges", "pouring.md#order"),
        new(LeftInCup, "Left in the cup",
            "in the cup before − poured; the reserve and what stays on its wall are the last of it", "pouring.md#order"),
        new(CupVolume, "Cup",
            "resin + hardener; together at least need + stays in this cup, in whole cup steps, the fewest that keep "
                + "the ratio; need = ((regions + edges) × (1 + reserve ÷ 100) [+ to mixed cups] [+ held back]) [× share of this batch "
                + "÷ 100]; stays in this cup = stays in any cup + share of the need that stays ÷ 100 × need",
            "mixing.md#cup-volume"),
        new(CupRounded, "Cup",
            "⌈(need + stays in this cup) ÷ cup step⌉ × cup step; need = ((regions + edges) × (1 + reserve ÷ 100) [+ to "
                + "mixed cups] [+ held back]) [× share of this batch ÷ 100]; stays in this cup = stays in any cup "
                + "+ share of the need that stays ÷ 100 × need",
            "mixing.md#cup-volume"),
        new(BatchVolume, "Batch",
            "resin + hardener; together at least cups + stays in the jug, in whole cup steps, the fewest that keep "
                + "the ratio; stays in the jug = stays in any cup + share of the need that stays ÷ 100 × cups",
            "mixing.md#batches"),
        new(BatchRounded, "Batch",
            "⌈(cups + stays in the jug) ÷ cup step⌉ × cup step; stays in the jug = stays in any cup + share of the "
                + "need that stays ÷ 100 × cups",
            "mixing.md#batches"),
        new(SittingVolume, "Mixed", "the sum of its batches", "mixing.md#batches"),
        new(BatchDivided, "Divided", "mixing + standing [+ cups × time to divide ÷ 60]; mixing = time to mix + over 200 ml ÷ 200",
            "pouring.md#how-long-things-take"),
        new(CupPoured, "Poured",
            "divided + colouring + pours and other batches until then; all cups of a batch are coloured first, then poured as the pours "
                + "are listed, copy by copy, at 4 ml/s and 10 s a region; its last pour counts",
            "pouring.md#how-long-things-take"),
        new(InHand, "In hand", "working time ends − poured; both from when its batch is mixed", "mixing.md#batches"),
        new(BatchStart, "Begun",
            "batches before, until they can be poured + pouring before; minutes after the first. It is begun when the pour that is listed "
                + "before its first one is done: one pair of hands does one thing",
            "mixing.md#batches"),
        new(PourDone, "Poured", "batches so far, until they can be poured + pouring so far; minutes after the first batch is begun",
            "mixing.md#batches"),
        new(SittingLasts, "Takes", "mixing, standing, dividing and colouring + pouring", "mixing.md#batches"),
        new(BatchLatest, "At the latest",
            "first pour holds − ready to pour; minutes after the first batch is mixed: later, what is poured first "
                + "does not run into it any more",
            "mixing.md#batches"),
        new(DomeVolume, "Dome", "flat − rim × dome × rounded off over ÷ 1000; flat is area × depth, less what is rounded off along the rim",
            "mixing.md#ways-of-laying"),
        new(CastingNeed, "Casting", "copies × a copy takes × (1 + reserve ÷ 100); before what stays in cups", "mixing.md#castings"),
        new(EachCopy, "A copy", "poured ÷ copies", "mixing.md#castings"),
        new(LevelClear, "Levelling clear", "area × (highest region − this one) ÷ 10 × pieces at once", "mixing.md#sittings"),
        new(SupportPlace, "Support",
            "box × share of it ÷ 100; a tenth from each side, or the next place further in that lies under the piece",
            "grounds.md#level"),
        new(CupOfBatches, "Cup", "the sum of its mixes, one from each batch", "mixing.md#one-colour-from-several-batches"),
        new(CupNone, "Cup", "regions; nothing is poured from it", "mixing.md#cup-volume"),
        new(CupMass, "Cup", "cup × density of the mix", "mixing.md#by-weight"),
        new(CupReserve, "Reserve", "(regions + edges) × reserve ÷ 100", "mixing.md#cup-volume"),
        new(CupLoss, "Stays in the cup",
            "[batches ×] stays in any cup + share of the need that stays ÷ 100 × need", "mixing.md#cup-volume"),
        new(SmallestMix, "Smallest mix",
            "⌈mix × step ÷ (tolerance ÷ 100) ÷ smaller part⌉; then half a step is half the tolerance of the smaller part",
            "mixing.md#rounding"),
        new(PartResinByVolume, "Resin",
            "mix × resin parts by volume ÷ (resin parts by volume + hardener parts by volume)", "mixing.md#by-volume"),
        new(PartResinToStep, "Resin",
            "mix × resin parts by volume ÷ (resin parts by volume + hardener parts by volume), to the cup step", "mixing.md#by-volume"),
        new(PartHardenerByVolume, "Hardener", "mix − resin", "mixing.md#by-volume"),
        new(PartResinByWeight, "Resin",
            "mixed mass × resin parts by weight ÷ (resin parts by weight + hardener parts by weight) ÷ density of the resin",
            "mixing.md#by-weight"),
        new(PartHardenerByWeight, "Hardener",
            "mixed mass × hardener parts by weight ÷ (resin parts by weight + hardener parts by weight) ÷ density of the hardener",
            "mixing.md#by-weight"),
        new(PartMass, "Mass", "[resin × density of the resin] [hardener × density of the hardener]", "mixing.md#by-volume"),
        new(ColourantMass, "Colourant", "mixed mass × load ÷ 100", "mixing.md#load"),
        new(ColourantMassByVolume, "Colourant", "cup × load ÷ 100 × density of the colourant", "mixing.md#load"),
        new(ColourantVolume, "Colourant by volume", "grams ÷ density of the colourant", "mixing.md#load"),
        new(ColourantDrops, "Drops", "grams ÷ density of the colourant ÷ a drop", "mixing.md#load"),
        new(ColourantScoops, "Scoops", "grams ÷ a level scoop", "mixing.md#load"),
        new(ColourantTips, "Stick tips", "grams ÷ a dipped tip", "mixing.md#load"),
        new(LoadByWeight, "Load by weight", "load × density of the colourant ÷ density of the mix", "mixing.md#load"),
        new(LoadByVolume, "Load by volume", "load × density of the mix ÷ density of the colourant", "mixing.md#load"),
        new(LoadTotal, "Load of all", "the sum of its loads", "mixing.md#load"),
        new(HardenerForResin, "Hardener", "resin in the cup × hardener to 1 g of resin", "mixing.md#weighing"),
        new(ColourantGrown, "Colourant", "as planned × cup to what was planned ÷ 100", "mixing.md#weighing"),
        new(WeighedMissing, "Missing", "target − on the scale", "mixing.md#weighing"),
        new(WeighedOver, "To be added", "hardener on the scale ÷ hardener to 1 g of resin − resin in the cup", "mixing.md#weighing"),
        new(WeighedTooStrong, "To be added", "100 × (on the scale ÷ target − 1)", "mixing.md#weighing"),
        new(BatchGrown, "Batch", "resin ÷ density of the resin + hardener ÷ density of the hardener", "mixing.md#weighing"),
        new(CupAvailable, "Can be poured", "mixed − stays in this cup − to mixed cups − held back",
            "mixing.md#running-short-and-left-over"),
        new(CupLeft, "Left over", "can be poured − wanted; once it is begun, wanted = poured so far + still to pour",
            "mixing.md#running-short-and-left-over"),
        new(CupLacks, "Missing", "wanted − can be poured; once it is begun, wanted = poured so far + still to pour",
            "mixing.md#running-short-and-left-over"),
        new(LeftOverStones, "Cast stones", "left over × density of the mix", "mixing.md#running-short-and-left-over"),
        new(LeftOverSeal, "Seal coat", "left over × 10 ÷ seal coat", "mixing.md#running-short-and-left-over"),
        new(PieceVolume, "The whole piece", "the sum of its sittings", "mixing.md#sittings"),
        new(LoadForCover, "Load for a cover",
            "−ln(1 − wanted cover ÷ 100) ÷ (depth × cover κ); of several colourants, all are taken so much stronger",
            "mixing.md#load-for-a-cover"),
        new(LayerVolume, "Layer", "the sum of its cups; mixed ones are filled from the others", "mixing.md#cup-volume"),
        new(Milestone, "Window",
            "at the reference temperature ÷ speed of cure; speed of cure = exp(−activation energy Ea ÷ 0.008314 × (1 "
                + "÷ (room + 273.15) − 1 ÷ (reference temperature + 273.15)))",
            "curing.md#equivalent-age"),
        new(Opacity, "Opacity",
            "100 × (1 − exp(−depth × cover κ [× load])); κ of its class is per % and mm, of a mix it is summed by share",
            "map.md#shown-colour"),
        new(MixCorrection, "On ratio",
            "target = resin × (hardener ÷ resin by weight, as the maker says), accepted within the tolerance; short: "
                + "target − hardener is added; over: hardener ÷ (hardener ÷ resin) − resin is added",
            "mixing.md#on-the-scale"),
        new(Load, "Load", "colourant ÷ mixed resin, by weight; a drop is 0.05 ml × density", "mixing.md#load"),
        new(RegionAmongStones, "Region with stones in it",
            "region volume − ∑(mass of the stones × how often ÷ solid density) × share of this pass, "
                + "and no less than region volume × (1 − share of their heap that is solid)",
            "stones.md#displacement"),
        new(StonesOut, "Stones that stand out", "stones in the region − those below the level", "stones.md#displacement"),
        new(Displacement, "Displacement", "mass of the stones below the level ÷ solid density", "stones.md#displacement"),
        new(CupUnrounded, "Cup",
            "need = (region − displaced + edges) × (1 + reserve); cup = need + (1.5 ml + 2 % of need) × (1 + transfers)",
            "mixing.md#cup-volume"),
        new(Age, "Equivalent age",
            "the sum of hours × speed of cure, where speed = exp(−(Ea ÷ R) × (1 ÷ temperature − 1 ÷ reference)), temperatures in kelvin",
            "curing.md#equivalent-age"),
        new(Journey, "Way from vessel to vessel",
            "degree of cure and temperature step by step as in the heat of cure, carried on from vessel to vessel; "
                + "viscosity = that of the fresh mix × exp[(Eμ ÷ R)(1 ÷ T − 1 ÷ Tr)] × (0.6 ÷ (0.6 − α))^3; a stage "
                + "begins where its viscosity is first reached",
            "curing.md#from-vessel-to-vessel"),
        new(Heat, "Heat of cure",
            "degree of cure and temperature step by step: dα/dt = A × exp(−Ea ÷ RT) × (α + 0.3) × (1 − α)^1.5, heat "
                + "given off less heat lost to the room; A such that 100 g in a cup meet the working time",
            "curing.md#degree-of-cure"),
        new(Puddle, "Puddle", "√(1000 × all poured so far ÷ (π × depth))", "pouring.md#puddles"),
        new(BeadLength, "Bead",
            "section = π × width × height ÷ 4, of putty width × height; volume = section × length", "walls.md#what-walls-are-laid-of"),
        new(PoolRoom, "With room to spare",
            "area × (lowest crest − min(lowest crest, to spare)) ÷ 10; on a tilt its low side counts: of that deeper at its low side",
            "walls.md#what-a-pool-holds"),
        new(PoolBrim, "To the brim", "area × lowest crest ÷ 10; on a tilt its low side counts: of that deeper at its low side",
            "walls.md#what-a-pool-holds"),
        new(PoolOver, "Until it runs over",
            "area × (lowest crest + bulge at a dry edge) ÷ 10; on a tilt its low side counts: of that deeper at its low side",
            "walls.md#what-a-pool-holds"),
        new(PoolGets, "What it gets", "the sum of its layers and stones", "walls.md#what-a-pool-holds"),
        new(BeadDry, "Drying", "reference time × (height ÷ reference height)^2", "walls.md#beads"),
        new(Tape, "Edge tape",
            "mask run: the narrowest that covers the side; dam = open depth + 3 mm, its run the narrowest that is 10 "
                + "mm wider; each perimeter + 25 mm a corner + 20 mm",
            "walls.md#edge-tape"),
        new(PoolLevel, "Stands", "gets ÷ area × 10", "walls.md#what-a-pool-holds"),
        new(PoolMore, "Still takes", "to the brim − gets", "walls.md#what-a-pool-holds"),
        new(WallsTogether, "All walls", "the sum of its walls", "walls.md#lines"),
        new(WallsReady, "Ready", "the largest of its walls", "walls.md#when-resin-may-meet-it"),
        new(RunsOver, "Runs over", "gets − until it runs over", "walls.md#what-a-pool-holds"),
        new(TapeLength, "Length of the tape", "(perimeter + corners × a corner + tab) × boards", "walls.md#edge-tape"),
        new(SidesBrushed, "Brushed on the sides", "perimeter × side × film ÷ 1000", "walls.md#sides"),
        new(LeafSheets, "Sheets of leaf", "perimeter × side × (1 + more) ÷ a sheet^2, whole sheets up", "walls.md#sides"),
        new(TapeTaken, "Tape in all", "a time × times ÷ 1000", "walls.md#edge-tape"),
        new(TapeOne, "One run", "side + dam", "walls.md#edge-tape"),
        new(TapeSide, "Side tape", "side", "walls.md#edge-tape"),
        new(TapeDam, "Dam tape", "dam + overlap", "walls.md#edge-tape"),
        new(HoldsOnTilt, "Holds at its low side", "holds − deeper at its low side", "walls.md#level"),
        new(LineMl, "What the line takes", "length × section [× pieces at once] ÷ 1000", "walls.md#lines"),
        new(DamWidth, "Width of the dam", "at least + height × share − min(at least, height × share)", "walls.md#what-walls-are-laid-of"),
        new(LineGrams, "Mass of the line", "volume × density", "walls.md#lines"),
        new(LineTubes, "Tubes", "volume × (1 + stays in the tube) ÷ a tube", "walls.md#lines"),
        new(LineDraw, "Time to draw it", "length ÷ hand ÷ 60", "walls.md#lines"),
        new(LineHolds, "Holds to", "height × what is left when it is dry", "walls.md#what-walls-are-laid-of"),
        new(LinePeels, "Peels", "24 × min(height, width ÷ 2) ÷ a day dries", "walls.md#what-walls-are-laid-of"),
        new(PasteGranules, "Granules", "paste × (1 + stays in the bag) ÷ makes × share × bulk density", "walls.md#paste"),
        new(PasteResin, "Resin for the paste", "paste × (1 + stays in the bag) ÷ makes × voids × voids filled", "walls.md#paste"),
        new(DamHeight, "Dam", "depth of all layers + above it", "walls.md#edge-tape"),
        new(Drying, "Drying", "time by its label, or typical; with every coat of it; the label of the product decides",
            "grounds.md#preparation"),
        new(Wedge, "Wedge",
            "width × tan(|tilt across|) + height × tan(|tilt along|); over the width and height of the whole piece; "
                + "the Reckoner takes those of its supports",
            "walls.md#level"),
        new(CornerDepth, "Deeper there",
            "(width ÷ 2 − from the left) × tan(tilt across) + (height ÷ 2 − from the top) × tan(tilt along); less "
                + "than nothing where the film is thinner",
            "walls.md#level"),
        new(Shim, "Shim", "highest support − from the left × tan(tilt across) − from the top × tan(tilt along)", "walls.md#level"),
        new(StoneBed, "Bed of stones",
            "bulk = area × depth × cover; mass = bulk × bulk density; solid = mass ÷ solid density; voids = bulk × (1 − solids share)",
            "stones.md#beds"),
        new(Bubble, "Bubble", "2 × density × g × radius² ÷ (9 × viscosity)", "pouring.md#bubbles"),
        new(ColourDifference, "Colour difference", "ΔE00 of the CIEDE2000 formula; wet neighbours under 12 read as one",
            "map.md#colour-difference"),
        new(Mud, "Mixed colour",
            "channel by channel in linear light: absorption over scattering K = (1 − R)² ÷ (2 × R), averaged by load, "
                + "and back R = 1 + K − √(K² + 2 × K); mud where the chroma of the mix is below half of the weaker colour's and below 20",
            "map.md#mixing-and-mud"),
        new(Quantity, "Units",
            "what was typed × what one of its unit is: in 25.4 mm, ft 304.8 mm, fl oz 29.574 ml, tsp 4.929 ml, pint "
                + "473.176 ml, oz 28.35 g, lb 453.592 g; °C = (°F − 32) ÷ 1.8",
            "units.md#typed-quantities"),
        new(MixedDraw, "Taken",
            "mixed cup × parts of it ÷ parts in all; the cup it is taken from is mixed larger by that", "layouts.md#mixed-cups"),
        new(LineVolume, "Line",
            "length × width × thickness ÷ 1000 [× panels] [× pieces at once]; it comes on top of the fields", "layouts.md#highlight-veins"),
        new(PuddlePour, "Pour", "asked for [× panels] [× pieces at once]", "layouts.md#puddle"),
        new(RimRoom, "Rim room", "measured from the rim to the place farthest from it that no part takes, in the narrowest part",
            "layouts.md#stripes-from-the-rim"),
        new(StripesNeed, "Stripes", "the sum of their widths", "layouts.md#stripes-from-the-rim"),
        new(Repeat, "Repeat", "the sum of its stripes", "layouts.md#stripes-from-the-rim"),
        new(LineLength, "Length of the line", "measured along its course, as far as that lies on the piece",
            "layouts.md#highlight-veins"),
        new(WallLength, "Walls",
            "measured along the walls as far as they lie on the piece, their ends joined on; ends and crossings count "
                + "once in what they take up",
            "layouts.md#pools"),
        new(ColourShare, "Share", "100 × area of the colour ÷ area of the piece", "layouts.md#balance"),
        new(ColourLean, "Off centre",
            "√(across^2 + down^2); from the middle of the piece to the middle of the colour, by area", "layouts.md#balance"),
        new(RunOff, "Run-off", "poured − on the piece; it runs over an open edge, or stands higher inside a wall", "layouts.md#puddle"),
        new(Casting, "Castings", "body = capacity − inserts − area × kept depth; in all: pieces × body × (1 + loss)", "mixing.md#castings"),
        new(Reach, "How far it goes",
            "filled = mixed ÷ what each takes, whole ones only and no more than wanted; left over = mixed − filled × "
                + "what each takes; missing = wanted × what each takes − mixed, at least 0",
            "mixing.md#castings"),
        new(RubberCast, "Rubber in it", "((foot × 100 − edge × height × lean ÷ 2) × height ÷ 1000 − crystals) × how many",
            "walls.md#rubber"),
        new(RubberGrams, "Rubber to mix", "rubber × (1 + loss) × density", "walls.md#rubber"),
        new(RubberFirst, "Its first part", "rubber × first part ÷ (first part + second part)", "walls.md#rubber"),
        new(RubberSecond, "Its second part", "rubber × second part ÷ (first part + second part)", "walls.md#rubber"),
        new(Undercut, "Undercut", "height × leans over", "walls.md#rubber"),
        new(Rubber, "Mould rubber", "(box − master) × (1 + loss) × density, in two parts by weight as the maker says",
            "mixing.md#other-two-part-materials"),
        new(Paste, "Paste",
            "section = π × width × height ÷ 4; paste = section × length; stones = paste × density of the heap; resin "
                + "= paste × (1 − solids share) × 0.7, so that it holds its shape",
            "mixing.md#pastes"),
        new(Match, "Second batch", "load = colourant ÷ mixed resin, of each; ΔE00 of the two as they are seen over the ground at the depth",
            "mixing.md#a-second-batch"),
    ];
}
