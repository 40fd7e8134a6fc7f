using KeenEmber.Core.Benches.Defrost;
using KeenEmber.Core.Plant;
using KeenEmber.Core.Quantities;
using KeenEmber.Words.Benches.Circuit;

namespace KeenEmber.Words.Benches.Defrost;

/// <summary>A set-up in words, and what is different between two.</summary>
public static class DefrostSetUpText
{
    public static string Name(DefrostKind kind) =>
        kind switch { DefrostKind.OffCycle => "off-cycle", DefrostKind.Electric => "electric", _ => "hot gas" };

    public static string Name(DefrostStart start) =>
        start switch { DefrostStart.Clock => "defrost clock", DefrostStart.Board => "controller board", _ => "hand" };

    public static string Name(TerminationKind kind) => kind switch
    {
        TerminationKind.Time =>
            "time alone", TerminationKind.Switch => "termination switch", TerminationKind.Probe => "termination sensor", _ => "pressure",
    };

    public static string Name(HeaterConnection connection) => connection switch
    {
        HeaterConnection.Separate => "each leg by itself", HeaterConnection.Delta => "three-phase delta", _ => "three-phase wye (star)",
    };

    public static string Line(DefrostSetUp s, UnitText units) => CircuitText.List(
        [.. Parts(s, units).Where(p => p.Value.Length > 0).Select(p => $"{p.Name} {p.Value}")]);

    /// <summary>Every setting that differs, before and after.</summary>
    public static IEnumerable<(string What, string Before, string After)> Differences(
        DefrostSetUp before, DefrostSetUp after, UnitText units) =>
        Parts(before, units).Zip(Parts(after, units)).Where(p => p.First.Value != p.Second.Value)
            .Select(p => (p.First.What, p.First.Value, p.Second.Value));

    private static IEnumerable<(string What, string Name, string Value)> Parts(DefrostSetUp s, UnitText units)
    {
        string T(TypedValue? v) => v is null ? "" : units.Temperature(v.Temperature.Kelvin);
        string Min(double? v) => v is { } m ? $"{UnitText.Number(m, m % 1 == 0 ? 0 : 1)} min" : "";
        yield return ("defrost kind", "", Name(s.Kind));
        yield return ("defrost start", "started by", Name(s.Start));
        yield return ("defrost end", "ended by", Name(s.EndedBy));
        yield return ("termination sensor's place", "at", s.SensorPlace);
        yield return ("end temperature", "at", T(s.EndAt));
        yield return ("termination switch reset", "reset", T(s.ResetAt));
        yield return ("termination switch, warming", "switch", s.SwitchOpensWarm switch
        {
            true => "opens on warming", false => "closes on warming", null => "",
        });
        yield return ("end pressure", "at", s.EndPressure is { } p ? $"{UnitText.Number(p.Number, 2)} {p.Unit.Symbol}" : "");
        yield return ("maximum defrost time", "fail-safe", Min(s.FailSafeMin));
        yield return ("drip time", "drip", Min(s.DripMin));
        yield return ("fan delay", "fans back at", T(s.FanDelayAt));
        yield return (
            "heaters", "heaters", s.Legs.Count == 0 ? ""
            : $"{string.Join(" + ", s.Legs.Select(l => $"{UnitText.Number(l.Watts, 0)} W"))} at {UnitText.Number(s.Legs[0].Volts, 0)} "
            + $"V, {Name(s.Connection)}");
        yield return (
            "defrost times", "at", s.Starts is null ? ""
            : string.Join(", ", s.Starts.Select(t => t.ToString("HH:mm", System.Globalization.CultureInfo.InvariantCulture))));
    }
}
