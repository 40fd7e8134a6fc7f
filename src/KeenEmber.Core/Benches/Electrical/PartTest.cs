namespace KeenEmber.Core.Benches.Electrical;

/// <summary>Electrical parts that are judged by what was measured of them.</summary>
public enum TestedPart
{
    /// <summary>Start or run capacitor. Plate: microfarad, tolerancePercent; or microfaradLow and microfaradHigh. Measured: microfarad; or
    /// volts, amps and hertz under load.</summary>
    Capacitor,

    /// <summary>Three pins of a motor in any order. Measured: ohms12, ohms23, ohms13; leadOhms of the meter's leads.</summary>
    Windings,

    /// <summary>Winding, element or lead to earth. Plate: volts. Measured: testVolts, megohm, windingC.</summary>
    Insulation,

    /// <summary>Voltages between three conductors, two of them at least. Measured: volts12, volts23, volts13.</summary>
    ThreePhaseSupply,

    /// <summary>Two conductors, or one and neutral. Plate: volts. Measured: volts idle; runVolts; startVolts.</summary>
    SinglePhaseSupply,

    /// <summary>Order of three phases by a rotation tester. Measured: order, 1 for L1-L2-L3 and -1 for the other way round.</summary>
    PhaseOrder,

    /// <summary>Two legs with a neutral between them. Measured: volts12, volts1N, volts2N.</summary>
    SplitPhaseSupply,

    /// <summary>A fuse with its circuit live. Plate: volts. Measured: voltsAcross.</summary>
    Fuse,

    /// <summary>A closed pole under load. Plate: volts. Measured: voltsAcross, amps.</summary>
    ContactorPole,

    /// <summary>A switch or control that should be closed, its circuit live. Plate: volts. Measured: voltsAcross.</summary>
    Switch,

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

    /// <summary>Start relay of the potential type, its leads off. Plate: pickUpLow, pickUpHigh, dropOut, all volts. Measured: contactOhms
    /// at rest, coilOhms; pickUp, dropOut as its coil's voltage is raised and lowered.</summary>
    PotentialRelay,

    /// <summary>Start relay without moving parts, cold and off. Plate: ohms, where the maker gives it. Measured: ohms.</summary>
    SolidStateRelay,

    /// <summary>Overload or protector. Measured: ohms with its lead off, shellC; resetMin from its opening to its closing, settleMin until
    /// suction and head are equal.</summary>
    Overload,

    /// <summary>Current of a compressor. Plate: amps; lockedAmps; boxC it is chosen for. Measured: amps; evaporatingC and
    /// condensingC it runs at.</summary>
    CompressorCurrent,
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

    /// <summary>Every conductor is dead.</summary>
    Dead,

    /// <summary>A conductor is dead.</summary>
    LegLost,

    /// <summary>Two legs are far apart with the right sum: the neutral between them is open.</summary>
    NeutralLost,

    /// <summary>Too little voltage reaches it.</summary>
    Starved,

    /// <summary>It draws what it draws with its rotor held.</summary>
    Locked,

    /// <summary>Two conductors are in each other's place.</summary>
    Reversed,

    /// <summary>It closes again before the pressures are equal.</summary>
    TooSoon,

    /// <summary>Insulation below what is safe.</summary>
    Unsafe,

    /// <summary>Measured numbers are missing, or cannot be so.</summary>
    CannotTell,
}

/// <summary>A slip that would explain numbers no part of this kind has.</summary>
public enum PartSlip
{
    /// <summary>A factor of a thousand: kΩ for Ω, nF for µF, or the other way round.</summary>
    Thousandfold,

    /// <summary>One lead of the meter on neutral, not on the other phase.</summary>
    PhaseToNeutral,

    /// <summary>Insulation that a cold winding would be unsafe with and a warm one not, and nobody took its temperature.</summary>
    NoWindingTemperature,

    /// <summary>Tested with the battery of an ohmmeter, which sees a dead short and nothing else.</summary>
    NoTestVoltage,
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
/// <param name="Slip">What to look at before the part is blamed; the verdict is then that nobody can tell.</param>
public sealed record PartResult(PartVerdict Verdict, double? Value = null, double? Low = null, double? High = null,
    IReadOnlyDictionary<string, int>? Roles = null, PartSlip? Slip = null)
{
    /// <summary>Numbers that a slip explains better than the part.</summary>
    internal static PartResult Slipped(PartSlip slip, double value) => new(PartVerdict.CannotTell, value) { Slip = slip };

    /// <summary>It should not stay as it is.</summary>
    public bool IsFault => Verdict is not (PartVerdict.Sound or PartVerdict.Watch or PartVerdict.CannotTell);

    /// <summary>To the nearer end of the band, as a share of the value; below 0 beyond it. Null where there is no band.</summary>
    public double? Margin => Value is { } v && double.IsFinite(v) && v != 0 && (Low ?? High) is not null
        ? Math.Min(Low is { } l ? (v - l) / Math.Abs(v) : double.MaxValue, High is { } h ? (h - v) / Math.Abs(v) : double.MaxValue) : null;
}
