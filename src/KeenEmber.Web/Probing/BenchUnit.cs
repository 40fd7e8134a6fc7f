using System.Globalization;
using System.Net.Http.Headers;
using KeenEmber.Core.Plant;
using KeenEmber.Core.Quantities;
using KeenEmber.Core.Simulation;

namespace KeenEmber.Web.Probing;

/// <summary>A unit that exists only in arithmetic, with probes that send what they would show on it: a stand-in for a set of
/// probes.</summary>
internal static class BenchUnit
{
    /// <summary>Between two lots of readings.</summary>
    private static readonly TimeSpan Every = TimeSpan.FromSeconds(2);

    /// <summary>It has run for so long before anybody measures, s.</summary>
    private const int SettledS = 36 * 3600;

    /// <summary>What each probe is called.</summary>
    private static string NameOf(MeasuringPoint point) => point switch
    {
        MeasuringPoint.SuctionPressure => "low-side",
        MeasuringPoint.DischargePressure => "high-side",
        MeasuringPoint.SuctionLineCoil => "blue-clamp",
        MeasuringPoint.SuctionLineCompressor => "green-clamp",
        MeasuringPoint.LiquidLine => "red-clamp",
        MeasuringPoint.DischargeLine => "hot-clamp",
        MeasuringPoint.BoxAir => "box-air",
        MeasuringPoint.AirLeaving => "coil-air",
        MeasuringPoint.CondenserAir => "outside-air",
        _ => "amp-clamp",
    };

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
        var (unit, weather) = (Started(made), new Weather(UnitDesign.Of(made.Kind).DesignAirC - 3, 3));
        Console.WriteLine($"{made.What}. Its probes send every {Every.TotalSeconds:0} s; Ctrl+C ends it.");
        using var http = new HttpClient { BaseAddress = to };
        http.DefaultRequestHeaders.Authorization = new AuthenticationHeaderValue("Bearer", secret);
        using var ticks = new PeriodicTimer(Every);
        while (!stop.IsCancellationRequested)
        {
            for (var s = 0; s < Every.TotalSeconds * speed; s++)
                unit.Step(weather);
            foreach (var point in SimulatedUnit.Points)
                await Send(http, NameOf(point), unit.Shows(point, Pressure.StandardAtmosphere), stop);
            await Say(http, made.Name, unit, stop);
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

    private static SimulatedUnit Started(BenchCase made)
    {
        var design = UnitDesign.Of(made.Kind);
        var unit = new SimulatedUnit(design, design.TargetC + 1) { Faults = made.Faults };
        for (var s = 0; s < SettledS; s++)
            unit.Step(new(design.DesignAirC - 3, 3));
        return unit;
    }

    private static Task Send(HttpClient http, string probe, TypedValue shown, CancellationToken stop)
    {
        var now = DateTimeOffset.UtcNow;
        return Post(http, $"api/probes/{probe}/readings", probe, new ProbeDocument(probe.Replace('-', ' '), null, 0.8, now,
            [new ProbeReadingDocument(now.ToUnixTimeMilliseconds(), now, Math.Round(shown.Number, 2), shown.Unit.Symbol)]), stop);
    }

    /// <summary>What its controller says.</summary>
    private static Task Say(HttpClient http, string controller, SimulatedUnit unit, CancellationToken stop)
    {
        var now = DateTimeOffset.UtcNow;
        return Post(http, $"api/controllers/{controller}/values", controller, new ControllerDocument(controller.Replace('-', ' '), now,
            [.. unit.OnWire().Select(v => new ControllerValueDocument(v.Key, now, Math.Round(v.Value, 2)))]), stop);
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
