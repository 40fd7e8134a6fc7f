using KeenEmber.Core.Cases;
using KeenEmber.Storage;

namespace KeenEmber.Web.Pages.Visits;

/// <summary>Makes the benches known to the app: those of <see cref="BenchList"/>, with the words found for each.</summary>
public static class BenchServices
{
    public static IServiceCollection AddBenches(this IServiceCollection services)
    {
        for (var i = 0; i < BenchList.Of(_ => []).Count; i++)
        {
            var place = i;
            services.AddSingleton(s => BenchList.Of(s.GetRequiredService<RunSeriesStore>().Find)[place]);
        }

        foreach (var text in typeof(BenchText).Assembly.GetTypes().Where(t => t.IsSubclassOf(typeof(BenchText))))
            services.AddSingleton(typeof(BenchText), text);
        return services.AddSingleton<BenchTexts>();
    }
}
