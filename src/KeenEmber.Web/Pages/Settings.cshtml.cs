using KeenEmber.Core.Circuit;
using KeenEmber.Core.Quantities;
using KeenEmber.Core.Service;
using KeenEmber.Storage;
using KeenEmber.Web.Wording;
using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;

namespace KeenEmber.Web.Pages;

public sealed class SettingsModel(ShopStore shops) : PageModel
{
    [BindProperty]
    public string? Name { get; set; }

    [BindProperty]
    public string? Units { get; set; }

    [BindProperty]
    public string? Theme { get; set; }

    [BindProperty]
    public string? Words { get; set; }

    public Shop Shop { get; private set; } = null!;

    public string? WordsError { get; private set; }

    public bool Saved { get; private set; }

    public void OnGet(bool saved)
    {
        Shop = shops.Get();
        Name = Shop.Name;
        Units = Shop.Units.Code;
        Theme = ThemeChoice.Of(Request);
        Words = string.Join('\n', Shop.Words.Select(w => $"{w.Key} = {CircuitText.Name(w.Value)}"));
        Saved = saved;
    }

    public IActionResult OnPost()
    {
        Shop = shops.Get();
        var (words, error) = QuickText.ReadShopWords(Words);
        WordsError = error;
        if (words is null)
            return Page();
        var name = (Name ?? "").Trim();
        shops.Save(new(name.Length > 80 ? name[..80] : name, UnitPreference.FromCode(Units), words));
        ThemeChoice.Keep(Response, Theme ?? "");
        return RedirectToPage(new { saved = true });
    }
}
