using MossLantern.Core.Units;

namespace MossLantern.Web.Hosting;

/// <summary>Bounds the work of one request: it ends when nobody waits for it any more, and after some seconds of work
/// in any case.</summary>
public sealed class EffortLimit(RequestDelegate next)
{
    /// <summary>Handles a request.</summary>
    public async Task InvokeAsync(HttpContext context)
    {
        ArgumentNullException.ThrowIfNull(context);

        // The ribbon looks at every piece there is: a long shelf takes long, and must not lose its windows for it.
        using var bound = new WorkBound(context.RequestAborted, counted: context.Request.Path != "/api/ribbon");
        Effort.Until(bound.Token);
        try
        {
            await next(context);
        }
        catch (OperationCanceledException) when (bound.IsOver && !context.RequestAborted.IsCancellationRequested
            && !context.Response.HasStarted)
        {
            await Results.Problem(
                title: "Too much work",
                detail: $"This takes more than {WorkBound.MostWork.TotalSeconds:0} seconds of work, too long on a busy machine, or too "
                    + "much memory, so it was stopped. Nothing was changed. Fewer or simpler parts help.",
                statusCode: StatusCodes.Status422UnprocessableEntity).ExecuteAsync(context);
        }
        catch (OperationCanceledException) when (context.RequestAborted.IsCancellationRequested)
        {
            // Nobody waits for an answer.
        }
    }
}
