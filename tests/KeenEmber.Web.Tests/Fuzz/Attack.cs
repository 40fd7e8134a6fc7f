using System.Diagnostics;
using System.Net;
using System.Text;
using AngleSharp;
using AngleSharp.Dom;
using AngleSharp.Html.Dom;
using KeenEmber.Core.Service;
using KeenEmber.Storage;

namespace KeenEmber.Web.Tests.Fuzz;

/// <summary>What an attack came to.</summary>
internal sealed class Tally
{
    public int Sent { get; set; }

    public int Accepted { get; set; }

    public int Reopened { get; set; }

    /// <summary>Each with its seed and step, so that it can be done again.</summary>
    public List<string> Failures { get; } = [];

    public void Add(Tally other)
    {
        (Sent, Accepted, Reopened) = (Sent + other.Sent, Accepted + other.Accepted, Reopened + other.Reopened);
        Failures.AddRange(other.Failures);
    }

    public override string ToString() => $"{Sent} inputs, {Accepted} accepted, {Reopened} pages re-opened, {Failures.Count} failures";
}

/// <summary>
/// One attack on one record: taps in random order like a person in a hurry, hostile values in every field, on a clock that jumps.
/// After every accepted input everything it could have broken is opened again.
/// </summary>
internal sealed class Attack : IDisposable
{
    /// <summary>No answer may take longer.</summary>
    private static readonly TimeSpan Longest = TimeSpan.FromSeconds(2);

    private static readonly IBrowsingContext Html = BrowsingContext.New(Configuration.Default);

    private readonly int seed;
    private readonly Random random;
    private readonly Inputs inputs;
    private readonly JsonBodies bodies;
    private readonly TestApp app;
    private readonly HttpClient http;
    private int step;
    private string token = "";

    public Attack(int seed)
    {
        this.seed = seed;
        random = new(seed);
        inputs = new(random);
        bodies = new(random, inputs);
        app = new(demo: seed % 2 == 0);
        http = app.Browser();
    }

    public Tally Tally { get; } = new();

    public void Dispose()
    {
        http.Dispose();
        app.Dispose();
    }

    /// <summary>Attacks until so many steps are done or the time is up.</summary>
    public async Task Run(int steps, CancellationToken stop)
    {
        if (seed % 2 != 0)
            await FirstUnit();
        for (step = 0; step < steps && !stop.IsCancellationRequested; step++)
        {
            app.Clock.Advance(inputs.Chance(0.03) ? -TimeSpan.FromMinutes(random.Next(90)) : inputs.Chance(0.05) ? TimeSpan.FromHours(random.Next(60)) : TimeSpan.FromSeconds(random.Next(150)));
            await (random.Next(20) switch
            {
                < 12 => Tap(0.03),
                < 15 => Unseen(),
                15 => Call(),
                16 => Upload(),
                17 => Photo(),
                18 => Wander(),
                _ => Tap(0.9),
            });
        }
    }

    /// <summary>On an empty record there is nothing to tap on yet.</summary>
    private async Task FirstUnit()
    {
        var page = await Open("/equipment/new");
        var form = page!.Forms.OfType<IHtmlFormElement>().First(f => f.Method == "post");
        var fields = inputs.Fill(form, 0).Where(f => f.Key is "__RequestVerificationToken" or "unitId").ToList();
        fields.AddRange([new("tag", "F-1"), new("refrigerant", "R404A"), new("target", "-20"), new("kind", nameof(EquipmentKind.WalkInFreezer))]);
        var unit = (await Send("/equipment/new", new FormUrlEncodedContent(fields), "first unit"))!.Headers.Location!.ToString();
        await SendForm(await Open(unit), unit, _ => true, 0);
    }

    private Equipment Unit() => inputs.Of(app.Get<EquipmentStore>().All());

    private Visit? AVisit()
    {
        var visits = app.Get<VisitStore>().OfEquipment(Unit().Id);
        return visits.Count == 0 ? null : inputs.Chance(0.8) ? visits[0] : inputs.Of(visits);
    }

    /// <summary>One form of one page, filled in and sent.</summary>
    private async Task Tap(double hostile)
    {
        var address = APage();
        await SendForm(await Open(address), address, _ => true, hostile);
    }

    private string APage()
    {
        if (AVisit() is { } visit && inputs.Chance(0.88))
            return $"/visits/{visit.Id}/{inputs.Of(VisitPages)}";
        return inputs.Of(["/settings", "/meters", "/equipment/new", $"/equipment/{Unit().Id}", $"/equipment/{Unit().Id}/edit"]);
    }

