using System.Collections.Immutable;
using System.Text.Json.Serialization;
using MossLantern.Core.Shapes;
using NodaTime;

namespace MossLantern.Core.Documents;

/// <summary>One line: a wall or a dam that holds resin back, a line of resin or paste, or one that stands up from the face.</summary>
/// <param name="Id">Stable id, unique in the piece.</param>
/// <param name="Region">The region that it is in its layer: its own; the walls of pools share one.</param>
/// <param name="Course">How it runs.</param>
/// <param name="Section">How wide and how high it is laid.</param>
/// <param name="Material">Of what.</param>
/// <param name="LayerId">Its layer; null for one that goes through all of them.</param>
/// <param name="In">The part of the layer and the kind of layout that it was drawn in: it is there while that is laid out so; null where
/// it goes through all layers.</param>
/// <param name="Laid">That it is laid; null while it is not.</param>
/// <remarks>Source: docs/craft/walls.md, Lines.</remarks>
public sealed record Line(
    string Id, RegionId Region, Course Course, Section Section, LineMaterial Material, string? LayerId = null, LineIn? In = null,
    LineLaid? Laid = null)
{
    /// <summary>Most lines of a piece.</summary>
    public const int Most = 1000;

    /// <summary>Where its fields stand in a document.</summary>
    [JsonIgnore]
    public string Place => PlaceIn.Line(Id);

    /// <summary>Whether nothing is poured where it lies.</summary>
    [JsonIgnore]
    public bool IsBarrier => Material is BarrierLine;

    /// <summary>The recipe that it is laid from; null for what comes from no cup.</summary>
    [JsonIgnore]
    public string? RecipeId => Material is PouredLine poured ? poured.RecipeId : null;

    /// <summary>Whether it comes from a cup, and so is poured.</summary>
    [JsonIgnore]
    public bool IsPoured => RecipeId is not null;

    /// <summary>What a wall or a raised line is laid of; null where nobody has said, and of what comes from a cup.</summary>
    [JsonIgnore]
    public BarrierClass? Class => Material switch
    {
        BarrierLine barrier => barrier.Class,
        ReliefLine relief => relief.Class,
        _ => null,
    };

    /// <summary>Its cross-section, mm²: putty and resin lie flat, what comes from a tube or a bag is half round. Null while its height,
    /// or what a wall is laid of, is not known.</summary>
    [JsonIgnore]
    public double? SectionMm2 => Section.HeightMm is not { } mm ? null : Material switch
    {
        BarrierLine { Class: null } => null,
        _ when Section.EveryMm is { } every => LineSection.DomeMm3(Section.WidthMm, mm) / every,
        ResinLine or BarrierLine { Class: BarrierClass.Putty } => LineSection.FlatMm2(Section.WidthMm, mm),
        _ => LineSection.HalfRoundMm2(Section.WidthMm, mm),
    };

    /// <summary>All that the map below it depends on, where it carves, as one text: how high it is changes nothing there.</summary>
    [JsonIgnore]
    internal string CarvesKey => FormattableString.Invariant($"{Id}:{Region}:{Course.Key}:{Section.WidthMm:R}");

    /// <summary>All that the map with it depends on, where it lies on what was poured, as one text.</summary>
    [JsonIgnore]
    internal string Key => FormattableString.Invariant(
        $"{CarvesKey}:{Section.HeightMm:R}:{SectionMm2:R}:{Section.Swell:R}:{Section.Seed}:{Section.EveryMm:R}:{RecipeId}");
}

/// <summary>That a line is laid.</summary>
/// <param name="At">When, in local time; null where nobody noted it.</param>
public sealed record LineLaid(LocalDateTime? At = null);

/// <summary>Where a line was drawn.</summary>
/// <param name="Kind">The kind of layout.</param>
/// <param name="Zone">The zone of the layer; null for the layer itself.</param>
public sealed record LineIn(LayoutKind Kind, string? Zone = null);

/// <summary>How a line runs.</summary>
public abstract record Course
{
    /// <summary>All that its run depends on, as one text.</summary>
    [JsonIgnore]
    internal abstract string Key { get; }
}

