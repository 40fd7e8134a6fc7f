using KeenEmber.Core.Benches.Charge;
using KeenEmber.Core.Quantities;
using KeenEmber.Core.Visits;
using Microsoft.AspNetCore.Mvc;

namespace KeenEmber.Web.Pages.Visits.Charge;

/// <summary>Trimming the charge by trial: the last resort, step by step.</summary>
public sealed class ChargeTrimModel(VisitViews views) : VisitPage(views)
{
    public TrimState State => View.Of<ChargeJudgement>()!.Trim;

    /// <summary>The largest step, kg.</summary>
    public double Largest => Trimming.LargestStepKg(View.Equipment.Circuit.ChargeKg);

    public IActionResult OnPostResponse(Guid id, Guid entryId) => Take(id, entryId, () =>
        new TrimEntry(Writer.Next(), Form.Value("drop", QuantityKind.Difference, required: true) ?? new(0, Unit.KelvinDifference),
            Form.Value("box", QuantityKind.Temperature), Form.Value("superheat", QuantityKind.Difference)));

    public IActionResult OnPostStep(Guid id, Guid entryId, bool recovered) => Take(id, entryId, () =>
    {
        var step = Form.Si("step", QuantityKind.Mass, required: true);
        if (step is 0)
            Form.Errors["step"] = "Type a mass above 0.";
        else if (step > Largest)
            Form.Errors["step"] = $"Too much for one step. Up to {View.Units.Mass(Largest)} at a time.";
        return new RefrigerantEntry(Writer.Next(), View.Equipment.Circuit.RefrigerantName, (step ?? 0) * (recovered ? -1 : 1),
            Form.Text("cylinder", 120), TrimEntry.Why);
    });
}
