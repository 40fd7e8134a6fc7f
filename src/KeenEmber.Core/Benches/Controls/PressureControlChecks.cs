using KeenEmber.Core.Findings;
using KeenEmber.Core.Plant;
using KeenEmber.Core.Quantities;
using KeenEmber.Core.Refrigerants;
using static KeenEmber.Core.Plant.PressureSetting;

namespace KeenEmber.Core.Benches.Controls;

/// <param name="Settings">Absolute; what is not known is left out.</param>
/// <param name="ColdestAmbient">The coldest air the condenser stands in; null when unknown or indoors.</param>
public sealed record ControlsInput(
    Refrigerant Refrigerant, CircuitMakeUp MakeUp, Temperature BoxTarget, Temperature? ColdestAmbient, IReadOnlyDictionary<PressureSetting,
        Pressure> Settings);

/// <summary>Checks pressure settings as temperatures, against the box, the coldest weather and each other.</summary>
/// <remarks>
/// Source: trade practice. A low-pressure control must let the coil work: cut out colder than the coldest the coil may need, cut in
/// warmer than it. A pump-down control must also see, from the coldest condenser, enough pressure to cut in again. A fan-cycling
/// control keeps condensing where a valve is still fed. A high cut-out stands over the hottest condensing that is normal and under
/// what the pipes bear, which the plate says.
/// </remarks>
public static class PressureControlChecks
{
    /// <summary>Low cut-in is not above low cut-out.</summary>
    public const string CutInNotAboveCutOut = "control.low-cut-in-not-above-cut-out";

    /// <summary>Low cut-out stops it before the coil is as cold as it must get.</summary>
    public const string CutOutAboveEvaporating = "control.low-cut-out-above-evaporating";

    /// <summary>Low cut-in lies above what the warm box can reach.</summary>
    public const string CutInAboveBox = "control.low-cut-in-above-box";

    /// <summary>Low cut-in and cut-out are so close that it will short cycle.</summary>
    public const string DifferentialTooClose = "control.low-differential-too-close";

    /// <summary>A pump-down unit cuts out too high to pump down.</summary>
    public const string PumpDownCannotHold = "control.pump-down-cannot-hold";

    /// <summary>In the cold the pressure never reaches the cut-in.</summary>
    public const string CannotRestartInTheCold = "control.cannot-restart-in-the-cold";

    /// <summary>The cut-out lets the coil of a cooler freeze.</summary>
    public const string FreezesCooler = "control.cut-out-lets-a-cooler-freeze";

    /// <summary>The condenser fan never stops in the cold.</summary>
    public const string FanNeverStops = "control.fan-never-stops-in-the-cold";

    /// <summary>Fan on is not above fan off.</summary>
    public const string FanOnNotAboveOff = "control.fan-on-not-above-off";

    /// <summary>The fan stops so late that the valve is not fed.</summary>
    public const string FanOffTooLow = "control.fan-off-too-low-to-feed";

    /// <summary>The fan starts so late that head is held high.</summary>
    public const string FanHoldsHeadHigh = "control.fan-holds-head-high";

    /// <summary>The high cut-out trips on a hot day.</summary>
    public const string HighCutOutTooLow = "control.high-cut-out-trips-in-summer";

    /// <summary>The high cut-out protects nothing.</summary>
    public const string HighCutOutTooHigh = "control.high-cut-out-too-high";

    /// <summary>Settings that do harm in another season than the one a unit fails in today.</summary>
    public static IReadOnlySet<string> OfAnotherSeason { get; } =
        new HashSet<string> { CannotRestartInTheCold, FanNeverStops, HighCutOutTooLow };

    /// <summary>The water valve holds head too low or too high.</summary>
    public const string WaterValveOutOfRange = "control.water-valve-out-of-range";

    /// <summary>The regulator holds a pressure that does not fit the box.</summary>
    public const string RegulatorOutOfRange = "control.regulator-does-not-fit-box";

    /// <summary>A setting outside the refrigerant's range.</summary>
    public const string OutOfRange = "control.setting-outside-refrigerant";

    /// <summary>A low-pressure control with a smaller gap short cycles, K.</summary>
    public const double LeastDifferentialK = 5;

    /// <summary>Pump-down must end clearly under the coil's normal temperature, K, yet not in a vacuum.</summary>
    public const double PumpDownUnderEvaporatingK = 6;

    /// <summary>A fan that stops below this condensing temperature leaves the valve unfed, °C.</summary>
    public const double LowestFanOffC = 18;

    /// <summary>A fan that waits beyond this wastes energy and heats the compressor, °C.</summary>
    public const double HighestFanOnC = 45;

    /// <summary>Condensing on a hot day reaches about this; a cut-out below trips, °C.</summary>
    public const double HottestCondensingC = 52;

    /// <summary>No safety should wait longer than this, °C; the plate may say less.</summary>
    public const double HighestCutOutC = 68;

    /// <summary>Opening point of a water valve, as condensing, °C.</summary>
    private static readonly Band WaterOpeningC = new(26, 41);

    /// <summary>A box above this freezes nothing, so its coil may not go far under freezing for long, °C.</summary>
    private const double CoolerFromC = 1;
    private const double ColdestCoolerCoilC = -14;

