using System.Collections.Immutable;
using System.Text.Json.Serialization;
using NodaTime;

namespace MossLantern.Core.Documents;

/// <summary>What is poured in one go: one resin, one way of measuring, one start.</summary>
/// <param name="Id">Stable id, unique in the piece.</param>
/// <param name="Rest">Ids of the layers of which it takes every region that no other sitting takes.</param>
/// <param name="Resin">The resin it is mixed from.</param>
/// <param name="Measure">How the artist measures: in marked cups or on a scale.</param>
/// <param name="Name">Its name; null for that of what it fills.</param>
/// <param name="Fills">Regions that it takes by themselves, in turn; null for none.</param>
/// <param name="Tools">What the artist measures with, where it is not the usual.</param>
/// <param name="Losses">What is lost on the way, where the artist knows better than the defaults.</param>
/// <param name="ReservePercent">Reserve in every cup, %; null takes the default.</param>
/// <param name="Start">First pour, in the workshop's local time; null while not decided.</param>
/// <param name="End">Last pour; null for the default of 20 min after the start.</param>
/// <param name="RoomC">Room temperature, °C; null while not known.</param>
/// <param name="Order">Regions in pour order; null for the usual one. Regions left out follow in that.</param>
/// <param name="CupChoices">What the artist wants otherwise of single cups; null for nothing.</param>
/// <param name="Batches">What is mixed in one jug each, as the artist arranged it; null for as the program proposes it.</param>
/// <param name="Copies">For how many copies it is mixed: panels, or castings; null for those that are poured at once.</param>
/// <param name="CopiesInTurn">Whether each copy is poured whole before the next; else each colour goes into every copy
/// while its cup is young.</param>
/// <param name="SandFirst">Whether what lies below is sanded and wiped first, because nothing bonds to it any more by itself.</param>
/// <remarks>Source: docs/craft/mixing.md, Sittings.</remarks>
public sealed record Sitting(
    string Id,
    ImmutableArray<string> Rest,
    ResinChoice Resin,
    Measure Measure,
    string? Name = null,
    ImmutableArray<Fill>? Fills = null,
    MeasuringTools? Tools = null,
    Losses? Losses = null,
    double? ReservePercent = null,
    LocalDateTime? Start = null,
    LocalDateTime? End = null,
    double? RoomC = null,
    ImmutableArray<RegionOf>? Order = null,
    ImmutableArray<CupChoice>? CupChoices = null,
    ImmutableArray<Batch>? Batches = null,
    int? Copies = null,
    bool CopiesInTurn = false,
    bool SandFirst = false)
{
    /// <summary>When it is to be poured, and how warm the room will be.</summary>
    [JsonIgnore]
    public PlannedTimes Plan => new(Start, End, RoomC);

    /// <summary>The layers that it fills something of, by their ids.</summary>
    [JsonIgnore]
    public IEnumerable<string> LayerIds => Rest.Concat((Fills ?? []).Select(f => f.LayerId)).Distinct();

    /// <summary>The regions of a layer in the order of its pours; empty for the usual one.</summary>
    public ImmutableArray<RegionId> OrderIn(string layerId) => [.. (Order ?? []).Where(o => o.LayerId == layerId).Select(o => o.Region)];

    /// <summary>The same without what names a layer, a region or a recipe that its piece does not have.</summary>
    /// <param name="layers">The layers of the piece, by their ids.</param>
    /// <param name="recipes">Its recipes, by their ids.</param>
    internal Sitting Mended(IReadOnlyDictionary<string, LinedLayer> layers, IReadOnlyDictionary<string, Recipe> recipes)
    {
        var filled = this with
        {
            Rest = Rest.RemoveAll(id => !layers.ContainsKey(id)),
            Fills = Some(Fills?.Select(f => f.Mended(layers, recipes)).OfType<Fill>(), Fills)
        };
        var own = filled.LayerIds.ToHashSet();
        return filled with
        {
            CupChoices = Some(CupChoices?.Where(c => recipes.ContainsKey(c.RecipeId) && c != new CupChoice(c.RecipeId)), CupChoices),
            Batches = Some(Batches is { } batches ? Batch.Mended(batches, recipes) : null, Batches),
            Order = Some(Order?.Where(o => own.Contains(o.LayerId) && layers[o.LayerId].Has(o.Region)), Order),
        };
    }

    /// <summary>What is left of a list: the list itself where all is, null where nothing is.</summary>
    private static ImmutableArray<T>? Some<T>(IEnumerable<T>? left, ImmutableArray<T>? all)
    {
        ImmutableArray<T>? some = left is null ? null : [.. left];
        return some is not { IsEmpty: false } own ? null : own.SequenceEqual(all!.Value) ? all : own;
    }

    /// <summary>The same at other times.</summary>
    public Sitting At(PlannedTimes plan)
    {
        ArgumentNullException.ThrowIfNull(plan);
        return this with { Start = plan.Start, End = plan.End, RoomC = plan.RoomC };
    }
}

