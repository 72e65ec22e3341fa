namespace MossLantern.Core.Documents;

/// <summary>Something that is cast of mould rubber for a piece: a rim that the resin is poured in, or an insert.</summary>
/// <param name="Id">Stable id.</param>
/// <param name="InsertId">The insert of the mould that it is; null for a rim all round.</param>
/// <param name="WidthMm">How wide a rim is at its foot, mm; of an insert its outline says it.</param>
/// <param name="HeightMm">How high it is cast, mm.</param>
/// <param name="FaceDeg">How far the side that resin meets leans away from it, degrees; below zero it leans over it.</param>
/// <param name="BackDeg">How far the other side of a rim leans in, degrees.</param>
/// <param name="CrystalsG">Crystals that are pressed into it, g; null for none.</param>
/// <remarks>Source: docs/craft/walls.md, Rubber.</remarks>
public sealed record RubberCast(
    string Id, string? InsertId = null, double WidthMm = 10, double HeightMm = 15, double FaceDeg = 5, double BackDeg = 5,
    double? CrystalsG = null)
{
    /// <summary>Most of a piece.</summary>
    public const int Most = 8;
}
