using MossLantern.Core.Journal;

namespace MossLantern.Core.Tests;

/// <summary>Ids of steps as they stand in journals: a pass, a part of a batch, a colourant of a cup.</summary>
public sealed class StepIdTests
{
    [Fact]
    public void A_pass_after_the_first_has_an_id_and_reads_back()
    {
        Assert.Null(StepId.OfPass(0));
        Assert.Equal("pass-2", StepId.OfPass(1).ToString());
        Assert.Equal([0, 1, 7], new[] { StepId.OfPass(0), StepId.OfPass(1), StepId.OfPass(7) }.Select(StepId.PassOf));
        Assert.Throws<ArgumentOutOfRangeException>(() => StepId.OfPass(-1));
    }

    [Theory]
    [InlineData("batch-1/resin", "batch-1", null, 0)]
    [InlineData("batch-1/hardener", "batch-1", null, 0)]
    [InlineData("batch-1/moss/0", "batch-1", "moss", 0)]
    [InlineData("pass-3", null, null, 2)]
    [InlineData("pass-0", null, null, 0)]
    [InlineData("pass-x", null, null, 0)]
    [InlineData("something else", null, null, 0)]
    [InlineData("batch-1/other", null, null, 0)]
    public void What_was_written_once_stays_readable(string written, string? batch, string? cup, int pass)
    {
        var id = StepId.Parse(written);
        Assert.Equal((written, batch, cup, pass), (id.ToString(), id.BatchId, id.CupId, StepId.PassOf(id)));
        Assert.Equal(id, StepId.Parse(written));
    }

    [Fact]
    public void What_is_weighed_is_spelled_as_it_was()
    {
        Assert.Equal(["b/resin", "b/hardener", "b/moss/2"],
            new[] { StepId.OfResin("b"), StepId.OfHardener("b"), StepId.OfColourant("b", "moss", 2) }.Select(s => s.ToString()));
        Assert.Throws<ArgumentException>(() => StepId.Parse(""));
    }
}
