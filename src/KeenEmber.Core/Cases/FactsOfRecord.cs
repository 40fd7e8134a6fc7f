using KeenEmber.Core.Benches.Box;
using KeenEmber.Core.Benches.Charge;
using KeenEmber.Core.Benches.Circuit;
using KeenEmber.Core.Benches.Controls;
using KeenEmber.Core.Benches.Defrost;
using KeenEmber.Core.Benches.Electrical;
using KeenEmber.Core.Benches.Frost;
using KeenEmber.Core.Benches.Glycol;
using KeenEmber.Core.Benches.Sensors;
using KeenEmber.Core.Plant;

namespace KeenEmber.Core.Cases;

/// <summary>Which entries and findings of a visit are which answers of the diagnosis.</summary>
internal static class FactsOfRecord
{
    /// <summary>States of the walk-round that are an answer by themselves.</summary>
    internal static readonly Dictionary<(AsFound Fact, FactState State), (string Code, string Answer)> Looks = new()
    {
        [(AsFound.Compressor, FactState.Running)] = ("compressor", "running"),
        [(AsFound.Compressor, FactState.Stopped)] = ("compressor", "stopped"),
        [(AsFound.CondenserFan, FactState.Running)] = ("condenser-fan", "running"),
        [(AsFound.CondenserFan, FactState.Stopped)] = ("condenser-fan", "stopped"),
        [(AsFound.CondenserFace, FactState.Clean)] = ("condenser-face", "clean"),
        [(AsFound.CondenserFace, FactState.Dirty)] = ("condenser-face", "dirty"),
        [(AsFound.CondenserFace, FactState.Blocked)] = ("condenser-face", "blocked"),
        [(AsFound.CompressorShell, FactState.Warm)] = ("shell", "warm"),
        [(AsFound.CompressorShell, FactState.Hot)] = ("shell", "hot"),
        [(AsFound.CompressorShell, FactState.Cold)] = ("shell", "cold"),
        [(AsFound.SightGlass, FactState.Full)] = ("sight-glass", "full"),
        [(AsFound.SightGlass, FactState.Bubbles)] = ("sight-glass", "bubbles"),
        [(AsFound.ValveBody, FactState.Bare)] = ("valve-body", "bare"),
        [(AsFound.ValveBody, FactState.IceBall)] = ("valve-body", "ice-ball"),
        [(AsFound.SuctionLineFrost, FactState.FrostedBack)] = ("suction-line", "frosted-back"),
        [(AsFound.SuctionLineFrost, FactState.Bare)] = ("suction-line", "cool"),
        [(AsFound.LowPressureControl, FactState.Chattering)] = ("lp-control", "chatters"),
        [(AsFound.Door, FactState.Shut)] = ("door", "closes"),
        [(AsFound.Door, FactState.Ajar)] = ("door", "ajar"),
        [(AsFound.Door, FactState.NotClosing)] = ("door", "not-closing"),
        [(AsFound.Gasket, FactState.Sound)] = ("gasket", "sound"),
        [(AsFound.Gasket, FactState.Torn)] = ("gasket", "torn"),
        [(AsFound.Gasket, FactState.Iced)] = ("gasket", "iced"),
        [(AsFound.Return, FactState.Clear)] = ("return-path", "clear"),
        [(AsFound.Return, FactState.Blocked)] = ("return-path", "blocked"),
        [(AsFound.Drain, FactState.Clear)] = ("drain", "clear"),
        [(AsFound.Drain, FactState.Blocked)] = ("drain", "blocked"),
        [(AsFound.Drain, FactState.Iced)] = ("drain", "iced"),
        [(AsFound.Condensation, FactState.Dry)] = ("condensation", "none"),
        [(AsFound.Condensation, FactState.Wet)] = ("condensation", "found"),
        [(AsFound.Insulation, FactState.Whole)] = ("insulation", "whole"),
        [(AsFound.Insulation, FactState.Missing)] = ("insulation", "missing"),
        [(AsFound.Alarm, FactState.Shown)] = ("shown-mode", "alarm"),
        [(AsFound.Defrost, FactState.Defrosting)] = ("shown-mode", "defrost"),
        [(AsFound.ControllerMode, FactState.Off)] = ("shown-mode", "off"),
        [(AsFound.ControllerMode, FactState.Defrosting)] = ("shown-mode", "defrost"),
        [(AsFound.ClockMotor, FactState.Running)] = ("clock", "turning"),
        [(AsFound.ClockMotor, FactState.Stopped)] = ("clock", "stopped"),
        [(AsFound.ControlMoisture, FactState.Dry)] = ("control-wet", "dry"),
        [(AsFound.ControlMoisture, FactState.Wet)] = ("control-wet", "wet"),
        [(AsFound.ControlMoisture, FactState.Scaled)] = ("control-wet", "scaled"),
        [(AsFound.Supply, FactState.SwitchedOn)] = ("supply", "on"),
        [(AsFound.Supply, FactState.SwitchedOff)] = ("supply", "off"),
        [(AsFound.Supply, FactState.Tripped)] = ("supply", "tripped"),
        [(AsFound.Wiring, FactState.Sound)] = ("wiring", "sound"),
        [(AsFound.Wiring, FactState.Rubbed)] = ("wiring", "chafed"),
        [(AsFound.Wiring, FactState.Burnt)] = ("wiring", "burnt"),
        [(AsFound.Jumpers, FactState.None)] = ("jumper", "none"),
        [(AsFound.Jumpers, FactState.Found)] = ("jumper", "found"),
        [(AsFound.OilTraces, FactState.None)] = ("oil", "none"),
        [(AsFound.OilTraces, FactState.Found)] = ("oil", "found"),
        [(AsFound.Noise, FactState.Normal)] = ("noise", "usual"),
        [(AsFound.Smell, FactState.None)] = ("smell", "none"),
        [(AsFound.Smell, FactState.Burning)] = ("smell", "burning"),
        [(AsFound.Smell, FactState.Gas)] = ("smell", "gas"),
    };