/// <summary>Drawn by hand, smooth through its spots; an end near a wall, the rim or its own beginning joins on there.</summary>
/// <param name="Spots">The spots.</param>
public sealed record DrawnCourse(ImmutableArray<Spot> Spots) : Course
{
    /// <summary>Most spots of one line.</summary>
    public const int Most = 400;

    /// <summary>Most walls of what is laid out, and most spots of them together.</summary>
    public const int MostWalls = 60, MostTogether = 2000;

    /// <inheritdoc/>
    public bool Equals(DrawnCourse? other) => other is not null && Spots.AsSpan().SequenceEqual(other.Spots.AsSpan());

    /// <inheritdoc/>
    public override int GetHashCode() => Spots.IsDefault ? 0 : Spots.Length;

    internal override string Key => string.Join(' ', Spots.Select(s => FormattableString.Invariant($"{s.XMm:R}/{s.YMm:R}")));
}

/// <summary>Along what two regions have in common.</summary>
/// <param name="First">One of them, in the layout that it is laid out by.</param>
/// <param name="Second">The other.</param>
/// <param name="OffMm">How far beside the border, mm: into the second above zero, into the first below.</param>
/// <param name="From">Where one end of it is, as a share of the border's length.</param>
/// <param name="To">Where the other is; the same gives no line.</param>
public sealed record BorderCourse(RegionId First, RegionId Second, double OffMm = 0, double From = 0, double To = 1) : Course
{
    internal override string Key => FormattableString.Invariant($"{First}|{Second}|{OffMm:R}|{From:R}|{To:R}");

    /// <summary>Whether it runs between these two.</summary>
    public bool IsBetween(RegionId one, RegionId other) => (First == one && Second == other) || (First == other && Second == one);
}

/// <summary>Along all borders of the layout that it was drawn in.</summary>
public sealed record AllBordersCourse : Course
{
    internal override string Key => "all";
}

/// <summary>Round a spot that the piece reserves.</summary>
/// <param name="Spot">The spot.</param>
public sealed record RoundCourse(string Spot) : Course
{
    internal override string Key => $"round {Spot}";
}

/// <summary>A ring, or a spiral from it inward.</summary>
/// <param name="XMm">Its middle, mm from the left.</param>
/// <param name="YMm">Its middle, mm from the top.</param>
/// <param name="DiameterMm">How wide it is, mm.</param>
/// <param name="Turns">How often it goes round on its way to the middle; null for a ring.</param>
public sealed record RingCourse(double XMm, double YMm, double DiameterMm, double? Turns = null) : Course
{
    internal override string Key => FormattableString.Invariant($"ring {XMm:R}/{YMm:R}/{DiameterMm:R}/{Turns:R}");
}

/// <summary>How a line is laid.</summary>
/// <param name="WidthMm">Its width, mm.</param>
/// <param name="HeightMm">Its height, mm; null while nobody has said.</param>
/// <param name="Swell">By what share it swells and narrows along its way; 0 for even.</param>
/// <param name="Seed">How it swells: another seed, other places.</param>
/// <param name="EveryMm">How far apart the middles of dots are, mm; null for a line without gaps.</param>
public sealed record Section(double WidthMm, double? HeightMm = null, double Swell = 0, int Seed = 0, double? EveryMm = null);

/// <summary>What a line is of.</summary>
public abstract record LineMaterial;

/// <summary>What holds resin back.</summary>
/// <param name="Class">Which; null while nobody has said.</param>
public sealed record BarrierLine(BarrierClass? Class = null) : LineMaterial;

/// <summary>What comes from a cup: its line is a region, poured by its length.</summary>
/// <param name="RecipeId">Its recipe.</param>
public abstract record PouredLine(string RecipeId) : LineMaterial;

/// <summary>Resin, laid on what is still wet.</summary>
/// <param name="RecipeId">Its recipe.</param>
public sealed record ResinLine(string RecipeId) : PouredLine(RecipeId);

