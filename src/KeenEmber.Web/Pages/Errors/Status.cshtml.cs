using System.Globalization;
using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;

namespace KeenEmber.Web.Pages.Errors;

[IgnoreAntiforgeryToken]
[ResponseCache(NoStore = true)]
public sealed class StatusModel : PageModel
{
    public string Title { get; private set; } = "";

    public string Advice { get; private set; } = "";

    public void OnGet() => Say();

    public void OnPost() => Say();

    // Straight from the route: a request too large to be read cannot be bound to anything.
    private void Say() => (Title, Advice) = int.Parse(RouteData.Values["code"]!.ToString()!, CultureInfo.InvariantCulture) switch
    {
        404 => ("Not found", "There is nothing at this address. It may have been typed wrongly, or belong to another data folder."),
        400 => ("Not accepted", "The request was incomplete, too large, or its page too old. Go back, reload the page, and send it again. What was saved before is kept."),
        413 => ("Too large", "That is more than one page may send. Nothing of it was saved."),
        500 => ("Something failed here", "This is the app's fault. What was saved before is kept. Go back and try again."),
        var code => ("Not possible", $"The server answered {code}. What was saved before is kept."),
    };
}
