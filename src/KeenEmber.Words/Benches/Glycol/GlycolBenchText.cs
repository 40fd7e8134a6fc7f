using KeenEmber.Core.Benches.Glycol;
using KeenEmber.Core.Findings;
using KeenEmber.Core.Plant;
using KeenEmber.Core.Record;
using KeenEmber.Core.Visits;

namespace KeenEmber.Words.Benches.Glycol;

/// <summary>What the glycol bench says in words.</summary>
public sealed class GlycolBenchText() : BenchText("glycol")
{
    public override string Label => "Glycol.";

    public override string Finding(Finding finding, VisitView view) => GlycolText.Finding(finding, view.Units);

    public override string Headline(Finding finding, EquipmentKind kind) => GlycolText.Headline(finding);

    public override TaskText Task(BenchTask task, VisitView view) =>
        throw new ArgumentException("The glycol bench asks for nothing.", nameof(task));

    public override IEnumerable<Station> Stations(VisitView view) => view.MakeUp.Kind != EquipmentKind.GlycolChiller ? []
        : [new(50, "Glycol", "Glycol", view.Of<GlycolJudgement>()?.Result is null ? "not tested" : "tested")];

    public override string? Entry(Entry entry, VisitView view) =>
        entry is GlycolEntry g ? GlycolText.Line(g) : null;

    public override IEnumerable<PanelLine> Lines(BenchJudgement judgement, VisitView view) => [];

    public override IEnumerable<UnfitLine> Unfit(BenchJudgement judgement, VisitView view) =>
        judgement.Now.Select(f => new UnfitLine(view.Say(f)));
}
