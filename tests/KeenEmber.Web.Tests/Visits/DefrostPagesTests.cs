using System.Globalization;
using System.Net.Http.Json;
using System.Text;
using System.Text.Json;

namespace KeenEmber.Web.Tests.Visits;

/// <summary>The pages of the defrost bench, from an empty record: a logger’s file, the plan, the tests of clock and switches.</summary>
public sealed class DefrostPagesTests : IDisposable
{
    private readonly string files = Directory.CreateTempSubdirectory("keen-ember-files-").FullName;
    private readonly TestApp app = new();
    private readonly Person person;

    public DefrostPagesTests() => person = new(app);

    public void Dispose()
    {
        person.Dispose();
        app.Dispose();
        Directory.Delete(files, recursive: true);
    }

    /// <summary>A freezer with a visit under way, at its defrost station, its set-up on record.</summary>
    private void Start()
    {
        person.Go("/equipment/new").Type("#tag", "F-9").Type("#refrigerant", "R448A").Type("#target", "-20")
            .Tap("#kind option[value=WalkInFreezer]").Press("Add this unit");
        person.Type("#author", "Isolde Marrin").Type("#complaint", "Snow under the ceiling").Press("Start a visit").See("#line");
        person.Station("defrost").See(".set-up[open]");
        person.Type("#sensorPlace", "on the shell").Type("#endAt", "13").Type("#failSafe", "45").Type("#drip", "3").Type("#fanDelay", "-4")
            .Type("#coilMass", "34")
            .Type("#watts1", "1800").Type("#volts1", "230").Type("#starts", "06:00 18:00");
    }

    private void SaveSetUp() => person.Press("Save how it defrosts").ReadUntil(".set-up summary", "ended by termination switch");

    /// <summary>A run as a logger writes it, a row each half minute: clear 30 minutes after heat-on, off 12 minutes later.</summary>
    private string LoggerFile(string name, bool comma)
    {
        var culture = new NumberFormatInfo { NumberDecimalSeparator = comma ? "," : "." };
        var text = new StringBuilder("stamp;ch1;ch2;ch3\n");
        var start = app.Clock.Now.AddHours(-5);
        for (var row = 0; row < 160; row++)
        {
            var m = row / 2.0 - 10;
            var coil = m is < 0 ? -24 : m < 8 ? -24 + 3 * m : m < 30 ? 0.2 : m < 42 ? 0.2 + 2 * (m - 30)
                : Math.Max(-24, 24.2 - 6 * (m - 42));
            text.AppendLine(
                string.Join(
                ';', start.AddSeconds(30 * row).ToString("yyyy-MM-dd HH:mm:ss", CultureInfo.InvariantCulture),
                coil.ToString("0.00", culture),
                (coil - 2).ToString("0.00", culture), (m is >= 0 and < 42 ? 7.8 : 0).ToString("0.0", culture)));
        }

        var file = Path.Combine(files, name);
        File.WriteAllText(file, text.ToString());
        return file;
    }

    [Fact]
    public async Task A_loggers_file_is_named_once_judged_exported_and_known_the_next_time()
    {
        Start();
        SaveSetUp();
        person.Press("From a logger").See("#file");
        var broken = Path.Combine(files, "broken.csv");
        await File.WriteAllTextAsync(broken, "no table at all", TestContext.Current.CancellationToken);
        person.Upload("#file", broken).Press("Go on").ReadUntil(".field-error", "not a table");
        person.Upload("#file", LoggerFile("first.csv", comma: true)).Press("Go on").ReadUntil("h2", "first.csv");
        person.ReadUntil(".hint", "Say once");
        person.Press("Import").ReadUntil(".columns-form .field-error", "one column at least");
        person.Tap("[name=place-1] option[value='0']").Tap("[name=place-2] option[value=bend]").Type("[name=name-2]", "lower left")
            .Tap("[name=place-3] option:nth-last-child(5)");
        person.Tap("[name=unit-1] option:nth-child(1)").Tap("[name=unit-2] option:nth-child(1)").Tap("[name=unit-3] option:nth-child(3)")
            .Press("Import");
        Assert.Contains("ended at", person.ReadUntil(".verdict", "min of heat"), StringComparison.Ordinal);
        Assert.Contains("the last 1", person.Read(".verdict"), StringComparison.Ordinal);
        person.ReadUntil(".run-tables", "lower left");

        person.Tap("#markKind option[value=FansOn]").Type("#markAt", "900").Press("Save the mark").See("#markAt.is-invalid");
        person.Type("#markAt", "57").Press("Save the mark").ReadUntil(".run-verdict", "fans on");

        var csv =
            await person.Http.GetStringAsync(
            person.See(".run-files a[href$='.csv']").GetAttribute("href"), TestContext.Current.CancellationToken);
        Assert.StartsWith("time,coldest return bend (°C),lower left (°C),heater leg", csv, StringComparison.Ordinal);
        Assert.Equal(161, csv.Trim().Split('\n').Length);
        var json =
            await person.Http.GetStringAsync(
            person.See(".run-files a[href$='.json']").GetAttribute("href"), TestContext.Current.CancellationToken);
        using var question = new StringContent(json, Encoding.UTF8, "application/json");
        using var answer = await person.Http.PostAsync("/api/defrost/analysis", question, TestContext.Current.CancellationToken);
        using var analysis = JsonDocument.Parse(await answer.Content.ReadAsStringAsync(TestContext.Current.CancellationToken));
        Assert.InRange(analysis.RootElement.GetProperty("heatAfterClearMin").GetDouble(), 10, 14);

        person.Press("From a logger").Upload("#file", LoggerFile("second.csv", comma: true)).Press("Go on")
            .ReadUntil(".hint", "was named before");
        Assert.Equal("lower left", person.Value("[name=name-2]"));
        person.Press("Import").See(".verdict");
        Assert.Equal(2, person.Count(".run-list li"));
        person.Tap(".run-list .under").ReadUntil(".run-compare", "The same within 2 min");

        var saved = Path.Combine(files, "run.json");
        await File.WriteAllTextAsync(saved, json, TestContext.Current.CancellationToken);
        person.Press("From a logger").Upload("#file", saved).Press("Go on").See(".verdict");
        Assert.Equal(3, person.Count(".run-list li"));
    }

