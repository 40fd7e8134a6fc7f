namespace KeenEmber.Core.Benches.Sensors;

/// <summary>Reference, resistance and controller of one sensor compared: who is lying?</summary>
/// <remarks>Trade practice: (a) reference, (b) resistance by its curve, (c) controller. a≈b≈c good; b≈c≠a the sensor or its place; a≈b≠c
/// the controller's side.</remarks>
public static class ThreeWayCheck
{
    /// <summary>Beyond its coldest or warmest resistance by this factor a sensor is open or shorted.</summary>
    private const double FarBeyond = 2;

    /// <summary>Small errors name no other family: they may be an offset as well, K.</summary>
    private const double WrongTypeK = 5;

    /// <summary>So far off at one temperature it is no offset: another family that fits then is named from that one alone, K.</summary>
    private const double PlainlyOtherK = 10;

    /// <summary>No sensor drifts so far: one that fits another family is named from one temperature, K.</summary>
    private const double FarOffK = 25;

    /// <summary>Opposite errors within this of each other's temperature are no curve that bends, K.</summary>
    private const double LikeTemperatureK = 12;

    /// <summary>Baths this far apart tell an offset from a drift, K.</summary>
    private const double BathsApartK = 15;

    /// <param name="curve">The sensor's own.</param>
    /// <param name="points">In the order in which they were taken.</param>
    /// <param name="offsetParameter">What the controller adds before it shows; 0 when it adds nothing, null when not looked up.</param>
    public static SensorResult Judge(
        SensorCurve curve, IReadOnlyList<SensorPoint> points, CheckAccuracy accuracy, double? offsetParameter = null)
    {
        if (Extreme(curve, points) is { } extreme)
            return OfAnotherFamily(curve, points, accuracy) ?? new(
                extreme, ReadsFalling(curve) == (extreme == SensorVerdict.Open) ? double.NegativeInfinity
                : double.PositiveInfinity, double.PositiveInfinity, null, []);
        var at = points.Select(p => new Compared(curve, p, accuracy)).ToList();
        var error = at.LastOrDefault(p => p.Total is not null)?.Total ?? at.LastOrDefault(p => p.Sensor is not null)?.Sensor;
        var sensor = at.Where(p => p.Sensor is not null).ToList();
        var controller = at.Where(p => p.Controller is not null).ToList();
        if (IsUnsteady(at))
            return new(SensorVerdict.Unsteady, error, at.Max(p => p.TotalClear), null, ["signal"]);
        if (sensor.Count == 0)
            return WithoutSignal(at, controller.Count > 0, error);
        if (Math.Abs(offsetParameter ?? 0) <= accuracy.Shown && OhmsAloneDiffer(at))
            return new(SensorVerdict.Unsettled, error, 0, null, ["signal"])
            {
                AlsoFits = Families(curve, Against(sensor), accuracy, accuracy.Reference),
            };
        var worst = sensor.MaxBy(p => p.SensorClear)!;
        if (worst.SensorClear > CheckAccuracy.ClearBy)
            return SensorSide(curve, sensor, accuracy, worst) with { Error = error };
        // What is shown agrees with the thermometer: then nothing behind the sensor is at fault, whatever a curve makes of the ohms.
        if (controller.Count > 0 && controller.Max(p => p.ControllerClear) is > CheckAccuracy.ClearBy and var clear
            && controller.Exists(p => p.Total is null || p.TotalClear > 1))
            return ControllerSide(curve, controller, accuracy, offsetParameter) with { Error = error, Clear = clear };
        // Where an ohm is many kelvins' worth to the meter neither half is clear while the whole is: the likelier half has it.
        if (at.Where(p => p.Controller is not null && p.Sensor is not null).ToList() is { Count: > 0 } whole
            && whole.Max(p => p.TotalClear) is > CheckAccuracy.ClearBy and var total)
        {
            return whole.Sum(p => p.SensorClear * p.SensorClear) > whole.Sum(p => p.ControllerClear * p.ControllerClear)
                ? SensorSide(curve, sensor, accuracy, worst) with { Error = error, Clear = total }
                : ControllerSide(curve, controller, accuracy, offsetParameter) with { Error = error, Clear = total };
        }

        return new(SensorVerdict.Good, error, worst.SensorClear, null, controller.Count == 0 ? ["shown"] : []);
    }

