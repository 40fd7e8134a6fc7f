using KeenEmber.Core.Benches.Sensors;
using KeenEmber.Core.Findings;
using KeenEmber.Core.Plant;
using KeenEmber.Core.Record;
using KeenEmber.Core.Visits;
using KeenEmber.Words.Benches.Circuit;

namespace KeenEmber.Words.Benches.Sensors;

/// <summary>What the sensor bench says in words.</summary>
public sealed class SensorsBenchText() : BenchText("sensors")
{
    public override string Label => "Controls.";

    public override string Finding(Finding finding, VisitView view) => SensorText.Finding(finding, view.Units);

    public override string Headline(Finding finding, EquipmentKind kind) => SensorText.Headline(finding);

    public override TaskText Task(BenchTask task, VisitView view)
    {
        var (step, name) = (((SensorTask)task).Step, ((SensorTask)task).Sensor);
        var verdict = view.Sensors.Sensors.First(s => s.Name == name).Now!.Result.Verdict;
        return new(SensorText.Step(step), $"{CircuitText.Sentence(name)}: {SensorText.Verdict(verdict)}.", "To the sensors", "sensors");
    }

    public override IEnumerable<Station> Stations(VisitView view) => [new(60, "Sensors", "Sensors", Inside(view.Sensors))];

    private static string Inside(UnitSensors sensors)
    {
        if (sensors.Now.Count > 0)
            return $"{sensors.Now.Count} wrong";
        if (sensors.Found.Count > 0)
            return "repaired";
        if (sensors.Sensors.Count == 0)
            return "none named";
        return sensors.Sensors.All(s => s.Checks.Count == 0) ? "not checked" : "checked";
    }

    public override string? Entry(Entry entry, VisitView view) => entry switch
    {
        SensorEntry { Gone: true } s => $"sensor {s.Name} gone",
        SensorEntry s =>
            $"sensor {s.Name}: {SensorText.Name(s.Role)}{(s.Curve.Curve is { } curve ? ", " + SensorText.Name(curve) : "")}"
            + TypingText.With(", input ", s.Channel),
        SensorCheckEntry c => SensorText.Check(c, view.Units),
        SensorRepairEntry m => $"sensor {m.Sensor} {SensorText.Name(m.Repair)}",
        WarmedEntry w => $"{w.Warmed} warmed by hand, input {w.Moved} moved",
        ResponseEntry r =>
            $"{r.Sensor} moved from {view.Units.Temperature(r.From.Temperature.Kelvin)} to "
            + $"{view.Units.Temperature(r.To.Temperature.Kelvin)}: "
            + SensorText.Response(r.Judge(), view.Units),
        _ => null,
    };

    public override string? ReportPart => "/Pages/Visits/Sensors/_Report.cshtml";

    public override (string Name, Func<double, string> Value) Trend(Trend trend, UnitText units) =>
        ($"error of {trend.About!.Value.Id}", v => $"{(v < 0 ? "-" : "+")}{units.Difference(Math.Abs(v))}");
}
