using KeenEmber.Core.Benches.Controls;
using KeenEmber.Core.Cases;
using KeenEmber.Core.Plant;
using KeenEmber.Core.Quantities;
using KeenEmber.Core.Record;
using KeenEmber.Core.Visits;

namespace KeenEmber.Core.Tests.Cases;

public class UnitHistoryTests
{
    private static readonly DateTimeOffset Start = new(2026, 3, 2, 9, 0, 0, TimeSpan.Zero);
    private static readonly Equipment Unit =
        new(Guid.CreateVersion7(), Guid.CreateVersion7(), "F-3", "", EquipmentKind.WalkInFreezer, Temperature.FromCelsius(-20), 1, "", "",
        new(Guid.CreateVersion7(), "R404A", null, Metering.ThermostaticValve, CondenserKind.AirCooledRemote, CircuitParts.Receiver, ""));

    private static (Visit Visit, Timeline Timeline) On(int day, params Func<Visit, Entry>[] entries)
    {
        var visit = new Visit(Guid.CreateVersion7(), Unit.Id, Start.AddDays(day), "Isolde", "");
        return (visit, new([.. entries.Select(e => e(visit))], Unit, Pressure.StandardAtmosphere));
    }

    private static Func<Visit, Entry> Box(double celsius) =>
        v => new ReadingEntry(
            new(Guid.CreateVersion7(), v.Id, v.StartedAt, v.StartedAt, "Isolde"), MeasuringPoint.BoxAir,
            new(celsius, Core.Quantities.Unit.Celsius));

    private static Func<Visit, Entry> CutOut(double bar, SettingStage stage = SettingStage.AsFound) =>
        v => new SettingEntry(
            new(Guid.CreateVersion7(), v.Id, v.StartedAt, v.StartedAt, "Tobin"), PressureSetting.LowCutOut, stage,
            new(bar, Core.Quantities.Unit.Bar));

    private static Func<Visit, Entry> Ledger(double kg) =>
        v => new RefrigerantEntry(new(Guid.CreateVersion7(), v.Id, v.StartedAt, v.StartedAt, "Isolde"), "R404A", kg, "", "");

    private static Func<Visit, Entry> Motor(string place) =>
        v => new PartEntry(new(Guid.CreateVersion7(), v.Id, v.StartedAt, v.StartedAt, "Isolde"), "fan motor", place, "", "", "", false);

    private static UnitHistory Of(params (Visit, Timeline)[] visits) => UnitHistory.Of(visits, Pressure.StandardAtmosphere);

    [Fact]
    public void A_point_is_followed_in_the_order_of_the_visits_and_marked_where_it_moved()
    {
        var trend = Of(On(9, Box(-15)), On(0, Box(-20)), On(5, Box(-19.6))).Points[MeasuringPoint.BoxAir];
        Assert.Equal([-20, -19.6, -15], trend.Select(t => t.Value.Number));
        Assert.Equal([false, false, true], trend.Select(t => t.Moved));
    }

    [Fact]
    public void A_setting_has_a_line_only_where_it_changed()
    {
        var lines = Of(On(0, CutOut(1.2)), On(5, CutOut(1.21)), On(9, CutOut(1.2), CutOut(0.8, SettingStage.AsSet))).Settings;
        Assert.Equal([0.8, 1.2], lines.Select(l => l.Value.Number));
        Assert.Equal(9, (lines[0].Visit.StartedAt - Start).Days);
    }

    [Fact]
    public void Parts_and_refrigerant_are_listed_latest_first_and_summed_up()
    {
        var memory = Of(On(0, Motor("left"), Ledger(0.4)), On(30, Motor("left"), Ledger(-0.15)));
        Assert.Equal([30, 0], memory.Parts.Select(p => (p.Visit.StartedAt - Start).Days));
        Assert.Equal(2, Assert.Single(memory.Repeated).Times);
        Assert.Equal(0.25, memory.NetAddedKg, 1e-9);
    }

    [Fact]
    public void Without_visits_there_is_nothing_to_remember()
    {
        var memory = Of();
        Assert.Empty(memory.Points);
        Assert.Empty(memory.Settings);
        Assert.Equal(0, memory.NetAddedKg);
    }
}