    private static readonly string[] VisitPages =
    [
        "circuit", "look", "frost", "course", "defrost", "defrost", "defrostfile", "defrostplan", "defrosttests", "sensors", "sensors", "meters", "controls", "controlcycle", "controloutputs",
        "controlsheet", "changes", "prove", "record", "close", "glycol",
    ];

    private async Task SendForm(IDocument? page, string address, Func<IHtmlFormElement, bool> which, double hostile)
    {
        if (page is null)
            return;
        var forms = page.Forms.OfType<IHtmlFormElement>().Where(f => f.Method == "post" && which(f)).ToList();
        if (forms.Count == 0)
            return;
        var form = inputs.Of(forms);
        var action = form.GetAttribute("action") is { Length: > 0 } given ? given : "";
        var fields = inputs.Fill(form, hostile);
        token = fields.FirstOrDefault(f => f.Key == "__RequestVerificationToken").Value ?? token;
        var to = action.StartsWith('?') || action.Length == 0 ? address.Split('?')[0] + action : action;
        await Send(to, Content(fields, form.Enctype), Said(fields));
        if (inputs.Chance(0.1))
            await Send(to, Content(fields, form.Enctype), "the same again: " + Said(fields));
    }

    private static HttpContent Content(List<KeyValuePair<string, string>> fields, string? type)
    {
        if (type != "multipart/form-data")
            return new FormUrlEncodedContent(fields);
        var content = new MultipartFormDataContent();
        foreach (var (name, value) in fields)
            content.Add(new StringContent(value), name);
        return content;
    }

    private static string Said(IEnumerable<KeyValuePair<string, string>> fields) => string.Join(" & ", fields.Where(f => f.Key[0] != '_').Select(f => $"{f.Key}={(f.Value.Length > 60 ? f.Value[..60] + "…" : f.Value)}"));

    /// <summary>A handler with whatever its parameters take, whether or not a form would send that.</summary>
    private async Task Unseen()
    {
        var handler = inputs.Of(Handlers.All);
        var unit = Unit();
        if (token.Length == 0)
            await Tap(0);
        var known = Guid.NewGuid();
        string address;
        if (handler.Area == "Visits")
        {
            if (AVisit() is not { } visit)
                return;
            var entries = app.Get<VisitStore>().EntriesOfEquipment(visit.EquipmentId, visit.Id)[visit.Id];
            known = entries.Count > 0 ? inputs.Of(entries).Id : known;
            var page = handler.Page == "VisitPage" ? inputs.Of(VisitPages) : Handlers.AddressOf(app, handler.Page);
            address = $"/visits/{visit.Id}/{page}?handler={handler.Handler}";
        }
        else
        {
            address = handler.Page switch { "Unit" => $"/equipment/{unit.Id}", "Edit" => inputs.Chance(0.5) ? "/equipment/new" : $"/equipment/{unit.Id}/edit", var page => "/" + page } + $"?handler={handler.Handler}";
        }

        if (inputs.Chance(0.05))
            address = address.Replace("handler=", "handler=No", StringComparison.Ordinal);
        var fields = handler.Parameters.Where(p => p.Name != "id" && inputs.Chance(0.9)).Select(p => new KeyValuePair<string, string>(p.Name!, inputs.Of(p.ParameterType, known))).ToList();
        fields.Add(new("__RequestVerificationToken", token));
        for (var n = random.Next(4); n > 0; n--)
            fields.Add(new(inputs.Of(["text", "note", "name", "value", "line", "rows", "place-0", "unit-0", "v-ColdestBend", "what", "before", "after", "amount", "due", "owner", "how", "face", "strokes"]), inputs.Text(0.7)));
        HttpContent content = inputs.Chance(0.06) ? new StringContent("{\"a\":1}", Encoding.UTF8, "application/json") : new FormUrlEncodedContent(fields);
        if (content is StringContent)
            content.Headers.TryAddWithoutValidation("X-Unused", "1");
        await Send(address, content, Said(fields));
    }

    private async Task Call()
    {
        var (address, type) = inputs.Of<(string, Type)>(
            [("/api/circuit/analysis", typeof(Api.CircuitQuestion)), ("/api/defrost/analysis", typeof(Api.RunDocument)), ("/api/sensors/analysis", typeof(Api.SensorQuestion))]);
        if (inputs.Chance(0.15))
        {
            await Open($"/api/saturation?refrigerant={inputs.Of(["R404A", "R290", ""])}&temperature={Uri.EscapeDataString(inputs.Text(0.7))}&elevationM={Uri.EscapeDataString(inputs.Text(0.5))}");
            return;
        }

        var body = bodies.Of(type);
        await Send(address, new StringContent(body, Encoding.UTF8, inputs.Chance(0.97) ? "application/json" : "text/plain"), body.Length > 4000 ? body[..4000] : body);
    }

