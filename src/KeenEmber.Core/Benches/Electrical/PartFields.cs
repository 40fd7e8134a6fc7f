using KeenEmber.Core.Plant;
using KeenEmber.Core.Quantities;

namespace KeenEmber.Core.Benches.Electrical;

/// <summary>One number that a test of a part asks for.</summary>
/// <param name="Name">As <see cref="TestedPart"/> lists them.</param>
/// <param name="IsPlate">It is printed on the part, not measured.</param>
public sealed record PartField(string Name, bool IsPlate, QuantityKind Kind)
{
    /// <summary>The test says something without it.</summary>
    public bool IsOptional { get; init; }

    /// <summary>The answers, where it is no number: the first counts as 1, the second as -1.</summary>
    public IReadOnlyList<string> Words { get; init; } = [];

    /// <summary>An open circuit is an answer.</summary>
    public bool MayBeOpen => !IsPlate && Kind == QuantityKind.Resistance && Words.Count == 0;

    /// <summary>In the unit of its name: µF, Ω, MΩ, °C, V, A, W, rpm, %, min; infinite for an open circuit.</summary>
    public double Number(PartNumber number)
    {
        if (Words.Count > 0)
            return number.Word == Words[0] ? 1 : -1;
        if (number.Value is not { } value)
            return double.PositiveInfinity;
        if (value.Unit.Kind == QuantityKind.Temperature)
            return value.Temperature.Celsius;
        return Name == "megohm" ? value.Si(default) / Unit.Megaohm.Scale : value.Si(default);
    }
}

/// <summary>What each test asks for, in the order in which plate and meter are read, and which parts it is for.</summary>
public static class PartFields
{
    private static PartField Plate(string name, QuantityKind kind, bool optional = false) =>
        new(name, true, kind) { IsOptional = optional };

    private static PartField Read(string name, QuantityKind kind, bool optional = false) =>
        new(name, false, kind) { IsOptional = optional };

    private static readonly Dictionary<TestedPart, IReadOnlyList<PartField>> ByTest = new()
    {
        [TestedPart.Capacitor] = [Plate("microfarad", QuantityKind.Capacitance),
            Plate("tolerancePercent", QuantityKind.Concentration, optional: true),
            Read("microfarad", QuantityKind.Capacitance, optional: true), Read("volts", QuantityKind.Voltage, optional: true),
            Read("amps", QuantityKind.Current, optional: true), Read("hertz", QuantityKind.Frequency, optional: true)],
        [TestedPart.Windings] = [Read("leadOhms", QuantityKind.Resistance, optional: true), Read("ohms12", QuantityKind.Resistance),
            Read("ohms23", QuantityKind.Resistance), Read("ohms13", QuantityKind.Resistance)],
        [TestedPart.Insulation] = [Plate("volts", QuantityKind.Voltage), Read("testVolts", QuantityKind.Voltage, optional: true),
            Read("megohm", QuantityKind.Resistance), Read("windingC", QuantityKind.Temperature, optional: true)],
        [TestedPart.ThreePhaseSupply] = [Read("volts12", QuantityKind.Voltage), Read("volts23", QuantityKind.Voltage),
            Read("volts13", QuantityKind.Voltage)],
        [TestedPart.SinglePhaseSupply] = [Plate("volts", QuantityKind.Voltage), Read("volts", QuantityKind.Voltage),
            Read("startVolts", QuantityKind.Voltage, optional: true), Read("runVolts", QuantityKind.Voltage, optional: true)],
        [TestedPart.PhaseOrder] = [Read("order", QuantityKind.Resistance) with { Words = ["L1-L2-L3", "L1-L3-L2"] }],
        [TestedPart.SplitPhaseSupply] = [Read("volts12", QuantityKind.Voltage), Read("volts1N", QuantityKind.Voltage),
            Read("volts2N", QuantityKind.Voltage)],
        [TestedPart.Fuse] = [Plate("volts", QuantityKind.Voltage), Read("voltsAcross", QuantityKind.Voltage)],
        [TestedPart.ContactorPole] = [Plate("volts", QuantityKind.Voltage), Read("amps", QuantityKind.Current),
            Read("voltsAcross", QuantityKind.Voltage)],
        [TestedPart.Switch] = [Plate("volts", QuantityKind.Voltage), Read("voltsAcross", QuantityKind.Voltage)],
        [TestedPart.Coil] = [Plate("volts", QuantityKind.Voltage, optional: true), Plate("ohms", QuantityKind.Resistance, optional: true),
            Read("volts", QuantityKind.Voltage, optional: true), Read("ohms", QuantityKind.Resistance, optional: true)],
        [TestedPart.Heater] = [Plate("watts", QuantityKind.Power), Plate("volts", QuantityKind.Voltage),
            Read("ohms", QuantityKind.Resistance, optional: true), Read("volts", QuantityKind.Voltage, optional: true),
            Read("amps", QuantityKind.Current, optional: true)],
        [TestedPart.FanMotor] = [Plate("amps", QuantityKind.Current, optional: true), Plate("rpm", QuantityKind.Speed, optional: true),
            Read("amps", QuantityKind.Current, optional: true), Read("rpm", QuantityKind.Speed, optional: true),
            Read("twinRpm", QuantityKind.Speed, optional: true)],
        [TestedPart.Transformer] = [Plate("primaryVolts", QuantityKind.Voltage), Plate("secondaryVolts", QuantityKind.Voltage),
            Read("primaryVolts", QuantityKind.Voltage), Read("secondaryVolts", QuantityKind.Voltage)],
        [TestedPart.CurrentRelay] = [Read("ohmsUpright", QuantityKind.Resistance), Read("ohmsInverted", QuantityKind.Resistance)],
        [TestedPart.PotentialRelay] = [Plate("pickUpLow", QuantityKind.Voltage, optional: true),
            Plate("pickUpHigh", QuantityKind.Voltage, optional: true), Plate("dropOut", QuantityKind.Voltage, optional: true),
            Read("contactOhms", QuantityKind.Resistance, optional: true), Read("coilOhms", QuantityKind.Resistance, optional: true),
            Read("pickUp", QuantityKind.Voltage, optional: true), Read("dropOut", QuantityKind.Voltage, optional: true)],
        [TestedPart.SolidStateRelay] = [Plate("ohms", QuantityKind.Resistance, optional: true), Read("ohms", QuantityKind.Resistance)],
        [TestedPart.Overload] = [Read("ohms", QuantityKind.Resistance, optional: true),
            Read("shellC", QuantityKind.Temperature, optional: true), Read("resetMin", QuantityKind.Duration, optional: true),
            Read("settleMin", QuantityKind.Duration, optional: true)],
        [TestedPart.CompressorCurrent] = [Plate("amps", QuantityKind.Current), Plate("lockedAmps", QuantityKind.Current, optional: true),
            Plate("boxC", QuantityKind.Temperature, optional: true), Read("amps", QuantityKind.Current),
            Read("evaporatingC", QuantityKind.Temperature, optional: true), Read("condensingC", QuantityKind.Temperature, optional: true)],
    };

