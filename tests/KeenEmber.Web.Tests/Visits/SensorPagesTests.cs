using System.Net;
using System.Net.Http.Json;
using System.Text.Json;

namespace KeenEmber.Web.Tests.Visits;

/// <summary>The pages of sensors and controller, from an empty record.</summary>
public sealed class SensorPagesTests : IDisposable
{
    private readonly TestApp app = new();
    private readonly Person person;

    public SensorPagesTests() => person = new(app);

    public void Dispose()
    {
        person.Dispose();
        app.Dispose();
    }

    private void Start(string station)
    {
        person.Go("/equipment/new").Type("#tag", "F-9").Type("#refrigerant", "R448A").Type("#target", "-18")
            .Tap("#kind option[value=WalkInFreezer]").Press("Add this unit");
        person.Type("#author", "Isolde Marrin").Type("#complaint", "Never gets cold").Press("Start a visit").See("#line");
        person.Station(station);
    }

    private void Put(string name, string role, string channel)
    {
        if (!person.SeesNow("#sensor-form[open]"))
            person.Tap("#sensor-form > summary");
        person.Type("#name", name).Tap($"#role option[value={role}]").Type("#channel", channel).Press("Put it on the list")
            .See($".sensor-table [data-sensor={name}]");
    }

    private void Fill(string sensor, string reference, string leads, string shown)
    {
        var row = $".sensor-table [data-sensor={sensor}] ";
        person.Type(row + "[id^=ref]", reference).Type(row + "[id^=sig]", leads).Type(row + "[id^=shown]", shown);
    }

    [Fact]
    public void A_sensor_gets_its_own_table_a_transducer_its_ends_and_both_leave_the_list_again()
    {
        Start("sensors");
        person.Type("#name", "probe").Tap("#curve option[value=table]").Press("Put it on the list").ReadUntil("#signal0-error", "27.28k");
        person.Type("#signal0", "27.28k").Type("#value0", "0").Type("#signal1", "10k").Type("#value1", "77 °F").Type("#signal2", "30k")
            .Type("#value2", "50").Press("Put it on the list")
            .ReadUntil(".field .field-error", "must rise or fall all the way");
        person.Type("#signal2", "4160").Press("Put it on the list")
            .ReadUntil(".sensor-table [data-sensor=probe]", "by a manufacturer's table");
        person.Tap("#sensor-form > summary").Type("#name", "suction").Tap("#role option[value=SuctionPressure]")
            .Tap("#curve option[value='4-20mA']").Tap("#sensor-form .door > summary")
            .Type("#signal0", "4").Type("#value0", "-1").Type("#signal1", "20").Type("#value1", "30").Press("Put it on the list")
                .ReadUntil(".sensor-table [data-sensor=suction]", "4 to 20 mA");
        Fill("probe", "-10", "42.5k", "-10.1");
        Fill("suction", "1.40", "5.24", "1.42");
        person.Type("#lead", "80").Press("Keep the round").ReadUntil("#lead-error", "less than 5");
        person.Type("#lead", "0.4").Press("Keep the round").See(".sensor-list [data-sensor=probe][data-verdict=Good]");
        person.See(".sensor-list [data-sensor=suction][data-verdict=Good]");
        person.Tap(".sensor-list [data-sensor=probe] summary").Tap(".sensor-list [data-sensor=probe] .curve-table summary")
            .ReadUntil(".sensor-list [data-sensor=probe] .curve-table", "27.28 kΩ");
        person.Press("Change its line").ReadUntil("#sensor-form", "It is gone");
        Assert.Equal("27280", person.Value("#signal0"));
        person.Type("#place", "by the door").Press("Keep the line").ReadUntil(".sensor-list [data-sensor=probe]", "by the door");
        person.Go(person.Path + "?edit=suction").Press("It is gone").ReadUntil(".sensor-list", "probe");
        Assert.False(person.SeesNow(".sensor-list [data-sensor=suction]"));
    }

    [Fact]
    public void A_slip_is_asked_about_and_an_open_sensor_is_open()
    {
        Start("sensors");
        Put("box", "Box", "1");
        Fill("box", "-12.4", "47.3", "-12.2");
        person.Press("Keep the round").ReadUntil("[data-slip=KiloohmForOhm]", "kΩ for Ω?");
        Fill("box", "-12.4", "OL", "-50");
        app.Clock.Later(4);
        person.Press("Keep the round").ReadUntil("[data-code='sensor.open']", "is open");
        person.ReadUntil("[data-consequence]", "the box gets warm");
        person.Tap(".door summary").Type("#from", "2").Type("#to", "34").Type("#samples", "10 8, 30 20, sixty").Press("Keep the test")
            .ReadUntil("#samples-error", "“sixty”");
        person.Type("#samples", "10 11, 30 22, 60 30").Press("Keep the test").ReadUntil("[data-response=Quick]", "Quick enough");
    }

