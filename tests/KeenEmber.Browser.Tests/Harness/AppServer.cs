using System.Diagnostics;
using System.Net;
using System.Net.Sockets;

namespace KeenEmber.Browser.Tests.Harness;

/// <summary>The published app as a process of its own on a data folder of its own, so that it can be killed and started again.</summary>
public sealed class AppServer : IDisposable
{
    private readonly string folder = Directory.CreateTempSubdirectory("keen-ember-").FullName;
    private readonly DateTimeOffset made = DateTimeOffset.UtcNow.AddMinutes(5);
    private readonly bool demo;
    private readonly (string Name, string Value)[] environment;
    private Process? process;

    /// <param name="environment">Variables the process is started with.</param>
    public AppServer(bool demo = false, params (string Name, string Value)[] environment)
    {
        (this.demo, this.environment) = (demo, environment);
        Address = new($"http://127.0.0.1:{FreePort()}/");
        Http = new(new HttpClientHandler { AllowAutoRedirect = false }) { BaseAddress = Address };
        Start();
    }

    public Uri Address { get; }

    /// <summary>Does not follow redirects.</summary>
    public HttpClient Http { get; }

    /// <summary>What the processor has worked for the app since it was started.</summary>
    public TimeSpan ProcessorTime
    {
        get
        {
            process!.Refresh();
            return process.TotalProcessorTime;
        }
    }

    /// <summary>The most memory the process has ever held, bytes.</summary>
    public long MostMemory => File.ReadLines($"/proc/{process!.Id}/status").Where(l => l.StartsWith("VmHWM:", StringComparison.Ordinal))
        .Select(l =>
            long.Parse(l.Split(' ', StringSplitOptions.RemoveEmptyEntries)[^2], System.Globalization.CultureInfo.InvariantCulture) * 1024)
            .Single();

    /// <summary>Waits until a server that has just started has judged its units beside the pages.</summary>
    public async Task Settle(CancellationToken cancel)
    {
        for (var until = DateTime.UtcNow.AddSeconds(30); DateTime.UtcNow < until;)
        {
            var idle = ProcessorTime;
            await Task.Delay(500, cancel);
            if ((ProcessorTime - idle).TotalMilliseconds < 30)
                break;
        }
    }

    /// <summary>SIGTERM, as a service manager sends it.</summary>
    /// <returns>How long the process took to end.</returns>
    public TimeSpan Terminate()
    {
        var watch = Stopwatch.StartNew();
        using (Process.Start("kill", ["-TERM", process!.Id.ToString(System.Globalization.CultureInfo.InvariantCulture)]))
            process.WaitForExit(TimeSpan.FromSeconds(30));
        return watch.Elapsed;
    }

    public void Start()
    {
        string[] arguments =
            [App, "--data", folder, "--port", Address.Port.ToString(System.Globalization.CultureInfo.InvariantCulture), "--demo", demo
            ? "true" : "false", "--clock", Path.Combine(folder, "clock")];
        var start = new ProcessStartInfo("dotnet", arguments) { RedirectStandardOutput = true };
        foreach (var (name, value) in environment)
            start.Environment[name] = value;
        process = Process.Start(start)!;
        process.OutputDataReceived += (_, _) => { };
        process.BeginOutputReadLine();
        var until = DateTime.UtcNow.AddSeconds(90);
        while (true)
        {
            try
            {
                Http.GetAsync(Address).GetAwaiter().GetResult().EnsureSuccessStatusCode();
                return;
            }
            catch (HttpRequestException) when (DateTime.UtcNow < until && !process.HasExited)
            {
                Thread.Sleep(50);
            }
        }
    }

    /// <summary>Lets the app's clock stand so many minutes after a moment soon after the server was made.</summary>
    public void Later(double minutes) => File.WriteAllText(Path.Combine(folder, "clock"), made.AddMinutes(minutes).ToString("O"));

    /// <summary>SIGKILL: no handler runs, nothing is flushed that was not on the disk.</summary>
    public void Kill()
    {
        process!.Kill();
        process.WaitForExit();
    }

    public void Restart()
    {
        Kill();
        Start();
    }

    public void Dispose()
    {
        if (process is { HasExited: false })
            Kill();
        process?.Dispose();
        Http.Dispose();
        Directory.Delete(folder, recursive: true);
    }

    private static string App
    {
        get
        {
            var place = new DirectoryInfo(AppContext.BaseDirectory);
            while (place is not null && !File.Exists(Path.Combine(place.FullName, "KeenEmber.slnx")))
                place = place.Parent;
            var app = Path.Combine(place!.FullName, "artifacts", "app", "KeenEmber.Web.dll");
            return File.Exists(app) ? app : throw new FileNotFoundException("Publish the app first: ./keen-ember test does.", app);
        }
    }

    public static int FreePort()
    {
        using var listener = new TcpListener(IPAddress.Loopback, 0);
        listener.Start();
        return ((IPEndPoint)listener.LocalEndpoint).Port;
    }
}

/// <summary>One app with the demo data for a whole test class.</summary>
public sealed class DemoApp : IDisposable
{
    public AppServer Server { get; } = new(demo: true);

    public void Dispose() => Server.Dispose();
}
