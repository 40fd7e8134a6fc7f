using KeenEmber.Core.Cases;
using KeenEmber.Core.Diagnosis;
using KeenEmber.Core.Record;
using KeenEmber.Words;
using KeenEmber.Words.Benches.Electrical;
using Microsoft.AspNetCore.Mvc;

namespace KeenEmber.Web.Pages.Visits.Diagnosing;

/// <summary>What explains everything that was seen on the visit, and which test to make next.</summary>
public sealed class DiagnosisModel(VisitViews views) : VisitPage(views)
{
    /// <summary>A cause that is looked into: what would be so if it were it.</summary>
    [BindProperty(SupportsGet = true)]
    public string? If { get; set; }

    /// <summary>What the chosen cause, or each that leads, would show.</summary>
    public IReadOnlyList<WhatIf> WhatIfs { get; private set; } = [];

    /// <summary>What ought to run now, part by part.</summary>
    public IReadOnlyList<Ought> Oughts { get; private set; } = [];

    /// <summary>Causes that the unit can have, by name.</summary>
    public IEnumerable<Cause> Possible
    {
        get
        {
            var words = UnitWords.Of(View.MakeUp, View.Equipment.Target, View.Equipment.EvaporatorFans);
            return DiagnosisTable.Shipped.Causes.Where(c => c.OnlyOn.Holds(words)).OrderBy(c => c.Name, StringComparer.Ordinal);
        }
    }

    private const int MostWhatIfs = 6;

    protected override void Loaded()
    {
        if (View.Diagnosis is not { } diagnosis)
            return;
        var chosen = DiagnosisTable.Shipped.Causes.FirstOrDefault(c => c.Code == If);
        var input = CaseDiagnosis.InputOf(View, VisitSpan.AsItIs);
        WhatIfs = [.. diagnosis.Result.Causes.Select(c => c.Cause).Prepend(chosen).OfType<Cause>().Distinct().Take(MostWhatIfs)
            .Select(c => WhatIf.Of(DiagnosisTable.Shipped, input, c)).OfType<WhatIf>()];
        Oughts = Ought.Of(DiagnosisTable.Shipped, input);
    }

    /// <summary>The last part of the address of a station, to come back to.</summary>
    public static string Station(ActionContext of) => (of.HttpContext.Request.Path.Value ?? "").Split('/')[^1].ToLowerInvariant();

    /// <summary>An answer of the test that was asked for, or of any other.</summary>
    /// <param name="back">The station the answer was given on.</param>
    public IActionResult OnPostAnswer(Guid id, Guid entryId, string? code, string? answer, string? back)
    {
        var taken = Take(id, entryId, () => code is not null && DiagnosisText.Observables.TryGetValue(code, out var observable)
            ? EntryOf(observable, answer) : null);
        return taken is RedirectToPageResult && back is not null
            && (back == TripText.Path || Stations().Any(s => s.Page.Equals(back, StringComparison.OrdinalIgnoreCase)))
            ? LocalRedirect($"/visits/{id}/{back}?saved=1") : taken;
    }

    private Entry? EntryOf(Observable observable, string? answer)
    {
        if (answer is Cannot or DiagnosisFactEntry.Never)
            return new DiagnosisFactEntry(Writer.Next(), observable.Code, answer == Cannot ? "" : answer, null, Cannot: true);
        if (observable.IsNumber)
            return new DiagnosisFactEntry(Writer.Next(), observable.Code, "", ReadNumber(observable));
        if (answer is null || !observable.Answers.Contains(answer))
            return null;
        return VisitFacts.EntryOf(Writer.Next(), new(observable.Code, answer));
    }

    /// <summary>Sent instead of an answer.</summary>
    public const string Cannot = "cannot";

    /// <summary>The field of a number.</summary>
    public const string NumberField = "number";

    private double? ReadNumber(Observable observable)
    {
        if (observable.Unit == "K")
            return Form.Value(NumberField, Core.Quantities.QuantityKind.Difference, required: true)?.Si(default);
        if (observable.Unit == "°C")
            return Form.Value(NumberField, Core.Quantities.QuantityKind.Temperature, required: true)?.Temperature.Celsius;
        return Form.Number(NumberField, -1000, 10_000, observable.Unit, required: true);
    }
}
