using KeenEmber.Core.Benches.Circuit;
using KeenEmber.Core.Plant;
using KeenEmber.Core.Probes;
using KeenEmber.Core.Quantities;
using KeenEmber.Core.Record;
using KeenEmber.Storage.Gear;
using KeenEmber.Web.Pages.Visits.Probing;
using KeenEmber.Web.People;
using KeenEmber.Web.Probing;
using Microsoft.AspNetCore.Mvc;

namespace KeenEmber.Web.Pages.Visits.Circuit;

/// <summary>The refrigerant circuit: the map is the form.</summary>
public sealed class CircuitModel(VisitViews views, ProbeStore probes, ProbeIntake intake) : ProbePage(views, probes, ProbeUse.Point)
{
    /// <summary>The point whose tag is open.</summary>
    [BindProperty(SupportsGet = true)]
    public string? Point { get; set; }

    public PointRef? OpenPoint => PointRef.Find(Point);

    public IActionResult OnPostStanding(Guid id, Guid entryId) => Take(id, entryId, () =>
    {
        var hasSecond = Form["p2"].Length > 0 || Form["t2"].Length > 0;
        var (pressure, temperature) =
            (Form.Value("p1", QuantityKind.Pressure, required: true), Form.Value("t1", QuantityKind.Temperature, required: true));
        var (second, secondAt) =
            (Form.Value("p2", QuantityKind.Pressure, hasSecond), Form.Value("t2", QuantityKind.Temperature, hasSecond));
        return new StandingEntry(Writer.Next(), pressure!, temperature!, second, secondAt);
    });

    public IActionResult OnPostReading(Guid id, Guid entryId, Guid? corrects)
    {
        if (!Load(id, entryId))
            return NotFound();
        if (entryId == Guid.Empty || OpenPoint is not { } point)
            return BadRequest();
        Keep();
        if (Form.Value("value", point.Kind(), required: true) is not { } value)
            return Page();

        // Among all that was written: a correction sent twice finds its entry replaced already, and is the same correction.
        var corrected = View.Timeline.Written.OfType<ReadingEntry>().FirstOrDefault(e => e.Id == corrects && e.Point == point);
        Append([new ReadingEntry(Writer.Next(corrected?.At ?? View.Now, corrected?.Id), point, value)]);
        var next = point.NextAfter(View.MakeUp.Points, View.Readings.Keys.Append(point).ToHashSet());
        return RedirectToPage(new { id, point = corrected is null ? next : null, saved = 1 });
    }

    /// <summary>Takes in what a thermometer shows that this phone hears itself; nothing of it is on record until it is kept.</summary>
    /// <param name="probe">Its id.</param>
    /// <param name="value">°C.</param>
    /// <param name="number">Of the phone's counting.</param>
    public IActionResult OnPostHeard(Guid id, string? probe, string? name, double value, long number, double? battery)
    {
        if (!Load(id))
            return NotFound();
        var heard = intake.Take(probe ?? "", intake.OfPhone(Accounts.NameOf(HttpContext) ?? View.Visit.Author),
            new(name, null, battery, View.Now, [new(number, View.Now, value, Unit.Celsius.Symbol)]));
        return heard.Answer is null ? BadRequest() : new NoContentResult();
    }
}