    private static List<(double Signal, double Value)> Against(IEnumerable<Compared> sensor) =>
        [.. sensor.Select(p => (p.Point.Signal!.Value, p.Point.Reference!.Value))];

    /// <summary>A sensor that lies beyond its own curve, and on another family's.</summary>
    private static SensorResult? OfAnotherFamily(SensorCurve curve, IReadOnlyList<SensorPoint> points, CheckAccuracy accuracy)
    {
        var read = points.Where(p => p is { Reference: not null, Signal: { } s } && double.IsFinite(s)).ToList();
        var families = read.Count == 0 ? []
            : Families(curve, [.. read.Select(p => (p.Signal!.Value, p.Reference!.Value))], accuracy, accuracy.Reference);
        if (families.Count == 0)
            return null;
        var error = read.LastOrDefault(p => p.Shown is not null) is { } last ? last.Shown - last.Reference : null;
        return new(SensorVerdict.WrongType, error, double.PositiveInfinity, families[0], []) { AlsoFits = [.. families.Skip(1)] };
    }

    /// <summary>Clearly warm and clearly cold at like temperatures, by what the controller shows.</summary>
    private static bool IsUnsteady(List<Compared> at)
    {
        var clear = at.Where(p => p is { Total: not null, Point.InBath: false } && p.TotalClear > CheckAccuracy.ClearBy).ToList();
        return clear.Exists(a => clear.Exists(b => a.Total > 0 && b.Total < 0
            && Math.Abs(a.Point.Reference!.Value - b.Point.Reference!.Value) <= LikeTemperatureK));
    }

    /// <summary>Thermometer and controller agree each time, and the ohms agree with neither: mistyped, measured elsewhere, or by another
    /// curve than was put down.</summary>
    private static bool OhmsAloneDiffer(List<Compared> at)
    {
        var whole = at.Where(p => p is { Total: not null, Sensor: not null, Controller: not null }).ToList();
        return whole.Count > 0 && at.TrueForAll(p => p is { Point.InBath: false } && (p.Total is null || p.TotalClear <= 1))
            && whole.Exists(p => p.SensorClear > CheckAccuracy.ClearBy && p.ControllerClear > CheckAccuracy.ClearBy);
    }

    /// <summary>Open and shorted sensors, by the last signal: so far out that no temperature of the trade does it.</summary>
    public static SensorVerdict? Extreme(SensorCurve curve, IReadOnlyList<SensorPoint> points)
    {
        if (points.LastOrDefault(p => p.Signal is not null) is not { Signal: { } signal })
            return null;
        if (curve.Signal != SignalKind.Ohm)
        {
            var (low, high) =
                (Math.Min(curve.SignalAt(curve.Range.Low), curve.SignalAt(curve.Range.High)),
                Math.Max(curve.SignalAt(curve.Range.Low), curve.SignalAt(curve.Range.High)));
            var slack = (high - low) * 0.05;
            if (signal < low - slack && low > slack)
                return SensorVerdict.Open;
            return signal > high + slack ? SensorVerdict.Shorted : null;
        }

        var (cold, warm) = (curve.SignalAt(SensorCurve.ColdestC), curve.SignalAt(SensorCurve.WarmestC));
        if (signal > Math.Max(cold, warm) * FarBeyond)
            return SensorVerdict.Open;
        return signal < Math.Min(cold, warm) / FarBeyond ? SensorVerdict.Shorted : null;
    }

    private static bool ReadsFalling(SensorCurve curve) => curve.IsFalling || curve.Signal != SignalKind.Ohm;

    private static SensorResult WithoutSignal(List<Compared> at, bool hasController, double? error)
    {
        if (at.LastOrDefault(p => p.Total is not null) is not { } both)
            return new(SensorVerdict.Unsettled, error, 0, null, hasController ? ["reference", "signal"] : ["reference", "signal", "shown"]);
        // Off once and right another time is not good: what it was may come back.
        var worst = at.Max(p => p.TotalClear);
        return worst > CheckAccuracy.ClearBy ? new(SensorVerdict.Unsettled, error, worst, null, ["signal"])
            : new(SensorVerdict.Good, error, both.TotalClear, null, []);
    }

