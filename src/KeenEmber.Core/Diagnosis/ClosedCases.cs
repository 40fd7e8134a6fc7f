namespace KeenEmber.Core.Diagnosis;

/// <summary>How often a company's own closed visits came to each cause.</summary>
/// <param name="Cases">Closed visits whose root cause the table knows.</param>
/// <param name="ByCause">How many of them, by the code of the cause.</param>
public sealed record ClosedCases(int Cases, IReadOnlyDictionary<string, int> ByCause)
{
    /// <summary>Of a company that has closed none.</summary>
    public static readonly ClosedCases None = new(0, new Dictionary<string, int>());

    /// <summary>The table's own odds count as much as so many closed visits.</summary>
    private const double TableCountsAs = 150;

    /// <summary>The company's odds stay within this share and this multiple of the table's: a rare cause is never forgotten, and a run of
    /// one cause does not decide the next visit.</summary>
    private const double Floor = 0.4, Cap = 4;

    /// <param name="rootCauses">Root causes as they were signed. A cause counts where its name stands in the text.</param>
    public static ClosedCases Of(DiagnosisTable table, IEnumerable<string> rootCauses)
    {
        var counts = new Dictionary<string, int>();
        var cases = 0;
        foreach (var text in rootCauses)
        {
            var named = table.Causes.Where(c => text.Contains(c.Name, StringComparison.OrdinalIgnoreCase)).ToList();
            cases += named.Count > 0 ? 1 : 0;
            foreach (var cause in named)
                counts[cause.Code] = counts.GetValueOrDefault(cause.Code) + 1;
        }

        return new(cases, counts);
    }

    /// <summary>How likely a cause is before anything is seen, 0 to 1.</summary>
    internal double Prior(Cause cause)
    {
        var table = cause.PerThousand / 1000;
        var own = (ByCause.GetValueOrDefault(cause.Code) + TableCountsAs * table) / (Cases + TableCountsAs);
        return Math.Clamp(own, Floor * table, Cap * table);
    }
}
