using System.Text.Json;
using MossLantern.Core.Documents;
using MossLantern.Core.Map;
using MossLantern.Core.Materials;
using MossLantern.Core.Planning;
using MossLantern.Formats;
using NodaTime;

namespace MossLantern.Data.Tests;

/// <summary>What an earlier program wrote opens: documents of every kind and layout, and a workshop in which everything
/// has happened.</summary>
public sealed class GoldenTests : IDisposable
{
    private static readonly string Golden = Path.Combine(AppContext.BaseDirectory, "golden");

    private readonly Workshop workshop = new();

    public void Dispose() => workshop.Dispose();

    public static TheoryData<string> Documents =>
        [.. Directory.EnumerateDirectories(Golden).SelectMany(d => Directory.EnumerateFiles(d, "*.json"))
            .Select(f => Path.GetRelativePath(Golden, f)).Order(StringComparer.Ordinal)];

    public static TheoryData<string> Workshops =>
        [.. Directory.EnumerateFiles(Golden, "*.db", SearchOption.AllDirectories).Select(f => Path.GetRelativePath(Golden, f))];

    [Theory]
    [MemberData(nameof(Documents))]
    public void A_document_is_read_is_valid_and_is_the_same_when_read_again(string file)
    {
        var piece = Read(file);
        Assert.Equal([], new PieceValidator().Validate(piece).Errors.Select(e => e.ToString()));
        var written = PieceJson.Write(piece);
        Assert.Equal(written, PieceJson.Write(PieceJson.Read(written)));
    }

    [Fact]
    public void There_is_a_document_of_every_kind_of_every_outline_and_of_every_layout()
    {
        var pieces = Documents.Select(d => Read(d.Data)).ToList();
        Assert.Equal(Enum.GetValues<PieceKind>().Length, pieces.Select(p => p.Ground.Base?.Kind).OfType<PieceKind>().Distinct().Count());
        Assert.Equal(
            Enum.GetValues<BaseMaterial>().Length, pieces.Select(p => p.Ground.Base?.Material).OfType<BaseMaterial>().Distinct().Count());
        Assert.Subset(
            pieces.SelectMany(p => p.Layers).Select(l => l.Layout.GetType().Name).ToHashSet(),
            typeof(Layout).Assembly.GetTypes().Where(t => t.IsSubclassOf(typeof(Layout)) && !t.IsAbstract).Select(t => t.Name).ToHashSet());
        Assert.Contains(pieces, p => p.Ground.Set is { Mirrored: true });
        Assert.Contains(pieces, p => p.Ground.Old is not null);
        Assert.Contains(pieces, p => p.Layers.Any(l => l.Within is not null));
        Assert.Contains(pieces, p => p.Layers.Any(l => l.Zones is { IsEmpty: false }) && p.Kept is { IsEmpty: false });
    }

    /// <summary>The format as it is: an older document that becomes the same by its upgrade is worked out as that one is.</summary>
    private static readonly string Newest = FormattableString.Invariant($"format-{Piece.FormatVersion}");

    private static readonly string NumbersFile = Path.Combine(Golden, "numbers.json");

    private static Piece Read(string file) => PieceJson.ReadFromOutside(File.ReadAllText(Path.Combine(Golden, file)));

    private static bool IsAsInTheNewest(string file, Piece piece) =>
        Path.GetDirectoryName(file) != Newest && File.Exists(Path.Combine(Golden, Newest, Path.GetFileName(file)))
        && PieceJson.Write(piece) == PieceJson.Write(Read(Path.Combine(Newest, Path.GetFileName(file))));

    /// <summary>What is worked out of a piece: area and amount of every region, and what is mixed in every cup.</summary>
    private static List<string> Numbers(Piece piece)
    {
        var plan = new PiecePlanner(new LayerMapper()).Plan(piece, [], Surroundings.Usual(DateTimeZone.Utc));
        return
        [
            .. plan.Layers.SelectMany(l => l.Regions.Select(r =>
                FormattableString.Invariant($"{l.LayerId} {r.Id}: {r.Area.Value:0.####} cm²"))),
            .. plan.Sittings.SelectMany(s => s.Cups.Regions.Select(r =>
                FormattableString.Invariant($"{s.SittingId} {r.RegionId}: {r.LayerMl.Value:0.####} ml"))),
            .. plan.Sittings.SelectMany(s => s.Cups.Cups.Select(c => FormattableString.Invariant(
                $"{s.SittingId} {c.CupId}: {c.MixMl.Value:0.####} ml"))),
        ];
    }

    /// <summary>Writes the numbers anew, when they are meant to be others: what has changed is seen in the file.
    /// <c>MOSS_LANTERN_NUMBERS=file MossLantern.Data.Tests -explicit only -class MossLantern.Data.Tests.GoldenTests</c>.</summary>
    [Fact(Explicit = true)]
    public void Numbers_are_written()
    {
        var to = Environment.GetEnvironmentVariable("MOSS_LANTERN_NUMBERS");
        Assert.True(to is not null, "MOSS_LANTERN_NUMBERS says where to.");
        var numbers = Documents.Select(d => (d.Data, Piece: Read(d.Data))).Where(d => !IsAsInTheNewest(d.Data, d.Piece))
            .ToDictionary(d => d.Data, d => Numbers(d.Piece));
        File.WriteAllText(to, JsonSerializer.Serialize(numbers, Written) + "\n");
    }

    private static readonly JsonSerializerOptions Written =
        new() { WriteIndented = true, Encoder = System.Text.Encodings.Web.JavaScriptEncoder.UnsafeRelaxedJsonEscaping };

    [Theory]
    [MemberData(nameof(Documents))]
    public void What_is_worked_out_of_a_document_is_what_was_worked_out_before(string file)
    {
        var piece = Read(file);
        if (!IsAsInTheNewest(file, piece))
        {
            var known = JsonSerializer.Deserialize<Dictionary<string, List<string>>>(File.ReadAllText(NumbersFile))!;
            Assert.True(known.ContainsKey(file), $"{file} has no numbers yet.");
            Assert.Equal(known[file], Numbers(piece));
        }
    }

    [Theory]
    [MemberData(nameof(Workshops))]
    public void A_workshop_opens_with_every_revision_run_and_name_and_undo_walks_back_through_all(string file)
    {
        File.Copy(Path.Combine(Golden, file), workshop.File);
        var database = workshop.Open();
        var (pieces, runs) = (new PieceStore(database), new RunStore(database));
        var shelf = pieces.All(out var unreadable);
        Assert.Empty(unreadable);
        Assert.True(shelf.Length > 20);
        Assert.NotEmpty(pieces.Aside());
        Assert.NotEmpty(pieces.Named("water-mint"));
        Assert.All(shelf, p => Assert.Empty(new PieceValidator().Validate(p.Piece).Errors));
        Assert.All(runs.Of(null), r => Assert.True(r.Part.Revision is null || pieces.At(r.PieceId, r.Part.Revision.Value) is not null));
        Assert.Equal(6, runs.Of(null).Length);

        var mint = pieces.Find("water-mint")!;
        var depths = new List<double> { mint.Piece.Layers[0].DepthMm };
        for (; mint.CanUndo; depths.Add(mint.Piece.Layers[0].DepthMm))
        {
            mint = pieces.Walk("water-mint", mint.Version, UndoStep.Undo, Workshop.Now)!;
        }

        Assert.Equal([3, 3, 2.75, 2.5], depths.Take(4));
        Assert.Equal(5, depths.Count);
        Assert.False(mint.CanUndo);
    }
}
