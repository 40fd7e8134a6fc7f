using KeenEmber.Core.Benches.Circuit;
using KeenEmber.Core.Cases;
using KeenEmber.Core.Plant;
using KeenEmber.Core.Quantities;
using KeenEmber.Core.Record;
using KeenEmber.Core.Tests.Benches.Circuit;
using KeenEmber.Core.Visits;
using static KeenEmber.Core.Tests.Record.Entries;

namespace KeenEmber.Core.Tests.Visits;

/// <summary>What the company decides, when it has something to say, and the entries of closing.</summary>
public class PolicyTests
{
    private static readonly OperatingConditions Conditions = Bench.Settled;

    private static IReadOnlyList<Policy> For(OperatingConditions conditions, CircuitAnalysis? analysis, params Entry[] entries) =>
        PolicyAdvice.For(
            Of(entries), Freezer, conditions, analysis?.Findings ?? [], analysis?.Next is { } next ? new CircuitTask(next) : null);

    [Fact]
    public void Every_policy_has_answers_of_its_own_and_our_default_first()
    {
        var all = Enum.GetValues<Policy>().SelectMany(Policies.Options).ToList();
        Assert.Equal(Enum.GetValues<PolicyChoice>().Order(), all.Order());
        foreach (var policy in Enum.GetValues<Policy>())
            Assert.Equal(Policies.Options(policy)[0], Policies.Default.Of(policy));
    }

    [Fact]
    public void The_shops_answer_wins_unless_it_answers_another_question()
    {
        var chosen =
            new Policies(
            new Dictionary<Policy,
            PolicyChoice> { [Policy.Gauges] = PolicyChoice.GaugesOnEveryCall, [Policy.Defrost] = PolicyChoice.TenPercent });
        Assert.Equal(PolicyChoice.GaugesOnEveryCall, chosen.Of(Policy.Gauges));
        Assert.Equal(PolicyChoice.FewLongByTemperature, chosen.Of(Policy.Defrost));
    }

    [Theory]
    [InlineData(WorkArea.StartParts, Policy.StartParts)]
    [InlineData(WorkArea.LimitSwitch, Policy.LimitSwitches)]
    [InlineData(WorkArea.Defrost, Policy.Defrost)]
    [InlineData(WorkArea.Motor, Policy.MotorCapacitor)]
    public void A_repair_calls_up_the_policy_of_its_area(WorkArea area, Policy policy)
    {
        Assert.Contains(policy, For(Conditions, null, Part(1, area)));
        Assert.Empty(For(Conditions, null, Change(1, area, foundSo: true)));
    }

    [Fact]
    public void Water_on_controls_short_charge_and_a_wanted_gauge_call_up_theirs()
    {
        Assert.Contains(
            Policy.WettedControls,
            For(Conditions with { Seen = new Dictionary<AsFound, FactState> { [AsFound.ControlMoisture] = FactState.Wet } }, null));
        Assert.Contains(Policy.Charging, For(Conditions, Bench.Analyse(Bench.Consistent(tdK: 14, superheatK: 17, subcoolingK: 0.5))));
        Assert.Equal([Policy.Gauges], For(Conditions, Bench.Analyse([Bench.At(MeasuringPoint.SuctionLineCoil, -20, Unit.Celsius)])));
        Assert.Empty(For(Conditions, Bench.Analyse(Bench.Consistent())));
    }

    [Theory]
    [InlineData("", 0)]
    [InlineData("1,2;3,4", 1)]
    [InlineData("0,0 600,200;5,5", 2)]
    public void Strokes_are_read(string strokes, int count) => Assert.Equal(count, SignatureEntry.Read(strokes)!.Count);

    [Theory]
    [InlineData("1,2;3")]
    [InlineData("601,2")]
    [InlineData("-1,2")]
    [InlineData("1,2M\"/><script>")]
    [InlineData("1.5,2")]
    public void What_is_no_stroke_is_refused(string strokes) => Assert.Null(SignatureEntry.Read(strokes));

    [Fact]
    public void A_signature_has_an_end() =>
        Assert.Null(SignatureEntry.Read(string.Join(';', Enumerable.Repeat("100,100", SignatureEntry.LongestStrokes / 8 + 1))));

    [Fact]
    public void A_corrected_change_keeps_its_handover_and_its_closure()
    {
        var wrong = Change(1, opens: OpenItemKind.PartOnOrder);
        var right = wrong with { Header = wrong.Header with { Id = Guid.CreateVersion7(), Corrects = wrong.Id }, What = "drain heater" };
        var again =
            right with { Header = right.Header with { Id = Guid.CreateVersion7(), Corrects = right.Id }, What = "drain heater, 40 W" };
        var handed =
            new HandoverEntry(
            new(Guid.CreateVersion7(), VisitId, Nine.AddMinutes(5), Nine, "Isolde"), wrong.Id, "on order", "Tobin", new(2026, 3, 9));
        var open = Assert.Single(OpenItem.Of([Of(wrong, right, again, handed)]));
        Assert.Equal(("drain heater, 40 W", handed), (open.Change.What, open.Handover));
        var closed = new ClosureEntry(new(Guid.CreateVersion7(), VisitId, Nine.AddMinutes(9), Nine, "Isolde"), right.Id, "fitted");
        Assert.Empty(OpenItem.Of([Of(wrong, right, again, handed, closed)]));
    }
}
