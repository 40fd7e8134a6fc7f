using System.Globalization;
using KeenEmber.Core.Defrost;
using KeenEmber.Core.Quantities;
using KeenEmber.Web.Wording;

namespace KeenEmber.Web.Pages.Visits;

/// <summary>The set-up of a defrost as typed into its form, and what is wrong with it.</summary>
public sealed class DefrostSetUpForm(UnitPreference units)
{
    public const int Legs = 3;

    private readonly Dictionary<string, string> typed = [];

    public Dictionary<string, string> Errors { get; } = [];

    public string this[string field] => typed.GetValueOrDefault(field, "");

    public static DefrostSetUpForm From(DefrostSetUp? setUp, UnitPreference units)
    {
        var form = new DefrostSetUpForm(units);
        void Set(string field, object? value) => form.typed[field] = value switch
        {
            null => "", double d => d.ToString("0.##", CultureInfo.InvariantCulture), TypedValue v => $"{UnitText.Number(v.Number, v.Number % 1 == 0 ? 0 : 1)} {v.Unit.Symbol}", _ => value.ToString() ?? "",
        };
        var s = setUp ?? new(DefrostKind.Electric, DefrostStart.Clock, TerminationKind.Switch);
        Set("kind", s.Kind);
        Set("start", s.Start);
        Set("endedBy", s.EndedBy);
        Set("sensorPlace", s.SensorPlace);
        Set("endAt", s.EndAt);
        Set("resetAt", s.ResetAt);
        Set("endPressure", s.EndPressure);
        Set("failSafe", s.FailSafeMin);
        Set("drip", s.DripMin);
        Set("fanDelay", s.FanDelayAt);
        Set("connection", s.Connection);
        Set("coilMass", s.CoilMassKg);
        Set("starts", string.Join(" ", (s.Starts ?? []).Select(t => t.ToString("HH:mm", CultureInfo.InvariantCulture))));
        for (var leg = 0; leg < Legs; leg++)
        {
            Set($"watts{leg + 1}", leg < s.Legs.Count ? s.Legs[leg].Watts : null);
            Set($"volts{leg + 1}", leg < s.Legs.Count ? s.Legs[leg].Volts : null);
        }

        return form;
    }

    /// <returns>Null when something is wrong, which <see cref="Errors"/> then says.</returns>
    public DefrostSetUp? Read(IFormCollection fields)
    {
        foreach (var field in fields)
            typed[field.Key] = TypingText.Kept(field.Value.ToString(), 200);
        var heaters = new List<HeaterLeg>();
        for (var leg = 1; leg <= Legs; leg++)
        {
            var (watts, volts) = (Number($"watts{leg}", 1, 50_000, "watts"), Number($"volts{leg}", 1, 1000, "volts"));
            if (watts is { } w && volts is { } v)
                heaters.Add(new(w, v));
            else if (watts is null != volts is null && !Errors.ContainsKey($"watts{leg}") && !Errors.ContainsKey($"volts{leg}"))
                Errors[watts is null ? $"watts{leg}" : $"volts{leg}"] = "Watts and volts of an element go together.";
        }

        var setUp = new DefrostSetUp(Choice<DefrostKind>("kind"), Choice<DefrostStart>("start"), Choice<TerminationKind>("endedBy"), this["sensorPlace"],
            Value("endAt", QuantityKind.Temperature), Value("resetAt", QuantityKind.Temperature), Value("endPressure", QuantityKind.Pressure),
            Number("failSafe", 1, 240, "minutes"), Number("drip", 0, 60, "minutes"), Value("fanDelay", QuantityKind.Temperature), Choice<HeaterConnection>("connection"), heaters,
            Number("coilMass", 0.1, 2000, "kilograms"), Starts());
        if (setUp.Connection != HeaterConnection.Separate && heaters.Count is > 0 and not 3)
            Errors["connection"] = "A three-phase set has three elements.";
        if (setUp is { FanDelayAt: { } fans, EndAt: { } end } && fans.Temperature > end.Temperature)
            Errors["fanDelay"] = "The fans would come back warmer than the heat ends. Are the two swapped?";
        return Errors.Count == 0 ? setUp : null;
    }

    private T Choice<T>(string field)
        where T : struct, Enum
    {
        if (Enum.TryParse<T>(this[field], out var choice) && Enum.IsDefined(choice))
            return choice;
        Errors[field] = "Choose one.";
        return default;
    }

    private TypedValue? Value(string field, QuantityKind kind)
    {
        if (this[field].Length == 0)
            return null;
        var read = QuantityReader.Read(this[field], kind, units);
        if (read.Problem is { } problem)
            Errors[field] = TypingText.Problem(problem, kind, units);
        return read.Value;
    }

    private double? Number(string field, double low, double high, string what)
    {
        if (this[field].Length == 0)
            return null;
        if (QuantityReader.Number(this[field]) is { } number && number >= low && number <= high)
            return number;
        Errors[field] = string.Create(CultureInfo.InvariantCulture, $"Type {what} between {low} and {high}.");
        return null;
    }

    private List<TimeOnly>? Starts()
    {
        var starts = new List<TimeOnly>();
        foreach (var text in this["starts"].Split([' ', ',', ';'], StringSplitOptions.RemoveEmptyEntries))
        {
            if (TimeOnly.TryParseExact(text, ["H:mm", "HH:mm"], CultureInfo.InvariantCulture, DateTimeStyles.None, out var time))
                starts.Add(time);
            else
                Errors["starts"] = "Type times of day such as 06:00 12:00 18:00.";
        }

        return starts.Count == 0 ? null : [.. starts.Distinct().Order()];
    }
}
