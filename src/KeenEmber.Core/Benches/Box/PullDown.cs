namespace KeenEmber.Core.Benches.Box;

/// <summary>A reading while a box is pulled down.</summary>
/// <param name="Minute">Since any moment, min.</param>
/// <param name="BoxC">Of the air, °C.</param>
/// <param name="ProductC">Of the product, °C; null where it was not measured. Three of them say how slowly it follows the air.</param>
public sealed record PullDownSample(double Minute, double BoxC, double? ProductC = null);

/// <summary>Whether a box will make it.</summary>
public enum PullDownVerdict
{
    /// <summary>The course does not say yet.</summary>
    TooEarly,

    /// <summary>It reaches its target.</summary>
    WillReach,

    /// <summary>It levels off above it.</summary>
    WillNotReach,
}

/// <summary>A value with the range it lies in 90 of 100 times.</summary>
public readonly record struct Forecast(double Value, double Low, double High);

/// <summary>What the course of a pull-down says of its end.</summary>
/// <param name="Plateau">Where it would level off if nothing cut it out, °C.</param>
/// <param name="ToTarget">When it is at its target, min from the first reading; null where it will not be.</param>
public sealed record PullDownResult(PullDownVerdict Verdict, Forecast Plateau, Forecast? ToTarget)
{
    /// <summary>What the box should read so many minutes after the first reading, °C; null where the course says nothing.</summary>
    public Func<double, Forecast>? BoxAt { get; init; }
}
