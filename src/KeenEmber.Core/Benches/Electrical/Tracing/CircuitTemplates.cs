using KeenEmber.Core.Plant;

namespace KeenEmber.Core.Benches.Electrical.Tracing;

/// <summary>Usual control circuits, to begin a unit's own diagram with. A member keeps its name once an entry was written with
/// it.</summary>
public enum CircuitTemplate
{
    /// <summary>A box with a condensing unit apart, pump-down where it has a liquid valve, clock and heaters where it freezes.</summary>
    Remote,

    /// <summary>Built in, with a capillary: the thermostat carries the compressor.</summary>
    BuiltIn,

    /// <summary>Built in, with a controller whose relays carry compressor, fans and heat.</summary>
    BuiltInController,

    /// <summary>A case on a rack: its control opens a valve.</summary>
    RackCase,

    /// <summary>A case on a rack, whose 24 V stage drives a change-over relay on mains.</summary>
    RackCaseStage,

    /// <summary>Two sides, each with a thermostat and a valve.</summary>
    TwoSides,

    /// <summary>Two circuits of one compressor, each with a thermostat and a valve; it pumps down.</summary>
    PrepTable,

    /// <summary>A box with a board that defrosts by sensors and opens the valve itself.</summary>
    DefrostBoard,

    /// <summary>A condensing unit cooled by water, with its relay.</summary>
    WaterCooled,

    /// <summary>A glycol chiller with its pump.</summary>
    Chiller,

    /// <summary>Three phases, heaters in star.</summary>
    ThreePhaseStar,

    /// <summary>Three phases, heaters in delta.</summary>
    ThreePhaseDelta,
}

/// <summary>Makes the usual diagram of a unit.</summary>
/// <remarks>Templates from trade practice: the maker's own diagram comes first. Terminals carry names of our own where a unit has no usual
/// ones.</remarks>
public sealed class CircuitTemplates
{
    /// <summary>When fans run; when a clock's cooling side is made; when a thermostat calls; and when a compressor runs that pumps
    /// down.</summary>
    private const ClosedIn Cold = ClosedIn.Calling | ClosedIn.Satisfied | ClosedIn.PumpingDown, Cooling = Cold | ClosedIn.Drip,
        Calls = ClosedIn.Calling | ClosedIn.Drip, Pumps = Calls | ClosedIn.PumpingDown;

    private const double FansOhm = 150, ValveOhm = 900, CoilOhm = 900, HeatersOhm = 25, MotorOhm = 12;

    private const string Line = ControlDiagram.Line, Return = ControlDiagram.Return, Fed = ControlDiagram.Fed;

    private readonly Equipment unit;
    private readonly List<IReadOnlyList<PlannedPart>> rungs = [];

    private CircuitTemplates(Equipment unit) => this.unit = unit;

    /// <summary>It heats its coil, by a clock or a controller.</summary>
    public static bool HasHeat(Equipment unit) => unit.Target.Celsius <= 0 && unit.Kind != EquipmentKind.GlycolChiller;

    /// <summary>What a unit of this make-up can be doing.</summary>
    public static IEnumerable<CircuitMode> ModesOf(Equipment unit) => Enum.GetValues<CircuitMode>().Where(m => m switch
    {
        CircuitMode.Defrost or CircuitMode.Drip => HasHeat(unit),
        CircuitMode.PumpingDown => unit.MakeUp.Has(CircuitParts.LiquidSolenoid) && unit.MakeUp.Condenser != CondenserKind.Rack,
        _ => true,
    });

    /// <summary>The template that a unit's make-up points to.</summary>
    public static CircuitTemplate Usual(Equipment unit) => unit switch
    {
        { Kind: EquipmentKind.GlycolChiller } => CircuitTemplate.Chiller,
        { MakeUp: { Condenser: CondenserKind.Rack, Coils: > 1 } } => CircuitTemplate.TwoSides,
        { MakeUp.Condenser: CondenserKind.Rack } => CircuitTemplate.RackCase,
        { MakeUp: { Metering: not Metering.CapillaryTube, Coils: > 1 } } => CircuitTemplate.PrepTable,
        { MakeUp.Condenser: CondenserKind.WaterCooled } => CircuitTemplate.WaterCooled,
        { MakeUp.Metering: Metering.CapillaryTube } => CircuitTemplate.BuiltIn,
        _ => CircuitTemplate.Remote,
    };