    private static SensorResult SensorSide(SensorCurve curve, List<Compared> sensor, CheckAccuracy accuracy, Compared worst)
    {
        var baths = sensor.Where(p => p.Point.InBath).ToList();
        SensorResult Of(SensorVerdict verdict, params string[] settle) =>
            new(verdict, null, worst.SensorClear, null, settle) { MayBeWet = MayBeWet(curve, sensor) };
        if (baths.Count > 0 && baths.TrueForAll(p => p.SensorClear <= CheckAccuracy.ClearBy))
            return MayShowInTheColdOnly(curve, worst, baths, accuracy) ? Of(SensorVerdict.SensorOrPlace, "cold-bath")
                : Of(SensorVerdict.Misplaced);
        var families = Families(curve, Against(sensor), accuracy, accuracy.Reference);
        var apart = sensor.Max(p => p.Point.Reference!.Value) - sensor.Min(p => p.Point.Reference!.Value);
        if (families.Count > 0 && Math.Abs(worst.Sensor!.Value) >= (apart >= BathsApartK ? WrongTypeK : FarOffK))
            return Of(SensorVerdict.WrongType) with { Other = families[0], AlsoFits = [.. families.Skip(1)] };
        var maybe = families.Count > 0 && Math.Abs(worst.Sensor!.Value) >= WrongTypeK;
        if (baths.Count == 0)
            return Of(SensorVerdict.SensorOrPlace, "ice-bath") with { AlsoFits = maybe ? families : [] };
        var coldest = baths.MinBy(p => p.Point.Reference)!;
        var warmest = baths.MaxBy(p => p.Point.Reference)!;
        if (warmest.Point.Reference - coldest.Point.Reference < BathsApartK)
            return Of(SensorVerdict.SensorOffset, "warm-bath") with { AlsoFits = maybe ? families : [] };
        var differ = Math.Abs(warmest.Sensor!.Value - coldest.Sensor!.Value);
        if (differ <= accuracy.OfTwo(curve, coldest.Point.Reference!.Value, warmest.Point.Reference!.Value))
            return Of(SensorVerdict.SensorOffset);
        return Beside(curve, sensor, accuracy) is { } beside
            ? Of(beside.IsInSeries ? SensorVerdict.SeriesResistance : SensorVerdict.Leakage) with { Beside = beside }
                : Of(SensorVerdict.Drifted);
    }

    /// <summary>Reads warm in the cold, and the leak across its leads that does so would not be seen in any of the baths.</summary>
    private static bool MayShowInTheColdOnly(SensorCurve curve, Compared worst, List<Compared> baths, CheckAccuracy accuracy)
    {
        if (curve is not { Signal: SignalKind.Ohm, IsFalling: true } || worst is not { Sensor: > 0, Point.InBath: false })
            return false;
        return BesideCurve.Through(curve, worst.Point.Signal!.Value, worst.Point.Reference!.Value) is { IsInSeries: false } leak
            && baths.TrueForAll(b => new Compared(leak, b.Point, accuracy).SensorClear <= CheckAccuracy.ClearBy);
    }

    /// <summary>What lies in series with the sensor, or across its leads, and makes every point right; null where nothing does.</summary>
    private static BesideCurve? Beside(SensorCurve curve, List<Compared> sensor, CheckAccuracy accuracy)
    {
        if (curve.Signal != SignalKind.Ohm)
            return null;
        var tried = sensor.Select(p => BesideCurve.Through(curve, p.Point.Signal!.Value, p.Point.Reference!.Value)).OfType<BesideCurve>()
            .Select(b =>
                (Curve: b,
                Off: sensor.Max(
                p => b.ValueOf(p.Point.Signal!.Value) is null ? double.PositiveInfinity : new Compared(b, p.Point, accuracy).SensorClear)));
        return tried.Where(t => t.Off <= CheckAccuracy.ClearBy).OrderBy(t => t.Off).FirstOrDefault().Curve;
    }

