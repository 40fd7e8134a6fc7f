using KeenEmber.Core.Benches.Electrical;
using KeenEmber.Core.Cases;
using KeenEmber.Core.Plant;
using KeenEmber.Core.Quantities;
using KeenEmber.Core.Record;
using KeenEmber.Core.Tests.Cases;
using KeenEmber.Core.Visits;
using static KeenEmber.Core.Tests.Record.Entries;

namespace KeenEmber.Core.Tests.Benches.Electrical;

/// <summary>Parts that were tested field by field: what is wrong, what the diagnosis hears, and what drifts.</summary>
public sealed class MeasuredPartTests
{
    private static readonly Policies TenPercent =
        new(new Dictionary<Policy, PolicyChoice> { [Policy.RunCapacitor] = PolicyChoice.TenPercent });

    private static PartTestEntry Tested(
        Component component, TestedPart test, string numbers, int minute = 5, DateTimeOffset? day = null)
    {
        var fields = PartFields.Of(test);
        var typed = numbers.Split(' ').Select(n => n.Split('=')).Select(n => n[1].StartsWith('L') ? new PartNumber(n[0], null, n[1])
            : new(n[0], n[1] == "open" ? null : new(double.Parse(n[1], System.Globalization.CultureInfo.InvariantCulture),
                n[0] == "megohm" ? Unit.Megaohm : UnitPreference.Metric.For(fields.Single(f => MeasuredPart.Key(f) == n[0]).Kind))));
        return new(new(Guid.CreateVersion7(), VisitId, (day ?? Nine).AddMinutes(minute), Nine, "Isolde"), component, test, [.. typed]);
    }

    private static string[] Said(params Entry[] entries) =>
        [.. VisitFacts.Of(Worked.Of(entries)).Select(f => f.Answer.Length > 0 ? $"{f.Code}={f.Answer}" : $"{f.Code}={f.Number:F0}")];

    [Fact]
    public void What_the_plate_says_and_what_was_measured_are_told_apart()
    {
        var part = MeasuredPart.Of(Tested(new(ComponentKind.Contactor), TestedPart.Coil,
            "plate-volts=24 plate-ohms=12 volts=17 ohms=12.2"), Policies.Default)!;
        Assert.Equal(PartVerdict.Starved, part.Result.Verdict);
        Assert.Equal("electrical.coil-starved", part.Finding!.Code);
        Assert.Equal((17, 24), (part.Finding.Values["value"], part.Test.Plate["volts"]));
    }

    [Fact]
    public void A_company_may_allow_a_run_capacitor_ten_percent_and_what_is_printed_holds()
    {
        var part = Tested(new(ComponentKind.RunCapacitor), TestedPart.Capacitor, "plate-microfarad=35 microfarad=32");
        Assert.Equal(PartVerdict.Low, MeasuredPart.Of(part, Policies.Default)!.Result.Verdict);
        Assert.Equal(PartVerdict.Watch, MeasuredPart.Of(part, TenPercent)!.Result.Verdict);
        var printed = Tested(new(ComponentKind.RunCapacitor), TestedPart.Capacitor,
            "plate-microfarad=35 plate-tolerancePercent=5 microfarad=32");
        Assert.Equal(PartVerdict.Low, MeasuredPart.Of(printed, TenPercent)!.Result.Verdict);
    }

    [Fact]
    public void What_is_grave_stands_first()
    {
        var now = Worked.Of(
            Tested(new(ComponentKind.RunCapacitor), TestedPart.Capacitor, "plate-microfarad=35 microfarad=30"),
            Tested(new(ComponentKind.Compressor), TestedPart.Insulation, "plate-volts=230 megohm=0.1", minute: 9))
            .Of<ElectricalJudgement>()!.Now;
        Assert.Equal(["electrical.insulation-unsafe", PartFindings.CapacitorWeak], now.Select(f => f.Code));
    }

    [Theory]
    [InlineData(ComponentKind.RunCapacitor, TestedPart.Capacitor, "plate-microfarad=35 microfarad=28", "run-cap=80")]
    [InlineData(ComponentKind.Compressor, TestedPart.CompressorCurrent, "plate-amps=2 amps=1.6", "current=80")]
    [InlineData(ComponentKind.Compressor, TestedPart.Windings, "ohms12=7.6 ohms23=2.1 ohms13=9.7", "windings=sound")]
    [InlineData(ComponentKind.Compressor, TestedPart.Windings, "ohms12=open ohms23=2.1 ohms13=open", null)]
    [InlineData(ComponentKind.StartRelay, TestedPart.CurrentRelay, "ohmsUpright=open ohmsInverted=open", "start-relay=open")]
    [InlineData(ComponentKind.Overload, TestedPart.Overload, "ohms=0.2", "overload=closed")]
    [InlineData(ComponentKind.Overload, TestedPart.Overload, "ohms=open shellC=85", null)]
    [InlineData(ComponentKind.Contactor, TestedPart.ContactorPole, "plate-volts=230 amps=9 voltsAcross=8", "contactor-drop=high")]
    [InlineData(ComponentKind.Contactor, TestedPart.Coil, "plate-volts=230 volts=120", null)]
    [InlineData(ComponentKind.Fuse, TestedPart.Fuse, "plate-volts=230 voltsAcross=229", "supply=fuse-blown")]
    [InlineData(ComponentKind.HeaterElement, TestedPart.Insulation, "plate-volts=230 megohm=0", "heaters-earth=grounded")]
    [InlineData(ComponentKind.HeaterElement, TestedPart.Insulation, "plate-volts=230 megohm=500", null)]
    [InlineData(ComponentKind.Breaker, TestedPart.ThreePhaseSupply, "volts12=208 volts23=118 volts13=95", "supply-volts=leg-lost")]
    [InlineData(ComponentKind.Breaker, TestedPart.ThreePhaseSupply, "volts12=208 volts23=198 volts13=209", "unbalance=3")]
    [InlineData(ComponentKind.Breaker, TestedPart.ThreePhaseSupply, "volts12=0 volts23=1 volts13=0", "supply-volts=dead")]
    [InlineData(ComponentKind.Wiring, TestedPart.Insulation, "plate-volts=208 testVolts=500 megohm=0.02", "wiring=chafed")]
    [InlineData(ComponentKind.Breaker, TestedPart.PhaseOrder, "order=L1-L3-L2", "phase-order=reversed")]
    [InlineData(ComponentKind.Breaker, TestedPart.PhaseOrder, "order=L1-L2-L3", "phase-order=right")]
    public void The_diagnosis_hears_it(ComponentKind kind, TestedPart test, string numbers, string? said)
    {
        var facts = Said(Tested(new(kind), test, numbers));
        if (said is null)
            Assert.DoesNotContain(facts, f => f.StartsWith("heaters-earth", StringComparison.Ordinal)
                || f.StartsWith("overload", StringComparison.Ordinal) || f.StartsWith("windings", StringComparison.Ordinal)
                || f.StartsWith("contactor-coil-ohms", StringComparison.Ordinal));
        else
            Assert.Contains(said, facts);
    }

