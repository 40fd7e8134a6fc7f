using KeenEmber.Core.Benches.Charge;
using KeenEmber.Core.Benches.Electrical;
using KeenEmber.Core.Cases;
using KeenEmber.Core.Plant;
using KeenEmber.Core.Quantities;
using KeenEmber.Core.Record;
using KeenEmber.Core.Visits;
using static KeenEmber.Core.Tests.Record.Entries;

namespace KeenEmber.Core.Tests.Benches.Charge;

/// <summary>Pressure tests, vacuums and the search for a leak.</summary>
public class TightTests
{
    private static readonly Pressure Atmosphere = Pressure.StandardAtmosphere;

    private static EntryHeader At(double minute) =>
        new(Guid.CreateVersion7(), VisitId, Nine.AddMinutes(minute), Nine.AddMinutes(minute), "Isolde");

    private static PressureTestEntry Nitrogen(double minute, double bar, double celsius, bool begins = false) =>
        new(At(minute), begins, new(bar, Unit.Bar), new(celsius, Unit.Celsius), new(10, Unit.Litre));

    private static TightResult Judge(PressureTestEntry begin, PressureTestEntry now) => PressureTest.Judge(begin, now, 10, Atmosphere);

    [Fact]
    public void A_circuit_that_only_cooled_holds()
    {
        // 21.01 bar absolute from 24 to 17 °C: 20.52 bar absolute, 19.51 on the gauge.
        var result = Judge(Nitrogen(0, 20, 24, true), Nitrogen(720, 19.5, 17));
        Assert.Equal(TightVerdict.Holds, result.Verdict);
        Assert.InRange(result.ExpectedKpa, 2050, 2053);
        Assert.Equal(12, result.Hours, 6);
    }

    [Fact]
    public void One_that_lost_what_its_temperature_does_not_explain_leaks()
    {
        var result = Judge(Nitrogen(0, 20, 24, true), Nitrogen(720, 19, 24));
        Assert.Equal(TightVerdict.Loses, result.Verdict);
        Assert.Equal(100, result.LostKpa, 3);
        // 100 kPa of 10 l in 12 h.
        Assert.Equal(100_000 * 10 / 43_200.0, result.LeakPaLPerS, 3);
    }

    [Theory]
    [InlineData(5, 20, TightVerdict.TooEarly)]
    [InlineData(5, 18, TightVerdict.Loses)]
    [InlineData(60, 21, TightVerdict.Gains)]
    public void Too_early_gained_or_gone_at_once(double minute, double bar, TightVerdict verdict) =>
        Assert.Equal(verdict, Judge(Nitrogen(0, 20, 22, true), Nitrogen(minute, bar, 22)).Verdict);

    [Fact]
    public void The_smallest_leak_it_could_see_shrinks_with_the_hours()
    {
        var begin = Nitrogen(0, 20, 22, true);
        var (hour, night) = (Judge(begin, Nitrogen(60, 20, 22)), Judge(begin, Nitrogen(720, 20, 22)));
        Assert.Equal(hour.SmallestPaLPerS, 12 * night.SmallestPaLPerS, 6);
        Assert.Equal(12, night.HoursFor(night.SmallestPaLPerS, 10), 6);
    }

    [Fact]
    public void A_leak_in_grams_a_year_and_back() =>
        // 1 Pa·l/s for a year is 31.6 kPa·m³: 12.9 mol at 20 °C, 1.29 kg at 100 g/mol.
        Assert.Equal((1.29, 1.0), (Math.Round(LeakSize.KgPerYear(1, Temperature.FromCelsius(20)), 2),
            Math.Round(LeakSize.PaLPerS(LeakSize.KgPerYear(1, Temperature.FromCelsius(5)), Temperature.FromCelsius(5)), 9)));

    private static VacuumEntry Vacuum(double minute, VacuumStep step, double? pa, double? coldest = null) =>
        new(At(minute), step, pa is { } p ? new(p, Unit.Pascal) : null, null, coldest is { } c ? new(c, Unit.Celsius) : null);

