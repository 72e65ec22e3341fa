using System.Globalization;

namespace MossLantern.Core.Units;

/// <summary>The values of one quantity that the program takes; anything outside is refused with a sentence that names the range.</summary>
/// <param name="What">The quantity in words, for the sentence.</param>
/// <param name="From">Smallest accepted value, in <paramref name="Unit"/>.</param>
/// <param name="To">Largest accepted value, in <paramref name="Unit"/>.</param>
/// <param name="Unit">Unit symbol, or an empty string for a bare number.</param>
/// <param name="FromExcluded">Whether <paramref name="From"/> itself is refused.</param>
/// <remarks>Source: docs/craft/units.md, Accepted ranges.</remarks>
public sealed record AcceptedRange(string What, double From, double To, string Unit, bool FromExcluded = false)
{
    /// <summary>Whether a value lies in the range. Not-a-number and the infinities never do.</summary>
    public bool Contains(double value) =>
        double.IsFinite(value) && (FromExcluded ? value > From : value >= From) && value <= To;

    /// <summary>The range as a person reads it, such as "from 20 to 3000 mm".</summary>
    public string Words => string.Create(CultureInfo.InvariantCulture,
        $"{(FromExcluded ? "above" : "from")} {From:0.####} to {To:0.####}{(Unit.Length == 0 ? "" : " " + Unit)}");

    /// <summary>The sentence a person gets for a value outside the range.</summary>
    public string Sentence => $"{What} must be {Words}.";
}

/// <summary>The accepted ranges of every quantity a person can enter.</summary>
/// <remarks>Source: docs/craft/units.md, Accepted ranges.</remarks>
public static class Accepted
{
    /// <summary>Outline width, height or diameter, mm.</summary>
    public static AcceptedRange OutlineMm { get; } = new("Outline size", 20, 3000, "mm");

    /// <summary>The year of anything that is planned or happened. Sums with it stay within what a calendar can tell.</summary>
    public static AcceptedRange Years { get; } = new("The year", 1970, 2200, "");

    /// <summary>The sentence for a date outside the years.</summary>
    public static string DateSentence(string what) => $"{what} must be in the years {Years.From:0} to {Years.To:0}.";

    /// <summary>Height of a base's side, mm. Zero is a base whose side takes no resin.</summary>
    public static AcceptedRange SideMm { get; } = new("Side height", 0, 300, "mm");

    /// <summary>Thickness of a base, mm.</summary>
    public static AcceptedRange ThicknessMm { get; } = new("Thickness of the base", 0.5, 200, "mm");

    /// <summary>Reach of a slice at a handle, as a share of the way to its frame.</summary>
    public static AcceptedRange Reach { get; } = new("Reach of a handle", 0.2, 1, "");

    /// <summary>How far a slice's rim wanders between handles, mm.</summary>
    public static AcceptedRange WobbleMm { get; } = new("Wobble", 0, 60, "mm");

    /// <summary>Width or height of an opening, mm.</summary>
    public static AcceptedRange OpeningMm { get; } = new("Size of the opening", 5, 2900, "mm");

    /// <summary>Height of a corner, mm.</summary>
    public static AcceptedRange CornerMm { get; } = new("Height of a corner", -200, 200, "mm");

    /// <summary>Drying time, h.</summary>
    public static AcceptedRange DryHours { get; } = new("Drying time", 0, 720, "h");

    /// <summary>Coats of paint.</summary>
    public static AcceptedRange Coats { get; } = new("Coats", 1, 10, "");

    /// <summary>Depth of one layer, mm.</summary>
    public static AcceptedRange DepthMm { get; } = new("Layer depth", 0.1, 100, "mm");

    /// <summary>Depth of a mould's cavity, mm.</summary>
    public static AcceptedRange MouldDepthMm { get; } = new("Depth of the cavity", 0.1, 100, "mm");

    /// <summary>Depth kept free in a mould for later coats, mm.</summary>
    public static AcceptedRange KeepMm { get; } = new("Depth kept for later coats", 0, 50, "mm");

    /// <summary>How many of a mould there are.</summary>
    public static AcceptedRange Owned { get; } = new("Owned", 0, 500, "");

    /// <summary>How hot something got, °C.</summary>
    public static AcceptedRange HottestC { get; } = new("Hottest", -20, 400, "°C");