    [Fact]
    public void One_grounded_heater_speaks_for_all_and_all_must_be_clear_to_say_so()
    {
        Entry[] Elements(params double[] megohms) => [.. megohms.Select((m, i) => Tested(
            new(ComponentKind.HeaterElement, i + 1), TestedPart.Insulation,
            FormattableString.Invariant($"plate-volts=230 megohm={m}"), i))];
        Assert.Contains("heaters-earth=grounded", Said(Elements(500, 0, 500, 500, 500, 500)));
        Assert.DoesNotContain("heaters-earth=clear", Said(Elements(500, 500, 500)));
        Assert.Contains("heaters-earth=clear", Said(Elements(500, 500, 500, 500, 500, 500)));
    }

    [Fact]
    public void A_part_that_leaks_to_earth_stays_a_danger_on_the_next_visit_until_it_is_replaced_or_measured_sound()
    {
        var compressor = new Component(ComponentKind.Compressor);
        Timeline Visit(params Entry[] entries) => new(entries, Freezer, Pressure.StandardAtmosphere);
        PartTestEntry Megohms(int day, double value) => Tested(compressor, TestedPart.Insulation,
            FormattableString.Invariant($"plate-volts=230 megohm={value}"), day: Nine.AddDays(day));
        double Unsafe(params Timeline[] visits) =>
            new ElectricalJudgement(visits[^1], Freezer, visits, Policies.Default, null).Evidence[ElectricalJudgement.UnsafeParts];
        var leaks = Visit(Megohms(0, 0.1));
        Assert.Equal(1, Unsafe(leaks));
        Assert.Equal(1, Unsafe(leaks, Visit()));
        Assert.Contains("electrical.insulation-unsafe",
            new ElectricalJudgement(Visit(), Freezer, [leaks, Visit()], Policies.Default, null).Now.Select(f => f.Code));
        Assert.Equal(0, Unsafe(leaks, Visit(Megohms(7, 300)), Visit()));
        var replaced = new PartEntry(new(Guid.CreateVersion7(), VisitId, Nine.AddDays(7), Nine, "Isolde"), "", "", "grounded", "", "",
            false, WorkArea.Circuit, compressor);
        Assert.Equal(0, Unsafe(leaks, Visit(replaced), Visit()));
    }

    [Fact]
    public void A_part_that_drifts_says_when_it_leaves_its_band()
    {
        Timeline Visit(params Entry[] entries) => new(entries, Freezer, Pressure.StandardAtmosphere);
        var capacitor = new Component(ComponentKind.RunCapacitor);
        Timeline At(int days, double microfarad) => Visit(Tested(capacitor, TestedPart.Capacitor,
            FormattableString.Invariant($"plate-microfarad=35 microfarad={microfarad}"), day: Nine.AddDays(days)));
        DateTimeOffset? Out(params Timeline[] visits) =>
            ElectricalTrends.OutOfBandAt(visits, Policies.Default, capacitor, TestedPart.Capacitor);
        // 36 falls by 2.5 in 100 days; the band ends at 32.9, 0.6 lower: 24 days on.
        Assert.Equal(24, (Out(At(0, 36), At(100, 33.5))!.Value - Nine.AddDays(100)).TotalDays, 1.0);
        Assert.Null(Out(At(0, 35), At(100, 34.6)));
        Assert.Null(Out(At(0, 36)));
        Assert.Null(Out(At(0, 36), At(100, 31)));
    }

    [Fact]
    public void Insulation_drops_and_heaters_are_kept_as_trends()
    {
        Timeline Visit(int day, string megohm) => new([Tested(new(ComponentKind.Compressor), TestedPart.Insulation,
            $"plate-volts=230 megohm={megohm}", day: Nine.AddDays(day))], Freezer, Pressure.StandardAtmosphere);
        var trend = Assert.Single(ElectricalTrends.Of([Visit(0, "200"), Visit(30, "40")], Policies.Default));
        Assert.Equal((ElectricalTrends.InsulationMegohm, true), (trend.Code, trend.Marks[1].Moved));
    }
}
