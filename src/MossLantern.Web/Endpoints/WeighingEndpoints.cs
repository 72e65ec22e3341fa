using System.Collections.Immutable;
using Microsoft.AspNetCore.Http.HttpResults;
using MossLantern.Core.Edits;
using MossLantern.Core.Journal;
using MossLantern.Core.Plans;
using MossLantern.Core.Timeline;
using MossLantern.Core.Units;
using MossLantern.Data;
using MossLantern.Web.Hosting;
using MossLantern.Web.StandIns;
using Accepted = MossLantern.Core.Units.Accepted;

namespace MossLantern.Web.Endpoints;

/// <summary>
/// What a sitting weighs, in turn, with what has been weighed; which is next, as many as there are once all are; and whether its resin and
/// hardener are measured in marked cups.
/// </summary>
public sealed record WeighingView(string Piece, string Sitting, bool ByVolume, ImmutableArray<WeighingStep> Steps, int Next,
    bool KeepsJugs, ImmutableArray<UnplannedWeight> Unplanned);

/// <summary>What was weighed of a batch that the plan has no more.</summary>
public sealed record UnplannedWeight(string StepId, string What, double Grams);

/// <summary>What was weighed of a step, under an id that the page made: sent again it is taken once.</summary>
public sealed record WeighIn(Guid Id, string StepId, double Grams);

/// <summary>A reading of a step, to be judged.</summary>
public sealed record JudgeWeight(string StepId, double Grams);

/// <summary>What was weighed last is taken back, or everything. Under an id of its own it is taken once, however often it is
/// sent.</summary>
public sealed record TakeBackWeight(bool Everything, Guid? Id = null);

/// <summary>Endpoints of weighing at the bench.</summary>
internal static class WeighingEndpoints
{
    private const string Path = "/api/pieces/{id}/sittings/{sitting}/weighing";

    public static void MapWeighing(this IEndpointRouteBuilder app)
    {
        app.MapGet(Path, Results<Ok<WeighingView>,
            ProblemHttpResult> (string id, string sitting, Scales scales) => Answer(scales.View(id, sitting)));
        app.MapPost(Path, Results<Ok<WeighingView>, ProblemHttpResult> (string id, string sitting, WeighIn request, Scales scales) =>
        {
            if (scales.Of(id, sitting) is not { } weighing)
            {
                return NoSitting();
            }

            if (Problem(weighing, request.StepId, request.Grams, Accepted.WeighedG) is { } problem)
            {
                return problem;
            }

            scales.Add(id, sitting, request);
            return Answer(scales.View(id, sitting));
        });
        app.MapPost(Path + "/judge", Results<Ok<WeighedJudgement>,
            ProblemHttpResult> (string id, string sitting, JudgeWeight request, Scales scales) =>
            scales.Of(id, sitting) is not { } weighing ? NoSitting()
            : Problem(weighing, request.StepId, request.Grams, Accepted.OnScaleG) is { } problem ? problem
            : TypedResults.Ok(weighing.Judge(request.StepId, request.Grams)!));
        app.MapPost(Path + "/back", Results<Ok<WeighingView>,
            ProblemHttpResult> (string id, string sitting, TakeBackWeight request, Scales scales) =>
        {
            if (scales.Of(id, sitting) is null)
            {
                return NoSitting();
            }

            scales.TakeBack(id, sitting, request);
            return Answer(scales.View(id, sitting));
        });
        app.MapPost("/api/live/scale/tare", (IScale scale) =>
        {
            scale.Tare();
            return TypedResults.NoContent();
        });
        app.MapGet("/api/stand-ins/scale", (ScaleStandIn scale) => scale.Steering);
        app.MapPut("/api/stand-ins/scale", Results<Ok<ScaleSteering>, ProblemHttpResult> (ScaleSteering to, ScaleStandIn scale) =>
        {
            if (ScaleStandIn.Problems(to) is { Count: > 0 } problems)
            {
                return ProblemHandler.Invalid(problems);
            }

            scale.Steering = to;
            return TypedResults.Ok(scale.Steering);
        });
    }

