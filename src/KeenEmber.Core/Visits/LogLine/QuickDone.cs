using System.Text.RegularExpressions;
using KeenEmber.Core.Plant;
using KeenEmber.Core.Quantities;

namespace KeenEmber.Core.Visits.LogLine;

/// <summary>An electrical part was measured.</summary>
/// <param name="Text">The piece as typed.</param>
/// <param name="Component">The part.</param>
/// <param name="Test">What was measured of it.</param>
/// <param name="Readings">In the order in which they were typed.</param>
/// <param name="Marked">What the part is marked with, where that was typed.</param>
public sealed record QuickLoadTest(
    string Text, Component Component, LoadTest Test, IReadOnlyList<LoadReading> Readings, TypedValue? Marked = null) : QuickItem(Text);

/// <summary>A part was replaced.</summary>
/// <param name="Text">The piece as typed.</param>
/// <param name="Component">The part.</param>
public sealed record QuickPart(string Text, Component Component) : QuickItem(Text);

/// <summary>A part that somebody replaced before: "board replaced nine days ago by the other firm".</summary>
public sealed record QuickEarlierPart(string Text, Component Component, double DaysAgo) : QuickItem(Text);

/// <summary>Something was done that is no part.</summary>
/// <param name="Text">The piece as typed.</param>
/// <param name="Job">What was done.</param>
public sealed record QuickJob(string Text, QuickJobKind Job) : QuickItem(Text);

/// <summary>What can be done by a line besides replacing a part.</summary>
public enum QuickJobKind
{
    /// <summary>The condenser was cleaned.</summary>
    CondenserCleaned,

    /// <summary>The breaker was reset.</summary>
    BreakerReset,

    /// <summary>The stem of the expansion valve was turned.</summary>
    ValveTurned,
}

/// <summary>A sensor was measured beside a thermometer.</summary>
/// <param name="Text">The piece as typed.</param>
/// <param name="Sensor">Its name on the unit's list.</param>
/// <param name="Signal">At its leads.</param>
/// <param name="Reference">The thermometer.</param>
public sealed record QuickSensor(string Text, string Sensor, TypedValue Signal, TypedValue Reference) : QuickItem(Text);

/// <summary>Reads pieces that tell of tests and work: "cond fan cap 4.4 of 5", "L1-L2 208", "replaced evap fan 2". A whole piece or
/// nothing: half of such a phrase can mean the opposite.</summary>
/// <param name="sensors">The names on the unit's list.</param>
internal sealed partial class QuickDone(QuickWords words, UnitPreference units, int evaporatorFans, IReadOnlyList<string> sensors)
{
    private const string Number = @"[-−–]?\d+(?:[.,]\d+)?";

    [GeneratedRegex(@"^(?<part>.*?)\s*\b(?:cap|capacitor)\b:?(?:\s+(?:is|reads|measures))?\s*(?<value>" + Number
        + @")\s*(?:uf|µf|μf|mfd)?\s*(?:of|/|out of|marked|rated|should be)\s*(?<marked>" + Number + @")\s*(?:uf|µf|μf|mfd)?$")]
    private static partial Regex Capacitor();

    [GeneratedRegex(@"^(?<part>.*?)\s*\bwindings?\b:?\s*(?<one>" + Number + @")[\s/]+(?<two>" + Number + @")[\s/]+(?<three>" + Number
        + @")\s*(?:ohms?|ω|Ω)?$")]
    private static partial Regex Windings();

    [GeneratedRegex(@"^(?<one>l[123])\s*(?:-|–|/|to)?\s*(?<two>l[123]|n|neutral|g|gnd|ground|e|earth)\s*[:=]?\s*(?<value>" + Number
        + @")\s*(?:v|volts?|vac)?$")]
    private static partial Regex Volts();

    [GeneratedRegex(@"^(?<part>.+?)\s+(?:amps?|current|amp draw|draws?|pulls|pulling|is pulling|is drawing)\s*[:=]?\s*(?<value>" + Number
        + @")\s*(?:a|amps?)?$")]
    private static partial Regex Amps();

    [GeneratedRegex(@"^(?=.*(?:amp|current|leg|a$))(?:defrost\s+)?heaters?\s+(?:(?:legs?|amps?|current)\s*[:=]?\s*)*(?<one>"
        + Number + @")[\s/]+(?<two>" + Number
        + @")(?:[\s/]+(?<three>" + Number + @"))?\s*(?:a|amps?)?$")]
    private static partial Regex HeaterLegs();

    [GeneratedRegex(@"^(?:i\s+)?(?:opened|closed|turned)\s+(?:the\s+)?(?:txv|tev|expansion valve|valve|superheat)\s+(?:stem\s+)?"
        + @"(?:in\s+|out\s+|up\s+|down\s+)?(?:by\s+)?(?:a\s+|an\s+)?(?:half|quarter|full|one|two|three|\d+(?:[./]\d+)?)"
        + @"(?:\s+a)?\s+turns?(?:\s+(?:in|out|open|closed))?$")]
    private static partial Regex ValveTurned();

