namespace MossLantern.Web.Hosting;

/// <summary>Where the workshop keeps its file.</summary>
public sealed record WorkshopFolder(string Path)
{
    /// <summary>The folder that was asked for, else the user's data folder by the XDG rule.</summary>
    public static WorkshopFolder From(StartOptions asked)
    {
        ArgumentNullException.ThrowIfNull(asked);
        if (asked.Data is { } folder)
        {
            return new(folder);
        }

        var home = Environment.GetEnvironmentVariable("XDG_DATA_HOME");
        if (string.IsNullOrEmpty(home) || !System.IO.Path.IsPathRooted(home))
        {
            home = System.IO.Path.Combine(Environment.GetFolderPath(Environment.SpecialFolder.UserProfile), ".local", "share");
        }

        return new(System.IO.Path.Combine(home, "moss-lantern", asked.Demo ? "demo" : "workshop"));
    }
}
