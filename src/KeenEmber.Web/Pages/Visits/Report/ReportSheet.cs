using KeenEmber.Core.Benches.Circuit;
using KeenEmber.Core.Benches.Defrost;
using KeenEmber.Core.Cases;
using KeenEmber.Core.Diagnosis;
using KeenEmber.Core.Findings;
using KeenEmber.Core.Plant;
using KeenEmber.Core.Record;
using KeenEmber.Core.Visits;
using KeenEmber.Storage;
using KeenEmber.Words;
using KeenEmber.Words.Benches.Circuit;
using KeenEmber.Words.Benches.Defrost;
using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;

namespace KeenEmber.Web.Pages.Visits.Report;

/// <summary>The visit on paper: for the lead and a warranty desk in full, for the customer in short.</summary>
[OneFile]
public class ReportSheet(VisitViews views, SignedReportStore reports) : PageModel
{
    [BindProperty(SupportsGet = true)]
    public string? For { get; set; }

    /// <summary>Judged anew rather than as it was signed.</summary>
    [BindProperty(SupportsGet = true)]
    public bool Today { get; set; }

    /// <summary>The report as it was signed; null before, and on visits signed before that was kept.</summary>
    public SignedReport? AsSigned { get; private set; }

    public bool ForCustomer => For == "customer";

    public VisitView View { get; private set; } = null!;

    /// <summary>Work on the unit.</summary>
    public IEnumerable<Entry> Done => View.Timeline.Standing.Where(e => e is IChangesUnit { ChangesUnit: true });

    /// <summary>What somebody had changed before and was found so.</summary>
    public IEnumerable<Entry> FoundSo => View.Timeline.Standing.OfType<ChangeEntry>().Where(c => c.FoundSo);

    /// <summary>States of the app and not of the unit: nobody reads them on paper.</summary>
    private static readonly HashSet<string> NoStates =
    [
        CircuitJudgement.NoReadings, CircuitJudgement.NotEnough, CircuitJudgement.MeasureAgain, CircuitJudgement.NotPossible,
        CircuitJudgement.UnknownRefrigerant, CircuitJudgement.MayBeInDefrost, VisitCase.NothingToSay, VisitCase.ToBeProved,
        IJudging.CouldNotJudge,
    ];

    /// <summary>How the unit stands at the end, and what its box did.</summary>
    public IEnumerable<string> HowItWasLeft
    {
        get
        {
            // What to do now is over on paper, unless somebody can be hurt.
            if (!NoStates.Contains(View.Stands.Code))
                yield return View.Stands.Bench == "danger" ? View.StandsInWords : CircuitBenchText.OnPaper(View.StandsInWords);
            var boxes = View.Timeline.Standing.OfType<ReadingEntry>().Where(r => r.Point.Point == MeasuringPoint.BoxAir);
            string Box(ReadingEntry r) => $"{View.Units.Temperature(r.Value.Temperature.Kelvin)} at {View.Clock.Time(r.At)}";
            foreach (var side in boxes.GroupBy(r => r.Point).OrderBy(g => g.Key))
            {
                var ends = new[] { side.First(), side.Last() }.Distinct().Select(Box);
                yield return $"{CircuitText.Sentence(CircuitText.Name(side.Key, View.Equipment.MakeUp))} {string.Join(", ", ends)}.";
            }

            if (View.Timeline.Standing.OfType<HeaterAmpsEntry>().ToList() is [var first, ..] heaters)
            {
                var ends = new[] { first, heaters[^1] }.Distinct()
                    .Select(h => $"{DefrostTestText.Currents(h)} at {View.Clock.Time(h.At)}");
                yield return $"Heaters {string.Join("; ", ends)}.";
            }
        }
    }

    /// <summary>Why results are not usable in full, each reason once.</summary>
    public IEnumerable<string> Reasons => Results.SelectMany(r => r.Validity.Reasons, (r, reason) => (Result: r, reason.Code))
        .GroupBy(r => r.Code, r => View.Name(r.Result.Ref))
        .Select(g => $"{CircuitText.Reason(g.Key)} {CircuitText.Sentence(CircuitText.List(g.Distinct()))}.");

