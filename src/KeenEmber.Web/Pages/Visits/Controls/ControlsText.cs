using KeenEmber.Core.Benches.Controls;
using KeenEmber.Core.Benches.Glycol;
using KeenEmber.Core.Findings;
using KeenEmber.Core.Plant;
using KeenEmber.Core.Record;
using KeenEmber.Web.Pages.Visits.Circuit;
using KeenEmber.Web.Wording;

namespace KeenEmber.Web.Pages.Visits.Controls;

/// <summary>Names of pressure settings, and what the checks on them and on a glycol mixture say.</summary>
public static class ControlsText
{
    public static string Name(PressureSetting setting) => setting switch
    {
        PressureSetting.LowCutIn => "low-pressure cut-in",
        PressureSetting.LowCutOut => "low-pressure cut-out",
        PressureSetting.FanOn => "condenser fan on",
        PressureSetting.FanOff => "condenser fan off",
        PressureSetting.HighCutOut => "high-pressure cut-out",
        PressureSetting.WaterValveOpening => "water valve opens",
        _ => "evaporator regulator",
    };

    public static string Name(SettingStage stage) => stage == SettingStage.AsFound ? "as found" : "as set";

    public static string Name(GlycolKind kind) => kind == GlycolKind.Propylene ? "propylene glycol" : "ethylene glycol";

    /// <summary>A finding on the settings or on the glycol, with its numbers.</summary>
    public static string Finding(Finding finding, UnitText units)
    {
        string T(string name) => finding.Values.TryGetValue(name, out var kelvin) ? units.Temperature(kelvin) : "unknown";
        return finding.Code switch
        {
            PressureControlChecks.CutInNotAboveCutOut => $"Low-pressure cut-in ({T("LowCutIn")}) must lie above cut-out ({T("LowCutOut")}).",
            PressureControlChecks.CutOutAboveEvaporating => $"Low-pressure cut-out at {T("LowCutOut")} stops the compressor while the coil still has to work at {T("Coil")}.",
            PressureControlChecks.CutInAboveBox => $"Low-pressure cut-in at {T("LowCutIn")} is warmer than the box at {T("Box")}: it waits too long, or never starts.",
            PressureControlChecks.DifferentialTooClose => $"Cut-in {T("LowCutIn")} and cut-out {T("LowCutOut")} are too close: it will short cycle.",
            PressureControlChecks.PumpDownCannotHold => $"Pump-down ends at {T("LowCutOut")}, too near the coil's {T("Coil")}: liquid stays in it and the compressor starts again and again.",
            PressureControlChecks.CannotRestartInTheCold => $"With {T("Ambient")} at the condenser the pressure cannot rise to the cut-in at {T("LowCutIn")}: it will not start in winter.",
            PressureControlChecks.FreezesCooler => $"Cut-out at {T("LowCutOut")} lets the coil of a {T("Box")} box run far under freezing.",
            PressureControlChecks.FanNeverStops => $"The fan stops at {T("FanOff")}, colder than the coldest air ({T("Ambient")}): it never stops in cold weather.",
            PressureControlChecks.FanOnNotAboveOff => $"Fan on ({T("FanOn")}) must lie above fan off ({T("FanOff")}).",
            PressureControlChecks.FanOffTooLow => $"The fan runs down to {T("FanOff")} condensing: the valve is not fed below about {T("Lowest")}.",
            PressureControlChecks.FanHoldsHeadHigh => $"The fan waits until {T("FanOn")} condensing: head is held higher than needed.",
            PressureControlChecks.HighCutOutTooLow => $"High-pressure cut-out at {T("HighCutOut")} will trip on hot days.",
            PressureControlChecks.HighCutOutTooHigh => $"High-pressure cut-out at {T("HighCutOut")} waits too long. The plate says what the unit bears; never bypass a safety.",
            PressureControlChecks.WaterValveOutOfRange => $"The water valve opens at {T("WaterValveOpening")} condensing; {T("Lowest")} to {T("Highest")} is usual.",
            PressureControlChecks.RegulatorOutOfRange => $"The regulator holds {T("EvaporatorRegulator")}. Set it to hold the coil at {T("Coldest")} to {T("Warmest")}.",
            PressureControlChecks.OutOfRange => $"{CircuitText.Sentence(Name(Enum.Parse<PressureSetting>(finding.Seen[0])))} lies outside what is known of this refrigerant. Check the unit.",
            GlycolCheck.TooWeak => $"The mixture is too weak: it freezes at {T("Freezing")}, and at the right set point the coil is at {T("CoilAtSetPoint")}. If it froze, the mixture let it.",
            GlycolCheck.ControlTooCold => $"The mixture would do ({T("Freezing")}), but a surface was at {T("ColdestSurface")}: the control, or a low suction, let it freeze.",
            GlycolCheck.ThinMargin => $"Freezes at {T("Freezing")}, too close to the coil at {T("CoilAtSetPoint")}. Strengthen the mixture.",
            GlycolCheck.TooStrong => $"It freezes only at {T("Freezing")}, far stronger than the coil's {T("CoilAtSetPoint")} needs: thick, and poor at carrying heat.",
            GlycolCheck.Fits => $"The mixture fits: it freezes at {T("Freezing")}, the coil at the right set point is at {T("CoilAtSetPoint")}.",
            _ => "This strength is outside 0 to 60 % by mass: nothing is known of it here.",
        };
    }

    /// <summary>Without figures, for a line in a list.</summary>
    public static string Headline(Finding finding) => finding.Code switch
    {
        GlycolCheck.TooWeak => "The glycol is too weak for its set point.",
        GlycolCheck.ControlTooCold => "The glycol would do, but the control or a low suction let it freeze.",
        GlycolCheck.ThinMargin => "The glycol is hardly strong enough.",
        GlycolCheck.TooStrong => "The glycol is far stronger than it needs to be.",
        GlycolCheck.OutOfRange => "The glycol's strength is outside what is known.",
        PressureControlChecks.CutInNotAboveCutOut => "The low-pressure cut-in does not lie above the cut-out.",
        PressureControlChecks.CutOutAboveEvaporating => "The low-pressure cut-out stops the compressor too early.",
        PressureControlChecks.CutInAboveBox => "The low-pressure cut-in is warmer than the box.",
        PressureControlChecks.DifferentialTooClose => "Low-pressure cut-in and cut-out are too close: it will short cycle.",
        PressureControlChecks.PumpDownCannotHold => "The pump-down ends too near the working pressure to hold.",
        PressureControlChecks.CannotRestartInTheCold => "By its low-pressure cut-in it will not start in winter.",
        PressureControlChecks.FreezesCooler => "The low-pressure cut-out lets the coil freeze.",
        PressureControlChecks.HighCutOutTooLow => "The high-pressure cut-out will trip on hot days.",
        PressureControlChecks.HighCutOutTooHigh => "The high-pressure cut-out waits too long.",
        PressureControlChecks.WaterValveOutOfRange => "The water valve opens at an unusual pressure.",
        PressureControlChecks.RegulatorOutOfRange => "The evaporator regulator does not fit the box.",
        PressureControlChecks.OutOfRange => "A pressure setting lies outside what is known of the refrigerant.",
        _ => "The condenser fan's pressure settings do not fit.",
    };
}
