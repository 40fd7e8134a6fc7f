using System.Globalization;

namespace KeenEmber.Load;

/// <summary>What is asked of the server.</summary>
/// <param name="Welcome">Address of the first lead's invitation, as the server printed it.</param>
/// <param name="Process">Of the server, for its memory; null where it is elsewhere.</param>
/// <param name="Together">Everybody on one visit instead of each on their own.</param>
internal sealed record Plan(Uri Welcome, int People, double Minutes, int? Process, bool Together)
{
    /// <summary>Between two lines of one person.</summary>
    internal static readonly TimeSpan LineEvery = TimeSpan.FromSeconds(10);

    /// <summary>Between two pages that one person opens.</summary>
    internal static readonly TimeSpan PageEvery = TimeSpan.FromSeconds(15);

    /// <summary>Between two photos of all of them.</summary>
    internal static readonly TimeSpan PhotoEvery = TimeSpan.FromSeconds(30);

    private const string Usage =
        "KeenEmber.Load --welcome ADDRESS [--people 50] [--minutes 5] [--process ID] [--together]\n"
        + "The server must have been started with --proxy 127.0.0.1: everybody comes from an address of their own.";

    internal static Plan? Read(string[] args)
    {
        string? Of(string name) => Array.IndexOf(args, name) is >= 0 and var at && at + 1 < args.Length ? args[at + 1] : null;
        if (Of("--welcome") is { } welcome && Uri.TryCreate(welcome, UriKind.Absolute, out var address))
            return new(address, Number("--people", 50), Number("--minutes", 5), Of("--process") is { } id ? Whole(id) : null,
                args.Contains("--together"));
        Console.Error.WriteLine(Usage);
        return null;

        int Number(string name, int usual) => Of(name) is { } typed ? Whole(typed) : usual;
    }

    private static int Whole(string typed) => int.Parse(typed, CultureInfo.InvariantCulture);
}
