using KeenEmber.Core.Benches.Electrical;
using KeenEmber.Core.Findings;
using KeenEmber.Core.Plant;
using KeenEmber.Core.Quantities;
using KeenEmber.Core.Record;
using KeenEmber.Core.Visits;
using KeenEmber.Words.Benches.Circuit;
using KeenEmber.Words.Benches.Electrical.Diagrams;

namespace KeenEmber.Words.Benches.Electrical;

/// <summary>What the electrical bench says in words.</summary>
public sealed class ElectricalBenchText() : BenchText("electrical")
{
    public override string Label => "Electrical.";

    public override string Finding(Finding finding, VisitView view)
    {
        var part = Part(finding, view.Equipment);
        if (PartFindings.TestOf(finding) is { } of)
            return PartVerdictText.Sentence(part, of, finding.Values, finding.Detail, view.Company.Policies);
        if (finding.Code == PartDamage.Damaged)
            return $"{CircuitText.Sentence(part)}: {DamageText.Name(Condition(finding))}. {DamageText.Means(Condition(finding))}";
        var traced = Traced(finding, CircuitText.Sentence(part));
        return CircuitTrace.FaultOf(finding) is { } fault && TraceText.IsOpenSafety(fault) ? traced : $"{traced} {Confirm}";
    }

    /// <summary>What proves a suspect before a part is ordered.</summary>
    private const string Confirm = "Confirm it with the power locked out, its leads off, before it is replaced.";

    private static string Traced(Finding finding, string part) => CircuitTrace.FaultOf(finding) is { } fault
        ? $"Traced along the control circuit: {TraceText.Say(fault)}."
        : $"Traced along the control circuit to this: {part}.";

    public override string Headline(Finding finding, EquipmentKind kind)
    {
        var part = Name(finding.About[0].Id);
        if (finding.Code == PartDamage.Damaged)
            return $"{CircuitText.Sentence(part)}: {DamageText.Name(Condition(finding))}.";
        return PartFindings.TestOf(finding) is { } of ? PartTestText.Headline(of.Test, of.Verdict, part) : Traced(finding, part);
    }

    private static PartCondition Condition(Finding finding) => EnumName.Find<PartCondition>(finding.Detail) ?? PartCondition.Burnt;

    private static string Name(string componentId) =>
        Component.Find(componentId) is { } component ? ComponentText.Name(component.Kind) : componentId;

    private static string Part(Finding finding, Equipment unit) =>
        Component.Find(finding.About[0].Id) is { } component ? ComponentText.Name(component, unit) : finding.About[0].Id;

    public override TaskText Task(BenchTask task, VisitView view) =>
        throw new ArgumentException("The electrical bench asks for nothing.", nameof(task));

    public override (string Name, Func<double, string> Value) Trend(Trend trend, UnitText units) =>
        (TrendName(trend), v => $"{UnitText.Number(v, 1)} {TrendUnit(trend.Code)}");

    private static string TrendName(Trend trend) => Name(trend.About!.Value.Id) + trend.Code switch
    {
        ElectricalTrends.InsulationMegohm => ", to earth",
        ElectricalTrends.DropPercent => ", lost across it",
        _ => "",
    };

    private static string TrendUnit(string code) => code switch
    {
        ElectricalTrends.Microfarad => "µF",
        ElectricalTrends.InsulationMegohm => "MΩ",
        ElectricalTrends.DropPercent => "%",
        ElectricalTrends.HeaterOhm => "Ω",
        _ => "A",
    };

    public override IEnumerable<Station> Stations(VisitView view)
    {
        var bench = view.Of<ElectricalJudgement>();
        var taken = (bench?.Traces.Sum(t => t.Entries.Count) ?? 0) + (bench?.Tests.Count ?? 0);
        yield return new(45, "Electrical", "Electrical", taken > 0 ? $"{taken} measured" : "not measured");
    }

    public override string? Entry(Entry entry, VisitView view) => entry switch
    {
        LoadTestEntry t => Line(t.Test, t.Readings, t.Marked, ComponentText.Name(t.Component, view.Equipment)),
        TraceEntry t => TraceText.Line(t),
        PartConditionEntry c => $"{ComponentText.Name(c.Component, view.Equipment)}: {DamageText.Name(c.Condition)}, {c.Place}"
            + TypingText.With("; repaired: ", c.Repaired),
        PartKindEntry k => $"{ComponentText.Name(k.Component, view.Equipment)} is a {k.Kind}",
        PartNoteEntry n => $"about every {n.Kind}: {n.Text}",
        AutopsyEntry a => $"{ComponentText.Name(a.Component, view.Equipment)} opened: {string.Join(", ", a.Signs.Select(DamageText.Name))}"
            + TypingText.With("; ", a.Note),
        DiagramEntry d => $"control circuit: {d.Why}",
        WireSwapEntry w => $"wires of the {w.Part}: {w.Wires.Count} listed, {w.Wires.Count(x => x.IsOn)} on the new one",
        PartTestEntry t => Line(t, ComponentText.Name(t.Component, view.Equipment)),
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

    /// <summary>The same of a test that was typed field by field: "overload, Ω open".</summary>
    private static string Line(PartTestEntry test, string part)
    {
        var fields = PartFields.Of(test.Test);
        var numbers = test.Numbers.Select(n => (Field: fields.FirstOrDefault(f => MeasuredPart.Key(f) == n.Name), Number: n))
            .Where(n => n.Field is not null).Select(n => $"{PartTestText.InLine(n.Field!)} "
                + $"{(n.Number.Word.Length > 0 ? n.Number.Word : Typed(n.Number.Value))}");
        return $"{part}, {PartTestText.Name(test.Test)}: {string.Join("; ", numbers)}";
    }

    private static string Typed(TypedValue? value) =>
        value is { } typed ? $"{UnitText.Number(typed.Number, Decimals(typed))} {typed.Unit.Symbol}" : "open";

    private static int Decimals(TypedValue value) => value.Number % 1 == 0 ? 0 : 1;
}
