namespace KeenEmber.Core.Benches.Sensors;

/// <summary>What a comparison of reference, resistance and controller says.</summary>
public enum SensorVerdict
{
    /// <summary>Not enough measured yet.</summary>
    Unsettled,

    /// <summary>Within what sensor and meters allow.</summary>
    Good,

    /// <summary>Sensor and controller agree with each other, not with the reference: drifted, or not where it should be; a bath
    /// tells.</summary>
    SensorOrPlace,

    /// <summary>Right in a bath, off at its place.</summary>
    Misplaced,

    /// <summary>Off by the same at two temperatures.</summary>
    SensorOffset,

    /// <summary>Off by different amounts at two temperatures.</summary>
    Drifted,

    /// <summary>The same ohms too many at every temperature: a bad joint, plug or wire in series with a good sensor.</summary>
    SeriesResistance,

    /// <summary>The same leak across its leads at every temperature: water in a splice or plug beside a good sensor.</summary>
    Leakage,

    /// <summary>A sensor of another family.</summary>
    WrongType,

    /// <summary>No current flows: broken wire or sensor.</summary>
    Open,

    /// <summary>No resistance: leads touch.</summary>
    Shorted,

    /// <summary>The sensor is right, the controller shows something else, and no curve or offset explains it.</summary>
    ControllerSide,

    /// <summary>The controller reads a right sensor by the curve of another family.</summary>
    WrongCurve,

    /// <summary>The offset parameter explains what the controller shows.</summary>
    OffsetParameter,

    /// <summary>Clearly warm at one time and clearly cold at another, at like temperatures: a wet plug, a loose contact, or the
    /// input.</summary>
    Unsteady,

    /// <summary>Its leads and those of another sensor are in each other's socket.</summary>
    Swapped,
}

/// <summary>One moment at which a sensor was compared.</summary>
/// <param name="Reference">Thermometer (or gauge) at the same spot.</param>
/// <param name="Signal">At the leads; positive infinity for an open one. Null when not measured.</param>
/// <param name="Shown">What the controller shows.</param>
/// <param name="InBath">The sensor was in a bath with the reference, away from its place.</param>
/// <param name="Moment">Which round it belongs to: points of several sensors with the same number were read together.</param>
public sealed record SensorPoint(double? Reference, double? Signal, double? Shown, bool InBath = false, int Moment = 0);

/// <param name="Error">What the controller works with less the reference, at the last point that has both, K or kPa; infinite for an open
/// or shorted sensor on the side to which it reads.</param>
/// <param name="Clear">Difference over what it may be, of the comparison the verdict rests on; above <see cref="CheckAccuracy.ClearBy"/> it
/// is clear.</param>
/// <param name="Other">The family that explains it, where one does.</param>
/// <param name="WouldSettle">What to measure next: "signal", "shown", "reference", "ice-bath", "warm-bath".</param>
public sealed record SensorResult(SensorVerdict Verdict, double? Error, double Clear, SensorCurve? Other, IReadOnlyList<string> WouldSettle)
{
    /// <summary>Families that would explain it as well.</summary>
    public IReadOnlyList<SensorCurve> AlsoFits { get; init; } = [];

    /// <summary>The sensor with what lies in series with it or across its leads; null where neither does.</summary>
    public BesideCurve? Beside { get; init; }

    /// <summary>Water in a splice would explain it: it reads warm on an NTC, the more the colder.</summary>
    public bool MayBeWet { get; init; }

    /// <summary>Sensor, wire or controller is at fault.</summary>
    public bool IsFault => Verdict is not (SensorVerdict.Unsettled or SensorVerdict.Good);

    /// <summary>The sensor itself is to blame, not its place, its wire or what reads it.</summary>
    public bool CondemnsSensor =>
        Verdict is SensorVerdict.SensorOffset or SensorVerdict.Drifted or SensorVerdict.WrongType or SensorVerdict.Open
            or SensorVerdict.Shorted;
}
