using KeenEmber.Core.Benches.Electrical;
using KeenEmber.Core.Benches.Electrical.Tracing;
using KeenEmber.Core.Practice;
using KeenEmber.Core.Quantities;
using KeenEmber.Storage;
using Microsoft.AspNetCore.Mvc;

namespace KeenEmber.Web.Pages.Visits.Electrical.Diagrams;

/// <summary>The control circuit of the unit, traced by two terminals and a voltage.</summary>
public sealed class ElectricalTraceModel(VisitViews views, PracticeStore practice, TimeProvider time) : VisitPage(views)
{
    private const double MostVolts = 1000;

    /// <summary>The mode that is shown: the one asked for, else the one that was measured in.</summary>
    [BindProperty(SupportsGet = true)]
    public string? Mode { get; set; }

    /// <summary>What was traced.</summary>
    public CircuitTrace Trace => View.Of<ElectricalJudgement>()!.Trace;

    /// <summary>What was traced before work was done on this visit, the latest first.</summary>
    public IEnumerable<CircuitTrace> Before =>
        View.Of<ElectricalJudgement>()!.Traces.SkipLast(1).Reverse().Where(t => t.Entries.Count > 0);

    /// <summary>What the unit should be doing on the drawing.</summary>
    public CircuitMode Shown => EnumName.Find<CircuitMode>(Mode ?? "") ?? Trace.Mode;

    /// <summary>What was measured belongs to the mode that is shown.</summary>
    public bool IsMeasuredMode => Shown == Trace.Mode;

    /// <summary>Those a unit of this make-up has.</summary>
    public IEnumerable<CircuitMode> Modes => CircuitTemplates.ModesOf(View.Equipment);

    /// <summary>Loads that can be seen to run or not.</summary>
    public IEnumerable<string> Loads => Trace.In(Shown).Wiring.Parts.Where(p => p.IsLoad).Select(p => p.Id);

    /// <summary>A voltage between two terminals, or a resistance with the power off.</summary>
    public IActionResult OnPostVolts(Guid id, Guid entryId) => Take(id, entryId, () =>
    {
        var (a, b) = (Form["a"], Form["b"]);
        var terminals = Trace.In(Shown).Wiring.Terminals;
        if (!terminals.Contains(a) || !terminals.Contains(b) || a == b)
            Form.Errors["b"] = "Two different terminals: tap them in the diagram or choose them here.";
        return new TraceEntry(Writer.Next(), Shown, a, b, Between(), "", null);
    });

    private TypedValue? Between()
    {
        if (Form["volts"].Trim().ToLowerInvariant() is "open" or "ol")
            return new(TraceEntry.OpenOhm / Unit.Megaohm.Scale, Unit.Megaohm);
        var value = Form.Either("volts", QuantityKind.Voltage, QuantityKind.Resistance);
        if (value is { Unit.Kind: QuantityKind.Voltage } && value.Si(default) is < 0 or > MostVolts)
            Form.Errors["volts"] = $"0 to {MostVolts} V. More is not measured with a hand-held meter here.";
        return value;
    }

    /// <summary>A load that runs, hums or pulls, or does not.</summary>
    public IActionResult OnPostSeen(Guid id, Guid entryId, bool runs, string? seen) => Take(id, entryId, () =>
        Loads.Contains(Form["part"]) && (EnumName.Find<TraceKind>(seen ?? nameof(TraceKind.Runs)) ?? TraceKind.Volts) is var kind
            && kind is TraceKind.Runs or TraceKind.Hums or TraceKind.Clicks or TraceKind.Warm
            ? new TraceEntry(Writer.Next(), Shown, "", "", null, Form["part"], runs, kind) : null);

    /// <summary>The current of a load, with a clamp round one conductor.</summary>
    public IActionResult OnPostAmps(Guid id, Guid entryId) => Take(id, entryId, () => Loads.Contains(Form["part"])
        ? new TraceEntry(Writer.Next(), Shown, "", "", Form.Value("amps", QuantityKind.Current, required: true), Form["part"], null)
        : null);

    /// <summary>In practice the meter says what it shows between two terminals.</summary>
    public IActionResult OnPostMeter(Guid id, Guid entryId, bool isPowerOff) => Measure(id, entryId, meter =>
    {
        var (a, b) = (Form["a"], Form["b"]);
        if (a == b || meter.Between(a, b, isPowerOff) is not { } shown)
        {
            Form.Errors["b"] = "Two different terminals: tap them in the diagram or choose them here.";
            return null;
        }

        var value = isPowerOff ? Ohms(shown) : new TypedValue(shown, Unit.Volt);
        return (new(Writer.Next(), meter.Mode, a, b, value, "", null),
            PracticeRun.Measure(entryId, $"{a} to {b}", shown, isPowerOff ? "Ω" : "V"));
    });

    private static TypedValue Ohms(double shown) =>
        double.IsFinite(shown) ? new(shown, Unit.Ohm) : new(TraceEntry.OpenOhm / Unit.Megaohm.Scale, Unit.Megaohm);

    /// <summary>And the clamp what flows to a load.</summary>
    public IActionResult OnPostClamp(Guid id, Guid entryId) => Measure(id, entryId, meter => meter.Amps(Form["part"]) is { } amps
        ? (new(Writer.Next(), meter.Mode, "", "", new(amps, Unit.Ampere), Form["part"], null),
            PracticeRun.Measure(entryId, Form["part"], amps, "A")) : null);

    /// <summary>And a look whether a load runs.</summary>
    public IActionResult OnPostWatch(Guid id, Guid entryId) => Measure(id, entryId, meter => meter.Runs(Form["part"]) is { } runs
        ? (new(Writer.Next(), meter.Mode, "", "", null, Form["part"], runs), PracticeRun.Watch(entryId, Form["part"], runs)) : null);

    private IActionResult Measure(Guid id, Guid entryId, Func<PracticeMeter, (TraceEntry Entry, PracticeAct Act)?> measure)
    {
        if (!Load(id, entryId) || Practice is null)
            return NotFound();
        if (entryId == Guid.Empty || Practice.IsOver)
            return BadRequest();
        Keep();
        if (measure(new(Practice, View.Of<ElectricalJudgement>()!.Diagram.Now)) is not var (entry, act))
            return Form.Errors.Count > 0 ? Page() : BadRequest();
        if (practice.Append(id, act, time.GetUtcNow()))
            Append([entry]);
        return RedirectToPage(new { id });
    }
}
