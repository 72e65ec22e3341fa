using System.Collections.Immutable;
using Microsoft.OpenApi;

namespace MossLantern.Web.Hosting;

/// <summary>An operation of the API: what it is called and does, and with which problems it can answer.</summary>
/// <param name="Method">Its method.</param>
/// <param name="Path">Its path.</param>
/// <param name="Id">Its stable name.</param>
/// <param name="Summary">What it does, in one sentence.</param>
/// <param name="Problems">Statuses of the problems it can answer.</param>
public sealed record Operation(string Method, string Path, string Id, string Summary, ImmutableArray<int> Problems);

/// <summary>Every operation of the API, in the order in which it is told. A test holds it against what the program answers.</summary>
public static class Operations
{
    private const int Refused = 400;
    private const int Missing = 404;
    private const int Elsewhere = 409;
    private const int Unplannable = 422;
    private const int Busy = 503;

    /// <summary>All of them.</summary>
    public static ImmutableArray<Operation> All { get; } =
    [
        Get("/api", "index", "Every operation of the API."),
        Get("/api/pieces", "list-pieces", "The pieces on the shelf."),
        Post("/api/pieces", "add-piece", "Puts a new piece on the shelf, from its name and its ground.", Refused, Unplannable),
        Get("/api/pieces/{id}", "get-piece", "A piece with everything worked out for it, its log and its steps.", Missing, Unplannable),
        Put("/api/pieces/{id}", "save-piece", "Saves a whole document, based on a version; for scripts.", Refused,
            Missing, Elsewhere, Unplannable),
        Delete("/api/pieces/{id}", "take-piece-off", "Takes a piece off the shelf; it is kept aside for 30 days of use.", Missing),
        Post("/api/pieces/{id}/edit", "edit-piece",
            "Makes commands in turn and saves what they give as one step; sent again under the same id it is taken once.", Refused, Missing,
            Elsewhere, Unplannable),
        Post("/api/pieces/{id}/preview", "preview-piece",
            "What commands, or a document, would give: a painting, numbers or both. Nothing is saved.", Refused, Missing, Unplannable),
        Post("/api/pieces/{id}/step", "step-piece", "Steps a piece back or forward along its revisions.", Refused, Missing, Elsewhere),
        Post("/api/pieces/{id}/rework", "pour-over", "A new piece that is poured over a finished one.", Missing, Elsewhere, Unplannable),
        Post("/api/pieces/{id}/copy", "copy-piece", "A copy of a piece under another name, perhaps in other colours.",
            Refused, Missing, Unplannable),
        Put("/api/pieces/{id}/runs/{runId}", "log-pour", "Logs what was poured of a layer, or puts it right.", Refused, Missing, Elsewhere),
        Get("/api/pieces/{id}/painting", "get-painting", "The painting of a piece as a list of paths, mm.", Refused, Missing),
        Get("/api/pieces/{id}/picture.png", "get-picture", "The picture of a piece.", Refused, Missing),
        Get("/api/pieces/{id}/map.svg", "get-map", "The map of a layer as SVG, in real mm.", Missing),
        Get("/api/pieces/{id}/outline.svg", "get-outline", "The outline of a piece as SVG, in real mm.", Missing),
        Get("/api/pieces/{id}/template.pdf", "get-template", "The map of a layer as a paper template, in real mm.", Missing),
        Get("/api/pieces/{id}/sittings/{sitting}/mixing-sheet.pdf", "get-mixing-sheet",
            "Everything that a sitting mixes, on one page for the wall.", Missing),
        Get("/api/pieces/{id}/sittings/{sitting}/mixing-sheet.csv", "get-mixing-table",
            "Everything that a sitting mixes, as a table.", Missing),
        Get("/api/pieces/{id}/sittings/{sitting}/weighing", "get-weighing",
            "What a sitting weighs, in turn, with what has been weighed.", Missing),
        Post("/api/pieces/{id}/sittings/{sitting}/weighing", "weigh-in",
            "Saves what was weighed of a step; sent again under the same id it is taken once.", Refused, Missing),
        Post("/api/pieces/{id}/sittings/{sitting}/weighing/judge", "judge-weight",
            "What is said of a reading: how much is missing, or what has to be added.", Refused, Missing),
        Post("/api/pieces/{id}/sittings/{sitting}/weighing/back", "take-weight-back",
            "Takes back what was weighed last, or everything.", Refused, Missing),
        Get("/api/pieces/{id}/piece.json", "export-piece", "A piece as a file.", Missing),
        Post("/api/pieces/import", "import-piece", "A piece from a file, whole or not at all.", Refused, Unplannable),
        Get("/api/pieces/{id}/versions", "list-versions", "The versions of a piece that were named.", Missing),
        Post("/api/pieces/{id}/versions", "name-version", "Names what a piece shows now.", Refused, Missing, Elsewhere),
        Delete("/api/pieces/{id}/versions/{revision}", "unname-version", "Takes a name away again; what it was of stays.", Missing),
        Post("/api/pieces/{id}/versions/{revision}/take", "take-version",
            "Shows a named version again, as a step that can be undone.", Refused, Missing, Elsewhere),
        Get("/api/aside", "list-aside", "The pieces that are kept aside."),
        Post("/api/aside/{id}/put-back", "put-back", "Puts a piece back on the shelf.", Missing),
        Get("/api/ribbon", "get-ribbon", "The windows of all pieces in the days to come."),
        Post("/api/grounds/edit", "edit-ground", "What commands make of a ground that belongs to no piece yet. Nothing is saved.", Refused),
        Post("/api/grounds/starters", "begin-ground",
            "The layouts to begin with, each painted on a ground that belongs to no piece yet. Nothing is saved.", Refused),
        Post("/api/lines/svg", "read-lines", "The strokes of an SVG drawing, as lines to be laid. Nothing is saved.", Refused),
        Post("/api/outlines/svg", "read-outline", "The outline of an SVG drawing. Nothing is saved.", Refused),
        Get("/api/schemas/piece.json", "get-piece-schema", "The JSON Schema of a piece's file."),
        Get("/api/workshop", "get-workshop", "The workshop: its clock and its settings."),
        Put("/api/workshop", "set-workshop", "Sets the workshop's settings.", Refused),
        Get("/api/formulas", "list-formulas", "Every formula that a number can name."),
        Get("/api/fields", "list-fields", "The range and the usual value of every field."),
        Get("/api/materials", "list-materials", "What is known of materials by class."),
        Get("/api/cupboard/materials", "list-own-materials", "The cupboard's materials, each value with its origin."),
        Put("/api/cupboard/materials/{id}", "save-material", "Saves what a person knows of a material.", Refused, Missing, Elsewhere),
        Get("/api/moulds", "list-moulds", "The library of moulds."),
        Put("/api/moulds/{id}", "save-mould", "Saves a mould in the library.", Refused, Missing, Elsewhere),
        Post("/api/moulds/{id}/uses", "note-mould-use", "Notes what happened to a mould.", Refused, Missing),
        Get("/api/pots", "list-pots", "The pots of paint."),
        Put("/api/pots/{id}", "save-pot", "Saves a pot of paint.", Refused, Missing, Elsewhere),
        Get("/api/sequences", "list-sequences", "The sequences of colours that are saved by name."),
        Post("/api/sequences", "keep-sequence", "Saves the sequence of a layout by a name.", Refused),
        Put("/api/sequences/{id}", "save-sequence", "Saves a sequence.", Refused, Missing, Elsewhere),
        Delete("/api/sequences/{id}", "take-sequence-out", "Takes a sequence out of the cupboard.", Missing),
        Get("/api/recipes", "list-recipes", "The recipes that are saved by name."),
        Post("/api/recipes", "keep-recipe", "Saves a recipe of a piece by its name.", Refused),
        Put("/api/recipes/{id}", "save-recipe", "Saves a recipe.", Refused, Missing, Elsewhere),
        Delete("/api/recipes/{id}", "take-recipe-out", "Takes a recipe out of the cupboard.", Missing),
        Post("/api/recipes/{id}/dosed", "dose-recipe", "A saved recipe, dosed for so much of a resin.", Refused, Missing),
        Post("/api/colours/offered", "offer-colours", "The colours that a cup can be given, each as it will look there.", Refused),
        Post("/api/colours/seen", "see-colour", "How a colour will look where it is poured.", Refused),
        Post("/api/colours/mixtures", "find-mixtures",
            "What to mix for a wanted colour from the colourants at hand, the nearest first.", Refused),
        Get("/api/left-overs", "list-left-overs", "What was made from resin that was left over."),
        Put("/api/left-overs/{id}", "save-left-over", "Puts something on the left-over shelf, or changes it.", Refused, Missing, Elsewhere),
        Delete("/api/cupboard/materials/{kind}/{id}", "take-material-out",
            "Takes a material of one's own out of the cupboard that nothing names.",
            Missing),
        Delete("/api/left-overs/{id}", "take-left-over-out", "Takes something off the left-over shelf.", Missing),
        Get("/api/prices", "get-prices", "What a litre of each way to seal costs."),
        Put("/api/prices", "set-prices", "Sets what a litre costs.", Refused),
        Get("/api/ways", "get-ways", "How the person works, where a piece does not say otherwise."),
        Put("/api/ways", "set-ways", "Sets how the person works.", Refused),
        Get("/api/about", "get-about", "The program, its file and its copies."),
        Post("/api/about/let-steps-go", "let-steps-go", "Lets old steps go, to make the file smaller.", Refused),
        Get("/api/live", "get-live", "What the devices of the bench show now."),
        Get("/api/live/stream", "stream-live", "The same as server-sent events, each time that it changes."),
        Post("/api/live/scale/tare", "tare-scale", "Sets the scale to zero with what is on it."),
        Get("/api/stand-ins/scale", "get-scale-stand-in", "How the stand-in of the scale is steered."),
        Put("/api/stand-ins/scale", "steer-scale-stand-in", "Steers the stand-in of the scale.", Refused),
        Get("/api/stand-ins/level", "get-level-stand-in", "How the stand-in for the level is steered."),
        Put("/api/stand-ins/level", "steer-level-stand-in", "Steers the stand-in for the level.", Refused),
        Reckon("mix", "How much of each part makes a mix."),
        Reckon("mix-correction", "What to add where too much of a part was poured."),
        Reckon("load", "How much colourant a load is, or the load it makes."),
        Reckon("region", "The volume of a region of a depth."),
        Reckon("age", "How far resin has cured by the rooms it stood in, as hours at its reference temperature."),
        Reckon("milestone", "When a stage of the cure is reached."),
        Reckon("cup", "How hot a cup gets that is left standing, and when it gels."),
        Reckon("film", "How long a film stays open, and how warm it gets."),
        Reckon("journey", "What becomes of resin on its way from vessel to vessel: when it flows, holds, sets and gels."),
        Reckon("journey-line", "The same way as a line to draw: temperature and viscosity over time."),
        Reckon("rubber", "Rubber for a mould, by weight."),
        Reckon("paste", "Stones and resin for a line of paste."),
        Reckon("match", "How a second batch of a recipe comes out beside the first."),
        Reckon("reach", "How many an amount that is mixed fills, and what is left or missing."),
        Reckon("joining", "Whether fresh resin may join a batch, and how long the mixture works."),
        Reckon("puddle", "How far pours into one place reach."),
        Reckon("bead", "How long a bead of a wall lasts."),
        Reckon("tape", "How much tape an edge takes."),
        Reckon("level", "How level a surface is."),
        Reckon("stones", "What a bed of stones takes and displaces."),
        Reckon("bubble", "How long a bubble takes to rise."),
        Reckon("colour-difference", "How far apart two colours are."),
        Reckon("casting", "What a casting holds."),
        Reckon("moment", "Reads a moment as people type it."),
        Reckon("quantity", "Reads a quantity with its unit as people type it."),
    ];

