using KeenEmber.Core.Diagnosis;
using KeenEmber.Core.Findings;
using KeenEmber.Core.Visits;

namespace KeenEmber.Core.Cases;

/// <summary>What explains a visit, or one part of it.</summary>
/// <param name="Facts">What it was made of.</param>
public sealed record CaseDiagnosis(IReadOnlyList<Fact> Facts, DiagnosisResult Result)
{
    /// <summary>One explanation may be acted on, or is as good as certain.</summary>
    public const string Explained = "diagnosis.explained";

    /// <summary>One explanation leads.</summary>
    public const string Likely = "diagnosis.likely";

    /// <summary>Several are about as likely; its detail names them.</summary>
    public const string Open = "diagnosis.open";

    /// <summary>Nothing that is known explains it.</summary>
    public const string NothingFits = "diagnosis.nothing-fits";

    /// <summary>Value of the findings: how likely the leading explanation is.</summary>
    public const string ProbabilityValue = "probability";

    /// <summary>Between the codes of causes in a finding's detail.</summary>
    public const char Between = '+';

    private const double LeadsFrom = 0.5, WorthNaming = 0.03;

    private const int MostNamed = 3;

    /// <summary>Weighs one part of a visit; what the part before it came to goes on, but for what was replaced.</summary>
    public static CaseDiagnosis Of(VisitCase visit, VisitSpan span)
    {
        var input = InputOf(visit, span);
        return new(input.Facts, Weigh(visit, input));
    }

    private static DiagnosisResult Weigh(VisitCase visit, DiagnosisInput input)
    {
        DiagnosisResult WorkOut() => new Diagnoser(DiagnosisTable.Shipped).Diagnose(input);
        return visit.Memory?.DiagnosisOf(input, WorkOut) ?? WorkOut();
    }

    /// <summary>What a visit takes to be likely by what it saw itself, but for what was worked on.</summary>
    internal static IReadOnlyList<WeighedCause> Suspects(VisitCase visit)
    {
        var input = ByItself(visit, VisitSpan.AsItIs);
        var worked = visit.Timeline.Standing.SelectMany(WorkedParts.Of).ToHashSet();
        return input.Facts.Count == 0 ? []
            : [.. Weigh(visit, input).Causes.Where(c => c.Probability >= WorthNaming && !worked.Contains(c.Cause.Part))];
    }

    /// <summary>What is known of one part of a visit.</summary>
    public static DiagnosisInput InputOf(VisitCase visit, VisitSpan span) => ByItself(visit, span) with { LeftOpen = visit.LeftOpen };

    /// <summary>Without what the visit before left open.</summary>
    private static DiagnosisInput ByItself(VisitCase visit, VisitSpan span)
    {
        var facts = new FactsOfSpan(visit, span);
        return new(visit.MakeUp, visit.Equipment.Target, visit.Equipment.EvaporatorFans, facts.Latest())
        {
            Closed = visit.Closed, History = VisitFacts.History(visit, span),
            Settled = facts.Settled(),
            AsksNext = span == VisitSpan.AsItIs && visit.IsUnderWay,
            CannotNow = span == VisitSpan.AsItIs ? VisitFacts.CannotNow(visit) : new HashSet<string>(),
            Before = span == VisitSpan.AsItIs && visit.LastWork is not null ? visit.DiagnosisAsFound?.Result.Causes ?? [] : [],
        };
    }

    /// <summary>The explanation that leads.</summary>
    public Explanation Lead => Result.Explanations[0];

    /// <summary>Nothing is wrong, as far as is known.</summary>
    public bool IsHealthy => Lead.Causes.Count == 0;

    /// <summary>Causes of the leading explanation that began it.</summary>
    public IEnumerable<Cause> Roots => Lead.Causes.Where(c => c.Role == CauseRole.Root).Select(c => c.Cause);

    /// <summary>Those of the roots that may be acted on, else those that are likelier than not, or all of them where none is: one that is
    /// as good as certain is not told as doubtful because of what goes with it.</summary>
    public IReadOnlyList<Cause> Leading => field ??= Roots.Where(c => HowLikely(c) >= c.SureAt).ToList() is { Count: > 0 } sure ? sure
        : Roots.Where(c => HowLikely(c) >= LeadsFrom).ToList() is { Count: > 0 } likely ? likely : [.. Roots];

    /// <summary>How likely those are, each over all explanations; the least of them where there are several.</summary>
    public double Probability => Leading.Select(HowLikely).DefaultIfEmpty(Lead.Probability).Min();

