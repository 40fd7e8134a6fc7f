using KeenEmber.Core.Findings;
using KeenEmber.Core.Plant;
using KeenEmber.Core.Record;
using KeenEmber.Core.Visits;

namespace KeenEmber.Core.Benches.Electrical;

/// <summary>A part with what was measured of it, typed field by field or as a log line, and what that comes to.</summary>
public sealed class MeasuredPart
{
    private MeasuredPart(Entry entry, Component component, PartTest test)
    {
        (Entry, Component, Test) = (entry, component, test);
        Result = PartTests.Judge(test);
    }

    /// <summary>Where it stands in the record.</summary>
    public Entry Entry { get; }

    /// <summary>The part.</summary>
    public Component Component { get; }

    /// <summary>What it is marked with and what was measured.</summary>
    public PartTest Test { get; }

    /// <summary>What that comes to.</summary>
    public PartResult Result { get; }

    /// <summary>What is wrong with it; null where nothing is, or where the numbers do not say.</summary>
    public Finding? Finding => PartFindings.Of(this);

    /// <summary>The test in an entry.</summary>
    /// <param name="policies">How far a run capacitor may be off where nothing is printed.</param>
    /// <returns>Null for an entry that is no test of a part, or one that no verdict hangs on.</returns>
    public static MeasuredPart? Of(Entry entry, Policies policies) => entry switch
    {
        PartTestEntry typed => new(typed, typed.Component, Typed(typed, policies)),
        LoadTestEntry { Test: LoadTest.Capacitance, Marked: { } marked } line => new(line, line.Component, new(TestedPart.Capacitor,
            Printed(line.Component, [("microfarad", marked.Si(default))], policies), Named(["microfarad"], line))),
        LoadTestEntry { Test: LoadTest.Windings, Readings.Count: 3 } line => new(line, line.Component,
            new(TestedPart.Windings, Printed(line.Component, [], policies), Named(["ohms12", "ohms23", "ohms13"], line))),
        LoadTestEntry { Test: LoadTest.Voltage } line when Supply(line) is { } supply => new(line, line.Component, supply),
        _ => null,
    };

    private static PartTest Typed(PartTestEntry typed, Policies policies)
    {
        var fields = PartFields.Of(typed.Test);
        var (plate, measured) = (new List<(string, double)>(), new Dictionary<string, double>());
        foreach (var (field, number) in fields.SelectMany(f => typed.Numbers.Where(n => n.Name == Key(f)).Select(n => (f, n))))
        {
            if (field.IsPlate)
                plate.Add((field.Name, field.Number(number)));
            else
                measured[field.Name] = field.Number(number);
        }

        return new(typed.Test, Printed(typed.Component, plate, policies), measured);
    }

    /// <summary>A field by one name in form and record: "plate-volts" beside the "volts" that were measured.</summary>
    public static string Key(PartField field) => field.IsPlate ? $"plate-{field.Name}" : field.Name;

    /// <summary>Some companies take a run capacitor for good to 10 %, where nothing else is printed on it.</summary>
    private static Dictionary<string, double> Printed(
        Component component, IReadOnlyList<(string Name, double Value)> plate, Policies policies)
    {
        var printed = plate.ToDictionary(p => p.Name, p => p.Value);
        if (component.Kind is ComponentKind.RunCapacitor or ComponentKind.CondenserFanCapacitor
            && policies.Of(Policy.RunCapacitor) == PolicyChoice.TenPercent)
            printed.TryAdd("tolerancePercent", 10);
        return printed;
    }

    private static Dictionary<string, double> Named(string[] names, LoadTestEntry line) =>
        names.Zip(line.Readings).ToDictionary(p => p.First, p => p.Second.Value.Si(default));

    private static readonly Dictionary<string, string> ByPair = new()
    {
        ["L1-L2"] = "volts12", ["L2-L1"] = "volts12", ["L2-L3"] = "volts23", ["L3-L2"] = "volts23", ["L1-L3"] = "volts13",
        ["L3-L1"] = "volts13", ["L1-N"] = "volts1N", ["L2-N"] = "volts2N",
    };

    /// <summary>Voltages by the conductors they were taken between. Both legs to neutral with the whole are a split supply; those to earth
    /// and a single one say nothing of a leg.</summary>
    private static PartTest? Supply(LoadTestEntry line)
    {
        var volts = new Dictionary<string, double>();
        foreach (var reading in line.Readings.Where(r => ByPair.ContainsKey(r.Between)))
            volts[ByPair[reading.Between]] = reading.Value.Si(default);
        var between = volts.Where(v => !v.Key.EndsWith('N')).ToDictionary();
        var test = volts.ContainsKey("volts1N") && volts.ContainsKey("volts2N") && between is { Count: 1 } && between.ContainsKey("volts12")
            ? new PartTest(TestedPart.SplitPhaseSupply, new Dictionary<string, double>(), volts)
            : new(TestedPart.ThreePhaseSupply, new Dictionary<string, double>(), between);
        return test.Measured.Count > 1 ? test : null;
    }
}
