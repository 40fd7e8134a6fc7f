using KeenEmber.Core.Benches.Box;
using KeenEmber.Core.Plant;
using KeenEmber.Core.Quantities;
using KeenEmber.Core.Record;
using Microsoft.AspNetCore.Mvc;

namespace KeenEmber.Web.Pages.Visits.Box;

/// <summary>What stands in the box: how warm it is, for how long, and whether it freezes where it must not.</summary>
public sealed class BoxProductModel(VisitViews views) : VisitPage(views)
{
    public BoxJudgement Bench => View.Of<BoxJudgement>()!;

    public Temperature Limit => ProductHours.LimitOf(View.Equipment);

    public IEnumerable<ReadingEntry> Readings =>
        View.Timeline.Standing.OfType<ReadingEntry>().Where(r => r.Point.Point == MeasuringPoint.Product).OrderBy(r => r.At);

    public IActionResult OnPostProduct(Guid id, Guid entryId) => Take(id, entryId, () => new ReadingEntry(Writer.Next(),
        MeasuringPoint.Product, Form.Value("product", QuantityKind.Temperature, required: true) ?? new(0, Unit.Celsius)));

    public IActionResult OnPostBottle(Guid id, Guid entryId, bool ice) => Take(id, entryId, () =>
        new BottleEntry(Writer.Next(), Form.Value("water", QuantityKind.Temperature, required: true) ?? new(0, Unit.Celsius), ice));
}
