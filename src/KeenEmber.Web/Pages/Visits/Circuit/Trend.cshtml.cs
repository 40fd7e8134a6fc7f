using KeenEmber.Application.Import;
using KeenEmber.Core.Quantities;
using KeenEmber.Core.Record;
using Microsoft.AspNetCore.Mvc;

namespace KeenEmber.Web.Pages.Visits.Circuit;

/// <summary>The readings in their course of time: the chart, whether it has settled, and rows pasted from a logger.</summary>
[RequestFormLimits(ValueLengthLimit = 2 * PastedRows.LongestText)]
public sealed class TrendModel(VisitViews views) : VisitPage(views)
{
    /// <summary>Rows as pasted, kept while something is wrong with them.</summary>
    public string? Rows { get; private set; }

    public IReadOnlyList<string> Problems { get; private set; } = [];

    public string Example => View.Company.Units == UnitPreference.Us
        ? "time, suction, line, box\n14:05, 21, -4, -1\n14:06, 20.8, -4.5, -1"
        : "time; suction; line; box\n14:05; 1,45; -20,1; -18,2\n14:06; 1,44; -20,4; -18,2";

    public IActionResult OnPostRows(Guid id, Guid lineId, string? rows)
    {
        if (!Load(id, lineId))
            return NotFound();
        if (lineId == Guid.Empty)
            return BadRequest();
        var (values, problems) = new PastedRows(
            heading => PasteText.PointOf(heading, View.Equipment, View.Company), View.Company.Units, View.Clock, View.Visit.StartedAt,
                View.Now)
            .Read(rows);
        if (problems.Count > 0)
        {
            Rows = rows?.Length > PastedRows.LongestText ? rows[..PastedRows.LongestText] : rows;
            Problems = PasteText.Problems(problems, View.Equipment, View.Company);
            return Page();
        }

        Append([.. values.Select((v, i) => new ReadingEntry(Writer.Next(v.At), v.Point, v.Value))]);
        return RedirectToPage(new { id, saved = values.Count });
    }
}
