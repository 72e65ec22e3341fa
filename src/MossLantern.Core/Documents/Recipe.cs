using System.Collections.Immutable;
using System.Text.Json.Serialization;
using MossLantern.Core.Materials;
using NodaTime;

namespace MossLantern.Core.Documents;

/// <summary>A colour as it is mixed. Whatever is poured from the same recipe in one sitting comes from one cup.</summary>
/// <param name="Id">Stable id, unique in the piece.</param>
/// <param name="Name">The colour's name.</param>
/// <param name="Colour">Colour of its first colourant at full cover, as <c>#rrggbb</c>.</param>
/// <param name="Doses">What is stirred into the resin, the first first; empty for clear resin.</param>
/// <param name="Of">The recipes it is filled from; null for one that is mixed by itself. What is poured off a single
/// one is tinted further by its doses.</param>
/// <param name="Frozen">Whether it stays as it is, for an order: a change to it makes a new one.</param>
/// <param name="Seen">The colour that it really had, from a photo or a swatch, as <c>#rrggbb</c>; null while nobody has looked.</param>
/// <param name="Trials">What was added step by step on the way to it, the first first; null for nothing.</param>
/// <param name="SecondOf">The recipe of which it is a second cup: mixed alike, for what is poured later; null for a
/// colour of its own.</param>
/// <remarks>Source: docs/craft/mixing.md, Recipes.</remarks>
public sealed record Recipe(
    string Id, string Name, string Colour, ImmutableArray<Dose> Doses, ImmutableArray<RecipeShare>? Of = null,
    bool Frozen = false, string? Seen = null,
    ImmutableArray<DoseTrial>? Trials = null, string? SecondOf = null)
{
    /// <summary>Class of its first colourant; null for resin that nothing is stirred into.</summary>
    [JsonIgnore]
    public ColourantClass? Colourant => Doses.IsEmpty ? null : Doses[0].Colourant;

    /// <summary>Load of its first colourant, %; 0 for resin that nothing is stirred into.</summary>
    [JsonIgnore]
    public double LoadPercent => Doses.IsEmpty ? 0 : Doses[0].Percent;

    /// <summary>The colour that it is a cup of: of a second cup its first, else its own.</summary>
    [JsonIgnore]
    public string FirstId => SecondOf ?? Id;

    /// <summary>Whether it is clear resin by itself.</summary>
    [JsonIgnore]
    public bool IsClear => Doses.IsEmpty && Of is null;

    /// <summary>Whether it has a colour of its own: something other than lacing is stirred into it.</summary>
    [JsonIgnore]
    public bool IsColoured => Doses.Any(d => d.Colourant != ColourantClass.Lacing);

    /// <summary>The colour of a colourant in it, as <c>#rrggbb</c>: what it really came out as where that is known.</summary>
    public string ColourOf(Dose dose)
    {
        ArgumentNullException.ThrowIfNull(dose);
        return Seen ?? dose.Colour ?? Colour;
    }

    /// <summary>A recipe of one colourant.</summary>
    public static Recipe Plain(string id, string name, string colour, ColourantClass colourant, double loadPercent) =>
        new(id, name, colour, [new(colourant, loadPercent)]);

    /// <summary>Clear resin.</summary>
    /// <param name="id">Id it is to have.</param>
    public static Recipe Clear(string id) => new(id, "clear", "#eef0ea", []);

    /// <summary>The same with another load of its first colourant; clear resin stays clear.</summary>
    public Recipe WithLoad(double percent) =>
        Doses.IsEmpty ? this : this with { Doses = Doses.SetItem(0, Doses[0] with { Percent = percent }) };

    /// <summary>The same with a colourant of another class in place of its first; clear resin stays clear.</summary>
    public Recipe WithColourant(ColourantClass colourant) =>
        Doses.IsEmpty ? this : this with { Doses = Doses.SetItem(0, Doses[0] with { Colourant = colourant, ColourantId = null }) };

    /// <summary>These recipes, and those that the mixed ones among them are filled from.</summary>
    internal static HashSet<string> WithShares(IEnumerable<string> ids, ImmutableArray<Recipe> all)
    {
        HashSet<string> found = [.. ids];
        found.UnionWith([.. all.Where(r => found.Contains(r.Id)).SelectMany(r => r.Of ?? []).Select(s => s.RecipeId)]);
        return found;
    }

    /// <summary>Recipes with others brought to them: one that is mixed in the same way is taken for it, the others come
    /// with a free id.</summary>
    /// <param name="brought">What is brought, with what mixed ones of it are filled from.</param>
    /// <param name="to">What there is.</param>
    /// <param name="except">The id of one that is taken for none of them; null for none.</param>
    /// <returns>All of them, and what each that was brought is called there.</returns>
    internal static (ImmutableArray<Recipe> All, Dictionary<string, string> Ids) Brought(ImmutableArray<Recipe> brought,
        ImmutableArray<Recipe> to, string? except = null)
    {
        var ids = new Dictionary<string, string>();

        // Mixed recipes come after what they are filled from.
        foreach (var recipe in brought.OrderBy(r => r.Of is null ? 0 : 1))
        {
            var wanted = recipe with
            {
                Of = recipe.Of is { } of
                ? [.. of.Select(s => s with { RecipeId = ids[s.RecipeId] })] : null,
                Frozen = false,
                SecondOf = null
            };
            var own = to.FirstOrDefault(r => r.Id != except && r.MixedAs(wanted));
            if (own is null)
            {
                own = to.Any(r => r.Id == recipe.Id) ? wanted with { Id = FreeId.Of(recipe.Id, to.Select(r => r.Id)) } : wanted;
                to = to.Add(own);
            }

            ids[recipe.Id] = own.Id;
        }

        return (to, ids);
    }

    /// <summary>A second cup of this one: mixed alike, for what is poured later.</summary>
    /// <param name="id">Id it is to have.</param>
    /// <param name="number">Which cup of the colour it is, from 2.</param>
    internal Recipe AnotherCup(string id, int number)
    {
        var after = FormattableString.Invariant($", cup {number}");
        return this with
        {
            Id = id,
            Name = Name[..Math.Min(Name.Length, PieceValidator.LongestName - after.Length)]
            + after,
            Frozen = false,
            Trials = null,
            SecondOf = Id
        };
    }

    /// <summary>Whether another is the same colour, mixed in the same way, whatever its id.</summary>
    internal bool MixedAs(Recipe other) =>
        Name == other.Name && MixedAlike(other);

    /// <summary>Whether another comes out as the same mixture, whatever either is called.</summary>
    internal bool MixedAlike(Recipe other) =>
        Colour == other.Colour && Seen == other.Seen && Doses.SequenceEqual(other.Doses) && (Of ?? []).SequenceEqual(other.Of ?? []);
}

