using System.Net;
using Microsoft.AspNetCore.Antiforgery;
using Microsoft.AspNetCore.Authentication.Cookies;
using Microsoft.AspNetCore.HostFiltering;
using Microsoft.AspNetCore.HttpOverrides;
using Microsoft.AspNetCore.Identity;

namespace KeenEmber.Web.Running;

/// <summary>Where the app listens, and what protects the way there. Nothing but the loopback address unless TLS or a named proxy stands
/// before it.</summary>
/// <param name="Certificate">PEM or PFX file, or <see cref="Self"/>; null for none.</param>
/// <param name="Key">PEM file of its key where that is a file of its own.</param>
/// <param name="Proxy">Who alone is believed about the client's address and scheme; null for nobody.</param>
/// <param name="Hosts">Names that it answers to beside this machine's own.</param>
public sealed record Listening(IPEndPoint Where, string? Certificate, string? Key, IPAddress? Proxy, IReadOnlyList<string> Hosts)
{
    /// <summary>Makes its own certificate.</summary>
    public const string Self = "self";

    private const string Rule =
        "Beyond this machine it serves over TLS only: add --certificate FILE, or --certificate self, or --proxy ADDRESS for a proxy that "
        + "does it.";

    /// <summary>Somebody at another machine may reach it, straight or through the proxy.</summary>
    public bool IsOpen => Proxy is not null || !IPAddress.IsLoopback(Where.Address);

    /// <summary>The address people type, as far as it is known here.</summary>
    public Uri Address => new UriBuilder(
        Certificate is null && Proxy is null ? Uri.UriSchemeHttp : Uri.UriSchemeHttps,
        Hosts.Count > 0 ? Hosts[0] : OwnNames(Where.Address)[0], Proxy is null ? Where.Port : -1).Uri;

    /// <summary>What was asked for on the command line.</summary>
    /// <returns>Null with the reason where it cannot be used.</returns>
    public static (Listening? Listening, string Why) Read(IConfiguration asked, int port)
    {
        var where = new IPEndPoint(IPAddress.Loopback, port);
        if (asked["listen"] is { } typed && !(IPEndPoint.TryParse(typed, out where!) && where.Port > 0))
            return (null, $"“{typed}” is no address to listen on. Give one with its port: --listen 0.0.0.0:5443.");
        IPAddress? proxy = null;
        if (asked["proxy"] is { } named && !IPAddress.TryParse(named, out proxy))
            return (null, $"“{named}” is no address of a proxy. Give the one it comes from: --proxy 127.0.0.1.");
        var (certificate, key) = (asked["certificate"], asked["certificate-key"]);
        foreach (var file in new[] { certificate == Self ? null : certificate, key })
            if (file is not null && !File.Exists(file))
                return (null, $"There is no file {file}.");
        var hosts = (asked["host"] ?? "").Split(',', StringSplitOptions.RemoveEmptyEntries | StringSplitOptions.TrimEntries);
        if (hosts.FirstOrDefault(h => Uri.CheckHostName(h) == UriHostNameType.Unknown) is { } wrong)
            return (null, $"“{wrong}” is no name of a host: --host cold.example.org.");
        return IPAddress.IsLoopback(where.Address) || certificate is not null || proxy is not null
            ? (new(where, certificate, key, proxy, hosts), "") : (null, Rule);
    }

    /// <summary>Sets the server up for it. What the environment says of endpoints is not asked.</summary>
    /// <param name="data">Folder of the record, where certificates of its own are kept.</param>
    public void Apply(WebApplicationBuilder builder, string data)
    {
        var certificates = Certificate is null ? null : ServerCertificates.Open(this, data);
        builder.WebHost.ConfigureKestrel(kestrel =>
        {
            kestrel.Configure(new ConfigurationBuilder().Build());
            kestrel.Listen(Where, listen =>
            {
                if (certificates is not null)
                    listen.UseHttps(https => https.ServerCertificateSelector = (_, _) => certificates.Current);
            });
            kestrel.AddServerHeader = false;
        });
        if (!IsOpen)
            return;
        if (certificates is not null)
            builder.Services.AddSingleton(certificates);
        builder.Services.PostConfigure<HostFilteringOptions>(o => o.AllowedHosts = AllowedHosts);
        builder.Services.Configure<ForwardedHeadersOptions>(forwarded =>
        {
            forwarded.ForwardedHeaders = ForwardedHeaders.XForwardedFor | ForwardedHeaders.XForwardedProto;
            forwarded.KnownIPNetworks.Clear();
            forwarded.KnownProxies.Clear();
            if (Proxy is not null)
                forwarded.KnownProxies.Add(Proxy);
        });
        builder.Services.Configure<AntiforgeryOptions>(o => o.Cookie.SecurePolicy = CookieSecurePolicy.Always);
        builder.Services.Configure<CookieAuthenticationOptions>(
            IdentityConstants.ApplicationScheme, o => o.Cookie.SecurePolicy = CookieSecurePolicy.Always);
    }

    /// <summary>Names that a certificate of its own is for, and under which it may be asked.</summary>
    public IList<string> AllowedHosts => [.. OwnNames(Where.Address).Concat(Hosts).Distinct(StringComparer.OrdinalIgnoreCase)];

    /// <summary>What this machine is called, and the addresses it has where it listens on all of them; the ones for others first.</summary>
    private static List<string> OwnNames(IPAddress listening)
    {
        var all = IPAddress.Any.Equals(listening) || IPAddress.IPv6Any.Equals(listening);
        IEnumerable<IPAddress> addresses = all ? System.Net.NetworkInformation.NetworkInterface.GetAllNetworkInterfaces()
            .SelectMany(i => i.GetIPProperties().UnicastAddresses).Select(a => a.Address)
            .Where(a => !a.IsIPv6LinkLocal).OrderBy(a => (IPAddress.IsLoopback(a), a.AddressFamily)) : [listening];
        var names = addresses.Where(a => !IPAddress.IsLoopback(a)).Select(Named).ToList();
        if (names.Count > 0)
            names.Add(Dns.GetHostName());
        return [.. names, "localhost", "127.0.0.1"];
    }

    private static string Named(IPAddress address) =>
        address.AddressFamily == System.Net.Sockets.AddressFamily.InterNetworkV6 ? $"[{address}]" : address.ToString();
}

/// <summary>What the way from outside asks for before anything else looks at a request.</summary>
internal static class OpenDoor
{
    internal static void UseOpenDoor(this WebApplication app, Listening listening)
    {
        if (!listening.IsOpen)
            return;
        app.UseForwardedHeaders();
        app.Use((http, next) =>
        {
            if (http.Request.IsHttps || http.Request.Path == HealthEndpoint.Path)
                return next(http);
            http.Response.StatusCode = StatusCodes.Status421MisdirectedRequest;
            return http.Response.WriteAsync("This is served over TLS only. The proxy before it has to say so: X-Forwarded-Proto.");
        });
        // Who trusts a certificate of our own by hand must be able to do so.
        if (listening.Certificate != Listening.Self)
            app.UseHsts();
        if (app.Services.GetService<ServerCertificates>() is { Authority: { } authority })
            app.MapGet("/authority.crt", () => Results.Bytes(authority.RawData, "application/x-x509-ca-cert", "keen-ember.crt"))
                .AllowAnonymous().ExcludeFromDescription();
    }
}