    [Fact]
    public void The_heaters_are_judged_by_a_clamp_alone()
    {
        Start();
        SaveSetUp();
        person.Press("Clock, heater and switch tests").Press("Judge the heaters").ReadUntil("#leg1-error", "one leg at least");
        person.Type("#heaterVolts", "228").Type("#leg1", "7.8").Press("Judge the heaters")
            .ReadUntil("[data-elements-out='']", "draws what it should");
        person.Type("#leg1", "0").Press("Judge the heaters").ReadUntil("[data-elements-out='1']", "is out");
        person.ReadUntil("#panel, .panel", "Heater element 1");
    }

    [Fact]
    public void A_schedule_is_planned_round_busy_hours_and_neighbours_and_set()
    {
        Start();
        SaveSetUp();
        person.Press("Plan the schedule").ReadUntil(".lead-line", "4 × 45 min");
        person.Type("#busy", "whenever").Press("Work it out").ReadUntil("#busy-error", "07:00-09:30");
        person.Type("#count", "3").Type("#length", "25").Type("#busy", "05:00-09:00").Type("#neighbours", "F-3: 13:00-13:40, 21:00-21:40")
            .Type("#askedBy", "warranty desk").Type("#asked", "06:00 18:00").Type("#askedLength", "45")
            .Press("Work it out").ReadUntil(".lead-line", "3 × 25 min");
        var planned = person.See("[data-planned]").GetAttribute("data-planned")!.Split(' ');
        Assert.Equal(3, planned.Length);
        Assert.DoesNotContain(
            planned, t =>
            t.StartsWith("06", StringComparison.Ordinal) || t.StartsWith("07", StringComparison.Ordinal)
            || t.StartsWith("13:0", StringComparison.Ordinal));
        person.ReadUntil(".plan-card", planned[0]);
        // Ice by the air that comes in through the door, typed in the other unit.
        person.Tap(".door > summary").Type("#outside", "warm").Press("Work it out").ReadUntil("#outside-error", "not a number");
        person.Type("#outside", "300 °F").Press("Work it out").ReadUntil("#outside-error", "between -40.0 °C and 50.0 °C");
        person.Type("#outside", "77 °F").Type("#outsideRh", "60").Type("#doorWidth", "0.9").Type("#doorHeight", "2").Type("#openings", "40")
            .Type("#seconds", "20").Press("Work it out").ReadUntil("main", "kg of ice a day");
        person.Type("#look", "ceiling dry, bottom bends clear").Press("Set as asked for").ReadUntil(".saved", "2");
        person.Station("changes").ReadUntil(".open-items", "look for: ceiling dry");
        person.ReadUntil(".done-list", "warranty desk");
        person.Station("defrost").ReadUntil(".set-up summary", "06:00, 18:00");
    }

    [Fact]
    public void Clock_and_switches_are_tested_at_known_times_and_temperatures()
    {
        Start();
        SaveSetUp();
        person.Press("Clock, heater and switch tests").Type("#waited", "60").Press("Save the test of the clock")
            .ReadUntil("#dial-error", "go together");
        person.Type("#dial", "0").Tap("#contacts option[value=true]").Press("Save the test of the clock")
            .ReadUntil("[data-clock=Stopped]", "contacts change over");
        void State(string at, bool closed) =>
            person.Type("#at-EndOfHeat", at).Tap($"[data-switch=EndOfHeat] button[value={(closed ? "true" : "false")}]")
            .ReadUntil("[data-switch=EndOfHeat] .run-told", $"{at}.0 °C {(closed ? "closed" : "open")}");
        State("0", closed: true);
        State("11", closed: true);
        person.See("[data-verdict=NotBracketed]");
        State("15", closed: false);
        person.ReadUntil("[data-verdict=InTolerance]", "between 11.0 °C and 15.0 °C");
        person.Type("#at-FanDelay", "cold").Tap("[data-switch=FanDelay] button[value=true]")
            .ReadUntil("[data-switch=FanDelay] .field-error", "not a number");
    }

    [Fact]
    public async Task The_interface_for_programs_says_what_is_wrong_with_a_run()
    {
        using var nothing =
            await person.Http.PostAsJsonAsync(
            "/api/defrost/analysis", new { tracks = Array.Empty<object>() }, TestContext.Current.CancellationToken);
        Assert.Equal(System.Net.HttpStatusCode.BadRequest, nothing.StatusCode);
        var said = await nothing.Content.ReadAsStringAsync(TestContext.Current.CancellationToken);
        Assert.Contains("setUp", said, StringComparison.Ordinal);
        using var crooked = await person.Http.PostAsJsonAsync("/api/defrost/analysis",
            new { setUp = new { kind = "electric" },
                tracks = new[] { new { place = "coldestBend", minutes = new[] { 0, 5, 4 }, values = new[] { 1, 2, 3 } } } },
                TestContext.Current.CancellationToken);
        Assert.Contains(
            "Minutes must rise", await crooked.Content.ReadAsStringAsync(TestContext.Current.CancellationToken), StringComparison.Ordinal);
        Assert.Contains(
            "/api/defrost/analysis", await person.Http.GetStringAsync("/openapi/v1.json", TestContext.Current.CancellationToken),
            StringComparison.Ordinal);
    }
}