    /// <summary>An answer as the walk-round has it; null where it has none. The other way round than <see cref="Looks"/>.</summary>
    internal static (AsFound Fact, FactState State)? LookOf(string code, string answer) => (code, answer) switch
    {
        ("fans", "all-run") => (AsFound.EvaporatorFan, FactState.Running),
        ("fans", "all-stopped") => (AsFound.EvaporatorFan, FactState.Stopped),
        ("coil", "iced") => (AsFound.Coil, FactState.Iced),
        ("coil", "frost") => (AsFound.Coil, FactState.Frosted),
        ("coil", "clear") => (AsFound.Coil, FactState.Clear),
        _ => Looks.Where(l => l.Value == (code, answer)).Select(l => ((AsFound, FactState)?)l.Key).FirstOrDefault(),
    };

    /// <summary>What benches find that is an answer by itself, by the code of the finding.</summary>
    internal static readonly Dictionary<string, (string Code, string Answer)> Found = new()
    {
        [FrostPatterns.Even] = ("frost-pattern", "even"), [FrostPatterns.InletOnly] = ("frost-pattern", "inlet-only"),
        [FrostPatterns.BottomOnly] = ("frost-pattern", "bottom"), [FrostPatterns.BehindOneFan] = ("frost-pattern", "behind-one-fan"),
        [FrostPatterns.TopOnly] = ("frost-pattern", "in-patches"),
        [FrostPatterns.ValveBall] = ("valve-body", "ice-ball"), [FrostPatterns.SuctionLine] = ("suction-line", "frosted-back"),
        [FrostPatterns.Ceiling] = ("ceiling-frost", "found"), [FrostPatterns.DrainPan] = ("drain", "iced"),
        [DefrostCodes.FansInHeat] = ("fans-in-defrost", "on"),
                [DefrostCodes.FansEarly] = ("fans-back", "early"), [DefrostCodes.FansNever] = ("fans-back", "never"),
        [DefrostCodes.ClockStopped] = ("clock", "stopped"), [DefrostCodes.ClockContacts] = ("clock-contacts", "no"),
        [DefrostCodes.ClockTime] = ("clock-time", "wrong"), [DefrostCodes.LowVoltage] = ("supply-volts", "low"),
        [SeriesPatterns.Hunting] = ("suction-pattern", "hunts"), [SeriesPatterns.ComesAndGoes] = ("suction-pattern", "saw"),
        [CircuitPatterns.ShortCycling] = ("starts", "many"), [CircuitPatterns.NonCondensables] = ("standing", "high"),
        [CircuitPatterns.NearlyEmpty] = ("standing", "low"), [CircuitPatterns.HeadTooLow] = ("head-cold", "falls"),
        [ControlsOnRecord.BulbsCrossed] = ("turned-follows", "other"), [ControlsOnRecord.SidesApart] = ("other-side", "frozen"),
        [ParameterChecks.OffsetLarge] = ("offset", "found"),
        [PressureControlChecks.CutInNotAboveCutOut] = ("lp-setting", "wrong"),
        [PressureControlChecks.CutOutAboveEvaporating] = ("lp-setting", "wrong"),
        [PressureControlChecks.CutInAboveBox] = ("lp-setting", "wrong"),
        [PressureControlChecks.DifferentialTooClose] = ("lp-setting", "wrong"),
        [PressureControlChecks.FanNeverStops] = ("fancycle-setting", "wrong"),
        [PressureControlChecks.FanOnNotAboveOff] = ("fancycle-setting", "wrong"),
        [PressureControlChecks.FanOffTooLow] = ("fancycle-setting", "wrong"),
        [PressureControlChecks.FanHoldsHeadHigh] = ("fancycle-setting", "wrong"),
        [PartFindings.LegLost] = ("supply-volts", "leg-lost"),
        [ChargeBench.VacuumLeak] = ("vacuum-rise", "rises"), [ChargeBench.VacuumWetAndLeak] = ("vacuum-rise", "rises"),
        [ChargeBench.VacuumWet] = ("vacuum-rise", "levels-wet"), [ChargeBench.LeakFound] = ("leak-found", "found"),
        [ChargeBench.PressureLost] = ("pressure-test", "loses"), [ChargeBench.BetterAsItLeaves] = ("trim-response", "better-out"),
        [BoxBench.BalanceShort] = ("heat-balance", "short"), [BoxBench.SystemStands] = ("sister-system", "stands"),
        [BoxBench.AirStraightBack] = ("return-path", "blocked"),
        [GlycolCircuit.PumpStopped] = ("glycol-pump", "stopped"), [GlycolCircuit.BathLow] = ("glycol-level", "low"),
    };