    [Fact]
    public void Pumping_falls_by_an_even_factor_and_says_when_it_is_deep_enough()
    {
        // A tenth every 20 minutes: from 6670 Pa at 0 it is at 66.7 Pa after 40.
        var evacuation = VacuumCourse.Of([Vacuum(0, VacuumStep.PumpOn, 6670), Vacuum(10, VacuumStep.Reading, 2109),
            Vacuum(20, VacuumStep.Reading, 667)])!;
        Assert.Equal(40, (evacuation.Target!.Value - Nine).TotalMinutes, 0.5);
        Assert.False(evacuation.HasStalled);
        Assert.Null(evacuation.Decay);
    }

    [Fact]
    public void A_pump_that_gets_no_further_has_stalled_and_a_cold_circuit_may_freeze()
    {
        var evacuation = VacuumCourse.Of([Vacuum(0, VacuumStep.PumpOn, 1100, 3), Vacuum(15, VacuumStep.Reading, 1090),
            Vacuum(30, VacuumStep.Reading, 1085)])!;
        Assert.True(evacuation.HasStalled);
        Assert.True(evacuation.MayFreeze);
    }

    [Fact]
    public void Only_what_was_read_since_it_was_shut_off_is_its_rise()
    {
        Entry[] all = [Vacuum(0, VacuumStep.PumpOn, 9000), Vacuum(40, VacuumStep.Reading, 60), Vacuum(41, VacuumStep.Isolated, 60),
            .. new[] { 45, 50, 55, 60, 70, 80 }.Select(m => Vacuum(m, VacuumStep.Reading, 62 + m / 40.0))];
        var shut = VacuumCourse.Of(all)!;
        Assert.Equal(7, shut.SinceIsolated.Count);
        Assert.Equal(DecayVerdict.Dry, shut.Decay!.Verdict);
        var broken = VacuumCourse.Of([.. all, Vacuum(90, VacuumStep.NitrogenIn, null)])!;
        Assert.Equal((VacuumStep.NitrogenIn, DecayVerdict.Dry), (broken.Stage!.Value, broken.Decay!.Verdict));
        Assert.Equal(7, broken.SinceIsolated.Count);
        Assert.Equal(1, broken.BrokenTimes);
        Assert.Null(VacuumCourse.Of([]));
    }

    private static LeakEntry Look(double minute, LeakPlace place, LeakResult result, string where = "") =>
        new(At(minute), place, where, LeakMethod.Bubbles, result);

    [Fact]
    public void Caps_come_first_after_gauges_and_a_sealed_unit_has_none()
    {
        var open = LeakSearch.Order(Freezer, [], [], hadGauges: true, [], oilSeen: false);
        Assert.Equal((LeakPlace.CapOrCore, LeakReason.GaugesWereOn), (open[0].Place, open[0].Reason));
        var capillary = Freezer with { Circuit = Freezer.Circuit with { Metering = Metering.CapillaryTube } };
        var closed = LeakSearch.Order(capillary, [], [], hadGauges: true, [], oilSeen: false);
        Assert.Equal(LeakPlace.ProcessTube, closed[0].Place);
        Assert.DoesNotContain(closed, p => p.Place is LeakPlace.CapOrCore or LeakPlace.FlareNut or LeakPlace.ValveStem);
    }

    [Fact]
    public void Where_it_leaked_before_and_where_it_was_opened_moves_up()
    {
        var order = LeakSearch.Order(Freezer, [Look(1, LeakPlace.FlareNut, LeakResult.Tight)],
            [Look(-9999, LeakPlace.CondenserBend, LeakResult.Repaired)], false, [ComponentKind.Drier], false).ToList();
        Assert.Equal(LeakReason.LeakedBefore, order[0].Reason);
        Assert.True(order.FindIndex(p => p.Place == LeakPlace.DrierJoint) < order.FindIndex(p => p.Place == LeakPlace.RubOut));
        Assert.Equal(LeakResult.Tight, order.Find(p => p.Place == LeakPlace.FlareNut)!.Last!.Result);
    }