/// <summary>Resin and hardener that are mixed in one jug and divided into cups.</summary>
/// <param name="Id">Stable id, unique in the sitting.</param>
/// <param name="RecipeIds">The cups that it is divided into, by their recipes; one alone is mixed in its own cup.</param>
/// <param name="JugMl">What its jug holds, ml; null for the artist's largest.</param>
/// <param name="Shares">What it fills of cups that other batches fill too; null where it fills all of its cups alone.</param>
/// <remarks>Source: docs/craft/mixing.md, Batches; One colour from several batches.</remarks>
public sealed record Batch(string Id, ImmutableArray<string> RecipeIds, double? JugMl = null, ImmutableArray<BatchShare>? Shares = null)
{
    /// <summary>What it fills of a cup, %; 100 for a cup that it fills alone.</summary>
    public double PercentOf(string recipeId) => Shares?.FirstOrDefault(s => s.RecipeId == recipeId)?.Percent ?? 100;

    /// <summary>Batches without cups of recipes that are gone, or are filled from others, and without batches of which nothing is left.
    /// A cup that others are filled from is filled by the first of its batches, and one that a single batch is left for by that.</summary>
    internal static IEnumerable<Batch> Mended(ImmutableArray<Batch> batches, IReadOnlyDictionary<string, Recipe> recipes)
    {
        var whole = recipes.Values.SelectMany(r => r.Of ?? []).Select(s => s.RecipeId).ToHashSet();
        HashSet<string> met = [];
        var left = batches.Select(b => b.With(b.RecipeIds.RemoveAll(
            id => !recipes.TryGetValue(id, out var recipe) || recipe.Of is not null || (whole.Contains(id) && !met.Add(id)))))
            .Where(b => !b.RecipeIds.IsEmpty).ToList();
        var often = left.SelectMany(b => b.RecipeIds).CountBy(id => id).ToDictionary();
        return left.Select(b => b.Sharing(b.RecipeIds.Where(id => often[id] > 1)));
    }

    private Batch With(ImmutableArray<string> recipeIds) =>
        recipeIds.Length == RecipeIds.Length ? this : this with { RecipeIds = recipeIds };

    private Batch Sharing(IEnumerable<string> recipeIds)
    {
        if (Shares is not { } shares)
        {
            return this;
        }

        var left = shares.RemoveAll(s => !recipeIds.Contains(s.RecipeId));
        return left.Length == shares.Length && !left.IsEmpty ? this : this with { Shares = left.IsEmpty ? null : left };
    }
}

/// <summary>What one batch fills of a cup that several batches fill.</summary>
/// <param name="RecipeId">The cup's recipe.</param>
/// <param name="Percent">How much of what has to leave the cup, %; those of all its batches are 100 % together.</param>
/// <remarks>Source: docs/craft/mixing.md, One colour from several batches.</remarks>
public sealed record BatchShare(string RecipeId, double Percent);

/// <summary>A region of one of a piece's layers.</summary>
/// <param name="LayerId">The layer.</param>
/// <param name="Region">The region.</param>
public sealed record RegionOf(string LayerId, RegionId Region);

