using System.Text.RegularExpressions;
using KeenEmber.Core.Plant;
using KeenEmber.Core.Quantities;

namespace KeenEmber.Core.Visits.LogLine;

/// <summary>A setting of the control, found or made.</summary>
/// <param name="Text">The piece as typed.</param>
/// <param name="Setting">Which one.</param>
/// <param name="Name">What it was called.</param>
/// <param name="Found">How it stood; null where only the change was told.</param>
/// <param name="Set">How it was left; null where nothing was changed.</param>
public sealed record QuickSetting(string Text, NamedSetting Setting, string Name, TypedValue? Found, TypedValue? Set) : QuickItem(Text);

/// <summary>One look at an output of the controller.</summary>
/// <param name="Text">The piece as typed.</param>
/// <param name="Output">Which one.</param>
/// <param name="State">What was seen of it.</param>
public sealed record QuickOutput(string Text, ControlOutput Output, OutputState State) : QuickItem(Text);

/// <summary>The heat of a defrost came on, or went off by itself.</summary>
/// <param name="Text">The piece as typed.</param>
/// <param name="IsOn">It came on.</param>
public sealed record QuickHeat(string Text, bool IsOn) : QuickItem(Text);

/// <summary>A parameter of a controller, or a setting of a pressure control.</summary>
/// <param name="Parameter">The one; null for a pressure.</param>
/// <param name="Pressure">The other; null for a parameter.</param>
public sealed record NamedSetting(ControllerParameter? Parameter, PressureSetting? Pressure)
{
    /// <summary>The kind of quantity it is.</summary>
    public QuantityKind Kind => Parameter?.Measures() ?? QuantityKind.Pressure;
}

/// <summary>Reads pieces that tell of the control: "set point 38 to 36", "comp output called, live, not running", "heat on".</summary>
internal sealed partial class QuickControl(QuickWords words, UnitPreference units)
{
    private const string Value = @"[-−–+]?\d+(?:[.,]\d+)?\s*[^\s\d]*(?:\s*[cf])?";

    [GeneratedRegex(@"^(?:i\s+)?(?:set|changed|turned|adjusted|moved|raised|lowered)\s+(?:the\s+)?(?<rest>.+)$")]
    private static partial Regex Changed();

    [GeneratedRegex(@"^(?<name>[^\d]+?)[\s:=]+(?<one>" + Value + @")(?:\s*(?:to|->|→)\s*(?<two>" + Value + "))?$")]
    private static partial Regex NameAndValues();

    [GeneratedRegex(@"(?:\s+(?:is|was|at|to|from|set|found|up|down|back|reads|changed|moved|raised|lowered|turned|now))+$")]
    private static partial Regex Trailing();

    [GeneratedRegex(@"\b(?:changed|moved|raised|lowered|turned)\b")]
    private static partial Regex ChangedBehind();

    private const string Between = @"(?:\s*[,;]\s*|\s+)(?:and\s+|but\s+)?";

    [GeneratedRegex(@"^(?<out>comp|compressor|fans?|evap fans?|defrost|heaters?|heat|solenoid|liquid valve|liquid solenoid|valve|alarm)"
        + @"(?:\s+(?:output|relay|contact))?(?:\s+is)?\s+(?<call>not called|not calling|not energized|called|calling|energized)"
        + "(?:" + Between + @"(?<live>live|powered|dead|not live|no voltage|no power|\d+\s*v(?:olts?)?))?"
        + "(?:" + Between + @"(?<runs>(?:is\s+)?(?:runs|running)|(?:is\s+)?(?:not running|still|stopped|standing|off)|does nothing|"
        + @"does not run|doesn't run))?$")]
    private static partial Regex Output();

    [GeneratedRegex(@"^(?:defrost\s+)?(?:heat|heaters)\s+(?:is\s+|are\s+|came\s+|just\s+came\s+|went\s+)?(?<state>on|off)$")]
    private static partial Regex Heat();

    [GeneratedRegex(@"^(?:the\s+)?(?<name>[a-z]+(?: [a-z]+)?)\s+(?:sensor|probe|thermistor)\s+(?:(?:is|reads|shows|reading|showing)\s+)?"
        + @"(?<value>\d+(?:[.,]\d+)?\s*[^\s\d]*)\s+(?:too\s+)?(?<way>high|low|more|less|over|under|above|below|warm|cold|warmer|colder)"
        + @"(?:\s+(?:than|the|its)\b.*)?$")]
    private static partial Regex SensorOff();

