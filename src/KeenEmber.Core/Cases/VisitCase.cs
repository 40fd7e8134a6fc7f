using System.Collections.Concurrent;
using KeenEmber.Core.Diagnosis;
using KeenEmber.Core.Findings;
using KeenEmber.Core.Plant;
using KeenEmber.Core.Record;
using KeenEmber.Core.Visits;

namespace KeenEmber.Core.Cases;

/// <summary>
/// A visit worked out: what pages, endpoints, the board and the report all read. Each bench judges when it is first asked, and fails alone.
/// </summary>
/// <param name="benches">In the order in which they are listed and speak.</param>
/// <param name="judging">Runs each bench.</param>
public class VisitCase(VisitRecord record, IReadOnlyList<IBench> benches, IJudging judging)
{
    private readonly ConcurrentDictionary<IBench, BenchJudgement?> judged = [];

    /// <summary>Keeps what was worked out; null where nothing is kept.</summary>
    internal ICaseMemory? Memory => record.Memory;

    /// <summary>What the company's closed visits came to.</summary>
    internal ClosedCases Closed => record.Closed;

    /// <summary>Runs what may fail.</summary>
    protected IJudging Judging => judging;

    /// <summary>The visit.</summary>
    public Visit Visit { get; } = record.Visits.First(v => v.Visit.Id == record.VisitId).Visit;

    /// <summary>What is on record of the visit.</summary>
    public Timeline Timeline { get; } = record.Timelines.First(v => v.Visit.Id == record.VisitId).Timeline;

    /// <summary>What the unit was on the visit.</summary>
    public Equipment Equipment => Timeline.Unit;

    /// <summary>Where the unit stands.</summary>
    public Site Site => record.Sites[Equipment.SiteId];

    /// <summary>Whose policies hold.</summary>
    public Company Company => record.Company;

    /// <summary>The moment for which it is worked out.</summary>
    public DateTimeOffset Now => record.Now;

    /// <summary>A sign-off ends a visit before its time is up.</summary>
    public bool IsUnderWay => Visit.IsUnderWay(Now) && SignOff is null;

    /// <summary>The unit was seen so lately that something was left.</summary>
    public bool IsCallback =>
        Earlier.Count > 0 && Visit.IsCallbackAfter(Earlier[0], Company.Policies, Briefing?.SignOff?.FollowUp, new SiteTime(Site).Date);

    /// <summary>How the unit stands now, or stood at the end of a visit that is over.</summary>
    public OperatingConditions Conditions =>
        field ??= Timeline.ConditionsAt(Visit.IsUnderWay(Now) ? Now : Timeline.LastMoment ?? Visit.StartedAt);

    /// <summary>The latest reading of every point.</summary>
    public IReadOnlyDictionary<PointRef, TakenReading> Readings => field ??= Timeline.LatestReadings();

    /// <summary>What the unit's circuit has.</summary>
    public CircuitMakeUp MakeUp => field ??= Equipment.MakeUp;

    /// <summary>Every visit of the unit, later ones too, the latest first.</summary>
    public IReadOnlyList<(Visit Visit, Timeline Timeline)> AllVisits => record.Timelines;

    /// <summary>This visit and those before it, the latest first.</summary>
    public IReadOnlyList<Timeline> UpToHere => field ??=
        [.. AllVisits.Where(v => v.Visit.Id == Visit.Id || v.Visit.StartedAt < Visit.StartedAt).Select(v => v.Timeline)];

    /// <summary>Earlier visits of the unit with their timelines, the latest first.</summary>
    protected IReadOnlyList<(Visit Visit, Timeline Timeline)> Before =>
        field ??= [.. AllVisits.Where(v => v.Visit.StartedAt < Visit.StartedAt)];

    /// <summary>Earlier visits of the unit, the latest first.</summary>
    public IReadOnlyList<Visit> Earlier => field ??= [.. Before.Select(v => v.Visit)];

    /// <summary>The same points on earlier visits.</summary>
    public ILookup<PointRef, EarlierValue> History =>
        field ??= judging.Of("history", () => PointHistory.Of(Before, Readings), NoHistory);

    private static readonly ILookup<PointRef, EarlierValue> NoHistory = Array.Empty<EarlierValue>().ToLookup(_ => default(PointRef));

    /// <summary>What the visit before left; null on a first visit.</summary>
    public Briefing? Briefing => field ??= Earlier.Count == 0 ? null : judging.Of("last visit", LastVisit, null);

    /// <summary>What the visit before took to be likely and left as it was, as likely as that still is; it fades.</summary>
    internal IReadOnlyList<WeighedCause> LeftOpen => Before is not [var last, ..] || !Cases.Briefing.IsUnsolved(last.Timeline) ? []
        : [.. (Briefing?.Suspects ?? []).Select(s => s.Later((Visit.StartedAt - last.Visit.StartedAt).TotalDays))];