/// <summary>A colourant in a recipe.</summary>
/// <param name="Colourant">Its class.</param>
/// <param name="Percent">Load, % of the mixed resin, by weight or by volume.</param>
/// <param name="By">What it is percent of.</param>
/// <param name="ColourantId">The colourant of the cupboard; null for any of its class. One that is not there counts as
/// any of its class.</param>
/// <param name="Colour">Its colour at full cover, as <c>#rrggbb</c>; null for that of the recipe.</param>
/// <param name="ByEye">Whether nobody measures it: then <paramref name="Percent"/> is only what it is drawn as, and no
/// amount is known.</param>
/// <param name="PotId">The pot of the cupboard that it is taken from; null for none. One that is not there counts as none.</param>
public sealed record Dose(
    ColourantClass Colourant, double Percent, RatioBasis By = RatioBasis.Weight, string? ColourantId = null,
    string? Colour = null, bool ByEye = false, string? PotId = null);

/// <summary>What colourants are dosed in.</summary>
public enum DoseUnit
{
    /// <summary>Percent of the mixed resin.</summary>
    Percent,

    /// <summary>Grams.</summary>
    Grams,

    /// <summary>Drops.</summary>
    Drops,

    /// <summary>Level scoops of the person's own.</summary>
    Scoops,

    /// <summary>Tips of the person's own stick, dipped.</summary>
    Tips,

    /// <summary>By eye: nobody knows how much.</summary>
    ByEye,
}

/// <summary>A step on the way to a recipe: what was added to a trial, and how it looked then.</summary>
/// <param name="Colourant">Class of what was added.</param>
/// <param name="Amount">How much was added, in <paramref name="Unit"/>.</param>
/// <param name="Unit">What in.</param>
/// <param name="InMl">To how much resin, ml; null where percent were added.</param>
/// <param name="ToPercent">What the cup had of it then, %.</param>
/// <param name="Words">How it looked; may be empty.</param>
/// <param name="ColourantId">The colourant of the cupboard; null for any of its class.</param>
/// <param name="At">When, in the workshop's local time; null where nobody noted it.</param>
public sealed record DoseTrial(
    ColourantClass Colourant, double Amount, DoseUnit Unit, double? InMl, double ToPercent, string Words = "",
    string? ColourantId = null, LocalDateTime? At = null);

/// <summary>What a mixed recipe takes from another.</summary>
/// <param name="RecipeId">The other recipe.</param>
/// <param name="Parts">How many parts.</param>
public sealed record RecipeShare(string RecipeId, double Parts);
