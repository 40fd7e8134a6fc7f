using System.Text.Json;
using KeenEmber.Storage;
using Microsoft.AspNetCore.Identity;

namespace KeenEmber.Web.People;

/// <summary>ASP.NET Core Identity on our own record: it hashes passwords, checks them, and signs devices out by their stamp.</summary>
public sealed class PersonStore(PeopleStore people, PasskeyStore passkeys)
    : IUserPasswordStore<Person>, IUserSecurityStampStore<Person>, IUserPasskeyStore<Person>
{
    /// <inheritdoc/>
    public Task<string> GetUserIdAsync(Person user, CancellationToken cancellationToken) => Task.FromResult(user.Id.ToString());

    /// <inheritdoc/>
    public Task<string?> GetUserNameAsync(Person user, CancellationToken cancellationToken) => Task.FromResult<string?>(user.SignIn);

    /// <inheritdoc/>
    public Task SetUserNameAsync(Person user, string? userName, CancellationToken cancellationToken) =>
        Set(() => user.SignIn = userName ?? "");

    /// <inheritdoc/>
    public Task<string?> GetNormalizedUserNameAsync(Person user, CancellationToken cancellationToken) =>
        Task.FromResult<string?>(user.NormalSignIn);

    /// <inheritdoc/>
    public Task SetNormalizedUserNameAsync(Person user, string? normalizedName, CancellationToken cancellationToken) =>
        Set(() => user.NormalSignIn = normalizedName ?? "");

    /// <summary>Accounts are made through an invitation: <see cref="PeopleStore.Join"/>.</summary>
    public Task<IdentityResult> CreateAsync(Person user, CancellationToken cancellationToken) => throw new NotSupportedException();

    /// <inheritdoc/>
    public Task<IdentityResult> UpdateAsync(Person user, CancellationToken cancellationToken)
    {
        people.Change(user);
        return Task.FromResult(IdentityResult.Success);
    }

    /// <summary>Nobody is deleted: their entries bear their name.</summary>
    public Task<IdentityResult> DeleteAsync(Person user, CancellationToken cancellationToken) => throw new NotSupportedException();

    /// <inheritdoc/>
    public Task<Person?> FindByIdAsync(string userId, CancellationToken cancellationToken) =>
        Task.FromResult(Guid.TryParse(userId, out var id) ? people.Find(id) : null);

    /// <inheritdoc/>
    public Task<Person?> FindByNameAsync(string normalizedUserName, CancellationToken cancellationToken) =>
        Task.FromResult(people.Find(normalizedUserName));

    /// <inheritdoc/>
    public Task SetPasswordHashAsync(Person user, string? passwordHash, CancellationToken cancellationToken) =>
        Set(() => user.PasswordHash = passwordHash);

    /// <inheritdoc/>
    public Task<string?> GetPasswordHashAsync(Person user, CancellationToken cancellationToken) => Task.FromResult(user.PasswordHash);

    /// <inheritdoc/>
    public Task<bool> HasPasswordAsync(Person user, CancellationToken cancellationToken) => Task.FromResult(user.PasswordHash is not null);

    /// <inheritdoc/>
    public Task SetSecurityStampAsync(Person user, string stamp, CancellationToken cancellationToken) => Set(() => user.Stamp = stamp);

    /// <inheritdoc/>
    public Task<string?> GetSecurityStampAsync(Person user, CancellationToken cancellationToken) => Task.FromResult<string?>(user.Stamp);

    /// <inheritdoc/>
    public Task AddOrUpdatePasskeyAsync(Person user, UserPasskeyInfo passkey, CancellationToken cancellationToken) => Set(() =>
        passkeys.Save(new(Convert.ToHexStringLower(passkey.CredentialId), user.Id, passkey.Name ?? "", passkey.CreatedAt,
            JsonSerializer.Serialize(Checked.By(passkey)))));

    /// <inheritdoc/>
    public Task<IList<UserPasskeyInfo>> GetPasskeysAsync(Person user, CancellationToken cancellationToken) =>
        Task.FromResult<IList<UserPasskeyInfo>>([.. passkeys.Of(user.Id).Select(Checked.Info)]);

    /// <inheritdoc/>
    public Task<Person?> FindByPasskeyIdAsync(byte[] credentialId, CancellationToken cancellationToken) =>
        Task.FromResult(passkeys.Find(Convert.ToHexStringLower(credentialId)) is { } key ? people.Find(key.Person) : null);

    /// <inheritdoc/>
    public Task<UserPasskeyInfo?> FindPasskeyAsync(Person user, byte[] credentialId, CancellationToken cancellationToken) =>
        Task.FromResult(passkeys.Find(Convert.ToHexStringLower(credentialId)) is { } key && key.Person == user.Id
            ? Checked.Info(key) : null);

    /// <inheritdoc/>
    public Task RemovePasskeyAsync(Person user, byte[] credentialId, CancellationToken cancellationToken) =>
        Set(() => passkeys.Remove(user.Id, Convert.ToHexStringLower(credentialId)));

    /// <summary>What a passkey is checked by. How it was made is of no use later and not kept.</summary>
    private sealed record Checked(
        byte[] PublicKey, uint SignCount, string[] Transports, bool IsUserVerified, bool IsBackupEligible, bool IsBackedUp)
    {
        internal static Checked By(UserPasskeyInfo key) => new(key.PublicKey, key.SignCount, key.Transports ?? [], key.IsUserVerified,
            key.IsBackupEligible, key.IsBackedUp);

        internal static UserPasskeyInfo Info(Passkey key)
        {
            var by = JsonSerializer.Deserialize<Checked>(key.Body)!;
            return new(Convert.FromHexString(key.Credential), by.PublicKey, key.Since, by.SignCount, by.Transports, by.IsUserVerified,
                by.IsBackupEligible, by.IsBackedUp, [], []) { Name = key.Name };
        }
    }

    private static Task Set(Action set)
    {
        set();
        return Task.CompletedTask;
    }

    /// <inheritdoc/>
    public void Dispose()
    {
        // Its store belongs to the app.
    }
}
