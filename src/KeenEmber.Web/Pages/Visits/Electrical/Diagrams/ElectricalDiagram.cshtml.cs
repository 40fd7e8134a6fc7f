using System.Text.RegularExpressions;
using KeenEmber.Core.Benches.Electrical;
using KeenEmber.Core.Benches.Electrical.Tracing;
using KeenEmber.Core.Plant;
using KeenEmber.Core.Quantities;
using KeenEmber.Core.Record;
using KeenEmber.Core.Visits;
using KeenEmber.Storage;
using KeenEmber.Web.Api;
using KeenEmber.Words.Benches.Electrical.Diagrams;
using Microsoft.AspNetCore.Mvc;

namespace KeenEmber.Web.Pages.Visits.Electrical.Diagrams;

/// <summary>The unit's control circuit, brought into line with what is really in the panel.</summary>
public sealed partial class ElectricalDiagramModel(VisitViews views, EquipmentStore units, VisitStore visits) : VisitPage(views)
{
    private const int LongestName = 30, LongestText = 60;

    private const double UsualVolts = 230, UsualLoadOhm = 500;

    /// <summary>The mode that is shown.</summary>
    [BindProperty(SupportsGet = true)]
    public string? Mode { get; set; }

    public UnitDiagram Diagram => View.Of<ElectricalJudgement>()!.Diagram;

    public CircuitMode Shown => EnumName.Find<CircuitMode>(Mode ?? "") ?? CircuitMode.Calling;

    /// <summary>What was changed on this visit.</summary>
    public IReadOnlyList<DiagramEntry> Changed => [.. View.Timeline.Standing.OfType<DiagramEntry>().OrderBy(d => d.At)];

    /// <summary>What is written under a photo of a terminal, by which it is found again.</summary>
    public static string Caption(string terminal) => $"terminal {terminal}";

    /// <summary>Photos of a terminal, from every visit up to this one.</summary>
    public IEnumerable<PhotoEntry> PhotosOf(string terminal) => View.UpToHere.SelectMany(t => t.Standing).OfType<PhotoEntry>()
        .Where(p => p.Topic == Topic.Wiring && p.Caption == Caption(terminal));

    /// <summary>Other units whose diagram somebody has kept.</summary>
    public IReadOnlyList<Equipment> Sisters => field ??= visits.WithDiagram() is not { Count: > 0 } kept ? []
        : [.. units.All().Where(u => u.Id != View.Equipment.Id && kept.Contains(u.Id))
            .OrderByDescending(u => u.Kind == View.Equipment.Kind).ThenBy(u => u.Tag, StringComparer.Ordinal)];

    /// <summary>Letters, digits and what stands on terminals and tags.</summary>
    [GeneratedRegex(@"^[\p{L}\p{N}][\p{L}\p{N} ,.\-/()+]{0,29}$")]
    private static partial Regex Name();

    public IActionResult OnPostTerminal(Guid id, Guid entryId) => Edit(id, entryId, "terminal", plan =>
    {
        var of = Form["of"];
        var to = new PlannedTerminal(Named("terminal"), Form.Text("wire", LongestText), Form.Text("place", LongestText));
        return (plan.Describe(of, to), $"terminal {of}: " + string.Join(", ", new[] { of == to.Name ? "" : $"now {to.Name}", to.Wire,
            to.Place }.Where(t => t.Length > 0)));
    });

    public IActionResult OnPostPart(Guid id, Guid entryId) => Edit(id, entryId, "part", plan =>
        (plan.RenamePart(Form["of"], Named("part")), $"{Form["of"]} is the {Form["part"]}"));

    public IActionResult OnPostTakeOut(Guid id, Guid entryId) =>
        Edit(id, entryId, "of", plan => (plan.TakeOut(Form["of"]), $"{Form["of"]} is not there"));

    public IActionResult OnPostAdd(Guid id, Guid entryId) => Edit(id, entryId, "name", plan =>
    {
        var (name, kind, before) = (Named("name"), Form.Choice<WiredKind>("kind"), Form["before"]);
        var closed = Form.Ticked<ClosedIn>("closed").Aggregate(ClosedIn.None, (all, c) => all | c);
        var where = Form.Text("where", LongestText);
        var part = kind == WiredKind.Contact ? new PlannedPart(name, kind, Form["from"], Form["to"], closed, Where: where)
            : new(name, kind, Form["from"], ControlDiagram.Return, Ohms: UsualLoadOhm, Where: where);
        return before.Length > 0 ? (plan.InsertBefore(before, part), $"{name} before the {before}")
            : (plan.AddRung(part), $"{name} from {part.A} to {part.B}");
    });

