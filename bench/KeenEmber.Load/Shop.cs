using System.Text.RegularExpressions;
using SkiaSharp;

namespace KeenEmber.Load;

/// <summary>Technicians with accounts of their own, each at a unit: lines, pages and photos as a shop's day brings them.</summary>
internal sealed class Shop(Plan plan, Measured measured) : IDisposable
{
    public void Dispose() => devices.ForEach(d => d.Dispose());

    private static readonly string[] Stations = ["circuit", "record", "defrost", "sensors", "electrical", "changes"];

    private readonly List<Device> devices = [];
    private readonly List<string> visits = [];
    private readonly List<string> units = [];

    /// <summary>The first lead, the others by invitation, and a visit for each.</summary>
    internal async Task Open()
    {
        var lead = await SignUp(plan.Welcome.AbsolutePath, 0);
        for (var n = 1; n < plan.People; n++)
        {
            var (_, page) = await lead.Send("/people?handler=Invite", "invite", ("role", "Technician"));
            await SignUp(new Uri(Regex.Match(page, "data-invitation>([^<]+)").Groups[1].Value).AbsolutePath, n);
        }

        units.AddRange(Regex.Matches(await lead.Page("/", "start page"), "/equipment/[0-9a-f-]{36}").Select(m => m.Value).Distinct());
        for (var n = 0; n < plan.People; n++)
            visits.Add(plan.Together && n > 0 ? visits[0] : await Begin(devices[n], units[n % units.Count]));
    }

    private async Task<Device> SignUp(string invitation, int n)
    {
        var device = new Device(plan.Welcome, n, measured);
        await device.Page(invitation, "welcome");
        await device.Send(invitation, "sign up", ("name", $"Technician {n + 1}"), ("signIn", $"t{n + 1}"),
            ("password", "harbour lantern seven"), ("again", "harbour lantern seven"));
        // A token belongs to who is signed in.
        await device.Page("/account", "account");
        devices.Add(device);
        return device;
    }

    private static async Task<string> Begin(Device device, string unit)
    {
        await device.Page(unit, "unit");
        var visit = Guid.CreateVersion7();
        await device.Send(unit, "start", ("visitId", visit.ToString()), ("complaint", "too warm at noon"));
        return $"/visits/{visit}";
    }

    /// <summary>Everybody at once, each begun a little after the other.</summary>
    internal Task Work(CancellationToken end) => Task.WhenAll(
        [.. devices.Select((d, n) => Lines(d, n, end)), .. devices.Select((d, n) => Pages(d, n, end)), Photos(end)]);

    private Task Lines(Device device, int n, CancellationToken end) => Every(Plan.LineEvery, n, i => device.Send(
        visits[n] + "/circuit?handler=Log", "line", ("lineId", Guid.CreateVersion7().ToString()), ("line", Line(i))), end);

    /// <summary>A round of readings, again and again, as they move.</summary>
    private static string Line(int i) => (i % 6) switch
    {
        0 => $"suc {1.4 + i % 7 * 0.02:0.00}",
        1 => $"box {3.1 + i % 9 * 0.1:0.0}",
        2 => $"head {11.8 + i % 5 * 0.1:0.0}",
        3 => "coil frosted even",
        4 => $"sl {2.4 + i % 6 * 0.1:0.0}",
        _ => $"note: round {i}, nothing new",
    };

    private Task Pages(Device device, int n, CancellationToken end) => Every(Plan.PageEvery, n, i => (i % 10) switch
    {
        0 or 5 => device.Page("/", "start page"),
        1 => device.Page(units[(n + i) % units.Count], "unit"),
        2 => device.Page($"/search?q=drain", "search"),
        3 => device.Page(visits[n] + "/report", "report"),
        _ => device.Page($"{visits[n]}/{Stations[(n + i) % Stations.Length]}", "visit"),
    }, end);

    private Task Photos(CancellationToken end) => Every(Plan.PhotoEvery, 0, i => devices[i % devices.Count].Photo(
        visits[i % devices.Count] + "/record?handler=Photos", Picture(i)), end);

    /// <summary>As large as a phone takes them, each another.</summary>
    private static byte[] Picture(int number)
    {
        using var bitmap = new SKBitmap(4000, 3000);
        using (var canvas = new SKCanvas(bitmap))
        using (var paint = new SKPaint())
        {
            var random = new Random(number);
            for (var i = 0; i < 3000; i++)
            {
                paint.Color = new((uint)random.Next() | 0xFF000000);
                canvas.DrawRect(random.Next(4000), random.Next(3000), 200, 150, paint);
            }
        }

        using var data = bitmap.Encode(SKEncodedImageFormat.Jpeg, 85);
        return data.ToArray();
    }

    private async Task Every(TimeSpan time, int n, Func<int, Task> act, CancellationToken end)
    {
        try
        {
            await Task.Delay(time * ((n + 1.0) / plan.People), end);
            for (var i = 0; !end.IsCancellationRequested; i++)
            {
                var next = Task.Delay(time, end);
                await act(i);
                await next;
            }
        }
        catch (OperationCanceledException)
        {
            // The day is over.
        }
    }
}
