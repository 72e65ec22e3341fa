using MossLantern.Pictures;

namespace MossLantern.Web.Tests;

/// <summary>How a template is laid over sheets.</summary>
public class TilingTests
{
    [Theory]
    [InlineData(60, 60, Paper.A4, 1)]
    [InlineData(170, 240, Paper.A4, 1)]
    [InlineData(240, 150, Paper.Letter, 1)]
    [InlineData(400, 150, Paper.A4, 2)]
    [InlineData(600, 400, Paper.A4, 8)]
    [InlineData(1500, 1500, Paper.Letter, 72)]
    public void The_sheets_show_all_of_the_piece_and_as_few_as_can_be(double widthMm, double heightMm, Paper paper, int most)
    {
        var tiling = Tiling.For(widthMm, heightMm, paper);
        Assert.InRange(tiling.Columns * tiling.Rows, 1, most);
        Assert.Equal(-Tiling.RoundMm, tiling.LeftMm(0));
        Assert.Equal(-Tiling.RoundMm, tiling.TopMm(0));
        Assert.True(tiling.LeftMm(tiling.Columns - 1) + tiling.ShowsWidthMm >= widthMm + Tiling.RoundMm - 1e-6);
        Assert.True(tiling.TopMm(tiling.Rows - 1) + tiling.ShowsHeightMm >= heightMm + Tiling.RoundMm - 1e-6);

        // One sheet fewer either way would not reach.
        Assert.True(tiling.Columns == 1 || tiling.LeftMm(tiling.Columns - 2) + tiling.ShowsWidthMm < widthMm + Tiling.RoundMm);
        Assert.True(tiling.Rows == 1 || tiling.TopMm(tiling.Rows - 2) + tiling.ShowsHeightMm < heightMm + Tiling.RoundMm);
    }

    [Fact]
    public void Sheets_overlap_by_the_same_everywhere()
    {
        var tiling = Tiling.For(900, 700, Paper.A4);
        for (var column = 1; column < tiling.Columns; column++)
        {
            Assert.Equal(Tiling.OverlapMm, tiling.LeftMm(column - 1) + tiling.ShowsWidthMm - tiling.LeftMm(column), 1e-9);
        }

        for (var row = 1; row < tiling.Rows; row++)
        {
            Assert.Equal(Tiling.OverlapMm, tiling.TopMm(row - 1) + tiling.ShowsHeightMm - tiling.TopMm(row), 1e-9);
        }
    }
}
