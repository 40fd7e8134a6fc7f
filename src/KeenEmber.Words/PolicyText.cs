using KeenEmber.Core.Visits;

namespace KeenEmber.Words;

/// <summary>The company's policies: the question, the answers, and the advice that follows from each.</summary>
public static class PolicyText
{
    /// <summary>What was decided anew: "Start components: as a kit, now only the failed one".</summary>
    public static IReadOnlyList<string> Differences(Company before, Company after)
    {
        var differences = Enum.GetValues<Policy>()
            .Where(p => before.Policies.Of(p) != after.Policies.Of(p))
            .Select(p => $"{Name(p)}: {Name(before.Policies.Of(p))}, now {Name(after.Policies.Of(p))}").ToList();
        void Tell(string what, object was, object now)
        {
            if (!was.Equals(now))
                differences.Add($"{what}: {(was is "" ? "nothing" : was)}, now {(now is "" ? "nothing" : now)}");
        }

        Tell("Name", before.Name, after.Name);
        Tell("Units", before.Units.Code, after.Units.Code);
        Tell("Currency", before.Currency, after.Currency);
        Tell("Days until a visit is no callback", before.Policies.CallbackDays, after.Policies.CallbackDays);
        Tell("Days between checks of an instrument", before.Policies.InstrumentCheckDays, after.Policies.InstrumentCheckDays);
        Tell("Technicians", string.Join(", ", before.Technicians), string.Join(", ", after.Technicians));
        Tell("Own words", before.Words.Count, after.Words.Count);
        return differences;
    }

    public static string Name(Policy policy) => policy switch
    {
        Policy.Gauges => "Gauges",
        Policy.StartParts => "Start components",
        Policy.LimitSwitches => "Limit switches",
        Policy.WettedControls => "Wetted controls",
        Policy.Charging => "Charging",
        Policy.Defrost => "Defrost",
        Policy.MotorCapacitor => "Motor with a dead capacitor",
        Policy.FanCycling => "Fan-cycling control",
        Policy.EvaporatorFans => "Evaporator fans in coolers",
        _ => "Run capacitor limit",
    };

    public static string Name(PolicyChoice choice) => choice switch
    {
        PolicyChoice.GaugesWhenNeeded => "only when readings without them fail",
        PolicyChoice.GaugesOnEveryCall => "on every call",
        PolicyChoice.StartPartsAsKit => "as a kit",
        PolicyChoice.StartPartsSingly => "only the failed one",
        PolicyChoice.LimitSwitchesAsSet => "as a set",
        PolicyChoice.LimitSwitchesSingly => "singly",
        PolicyChoice.WettedSetWhole => "the whole set",
        PolicyChoice.WettedSetSingly => "singly",
        PolicyChoice.ChargeByWeight => "by weight",
        PolicyChoice.ChargeToSightGlass => "to a clear sight glass plus allowance",
        PolicyChoice.ChargeBySuperheat => "by superheat and subcooling",
        PolicyChoice.FewLongByTemperature => "few and long, ended by temperature",
        PolicyChoice.ManyShortByTime => "many and short, ended by time",
        PolicyChoice.CapacitorThenQuoteMotor => "capacitor now, quote the motor",
        PolicyChoice.MotorAtOnce => "replace the motor",
        PolicyChoice.KeepFanCycling => "keep it",
        PolicyChoice.RemoveFanCycling => "remove it, with a record",
        PolicyChoice.FansWithCompressor => "cycle with the compressor",
        PolicyChoice.FansAlways => "run always",
        PolicyChoice.SixPercent => "±6 %",
        _ => "±10 %",
    };

    /// <summary>Why our default is what it is.</summary>
    public static string Reason(Policy policy) => policy switch
    {
        Policy.Gauges => "Every connection costs charge; on small critical charges that alone makes a fault.",
        Policy.StartParts => "A failed relay has usually hurt capacitor and overload; one visit instead of three.",
        Policy.LimitSwitches => "Termination, fan delay and heater safety share a harness and an age, and cost little.",
        Policy.WettedControls => "Control, display, cable and sensors that were wet together fail one after the other.",
        Policy.Charging => "The nameplate is right in any weather.",
        Policy.Defrost => "Right where the sensor sits where ice goes last.",
        Policy.MotorCapacitor => "The motor may live; the customer decides with a price in hand.",
        Policy.FanCycling => "It holds head up on the coldest day. Never remove it on ice makers.",
        Policy.EvaporatorFans => "Less heat into the box, and the off time clears the coil.",
        _ => "The usual marking on run capacitors.",
    };

    /// <summary>What the company's answer says to somebody at the unit.</summary>
    public static string Advice(PolicyChoice choice) => choice switch
    {
        PolicyChoice.GaugesWhenNeeded => "Take temperatures, current and frost first; connect gauges only if those do not settle it.",
        PolicyChoice.GaugesOnEveryCall => "Connect gauges; log what they cost the charge on a small system.",
        PolicyChoice.StartPartsAsKit => "Replace relay, overload and start capacitor together.",
        PolicyChoice.StartPartsSingly => "Replace only the start part that failed, and measure the others.",
        PolicyChoice.LimitSwitchesAsSet => "Replace termination, fan delay and heater safety together.",
        PolicyChoice.LimitSwitchesSingly => "Replace only the switch that failed, and test the others.",
        PolicyChoice.WettedSetWhole => "The control was wet: replace control, display, cable and sensors as one set.",
        PolicyChoice.WettedSetSingly => "The control was wet: replace what fails, and tell the customer that more may follow.",
        PolicyChoice.ChargeByWeight => "Recover, weigh the plate's charge in.",
        PolicyChoice.ChargeToSightGlass => "Charge to a clear sight glass plus the allowance for the line and winter.",
        PolicyChoice.ChargeBySuperheat => "Charge until superheat and subcooling are in their bands, settled.",
        PolicyChoice.FewLongByTemperature => "Few long defrosts ended by temperature; see that the sensor sits where ice goes last.",
        PolicyChoice.ManyShortByTime => "Many short defrosts ended by time.",
        PolicyChoice.CapacitorThenQuoteMotor => "Dead capacitor: replace it now and quote the motor.",
        PolicyChoice.MotorAtOnce => "Dead capacitor: replace the motor with it.",
        PolicyChoice.KeepFanCycling => "Keep the fan-cycling control.",
        PolicyChoice.RemoveFanCycling => "The fan-cycling control may go, with a record of it; never on an ice maker.",
        PolicyChoice.FansWithCompressor => "Let the evaporator fans cycle with the compressor.",
        PolicyChoice.FansAlways => "Let the evaporator fans run always.",
        PolicyChoice.SixPercent => "A run capacitor is out beyond ±6 % of its mark.",
        _ => "A run capacitor is out beyond ±10 % of its mark.",
    };
}
