using KeenEmber.Core.Plant;

namespace KeenEmber.Core.Benches.Electrical.Tracing;

/// <summary>What a control circuit should be doing: its contacts stand by it. A member keeps its name once an entry was written with
/// it.</summary>
public enum CircuitMode
{
    /// <summary>The box asks for cold.</summary>
    Calling,

    /// <summary>The box is cold enough.</summary>
    Satisfied,

    /// <summary>The heaters are on.</summary>
    Defrost,
}

/// <summary>A part of a diagram with what it is on the unit.</summary>
/// <param name="Wired">Its id is its name: "box thermostat".</param>
/// <param name="Component">Null for what is no part of its own.</param>
public sealed record DiagramPart(WiredPart Wired, Component? Component);

/// <summary>Parts in a row, from one terminal to another.</summary>
public sealed record Rung(IReadOnlyList<DiagramPart> Parts)
{
    /// <summary>Terminals from left to right: one more than parts.</summary>
    public IReadOnlyList<string> Terminals => field ??= [Parts[0].Wired.A, .. Parts.Select(p => p.Wired.B)];
}

/// <summary>The control circuit of a unit as its make-up usually has it.</summary>
/// <remarks>A template: the maker's own diagram comes first. Terminals carry names of our own where a unit has no usual ones.</remarks>
public sealed record ControlDiagram(IReadOnlyList<WiredSource> Sources, IReadOnlyList<Rung> Rungs)
{
    /// <summary>Names of the two conductors.</summary>
    public const string Line = "L1", Return = "L2";

    /// <summary>The line behind the breaker, which feeds the rungs.</summary>
    public const string Fed = "1";

    /// <summary>As a circuit to be solved.</summary>
    public Wiring Wiring => field ??= new(Sources, [.. Rungs.SelectMany(r => r.Parts).Select(p => p.Wired)]);

    /// <summary>The part of that name; null where there is none.</summary>
    public DiagramPart? Part(string? id) => Rungs.SelectMany(r => r.Parts).FirstOrDefault(p => p.Wired.Id == id);

    /// <summary>How much of the supply each terminal has against the return where all is as it should be, V.</summary>
    public IReadOnlyDictionary<string, double> ExpectedVolts => field ??= Tracer.Expected(Wiring, Return);
}

/// <summary>Makes the diagram of a unit.</summary>
public sealed class ControlDiagrams
{
    private readonly Equipment unit;
    private readonly CircuitMode mode;
    private readonly List<Rung> rungs = [];

    private ControlDiagrams(Equipment unit, CircuitMode mode)
    {
        this.unit = unit;
        this.mode = mode;
    }

    private bool IsCalling => mode == CircuitMode.Calling;

    private bool IsDefrost => mode == CircuitMode.Defrost;

    /// <summary>It heats its coil, by a clock or a controller.</summary>
    public static bool HasHeat(Equipment unit) => unit.Target.Celsius <= 0 && unit.Kind != EquipmentKind.GlycolChiller;

    /// <param name="unit">Its make-up decides the template.</param>
    /// <param name="mode">Contacts stand by it; a unit without heaters is never in defrost.</param>
    /// <param name="volts">Of the supply, V.</param>
    public static ControlDiagram Of(Equipment unit, CircuitMode mode, double volts)
    {
        var made = new ControlDiagrams(unit, mode);
        made.Draw();
        return new([new("supply", volts, 0, ControlDiagram.Line, ControlDiagram.Return)], made.rungs);
    }

    private void Draw()
    {
        Add(Contact("breaker", ControlDiagram.Line, ControlDiagram.Fed, true, "panel", ComponentKind.Breaker));
        if (unit.MakeUp.Condenser == CondenserKind.Rack)
            DrawRackCase();
        else if (unit.MakeUp.Metering == Metering.CapillaryTube)
            DrawBuiltIn();
        else
            DrawRemote();
    }

