using KeenEmber.Core.Plant;
using KeenEmber.Core.Quantities;
using KeenEmber.Core.Refrigerants;

namespace KeenEmber.Web.Demo;

/// <summary>The state of a circuit at one moment, from which the readings follow. All K or °C unless the name says otherwise.</summary>
internal sealed record DemoState(
    double BoxC, double TdK, double SuperheatK, double LineGainK = 9, double AmbientC = 18, double SplitK = 12,
    double SubcoolingK = 5, double AirDropK = 3, double DischargeC = 68)
{
    /// <summary>The second coil of a unit that has two.</summary>
    public double Box2C { get; init; } = BoxC;
    public double Superheat2K { get; init; } = SuperheatK;
    public double? CurrentA { get; init; }
    public double? DrierDropK { get; init; }

    /// <summary>Lowest and highest condensing temperature of a fan's cycle.</summary>
    public (double LowC, double HighC)? FanCycle { get; init; }

    /// <summary>Every reading this state gives on a unit, in walking order.</summary>
    public IEnumerable<(PointRef Point, TypedValue Value)> Readings(Equipment unit, Pressure atmosphere)
    {
        var fluid = unit.Circuit.Refrigerant!;
        var suction = PressureOfMidpoint(fluid, BoxC - TdK);
        var head = PressureOfMidpoint(fluid, AmbientC + SplitK);
        var dewC = fluid.DewTemperature(suction)!.Value.Celsius;
        var liquidC = fluid.BubbleTemperature(head)!.Value.Celsius - SubcoolingK;
        TypedValue Gauge(Pressure p) => new(Math.Round(p.GaugeKpa(atmosphere) / 100, 2), Unit.Bar);
        return unit.MakeUp.Points.Select(point => (point, point.Point switch
        {
            MeasuringPoint.BoxAir => Celsius(point.Coil == 1 ? BoxC : Box2C),
            MeasuringPoint.AirLeaving => Celsius((point.Coil == 1 ? BoxC : Box2C) - AirDropK),
            MeasuringPoint.SuctionLineCoil => Celsius(dewC + (point.Coil == 1 ? SuperheatK : Superheat2K)),
            MeasuringPoint.SuctionPressure => Gauge(suction),
            MeasuringPoint.SuctionLineCompressor => Celsius(dewC + SuperheatK + LineGainK),
            MeasuringPoint.CompressorCurrent => CurrentA is { } amps ? new TypedValue(amps, Unit.Ampere) : null,
            MeasuringPoint.DischargeLine => Celsius(DischargeC),
            MeasuringPoint.DischargePressure => Gauge(head),
            MeasuringPoint.HeadCycleLow => FanCycle is { } low ? Gauge(PressureOfMidpoint(fluid, low.LowC)) : null,
            MeasuringPoint.HeadCycleHigh => FanCycle is { } high ? Gauge(PressureOfMidpoint(fluid, high.HighC)) : null,
            MeasuringPoint.CondenserAir => Celsius(AmbientC),
            MeasuringPoint.LiquidLine => Celsius(liquidC),
            MeasuringPoint.LiquidAfterDrier => DrierDropK is { } drop ? Celsius(liquidC - drop) : null,
            _ => null,
        })).Where(r => r.Item2 is not null)!;
    }

    /// <summary>The pressure whose bubble and dew temperatures have this mid-point; a few steps close any glide.</summary>
    private static Pressure PressureOfMidpoint(Refrigerant fluid, double midpointC)
    {
        var midpoint = Temperature.FromCelsius(midpointC);
        var pressure = fluid.DewPressure(midpoint)!.Value;
        for (var step = 0; step < 4; step++)
            pressure =
                fluid.DewPressure(fluid.DewTemperature(pressure)!.Value + (midpoint - fluid.MidpointTemperature(pressure)!.Value))!.Value;
        return pressure;
    }

    /// <summary>As a technician reads it off: tenths of a degree.</summary>
    private static TypedValue Celsius(double tempC) => new(Math.Round(tempC, 1), Unit.Celsius);
}

/// <summary>The same points logged again and again after the round: TD and superheat as they went, minute by minute.</summary>
internal sealed record DemoTrend(double Minutes, double EveryMin, Func<double, double> TdK, Func<double, double> SuperheatK)
{
    private static readonly PointRef[] Points =
        [MeasuringPoint.SuctionPressure, MeasuringPoint.SuctionLineCoil, MeasuringPoint.BoxAir, MeasuringPoint.DischargePressure,
        MeasuringPoint.LiquidLine];

    public IEnumerable<(TimeSpan After, PointRef Point, TypedValue Value)> Samples(
        Equipment unit, DemoState state, Pressure atmosphere)
    {
        for (var minute = 0.0; minute <= Minutes; minute += EveryMin)
        {
            var now = state with { TdK = TdK(minute), SuperheatK = SuperheatK(minute) };
            foreach (var (point, value) in now.Readings(unit, atmosphere).Where(r => Points.Contains(r.Point)))
                yield return (TimeSpan.FromMinutes(minute), point, value);
        }
    }
}

/// <summary>What was seen on a demo visit: everything in order unless it says otherwise.</summary>
internal sealed record DemoSeen(
    int RunMin = 35, FactState Coil = FactState.Clear, FactState LastFan = FactState.Running,
    FactState CondenserFan = FactState.Running, FactState Condenser = FactState.Clean)
{
    /// <summary>Further facts, such as the sight glass.</summary>
    public IReadOnlyDictionary<AsFound, FactState> Also { get; init; } = new Dictionary<AsFound, FactState>();

    public FactState? StateOf(AsFound fact) => Also.TryGetValue(fact, out var state) ? state : fact switch
    {
        AsFound.Coil => Coil,
        AsFound.CondenserFan => CondenserFan,
        AsFound.CondenserFace => Condenser,
        AsFound.LiquidSolenoid or AsFound.SuctionStop => FactState.Open,
        _ => null,
    };
}
