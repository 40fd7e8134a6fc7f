using System.Globalization;

namespace KeenEmber.Load;

/// <summary>The most memory a process has had in hand, as Linux counts it.</summary>
internal sealed class Memory(int process)
{
    internal double MostMb() => File.ReadLines($"/proc/{process}/status").First(l => l.StartsWith("VmHWM", StringComparison.Ordinal))
        .Split(' ', StringSplitOptions.RemoveEmptyEntries) is [_, var kb, ..] ? double.Parse(kb, CultureInfo.InvariantCulture) / 1024 : 0;
}
