using KeenEmber.Core.Cases;
using KeenEmber.Core.Diagnosis;
using KeenEmber.Core.Findings;
using KeenEmber.Core.Visits;
using KeenEmber.Web.Pages.Visits.Report;
using KeenEmber.Words;
using KeenEmber.Words.Benches.Circuit;
using KeenEmber.Words.Benches.Electrical;
using Microsoft.AspNetCore.Mvc;

namespace KeenEmber.Web.Pages.Visits.Closing;

/// <summary>Before leaving: what is still open, what it came to, when to look again.</summary>
public sealed class CloseModel(VisitViews views, SigningDesk signing) : VisitPage(views)
{
    private const int LongestText = 1000;

    public IReadOnlyList<OpenItem> InTheWay => OpenItem.InTheWay(View.OpenItemsToday, View.Visit.Id);

    public IActionResult OnPostHandover(Guid id, Guid entryId, Guid item)
    {
        if (!Load(id, entryId))
            return NotFound();
        if (entryId == Guid.Empty || View.OpenItems.FirstOrDefault(l => l.Change.Id == item) is not { IsSafety: false })
            return BadRequest();
        Keep();
        var reason = Form.Text(Handover("reason", item), LongestText, missing: "Say why it stays open.");
        var owner = Form.Text(Handover("owner", item), LongestText, missing: "Who looks after it?");
        var due = Form.Day(Handover("due", item), View.Clock.Date(View.Now), required: true);
        if (Form.IsWrong)
            return Page();
        Append([new HandoverEntry(Writer.Next(), item, reason, owner, due!.Value)]);
        return RedirectToPage(new { id });
    }

    /// <summary>A field of the form that hands an open item over.</summary>
    public static string Handover(string field, Guid item) => $"{field}-{item}";

    public async Task<IActionResult> OnPostSignOffAsync(Guid id, Guid entryId, string[] explained)
    {
        var taken = SignOff(id, entryId, explained);
        if (taken is RedirectToPageResult)
            await signing.Keep(id, PageContext);
        return taken;
    }

    private IActionResult SignOff(Guid id, Guid entryId, string[] explained) => Take(id, entryId, () =>
    {
        if (InTheWay.Count > 0)
            Form.Errors["sign-off"] = InTheWay.Any(l => l.IsSafety)
                ? "Not signed off: something safety-related is still open. Close it first."
                : "Not signed off: give reason, owner and day for what stays open.";
        var day = Form.Day("followUp", View.Clock.Date(View.Now));
        return new SignOffEntry(
            Writer.Next(corrects: View.SignOff?.Id), Text("rootCause"), Text("notReproduced"), Text("recommendation"), day,
            Text("contributing"), Text("consequences"), string.Join(' ', View.Found.Select(f => f.Code).Intersect(explained)));
    });

    /// <summary>Ticked just now, or when it was signed off before, or what the diagnosis that the form begins with was made from. Boxes
    /// without a tick are not sent, so the first cause tells whether the form was.</summary>
    public bool IsExplained(Finding finding) =>
        Form.Has("rootCause") ? Form["explained"].Split(',').Contains(finding.Code)
            : View.SignOff?.Explains(finding) ?? View.DiagnosisAsFound?.AccountsFor(finding) == true;

    /// <summary>What the causes come to by the diagnosis of how the unit was found: what the form begins with. Empty where none
    /// leads.</summary>
    public (string Root, string Follows, string Separate) FromDiagnosis =>
        View.DiagnosisAsFound is { Stands.Code: CaseDiagnosis.Explained or CaseDiagnosis.Likely }
        found ? (CircuitText.List(found.Roots.Select(c => c.Name)), CircuitText.List(found.Consequences.Select(c => c.Cause.Name)),
            CircuitText.List(found.Separate.Select(c => c.Name))) : ("", "", "");

    /// <summary>Why a breaker or fuse went, where that never showed: what the form begins with.</summary>
    public string NeverShown => TripJob.Of(View) is { Step: TripStep.NotReproduced or TripStep.Holds } job ? TripText.NeverShown(job) : "";

    /// <summary>What was tested and is as a sound unit that is called shows it, so that it is not it. Which mode it was in is no test.
    /// </summary>
    public IReadOnlyList<Fact> RuledOut => View.DiagnosisAsFound is not { } found ? [] : [.. found.Usual
        .Where(f => f.Code is not ("shown-mode" or "clock-position")
            && DiagnosisText.Observables[f.Code] is { IsAct: false, Tool: not ("ask" or "intake" or "history") } observable
            && IsAsOnASoundUnit(f, observable))];

    /// <summary>So many standard deviations off, a number is not as it should be.</summary>
    private const double StillUsual = 2;

    private bool IsAsOnASoundUnit(Fact fact, Observable observable)
    {
        var sound = Diagnoser.Healthy(observable, OperatingMode.Calling, View.MakeUp, View.Equipment.Target);
        return observable.IsNumber ? Math.Abs(fact.Number!.Value - sound.Mean) <= StillUsual * sound.Deviation
            : observable.Answers.Zip(sound.Shares).MaxBy(a => a.Second).First == fact.Answer;
    }

    public bool RecommendationIsOpen => Form.Errors.Keys.Any(k => k is "problem" or "option" or "hours" or "priceFrom" or "priceTo");

    public IActionResult OnPostRecommend(Guid id, Guid entryId, RecommendationUrgency urgency) => Take(id, entryId, () =>
    {
        if (!Enum.IsDefined(urgency))
            return null;
        var problem = Form.Text("problem", LongestText, missing: "Say what it is for, such as torn gasket.");
        var option = Form.Text("option", LongestText, missing: "Say what to do.");
        var (hours, from, to) =
            (Form.Number("hours", 0, 1000), Form.Number("priceFrom", 0, 10_000_000), Form.Number("priceTo", 0, 10_000_000));
        if (to < from)
            Form.Errors["priceTo"] = "Not less than the price from.";
        return new RecommendationEntry(Writer.Next(), problem, option, Text("parts"), hours, from, to, urgency);
    });

    public async Task<IActionResult> OnPostSignatureAsync(Guid id, Guid entryId, string? strokes)
    {
        var taken = Sign(id, entryId, strokes);
        if (taken is RedirectToPageResult)
            await signing.Keep(id, PageContext);
        return taken;
    }

    private IActionResult Sign(Guid id, Guid entryId, string? strokes) =>
        Take(id, entryId, () => SignatureEntry.Read(strokes ?? "") is null ? null
        : new SignatureEntry(
            Writer.Next(corrects: View.Signature?.Id), Form.Text("signer", LongestText, missing: "Who signs?"), strokes ?? ""));

    private string Text(string field) => Form.Text(field, LongestText);
}
