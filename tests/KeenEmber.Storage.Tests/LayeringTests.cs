using KeenEmber.Core.Service;

namespace KeenEmber.Storage.Tests;

/// <summary>Dependencies point one way: web, storage, core.</summary>
public class LayeringTests
{
    [Fact]
    public void The_core_knows_no_database_no_web_and_no_storage()
    {
        var references = typeof(Visit).Assembly.GetReferencedAssemblies().Select(a => a.Name!).ToList();
        Assert.NotEmpty(references);
        Assert.DoesNotContain(references, n => n.StartsWith("KeenEmber", StringComparison.Ordinal) || n.Contains("Sqlite") || n.Contains("Dapper") || n.Contains("AspNetCore"));
    }

    [Fact]
    public void The_storage_knows_no_web()
    {
        var references = typeof(VisitStore).Assembly.GetReferencedAssemblies().Select(a => a.Name!).ToList();
        Assert.Contains("KeenEmber.Core", references);
        Assert.DoesNotContain(references, n => n == "KeenEmber.Web" || n.Contains("AspNetCore"));
    }

    /// <summary>The core's folders build on each other from the ground up: none needs one that needs it.</summary>
    [Fact]
    public void There_is_no_circle_among_the_folders_of_the_core()
    {
        var core = Path.Combine(Root(), "src", "KeenEmber.Core");
        var folders = Directory.GetDirectories(core).Select(Path.GetFileName).Where(f => f is not ("bin" or "obj")).ToList();
        var needs = folders.ToDictionary(f => f!, f => Directory.GetFiles(Path.Combine(core, f!), "*.cs").SelectMany(File.ReadLines)
            .Where(l => l.StartsWith("using KeenEmber.Core.", StringComparison.Ordinal)).Select(l => l["using KeenEmber.Core.".Length..^1]).Where(n => folders.Contains(n) && n != f).ToHashSet());
        Assert.NotEmpty(needs["Service"]);
        while (needs.FirstOrDefault(n => n.Value.Count == 0).Key is { } ground)
        {
            needs.Remove(ground);
            foreach (var others in needs.Values)
                others.Remove(ground);
        }

        Assert.True(needs.Count == 0, "In a circle: " + string.Join("; ", needs.Select(n => $"{n.Key} needs {string.Join(", ", n.Value)}")));
    }

    private static string Root()
    {
        var place = new DirectoryInfo(AppContext.BaseDirectory);
        while (!File.Exists(Path.Combine(place!.FullName, "KeenEmber.slnx")))
            place = place.Parent;
        return place.FullName;
    }
}
