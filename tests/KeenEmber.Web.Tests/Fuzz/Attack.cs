using System.Text;
using AngleSharp;
using AngleSharp.Dom;
using AngleSharp.Html.Dom;
using KeenEmber.Core.Plant;
using KeenEmber.Core.Record;
using KeenEmber.Storage;

namespace KeenEmber.Web.Tests.Fuzz;

/// <summary>
/// One attack on one record: taps in random order like a person in a hurry, hostile values in every field, on a clock that jumps.
/// After every accepted input everything it could have broken is opened again.
/// </summary>
internal sealed partial class Attack : IDisposable
{
    /// <summary>No answer may take longer.</summary>
    private static readonly TimeSpan Longest = TimeSpan.FromSeconds(2);

    private static readonly IBrowsingContext Html = BrowsingContext.New(Configuration.Default);

    private readonly int seed;
    private readonly Random random;
    private readonly Inputs inputs;
    private readonly JsonBodies bodies;
    private readonly Files files;
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
        files = new(random, inputs);
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
    /// <param name="inARow">After each step so many forms of one page are sent one after the other before anything is opened again.</param>
    public async Task Run(int steps, int inARow, CancellationToken stop)
    {
        if (seed % 2 != 0)
            await FirstUnit();
        for (step = 0; step < steps && !stop.IsCancellationRequested; step++)
        {
            app.Clock.Advance(
                inputs.Chance(0.03) ? -TimeSpan.FromMinutes(random.Next(90)) : inputs.Chance(0.05) ? TimeSpan.FromHours(random.Next(60))
                : TimeSpan.FromSeconds(random.Next(150)));
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
            if (inARow > 0)
                await InARow(inARow);
        }
    }

    /// <summary>One page's forms again and again, and calls between them; what was accepted is looked at once, in the end.</summary>
    private async Task InARow(int count)
    {
        var address = AVisit() is { } visit && inputs.Chance(0.8) ? $"/visits/{visit.Id}/{inputs.Of(Handlers.VisitPages(app))}"
            : inputs.Of(OtherPages);
        if (await Open(address) is not { } page)
            return;
        accepted = [];
        for (var n = 0; n < count; n++)
        {
            if (inputs.Chance(0.2))
                await Call();
            else if (inputs.Chance(0.2))
                await Unseen();
            else
                await SendForm(page, address, _ => true, 0.4);
        }

        var again = accepted.DistinctBy(a => a.Address.Split('?')[0]).ToList();
        accepted = null;
        foreach (var (to, said) in again)
            await OpenAgain(to, said);
    }

    private static readonly string[] OtherPages =
        ["/settings", "/instruments", "/equipment/new", "/equipment/list", "/people", "/account", "/archives", "/sign-in", "/health"];

    /// <summary>What was accepted while nothing is opened again; null while everything is.</summary>
    private List<(string Address, string Said)>? accepted;

    /// <summary>On an empty record there is nothing to tap on yet.</summary>
    private async Task FirstUnit()
    {
        var page = await Open("/equipment/new");
        var form = page!.Forms.OfType<IHtmlFormElement>().First(f => f.Method == "post");
        var fields = inputs.Fill(form, 0).Where(f => f.Key is "__RequestVerificationToken" or "unitId").ToList();
        fields.AddRange(
            [new("tag", "F-1"), new("refrigerant", "R404A"), new("target", "-20"), new("kind", nameof(EquipmentKind.WalkInFreezer))]);
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
        return inputs.Of(["/settings", "/instruments", "/equipment/new", $"/equipment/{Unit().Id}", $"/equipment/{Unit().Id}/edit"]);
    }

    private static readonly string[] VisitPages =
    [
        "circuit", "look", "frost", "trend", "defrost", "defrost", "defrostfile", "defrostplan", "defrosttests", "sensors", "sensors",
            "instruments", "controls", "controlcycle", "controloutputs",
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

    private static string Said(IEnumerable<KeyValuePair<string, string>> fields) =>
        string.Join(
        " & ", fields.Where(f => f.Key[0] != '_').Select(f => $"{f.Key}={(f.Value.Length > 60 ? f.Value[..60] + "…" : f.Value)}"));

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
            address =
                handler.Page switch { "Unit" =>
                $"/equipment/{unit.Id}", "Edit" =>
                inputs.Chance(0.5) ? "/equipment/new" : $"/equipment/{unit.Id}/edit", var page => "/" + page }
                + $"?handler={handler.Handler}";
        }

