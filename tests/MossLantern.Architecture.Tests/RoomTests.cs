global using Xunit;
using System.Collections.Immutable;
using System.Reflection;
using System.Runtime.CompilerServices;
using ArchUnitNET.Domain;
using ArchUnitNET.Loader;
using MossLantern.Core.Documents;
using MossLantern.Core.Map;

namespace MossLantern.Architecture.Tests;

/// <summary>Which room of the core looks into which, and which types know each other, as the core is compiled.</summary>
public sealed class RoomTests
{
    private const string Core = "MossLantern.Core.";

    /// <summary>The rooms from the ground up: each may look into those above it in this list.</summary>
    private static readonly string[] Rooms =
    [
        "Units", "Shapes", "Materials", "Documents", "Journal", "Curing", "Grounds", "Map", "Walls", "Stones", "Lines",
        "Mixing", "Pouring", "Timeline", "Plans", "Painting",
        "Edits", "Checks", "Planning",
    ];

    /// <summary>Data that is a tree, and the validators that follow it down: a part of it holds the whole again.</summary>
    private static readonly string[] Trees =
    [
        "Documents.CornersValidator Documents.FieldsValidator Documents.FillingRules Documents.GroundValidator Documents.HeartValidator "
            + "Documents.InsertValidator Documents.LayerValidator Documents.LayoutValidator Documents.MarbleValidator "
                + "Documents.MouldValidator "
            + "Documents.OldWorkValidator Documents.PetalsValidator Documents.PieceBounds Documents.PieceValidator "
                + "Documents.PoolsValidator "
            + "Documents.PuddleValidator Documents.RecipeValidator Documents.ReservedSpotValidator "
                + "Documents.RingsValidator Documents.RuleExtensions "
            + "Documents.SittingValidator Documents.SliceValidator Documents.StripesValidator Documents.Zones",
        "Documents.Ground Documents.OldWork Documents.Piece",
        "Painting.PaintInset Painting.Painting",
    ];

    private static readonly List<(string From, string To)> Looks =
    [
        .. from type in new ArchLoader().LoadAssemblies(typeof(Piece).Assembly).Build().Types
           where IsOurs(type)
           from dependency in type.Dependencies
           where IsOurs(dependency.Target)
           let arrow = (From: Outer(type), To: Outer(dependency.Target))
           where arrow.From != arrow.To
           select arrow,
    ];

    private static bool IsOurs(IType type) => type.FullName.StartsWith(Core, StringComparison.Ordinal);

    /// <summary>The type in whose file a type stands, such as <c>Map.LayerMap</c>.</summary>
    private static string Outer(IType type) => type.FullName[Core.Length..].Split('+', '/', '`')[0];

    private static string Room(string type) => type.Split('.')[0];

    /// <summary>What is kept between calls belongs to what is handed in: nothing static of the core remembers a piece.</summary>
    [Fact]
    public void Nothing_static_remembers()
    {
        var remembering = typeof(Piece).Assembly.GetTypes()
            .Where(t => !t.IsDefined(typeof(CompilerGeneratedAttribute), false))
            .SelectMany(t => t.GetFields(BindingFlags.Static | BindingFlags.Public | BindingFlags.NonPublic))
            .Where(f => !f.IsLiteral && (!f.IsInitOnly || Remembers(f.FieldType)))
            .Where(f => !f.IsDefined(typeof(CompilerGeneratedAttribute), false))
            .Select(f => $"{f.DeclaringType!.Name}.{f.Name}");
        Assert.Empty(remembering);
        Assert.True(Remembers(typeof(Dictionary<string, int>)));
        Assert.False(Remembers(typeof(ImmutableArray<int>)));
    }

    /// <summary>Whether something may be added to what a type holds; tables that are only read are frozen or immutable.</summary>
    private static bool Remembers(System.Type type) =>
        !(type.Namespace ?? "").StartsWith("System.Collections.Immutable", StringComparison.Ordinal)
        && !(type.Namespace ?? "").StartsWith("System.Collections.Frozen", StringComparison.Ordinal)
        && (type.Name.StartsWith("Recent`", StringComparison.Ordinal)
            || type.Name.StartsWith("ConditionalWeakTable`", StringComparison.Ordinal)
            || type.GetInterfaces().Any(i => i.IsGenericType && i.GetGenericTypeDefinition() == typeof(ICollection<>) && !type.IsArray));

    [Fact]
    public void A_room_looks_only_into_rooms_above_it()
    {
        var others = Looks.Select(l => (From: Room(l.From), To: Room(l.To)))
            .Where(a => a.From != a.To && !(Array.IndexOf(Rooms, a.To) is var to and >= 0 && to < Array.IndexOf(Rooms, a.From)))
            .Select(a => $"{a.From} > {a.To}").Distinct().Order(StringComparer.Ordinal);
        Assert.Empty(others);
    }

    [Fact]
    public void No_types_know_each_other_in_a_circle_but_those_of_a_tree() =>
        Assert.Equal(Trees, Circles().Select(c => string.Join(' ', c)).Order(StringComparer.Ordinal));

    [Fact]
    public void What_is_looked_at_is_the_core() =>
        Assert.Contains(("Checks.BowCheck", "Units.Reckoned"), Looks);

    /// <summary>Sets of types of which each reaches every other, each in order.</summary>
    private static IEnumerable<string[]> Circles()
    {
        var next = Looks.Distinct().ToLookup(l => l.From, l => l.To);
        var reaches = next.ToDictionary(n => n.Key, n => Reached(n.Key));
        return reaches.Keys.Where(t => reaches[t].Contains(t))
            .Select(t => reaches[t].Where(o => reaches.TryGetValue(o, out var back) && back.Contains(t))
                .Order(StringComparer.Ordinal).ToArray())
            .DistinctBy(c => c[0]);

        HashSet<string> Reached(string from)
        {
            var found = new HashSet<string>();
            var open = new Stack<string>(next[from]);
            while (open.TryPop(out var type))
            {
                if (found.Add(type))
                {
                    foreach (var further in next[type])
                    {
                        open.Push(further);
                    }
                }
            }

            return found;
        }
    }
}
