using System.Globalization;
using System.Text;
using KeenEmber.Browser.Tests.Harness;

namespace KeenEmber.Browser.Tests;

/// <summary>The defrost bench: watched live, from a logger's file, planned, tested, judged by the interface for programs.</summary>
public sealed class DefrostTests : IDisposable
{
    private readonly AppServer app = new();
    private readonly string files = Directory.CreateTempSubdirectory("keen-ember-files-").FullName;
    private readonly Person person;

    public DefrostTests() => person = new(app, phone: true);

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

    private void Round(int minute, double cold, double warm, double sensor, double amps)
    {
        app.Later(minute);
        void Value(string field, double value) => person.Type($"#v-{field}", value.ToString("0.#", CultureInfo.InvariantCulture));
        Value("ColdestBend", cold);
        Value("WarmestBend", warm);
        Value("AtSensor", sensor);
        Value("HeaterCurrent-1", amps);
        person.Tap(".run-round button").See($"#v-ColdestBend[placeholder='{cold.ToString("0.0", CultureInfo.InvariantCulture)} °C']");
    }

    private void Mark(int minute, string kind)
    {
        app.Later(minute);
        person.Tap($".run-marks button[value={kind}]").See($".run-seen [data-mark={kind}]");
    }

    [Fact]
    public void A_run_is_watched_through_a_reload_and_a_killed_server_and_ends_in_one_sentence()
    {
        Start();
        person.Type("#failSafe", "soon").Press("Save how it defrosts").ReadUntil("#failSafe-error", "from 1 to 240");
        Assert.Equal("on the shell", person.Value("#sensorPlace"));
        person.Type("#failSafe", "45");
        SaveSetUp();
        app.Later(0);
        person.Press("Begin before the heat").See(".run-live");
        Round(1, -24, -24, -24, 0);
        Mark(3, "HeatOn");
        Round(8, -6, -4, -12, 7.8);
        Round(13, 0.2, 0.4, -4, 7.8);

        // A bad value says so at its field, keeps the others and saves none of them.
        person.Type("#v-ColdestBend", "0.3").Type("#v-WarmestBend", "warm").Tap(".run-round button")
            .ReadUntil("#v-WarmestBend-error", "not a number");
        Assert.Equal("0.3", person.Value("#v-ColdestBend"));
        var path = person.Path;
        app.Restart();
        person.Go(path).See(".run-live");
        Assert.Matches("^1[34]:", person.Read(".run-clock"));
        Round(18, 0.3, 6, -1, 7.8);
        person.ReadUntil(".verdict", "the coil is not clear yet");
        Round(20, 2, 14, 0, 7.8);
        Round(22, 9, 21, 1, 7.8);
        Round(26, 22, 33, 4, 7.8);
        Mark(27, "CeilingFrost");
        Round(32, 38, 47, 9, 7.8);
        Round(36, 47, 55, 13, 7.8);
        Mark(36, "SwitchOpen");
        Mark(36, "HeatOff");
        Mark(40, "Refrigeration");
        Round(44, -8, -6, 0, 0);
        Mark(45, "FansOn");
        person.Press("Watched to the end").ReadUntil(".verdict", "ended");
        var verdict = person.Read(".verdict");
        Assert.Matches(
            @"^Electric defrost: 33 min of heat, ended at \d\d:\d\d by the termination switch; the coil was clear at \d\d:\d\d, so "
            + @"the last 1[6-8] min \(\d\d % of the heat\) only heated the coil and box\.$", verdict);
        person.See("[data-code='defrost.over-run']");
        person.ReadUntil("[data-code='defrost.sensor-lags']", "sits too cold");
        person.ReadUntil("[data-code='defrost.vapour']", "min after clear");
        person.ReadUntil("[data-remedy=MoveSensor]", "clears last");
        Assert.True(person.SeesNow(".defrost-chart.tall"));
        person.Station("record").ReadUntil(".timeline", "defrost: heat on");
        person.Go(path.Replace("/defrost", "/report", StringComparison.Ordinal)).ReadUntil(".report-run", "by the termination switch");
    }

    /// <summary>A run as a logger writes it, a row each half minute: clear 30 minutes after heat-on, off 12 minutes later.</summary>
    private string LoggerFile(string name, bool comma)
    {
        var culture = new NumberFormatInfo { NumberDecimalSeparator = comma ? "," : "." };
        var text = new StringBuilder("stamp;ch1;ch2;ch3\n");
        var start = DateTime.UtcNow.AddHours(-5);
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
}
