using System.Globalization;

namespace KeenEmber.Web;

/// <summary>A clock as many minutes ahead as a file says, so that a test can let an hour pass in a second.</summary>
public sealed class ShiftedClock(string file) : TimeProvider
{
    public override DateTimeOffset GetUtcNow()
    {
        var text = File.Exists(file) ? File.ReadAllText(file) : "";
        return base.GetUtcNow() + TimeSpan.FromMinutes(double.TryParse(text, CultureInfo.InvariantCulture, out var minutes) ? minutes : 0);
    }
}
