using System.Globalization;
using KeenEmber.Core.Quantities;
using KeenEmber.Core.Visits;
using KeenEmber.Storage;
using KeenEmber.Web.People;
using KeenEmber.Words;
using KeenEmber.Words.Benches.Circuit;
using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;

namespace KeenEmber.Web.Pages;

public sealed class SettingsModel(CompanyStore companies, PeopleStore people, TimeProvider clock) : PageModel
{
    public FilledForm Form { get; private set; } = null!;

    public Company Company { get; private set; } = null!;

    public bool Saved { get; private set; }

    /// <summary>The company's choices are a lead's.</summary>
    public bool MayDecide => Accounts.MayDecide(User, people);

    private const int MostChanges = 20;

    /// <summary>What was decided last, by whom.</summary>
    public IReadOnlyList<CompanyChange> Changes => companies.Changes(MostChanges);

    public void OnGet(bool saved)
    {
        Company = companies.Get();
        Form = Of(Company);
        Form["theme"] = ThemeChoice.Of(Request);
        Form[FilledForm.SeenField] = Of(Company).Version;
        Saved = saved;
    }

    /// <summary>The form as it shows what is saved; the theme belongs to the device.</summary>
    private static FilledForm Of(Company company)
    {
        var form = new FilledForm(company.Units);
        (form["name"], form["units"], form["currency"]) = (company.Name, company.Units.Code, company.Currency);
        form["technicians"] = string.Join('\n', company.Technicians);
        form["callbackDays"] = company.Policies.CallbackDays.ToString(CultureInfo.InvariantCulture);
        form["meterCheckDays"] = company.Policies.InstrumentCheckDays.ToString(CultureInfo.InvariantCulture);
        form["words"] = string.Join('\n', company.Words.Select(w => $"{w.Key} = {CircuitText.Name(w.Value)}"));
        foreach (var policy in Enum.GetValues<Policy>())
            form[policy.ToString()] = company.Policies.Of(policy).ToString();
        return form;
    }

    public IActionResult OnPost()
    {
        Company = companies.Get();
        Form = new(Company.Units);
        Form.Keep(Request.Form);
        // The screen is the device's; the rest is a lead's to decide.
        if (!MayDecide)
        {
            ThemeChoice.Keep(Response, Form["theme"]);
            return RedirectToPage(new { saved = true });
        }

        if (Form.IsOvertakenBy(Of(Company)))
            return Page();
        var (words, error) = QuickText.ReadCompanyWords(Form["words"]);
        if (error is not null)
            Form.Errors["words"] = error;
        var policies = new Policies(Choices(), Form.Whole("callbackDays", 1, 365, "days"), Form.Whole("meterCheckDays", 1, 1000, "days"));
        var before = Company;
        Company = Company with { Policies = policies };
        if (words is null || Form.IsWrong)
            return Page();
        var after = new Company(Form.Text("name", 80), UnitPreference.FromCode(Form["units"]), words)
        {
            Policies = policies, Currency = Form.Text("currency", 8),
            Technicians =
                [.. Form["technicians"].Split('\n', StringSplitOptions.TrimEntries | StringSplitOptions.RemoveEmptyEntries)
                .Select(t => TypingText.Kept(t, 60)).Distinct().Take(200)],
        };
        var what = PolicyText.Differences(before, after);
        companies.Save(
            after, what.Count == 0 ? null : new(clock.GetUtcNow(), Accounts.NameOf(HttpContext) ?? "", string.Join("; ", what)));
        ThemeChoice.Keep(Response, Form["theme"]);
        return RedirectToPage(new { saved = true });
    }

    /// <summary>What differs from our defaults.</summary>
    private Dictionary<Policy, PolicyChoice> Choices() => Enum.GetValues<Policy>()
        .Select(p =>
            (Policy: p, Choice: EnumName.Find<PolicyChoice>(Form[p.ToString()]) is { } c && Policies.Options(p).Contains(c) ? c
            : Company.Policies.Of(p)))
        .Where(x => x.Choice != Policies.Options(x.Policy)[0]).ToDictionary(x => x.Policy, x => x.Choice);
}
