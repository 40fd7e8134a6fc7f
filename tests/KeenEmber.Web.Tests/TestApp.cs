using System.Collections.Concurrent;
using Microsoft.AspNetCore.Hosting;
using Microsoft.AspNetCore.Mvc.Testing;
using Microsoft.AspNetCore.TestHost;
using Microsoft.Extensions.DependencyInjection;
using Microsoft.Extensions.Logging;

namespace KeenEmber.Web.Tests;

/// <summary>The whole app without a network: its real pages and stores on a data folder of its own, with a clock that the test
/// moves.</summary>
/// <param name="demo">Begin with Quillmere Market Hall; on an empty record otherwise.</param>
public sealed class TestApp(bool demo = false) : WebApplicationFactory<Program>
{
    /// <summary>Of its data; its own to delete.</summary>
    public DirectoryInfo Folder { get; init; } = Directory.CreateTempSubdirectory("keen-ember-web-");

    /// <summary>Where backups go; null for none.</summary>
    public string? Backup { get; init; }

    public TestClock Clock { get; } = new();

    /// <summary>Where the test's units stand, unless it says otherwise.</summary>
    public string Site { get; set; } = "Quillmere Market Hall";

    /// <summary>Whatever the app logged as an error.</summary>
    public ConcurrentQueue<string> Errors { get; } = [];

    public T Get<T>()
        where T : notnull => Services.GetRequiredService<T>();

    public HttpClient Browser() => CreateClient(new() { AllowAutoRedirect = false });

    protected override void ConfigureWebHost(IWebHostBuilder builder)
    {
        builder.UseSetting("data", Folder.FullName);
        if (Backup is { } copies)
            builder.UseSetting("backup", copies);
        builder.UseSetting("demo", demo ? "true" : "false");
        builder.ConfigureTestServices(services => services.AddSingleton<TimeProvider>(Clock));
        builder.ConfigureLogging(logging => logging.ClearProviders().AddProvider(new ErrorsOf(Errors)));
    }

    protected override void Dispose(bool disposing)
    {
        base.Dispose(disposing);
        if (disposing && Folder.Exists)
            Folder.Delete(recursive: true);
    }

    private sealed class ErrorsOf(ConcurrentQueue<string> errors) : ILoggerProvider, ILogger
    {
        public ILogger CreateLogger(string categoryName) => this;

        public IDisposable? BeginScope<TState>(TState state)
            where TState : notnull => null;

        public bool IsEnabled(LogLevel logLevel) => logLevel >= LogLevel.Error;

        public void Log<TState>(
            LogLevel logLevel, EventId eventId, TState state, Exception? exception, Func<TState, Exception?, string> formatter)
        {
            if (IsEnabled(logLevel))
                errors.Enqueue($"{formatter(state, exception)} {exception}");
        }

        public void Dispose()
        {
        }
    }
}

/// <summary>The time of day, moved on by the test and by nothing else.</summary>
public sealed class TestClock : TimeProvider
{
    private static readonly DateTimeOffset Start = new(2026, 3, 10, 9, 0, 0, TimeSpan.Zero);

    public DateTimeOffset Now { get; set; } = Start;

    /// <summary>Back at the moment at which it began.</summary>
    public void Restart() => Now = Start;

    public override DateTimeOffset GetUtcNow() => Now;

    public void Advance(TimeSpan by) => Now += by;

    /// <summary>Lets the clock stand so many minutes after the moment at which it began.</summary>
    public void Later(double minutes) => Now = Start.AddMinutes(minutes);
}
