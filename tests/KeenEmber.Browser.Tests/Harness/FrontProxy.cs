using System.Diagnostics;
using System.Security.Cryptography;
using System.Security.Cryptography.X509Certificates;

namespace KeenEmber.Browser.Tests.Harness;

/// <summary>Caddy or nginx from Debian's packages before the app, with the file of deploy/ that a shop would use.</summary>
public sealed class FrontProxy : IDisposable
{
    private readonly string folder = Directory.CreateTempSubdirectory("keen-ember-front-").FullName;
    private readonly Process process;

    private FrontProxy(Func<string, int, ProcessStartInfo> start)
    {
        var port = AppServer.FreePort();
        Address = new($"https://localhost:{port}/");
        process = Process.Start(start(folder, port))!;
    }

    /// <summary>Over TLS, as people type it.</summary>
    public Uri Address { get; }

    public static FrontProxy Caddy(AppServer app) => new((folder, port) =>
    {
        var start = new ProcessStartInfo(Program("bin/caddy"), ["run", "--config", Deployed("Caddyfile"), "--adapter", "caddyfile"]);
        foreach (var (name, value) in new (string, string)[]
        {
            ("KEEN_EMBER_SITE", $"https://localhost:{port}"), ("KEEN_EMBER_TLS", "internal"), ("KEEN_EMBER_PORT", $"{app.Address.Port}"),
            ("KEEN_EMBER_HTTP_PORT", $"{AppServer.FreePort()}"), ("HOME", folder), ("XDG_DATA_HOME", folder), ("XDG_CONFIG_HOME", folder),
        })
            start.Environment[name] = value;
        start.RedirectStandardError = true;
        return start;
    });

    public static FrontProxy Nginx(AppServer app) => new((folder, port) =>
    {
        var (certificate, key) = (Path.Combine(folder, "chain.pem"), Path.Combine(folder, "key.pem"));
        using (var made = RSA.Create(2048))
        {
            var request = new CertificateRequest("CN=localhost", made, HashAlgorithmName.SHA256, RSASignaturePadding.Pkcs1);
            using var signed = request.CreateSelfSigned(DateTimeOffset.UtcNow.AddDays(-1), DateTimeOffset.UtcNow.AddDays(1));
            File.WriteAllText(certificate, signed.ExportCertificatePem());
            File.WriteAllText(key, made.ExportPkcs8PrivateKeyPem());
        }

        var site = File.ReadAllText(Deployed("nginx.conf"))
            .Replace("listen 443 ssl", $"listen 127.0.0.1:{port} ssl", StringComparison.Ordinal)
            .Replace("cold.example.org", "localhost", StringComparison.Ordinal)
            .Replace("/etc/ssl/keen-ember/fullchain.pem", certificate, StringComparison.Ordinal)
            .Replace("/etc/ssl/keen-ember/key.pem", key, StringComparison.Ordinal)
            .Replace("127.0.0.1:5080", $"127.0.0.1:{app.Address.Port}", StringComparison.Ordinal);
        var paths = string.Concat(
            new[] { "client_body", "proxy", "fastcgi", "uwsgi", "scgi" }.Select(p => $"{p}_temp_path {folder}/{p};\n"));
        var all = Path.Combine(folder, "all.conf");
        File.WriteAllText(all, $$"""
            daemon off; pid {{folder}}/pid; error_log stderr; worker_processes 1;
            events { }
            http {
            access_log off;
            {{paths}}
            {{site}}
            }
            """);
        return new ProcessStartInfo(Program("sbin/nginx"), ["-p", folder, "-e", "stderr", "-c", all]) { RedirectStandardError = true };
    });

    /// <summary>A client of its own behind the proxy, with cookies, that does not ask who signed the certificate.</summary>
    public HttpClient Client()
    {
        var client = new HttpClient(new HttpClientHandler
        {
            AllowAutoRedirect = false,
            ServerCertificateCustomValidationCallback = HttpClientHandler.DangerousAcceptAnyServerCertificateValidator,
        })
        { BaseAddress = Address };
        for (var until = DateTime.UtcNow.AddSeconds(30); ;)
            try
            {
                client.GetAsync("/healthz").GetAwaiter().GetResult().EnsureSuccessStatusCode();
                return client;
            }
            catch (HttpRequestException) when (DateTime.UtcNow < until && !process.HasExited)
            {
                Thread.Sleep(50);
            }
    }

    public void Dispose()
    {
        process.Kill(entireProcessTree: true);
        process.WaitForExit();
        process.Dispose();
        Directory.Delete(folder, recursive: true);
    }

    private static string Program(string name) => Path.Combine(AppServer.Root, "artifacts", "proxies", "usr", name) is var program
        && File.Exists(program) ? program : throw new FileNotFoundException("Fetch the proxies first: ./keen-ember test does.", program);

    private static string Deployed(string name) => Path.Combine(AppServer.Root, "deploy", name);
}