    internal static readonly Dictionary<ControlOutput, string> Outputs = new()
    {
        [ControlOutput.Compressor] = "output.compressor", [ControlOutput.LiquidValve] = "output.valve",
        [ControlOutput.Fans] = "output.fans", [ControlOutput.Defrost] = "output.defrost",
    };

    /// <summary>The observable of what a sensor reads too much; null for one that the diagnosis does not know.</summary>
    internal static string? Probe(SensorRole role) => role switch
    {
        SensorRole.Box => "box-probe.error",
        SensorRole.DefrostEnd => "end-probe.error",
        SensorRole.SuctionLine => "suction-probe.error",
        _ => null,
    };

    /// <summary>The observable of a result of the circuit; null for one that the diagnosis does not know.</summary>
    internal static string? Result(ResultKind kind, CircuitMakeUp makeUp) =>
        kind == ResultKind.CondenserSplit && makeUp.Condenser == CondenserKind.WaterCooled ? WaterApproach
            : Results.GetValueOrDefault(kind);

    /// <summary>The observable is got from readings of the circuit.</summary>
    internal static bool IsResult(string observable) => ResultCodes.Contains(observable);

    /// <summary>All of them.</summary>
    internal static IEnumerable<string> ResultCodes => Results.Values.Append(WaterApproach);

    /// <summary>A condenser in water is read against the water that leaves it.</summary>
    private const string WaterApproach = "water-approach";

    private static readonly Dictionary<ResultKind, string> Results = new()
    {
        [ResultKind.SuperheatCoil] = "superheat", [ResultKind.Subcooling] = "subcooling", [ResultKind.EvaporatorTd] = "td",
        [ResultKind.CondenserSplit] = "split", [ResultKind.AirDrop] = "air-drop", [ResultKind.SuperheatCompressor] = "comp-superheat",
        [ResultKind.LineGain] = "line-rise", [ResultKind.DrierDrop] = "drier-drop",
        [ResultKind.WaterRise] = "water-rise",
    };

    /// <summary>Beginnings of words in a complaint, and what they complain of. "Trips" by itself may be its breaker, its overload or its
    /// high-pressure control: that is asked.</summary>
    internal static readonly (string Code, string Answer, string[] Words)[] Complaints =
    [
        ("complaint.warm", "yes", ["warm", "not cold", "soft", "hot", "not cool", "degrees", "never gets"]),
        ("complaint.cold", "yes", ["too cold", "frozen milk", "freezes"]),
        ("complaint.iced", "yes", ["ice on", "iced", "icing", "frost", "snow"]),
        ("complaint.noise", "yes", ["noise", "noisy", "loud", "rattl", "grind", "squeal"]),
        ("complaint.trips", "yes", ["breaker", "fuse", "trips the", "trips its", "rcd"]),
        ("complaint.runs-always", "yes", ["never stops", "always runs", "runs all"]),
        ("complaint.still", "yes",
            ["stands still", "nothing runs", "dead", "not running", "everything stands", "everything off"]),
        ("complaint.water", "yes", ["water", "drip", "leak on", "puddle"]), ("complaint.smell", "yes", ["smell", "burn"]),
        ("complaint.alarm", "yes", ["alarm", "beep"]),
        ("complaint.starts-often", "yes",
            ["starts and stops", "stops and starts", "short cycl", "clicks on", "keeps starting", "every minute"]),
        ("other-side", "usual",
            ["rail fine", "rail is fine", "rail ok", "base fine", "base is fine", "base ok", "other side fine", "other side is fine",
            "other side ok"]),
        ("complaint.comes-and-goes", "yes", ["then not", "comes and goes", "on and off", "sometimes"]),
        ("time-of-day", "afternoons", ["afternoon"]), ("time-of-day", "after-defrost", ["after defrost", "after each defrost"]),
        ("weather", "hot-days", ["hot day", "on hot", "heat wave"]), ("weather", "cold-days", ["cold day", "in the cold", "when it froze"]),
    ];
}
