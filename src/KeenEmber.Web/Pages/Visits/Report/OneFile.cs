using System.Text;
using System.Text.RegularExpressions;
using AngleSharp;
using AngleSharp.Html.Parser;
using KeenEmber.Storage;
using Microsoft.AspNetCore.Mvc.Filters;
using Microsoft.Extensions.FileProviders;

namespace KeenEmber.Web.Pages.Visits.Report;

/// <summary>A report asked for as a file comes with its styles, letters and photos in it: one file to keep or to send, that needs neither
/// this app nor a network.</summary>
[AttributeUsage(AttributeTargets.Class)]
public sealed partial class OneFileAttribute : Attribute, IAsyncResultFilter
{
    /// <summary>Asks for it, in the address of a report.</summary>
    private const string Asked = "file";

    /// <summary>Nothing in the file runs or fetches anything, wherever it is opened.</summary>
    private const string Policy = "default-src 'none'; style-src 'unsafe-inline'; img-src data:; font-src data:";

    public async Task OnResultExecutionAsync(ResultExecutingContext context, ResultExecutionDelegate next)
    {
        var http = context.HttpContext;
        if (!http.Request.Query.ContainsKey(Asked) || context.Result is not Microsoft.AspNetCore.Mvc.RazorPages.PageResult
            || http.Response.StatusCode != StatusCodes.Status200OK)
        {
            await next();
            return;
        }

        var (body, page) = (http.Response.Body, new MemoryStream());
        http.Response.Body = page;
        try
        {
            await next();
        }
        finally
        {
            http.Response.Body = body;
        }

        var services = http.RequestServices;
        var (text, title) = Packed(Encoding.UTF8.GetString(page.ToArray()),
            services.GetRequiredService<IWebHostEnvironment>().WebRootFileProvider, services.GetRequiredService<PhotoStore>());
        var name = NoLetter().Replace(title.Split('·')[0].Trim(), "-");
        http.Response.Headers.ContentDisposition = $"attachment; filename=\"{name}.html\"";
        await http.Response.WriteAsync(text);
    }

    private static (string Text, string Title) Packed(string page, IFileProvider files, PhotoStore photos)
    {
        var document = new HtmlParser().ParseDocument(page);
        foreach (var left in document.QuerySelectorAll("script, form, .no-print, .skip, dialog, link:not([rel=stylesheet])"))
            left.Remove();
        foreach (var sheet in document.QuerySelectorAll("link[rel=stylesheet]").ToList())
        {
            var style = document.CreateElement("style");
            style.TextContent = Styles(files, Fingerprint().Replace(sheet.GetAttribute("href")!.Split('?')[0], "$1"));
            sheet.Replace(style);
        }

        foreach (var picture in document.QuerySelectorAll("img[src^='/photos/']"))
        {
            var parts = picture.GetAttribute("src")!.Split('/');
            if (photos.Find(parts[2], parts is [.., "small"]) is { } file)
                picture.SetAttribute("src", Data("image/jpeg", File.ReadAllBytes(file)));
        }

        // A link leads to nothing where the app is not; what it says stays.
        foreach (var link in document.QuerySelectorAll("a[href]"))
            link.RemoveAttribute("href");
        var policy = document.CreateElement("meta");
        policy.SetAttribute("http-equiv", "Content-Security-Policy");
        policy.SetAttribute("content", Policy);
        document.Head!.Prepend(policy);
        return (document.ToHtml(), document.Title ?? "report");
    }

    private static string Styles(IFileProvider files, string path)
    {
        using var reader = new StreamReader(files.GetFileInfo(path).CreateReadStream());
        return Font().Replace(reader.ReadToEnd(), found =>
        {
            using var held = new MemoryStream();
            using (var font = files.GetFileInfo($"/lib/{found.Groups[1].Value}").CreateReadStream())
                font.CopyTo(held);
            return $"url({Data("font/woff2", held.ToArray())})";
        });
    }

    private static string Data(string type, byte[] bytes) => $"data:{type};base64,{Convert.ToBase64String(bytes)}";

    [GeneratedRegex(@"url\(""\.\./lib/([^""]+\.woff2)""\)")]
    private static partial Regex Font();

    /// <summary>The part of a name that changes with the content.</summary>
    [GeneratedRegex(@"\.[a-z0-9]{10}(\.css)$")]
    private static partial Regex Fingerprint();

    [GeneratedRegex("[^A-Za-z0-9-]+")]
    private static partial Regex NoLetter();
}