    [Fact]
    public void A_welded_relay_a_wetted_control_and_an_absurd_parameter_are_found()
    {
        Start("controls");
        person.Press("Outputs and damage").Press("Keep the look").ReadUntil(".set-up-form", "Say at least one");
        person.Tap("#called option[value=false]").Tap("#live option[value=true]").Tap("#runs option[value=true]").Press("Keep the look")
            .ReadUntil("[data-output=Compressor] .fault", "The contact is welded");
        person.ReadUntil(".stands", "live though not called");
        person.Tap("[data-part=Display] [value=Wet]").ReadUntil("[data-replace]", "control, display, cable and sensors");
        person.Press("Parameter sheet").Type("#AsFound-SetPoint", "-18").Type("#AsFound-DefrostLength", "long").Press("Keep the sheet")
            .ReadUntil("[data-parameter=DefrostLength]", "not a number");
        Assert.Equal("-18", person.Value("#AsFound-SetPoint"));
        person.Type("#AsFound-DefrostLength", "99").Type("#AsSet-DefrostLength", "30").Type("#AsSet-SetPoint", "-22")
            .Tap("[name=back][value=SetPoint]").Press("Keep the sheet")
            .ReadUntil("[data-code='parameter.set-point-off-target']", "does not belong");
        Assert.False(person.SeesNow("[data-code='parameter.defrost-length']"));
        person.Station("changes").ReadUntil("main", "longest defrost, 99 min → 30 min");
        person.ReadUntil(".open-items", "Setting shifted for a test: set point");
    }

    [Fact]
    public void A_cycle_is_watched_against_its_setting()
    {
        Start("controls");
        person.Press("Cycle and dial").Type("#set", "-18").Type("#differential", "-2").Press("Keep the setting")
            .ReadUntil("#differential-error", "above 0");
        person.Type("#differential", "2").Press("Keep the setting").ReadUntil("main", "out at -18.0 °C, in at -16.0 °C");
        foreach (
            var (minute, temp, kind) in new[] { (0, "-21.1", "false"), (12, "-19", "true"), (34, "-21", "false"), (46, "-18.9", "true") })
        {
            app.Clock.Later(minute);
            person.Type("#at", temp).Tap($"[name=cutsIn][value={kind}]").See($"#at[value='']");
        }

        person.ReadUntil("[data-cycle=Shifted]", "cold of what it is set to");
        person.ReadUntil(".stands", "does not act where it is set");
        person.ReadUntil(".cycle-table", "2.1");
        person.See(".cycle-chart .run-bar");
        person.Type("#dial", "-18").Type("#dialOut", "-21").Press("Keep this place of the dial")
            .ReadUntil("[data-dial=Shifted]", "Off by -3.0 K");
        person.Press("Keep what followed").ReadUntil("#control-error", "Which side");
        person.Type("#control", "left").Type("#followed", "right").Press("Keep what followed").See("[data-bulbs=OneCrossed]");
        person.Type("#control", "Right").Type("#followed", "left").Press("Keep what followed")
            .ReadUntil("[data-bulbs=Crossed]", "in each other's case");
    }

    [Fact]
    public async Task The_interface_for_programs_judges_a_board_and_says_what_is_wrong_with_a_question()
    {
        var stop = TestContext.Current.CancellationToken;
        static object Sensor(string name, string role, double reference, double ohm, double shown) =>
            new { name, role, family = "ntc-10k-3435", offsetParameter = 0, points = new[] { new { reference, signal = ohm, shown } } };
        using var answer =
            await person.Http.PostAsJsonAsync(
            "/api/sensors/analysis",
            new { sensors = new[] { Sensor("box", "Box", -12.4, 84_200, -24.2), Sensor("coil", "DefrostEnd", -24.3, 47_300, -12.3) } },
            stop);
        Assert.Equal(HttpStatusCode.OK, answer.StatusCode);
        using var json = JsonDocument.Parse(await answer.Content.ReadAsStringAsync(stop));
        var box = json.RootElement.GetProperty("sensors")[0];
        Assert.Equal(("swapped", "coil"), (box.GetProperty("verdict").GetString(), box.GetProperty("place").GetString()));
        Assert.Equal("sensor.swapped", json.RootElement.GetProperty("findings")[0].GetProperty("code").GetString());
        using var wrong =
            await person.Http.PostAsJsonAsync(
            "/api/sensors/analysis",
            new { sensors = new object?[] { new { name = "", family = "none", points = Array.Empty<object>() }, null } }, stop);
        Assert.Equal(HttpStatusCode.BadRequest, wrong.StatusCode);
        var said = await wrong.Content.ReadAsStringAsync(stop);
        Assert.All(["sensors[0].name", "sensors[0].family", "sensors[1]"], field => Assert.Contains(field, said, StringComparison.Ordinal));
        using var none = await person.Http.PostAsJsonAsync("/api/sensors/analysis", new { }, stop);
        Assert.Equal(HttpStatusCode.BadRequest, none.StatusCode);
        Assert.Contains("/api/sensors/analysis", await person.Http.GetStringAsync("/openapi/v1.json", stop), StringComparison.Ordinal);
    }
}
