using KeenEmber.Storage;

namespace KeenEmber.Web.Tests;

/// <summary>One app with the demo data for a whole test class.</summary>
public sealed class DemoWeb : IDisposable
{
    public DemoWeb()
    {
        Http = App.Browser();
        for (var until = DateTime.UtcNow.AddMinutes(1); App.Get<StandingStore>().ToMake(1).Count > 0
            && DateTime.UtcNow < until; Thread.Sleep(50))
        {
        }
    }

    public TestApp App { get; } = new(demo: true);

    /// <summary>Does not follow redirects.</summary>
    public HttpClient Http { get; }

    public void Dispose()
    {
        Http.Dispose();
        App.Dispose();
    }
}

/// <summary>One app on an empty record for a whole test class, whose tests each have a site of their own in it: starting one costs more
/// than most tests.</summary>
public sealed class EmptyWeb : IDisposable
{
    private readonly TestApp app = new();
    private int tests;

    /// <summary>The app as a test begins with it.</summary>
    public TestApp Begin()
    {
        app.Clock.Restart();
        app.Errors.Clear();
        app.Site = tests++ == 0 ? app.Site : $"Quillmere Market Hall, stall {tests}";
        return app;
    }

    public void Dispose() => app.Dispose();
}
