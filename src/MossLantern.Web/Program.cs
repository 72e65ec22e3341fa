using System.Reflection;
using FluentValidation;
using Microsoft.AspNetCore.Http.Json;
using MossLantern.Core.Documents;
using MossLantern.Core.Map;
using MossLantern.Core.Planning;
using MossLantern.Core.Shapes;
using MossLantern.Data;
using MossLantern.Formats;
using MossLantern.Web.Demo;
using MossLantern.Web.Endpoints;
using MossLantern.Web.Hosting;
using MossLantern.Web.StandIns;
using NodaTime;
using Serilog;

// The document generator runs this program at build; it must not touch a database.
var generatingDocument = Assembly.GetEntryAssembly()?.GetName().Name == "GetDocument.Insider";

var builder = WebApplication.CreateBuilder(args);
builder.Configuration.AddCommandLine(args, StartOptions.Switches);
builder.Host.UseSerilog((context, log) => log.ReadFrom.Configuration(context.Configuration).WriteTo.Console());
builder.WebHost.ConfigureKestrel(kestrel =>
{
    kestrel.AddServerHeader = false;
    kestrel.Limits.MaxRequestBodySize = 2 * 1024 * 1024;
});
// After all others, so that no other is laid over it.
builder.Services.PostConfigure<JsonOptions>(json => WorkshopJson.Apply(json.SerializerOptions, described: generatingDocument));
builder.Services.Configure<RouteHandlerOptions>(routes => routes.ThrowOnBadRequest = true);
builder.Services.AddProblemDetails();
builder.Services.AddExceptionHandler<ProblemHandler>();
builder.Services.AddOpenApi("v1", OpenApiShape.Configure);

builder.Services.AddSingleton<KnownOutlines>();
builder.Services.AddSingleton<WorkshopCupboard>();
builder.Services.AddSingleton<LayerMapper>();
builder.Services.AddSingleton<PiecePlanner>();
builder.Services.AddSingleton<IValidator<Piece>, PieceValidator>();
builder.Services.AddSingleton<IClock>(SystemClock.Instance);
builder.Services.AddSingleton(services => WorkshopDatabase.Open(
    services.GetRequiredService<WorkshopFolder>().Path, services.GetRequiredService<IClock>().GetCurrentInstant()));
builder.Services.AddSingleton<PieceStore>();
builder.Services.AddSingleton<RunStore>();
builder.Services.AddSingleton<SettingStore>();
builder.Services.AddSingleton<PriceList>();
builder.Services.AddSingleton<WayList>();
builder.Services.AddSingleton<MouldStore>();
builder.Services.AddSingleton<PotStore>();
builder.Services.AddSingleton<SequenceStore>();
builder.Services.AddSingleton<RecipeStore>();
builder.Services.AddSingleton<LeftOverStore>();
builder.Services.AddSingleton<MaterialStore>();
builder.Services.AddSingleton<WorkshopSurroundings>();
builder.Services.AddSingleton<MouldLibrary>();
builder.Services.AddSingleton<WeighingStore>();
builder.Services.AddSingleton<Scales>();
builder.Services.AddSingleton<ScaleStandIn>();
builder.Services.AddSingleton<IScale>(services => services.GetRequiredService<ScaleStandIn>());
builder.Services.AddSingleton<LevelStandIn>();
builder.Services.AddSingleton<ILevel>(services => services.GetRequiredService<LevelStandIn>());
builder.Services.AddSingleton<WorkshopTime>();
builder.Services.AddSingleton<KeptPlanStore>();
builder.Services.AddSingleton<KeptPlans>();
builder.Services.AddSingleton<Overview>();
builder.Services.AddSingleton<KeptPictures>();
builder.Services.AddSingleton<Workbench>();
builder.Services.AddSingleton<DemoWorkshop>();
builder.Services.AddSingleton(TimeProvider.System);
builder.Services.AddSingleton<Lull>();
builder.Services.AddHostedService<WarmUp>();
builder.Services.AddHostedService<Renewal>();
builder.Services.AddSingleton(services => StartOptions.From(services.GetRequiredService<IConfiguration>()));
builder.Services.AddSingleton(services => WorkshopFolder.From(services.GetRequiredService<StartOptions>()));
builder.Services.AddSingleton(services => FolderLock.Take(
    services.GetRequiredService<WorkshopFolder>().Path,
    services.GetRequiredService<IConfiguration>()["urls"] is { Length: > 0 } at ? $"serving {at}" : ""));

var app = builder.Build();
app.UseMiddleware<Lull.Watch>();
app.UseExceptionHandler();
app.UseMiddleware<HouseGuard>();
app.UseMiddleware<EffortLimit>();
app.UseStatusCodePages();
app.UseDefaultFiles();
app.UseStaticFiles(StaticAssets.Options);

// The page comes first, then what the shelf asks for, then everything else: that takes longest to be made and waits for a lull.
app.MapWhen(context => ShelfEndpoints.IsAsked(context.Request), shelf => shelf.UseRouting().UseEndpoints(routes =>
    routes.MapGroup("").AddEndpointFilter<WrittenWhole>().MapShelf()));
app.UseRouting();
app.MapOpenApi();
var answers = app.MapGroup("").AddEndpointFilter<WrittenWhole>();
answers.MapWorkshop();
answers.MapPieces();
answers.MapSharing();
answers.MapVersions();
answers.MapRuns();
answers.MapReckon();
answers.MapGrounds();
answers.MapMaterials();
answers.MapMoulds();
answers.MapPots();
answers.MapSequences();
answers.MapRecipes();
answers.MapColours();
answers.MapLeftOvers();
answers.MapWeighing();
answers.MapStandIns();
app.MapFallbackToPage();

if (!generatingDocument)
{
    try
    {
        // Before any file is touched: one program at a time works in a folder.
        _ = app.Services.GetRequiredService<FolderLock>();
        var asked = app.Services.GetRequiredService<StartOptions>();
        var folder = app.Services.GetRequiredService<WorkshopFolder>().Path;
        var now = app.Services.GetRequiredService<IClock>().GetCurrentInstant();
        if (asked.Restore is { } copy)
        {
            var replaced = WorkshopDatabase.Restore(folder, copy, now);
            app.Logger
                .LogInformation("{Copy} was brought back{Kept}", copy, replaced is null ? "" : $"; what it replaces is kept as {replaced}");
        }

        // Opened before the first request, so that a file that cannot be used stops the start with a sentence.
        if (asked.Fresh)
        {
            DemoWorkshop.SetAside(folder, now);
        }

        var database = app.Services.GetRequiredService<WorkshopDatabase>();
        if (asked.Demo)
        {
            app.Services.GetRequiredService<DemoWorkshop>().SeedWhenEmpty();
        }

        app.Services.GetRequiredService<PieceStore>().Forget(now, Overview.DaysAside);

        app.Logger.LogInformation("The workshop is kept in {Path}", database.Path);
        if (asked.WarmUp)
        {
            // Beside the rest of the start: once looked at, the shelf is there as soon as it is asked for.
            _ = Task.Run(() => ShelfEndpoints.LookOver(app.Services));
        }
    }
    catch (WorkshopFileException e)
    {
        await Console.Error.WriteLineAsync(e.Message);
        return 1;
    }
}

await app.RunAsync();
return 0;

/// <summary>The program, named for the test host.</summary>
public partial class Program;
