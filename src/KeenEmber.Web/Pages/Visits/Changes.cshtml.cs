using System.Globalization;
using KeenEmber.Core.Plant;
using KeenEmber.Core.Quantities;
using KeenEmber.Core.Record;
using KeenEmber.Core.Refrigerants;
using KeenEmber.Core.Visits;
using Microsoft.AspNetCore.Mvc;

namespace KeenEmber.Web.Pages.Visits;

/// <summary>What was set, bridged, replaced, added or recovered, and what is still open because of it.</summary>
public sealed class ChangesModel(VisitViews views) : VisitPage(views)
{
    private const int LongestText = 200;

    /// <summary>The entry to put right; null to write a new one.</summary>
    [BindProperty(SupportsGet = true)]
    public Guid? Correct { get; set; }

    public Entry? Correcting =>
        Correct is { } id ? View.Timeline.Standing.FirstOrDefault(e => e.Id == id && e is ChangeEntry or PartEntry or RefrigerantEntry)
        : null;

    public IEnumerable<Entry> Done =>
        View.Timeline.Standing.Where(e => e is ChangeEntry or PartEntry or RefrigerantEntry or ClosureEntry).Reverse();

    /// <summary>As typed, as the entry being corrected has it, or as the link that led here asks for.</summary>
    public string Value(string field)
    {
        if (Form.IsSent)
            return Form[field];
        return Correcting is { } entry ? Of(entry, field) : Request.Query[field].ToString();
    }

    public FieldView Field(string name, string label) => new(name, label, Value(name), Form.Error(name));

    private static string Of(Entry entry, string field) => (entry, field) switch
    {
        (ChangeEntry c, "what") => c.What,
        (ChangeEntry c, "before") => c.Before,
        (ChangeEntry c, "after") => c.After,
        (ChangeEntry c, "askedBy") => c.AskedBy,
        (ChangeEntry c, "opens") => c.Opens?.ToString() ?? "",
        (ChangeEntry c, "foundSo") => c.FoundSo ? "true" : "",
        (ChangeEntry c, "area") => c.Area.ToString(),
        (PartEntry p, "component") => p.Component?.Id ?? "",
        (PartEntry p, "part") => p.Part,
        (PartEntry p, "place") => p.Place,
        (PartEntry p, "failure") => p.Failure,
        (PartEntry p, "replacedBy") => p.ReplacedBy,
        (PartEntry p, "serial") => p.Serial,
        (PartEntry p, "warranty") => p.Warranty ? "true" : "",
        (PartEntry p, "area") => p.Area.ToString(),
        (RefrigerantEntry r, "refrigerant") => r.Refrigerant,
        (RefrigerantEntry r, "mass") => Math.Abs(r.MassKg).ToString("0.####", CultureInfo.InvariantCulture) + " kg",
        (RefrigerantEntry r, "recovered") => r.MassKg < 0 ? "true" : "",
        (RefrigerantEntry r, "cylinder") => r.Cylinder,
        (RefrigerantEntry r, "why") => r.Why,
        _ => "",
    };

    public IActionResult OnPostChange(Guid id, Guid entryId, Guid? corrects, OpenItemKind? opens, bool foundSo, WorkArea area) =>
        Save(id, entryId, corrects, at =>
        {
            var what = Form.Text("what", LongestText, missing: "Say what was changed, such as fan delay switch.");
            if (opens == OpenItemKind.ControlJumper && OpenItemKinds.NamesASafety(what))
                Form.Errors["what"] = "That is a safety. Enter it as “safety bypassed”, and take it out before you leave.";
            return new ChangeEntry(
                Writer.Next(at, corrects), what, Text("before"), Text("after"), Text("askedBy"),
                opens is { } kind && Enum.IsDefined(kind) ? kind : null, foundSo, Known(area));
        });

    public IActionResult OnPostPart(Guid id, Guid entryId, Guid? corrects, bool warranty, WorkArea area) =>
        Save(id, entryId, corrects, at =>
    {
        var component = Component.Find(Form["component"]);
        var name = component is null ? Form.Text("part", LongestText, missing: "Choose the part, or say which, such as fan motor.")
            : Text("part");
        var belongs = component is { } known && area == WorkArea.Other ? WorkAreas.Of(known.Kind) : area;
        return new PartEntry(
            Writer.Next(at, corrects), name, Text("place"), Text("failure"), Text("replacedBy"), Text("serial"), warranty, Known(belongs),
            component);
    });

    /// <summary>The parts of the unit; one that only an entry names, with them.</summary>
    public IEnumerable<Component> Parts =>
        Components.Of(View.Equipment) is var known && Component.Find(Value("component")) is { } chosen && !known.Contains(chosen)
        ? known.Append(chosen) : known;

    public IActionResult OnPostRefrigerant(Guid id, Guid entryId, Guid? corrects, bool recovered) => Save(id, entryId, corrects, at =>
    {
        var fluid = RefrigerantCatalogue.Find(Form["refrigerant"]);
        if (fluid is null)
            Form.Errors["refrigerant"] = "Type the refrigerant on the cylinder, such as R404A.";
        var mass = Form.Value("mass", QuantityKind.Mass, required: true)?.Si(default) ?? 0;
        var weighed = View.Timeline.Written.OfType<RefrigerantEntry>().FirstOrDefault(r => r.Id == corrects);
        return new RefrigerantEntry(
            Writer.Next(at, corrects), fluid?.Name ?? "", mass * (recovered ? -1 : 1), Text("cylinder"), Text("why"), weighed?.HosesKg ?? 0,
            weighed?.Session);
    });

    public IActionResult OnPostClosure(Guid id, Guid entryId, Guid item) =>
        Take(id, entryId, () => View.OpenItems.All(l => l.Change.Id != item) ? []
        : [new ClosureEntry(Writer.Next(), item, Form.Text(How(item), LongestText, missing: "Say what was done, such as taken out."))]);

    /// <summary>The field that says what was done about an open item.</summary>
    public static string How(Guid item) => $"how-{item}";

    /// <summary>Takes in a form that may put an entry right, which then stays the one to be put right while something is wrong.</summary>
    /// <param name="make">Makes the entry for the moment it was so: now, or the moment of the one it corrects.</param>
    private IActionResult Save(Guid id, Guid entryId, Guid? corrects, Func<DateTimeOffset, Entry> make) => Take(id, entryId, () =>
    {
        Correct = corrects;
        var wrong = View.Timeline.Written.FirstOrDefault(e => e.Id == corrects);
        return corrects is not null && wrong is null ? null : make(TimeTyped() ?? wrong?.At ?? View.Now);
    });

    /// <summary>The field of when it was done.</summary>
    public const string Time = "time";

    /// <summary>Within the visit; null where none was typed, or where it is wrong, which its field then says.</summary>
    private DateTimeOffset? TimeTyped()
    {
        if (Form[Time].Length == 0 || Form.Moment(Time, View.Clock.Date(View.Now), View.Clock, Time) is not { } typed)
            return null;
        var at = typed > View.Now ? typed - TimeSpan.FromDays(1) : typed;
        if (at < View.Visit.StartedAt - TimeSpan.FromMinutes(1))
            Form.Errors[Time] = $"That is before this visit began at {View.Clock.Time(View.Visit.StartedAt)}. Leave it empty for now.";
        return at < View.Visit.StartedAt ? View.Visit.StartedAt : at;
    }

    private static WorkArea Known(WorkArea area) => Enum.IsDefined(area) ? area : WorkArea.Other;

    private string Text(string field) => Form.Text(field, LongestText);
}
