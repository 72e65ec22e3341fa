namespace MossLantern.Core.Map;

/// <summary>Where a front from the rim starts.</summary>
internal static class HeldRim
{
    /// <summary>Holds what lies within two cells of the rim, by exact distance, and all that lies outside: at a start
    /// of its own, or below nothing.</summary>
    public static void Hold(OutlineCover cover, float[] slowness, float[] fromRim, bool[] held, Func<int, float>? start)
    {
        Array.Fill(fromRim, Eikonal.Far);
        var depths = cover.RimDepths;
        var near = (float)(2 * cover.Grid.SpacingMm);
        for (var node = 0; node < depths.Length; node++)
        {
            var depth = depths[node];
            if (depth <= near)
            {
                held[node] = true;
                fromRim[node] = start is null ? depth * slowness[node] : start(node) + Math.Max(0, depth) * slowness[node];
            }
        }
    }
}
