using System.Net;
using System.Text.RegularExpressions;
using KeenEmber.Core.Quantities;
using KeenEmber.Storage;

namespace KeenEmber.Web.Tests;

/// <summary>A company that works in °F, psi and pounds reads no metric unit anywhere.</summary>
public sealed partial class UsUnitsTests(DemoWeb demo) : IClassFixture<DemoWeb>
{
    private static readonly string[] Stations =
        ["circuit", "look", "trend", "defrost", "sensors", "glycol", "instruments", "controls", "controlcycle", "controlsheet", "changes",
            "prove", "close", "report", "defrostplan", "defrosttests"];

    /// <summary>Words of technicians stay as they wrote them; names of sensors carry their makers' °C.</summary>
    [GeneratedRegex("fan delay switch, open at -3 °C|by the clock on the wall|-13 or -25 °C|PTC 1 kΩ at 25 °C|R at 25 °C|Beta \\(K\\)")]
    private static partial Regex Quoted();

    [GeneratedRegex(@"[^\n]*(\d (K|bar|kPa)\b|°C|\bkg\b|\(m\)|m³)[^\n]*")]
    private static partial Regex Metric();

    [GeneratedRegex("(?:aria-label|placeholder|alt)=\"([^\"]*)\"")]
    private static partial Regex Attributes();

    private async Task<string> Page(string path) =>
        WebUtility.HtmlDecode(await demo.Http.GetStringAsync(path, TestContext.Current.CancellationToken));

    /// <summary>Of so many units: their pages are built alike.</summary>
    private const int OneOf = 2;

    [Fact]
    public async Task No_page_of_any_unit_shows_a_metric_unit()
    {
        var companies = demo.App.Get<CompanyStore>();
        companies.Save(companies.Get() with { Units = UnitPreference.Us });
        var found = new List<string>();
        foreach (var unit in Regex.Matches(await Page("/"), "/equipment/[0-9a-f-]{36}").Select(m => m.Value).Distinct()
            .Where((_, i) => i % OneOf == 0))
        {
            var visit = Regex.Match(await Page(unit), "/visits/[0-9a-f-]{36}").Value;
            foreach (var path in Stations.Select(s => $"{visit}/{s}").Append(unit).Append(unit + "/history").Append(unit + "/label"))
            {
                var page = await Page(path);
                var text = Regex.Replace(page, "<[^>]+>", "\n")
                    + string.Join('\n', Attributes().Matches(page).Select(m => m.Groups[1].Value));
                found.AddRange(
                    Metric().Matches(text).Select(m => m.Value.Trim()).Where(line => !Quoted().IsMatch(line))
                    .Select(line => $"{path[(path.LastIndexOf('/') + 1)..]}: {line}"));
            }
        }

        Assert.True(found.Count == 0, string.Join("\n", found.Distinct().Take(20)));
    }
}
