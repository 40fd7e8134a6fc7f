using System.Text.RegularExpressions;

namespace KeenEmber.Web.Tests.Edge;

/// <summary>Two apps on two copies of a record, page by page.</summary>
internal static partial class SamePages
{
    /// <summary>One unit of so many is compared; of so many of them their visits as well.</summary>
    private const int OneOf = 6, UnitsInFull = 2;

    /// <summary>The pages of units, and record and report of the visits of some, are the same to the letter.</summary>
    /// <returns>How many units were compared.</returns>
    public static async Task<int> Compare(TestApp one, TestApp other)
    {
        using var here = one.Browser();
        using var there = other.Browser();
        var units = Units().Matches(await here.GetStringAsync("/", TestContext.Current.CancellationToken)).Select(m => m.Value).Distinct()
            .Where((_, i) => i % OneOf == 0).ToList();
        var visits = new HashSet<string>();
        foreach (var unit in units)
        {
            var page = await Said(here, unit);
            Assert.Equal(page, await Said(there, unit));
            if (units.IndexOf(unit) < UnitsInFull)
                visits.UnionWith(Visits().Matches(page).Select(m => m.Value));
        }

        Assert.NotEmpty(visits);
        foreach (var visit in visits)
        {
            Assert.Equal(await Said(here, visit + "/record?all=true"), await Said(there, visit + "/record?all=true"));
            Assert.Equal(await Said(here, visit + "/report"), await Said(there, visit + "/report"));
        }

        return units.Count;
    }

    /// <summary>What a page says, without what is made anew each time it is opened, and without the account it is opened by.</summary>
    private static async Task<string> Said(HttpClient http, string page) =>
        LeftOut().Replace(await http.GetStringAsync(page, TestContext.Current.CancellationToken), "");

    [GeneratedRegex("""<input[^>]*type="hidden"[^>]*>|data-account="[^"]*""")]
    private static partial Regex LeftOut();

    [GeneratedRegex("/equipment/[0-9a-f-]{36}")]
    private static partial Regex Units();

    [GeneratedRegex("/visits/[0-9a-f-]{36}")]
    private static partial Regex Visits();
}
