using Dapper;
using Microsoft.Data.Sqlite;

namespace KeenEmber.Storage;

/// <summary>What somebody may do.</summary>
public enum Role
{
    /// <summary>Works on visits.</summary>
    Technician,

    /// <summary>Also approves, sets policies, invites and removes people.</summary>
    Lead,

    /// <summary>Reads and prints.</summary>
    Office,
}

/// <summary>Somebody who may enter.</summary>
public sealed class Person
{
    /// <summary>Never given to anybody else.</summary>
    public Guid Id { get; set; } = Guid.CreateVersion7();

    /// <summary>As entries bear it.</summary>
    public string Name { get; set; } = "";

    /// <summary>What is typed to sign in.</summary>
    public string SignIn { get; set; } = "";

    /// <summary>The same whatever its case; two people cannot have one.</summary>
    public string NormalSignIn { get; set; } = "";

    /// <summary>What they may do.</summary>
    public Role Role { get; set; }

    /// <summary>Never the password.</summary>
    public string? PasswordHash { get; set; }

    /// <summary>Changes when every device is to be signed out.</summary>
    public string Stamp { get; set; } = "";

    /// <summary>False once a lead has removed them: their entries keep their name.</summary>
    public bool MayEnter { get; set; } = true;

    /// <summary>When the account was made.</summary>
    public DateTimeOffset Since { get; set; }
}

/// <summary>What was done to an account.</summary>
public sealed record PersonChange(DateTimeOffset At, string By, string Name, string What);

/// <summary>Accounts and invitations.</summary>
public sealed class PeopleStore(Database database)
{
    private const string Columns =
        "id, name, sign_in AS signIn, role, password_hash AS passwordHash, stamp, may_enter AS mayEnter, since";

    private sealed record Row(
        string Id, string Name, string SignIn, string Role, string? PasswordHash, string Stamp, long MayEnter, string Since)
    {
        internal Person ToPerson() => new()
        {
            Id = Guid.Parse(Id), Name = Name, SignIn = SignIn, NormalSignIn = SignIn, Role = Enum.Parse<Role>(Role),
            PasswordHash = PasswordHash, Stamp = Stamp, MayEnter = MayEnter == 1, Since = Database.Utc(Since),
        };
    }

    private volatile bool hasAny;

    /// <summary>Somebody has an account: from then on nobody enters without one.</summary>
    public bool HasAny
    {
        get
        {
            if (hasAny)
                return true;
            using var db = database.Open();
            return hasAny = db.ExecuteScalar<long>("SELECT EXISTS (SELECT 1 FROM person)") == 1;
        }
    }

    /// <summary>Everybody, by name.</summary>
    public IReadOnlyList<Person> All()
    {
        using var db = database.Open();
        return [.. db.Query<Row>($"SELECT {Columns} FROM person ORDER BY name COLLATE NOCASE").Select(r => r.ToPerson())];
    }

    /// <summary>Null where there is none.</summary>
    public Person? Find(Guid id) => One("id", id.ToString());

    /// <param name="signIn">As <see cref="Person.NormalSignIn"/>.</param>
    public Person? Find(string signIn) => One("sign_in", signIn);

    private Person? One(string column, string value)
    {
        using var db = database.Open();
        return db.QueryFirstOrDefault<Row>($"SELECT {Columns} FROM person WHERE {column} = @value", new { value })?.ToPerson();
    }

    /// <summary>Makes an account of an invitation: both or neither, and an invitation works once, whoever is first.</summary>
    /// <returns>False when the invitation holds no more, or somebody signs in by that name already.</returns>
    public bool Join(Person person, string token, string by, DateTimeOffset now)
    {
        try
        {
            return Invited(token, now) is not null && database.Together(db =>
            {
                db.Execute("INSERT INTO person (id, name, sign_in, role, password_hash, stamp, may_enter, since) VALUES "
                    + "(@Id, @Name, @SignIn, @Role, @PasswordHash, @Stamp, @MayEnter, @Since)", Values(person));
                Keep(db, person, by, $"joined as {person.Role.ToString().ToLowerInvariant()}", now);
                return db.Execute("UPDATE invitation SET used_by = @Id WHERE token_hash = @Hash AND used_by IS NULL",
                    new { Id = person.Id.ToString(), Hash = Token.Hash(token) }) == 1;
            });
        }
        catch (SqliteException e) when (e.SqliteExtendedErrorCode == Database.UniqueViolated)
        {
            return false;
        }
    }

