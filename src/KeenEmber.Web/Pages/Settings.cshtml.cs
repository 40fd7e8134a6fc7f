using System.Globalization;
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
    public FilledForm Form { get; private set; } = null!;

    public Shop Shop { get; private set; } = null!;

    public bool Saved { get; private set; }

    public void OnGet(bool saved)
    {
        Shop = shops.Get();
        Form = new(Shop.Units);
        (Form["name"], Form["units"], Form["currency"], Form["theme"]) = (Shop.Name, Shop.Units.Code, Shop.Currency, ThemeChoice.Of(Request));
        Form["technicians"] = string.Join('\n', Shop.Technicians);
        Form["callbackDays"] = Shop.Policies.CallbackDays.ToString(CultureInfo.InvariantCulture);
        Form["meterCheckDays"] = Shop.Policies.MeterCheckDays.ToString(CultureInfo.InvariantCulture);
        Form["words"] = string.Join('\n', Shop.Words.Select(w => $"{w.Key} = {CircuitText.Name(w.Value)}"));
        Saved = saved;
    }

    public IActionResult OnPost()
    {
        Shop = shops.Get();
        Form = new(Shop.Units);
        Form.Keep(Request.Form);
        var (words, error) = QuickText.ReadShopWords(Form["words"]);
        if (error is not null)
            Form.Errors["words"] = error;
        var policies = new Policies(Choices(), Form.Whole("callbackDays", 1, 365, "days"), Form.Whole("meterCheckDays", 1, 1000, "days"));
        Shop = Shop with { Policies = policies };
        if (words is null || Form.IsWrong)
            return Page();
        shops.Save(new(Form.Text("name", 80), UnitPreference.FromCode(Form["units"]), words)
        {
            Policies = policies, Currency = Form.Text("currency", 8),
            Technicians = [.. Form["technicians"].Split('\n', StringSplitOptions.TrimEntries | StringSplitOptions.RemoveEmptyEntries).Select(t => TypingText.Kept(t, 60)).Distinct().Take(200)],
        });
        ThemeChoice.Keep(Response, Form["theme"]);
        return RedirectToPage(new { saved = true });
    }

    /// <summary>What differs from our defaults.</summary>
    private Dictionary<Policy, PolicyChoice> Choices() => Enum.GetValues<Policy>()
        .Select(p => (Policy: p, Choice: Enum.TryParse<PolicyChoice>(Form[p.ToString()], out var c) && Policies.Options(p).Contains(c) ? c : Shop.Policies.Of(p)))
        .Where(x => x.Choice != Policies.Options(x.Policy)[0]).ToDictionary(x => x.Policy, x => x.Choice);
}
