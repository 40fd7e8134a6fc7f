using KeenEmber.Core.Cases;
using KeenEmber.Core.Diagnosis;
using Microsoft.AspNetCore.Mvc;

namespace KeenEmber.Web.Pages.Visits.Diagnosing;

/// <summary>What explains everything that was seen on the visit, and which test to make next.</summary>
public sealed class DiagnosisModel(VisitViews views) : VisitPage(views)
{
    private static readonly Dictionary<string, Observable> Observables = DiagnosisTable.Shipped.Observables.ToDictionary(o => o.Code);

    /// <summary>What is on record, as the diagnosis takes it.</summary>
    public IReadOnlyList<Fact> Facts { get; private set; } = [];

    public DiagnosisResult Result { get; private set; } = null!;

    /// <summary>How likely the causes of the leading explanation are, each over all explanations; the least of them where there are
    /// several.</summary>
    public double LeadProbability
    {
        get
        {
            var lead = Result.Explanations[0];
            var roots = lead.Causes.Where(c => c.Role == CauseRole.Root).Select(c => c.Cause).ToList();
            return Result.Causes.Where(c => roots.Contains(c.Cause)).Select(c => c.Probability).DefaultIfEmpty(lead.Probability).Min();
        }
    }

    /// <summary>Causes that may be it instead, or beside it.</summary>
    public IEnumerable<WeighedCause> Others =>
        Result.Causes.Where(c => c.Probability >= WorthNaming && Result.Explanations[0].Causes.All(l => l.Cause != c.Cause)).Take(4);

    private const double WorthNaming = 0.03;

    public static Observable Of(Fact fact) => Observables[fact.Code];

    protected override void Loaded()
    {
        Facts = [.. VisitFacts.Of(View).GroupBy(f => f.Code).Select(g => g.Last())];
        Result = new Diagnoser(DiagnosisTable.Shipped).Diagnose(
            new(View.MakeUp, View.Equipment.Target, View.Equipment.EvaporatorFans, Facts)
            {
                CannotNow = VisitFacts.CannotNow(View), History = VisitFacts.History(View),
            });
    }

    /// <summary>An answer of the test that was asked for, or of any other.</summary>
    public IActionResult OnPostAnswer(Guid id, Guid entryId, string? code, string? answer) => Take(id, entryId, () =>
    {
        if (code is null || !Observables.TryGetValue(code, out var observable))
            return null;
        if (answer == Cannot)
            return new DiagnosisFactEntry(Writer.Next(), code, "", null, Cannot: true);
        if (!observable.IsNumber)
            return observable.Answers.Contains(answer) ? new DiagnosisFactEntry(Writer.Next(), code, answer!) : null;
        var number = ReadNumber(observable);
        return new DiagnosisFactEntry(Writer.Next(), code, "", number);
    });

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