    /// <summary>A box with its own condensing unit: pump-down by the liquid solenoid where there is one.</summary>
    private void DrawRemote()
    {
        var call = HasHeat(unit) ? "4" : "1";
        DrawClock();
        var pumpsDown = unit.MakeUp.Has(CircuitParts.LiquidSolenoid);
        if (pumpsDown)
            Add(Contact("box thermostat", call, "T2", IsCalling, "box", ComponentKind.Control),
                Load("liquid solenoid", "T2", 900, "coil", ComponentKind.LiquidSolenoid));
        DrawFans(call);
        DrawHeat();
        DiagramPart first = pumpsDown
            ? Contact("low-pressure control", "1", "C1", IsCalling, "unit", ComponentKind.LowPressureControl)
            : Contact("box thermostat", call, "C1", IsCalling, "box", ComponentKind.Control);
        Add(first, Contact("high-pressure control", "C1", "C2", true, "unit", ComponentKind.HighPressureControl),
            new(new("contactor coil", WiredKind.Coil, "C2", ControlDiagram.Return, Ohms: 900, Moves: ["contactor pole"], Where: "unit"),
                new(ComponentKind.Contactor)));
        Add(Contact("contactor pole", "1", "U", IsCalling, "unit", ComponentKind.Contactor),
            Load("compressor", "U", 12, "unit", ComponentKind.Compressor));
        if (unit.MakeUp.IsAirCooled)
            Add(Load("condenser fan", "U", 180, "unit", ComponentKind.CondenserFan));
    }

    /// <summary>A built-in unit: the thermostat carries the compressor, through overload and start relay.</summary>
    private void DrawBuiltIn()
    {
        var call = HasHeat(unit) ? "4" : "1";
        DrawClock();
        Add(Contact("box thermostat", call, "T2", IsCalling, "box", ComponentKind.Control),
            Contact("overload", "T2", "O", true, "unit", ComponentKind.Overload),
            Load("compressor with start relay", "O", 15, "unit", ComponentKind.Compressor));
        if (unit.MakeUp.IsAirCooled)
            Add(Load("condenser fan", "T2", 400, "unit", ComponentKind.CondenserFan));
        DrawFans(call);
        DrawHeat();
    }

    /// <summary>A case on a rack: its control opens a valve; there is no compressor to call.</summary>
    private void DrawRackCase()
    {
        var (valve, kind) = unit.MakeUp.Has(CircuitParts.SuctionStop) ? ("suction stop valve", ComponentKind.SuctionStop)
            : ("liquid solenoid", ComponentKind.LiquidSolenoid);
        Add(Contact("control relay", "1", "K1", IsCalling, "control", ComponentKind.ControlRelay), Load(valve, "K1", 900, "coil", kind));
        if (HasHeat(unit))
            Add(Contact("defrost relay", "1", "3", IsDefrost, "control", ComponentKind.DefrostRelay),
                Contact("heater safety", "3", "H", true, "coil", ComponentKind.HeaterSafety),
                Load("heaters", "H", 25, "coil", ComponentKind.HeaterElement));
        DrawFans("1");
    }

    private void DrawClock()
    {
        if (!HasHeat(unit))
            return;
        Add(Load("clock motor", "1", 9000, "control", ComponentKind.DefrostClock));
        Add(Contact("clock, cooling side", "1", "4", !IsDefrost, "control", ComponentKind.DefrostClock));
    }

    private void DrawFans(string from)
    {
        if (unit.EvaporatorFans == 0)
        {
            Add(Load("glycol pump", "1", 120, "unit", ComponentKind.GlycolPump));
            return;
        }

        var fans = Load(Fans(unit), HasHeat(unit) && unit.MakeUp.Condenser != CondenserKind.Rack ? "F" : from, 150, "coil",
            ComponentKind.EvaporatorFan);
        if (fans.Wired.A == "F")
            Add(Contact("fan delay switch", from, "F", !IsDefrost, "coil", ComponentKind.FanDelaySwitch), fans);
        else
            Add(fans);
    }

    /// <summary>Its fans by their name in the diagram.</summary>
    private static string Fans(Equipment unit) => unit.EvaporatorFans == 1 ? "evaporator fan" : "evaporator fans";

    private void DrawHeat()
    {
        if (!HasHeat(unit))
            return;
        Add(Contact("clock, heat side", "1", "3", IsDefrost, "control", ComponentKind.DefrostClock),
            Contact("heater safety", "3", "H", true, "coil", ComponentKind.HeaterSafety),
            Load("heaters", "H", 25, "coil", ComponentKind.HeaterElement));
        Add(Contact("termination switch", "3", "X", false, "coil", ComponentKind.TerminationSwitch),
            Load("clock release", "X", 1500, "control", ComponentKind.DefrostClock));
    }

    private void Add(params DiagramPart[] parts) => rungs.Add(new(parts));

    private static DiagramPart Contact(string name, string a, string b, bool isClosed, string where, ComponentKind kind) =>
        new(new(name, WiredKind.Contact, a, b, isClosed, Where: where), new(kind));

    private static DiagramPart Load(string name, string from, double ohms, string where, ComponentKind kind) =>
        new(new(name, WiredKind.Load, from, ControlDiagram.Return, Ohms: ohms, Where: where), new(kind));
}
