using MossLantern.Core.Curing;

namespace MossLantern.Core.Timeline;

/// <summary>What resin stands in on its way: it warms itself in a cup, and follows the room in a film.</summary>
/// <remarks>Source: docs/craft/curing.md, From vessel to vessel.</remarks>
public abstract record Vessel
{
    private protected Vessel()
    {
    }

    /// <summary>How it gives off heat.</summary>
    /// <param name="model">The resin's cure.</param>
    internal abstract CuringBody Body(CureModel model);
}

/// <summary>A cup or a jug.</summary>
/// <param name="MassG">What is in it, g; above 0.</param>
public sealed record CupVessel(double MassG) : Vessel
{
    internal override CuringBody Body(CureModel model) => CuringBody.Cup(MassG, model.CupLoss);
}

/// <summary>A film on a piece.</summary>
/// <param name="DepthMm">How deep it is, mm; above 0.</param>
public sealed record FilmVessel(double DepthMm) : Vessel
{
    internal override CuringBody Body(CureModel model) => CuringBody.Film(DepthMm);
}

/// <summary>A time in a vessel.</summary>
/// <param name="In">The vessel.</param>
/// <param name="Minutes">How long, min; null for left there.</param>
public sealed record Stay(Vessel In, double? Minutes);
