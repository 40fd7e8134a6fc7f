using KeenEmber.Core.Benches.Box;
using KeenEmber.Core.Findings;
using KeenEmber.Core.Plant;
using KeenEmber.Core.Record;
using KeenEmber.Core.Visits;

namespace KeenEmber.Words.Benches.Box;

/// <summary>What the box bench says in words.</summary>
public sealed class BoxBenchText() : BenchText("box")
{
    public override string Label => "Box.";

    public override string Finding(Finding finding, VisitView view) => BoxText.Say(finding, view.Units);

    public override string Headline(Finding finding, EquipmentKind kind) => BoxText.Headline(finding);

    public override TaskText Task(BenchTask task, VisitView view) => task switch
    {
        ReadForecastTask { Forecast: var f } => new(
            $"Come back at {view.Clock.Time(f.Due)} and read the box air",
            $"It should read {view.Units.Temperature(f.Expected.Temperature.Kelvin)} "
            + $"({view.Units.Temperature(f.Low.Temperature.Kelvin)} to {view.Units.Temperature(f.High.Temperature.Kelvin)}).",
            "To the box", "box"),
        _ => throw new ArgumentException("No task of the box bench.", nameof(task)),
    };

    public override IEnumerable<Station> Stations(VisitView view)
    {
        var bench = view.Of<BoxJudgement>();
        var inside = bench switch
        {
            { Now.Count: > 0 and var wrong } => $"{wrong} wrong",
            { PullDown: not null } => "pull-down",
            _ => "nothing yet",
        };
        return [new(85, "Box", "Box", inside)];
    }

    public override string? Entry(Entry entry, VisitView view) => BoxText.Line(entry, view);

    public override string? ReportPart => "/Pages/Visits/Box/_Report.cshtml";
}
