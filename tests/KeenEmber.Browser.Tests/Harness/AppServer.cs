using System.Collections.Concurrent;
using System.Diagnostics;
using System.Net;
using System.Net.Sockets;

[assembly: AssemblyFixture(typeof(KeenEmber.Browser.Tests.Harness.DemoApp))]

namespace KeenEmber.Browser.Tests.Harness;

/// <summary>The published app as a process of its own on a data folder of its own, so that it can be killed and started again.</summary>
public sealed class AppServer : IDisposable
{
    private readonly string folder;
    private readonly DateTimeOffset made = DateTimeOffset.UtcNow.AddMinutes(5);
    private readonly bool demo;
    private readonly string[] arguments;
    private readonly (string Name, string Value)[] environment;
    private readonly ConcurrentQueue<string> printed = [];
    private Process? process;

    /// <param name="arguments">More of them on the command line; with a certificate among them it serves over TLS.</param>
    /// <param name="environment">Variables the process is started with.</param>
    /// <param name="folder">Of the record; an empty one of its own where null.</param>
    public AppServer(bool demo = false, string[]? arguments = null, string? folder = null,
        params (string Name, string Value)[] environment)
    {
        this.folder = folder ?? Directory.CreateTempSubdirectory("keen-ember-").FullName;
        (this.demo, this.arguments, this.environment) = (demo, arguments ?? [], environment);
        Address = new($"{(this.arguments.Contains("--certificate") ? "https" : "http")}://127.0.0.1:{FreePort()}/");
        // What its certificate is worth is for the tests of that to ask.
        var handler = new HttpClientHandler { AllowAutoRedirect = false };
        handler.ServerCertificateCustomValidationCallback = HttpClientHandler.DangerousAcceptAnyServerCertificateValidator;
        Http = new(handler) { BaseAddress = Address };
        Start();
    }

    /// <summary>Where the first lead makes an account, as it was printed.</summary>
    public Uri FirstInvitation =>
        new(Enumerable.Range(0, 100).Select(_ =>
        {
            var line = printed.LastOrDefault(l => l.Contains("/welcome/", StringComparison.Ordinal));
            if (line is null)
                Thread.Sleep(50);
            return line;
        }).First(l => l is not null)!.Split(' ')[^1]);

    public Uri Address { get; }

    /// <summary>Does not follow redirects.</summary>
    public HttpClient Http { get; }

    internal int ProcessId => process!.Id;

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
        string[] where = Address.Scheme == "https" ? ["--listen", $"0.0.0.0:{Address.Port}"] : ["--port", $"{Address.Port}"];
        var start = new ProcessStartInfo("dotnet", [App, "--data", folder, .. where, "--demo", demo ? "true" : "false",
            "--clock", Path.Combine(folder, "clock"), .. arguments]) { RedirectStandardOutput = true };
        foreach (var (name, value) in environment)
            start.Environment[name] = value;
        process = Process.Start(start)!;
        process.OutputDataReceived += (_, said) => printed.Enqueue(said.Data ?? "");
        process.BeginOutputReadLine();
        var until = DateTime.UtcNow.AddSeconds(90);
        while (true)
        {
            try
            {
                Http.GetAsync("/healthz").GetAwaiter().GetResult().EnsureSuccessStatusCode();
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

    /// <summary>Lets the app's clock go by the machine's again.</summary>
    public void Now() => File.Delete(Path.Combine(folder, "clock"));

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

    /// <summary>Leaves the folder as it is: it is gone in another way.</summary>
    public void Forget() => isForgotten = true;

    private bool isForgotten;

    public void Dispose()
    {
        if (process is { HasExited: false })
            Kill();
        process?.Dispose();
        Http.Dispose();
        if (!isForgotten)
            Directory.Delete(folder, recursive: true);
    }

    /// <summary>The published program.</summary>
    internal static string App => Path.Combine(Root, "artifacts", "app", "KeenEmber.Web.dll") is var app && File.Exists(app) ? app
        : throw new FileNotFoundException("Publish the app first: ./keen-ember test does.", app);

    /// <summary>The folder of the project.</summary>
    internal static string Root
    {
        get
        {
            var place = new DirectoryInfo(AppContext.BaseDirectory);
            while (place is not null && !File.Exists(Path.Combine(place.FullName, "KeenEmber.slnx")))
                place = place.Parent;
            return place!.FullName;
        }
    }

    public static int FreePort()
    {
        using var listener = new TcpListener(IPAddress.Loopback, 0);
        listener.Start();
        return ((IPEndPoint)listener.LocalEndpoint).Port;
    }
}

/// <summary>One app on an empty record for a whole test class: each test adds a unit of its own. Starting one costs more than most
/// pages.</summary>
public sealed class EmptyApp : IDisposable
{
    private int units;

    /// <summary>The app, by the machine's clock.</summary>
    public AppServer Server { get; } = new();

    /// <summary>A tag that no test before had.</summary>
    public string NextTag()
    {
        Server.Now();
        return $"J-{++units}";
    }

    public void Dispose() => Server.Dispose();
}

/// <summary>One app with the demo data for all classes that only look at it; a class that logs has one of its own.</summary>
public sealed class DemoApp : IDisposable
{
    public AppServer Server { get; } = new(demo: true);

    public void Dispose() => Server.Dispose();
}
