using System.Globalization;
using System.Net;
using System.Security.Cryptography;
using System.Security.Cryptography.X509Certificates;

namespace KeenEmber.Web.Running;

/// <summary>The certificate that the server shows: a file that is read again when it was renewed, or one of its own.</summary>
public sealed class ServerCertificates
{
    /// <summary>Where the password of a PFX file stands; on a command line others would read it.</summary>
    private const string PasswordVariable = "KEEN_EMBER_CERTIFICATE_PASSWORD";

    /// <summary>Phones refuse longer ones (Apple 2019: 825 days; browsers: 398).</summary>
    private const int LeafDays = 397, RenewedBefore = 30, AuthorityYears = 10;

    private readonly string file;
    private readonly Func<X509Certificate2> read;
    private readonly Lock reading = new();
    private X509Certificate2 current;
    private DateTime changed;

    private ServerCertificates(string file, Func<X509Certificate2> read)
    {
        (this.file, this.read) = (file, read);
        changed = File.GetLastWriteTimeUtc(file);
        current = read();
    }

    /// <summary>Of a certificate of its own: what phones have to trust, once.</summary>
    public X509Certificate2? Authority { get; private init; }

    /// <summary>What is shown now. A renewed file that cannot be read, half written perhaps, leaves the one before in place.</summary>
    public X509Certificate2 Current
    {
        get
        {
            lock (reading)
            {
                var at = File.GetLastWriteTimeUtc(file);
                if (at == changed)
                    return current;
                try
                {
                    (current, changed) = (read(), at);
                }
                catch (CryptographicException)
                {
                    // Read again with the next one who comes.
                }

                return current;
            }
        }
    }

    /// <summary>What the one who starts it reads out to the phones.</summary>
    public static string HowToTrust(X509Certificate2 authority, Uri address)
    {
        var print = string.Join(
            ':', authority.GetCertHash(HashAlgorithmName.SHA256).Select(b => b.ToString("X2", CultureInfo.InvariantCulture)));
        return $"""
            This server made its own certificate. Each phone trusts it once: open {new Uri(address, "authority.crt")},
            install what comes as a certificate authority in the phone's settings, and compare its SHA-256 fingerprint with this one first:
            {print}
            """;
    }

    /// <summary>As it was asked for on the command line.</summary>
    /// <exception cref="CryptographicException">The file holds no certificate with its key.</exception>
    public static ServerCertificates Open(Listening listening, string data)
    {
        if (listening.Certificate is { } file && file != Listening.Self)
            return new(file, () => Load(file, listening.Key));
        var folder = Directory.CreateDirectory(Path.Combine(data, "tls"));
        if (!OperatingSystem.IsWindows())
            folder.UnixFileMode = UnixFileMode.UserRead | UnixFileMode.UserWrite | UnixFileMode.UserExecute;
        var (root, leaf) = (Path.Combine(folder.FullName, "authority.pem"), Path.Combine(folder.FullName, "server.pem"));
        using var authority = File.Exists(root) ? Load(root, null) : Keep(root, NewAuthority());
        if (!File.Exists(leaf) || !IsStillFor(leaf, listening.AllowedHosts))
            Keep(leaf, NewLeaf(authority, listening.AllowedHosts));
        return new(leaf, () => Load(leaf, null)) { Authority = X509CertificateLoader.LoadCertificate(authority.RawData) };
    }

    private static X509Certificate2 Load(string file, string? key)
    {
        using var pem = Path.GetExtension(file) is ".pfx" or ".p12" ? null : X509Certificate2.CreateFromPemFile(file, key ?? file);
        // The server of some systems takes no key that lives in memory only: once through PKCS #12.
        return pem is null ? X509CertificateLoader.LoadPkcs12FromFile(file, Environment.GetEnvironmentVariable(PasswordVariable))
            : X509CertificateLoader.LoadPkcs12(pem.Export(X509ContentType.Pkcs12), null);
    }

    private static X509Certificate2 Keep(string file, X509Certificate2 made)
    {
        var pem = $"{made.ExportCertificatePem()}\n{made.GetECDsaPrivateKey()!.ExportPkcs8PrivateKeyPem()}\n";
        // The folder is closed to others; so is the file.
        File.WriteAllText(file, pem);
        if (!OperatingSystem.IsWindows())
            File.SetUnixFileMode(file, UnixFileMode.UserRead | UnixFileMode.UserWrite);
        return made;
    }

    private static bool IsStillFor(string file, IEnumerable<string> hosts)
    {
        using var leaf = Load(file, null);
        return leaf.NotAfter > DateTime.Now.AddDays(RenewedBefore)
            && hosts.All(h => leaf.MatchesHostname(h.Trim('[', ']'), allowCommonName: false));
    }

    private static X509Certificate2 NewAuthority()
    {
        using var key = ECDsa.Create(ECCurve.NamedCurves.nistP256);
        var request = new CertificateRequest($"CN=Keen Ember of {Dns.GetHostName()}", key, HashAlgorithmName.SHA256);
        request.CertificateExtensions.Add(new X509BasicConstraintsExtension(true, true, 0, true));
        request.CertificateExtensions.Add(new X509KeyUsageExtension(X509KeyUsageFlags.KeyCertSign | X509KeyUsageFlags.CrlSign, true));
        request.CertificateExtensions.Add(new X509SubjectKeyIdentifierExtension(request.PublicKey, false));
        var now = DateTimeOffset.UtcNow;
        return request.CreateSelfSigned(now.AddDays(-1), now.AddYears(AuthorityYears));
    }

    private static X509Certificate2 NewLeaf(X509Certificate2 authority, IEnumerable<string> hosts)
    {
        using var key = ECDsa.Create(ECCurve.NamedCurves.nistP256);
        var request = new CertificateRequest("CN=Keen Ember", key, HashAlgorithmName.SHA256);
        var names = new SubjectAlternativeNameBuilder();
        foreach (var host in hosts)
            if (IPAddress.TryParse(host.Trim('[', ']'), out var address))
                names.AddIpAddress(address);
            else
                names.AddDnsName(host);
        request.CertificateExtensions.Add(names.Build());
        request.CertificateExtensions.Add(new X509BasicConstraintsExtension(false, false, 0, true));
        request.CertificateExtensions.Add(new X509KeyUsageExtension(X509KeyUsageFlags.DigitalSignature, true));
        request.CertificateExtensions.Add(
            new X509EnhancedKeyUsageExtension([new Oid("1.3.6.1.5.5.7.3.1", "Server Authentication")], false));
        request.CertificateExtensions.Add(X509AuthorityKeyIdentifierExtension.CreateFromCertificate(authority, true, false));
        var now = DateTimeOffset.UtcNow;
        using var bare = request.Create(authority, now.AddDays(-1), now.AddDays(LeafDays), RandomNumberGenerator.GetBytes(16));
        return bare.CopyWithPrivateKey(key);
    }
}