    [GeneratedRegex(@"^(?:i\s+)?(?:replaced|new|changed out|changed|swapped out|swapped|fitted|installed|put in)\s+"
        + @"(?:the\s+|a\s+)?(?:new\s+)?(?<part>.+?)$|^(?:the\s+)?(?<part>.+?)\s+(?:(?:was|were|is)\s+)?"
        + "(?:replaced|changed|changed out|swapped|swapped out|renewed)$")]
    private static partial Regex Replaced();

    [GeneratedRegex(@"^(?:(?:they|somebody|someone|others|another firm)\s+)?(?:(?:replaced|changed|fitted)\s+)?(?:the\s+|a\s+)?(?:new\s+)?"
        + @"(?<part>.+?)\s+(?:(?:was|were|got)\s+)?(?:(?:replaced|changed|swapped|renewed|fitted|new)\s+)?(?:(?:about|some)\s+)?"
        + @"(?:(?<some>\w+)\s+(?<unit>day|week|month)s?\s+ago|(?<when>yesterday|last week|last month))(?:\s+by\s+.+)?$")]
    private static partial Regex Earlier();

    [GeneratedRegex(@"\b(?:replaced|changed|swapped|renewed|fitted|new)\b")]
    private static partial Regex Replacing();

    [GeneratedRegex(@"^(?:i\s+)?(?:cleaned|washed|brushed|cleaned off|washed out|blew out)\s+(?:the\s+)?"
        + @"(?:condenser|cond|condenser coil|cond coil)$|^(?:condenser|cond|condenser coil|cond coil)\s+(?:was\s+)?(?:cleaned|washed)$")]
    private static partial Regex Cleaned();

    [GeneratedRegex(@"^(?:i\s+)?reset\s+(?:the\s+)?(?:breaker|mcb|circuit breaker)$|^(?:breaker|mcb|circuit breaker)\s+(?:was\s+)?reset$")]
    private static partial Regex Reset();

    [GeneratedRegex(@"^(?<name>.+?)\s+(?:sensor|probe)(?:\s+(?:is|reads|measures))?\s*[:=]?\s*(?<value>" + Number
        + @")\s*(?<unit>k|kω|kΩ|kohms?|ohms?|ω|Ω)?\s*(?:at|@|in)\s*(?:(?<ice>ice|an ice bath|ice bath|ice water)|(?<at>" + Number
        + @")\s*°?\s*(?<degrees>c|f)?)$")]
    private static partial Regex Sensor();

    [GeneratedRegex(@"^(?<name>.*?)\s*#?\s*(?<place>\d)$")]
    private static partial Regex Numbered();

    private QuickLeads Leads => field ??= new(PartOf);

    /// <summary>A lead and what was done to it, "and" or no.</summary>
    internal QuickItem? ReadLead(string text) => Leads.Read(text, Plain(text));

    private static string Plain(string piece) => piece.Trim().ToLowerInvariant().Replace('−', '-');

    /// <returns>Null for a piece that tells of nothing like it; unclear where it does and the part or a number is not known.</returns>
    internal QuickItem? Read(string piece)
    {
        var plain = Plain(piece);
        if (Leads.Read(piece, plain) is { } lead)
            return lead;
        if (Cleaned().IsMatch(plain))
            return new QuickJob(piece, QuickJobKind.CondenserCleaned);
        if (Reset().IsMatch(plain))
            return new QuickJob(piece, QuickJobKind.BreakerReset);
        if (ValveTurned().IsMatch(plain))
            return new QuickJob(piece, QuickJobKind.ValveTurned);
        if (HeaterLegs().Match(plain) is { Success: true } legs)
            return Measured(piece, new(ComponentKind.HeaterElement), LoadTest.Current, QuantityKind.Current,
                [.. Three.Where(g => legs.Groups[g].Success)
                    .Select((g, i) => ($"{Leg}{i + 1}", legs.Groups[g].Value))]);
        if (Volts().Match(plain) is { Success: true } volts)
            return Measured(piece, new(ComponentKind.Breaker), LoadTest.Voltage, QuantityKind.Voltage,
                [($"{volts.Groups["one"].Value.ToUpperInvariant()}-"
                + Earth(volts.Groups["two"].Value), volts.Groups["value"].Value)]);
        if (Capacitor().Match(plain) is { Success: true } cap)
            return CapacitorOf(cap.Groups["part"].Value) is { } capacitor
                ? Measured(piece, capacitor, LoadTest.Capacitance, QuantityKind.Capacitance, [("", cap.Groups["value"].Value)],
                    cap.Groups["marked"].Value)
                : new QuickUnclear(piece, QuickProblem.UnknownWords);
        if (Windings().Match(plain) is { Success: true } windings && MotorOf(windings.Groups["part"].Value) is { } motor)
            return Measured(piece, motor, LoadTest.Windings, QuantityKind.Resistance,
                [("", windings.Groups["one"].Value), ("", windings.Groups["two"].Value), ("", windings.Groups["three"].Value)]);
        if (Amps().Match(plain) is { Success: true } amps && LoadOf(amps.Groups["part"].Value) is { } load)
            return Measured(piece, load, LoadTest.Current, QuantityKind.Current, [("", amps.Groups["value"].Value)]);
        if (Replacing().IsMatch(plain) && Earlier().Match(plain) is { Success: true } earlier
            && PartOf(earlier.Groups["part"].Value) is { } old && DaysAgo(earlier) is { } days)
            return new QuickEarlierPart(piece, old, days);
        if (Replaced().Match(plain) is { Success: true } replaced && PartOf(replaced.Groups["part"].Value) is { } part)
            return new QuickPart(piece, part);
        return Sensor().Match(plain) is { Success: true } sensor ? SensorOf(piece, sensor) : null;
    }

