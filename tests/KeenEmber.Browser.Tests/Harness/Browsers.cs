using System.Collections.Concurrent;
using KeenEmber.Browser.Tests.Harness;
using OpenQA.Selenium.Chrome;

[assembly: AssemblyFixture(typeof(Browsers))]

namespace KeenEmber.Browser.Tests.Harness;

/// <summary>Browsers that wait for the next test: starting one costs more than most tests do. Each comes back without cookies and on an
/// empty page. Between page and network stands nothing: what a phone keeps is for the tests of that.</summary>
public sealed class Browsers : IDisposable
{
    private static readonly ConcurrentBag<ChromeDriver> Waiting = [];

    /// <param name="script">False for one with scripts switched off, which is never handed on.</param>
    internal static ChromeDriver Take(bool script) => script && Waiting.TryTake(out var driver) ? driver : Start(script);

    /// <param name="isKept">It may be handed on.</param>
    internal static void GiveBack(ChromeDriver driver, bool isKept)
    {
        if (!isKept)
        {
            driver.Dispose();
            return;
        }

        driver.Navigate().GoToUrl("about:blank");
        driver.ExecuteCdpCommand("Network.clearBrowserCookies", []);
        driver.ExecuteCdpCommand("Emulation.setEmulatedMedia", new() { ["media"] = "" });
        Waiting.Add(driver);
    }

    public void Dispose()
    {
        while (Waiting.TryTake(out var driver))
            driver.Dispose();
    }

    /// <param name="profile">Folder that outlives the browser, as a phone's storage does; null for none.</param>
    internal static ChromeDriver Start(bool script, string? profile = null)
    {
        // The shell draws the same pages with less work; pictures in docs/ are taken with it too. With a folder to keep it opens no page.
        var options = new ChromeOptions { BinaryLocation = profile is null ? "/usr/bin/chromium-headless-shell" : "/usr/bin/chromium" };
        options.AddArguments(
            "--headless=new", "--no-sandbox", "--disable-gpu", "--disable-dev-shm-usage", "--disable-background-networking",
            "--disable-component-update", "--force-prefers-reduced-motion", "--disable-sync", "--no-first-run", "--hide-scrollbars");
        if (profile is not null)
            options.AddArgument($"--user-data-dir={profile}");
        if (!script)
            options.AddUserProfilePreference("profile.managed_default_content_settings.javascript", 2);
        var service = ChromeDriverService.CreateDefaultService("/usr/bin", "chromedriver");
        service.SuppressInitialDiagnosticInformation = true;
        var driver = new ChromeDriver(service, options);
        if (profile is null)
        {
            driver.ExecuteCdpCommand(
                "Page.addScriptToEvaluateOnNewDocument", new() { ["source"] = "delete Navigator.prototype.serviceWorker" });
        }

        return driver;
    }
}
