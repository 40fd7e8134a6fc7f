using System.Globalization;
using System.Net.Http.Headers;
using KeenEmber.Core.Simulation;

namespace KeenEmber.Web.Probing;

/// <summary>A unit that exists only in arithmetic, with probes that send what they would show on it: a stand-in for a set of
/// probes.</summary>
internal static class BenchUnit
{
    /// <summary>Between two lots of readings.</summary>
    private static readonly TimeSpan Every = TimeSpan.FromSeconds(2);

    /// <summary>Runs until it is stopped.</summary>
    /// <returns>What to end the program with.</returns>
    internal static async Task<int> Run(IConfiguration asked, CancellationToken stop)
    {
        if (BenchCases.Find(asked["bench-unit"]) is not { } made)
        {
            Console.Error.WriteLine("Name a case:");
            foreach (var known in BenchCases.All)
                Console.Error.WriteLine($"  {known.Name,-20} {known.What}");
            return 2;
        }

        if (!Uri.TryCreate(asked["to"], UriKind.Absolute, out var to) || asked["secret"] is not { Length: > 0 } secret)
        {
            Console.Error.WriteLine("--to wants the address of the app, --secret what a lead was shown when the gateway was added.");
            return 2;
        }

        var speed = int.TryParse(asked["speed"], CultureInfo.InvariantCulture, out var given) ? Math.Clamp(given, 1, 3600) : 1;
        var unit = new UnitOnWire(made);
        Console.WriteLine($"{made.What}. Its probes send every {Every.TotalSeconds:0} s; Ctrl+C ends it.");
        using var http = new HttpClient { BaseAddress = to };
        http.DefaultRequestHeaders.Authorization = new AuthenticationHeaderValue("Bearer", secret);
        using var ticks = new PeriodicTimer(Every);
        while (!stop.IsCancellationRequested)
        {
            unit.Advance((int)Every.TotalSeconds * speed);
            var now = DateTimeOffset.UtcNow;
            foreach (var (probe, document) in unit.Probes(now))
                await Post(http, $"api/probes/{probe}/readings", probe, document, stop);
            if (unit.Controller(now) is { } said)
                await Post(http, $"api/controllers/{made.Name}/values", made.Name, said, stop);
            try
            {
                await ticks.WaitForNextTickAsync(stop);
            }
            catch (OperationCanceledException)
            {
                break;
            }
        }

        return 0;
    }

    private static async Task Post<T>(HttpClient http, string path, string sender, T document, CancellationToken stop)
    {
        try
        {
            using var answer = await http.PostAsJsonAsync(path, document, stop);
            if (!answer.IsSuccessStatusCode)
                Console.Error.WriteLine($"{sender}: {(int)answer.StatusCode} {answer.ReasonPhrase}");
        }
        catch (Exception e) when (e is HttpRequestException or OperationCanceledException)
        {
            Console.Error.WriteLine($"{sender}: {e.Message}");
        }
    }
}