    /// <summary>Tells the OpenAPI document of an operation.</summary>
    public static void Describe(OpenApiOperation operation, string method, string path)
    {
        if (All.FirstOrDefault(o => o.Method == method && Told(o.Path) == Told(path)) is not { } known)
        {
            return;
        }

        (operation.OperationId, operation.Summary) = (known.Id, known.Summary);
        foreach (var status in known.Problems)
        {
            operation.Responses ??= [];
            operation.Responses.TryAdd($"{status}", new OpenApiResponse { Description = "Problem details: what was refused, and why." });
        }
    }

    /// <summary>A path as it is told: without what holds its parts.</summary>
    public static string Told(string path) =>
        System.Text.RegularExpressions.Regex.Replace(path, @"\{\**(\w+)(:[^}]*)?\}", "{$1}").TrimEnd('/');

    private static Operation Get(string path, string id, string summary, params ImmutableArray<int> problems) =>
        new("GET", path, id, summary, problems);

    private static Operation Post(string path, string id, string summary, params ImmutableArray<int> problems) =>
        new("POST", path, id, summary, [.. problems, Busy]);

    private static Operation Put(string path, string id, string summary, params ImmutableArray<int> problems) =>
        new("PUT", path, id, summary, [.. problems, Busy]);

    private static Operation Delete(string path, string id, string summary, params ImmutableArray<int> problems) =>
        new("DELETE", path, id, summary, [.. problems, Busy]);

    private static Operation Reckon(string sum, string summary) => new("POST", $"/api/reckon/{sum}", $"reckon-{sum}", summary, [Refused]);
}