    [Fact]
    public void What_a_test_said_before_the_repair_says_nothing_of_now()
    {
        Entry[] rise = [Vacuum(0, VacuumStep.Isolated, 60), .. new[] { 5, 10, 20, 30, 45, 60 }
            .Select(m => Vacuum(m, VacuumStep.Reading, 60 + 20.0 * m))];
        Assert.Contains(Cases.Worked.Of(rise).Faults, f => f.Code == ChargeBench.VacuumLeak);
        var repaired = Cases.Worked.Of([.. rise, Look(70, LeakPlace.FlareNut, LeakResult.Leaks), Look(75, LeakPlace.FlareNut,
            LeakResult.Repaired)]);
        Assert.DoesNotContain(repaired.Faults, f => f.Code == ChargeBench.VacuumLeak);
        Assert.Contains(repaired.Found, f => f.Code == ChargeBench.VacuumLeak);
        Assert.True(repaired.Of<ChargeJudgement>()!.IsOpened);
    }

    [Fact]
    public void A_leak_stays_found_after_its_repair_and_asks_for_proof()
    {
        var leak = Look(5, LeakPlace.CapOrCore, LeakResult.Leaks, "suction port");
        var found = Cases.Worked.Of(leak);
        Assert.Contains(found.Faults, f => f.Code == ChargeBench.LeakFound);
        Entry repair = leak with { Header = At(20), Result = LeakResult.Repaired, How = "core replaced" };
        var repaired = Cases.Worked.Of(leak, repair);
        Assert.DoesNotContain(repaired.Faults, f => f.Code == ChargeBench.LeakFound);
        Assert.Contains(repaired.Found, f => f.Code == ChargeBench.LeakFound);
        Assert.Contains(repaired.Proofs, p => p is { Kind: ProofKind.HeldTight, IsProved: false });
        var proved = Cases.Worked.Of(leak, repair, Nitrogen(30, 20, 22, true), Nitrogen(400, 20, 22));
        Assert.Contains(proved.Proofs, p => p is { Kind: ProofKind.HeldTight, IsProved: true });
        Assert.True(proved.Of<ChargeJudgement>()!.IsOpened);
        Entry[] dry = [Vacuum(41, VacuumStep.Isolated, 60), .. new[] { 45, 50, 55, 60, 70, 80 }
            .Select(m => Vacuum(m, VacuumStep.Reading, 62 + m / 40.0))];
        Assert.False(Cases.Worked.Of([leak, repair, .. dry]).Of<ChargeJudgement>()!.IsOpened);
    }

    private static PartEntry Part(double minute, ComponentKind kind) =>
        new(At(minute), kind.ToString(), "", "", "", "", false, WorkArea.Circuit, new(kind));

    private static DrierAdvice Drier(params Entry[] standing) => Cases.Worked.Of(standing).DrierAdvice();

    [Fact]
    public void The_drier_goes_by_what_was_opened_and_found()
    {
        Assert.Equal(DrierAdvice.None, Drier(Look(5, LeakPlace.FlareNut, LeakResult.Leaks)));
        Assert.Equal(DrierAdvice.New, Drier(Part(5, ComponentKind.ExpansionValve)));
        Assert.Equal(DrierAdvice.None, Drier(Part(5, ComponentKind.ExpansionValve), Part(9, ComponentKind.Drier)));
        Assert.Equal(DrierAdvice.BurnOut, Drier(Part(5, ComponentKind.Compressor), new AutopsyEntry(
            At(8), new(ComponentKind.Compressor), [AutopsySign.BlackOil], "")));
        // Levels off where water of 20 °C boils.
        Entry[] wet = [Vacuum(0, VacuumStep.Isolated, 60), .. new[] { 5, 10, 20, 30, 45, 60, 90, 120 }
            .Select(m => Vacuum(m, VacuumStep.Reading, 2300 - 2240 * Math.Exp(-m / 15.0)))];
        Assert.Equal(DrierAdvice.NewAndAgain, Drier(wet));
    }
}
