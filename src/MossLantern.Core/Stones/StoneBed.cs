namespace MossLantern.Core.Stones;

/// <summary>A bed of stones filled to its top with resin.</summary>
/// <param name="BulkMl">Volume of the bed, ml.</param>
/// <param name="Grams">Mass of the stones, g.</param>
/// <param name="SolidMl">Resin that the stones displace, ml: their mass by their solid density.</param>
/// <param name="VoidMl">Resin that fills what is between them, ml: the bed by what is not solid of it.</param>
/// <remarks>Source: docs/craft/stones.md, Beds.</remarks>
public sealed record StoneBed(double BulkMl, double Grams, double SolidMl, double VoidMl)
{
    /// <summary>Works out a bed. A depth or an area of 0 is no bed; a stone of no density displaces without end;
    /// not-a-number stays one. Nothing is thrown.</summary>
    /// <param name="areaMm2">Area, mm².</param>
    /// <param name="depthMm">Depth, mm.</param>
    /// <param name="bulkDensity">Density of the heap, g/ml.</param>
    /// <param name="solidDensity">Density of the stone, g/ml.</param>
    /// <param name="solidsShare">Share of the heap that is stone.</param>
    /// <param name="coverShare">Share of the area that is covered.</param>
    public static StoneBed Of(
        double areaMm2, double depthMm, double bulkDensity, double solidDensity, double solidsShare, double coverShare = 1)
    {
        var bulk = areaMm2 * depthMm / 1000 * coverShare;
        return new(bulk, bulk * bulkDensity, Displacement.Ml(bulk * bulkDensity, solidDensity), bulk * (1 - solidsShare));
    }
}

/// <summary>What stones below the level of the resin displace.</summary>
/// <remarks>Source: docs/craft/stones.md, Displacement.</remarks>
public static class Displacement
{
    /// <summary>Displaced resin, ml; 0 for no stones, without end for a stone of no density. Nothing is thrown.</summary>
    /// <param name="grams">Mass below the level, g.</param>
    /// <param name="solidDensity">Density of the stone, g/ml.</param>
    public static double Ml(double grams, double solidDensity) => grams / solidDensity;
}
