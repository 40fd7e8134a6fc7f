using KeenEmber.Core.Plant;
using KeenEmber.Core.Record;
using KeenEmber.Core.Visits;
using KeenEmber.Storage;
using KeenEmber.Words;
using KeenEmber.Words.Benches.Circuit;
using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;

namespace KeenEmber.Web.Pages.Units;

/// <summary>One reading of two visits.</summary>
public sealed record ComparedReading(string Name, string Before, string After, string Change, bool Moved);

/// <summary>Any two visits of a unit side by side; the last two unless others are chosen.</summary>
public sealed class CompareModel(VisitViews views, EquipmentStore equipment, VisitStore visits) : PageModel
{
    [BindProperty(SupportsGet = true)]
    public Guid? First { get; set; }

    [BindProperty(SupportsGet = true)]
    public Guid? Second { get; set; }

    public Equipment Unit { get; private set; } = null!;

    public IReadOnlyList<Visit> Visits { get; private set; } = [];

    /// <summary>The two visits, the earlier first; empty when the unit has not had two.</summary>
    public IReadOnlyList<VisitView> Sides { get; private set; } = [];

    public IActionResult OnGet(Guid id)
    {
        if (equipment.Find(id) is not var (unit, _))
            return NotFound();
        Unit = unit;
        Visits = visits.OfEquipment(id);
        if (Visits.Count < 2)
            return Page();
        var second = Visits.FirstOrDefault(v => v.Id == Second) ?? Visits[0];
        var first = Visits.FirstOrDefault(v => v.Id == First && v.Id != second.Id) ?? Visits.First(v => v.Id != second.Id);
        Sides = [.. new[] { first, second }.OrderBy(v => v.StartedAt).Select(v => views.Open(v.Id)!)];
        return Page();
    }

    /// <summary>What is said of each visit in words.</summary>
    public IEnumerable<(string Label, string[] Values)> Lines()
    {
        (string, string[]) Line(string label, Func<VisitView, string> of) => (label, [.. Sides.Select(of)]);
        yield return Line("technician", v => v.Visit.Author);
        yield return Line("complaint", v => v.Visit.Complaint);
        yield return Line("stood", v => v.StandsInWords);
        yield return Line("done", v => Joined(v, e => e is IChangesUnit { ChangesUnit: true } or ChangeEntry));
        yield return Line("root cause", v => v.SignOff is { RootCause.Length: > 0 } s ? s.RootCause : "not found");
        foreach (
            var fact in Unit.MakeUp.Facts.Where(
            f => f != AsFound.EvaporatorFan && Sides.Any(v => Stood(v, f).Length > 0) && Stood(Sides[0], f) != Stood(Sides[1], f)))
            yield return Line(FactText.Name(fact), v => Stood(v, fact));
        yield return Line("evaporator fans", v => CircuitText.Fans(v.Conditions.EvaporatorFans));
    }

    public IEnumerable<ComparedReading> Readings()
    {
        var (before, after) = (Sides[0], Sides[1]);
        foreach (var point in MeasuringPoints.InWalkingOrder.Where(p => Sides.Any(v => v.Readings.ContainsKey(p))))
        {
            var (b, a) = (before.Readings.GetValueOrDefault(point), after.Readings.GetValueOrDefault(point));
            var within = b is not null && a is not null ? "within the meters" : "";
            var moved = b is not null && a is not null && InstrumentAccuracy.Differ(point, a.Si, b.Si, a.Instrument, b.Instrument);
            yield return new(
                after.Name(point), b is null ? "" : before.Units.Value(point, b.Si), a is null ? "" : after.Units.Value(point, a.Si),
                moved ? after.Units.Change(point, a!.Si - b!.Si) : within, moved);
        }
    }

    private static string Stood(VisitView view, AsFound fact) => view.Conditions.StateOf(fact) is { } state ? FactText.Name(state) : "";

    private static string Joined(VisitView view, Func<Entry, bool> which) =>
        string.Join("; ", view.Timeline.Standing.Where(which).Select(e => EntryText.What(e, view)));
}
