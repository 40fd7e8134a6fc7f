using System.Reflection;
using OpenQA.Selenium;
using OpenQA.Selenium.Chrome;
using OpenQA.Selenium.VirtualAuth;

namespace KeenEmber.Browser.Tests.Harness;

/// <summary>A technician at a screen: goes, taps, types and reads, and waits as a person would for what the page shows.</summary>
public sealed class Person : IDisposable
{
    private static readonly TimeSpan Patience = TimeSpan.FromSeconds(25);

    private static readonly Lazy<string> Axe = new(() =>
    {
        using var axe = new StreamReader(Assembly.GetExecutingAssembly().GetManifestResourceStream("axe")!);
        return axe.ReadToEnd();
    });

    private readonly AppServer app;
    private readonly ChromeDriver driver;
    private readonly bool isKept;

    /// <param name="profile">Folder of a phone that is switched off and on again in the test; null for any browser.</param>
    public Person(AppServer app, bool phone = false, bool script = true, string? profile = null)
    {
        this.app = app;
        driver = profile is null ? Browsers.Take(script) : Browsers.Start(script, profile);
        isKept = script && profile is null;
        Resize(phone ? 390 : 1280, phone ? 844 : 800);
    }

    public string Path => new Uri(driver.Url).AbsolutePath;

    public void Dispose()
    {
        foreach (var identifier in beforehand)
            driver.ExecuteCdpCommand("Page.removeScriptToEvaluateOnNewDocument", new() { ["identifier"] = identifier });
        Browsers.GiveBack(driver, isKept);
    }

    /// <summary>Sets the size of the page itself, whatever the window's frame takes.</summary>
    public void Resize(int width, int height) => driver.ExecuteCdpCommand("Emulation.setDeviceMetricsOverride",
        new() { ["width"] = width, ["height"] = height, ["deviceScaleFactor"] = 1, ["mobile"] = false });

    public Person Go(string path)
    {
        driver.Navigate().GoToUrl(new Uri(app.Address, path));
        return this;
    }

    /// <summary>The first visible element a selector names, as soon as there is one.</summary>
    public IWebElement See(string selector) =>
        Eventually(() => Seen<IWebElement>(selector, "e"), () => $"nothing visible at {selector} on {driver.Url}");

    /// <summary>Whether something is visible now.</summary>
    public bool SeesNow(string selector) => Seen<IWebElement>(selector, "e") is not null;

    public int Count(string selector) => driver.FindElements(By.CssSelector(selector)).Count;

    public string Read(string selector) => Shown(selector, "(e.innerText ?? e.textContent).trim()");

    /// <summary>What stands in a field.</summary>
    public string Value(string selector) => Shown(selector, "e.value");

    public string Attribute(string selector, string name) => Shown(selector, $"e.getAttribute('{name}') ?? ''");

    /// <summary>Something of the first visible element.</summary>
    private string Shown(string selector, string what) =>
        Eventually(() => Seen<string>(selector, what), () => $"nothing visible at {selector} on {driver.Url}");

    /// <summary>Waits until the text at a place contains something.</summary>
    public string ReadUntil(string selector, string part) => Eventually(
        () => Texts(selector, isSeen: true).FirstOrDefault(t => t.Contains(part, StringComparison.Ordinal)),
        () => $"“{part}” not at {selector}, but: {string.Join(" | ", Texts(selector, isSeen: false))}");

    /// <summary>Waits until something is so on the page.</summary>
    public void Wait(Func<bool> isSo) => Eventually(() => isSo() ? "so" : null, () => $"still waiting on {driver.Url}");

    public Person Tap(string selector)
    {
        Eventually(
            () => Acted(selector, e => e.Click()), () => $"could not tap {selector} on {driver.Url}");
        return this;
    }

    /// <summary>Goes to a station of the visit by its name in the address.</summary>
    public Person Station(string name) => Tap($".station[href$='/{name}']");

    /// <summary>Goes to a unit's page by its line in the list of all units.</summary>
    public Person Unit(string tag)
    {
        Go("/");
        Eventually(
            () => Acted($"//ul[@class='board']//a[.//*[@class='unit-tag' and normalize-space(.)='{tag}']]", e => e.Click()),
            () => $"no unit {tag} on {driver.Url}");
        return this;
    }

