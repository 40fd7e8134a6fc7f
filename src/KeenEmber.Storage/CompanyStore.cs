using System.Text.Json;
using Dapper;
using KeenEmber.Core.Plant;
using KeenEmber.Core.Quantities;
using KeenEmber.Core.Visits;
using KeenEmber.Core.Written;

namespace KeenEmber.Storage;

/// <summary>Something that was decided anew on the company's page.</summary>
/// <param name="What">In words.</param>
public sealed record CompanyChange(DateTimeOffset At, string By, string What);

/// <summary>The company's own choices: one row.</summary>
public sealed class CompanyStore(Database database)
{
    private sealed record Row(string Name, string Units, string Words, string Policies, string Technicians, string Currency);

    private sealed record Known(Row Row, Company Company);

    private volatile Known? known;

    /// <summary>The company as saved, or a metric one without a name on an empty database; the same object as long as it is the
    /// same.</summary>
    public Company Get()
    {
        using var db = database.Open();
        var row = db.QuerySingleOrDefault<Row>("SELECT name, units, words, policies, technicians, currency FROM shop");
        if (row is null)
            return Unnamed;
        if (known is { } before && before.Row == row)
            return before.Company;
        var company = new Company(row.Name, UnitPreference.FromCode(row.Units), Of<Dictionary<string, PointRef>>(row.Words))
        {
            Policies = Of<Policies>(row.Policies), Technicians = Of<List<string>>(row.Technicians), Currency = row.Currency,
        };
        known = new(row, company);
        return company;
    }

    private static readonly Company Unnamed = new("", UnitPreference.Metric, new Dictionary<string, PointRef>());

    /// <summary>Keeps it in place of what was there.</summary>
    /// <param name="change">What is other than before, by whom; null where nobody decided it, as in a demo.</param>
    public void Save(Company company, CompanyChange? change = null) => database.Together(db =>
    {
        if (change is not null)
            db.Execute("INSERT INTO company_change (at, by, what) VALUES (@At, @By, @What)",
                new { At = Database.Utc(change.At), change.By, change.What });
        db.Execute("""
            INSERT INTO shop (only_row, name, units, words, policies, technicians, currency) VALUES (1, @Name, @Units, @Words, @Policies,
                @Technicians, @Currency)
            ON CONFLICT (only_row) DO UPDATE SET name = excluded.name, units = excluded.units, words = excluded.words,
                policies = excluded.policies, technicians = excluded.technicians, currency = excluded.currency
            """, new
        {
            company.Name, Units = company.Units.Code, Words = Json(company.Words), Policies = Json(company.Policies),
            Technicians = Json(company.Technicians), company.Currency,
        });
        return true;
    });

    /// <summary>The last things that were decided anew, the latest first.</summary>
    public IReadOnlyList<CompanyChange> Changes(int most)
    {
        using var db = database.Open();
        return [.. db.Query<(string At, string By, string What)>(
            "SELECT at, by, what FROM company_change ORDER BY id DESC LIMIT @most", new { most })
            .Select(c => new CompanyChange(Database.Utc(c.At), c.By, c.What))];
    }

    private static string Json<T>(T value) => JsonSerializer.Serialize(value, EntryJson.Options);

    private static T Of<T>(string json) => JsonSerializer.Deserialize<T>(json, EntryJson.Options)!;
}
