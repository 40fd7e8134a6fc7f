using KeenEmber.Core.Diagnosis;
using KeenEmber.Core.Diagnosis.Weighing;
using KeenEmber.Core.Plant;

namespace KeenEmber.Core.Practice;

/// <summary>A case as far as somebody has worked it. Acting takes time and has effects: what is thawed is gone, what is wiped was there,
/// and a repair is right or wrong.</summary>
public sealed class PracticeRun
{
    /// <summary>What takes as long whatever it is, min.</summary>
    private const double ThawMin = 60, PowerMin = 5, RepairMin = 45;

    private static readonly string[] Thawed =
        ["coil", "frost-pattern", "ice-kind", "fan-guard", "return-bends", "pan-ice", "ceiling-frost"];

    private static readonly string[] Wiped = ["alarm-kind", "defrosts", "starts", "end-by"];

    private readonly Dictionary<string, Observable> observables;

    /// <summary>As far as these acts go.</summary>
    public PracticeRun(PracticeCase of, IReadOnlyList<PracticeAct> acts)
    {
        (Case, Acts) = (of, acts);
        Repaired = [.. acts.Where(a => a.Step == PracticeStep.Repair).Select(a => a.Code).Distinct()];
        Left = JobLeft();
        World = new(Left);
        observables = World.Observables.ToDictionary(o => o.Code);
    }

    /// <summary>What is worked.</summary>
    public PracticeCase Case { get; }

    /// <summary>In their order.</summary>
    public IReadOnlyList<PracticeAct> Acts { get; }

    /// <summary>Causes that were repaired, rightly or not.</summary>
    public IReadOnlyList<string> Repaired { get; }

    /// <summary>The job as it is now.</summary>
    public Job Left { get; }

    /// <summary>What is found in it.</summary>
    public PracticeWorld World { get; }

    /// <summary>Everything that was wrong was repaired.</summary>
    public bool IsMended => Case.Job.Truth.All(Repaired.Contains);

    /// <summary>Somebody said that it is done.</summary>
    public bool IsOver => Acts.Any(a => a.Step == PracticeStep.End);

    /// <summary>Since the beginning.</summary>
    public double Minutes => Acts.Sum(a => a.Minutes);

    /// <summary>Where the technician stands; empty at the beginning.</summary>
    public string At => LastOf(PracticeStep.Look) is { } look
        ? DiagnosisTable.Shipped.Observables.First(o => o.Code == look.Code).Place : "";

    /// <summary>Gauges were connected to a small charge: they took some of it.</summary>
    public bool HasLostChargeToGauges => Case.Job.Unit.Metering == Metering.CapillaryTube
        && Looks.Any(l => DiagnosisTable.Shipped.Observables.Any(o => o.Code == l.Code && o.Tool == "gauges"));

    /// <summary>What was looked at.</summary>
    public IEnumerable<PracticeAct> Looks => Acts.Where(a => a.Step == PracticeStep.Look);

    private PracticeAct? LastOf(PracticeStep step) => Acts.LastOrDefault(a => a.Step == step);

    /// <summary>Since the last repair, what is known; of two looks at one thing the later holds. What stood in the way of does not
    /// count.</summary>
    public IReadOnlyList<Fact> Known
    {
        get
        {
            var since = Acts.ToList().FindLastIndex(a => a.Step == PracticeStep.Repair) + 1;
            var told = since > 0 ? [] : Case.Job.Opening.Where(o => Fact.IsOfComplaint(o.Key))
                .Select(o => new Fact(o.Key, o.Value));
            return [.. told, .. Acts.Skip(since).Where(a => a.Step == PracticeStep.Look && a.Blocked.Length == 0)
                .Select(a => new Fact(a.Code, a.Answer, a.Number)).GroupBy(f => f.Code).Select(g => g.Last())];
        }
    }

