using Microsoft.AspNetCore.Http.HttpResults;
using MossLantern.Core.Units;
using MossLantern.Web.Hosting;
using MossLantern.Web.Reckoner;
using NodaTime;

namespace MossLantern.Web.Endpoints;

/// <summary>A quantity as it was typed.</summary>
public sealed record TypedQuantity(string? Text = null, QuantityKind? Kind = null);

/// <summary>A moment as it was typed.</summary>
public sealed record TypedMoment(string? Text = null);

/// <summary>A moment as it was read, on the workshop's wall clock, to the minute.</summary>
public sealed record MomentRead(LocalDateTime Local);

/// <summary>Sums on their own, for the bench and for scripts.</summary>
internal static class ReckonEndpoints
{
    public static void MapReckon(this IEndpointRouteBuilder app)
    {
        var api = app.MapGroup("/api/reckon");
        api.MapPost("/mix", (MixSum sum) => Reckoning.Mix(sum));
        api.MapPost("/mix-correction", (MixCorrectionSum sum) => Reckoning.MixCorrection(sum));
        api.MapPost("/load", (LoadSum sum, WorkshopSurroundings around) => Reckoning.Load(sum, around.Catalogue));
        api.MapPost("/region", (RegionSum sum) => Reckoning.Region(sum));
        api.MapPost("/age", (AgeSum sum) => Reckoning.Age(sum));
        api.MapPost("/milestone", (MilestoneSum sum) => Reckoning.Milestone(sum));
        api.MapPost("/cup", (CupSum sum) => Reckoning.Cup(sum));
        api.MapPost("/film", (FilmSum sum) => Reckoning.Film(sum));
        api.MapPost("/journey", (JourneySum sum) => Reckoning.Journey(sum));
        api.MapPost("/journey-line", (JourneySum sum) => Reckoning.JourneyLine(sum));
        api.MapPost("/reach", (ReachSum sum) => Reckoning.Reach(sum));
        api.MapPost("/rubber", (RubberSum sum, WorkshopSurroundings around) => Reckoning.Rubber(sum, around.Catalogue));
        api.MapPost("/paste", (PasteSum sum) => Reckoning.Paste(sum));
        api.MapPost("/match", (MatchSum sum, WorkshopSurroundings around) => Reckoning.Match(sum, around.Catalogue));
        api.MapPost("/joining", (JoiningSum sum) => Reckoning.Joining(sum));
        api.MapPost("/puddle", (PuddleSum sum) => Reckoning.Puddle(sum));
        api.MapPost("/bead", (BeadSum sum) => Reckoning.Bead(sum));
        api.MapPost("/tape", (TapeSum sum) => Reckoning.Tape(sum));
        api.MapPost("/level", (LevelSum sum) => Reckoning.Level(sum));
        api.MapPost("/stones", (StonesSum sum) => Reckoning.Stones(sum));
        api.MapPost("/bubble", (BubbleSum sum) => Reckoning.Bubble(sum));
        api.MapPost("/colour-difference", (ColourSum sum) => Reckoning.ColourDifference(sum));
        api.MapPost("/casting", (CastingSum sum) => Reckoning.Casting(sum));
        api.MapPost("/moment", Results<Ok<MomentRead>, ProblemHttpResult> (TypedMoment request, WorkshopTime time) =>
            request.Text is { } text && MomentText.Read(text, time.Local(time.Now).Local, time.Hours == 12) is { } read
                ? TypedResults.Ok(new MomentRead(read))
                : ProblemHandler.Invalid(new() { ["text"] = [MomentText.Sentence] }));
        api.MapPost("/quantity", Results<Ok<QuantityRead>, ProblemHttpResult> (TypedQuantity request) =>
        {
            if (request.Kind is not { } kind)
            {
                return ProblemHandler.Invalid(new() { ["kind"] = [ReckonerFields.Sentence("kind")!] });
            }

            return request.Text is { } text && QuantityText.Read(text, kind) is { } read
                ? TypedResults.Ok(read)
                : ProblemHandler.Invalid(new() { ["text"] = [QuantityText.Sentence(kind)] });
        });
    }
}
