using System.Collections.Immutable;
using MossLantern.Core.Units;

namespace MossLantern.Core.Grounds;

/// <summary>The measures of the ground.</summary>
/// <param name="WidthMm">Width of the box round all that is seen, mm.</param>
/// <param name="HeightMm">Height of that box, mm.</param>
/// <param name="Area">Area, cm²; of all panels where it is several.</param>
/// <param name="Perimeter">Perimeter, mm; of all panels.</param>
/// <param name="SideArea">Area of the sides, cm²; of all panels.</param>
/// <param name="Standing">How it stands; each panel by itself.</param>
/// <param name="Preparation">What has to be done before resin comes.</param>
/// <param name="SealWays">Ways to seal it; none where nothing is to be sealed.</param>
/// <param name="PaintZones">The paint for each zone of a painted map; none where the ground is of one colour.</param>
/// <param name="Parts">The parts of a drawn outline, such as letters, from left to right; none for other outlines.</param>
/// <param name="Mould">The mould of a casting; null for anything else.</param>
/// <param name="Beneath">The layers of older work in the cut, lowest first; none over a new ground.</param>
/// <param name="SpanWidthMm">How wide it really is, mm: a slice's curve seldom reaches its box.</param>
/// <param name="SpanHeightMm">How high it really is, mm.</param>
/// <param name="Panels">How the other panels of a set stand; null for a single one.</param>
public sealed record GroundPlan(
    double WidthMm, double HeightMm, Reckoned Area, Reckoned Perimeter, Reckoned SideArea, Standing Standing,
    ImmutableArray<PreparationStep> Preparation,
    ImmutableArray<SealWay> SealWays, ImmutableArray<PaintZone> PaintZones, ImmutableArray<CavityPlan> Parts, MouldPlan? Mould,
    ImmutableArray<StratumBeneath> Beneath, double SpanWidthMm = 0, double SpanHeightMm = 0,
    ImmutableArray<PanelStanding>? Panels = null)
{
    /// <summary>What holds to its edge: a mould, a frame, a dam all round, hollows.</summary>
    public ImmutableArray<EdgeHold> Edges { get; init; } = [];
}

/// <summary>How another panel of a set stands.</summary>
/// <param name="Panel">Which, from 2.</param>
/// <param name="Standing">How it stands.</param>
public sealed record PanelStanding(int Panel, Standing Standing);

/// <summary>A layer of older work in the cut.</summary>
/// <param name="Name">Its name.</param>
/// <param name="DepthMm">Its depth, mm.</param>
/// <param name="Spans">What the cut passes, from left to right.</param>
public sealed record StratumBeneath(string Name, double DepthMm, ImmutableArray<SpanBeneath> Spans);

/// <summary>A stretch of a layer of older work.</summary>
/// <param name="FromMm">Left end, mm from the left of the new outline.</param>
/// <param name="ToMm">Right end, mm.</param>
/// <param name="Colour">Its colour, as <c>#rrggbb</c>; null for clear resin.</param>
public sealed record SpanBeneath(double FromMm, double ToMm, string? Colour);

/// <summary>One part of a drawn outline.</summary>
/// <param name="Area">Its area, cm².</param>
/// <param name="Perimeter">Length of its edges, mm.</param>
/// <param name="LayerDepthMm">How deep each layer is in it, mm, lowest first.</param>
/// <param name="LayerMl">What each layer takes in it, ml, lowest first; of all panels or pieces that are poured at once.</param>
public sealed record CavityPlan(Reckoned Area, Reckoned Perimeter, ImmutableArray<double> LayerDepthMm, ImmutableArray<Reckoned> LayerMl);
