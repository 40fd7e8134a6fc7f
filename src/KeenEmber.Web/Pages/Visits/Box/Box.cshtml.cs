using System.Globalization;
using KeenEmber.Core.Benches.Box;
using KeenEmber.Core.Benches.Controls;
using KeenEmber.Core.Plant;
using KeenEmber.Core.Quantities;
using KeenEmber.Core.Record;
using Microsoft.AspNetCore.Mvc;

namespace KeenEmber.Web.Pages.Visits.Box;

/// <summary>A box that is pulled down: whether it makes it, when, and what to expect on coming back.</summary>
public sealed class BoxModel(VisitViews views) : VisitPage(views)
{
    private const int MostLines = 500;

    public BoxJudgement Bench => View.Of<BoxJudgement>()!;

    /// <summary>How it was held beside an earlier visit, with the weather taken out; null where it cannot be told.</summary>
    public HoldingBeside? Held => HoldingWeather.Of(View.UpToHere, View.Equipment.Target, View.Clock);

    /// <summary>Moments to come back at: in half an hour, an hour, two, four.</summary>
    public static IReadOnlyList<int> ComeBackMin { get; } = [30, 60, 120, 240];

    public IActionResult OnPostRead(Guid id, Guid entryId) => Take(id, entryId, () =>
    {
        List<Entry> entries = [];
        void Read(string field, MeasuringPoint point, bool required)
        {
            if (Form.Value(field, QuantityKind.Temperature, required) is { } value)
                entries.Add(new ReadingEntry(Writer.Next(), point, value));
        }

        Read("air", MeasuringPoint.BoxAir, required: true);
        Read("product", MeasuringPoint.Product, required: false);
        return entries;
    });

    /// <summary>Says before leaving what the box should read; the reading then proves it or does not.</summary>
    public IActionResult OnPostLeave(Guid id, Guid entryId, int minutes) => Take(id, entryId, () =>
    {
        if (!ComeBackMin.Contains(minutes))
            return null;
        var due = View.Now.AddMinutes(minutes);
        if (Bench.PullDown?.Promised(due, View.Equipment.Target) is not { } expected)
            return [];
        static TypedValue Rounded(double celsius) => new(Math.Round(celsius, 1), Unit.Celsius);
        return [new BoxForecastEntry(Writer.Next(), due, Rounded(expected.Value), Rounded(expected.Low), Rounded(expected.High))];
    });

    /// <summary>Lines of a time of day and a temperature, from a logger or a sheet.</summary>
    public IActionResult OnPostPaste(Guid id, Guid entryId) => Take(id, entryId, () =>
    {
        var read = Form.Pairs("lines", MostLines)?.Select(Pasted).ToList();
        if (read is null || read.Contains(null))
            Form.Errors["lines"] =
                $"One reading a line: time and box air, such as “14:05; 6.3”. Within this visit, up to {MostLines} lines.";
        return Form.IsWrong ? [] : [.. read!.Select(r => new ReadingEntry(Writer.Next(r!.Value.At), MeasuringPoint.BoxAir, r.Value.Value))];
    });

    private (DateTimeOffset At, TypedValue Value)? Pasted((string Time, string Air) line)
    {
        if (!TimeOnly.TryParseExact(line.Time, ["H:mm", "H:mm:ss"], CultureInfo.InvariantCulture, DateTimeStyles.None,
            out var time) || QuantityReader.Read(line.Air, QuantityKind.Temperature, View.Company.Units).Value is not { } value)
            return null;
        var at = View.Clock.Moments(View.Clock.Date(View.Now).ToDateTime(time)) is [.., var moment] ? moment : default;
        at = at > View.Now ? at.AddDays(-1) : at;
        return at >= View.Visit.StartedAt.AddMinutes(-1) ? (at < View.Visit.StartedAt ? View.Visit.StartedAt : at, value) : null;
    }
}