    private double HowLikely(Cause cause) => Result.Causes.FirstOrDefault(c => c.Cause == cause)?.Probability ?? Lead.Probability;

    /// <summary>The leading explanation as far as it is led by what is likely.</summary>
    public Explanation Told
    {
        get
        {
            if (Leading.Count == Roots.Count())
                return Lead;
            var causes = Lead.Causes.Where(c => c.Role switch
            {
                CauseRole.Root => Leading.Contains(c.Cause),
                CauseRole.Consequence => Leading.Contains(c.BroughtOnBy!),
                _ => true,
            }).ToList();
            var made = causes.SelectMany(c => c.Cause.Makes).Select(m => m.Code).ToHashSet();
            var through = new List<Condition>();
            foreach (var condition in Lead.Through.Where(c => made.Contains(c.Code) || c.From.Any(f => made.Contains(f.Code))))
            {
                through.Add(condition);
                made.Add(condition.Code);
            }

            return Lead with { Causes = causes, Through = through };
        }
    }

    /// <summary>Facts that are neither explained by the leading explanation nor odd with it: as on a healthy unit.</summary>
    public IEnumerable<Fact> Usual => Facts.Where(f => !Lead.Explains.Contains(f) && !Lead.Leaves.Contains(f));

    /// <summary>A finding is one of what the explanation, which is likely and leaves nothing odd, was made from.</summary>
    public bool AccountsFor(Finding finding) => Stands?.Code is Explained or Likely && Lead.Leaves.Count == 0
        && FactsOfSpan.IsWeighed(finding);

    /// <summary>Causes of the leading explanation that another brought on.</summary>
    public IEnumerable<ExplainingCause> Consequences => Lead.Causes.Where(c => c.Role == CauseRole.Consequence);

    /// <summary>Causes that were seen as well, while the rest is explained without them.</summary>
    public IEnumerable<Cause> Separate => Lead.Causes.Where(c => c.Role == CauseRole.Separate).Select(c => c.Cause);

    /// <summary>What was replaced because another cause broke it, while that one is as it was: it will break again.</summary>
    /// <param name="asFound">What explained the unit before the work.</param>
    /// <param name="worked">Parts that were worked on, as the table calls them.</param>
    public static IEnumerable<ExplainingCause> LeftToBreakAgain(CaseDiagnosis asFound, IReadOnlyCollection<string> worked) =>
        asFound.Consequences.Where(c => worked.Contains(c.Cause.Part) && !worked.Contains(c.BroughtOnBy!.Part));

    /// <summary>Causes that may be it instead, or beside it.</summary>
    public IEnumerable<WeighedCause> Others =>
        Result.Causes.Where(c =>
            c.Probability >= WorthNaming && Told.Causes.All(l => l.Cause != c.Cause || l.Role == CauseRole.Separate));

    /// <summary>The leading explanation as a finding; null where nothing is wrong or nothing is known.</summary>
    public Finding? Stands => field ??= Said();

    private Finding? Said()
    {
        if (Facts.Count == 0)
            return null;
        if (Result.NothingFits > Math.Max(Lead.Probability, Probability))
            return Finding.Of(NothingFits);
        if (IsHealthy)
            return null;
        var code = Result.IsSure ? Explained : Probability >= LeadsFrom ? Likely : Open;
        var named = code == Open ? Result.Causes.Take(MostNamed).Select(c => c.Cause) : Leading;
        return Finding.Of(code) with
        {
            Detail = string.Join(Between, named.Select(c => c.Code)),
            Values = new Dictionary<string, double> { [ProbabilityValue] = Probability },
        };
    }
}

/// <summary>A test that the diagnosis asks for.</summary>
/// <param name="Then">Further tests that are likely to follow: what lies on the way is taken along.</param>
public sealed record DiagnosisTask(NextTest Test, IReadOnlyList<NextTest> Then) : BenchTask(Name, TaskOrder.Readings)
{
    /// <summary>As the tasks of a bench are named.</summary>
    public const string Name = "diagnosis";

    /// <inheritdoc/>
    public override bool IsTest => true;
}

/// <summary>Work was done, and nothing speaks of a fault any more: it is to prove itself.</summary>
public sealed record ProveTask(Proof Proof) : BenchTask(DiagnosisTask.Name, TaskOrder.Settings);

/// <summary>What explains the visit is sure enough to be acted on.</summary>
/// <param name="Beside">Looks that would tell of another fault, or of what this one has broken: to be made on the same way.</param>
public sealed record RepairTask(Cause Cause, double Probability, IReadOnlyList<NextTest> Beside)
    : BenchTask(DiagnosisTask.Name, TaskOrder.Settings);
