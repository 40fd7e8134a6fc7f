using KeenEmber.Core.Diagnosis;

namespace KeenEmber.Words;

/// <summary>What technicians type when they have felt, heard, turned or asked something that the walk-round has no field for: whole phrases
/// of the log line, and the answer of the diagnosis that each is.</summary>
public static class AnswerPhrases
{
    /// <summary>Words that are one in a phrase.</summary>
    internal static readonly Dictionary<string, string> Alike = new()
    {
        ["stuck"] = "locked", ["seized"] = "locked", ["jammed"] = "locked", ["compressor"] = "comp", ["condenser"] = "cond",
        ["evaporator"] = "evap", ["broken"] = "bad",
        ["stat"] = "thermostat", ["t-stat"] = "thermostat", ["voltage"] = "volts", ["over"] = "across",
        ["okay"] = "ok", ["fine"] = "ok", ["good"] = "ok",
    };

    /// <summary>Every test with answers, as it is named and they are. A voltage is there, or it is not.</summary>
    internal static readonly Dictionary<string, (string Name, IReadOnlyList<(string Answer, string Said)> Answers)> Tests =
        DiagnosisTable.Shipped.Observables.Where(o => !o.IsNumber && o.Place != "customer")
            .ToDictionary(o => o.Code, o => (o.Name, (IReadOnlyList<(string, string)>)[.. o.Answers.SelectMany(Said)]));

    private static IEnumerable<(string Answer, string Said)> Said(string answer)
    {
        yield return (answer, DiagnosisText.Answer(answer));
        if (answer == "live")
            yield return (answer, "volts");
        if (answer == "dead")
            yield return (answer, "no volts");
    }

