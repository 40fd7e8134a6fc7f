using System.Net;
using System.Text.Json;
using System.Text.RegularExpressions;

namespace KeenEmber.Web.Tests;

/// <summary>What the server answers on the wire.</summary>
public sealed partial class ServerTests(DemoWeb demo) : IClassFixture<DemoWeb>
{
    private static CancellationToken Cancel => TestContext.Current.CancellationToken;

    [GeneratedRegex("""/equipment/[0-9a-f-]{36}""")]
    private static partial Regex UnitLink();

    [GeneratedRegex("""/visits/[0-9a-f-]{36}/circuit""")]
    private static partial Regex VisitLink();

    private async Task<string> Page(string path) => await demo.Http.GetStringAsync(path, Cancel);

    private async Task<string> AnyVisit() => VisitLink().Match(await Page(UnitLink().Match(await Page("/")).Value)).Value;

    private async Task<(HttpStatusCode Status, JsonElement Body)> Json(string path)
    {
        var answer = await demo.Http.GetAsync(path, Cancel);
        return (answer.StatusCode, JsonDocument.Parse(await answer.Content.ReadAsStringAsync(Cancel)).RootElement);
    }

    [Fact]
    public async Task Saturation_at_a_temperature()
    {
        var (status, body) = await Json("/api/saturation?refrigerant=R404A&temperature=-20C");
        Assert.Equal(HttpStatusCode.OK, status);
        Assert.Equal(("R404A", -20.0), (body.GetProperty("refrigerant").GetString(), body.GetProperty("temperatureC").GetDouble()));
        Assert.InRange(body.GetProperty("dewKpa").GetDouble(), 298, 304);
        Assert.InRange(body.GetProperty("bubbleKpa").GetDouble(), 303, 310);
        Assert.False(body.TryGetProperty("pressureKpa", out _));
    }

    [Fact]
    public async Task Saturation_at_a_gauge_pressure_depends_on_the_elevation()
    {
        var (_, sea) = await Json("/api/saturation?refrigerant=R404A&pressure=21psig");
        var (_, high) = await Json("/api/saturation?refrigerant=R404A&pressure=21psig&elevationM=1600");
        Assert.Equal(246.11, sea.GetProperty("pressureKpa").GetDouble(), 0.01);
        Assert.Equal(-25.14, sea.GetProperty("dewC").GetDouble(), 0.05);
        Assert.True(high.GetProperty("dewC").GetDouble() < sea.GetProperty("dewC").GetDouble() - 1);
    }

    [Theory]
    [InlineData("?refrigerant=R999&temperature=-20C", "refrigerant")]
    [InlineData("?temperature=-20C", "refrigerant")]
    [InlineData("?refrigerant=R404A", "temperature")]
    [InlineData("?refrigerant=R404A&temperature=cold", "temperature")]
    [InlineData("?refrigerant=R404A&temperature=21psi", "temperature")]
    [InlineData("?refrigerant=R404A&temperature=200C", "temperature")]
    [InlineData("?refrigerant=R404A&pressure=21C", "pressure")]
    [InlineData("?refrigerant=R404A&pressure=90bar", "pressure")]
    [InlineData("?refrigerant=R404A&pressure=2bar&elevationM=high", "elevationM")]
    [InlineData("?refrigerant=R404A&pressure=2bar&temperature=2C", "temperature")]
    public async Task A_bad_question_names_its_field(string query, string field)
    {
        var answer = await demo.Http.GetAsync("/api/saturation" + query, Cancel);
        Assert.Equal(HttpStatusCode.BadRequest, answer.StatusCode);
        Assert.Equal("application/problem+json", answer.Content.Headers.ContentType!.MediaType);
        var body = JsonDocument.Parse(await answer.Content.ReadAsStringAsync(Cancel)).RootElement;
        Assert.NotEmpty(body.GetProperty("errors").GetProperty(field)[0].GetString()!);
    }

    [Fact]
    public async Task The_endpoint_is_described()
    {
        var (_, body) = await Json("/openapi/v1.json");
        var operation = body.GetProperty("paths").GetProperty("/api/saturation").GetProperty("get");
        Assert.Equal(["elevationM", "pressure", "refrigerant", "temperature"],
            operation.GetProperty("parameters").EnumerateArray().Select(p => p.GetProperty("name").GetString()!).Order());
        Assert.True(operation.GetProperty("responses").TryGetProperty("400", out _));
    }

    [Theory]
    [InlineData("/visits/01900000-0000-7000-8000-000000000000/circuit", HttpStatusCode.NotFound)]
    [InlineData("/visits/nonsense", HttpStatusCode.NotFound)]
    [InlineData("/equipment/01900000-0000-7000-8000-000000000000", HttpStatusCode.NotFound)]
    [InlineData("/nowhere", HttpStatusCode.NotFound)]
    public async Task What_does_not_exist_gets_a_page_that_says_so(string path, HttpStatusCode status)
    {
        var answer = await demo.Http.GetAsync(path, Cancel);
        var body = await answer.Content.ReadAsStringAsync(Cancel);
        Assert.Equal(status, answer.StatusCode);
        Assert.Contains("There is nothing at this address", body, StringComparison.Ordinal);
        Assert.DoesNotContain("Exception", body, StringComparison.Ordinal);
    }

