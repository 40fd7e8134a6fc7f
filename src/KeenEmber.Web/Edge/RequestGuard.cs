using KeenEmber.Storage;
using KeenEmber.Web.Pages.Errors;
using KeenEmber.Web.People;
using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.Filters;

namespace KeenEmber.Web.Edge;

/// <summary>Refuses what no page of ours can have sent before a handler sees it: a handler that does not exist, a body that is no form, a
/// parameter that cannot be read.</summary>
public sealed class RequestGuard : IPageFilter
{
    /// <summary>Where the names of refused fields wait for the page that says so.</summary>
    public const string Refused = "refused-fields";

    public void OnPageHandlerSelected(PageHandlerSelectedContext context)
    {
    }

    public void OnPageHandlerExecuting(PageHandlerExecutingContext context)
    {
        // The page that says what went wrong is asked with the address and the form of the one that failed.
        if (context.HandlerInstance is StatusModel)
            return;
        var request = context.HttpContext.Request;
        var reads = HttpMethods.IsGet(request.Method) || HttpMethods.IsHead(request.Method);
        if ((context.HandlerMethod is null && !reads)
            || (HttpMethods.IsPost(request.Method) && request.Query["handler"].ToString() is { Length: > 0 } asked
            && !asked.Equals(context.HandlerMethod!.Name, StringComparison.OrdinalIgnoreCase)))
        {
            context.Result = new NotFoundResult();
            return;
        }

        if (!HttpMethods.IsPost(request.Method))
            return;
        if (context.HttpContext.User.IsInRole(nameof(Role.Office)) && context.HandlerInstance is not IForAnybody)
        {
            context.Result = new StatusCodeResult(StatusCodes.Status403Forbidden);
            return;
        }

        if (!request.HasFormContentType)
        {
            context.Result = new StatusCodeResult(StatusCodes.Status415UnsupportedMediaType);
            return;
        }

        var unread = context.ModelState.Where(m => m.Value is { Errors.Count: > 0, AttemptedValue.Length: > 0 }).Select(m => m.Key)
            .ToList();
        if (unread.Count == 0)
            return;
        context.HttpContext.Items[Refused] = string.Join(", ", unread);
        context.Result = new BadRequestResult();
    }

    public void OnPageHandlerExecuted(PageHandlerExecutedContext context)
    {
    }
}
