using System.Security.Claims;
using System.Threading.RateLimiting;
using KeenEmber.Storage;
using Microsoft.AspNetCore.Authentication.Cookies;
using Microsoft.AspNetCore.Authorization;
using Microsoft.AspNetCore.Identity;
using Microsoft.AspNetCore.StaticAssets;
using Microsoft.Extensions.Options;

namespace KeenEmber.Web.People;

/// <summary>Who may enter, and how.</summary>
public static class Accounts
{
    /// <summary>Policy of what only a lead may do.</summary>
    public const string LeadOnly = "lead";

    /// <summary>Limit of tries to sign in or to use an invitation.</summary>
    public const string Tries = "tries";

    /// <summary>Longest name, letters.</summary>
    public const int LongestName = 60;

    /// <summary>Limit of looking at reports by address.</summary>
    public const string Readers = "readers";

    /// <summary>Carries the address that a reader came by, for the photos of that report alone.</summary>
    public const string ReaderCookie = "keen-ember-reader";

    /// <summary>Shortest password: length beats rules about kinds of characters (NIST SP 800-63B, OWASP ASVS 2.1.1).</summary>
    public const int ShortestPassword = 12;

    private const int RememberedDays = 30, MostTries = 30, MostLooks = 100, PerMinutes = 5;

    /// <summary>How long an invitation holds.</summary>
    public static readonly TimeSpan InvitedFor = TimeSpan.FromDays(7);

    public static void AddAccounts(this IServiceCollection services)
    {
        services.AddSingleton<PeopleStore>();
        services.AddSingleton<PasskeyStore>();
        services.AddSingleton<ReaderLinks>();
        services.AddSingleton<SharedTablet>();
        services.AddSingleton<DemoPeople>();
        services.AddAuthentication(IdentityConstants.ApplicationScheme).AddCookie(IdentityConstants.ApplicationScheme, cookie =>
        {
            cookie.Cookie.Name = "keen-ember-person";
            cookie.Cookie.SameSite = SameSiteMode.Lax;
            cookie.ExpireTimeSpan = TimeSpan.FromDays(RememberedDays);
            cookie.Cookie.MaxAge = cookie.ExpireTimeSpan;
            cookie.LoginPath = "/sign-in";
            cookie.ReturnUrlParameter = "back";
            cookie.Events.OnValidatePrincipal = StillMayEnter;
            // A program is told with a status, a person with a page.
            cookie.Events.OnRedirectToAccessDenied = c => Refuse(c.Response, StatusCodes.Status403Forbidden);
            var toSignIn = cookie.Events.OnRedirectToLogin;
            cookie.Events.OnRedirectToLogin = c => c.Request.Path.StartsWithSegments("/api")
                ? Refuse(c.Response, StatusCodes.Status401Unauthorized) : toSignIn(c);
        }).AddCookie(IdentityConstants.TwoFactorUserIdScheme, cookie =>
        {
            // Holds what a device was asked to sign, until it has.
            cookie.Cookie.Name = "keen-ember-passkey";
            cookie.Cookie.SameSite = SameSiteMode.Strict;
            cookie.ExpireTimeSpan = TimeSpan.FromMinutes(PerMinutes);
        });
        services.AddIdentityCore<Person>(identity =>
        {
            identity.Password.RequiredLength = ShortestPassword;
            identity.Password.RequireDigit = identity.Password.RequireLowercase = identity.Password.RequireUppercase = false;
            identity.Password.RequireNonAlphanumeric = false;
        }).AddSignInManager().AddClaimsPrincipalFactory<PersonClaims>().AddUserStore<PersonStore>();
        services.AddSingleton<ILookupNormalizer, LowerCase>();
        services.AddSingleton<IAuthorizationHandler, OnceThereArePeople>();
        services.AddAuthorizationBuilder()
            .SetFallbackPolicy(new AuthorizationPolicyBuilder().AddRequirements(new SignedIn(null)).Build())
            .AddPolicy(LeadOnly, policy => policy.AddRequirements(new SignedIn(Role.Lead)));
        services.AddRateLimiter(limits =>
        {
            limits.RejectionStatusCode = StatusCodes.Status429TooManyRequests;
            limits.GlobalLimiter = PartitionedRateLimiter.CreateChained(Often(), AtOnce());
            limits.AddPolicy(Tries, http => HttpMethods.IsPost(http.Request.Method)
                ? RateLimitPartition.GetFixedWindowLimiter($"from {http.Connection.RemoteIpAddress}", _ =>
                    new FixedWindowRateLimiterOptions { PermitLimit = MostTries, Window = TimeSpan.FromMinutes(PerMinutes) })
                : RateLimitPartition.GetNoLimiter("looking"));
            limits.AddPolicy(Readers, http => RateLimitPartition.GetFixedWindowLimiter($"from {http.Connection.RemoteIpAddress}", _ =>
                new FixedWindowRateLimiterOptions { PermitLimit = MostLooks, Window = TimeSpan.FromMinutes(PerMinutes) }));
        });
    }

    /// <summary>Far above what hands and a phone that sends what it kept come to: one device gone wild does not stop the others.</summary>
    private const int InARow = 600, ASecond = 20, Together = 8, InLine = 60;

