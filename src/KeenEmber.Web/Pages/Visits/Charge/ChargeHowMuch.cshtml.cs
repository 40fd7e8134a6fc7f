using KeenEmber.Core.Benches.Charge;
using KeenEmber.Core.Plant;
using KeenEmber.Core.Quantities;
using Microsoft.AspNetCore.Mvc;

namespace KeenEmber.Web.Pages.Visits.Charge;

/// <summary>What the circuit should hold, and what the winter needs on top.</summary>
public sealed class ChargeHowMuchModel(VisitViews views) : VisitPage(views)
{
    private const double MostL = 500;

    public ChargeGeometryEntry? Geometry => View.Of<ChargeJudgement>()!.Geometry;

    /// <summary>Null where the volumes or the refrigerant are not known.</summary>
    public ChargeEstimateResult? Estimate => Geometry is { } geometry && View.Equipment.Circuit.Refrigerant is { } fluid
        ? ChargeEstimate.Of(geometry, fluid, ChargeEstimate.EvaporatingOf(View.MakeUp, View.Equipment.Target)) : null;

    /// <summary>Its head is held up in the cold.</summary>
    public bool HoldsHead => View.MakeUp.Has(CircuitParts.HeadPressureValve) || View.MakeUp.Has(CircuitParts.FanCyclingControl);

    public bool ByFan => !View.MakeUp.Has(CircuitParts.HeadPressureValve);

    /// <summary>What was worked out of the form that was sent; null before.</summary>
    public WinterResult? Winter { get; private set; }

    public IActionResult OnPostGeometry(Guid id, Guid entryId) => Take(id, entryId, () =>
    {
        double Litres(string field)
        {
            var litres = Form.Si(field, QuantityKind.Volume) ?? 0;
            if (litres > MostL)
                Form.Errors[field] = $"Type up to {View.Units.Volume(MostL)}.";
            return litres;
        }

        double Metres(string field) => Form.Si(field, QuantityKind.Length) ?? 0;
        return new ChargeGeometryEntry(Writer.Next(), Litres("evaporator"), Litres("condenser"), Litres("receiver"), Metres("liquid"),
            Form.Bore("liquidBore") ?? 0, Metres("suction"), Form.Bore("suctionBore") ?? 0);
    });

    /// <summary>Works out and keeps nothing: what is added is a row of the ledger.</summary>
    public IActionResult OnPostWinter(Guid id)
    {
        if (!Load(id))
            return NotFound();
        Keep();
        var held = Form.Value("held", QuantityKind.Temperature, required: true)?.Temperature;
        var now = Form.Value("air", QuantityKind.Temperature, required: true)?.Temperature;
        var coldest = Form.Value("coldest", QuantityKind.Temperature, required: true)?.Temperature;
        var split = Form.Value("split", QuantityKind.Difference, required: true)?.Si(default);
        if (split is <= 0)
            Form.Errors["split"] = "Type a difference above 0, such as 12 K.";
        if (coldest > now)
            Form.Errors["coldest"] = "The coldest day is not warmer than today.";
        if (!Form.IsWrong && Geometry is { } geometry && View.Equipment.Circuit.Refrigerant is { } fluid)
            Winter = WinterCharge.Of(fluid, geometry.CondenserL, geometry.ReceiverL, held!.Value, split!.Value, now!.Value,
                coldest!.Value, ByFan);
        return Page();
    }
}
