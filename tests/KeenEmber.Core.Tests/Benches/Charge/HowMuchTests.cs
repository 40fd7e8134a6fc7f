using KeenEmber.Core.Benches.Charge;
using KeenEmber.Core.Quantities;
using KeenEmber.Core.Record;
using KeenEmber.Core.Refrigerants;
using KeenEmber.Core.Visits;
using static KeenEmber.Core.Tests.Record.Entries;

namespace KeenEmber.Core.Tests.Benches.Charge;

/// <summary>What a circuit should hold, what the winter needs, and trimming by trial: worked cases.</summary>
public class HowMuchTests
{
    private static EntryHeader At(double minute) =>
        new(Guid.CreateVersion7(), VisitId, Nine.AddMinutes(minute), Nine.AddMinutes(minute), "Isolde");

    private static readonly Refrigerant R134a = RefrigerantCatalogue.Find("R134a")!, R404A = RefrigerantCatalogue.Find("R404A")!;

    [Fact]
    public void A_circuit_by_its_volumes()
    {
        // By hand, R134a at -4 °C and 38 °C: 4 l coil a quarter full (1.31) 1.31 kg and 3 l gas (0.0126) 0.04; 5 l condenser a fifth full
        // (1.16) 1.16 and 4 l gas (0.047) 0.19; 6 l receiver 1.74 and 0.21; 12 m of 10 mm liquid line 0.94 l 1.09;
        // suction 12 m of 22 mm 0.06.
        var result = ChargeEstimate.Of(new(At(0), 4, 5, 6, 12, 0.01, 12, 0.022), R134a, Temperature.FromCelsius(-4))!;
        Assert.InRange(result.Kg, 5.6, 6.0);
        Assert.InRange(result.HighKg - result.Kg, 0.6, 1.0);
        Assert.Equal(5, result.Parts.Count);
        Assert.Equal(CircuitPlace.Receiver, result.Parts.MaxBy(p => p.Kg).Place);
    }

    [Fact]
    public void A_flooded_condenser_on_the_coldest_day()
    {
        // Held at 32 °C, 12 K on a hot day. At 20 °C the load is nine tenths: 0.9·12/12 of the face works, 10 % stand full; at -20 °C
        // 0.633·12/52 works, 85 % stand full. 75 % of 6 l at 1.0 kg/l of liquid less gas: 4.5 kg.
        var winter = WinterCharge.Of(R404A, 6, 0, Temperature.FromCelsius(32), 12, Temperature.FromCelsius(20),
            Temperature.FromCelsius(-20), byFan: false)!;
        Assert.Equal((0.10, 0.85), (Math.Round(winter.FloodedNow, 2), Math.Round(winter.FloodedInCold, 2)));
        Assert.InRange(winter.AddKg, 3.8, 4.4);
        Assert.Null(winter.ReceiverHoldsKg);
        var fan = WinterCharge.Of(R404A, 6, 0, Temperature.FromCelsius(32), 12, Temperature.FromCelsius(20),
            Temperature.FromCelsius(-20), byFan: true)!;
        Assert.Equal(winter.AddKg / 2, fan.AddKg, 6);
    }

    [Theory]
    [InlineData(3, true)]
    [InlineData(10, false)]
    public void The_receiver_takes_it_back_in_summer_or_does_not(double receiverL, bool overfills) =>
        Assert.Equal(overfills, WinterCharge.Of(R404A, 6, receiverL, Temperature.FromCelsius(32), 12, Temperature.FromCelsius(15),
            Temperature.FromCelsius(-20), byFan: false)!.OverfillsReceiver);

    [Fact]
    public void A_day_as_cold_as_the_coldest_needs_nothing_more() =>
        Assert.Equal(0, WinterCharge.Of(R404A, 6, 0, Temperature.FromCelsius(32), 12, Temperature.FromCelsius(-20),
            Temperature.FromCelsius(-20), byFan: false)!.AddKg);

    private static TrimEntry Response(double minute, double drop) => new(At(minute), new(drop, Unit.KelvinDifference), null, null);

    private static RefrigerantEntry Step(double minute, double grams) =>
        new(At(minute), "R134a", grams / 1000, "", TrimEntry.Why);

    private static TrimState Trim(double now, params Entry[] entries) => Trimming.Of(entries, Nine.AddMinutes(now));

    [Fact]
    public void Trimming_goes_step_by_step()
    {
        Assert.Equal(TrimAdvice.Begin, Trim(0).Advice);
        Assert.Equal(TrimAdvice.Step, Trim(1, Response(1, 5)).Advice);
        var waiting = Trim(5, Response(1, 5), Step(4, 10), Response(5, 7));
        Assert.Equal((TrimAdvice.Wait, Nine.AddMinutes(14)), (waiting.Advice, waiting.WaitUntil!.Value));
        Assert.Equal(TrimAdvice.GoOn, Trim(20, Response(1, 5), Step(4, 10), Response(16, 6.2)).Advice);
        Assert.Equal(TrimAdvice.GoBack, Trim(20, Response(1, 5), Step(4, 10), Response(16, 4.2)).Advice);
        Assert.Equal(TrimAdvice.Stop, Trim(20, Response(1, 5), Step(4, 10), Response(16, 5.2)).Advice);
    }

    [Fact]
    public void Better_as_it_leaves_is_overcharged()
    {
        Entry[] steps = [Response(1, 5), Step(4, -10), Response(16, 6.1)];
        Assert.Equal(TrimAdvice.GoOnOut, Trim(20, steps).Advice);
        Assert.Contains(Cases.Worked.Of(steps).Faults, f => f.Code == ChargeBench.BetterAsItLeaves);
    }

    [Fact]
    public void Back_where_it_was_best_it_stops()
    {
        Entry[] there = [Response(1, 5), Step(4, 10), Response(16, 4.1), Step(18, -10), Response(30, 5.1)];
        Assert.Equal(TrimAdvice.Stop, Trim(31, there).Advice);
    }

    [Fact]
    public void A_response_that_still_moves_is_waited_for() =>
        Assert.Equal(TrimAdvice.Wait, Trim(30, Response(1, 5), Step(4, 10), Response(15, 5.9), Response(20, 6.6)).Advice);
}
