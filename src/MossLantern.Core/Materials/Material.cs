using System.Collections.Immutable;
using MossLantern.Core.Units;

namespace MossLantern.Core.Materials;

/// <summary>Kinds of material.</summary>
public enum MaterialKind
{
    /// <summary>A resin system: resin and hardener.</summary>
    Resin,

    /// <summary>A class of colourant.</summary>
    Colourant,

    /// <summary>Stones and sparkle.</summary>
    Stone,

    /// <summary>What holds resin back.</summary>
    Barrier,

    /// <summary>What a base is made of.</summary>
    Base,

    /// <summary>What lines are drawn with.</summary>
    Pen,

    /// <summary>What leaf is laid with.</summary>
    Leaf,

    /// <summary>Rubber that moulds are made of.</summary>
    Rubber,

    /// <summary>Tape for edges.</summary>
    Tape,
}

/// <summary>A property that materials of a kind have.</summary>
/// <param name="Id">Its stable id.</param>
/// <param name="Label">What it is, in words.</param>
/// <param name="Unit">Unit symbol; empty for a bare number.</param>
/// <param name="From">The least it can be.</param>
/// <param name="To">The most it can be.</param>
/// <param name="Group">What it belongs to, in words; empty where a kind has but a few.</param>
/// <param name="Span">Of what begins a span, what the span is, in words; null for what stands by itself.</param>
/// <param name="Until">Of what begins a span, the property that ends it.</param>
/// <param name="For">The typical materials that have it though it is not known of them; null for those alone that have
/// a typical value.</param>
public sealed record MaterialProperty(
    string Id, string Label, string Unit, double From, double To, string Group = "", string? Span = null,
    string? Until = null, ImmutableArray<string>? For = null)
{
    /// <summary>Whether a material has it, be it not known of it.</summary>
    /// <param name="material">A typical material.</param>
    public bool IsOf(Material material)
    {
        ArgumentNullException.ThrowIfNull(material);
        return material.Values.ContainsKey(Id) || For?.Contains(material.Id) == true;
    }

    /// <summary>A property that takes what a quantity takes anywhere.</summary>
    public MaterialProperty(string id, string label, AcceptedRange range, string group = "")
        : this(id, label, (range ?? throw new ArgumentNullException(nameof(range))).Unit, range.From, range.To, group)
    {
    }

    /// <summary>What a field for it takes.</summary>
    public AcceptedRange Range => new(char.ToUpperInvariant(Label[0]) + Label[1..], From, To, Unit);
}

/// <summary>A material of the catalogue.</summary>
/// <param name="Id">Its stable id.</param>
/// <param name="Kind">What it is.</param>
/// <param name="Name">Its name.</param>
/// <param name="Values">Its properties by their ids, in the units of <see cref="MaterialProperties"/>; one that is not
/// here is not known.</param>
/// <param name="Says">What else is to be known of it, in words; may be empty.</param>
/// <param name="Basis">What the parts of its mix ratio are parts of, or what the loads of a colourant are percent of;
/// null for what has neither.</param>
/// <param name="Own">The properties that the person has entered: all others are typical and not the maker's.</param>
/// <param name="Like">The typical material that an own one takes its other values from; null for a typical one.</param>
/// <param name="PutAway">Whether it is offered no more; what it was used for keeps it.</param>
/// <param name="Colour">Of a colourant of the person's own, its colour at full cover, as <c>#rrggbb</c>; null where it has none.</param>
/// <remarks>Source: docs/craft/materials.md.</remarks>
public sealed record Material(
    string Id, MaterialKind Kind, string Name, ImmutableSortedDictionary<string, double> Values, string Says, RatioBasis? Basis,
    ImmutableSortedSet<string> Own, string? Like = null, bool PutAway = false, string? Colour = null)
{
    /// <summary>A property.</summary>
    /// <exception cref="KeyNotFoundException">It is not known.</exception>
    public double this[string property] => Values[property];

    /// <summary>A property, or null where it is not known.</summary>
    public double? Find(string property) => Values.TryGetValue(property, out var value) ? value : null;

    /// <summary>Where a property came from.</summary>
    public Origin OriginOf(string property) => Own.Contains(property) ? Origin.Own : Origin.Default;
}

/// <summary>What the person has entered for a material: one of the catalogue, by its id, or a new one that is like one of it.</summary>
/// <param name="Kind">What it is.</param>
/// <param name="Name">Its name.</param>
/// <param name="Like">The typical material that all other values are taken from.</param>
/// <param name="Values">The properties that are the person's own, by their ids.</param>
/// <param name="Basis">What the parts of its mix ratio, or loads of it, are parts of; null keeps the typical.</param>
/// <param name="Note">Where the values are from; may be empty.</param>
/// <param name="PutAway">Whether it is offered no more.</param>
/// <param name="Colour">Of a colourant, its colour at full cover, as <c>#rrggbb</c>; null where it is not known.</param>
/// <param name="LeftPercent">How full its bottle or jar is, by eye, %; of a resin that of its pair. Null where nobody
/// has looked. Nothing is worked out from it.</param>
public sealed record OwnMaterial(
    MaterialKind Kind, string Name, string Like, ImmutableSortedDictionary<string, double> Values,
    RatioBasis? Basis = null, string Note = "", bool PutAway = false, string? Colour = null,
    double? LeftPercent = null)
{
    /// <summary>Whether a kind of material stands in bottles or jars, which can be more or less full.</summary>
    /// <param name="kind">The kind.</param>
    public static bool StandsInVessels(MaterialKind kind) =>
        kind is MaterialKind.Resin or MaterialKind.Rubber or MaterialKind.Colourant or MaterialKind.Stone;
}
