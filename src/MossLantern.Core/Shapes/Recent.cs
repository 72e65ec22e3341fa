namespace MossLantern.Core.Shapes;

/// <summary>
/// What was asked for last, up to so much of it. What a drag leaves as it is stays; what it gave a while ago goes, so
/// that little has to be looked after. Safe to share between threads.
/// </summary>
/// <param name="most">How many values are kept.</param>
internal sealed class Recent<TKey, TValue>(int most)
    where TKey : notnull
{
    private readonly Lock turn = new();
    private readonly Dictionary<TKey, LinkedListNode<(TKey Key, TValue Value)>> places = [];
    private readonly LinkedList<(TKey Key, TValue Value)> order = [];

    /// <summary>The value of a key, made if it is not at hand; two threads may make the same one.</summary>
    public TValue Of(TKey key, Func<TValue> make)
    {
        lock (turn)
        {
            if (places.TryGetValue(key, out var known))
            {
                order.Remove(known);
                order.AddFirst(known);
                return known.Value.Value;
            }
        }

        var value = make();
        lock (turn)
        {
            if (!places.ContainsKey(key))
            {
                places[key] = order.AddFirst((key, value));
                if (order.Count > most)
                {
                    places.Remove(order.Last!.Value.Key);
                    order.RemoveLast();
                }
            }
        }

        return value;
    }
}