    /// <summary>Looks at something.</summary>
    /// <param name="isSafe">What it asks to mind was minded.</param>
    /// <returns>Null where the unit has nothing of that code.</returns>
    public PracticeAct? Look(Guid id, string code, bool isSafe)
    {
        if (!observables.TryGetValue(code, out var observable))
            return null;
        var minutes = NextTests.MinutesFrom(At, observable);
        if (World.InTheWay(observable) is { } need)
            return new(id, PracticeStep.Look, code, Minutes: minutes, IsSafe: isSafe, Blocked: need.Observable);
        if (Wiped.Contains(code) && LastOf(PracticeStep.PowerOff) is not null)
            return new(id, PracticeStep.Look, code, Minutes: minutes, IsSafe: isSafe, Blocked: "supply");
        var found = World.Answer(observable);
        return new(id, PracticeStep.Look, code, found.Answer, found.Number, minutes, isSafe);
    }

    /// <summary>Repairs a cause, or tries to.</summary>
    /// <returns>Null where the unit cannot have it.</returns>
    public PracticeAct? Repair(Guid id, string code) => World.Causes.Any(c => c.Code == code)
        ? new(id, PracticeStep.Repair, code, Minutes: RepairMin) : null;

    /// <summary>Puts the meter on two terminals, or the clamp on a part.</summary>
    /// <param name="where">The terminals or the part, to be told again.</param>
    /// <param name="shown">V, Ω or A; infinite for an open circuit.</param>
    /// <param name="unit">Of it.</param>
    public static PracticeAct Measure(Guid id, string where, double shown, string unit) => new(id, PracticeStep.Measure, where,
        unit, double.IsFinite(shown) ? shown : null, PracticeMeter.Minutes);

    /// <summary>Looks whether a load of the diagram runs.</summary>
    public static PracticeAct Watch(Guid id, string part, bool runs) =>
        new(id, PracticeStep.Measure, part, runs ? PracticeMeter.RunsText : PracticeMeter.StandsText, null, 1);

    /// <summary>Thaws the coil.</summary>
    public static PracticeAct Thaw(Guid id) => new(id, PracticeStep.Thaw, Minutes: ThawMin);

    /// <summary>Switches the power off and on.</summary>
    public static PracticeAct PowerOff(Guid id) => new(id, PracticeStep.PowerOff, Minutes: PowerMin);

    /// <summary>The job as it is after what was done.</summary>
    private Job JobLeft()
    {
        var job = Case.Job;
        var done = Repaired.Where(job.Truth.Contains).ToHashSet();
        if (done.Count > 0 && IsMended)
            job = job with { Root = [], Follows = [], Opening = new Dictionary<string, string>(), Answers = Proved };
        else if (done.Count > 0)
            job = job with
            {
                Root = [.. job.Root.Where(r => !done.Contains(r))], Follows = [.. (job.Follows ?? []).Where(f => !done.Contains(f))],
                Answers = Without(job.Answers, ShownBy(done)),
            };
        return Acts.Any(a => a.Step == PracticeStep.Thaw) ? job with { Answers = Melted(job.Answers) } : job;
    }

    /// <summary>Some hours after everything was put right.</summary>
    private static readonly Dictionary<string, string> Proved = new() { ["box"] = "0.5", ["product-temp"] = "1" };

    /// <summary>Observables that show one of these causes itself.</summary>
    private static HashSet<string> ShownBy(HashSet<string> causes)
    {
        var made = DiagnosisTable.Shipped.Causes.Where(c => causes.Contains(c.Code)).SelectMany(c => c.Makes).Select(m => m.Code)
            .ToHashSet();
        return [.. DiagnosisTable.Shipped.Conditions.Where(c => made.Contains(c.Code) && c.IsCauseItself).SelectMany(c => c.Shows)
            .Select(s => s.Observable)];
    }

    private static Dictionary<string, string> Without(IReadOnlyDictionary<string, string> answers, HashSet<string> codes) =>
        answers.Where(a => !codes.Contains(a.Key)).ToDictionary();

    private static Dictionary<string, string> Melted(IReadOnlyDictionary<string, string> answers)
    {
        var left = Without(answers, [.. Thawed]);
        foreach (var code in Thawed)
            left[code] = code == "coil" ? "clear" : "none";
        return left;
    }
}
