using System.Diagnostics;
using System.Net;
using AngleSharp;
using AngleSharp.Dom;
using AngleSharp.Html.Dom;
using KeenEmber.Core.Benches.Defrost;
using KeenEmber.Storage;

namespace KeenEmber.Web.Tests.Fuzz;

/// <summary>Sends, opens again, and holds every answer against the rule: no server error, in time, and everything still opens.</summary>
internal sealed partial class Attack
{
    private async Task<HttpResponseMessage?> Send(string address, HttpContent content, string said)
    {
        Tally.Sent++;
        using var request = new HttpRequestMessage(HttpMethod.Post, address) { Content = content };
        if (content is StringContent && !address.StartsWith("/api", StringComparison.Ordinal))
            request.Headers.Add("RequestVerificationToken", token);
        if (await Ask(() => http.SendAsync(request), $"POST {address} {said}") is not { } answer)
            return null;
        if (answer.StatusCode is not (HttpStatusCode.Redirect or HttpStatusCode.OK)
            || (answer.StatusCode == HttpStatusCode.OK && !address.StartsWith("/api", StringComparison.Ordinal)))
            return answer;
        Tally.Accepted++;
        if (answer.StatusCode == HttpStatusCode.Redirect && accepted is not null)
            accepted.Add((address, said));
        else if (answer.StatusCode == HttpStatusCode.Redirect)
            await OpenAgain(address, said);
        return answer;
    }

    /// <summary>Everything that the accepted input could have broken.</summary>
    private async Task OpenAgain(string address, string said)
    {
        var before = Tally.Failures.Count;
        var parts = address.Split('/', '?');
        if (parts[1] == "visits" && app.Get<VisitStore>().Find(Guid.Parse(parts[2])) is { } visit)
        {
            foreach (var page in Handlers.VisitPages(app))
                await Open($"/visits/{visit.Id}/{page}");
            foreach (
                var run in app.Get<VisitStore>().EntriesOfEquipment(visit.EquipmentId, visit.Id)[visit.Id].OfType<RunEntry>().TakeLast(2))
            {
                await Open($"/visits/{visit.Id}/runs/{run.Id}.csv");
                await Open($"/visits/{visit.Id}/runs/{run.Id}.json");
            }

            await Open($"/visits/{visit.Id}/follow-up.ics");
            parts = ["", "equipment", visit.EquipmentId.ToString()];
        }

        if (parts[1] == "equipment" && Guid.TryParse(parts[2], out var unit) && app.Get<EquipmentStore>().Find(unit) is not null)
        {
            foreach (var page in new[] { "", "/history", "/compare", "/label", "/edit" })
                await Open($"/equipment/{unit}{page}");
        }

        foreach (var page in new[] { "/", "/search?q=fan", "/settings", "/instruments" })
            await Open(page);
        if (Tally.Failures.Count > before)
            Tally.Failures.Add($"  … after seed {seed} step {step}: POST {address} {said}");
    }

    private async Task<IDocument?> Open(string address)
    {
        Tally.Reopened++;
        if (await Ask(() => http.GetAsync(address), "GET " + address) is not { } answer)
            return null;
        var html = await answer.Content.ReadAsStringAsync();
        if (answer.Content.Headers.ContentType?.MediaType != "text/html")
            return null;
        if (html.Contains("could not be judged", StringComparison.Ordinal) || html.Contains("could not be shown", StringComparison.Ordinal))
            Fail($"GET {address} answers, but something could not be judged: {string.Join(" | ", app.Errors)}");
        app.Errors.Clear();
        var page = await Html.OpenAsync(r => r.Content(html));
        token = page.QuerySelector<IHtmlInputElement>("input[name=__RequestVerificationToken]")?.Value ?? token;
        return page;
    }

    /// <param name="isSecond">A page that was slow is asked for again: the machine may have been busy with something else.</param>
    private async Task<HttpResponseMessage?> Ask(Func<Task<HttpResponseMessage>> ask, string said, bool isSecond = false)
    {
        var watch = Stopwatch.StartNew();
        HttpResponseMessage answer;
        try
        {
            answer = await ask().WaitAsync(TimeSpan.FromSeconds(20));
        }
        catch (TimeoutException)
        {
            Fail($"{said} never answered");
            return null;
        }
        catch (Exception e) when (e is not OperationCanceledException)
        {
            Fail($"{said} threw {e}");
            return null;
        }

        if (answer.StatusCode == HttpStatusCode.NotFound && said.StartsWith("GET /visits/", StringComparison.Ordinal)
            && !said.Contains('.', StringComparison.Ordinal))
            Fail($"{said} is gone");
        if ((int)answer.StatusCode >= 500)
            Fail($"{said} answered {(int)answer.StatusCode}: "
                + string.Join(" | ", app.Errors.Select(e => e.Length > 1500 ? e[..1500] : e)));
        else if (watch.Elapsed > Longest && said.StartsWith("GET", StringComparison.Ordinal) && !isSecond)
            return await Ask(ask, said, isSecond: true);
        else if (watch.Elapsed > Longest)
            Fail($"{said} took {watch.Elapsed.TotalSeconds:F1} s");
        return answer;
    }

    private void Fail(string what)
    {
        app.Errors.Clear();
        Tally.Failures.Add($"seed {seed} step {step}: {what}");
    }
}
