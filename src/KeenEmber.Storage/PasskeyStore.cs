using Dapper;

namespace KeenEmber.Storage;

/// <summary>A key on somebody's device that signs them in.</summary>
/// <param name="Credential">As the device names it, lower-case hexadecimal.</param>
/// <param name="Name">What its owner calls it.</param>
/// <param name="Body">What it is checked by, as JSON.</param>
public sealed record Passkey(string Credential, Guid Person, string Name, DateTimeOffset Since, string Body);

/// <summary>Passkeys of all accounts.</summary>
public sealed class PasskeyStore(Database database)
{
    private sealed record Row(string Credential, string Person, string Name, string Since, string Body)
    {
        internal Passkey ToKey() => new(Credential, Guid.Parse(Person), Name, Database.Utc(Since), Body);
    }

    private const string Columns = "SELECT credential, person_id AS Person, name, since, body FROM passkey";

    /// <summary>Of one person, the oldest first.</summary>
    public IReadOnlyList<Passkey> Of(Guid person)
    {
        using var db = database.Open();
        return [.. db.Query<Row>($"{Columns} WHERE person_id = @Person ORDER BY since", new { Person = person.ToString() })
            .Select(r => r.ToKey())];
    }

    /// <summary>Null where there is none.</summary>
    public Passkey? Find(string credential)
    {
        using var db = database.Open();
        return db.QueryFirstOrDefault<Row>($"{Columns} WHERE credential = @credential", new { credential })?.ToKey();
    }

    /// <summary>Keeps a new one, or what is known of one after it was used.</summary>
    public void Save(Passkey key)
    {
        using var db = database.Open();
        db.Execute("""
            INSERT INTO passkey (credential, person_id, name, since, body) VALUES (@Credential, @Person, @Name, @Since, @Body)
            ON CONFLICT (credential) DO UPDATE SET name = excluded.name, body = excluded.body WHERE person_id = excluded.person_id
            """, new { key.Credential, Person = key.Person.ToString(), key.Name, Since = Database.Utc(key.Since), key.Body });
    }

    /// <summary>Takes one away.</summary>
    public void Remove(Guid person, string credential)
    {
        using var db = database.Open();
        db.Execute("DELETE FROM passkey WHERE credential = @credential AND person_id = @Person",
            new { credential, Person = person.ToString() });
    }
}