    private static readonly (string Observable, string Answer, string Phrases)[] Table =
    [
        ("liquid-hand", "hot", "liquid line hot, liquid line too hot to hold, liquid line very hot, hot liquid line"),
        ("liquid-hand", "cold", "liquid line cold, cold liquid line"),
        ("discharge-hand", "cool", "discharge line cool, discharge line cold, cool discharge line"),
        ("discharge-hand", "too-hot", "discharge line too hot, discharge line burning hot"),
        ("condenser-air", "none", "no air from the condenser, no air from condenser, no air off the condenser, no air over the condenser"),
        ("condenser-air", "weak", "little air from the condenser, weak air from the condenser, condenser air weak"),
        ("compressor", "hums", "comp hums, comp humming, comp is humming, comp just hums, comp buzzes, comp buzzing, compressor hums, "
            + "compressor humming, compressor is humming, compressor just hums, compressor buzzes, compressor buzzing, comp only hums, "
            + "compressor only hums, comp hums and trips, compressor hums and trips"),
        ("compressor", "cycling", "comp cycling, compressor cycling, comp cycles, compressor cycles, comp on and off, "
            + "compressor on and off, comp goes on and off, compressor goes on and off, comp short cycling, compressor short cycling"),
        ("fan-motor", "locked", "fan motor locked, evap fan locked, fans locked, both fans locked, fan locked in ice, fans locked in ice, "
            + "fan will not turn, fans will not turn"),
        ("fan-motor", "stiff", "fan motor stiff, evap fan stiff, fan stiff"),
        ("fan-motor", "free", "fan motor free, fan turns free, fan free by hand, fans free by hand"),
        ("condfan-motor", "locked", "cond fan locked, condenser fan locked, cond fan seized, condenser fan seized"),
        ("condfan-motor", "free", "cond fan free, condenser fan free, cond fan turns free, condenser fan turns free"),
        ("defrost-relay", "not-changing", "defrost relay stays open, defrost relay contact stays open, defrost relay contacts stay open, "
            + "defrost relay does not pull in, defrost relay does not change over, relay does not change over"),
        ("defrost-relay", "welded", "defrost relay stays closed, defrost relay contacts welded"),
        ("control-wet", "scaled", "white crust on the control, white crust on the lid of the control, scale on the control, "
            + "control scaled over, crust on the control"),
        ("control-wet", "wet", "control wet, water in the control, control is wet inside, moisture in the control"),
        ("fan-blade", "gone", "fan blade gone, blade gone, blade missing, fan blade missing"),
        ("fan-blade", "backwards", "fan turns backwards, fan backwards, blade backwards, fan running backwards, blade on backwards"),
        ("condenser-fan", "backwards", "cond fan backwards, condenser fan backwards, cond fan turns backwards"),
        ("overload", "open", "overload open, ol open"), ("overload", "closed", "overload closed, ol closed, overload ok, overload good"),
        ("start-relay", "open", "start relay open, relay open both ways up, relay open both ways, start relay bad"),
        ("start-relay", "good", "start relay good, start relay ok"), ("start-relay", "welded", "start relay welded, relay welded"),
        ("windings", "sound", "windings sound, windings ok, windings good, windings fine"),
        ("windings", "open", "winding open, windings open"), ("windings", "shorted", "winding shorted, windings shorted"),
        ("windings-earth", "grounded", "windings grounded, compressor grounded, comp grounded, comp to earth"),
        ("windings-earth", "clear", "windings clear to earth, none to earth, comp clear to earth, compressor clear to earth"),
        ("heaters-earth", "grounded", "heater grounded, heaters grounded, heater to earth, heater lead grounded, heater lead to earth"),
        ("heater-alone", "clear", "heater clear with its lead off, heaters clear with leads off, heaters clear with lead off, "
            + "heater clear with lead off, heater alone clear, heater itself clear, heaters themselves clear"),
        ("heater-alone", "grounded", "heater grounded with its lead off, heater grounded with lead off, heater alone grounded, "
            + "heater itself grounded"),
        ("heaters-earth", "clear", "heaters clear to earth, heaters clear"),
        ("fan-earth", "grounded", "fan lead grounded, fan grounded"), ("fan-earth", "clear", "fan leads clear, fans clear to earth"),
        ("supply-volts", "leg-lost", "one leg lost, leg lost, lost a leg, one leg dead"),
        ("supply-volts", "low", "supply voltage low, volts low, low voltage"),
        ("wiring", "loose", "loose terminal, terminal loose, loose wire, wire off"),
        ("contactor", "out", "contactor out, contactor not pulled in, contactor open"),
        ("contactor", "pulled-in", "contactor pulled in, contactor in"), ("contactor", "chatters", "contactor chatters"),
        ("contactor", "burnt", "contactor burnt, contacts burnt"),
        ("hp-control", "tripped", "hp tripped, high pressure tripped, high pressure control tripped, hp control tripped"),
        ("solenoid-magnet", "none", "no magnet at the solenoid, solenoid dead, no pull at the solenoid, valve dead, liquid valve dead"),
        ("shown-mode", "calling", "control shows calling, display shows calling, control calling, control calls, controller calling"),
        ("shown-mode", "satisfied", "control shows satisfied, display shows satisfied, control satisfied, controller satisfied"),
        ("thermostat-across", "open", "volts across the thermostat, volts across the thermostat's terminals, volts at the thermostat"),
        ("thermostat-across", "closed", "no volts across the thermostat, no volts at the thermostat"),
        ("sister-system", "runs", "sister system runs, other system runs, second system runs, system a runs, system b runs"),
        ("sister-system", "stands", "sister system stands, other system stands, both systems stand, sister system off"),
        ("low-side", "low", "low side pumped down, pumped down, low side empty"),
        ("solenoid-magnet", "felt", "magnet felt, solenoid magnet felt, solenoid pulls"),
        ("bulb", "loose", "bulb loose, txv bulb loose, loose bulb, valve bulb loose"),
        ("thermostat-turned", "makes", "thermostat turned colder makes, stat turned colder makes, turned colder it makes"),
        ("turned-warmer", "stops", "turned warmer stops, turned up it stops, turned up stops"),
        ("turned-warmer", "goes-on", "turned warmer goes on, turned up it runs on, turned up still runs"),
        ("thermostat-turned", "does-not", "thermostat does not make, stat does not make, turned colder nothing happens"),
        ("water-strainer", "clear", "strainer clean, strainer clear, water strainer clean, water strainer ok"),
        ("water-strainer", "blocked", "strainer blocked, strainer dirty, strainer full, water strainer blocked, water strainer dirty"),
        ("water-pressure", "right", "water pressure right, water pressure ok, water pressure good, water supply ok"),
        ("water-valve", "shut", "water valve shut, water valve closed, spring backed out, water valve backed out, water valve fully back"),
        ("water-valve", "wide-open", "water valve wide open, water valve stuck open"),
        ("water-valve", "regulates", "water valve regulates, water valve ok, water valve good"),
        ("water-pressure", "low", "water pressure low, little water, hardly any water, low water pressure"),
        ("glycol-ice", "found", "ice in the bath, ice on the glycol coil, slush in the bath"),
        ("glycol-level", "low", "bath low, glycol low, glycol level low"),
        ("probe-warmed", "other", "sensors swapped, probes swapped, sensors are swapped, probes are swapped, sensor leads swapped, "
            + "end and suction sensors swapped, coil and suction probes swapped, end and suction probes swapped"),
        ("neighbours", "usual", "neighbours fine, other cases fine, others on the rack fine, rest of the rack fine"),
        ("neighbours", "also-warm", "neighbours warm too, other cases warm too, whole rack warm"),
        ("leak-found", "found", "leak found, found leak, found the leak"), ("leak-found", "none", "no leak found"),
        ("caps", "loose", "cap loose, service cap loose, loose cap, valve cap loose"),
        ("door-use", "busy", "door open all day, door open a lot, door busy"),
        ("loaded-warm", "yes", "warm stock put in, loaded warm, warm delivery"),
        ("power-cut", "yes", "power cut last night, power was out, power cut"),
        ("rest-cools", "yes", "cools at once after a night off, cools again after a rest, cools after a rest"),
        ("heater-volts", "live", "heater volts live, heaters live, volts at the heaters, voltage at the heaters"),
        ("heater-volts", "dead", "heater volts dead, heaters dead, no volts at the heaters, no voltage at the heaters"),
        ("clock-contacts", "yes", "clock contacts yes, clock contacts change over, clock contacts make"),
        ("clock-contacts", "no", "clock contacts no, clock contacts burnt, clock contacts do not make"),
        ("fans-in-defrost", "on", "fans run in defrost, fans on in defrost, fans running in defrost"),
        ("fans-in-defrost", "off", "fans off in defrost, fans stop in defrost"),
        ("defrosts", "none", "no defrosts since yesterday, no defrost since yesterday, never defrosts"),
        ("end-by", "time-limit", "defrost ended by time, ended by time, ended on time limit"),
        ("end-by", "temperature", "defrost ended by temperature, ended by temperature"),
        ("stock", "over", "stock over the line, stock over the load line, overstocked"),
        ("coil-dirt", "dirty", "fins dirty, coil dirty, evap dirty, evaporator dirty"),
        ("recirculation", "yes", "condenser breathes its own air, hot air goes back in, hot air recirculates"),
    ];

    /// <summary>By phrase, in lower case.</summary>
    public static IReadOnlyDictionary<string, (string Observable, string Answer)> All { get; } = Table
        .SelectMany(t => t.Phrases.Split(", ", StringSplitOptions.RemoveEmptyEntries), (t, phrase) => (phrase, t.Observable, t.Answer))
        .ToDictionary(p => p.phrase, p => (p.Observable, p.Answer));
}