    /// <param name="unit">Its make-up decides what is drawn.</param>
    /// <param name="template">The one its make-up points to, or another.</param>
    public static CircuitPlan Of(Equipment unit, CircuitTemplate template)
    {
        var made = new CircuitTemplates(unit);
        made.Draw(template);
        return new(template is CircuitTemplate.ThreePhaseStar or CircuitTemplate.ThreePhaseDelta ? PlanSupply.ThreePhase
            : PlanSupply.SinglePhase, made.rungs, []);
    }

    private bool Heats => HasHeat(unit);

    /// <summary>The terminal that is live but in a defrost: behind the clock of a unit that has one.</summary>
    private string Call => Heats ? "4" : Fed;

    private void Draw(CircuitTemplate template)
    {
        Add(Contact("breaker", Line, Fed, ClosedIn.Always & ~ClosedIn.Off, "panel", ComponentKind.Breaker));
        switch (template)
        {
            case CircuitTemplate.BuiltIn:
                DrawBuiltIn();
                break;
            case CircuitTemplate.BuiltInController:
                DrawBuiltInController();
                break;
            case CircuitTemplate.RackCase:
                DrawRackCase();
                break;
            case CircuitTemplate.RackCaseStage:
                DrawStage();
                break;
            case CircuitTemplate.TwoSides:
                DrawSides(["left", "right"], "coil");
                DrawFans(Fed, "fan delay switch");
                break;
            case CircuitTemplate.PrepTable:
                DrawSides(["rail", "base"], "coil");
                DrawFans(Fed, "fan delay switch");
                DrawCompressor(LowPressure with { ClosedIn = ClosedIn.Calling | ClosedIn.PumpingDown });
                break;
            case CircuitTemplate.DefrostBoard:
                DrawBoard();
                break;
            case CircuitTemplate.ThreePhaseStar or CircuitTemplate.ThreePhaseDelta:
                DrawThreePhase(template == CircuitTemplate.ThreePhaseStar);
                break;
            default:
                DrawRemote(template == CircuitTemplate.WaterCooled);
                break;
        }
    }

    private static PlannedPart LowPressure =>
        Contact("low-pressure control", Fed, "C1", Pumps, "unit", ComponentKind.LowPressureControl);

    /// <summary>A box with its own condensing unit: pump-down by the liquid solenoid where there is one.</summary>
    private void DrawRemote(bool byWater)
    {
        DrawClock();
        var pumpsDown = unit.MakeUp.Has(CircuitParts.LiquidSolenoid);
        if (pumpsDown)
            Add(Thermostat(Call, "T2"), Load("liquid solenoid", "T2", ValveOhm, "coil", ComponentKind.LiquidSolenoid));
        DrawFans(Call, Heats ? "fan delay switch" : "");
        DrawHeat();
        DrawCompressor(pumpsDown ? LowPressure : Thermostat(Call, "C1"));
        if (byWater)
            Add(Contact("water relay", Fed, "Y", pumpsDown ? Pumps : Calls, "unit", ComponentKind.Contactor),
                Load("water valve", "Y", ValveOhm, "unit", ComponentKind.WaterValve));
    }

    /// <summary>The contactor's coil behind the pressure controls, its pole, and what that carries.</summary>
    private void DrawCompressor(PlannedPart call, params string[] poles)
    {
        var moved = poles.Length > 0 ? poles : ["contactor pole"];
        Add(call, Contact("high-pressure control", "C1", "C2", ClosedIn.Always, "unit", ComponentKind.HighPressureControl),
            new("contactor coil", WiredKind.Coil, "C2", Return, Ohms: CoilOhm, Where: "unit", Component: new(ComponentKind.Contactor),
                Moves: moved));
        if (poles.Length > 0)
            return;
        Add(Contact("contactor pole", Fed, "U", call.ClosedIn, "unit", ComponentKind.Contactor),
            Load("compressor", "U", MotorOhm, "unit", ComponentKind.Compressor));
        if (unit.MakeUp.IsAirCooled)
            Add(Load("condenser fan", "U", 180, "unit", ComponentKind.CondenserFan));
    }

    /// <summary>The thermostat carries the compressor, through overload and start relay.</summary>
    private void DrawBuiltIn()
    {
        DrawClock();
        DrawBuiltInCompressor(Thermostat(Call, "T2"), "T2");
        DrawFans(Call, Heats ? "fan delay switch" : "");
        DrawHeat();
    }

