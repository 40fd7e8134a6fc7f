using KeenEmber.Core.Benches.Electrical;
using KeenEmber.Core.Findings;
using KeenEmber.Core.Plant;
using KeenEmber.Core.Quantities;
using KeenEmber.Core.Record;
using KeenEmber.Core.Tests.Cases;
using KeenEmber.Core.Visits;
using static KeenEmber.Core.Tests.Record.Entries;

namespace KeenEmber.Core.Tests.Benches.Electrical;

/// <summary>What capacitors, windings and supplies say by their numbers, and until when.</summary>
public sealed class LoadTestsTests
{
    private static EntryHeader At(int minute) => new(Guid.CreateVersion7(), VisitId, Nine.AddMinutes(minute), Nine, "Isolde");

    private static LoadTestEntry Capacitor(double measured, double? marked, int minute = 5) => new(
        At(minute), new(ComponentKind.CondenserFanCapacitor), LoadTest.Capacitance, [new("", new(measured, Unit.Microfarad))],
        marked is { } m ? new(m, Unit.Microfarad) : null);

    private static LoadTestEntry Windings(params double[] ohms) => new(
        At(5), new(ComponentKind.Compressor), LoadTest.Windings, [.. ohms.Select(o => new LoadReading("", new(o, Unit.Ohm)))]);

    private static LoadTestEntry Supply(params (string Between, double Volts)[] volts) => new(
        At(5), new(ComponentKind.Breaker), LoadTest.Voltage, [.. volts.Select(v => new LoadReading(v.Between, new(v.Volts, Unit.Volt)))]);

    private static Finding? Judge(Entry entry) => MeasuredPart.Of(entry, Policies.Default)?.Finding;

    [Theory]
    [InlineData(5.2, 8.0, PartFindings.CapacitorWeak)]
    [InlineData(4.4, 5.0, PartFindings.CapacitorWeak)]
    [InlineData(4.75, 5.0, null)]
    [InlineData(4.6, 5.0, PartFindings.CapacitorWeak)]
    [InlineData(0.1, 5.0, PartFindings.CapacitorOpen)]
    [InlineData(6.0, 5.0, PartFindings.CapacitorHigh)]
    [InlineData(5.2, null, null)]
    public void A_capacitor_is_judged_by_its_mark(double measured, double? marked, string? code) =>
        Assert.Equal(code, Judge(Capacitor(measured, marked))?.Code);

    [Theory]
    [InlineData(new[] { 2.4, 9.8, 12.1 }, null)]
    [InlineData(new[] { 12.1, 2.4, 9.8 }, null)]
    [InlineData(new[] { 3.1, 3.2, 3.1 }, null)]
    [InlineData(new[] { 2.4, 9.8, 9.9 }, PartFindings.WindingsOdd)]
    [InlineData(new[] { 0.0, 2.4, 2.4 }, PartFindings.WindingShorted)]
    public void A_sound_motor_adds_up_or_is_alike_in_three(double[] ohms, string? code) =>
        Assert.Equal(code, Judge(Windings(ohms))?.Code);

    [Fact]
    public void A_lost_leg_is_named_and_an_unbalance_weighed()
    {
        var lost = Judge(Supply(("L1-L2", 208), ("L2-L3", 0)))!;
        Assert.Equal((PartFindings.LegLost, "L2-L3"), (lost.Code, lost.Detail));
        Assert.Null(Judge(Supply(("L1-L2", 208), ("L2-L3", 209), ("L1-L3", 207))));
        Assert.Equal(PartFindings.Unbalanced, Judge(Supply(("L1-L2", 208), ("L2-L3", 220), ("L1-L3", 207)))?.Code);
        Assert.Null(Judge(Supply(("L1-L2", 208))));
        // Two legs with a neutral between them are no three phases.
        Assert.Null(Judge(Supply(("L1-L2", 240), ("L1-N", 121), ("L2-N", 119))));
        Assert.Equal("electrical.neutral-lost", Judge(Supply(("L1-L2", 240), ("L1-N", 86), ("L2-N", 154)))?.Code);
        Assert.Null(Judge(Supply(("L1-N", 120), ("L1-earth", 119))));
        var now = Worked.Of(Capacitor(5.2, 8, minute: 2), Supply(("L1-L2", 208), ("L2-L3", 0))).Of<ElectricalJudgement>()!.Now;
        Assert.Equal([PartFindings.LegLost, PartFindings.CapacitorWeak], now.Select(f => f.Code));
    }

    [Fact]
    public void A_new_capacitor_or_a_good_measurement_ends_it()
    {
        var part = new PartEntry(
            At(20), "", "", "", "", "", false, WorkArea.CondenserFan, new Component(ComponentKind.CondenserFanCapacitor));
        string[] Now(params Entry[] entries) =>
            [.. Worked.Of(entries).Of<ElectricalJudgement>()!.Now.Select(f => f.Code)];
        Assert.Equal([PartFindings.CapacitorWeak], Now(Capacitor(5.2, 8)));
        Assert.Empty(Now(Capacitor(5.2, 8), part));
        Assert.Empty(Now(Capacitor(5.2, 8), Capacitor(8.1, 8, minute: 9)));
        Assert.Single(Worked.Of(Capacitor(5.2, 8), part).Of<ElectricalJudgement>()!.Found);
    }

    [Fact]
    public void A_capacitor_that_drifts_shows_as_a_trend_until_it_is_replaced()
    {
        Timeline Visit(params Entry[] entries) => new(entries, Freezer, Pressure.StandardAtmosphere);
        var trend = Assert.Single(ElectricalTrends.Of(
            [Visit(Capacitor(35, 35)), Visit(Capacitor(33.4, 35, minute: 60))], Policies.Default));
        Assert.Equal((ElectricalTrends.Microfarad, 2), (trend.Code, trend.Marks.Count));
        Assert.False(trend.Marks[0].Moved);
        Assert.Equal(33.4, trend.Marks[1].Value, 0.001);
        var part = new PartEntry(At(90), "run capacitor", "", "weak", "", "", false,
            Component: new(ComponentKind.CondenserFanCapacitor));
        Assert.Empty(ElectricalTrends.Of([Visit(Capacitor(35, 35), Capacitor(33, 35, minute: 60), part,
            Capacitor(35, 35, minute: 100))], Policies.Default));
    }
}