    /// <summary>Step of a level's reading, degrees.</summary>
    public static AcceptedRange LevelStepDeg { get; } = new("Step of the level", 0.001, 1, "degrees");

    /// <summary>A price for a litre, in the workshop's money.</summary>
    public static AcceptedRange PricePerLitre { get; } = new("Price of a litre", 0, 100_000, "");

    /// <summary>Panels of a set.</summary>
    public static AcceptedRange Panels { get; } = new("Panels", 2, 5, "");

    /// <summary>Gap between panels, mm.</summary>
    public static AcceptedRange GapMm { get; } = new("Gap between panels", 0, 500, "mm");

    /// <summary>How far older work stands above what lies round it, mm.</summary>
    public static AcceptedRange StandsMm { get; } = new("Height of the older work", 0, 100, "mm");

    /// <summary>How far lines and stones stand up from older work, mm.</summary>
    public static AcceptedRange ReliefMm { get; } = new("Relief of the older work", 0, 50, "mm");

    /// <summary>How far an outline grows on every side, mm.</summary>
    public static AcceptedRange GrowMm { get; } = new("New rim", 1, 500, "mm");

    /// <summary>Width or height of an insert, mm.</summary>
    public static AcceptedRange InsertMm { get; } = new("Size of an insert", 5, 2900, "mm");

    /// <summary>How far an insert's foot stands above the mould's floor, mm.</summary>
    public static AcceptedRange FloorMm { get; } = new("Foot of the insert", 0, 100, "mm");

    /// <summary>Width of the bars of a cradled panel, mm.</summary>
    public static AcceptedRange BarMm { get; } = new("Width of the bars", 5, 200, "mm");

    /// <summary>How far a filled hollow stays lower than the rest, mm.</summary>
    public static AcceptedRange RecessMm { get; } = new("Recess", 0, 100, "mm");

    /// <summary>Number of bands in a stack.</summary>
    public static AcceptedRange BandCount { get; } = new("Number of bands", 1, 40, "");

    /// <summary>Width of one band, mm.</summary>
    public static AcceptedRange BandMm { get; } = new("Band width", 0.5, 1000, "mm");

    /// <summary>Number of hearts.</summary>
    public static AcceptedRange HeartCount { get; } = new("Number of hearts", 0, 6, "");

    /// <summary>Width or height of a heart, mm.</summary>
    public static AcceptedRange HeartMm { get; } = new("Heart size", 4, 2000, "mm");

    /// <summary>Position of a heart's middle, mm from the outline's top left; it may lie outside the outline.</summary>
    public static AcceptedRange HeartPlaceMm { get; } = new("Heart position", -1500, 4500, "mm");

    /// <summary>A place on a piece, or a little beside it, mm.</summary>
    public static AcceptedRange PlaceMm { get; } = new("Place", -1500, 4500, "mm");

    /// <summary>Thickness of the film that lines are laid on, mm.</summary>
    public static AcceptedRange FilmBelowMm { get; } = new("Film below the lines", 0, 100, "mm");

    /// <summary>Strokes of a tool that make petals.</summary>
    public static AcceptedRange PetalCount { get; } = new("Number of petals", 2, 48, "");

    /// <summary>How far a tool drags colour along, mm.</summary>
    public static AcceptedRange PullMm { get; } = new("Pull", 0, 500, "mm");

    /// <summary>Width of what a tool drags along, mm.</summary>
    public static AcceptedRange ToolMm { get; } = new("Tool", 0.5, 100, "mm");

    /// <summary>Number of fields.</summary>
    public static AcceptedRange FieldCount { get; } = new("Number of fields", 1, 60, "");

    /// <summary>Width of a wall, a dam or a line, mm.</summary>
    public static AcceptedRange LineMm { get; } = new("Width of the line", 0.5, 50, "mm");

    /// <summary>Height of a wall, a dam or a line, mm.</summary>
    public static AcceptedRange LineHeightMm { get; } = new("Height of the line", 0.05, 100, "mm");

    /// <summary>How far a line runs beside a border.</summary>
    public static AcceptedRange OffBorderMm { get; } = new("Beside the border", -50, 50, "mm");

    /// <summary>A share of a border, where a line begins or ends.</summary>
    public static AcceptedRange BorderShare { get; } = new("Share of the border", 0, 1, "");

