using System.Text.RegularExpressions;
using KeenEmber.Core.Diagnosis;
using KeenEmber.Core.Findings;
using KeenEmber.Core.Plant;
using KeenEmber.Core.Record;
using KeenEmber.Core.Visits;

namespace KeenEmber.Core.Benches.Danger;

/// <summary>What can hurt somebody or wreck the machine now, by what was seen: it is said before anything else.</summary>
/// <remarks>
/// Source: trade practice. A breaker or fuse that went is a result: what shorted is found before a reset, each circuit to earth. A
/// compressor behind a condenser whose fan stands overheats within minutes. What nobody has explained is no safer after a night.
/// </remarks>
public sealed partial class DangerBench : IBench
{
    /// <summary>Refrigerant or CO2 in a closed room.</summary>
    public const string Gas = "danger.gas";

    /// <summary>A burning smell, or a wire that is burnt.</summary>
    public const string Burning = "danger.burning";

    /// <summary>A breaker or fuse went; its detail says in which mode, where that is known.</summary>
    public const string Tripped = "danger.tripped";

    /// <summary>A heater, motor or winding conducts to earth.</summary>
    public const string Grounded = "danger.grounded";

    /// <summary>A wire is chafed through its insulation.</summary>
    public const string Chafed = "danger.chafed";

    /// <summary>The compressor runs and its condenser has no air.</summary>
    public const string NoAirOverCondenser = "danger.no-air-over-condenser";

    /// <summary>Detail of <see cref="Tripped"/> and <see cref="Burning"/> where it went in a defrost.</summary>
    public const string InDefrost = "defrost";

    /// <summary>Detail of <see cref="NoAirOverCondenser"/> where the air was felt and nobody has seen the fan stand.</summary>
    public const string AirFelt = "air";

    /// <summary>Value of a danger that an earlier visit saw and nobody has explained since: how many days before this visit, d.</summary>
    public const string DaysAgo = "daysAgo";

    /// <summary>How many parts the electrical bench measured that leak to earth.</summary>
    private const string UnsafeParts = "electrical.unsafe-parts";

    /// <summary>How many parts or leads were seen rubbed through, and how many burnt.</summary>
    private const string RubbedWires = "electrical.rubbed-wires", BurntParts = "electrical.burnt-parts";

    /// <summary>Its name and the first part of its codes.</summary>
    public string Name => "danger";

    /// <inheritdoc/>
    public IReadOnlyList<string> Speaks { get; } = ["danger"];

    /// <summary>None of its own: it goes by the facts of the walk-round, and what earlier visits left.</summary>
    public IReadOnlyDictionary<string, Type> Entries { get; } = new Dictionary<string, Type>();

    /// <inheritdoc/>
    public BenchJudgement Judge(VisitInput visit)
    {
        var seen = visit.Timeline.Standing;
        var ever = Dangers.Where(d => seen.Any(d.IsShownBy)).Select(d => d.Code).Distinct().Select(c => Made(c, visit, seen));
        var now = CodesNow(visit).Select(c => Made(c, visit, seen)).ToList();
        var left = Left(visit).Where(l => !now.Exists(n => n.Code == l.Code)).ToList();
        return new DangerJudgement([.. ever, .. left], [.. now, .. left]);
    }

    /// <summary>Dangers that earlier visits saw, that no sign-off since has explained, and that nobody has looked at again.</summary>
    private static IEnumerable<Finding> Left(VisitInput visit) => Dangers.DistinctBy(d => d.Code).Select(d =>
        LeftOf(d.Code, visit)).OfType<Finding>();

    private static Finding? LeftOf(string code, VisitInput visit)
    {
        foreach (var sign in Dangers.Where(d => d.Code == code))
        {
            var (then, last) = visit.UpToHere.Select(t => (t, t.Standing.LastOrDefault(sign.IsAbout)))
                .FirstOrDefault(s => s.Item2 is not null);
            if (last is null || then == visit.Timeline || !sign.IsShownBy(last) || IsExplainedSince(last.At, code, visit))
                continue;
            return Finding.Of(code) with
            {
                Basis = [last.Id],
                Detail = then.ConditionsAt(last.At).IsInDefrost ? InDefrost : "",
                Values = new Dictionary<string, double> { [DaysAgo] = Math.Max(0, (visit.Visit.StartedAt - last.At).TotalDays) },
            };
        }

        return null;
    }