    /// <summary>A jumper is an edge of the diagram and an open item at once.</summary>
    public IActionResult OnPostBridge(Guid id, Guid entryId)
    {
        var header = default(EntryHeader);
        return Take(id, entryId, () =>
        {
            header = Writer.Next();
            var (from, to, plan) = (Form["from"], Form["to"], Diagram.Now);
            var why = Form.Text("why", LongestText, missing: "Say what for, such as test of the fan delay.");
            var past = plan.Parts.FirstOrDefault(p => (p.A, p.B) == (from, to) || (p.B, p.A) == (from, to))?.Name;
            var name = $"jumper {from} to {to}";
            var change = new ChangeEntry(header, past is null ? name : $"{name}, past the {past}", "", why, "",
                past is null || OpenItemKinds.NamesASafety(past) ? OpenItemKind.Jumper : OpenItemKind.ControlJumper, false);
            var jumper = new PlannedPart(name, WiredKind.Contact, from, to, Where: past is null ? "" : plan.Part(past)!.Where,
                OpenItem: header.Id);
            return Checked(plan.AddRung(jumper), "to") is { } bridged
                ? [change, new DiagramEntry(Writer.Next(), bridged, $"{name}: {why}")] : Array.Empty<Entry>();
        });
    }

    public IActionResult OnPostTemplate(Guid id, Guid entryId) => Edit(id, entryId, "template", _ =>
    {
        var template = Form.Choice<CircuitTemplate>("template");
        return (CircuitTemplates.Of(View.Equipment, template), $"begun from the usual one: {TraceText.Name(template)}");
    });

    public IActionResult OnPostSister(Guid id, Guid entryId) => Edit(id, entryId, "sister", _ =>
        Sisters.FirstOrDefault(u => u.Id.ToString() == Form["sister"]) is { } sister && KeptOf(sister.Id) is { } plan
            ? (plan, $"copied from {sister.Tag}") : (PlanProblem.NotThere, ""));

    /// <param name="json">Longer than a field of a form is kept otherwise.</param>
    public IActionResult OnPostImport(Guid id, Guid entryId, string? json) => Edit(id, entryId, "json", _ =>
    {
        Form["json"] = json ?? "";
        var (plan, problem) = DiagramDocuments.Read(Form["json"]);
        if (problem is not null)
            Form.Errors["json"] = problem;
        else if (plan!.Parts.Any(p => !Name().IsMatch(p.Name)) || plan.TerminalNames.Any(t => !Name().IsMatch(t)))
            Form.Errors["json"] = NameRule;
        return (plan ?? Diagram.Now, "read from a file");
    });

    private const string NameRule = "Names have 1 to 30 letters, digits, blanks and , . - / ( ) +.";

    private string Named(string field)
    {
        var name = Form.Text(field, LongestName, missing: "Give it a name.");
        if (name.Length > 0 && !Name().IsMatch(name))
            Form.Errors[field] = NameRule;
        return name;
    }

    private IActionResult Edit(Guid id, Guid entryId, string field, Func<CircuitPlan, (PlanChange Change, string Why)> edit) =>
        Take(id, entryId, () =>
    {
        var (change, why) = edit(Diagram.Now);
        return Checked(change, field) is { } plan && !plan.Equals(Diagram.Now) ? [new DiagramEntry(Writer.Next(), plan, why)]
            : Array.Empty<Entry>();
    });

    private CircuitPlan? Checked(PlanChange change, string field)
    {
        if (change.Problem is { } problem)
            Form.Errors.TryAdd(field, TraceText.Say(problem));
        return change.Plan;
    }

    /// <summary>The diagram that was kept last of another unit; its jumpers stay there.</summary>
    private CircuitPlan? KeptOf(Guid unit) => visits.EntriesOfEquipment(unit).Values.SelectMany(e => e).OfType<DiagramEntry>()
        .MaxBy(d => d.At)?.Plan is { } plan
        ? plan.Parts.Where(p => p.OpenItem is not null).Aggregate(plan, (p, jumper) => p.TakeOut(jumper.Name).Plan ?? p) : null;

    /// <summary>As it is in the mode that is shown.</summary>
    public LadderDrawing Drawing => new(Diagram.Now.In(Shown, UsualVolts));
}
