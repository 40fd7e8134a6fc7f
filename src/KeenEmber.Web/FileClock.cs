using System.Globalization;

namespace KeenEmber.Web;

/// <summary>A clock that stands at the moment a file names, so that a test can let an hour pass in a second; the real time while there is
/// no file.</summary>
public sealed class FileClock(string file) : TimeProvider
{
    public override DateTimeOffset GetUtcNow() =>
        File.Exists(file) && DateTimeOffset.TryParse(File.ReadAllText(file), CultureInfo.InvariantCulture, out var moment) ? moment
            : base.GetUtcNow();
}