    /// <summary>A file of a logger, or of what might be taken for one.</summary>
    private async Task Upload()
    {
        if (AVisit() is not { } visit)
            return;
        var address = $"/visits/{visit.Id}/defrostfile";
        await Open(address);
        var text = inputs.Chance(0.25) ? bodies.Of(typeof(Api.RunDocument)) : Table();
        Encoding encoding = inputs.Of<Encoding>([new UTF8Encoding(true), new UTF8Encoding(false), Encoding.Unicode, Encoding.Latin1]);
        using var file = new ByteArrayContent([.. encoding.GetPreamble(), .. encoding.GetBytes(text)]);
        using var content = new MultipartFormDataContent { { new StringContent(token), "__RequestVerificationToken" }, { new StringContent(Guid.CreateVersion7().ToString()), "fileId" }, { file, "file", string.Concat(inputs.Text(0.2).Where(c => c >= ' ' && c != '"').Take(100)) + ".csv" } };
        var answer = await Send(address + "?handler=File", content, text.Length > 300 ? text[..300] : text);
        if (answer?.Headers.Location is { } waiting && waiting.ToString().Contains("file=", StringComparison.Ordinal))
            await SendForm(await Open(waiting.ToString()), waiting.ToString(), f => (f.GetAttribute("action") ?? "").Contains("Columns", StringComparison.Ordinal), 0.1);
    }

    private string Table()
    {
        var separator = inputs.Of([",", ";", "\t"]);
        var (columns, rows) = (random.Next(1, 5), random.Next(0, 40));
        var text = new StringBuilder(string.Join(separator, Enumerable.Range(0, columns).Select(i => i == 0 ? inputs.Of(["time", "date", "min", "=time", "timestamp"]) : inputs.Of(["coldest bend", "leg 1 (A)", "box °F", "volts", inputs.Text(0.5)]))));
        var start = inputs.Of<DateTime>([new(2026, 3, 9, 22, 0, 0), new(2026, 10, 25, 2, 30, 0), new(1999, 12, 31), new(2026, 12, 11)]);
        var format = inputs.Of(["yyyy-MM-dd HH:mm:ss", "yyyy-MM-ddTHH:mm:ssZ", "yyyy-MM-ddTHH:mm:sszzz", "MM/dd/yyyy h:mm tt", "dd.MM.yyyy HH:mm", "HH:mm"]);
        for (var i = 0; i < rows; i++)
        {
            text.Append('\n').Append(inputs.Chance(0.03) ? inputs.Text(1) : start.AddMinutes(i * 2).ToString(format, System.Globalization.CultureInfo.InvariantCulture));
            for (var c = 1; c < columns; c++)
                text.Append(separator).Append(inputs.Text(0.05));
        }

        return text.ToString();
    }

    private async Task Photo()
    {
        if (AVisit() is not { } visit)
            return;
        var address = $"/visits/{visit.Id}/record";
        await Open(address);
        using var photo = new ByteArrayContent(inputs.Chance(0.5) ? Picture() : Encoding.UTF8.GetBytes(inputs.Text(0.5)));
        using var content = new MultipartFormDataContent
        {
            { new StringContent(token), "__RequestVerificationToken" }, { new StringContent(Guid.CreateVersion7().ToString()), "lineId" }, { new StringContent(inputs.Text(0.5)), "caption" }, { photo, "photos", "a.png" },
        };
        await Send(address + "?handler=Photos", content, "photo");
    }

    private byte[] Picture()
    {
        using var bitmap = new SkiaSharp.SKBitmap(random.Next(1, 300), random.Next(1, 300));
        bitmap.Erase(SkiaSharp.SKColors.SeaGreen);
        using var data = bitmap.Encode(SkiaSharp.SKEncodedImageFormat.Png, 100);
        var bytes = data.ToArray();
        return inputs.Chance(0.3) ? bytes[..random.Next(bytes.Length)] : bytes;
    }

    /// <summary>An address with odd questions behind it.</summary>
    private async Task Wander()
    {
        var question = inputs.Of(["run", "with", "correct", "show", "round", "all", "saved", "point", "file", "from", "q", "handler", "line", "temperature", "pressure", "one", "another"]);
        var address = inputs.Of([APage(), "/", "/search", "/refrigerants", "/refrigerants/R404A", "/refrigerants/mix", "/refrigerants/standing", $"/equipment/{Unit().Id}/compare"]);
        await Open($"{address}?{question}={Uri.EscapeDataString(inputs.Text(0.8))}");
    }

