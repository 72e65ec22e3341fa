using System.Collections.Immutable;
using MossLantern.Core.Documents;
using MossLantern.Core.Materials;
using MossLantern.Core.Mixing;
using MossLantern.Core.Pouring;
using MossLantern.Core.Timeline;
using MossLantern.Core.Walls;

namespace MossLantern.Core.Plans;

/// <summary>What a mixed cup takes from another, on a sheet.</summary>
/// <param name="Name">The other cup's name.</param>
/// <param name="Ml">How much, ml.</param>
public sealed record SheetDraw(string Name, double Ml);

/// <summary>A cup on a sheet.</summary>
/// <param name="Name">Its name.</param>
/// <param name="Colour">Its colour at full cover, as <c>#rrggbb</c>; null for clear resin.</param>
/// <param name="Ml">What is in it, ml.</param>
/// <param name="G">The same, g.</param>
/// <param name="Doses">What is stirred into it, in turn.</param>
/// <param name="InHandMinutes">What it has in hand when it has been poured, min; null for a cup that is filled from others.</param>
/// <param name="Draws">What it is filled from; empty for one that is mixed by itself or poured off a jug.</param>
public sealed record SheetCup(
    string Name, string? Colour, double Ml, double G, ImmutableArray<CupDose> Doses, double? InHandMinutes,
    ImmutableArray<SheetDraw> Draws);

/// <summary>A batch on a sheet.</summary>
/// <param name="Number">Which, from 1.</param>
/// <param name="Alone">Whether it is mixed in the cup that it is for.</param>
/// <param name="MixMl">What is mixed, ml.</param>
/// <param name="ResinMl">Resin, ml.</param>
/// <param name="ResinG">Resin, g.</param>
/// <param name="HardenerMl">Hardener, ml.</param>
/// <param name="HardenerG">Hardener, g.</param>
/// <param name="StartMinutes">When it is begun, min after the first.</param>
/// <param name="LatestMinutes">When it has to be begun, min after the first; null for the first.</param>
/// <param name="GelMinutes">When it gels where it is left standing, min.</param>
/// <param name="PeakC">How hot it becomes then, °C.</param>
/// <param name="Cups">Its cups, the first to be poured first.</param>
public sealed record SheetBatch(
    int Number, bool Alone, double MixMl, double ResinMl, double ResinG, double HardenerMl, double HardenerG,
    double StartMinutes, double? LatestMinutes,
    double? GelMinutes, double PeakC, ImmutableArray<SheetCup> Cups);

/// <summary>What is laid for a sitting: a wall, a line or granules of a paste, or a run of tape.</summary>
/// <param name="What">What it is.</param>
/// <param name="Name">Where it runs, or of what.</param>
/// <param name="LengthMm">How long it is, mm; null for granules.</param>
/// <param name="WidthMm">How wide tape is, mm; null for all else.</param>
/// <param name="Ml">What it takes, ml; null where that is not known.</param>
/// <param name="G">Its mass, g; null for what is not weighed.</param>
/// <param name="Tubes">Tubes that it takes; null for what comes from none.</param>
public sealed record SheetLaid(string What, string Name, double? LengthMm, double? WidthMm, double? Ml, double? G, double? Tubes);

