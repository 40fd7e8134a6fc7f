using KeenEmber.Core.Benches.Charge;
using KeenEmber.Core.Probes;
using KeenEmber.Core.Quantities;
using KeenEmber.Core.Refrigerants;
using KeenEmber.Core.Visits;
using KeenEmber.Storage;
using KeenEmber.Storage.Gear;
using KeenEmber.Words.Benches.Charge;
using KeenEmber.Web.Pages.Visits.Probing;
using Microsoft.AspNetCore.Mvc;

namespace KeenEmber.Web.Pages.Visits.Charge;

/// <summary>A cylinder on the scale: what goes in or comes out, and what is still to go.</summary>
public sealed class ChargeModel(VisitViews views, CylinderStore cylinders, VisitStore visits, ProbeStore probes)
    : ProbePage(views, probes, ProbeUse.Scale)
{
    private const int LongestText = 120;

    public ChargeJudgement Bench => View.Of<ChargeJudgement>()!;

    /// <inheritdoc/>
    protected override ScaleStartEntry? OnScale => Running?.Start;

    /// <inheritdoc/>
    public override string Says(LiveProbe live) => Running?.With(live.Last.Value) switch
    {
        { IsOverfull: true } => "Stop: the cylinder is full.",
        { ToGoKg: <= 0 } => "Target reached. Close the cylinder valve.",
        { ToGoKg: { } left } => $"{View.Units.Mass(left)} to go",
        _ => "",
    };

    /// <summary>What is on the scale now; null where nothing is.</summary>
    public ScaleSession? Running => Bench.Sessions.LastOrDefault(s => s.Ended is null);

    public IReadOnlyList<Cylinder> Cylinders => field ??= cylinders.All();

    /// <summary>Rows of the ledger of this visit.</summary>
    public IEnumerable<RefrigerantEntry> Rows => View.Timeline.Standing.OfType<RefrigerantEntry>();

    /// <summary>How much of its charge the unit lost in the last year.</summary>
    public LeakYear LeakYear => ChargeBook.Leak(
        View.AllVisits.SelectMany(v => v.Timeline.Standing).OfType<RefrigerantEntry>().Where(r => r.Refrigerant
            == View.Equipment.Circuit.RefrigerantName),
        View.Equipment.Circuit.ChargeKg, View.AllVisits[^1].Visit.StartedAt, View.Now);

    /// <summary>What a pair of gauges takes from a unit, kg: a hose of usual size full of liquid.</summary>
    public double GaugesTakeKg =>
        ScaleSession.InHoseKg(View.Equipment.Circuit.RefrigerantName, ScaleSession.UsualHoseM,
            ScaleSession.UsualHoseBoreM, HosesAtEnd.FullOfLiquid,
            VacuumCourse.UsualTemperature);

    public IActionResult OnPostStart(Guid id, Guid entryId, bool recovers) => Take(id, entryId, () =>
    {
        var label = Form.Text("cylinder", LongestText, missing: "Type what is written on the cylinder, such as R-4.");
        var fluid = RefrigerantCatalogue.Find(Form["refrigerant"]);
        if (fluid is null)
            Form.Errors["refrigerant"] = "Type the refrigerant on the cylinder, such as R404A.";
        var (port, phase, hoses) = (Form.Choice<ChargePort>("port"), Form.Choice<Phase>("phase"), Form.Choice<HosesAtEnd>("hoses"));
        var weight = Form.OnScale("weight");
        var target = Form.Si("target", QuantityKind.Mass);
        var (hose, bore) = (Form.Si("hose", QuantityKind.Length) ?? ScaleSession.UsualHoseM,
            Form.Bore("bore") ?? ScaleSession.UsualHoseBoreM);
        var cylinder = cylinders.Find(label);
        if (fluid is not null && !recovers && phase == Phase.Vapour && ScaleSession.Glides(fluid.Name))
            Form.Errors["phase"] = $"{fluid.Name} is a blend: charge it as liquid, throttled into the suction side.";
        if (cylinder is not null && fluid is not null)
            Refuse(cylinder, fluid.Name, recovers);
        return new ScaleStartEntry(Writer.Next(), cylinder?.Label ?? label, fluid?.Name ?? "", recovers, port, phase,
            weight ?? new(0, Unit.Kilogram), target, hose, bore, hoses, cylinder?.TareKg, cylinder?.WaterL, Form.Text("why", LongestText));
    });

    /// <summary>What no cylinder may be used for.</summary>
    private void Refuse(Cylinder cylinder, string refrigerant, bool recovers)
    {
        if (recovers && cylinder.Kind == CylinderKind.Supply)
            Form.Errors["cylinder"] = "This is a supply cylinder. Recover only into a recovery cylinder.";
        else if (cylinder.Refrigerant.Length > 0 && cylinder.Refrigerant != refrigerant)
            Form.Errors["cylinder"] = $"Cylinder {cylinder.Label} holds {cylinder.Refrigerant}. Never mix.";
    }

    /// <summary>What is in a cylinder by the books, kg.</summary>
    public double ContentKg(Cylinder cylinder) => ChargeBook.ContentKg(cylinder, ledger ??= [.. visits.Ledger().Select(r => r.Row)]);

    private IReadOnlyList<RefrigerantEntry>? ledger;

    public IActionResult OnPostWeight(Guid id, Guid entryId, Guid session) => Take(id, entryId, () =>
        Bench.Sessions.All(s => s.Start.Id != session) ? null
            : new ScaleWeightEntry(Writer.Next(), session, Form.OnScale("now") ?? new(0, Unit.Kilogram)));

    /// <summary>Ends a weighing: what it came to goes into the ledger.</summary>
    public IActionResult OnPostBook(Guid id, Guid entryId, Guid session) => Take(id, entryId, () =>
    {
        if (Bench.Sessions.FirstOrDefault(s => s.Start.Id == session && s.Ended is null) is not { } running)
            return [];
        if (running.LeftCylinderKg == 0)
            Form.Errors["now"] = "Nothing was weighed yet. Type what the scale shows now.";
        var start = running.Start;
        return [new RefrigerantEntry(Writer.Next(), start.Refrigerant, running.CircuitKg, start.Cylinder,
            start.Why.Length > 0 ? start.Why : ChargeText.Sentence($"weighed, {ChargeText.Name(start.Port)}"), running.HosesKg, start.Id)];
    });
}
