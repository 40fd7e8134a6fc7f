using KeenEmber.Core.Benches.Charge;
using KeenEmber.Core.Benches.Circuit;
using KeenEmber.Core.Cases;
using KeenEmber.Core.Findings;
using KeenEmber.Core.Probes;
using KeenEmber.Core.Quantities;
using KeenEmber.Core.Record;
using KeenEmber.Storage.Gear;
using KeenEmber.Web.Pages.Visits.Probing;
using Microsoft.AspNetCore.Mvc;

namespace KeenEmber.Web.Pages.Visits.Charge;

/// <summary>An evacuation: how deep, how long still, and what the rise says once it is shut off.</summary>
public sealed class ChargeVacuumModel(VisitViews views, ProbeStore probes) : ProbePage(views, probes, ProbeUse.Vacuum)
{
    /// <summary>More lines than this are no course that anybody typed.</summary>
    private const int MostLines = 500;

    public Evacuation? Evacuation => View.Of<ChargeJudgement>()?.Evacuation;

    public DrierAdvice Drier => View.DrierAdvice();

    /// <summary>The visit, this one or the last, on which feeding came and went as ice in a valve lets it; null where none did.</summary>
    public Visit? MoistureSeen
    {
        get
        {
            bool ComesAndGoes(IReadOnlyList<Finding>? found) => found?.Any(f => f.Code == SeriesPatterns.ComesAndGoes) == true;
            if (ComesAndGoes(View.Found))
                return View.Visit;
            return ComesAndGoes(View.Briefing?.Findings) ? View.Briefing!.Last : null;
        }
    }

    public IActionResult OnPostRead(Guid id, Guid entryId) => Take(id, entryId, () =>
        new VacuumEntry(Writer.Next(), VacuumStep.Reading, Form.Value("pressure", QuantityKind.Vacuum, required: true)));

    public IActionResult OnPostStep(Guid id, Guid entryId, VacuumStep step) => Take(id, entryId, () =>
        !Enum.IsDefined(step) || step == VacuumStep.Reading ? null
            : new VacuumEntry(Writer.Next(), step, null, Volume(), Form.Value("coldest", QuantityKind.Temperature)));

    private TypedValue? Volume()
    {
        var volume = Form.Value("volume", QuantityKind.Volume);
        if (volume is { Number: <= 0 })
            Form.Errors["volume"] = $"Type a volume above 0, such as {(View.Company.Units == UnitPreference.Us ? "0.4" : "12")}.";
        return volume;
    }

    /// <summary>Lines of minutes since the pump was shut off and pressure, from a gauge that keeps them.</summary>
    public IActionResult OnPostPaste(Guid id, Guid entryId) => Take(id, entryId, () =>
    {
        var samples = Form.Pairs("lines", MostLines)?.Select(Sample).ToList();
        if (samples is null || samples.Contains(null))
            Form.Errors["lines"] = $"One reading a line: minutes and pressure, such as “10; 85”. Up to {MostLines} lines.";
        if (Form.IsWrong)
            return Array.Empty<Entry>();
        var last = samples!.Max(s => s!.Value.Minute);
        var shut = View.Now.AddMinutes(-last);
        var from = shut < View.Visit.StartedAt ? View.Visit.StartedAt : shut;
        return [new VacuumEntry(Writer.Next(from), VacuumStep.Isolated, null, Volume(), Form.Value("coldest", QuantityKind.Temperature)),
            .. samples!.Select(s => new VacuumEntry(Writer.Next(from.AddMinutes(s!.Value.Minute)), VacuumStep.Reading, s.Value.Pressure))];
    });

    private (double Minute, TypedValue Pressure)? Sample((string Minute, string Pressure) line) =>
        QuantityReader.Number(line.Minute) is >= 0 and <= 20_160 and { } minute
            && QuantityReader.Read(line.Pressure, QuantityKind.Vacuum, View.Company.Units).Value is { } pressure
            ? (minute, pressure) : null;
}
