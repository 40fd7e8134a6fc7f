using KeenEmber.Core.Record;
using KeenEmber.Core.Written;
using Microsoft.Data.Sqlite;

namespace KeenEmber.Storage;

/// <summary>Writes entries one after the other with one statement: preparing it, with all that hangs on the table, costs more than a row
/// does.</summary>
internal sealed class EntryInsertion : IDisposable
{
    private static readonly string[] Columns =
        ["id", "visit_id", "at", "written_at", "author", "corrects", "device", "phone_at", "sequence", "kind", "version", "body"];

    private readonly EntryKinds kinds;
    private readonly SqliteCommand insert;

    internal EntryInsertion(SqliteConnection db, EntryKinds kinds)
    {
        this.kinds = kinds;
        insert = db.CreateCommand();
        insert.CommandText = $"INSERT INTO entry ({string.Join(", ", Columns)}) VALUES ({string.Join(", ", Columns.Select(c => "$" + c))}) "
            + "ON CONFLICT (id) DO NOTHING";
        foreach (var column in Columns)
            insert.Parameters.AddWithValue("$" + column, DBNull.Value);
    }

    /// <returns>False, and nothing stored, when an entry of this id is there already.</returns>
    internal bool Write(Entry entry)
    {
        var (kind, version, body) = kinds.Write(entry);
        object?[] values =
        [
            entry.Id.ToString(), entry.VisitId.ToString(), Database.Utc(entry.At), Database.Utc(entry.WrittenAt), entry.Author,
            entry.Corrects?.ToString(), entry.Header.Device, entry.Header.PhoneAt is { } phone ? Database.Utc(phone) : null,
            entry.Header.Sequence, kind, version, body,
        ];
        for (var i = 0; i < values.Length; i++)
            insert.Parameters[i].Value = values[i] ?? DBNull.Value;
        return insert.ExecuteNonQuery() == 1;
    }

    public void Dispose() => insert.Dispose();
}
