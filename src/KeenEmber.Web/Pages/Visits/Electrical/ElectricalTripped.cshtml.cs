using KeenEmber.Core.Cases;
using KeenEmber.Core.Diagnosis;
using KeenEmber.Core.Plant;
using KeenEmber.Core.Record;
using Microsoft.AspNetCore.Mvc;

namespace KeenEmber.Web.Pages.Visits.Electrical;

/// <summary>What made a breaker or fuse go: circuit by circuit, then switched on once.</summary>
public sealed class ElectricalTrippedModel(VisitViews views) : VisitPage(views)
{
    /// <summary>The search; null where nothing went.</summary>
    public TripJob? Job { get; private set; }

    protected override void Loaded() => Job = TripJob.Of(View);

    /// <summary>A breaker or fuse is said to have gone, and in what.</summary>
    public IActionResult OnPostWent(Guid id, Guid entryId, bool inDefrost) => Take(id, entryId, () =>
    [
        .. inDefrost ? [Seen(AsFound.Defrost, FactState.Defrosting)] : Array.Empty<Entry>(),
        Seen(AsFound.Supply, FactState.Tripped),
    ]);

    /// <summary>It was switched on, once.</summary>
    public IActionResult OnPostSwitchedOn(Guid id, Guid entryId, bool holds) => Take(id, entryId, () => Job?.Step != TripStep.SwitchOn
        ? null : new Entry[]
        {
            new DiagnosisFactEntry(Writer.Next(), "breaker-holds", holds ? "holds" : "trips"),
            new DiagnosisFactEntry(Writer.Next(), "supply", holds ? "on" : "tripped"),
            Seen(AsFound.Supply, holds ? FactState.SwitchedOn : FactState.Tripped),
        });

    private ObservationEntry Seen(AsFound fact, FactState state) => new(Writer.Next(), fact, null, state, null);
}
