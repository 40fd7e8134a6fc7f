using KeenEmber.Core.Benches.Circuit;
using KeenEmber.Core.Benches.Controls;
using KeenEmber.Core.Benches.Defrost;
using KeenEmber.Core.Benches.Sensors;
using KeenEmber.Core.Cases;
using KeenEmber.Core.Findings;
using KeenEmber.Core.Plant;
using KeenEmber.Core.Quantities;
using KeenEmber.Core.Record;
using KeenEmber.Core.Tests.Benches.Circuit;
using static KeenEmber.Core.Tests.Record.Entries;

namespace KeenEmber.Core.Tests.Cases;

/// <summary>Which bench asks next, when several have something to ask.</summary>
public sealed class NextTaskTests
{
    private static readonly CurveSpec Ntc = new("ntc-10k-3435");

    private static readonly Entry[] BadSensor =
    [
        new SensorEntry(new(Guid.CreateVersion7(), VisitId, Nine, Nine, "Isolde"), "box", SensorRole.Box, Ntc, "", "", null),
        new SensorCheckEntry(new(Guid.CreateVersion7(), VisitId, Nine, Nine, "Isolde"), "box", Guid.CreateVersion7(), new(-18, Unit.Celsius), new(Ntc.Curve!.SignalAt(-10) / 1000, Unit.Kiloohm), false, new(-10, Unit.Celsius), false),
    ];

    private static readonly OutputStateEntry WeldedRelay = new(new(Guid.CreateVersion7(), VisitId, Nine, Nine, "Isolde"), ControlOutput.Compressor, new(false, true, true), false);

    private static readonly SettingEntry BadSetting = new(new(Guid.CreateVersion7(), VisitId, Nine, Nine, "Isolde"), PressureSetting.LowCutOut, SettingStage.AsFound, new(2.5, Unit.Bar));

    private static readonly RemedyStep Advice = new(Remedy.MoveSensor, Finding.Of(DefrostCodes.OverRun));

    private static CircuitAnalysis Circuit(OperatingConditions now, int leaveOut = 0) => Bench.Analyse(Bench.Consistent(conditions: now).Skip(leaveOut), now);

    private static NextTask? Next(CircuitAnalysis? analysis, bool advice, params Entry[] entries) => NextTask.Choose(
        new(Of(entries), [Of(entries)], Freezer, Pressure.StandardAtmosphere, null, PlainJudging.Instance), analysis, advice ? [Advice] : [], wettedSetsWhole: true);

    [Fact]
    public void What_makes_every_reading_lie_comes_before_everything()
    {
        var stopped = Bench.Settled with { EvaporatorFans = [FactState.Running, FactState.Stopped] };
        Assert.Equal(StepKind.RestoreFans, Assert.IsType<CircuitTask>(Next(Circuit(stopped), true, [.. BadSensor, WeldedRelay])).Step.Kind);
    }

    [Fact]
    public void Then_the_sensors_the_outputs_and_only_then_another_reading()
    {
        var lacking = Circuit(Bench.Settled, leaveOut: 3);
        Assert.Equal(new SensorTask(SensorStep.CheckSeat, "box"), Next(lacking, true, [.. BadSensor, WeldedRelay, BadSetting]));
        Assert.Equal(new OutputTask(ControlOutput.Compressor, OutputVerdict.StuckClosed), Next(lacking, true, WeldedRelay, BadSetting));
        Assert.Equal(StepKind.LogPoint, Assert.IsType<CircuitTask>(Next(lacking, true, BadSetting)).Step.Kind);
    }

    [Fact]
    public void Last_the_settings_and_what_the_watched_defrost_asks_for()
    {
        var whole = Circuit(Bench.Settled);
        Assert.Equal(PressureControlChecks.CutOutAboveEvaporating, Assert.IsType<SettingTask>(Next(whole, true, BadSetting)).Fault.Code);
        Assert.Equal(new DefrostTask(Advice), Next(whole, true));
        Assert.Null(Next(whole, false));
        Assert.Equal(new DefrostTask(Advice), Next(null, true));
    }
}
