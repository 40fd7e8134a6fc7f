using KeenEmber.Core.Benches.Frost;
using KeenEmber.Core.Findings;
using KeenEmber.Core.Plant;
using KeenEmber.Core.Record;
using KeenEmber.Core.Visits;

namespace KeenEmber.Words.Benches.Frost;

/// <summary>What the frost bench says in words.</summary>
public sealed class FrostBenchText() : BenchText("frost")
{
    public override string Label => "Frost.";

    public override string Finding(Finding finding, VisitView view) => FrostText.Pattern(finding.Code);

    public override string Headline(Finding finding, EquipmentKind kind) =>
        $"Frost is left after the work. {FrostText.Pattern(finding.Code)}";

    public override TaskText Task(BenchTask task, VisitView view) =>
        throw new ArgumentException("The frost bench asks for nothing.", nameof(task));

    public override IEnumerable<Station> Stations(VisitView view)
    {
        var frost = view.Of<FrostJudgement>();
        yield return new(
            20, "Frost", "Frost", frost switch
            {
                { AfterTheWork: not null } => "after",
                { AsFound: not null } => "as found",
                _ => "no picture",
            });
    }

    public override string? Entry(Entry entry, VisitView view) => entry switch
    {
        FrostEntry f => $"frost picture {(f.After ? "after the work" : "as found")}: {FrostText.Summary(f.Picture)}",
        ThawEntry t => $"coil thawed {FrostText.Thaw(t)}",
        _ => null,
    };

    /// <summary>What was found as well: it says where to look for the cause.</summary>
    public override IEnumerable<PanelLine> Lines(BenchJudgement judgement, VisitView view) =>
    [
        .. judgement.Now.Select(f => new PanelLine(f.Code, "Frost, after the work.", FrostText.Pattern(f.Code))),
        .. judgement.Found.Select(f => new PanelLine(f.Code, "Frost as found.", FrostText.Pattern(f.Code))),
    ];

    public override string? ReportPart => "/Pages/Visits/Frost/_Report.cshtml";
}
