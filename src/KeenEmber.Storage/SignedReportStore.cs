using Dapper;

namespace KeenEmber.Storage;

/// <summary>A report as it read when it was signed, and the program that wrote it.</summary>
/// <param name="EntryId">The sign-off, or the signature that came after it.</param>
/// <param name="ForLead">The service report as HTML.</param>
/// <param name="ForCustomer">The customer's page as HTML.</param>
public sealed record SignedReport(Guid EntryId, DateTimeOffset SignedAt, string Version, string ForLead, string ForCustomer);

/// <summary>Reports as they were signed: later rules, units and corrections leave them as they are.</summary>
public sealed class SignedReportStore(Database database)
{
    private sealed record Row(string SignedAt, string Version, string ForLead, string ForCustomer);

    /// <summary>Keeps a report; the first one of an entry stays.</summary>
    public void Keep(SignedReport report)
    {
        using var db = database.Open();
        db.Execute("""
            INSERT INTO signed_report (entry_id, signed_at, version, for_lead, for_customer) VALUES (@Id, @At, @Version, @ForLead,
                @ForCustomer)
            ON CONFLICT (entry_id) DO NOTHING
            """, new
        {
            Id = report.EntryId.ToString(), At = Database.Utc(report.SignedAt), report.Version, report.ForLead, report.ForCustomer,
        });
    }

    /// <summary>The report as it was signed by this entry; null where none is kept.</summary>
    public SignedReport? Find(Guid entryId)
    {
        using var db = database.Open();
        return db.QuerySingleOrDefault<Row>(
            "SELECT signed_at AS SignedAt, version, for_lead AS ForLead, for_customer AS ForCustomer FROM signed_report WHERE "
            + "entry_id = @id", new { id = entryId.ToString() })
            is { } row ? new(entryId, Database.Utc(row.SignedAt), row.Version, row.ForLead, row.ForCustomer) : null;
    }
}
