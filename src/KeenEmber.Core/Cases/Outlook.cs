using KeenEmber.Core.Benches.Circuit;
using KeenEmber.Core.Benches.Controls;
using KeenEmber.Core.Diagnosis;
using KeenEmber.Core.Findings;
using KeenEmber.Core.Plant;
using KeenEmber.Core.Quantities;
using KeenEmber.Core.Visits;

namespace KeenEmber.Core.Cases;

/// <summary>How a visit stands and what to do next, said in one way everywhere.</summary>
/// <remarks>Danger first. Then an entry that cannot be so, because everything else rests on it. Then the diagnosis, which weighs what all
/// benches found; a bench speaks for itself only where the diagnosis has nothing to say.</remarks>
internal static class Outlook
{
    /// <summary>What the visit comes to, in one finding.</summary>
    internal static Finding StandsOf(VisitCase visit)
    {
        if (visit.Faults.FirstOrDefault(f => f.Bench == "danger" || f.Code == CircuitJudgement.NotPossible) is { } first)
            return first;
        if (IsNothingSeenSinceWork(visit) && visit.Faults.All(f => f.Bench == "circuit"))
            return Repaired(visit)
                ?? Finding.Of(CircuitJudgement.MeasureAgain) with { Detail = visit.IsUnderWay ? "" : CircuitJudgement.Over };
        var explained = visit.Diagnosis?.Stands;
        if (MorePrecise(visit) is { } precise)
            return precise;
        if (explained is { Code: not CaseDiagnosis.Open })
            return explained;
        if (Pressing(visit) is [var fault, ..])
            return fault;
        return visit.Otherwise is { Code: CircuitJudgement.MayBeInDefrost } perhaps ? perhaps
            : explained ?? Repaired(visit) ?? visit.Otherwise ?? Finding.Of(VisitCase.NothingToSay);
    }

    /// <summary>What benches found, without settings that wait for another season while the unit fails today.</summary>
    private static IReadOnlyList<Finding> Pressing(VisitCase visit) => visit.Diagnosis is { IsHealthy: false }
        ? [.. visit.Faults.Where(f => !PressureControlChecks.OfAnotherSeason.Contains(f.Code))] : visit.Faults;

    /// <summary>After work that wants other proof than the circuit's readings, those are not what is missing.</summary>
    private static Finding? Repaired(VisitCase visit)
    {
        if (visit.LastWork is null || visit.Proofs.Count == 0
            || visit.Otherwise?.Code is not (CircuitJudgement.NoReadings or CircuitJudgement.NotEnough))
            return null;
        return visit.Proofs.Any(p => p is { Kind: ProofKind.CircuitJudged, IsProved: false }) ? null
            : Finding.Of(visit.Proofs.All(p => p.IsProved) ? VisitCase.Proved : VisitCase.ToBeProved);
    }

    /// <summary>Of a sensor its bench knows more than that it reads wrong: what the leading explanation says of one is told in its words.
    /// </summary>
    private static Finding? MorePrecise(VisitCase visit) =>
        visit.Diagnosis is { IsHealthy: false } diagnosis && diagnosis.Roots.All(c =>
            c.Part is "box-sensor" or "end-sensor" or "other-sensor")
            ? visit.Faults.FirstOrDefault(f => f.Bench == "sensor") : null;

    /// <summary>Work was done and nothing looked at since: what the circuit found by what was seen before it is found, and no longer
    /// so.</summary>
    private static bool IsNothingSeenSinceWork(VisitCase visit) => visit.LastWork is not null && visit.Diagnosis is { Facts.Count: 0 };

