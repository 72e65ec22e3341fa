using System.Collections.Immutable;
using System.Text.Json.Serialization;
using MossLantern.Core.Materials;

namespace MossLantern.Core.Documents;

/// <summary>A colour as it is mixed. Whatever is poured from the same recipe in one sitting comes from one cup.</summary>
/// <param name="Id">Stable id, unique in the piece.</param>
/// <param name="Name">The colour's name.</param>
/// <param name="Colour">Colour of the colourant at full cover, as <c>#rrggbb</c>.</param>
/// <param name="Doses">What is stirred into the resin, the first first; empty for clear resin and for a mixed recipe.</param>
/// <param name="Of">The recipes it is filled from, where it is a mixed one; null for one that is mixed by itself.</param>
/// <remarks>Source: docs/craft/mixing.md, Recipes.</remarks>
public sealed record Recipe(string Id, string Name, string Colour, ImmutableArray<Dose> Doses, ImmutableArray<RecipeShare>? Of = null)
{
    /// <summary>Class of its colourant; null for clear resin.</summary>
    [JsonIgnore]
    public ColourantClass? Colourant => Doses.IsEmpty ? null : Doses[0].Colourant;

    /// <summary>Load of its colourant, % of the mixed resin by weight; 0 for clear resin.</summary>
    [JsonIgnore]
    public double LoadPercent => Doses.IsEmpty ? 0 : Doses[0].Percent;

    /// <summary>Whether it is clear resin by itself.</summary>
    [JsonIgnore]
    public bool IsClear => Doses.IsEmpty && Of is null;

    /// <summary>A recipe of one colourant.</summary>
    public static Recipe Plain(string id, string name, string colour, ColourantClass colourant, double loadPercent) =>
        new(id, name, colour, [new(colourant, loadPercent)]);

    /// <summary>Clear resin.</summary>
    /// <param name="id">Id it is to have.</param>
    public static Recipe Clear(string id) => new(id, "clear", "#eef0ea", []);

    /// <summary>The same with another load; clear resin stays clear.</summary>
    public Recipe WithLoad(double percent) => Doses.IsEmpty ? this : this with { Doses = [Doses[0] with { Percent = percent }] };

    /// <summary>The same with a colourant of another class; clear resin stays clear.</summary>
    public Recipe WithColourant(ColourantClass colourant) => Doses.IsEmpty ? this : this with { Doses = [Doses[0] with { Colourant = colourant }] };

    /// <summary>These recipes, and those that the mixed ones among them are filled from.</summary>
    internal static HashSet<string> WithShares(IEnumerable<string> ids, ImmutableArray<Recipe> all)
    {
        HashSet<string> found = [.. ids];
        found.UnionWith([.. all.Where(r => found.Contains(r.Id)).SelectMany(r => r.Of ?? []).Select(s => s.RecipeId)]);
        return found;
    }

    /// <summary>Whether another is the same colour, mixed in the same way, whatever its id.</summary>
    internal bool MixedAs(Recipe other) =>
        Name == other.Name && Colour == other.Colour && Doses.SequenceEqual(other.Doses) && (Of ?? []).SequenceEqual(other.Of ?? []);
}

/// <summary>A colourant in a recipe.</summary>
/// <param name="Colourant">Its class.</param>
/// <param name="Percent">Load, % of the mixed resin by weight.</param>
public sealed record Dose(ColourantClass Colourant, double Percent);

/// <summary>What a mixed recipe takes from another.</summary>
/// <param name="RecipeId">The other recipe.</param>
/// <param name="Parts">How many parts.</param>
public sealed record RecipeShare(string RecipeId, double Parts);