    private void DrawBuiltInCompressor(PlannedPart call, string at)
    {
        Add(call, Contact("overload", at, "O", ClosedIn.Always, "unit", ComponentKind.Overload),
            Load("compressor with start relay", "O", 15, "unit", ComponentKind.Compressor));
        if (unit.MakeUp.IsAirCooled)
            Add(Load("condenser fan", at, 400, "unit", ComponentKind.CondenserFan));
    }

    /// <summary>Relays of the controller carry each load.</summary>
    private void DrawBuiltInController()
    {
        Add(Load("controller", Fed, 5000, "control", ComponentKind.Control));
        DrawBuiltInCompressor(Relay("compressor relay", Fed, "K1", ClosedIn.Calling), "K1");
        Add(Relay("fan relay", Fed, "K2", Cold), Load(Fans, "K2", FansOhm, "coil", ComponentKind.EvaporatorFan));
        if (Heats)
            DrawHeaters(Relay("defrost relay of the control", Fed, "K3", ClosedIn.Defrost));
    }

    /// <summary>Its control opens a valve; there is no compressor to call.</summary>
    private void DrawRackCase()
    {
        DrawRackValve();
        if (Heats)
            DrawHeaters(Contact("defrost relay", Fed, "3", ClosedIn.Defrost, "control", ComponentKind.DefrostRelay));
        DrawFans(Fed, Heats ? "fan delay switch" : "");
    }

    private void DrawRackValve()
    {
        var (valve, kind) = unit.MakeUp.Has(CircuitParts.SuctionStop) ? ("suction stop valve", ComponentKind.SuctionStop)
            : ("liquid solenoid", ComponentKind.LiquidSolenoid);
        Add(Relay("control relay", Fed, "K1", ClosedIn.Calling), Load(valve, "K1", ValveOhm, "coil", kind));
    }

    /// <summary>A transformer's 24 V through the control's contact pull the relay that changes fans over to heaters.</summary>
    private void DrawStage()
    {
        DrawRackValve();
        Add(new PlannedPart("control transformer", WiredKind.Transformer, Fed, Return, Where: "control", C: "R", D: "M",
            SecondaryVolts: 24));
        Add(Relay("defrost stage", "R", "D1", ClosedIn.Defrost), new PlannedPart("change-over relay", WiredKind.Coil, "D1", "M", Ohms: 90,
            Where: "control", Component: new(ComponentKind.DefrostRelay), Moves: ["change-over to heat", "change-over to fans"]));
        Add(Contact("change-over to fans", Fed, "F", Cold, "control", ComponentKind.DefrostRelay),
            Load(Fans, "F", FansOhm, "coil", ComponentKind.EvaporatorFan));
        DrawHeaters(Contact("change-over to heat", Fed, "3", ClosedIn.Defrost, "control", ComponentKind.DefrostRelay));
    }

    private void DrawSides(string[] sides, string where)
    {
        for (var i = 0; i < sides.Length; i++)
            Add(new PlannedPart($"{sides[i]} thermostat", WiredKind.Contact, Fed, $"T{i + 1}", ClosedIn.Calling, Where: "box",
                    Component: new(ComponentKind.Control, i + 1)),
                new PlannedPart($"{sides[i]} valve", WiredKind.Load, $"T{i + 1}", Return, Ohms: ValveOhm, Where: where,
                    Component: new(ComponentKind.LiquidSolenoid, i + 1)));
    }

    /// <summary>A board with sensors: no clock, no end switch, its relays carry valve, fans and heat.</summary>
    private void DrawBoard()
    {
        Add(Load("board", Fed, 4000, "control", ComponentKind.Control));
        Add(Relay("valve output", Fed, "V", ClosedIn.Calling),
            Load("liquid solenoid", "V", ValveOhm, "coil", ComponentKind.LiquidSolenoid));
        Add(Relay("fan output", Fed, "F", Cold), Load(Fans, "F", FansOhm, "coil", ComponentKind.EvaporatorFan));
        if (Heats)
            DrawHeaters(Relay("heat output", Fed, "3", ClosedIn.Defrost));
        DrawCompressor(LowPressure with { ClosedIn = ClosedIn.Calling | ClosedIn.PumpingDown });
    }