    private static string Earth(string typed) => typed switch
    {
        "n" or "neutral" => "N",
        "l1" or "l2" or "l3" => typed.ToUpperInvariant(),
        _ => "earth",
    };

    private QuickItem Measured(
        string piece, Component component, LoadTest test, QuantityKind kind, IReadOnlyList<(string Between, string Typed)> typed,
        string? marked = null)
    {
        var readings = typed.Select(t => (t.Between, QuantityReader.Read(t.Typed, kind, units).Value)).ToList();
        var rating = marked is null ? null : QuantityReader.Read(marked, kind, units).Value;
        return readings.TrueForAll(r => r.Value is not null) && (marked is null || rating is not null)
            ? new QuickLoadTest(piece, component, test, [.. readings.Select(r => new LoadReading(r.Between, r.Value!))], rating)
            : new QuickUnclear(piece, QuickProblem.UnknownWords);
    }

    private static Component? CapacitorOf(string part) => part switch
    {
        "" or "run" or "comp" or "compressor" or "comp run" or "compressor run" => new(ComponentKind.RunCapacitor),
        "start" or "comp start" or "compressor start" => new(ComponentKind.StartCapacitor),
        "cond fan" or "condenser fan" or "cond fan motor" or "condenser fan motor" or "outdoor fan" or "cond fan run"
            or "condenser fan run" => new(ComponentKind.CondenserFanCapacitor),
        _ => null,
    };

    private Component? MotorOf(string part) => part switch
    {
        "" or "comp" or "compressor" or "motor" or "comp motor" or "compressor motor" => new(ComponentKind.Compressor),
        _ => LoadOf(part),
    };

    /// <summary>A motor or heater whose current is no reading of the circuit.</summary>
    private Component? LoadOf(string part) => PartOf(part) is
        { Kind: ComponentKind.CondenserFan or ComponentKind.EvaporatorFan or ComponentKind.HeaterElement or ComponentKind.GlycolPump } load
            ? load : null;

    /// <summary>Null where the number is none.</summary>
    private static double? DaysAgo(Match told) => told.Groups["when"].Value switch
    {
        "yesterday" => 1,
        "last week" => DaysOf("week"),
        "last month" => DaysOf("month"),
        _ => Count(told.Groups["some"].Value) is > 0 and < 1000 and var n ? n * DaysOf(told.Groups["unit"].Value) : null,
    };

    private static int Count(string word) => word == "a" ? 1 : int.TryParse(word, out var number) ? number : Array.IndexOf(Counted, word);

    private static int DaysOf(string unit) => unit switch { "week" => 7, "month" => 30, _ => 1 };

    private static readonly string[] Counted =
        ["", "one", "two", "three", "four", "five", "six", "seven", "eight", "nine", "ten", "eleven", "twelve"];

    /// <summary>A part by its words, with a number behind it where there are several.</summary>
    private Component? PartOf(string typed)
    {
        var name = typed.Trim();
        if (words.Parts.TryGetValue(name, out var kind))
            return new(kind);
        if (Numbered().Match(name) is not { Success: true } numbered || !words.Parts.TryGetValue(numbered.Groups["name"].Value, out kind))
            return null;
        var place = numbered.Groups["place"].Value[0] - '0';
        var most = kind == ComponentKind.EvaporatorFan ? evaporatorFans : MostOfAKind;
        return place >= 1 && place <= most ? new(kind, place) : null;
    }

    private const int MostOfAKind = 6;

    private static readonly string[] Three = ["one", "two", "three"];

    /// <summary>Begins where a current of several was taken.</summary>
    private const string Leg = "leg ";

    private QuickItem SensorOf(string piece, Match match)
    {
        var name = sensors.FirstOrDefault(s => string.Equals(s, match.Groups["name"].Value, StringComparison.OrdinalIgnoreCase));
        var signal = QuantityReader.Read(match.Groups["value"].Value + match.Groups["unit"].Value, QuantityKind.Resistance, units).Value;
        var reference = match.Groups["ice"].Success ? new TypedValue(0, Unit.Celsius)
            : QuantityReader.Read(match.Groups["at"].Value + match.Groups["degrees"].Value, QuantityKind.Temperature, units).Value;
        return name is null || signal is null || reference is null ? new QuickUnclear(piece, QuickProblem.NoSuchSensor)
            : new QuickSensor(piece, name, signal, reference);
    }
}
