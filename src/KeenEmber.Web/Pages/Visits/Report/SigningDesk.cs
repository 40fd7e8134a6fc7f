using System.Reflection;
using KeenEmber.Storage;
using KeenEmber.Words;
using Microsoft.AspNetCore.Mvc.RazorPages;
using Microsoft.AspNetCore.Mvc.Rendering;
using Microsoft.AspNetCore.Mvc.ViewEngines;
using Microsoft.AspNetCore.Mvc.ViewFeatures;

namespace KeenEmber.Web.Pages.Visits.Report;

/// <summary>Keeps the report of a visit as it reads at the moment it is signed off.</summary>
public sealed class SigningDesk(VisitViews views, SignedReportStore reports, ICompositeViewEngine engine, ITempDataProvider tempData)
{
    private static readonly string Version =
        typeof(SigningDesk).Assembly.GetCustomAttribute<AssemblyInformationalVersionAttribute>()!.InformationalVersion is var v
        && v.IndexOf('+') is > 0 and var plus
        ? v[..Math.Min(v.Length, plus + 9)] : v;

    public async Task Keep(Guid visitId, PageContext page)
    {
        if (views.Open(visitId) is not { } view || ReportSheet.LastSigned(view) is not { } last)
            return;
        reports.Keep(new(last.Id, last.WrittenAt, Version, await Render(view, "lead", page), await Render(view, "customer", page)));
    }

    private async Task<string> Render(VisitView view, string audience, PageContext page)
    {
        var model = new ReportSheet(views, reports) { For = audience };
        model.Open(view);
        var partial = engine.GetView(null, "/Pages/Visits/Report/_ReportBody.cshtml", isMainPage: false).View!;
        using var writer = new StringWriter();
        var data =
            new ViewDataDictionary<ReportSheet>(
            new Microsoft.AspNetCore.Mvc.ModelBinding.EmptyModelMetadataProvider(), new()) { Model = model };
        await partial.RenderAsync(
            new ViewContext(page, partial, data, new TempDataDictionary(page.HttpContext, tempData), writer, new HtmlHelperOptions()));
        return writer.ToString();
    }
}