    private static SensorResult ControllerSide(
        SensorCurve curve, List<Compared> controller, CheckAccuracy accuracy, double? offsetParameter)
    {
        if (offsetParameter is { } offset && Math.Abs(offset) > accuracy.Shown
            && controller.TrueForAll(p => Math.Abs(p.Controller!.Value - offset) <= CheckAccuracy.ClearBy * p.ControllerTolerance))
            return new(SensorVerdict.OffsetParameter, null, 0, null, []);
        var families = Families(
            curve, [.. controller.Select(p => (p.Point.Signal!.Value, p.Point.Shown!.Value))], accuracy, accuracy.Shown);
        // At one temperature an input that is off fits some curve as well, unless it is off by very much.
        var apart = controller.Max(p => p.Point.Shown) - controller.Min(p => p.Point.Shown);
        if (families.Count > 0 && (apart >= BathsApartK || controller.Max(p => Math.Abs(p.Controller!.Value)) >= PlainlyOtherK))
            return new(SensorVerdict.WrongCurve, null, 0, families[0], []) { AlsoFits = [.. families.Skip(1)] };
        string[] settle = [.. offsetParameter is null ? ["offset-parameter"] : Array.Empty<string>(),
            .. families.Count > 0 ? ["warm-bath"] : Array.Empty<string>()];
        return new(SensorVerdict.ControllerSide, null, 0, null, settle) { AlsoFits = families };
    }

    /// <summary>Other families by which every signal gives its value, the best first.</summary>
    private static List<SensorCurve> Families(
        SensorCurve own, IReadOnlyList<(double Signal, double Value)> pairs, CheckAccuracy accuracy, double within) =>
        [.. SensorFamilies.All.Where(f => f.Code != own.Code && f.Signal == own.Signal && own.Measures == f.Measures)
            .Select(f =>
                (Family: f,
                Off: pairs.Max(
                p => f.ValueOf(p.Signal) is { } v ? Math.Abs(v - p.Value) / accuracy.OfFamily(f, v, within) : double.MaxValue)))
            .Where(f => f.Off <= CheckAccuracy.ClearBy).OrderBy(f => f.Off).Select(f => f.Family)];

    /// <summary>The same leak beside the sensor at every point: reads warm on an NTC, and more so the colder it is.</summary>
    private static bool MayBeWet(SensorCurve curve, List<Compared> sensor) =>
        curve is { Signal: SignalKind.Ohm, IsFalling: true } && sensor.TrueForAll(p => p.Sensor > 0)
        && sensor.Zip(sensor.Skip(1)).All(p => p.First.Sensor > p.Second.Sensor == p.First.Point.Reference < p.Second.Point.Reference);

    /// <summary>The three ways of one point, with what each difference may be.</summary>
    private sealed class Compared(SensorCurve curve, SensorPoint point, CheckAccuracy accuracy)
    {
        public SensorPoint Point => point;

        /// <summary>What the sensor tells, by its own curve.</summary>
        private double? Told { get; } = point.Signal is { } s ? curve.ValueOf(s) ?? Nearest(curve, s) : null;

        /// <summary>The end of the curve's range that a signal beyond it lies at.</summary>
        private static double Nearest(SensorCurve curve, double signal)
        {
            var (low, high) = (curve.Range.Low, curve.Range.High);
            var rises = curve.SignalAt(high) > curve.SignalAt(low);
            return rises == signal > curve.SignalAt((low + high) / 2) ? high : low;
        }

        public double? Sensor => Told - point.Reference;

        public double? Controller => point.Shown - Told;

        public double? Total => point.Shown - point.Reference;

        public double SensorClear => Math.Abs(Sensor ?? 0) / accuracy.OfSensor(curve, point.Reference ?? 0);

        public double ControllerTolerance => accuracy.OfController(curve, Told ?? 0);

        public double ControllerClear => Math.Abs(Controller ?? 0) / ControllerTolerance;

        public double TotalClear =>
            Math.Abs(Total ?? 0) / double.Hypot(accuracy.OfSensor(curve, point.Reference ?? 0), accuracy.OfShown(curve));
    }
}
