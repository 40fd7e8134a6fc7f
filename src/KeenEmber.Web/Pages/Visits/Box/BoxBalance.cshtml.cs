using KeenEmber.Core.Benches.Box;
using KeenEmber.Core.Quantities;
using Microsoft.AspNetCore.Mvc;

namespace KeenEmber.Web.Pages.Visits.Box;

/// <summary>Whether this unit can hold this box: heat in against heat out.</summary>
public sealed class BoxBalanceModel(VisitViews views) : VisitPage(views)
{
    private const double MostW = 200_000, MostM3PerH = 500_000;

    public (HeatBalanceEntry Entry, BalanceResult Result)? Balance => View.Of<BoxJudgement>()!.Balance;

    /// <summary>The last one of any visit, to start from.</summary>
    public HeatBalanceEntry? Last => View.UpToHere.SelectMany(t => t.Standing).OfType<HeatBalanceEntry>().MaxBy(e => e.At);

    public IActionResult OnPostBalance(Guid id, Guid entryId, bool curtain) => Take(id, entryId, () =>
    {
        double Metres(string field, double most)
        {
            var metres = Form.Si(field, QuantityKind.Length, required: true) ?? 0;
            if (metres <= 0 || metres > most)
                Form.Errors.TryAdd(field, "Type a length above 0, such as 3 m or 10 ft.");
            return metres;
        }

        var wall = Form.Bore("wall") ?? 0;
        if (wall < ThinnestWallM)
            Form.Errors.TryAdd("wall", "Type how thick the wall is, such as 100 mm or 4 in.");
        var air = Form.Value("air", QuantityKind.Temperature, required: true);
        var product = Form.Value("productIn", QuantityKind.Temperature);
        var weight = Form.Weight("product", 0, 100_000) ?? 0;
        if (weight > 0 && product is null)
            Form.Errors.TryAdd("productIn", "Type how warm it comes in.");
        return new HeatBalanceEntry(Writer.Next(), Metres("length", 50), Metres("width", 50), Metres("height", 10), wall,
            Form.Choice<Insulation>("insulation"), air ?? new(0, Unit.Celsius), Form.Number("humidity", 0, 100, "per cent") ?? 60,
            Form.Number("door", 0, 30, "square metres") ?? 0, Form.Number("open", 0, 1440, "minutes a day") ?? 0, curtain,
            Form.Si("gap", QuantityKind.Length) ?? 0, weight, product, Form.Number("people", 0, 200, "hours a day") ?? 0,
            Form.Number("lights", 0, MostW, "watt-hours a day") ?? 0, Form.Number("fans", 0, MostW, "watts") ?? 0,
            Form.Number("defrost", 0, MostW, "watt-hours a day") ?? 0, Above0(Form.Si("capacity", QuantityKind.Power)),
            Above0(Form.Si("coilAir", QuantityKind.AirFlow)) is { } flow ? Math.Min(flow, MostM3PerH) : null);
    });

    private static double? Above0(double? value) => value > 0 ? value : null;

    private const double ThinnestWallM = 0.01;
}
