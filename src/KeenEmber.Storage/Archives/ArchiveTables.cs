namespace KeenEmber.Storage.Archives;

/// <summary>A table of the record as an archive holds it.</summary>
/// <param name="Name">In the record and, with ".jsonl", in the archive.</param>
/// <param name="Key">Its primary key: what is there already is left as it is.</param>
/// <param name="OfUnits">Which of its rows belong to the units in the temporary table archived; empty for those that belong to none: they
/// go along with every archive.</param>
internal sealed record ArchiveTable(string Name, string Key, string OfUnits);

/// <summary>What of the record goes into an archive, in the order in which it can be read back. What is worked out from it does
/// not.</summary>
internal static class ArchiveTables
{
    private const string OfVisits = "visit_id IN (SELECT id FROM visit WHERE equipment_id IN (SELECT id FROM archived))";

    internal static readonly IReadOnlyList<ArchiveTable> All =
    [
        new("shop", "only_row", ""),
        new("site", "id", "id IN (SELECT site_id FROM equipment WHERE id IN (SELECT id FROM archived))"),
        new("equipment", "id", "id IN (SELECT id FROM archived)"),
        new("circuit", "id", "equipment_id IN (SELECT id FROM archived)"),
        new("nameplate", "id", "equipment_id IN (SELECT id FROM archived)"),
        new("cylinder", "id", ""),
        new("instrument", "id", ""),
        new("instrument_check", "id", ""),
        new("visit", "id", "equipment_id IN (SELECT id FROM archived)"),
        new("run_series", "id", $"id IN (SELECT j.value FROM entry e, json_each(e.body) j WHERE j.type = 'text' AND e.{OfVisits})"),
        new("logger_file", "id", OfVisits),
        new("logger_columns", "headings", ""),
        new("entry", "id", OfVisits),
        new("signed_report", "entry_id", $"entry_id IN (SELECT id FROM entry WHERE {OfVisits})"),
    ];
}