    private static Results<Ok<WeighingView>, ProblemHttpResult> Answer(WeighingView? view) =>
        view is null ? NoSitting() : TypedResults.Ok(view);

    private static ProblemHttpResult? Problem(Weighing weighing, string stepId, double grams, AcceptedRange range)
    {
        var problems = new Dictionary<string, string[]>();
        if (weighing.Steps.All(s => s.Id != stepId))
        {
            problems["stepId"] = ["The sitting no longer weighs that."];
        }

        if (!range.Contains(grams))
        {
            problems["grams"] = [range.Sentence];
        }

        return problems.Count > 0 ? ProblemHandler.Invalid(problems) : null;
    }

    private static ProblemHttpResult NoSitting() => TypedResults.Problem(
        title: "No such sitting", detail: "There is no piece with this id on the shelf, or it has no such sitting.",
        statusCode: StatusCodes.Status404NotFound);
}

/// <summary>What sittings weigh, from the plan and the journal.</summary>
public sealed class Scales(PieceStore pieces, WeighingStore weighed, Workbench workbench, WorkshopSurroundings around, WorkshopTime time)
{
    /// <summary>What a sitting of a piece weighs; null where there is no such sitting.</summary>
    public Weighing? Of(string id, string sittingId) => Found(id, sittingId)?.Weighing;

    /// <summary>The same to be looked at.</summary>
    public WeighingView? View(string id, string sittingId) =>
        Found(id, sittingId) is var (name, sitting, byVolume, weighing)
            ? new(name, sitting, byVolume, weighing.Steps, weighing.Next, weighing.Steps.Any(s => s.WeighedG is not null),
                [.. Unplanned(id, sittingId, weighing)]) : null;

    /// <summary>What was weighed and is planned no more: it stands on the bench all the same.</summary>
    private IEnumerable<UnplannedWeight> Unplanned(string id, string sittingId, Weighing weighing)
    {
        var planned = weighing.Steps.Select(s => s.Id).ToHashSet();
        return weighed.Of(id, sittingId).Where(e => !planned.Contains(e.Of.Step!.Value.ToString())).Select(e => new UnplannedWeight(
            e.Of.Step!.Value.ToString(), e.Of.Step.Value.Words, e.Says.Grams!.Value));
    }

    /// <summary>Writes what was weighed.</summary>
    /// <remarks>From the first weight on the jugs stay as they are: another plan must not take what is in one for what is in
    /// another.</remarks>
    public void Add(string id, string sittingId, WeighIn request)
    {
        if (pieces.Find(id) is { } stored
            && workbench.PlanOf(stored)?.Sittings.FirstOrDefault(s =>
                s.SittingId == sittingId) is { Batches: { Proposed: true, All.IsEmpty: false } batches })
        {
            workbench.Apply(id, new(Guid.NewGuid(), stored.Version,
                [new ArrangeBatches(sittingId, [.. batches.All.Select(b => b.Kept())])]));
        }

        weighed.Add(request.Id.ToString("n"), id, sittingId, StepId.Parse(request.StepId), request.Grams, time.Now);
    }

    /// <summary>Takes back what was weighed last, or everything.</summary>
    public void TakeBack(string id, string sittingId, TakeBackWeight request) =>
        weighed.TakeBack(id, sittingId, request.Everything, time.Now, (request.Id ?? Guid.NewGuid()).ToString("n"));

    private (string Name, string Sitting, bool ByVolume, Weighing Weighing)? Found(string id, string sittingId)
    {
        if (pieces.Find(id) is not { } stored
            || workbench.PlanOf(stored)?.Sittings.FirstOrDefault(s => s.SittingId == sittingId) is not { } plan)
        {
            return null;
        }

        var grams = weighed.Of(id, sittingId).ToDictionary(e => e.Of.Step!.Value.ToString(), e => e.Says.Grams!.Value);
        return (stored.Piece.Name, plan.Name, stored.Piece.Sittings
            .Single(s => s.Id == sittingId).Measure == Core.Documents.Measure.ByVolume, Weighing.Of(stored.Piece, plan, around.Now, grams));
    }
}
