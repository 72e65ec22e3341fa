using MossLantern.Core.Shapes;

namespace MossLantern.Core.Tests;

/// <summary>What is kept between the steps of a drag.</summary>
public sealed class RecentTests
{
    private readonly Recent<int, string> kept = new(3);
    private int made;

    [Fact]
    public void What_is_asked_for_again_is_not_made_again()
    {
        Assert.Equal(Ask(1), Ask(1));
        Assert.Equal(1, made);
    }

    [Fact]
    public void What_was_not_asked_for_the_longest_goes_first()
    {
        foreach (var key in new[] { 1, 2, 3, 1, 4 })
        {
            Ask(key);
        }

        Assert.Equal(4, made);
        Ask(1);
        Assert.Equal(4, made);
        Ask(2);
        Assert.Equal(5, made);
    }

    [Fact]
    public void Many_threads_may_ask_at_once()
    {
        Parallel.For(0, 2000, i => Assert.StartsWith($"{i % 7}:", Ask(i % 7)));
    }

    private string Ask(int key) => kept.Of(key, () => $"{key}:{Interlocked.Increment(ref made)}");
}
