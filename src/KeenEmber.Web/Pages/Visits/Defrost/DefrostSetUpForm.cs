using System.Globalization;
using KeenEmber.Core.Benches.Defrost;
using KeenEmber.Core.Plant;
using KeenEmber.Core.Quantities;
using KeenEmber.Words;

namespace KeenEmber.Web.Pages.Visits.Defrost;

/// <summary>The set-up of a defrost in the fields of a form.</summary>
public static class DefrostSetUpForm
{
    public const int Legs = 3;

    /// <summary>What the termination switch does as it warms up.</summary>
    public const string Opens = "opens", Closes = "closes";

    /// <summary>Shows a set-up as it is on record, or the usual one to begin with.</summary>
    public static void Fill(FilledForm form, DefrostSetUp? setUp, UnitText units)
    {
        void Set(string field, object? value) => form[field] = value switch
        {
            null => "", double d =>
                d.ToString("0.##", CultureInfo.InvariantCulture), TypedValue v =>
                string.Create(CultureInfo.InvariantCulture, $"{v.Number:0.###} {v.Unit.Symbol}"), _ => value.ToString() ?? "",
        };
        var s = setUp ?? new(DefrostKind.Electric, DefrostStart.Clock, TerminationKind.Switch);
        Set("kind", s.Kind);
        Set("start", s.Start);
        Set("endedBy", s.EndedBy);
        Set("sensorPlace", s.SensorPlace);
        Set("endAt", s.EndAt);
        Set("resetAt", s.ResetAt);
        Set("switchWarm", s.SwitchOpensWarm switch { true => Opens, false => Closes, null => null });
        Set("endPressure", s.EndPressure);
        Set("failSafe", s.FailSafeMin);
        Set("drip", s.DripMin);
        Set("fanDelay", s.FanDelayAt);
        Set("connection", s.Connection);
        Set("coilMass", s.CoilMassKg is { } kg ? units.Weight(kg) : null);
        Set("starts", string.Join(" ", (s.Starts ?? []).Select(t => t.ToString("HH:mm", CultureInfo.InvariantCulture))));
        for (var leg = 0; leg < Legs; leg++)
        {
            Set($"watts{leg + 1}", leg < s.Legs.Count ? s.Legs[leg].Watts : null);
            Set($"volts{leg + 1}", leg < s.Legs.Count ? s.Legs[leg].Volts : null);
        }
    }

    /// <returns>Null when something is wrong, which the form then says.</returns>
    public static DefrostSetUp? Read(FilledForm form)
    {
        var heaters = new List<HeaterLeg>();
        for (var leg = 1; leg <= Legs; leg++)
        {
            var (watts, volts) = (form.Number($"watts{leg}", 1, 50_000, "watts"), form.Number($"volts{leg}", 1, 1000, "volts"));
            if (watts is { } w && volts is { } v)
                heaters.Add(new(w, v));
            else if (watts is null != volts is null && form.Error($"watts{leg}") is null && form.Error($"volts{leg}") is null)
                form.Errors[watts is null ? $"watts{leg}" : $"volts{leg}"] = "Watts and volts of an element go together.";
        }

        var setUp =
            new DefrostSetUp(
            form.Choice<DefrostKind>("kind"), form.Choice<DefrostStart>("start"), form.Choice<TerminationKind>("endedBy"),
            form.Text("sensorPlace", 200),
            form.Value("endAt", QuantityKind.Temperature), form.Value("resetAt", QuantityKind.Temperature),
                form.Value("endPressure", QuantityKind.Pressure),
            form.Number("failSafe", 1, 240, "minutes"), form.Number("drip", 0, 60, "minutes"),
                form.Value("fanDelay", QuantityKind.Temperature), form.Choice<HeaterConnection>("connection"), heaters,
            form.Weight("coilMass", 0.1, 2000), form.Times("starts") is { Count: > 0 } starts ? starts : null,
            form["switchWarm"] switch { Opens => true, Closes => false, _ => null });
        if (setUp.Connection != HeaterConnection.Separate && heaters.Count is > 0 and not 3)
            form.Errors["connection"] = "A three-phase set has three elements.";
        if (setUp is { FanDelayAt: { } fans, EndAt: { } end } && fans.Temperature > end.Temperature)
            form.Errors["fanDelay"] = "The fans would come back warmer than the heat ends. Are the two swapped?";
        return form.IsWrong ? null : setUp;
    }
}
