using KeenEmber.Core.Benches.Circuit;

namespace KeenEmber.Core.Tests.Benches.Circuit;

/// <summary>How often the true cause comes first on units that share no number with the rules, moderate to severe.</summary>
public class NamedFirstTests(ITestOutputHelper output)
{
    private const int Each = 100;
    private const int Sound = 300;

    private static string CodeOf(UnitFault fault) => fault switch
    {
        UnitFault.None => CircuitPatterns.WithinTargets,
        UnitFault.LowCharge => CircuitPatterns.ShortOfCharge,
        UnitFault.Restriction => CircuitPatterns.CoilStarved,
        UnitFault.Overcharge => CircuitPatterns.Overcharged,
        UnitFault.DirtyCondenser or UnitFault.CondenserFanStopped => CircuitPatterns.HighHead,
        UnitFault.LowAir => CircuitPatterns.CoilNotLoaded,
        UnitFault.Overfed => CircuitPatterns.Overfed,
        UnitFault.WeakCompressor => CircuitPatterns.NotPumping,
        _ => CircuitPatterns.HeavyLoad,
    };

    /// <summary>What is said first of so many units with a fault.</summary>
    private List<string> SaidOf(UnitFault fault, int units)
    {
        var said = Enumerable.Range(0, units).Select(i =>
        {
            var unit = new SteadyUnit(1000 * (int)fault + i, fault, severity: 0.35 + 0.65 * i / (units - 1));
            var (readings, now) = unit.Taken();
            return Bench.Analyse(readings, now, unit.Refrigerant, unit.MakeUp).Findings is [var first, ..] ? first.Code : "nothing yet";
        }).ToList();
        var counts = said.CountBy(s => s).OrderByDescending(s => s.Value).Select(s => $"{s.Key} {s.Value}");
        output.WriteLine($"{fault}: {string.Join(", ", counts)}");
        return said;
    }

    [Fact]
    public void Nine_faults_of_ten_are_named_first()
    {
        var faults = Enum.GetValues<UnitFault>().Where(f => f != UnitFault.None).ToList();
        var named = faults.ConvertAll(f => SaidOf(f, Each).Count(s => s == CodeOf(f)));
        output.WriteLine($"{100.0 * named.Sum() / (Each * faults.Count):F1} % named first");
        Assert.InRange(named.Sum() / (double)(Each * faults.Count), 0.9, 1);
        Assert.All(named, n => Assert.InRange(n / (double)Each, 0.6, 1));
    }

    [Fact]
    public void A_sound_unit_is_hardly_ever_accused()
    {
        var accused = SaidOf(UnitFault.None, Sound).Count(s => s is not ("nothing yet" or CircuitPatterns.WithinTargets));
        output.WriteLine($"{100.0 * accused / Sound:F1} % accused");
        Assert.InRange(accused / (double)Sound, 0, 0.03);
    }
}