    /// <summary>How far a line swells.</summary>
    public static AcceptedRange Swell { get; } = new("Swelling of the line", 0, 0.8, "");

    /// <summary>How far apart dots are.</summary>
    public static AcceptedRange DotsMm { get; } = new("From dot to dot", 1, 500, "mm");

    /// <summary>How wide a ring is.</summary>
    public static AcceptedRange RingMm { get; } = new("Width of the ring", 2, 3000, "mm");

    /// <summary>How often a spiral goes round.</summary>
    public static AcceptedRange Turns { get; } = new("Turns of the spiral", 0.5, 50, "");

    /// <summary>Parts of a paste.</summary>
    public static AcceptedRange GranuleParts { get; } = new("Parts of the granules", 0.01, 1000, "");

    /// <summary>How far a dam of tape stands above the edge.</summary>
    public static AcceptedRange TapeDamMm { get; } = new("Dam of tape", 1, 50, "mm");

    /// <summary>How much longer a puddle grows by a tilt, %.</summary>
    public static AcceptedRange TiltPercent { get; } = new("Stretch of the tilt", 0, 400, "%");

    /// <summary>Share of the area that streaks take up, %.</summary>
    public static AcceptedRange StreakPercent { get; } = new("Share of the streaks", 1, 99, "%");

    /// <summary>How far a mixed cup is blended, as a share.</summary>
    public static AcceptedRange Blend { get; } = new("Blend", 0, 1, "");

    /// <summary>Clear resin against the face of a mould, mm.</summary>
    public static AcceptedRange FaceClearMm { get; } = new("Clear resin against the face", 0.1, 10, "mm");

    /// <summary>How far band edges wander, mm.</summary>
    public static AcceptedRange WavinessMm { get; } = new("Waviness", 0, 40, "mm");

    /// <summary>Factor by which bands widen outward, from one to the next.</summary>
    public static AcceptedRange Widening { get; } = new("Each band wider by", 0.5, 2, "");

    /// <summary>How far outer bands follow the rim, as a share.</summary>
    public static AcceptedRange RimFollow { get; } = new("Bands follow the edge", 0, 1, "");

    /// <summary>Turn of a heart, degrees.</summary>
    public static AcceptedRange TurnDeg { get; } = new("Turn", -360, 360, "degrees");

    /// <summary>One part of a mix ratio.</summary>
    public static AcceptedRange RatioPart { get; } = new("Ratio part", 0.01, 1000, "");

    /// <summary>Resin beside hardener, whichever is more.</summary>
    public static AcceptedRange RatioQuotient { get; } = new("Resin parts beside hardener parts", 0.02, 50, "");

    /// <summary>What is said of a ratio outside it.</summary>
    public const string RatioSentence = "A ratio must be from 1 : 50 to 50 : 1.";

    /// <summary>Density, g/ml.</summary>
    public static AcceptedRange DensityGPerMl { get; } = new("Density", 0.3, 20, "g/ml");

    /// <summary>Mass in one cup, g.</summary>
    public static AcceptedRange MassG { get; } = new("Mass", 0.1, 20_000, "g");

    /// <summary>Stones in the resin of a region, g.</summary>
    public static AcceptedRange RubberWidthMm { get; } = new("Width of the rubber", 2, 100, "mm");

    /// <summary>How high rubber is cast, mm.</summary>
    public static AcceptedRange RubberHeightMm { get; } = new("Height of the rubber", 2, 150, "mm");

    /// <summary>How far a side of it leans, degrees.</summary>
    public static AcceptedRange RubberLeanDeg { get; } = new("Lean of a side", -30, 30, "degrees");

    /// <summary>Stones, g.</summary>
    public static AcceptedRange StonesG { get; } = new("Stones", 0.1, 20_000, "g");

    /// <summary>A volume, ml.</summary>
    public static AcceptedRange VolumeMl { get; } = new("Volume", 0.01, 100_000, "ml");

    /// <summary>A volume that was really poured, ml. Zero says that nothing was.</summary>
    public static AcceptedRange PouredMl { get; } = new("Poured amount", 0, 100_000, "ml");

    /// <summary>An area, mm²: up to that of the largest outline.</summary>
    public static AcceptedRange AreaMm2 { get; } = new("Area", 0.01, 9_000_000, "mm²");

