using KeenEmber.Web.Edge;
using Microsoft.AspNetCore.Diagnostics;
using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;

namespace KeenEmber.Web.Pages.Errors;

[Microsoft.AspNetCore.Authorization.AllowAnonymous]
[IgnoreAntiforgeryToken]
[ResponseCache(NoStore = true)]
public sealed class StatusModel : PageModel
{
    public string Title { get; private set; } = "";

    public string Advice { get; private set; } = "";

    /// <summary>What was sent and not saved, to be copied from here; empty where nothing was.</summary>
    public IReadOnlyList<(string Field, string Text)> Typed { get; private set; } = [];

    /// <summary>The record of the visit whose page could not be shown, where entries can be struck out; null elsewhere.</summary>
    public string? Record { get; private set; }

    public void OnGet() => Say();

    public void OnPost() => Say();

    private void Say()
    {
        var fault = HttpContext.Features.Get<IExceptionHandlerPathFeature>();
        var asked = int.TryParse(RouteData.Values["code"]?.ToString(), out var code) ? code : StatusCodes.Status404NotFound;
        var status = Response.StatusCode == StatusCodes.Status200OK ? asked : Response.StatusCode;
        (Title, Advice) = (status, Faults.Advice(fault?.Error), HttpContext.Items[RequestGuard.Refused]) switch
        {
            (_, { } advice, _) => ("Not saved or not shown", advice),
            (400, _, string fields) => ("Not accepted", $"This page cannot have sent that: {fields}. Nothing of it was saved."),
            (400, _, _) =>
                ("Not accepted",
                "The request was incomplete, or its page too old. Nothing of it was saved. Copy what you typed, open the page again "
                + "and send it from there."),
            (404, _, _) =>
                ("Not found", "There is nothing at this address. It may have been typed wrongly, or belong to another data folder."),
            (408, _, _) =>
                ("Took too long",
                "The connection was too slow to send all of it. Nothing of it was saved. Send it again where the signal is better."),
            (413, _, _) => ("Too large", "That is more than one page may send. Nothing of it was saved."),
            (415, _, _) => ("Not accepted", "This page takes a form. Nothing was saved."),
            (500, _, _) => ("This page could not be shown", "This is the app's fault, and it was logged. What was saved before is kept."),
            _ => ("Not possible", $"The server answered {status}. What was saved before is kept."),
        };
        if (fault?.Path.Split('/') is ["", "visits", var visit, ..] && Guid.TryParse(visit, out _))
            Record = $"/visits/{visit}/entries";
        if (HttpMethods.IsPost(Request.Method) && status != StatusCodes.Status413PayloadTooLarge)
            Typed = TypedText();
    }

    /// <summary>Fields with words or figures in them. What came too slowly or is no form cannot be read again.</summary>
    private List<(string, string)> TypedText()
    {
        try
        {
            return !Request.HasFormContentType ? []
                : [.. Request.Form.Where(
                f => !f.Key.StartsWith("__", StringComparison.Ordinal) && f.Value.ToString() is { Length: > 0 } text
                && !Guid.TryParse(text, out _))
                .Select(f => (f.Key, f.Value.ToString()))];
        }
        catch (Exception e) when (e is IOException or InvalidDataException)
        {
            return [];
        }
    }
}