    /// <summary>What to do next; null when nothing is left to ask, or the visit is over.</summary>
    /// <param name="pastDanger">What follows the danger.</param>
    internal static BenchTask? NextOf(VisitCase visit, bool pastDanger = false)
    {
        if (!visit.IsUnderWay)
            return null;
        var tasks = visit.Tasks.Where(t => !pastDanger || t.Order != TaskOrder.Danger).OrderBy(t => t.Order).ToList();
        if (tasks.Find(t => t.Order == TaskOrder.Danger || t is CircuitTask { Step.Kind: StepKind.Recheck }) is { } first)
            return first;
        if (visit.Diagnosis is not { } diagnosis || IsAsItShouldBe(visit, diagnosis)
            || (diagnosis.Facts.Count == 0 && (visit.Faults.Count > 0 || visit.LastWork is not null)))
            return Proving(visit) ?? tasks.FirstOrDefault();
        // A bench that found something definite knows the act that decides it: the output's lead, the sensor's own end, the other side.
        if (tasks.Find(t => t.Order == TaskOrder.Call || IsOfUnweighedFault(t, visit)) is { } deciding)
            return deciding;
        if (diagnosis is { IsHealthy: false, Result: { IsSure: true, AsksWhy: false } })
            return new RepairTask(diagnosis.Roots.First(), diagnosis.Probability, [.. diagnosis.Result.Next.Take(FollowingTests)]);
        if (IsGaugesTurn(visit, diagnosis) && tasks.Find(t => t.Asks?.Kind() == QuantityKind.Pressure) is { } gauges)
            return gauges;
        if (diagnosis.IsHealthy && IsLookedAt(diagnosis) && !diagnosis.Facts.Any(f => f.Code == "box"))
            return BoxFirst;
        if (diagnosis.Result.Next is [{ Beside: null } test, ..] tests)
            return ByBench(test, visit) ?? (BenchTask)new DiagnosisTask(test, [.. tests.Skip(1).Take(FollowingTests)]);
        return tasks.FirstOrDefault();
    }

    /// <summary>So many tests after the next one are told, so that a walk is made once.</summary>
    private const int FollowingTests = 2;

    /// <summary>The company wants gauges on every call, the circuit can be judged, and nothing leads yet.</summary>
    private static bool IsGaugesTurn(VisitCase visit, CaseDiagnosis diagnosis) =>
        visit.Company.Policies.Of(Policy.Gauges) == PolicyChoice.GaugesOnEveryCall
        && diagnosis.Stands is null or { Code: CaseDiagnosis.Open };

    /// <summary>Its bench found something that the diagnosis does not take.</summary>
    private static bool IsOfUnweighedFault(BenchTask task, VisitCase visit) =>
        visit.Benches.FirstOrDefault(b => b.Name == task.Bench) is { } bench
        && Pressing(visit).Any(f => bench.Speaks.Contains(f.Bench) && !FactsOfSpan.IsWeighed(f));

    /// <summary>What proves the work; null where nothing waits for proof, or readings of the circuit do, which its bench asks
    /// for.</summary>
    private static ProveTask? Proving(VisitCase visit) =>
        visit.Proofs.FirstOrDefault(p => !p.IsProved) is { Kind: not ProofKind.CircuitJudged } proof ? new(proof) : null;

    /// <summary>Nothing is wrong by the diagnosis, and it stands in its defrost, satisfied, at target, or repaired: what is left is to
    /// see it prove itself, which the benches ask for.</summary>
    private static bool IsAsItShouldBe(VisitCase visit, CaseDiagnosis diagnosis) => diagnosis.IsHealthy && diagnosis.Facts.Count > 0
        && (visit.LastWork is not null
            || visit.Otherwise?.Code is CircuitJudgement.InDefrost or CircuitJudgement.Satisfied or CircuitJudgement.Holding);

    /// <summary>More is known than what was complained of.</summary>
    private static bool IsLookedAt(CaseDiagnosis diagnosis) =>
        diagnosis.Facts.Any(f => !f.IsComplaint);

    /// <summary>Nobody can say that nothing is wrong before the box was measured.</summary>
    private static CircuitTask BoxFirst => new(new(StepKind.LogPoint, [], MeasuringPoint.BoxAir));

    /// <summary>What the circuit's readings give is asked for reading by reading, as its bench does.</summary>
    private static CircuitTask? ByBench(NextTest test, VisitCase visit)
    {
        if (test.Observable.Code == "box")
            return BoxFirst;
        if (!FactsOfRecord.IsResult(test.Observable.Code) || visit.Of<CircuitJudgement>() is not { } circuit)
            return null;
        if (circuit.Tasks.OfType<CircuitTask>().FirstOrDefault(t => t.Step.Kind is StepKind.WaitToSettle or StepKind.LogPoint
            or StepKind.LogAgain) is { } task)
            return task;
        return circuit.AskedPoint is { } point ? new(new(StepKind.LogPoint, [], point)) : null;
    }
}
