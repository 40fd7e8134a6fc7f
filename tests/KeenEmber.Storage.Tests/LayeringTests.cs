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
}
