using KeenEmber.Application.Import;
using KeenEmber.Core.Plant;
using KeenEmber.Core.Visits;
using KeenEmber.Words;
using KeenEmber.Words.Benches.Circuit;

namespace KeenEmber.Web.Pages.Visits.Circuit;

/// <summary>Words for pasted rows: what a heading names, and what is wrong with them.</summary>
public static class PasteText
{
    private const int MostProblems = 6;

    /// <summary>The point of a unit that a heading names, by its name on the page or a word of the log line.</summary>
    public static PointRef? PointOf(string heading, Equipment unit, Company company)
    {
        foreach (var point in unit.MakeUp.Points)
        {
            if (CircuitText.Name(point, unit.MakeUp) == heading || CircuitText.Name(point) == heading
                || point.ToString().Equals(heading, StringComparison.OrdinalIgnoreCase))
                return point;
        }

        return company.Words.TryGetValue(heading, out var word) || CircuitLogWords.Points.TryGetValue(heading, out word) ? word : null;
    }

    /// <summary>The first few problems, and whether there are more.</summary>
    public static IReadOnlyList<string> Problems(IReadOnlyList<PasteProblem> problems, Equipment unit, Company company) =>
    [
        .. problems.Take(MostProblems).Select(p => Problem(p, unit, company)),
        .. problems.Count > MostProblems ? ["There is more after these."] : Array.Empty<string>(),
    ];

    private static string Problem(PasteProblem problem, Equipment unit, Company company)
    {
        var text = Short(problem.Text);
        return problem.Kind switch
        {
            PasteProblemKind.Empty => "Paste rows: a line of headings, then a time and the values in each line.",
            PasteProblemKind.TooLong => $"This is too long: {PastedRows.LongestText / 1000} kB at most.",
            PasteProblemKind.NoRows => "There must be a line of headings and at least one line of values.",
            PasteProblemKind.NoTimeFirst => $"The first column is headed “{text}”: it must be the time, headed “time” or “min”.",
            PasteProblemKind.UnknownHeading => $"The heading “{text}” is no point of this circuit. Use words of the log line, such as "
                + "suction, line, box, head, liquid.",
            PasteProblemKind.DayOrder => "The dates could be read either way round. Write the year first: 2026-03-02 14:05.",
            PasteProblemKind.NotATime => $"Row {problem.Row}: “{text}” is no time. Write all of them one way: 14:05, 14:05:30, "
                + "2026-03-02 14:05, or minutes under a heading “min”.",
            PasteProblemKind.StillToCome => $"Row {problem.Row}: {text} is still to come. Check the logger's clock, or use minutes.",
            PasteProblemKind.BadValue => $"Row {problem.Row}, {CircuitText.Name(problem.Point!.Value, unit.MakeUp)}: “{text}”. "
                + TypingText.Problem(problem.Typing!.Value, problem.Point.Value.Kind(), company.Units),
            PasteProblemKind.TooMany =>
                $"{text} values are more than {PastedRows.MostValues} at once. Paste fewer rows or columns.",
            _ => "No value was found under a heading that is known.",
        };
    }

    private static string Short(string text) => text.Length > 40 ? text[..40] + "…" : text;
}
