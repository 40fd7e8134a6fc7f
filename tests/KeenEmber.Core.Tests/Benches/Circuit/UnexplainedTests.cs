using KeenEmber.Core.Benches.Circuit;
using KeenEmber.Core.Plant;
using KeenEmber.Core.Quantities;
using KeenEmber.Core.Record;
using KeenEmber.Core.Tests.Cases;
using static KeenEmber.Core.Tests.Record.Entries;

namespace KeenEmber.Core.Tests.Benches.Circuit;

/// <summary>What does not add up is what no finding accounts for.</summary>
public class UnexplainedTests
{
    private static readonly Entry[] Running =
    [
        Seen(0, AsFound.EvaporatorFan, FactState.Running), Seen(0, AsFound.Coil, FactState.Clear),
        Seen(0, AsFound.CondenserFan, FactState.Running),
        Seen(0, AsFound.Compressor, FactState.Running), Seen(0, AsFound.Defrost, FactState.Refrigerating),
    ];

    private static CircuitJudgement Of(List<TakenReading> readings, params Entry[] more) =>
        Worked.Of([.. Running, .. readings.Select(r => Read(60, r.Point, r.Typed.Number, r.Typed.Unit)), .. more]).Of<CircuitJudgement>()!;

    [Fact]
    public void Results_that_a_fault_rests_on_add_up_with_it()
    {
        var low = Of(Bench.Consistent(tdK: 14, superheatK: 16, subcoolingK: 0.5, splitK: 9));
        Assert.Equal(CircuitPatterns.ShortOfCharge, low.Now[0].Code);
        Assert.DoesNotContain(low.Unexplained, r => r.Kind is ResultKind.SuperheatCoil or ResultKind.Subcooling or ResultKind.EvaporatorTd);
    }

    [Fact]
    public void A_sound_unit_at_the_edge_of_a_target_needs_no_attention_and_one_odd_result_does()
    {
        Assert.False(Of(Bench.Consistent(tdK: 7.4)).NeedsAttention);
        var odd = Of(Bench.Consistent().With(MeasuringPoint.DischargeLine, 20, Unit.Celsius));
        Assert.Equal([ResultKind.DischargeTemperature], odd.Unexplained.Select(r => r.Kind));
    }
}
