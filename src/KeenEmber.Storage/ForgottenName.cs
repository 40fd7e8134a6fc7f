using System.Text.Encodings.Web;
using System.Text.Json;
using System.Text.RegularExpressions;
using Dapper;
using Microsoft.Data.Sqlite;

namespace KeenEmber.Storage;

/// <summary>Takes somebody's name out of the record, wherever it stands, and leaves everything else as it is.</summary>
/// <remarks>Reports that were signed keep the name they were signed under: they were given out like that. Backups keep it until they are
/// let go.</remarks>
internal static class ForgottenName
{
    /// <summary>Tables that are left alone: what was signed, what the search makes of the others, and what is not text of ours.</summary>
    private const string Left = "name NOT LIKE 'sqlite%' AND name NOT LIKE 'search%' AND name NOT IN ('signed_report', 'SchemaVersions')";

    /// <summary>Puts another name in the place of one, as a whole word, in every column of text.</summary>
    /// <returns>In how many rows it stood.</returns>
    internal static int Replace(SqliteConnection db, string name, string by)
    {
        // In JSON some letters are written as what they are called; both ways are looked for.
        var written = JsonEncodedText.Encode(name, JavaScriptEncoder.Default).ToString();
        var whole = new Regex($@"(?<![\p{{L}}\p{{N}}])(?:{Regex.Escape(name)}|{Regex.Escape(written)})(?![\p{{L}}\p{{N}}])");
        db.CreateFunction("renamed", (string? text) => text is null ? null : whole.Replace(text, by), isDeterministic: true);
        var rows = 0;
        foreach (var table in db.Query<string>($"SELECT name FROM sqlite_master WHERE type = 'table' AND {Left}").ToList())
        {
            var columns = db.Query<string>(
                "SELECT name FROM pragma_table_info(@table) WHERE type = 'TEXT' AND pk = 0", new { table }).ToList();
            if (columns.Count > 0)
                rows += Unguarded(db, table, () => db.Execute(
                    $"UPDATE {table} SET {string.Join(", ", columns.Select(c => $"{c} = renamed({c})"))} WHERE {Holds(columns)}",
                    new { name, written }));
        }

        db.Execute("UPDATE search SET text = renamed(text) WHERE instr(text, @name) > 0", new { name });
        return rows;
    }

    private static string Holds(IEnumerable<string> columns) =>
        string.Join(" OR ", columns.Select(c => $"instr({c}, @name) > 0 OR instr({c}, @written) > 0"));

    /// <summary>What must never be changed is guarded by triggers; this one change they let through, and stand again after it.</summary>
    private static int Unguarded(SqliteConnection db, string table, Func<int> change)
    {
        var triggers = db.Query<(string Name, string Sql)>(
            "SELECT name, sql FROM sqlite_master WHERE type = 'trigger' AND tbl_name = @table", new { table }).ToList();
        foreach (var (name, _) in triggers)
            db.Execute($"DROP TRIGGER {name}");
        var rows = change();
        foreach (var (_, sql) in triggers)
            db.Execute(sql);
        return rows;
    }
}
