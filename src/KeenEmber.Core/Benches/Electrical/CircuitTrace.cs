using KeenEmber.Core.Benches.Electrical.Tracing;
using KeenEmber.Core.Findings;
using KeenEmber.Core.Plant;
using KeenEmber.Core.Record;
using KeenEmber.Core.Visits;

namespace KeenEmber.Core.Benches.Electrical;

/// <summary>What was measured along the control circuit between two pieces of work, and what it comes to.</summary>
public sealed class CircuitTrace
{
    /// <summary>One suspect is left.</summary>
    public const string Traced = "electrical.traced";

    /// <summary>From this probability on.</summary>
    private const double TracedAt = 0.9;

    /// <summary>A reading from here on up is of the supply, V; without one this much is taken for it.</summary>
    private const double SupplyFrom = 90, UsualVolts = 230;

    private readonly CircuitPlan plan;
    private readonly List<TraceReading> seen;

    private readonly IBenchMemory? memory;
    private readonly HashSet<string> worked;

    /// <param name="workedOn">Parts that were replaced or swapped on the visit before.</param>
    /// <param name="from">After it; work divides a visit.</param>
    /// <param name="until">Up to it; null for the end of the visit.</param>
    internal CircuitTrace(
        Timeline timeline, CircuitPlan plan, IBenchMemory? memory, IReadOnlySet<Component> workedOn, DateTimeOffset? from = null,
        DateTimeOffset? until = null)
    {
        (this.plan, this.memory) = (plan, memory);
        worked = plan.Parts.Where(p => p.Component is { } component && workedOn.Contains(component)).Select(p => p.Name).ToHashSet();
        var here = timeline.Standing.Where(e => (from is null || e.At > from) && (until is null || e.At <= until)).ToList();
        var all = here.OfType<TraceEntry>().OrderBy(e => e.At).ToList();
        Mode = all.Count > 0 ? all[^1].Mode : ModeSeen(here);
        Volts = all.Where(e => e.Kind == TraceKind.Volts).Select(e => e.Value!.Si(default)).Where(v => v >= SupplyFrom)
            .DefaultIfEmpty(UsualVolts).Max();
        Diagram = plan.In(Mode, Volts);
        Entries = [.. all.Where(e => e.Mode == Mode && Fits(e))];
        seen = [.. SeenOnTheWay([.. here.OfType<ObservationEntry>()])];
    }

    /// <summary>Before anything is measured the walk-round tells what it should be doing.</summary>
    private static CircuitMode ModeSeen(IEnumerable<Entry> here) =>
        here.OfType<ObservationEntry>().LastOrDefault(o => o.Fact == AsFound.Defrost)?.State == FactState.Defrosting
            ? CircuitMode.Defrost : CircuitMode.Calling;

    /// <summary>What the unit should be doing.</summary>
    public CircuitMode Mode { get; }

    /// <summary>Of the supply: the highest that was measured, V.</summary>
    public double Volts { get; }

    /// <summary>The unit's control circuit in that mode.</summary>
    public ControlDiagram Diagram { get; }

    /// <summary>In that mode, in the order of time.</summary>
    public IReadOnlyList<TraceEntry> Entries { get; }

    /// <summary>What it comes to.</summary>
    public Trace Result => field ??= Entries.Count == 0 || memory is null ? Find() : memory.Of(Key, Find);

    private IReadOnlyList<TraceReading> Readings => [.. Entries.Select(e => e.Reading), .. seen];

    private Trace Find() => Tracer.Find(Diagram.Wiring, Readings, worked: worked);

    /// <summary>The circuit with its contacts as they should be, and every reading.</summary>
    private string Key => string.Join('|', Diagram.Sources.Cast<object>()
        .Concat(Diagram.Wiring.Parts.SelectMany(p => new object[] { p, string.Join(',', p.Contacts) })).Concat(Readings).Concat(worked));

    /// <summary>Measurements that the leading suspect leaves odd.</summary>
    public IReadOnlyList<TraceEntry> Odd => [.. Result.Unexplained.Where(i => i < Entries.Count).Select(i => Entries[i])];

    /// <summary>The suspect that is left; null where there are several, or none.</summary>
    public Finding? Finding => field ??= Entries.Count > 0 && Result.Suspects[0] is { Probability: >= TracedAt } lead
        && lead.Of.Fault != WiredFault.Swapped && Diagram.Part(lead.Of.Part) is { Component: { } component }
        ? new(Traced, Strength.Strong, [.. Entries.Select(e => e.Id)],
            new Dictionary<string, double> { ["probability"] = lead.Probability })
        {
            About = [Subject.Component(component)], Detail = $"{lead.Of.Part}/{lead.Of.Fault}",
        }
        : null;

    /// <summary>The fault of a finding of this kind.</summary>
    public static PartFault? FaultOf(Finding finding) => finding.Detail.Split('/') is [var part, var fault]
        && Enum.TryParse<WiredFault>(fault, out var known) ? new(part, known) : null;

    /// <summary>The same circuit in another mode, with nothing measured.</summary>
    public ControlDiagram In(CircuitMode mode) => mode == Mode ? Diagram : plan.In(mode, Volts);

    /// <summary>What the walk-round saw of loads that the trace itself says nothing of: it is not asked again. One fan of several that
    /// runs shows that they are fed.</summary>
    private IEnumerable<TraceReading> SeenOnTheWay(List<ObservationEntry> looks)
    {
        foreach (var part in Diagram.Rungs.SelectMany(r => r.Parts).Where(p => p.Wired.IsLoad && !Entries.Any(e => e.Part == p.Wired.Id)))
        {
            var states = looks.Where(o => o.State is FactState.Running or FactState.Stopped
                && Components.Of(o.Fact, null)?.Kind == part.Component?.Kind).GroupBy(o => o.Index).Select(g => g.Last().State).ToList();
            if (states.Count > 0)
                yield return TraceReading.Runs(part.Wired.Id, states.Contains(FactState.Running));
        }
    }

    private bool Fits(TraceEntry entry) => entry.Part.Length > 0 ? Diagram.Part(entry.Part) is not null
        : Diagram.Wiring.Terminals.Contains(entry.A) && Diagram.Wiring.Terminals.Contains(entry.B);
}
