using System.Collections.Immutable;
using System.Text.Json.Serialization;
using MossLantern.Core.Shapes;

namespace MossLantern.Core.Documents;

/// <summary>One line: a wall or a dam that holds resin back, or a line of resin that is laid on what was poured.</summary>
/// <param name="Id">Stable id, unique in the piece.</param>
/// <param name="Region">The region that it is in its layer: of resin its own; walls may share one.</param>
/// <param name="Course">How it runs.</param>
/// <param name="Section">How wide and how high it is laid.</param>
/// <param name="Material">Of what.</param>
/// <param name="LayerId">Its layer; null for one that goes through all of them.</param>
/// <param name="In">The part of the layer and the kind of layout that it was drawn in: it is there while that is laid out so; null where
/// it goes through all layers.</param>
/// <remarks>Source: docs/craft/walls.md, Lines.</remarks>
public sealed record Line(
    string Id, RegionId Region, Course Course, Section Section, LineMaterial Material, string? LayerId = null, LineIn? In = null)
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
    public string? RecipeId => Material is ResinLine resin ? resin.RecipeId : null;

    /// <summary>All that the map of its layer depends on, as one text.</summary>
    [JsonIgnore]
    internal string Key => FormattableString.Invariant($"{Id}:{Region}:{Course.Key}:{Section.WidthMm:R}:{Section.HeightMm:R}:{RecipeId}");
}

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
public sealed record BorderCourse(RegionId First, RegionId Second) : Course
{
    internal override string Key => $"{First}|{Second}";

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

/// <summary>How a line is laid.</summary>
/// <param name="WidthMm">Its width, mm.</param>
/// <param name="HeightMm">Its height, mm; null while nobody has said.</param>
public sealed record Section(double WidthMm, double? HeightMm = null);

/// <summary>What a line is of.</summary>
public abstract record LineMaterial;

/// <summary>What holds resin back.</summary>
/// <param name="Class">Which; null while nobody has said.</param>
public sealed record BarrierLine(BarrierClass? Class = null) : LineMaterial;

/// <summary>Resin from a cup, laid on what is still wet.</summary>
/// <param name="RecipeId">Its recipe.</param>
public sealed record ResinLine(string RecipeId) : LineMaterial;

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
    public IEnumerable<RegionId> RegionIds => Layer.RegionIds.Concat(There.Where(l => !l.IsBarrier).Select(l => l.Region));

    /// <summary>Whether it has such a region, or what the piece keeps may be one of it.</summary>
    public bool Has(RegionId region) => Layer.Has(region) || There.Any(l => !l.IsBarrier && l.Region == region);

    /// <summary>Whether a region of it has a depth to aim at.</summary>
    public bool HasDepth(RegionId region) => Layer.HasDepth(region) && !There.Any(l => l.Region == region);
}