/// <summary>Everything that is mixed in a sitting, in working order: a page for the wall.</summary>
/// <param name="Piece">The piece's name.</param>
/// <param name="Sitting">The sitting's name.</param>
/// <param name="Resin">The resin's name.</param>
/// <param name="ByWeight">Whether its parts are weighed.</param>
/// <param name="WorkingMinutes">Working time of 100 g in a cup, min.</param>
/// <param name="Batches">Its batches, the first to be mixed first.</param>
/// <param name="ScaleStepG">The step of the scale, g: nothing is told finer.</param>
/// <param name="Laid">What is laid for it: tape, walls and raised lines before it, pastes in it.</param>
/// <remarks>Source: docs/craft/mixing.md, The mixing sheet.</remarks>
public sealed record MixingSheet(string Piece, string Sitting, string Resin, bool ByWeight, double WorkingMinutes,
    ImmutableArray<SheetBatch> Batches, double ScaleStepG, ImmutableArray<SheetLaid> Laid)
{
    /// <summary>The sheet of a sitting.</summary>
    /// <param name="piece">The piece.</param>
    /// <param name="plan">What was worked out for the sitting.</param>
    /// <param name="lines">What was worked out for the piece's lines.</param>
    /// <param name="tape">How its edge is taped; null where it is held otherwise.</param>
    /// <param name="around">What it is worked out in.</param>
    public static MixingSheet Of(
        Piece piece, SittingPlan plan, ImmutableArray<LinePlan> lines, Taping? tape, Surroundings around)
    {
        ArgumentNullException.ThrowIfNull(piece);
        ArgumentNullException.ThrowIfNull(plan);
        ArgumentNullException.ThrowIfNull(around);
        var sitting = piece.Sittings.Single(s => s.Id == plan.SittingId);
        var system = sitting.Resin.From(around.Catalogue);
        var recipes = piece.Recipes.ToDictionary(r => r.Id);
        var mixed = plan.Cups.Cups.Where(c => c.MixMl.Value > 0 && !c.Draws.IsEmpty).ToList();
        return new(
            piece.Name, plan.Name, system.Name, sitting.Measure == Measure.ByWeight, system.WorkingMinutes,
            [
                .. plan.Batches.All.Select((batch, i) => new SheetBatch(
                    i + 1, batch.CupIds.Length == 1, batch.MixMl.Value, batch.Measured.ResinMl.Value,
                    batch.Measured.ResinG.Value, batch.Measured.HardenerMl.Value,
                    batch.Measured.HardenerG.Value, batch.StartMinutes.Value, batch.LatestMinutes?.Value,
                    batch.GelMinutes?.Value, batch.PeakC.Value,
                    [
                        .. batch.CupIds.Select(id => Cup(id, batch)),
                        .. mixed.Where(m => m.Draws.Any(d => d.CupId == batch.CupIds[^1])).Select(m => Cup(m.CupId, batch)),
                    ])),
            ],
            sitting.Tools?.ScaleStepG ?? around.Habits.ScaleStepG,
            [.. LaidFor(piece, plan, lines, tape, around)]);

        SheetCup Cup(string id, BatchPlan batch)
        {
            var (recipe, cup) = (recipes[id], plan.Cups.Cups.Single(c => c.CupId == id));
            var mix = cup.MixIn(batch.Id);
            return new(
                mix is null ? recipe.Name : FormattableString.Invariant($"{recipe.Name}, {mix.Number} of {cup.Mixes.Length}"),
                cup.Colour, (mix?.MixMl ?? cup.MixMl).Value, (mix?.MixG ?? cup.MixG).Value, (mix?.Doses ?? cup.Doses).All,
                batch.Cups.FirstOrDefault(c => c.CupId == id)?.InHandMinutes.Value,
                [.. cup.Draws.Select(d => new SheetDraw(recipes[d.CupId].Name, d.Ml.Value))]);
        }
    }

    private static IEnumerable<SheetLaid> LaidFor(
        Piece piece, SittingPlan plan, ImmutableArray<LinePlan> lines, Taping? tape, Surroundings around)
    {
        foreach (var run in tape?.Each ?? [])
        {
            var what = run.Run switch
            {
                TapeRun.Side => "side tape",
                TapeRun.Dam => "dam tape",
                TapeRun.Back => "tape for the back",
                _ => "tape",
            };
            yield return new(what, "the edge", run.Length.Value, run.WidthMm, null, null, null);
        }

        foreach (var line in lines)
        {
            var of = piece.Lines!.Value.Single(l => l.Id == line.LineId);
            if (line.BeforeId == plan.SittingId)
            {
                yield return new(
                    of.IsBarrier ? of.Course is RoundCourse ? "dam" : "wall" : "raised line", line.Name, line.Length.Value, null,
                    line.Ml?.Value, line.Grams?.Value, line.Tubes?.Value);
            }
            else if (of.Material is PasteLine && plan.Pours.Any(p => p.LayerId == of.LayerId && p.RegionId == of.Region))
            {
                foreach (var granules in line.Granules)
                {
                    yield return new("granules", around.Catalogue.Find(MaterialKind.Stone, granules.StoneId)!.Name, null, null, null,
                        granules.Grams.Value, null);
                }
            }
        }
    }
}
