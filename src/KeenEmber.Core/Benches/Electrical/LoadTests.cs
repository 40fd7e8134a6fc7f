using KeenEmber.Core.Findings;
using KeenEmber.Core.Plant;

namespace KeenEmber.Core.Benches.Electrical;

/// <summary>What a test of an electrical part says: a finding, or none where it is sound or cannot be judged.</summary>
public static class LoadTests
{
    /// <summary>A capacitor has lost capacitance.</summary>
    public const string CapacitorWeak = "electrical.capacitor-weak";

    /// <summary>A capacitor has next to none left.</summary>
    public const string CapacitorOpen = "electrical.capacitor-open";

    /// <summary>A capacitor has more than it is marked with: another one, or one that fails.</summary>
    public const string CapacitorHigh = "electrical.capacitor-high";

    /// <summary>A winding has no resistance.</summary>
    public const string WindingShorted = "electrical.winding-shorted";

    /// <summary>Three resistances that no sound motor has.</summary>
    public const string WindingsOdd = "electrical.windings-odd";

    /// <summary>A conductor of the supply is dead against another.</summary>
    public const string LegLost = "electrical.leg-lost";

    /// <summary>The voltages of a three-phase supply differ.</summary>
    public const string Unbalanced = "electrical.unbalanced";

    /// <summary>Run capacitors are made to ±5 or ±10 % (IEC 60252-1) and replaced once they are 10 % low (trade practice).</summary>
    private const double CapacitorTolerance = 0.1;

    /// <summary>Below this share of what is marked a capacitor is as good as open.</summary>
    private const double OpenShare = 0.1;

    /// <summary>Less than this is a short to any meter, Ω.</summary>
    private const double ShortOhm = 0.1;

    /// <summary>Common to start and common to run add up to start to run, and three phases are alike, within this share and this many
    /// ohms, what a meter on small resistances is good for.</summary>
    private const double AlikeShare = 0.07, AlikeOhm = 0.4;

    /// <summary>Below this share of the highest voltage a conductor is lost.</summary>
    private const double LostShare = 0.2;

    /// <summary>Voltages of three phases may differ by 2 % (NEMA MG 1: motors are derated above 1 %, not to be run above 5 %).</summary>
    public const double UnbalanceShare = 0.02;

    /// <returns>Null where nothing is wrong, or where the numbers do not say.</returns>
    public static Finding? Judge(LoadTestEntry entry)
    {
        var values = entry.Readings.Select(r => r.Value.Si(default)).ToList();
        return entry.Test switch
        {
            LoadTest.Capacitance when entry.Marked?.Si(default) is > 0 and var marked => Capacitor(entry, values[0], marked),
            LoadTest.Windings when values.Count == 3 => Windings(entry, values),
            LoadTest.Voltage when values.Count > 1 => Voltages(entry, values),
            _ => null,
        };
    }

    private static Finding? Capacitor(LoadTestEntry entry, double measured, double marked) => (measured / marked) switch
    {
        < OpenShare => Of(CapacitorOpen, entry, ("measured", measured), ("marked", marked)),
        < 1 - CapacitorTolerance => Of(CapacitorWeak, entry, ("measured", measured), ("marked", marked)),
        > 1 + CapacitorTolerance => Of(CapacitorHigh, entry, ("measured", measured), ("marked", marked)),
        _ => null,
    };

    private static Finding? Windings(LoadTestEntry entry, List<double> ohms)
    {
        var sorted = ohms.Order().ToList();
        bool IsAlike(double one, double other) => Math.Abs(one - other) <= Math.Max(AlikeOhm, AlikeShare * Math.Max(one, other));
        if (sorted[0] < ShortOhm)
            return Of(WindingShorted, entry, ("ohm", sorted[0]));
        var isThreePhase = IsAlike(sorted[0], sorted[2]);
        var isSinglePhase = IsAlike(sorted[0] + sorted[1], sorted[2]);
        return isThreePhase || isSinglePhase ? null
            : Of(WindingsOdd, entry, ("low", sorted[0]), ("middle", sorted[1]), ("high", sorted[2])) with { Strength = Strength.Fair };
    }

    private static Finding? Voltages(LoadTestEntry entry, List<double> volts)
    {
        var highest = volts.Max();
        if (volts.Min() < LostShare * highest)
            return Of(LegLost, entry, ("low", volts.Min()), ("high", highest)) with
            {
                Detail = string.Join(", ", entry.Readings.Where(r => r.Value.Si(default) < LostShare * highest).Select(r => r.Between)),
            };
        var mean = volts.Average();
        var off = volts.Max(v => Math.Abs(v - mean)) / mean;
        return volts.Count == 3 && off > UnbalanceShare ? Of(Unbalanced, entry, ("share", off)) : null;
    }

    private static Finding Of(string code, LoadTestEntry entry, params (string Name, double Value)[] values) =>
        new(code, Strength.Strong, [entry.Id], values.ToDictionary(v => v.Name, v =>
            v.Value)) { About = [Subject.Component(entry.Component)] };
}
