using MossLantern.Core.Shapes;
using NetTopologySuite.Geometries;

namespace MossLantern.Core.Tests;

/// <summary>How often lines meet, counted before a library unites them.</summary>
public class CrowdTests
{
    private static Crowd Grid(int across, int down)
    {
        var crowd = new Crowd();
        for (var i = 0; i < across; i++)
        {
            crowd.Add([new(-1, i), new(down + 1, i)], 0);
        }

        for (var i = 0; i < down; i++)
        {
            crowd.Add([new(i, -1), new(i, across + 1)], 0);
        }

        return crowd;
    }

    [Fact]
    public void So_many_meetings_are_taken_and_one_row_more_is_not()
    {
        Assert.Equal(Crowd.MostMeetings, 200 * 200);
        Assert.False(Grid(200, 200).IsTooDense());
        Assert.True(Grid(201, 200).IsTooDense());
    }

    /// <summary>Two lines beside each other meet where they lie no farther apart than both are wide together, half and half.</summary>
    [Theory]
    [InlineData(1, 0.99, true)]
    [InlineData(1, 1.01, false)]
    public void Lines_meet_that_lie_nearer_than_they_are_wide(double width, double apart, bool meet)
    {
        var crowd = new Crowd();
        for (var i = 0; i <= Crowd.MostMeetings; i++)
        {
            // Pairs far from each other.
            crowd.Add([new(10.0 * i, 0), new(10.0 * i + 1, 0)], width);
            crowd.Add([new(10.0 * i, apart), new(10.0 * i + 1, apart)], width);
        }

        Assert.Equal(meet, crowd.IsTooDense());
    }

    [Fact]
    public void A_line_does_not_meet_itself_where_it_only_bends()
    {
        var crowd = new Crowd();
        crowd.Add([.. Enumerable.Range(0, 20_000).Select(i => new Coordinate(i * 0.1, Math.Sin(i * 0.01)))], 5);
        Assert.False(crowd.IsTooDense());
    }
}
