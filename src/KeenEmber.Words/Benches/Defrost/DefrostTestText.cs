using KeenEmber.Core.Benches.Defrost;
using KeenEmber.Core.Quantities;

namespace KeenEmber.Words.Benches.Defrost;

/// <summary>What the tests of the defrost clock and of the end and fan-delay switches say.</summary>
public static class DefrostTestText
{
    public static string Clock(ClockTestEntry test)
    {
        var rate = test is { WaitedMin: { } waited, DialMin: { } dial } ? ClockTest.Judge(waited, dial) : null;
        var said = new[]
        {
            rate?.Verdict switch
            {
                null => "",
                ClockVerdict.RunsTrue =>
                    $"runs true ({UnitText.Number(test.DialMin!.Value, 0)} min of dial in {UnitText.Number(rate.WaitedMin, 0)})",
                ClockVerdict.Slow =>
                    $"runs slow: {UnitText.Number(test.DialMin!.Value, 0)} min of dial in {UnitText.Number(rate.WaitedMin, 0)}",
                ClockVerdict.Fast =>
                    $"runs fast: {UnitText.Number(test.DialMin!.Value, 0)} min of dial in {UnitText.Number(rate.WaitedMin, 0)}",
                ClockVerdict.Stopped => "has stopped: it stays in the state it was left in",
                _ => "moves; the wait was too short to show how fast",
            },
            test.ContactsChange switch { true => "contacts change over", false => "contacts do not change over", _ => "" },
            test.SolenoidReleases switch { true => "solenoid releases", false => "solenoid does not release", _ => "" },
            test.TimeOfDayOffMin switch
            {
                null => "",
                > -10 and < 10 => "time of day right",
                { } off => $"time of day {UnitText.Number(Math.Abs(off), 0)} min {(off > 0 ? "ahead" : "behind")}",
            },
        };
        return $"Clock {string.Join("; ", said.Where(s => s.Length > 0))}.";
    }

    /// <summary>As a line of the record: "heaters at 228 V: leg 1 8.7 A, leg 2 not measured".</summary>
    public static string HeaterAmps(HeaterAmpsEntry test)
    {
        var volts = test.Volts is { } v ? $" at {UnitText.Number(v.Number, 0)} {v.Unit.Symbol}" : "";
        return $"heaters{volts}: {Currents(test)}";
    }

    /// <summary>"9.4 A", or by leg where there are several.</summary>
    public static string Currents(HeaterAmpsEntry test)
    {
        var currents = test.Amps.Select(a => a is { } amps ? $"{UnitText.Number(amps, 1)} A" : "not measured").ToList();
        return currents is [var one] ? one : string.Join(", ", currents.Select((c, i) => $"leg {i + 1} {c}"));
    }

    /// <summary>What the currents of the heaters come to where no element is out.</summary>
    public static string HeatersWhole(HeaterState state) =>
        $"Every element that was measured draws what it should: {UnitText.Number(state.PowerKw, 1)} of "
        + $"{UnitText.Number(state.RatedKw, 1)} kW"
        + $"{(state.IsMeasured ? "" : " at the rated voltage; measure the voltage too")}.";

    /// <summary>One state that is enough.</summary>
    public static string Contradicts(SwitchStateEntry state, UnitText units) =>
        $"At {units.Temperature(state.Temperature.Temperature.Kelvin)} it is {(state.IsClosed ? "closed" : "open")} and should not be: it "
        + "is stuck, or of another rating. Check the thermometer sits on the switch, then replace it.";

    public static string Switch(SwitchBracket bracket, double ratedC, bool rising, UnitText units)
    {
        string T(double c) => units.Temperature(Temperature.ZeroCelsiusInKelvin + c);
        var way = rising ? "Warming" : "Cooling";
        return bracket.Verdict switch
        {
            SwitchVerdict.NotBracketed => $"{way}: not clear yet whether it acts at {T(ratedC)}; take states on both sides of it.",
            SwitchVerdict.NeverActs => $"{way} through {T(ratedC)} it did not act: it is stuck.",
            SwitchVerdict.InTolerance =>
                $"{way}: acts between {T(bracket.BelowC!.Value)} and {T(bracket.AboveC!.Value)}, rated {T(ratedC)}: good.",
            _ => $"{way}: acts between {T(bracket.BelowC!.Value)} and {T(bracket.AboveC!.Value)}, rated {T(ratedC)}: too "
                + $"{(bracket.Verdict == SwitchVerdict.Early ? "early" : "late")}.",
        };
    }
}