    private async Task<HttpResponseMessage?> Send(string address, HttpContent content, string said)
    {
        Tally.Sent++;
        using var request = new HttpRequestMessage(HttpMethod.Post, address) { Content = content };
        if (content is StringContent && !address.StartsWith("/api", StringComparison.Ordinal))
            request.Headers.Add("RequestVerificationToken", token);
        if (await Ask(() => http.SendAsync(request), $"POST {address} {said}") is not { } answer)
            return null;
        if (answer.StatusCode is not (HttpStatusCode.Redirect or HttpStatusCode.OK) || (answer.StatusCode == HttpStatusCode.OK && !address.StartsWith("/api", StringComparison.Ordinal)))
            return answer;
        Tally.Accepted++;
        if (answer.StatusCode == HttpStatusCode.Redirect)
            await OpenAgain(address, said);
        return answer;
    }

    /// <summary>Everything that the accepted input could have broken.</summary>
    private async Task OpenAgain(string address, string said)
    {
        var before = Tally.Failures.Count;
        var parts = address.Split('/', '?');
        if (parts[1] == "visits" && app.Get<VisitStore>().Find(Guid.Parse(parts[2])) is { } visit)
        {
            foreach (var page in Handlers.VisitPages(app))
                await Open($"/visits/{visit.Id}/{page}");
            foreach (var run in app.Get<VisitStore>().EntriesOfEquipment(visit.EquipmentId, visit.Id)[visit.Id].OfType<RunEntry>().TakeLast(2))
            {
                await Open($"/visits/{visit.Id}/runs/{run.Id}.csv");
                await Open($"/visits/{visit.Id}/runs/{run.Id}.json");
            }

            await Open($"/visits/{visit.Id}/follow-up.ics");
            parts = ["", "equipment", visit.EquipmentId.ToString()];
        }

        if (parts[1] == "equipment" && Guid.TryParse(parts[2], out var unit) && app.Get<EquipmentStore>().Find(unit) is not null)
        {
            foreach (var page in new[] { "", "/memory", "/compare", "/label", "/edit" })
                await Open($"/equipment/{unit}{page}");
        }

        foreach (var page in new[] { "/", "/search?q=fan", "/settings", "/meters" })
            await Open(page);
        if (Tally.Failures.Count > before)
            Tally.Failures.Add($"  … after seed {seed} step {step}: POST {address} {said}");
    }

    private async Task<IDocument?> Open(string address)
    {
        Tally.Reopened++;
        if (await Ask(() => http.GetAsync(address), "GET " + address) is not { } answer)
            return null;
        var html = await answer.Content.ReadAsStringAsync();
        if (answer.Content.Headers.ContentType?.MediaType != "text/html")
            return null;
        if (html.Contains("could not be judged", StringComparison.Ordinal) || html.Contains("could not be shown", StringComparison.Ordinal))
            Fail($"GET {address} answers, but something could not be judged: {string.Join(" | ", app.Errors)}");
        app.Errors.Clear();
        var page = await Html.OpenAsync(r => r.Content(html));
        token = page.QuerySelector<IHtmlInputElement>("input[name=__RequestVerificationToken]")?.Value ?? token;
        return page;
    }

    /// <param name="isSecond">A page that was slow is asked for again: the machine may have been busy with something else.</param>
    private async Task<HttpResponseMessage?> Ask(Func<Task<HttpResponseMessage>> ask, string said, bool isSecond = false)
    {
        var watch = Stopwatch.StartNew();
        HttpResponseMessage answer;
        try
        {
            answer = await ask().WaitAsync(TimeSpan.FromSeconds(20));
        }
        catch (TimeoutException)
        {
            Fail($"{said} never answered");
            return null;
        }
        catch (Exception e) when (e is not OperationCanceledException)
        {
            Fail($"{said} threw {e}");
            return null;
        }

        if (answer.StatusCode == HttpStatusCode.NotFound && said.StartsWith("GET /visits/", StringComparison.Ordinal) && !said.Contains('.', StringComparison.Ordinal))
            Fail($"{said} is gone");
        if ((int)answer.StatusCode >= 500)
            Fail($"{said} answered {(int)answer.StatusCode}: {string.Join(" | ", app.Errors.Select(e => e.Length > 1500 ? e[..1500] : e))}");
        else if (watch.Elapsed > Longest && said.StartsWith("GET", StringComparison.Ordinal) && !isSecond)
            return await Ask(ask, said, isSecond: true);
        else if (watch.Elapsed > Longest)
            Fail($"{said} took {watch.Elapsed.TotalSeconds:F1} s");
        return answer;
    }

    private void Fail(string what)
    {
        app.Errors.Clear();
        Tally.Failures.Add($"seed {seed} step {step}: {what}");
    }
}
