using KeenEmber.Core.Findings;
using KeenEmber.Core.Plant;
using KeenEmber.Core.Record;
using KeenEmber.Core.Visits;
using KeenEmber.Words;
using KeenEmber.Words.Benches;

namespace KeenEmber.Web.Tests.DummyBench;

public sealed class SealBenchText() : BenchText("seals")
{
    public override string Label => "Seals.";

    public override string Finding(Finding finding, VisitView view) =>
        $"The seal gapes by {UnitText.Number(finding.Values["gapMm"], 1)} mm at the {finding.About[0].Id}.";

    public override string Headline(Finding finding, EquipmentKind kind) => "A door seal gapes.";

    public override TaskText Task(BenchTask task, VisitView view) =>
        new($"Seat the seal at the {((SealTask)task).Side}", "Warm air comes in there.", "To the seals", "seals");

    public override IEnumerable<Station> Stations(VisitView view) =>
        [new(25, "Seals", "Seals", $"{view.Of<SealJudgement>()!.Gaps.Count} gaps")];

    public override string? Entry(Entry entry, VisitView view) =>
        entry is SealEntry s ? $"seal at the {s.Side}: {UnitText.Number(s.GapMm, 1)} mm" : null;

    public override (string Name, Func<double, string> Value) Trend(Trend trend, UnitText units) =>
        ("gap of the seal", mm => $"{UnitText.Number(mm, 1)} mm");
}
