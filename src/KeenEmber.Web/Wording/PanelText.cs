using KeenEmber.Application;
using KeenEmber.Core.Benches.Circuit;
using KeenEmber.Core.Cases;
using KeenEmber.Core.Findings;
using KeenEmber.Storage;
using KeenEmber.Web.Pages.Visits.Circuit;

namespace KeenEmber.Web.Wording;

/// <summary>What is said of a visit as a whole.</summary>
public static class PanelText
{
    /// <summary>How a visit stands, where that is no bench's to say.</summary>
    public static string OfTheVisit(Finding stands) => stands.Code switch
    {
        SafeJudging.CouldNotJudge => $"Could not be judged: {CircuitText.List(stands.Detail.Split(", "))}. "
            + "Everything typed is kept. The record shows it, and there an entry can be struck out.",
        _ when stands.Bench == DiagnosisTask.Name => DiagnosisText.Headline(stands),
        VisitCase.NothingToSay => "Nothing to judge yet.",
        VisitCase.ToBeProved => "Repaired, not proved yet.",
        VisitCase.Proved => "Repaired and proved.",
        _ => stands.Code,
    };

    /// <summary>What creeps on a unit: "superheat at the coil from 5.0 K to 9.1 K over 3 visits".</summary>
    public static string Drift(UnitLine unit, UnitText units) => CircuitText.List(unit.Drift.Select(d =>
        $"{CircuitText.Name(d.Kind)} from {units.Result(ResultQuantity.Difference, d.From)} to "
            + $"{units.Result(ResultQuantity.Difference, d.To)}")) + $" over {Core.Benches.Circuit.Drift.Visits} visits";
}
