namespace MossLantern.Web.Hosting;

/// <summary>Where the workshop keeps its file.</summary>
public sealed record WorkshopFolder(string Path)
{
    /// <summary>The folder that was asked for, else the user's data folder by the XDG rule.</summary>
    public static WorkshopFolder From(IConfiguration configuration)
    {
        ArgumentNullException.ThrowIfNull(configuration);
        if (configuration["data"] is { Length: > 0 } asked)
        {
            return new(System.IO.Path.GetFullPath(asked));
        }

        var home = Environment.GetEnvironmentVariable("XDG_DATA_HOME");
        if (string.IsNullOrEmpty(home) || !System.IO.Path.IsPathRooted(home))
        {
            home = System.IO.Path.Combine(Environment.GetFolderPath(Environment.SpecialFolder.UserProfile), ".local", "share");
        }

        return new(System.IO.Path.Combine(home, "moss-lantern", configuration.GetValue<bool>("demo") ? "demo" : "workshop"));
    }
}
