using OpenQA.Selenium;
using System.Diagnostics;
using System.Net;
using System.Net.Http.Json;
using System.Net.Sockets;

namespace MossLantern.Browser.Tests;

/// <summary>The real program, started from its build on a port and a data folder of its own.</summary>
internal sealed class WorkshopProcess : IDisposable
{
    private readonly bool demo;
    private readonly bool own;
    private readonly int port = FreePort();
    private Process? process;

    /// <param name="demo">Whether it is the demo.</param>
    /// <param name="folder">Its data folder; null for a new one.</param>
    /// <param name="ends">Whether the folder goes when it ends; null where it is its own.</param>
    public WorkshopProcess(bool demo, string? folder = null, bool? ends = null)
    {
        this.demo = demo;
        own = ends ?? folder is null;
        Folder = folder ?? Directory.CreateTempSubdirectory("moss-lantern-").FullName;
        Start();
    }

    public string Folder { get; }

    public Uri Address => new($"http://127.0.0.1:{port}/");

    public HttpClient Client => new() { BaseAddress = Address };

    public static string Root { get; } = FindRoot();

    public void Start()
    {
        process = Process.Start(Begin())!;
        process.BeginOutputReadLine();
        process.BeginErrorReadLine();
        using var client = Client;
        Waiting.Until(() =>
        {
            Assert.False(process.HasExited, "The program ended while it was starting.");
            try
            {
                using var answer = client.GetAsync("api/workshop").GetAwaiter().GetResult();
                return answer.IsSuccessStatusCode;
            }
            catch (HttpRequestException)
            {
                return false;
            }
        }, "the program to answer", TimeSpan.FromSeconds(60));
    }

    /// <summary>Starts it where it must refuse to, and gives the sentence it ends with.</summary>
    public string StartRefused()
    {
        using var refusing = Process.Start(Begin())!;
        var said = refusing.StandardError.ReadToEndAsync();
        refusing.BeginOutputReadLine();
        Assert.True(refusing.WaitForExit(TimeSpan.FromSeconds(60)), "The program started.");
        Assert.NotEqual(0, refusing.ExitCode);
        return said.GetAwaiter().GetResult();
    }

    private ProcessStartInfo Begin()
    {
        var folder = Path.Combine(Root, "src", "MossLantern.Web");
        var start = new ProcessStartInfo("dotnet")
        {
            WorkingDirectory = folder,
            RedirectStandardOutput = true,
            RedirectStandardError = true,
        };
        // A workshop of a test starts often and works little: what profiling learns never pays for itself.
        start.Environment["DOTNET_TieredPGO"] = "0";
        foreach (var argument in (string[])
            [
                Path.Combine(Built(folder), "MossLantern.Web.dll"),
                "--urls", Address.ToString(), "--data", Folder, "--demo", demo ? "true" : "false", "--warm-up", "false",
            ])
        {
            start.ArgumentList.Add(argument);
        }

        return start;
    }

    /// <summary>The program as it is served, compiled ahead, unless it has been built since.</summary>
    private static string Built(string folder)
    {
        var (built, ahead) = (Path.Combine(folder, "bin", "Release", "net10.0"), Path.Combine(folder, "bin", "Release", "ahead"));
        return Directory.Exists(ahead) && Newest(ahead) >= Newest(built) ? ahead : built;

        static DateTime Newest(string of) => Directory.EnumerateFiles(of, "MossLantern.*.dll").Max(File.GetLastWriteTimeUtc);
    }

    public void Kill()
    {
        process?.Kill(entireProcessTree: true);
        process?.WaitForExit();
        process?.Dispose();
        process = null;
    }

    public void Restart()
    {
        Kill();
        Start();
    }

    public void SetZone(string zone)
    {
        using var client = Client;
        client.PutAsJsonAsync("api/workshop", new { timeZone = zone }).GetAwaiter().GetResult().EnsureSuccessStatusCode();
    }

    public void Dispose()
    {
        Kill();
        if (own)
        {
            Directory.Delete(Folder, recursive: true);
        }
    }

    private static int FreePort()
    {
        using var listener = new TcpListener(IPAddress.Loopback, 0);
        listener.Start();
        return ((IPEndPoint)listener.LocalEndpoint).Port;
    }

    private static string FindRoot()
    {
        var folder = new DirectoryInfo(AppContext.BaseDirectory);
        while (folder is not null && !File.Exists(Path.Combine(folder.FullName, "MossLantern.slnx")))
        {
            folder = folder.Parent;
        }

        return folder?.FullName ?? throw new InvalidOperationException("The tests must run from inside the project.");
    }
}

internal static class Waiting
{
    private const int ShortestPauseMs = 30;
    private const int LongestPauseMs = 150;

    /// <summary>Waits for a condition; fails with what was waited for.</summary>
    public static void Until(Func<bool> condition, string what, TimeSpan? atMost = null) => Until(condition, () => what, atMost);

    /// <summary>Waits for a condition; fails with what was waited for, which is only then put into words.</summary>
    public static void Until(Func<bool> condition, Func<string> what, TimeSpan? atMost = null)
    {
        var clock = Stopwatch.StartNew();
        var limit = atMost ?? TimeSpan.FromSeconds(60);
        var pause = ShortestPauseMs;
        while (!Holds(condition))
        {
            if (clock.Elapsed >= limit)
            {
                Assert.Fail($"Waited {limit.TotalSeconds:0} s for {what()}.");
            }

            // The longer it takes, the more seldom it is looked: looking takes time from what is waited for.
            Thread.Sleep(pause);
            pause = Math.Min(LongestPauseMs, pause + pause / 4);
        }
    }

    /// <summary>What goes from the page while it is looked at is looked at again.</summary>
    private static bool Holds(Func<bool> condition)
    {
        try
        {
            return condition();
        }
        catch (StaleElementReferenceException)
        {
            return false;
        }
    }
}