        if (inputs.Chance(0.05))
            address = address.Replace("handler=", "handler=No", StringComparison.Ordinal);
        var fields = handler.Parameters.Where(p => p.Name != "id" && inputs.Chance(0.9))
            .Select(p => new KeyValuePair<string, string>(p.Name!, inputs.Of(p.ParameterType, known))).ToList();
        fields.Add(new("__RequestVerificationToken", token));
        for (var n = random.Next(4); n > 0; n--)
            fields.Add(
                new(inputs.Of(
                ["text", "note", "name", "value", "line", "rows", "place-0", "unit-0", "v-ColdestBend", "what", "before", "after",
                "amount", "due", "owner", "how", "face", "strokes"]), inputs.Text(0.7)));
        HttpContent content = inputs.Chance(0.06) ? new StringContent("{\"a\":1}", Encoding.UTF8, "application/json")
            : new FormUrlEncodedContent(fields);
        if (content is StringContent)
            content.Headers.TryAddWithoutValidation("X-Unused", "1");
        await Send(address, content, Said(fields));
    }

    private async Task Call()
    {
        var (address, type) = inputs.Of<(string, Type)>(
            [("/api/circuit/analysis", typeof(Api.CircuitQuestion)), ("/api/defrost/analysis", typeof(Api.RunDocument)),
                ("/api/sensors/analysis", typeof(Api.SensorQuestion)), ("/api/diagnosis", typeof(Api.DiagnosisQuestion)),
                ("/api/electrical/trace", typeof(Api.TraceQuestion)), ("/api/electrical/component", typeof(Api.PartTestQuestion)),
                ("/api/charge/decay", typeof(Api.DecayQuestion)), ("/api/box/pulldown", typeof(Api.PullDownQuestion))]);
        if (inputs.Chance(0.15))
        {
            await Open(
                $"/api/saturation?refrigerant={inputs.Of(["R404A", "R290", ""])}&temperature={Uri.EscapeDataString(inputs.Text(0.7))}"
                + $"&elevationM={Uri.EscapeDataString(inputs.Text(0.5))}");
            return;
        }

        var body = bodies.Of(type);
        await Send(
            address, new StringContent(body, Encoding.UTF8, inputs.Chance(0.97) ? "application/json" : "text/plain"), body.Length > 4000
            ? body[..4000] : body);
    }

    /// <summary>A file of a logger, or of what might be taken for one.</summary>
    private async Task Upload()
    {
        if (AVisit() is not { } visit)
            return;
        var address = $"/visits/{visit.Id}/defrostfile";
        await Open(address);
        var text = inputs.Chance(0.25) ? bodies.Of(typeof(Api.RunDocument)) : files.Table();
        Encoding encoding = inputs.Of<Encoding>([new UTF8Encoding(true), new UTF8Encoding(false), Encoding.Unicode, Encoding.Latin1]);
        using var file = new ByteArrayContent([.. encoding.GetPreamble(), .. encoding.GetBytes(text)]);
        using var content =
            new MultipartFormDataContent { { new StringContent(token), "__RequestVerificationToken" },
            { new StringContent(Guid.CreateVersion7().ToString()), "fileId" },
            { file, "file", string.Concat(inputs.Text(0.2).Where(c => c >= ' ' && c != '"').Take(100)) + ".csv" } };
        var answer = await Send(address + "?handler=File", content, text.Length > 300 ? text[..300] : text);
        if (answer?.Headers.Location is { } waiting && waiting.ToString().Contains("file=", StringComparison.Ordinal))
            await SendForm(
                await Open(waiting.ToString()), waiting.ToString(), f =>
                (f.GetAttribute("action") ?? "").Contains("Columns", StringComparison.Ordinal), 0.1);
    }

    private async Task Photo()
    {
        if (AVisit() is not { } visit)
            return;
        var address = $"/visits/{visit.Id}/record";
        await Open(address);
        using var photo = new ByteArrayContent(inputs.Chance(0.5) ? files.Picture() : Encoding.UTF8.GetBytes(inputs.Text(0.5)));
        using var content = new MultipartFormDataContent
        {
            { new StringContent(token), "__RequestVerificationToken" }, { new StringContent(Guid.CreateVersion7().ToString()), "lineId" },
                { new StringContent(inputs.Text(0.5)), "caption" }, { photo, "photos", "a.png" },
        };
        await Send(address + "?handler=Photos", content, "photo");
    }

    /// <summary>An address with odd questions behind it.</summary>
    private async Task Wander()
    {
        var question =
            inputs.Of(
            ["run", "with", "correct", "show", "round", "all", "saved", "point", "file", "from", "q", "handler", "line", "temperature",
            "pressure", "one", "another"]);
        var address =
            inputs.Of(
            [APage(), "/", "/search", "/refrigerants", "/refrigerants/R404A", "/refrigerants/mix", "/refrigerants/standing",
            $"/equipment/{Unit().Id}/compare"]);
        await Open($"{address}?{question}={Uri.EscapeDataString(inputs.Text(0.8))}");
    }
}
