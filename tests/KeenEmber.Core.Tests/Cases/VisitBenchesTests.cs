using KeenEmber.Core.Benches.Controls;
using KeenEmber.Core.Benches.Defrost;
using KeenEmber.Core.Benches.Glycol;
using KeenEmber.Core.Cases;
using KeenEmber.Core.Findings;
using KeenEmber.Core.Plant;
using KeenEmber.Core.Quantities;
using KeenEmber.Core.Record;
using static KeenEmber.Core.Tests.Record.Entries;

namespace KeenEmber.Core.Tests.Cases;

/// <summary>What is wrong beside the circuit, by everything one visit did.</summary>
public class VisitBenchesTests
{
    private static readonly Equipment Chiller = Freezer with { Kind = EquipmentKind.GlycolChiller, Target = Temperature.FromCelsius(-5) };

    private static SettingEntry Set(PressureSetting setting, SettingStage stage, double bar, int minute = 0) =>
        new(new(Guid.CreateVersion7(), VisitId, Nine.AddMinutes(minute), Nine, "Isolde"), setting, stage, new(bar, Unit.Bar));

    private static GlycolEntry Mixture(double percent) => new(new(Guid.CreateVersion7(), VisitId, Nine, Nine, "Isolde"), GlycolKind.Propylene, new(percent, Unit.Percent), null);

    private static VisitBenches Of(Equipment unit, IReadOnlyList<Timeline> upToHere, WatchedRun? run = null) => new(upToHere[0], upToHere, unit, Pressure.StandardAtmosphere, run, PlainJudging.Instance);

    private static Timeline Visit(params Entry[] entries) => new(entries, Freezer, Pressure.StandardAtmosphere);

    [Fact]
    public void A_visit_without_any_of_it_finds_nothing()
    {
        var benches = Of(Freezer, [Visit()]);
        Assert.Empty(benches.FaultsNow);
        Assert.Empty(benches.ToExplain(null));
        Assert.Null(benches.Glycol);
    }

    [Fact]
    public void A_setting_put_right_is_explained_and_no_longer_wrong()
    {
        var benches = Of(Freezer, [Visit(Set(PressureSetting.LowCutOut, SettingStage.AsFound, 2.5), Set(PressureSetting.LowCutOut, SettingStage.AsSet, 0.3, minute: 10))]);
        Assert.Empty(benches.FaultsNow);
        Assert.Equal(PressureControlChecks.CutOutAboveEvaporating, Assert.Single(benches.ToExplain(null)).Code);
        Assert.Equal(0.3, benches.Settings[PressureSetting.LowCutOut].Number);
    }

    [Fact]
    public void A_setting_nobody_looked_at_again_is_what_the_last_visit_left()
    {
        var earlier = Visit(Set(PressureSetting.LowCutOut, SettingStage.AsFound, 0.3));
        var earliest = Visit(Set(PressureSetting.LowCutOut, SettingStage.AsFound, 2.5));
        Assert.Empty(Of(Freezer, [Visit(), earlier, earliest]).FaultsNow);
        Assert.Single(Of(Freezer, [Visit(), earliest, earlier]).FaultsNow);
        Assert.Single(Of(Freezer, [Visit(Set(PressureSetting.LowCutOut, SettingStage.AsSet, 2.5)), earlier]).FaultsNow);
    }

    [Theory]
    [InlineData(10, GlycolCheck.TooWeak)]
    [InlineData(40, null)]
    public void Glycol_that_does_not_do_is_a_fault_and_good_glycol_is_none(double percent, string? code)
    {
        var benches = Of(Chiller, [Visit(Mixture(percent))]);
        Assert.Equal(code is null ? [] : [code], benches.FaultsNow.Select(f => f.Code));
        Assert.Equal(benches.FaultsNow, benches.ToExplain(null));
    }

    [Fact]
    public void A_defrost_has_its_say_when_its_heat_is_off_the_strongest_first()
    {
        double[] minutes = [.. Enumerable.Range(0, 46).Select(m => (double)m)];
        var bend = new RunTrack(new(RunPlaceKind.ColdestBend), minutes, [.. minutes.Select(m => m < 4 ? -20 + 5 * m : m < 14 ? 0.2 : 0.2 + 1.5 * (m - 14))]);
        WatchedRun Run(params RunMark[] marks) => new(new(new(Guid.CreateVersion7(), VisitId, Nine, Nine, "Isolde"), RunOrigin.Watched),
            new(Nine, new(DefrostKind.Electric, FailSafeMin: 60), [bend], [new(RunMarkKind.HeatOn, 0), .. marks]), IsOver: false, PlainJudging.Instance);
        Assert.Empty(Of(Freezer, [Visit()], Run()).FaultsNow);
        var faults = Of(Freezer, [Visit()], Run(new RunMark(RunMarkKind.HeatOff, 45))).FaultsNow;
        Assert.Equal([DefrostCodes.OverRun, DefrostCodes.EndUnknown], faults.Select(f => f.Code));
    }
}