    private static bool IsExplainedSince(DateTimeOffset seen, string code, VisitInput visit) => visit.UpToHere
        .Where(t => t != visit.Timeline).SelectMany(t => t.Standing).OfType<SignOffEntry>().Any(s => s.At >= seen && s.Explains(code));

    /// <summary>What shows a danger: a fact of the walk-round, or an answer to a test that the diagnosis asked for.</summary>
    private sealed record Sign(string Code, AsFound? Fact, FactState[] States, string Observable = "", string Answer = "")
    {
        public Sign(string code, AsFound fact, FactState state) : this(code, fact, [state])
        {
        }

        public Sign(string code, string observable, string answer) : this(code, null, [], observable, answer)
        {
        }

        /// <summary>It speaks of the same thing: the last such entry holds.</summary>
        public bool IsAbout(Entry entry) => entry switch
        {
            ObservationEntry seen => seen.Fact == Fact,
            DiagnosisFactEntry { Cannot: false } told => told.Observable == Observable,
            _ => false,
        };

        public bool IsShownBy(Entry entry) => entry switch
        {
            ObservationEntry seen => seen.Fact == Fact && States.Contains(seen.State),
            DiagnosisFactEntry { Cannot: false } told => told.Observable == Observable && told.Answer == Answer,
            _ => false,
        };
    }

    /// <summary>The gravest first.</summary>
    private static readonly Sign[] Dangers =
    [
        new(Gas, AsFound.Smell, FactState.Gas),
        new(Burning, AsFound.Smell, FactState.Burning),
        new(Burning, AsFound.Wiring, FactState.Burnt),
        new(Tripped, AsFound.Supply, FactState.Tripped),
        new(Tripped, "supply", "fuse-blown"),
        new(Grounded, "heaters-earth", "grounded"),
        new(Grounded, "fan-earth", "grounded"),
        new(Grounded, "condfan-earth", "grounded"),
        new(Grounded, "windings-earth", "grounded"),
        new(Chafed, AsFound.Wiring, FactState.Rubbed),
    ];

    private static IEnumerable<string> CodesNow(VisitInput visit)
    {
        var now = visit.Conditions;
        var codes = Dangers.Where(d => d.Fact is { } fact ? now.StateOf(fact) is { } state && d.States.Contains(state)
            : visit.Timeline.Standing.LastOrDefault(d.IsAbout) is { } told && d.IsShownBy(told))
            .Select(d => d.Code).Where(c => !IsOver(c, visit)).ToList();
        if (visit.Unit.MakeUp.IsAirCooled && Runs(visit) && HasNoAir(visit))
            codes.Add(NoAirOverCondenser);
        codes.AddRange(Told(visit));
        if (visit.Evidence(UnsafeParts) > 0)
            codes.Add(Grounded);
        if (visit.Evidence(BurntParts) > 0)
            codes.Add(Burning);
        if (visit.Evidence(RubbedWires) > 0)
            codes.Add(Chafed);
        return codes.Distinct().OrderBy(c => Array.FindIndex(Dangers, d => d.Code == c) is >= 0 and var place ? place : Dangers.Length);
    }

    /// <summary>Work was done, the breaker switched on again, and it has neither gone nor burnt since.</summary>
    private static bool IsOver(string code, VisitInput visit)
    {
        if (code is not (Tripped or Burning) || SwitchedOnAt(visit) is not { } on)
            return false;
        var shown = visit.Timeline.Standing.Where(e => Dangers.Any(d => d.Code == code && d.IsShownBy(e))).Max(e => e.At);
        return shown < on && WorkDone.Moments(visit.Timeline).Any(w => w > shown && w < on);
    }

    /// <summary>When the breaker was last switched on after it went; null where it was not.</summary>
    private static DateTimeOffset? SwitchedOnAt(VisitInput visit) => visit.Timeline.Standing.Where(e =>
        e is ChangeEntry { Area: WorkArea.Power, Before: ChangeEntry.Tripped }
            or DiagnosisFactEntry { Cannot: false, Observable: "breaker-holds", Answer: "holds" }).Max(e => (DateTimeOffset?)e.At);

    private static bool Runs(VisitInput visit) => Last(visit, AsFound.Compressor, "compressor") switch
    {
        DiagnosisFactEntry told => told.Answer is "running" or "cycling",
        _ => visit.Conditions.Compressor == FactState.Running,
    };