/// <summary>Granules in resin, mixed fresh and piped.</summary>
/// <param name="RecipeId">The resin of it.</param>
/// <param name="Granules">What is in it; at least one kind.</param>
/// <param name="Stiffness">How stiff it is.</param>
/// <remarks>Source: docs/craft/walls.md, Paste.</remarks>
public sealed record PasteLine(string RecipeId, ImmutableArray<Granules> Granules, PasteStiffness Stiffness) : PouredLine(RecipeId)
{
    /// <summary>Most kinds of granules in a paste.</summary>
    public const int Most = 6;

    /// <inheritdoc/>
    public bool Equals(PasteLine? other) => other is not null && base.Equals(other) && Stiffness == other.Stiffness
        && Granules.AsSpan().SequenceEqual(other.Granules.AsSpan());

    /// <inheritdoc/>
    public override int GetHashCode() => HashCode.Combine(RecipeId, Stiffness, Granules.IsDefault ? 0 : Granules.Length);
}

/// <summary>A kind of granules in a paste.</summary>
/// <param name="StoneId">Which of the catalogue's stones.</param>
/// <param name="Parts">How many parts of all, by bulk.</param>
public sealed record Granules(string StoneId, double Parts);

/// <summary>How stiff a paste is.</summary>
public enum PasteStiffness
{
    /// <summary>Crumbly: the resin fills half of what the granules leave.</summary>
    Crumbly,

    /// <summary>It holds its shape.</summary>
    Holds,

    /// <summary>It creeps.</summary>
    Creeps,

    /// <summary>It pours.</summary>
    Pours,
}

/// <summary>What stands up from the face and is seen: dry before its layer is poured, and poured round, not over.</summary>
/// <param name="Class">Of what.</param>
/// <param name="Colour">Its colour, as <c>#rrggbb</c>.</param>
public sealed record ReliefLine(BarrierClass Class, string Colour) : LineMaterial;

/// <summary>What walls and dams are laid of.</summary>
public enum BarrierClass
{
    /// <summary>Raised outliner.</summary>
    Outliner,

    /// <summary>Clear glass-paint liner.</summary>
    Liner,

    /// <summary>Two-part putty.</summary>
    Putty,

    /// <summary>A bead of silicone.</summary>
    Silicone,

    /// <summary>Hot glue.</summary>
    HotGlue,
}

/// <summary>What follows from what a wall is laid of.</summary>
public static class BarrierClasses
{
    extension(BarrierClass of)
    {
        /// <summary>The material of the catalogue that it is.</summary>
        public string MaterialId => of == BarrierClass.HotGlue ? "hot-glue" : of.ToString().ToLowerInvariant();
    }
}

/// <summary>A layer with the lines of it.</summary>
/// <param name="Layer">The layer.</param>
/// <param name="Lines">Its lines, those of layouts put by too.</param>
public sealed record LinedLayer(Layer Layer, ImmutableArray<Line> Lines)
{
    /// <summary>The lines that are there as it is laid out now.</summary>
    public IEnumerable<Line> There => Lines.Where(l => l.In is { } @in && Layer.LaidOutBy(@in.Zone) is { } layout
        && LayoutKinds.Of(layout) == @in.Kind);

    /// <summary>The recipes that its regions and lines are poured from.</summary>
    public IEnumerable<string> RecipeIds => Layer.RecipeIds.Concat(There.Select(l => l.RecipeId).OfType<string>());

    /// <summary>Every recipe that it names, those of layouts put by too.</summary>
    public IEnumerable<string> NamedRecipeIds => Layer.NamedRecipeIds.Concat(Lines.Select(l => l.RecipeId).OfType<string>());

    /// <summary>The regions that an order of pours can name.</summary>
    public IEnumerable<RegionId> RegionIds => Layer.RegionIds.Concat(There.Where(l => l.IsPoured).Select(l => l.Region));

    /// <summary>Whether it has such a region, or what the piece keeps may be one of it.</summary>
    public bool Has(RegionId region) => Layer.Has(region) || There.Any(l => l.IsPoured && l.Region == region);

    /// <summary>Whether a region of it has a depth to aim at.</summary>
    public bool HasDepth(RegionId region) => Layer.HasDepth(region) && !There.Any(l => l.Region == region);
}
