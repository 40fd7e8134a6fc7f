using System.Text.RegularExpressions;

namespace KeenEmber.Web.Tests.Wording;

/// <summary>One word for one thing: words that were given up stay out of everything the app says.</summary>
public sealed partial class RetiredWordsTests
{
    /// <summary>The word that was given up, and the one in its place.</summary>
    public static TheoryData<string, string> Retired { get; } = new()
    {
        { "short of charge", "low charge" },
        { "does not count", "not usable" },
        { "open loop", "open item" },
        { "[Ss]hop policy", "company policy" },
        { "maker's", "manufacturer's" },
        { "end switch", "termination switch" },
        { "end (probe|sensor)", "termination sensor" },
        { "fail-safe (time|to|noted)", "maximum defrost time" },
        { "[Vv]apour (left|from|leaves|freezes)", "steam" },
        { "[Pp]ut right", "repaired" },
        { "(below|in|above) band", "below, on, above target" },
        { "three-phase star", "three-phase wye (star)" },
        { "[Mm]ains", "line voltage" },
        { "system standing still", "standing pressure" },
        { "[Nn]obody (has )?(said|recorded)", "not recorded" },
        { "past clear|over-run", "heat after clear" },
        { "[Pp]rove dead", "test dead" },
        { "[Ss]tart parts", "start components" },
        { "[Ff]ull report", "service report" },
        { "[Cc]ustomer's page", "customer summary" },
        { "on the plates?\\b|the plates? says?|from the plate\\b", "nameplate" },
        { "[Dd]ew temperature", "dew point" },
        { "[Bb]ubble temperature", "bubble point" },
        { "\\blies (between|outside|above|inside)", "is between, outside, above, inside" },
        { "can be empty|can wait", "optional" },
        { "[Ss]hop('s)? (order|has|decides)|of the shop", "company" },
        { "it wants|curve wants", "needs" },
        { "wire mended", "wire repaired" },
        { "its (time limit|longest defrost)", "maximum time" },
        { "wired past", "jumper" },
        { "[Ll]iquid valve does|evaporator regulator", "liquid solenoid, evaporator pressure regulator" },
        { "[Mm]eters of this visit|a meter in use|with a meter", "instrument" },
    };

    [GeneratedRegex("""(?<!\?handler=)"(?<said>(?:[^"\\]|\\.)*)"|>(?<said>[^<>@{}]+)<""")]
    private static partial Regex Said();

    /// <summary>Literals and text of pages, words and answers; comments, names of fields and keys of one word are not said.</summary>
    private static IEnumerable<(string File, string Said)> Everything()
    {
        return new[] { "KeenEmber.Web/Pages", "KeenEmber.Web/Api", "KeenEmber.Words" }.SelectMany(
            f => Directory.GetFiles(Path.Combine(Root(), "src", f), "*.cs*", SearchOption.AllDirectories))
            .Where(f => !f.Split('/').Any(part => part is "obj" or "bin"))
            .SelectMany(
                file => File.ReadLines(file).Where(l => !l.TrimStart().StartsWith("//", StringComparison.Ordinal)), (file, line) =>
                (file, line))
            .SelectMany(l => Said().Matches(l.line), (l, m) => (Path.GetFileName(l.file), m.Groups["said"].Value))
            .Where(s => s.Value.Contains(' ', StringComparison.Ordinal));
    }

    [Theory]
    [MemberData(nameof(Retired))]
    public void A_word_that_was_given_up_is_said_nowhere(string word, string instead)
    {
        var said = Everything().Where(s => Regex.IsMatch(s.Said, word)).Select(s => $"{s.File}: {s.Said}").ToList();
        Assert.True(said.Count == 0, $"Say “{instead}”:\n{string.Join('\n', said)}");
    }

    [Fact]
    public void What_is_said_is_found_at_all()
    {
        var all = Everything().Select(s => s.Said).ToList();
        Assert.True(all.Count > 1500, $"Only {all.Count} pieces of text.");
        Assert.Contains(all, s => s.Contains("Not enough air through the coil", StringComparison.Ordinal));
    }

    [Fact]
    public void Nothing_is_shouted() => Assert.All(Everything(), s => Assert.DoesNotMatch(@"\w!(\s|$)", s.Said));

    /// <summary>Of the project.</summary>
    internal static string Root()
    {
        var place = new DirectoryInfo(AppContext.BaseDirectory);
        while (!File.Exists(Path.Combine(place!.FullName, "KeenEmber.slnx")))
            place = place.Parent;
        return place.FullName;
    }
}
