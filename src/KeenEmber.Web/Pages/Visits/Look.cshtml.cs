using KeenEmber.Core.Benches.Danger;
using KeenEmber.Core.Plant;
using KeenEmber.Core.Quantities;
using KeenEmber.Core.Record;
using KeenEmber.Words;
using Microsoft.AspNetCore.Mvc;

namespace KeenEmber.Web.Pages.Visits;

/// <summary>What is seen before anything is touched, one tap a fact.</summary>
public sealed class LookModel(VisitViews views) : VisitPage(views)
{
    /// <summary>What the minutes beside a fact mean, and how many they are now; null for a fact that has none.</summary>
    public (string Label, TimeSpan? Now)? Duration(AsFound fact) => fact switch
    {
        AsFound.Compressor => ("running for, min", View.Conditions.RunTime),
        AsFound.Defrost => ("over for, min", View.Conditions.SinceDefrost),
        _ => null,
    };

    /// <summary>Every fact this unit has, each evaporator fan on its own.</summary>
    public IEnumerable<(AsFound Fact, int? Index)> Facts() =>
        Enumerable.Range(1, View.Equipment.EvaporatorFans).Select(n => (AsFound.EvaporatorFan, (int?)n))
            .Concat(View.MakeUp.Facts.Where(f => f != AsFound.EvaporatorFan)
                .SelectMany(f => f is AsFound.Coil or AsFound.ValveBody && View.MakeUp.Coils > 1
                ? Enumerable.Range(1, View.MakeUp.Coils).Select(n => (f, (int?)n)) : [(f, (int?)null)]));

    /// <summary>What is read in the box on the walk-round.</summary>
    public IEnumerable<PointRef> BoxPoints => MeasuringPoints.InTheBox(View.MakeUp.Coils);

    /// <summary>Logs what was typed of the readings in the box; all of it or, with a message at its field, none.</summary>
    public IActionResult OnPostBox(Guid id, Guid lineId) => Take(id, lineId, () =>
    [
        .. from point in BoxPoints
           let value = Form.Value(point.ToString(), QuantityKind.Temperature)
           where value is not null
           select new ReadingEntry(Writer.Next(), point, value),
    ]);

    public string Name(AsFound fact, int? index) => (fact, index) switch
    {
        (AsFound.Coil or AsFound.ValveBody, { } coil) => $"{FactText.Name(fact)}, {EquipmentText.Coil(View.MakeUp.Kind, coil)}",
        (_, { } n) => $"{FactText.Name(fact)} {n}",
        _ => FactText.Name(fact),
    };

    public ObservationEntry? Seen(AsFound fact, int? index) => View.Timeline.FactAt(fact, index, View.Now);

    /// <summary>Groups in which one look tells that nothing is wrong. What runs or stands is seen part by part, and so are power and smell
    /// while a danger stands, this visit's or one that was left: no tap on a whole group takes it away.</summary>
    public bool MayBeToldTogether(FactGroup group) => group == FactGroup.Box
        || (group is FactGroup.Power or FactGroup.Senses && View.Of<DangerJudgement>() is not { Dangers.Count: > 0 });

    /// <summary>What of a group is not on record on this visit.</summary>
    public IReadOnlyList<(AsFound Fact, int? Index)> NotLookedAt(FactGroup group) =>
        [.. Facts().Where(f => f.Fact.Group() == group && Seen(f.Fact, f.Index) is null)];

    /// <summary>Everything of a group that may be told together is on record, and as it should be.</summary>
    public bool IsWell(FactGroup group) => MayBeToldTogether(group) && Facts().Where(f => f.Fact.Group() == group)
        .All(f => Seen(f.Fact, f.Index)?.State == f.Fact.States()[0]);

    /// <summary>A group stands open where each part is seen by itself, and where something in it is not as it should be; one that is told
    /// together begins folded.</summary>
    public bool IsShown(FactGroup group) => !MayBeToldTogether(group) || (!IsWell(group)
        && Facts().Where(f => f.Fact.Group() == group).Any(f => Seen(f.Fact, f.Index) is not null));

    /// <summary>Says of the rest of a group that it is as it should be; what was looked at before stays as it was noted.</summary>
    public IActionResult OnPostWell(Guid id, Guid entryId, FactGroup group) => Take(id, entryId, () => !MayBeToldTogether(group) ? null
        : (IReadOnlyList<Entry>)[.. NotLookedAt(group).Select(f =>
            new ObservationEntry(Writer.Next(), f.Fact, f.Index, f.Fact.States()[0], null))]);

    public IActionResult OnPostFact(Guid id, Guid entryId, AsFound fact, int? index, FactState state)
    {
        if (!Load(id, entryId))
            return NotFound();
        if (entryId == Guid.Empty || !Facts().Contains((fact, index)) || !fact.States().Contains(state))
            return BadRequest();
        Keep();
        var minutes = Form.Number(FactText.TimeField(fact), 0, FactText.LongestMinutes, "minutes");
        if (Form.IsWrong)
            return Page();
        Append([new ObservationEntry(Writer.Next(), fact, index, state, View.Now - (minutes is { } m ? TimeSpan.FromMinutes(m) : null))]);
        return RedirectToPage(new { id });
    }
}
