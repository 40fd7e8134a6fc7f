using KeenEmber.Storage;
using Microsoft.AspNetCore.Identity;

namespace KeenEmber.Web.People;

/// <summary>ASP.NET Core Identity on our own record: it hashes passwords, checks them, and signs devices out by their stamp.</summary>
public sealed class PersonStore(PeopleStore people) : IUserPasswordStore<Person>, IUserSecurityStampStore<Person>
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