    /// <summary>No air leaves the condenser, or its fan stands: one that a control stops when head falls may, and is no danger by the fact
    /// alone.</summary>
    private static bool HasNoAir(VisitInput visit)
    {
        if (visit.Unit.MakeUp.Has(CircuitParts.FanCyclingControl))
            return false;
        return Last(visit, AsFound.CondenserFan, "condenser-fan", "condenser-air") switch
        {
            DiagnosisFactEntry { Observable: "condenser-air" } felt => felt.Answer == "none",
            DiagnosisFactEntry told => told.Answer == "stopped",
            _ => visit.Conditions.CondenserFan == FactState.Stopped,
        };
    }

    /// <summary>What was last seen of it, or answered, since work was done; null for nothing.</summary>
    private static Entry? Last(VisitInput visit, AsFound fact, params string[] observables)
    {
        var work = WorkDone.LastAt(visit.Timeline);
        return visit.Timeline.Standing.Where(e => work is null || e.At > work).OrderBy(e => e.At).LastOrDefault(e =>
            (e is ObservationEntry seen && seen.Fact == fact)
            || (e is DiagnosisFactEntry { Cannot: false } told && observables.Contains(told.Observable)));
    }

    /// <summary>Dangers that the customer told of, as long as nobody has looked at them or signed the visit off.</summary>
    private static IEnumerable<string> Told(VisitInput visit)
    {
        if (visit.Timeline.Standing.Any(e => e is SignOffEntry))
            yield break;
        bool IsLookedAt(params AsFound[] facts) => visit.Timeline.Standing.Any(e =>
            (e is ObservationEntry seen && facts.Contains(seen.Fact)) || Dangers.Any(d => facts.Any(f => d.Fact == f) && d.IsAbout(e))
            || (e is DiagnosisFactEntry { Cannot: false, Observable: "supply" or "breaker-holds" }
                or ChangeEntry { Area: WorkArea.Power, Before: ChangeEntry.Tripped } && facts.Contains(AsFound.Supply)));
        if (Burns().IsMatch(visit.Visit.Complaint) && !IsLookedAt(AsFound.Smell, AsFound.Wiring))
            yield return Burning;
        if (Went().IsMatch(visit.Visit.Complaint) && !IsLookedAt(AsFound.Supply))
            yield return Tripped;
    }

    /// <summary>Something burns or smells so; product with freezer burn does not.</summary>
    [GeneratedRegex(@"(?<!freezer )\bburn|\bsmok(e|ing)\b|\bscorch|\bspark", RegexOptions.IgnoreCase)]
    private static partial Regex Burns();

    /// <summary>A breaker or fuse went.</summary>
    [GeneratedRegex(
        @"\b(breaker|fuse)s?\b.*\b(down|off|trip|out|blow|blew|went|gone|goes)|\b(trip|blow|blew|threw|popp?)\w*\b.*\b(breaker|fuse)",
        RegexOptions.IgnoreCase)]
    private static partial Regex Went();

    private static Finding Made(string code, VisitInput visit, IReadOnlyList<Entry> seen)
    {
        var signs = seen.Where(o => Dangers.Any(d => d.Code == code && d.IsShownBy(o))).ToList();
        var then = signs.Count > 0 ? visit.Timeline.ConditionsAt(signs[0].At) : visit.Conditions;
        return Finding.Of(code) with
        {
            Basis = [.. signs.Select(o => o.Id)],
            Detail = code == NoAirOverCondenser ? then.CondenserFan == FactState.Stopped ? "" : AirFelt : then.IsInDefrost ? InDefrost : "",
            About = code == NoAirOverCondenser ? [Subject.Component(new(ComponentKind.CondenserFan))] : [],
        };
    }
}

/// <summary>What is dangerous now, and what was seen to be on the visit: each of it must be explained before the visit closes.</summary>
public sealed record DangerJudgement(IReadOnlyList<Finding> Ever, IReadOnlyList<Finding> Dangers) : BenchJudgement
{
    /// <inheritdoc/>
    public override IReadOnlyList<Finding> Found => Ever;

    /// <inheritdoc/>
    public override IReadOnlyList<Finding> Now => Dangers;

    /// <inheritdoc/>
    public override IReadOnlyList<BenchTask> Tasks => field ??= [.. Dangers.Select(d => new DangerTask(d))];
}

/// <summary>What to do now, before any other word.</summary>
public sealed record DangerTask(Finding Danger) : BenchTask("danger", TaskOrder.Danger);
