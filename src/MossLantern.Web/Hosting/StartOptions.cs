namespace MossLantern.Web.Hosting;

/// <summary>What a start was asked for. Only the command line and names of our own are read: a stray variable brings no
/// old copy back.</summary>
/// <param name="Data">The data folder; null for the usual one.</param>
/// <param name="Restore">A copy that is to be brought back; null for none.</param>
/// <param name="Demo">Whether it is the demo workshop.</param>
/// <param name="Fresh">Whether the demo is seeded anew.</param>
/// <param name="WarmUp">Whether a small map is grown after the start, so that the first drag is quick.</param>
public sealed record StartOptions(string? Data, string? Restore, bool Demo, bool Fresh, bool WarmUp)
{
    private const string Section = "MossLantern";

    /// <summary>The switches of the command line.</summary>
    public static Dictionary<string, string> Switches { get; } = new()
    {
        ["--data"] = $"{Section}:Data",
        ["--restore"] = $"{Section}:Restore",
        ["--demo"] = $"{Section}:Demo",
        ["--fresh"] = $"{Section}:Fresh",
        ["--warm-up"] = $"{Section}:WarmUp",
    };

    /// <summary>Reads what was asked for.</summary>
    public static StartOptions From(IConfiguration configuration)
    {
        ArgumentNullException.ThrowIfNull(configuration);
        var section = configuration.GetSection(Section);
        return new(Given(section["Data"]), Given(section["Restore"]), section.GetValue<bool>("Demo"),
            section.GetValue<bool>("Fresh"), section.GetValue("WarmUp", true));
    }

    private static string? Given(string? path) => string.IsNullOrEmpty(path) ? null : Path.GetFullPath(path);
}
