using KeenEmber.Core.Diagnosis;
using KeenEmber.Core.Plant;
using KeenEmber.Core.Quantities;
using KeenEmber.Core.Tests.Cases;

namespace KeenEmber.Core.Tests.Diagnosis;

/// <summary>A company's own closed visits move the odds of causes, within bounds.</summary>
public sealed class ClosedCasesTests
{
    private static ClosedCases Closed(string cause, int times) =>
        ClosedCases.Of(DiagnosisTable.Shipped, Enumerable.Repeat(cause, times));

    [Fact]
    public void Cases_of_several_causes_make_one_key_whatever_their_order()
    {
        static string Key(params string[] causes) => new DiagnosisInput(Worked.Of().MakeUp, Temperature.FromCelsius(-20), 2, [])
        {
            Closed = ClosedCases.Of(DiagnosisTable.Shipped, causes),
        }.Key;
        Assert.Equal(Key("condenser dirty", "leak"), Key("leak", "condenser dirty"));
        Assert.NotEqual(Key("condenser dirty", "leak"), Key("condenser dirty"));
    }

    private static double Odds(string code, ClosedCases closed)
    {
        var input = new DiagnosisInput(new(EquipmentKind.WalkInFreezer, Metering.ThermostaticValve, CondenserKind.AirCooledRemote,
            CircuitParts.Receiver), Temperature.FromCelsius(-20), 2, [new("coil", "iced"), new("box", "", 6)]) { Closed = closed };
        return new Diagnoser(DiagnosisTable.Shipped).Diagnose(input).Causes.FirstOrDefault(c => c.Cause.Code == code)?.Probability ?? 0;
    }

    [Fact]
    public void What_a_company_finds_often_is_likelier_there()
    {
        var often = Closed("Drain blocked, ice under the coil", 40);
        Assert.Equal((40, 40), (often.Cases, often.ByCause["drain-blocked"]));
        Assert.True(Odds("drain-blocked", often) > 1.5 * Odds("drain-blocked", ClosedCases.None));
    }

    [Fact]
    public void A_cause_that_was_never_found_keeps_a_floor_and_a_run_of_one_a_cap()
    {
        var drain = DiagnosisTable.Shipped.Causes.First(c => c.Code == "drain-blocked");
        var leak = DiagnosisTable.Shipped.Causes.First(c => c.Code == "leak");
        var run = Closed("drain blocked", 5000);
        Assert.Equal(4 * drain.PerThousand / 1000, run.Prior(drain), 1e-12);
        Assert.Equal(0.4 * leak.PerThousand / 1000, run.Prior(leak), 1e-12);
        Assert.Equal(leak.PerThousand / 1000, ClosedCases.None.Prior(leak), 1e-12);
    }

    [Fact]
    public void A_text_that_names_no_cause_counts_for_nothing() => Assert.Equal(0, Closed("customer away", 9).Cases);
}
