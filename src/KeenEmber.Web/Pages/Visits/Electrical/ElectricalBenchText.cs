using KeenEmber.Core.Benches.Electrical;
using KeenEmber.Core.Findings;
using KeenEmber.Core.Plant;
using KeenEmber.Core.Quantities;
using KeenEmber.Core.Record;
using KeenEmber.Core.Visits;
using KeenEmber.Web.Pages.Visits.Circuit;
using KeenEmber.Web.Wording;

namespace KeenEmber.Web.Pages.Visits.Electrical;

/// <summary>What the electrical bench says in words.</summary>
public sealed class ElectricalBenchText() : BenchText("electrical")
{
    public override string Label => "Electrical.";

    public override string Finding(Finding finding, VisitView view)
    {
        string N(string name, int decimals = 1) => UnitText.Number(finding.Values[name], decimals);
        var part = CircuitText.Sentence(Part(finding, view.Equipment));
        return finding.Code switch
        {
            LoadTests.CapacitorOpen or LoadTests.CapacitorWeak or LoadTests.CapacitorHigh =>
                $"{part}: {N("measured")} of {N("marked")} µF. {Advice(finding.Code)}",
            LoadTests.WindingShorted => $"{part}: a winding has {N("ohm")} Ω, a short. Check each winding to earth before power goes on.",
            LoadTests.WindingsOdd =>
                $"{part}: {N("low")}, {N("middle")} and {N("high")} Ω. A sound single-phase motor's largest is the sum of the other two; "
                + "three phases are alike. Measure again with its leads off.",
            LoadTests.LegLost =>
                $"Supply: {N("low", 0)} V {finding.Detail}, {N("high", 0)} V elsewhere. A leg is lost. Leave it off: a motor on "
                + "what is left burns out. Measure each fuse, then before and after each contact.",
            LoadTests.Unbalanced =>
                $"Supply: voltages are {UnitText.Number(finding.Values["share"] * 100, 1)} % out of balance, 2 % allowed. Check each "
                + "connection under load.",
            CircuitTrace.Traced => CircuitTrace.FaultOf(finding) is { } fault && TraceText.IsOpenSafety(fault)
                ? Traced(finding, part) : $"{Traced(finding, part)} {Confirm}",
            _ => finding.Code,
        };
    }

    /// <summary>What proves a suspect before a part is ordered.</summary>
    private const string Confirm = "Confirm it with the power locked out, its leads off, before it is replaced.";

    private static string Traced(Finding finding, string part) => CircuitTrace.FaultOf(finding) is { } fault
        ? $"Traced along the control circuit: {TraceText.Say(fault)}."
        : $"Traced along the control circuit to this: {part}.";

    private static string Advice(string code) => code switch
    {
        LoadTests.CapacitorHigh => "Too much for its mark: another one, or one that fails. Replace it by its rating.",
        LoadTests.CapacitorOpen => "Open: replace it by its rating, then measure the current.",
        _ => "Too weak: replace it by its rating, then measure the current.",
    };

    public override string Headline(Finding finding, EquipmentKind kind)
    {
        var part = finding.About[0].Id;
        return finding.Code switch
        {
            LoadTests.CapacitorWeak => $"The {Name(part)} is weak.",
            LoadTests.CapacitorOpen => $"The {Name(part)} is open.",
            LoadTests.CapacitorHigh => $"The {Name(part)} does not fit its mark.",
            LoadTests.WindingShorted => $"A winding of the {Name(part)} is shorted.",
            LoadTests.WindingsOdd => $"The windings of the {Name(part)} do not add up.",
            LoadTests.LegLost => "A leg of the supply is lost.",
            LoadTests.Unbalanced => "The supply voltages are out of balance.",
            CircuitTrace.Traced => Traced(finding, Name(part)),
            _ => finding.Code,
        };
    }

    private static string Name(string componentId) =>
        Component.Find(componentId) is { } component ? ComponentText.Name(component.Kind) : componentId;

    private static string Part(Finding finding, Equipment unit) =>
        Component.Find(finding.About[0].Id) is { } component ? ComponentText.Name(component, unit) : finding.About[0].Id;

    public override TaskText Task(BenchTask task, VisitView view) =>
        throw new ArgumentException("The electrical bench asks for nothing.", nameof(task));

    public override (string Name, Func<double, string> Value) Trend(Trend trend, UnitText units) =>
        (Name(trend.About!.Value.Id), v => $"{UnitText.Number(v, 1)} {(trend.Code == ElectricalTrends.Microfarad ? "µF" : "A")}");

    public override IEnumerable<Station> Stations(VisitView view) => [new(45, "Trace", "Wiring",
        view.Of<ElectricalJudgement>()?.Trace.Entries.Count is > 0 and var taken ? $"{taken} measured" : "not traced")];

    public override string? Entry(Entry entry, VisitView view) => entry switch
    {
        LoadTestEntry t => Line(t.Test, t.Readings, t.Marked, ComponentText.Name(t.Component, view.Equipment)),
        TraceEntry t => TraceText.Line(t),
        _ => null,
    };

    /// <summary>A test in a line: "condenser fan capacitor: 4.4 of 5 µF".</summary>
    public static string Line(LoadTest test, IReadOnlyList<LoadReading> readings, TypedValue? rating, string part)
    {
        var values = string.Join(", ", readings.Select(r =>
            $"{(r.Between.Length > 0 ? r.Between + " " : "")}{UnitText.Number(r.Value.Number, Decimals(r.Value))}"));
        var marked = rating is { } m ? $" of {UnitText.Number(m.Number, Decimals(m))}" : "";
        var what = test == LoadTest.Windings ? " windings" : "";
        return $"{part}{what}: {values}{marked} {readings[0].Value.Unit.Symbol}";
    }

    private static int Decimals(TypedValue value) => value.Number % 1 == 0 ? 0 : 1;
}
