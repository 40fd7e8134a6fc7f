using KeenEmber.Storage;
using KeenEmber.Web.People;

namespace KeenEmber.Web.Offline;

/// <summary>A device says how much waits on it.</summary>
public static class WaitingEndpoint
{
    /// <param name="Kept">How much waits.</param>
    /// <param name="Refused">How much of it was refused.</param>
    /// <param name="Oldest">When the oldest was made; null where nothing waits.</param>
    internal sealed record Said(int Kept, int Refused, DateTimeOffset? Oldest);

    private const int Most = 100_000;

    /// <summary>At /waiting, as JSON: no page of another origin can send that.</summary>
    public static void MapWaiting(this IEndpointRouteBuilder routes) =>
        routes.MapPost("/waiting", (Said said, HttpContext http, WaitingDevices devices, TimeProvider clock) =>
        {
            if (said.Kept is < 0 or > Most || said.Refused < 0 || said.Refused > said.Kept)
                return Results.BadRequest();
            var now = clock.GetUtcNow();
            devices.Tell(new(BrowserNotes.Device(http), Accounts.NameOf(http) ?? "", said.Kept, said.Refused, said.Oldest ?? now, now));
            return Results.NoContent();
        }).ExcludeFromDescription();
}