    private Briefing LastVisit()
    {
        Briefing WorkOut() => Briefing.Of(new VisitCase(record.About(Earlier[0]), benches, PlainJudging.Instance));
        // How a visit that is not over stands goes on with the clock.
        return record.Memory is not { } memory || Earlier[0].IsUnderWay(Now) ? WorkOut()
            : memory.BriefingOf(Earlier[0], [.. Before.Select(v => v.Timeline)], Company, WorkOut);
    }

    /// <summary>Everything open on the unit, as it stood at the end of this visit.</summary>
    public IReadOnlyList<OpenItem> OpenItems => field ??= OpenItem.Of(UpToHere);

    /// <summary>What of it is open to this day: a later visit may have closed the rest.</summary>
    public IReadOnlyList<OpenItem> OpenItemsToday =>
        field ??= [.. OpenItems.Where(l => OpenItem.Of([.. AllVisits.Select(v => v.Timeline)]).Any(o => o.Change.Id == l.Change.Id))];

    /// <summary>The change that a closure or a handover speaks of.</summary>
    public ChangeEntry? OpenItemChange(Guid id) =>
        AllVisits.SelectMany(v => v.Timeline.Written).OfType<ChangeEntry>().FirstOrDefault(c => c.Id == id);

    /// <summary>What on this unit can hurt somebody and has not been acknowledged on this visit.</summary>
    public Hazards HazardsAhead =>
        Equipment.AllHazards() & ~Timeline.Standing.OfType<HazardsEntry>().Aggregate(Hazards.None, (seen, e) => seen | e.Seen);

    /// <summary>How the unit was found, and what of it is not on record yet.</summary>
    public AsFoundRecord AsFound => field ??= AsFoundRecord.Of(Timeline, Equipment);

    /// <summary>What was recommended.</summary>
    public IEnumerable<RecommendationEntry> Recommendations => Timeline.Standing.OfType<RecommendationEntry>();

    /// <summary>Photos taken.</summary>
    public IEnumerable<PhotoEntry> Photos => Timeline.Standing.OfType<PhotoEntry>();

    /// <summary>The last signature; null without one.</summary>
    public SignatureEntry? Signature => Timeline.Standing.OfType<SignatureEntry>().LastOrDefault();

    /// <summary>How it was signed off; null while it is not.</summary>
    public SignOffEntry? SignOff => Timeline.Standing.OfType<SignOffEntry>().LastOrDefault();

    /// <summary>The unit's display less the reference thermometer, K; of two sides the one that is further off. Null until both were
    /// read at one moment.</summary>
    public double? DisplayOff => Enumerable.Range(1, Equipment.Circuit.Coils).Select(DisplayOffAt).OfType<double>()
        .OrderByDescending(Math.Abs).Select(off => (double?)off).FirstOrDefault();

    private double? DisplayOffAt(int coil) =>
        Readings.TryGetValue(MeasuringPoint.BoxDisplay.At(coil), out var shown)
        && Readings.TryGetValue(MeasuringPoint.BoxAir.At(coil), out var real)
        && (shown.At - real.At).Duration() <= OneMoment && IsBeforeWork(shown) == IsBeforeWork(real) ? shown.Si - real.Si : null;

    /// <summary>Box and display further apart in time are not of one moment.</summary>
    private static readonly TimeSpan OneMoment = TimeSpan.FromMinutes(15);

    /// <summary>When the last work of the visit was done; null while there was none.</summary>
    public DateTimeOffset? LastWork => WorkDone.LastAt(Timeline);

    /// <summary>It tells how the unit was found, and no longer how it is.</summary>
    public bool IsBeforeWork(TakenReading reading) => reading.At < LastWork;

    /// <summary>The benches that judge, in their order.</summary>
    public IReadOnlyList<IBench> Benches => benches;

    /// <summary>What a bench makes of the visit; null where it could not judge.</summary>
    public BenchJudgement? Of(IBench bench)
    {
        if (!judged.TryGetValue(bench, out var judgement))
            judged[bench] = judgement = judging.Of(bench.Name, () => bench.Judge(Input), null);
        return judgement;
    }

    /// <summary>The judgement of the bench whose judgements are of this type; null where it could not judge, or is not there.</summary>
    public T? Of<T>() where T : BenchJudgement => benches.Select(Of).OfType<T>().FirstOrDefault();

    /// <summary>What each bench makes of the visit; those that could not judge are left out.</summary>
    public IReadOnlyList<(IBench Bench, BenchJudgement Judgement)> Judgements =>
        field ??= [.. benches.Select(b => (b, Of(b)!)).Where(j => j.Item2 is not null)];

    /// <summary>What the benches are given.</summary>
    public VisitInput Input => field ??= new(Visit, Timeline, UpToHere, Equipment, Site, Company.Policies, Conditions, Now, judging,
        Evidence) { Memory = Memory };