    /// <summary>The button or link with this text.</summary>
    public Person Press(string text)
    {
        Eventually(
            () => Acted($"//*[self::a or self::button][contains(normalize-space(.), '{text}')]", e => e.Click()),
            () => $"no button “{text}” on {driver.Url}");
        return this;
    }

    /// <summary>Presses on one thing and strokes to another, as a finger does.</summary>
    public Person Stroke(string from, string to)
    {
        new OpenQA.Selenium.Interactions.Actions(driver).ScrollToElement(See(to)).MoveToElement(See(from)).ClickAndHold()
            .MoveToElement(See(to)).Release().Perform();
        return this;
    }

    /// <summary>Replaces what is in a field: all of it is marked and the new text comes in one piece, as a dictated one does. What is not
    /// plain text is typed key by key.</summary>
    public Person Type(string selector, string text)
    {
        Eventually(() => Acted(selector, field =>
        {
            if (text.Length > 0 && (bool)driver.ExecuteScript(MarkAll, field)!)
                driver.ExecuteCdpCommand("Input.insertText", new() { ["text"] = text });
            else
            {
                field.Clear();
                field.SendKeys(text);
            }
        }), () => $"could not type into {selector} on {driver.Url}");
        return this;
    }

    private const string MarkAll = """
        const field = arguments[0];
        if (field.disabled || field.readOnly || !['text', 'search', 'textarea'].includes(field.type))
            return false;
        field.focus();
        field.select();
        return document.activeElement === field;
        """;

    /// <summary>Chooses files in a file field, which may be hidden behind its label.</summary>
    public Person Upload(string selector, params string[] files)
    {
        Eventually(() =>
        {
            var field = driver.FindElements(By.CssSelector(selector)).FirstOrDefault();
            field?.SendKeys(string.Join('\n', files));
            return field;
        }, () => $"no file field {selector} on {driver.Url}");
        return this;
    }

    /// <summary>Draws a stroke over a thing, from its left to its right.</summary>
    public Person Draw(string selector)
    {
        new OpenQA.Selenium.Interactions.Actions(driver).ScrollToElement(See(selector)).MoveToElement(See(selector), -100, 10)
            .ClickAndHold()
            .MoveByOffset(60, -30).MoveByOffset(60, 40).MoveByOffset(60, -20).Release().Perform();
        return this;
    }

    /// <summary>The page as the browser prints it into a PDF, inches.</summary>
    public byte[] Pdf(double width, double height)
    {
        var answer =
            (Dictionary<string, object>)driver.ExecuteCdpCommand(
            "Page.printToPDF", new() { ["paperWidth"] = width, ["paperHeight"] = height, ["printBackground"] = true })!;
        return Convert.FromBase64String((string)answer["data"]);
    }

    public Person Keys(string keys)
    {
        driver.SwitchTo().ActiveElement().SendKeys(keys);
        return this;
    }

    public string? FocusedId() => driver.SwitchTo().ActiveElement().GetAttribute("id");

    public T Run<T>(string script) => (T)driver.ExecuteScript(script)!;

    /// <summary>Runs on every page from now on, before its own scripts.</summary>
    public Person Beforehand(string script)
    {
        var added = (Dictionary<string, object>)driver.ExecuteCdpCommand(
            "Page.addScriptToEvaluateOnNewDocument", new() { ["source"] = script })!;
        beforehand.Add(added["identifier"]);
        return this;
    }

    private readonly List<object> beforehand = [];

    /// <summary>Gives the device a finger's print, so to speak: it makes passkeys and signs with them.</summary>
    public Person WithPasskeys()
    {
        driver.AddVirtualAuthenticator(new VirtualAuthenticatorOptions().SetProtocol(VirtualAuthenticatorOptions.Protocol.CTAP2)
            .SetTransport(VirtualAuthenticatorOptions.Transport.INTERNAL).SetHasResidentKey(true).SetHasUserVerification(true)
            .SetIsUserVerified(true));
        return this;
    }

