using System.Net;
using AngleSharp.Dom;
using AngleSharp.Html.Dom;

namespace KeenEmber.Web.Tests;

/// <summary>A technician at a browser without script: goes, taps, types and reads, with the words of the person in the browser tests. What
/// a page shows is there when it has answered, so nothing is waited for.</summary>
public sealed class Person : IDisposable
{
    private readonly Technician technician;
    private readonly Dictionary<IElement, string[]> chosen = [];
    private IDocument page = null!;
    private IHtmlInputElement? typed;

    public Person(TestApp app) => technician = new(app);

    /// <summary>Does not follow redirects.</summary>
    public HttpClient Http => technician.Http;

    /// <summary>Path of the page, without its query.</summary>
    public string Path { get; private set; } = "/";

    public void Dispose() => technician.Dispose();

    /// <summary>Opens a page, whatever it answers, and follows where it sends.</summary>
    public Person Go(string path) => Follow(Http.GetAsync(path).GetAwaiter().GetResult(), path);

    /// <summary>The first element a selector names that is not hidden.</summary>
    public IElement See(string selector) =>
        Seen(selector).FirstOrDefault() ?? throw new Xunit.Sdk.XunitException($"Nothing at {selector} on {Path}.");

    public bool SeesNow(string selector) => Seen(selector).Any();

    public int Count(string selector) => page.QuerySelectorAll(selector).Length;

    public string Read(string selector) => Text(See(selector));

    /// <summary>What stands in a field.</summary>
    public string Value(string selector) => See(selector) switch
    {
        IHtmlTextAreaElement area => area.Value,
        IHtmlSelectElement select => select.Value ?? "",
        var field => ((IHtmlInputElement)field).Value,
    };

    /// <summary>The text at a place, which must contain this.</summary>
    public string ReadUntil(string selector, string part)
    {
        var texts = Seen(selector).Select(Text).ToList();
        return texts.Find(t => t.Contains(part, StringComparison.Ordinal))
            ?? throw new Xunit.Sdk.XunitException($"“{part}” is not at {selector} on {Path}, but: {string.Join(" | ", texts)}");
    }

    public Person Type(string selector, string text)
    {
        switch (See(selector))
        {
            case IHtmlTextAreaElement area: area.Value = text; break;
            case IHtmlInputElement input: (typed, input.Value) = (input, text); break;
            default: throw new Xunit.Sdk.XunitException($"Nothing can be typed at {selector}.");
        }

        return this;
    }

    /// <summary>Sends the form of the field typed into last, by its first button.</summary>
    public Person Enter() => typed is { Form: { } form }
        ? Send(form, form.Elements.OfType<IHtmlButtonElement>().First(b => b.Type == "submit")) : this;

    public Person Tap(string selector) => Act(See(selector));

    /// <summary>Goes to a station of the visit by its name in the address.</summary>
    public Person Station(string name) => Tap($".station[href$='/{name}']");

    /// <summary>Goes to a unit's page by its line in the list of all units.</summary>
    public Person Unit(string tag)
    {
        Go("/");
        return Act(page.QuerySelectorAll("ul.board a").First(a => a.QuerySelector(".unit-tag") is { } at && Text(at) == tag));
    }

    /// <summary>The button or link with this text.</summary>
    public Person Press(string text) => Act(
        Seen("a, button").FirstOrDefault(e => Text(e).Contains(text, StringComparison.Ordinal))
        ?? throw new Xunit.Sdk.XunitException($"No button “{text}” on {Path}."));

    /// <summary>Types a log line and saves it.</summary>
    public Person Log(string line)
    {
        Type("#line", line).Tap("#save-line").ReadUntil("#understood", "saved");
        return this;
    }

    /// <summary>Chooses files in a file field.</summary>
    public Person Upload(string selector, params string[] files)
    {
        chosen[See(selector)] = files;
        return this;
    }

    private static string Text(IElement element) =>
        string.Join(' ', element.TextContent.Split((char[]?)null, StringSplitOptions.RemoveEmptyEntries));

    private IEnumerable<IElement> Seen(string selector) =>
        page.QuerySelectorAll(selector).Where(e => e.Closest("[hidden], template, noscript template") is null);

    private Person Act(IElement element)
    {
        switch (element)
        {
            case IHtmlOptionElement option:
                ((IHtmlSelectElement)option.Closest("select")!).Value = option.Value;
                return this;
            case IHtmlLabelElement { HtmlFor: { Length: > 0 } id }:
                return Act(page.GetElementById(id)!);
            case IHtmlInputElement { Type: "radio" } radio:
                foreach (var other in page.QuerySelectorAll<IHtmlInputElement>($"input[type=radio][name='{radio.Name}']"))
                    other.IsChecked = other == radio;
                return this;
            case IHtmlInputElement { Type: "checkbox" } box:
                box.IsChecked = !box.IsChecked;
                return this;
            case IHtmlButtonElement { Form: { } form } button when button.Type == "submit":
                return Send(form, button);
        }

        // A summary opens what is on the page anyway; a link may be tapped by what is in it.
        return element.Closest("a[href]") is { } link ? Go(Resolve(link.GetAttribute("href")!)) : this;
    }

    private Person Send(IHtmlFormElement form, IHtmlButtonElement button)
    {
        var fields = Technician.Texts(form).ToList();
        if (button.Name is { Length: > 0 } name)
            fields.Add(new(name, button.Value ?? ""));
        var to = Resolve(button.GetAttribute("formaction") ?? form.GetAttribute("action") ?? "");
        if (form.Method != "post")
        {
            var query = string.Join('&', fields.Select(f => $"{f.Key}={Uri.EscapeDataString(f.Value)}"));
            return Go($"{to.Split('?')[0]}?{query}");
        }

        var files = form.QuerySelectorAll<IHtmlInputElement>("input[type=file]")
            .ToDictionary(f => f.Name!, f => chosen.GetValueOrDefault(f, []));
        using HttpContent content = files.Count == 0 ? new FormUrlEncodedContent(fields) : Parts(fields, files);
        return Follow(Http.PostAsync(to, content).GetAwaiter().GetResult(), to);
    }

    private static MultipartFormDataContent Parts(IEnumerable<KeyValuePair<string, string>> fields, Dictionary<string, string[]> files)
    {
        var parts = new MultipartFormDataContent();
        foreach (var (name, value) in fields)
            parts.Add(new StringContent(value), name);
        foreach (var (name, paths) in files)
            foreach (var path in paths)
                parts.Add(new ByteArrayContent(File.ReadAllBytes(path)), name, System.IO.Path.GetFileName(path));
        return parts;
    }

    private Person Follow(HttpResponseMessage answer, string address)
    {
        for (var hop = 0; answer.StatusCode is HttpStatusCode.Redirect or HttpStatusCode.SeeOther; hop++)
        {
            Assert.True(hop < 5, $"{address} sends round in a circle.");
            Path = address.Split('?')[0];
            address = Resolve(answer.Headers.Location!.ToString());
            answer.Dispose();
            answer = Http.GetAsync(address).GetAwaiter().GetResult();
        }

        Path = address.Split('?', '#')[0];
        page = Technician.Page(answer).GetAwaiter().GetResult();
        answer.Dispose();
        return this;
    }

    private string Resolve(string address) => address.Length == 0 ? Path
        : new Uri(new Uri("http://localhost" + Path), address).PathAndQuery;
}