    /// <summary>Length of an edge, mm.</summary>
    public static AcceptedRange EdgeMm { get; } = new("Edge", 0, 100_000, "mm");

    /// <summary>Height or width of a bead, mm.</summary>
    public static AcceptedRange BeadMm { get; } = new("Bead", 0.1, 100, "mm");

    /// <summary>Viscosity, Pa·s.</summary>
    public static AcceptedRange ViscosityPaS { get; } = new("Viscosity", 0.01, 200, "Pa·s");

    /// <summary>Working time, min.</summary>
    public static AcceptedRange WorkingMinutes { get; } = new("Working time", 1, 600, "min");

    /// <summary>Tilt, degrees.</summary>
    public static AcceptedRange TiltDeg { get; } = new("Tilt", -10, 10, "degrees");

    /// <summary>Number of copies.</summary>
    public static AcceptedRange Copies { get; } = new("Copies", 1, 500, "");

    /// <summary>Load of one colourant, % of the mixed resin by weight.</summary>
    public static AcceptedRange LoadPercent { get; } = new("Load", 0, 100, "%");

    /// <summary>What is on a scale, g; below nothing where something was taken off it.</summary>
    public static AcceptedRange OnScaleG { get; } = new("On the scale", -20_000, 20_000, "g");

    /// <summary>What was weighed into a cup, g: a scale may stand below nothing, what went in does not.</summary>
    public static AcceptedRange WeighedG { get; } = new("What was weighed", 0, 20_000, "g");

    /// <summary>How fast is poured on a scale, g/s; below nothing where it is taken off.</summary>
    public static AcceptedRange PourGPerS { get; } = new("Pouring", -500, 500, "g/s");

    /// <summary>How full a bottle or jar of the cupboard is, %.</summary>
    public static AcceptedRange FullPercent { get; } = new("How full it is", 0, 100, "%");

    /// <summary>What lies on the left-over shelf, g.</summary>
    public static AcceptedRange LeftOverG { get; } = new("Amount", 0, 100_000, "g");

    /// <summary>How much of a colourant is dosed or added, in percent, grams, drops or scoops.</summary>
    public static AcceptedRange DoseAmount { get; } = new("Amount of colourant", 0, 2000, "");

    /// <summary>How much of what lies below is to be covered, %.</summary>
    public static AcceptedRange CoverPercent { get; } = new("Cover", 1, 99.9, "%");

    /// <summary>Room temperature, °C.</summary>
    public static AcceptedRange RoomC { get; } = new("Room temperature", -20, 60, "°C");

    /// <summary>Length of one segment of a temperature profile, h.</summary>
    public static AcceptedRange SegmentHours { get; } = new("Hours in a segment", 0, 8760, "h", FromExcluded: true);

    /// <summary>Thickness of the film on an open side, mm.</summary>
    public static AcceptedRange FilmMm { get; } = new("Film thickness", 0, 10, "mm");

    /// <summary>Step of the artist's marked cups, ml.</summary>
    public static AcceptedRange CupStepMl { get; } = new("Cup step", 0.1, 100, "ml");

    /// <summary>Step of the artist's scale, g.</summary>
    public static AcceptedRange ScaleStepG { get; } = new("Scale step", 0.001, 100, "g");

    /// <summary>What a jug holds, ml.</summary>
    public static AcceptedRange JugMl { get; } = new("Jug", 20, 20_000, "ml");

    /// <summary>Share that one of several batches has in a cup, %.</summary>
    public static AcceptedRange SharePercent { get; } = new("Share of a batch in a cup", 1, 99, "%");

    /// <summary>What stays in any cup, ml.</summary>
    public static AcceptedRange CupLossMl { get; } = new("What stays in a cup", 0, 100, "ml");

    /// <summary>A loss in percent, as a person types it.</summary>
    public static AcceptedRange LossPercent { get; } = new("Loss", 0, 100, "%");

    /// <summary>Reserve or loss, as a share.</summary>
    public static AcceptedRange Share { get; } = new("Share", 0, 1, "");

    /// <summary>Reserve in percent, as a person types it.</summary>
    public static AcceptedRange ReservePercent { get; } = new("Reserve", 0, 100, "%");
}
