using System.Collections.Immutable;
using System.Globalization;
using System.Text.Json;
using Microsoft.AspNetCore.Http.HttpResults;
using MossLantern.Core.Documents;
using MossLantern.Core.Grounds;
using MossLantern.Core.Materials;
using MossLantern.Core.Units;
using MossLantern.Data;
using MossLantern.Web.Hosting;
using MossLantern.Web.Reckoner;
using NodaTime;
using NodaTime.Text;

namespace MossLantern.Web.Endpoints;

/// <summary>The workshop itself; hours are told to 24, or to 12.</summary>
public sealed record WorkshopView(string TimeZone, Moment Now, bool Demo, ImmutableArray<string> TimeZones, int Hours);

/// <summary>A change of the workshop's settings; what is left out stays.</summary>
public sealed record WorkshopChange(string? TimeZone = null, int? Hours = null);

/// <summary>The program and what it keeps: how many steps there are, and how many of them are older than a day and may go.</summary>
public sealed record AboutView(string Version, string DataFolder, long FileBytes, int Steps, int OldSteps, LocalDate Before);

/// <summary>Asks that steps older than a day go.</summary>
public sealed record LetStepsGo(LocalDate Before);

/// <summary>What number fields take, by place, and what counts where one is left empty: by place for a piece, by name
/// for the reckoner.</summary>
public sealed record FieldsView(ImmutableSortedDictionary<string, AcceptedRange> Ranges,
    ImmutableSortedDictionary<string, int> Most, IReadOnlyDictionary<string, double> Usual, ImmutableArray<BaseMaterial> Unpainted);

/// <summary>Endpoints of the workshop: settings, materials, formulas, the ribbon.</summary>
internal static class WorkshopEndpoints
{
    private static readonly ImmutableArray<string> Zones = [.. DateTimeZoneProviders.Tzdb.Ids];

    public static void MapWorkshop(this IEndpointRouteBuilder app)
    {
        var api = app.MapGroup("/api");
        api.MapGet("", () => Operations.All);
        api.MapPut("/workshop", Results<Ok<WorkshopView>,
            ProblemHttpResult> (WorkshopChange change, SettingStore settings, WorkshopTime time) =>
        {
            if (change is { TimeZone: null, Hours: null } || (change.TimeZone is { } named && !Zones.Contains(named)))
            {
                return ProblemHandler.Invalid(
                    new() { ["timeZone"] = ["The time zone must be one of the listed names, such as Europe/Dublin."] });
            }

            if (change.Hours is not (null or 12 or 24))
            {
                return ProblemHandler.Invalid(new() { ["hours"] = ["Hours must be 12 or 24."] });
            }

            if (change.TimeZone is { } id)
            {
                settings.Set(SettingStore.TimeZone, id);
            }

            if (change.Hours is { } hours)
            {
                settings.Set(SettingStore.Hours, hours.ToString(CultureInfo.InvariantCulture));
            }

            return TypedResults.Ok(View(settings, time));
        });
        api.MapGet("/formulas", () => Formulas.All);
        api.MapGet("/prices", (PriceList prices) => prices.Now);
        api.MapPut("/prices", Results<Ok<Prices>, ProblemHttpResult> (Prices change, PriceList prices, WorkshopSurroundings around) =>
        {
            if (PriceList.Problems(change, around.Catalogue) is { Count: > 0 } problems)
            {
                return ProblemHandler.Invalid(problems);
            }

            prices.Now = change;
            return TypedResults.Ok(change);
        });
        api.MapGet("/ways", (WayList ways) => ways.Now);
        api.MapPut("/ways", Results<Ok<Habits>, ProblemHttpResult> (Habits change, WayList ways) =>
        {
            if (WayList.Problems(change) is { Count: > 0 } problems)
            {
                return ProblemHandler.Invalid(problems);
            }

            ways.Now = change;
            return TypedResults.Ok(change);
        });
        api.MapGet("/about", Results<Ok<AboutView>,
            ProblemHttpResult> (string? before, WorkshopDatabase database, PieceStore pieces, WorkshopTime time) =>
        {
            var day = before is null ? time.Local(time.Now).Local.Date.PlusDays(-StepsKeptDays)
                : LocalDatePattern.Iso.Parse(before).TryGetValue(LocalDate.MinIsoValue, out var read) ? read : LocalDate.MinIsoValue;
            return Problem(day, time) is { } problem ? problem : TypedResults.Ok(About(day, database, pieces, time));
        });
        api.MapPost("/about/let-steps-go", Results<Ok<AboutView>,
            ProblemHttpResult> (LetStepsGo request, WorkshopDatabase database, PieceStore pieces, WorkshopTime time) =>
        {
            if (Problem(request.Before, time) is { } problem)
            {
                return problem;
            }

            pieces.LetGo(time.Zone.AtStartOfDay(request.Before).ToInstant(), time.Now);
            return TypedResults.Ok(About(request.Before, database, pieces, time));
        });
    }

    /// <summary>Steps that are proposed to stay, days.</summary>
    private const int StepsKeptDays = 90;

    private static ProblemHttpResult? Problem(LocalDate before, WorkshopTime time) =>
        Core.Units.Accepted.Years.Contains(before.Year) && before <= time.Local(time.Now).Local.Date
            ? null
            : ProblemHandler.Invalid(new() { ["before"] = ["The day must be from 1970 to today."] });

    private static AboutView About(LocalDate before, WorkshopDatabase database, PieceStore pieces, WorkshopTime time)
    {
        var (all, old) = pieces.StepsBefore(time.Zone.AtStartOfDay(before).ToInstant());
        return new(
            typeof(WorkshopEndpoints).Assembly.GetName().Version?.ToString(3) ?? "",
            Path.GetDirectoryName(database.Path) ?? "", database.SizeBytes, all, old, before);
    }

    public static WorkshopView View(SettingStore settings, WorkshopTime time) =>
        new(time.Zone.Id, time.Local(time.Now), settings.Find(SettingStore.Demo) is not null, Zones, time.Hours);
}
