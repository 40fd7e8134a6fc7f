namespace KeenEmber.Core.Benches.Electrical;

/// <summary>Electrical parts that are judged by what was measured of them.</summary>
public enum TestedPart
{
    /// <summary>Start or run capacitor. Plate: microfarad, tolerancePercent; or microfaradLow and microfaradHigh. Measured: microfarad; or
    /// volts, amps and hertz under load.</summary>
    Capacitor,

    /// <summary>Three pins of a motor in any order. Measured: ohms12, ohms23, ohms13; leadOhms of the meter's leads.</summary>
    Windings,

    /// <summary>Winding to shell. Plate: volts. Measured: megohm, windingC.</summary>
    Insulation,

    /// <summary>Three voltages between conductors. Measured: volts12, volts23, volts13.</summary>
    ThreePhaseSupply,

    /// <summary>A fuse with its circuit live. Plate: volts. Measured: voltsAcross.</summary>
    Fuse,

    /// <summary>A closed pole under load. Plate: volts. Measured: voltsAcross, amps.</summary>
    ContactorPole,

    /// <summary>Coil of a relay, contactor or valve. Plate: volts, ohms. Measured: volts, ohms.</summary>
    Coil,

    /// <summary>Heater element. Plate: watts, volts. Measured: ohms; or amps and volts.</summary>
    Heater,

    /// <summary>Fan motor. Plate: amps, rpm. Measured: amps, rpm, twinRpm.</summary>
    FanMotor,

    /// <summary>Control transformer. Plate: primaryVolts, secondaryVolts. Measured: primaryVolts, secondaryVolts.</summary>
    Transformer,

    /// <summary>Start relay of the current type, its lead off. Measured: ohmsUpright, ohmsInverted; an open circuit is no number.</summary>
    CurrentRelay,

    /// <summary>Overload or protector, its lead off. Measured: ohms, shellC.</summary>
    Overload,
}

/// <summary>What a test of a part comes to.</summary>
public enum PartVerdict
{
    /// <summary>Within its band.</summary>
    Sound,

    /// <summary>Within its band, near its end, or beyond what is good for it but not for its work.</summary>
    Watch,

    /// <summary>Less than it should have.</summary>
    Low,

    /// <summary>More than it should have.</summary>
    High,

    /// <summary>An open circuit.</summary>
    Open,

    /// <summary>No resistance.</summary>
    Shorted,

    /// <summary>Open at a protector inside that may close when it is cold.</summary>
    ProtectorOpen,

    /// <summary>Resistances that no sound motor has.</summary>
    DoesNotAddUp,

    /// <summary>A conductor is dead.</summary>
    LegLost,

    /// <summary>Insulation below what is safe.</summary>
    Unsafe,

    /// <summary>Measured numbers are missing, or cannot be so.</summary>
    CannotTell,
}

/// <summary>What was measured of a part, with what it is marked with.</summary>
/// <param name="Plate">By name, as <see cref="TestedPart"/> lists them; SI with the unit in the name.</param>
/// <param name="Measured">By name; infinite for an open circuit.</param>
public sealed record PartTest(TestedPart Part, IReadOnlyDictionary<string, double> Plate, IReadOnlyDictionary<string, double> Measured)
{
    /// <summary>NaN where it was not given.</summary>
    internal double Marked(string name, double otherwise = double.NaN) => Plate.TryGetValue(name, out var value) ? value : otherwise;

    internal double Read(string name, double otherwise = double.NaN) => Measured.TryGetValue(name, out var value) ? value : otherwise;
}

/// <summary>The judgement of one test.</summary>
/// <param name="Value">The number it rests on, in its own unit: µF, Ω, MΩ at 40 °C, %, V.</param>
/// <param name="Low">Lower end of the band; null where there is none.</param>
/// <param name="High">Upper end; null where there is none.</param>
/// <param name="Roles">Of three pins: which is common, run and start, by their number; else empty.</param>
public sealed record PartResult(PartVerdict Verdict, double? Value = null, double? Low = null, double? High = null,
    IReadOnlyDictionary<string, int>? Roles = null)
{
    /// <summary>To the nearer end of the band, as a share of the value; below 0 beyond it. Null where there is no band.</summary>
    public double? Margin => Value is { } v && double.IsFinite(v) && v != 0 && (Low ?? High) is not null
        ? Math.Min(Low is { } l ? (v - l) / Math.Abs(v) : double.MaxValue, High is { } h ? (h - v) / Math.Abs(v) : double.MaxValue) : null;
}
