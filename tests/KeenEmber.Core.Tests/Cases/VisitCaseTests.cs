using KeenEmber.Core.Benches.Circuit;
using KeenEmber.Core.Benches.Controls;
using KeenEmber.Core.Benches.Frost;
using KeenEmber.Core.Benches.Glycol;
using KeenEmber.Core.Benches.Sensors;
using KeenEmber.Core.Cases;
using KeenEmber.Core.Findings;
using KeenEmber.Core.Plant;
using KeenEmber.Core.Quantities;
using KeenEmber.Core.Record;
using KeenEmber.Core.Visits;
using static KeenEmber.Core.Plant.MeasuringPoint;
using static KeenEmber.Core.Tests.Record.Entries;

namespace KeenEmber.Core.Tests.Cases;

/// <summary>What a visit comes to by all its benches together.</summary>
public class VisitCaseTests
{
    private static readonly Equipment Chiller = Freezer with { Kind = EquipmentKind.GlycolChiller, Target = Temperature.FromCelsius(-5) };

    private static EntryHeader At(double minute) => new(Guid.CreateVersion7(), VisitId, Nine.AddMinutes(minute), Nine, "Isolde");

    private static SettingEntry Set(PressureSetting setting, SettingStage stage, double bar, int minute = 0) =>
        new(At(minute), setting, stage, new(bar, Unit.Bar));

    private static readonly OutputStateEntry WeldedRelay = new(At(5), ControlOutput.Compressor, new(false, true, true), false);

    private static readonly CurveSpec Ntc = new("ntc-10k-3435");

    private static readonly Entry[] BadSensor =
    [
        new SensorEntry(At(0), "box", SensorRole.Box, Ntc, "", "", null),
        new SensorCheckEntry(
            At(1), "box", Guid.CreateVersion7(), new(-18, Unit.Celsius), new(Ntc.Curve!.SignalAt(-10) / 1000, Unit.Kiloohm), false,
            new(-10, Unit.Celsius), false),
    ];

    [Fact]
    public void A_visit_without_an_entry_has_nothing_wrong_and_says_that_nothing_was_read()
    {
        var visit = Worked.Of();
        Assert.Empty(visit.Faults);
        Assert.Empty(visit.Found);
        Assert.Equal(CircuitJudgement.NoReadings, visit.Stands.Code);
        Assert.False(visit.NeedsAttention);
        Assert.Null(visit.Briefing);
    }

    [Fact]
    public void A_setting_put_right_is_to_be_explained_and_no_longer_wrong()
    {
        var visit =
            Worked.Of(
            Set(PressureSetting.LowCutOut, SettingStage.AsFound, 2.5), Set(PressureSetting.LowCutOut, SettingStage.AsSet, 0.3, minute: 10));
        Assert.Empty(visit.Faults);
        Assert.Equal(PressureControlChecks.CutOutAboveEvaporating, Assert.Single(visit.Found).Code);
        Assert.Equal(0.3, visit.Of<ControlsJudgement>()!.Settings[PressureSetting.LowCutOut].Number);
    }

    [Fact]
    public void A_setting_nobody_looked_at_again_is_what_the_last_visit_left()
    {
        VisitCase After(double found, double earliest) => Worked.Of(Freezer, Worked.Benches,
        [
            (Worked.Visit(Freezer), []), (Worked.Visit(Freezer, 5), [Earlier(found)]), (Worked.Visit(Freezer, 9), [Earlier(earliest)]),
        ]);
        static Entry Earlier(double bar) => Set(PressureSetting.LowCutOut, SettingStage.AsFound, bar);
        Assert.Empty(After(found: 0.3, earliest: 2.5).Faults);
        Assert.Single(After(found: 2.5, earliest: 0.3).Faults);
    }

    [Theory]
    [InlineData(10, GlycolCheck.TooWeak)]
    [InlineData(40, null)]
    public void Glycol_that_does_not_do_is_a_fault_and_good_glycol_is_none(double percent, string? code)
    {
        var visit = Worked.Of(Chiller, new GlycolEntry(At(0), GlycolKind.Propylene, new(percent, Unit.Percent), null));
        Assert.Equal(code is null ? [] : [code], visit.Faults.Select(f => f.Code));
        Assert.Equal(visit.Faults, visit.Found);
    }

    /// <summary>Ice at the door, nowhere else.</summary>
    private static readonly string AtTheDoor = FrostPicture.AllClear.Around[..^1] + (int)FrostState.Ice;

    [Fact]
    public void Frost_as_found_is_to_be_explained_and_what_is_left_after_the_work_is_wrong()
    {
        var iced = FrostPicture.AllClear with { Around = AtTheDoor };
        var found = Worked.Of(new FrostEntry(At(1), After: false, iced));
        Assert.Equal(FrostPatterns.Door, Assert.Single(found.Found).Code);
        Assert.Empty(found.Faults);
        Assert.Equal(
            FrostPatterns.Door,
            Assert.Single(Worked.Of(new FrostEntry(At(1), false, iced), new FrostEntry(At(30), After: true, iced)).Faults).Code);
        Assert.Empty(Worked.Of(new FrostEntry(At(30), After: true, FrostPicture.AllClear)).Faults);
    }

