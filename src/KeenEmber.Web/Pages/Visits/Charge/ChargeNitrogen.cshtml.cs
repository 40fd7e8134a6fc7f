using KeenEmber.Core.Benches.Charge;
using KeenEmber.Core.Quantities;
using Microsoft.AspNetCore.Mvc;

namespace KeenEmber.Web.Pages.Visits.Charge;

/// <summary>A pressure test with dry nitrogen: what its temperature explains, and what it does not.</summary>
public sealed class ChargeNitrogenModel(VisitViews views) : VisitPage(views)
{
    public ChargeJudgement Bench => View.Of<ChargeJudgement>()!;

    /// <summary>A leak that empties a small unit in a year, kg a year.</summary>
    public const double SmallLeakKgPerYear = 0.05;

    /// <summary>Hours after which that leak would show; null without a test.</summary>
    public double? HoursForSmallLeak => Bench is { Tight: { } tight, PressureTest: var (_, _, volume) }
        ? tight.HoursFor(LeakSize.PaLPerS(SmallLeakKgPerYear, VacuumCourse.UsualTemperature), volume) : null;

    public IActionResult OnPostRead(Guid id, Guid entryId, bool begins) => Take(id, entryId, () =>
    {
        var pressure = Form.Value("pressure", QuantityKind.Pressure, required: true);
        var gas = Form.Value("gas", QuantityKind.Temperature, required: true);
        var limit = Form.Value("limit", QuantityKind.Pressure);
        var isFirst = begins || Bench.PressureTest is null;
        if (isFirst && limit is null && !Form.Errors.ContainsKey("limit"))
            Form.Errors["limit"] = "Type the limit on the nameplate: of the weaker side where both are under pressure.";
        if (pressure is not null && limit is not null && pressure.Si(View.Site.Atmosphere) > limit.Si(View.Site.Atmosphere))
            Form.Errors["pressure"] = "That is over the nameplate's limit. Let it down now.";
        var volume = Form.Value("volume", QuantityKind.Volume);
        return new PressureTestEntry(Writer.Next(), isFirst, pressure ?? new(0, Unit.Bar), gas ?? new(0, Unit.Celsius),
            volume is { Number: > 0 } ? volume : null);
    });
}
