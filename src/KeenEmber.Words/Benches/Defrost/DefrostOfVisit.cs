using KeenEmber.Core.Benches.Defrost;
using KeenEmber.Core.Cases;

namespace KeenEmber.Words.Benches.Defrost;

/// <summary>What the defrost bench makes of a visit, for its pages.</summary>
public static class DefrostOfVisit
{
    extension(VisitCase visit)
    {
        /// <summary>Without a run where the bench could not judge.</summary>
        public DefrostJudgement Defrost => visit.Of<DefrostJudgement>() ?? new([], visit.Input);

        /// <summary>The run that is being watched on this visit; null without one.</summary>
        public WatchedRun? WatchedRun =>
            visit.Defrost.Runs.LastOrDefault(r => !r.IsOver && r.Entry.VisitId == visit.Visit.Id);
    }
}
