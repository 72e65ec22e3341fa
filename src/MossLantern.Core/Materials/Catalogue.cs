using System.Collections.Immutable;
using System.Globalization;
using System.Security.Cryptography;
using System.Text;
using System.Text.Json;

namespace MossLantern.Core.Materials;

/// <summary>
/// The materials of a workshop: typical ones with the person's own values laid over them, and the person's own. It is handed to
/// whatever works something out.
/// </summary>
/// <remarks>Source: docs/craft/materials.md.</remarks>
public sealed class Catalogue
{
    private readonly ImmutableDictionary<string, ResinSystem> resins;
    private readonly ImmutableDictionary<ColourantClass, Colourant> colourants;
    private readonly ImmutableDictionary<string, Colourant> ownColourants;
    private readonly ImmutableDictionary<BaseMaterial, BaseData> bases;

    /// <summary>A catalogue of materials.</summary>
    /// <param name="materials">All of them: of each typical class and base one.</param>
    public Catalogue(ImmutableArray<Material> materials)
    {
        Materials = materials;
        Resins = [.. materials.Where(m => m.Kind == MaterialKind.Resin).Select(ResinSystem.Of)];
        ImmutableArray<Colourant> all = [.. materials
            .Where(m => m.Kind == MaterialKind.Colourant && Named<ColourantClass>(m.Like ?? m.Id) is not null)
            .Select(m => Colourant.Of(Named<ColourantClass>(m.Like ?? m.Id)!.Value, m))];
        Colourants = [.. all.Where(c => Named<ColourantClass>(c.Id) == c.Class)];
        OwnColourants = [.. all.Where(c => Named<ColourantClass>(c.Id) != c.Class)];
        ownColourants = OwnColourants.ToImmutableDictionary(c => c.Id);
        resins = Resins.ToImmutableDictionary(r => r.Id);
        colourants = Colourants.ToImmutableDictionary(c => c.Class);
        bases = materials.Where(m => m.Kind == MaterialKind.Base).Select(m => (Named<BaseMaterial>(m.Id), m))
            .Where(b => b.Item1 is not null)
            .ToImmutableDictionary(b => b.Item1!.Value, b => BaseData.Of(b.Item1!.Value, b.m));
        Key = KeyOf(materials
            .Where(m => m.Kind is MaterialKind.Resin or MaterialKind.Colourant or MaterialKind.Base or MaterialKind.Stone));
        ColourKey = KeyOf(materials.Where(m => m.Kind == MaterialKind.Colourant));
    }

    /// <summary>The typical materials that every workshop starts from.</summary>
    public static Catalogue Typical { get; } = new(TypicalMaterials.All);

    /// <summary>All materials, kind by kind.</summary>
    public ImmutableArray<Material> Materials { get; }

    /// <summary>The resin systems; those that are put away too.</summary>
    public ImmutableArray<ResinSystem> Resins { get; }

    /// <summary>The classes of colourant, the lacing additive last.</summary>
    public ImmutableArray<Colourant> Colourants { get; }

    /// <summary>The person's own colourants; those that are put away too.</summary>
    public ImmutableArray<Colourant> OwnColourants { get; }

    /// <summary>A text that is the same for catalogues that give a piece the same numbers: of resins, colourants, bases
    /// and stones, from which pieces are planned.</summary>
    public string Key { get; }

    /// <summary>A text that is the same for catalogues whose colourants look the same.</summary>
    public string ColourKey { get; }

    /// <summary>A resin system by its id, or null.</summary>
    public ResinSystem? Resin(string id) => resins.GetValueOrDefault(id);

    /// <summary>The data of a class of colourant.</summary>
    /// <exception cref="ArgumentOutOfRangeException">There is no such class.</exception>
    public Colourant Of(ColourantClass colourant) => colourants.GetValueOrDefault(colourant)
        ?? throw new ArgumentOutOfRangeException(nameof(colourant), colourant, "There is no such class.");

    /// <summary>The data of a colourant of the person's own, or of its class where it is none of these, or of another
    /// class by now.</summary>
    /// <param name="colourant">Its class.</param>
    /// <param name="id">Its id; null for any of the class.</param>
    public Colourant Of(ColourantClass colourant, string? id) =>
        id is not null && ownColourants.GetValueOrDefault(id) is { } own && own.Class == colourant ? own : Of(colourant);

    /// <summary>The data of a base.</summary>
    public BaseData Of(BaseMaterial material) => bases[material];

    /// <summary>A barrier, or one of the person's own that is like it, of which they have entered when it is ready; null for none.</summary>
    /// <param name="barrierId">The typical barrier.</param>
    public Material? OwnReady(string barrierId) => Materials.LastOrDefault(m => m is { Kind: MaterialKind.Barrier, PutAway: false }
        && (m.Like == barrierId || m.Id == barrierId) && m.Own.Contains(MaterialProperties.ReadyHours));

    /// <summary>The widths of tape at hand, mm: where the person has entered tapes, those, else the usual ones.</summary>
    public ImmutableArray<double> TapeWidthsMm
    {
        get
        {
            var tapes = Materials.Where(m => m is { Kind: MaterialKind.Tape, PutAway: false }).ToList();
            var own = tapes.Where(m => m.Like is not null || !m.Own.IsEmpty).ToList();
            return [.. (own.Count > 0 ? own : tapes).Select(m => m[MaterialProperties.TapeWidthMm]).Distinct().Order()];
        }
    }

    /// <summary>A material by its kind and id, or null.</summary>
    public Material? Find(MaterialKind kind, string id) => Materials.FirstOrDefault(m => m.Kind == kind && m.Id == id);

    /// <summary>This catalogue with what the person has entered.</summary>
    /// <param name="own">What was entered, by id: the id of a material here changes it, another adds one.</param>
    public Catalogue With(IEnumerable<(string Id, OwnMaterial Own)> own)
    {
        ArgumentNullException.ThrowIfNull(own);
        var all = Materials.ToList();
        foreach (var (id, entered) in own)
        {
            if (Find(entered.Kind, entered.Like) is not { } like)
            {
                continue;
            }

            var material = new Material(
                id, entered.Kind, entered.Name, like.Values.SetItems(entered.Values), like.Says,
                entered.Basis ?? like.Basis, [.. entered.Values.Keys], id == like.Id ? null : like.Id, entered.PutAway, entered.Colour);
            var at = all.FindIndex(m => m.Kind == entered.Kind && m.Id == id);
            if (at >= 0)
            {
                all[at] = material;
            }
            else
            {
                all.Insert(all.FindLastIndex(m => m.Kind == entered.Kind) + 1, material);
            }
        }

        return new([.. all]);
    }

    /// <summary>The choice that an id stands for, or null: ids are choices in lower case with hyphens.</summary>
    private static T? Named<T>(string id)
        where T : struct, Enum =>
        Enum.GetValues<T>().Where(v => JsonNamingPolicy.KebabCaseLower.ConvertName(v.ToString()) == id).Select(v => (T?)v).FirstOrDefault();

    private static string KeyOf(IEnumerable<Material> materials)
    {
        static string Values(Material of) => string.Join(' ', of.Values.Select(v =>
            string.Create(CultureInfo.InvariantCulture, $"{v.Key}={v.Value:R}{(of.Own.Contains(v.Key) ? "!" : "")}")));
        var text = string.Join('\n', materials.Select(m => $"{m.Kind}/{m.Id}/{m.Basis}/{m.Colour}/{Values(m)}"));
        return Convert.ToHexStringLower(SHA256.HashData(Encoding.UTF8.GetBytes(text)))[..16];
    }
}