    public Person Theme(string theme)
    {
        driver.Manage().Cookies.AddCookie(new("theme", theme));
        return this;
    }

    /// <summary>Shows the page as it will be printed.</summary>
    public Person Print()
    {
        driver.ExecuteCdpCommand("Emulation.setEmulatedMedia", new() { ["media"] = "print" });
        return this;
    }

    /// <summary>Shows the page in its dark colours, or in its light ones again.</summary>
    public Person Darken(bool dark)
    {
        driver.ExecuteScript("document.documentElement.dataset.theme = arguments[0]", dark ? "dark" : "light");
        return this;
    }

    /// <summary>Everything the accessibility engine holds against the page, WCAG 2.2 A and AA.</summary>
    /// <param name="rule">One rule only.</param>
    public IReadOnlyList<string> Violations(string? rule = null)
    {
        if (!Run<bool>("return 'axe' in window"))
            driver.ExecuteScript(Axe.Value);
        driver.Manage().Timeouts().AsynchronousJavaScript = TimeSpan.FromSeconds(60);
        var found = (IReadOnlyCollection<object>?)driver.ExecuteAsyncScript("""
            const done = arguments[arguments.length - 1];
            const rules = arguments[0] ? [arguments[0]] : ['wcag2a', 'wcag2aa', 'wcag21a', 'wcag21aa', 'wcag22aa'];
            axe.run({ resultTypes: ['violations'], selectors: false, runOnly: rules })
               .then(r => done(r.violations.map(v => v.id + ': ' + v.nodes.map(n =>
                   n.html.slice(0, 160) + ' ' + (n.any[0]?.message ?? '')).join(' | '))));
            """, rule);
        return [.. found!.Cast<string>()];
    }

    public void Picture(string file)
    {
        driver.GetScreenshot().SaveAsFile(file);
    }

    /// <summary>Does something to the first visible element, if there is one.</summary>
    private IWebElement? Acted(string selector, Action<IWebElement> act)
    {
        if (Seen<IWebElement>(selector, "e") is not { } element)
            return null;
        act(element);
        return element;
    }

    /// <summary>Something of the first visible element that a selector or a path names, asked in one go: the page is not exchanged under
    /// the question, and the driver need not ask of every element by itself.</summary>
    /// <param name="what">Of it, <c>e</c>, in the page's own language.</param>
    private T? Seen<T>(string selector, string what)
        where T : class => (T?)driver.ExecuteScript($"{Look} const e = all.find(isSeen); return e ? {what} : null;", selector);

    /// <summary>Of SVG as well, which has no text that is laid out.</summary>
    private IEnumerable<string> Texts(string selector, bool isSeen) => ((IReadOnlyCollection<object>)driver.ExecuteScript(
        $"{Look} return all.filter({(isSeen ? "isSeen" : "() => true")}).map(e => e.textContent.replace(/\\s+/g, ' ').trim());", selector)!)
        .Cast<string>();

    /// <summary>A choice of a list is seen where the list is.</summary>
    private const string Look = """
        const isSeen = e => {
            if (e.localName === 'option')
                e = e.closest('select');
            const place = e.getBoundingClientRect();
            return (place.width > 0 || place.height > 0) && e.checkVisibility({ opacityProperty: true, visibilityProperty: true });
        };
        const all = [];
        if (arguments[0].startsWith('//')) {
            const found = document.evaluate(arguments[0], document, null, XPathResult.ORDERED_NODE_SNAPSHOT_TYPE);
            for (let n = 0; n < found.snapshotLength; n++)
                all.push(found.snapshotItem(n));
        } else
            all.push(...document.querySelectorAll(arguments[0]));
        """;

    private static T Eventually<T>(Func<T?> look, Func<string> complaint) where T : class
    {
        var until = DateTime.UtcNow + Patience;
        while (true)
        {
            try
            {
                if (look() is { } found)
                    return found;
            }
            catch (Exception e) when (e is StaleElementReferenceException or ElementNotInteractableException)
            {
                // The page was just exchanged: look again.
            }

            if (DateTime.UtcNow > until)
                throw new Xunit.Sdk.XunitException(complaint());
            Thread.Sleep(40);
        }
    }
}