/// <summary>A pass of a sitting over a region; several may follow each other.</summary>
/// <param name="Id">Stable id, unique in the piece.</param>
/// <param name="LayerId">The layer.</param>
/// <param name="Region">The region of it.</param>
/// <param name="RecipeId">What it is poured from; null for the region's own.</param>
/// <param name="DepthMm">How deep it is poured, mm; null for what its way gives, or for all that the region aims at.</param>
/// <param name="Way">How it is laid.</param>
/// <param name="CupId">The second cup of its colour that it is poured from; null for the first. One of another colour
/// counts for nothing.</param>
public sealed record Fill(string Id, string LayerId, RegionId Region, string? RecipeId = null, double? DepthMm = null,
    FillWay Way = FillWay.Poured, string? CupId = null)
{
    /// <summary>The same without what names recipes that are gone, or a depth where there is none; null where its
    /// region is gone, or stays bare.</summary>
    internal Fill? Mended(IReadOnlyDictionary<string, LinedLayer> layers, IReadOnlyDictionary<string, Recipe> recipes)
    {
        if (!layers.TryGetValue(LayerId, out var layer) || !layer.Has(Region) || layer.Layer.Bare?.Contains(Region) == true)
        {
            return null;
        }

        // A region that is poured by the millilitre is poured in one way, to no depth.
        var byAmount = TakesMm is not null && !layer.HasDepth(Region);
        var recipe = RecipeId is { } id && recipes.ContainsKey(id) ? RecipeId : null;
        var cup = CupId is { } second && recipes.TryGetValue(second, out var of) && of.SecondOf is not null ? CupId : null;
        return (recipe, cup, byAmount) == (RecipeId, CupId, false) ? this : this with
        {
            RecipeId = recipe,
            CupId = cup,
            DepthMm = byAmount ? null : DepthMm,
            Way = byAmount ? FillWay.Poured : Way,
        };
    }

    /// <summary>How deep it is in the end, mm; null for all that the others leave of what the region aims at.</summary>
    [JsonIgnore]
    public double? TakesMm => DepthMm ?? UsualMm(Way);

    /// <summary>How deep a way of laying is where nobody says otherwise, mm; null for one that fills up.</summary>
    /// <remarks>Source: docs/craft/mixing.md, Ways of laying.</remarks>
    public static double? UsualMm(FillWay way) => way switch
    {
        FillWay.Fingered => 0.4,
        FillWay.Combed => 2,
        FillWay.Domed => 1.2,
        FillWay.Drizzled => 0.5,
        _ => null,
    };
}

/// <summary>How a fill is laid.</summary>
public enum FillWay
{
    /// <summary>Poured to its depth.</summary>
    Poured,

    /// <summary>Rubbed on with the finger as a film.</summary>
    Fingered,

    /// <summary>Drawn out with a comb: half of its notch stays.</summary>
    Combed,

    /// <summary>Poured as a dome that holds at the rim.</summary>
    Domed,

    /// <summary>Drizzled over what lies there: it runs between, and the texture stays.</summary>
    Drizzled,
}

/// <summary>What the artist wants otherwise of one cup of a sitting.</summary>
/// <param name="RecipeId">The cup's recipe.</param>
/// <param name="ReservePercent">Reserve in it, %; null for that of the sitting.</param>
/// <param name="HeldBack">What of it is kept for something else; null for nothing.</param>
/// <param name="MixedMl">How much is mixed in it, ml; null for as much as is planned.</param>
/// <param name="ByEye">Whether nobody measures how much is mixed in it: then it is not known.</param>
public sealed record CupChoice(string RecipeId, double? ReservePercent = null, HeldBack? HeldBack = null,
    double? MixedMl = null, bool ByEye = false);

/// <summary>What of a cup is kept for something else.</summary>
/// <param name="Name">What for.</param>
/// <param name="Ml">How much, ml.</param>
public sealed record HeldBack(string Name, double Ml);
