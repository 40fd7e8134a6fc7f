using KeenEmber.Core.Plant;
using KeenEmber.Core.Probes;
using KeenEmber.Core.Quantities;
using static KeenEmber.Core.Tests.Record.Entries;

namespace KeenEmber.Core.Tests.Probes;

/// <summary>What a probe that sends shows, whether it is heard and has settled, and whether it hangs where it is said to.</summary>
public sealed class LiveProbeTests
{
    private static LiveProbe Live(
        Unit unit, MeasuringPoint? at, double[] values, double everySeconds = 10, double agoSeconds = 1, string id = "p") =>
        new(new(id, id, unit.Kind, null),
            [.. values.Select((v, i) => new ProbeSample(i, Nine.AddSeconds(-agoSeconds - everySeconds * (values.Length - 1 - i)),
                new(v, unit)))], at is null ? ProbeUse.None : ProbeUse.Point, at is { } point ? point : null, Nine);

    [Theory]
    [InlineData(1, ProbeSignal.Live)]
    [InlineData(20, ProbeSignal.Live)]
    [InlineData(21, ProbeSignal.Late)]
    [InlineData(121, ProbeSignal.Lost)]
    public void It_is_heard_for_a_while(double agoSeconds, ProbeSignal signal) =>
        Assert.Equal(signal, Live(Unit.Celsius, null, [3], agoSeconds: agoSeconds).Signal);

    [Fact]
    public void A_stretch_that_stands_still_for_five_minutes_is_settled()
    {
        double[] settling = [8, 6, 4, .. Enumerable.Range(0, 31).Select(i => 2 + 0.4 * (i % 2))];
        Assert.Equal(Nine.AddSeconds(-301), Live(Unit.Celsius, null, settling).SettledSince);
        Assert.Null(Live(Unit.Celsius, null, settling[..30]).SettledSince);
        Assert.Null(Live(Unit.Celsius, null, [.. Enumerable.Range(0, 60).Select(i => 0.1 * i)]).SettledSince);
        Assert.Null(Live(Unit.Celsius, null, settling, agoSeconds: 60).SettledSince);
    }

    [Fact]
    public void Probes_that_hang_the_wrong_way_round_are_named()
    {
        var suction = Live(Unit.Celsius, MeasuringPoint.SuctionLineCoil, [31], id: "blue");
        var liquid = Live(Unit.Celsius, MeasuringPoint.LiquidLine, [-8], id: "red");
        Assert.Equal(("blue", "red"), ProbesOnVisit.Swapped([suction, liquid]) is var (a, b) ? (a.Probe.Id, b.Probe.Id) : default);
        Assert.Null(ProbesOnVisit.Swapped([Live(Unit.Celsius, MeasuringPoint.SuctionLineCoil, [-8]),
            Live(Unit.Celsius, MeasuringPoint.LiquidLine, [31])]));
        Assert.NotNull(ProbesOnVisit.Swapped([Live(Unit.Bar, MeasuringPoint.SuctionPressure, [14]),
            Live(Unit.Bar, MeasuringPoint.DischargePressure, [1.2])]));
        // One that is not heard any more says nothing.
        Assert.Null(ProbesOnVisit.Swapped([suction, Live(Unit.Celsius, MeasuringPoint.LiquidLine, [-8], agoSeconds: 300)]));
    }

    [Fact]
    public void A_recording_keeps_a_sample_in_fifteen_seconds_and_never_more_than_a_course_takes()
    {
        List<ProbeSample> Sent(int seconds) =>
            [.. Enumerable.Range(0, seconds + 1).Select(s => new ProbeSample(s, Nine.AddSeconds(s), new(s, Unit.Celsius)))];
        var minute = LiveProbe.Thinned(Sent(60), Nine, Nine.AddSeconds(60)).ToList();
        Assert.Equal([0, 15, 30, 45, 60], minute.Select(s => s.Number));
        Assert.Equal([30, 45], LiveProbe.Thinned(Sent(60), Nine.AddSeconds(30), Nine.AddSeconds(50)).Select(s => s.Number));
        Assert.InRange(LiveProbe.Thinned(Sent(20_000), Nine, Nine.AddSeconds(20_000)).Count(), 200, 241);
    }

    [Fact]
    public void A_point_has_the_probe_that_was_tied_to_it_last()
    {
        ProbeTieEntry Tie(double minute, string probe, ProbeUse use, MeasuringPoint? at) => new(
            new(Guid.CreateVersion7(), VisitId, Nine.AddMinutes(minute), Nine.AddMinutes(minute), "Isolde"), probe, probe, use,
            at is { } point ? point : null);
        IEnumerable<string> Tied(params ProbeTieEntry[] ties) =>
            ProbesOnVisit.Ties(Cases.Worked.Of([.. ties]).Timeline).Keys.Order(StringComparer.Ordinal);
        Assert.Equal(["b"], Tied(Tie(0, "a", ProbeUse.Point, MeasuringPoint.LiquidLine), Tie(1, "b", ProbeUse.Point,
            MeasuringPoint.LiquidLine)));
        Assert.Equal(["a", "s"], Tied(Tie(0, "a", ProbeUse.Point, MeasuringPoint.LiquidLine), Tie(1, "s", ProbeUse.Scale, null)));
        Assert.Empty(Tied(Tie(0, "a", ProbeUse.Point, MeasuringPoint.LiquidLine), Tie(1, "a", ProbeUse.None, null)));
    }
}
