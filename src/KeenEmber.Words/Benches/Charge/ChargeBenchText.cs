using KeenEmber.Core.Benches.Charge;
using KeenEmber.Core.Findings;
using KeenEmber.Core.Plant;
using KeenEmber.Core.Record;
using KeenEmber.Core.Visits;

namespace KeenEmber.Words.Benches.Charge;

/// <summary>What the charge bench says in words.</summary>
public sealed class ChargeBenchText() : BenchText("charge")
{
    public override string Label => "Charge.";

    public override string Finding(Finding finding, VisitView view) => ChargeText.Say(finding, view.Units);

    public override string Headline(Finding finding, EquipmentKind kind) => ChargeText.Headline(finding);

    public override TaskText Task(BenchTask task, VisitView view) => task switch
    {
        StopRecoveryTask => new("Stop recovering and change the cylinder", "It holds more than 80 % of its volume when warm. It can burst.",
            "To the scale", "charge"),
        WatchVacuumTask w => new($"Read the vacuum again at {view.Clock.Time(w.Until)}",
            "Shut off from the pump, it tells a leak from water by how it rises.", "To the vacuum", "vacuum"),
        _ => throw new ArgumentException("No task of the charge bench.", nameof(task)),
    };

    public override IEnumerable<Station> Stations(VisitView view)
    {
        var bench = view.Of<ChargeJudgement>();
        var open = bench?.OpenLeaks.Count ?? 0;
        var rows = view.Timeline.Standing.OfType<RefrigerantEntry>().Count();
        return [new(62, "Charge", "Charge", (open, rows) switch
        {
            (> 0, _) => open == 1 ? "1 leak" : $"{open} leaks",
            (_, > 0) => rows == 1 ? "1 weighing" : $"{rows} weighings",
            _ => bench?.Evacuation is null ? "nothing yet" : "vacuum",
        })];
    }

    public override string? Entry(Entry entry, VisitView view) => ChargeText.Line(entry, view);

    public override string? ReportPart => "/Pages/Visits/Charge/_Report.cshtml";
}
