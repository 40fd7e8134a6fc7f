using KeenEmber.Core.Diagnosis;
using KeenEmber.Core.Practice;
using KeenEmber.Storage;
using Microsoft.AspNetCore.Mvc;

namespace KeenEmber.Web.Pages.Visits.Practising;

/// <summary>A case of practice is worked here: look, ask, measure, repair, and hear at the end how it went.</summary>
public sealed class PracticeModel(VisitViews views, PracticeStore practice, TimeProvider time) : VisitPage(views)
{
    /// <summary>Places in the order in which somebody comes to them.</summary>
    public static readonly string[] Places = ["customer", "record", "box", "coil", "control", "unit", "panel"];

    protected override bool IsForPractice => true;

    public PracticeRun Run => Practice!;

    /// <summary>What may be looked at in a place, and what was found there last.</summary>
    public IEnumerable<(Observable Observable, PracticeAct? Last)> At(string place) => Run.World.Observables
        .Where(o => o.Place == place && o.Tool != Intake && !o.IsSeldomAsked)
        .Select(o => (o, Run.Looks.LastOrDefault(l => l.Code == o.Code)));

    /// <summary>What is asked when the complaint is taken: the case says it.</summary>
    private const string Intake = "intake";

    /// <summary>What may be repaired, by the part it is a matter of.</summary>
    public IEnumerable<IGrouping<string, Cause>> Repairs => Run.World.Causes.OrderBy(c => c.Name, StringComparer.Ordinal)
        .GroupBy(c => c.Part).OrderBy(g => g.Key, StringComparer.Ordinal);

    public int Hints => Run.Acts.Count(a => a.Step == PracticeStep.Hint);

    /// <summary>The test that would tell most.</summary>
    public NextTest? Next
    {
        get
        {
            var unit = Run.Case.Job.Unit;
            return new Diagnoser(DiagnosisTable.Shipped).Diagnose(new(unit.MakeUp, unit.Target, unit.Fans, Run.Known) { At = Run.At })
                .Next is [var best, ..] ? best : null;
        }
    }

    /// <summary>How it went; null while it is worked.</summary>
    public Debriefing? Told => field ??= Run.IsOver ? Debriefing.Of(Run) : null;

    /// <param name="isSafe">What it asks to mind was minded.</param>
    public IActionResult OnPostLook(Guid id, Guid entryId, string? code, bool isSafe) => Act(id, entryId,
        run => run.Look(entryId, code ?? "",
            isSafe || DiagnosisTable.Shipped.Observables.All(o => o.Code != code || o.Hazard.Length == 0)));

    public IActionResult OnPostRepair(Guid id, Guid entryId, string? cause)
    {
        if (string.IsNullOrEmpty(cause) && Load(id, entryId))
        {
            Keep();
            Form.Errors["cause"] = "Choose what you repair.";
            return Page();
        }

        return Act(id, entryId, run => run.Repair(entryId, cause ?? ""));
    }

    public IActionResult OnPostThaw(Guid id, Guid entryId) => Act(id, entryId, _ => PracticeRun.Thaw(entryId));

    public IActionResult OnPostPower(Guid id, Guid entryId) => Act(id, entryId, _ => PracticeRun.PowerOff(entryId));

    public IActionResult OnPostHint(Guid id, Guid entryId) => Act(id, entryId, _ => new(entryId, PracticeStep.Hint));

    public IActionResult OnPostEnd(Guid id, Guid entryId) => Act(id, entryId, _ => new(entryId, PracticeStep.End));

    private IActionResult Act(Guid id, Guid entryId, Func<PracticeRun, PracticeAct?> make)
    {
        if (!Load(id, entryId))
            return NotFound();
        if (entryId == Guid.Empty || make(Run) is not { } act)
            return BadRequest();
        var debriefed = act.Step == PracticeStep.End ? Debriefing.Of(new(Run.Case, [.. Run.Acts, act])) : null;
        if (practice.Append(id, act, time.GetUtcNow(), debriefed is null ? null : (debriefed.IsSolved, Run.Minutes))
            && PracticeEntries.Of(Writer.Next(), act) is { } entry)
            Append([entry]);
        return RedirectToPage(new { id });
    }
}