    private static readonly Dictionary<ComponentKind, IReadOnlyList<TestedPart>> ByKind = new()
    {
        [ComponentKind.Breaker] = [TestedPart.SinglePhaseSupply, TestedPart.ThreePhaseSupply, TestedPart.PhaseOrder,
            TestedPart.SplitPhaseSupply],
        [ComponentKind.Fuse] = [TestedPart.Fuse],
        [ComponentKind.Contactor] = [TestedPart.ContactorPole, TestedPart.Coil],
        [ComponentKind.Compressor] = [TestedPart.CompressorCurrent, TestedPart.Windings, TestedPart.Insulation],
        [ComponentKind.Overload] = [TestedPart.Overload],
        [ComponentKind.StartRelay] = [TestedPart.CurrentRelay, TestedPart.PotentialRelay, TestedPart.SolidStateRelay],
        [ComponentKind.RunCapacitor] = [TestedPart.Capacitor],
        [ComponentKind.StartCapacitor] = [TestedPart.Capacitor],
        [ComponentKind.CondenserFan] = [TestedPart.FanMotor, TestedPart.Coil, TestedPart.Windings, TestedPart.Insulation],
        [ComponentKind.CondenserFanCapacitor] = [TestedPart.Capacitor],
        [ComponentKind.EvaporatorFan] = [TestedPart.FanMotor, TestedPart.Coil, TestedPart.Windings, TestedPart.Insulation],
        [ComponentKind.GlycolPump] = [TestedPart.FanMotor, TestedPart.Insulation],
        [ComponentKind.HeaterElement] = [TestedPart.Insulation, TestedPart.Heater],
        [ComponentKind.DrainHeater] = [TestedPart.Heater, TestedPart.Insulation],
        [ComponentKind.HeaterSafety] = [TestedPart.Switch],
        [ComponentKind.TerminationSwitch] = [TestedPart.Switch],
        [ComponentKind.FanDelaySwitch] = [TestedPart.Switch],
        [ComponentKind.LowPressureControl] = [TestedPart.Switch],
        [ComponentKind.HighPressureControl] = [TestedPart.Switch],
        [ComponentKind.FanCyclingControl] = [TestedPart.Switch],
        [ComponentKind.Control] = [TestedPart.Switch, TestedPart.Transformer],
        [ComponentKind.DefrostRelay] = [TestedPart.ContactorPole, TestedPart.Coil],
        [ComponentKind.DefrostClock] = [TestedPart.Coil, TestedPart.Switch],
        [ComponentKind.LiquidSolenoid] = [TestedPart.Coil],
        [ComponentKind.SuctionStop] = [TestedPart.Coil],
        [ComponentKind.Wiring] = [TestedPart.Insulation],
    };

    /// <summary>The fields of a test.</summary>
    public static IReadOnlyList<PartField> Of(TestedPart test) => ByTest[test];

    /// <summary>The tests of a part, the quickest first; none for one that is not electrical.</summary>
    public static IReadOnlyList<TestedPart> TestsOf(ComponentKind kind) => ByKind.GetValueOrDefault(kind, []);

    /// <summary>The parts of a unit that can be tested: supply, condensing unit, coil, controls.</summary>
    public static IReadOnlyList<Component> PartsOf(Equipment unit) =>
        [.. Components.Of(unit).Where(c => ByKind.ContainsKey(c.Kind)).OrderBy(c => Order.IndexOf(c.Kind)).ThenBy(c => c.Place)];

    private static readonly List<ComponentKind> Order = [.. ByKind.Keys];
}