    [Theory]
    [InlineData("Log", "line", "suc 1.2")]
    [InlineData("Reading", "value", "1.2")]
    public async Task Posting_without_the_token_is_refused_and_changes_nothing(string handler, string field, string value)
    {
        var visit = await AnyVisit();
        var before = await Page(visit.Replace("circuit", "record", StringComparison.Ordinal));
        var answer = await demo.Http.PostAsync($"{visit}?handler={handler}", new FormUrlEncodedContent(
            new Dictionary<string,
                string> { [field] = value, ["lineId"] = Guid.CreateVersion7().ToString(), ["entryId"] = Guid.CreateVersion7().ToString(),
                ["point"] = "BoxAir" }), Cancel);
        Assert.Equal(HttpStatusCode.BadRequest, answer.StatusCode);
        Assert.Contains("Not accepted", await answer.Content.ReadAsStringAsync(Cancel), StringComparison.Ordinal);
        var after = await Page(visit.Replace("circuit", "record", StringComparison.Ordinal));
        Assert.Equal(Regex.Count(before, "class=\"what\""), Regex.Count(after, "class=\"what\""));
    }

    [Theory]
    [InlineData("circuit?handler=Reading", "value", "-12.5")]
    [InlineData("record?handler=Correct", "text", "-12.5")]
    [InlineData("record?handler=Strike", "text", "")]
    public async Task A_correction_sent_twice_is_stored_once(string handler, string field, string value)
    {
        var visit = (await AnyVisit()).Replace("/circuit", "/", StringComparison.Ordinal);
        var page = await Page(visit + "circuit");
        var token = Regex.Match(page, "__RequestVerificationToken\" type=\"hidden\" value=\"([^\"]+)").Groups[1].Value;
        var corrects = Guid.CreateVersion7().ToString();
        await demo.Http.PostAsync(visit + "circuit?handler=Reading", new FormUrlEncodedContent(
            new Dictionary<string,
                string> { ["__RequestVerificationToken"] = token, ["entryId"] = corrects, ["point"] = "BoxAir", ["value"] = "-12" }),
                Cancel);
        var before = Regex.Count(await Page(visit + "record"), "class=\"what\"");
        var form = new Dictionary<string, string>
        {
            ["__RequestVerificationToken"] = token, ["entryId"] = Guid.CreateVersion7().ToString(), ["point"] = "BoxAir",
                ["corrects"] = corrects, [field] = value,
        };
        for (var time = 0; time < 2; time++)
            Assert.Equal(
                HttpStatusCode.Redirect, (await demo.Http.PostAsync(visit + handler, new FormUrlEncodedContent(form), Cancel)).StatusCode);
        var record = await Page(visit + "record");
        Assert.Equal(before + (value.Length > 0 ? 1 : 0), Regex.Count(record, "class=\"what\""));
        Assert.Contains("no longer stands", record, StringComparison.Ordinal);
    }

    [Fact]
    public async Task A_huge_paste_into_the_preview_is_answered_and_not_swallowed()
    {
        var answer = await demo.Http.GetAsync($"{await AnyVisit()}?handler=Understand&line={new string('x', 6000)}", Cancel);
        Assert.Contains("too long for one line", await answer.Content.ReadAsStringAsync(Cancel), StringComparison.Ordinal);
    }

    [Fact]
    public async Task Every_answer_carries_the_strict_policy_and_no_page_has_inline_script_or_style()
    {
        foreach (var path in new[] { "/", "/settings", "/equipment/new", await AnyVisit(), "/nowhere", "/api/saturation" })
        {
            var answer = await demo.Http.GetAsync(path, Cancel);
            var policy = Assert.Single(answer.Headers.GetValues("Content-Security-Policy"));
            Assert.Contains("default-src 'none'; script-src 'self' 'wasm-unsafe-eval'; worker", policy, StringComparison.Ordinal);
            Assert.Contains("style-src 'self';", policy, StringComparison.Ordinal);
            Assert.DoesNotContain("'unsafe", policy, StringComparison.Ordinal);
            var body = await answer.Content.ReadAsStringAsync(Cancel);
            Assert.DoesNotMatch("""<script(?![^>]*src=)|<style|\sstyle=|\son[a-z]+=|(src|href)="(https?:)?//""", body);
        }
    }

    [Fact]
    public async Task The_demo_has_units_of_every_sort_each_with_two_visits_and_the_three_pictures()
    {
        var board = await Page("/");
        var units = UnitLink().Matches(board).Select(m => m.Value).Distinct().ToList();
        Assert.True(units.Count >= 8);
        foreach (var unit in units)
            Assert.True(VisitLink().Matches(await Page(unit)).Select(m => m.Value).Distinct().Count() >= 2, unit);
        Assert.Contains("Likely cause: ", board, StringComparison.Ordinal);
        Assert.Contains("Not enough air through the coil", board, StringComparison.Ordinal);
        Assert.Contains("The refrigerant circuit is on target", board, StringComparison.Ordinal);
        Assert.DoesNotContain("is not possible", board, StringComparison.Ordinal);
    }
}