    /// <summary>What a sensor of the control shows more or less than what it measures.</summary>
    private QuickAnswer? Error(string piece, string plain) => SensorOff().Match(plain) is { Success: true } off
        && words.Probes.TryGetValue(off.Groups["name"].Value, out var observable)
        && QuantityReader.Read(off.Groups["value"].Value, QuantityKind.Difference, units).Value is { } by
            ? new(piece, observable, "", off.Groups["way"].Value is "high" or "more" or "over" or "above" or "warm" or "warmer"
                ? by.Si(default) : -by.Si(default)) : null;

    /// <summary>A line that is one look at an output, commas and all.</summary>
    internal static QuickItem? OutputIn(string line)
    {
        if (Output().Match(line.Trim().ToLowerInvariant()) is not { Success: true } match)
            return null;
        var live = match.Groups["live"].Value;
        var runs = match.Groups["runs"].Value;
        return new QuickOutput(line.Trim(), Which(match.Groups["out"].Value), new(
            !match.Groups["call"].Value.StartsWith("not", StringComparison.Ordinal),
            live.Length == 0 ? null : live is not ("dead" or "not live" or "no voltage" or "no power") && !IsNoVoltage(live),
            runs.Length == 0 ? null : runs.EndsWith("runs", StringComparison.Ordinal) || runs is "running" or "is running"));
    }

    private static bool IsNoVoltage(string typed) =>
        char.IsDigit(typed[0]) && int.TryParse(typed.TrimEnd('o', 'l', 't', 's', 'v', ' '), out var volts) && volts < LiveVolts;

    /// <summary>A control circuit works on 24 V or more; less is leakage.</summary>
    private const int LiveVolts = 15;

    private static ControlOutput Which(string typed) => typed switch
    {
        "comp" or "compressor" => ControlOutput.Compressor,
        "solenoid" or "liquid valve" or "liquid solenoid" or "valve" => ControlOutput.LiquidValve,
        "defrost" or "heater" or "heaters" or "heat" => ControlOutput.Defrost,
        "alarm" => ControlOutput.Alarm,
        _ => ControlOutput.Fans,
    };

    /// <returns>Null for a piece that tells of nothing like it.</returns>
    internal QuickItem? Read(string piece)
    {
        var plain = piece.Trim().ToLowerInvariant().Replace("minus ", "-", StringComparison.Ordinal).Replace('−', '-');
        return Heat().Match(plain) is { Success: true } heat ? new QuickHeat(piece, heat.Groups["state"].Value == "on")
            : Error(piece, plain) ?? Setting(piece, plain, wasChanged: false)
                ?? (Changed().Match(plain) is { Success: true } changed
                    ? Setting(piece, changed.Groups["rest"].Value, wasChanged: true) : null);
    }

    private QuickItem? Setting(string piece, string plain, bool wasChanged)
    {
        if (NameAndValues().Match(plain) is not { Success: true } match)
            return null;
        var name = match.Groups["name"].Value.Trim();
        var behind = Trailing().Match(name);
        wasChanged |= behind.Success && ChangedBehind().IsMatch(behind.Value);
        if (behind.Success)
            name = name[..behind.Index];
        // "tstat 36" is what it shows, "epr 4" a part and a number: only turned is it a setting.
        if (!words.Settings.TryGetValue(name, out var setting)
            || ((words.Points.ContainsKey(name) || words.Parts.ContainsKey(name)) && !wasChanged && !match.Groups["two"].Success))
            return null;
        var one = QuantityReader.Read(match.Groups["one"].Value, setting.Kind, units).Value;
        var two = match.Groups["two"].Success ? QuantityReader.Read(match.Groups["two"].Value, setting.Kind, units).Value : null;
        if (one is null || (match.Groups["two"].Success && two is null))
            return new QuickUnclear(piece, QuickProblem.UnknownWords);
        if (two is not null)
            return new QuickSetting(piece, setting, name, one, two);
        return wasChanged ? new QuickSetting(piece, setting, name, null, one) : new QuickSetting(piece, setting, name, one, null);
    }
}