    private double? Evidence(string code) => benches.FirstOrDefault(b => b.Speaks.Contains(code.Split('.')[0])) is { } bench
        && From(bench, j => j.Evidence, new Dictionary<string, double>()).TryGetValue(code, out var value) ? value : null;

    /// <summary>Something of a bench's judgement, or the same of none where it fails at it.</summary>
    private T From<T>(IBench bench, Func<BenchJudgement, T> what, T otherwise) =>
        Of(bench) is { } judgement ? judging.Of(bench.Name, () => what(judgement), otherwise) : otherwise;

    private List<T> FromAll<T>(Func<BenchJudgement, IReadOnlyList<T>> what) => [.. benches.SelectMany(b => From(b, what, []))];

    /// <summary>What this visit found that a cause should account for; put right since or not.</summary>
    public IReadOnlyList<Finding> Found => field ??= FromAll(j => j.Found);

    /// <summary>What is wrong still.</summary>
    public IReadOnlyList<Finding> Faults => field ??= FromAll(j => j.Now);

    /// <summary>What explains the unit as it is; null where it could not be worked out.</summary>
    public CaseDiagnosis? Diagnosis => field ??= judging.Of(DiagnosisTask.Name, () => CaseDiagnosis.Of(this, VisitSpan.AsItIs), null);

    /// <summary>What explains how the unit was found: the same as <see cref="Diagnosis"/> while no work was done.</summary>
    public CaseDiagnosis? DiagnosisAsFound => LastWork is null ? Diagnosis
        : field ??= judging.Of(DiagnosisTask.Name, () => CaseDiagnosis.Of(this, VisitSpan.AsFound), null);

    /// <summary>What was replaced on the visit and will break again, because what broke it is as it was.</summary>
    public IReadOnlyList<ExplainingCause> LeftToBreakAgain => field ??= LastWork is null || DiagnosisAsFound is not { } asFound ? []
        : [.. CaseDiagnosis.LeftToBreakAgain(asFound, Timeline.Standing.SelectMany(WorkedParts.Of).ToHashSet())];

    /// <summary>What the first bench with a word for that says of a unit without faults; null where none has one.</summary>
    internal Finding? Otherwise => benches.Select(b => From(b, j => j.Otherwise, null)).FirstOrDefault(f => f is not null);

    /// <summary>What the benches ask for.</summary>
    internal IReadOnlyList<BenchTask> Tasks => FromAll(j => j.Tasks);

    /// <summary>How the visit stands.</summary>
    public Finding Stands => field ??= Outlook.StandsOf(this);

    /// <summary>No bench has anything to say of the visit.</summary>
    public const string NothingToSay = "visit.nothing-to-say";

    /// <summary>Work was done, nothing seen since is wrong, and its proof is still to come.</summary>
    public const string ToBeProved = "visit.to-be-proved";

    /// <summary>Work was done, nothing seen since is wrong, and all of it is proved.</summary>
    public const string Proved = "visit.proved";

    /// <summary>Something about the unit is not as it should be.</summary>
    public bool NeedsAttention => benches.Any(b => From(b, j => j.NeedsAttention, true)) || Stands.Bench == DiagnosisTask.Name;

    /// <summary>What to do next; null when there is nothing, or the visit is over.</summary>
    public BenchTask? Next => field ??= Outlook.NextOf(this);

    /// <summary>What is asked for once a danger has been dealt with, or beside it where it is safe: the next thing but for
    /// danger.</summary>
    public BenchTask? PastDanger => field ??= Outlook.NextOf(this, pastDanger: true);

    /// <summary>What proves each repair of the visit.</summary>
    public IReadOnlyList<Proof> Proofs =>
        field ??= judging.Of<IReadOnlyList<Proof>>(
        "proofs", () => Core.Visits.Proofs.Of(Timeline, Equipment, [.. benches.Select(Of).OfType<BenchJudgement>()]), []);

    /// <summary>What the benches measure, visit by visit.</summary>
    public IReadOnlyList<Trend> Trends => field ??= FromAll(j => j.Trends);

    /// <summary>Usable results in K, for their creep over visits.</summary>
    public IReadOnlyDictionary<ResultRef, double> Results =>
        field ??= benches.SelectMany(b => From(b, j => j.Results, NoResults)).DistinctBy(r => r.Key).ToDictionary();

    private static readonly Dictionary<ResultRef, double> NoResults = [];

    /// <summary>Points to take again first on the next visit.</summary>
    public IReadOnlyList<PointRef> WorthRepeating => field ??= FromAll(j => j.WorthRepeating);

    /// <summary>The company's policies that have something to say about the visit as it stands.</summary>
    public IReadOnlyList<Policy> Policies =>
        field ??= judging.Of<IReadOnlyList<Policy>>("policies", () => PolicyAdvice.For(Timeline, Equipment, Conditions, Found, Next), []);
}
