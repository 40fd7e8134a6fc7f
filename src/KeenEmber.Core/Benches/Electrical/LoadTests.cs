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

    private static Finding? Capacitor(LoadTestEntry entry, double measured, double marked)
    {
        var result = PartTests.Judge(new(TestedPart.Capacitor, new Dictionary<string, double> { ["microfarad"] = marked },
            new Dictionary<string, double> { ["microfarad"] = measured }));
        return result.Verdict switch
        {
            PartVerdict.Open => CapacitorOpen,
            PartVerdict.Low => CapacitorWeak,
            PartVerdict.High => CapacitorHigh,
            _ => null,
        } is { } code ? Of(code, entry, ("measured", measured), ("marked", marked)) : null;
    }

    private static Finding? Windings(LoadTestEntry entry, List<double> ohms)
    {
        var sorted = ohms.Order().ToList();
        return MotorWindings.Judge(ohms, leadOhms: 0).Verdict switch
        {
            PartVerdict.Shorted => Of(WindingShorted, entry, ("ohm", sorted[0])),
            PartVerdict.DoesNotAddUp => Of(WindingsOdd, entry, ("low", sorted[0]), ("middle", sorted[1]), ("high", sorted[2])) with
            {
                Strength = Strength.Fair,
            },
            _ => null,
        };
    }

    private static Finding? Voltages(LoadTestEntry entry, List<double> volts)
    {
        var result = PartTests.Supply(volts);
        return result.Verdict switch
        {
            PartVerdict.LegLost => Of(LegLost, entry, ("low", volts.Min()), ("high", volts.Max())) with
            {
                Detail = string.Join(", ", entry.Readings.Where(r => r.Value.Si(default) < PartTests.LostShare * volts.Max())
                    .Select(r => r.Between)),
            },
            PartVerdict.High when volts.Count == 3 => Of(Unbalanced, entry, ("share", result.Value!.Value / 100)),
            _ => null,
        };
    }

    private static Finding Of(string code, LoadTestEntry entry, params (string Name, double Value)[] values) =>
        new(code, Strength.Strong, [entry.Id], values.ToDictionary(v => v.Name, v =>
            v.Value)) { About = [Subject.Component(entry.Component)] };
}