    [Fact]
    public void A_stopped_fan_is_asked_why_it_stands_before_it_is_to_run()
    {
        var task = Worked.Of(Read(1, BoxAir, -14, Unit.Celsius), Seen(1, AsFound.Compressor, FactState.Running),
            Seen(1, AsFound.Coil, FactState.Clear), Seen(2, AsFound.EvaporatorFan, FactState.Running, 1),
            Seen(2, AsFound.EvaporatorFan, FactState.Stopped, 2)).Next;
        Assert.StartsWith("fan-", Assert.IsType<DiagnosisTask>(task).Test.Observable.Code, StringComparison.Ordinal);
    }

    [Fact]
    public void A_bench_that_found_something_definite_asks_for_what_decides_it()
    {
        Assert.Equal(new SensorTask(SensorStep.CheckSeat, "box"), Worked.Of([.. BadSensor, WeldedRelay]).Next);
        Assert.Equal(new OutputTask(ControlOutput.Compressor, OutputVerdict.StuckClosed), Worked.Of(WeldedRelay).Next);
    }

    [Fact]
    public void Nothing_on_record_begins_with_a_look() =>
        Assert.Equal(BoxAir, Assert.IsType<CircuitTask>(Worked.Of().Next).Asks?.Point);

    [Fact]
    public void A_visit_that_is_over_asks_for_nothing() =>
        Assert.Null(Worked.Of(WeldedRelay, new SignOffEntry(At(60), "relay", "", "", null)).Next);

    [Fact]
    public void What_one_bench_knows_another_can_use_whichever_is_asked_first()
    {
        ControlEventEntry Event(double minute, bool cutsIn, double tempC) => new(At(minute), cutsIn, new(tempC, Unit.Celsius));
        var set = new ControlSettingEntry(At(0), ControlKind.SetIsCutOut, new(-20, Unit.Celsius), new(2, Unit.KelvinDifference), null);
        Entry[] cold = [set, Event(10, false, -28), Event(30, true, -26), Event(50, false, -28)];
        Assert.Contains(Worked.Of(cold).Faults, f => f.Code == ControlsOnRecord.CycleShifted);
        Assert.DoesNotContain(
            Worked.Of([.. cold, .. BadSensor]).Of<ControlsJudgement>()!.Now, f => f.Code == ControlsOnRecord.CycleShifted);
        Assert.DoesNotContain(Worked.Of([.. cold, .. BadSensor]).Faults, f => f.Code == ControlsOnRecord.CycleShifted);
    }

    [Fact]
    public void The_briefing_tells_what_the_visit_before_found_and_left()
    {
        var before = Worked.Visit(Freezer, 4);
        var jumper = new ChangeEntry(At(-5700) with { VisitId = before.Id }, "fan delay", "", "bridged", "", OpenItemKind.Jumper, false);
        var briefing =
            Worked.Of(
            Freezer, Worked.Benches,
            [(Worked.Visit(Freezer), []),
            (before, [WeldedRelay with { Header = At(-5750) with { VisitId = before.Id } }, jumper])]).Briefing!;
        Assert.Equal("output.stuck-closed", Assert.Single(briefing.NotExplained).Code);
        Assert.Equal(jumper, Assert.Single(briefing.Open).Change);
        Assert.Equal([jumper], briefing.Changed);
    }

    private sealed class Failing : IBench
    {
        public string Name => "failing";

        public IReadOnlyList<string> Speaks => ["failing"];

        public IReadOnlyDictionary<string, Type> Entries => new Dictionary<string, Type>();

        public BenchJudgement Judge(VisitInput visit) => throw new InvalidOperationException("It cannot.");
    }

    private sealed class Forgiving : IJudging
    {
        public IReadOnlyCollection<string> NotJudged => [];

        public List<string> Failed { get; } = [];

        public T Of<T>(string bench, Func<T> judge, T otherwise)
        {
            try
            {
                return judge();
            }
            catch (InvalidOperationException)
            {
                Failed.Add(bench);
                return otherwise;
            }
        }
    }

    [Fact]
    public void A_bench_that_fails_costs_only_its_own_verdict()
    {
        var whole = Worked.Of(WeldedRelay);
        var judging = new Forgiving();
        var record =
            new VisitRecord(
            VisitId, new([new(Nine, Nine, "Isolde", Freezer)]), new Dictionary<Guid, Site> { [Freezer.SiteId] = whole.Site }, whole.Company,
            [(whole.Visit, [WeldedRelay])], whole.Now);
        var visit = new VisitCase(record, [new Failing(), .. Worked.Benches], judging);
        Assert.Equal(whole.Faults.Select(f => f.Code), visit.Faults.Select(f => f.Code));
        Assert.Contains("failing", judging.Failed);
    }
}
