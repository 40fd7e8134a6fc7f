using System.Net;
using AngleSharp;
using AngleSharp.Dom;
using AngleSharp.Html.Dom;

namespace KeenEmber.Web.Tests;

/// <summary>Uses the pages as a browser without script does: opens them, fills in their forms, sends them.</summary>
/// <param name="browser">Another than the app's own, which does not follow redirects.</param>
public sealed class Technician(TestApp app, HttpClient? browser = null) : IDisposable
{
    private static readonly IBrowsingContext Html = BrowsingContext.New(Configuration.Default);

    public HttpClient Http { get; } = browser ?? app.Browser();

    public void Dispose() => Http.Dispose();

    public async Task<IDocument> Open(string address)
    {
        using var answer = await Http.GetAsync(address);
        Assert.True(answer.StatusCode == HttpStatusCode.OK, $"{address} answered {answer.StatusCode}: {string.Join('\n', app.Errors)}");
        return await Page(answer);
    }

    public static async Task<IDocument> Page(HttpResponseMessage answer)
    {
        var text = await answer.Content.ReadAsStringAsync();
        return await Html.OpenAsync(r => r.Content(text));
    }

    /// <summary>Sends the form of a page that has this action.</summary>
    /// <param name="fields">What is typed; the other fields go as the page shows them.</param>
    public async Task<HttpResponseMessage> Send(string address, string action, params (string Field, string Text)[] fields)
    {
        var page = await Open(address);
        var form = page.Forms.OfType<IHtmlFormElement>()
            .FirstOrDefault(f => f.Method == "post" && (f.GetAttribute("action") ?? "").Contains(action, StringComparison.Ordinal));
        Assert.True(form is not null, $"{address} has no form for {action}.");
        return await Send(form, address, fields);
    }

    public async Task<HttpResponseMessage> Send(IHtmlFormElement form, string address, params (string Field, string Text)[] fields)
    {
        var texts = Texts(form).Where(t => fields.All(f => !f.Field.Equals(t.Key, StringComparison.OrdinalIgnoreCase)))
            .Concat(fields.Select(f => KeyValuePair.Create(f.Field, f.Text)));
        var to = form.GetAttribute("action") is not { Length: > 0 } action ? address : action.StartsWith('?')
            ? address.Split('?')[0] + action : action;
        return await Http.PostAsync(to, new FormUrlEncodedContent(texts));
    }

    /// <summary>What a form sends as it stands, without a button.</summary>
    public static IEnumerable<KeyValuePair<string, string>> Texts(IHtmlFormElement form) =>
        form.Elements.OfType<IHtmlElement>().Select(e => e switch
    {
        IHtmlInputElement { Type: "checkbox" or "radio" } box => (box.Name, Value: box.IsChecked ? box.Value : null),
        IHtmlInputElement { Type: "file" } => default,
        IHtmlInputElement input => (input.Name, input.Value),
        IHtmlTextAreaElement area => (area.Name, area.Value),
        IHtmlSelectElement select => (select.Name, select.Value),
        _ => default,
    }).Where(f => f is { Name.Length: > 0, Value: not null }).Select(f => KeyValuePair.Create(f.Name!, f.Value!));

    /// <summary>A unit at the test's site; its address.</summary>
    public async Task<string> AddUnit(string tag = "F-3", string? site = null)
    {
        using var answer =
            await Send(
            "/equipment/new", "", ("tag", tag), ("refrigerant", "R404A"), ("target", "-20"), ("kind", "WalkInFreezer"), ("fans", "2"),
            ("site", site ?? app.Site));
        Assert.Equal(HttpStatusCode.Redirect, answer.StatusCode);
        return answer.Headers.Location!.ToString();
    }

    /// <summary>A visit to it; its address without the station.</summary>
    public async Task<string> StartVisit(string unit)
    {
        using var answer = await Send(unit, "", ("author", "Isolde Marrin"), ("complaint", "warm"));
        return answer.Headers.Location!.ToString().Replace("/circuit", "", StringComparison.Ordinal);
    }

    public async Task Log(string visit, string line)
    {
        using var answer = await Send(visit + "/circuit", "handler=Log", ("line", line));
        Assert.True(answer.StatusCode == HttpStatusCode.Redirect, $"“{line}”: {answer.StatusCode} {string.Join(" ", app.Errors)}");
    }
}
