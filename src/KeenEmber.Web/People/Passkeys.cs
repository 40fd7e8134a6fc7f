using System.Text.Json;
using Microsoft.AspNetCore.Identity;

namespace KeenEmber.Web.People;

/// <summary>What devices answer when they are asked for a passkey.</summary>
internal static class Passkeys
{
    /// <summary>An answer as Identity reads it; null for one that it cannot read, or that was not asked for here.</summary>
    internal static async Task<T?> Read<T>(Func<Task<T>> read)
        where T : class
    {
        try
        {
            return await read();
        }
        catch (Exception e) when (e is PasskeyException or InvalidOperationException or JsonException or ArgumentException)
        {
            return null;
        }
    }
}
