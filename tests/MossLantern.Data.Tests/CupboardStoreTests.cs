using MossLantern.Core.Documents;
using MossLantern.Core.Materials;
using MossLantern.Core.Shapes;
using NodaTime;

namespace MossLantern.Data.Tests;

/// <summary>Moulds and pots in their file.</summary>
public sealed class CupboardStoreTests : IDisposable
{
    private const string Pebbles = "M0 0L60 0L60 40L0 40ZM70 0L90 0L90 40L70 40Z";

    private readonly Workshop workshop = new();
    private readonly MouldStore moulds;

    public CupboardStoreTests() => moulds = new(workshop.Open());

    public void Dispose() => workshop.Dispose();

    private static LibraryMould Round(string name = "Fen round") =>
        new(name, new RoundOutline(98), 10, CapacityFrom.Dimensions, null, 1, 5, "Glossy floor.");

    [Fact]
    public void A_mould_comes_back_as_it_was_kept_and_all_stand_by_name()
    {
        var drawn = Round("Pebbles") with
        {
            Outline = new DrawnOutline(Pebbles),
            From = CapacityFrom.Water,
            CapacityMl = 31,
            CavityDepths = [new CavityDepth(2, 7)]
        };
        moulds.Save("b", 0, drawn, Workshop.Now);
        moulds.Save("a", 0, Round(), Workshop.Now);
        var all = new MouldStore(workshop.Open()).All();
        Assert.Equal(["Fen round", "Pebbles"], all.Select(m => m.Thing.Name));
        Assert.Equal(Formats.CupboardJson.Write(drawn), Formats.CupboardJson.Write(all[1].Thing));
        Assert.Equal(new CavityDepth(2, 7), all[1].Thing.CavityDepths!.Value.Single());
    }

    [Fact]
    public void A_stale_save_is_told_and_writes_nothing()
    {
        moulds.Save("a", 0, Round(), Workshop.Now);
        Assert.Equal(2, moulds.Save("a", 1, Round("Fen disc"), Workshop.Now)!.Version);
        Assert.Equal(2, Assert.Throws<StaleVersionException>(() => moulds.Save("a", 1, Round("Late"), Workshop.Now)).Newest);
        Assert.Throws<StaleVersionException>(() => moulds.Save("a", 0, Round("Again"), Workshop.Now));
        Assert.Null(moulds.Save("b", 3, Round(), Workshop.Now));
        Assert.Equal("Fen disc", moulds.All().Single().Thing.Name);
    }

    [Fact]
    public void Uses_come_the_latest_first_and_what_nobody_read_stays_unknown()
    {
        moulds.Save("a", 0, Round(), Workshop.Now);
        moulds.Note(new("a", Workshop.Now - Duration.FromDays(2), "Cast", 2, 58.5), Workshop.Now);
        moulds.Note(new("a", Workshop.Now - Duration.FromDays(1), "Washed", 0, null), Workshop.Now);
        var uses = moulds.Uses();
        Assert.Equal(["Washed", "Cast"], uses.Select(u => u.What));
        Assert.Equal([null, 58.5], uses.Select(u => u.HottestC));
        Assert.Equal(Workshop.Now - Duration.FromDays(2), uses[1].At);
        Assert.Equal(2, uses[1].Castings);
    }

    [Fact]
    public void Pots_stand_in_a_table_of_their_own()
    {
        var pots = new PotStore(workshop.Open());
        pots.Save("a", 0, new("Peat black", "#2b2a26", PaintKind.Water, 120, ""), Workshop.Now);
        pots.Save("a", 1, new("Peat black", "#2b2a26", PaintKind.Water, 80, ""), Workshop.Now);
        Assert.Equal((80, 2), (pots.All().Single().Thing.LeftMl, pots.All().Single().Version));
        Assert.Empty(moulds.All());
    }

    [Fact]
    public void Sequences_are_kept_whole_and_can_be_taken_out()
    {
        var sequences = new SequenceStore(workshop.Open());
        KeptSequence kept = new(
            "Tea", [new("push", 8, true, "clear"), new("tea", 6.5, false, "milk")],
            [new("clear", "clear", "#eef0ea", []), Recipe.Plain("tea", "tea", "#6b3f1f", ColourantClass.Dye, 4),
                new("milk", "milk", "#b09070", [], [new("tea", 1), new("clear", 3)])],
            180, 1.1, "Push slowly.");
        sequences.Save("t", 0, kept, Workshop.Now);
        sequences.Save("a", 0, kept with { Name = "Ash" }, Workshop.Now);
        Assert.Equal(["Ash", "Tea"], sequences.All().Select(s => s.Thing.Name));
        var back = sequences.All()[1].Thing;
        Assert.Equal(Formats.CupboardJson.Write(kept), Formats.CupboardJson.Write(back));
        Assert.Equal([new("tea", 1), new("clear", 3)], back.Recipes[2].Of!.Value);
        Assert.Throws<StaleVersionException>(() => sequences.Save("t", 0, kept, Workshop.Now));
        Assert.True(sequences.Remove("t"));
        Assert.False(sequences.Remove("t"));
        Assert.Equal(["Ash"], sequences.All().Select(s => s.Thing.Name));
        Assert.Null(sequences.Save("t", 2, kept, Workshop.Now));
    }

    [Theory]
    [InlineData("{}")]
    [InlineData("[")]
    [InlineData("{\"name\":\"x\",\"atOnce\":3}")]
    public void What_is_no_mould_is_told(string text) => Assert.StartsWith(
        "What is saved in the Cupboard cannot be read at",
        Assert.Throws<Formats.PieceFormatException>(() => Formats.CupboardJson.Read<LibraryMould>(text)).Message, StringComparison.Ordinal);
}
