using System.Diagnostics;

namespace MossLantern.Architecture.Tests;

/// <summary>What ./start goes by when it leaves out the build.</summary>
public sealed class StartTests : IDisposable
{
    private readonly string folder = Directory.CreateTempSubdirectory("moss-lantern-start-").FullName;

    public StartTests()
    {
        foreach (var file in (string[])["Directory.Build.props", "src/Core/Piece.cs", "src/Core/bin/Core.dll", "web/src/App.tsx",
            "web/node_modules/a/b.js", "global.json"])
        {
            Write(file, "first");
        }

        Directory.CreateDirectory(Path.Combine(folder, "src/MossLantern.Web/bin/Release/ahead"));
    }

    public void Dispose() => Directory.Delete(folder, true);

    [Theory]
    [InlineData("src/Core/Piece.cs", false)]
    [InlineData("web/src/App.tsx", false)]
    [InlineData("src/Core/New.cs", false)]
    [InlineData("global.json", false)]
    [InlineData("src/Core/bin/Core.dll", true)]
    [InlineData("web/node_modules/a/b.js", true)]
    [InlineData("docs/new.md", true)]
    public void It_builds_again_only_when_what_it_is_built_from_has_changed(string changed, bool holds)
    {
        Assert.False(IsOfNow());
        Run("mark ahead");
        Assert.True(IsOfNow());
        Write(changed, "another, and longer");
        Assert.Equal(holds, IsOfNow());
    }

    private bool IsOfNow() => Run("is_of_now ahead") == 0;

    private void Write(string file, string text)
    {
        var path = Path.Combine(folder, file);
        Directory.CreateDirectory(Path.GetDirectoryName(path)!);
        File.WriteAllText(path, text);
    }

    private int Run(string what)
    {
        using var bash = Process.Start(new ProcessStartInfo("bash",
            ["-c", $"set -euo pipefail; . '{Path.Combine(Root(), "scripts/common.sh")}'; {what}"])
        {
            WorkingDirectory = folder,
        })!;
        bash.WaitForExit();
        return bash.ExitCode;
    }

    private static string Root()
    {
        var at = new DirectoryInfo(AppContext.BaseDirectory);
        while (!File.Exists(Path.Combine(at!.FullName, "global.json")))
        {
            at = at.Parent;
        }

        return at.FullName;
    }
}
