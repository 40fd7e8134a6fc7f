using KeenEmber.Core.Cases;
using KeenEmber.Storage;
using KeenEmber.Words.Benches;

namespace KeenEmber.Web.Pages.Visits;

/// <summary>Makes the benches known to the app: those of <see cref="BenchList"/>, with the words found for each.</summary>
public static class BenchServices
{
    public static IServiceCollection AddBenches(this IServiceCollection services)
    {
        foreach (var (name, place) in BenchList.Of(_ => []).Select((b, i) => (b.Name, i)))
        {
            services.AddSingleton(s => BenchList.Of(s.GetRequiredService<RunSeriesStore>().Find)[place]);
            services.AddSingleton(typeof(BenchText), TextOf(name));
        }

        return services.AddSingleton<BenchTexts>();
    }

    /// <summary>The words of "danger" are Danger.DangerBenchText.</summary>
    private static Type TextOf(string bench)
    {
        var room = char.ToUpperInvariant(bench[0]) + bench[1..];
        return typeof(BenchText).Assembly.GetType($"{typeof(BenchText).Namespace}.{room}.{room}BenchText", throwOnError: true)!;
    }
}
