global using Xunit;
using ArchUnitNET.Domain;
using ArchUnitNET.Loader;
using MossLantern.Core.Pieces;

namespace MossLantern.Architecture.Tests;

/// <summary>Which room of the core looks into which, and which types know each other, as the core is compiled.</summary>
public sealed class RoomTests
{
    private const string Core = "MossLantern.Core.";

    /// <summary>The rooms from the ground up: each may look into those above it in this list.</summary>
    private static readonly string[] Rooms =
    [
        "Units", "Shapes", "Materials", "Documents", "Curing", "Grounds", "Map", "Walls", "Stones", "Lines", "Mixing", "Pouring", "Timeline", "Painting",
        "Edits", "Checks", "Planning",
    ];

    /// <summary>
    /// What still looks the other way, as it is to be taken down: an arrow may go from this list and never come to it. Pieces is
    /// documents, edits and planning in one, so every arrow at it is one of these.
    /// </summary>
    private static readonly string[] Remaining =
    [
        "Checks > Pieces",
        "Curing > Mixing",
        "Grounds > Mixing",
        "Grounds > Pieces",
        "Grounds > Walls",
        "Map > Mixing",
        "Map > Pieces",
        "Map > Pouring",
        "Mixing > Pieces",
        "Pieces > Checks",
        "Pieces > Curing",
        "Pieces > Grounds",
        "Pieces > Map",
        "Pieces > Mixing",
        "Pieces > Pouring",
        "Pieces > Shapes",
        "Pieces > Units",
        "Pieces > Walls",
        "Pouring > Pieces",
    ];

    /// <summary>Types that still know each other in a circle, each circle in one line: one may go from this list and none may come or grow.</summary>
    private static readonly string[] RemainingCircles =
    [
        "Checks.OneSideCheck Checks.SecondLook Pieces.PiecePlanner",
        "Grounds.Mould Mixing.CupPlanner Mixing.DepthShare Pieces.Ground Pieces.OldWork Pieces.Piece",
        "Map.BandGrower Map.EvenRim Map.RimFront",
        "Map.Colour Map.Lab",
        "Map.FieldCells Map.FieldSites",
        "Map.PaintInset Map.Painting",
        "Pieces.CornersValidator Pieces.CupValidator Pieces.FieldsValidator Pieces.GroundValidator Pieces.HeartValidator "
            + "Pieces.InsertValidator Pieces.KeptZoneValidator Pieces.LaidOutValidator Pieces.LayerValidator Pieces.LinesValidator "
            + "Pieces.MarbleValidator Pieces.MouldValidator Pieces.OldWorkValidator Pieces.PetalsValidator Pieces.PieceBounds "
            + "Pieces.PieceValidator Pieces.PoolsValidator Pieces.PuddleValidator Pieces.RuleExtensions Pieces.SliceValidator Pieces.Zones",
        "Pieces.FieldsLayout Pieces.FloodLayout Pieces.Layout Pieces.LinesLayout Pieces.MarbleLayout Pieces.PetalsLayout Pieces.PoolsLayout "
            + "Pieces.PuddleLayout",
        "Pieces.Layer Pieces.Zone",
        "Shapes.DrawnOutline Shapes.DrawnRings Shapes.Flat Shapes.Outline Shapes.OvalOutline Shapes.RectangleOutline Shapes.RoundOutline "
            + "Shapes.SliceOutline",
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

    [Fact]
    public void A_room_looks_only_into_rooms_above_it_and_what_still_does_not_is_on_the_list()
    {
        var others = Looks.Select(l => (From: Room(l.From), To: Room(l.To)))
            .Where(a => a.From != a.To && !(Array.IndexOf(Rooms, a.To) is var to and >= 0 && to < Array.IndexOf(Rooms, a.From)))
            .Select(a => $"{a.From} > {a.To}").Distinct().Order(StringComparer.Ordinal);
        Assert.Equal(Remaining, others);
    }

    [Fact]
    public void No_types_know_each_other_in_a_circle_and_those_that_still_do_are_on_the_list() =>
        Assert.Equal(RemainingCircles, Circles().Select(c => string.Join(' ', c)).Order(StringComparer.Ordinal));

    [Fact]
    public void What_is_looked_at_is_the_core() =>
        Assert.Contains(("Checks.BowCheck", "Units.Reckoned"), Looks);

    /// <summary>Sets of types of which each reaches every other, each in order.</summary>
    private static IEnumerable<string[]> Circles()
    {
        var next = Looks.Distinct().ToLookup(l => l.From, l => l.To);
        var reaches = next.ToDictionary(n => n.Key, n => Reached(n.Key));
        return reaches.Keys.Where(t => reaches[t].Contains(t))
            .Select(t => reaches[t].Where(o => reaches.TryGetValue(o, out var back) && back.Contains(t)).Order(StringComparer.Ordinal).ToArray())
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
