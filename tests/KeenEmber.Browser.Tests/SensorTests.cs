using KeenEmber.Browser.Tests.Harness;

namespace KeenEmber.Browser.Tests;

/// <summary>The sensor and controller benches from an empty database, as somebody with a phone uses them.</summary>
public sealed class SensorTests : IDisposable
{
    private readonly AppServer app = new();
    private readonly Person person;

    public SensorTests() => person = new(app, phone: true);

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
    public void A_swapped_pair_and_a_drifted_end_sensor_are_told_proved_and_kept()
    {
        Start("sensors");
        person.Type("#name", "").Type("#offset", "much").Press("Put it on the list").ReadUntil("#name-error", "Name it");
        person.ReadUntil("#offset-error", "not a number");
        person.Type("#offset", "");
        Put("box", "Box", "1");
        Put("coil", "DefrostEnd", "2");
        Put("discharge", "Discharge", "3");

        // One bad field keeps the others and saves nothing.
        Fill("box", "-12.4", "81k", "-24.6 bar");
        person.Press("Keep the round").ReadUntil(".sensor-table [data-sensor=box]", "This unit does not fit");
        Assert.Equal("81k", person.Value(".sensor-table [data-sensor=box] [id^=sig]"));
        Fill("box", "-12.4", "84.2k", "-24.2");
        Fill("coil", "-24.3", "47.3k", "-12.3");
        Fill("discharge", "-16.1", "56.3k", "-16.2");
        person.Press("Keep the round").ReadUntil("[data-code='sensor.swapped'] .verdict", "Box and coil are swapped");
        Assert.Equal(2, person.Count(".sensor-board .lead.crossed"));
        person.See("[data-step=WarmByHand]");
        person.Tap("#moved option[value=coil]").Press("Keep what moved").ReadUntil(".confirmed", "Confirmed");
        app.Later(5);
        person.Press("Done").ReadUntil("[data-repaired=box]", "not checked since");
        app.Later(6);
        Fill("box", "-12.6", "47.9k", "-12.5");
        // The end sensor, plugged in right, reads five kelvin cold.
        Fill("coil", "-23.8", "113k", "-29.7");
        person.Press("Keep the round").ReadUntil("[data-repaired=box]", "and good");
        person.ReadUntil("[data-code='sensor.sensor-or-place'] .verdict", "drifted, or it is not where it should be");
        person.ReadUntil("[data-consequence]", "runs to its maximum time");
        Fill("coil", "0", "36.5k", "");
        person.Press("These were in a bath").See("[data-step=WarmBath]");
        app.Later(9);
        Fill("coil", "35", "7.0k", "");
        person.Press("These were in a bath").ReadUntil("[data-code='sensor.drifted'] .verdict", "Coil has drifted");
        var path = person.Path;
        person.Station("record").ReadUntil(".timeline", "box warmed by hand, input coil moved");
        person.Station("close").ReadUntil("main", "Coil has drifted");
        app.Restart();
        person.Go(path).ReadUntil("[data-code='sensor.drifted'] .verdict", "Coil has drifted");
        person.ReadUntil(".stands", "Sensor coil: drifted");
        person.Go(path.Replace("/sensors", "/report", StringComparison.Ordinal)).ReadUntil(".report-sensors", "Box and coil are swapped");
    }
}