    /// <summary>Contactors of three poles for compressor and heaters; the control stands between two phases.</summary>
    private void DrawThreePhase(bool inStar)
    {
        DrawClock();
        DrawFans(Call, Heats ? "fan delay switch" : "");
        DrawCompressor(Thermostat(Call, "C1"), "pole 1", "pole 2", "pole 3");
        DrawLegs("pole", ["U", "V", "W"], Calls, "unit", ComponentKind.Contactor);
        DrawBank("winding", ["U", "V", "W"], false, 20, "unit", ComponentKind.Compressor);
        if (!Heats)
            return;
        Add(Contact("clock, heat side", Fed, "3", ClosedIn.Defrost, "control", ComponentKind.DefrostClock),
            Contact("heater safety", "3", "H", ClosedIn.Always, "coil", ComponentKind.HeaterSafety),
            new("heater contactor coil", WiredKind.Coil, "H", Return, Ohms: CoilOhm, Where: "control",
                Component: new(ComponentKind.DefrostRelay), Moves: ["heater pole 1", "heater pole 2", "heater pole 3"]));
        DrawLegs("heater pole", ["H1", "H2", "H3"], ClosedIn.Defrost, "control", ComponentKind.DefrostRelay);
        DrawBank("heater leg", ["H1", "H2", "H3"], inStar, 40, "coil", ComponentKind.HeaterElement);
    }

    private void DrawLegs(string name, string[] to, ClosedIn closed, string where, ComponentKind kind)
    {
        string[] phases = [Line, Return, ControlDiagram.Third];
        for (var i = 0; i < to.Length; i++)
            Add(Contact($"{name} {i + 1}", phases[i], to[i], closed, where, kind));
    }

    private void DrawBank(string name, string[] ends, bool inStar, double ohms, string where, ComponentKind kind)
    {
        for (var i = 0; i < ends.Length; i++)
            Add(new PlannedPart($"{name} {i + 1}", WiredKind.Load, ends[i], inStar ? "Y" : ends[(i + 1) % ends.Length], Ohms: ohms,
                Where: where, Component: new(kind, kind == ComponentKind.HeaterElement ? i + 1 : 1)));
    }

    private void DrawClock()
    {
        if (!Heats)
            return;
        Add(Load("clock motor", Fed, 9000, "control", ComponentKind.DefrostClock));
        Add(Contact("clock, cooling side", Fed, "4", Cooling, "control", ComponentKind.DefrostClock));
    }

    private void DrawFans(string from, string delay)
    {
        if (unit.EvaporatorFans == 0)
        {
            Add(Load("glycol pump", Fed, 120, "unit", ComponentKind.GlycolPump));
            return;
        }

        var isHeldBack = delay.Length > 0 && Heats;
        var fans = Load(Fans, isHeldBack ? "F" : from, FansOhm, "coil", ComponentKind.EvaporatorFan);
        if (isHeldBack)
            Add(Contact(delay, from, "F", Cold, "coil", ComponentKind.FanDelaySwitch), fans);
        else
            Add(fans);
    }

    /// <summary>Its fans by their name in the diagram.</summary>
    private string Fans => unit.EvaporatorFans == 1 ? "evaporator fan" : "evaporator fans";

    private void DrawHeat()
    {
        if (!Heats)
            return;
        DrawHeaters(Contact("clock, heat side", Fed, "3", ClosedIn.Defrost, "control", ComponentKind.DefrostClock));
        Add(Contact("termination switch", "3", "X", ClosedIn.None, "coil", ComponentKind.TerminationSwitch),
            Load("clock release", "X", 1500, "control", ComponentKind.DefrostClock));
    }

    private void DrawHeaters(PlannedPart call) => Add(call,
        Contact("heater safety", call.B, "H", ClosedIn.Always, "coil", ComponentKind.HeaterSafety),
        Load("heaters", "H", HeatersOhm, "coil", ComponentKind.HeaterElement));

    private void Add(params PlannedPart[] parts) => rungs.Add(parts);

    private static PlannedPart Thermostat(string from, string to) =>
        Contact("box thermostat", from, to, Calls, "box", ComponentKind.Control);

    private static PlannedPart Relay(string name, string from, string to, ClosedIn closed) =>
        Contact(name, from, to, closed, "control", ComponentKind.ControlRelay);

    private static PlannedPart Contact(string name, string a, string b, ClosedIn closed, string where, ComponentKind kind) =>
        new(name, WiredKind.Contact, a, b, closed, Where: where, Component: new(kind));

    private static PlannedPart Load(string name, string from, double ohms, string where, ComponentKind kind) =>
        new(name, WiredKind.Load, from, Return, Ohms: ohms, Where: where, Component: new(kind));
}
