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
    [BindProperty]
    public string? Name { get; set; }

    [BindProperty]
    public string? Units { get; set; }

    [BindProperty]
    public string? Theme { get; set; }

    [BindProperty]
    public string? Words { get; set; }

    [BindProperty]
    public string? Technicians { get; set; }

    [BindProperty]
    public string? Currency { get; set; }

    [BindProperty]
    public string? CallbackDays { get; set; }

    [BindProperty]
    public string? MeterCheckDays { get; set; }

    public Dictionary<string, string> Errors { get; } = [];

    public Shop Shop { get; private set; } = null!;

    public string? WordsError { get; private set; }

    public bool Saved { get; private set; }

    public void OnGet(bool saved)
    {
        Shop = shops.Get();
        Name = Shop.Name;
        Units = Shop.Units.Code;
        Technicians = string.Join('\n', Shop.Technicians);
        Currency = Shop.Currency;
        CallbackDays = Shop.Policies.CallbackDays.ToString(CultureInfo.InvariantCulture);
        MeterCheckDays = Shop.Policies.MeterCheckDays.ToString(CultureInfo.InvariantCulture);
        Theme = ThemeChoice.Of(Request);
        Words = string.Join('\n', Shop.Words.Select(w => $"{w.Key} = {CircuitText.Name(w.Value)}"));
        Saved = saved;
    }

    public IActionResult OnPost()
    {
        Shop = shops.Get();
        var (words, error) = QuickText.ReadShopWords(Words);
        WordsError = error;
        var policies = new Policies(Choices(), Days(CallbackDays, "callbackDays", 365), Days(MeterCheckDays, "meterCheckDays", 1000));
        Shop = Shop with { Policies = policies };
        if (words is null || Errors.Count > 0)
            return Page();
        shops.Save(new(TypingText.Kept(Name, 80), UnitPreference.FromCode(Units), words)
        {
            Policies = policies, Currency = TypingText.Kept(Currency, 8),
            Technicians = [.. (Technicians ?? "").Split('\n', StringSplitOptions.TrimEntries | StringSplitOptions.RemoveEmptyEntries).Select(t => TypingText.Kept(t, 60)).Distinct().Take(200)],
        });
        ThemeChoice.Keep(Response, Theme ?? "");
        return RedirectToPage(new { saved = true });
    }

    /// <summary>What differs from our defaults.</summary>
    private Dictionary<Policy, PolicyChoice> Choices() => Enum.GetValues<Policy>()
        .Select(p => (Policy: p, Choice: Enum.TryParse<PolicyChoice>(Request.Form[p.ToString()], out var c) && Policies.Options(p).Contains(c) ? c : Shop.Policies.Of(p)))
        .Where(x => x.Choice != Policies.Options(x.Policy)[0]).ToDictionary(x => x.Policy, x => x.Choice);

    private int Days(string? text, string field, int most)
    {
        if (int.TryParse(text, NumberStyles.Integer, CultureInfo.InvariantCulture, out var days) && days >= 1 && days <= most)
            return days;
        Errors[field] = $"A whole number of days from 1 to {most}.";
        return 1;
    }
}
