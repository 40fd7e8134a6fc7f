using KeenEmber.Core.Cases;
using KeenEmber.Core.Findings;
using KeenEmber.Words.Benches.Circuit;

namespace KeenEmber.Words;

/// <summary>What is said of a visit as a whole.</summary>
public static class PanelText
{
    /// <summary>How a visit stands, where that is no bench's to say.</summary>
    public static string OfTheVisit(Finding stands) => stands.Code switch
    {
        IJudging.CouldNotJudge => $"Could not be judged: {CircuitText.List(stands.Detail.Split(", "))}. "
            + "Everything typed is kept. The record shows it, and there an entry can be struck out.",
        _ when stands.Bench == DiagnosisTask.Name => DiagnosisText.Headline(stands),
        VisitCase.NothingToSay => "Nothing to judge yet.",
        VisitCase.ToBeProved => "Repaired, not proved yet.",
        VisitCase.Proved => "Repaired and proved.",
        _ => stands.Code,
    };
}