    /// <summary>Whether the sign-off says that its causes explain a finding; nothing before it.</summary>
    public string Explained(Finding finding) => Explained(finding.Code);

    /// <summary>The same for the code of one.</summary>
    public string Explained(string code) => View.SignOff?.Explains(code) switch
    {
        null => "",
        true => "Explained.",
        false => "Not explained.",
    };

    /// <summary>What the sign-off recommends.</summary>
    public string Advice => View.SignOff?.Recommendation switch
    {
        null => "Not signed off yet.",
        { Length: > 0 } advice => advice,
        _ => View.Recommendations.Any() ? "" : "Nothing further.",
    };

    /// <summary>What was on record before the first change, in one line.</summary>
    public string AsFoundLine =>
        CircuitText.Sentence(string.Join(", ", View.AsFound.Facts.Concat(OddAnswers)
            .Concat(View.Timeline.Standing.OfType<EarlierPartEntry>()).Select(f => EntryText.What(f, View)).Distinct()));

    /// <summary>What was felt, heard, measured or told up to then and is not as it should be.</summary>
    private IEnumerable<Entry> OddAnswers
    {
        get
        {
            var usual = (View.DiagnosisAsFound?.Usual ?? []).Select(f => f.Code).ToHashSet();
            return View.Timeline.Standing.OfType<DiagnosisFactEntry>().Where(e => !e.Cannot && !usual.Contains(e.Observable)
                && (View.AsFound.FrozenAt is null || e.At < View.AsFound.FrozenAt)).GroupBy(e => e.Observable).Select(g => g.Last());
        }
    }

    /// <summary>Everybody who wrote on the visit, first who began it.</summary>
    public string Workers => CircuitText.List(View.Timeline.Written.Select(e => e.Author).Prepend(View.Visit.Author).Distinct());

    /// <summary>The meters named on the visit.</summary>
    public string Instruments => CircuitText.List(View.Timeline.Standing.OfType<InstrumentEntry>().GroupBy(m => m.Measures)
        .Select(g => g.Last())
        .Select(m =>
            $"{m.Instrument.Name} ({ServiceText.Name(m.Measures)} {ServiceText.Accuracy(m.Measures, m.Instrument.Accuracy, View.Units)}, "
            + $"{(m.Instrument.IsChecked ? "checked" : "not checked")})"));

    /// <summary>A customer sees a few, the lead all.</summary>
    public IEnumerable<PhotoEntry> PhotosToShow => ForCustomer ? View.Photos.Where(p => p.Topic == Topic.Visit).Take(3) : View.Photos;

    public IEnumerable<NoteEntry> Notes => View.Timeline.Standing.OfType<NoteEntry>();

    /// <summary>Results that are known, the ones that do not count with them: a report says so rather than leaving them out.</summary>
    public IEnumerable<CircuitResult> Results => View.Analysis?.Results.Where(r => r.Value is not null) ?? [];

    /// <summary>What the visit did not prove: results still wanting a reading or not counting, findings nobody explained.</summary>
    public IEnumerable<CircuitResult> NotProved => View.Analysis?.Results.Where(r => !r.IsUsable) ?? [];

    /// <returns>False where there is no such visit.</returns>
    protected bool Open(Guid id)
    {
        if (views.Open(id) is not { } view)
            return false;
        Open(view);
        return true;
    }

    /// <summary>The report of a visit that is open already.</summary>
    public void Open(VisitView view)
    {
        View = view;
        AsSigned = LastSigned(view) is { } last ? reports.Find(last.Id) : null;
    }

    /// <summary>The sign-off, or the customer's signature that came after it; null while the visit is not signed off.</summary>
    public static Entry? LastSigned(VisitView view)
    {
        if (view.SignOff is not { } off)
            return null;
        return view.Signature is { } signature && signature.WrittenAt > off.WrittenAt ? signature : off;
    }
}
