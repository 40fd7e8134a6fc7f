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