    /// <summary>What is wrong with the settings on record, the gravest first.</summary>
    public static IReadOnlyList<Finding> Check(ControlsInput input)
    {
        var findings = new List<Finding>();
        var at = input.Settings.ToDictionary(s => s.Key, s => s.Key.AsTemperature(input.Refrigerant, s.Value));
        double? Celsius(PressureSetting setting) => at.TryGetValue(setting, out var t) ? t?.Celsius : null;
        void Say(bool so, string code, params (string Name, double? Celsius)[] values)
        {
            if (so)
                findings.Add(
                    new(code, Strength.Strong, [],
                    values.Where(v => v.Celsius is not null)
                    .ToDictionary(v => v.Name, v => Temperature.FromCelsius(v.Celsius!.Value).Kelvin)));
        }

        foreach (var setting in at.Where(s => s.Value is null))
            findings.Add(new(OutOfRange, Strength.Strong, [], new Dictionary<string, double>()) { About = [Subject.Setting(setting.Key)] });

        var targets = CircuitTargets.Of(input.MakeUp, Load.Settled, input.BoxTarget, null);
        var boxC = input.BoxTarget.Celsius;
        // As cold as the coil normally gets, and as warm: its temperature difference counts from the mid-point, settings from the dew
        // point.
        var td = targets.For(ResultKind.EvaporatorTd)!.Value;
        var (coldCoilC, warmCoilC) = (DewAt(boxC - td.High, input.Refrigerant), DewAt(boxC - td.Low, input.Refrigerant));
        var (cutIn, cutOut) = (Celsius(LowCutIn), Celsius(LowCutOut));
        var pumpsDown = input.MakeUp.Has(CircuitParts.LiquidSolenoid);
        Say(cutIn <= cutOut, CutInNotAboveCutOut, (nameof(LowCutIn), cutIn), (nameof(LowCutOut), cutOut));
        Say(cutOut > coldCoilC, CutOutAboveEvaporating, (nameof(LowCutOut), cutOut), ("Coil", coldCoilC));
        Say(cutIn > boxC, CutInAboveBox, (nameof(LowCutIn), cutIn), ("Box", boxC));
        Say(cutIn > cutOut
            && cutIn - cutOut < LeastDifferentialK, DifferentialTooClose, (nameof(LowCutIn), cutIn), (nameof(LowCutOut), cutOut));
        if (pumpsDown)
        {
            // While it stands pumped down a little always leaks back; a cut-in under the cut-out's neighbourhood starts it again and again.
            Say(cutOut > warmCoilC - PumpDownUnderEvaporatingK, PumpDownCannotHold, (nameof(LowCutOut), cutOut), ("Coil", warmCoilC));
            Say(input.ColdestAmbient is { } cold && cutIn > cold.Celsius && !input.MakeUp.Has(CircuitParts.HeadPressureValve),
                CannotRestartInTheCold, (nameof(LowCutIn), cutIn), ("Ambient", input.ColdestAmbient?.Celsius));
        }
        else
        {
            Say(boxC > CoolerFromC && cutOut < ColdestCoolerCoilC, FreezesCooler, (nameof(LowCutOut), cutOut), ("Box", boxC));
        }

        var (fanOn, fanOff) = (Celsius(FanOn), Celsius(FanOff));
        Say(fanOn <= fanOff, FanOnNotAboveOff, (nameof(FanOn), fanOn), (nameof(FanOff), fanOff));
        Say(fanOff < LowestFanOffC, input.ColdestAmbient is { } winter && fanOff <= winter.Celsius ? FanNeverStops : FanOffTooLow,
            (nameof(FanOff), fanOff), ("Ambient", input.ColdestAmbient?.Celsius), ("Lowest", LowestFanOffC));
        Say(fanOn > HighestFanOnC, FanHoldsHeadHigh, (nameof(FanOn), fanOn));
        var high = Celsius(HighCutOut);
        Say(high < HottestCondensingC, HighCutOutTooLow, (nameof(HighCutOut), high));
        Say(high > HighestCutOutC, HighCutOutTooHigh, (nameof(HighCutOut), high));
        Say(Celsius(WaterValveOpening) is { } water && WaterOpeningC.Place(water) != BandPosition.Inside, WaterValveOutOfRange,
            (nameof(WaterValveOpening), Celsius(WaterValveOpening)), ("Lowest", WaterOpeningC.Low), ("Highest", WaterOpeningC.High));
        Say(Celsius(EvaporatorRegulator) is { } regulator && (regulator > warmCoilC || regulator < coldCoilC),
            RegulatorOutOfRange, (nameof(EvaporatorRegulator), Celsius(EvaporatorRegulator)), ("Coldest", coldCoilC),
                ("Warmest", warmCoilC));
        return findings;
    }

    /// <summary>The dew point at the pressure whose mid-point is this, °C: higher by half the glide. Outside the refrigerant's range the
    /// same.</summary>
    private static double DewAt(double midpointC, Refrigerant refrigerant) =>
        FanOn.AsPressure(refrigerant, Temperature.FromCelsius(midpointC)) is { } pressure
            ? refrigerant.DewTemperature(pressure)?.Celsius ?? midpointC : midpointC;
}