    private static PartitionedRateLimiter<HttpContext> Often() => PartitionedRateLimiter.Create<HttpContext, string>(http =>
        Who(http) is { } who ? RateLimitPartition.GetTokenBucketLimiter(who, _ => new()
        {
            TokenLimit = InARow, TokensPerPeriod = ASecond, ReplenishmentPeriod = TimeSpan.FromSeconds(1), AutoReplenishment = true,
        }) : RateLimitPartition.GetNoLimiter(""));

    private static PartitionedRateLimiter<HttpContext> AtOnce() => PartitionedRateLimiter.Create<HttpContext, string>(http =>
        Who(http) is { } who ? RateLimitPartition.GetConcurrencyLimiter(who, _ => new() { PermitLimit = Together, QueueLimit = InLine })
            : RateLimitPartition.GetNoLimiter(""));

    /// <summary>The person and their device; null for who is not signed in, and for files of the app.</summary>
    private static string? Who(HttpContext http) =>
        http.User.FindFirstValue(ClaimTypes.NameIdentifier) is { } person && http.RequestServices.GetRequiredService<DemoPeople>().All is []
            && http.GetEndpoint()?.Metadata.GetMetadata<StaticAssetDescriptor>() is null
                ? $"{person} {BrowserNotes.Of(http.Request, BrowserNotes.DeviceName)}" : null;

    /// <summary>Asked at every request: a lost phone, or somebody removed, is out with the next one.</summary>
    private static Task StillMayEnter(CookieValidatePrincipalContext cookie)
    {
        var services = cookie.HttpContext.RequestServices;
        var stamp = services.GetRequiredService<IOptions<IdentityOptions>>().Value.ClaimsIdentity.SecurityStampClaimType;
        if (!Guid.TryParse(cookie.Principal?.FindFirstValue(ClaimTypes.NameIdentifier), out var id)
            || services.GetRequiredService<PeopleStore>().Find(id) is not { MayEnter: true } person
            || person.Stamp != cookie.Principal!.FindFirstValue(stamp))
            cookie.RejectPrincipal();
        return Task.CompletedTask;
    }

    private static Task Refuse(HttpResponse response, int status)
    {
        response.StatusCode = status;
        return Task.CompletedTask;
    }

    /// <summary>Name of who is signed in; else what this browser was told.</summary>
    public static string? NameOf(HttpContext http) => http.User.Identity is { IsAuthenticated: true, Name: { } name } ? name
        : BrowserNotes.Of(http.Request, BrowserNotes.Technician);

    /// <summary>May decide for the company: a lead, or anybody as long as nobody has an account.</summary>
    public static bool MayDecide(ClaimsPrincipal user, PeopleStore people) => !people.HasAny || user.IsInRole(nameof(Role.Lead));

    private sealed class LowerCase : ILookupNormalizer
    {
        public string? NormalizeName(string? name) => name?.Trim().ToLowerInvariant();

        public string? NormalizeEmail(string? email) => NormalizeName(email);
    }
}

/// <summary>Somebody is signed in, in a role or in any.</summary>
internal sealed record SignedIn(Role? Role) : IAuthorizationRequirement;

/// <summary>As long as nobody has an account the app is open to whoever sits at this machine; from the first one on, and where others can
/// reach it, nobody enters without.</summary>
internal sealed class OnceThereArePeople(PeopleStore people, StartOptions options, ReaderLinks links, TimeProvider clock)
    : AuthorizationHandler<SignedIn>
{
    protected override Task HandleRequirementAsync(AuthorizationHandlerContext context, SignedIn requirement)
    {
        var isIn = context.User.Identity?.IsAuthenticated == true
            && (requirement.Role is not { } role || context.User.IsInRole(role.ToString()));
        if (isIn || (!people.HasAny && !options.Listening.IsOpen) || IsPhotoOfTheirs(context.Resource as HttpContext))
            context.Succeed(requirement);
        return Task.CompletedTask;
    }

    /// <summary>A photo of the report that a reader came for.</summary>
    private bool IsPhotoOfTheirs(HttpContext? http) => http is not null && HttpMethods.IsGet(http.Request.Method)
        && http.Request.Path.StartsWithSegments("/photos", out var rest) && http.Request.Cookies[Accounts.ReaderCookie] is { } token
        && links.Shows(token, rest.Value!.Trim('/').Split('/')[0], clock.GetUtcNow());
}

/// <summary>What a cookie says of somebody: name, role, and the stamp that ends it.</summary>
internal sealed class PersonClaims(UserManager<Person> users, IOptions<IdentityOptions> options)
    : UserClaimsPrincipalFactory<Person>(users, options)
{
    protected override async Task<ClaimsIdentity> GenerateClaimsAsync(Person user)
    {
        var made = await base.GenerateClaimsAsync(user);
        if (made.FindFirst(made.NameClaimType) is { } signIn)
            made.RemoveClaim(signIn);
        made.AddClaim(new(made.NameClaimType, user.Name));
        made.AddClaim(new(made.RoleClaimType, user.Role.ToString()));
        return made;
    }
}
