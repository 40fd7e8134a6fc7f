using System.Diagnostics;
using System.Net;
using System.Security.Cryptography.X509Certificates;
using System.Text.RegularExpressions;
using KeenEmber.Browser.Tests.Harness;

namespace KeenEmber.Browser.Tests.Running;

/// <summary>The app as other machines reach it: with a certificate of its own, and behind Debian's Caddy and nginx with the files of
/// deploy/.</summary>
public sealed partial class ServingTests
{
    private static CancellationToken Cancel => TestContext.Current.CancellationToken;

    [GeneratedRegex("""__RequestVerificationToken" type="hidden" value="([^"]+)""")]
    private static partial Regex Token { get; }

    [Theory]
    [InlineData("serves over TLS only", "--listen", "0.0.0.0:5443")]
    [InlineData("is no address to listen on", "--listen", "harbour")]
    [InlineData("is no address of a proxy", "--proxy", "in-front")]
    [InlineData("There is no file", "--listen", "0.0.0.0:5443", "--certificate", "/nowhere/chain.pem")]
    [InlineData("no certificate with its key", "--listen", "0.0.0.0:5443", "--certificate", "/etc/hostname")]
    [InlineData("is no name of a host", "--host", "cold example")]
    public async Task What_would_open_it_unprotected_is_refused(string why, params string[] arguments)
    {
        var folder = Directory.CreateTempSubdirectory("keen-ember-refused-");
        using var process = Process.Start(new ProcessStartInfo(
            "dotnet", [AppServer.App, "--data", folder.FullName, .. arguments]) { RedirectStandardError = true })!;
        var said = await process.StandardError.ReadToEndAsync(Cancel);
        await process.WaitForExitAsync(Cancel);
        folder.Delete(recursive: true);
        Assert.Equal(2, process.ExitCode);
        Assert.Contains(why, said, StringComparison.Ordinal);
    }

    [Fact]
    public async Task A_phone_that_trusts_its_authority_once_is_served_and_nobody_enters_before_the_first_lead()
    {
        using var app = new AppServer(arguments: ["--certificate", "self", "--host", "cold.example.org"]);
        var authority = X509CertificateLoader.LoadCertificate(await app.Http.GetByteArrayAsync("/authority.crt", Cancel));
        using var phone = new HttpClient(new HttpClientHandler
        {
            AllowAutoRedirect = false,
            ServerCertificateCustomValidationCallback = (_, shown, _, errors) =>
            {
                using var chain = new X509Chain();
                chain.ChainPolicy.TrustMode = X509ChainTrustMode.CustomRootTrust;
                chain.ChainPolicy.CustomTrustStore.Add(authority);
                chain.ChainPolicy.RevocationMode = X509RevocationMode.NoCheck;
                return chain.Build(shown!) && shown!.MatchesHostname("cold.example.org")
                    && (errors & System.Net.Security.SslPolicyErrors.RemoteCertificateNameMismatch) == 0;
            },
        })
        { BaseAddress = app.Address };

        using (var turned = await phone.GetAsync("/", Cancel))
            Assert.Contains("/sign-in", turned.Headers.Location!.ToString(), StringComparison.Ordinal);
        Assert.Contains("Nobody has an account yet", await phone.GetStringAsync("/sign-in", Cancel), StringComparison.Ordinal);
        await Join(phone, app.FirstInvitation.AbsolutePath);
        using (var home = await phone.GetAsync("/", Cancel))
            Assert.Equal(HttpStatusCode.OK, home.StatusCode);

        using var elsewhere = new HttpRequestMessage(HttpMethod.Get, "/sign-in") { Headers = { Host = "elsewhere.example.org" } };
        using (var refused = await app.Http.SendAsync(elsewhere, Cancel))
            Assert.Equal(HttpStatusCode.BadRequest, refused.StatusCode);

        // The next day: the same authority, the same people.
        app.Restart();
        using (var home = await phone.GetAsync("/", Cancel))
            Assert.Equal(HttpStatusCode.OK, home.StatusCode);
    }

    [Theory]
    [InlineData("Caddy")]
    [InlineData("nginx")]
    public async Task Behind_a_proxy_it_is_safe_and_goes_by_the_address_the_proxy_saw(string which)
    {
        using var app = new AppServer(arguments: ["--proxy", "127.0.0.1", "--host", "cold.example.org"]);
        using var front = which == "Caddy" ? FrontProxy.Caddy(app) : FrontProxy.Nginx(app);
        using var person = front.Client();
        using (var turned = await person.GetAsync("/", Cancel))
        {
            Assert.Contains("/sign-in", turned.Headers.Location!.ToString(), StringComparison.Ordinal);
            Assert.Contains("default-src 'none'", turned.Headers.GetValues("Content-Security-Policy").Single(), StringComparison.Ordinal);
            Assert.Equal("no-store", turned.Headers.CacheControl?.ToString());
        }

        // Past the proxy, in the clear, nothing is served but its health.
        using (var bare = await app.Http.GetAsync("/sign-in", Cancel))
            Assert.Equal(HttpStatusCode.MisdirectedRequest, bare.StatusCode);

        await Join(person, app.FirstInvitation.AbsolutePath);
        Assert.Contains("Maren Oakhurst", await person.GetStringAsync("/people", Cancel), StringComparison.Ordinal);

        // Who says of themselves to come from somewhere else each time is counted as the one they are.
        var answers = new List<HttpStatusCode>();
        for (var n = 1; n <= 31; n++)
        {
            using var forged = new HttpRequestMessage(HttpMethod.Post, "/sign-in?handler=In") { Content = new FormUrlEncodedContent([]) };
            forged.Headers.Add("X-Forwarded-For", $"192.0.2.{n}");
            using var answer = await person.SendAsync(forged, Cancel);
            answers.Add(answer.StatusCode);
        }

        Assert.Equal(HttpStatusCode.BadRequest, answers[0]);
        Assert.Equal(HttpStatusCode.TooManyRequests, answers[^1]);
    }

    /// <summary>Makes the first account and checks that what remembers it goes over TLS only.</summary>
    private static async Task Join(HttpClient who, string invitation)
    {
        var page = await who.GetStringAsync(invitation, Cancel);
        using var form = new FormUrlEncodedContent(new Dictionary<string, string>
        {
            ["__RequestVerificationToken"] = Token.Match(page).Groups[1].Value, ["name"] = "Maren Oakhurst", ["signIn"] = "maren",
            ["password"] = "harbour lantern seven", ["again"] = "harbour lantern seven",
        });
        using var joined = await who.PostAsync(invitation, form, Cancel);
        Assert.Equal(HttpStatusCode.Redirect, joined.StatusCode);
        var remembered = joined.Headers.GetValues("Set-Cookie").Single(c => c.StartsWith("keen-ember-person", StringComparison.Ordinal));
        Assert.Contains("secure", remembered, StringComparison.Ordinal);
    }
}