    /// <summary>Keeps an account as it is now.</summary>
    /// <param name="what">What was done; nothing is put on record where it is empty.</param>
    public void Change(Person person, string by = "", string what = "", DateTimeOffset at = default) => database.Together(db =>
    {
        db.Execute("UPDATE person SET name = @Name, sign_in = @SignIn, role = @Role, password_hash = @PasswordHash, stamp = @Stamp, "
            + "may_enter = @MayEnter WHERE id = @Id", Values(person));
        if (what.Length > 0)
            Keep(db, person, by, what, at);
        return true;
    });

    /// <summary>Takes the name of somebody who was removed out of the whole record. Their entries stay, as those of one and the same
    /// nobody.</summary>
    /// <returns>The name that stands in its place; null where it cannot go: they may still enter, or somebody else bears it.</returns>
    public string? Forget(Person person, string by, DateTimeOffset now)
    {
        if (person.MayEnter)
            return null;
        string? put = null;
        database.Together(db =>
        {
            if (db.ExecuteScalar<long>("SELECT count(*) FROM person WHERE name = @Name", new { person.Name }) != 1)
                return false;
            put = $"Former technician {db.ExecuteScalar<long>("SELECT count(*) FROM person WHERE name LIKE 'Former technician %'") + 1}";
            ForgottenName.Replace(db, person.Name, put);
            db.Execute("DELETE FROM passkey WHERE person_id = @Id", new { Id = person.Id.ToString() });
            db.Execute("UPDATE person SET name = @put, sign_in = @Id, password_hash = NULL WHERE id = @Id",
                new { put, Id = person.Id.ToString() });
            // Judgements that are kept name who did what.
            db.Execute("UPDATE unit_standing SET changes = changes + 1, visits = '[]'");
            Keep(db, person, by, "name deleted on request", now);
            return true;
        });
        return put;
    }

    private static object Values(Person p) => new
    {
        Id = p.Id.ToString(), p.Name, SignIn = p.NormalSignIn, Role = p.Role.ToString(), p.PasswordHash, p.Stamp,
        MayEnter = p.MayEnter ? 1 : 0, Since = Database.Utc(p.Since),
    };

    private static void Keep(SqliteConnection db, Person person, string by, string what, DateTimeOffset at) =>
        db.Execute("INSERT INTO person_change (at, by, person_id, what) VALUES (@At, @by, @Id, @what)",
            new { At = Database.Utc(at), by, Id = person.Id.ToString(), what });

    /// <summary>The last things that were done to accounts, the latest first.</summary>
    public IReadOnlyList<PersonChange> Changes(int most)
    {
        using var db = database.Open();
        return [.. db.Query<(string At, string By, string Name, string What)>("SELECT c.at, c.by, p.name, c.what FROM person_change c "
            + "JOIN person p ON p.id = c.person_id ORDER BY c.id DESC LIMIT @most", new { most })
            .Select(c => new PersonChange(Database.Utc(c.At), c.By, c.Name, c.What))];
    }

    /// <summary>Makes an invitation.</summary>
    /// <returns>Its token, which is kept nowhere: only whoever has it can use it, once.</returns>
    public string Invite(Role role, string by, DateTimeOffset now, DateTimeOffset until)
    {
        var token = Token.New();
        using var db = database.Open();
        db.Execute("INSERT INTO invitation (token_hash, role, made_by, made_at, until) VALUES (@Hash, @Role, @by, @At, @Until)",
            new { Hash = Token.Hash(token), Role = role.ToString(), by, At = Database.Utc(now), Until = Database.Utc(until) });
        return token;
    }

    /// <summary>The invitation of the first lead, made anew at each start until there is one: whoever can read what the program prints may
    /// use it.</summary>
    public string InviteFirst(DateTimeOffset now, DateTimeOffset until)
    {
        using (var db = database.Open())
            db.Execute("DELETE FROM invitation WHERE made_by = '' AND used_by IS NULL");
        return Invite(Role.Lead, "", now, until);
    }

    /// <summary>What an invitation is for, and who made it; null for one that does not exist, is used, or is over. That of the first lead
    /// is over once there is anybody.</summary>
    public (Role Role, string By)? Invited(string token, DateTimeOffset now)
    {
        using var db = database.Open();
        return db.QueryFirstOrDefault<(string Role, string By)>("SELECT role, made_by FROM invitation WHERE token_hash = @Hash AND used_by "
            + "IS NULL AND until > @Now", new { Hash = Token.Hash(token), Now = Database.Utc(now) }) is { Role: { } role, By: var by }
            && (by.Length > 0 || !HasAny) ? (Enum.Parse<Role>(role), by) : null;
    }
}
