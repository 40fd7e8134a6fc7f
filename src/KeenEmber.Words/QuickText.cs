using KeenEmber.Core.Plant;
using KeenEmber.Core.Quantities;
using KeenEmber.Core.Record;
using KeenEmber.Core.Visits;
using KeenEmber.Core.Visits.LogLine;
using KeenEmber.Words.Benches.Circuit;
using KeenEmber.Words.Benches.Controls;
using KeenEmber.Words.Benches.Electrical;

namespace KeenEmber.Words;

/// <summary>The words of quick entry, and what it says back.</summary>
public static class QuickText
{
    /// <summary>Reads "our word = point" lines; the point by its name or any word that is known already.</summary>
    /// <returns>The words, or what is wrong with the first bad line.</returns>
    public static (IReadOnlyDictionary<string, PointRef>? Words, string? Error) ReadCompanyWords(string? text)
    {
        var words = new Dictionary<string, PointRef>();
        foreach (var line in (text ?? "").Split('\n', StringSplitOptions.TrimEntries | StringSplitOptions.RemoveEmptyEntries))
        {
            var parts = line.ToLowerInvariant().Split('=', StringSplitOptions.TrimEntries);
            if (parts.Length != 2 || parts[0].Length is 0 or > 40 || parts[0].Split(' ').Length > 4 || parts[0].Any(char.IsDigit))
                return (null, $"“{line}”: write one to four words without figures, an equals sign, and the point.");
            var named = MeasuringPoints.InWalkingOrder.Where(p => CircuitText.Name(p) == parts[1]).Select(p => (PointRef?)p)
                .FirstOrDefault();
            if ((named ?? (CircuitLogWords.Points.TryGetValue(parts[1], out var known) ? known : null)) is not { } point)
                return (null, $"“{parts[1]}” is no point of the circuit. Use one of the words above.");
            words[parts[0]] = point;
        }

        return (words, null);
    }

    /// <summary>Every word of every point, for the list on the company's page.</summary>
    public static IEnumerable<(PointRef Point, string Words)> PointWords(Company company) =>
        MeasuringPoints.InWalkingOrder.Select(
            p => (p, string.Join(", ", CircuitLogWords.Points.Concat(company.Words).Where(w => w.Value == p).Select(w => w.Key))));

    public static string Example(UnitPreference units) => units == UnitPreference.Us
        ? "suc 21, line -4" : "suc 1.4, line -20";

    /// <summary>What was understood of a piece, or why not.</summary>
    public static string Understood(QuickItem item, VisitView view) => Understood(item, view, view.Units, view.Site.Atmosphere)
        + (item is { At: { } at } and not QuickUnclear ? $" at {view.Clock.Time(at)}" : "");

    private static string Understood(QuickItem item, VisitView view, UnitText units, Pressure atmosphere) => item switch
    {
        QuickReading r => $"{view.Name(r.Point)} {units.Value(r.Point, r.Value.Si(atmosphere))}",
        QuickObservation o =>
            $"{FactText.Name(o.Fact)}{Which(o)} "
            + $"{FactText.Name(o.State)}"
            + (o.RunTime is { } t ? $" for {t.TotalMinutes:F0} min" : ""),
        QuickRefrigerant r => $"{(r.Refrigerant.Length > 0 ? r.Refrigerant : "refrigerant")} {(r.MassKg > 0 ? "added" : "recovered")} "
            + units.Mass(Math.Abs(r.MassKg)),
        QuickVacuum v => $"vacuum {units.Vacuum(v.Pressure.Si(atmosphere))}",
        QuickNote n => $"{(n.Topic == Topic.Wiring ? "wiring, kept for the unit" : "note")}: {n.Note}",
        QuickLoadTest t => ElectricalBenchText.Line(t.Test, t.Readings, t.Marked, ComponentText.Name(t.Component)),
        QuickDamage d => $"{ComponentText.Name(d.Component)}: {FactText.Name(d.State)}, {d.Place}",
        QuickMended m => $"{m.Named}: {m.How}",
        QuickEarlierPart p => $"told: {ComponentText.Name(p.Component)} replaced {SiteClock.Span(TimeSpan.FromDays(p.DaysAgo))} ago",
        QuickPart p => $"replaced: {ComponentText.Name(p.Component)}",
        QuickSetting s => SettingLine(s, units, atmosphere),
        QuickOutput o => ControllerText.Line(o.Output, o.State),
        QuickAnswer a => DiagnosisText.Fact(new(a.Observable, a.Answer, a.Number), units),
        QuickHeat h => h.IsOn ? "defrost heat came on" : "defrost heat went off",
        QuickJob { Job: QuickJobKind.BreakerReset } => "breaker reset",
        QuickJob { Job: QuickJobKind.ValveTurned } j => $"expansion valve: {j.Text}",
        QuickJob => "condenser cleaned",
        QuickSensor s =>
            $"sensor {s.Sensor}: {UnitText.Resistance(s.Signal.Si(default))} at {units.Temperature(s.Reference.Temperature.Kelvin)}",
        QuickUnclear u => Unclear(u, units.Units),
        _ => "",
    };

    /// <summary>"set point: 3 °C before, 1 °C now".</summary>
    private static string SettingLine(QuickSetting item, UnitText units, Pressure atmosphere)
    {
        string Shown(TypedValue value) => item.Setting.Parameter is { } p ? ControllerText.Value(p, value, units)
            : units.Gauge(value.Si(atmosphere));
        var name = item.Setting.Parameter is { } parameter ? ControllerText.Name(parameter)
            : ControlsText.Name(item.Setting.Pressure!.Value);
        return (item.Found, item.Set) switch
        {
            ({ } found, { } set) => $"{name}: {Shown(found)} before, set to {Shown(set)}",
            (null, { } set) => $"{name}: set to {Shown(set)}",
            _ => $"{name}: found at {Shown(item.Found!)}",
        };
    }

    /// <summary>Which of the evaporator fans.</summary>
    private static string Which(QuickObservation o) => o switch
    {
        { Index: { } n } => $" {n}",
        { Fact: AsFound.EvaporatorFan } => "s, all",
        _ => "",
    };

    private static string Unclear(QuickUnclear item, UnitPreference units) => item.Problem switch
    {
        QuickProblem.ValueMissing => $"“{item.Text}”: add a value, such as {TypingText.Example(item.Point!.Value.Kind(), units)}.",
        QuickProblem.BadValue => $"“{item.Text}”: {TypingText.Problem(item.Typing!.Value, item.Point!.Value.Kind(), units)}",
        QuickProblem.StateMissing => $"“{item.Text}”: add a state: on or off; for a coil, clear, frost or ice.",
        QuickProblem.StateDoesNotFit => $"“{item.Text}”: that state does not fit this part.",
        QuickProblem.NoSuchSensor => $"“{item.Text}”: no sensor of that name on the list. Add it on the sensors page first.",
        QuickProblem.NoSuchFan => $"“{item.Text}”: this unit has no such fan.",
        QuickProblem.LineTooLong => $"“{item.Text}…” is too long for one line: {QuickEntry.LongestLine} characters at most.",
        QuickProblem.TooManyEntries => $"“{item.Text}…” has more than {QuickEntry.MostEntries} entries. Save it in two lines.",
        _ => $"“{item.Text}” is not understood.",
    };
}
