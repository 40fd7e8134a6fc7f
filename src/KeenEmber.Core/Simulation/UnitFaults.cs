using KeenEmber.Core.Benches.Electrical.Tracing;

namespace KeenEmber.Core.Simulation;

/// <summary>What can be wrong with a unit in arithmetic, each from 0 (sound) to 1, or in kelvin.</summary>
/// <param name="ChargeLost">Of its charge.</param>
/// <param name="Overcharge">Of its charge, too much in it.</param>
/// <param name="CondenserDirt">Of the condenser's air that is held back.</param>
/// <param name="CondenserFanOut">1: it stands.</param>
/// <param name="EvaporatorAir">Of the coil's air that is missing: a fan out, a coil blocked.</param>
/// <param name="ValveShut">Of the valve or tube that is closed: dirt, ice, a lost bulb.</param>
/// <param name="ValveOpen">How far it feeds too much.</param>
/// <param name="CompressorWear">Of what it pumps that comes back through its valves.</param>
/// <param name="DoorOpen">Of the time a door stands open.</param>
/// <param name="HeaterOut">Of the defrost heat that is missing.</param>
/// <param name="ProbeOffK">What the control's sensor reads too much, K.</param>
/// <param name="WaterShort">Of the water of a condenser that does not come.</param>
/// <param name="WaterValveOffK">How much warmer it must condense for its water valve to open, K.</param>
/// <param name="Scale">Of the heat transfer of a condenser in water that scale takes.</param>
/// <param name="HeadValveOut">Of a head-pressure valve that does not back liquid up.</param>
/// <param name="Moisture">In the circuit: how quickly it freezes where the liquid expands.</param>
/// <param name="LiquidLeak">Of what a liquid valve lets past while it should be shut.</param>
/// <param name="LiquidShut">Of a liquid valve that does not open.</param>
/// <param name="StartFails">1: the compressor has its voltage and does not turn: start relay, capacitor, stuck.</param>
public sealed record UnitFaults(
    double ChargeLost = 0, double Overcharge = 0, double CondenserDirt = 0, double CondenserFanOut = 0, double EvaporatorAir = 0,
    double ValveShut = 0, double ValveOpen = 0, double CompressorWear = 0, double DoorOpen = 0, double HeaterOut = 0,
    double ProbeOffK = 0, double WaterShort = 0, double WaterValveOffK = 0, double Scale = 0, double HeadValveOut = 0,
    double Moisture = 0, double LiquidLeak = 0, double LiquidShut = 0, double StartFails = 0)
{
    /// <summary>In its wiring, by the names of its diagram.</summary>
    public IReadOnlyList<PartFault> Wired { get; init; } = [];

    /// <summary>Nothing is wrong.</summary>
    public static readonly UnitFaults None = new();

    /// <summary>Both together; of a share no more than all of it.</summary>
    public UnitFaults With(UnitFaults other) => Each(other, (a, b) => Math.Min(1, a + b), (a, b) => a + b) with
    {
        Wired = [.. Wired, .. other.Wired],
    };

    /// <summary>The same, weaker; what is wrong in the wiring is so from half of it on.</summary>
    /// <param name="share">0 to 1.</param>
    public UnitFaults Times(double share) => Each(this, (a, _) => a * share, (a, _) => a * share) with
    {
        Wired = share >= WiredFrom ? Wired : [],
    };

    private const double WiredFrom = 0.5;

    private UnitFaults Each(UnitFaults other, Func<double, double, double> shares, Func<double, double, double> kelvins) => new(
        shares(ChargeLost, other.ChargeLost), shares(Overcharge, other.Overcharge), shares(CondenserDirt, other.CondenserDirt),
        shares(CondenserFanOut, other.CondenserFanOut), shares(EvaporatorAir, other.EvaporatorAir), shares(ValveShut, other.ValveShut),
        shares(ValveOpen, other.ValveOpen), shares(CompressorWear, other.CompressorWear), shares(DoorOpen, other.DoorOpen),
        shares(HeaterOut, other.HeaterOut), kelvins(ProbeOffK, other.ProbeOffK), shares(WaterShort, other.WaterShort),
        kelvins(WaterValveOffK, other.WaterValveOffK), shares(Scale, other.Scale), shares(HeadValveOut, other.HeadValveOut),
        shares(Moisture, other.Moisture), shares(LiquidLeak, other.LiquidLeak), shares(LiquidShut, other.LiquidShut),
        shares(StartFails, other.StartFails));
}
