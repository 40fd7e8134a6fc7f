namespace KeenEmber.Web.Drawing;

/// <summary>Even lines for the axes of charts.</summary>
internal static class Axis
{
    /// <summary>1, 2 or 5 times a power of ten, for about five lines over a span.</summary>
    public static double Step(double span)
    {
        var raw = Math.Max(span, 0.5) / 5;
        var power = Math.Pow(10, Math.Floor(Math.Log10(raw)));
        return (raw / power) switch { <= 1 => power, <= 2 => 2 * power, <= 5 => 5 * power, _ => 10 * power };
    }

    /// <summary>The lowest and highest line round some values, and the step between lines.</summary>
    public static (double Low, double High, double Step) Round(double least, double most)
    {
        var step = Step(most - least);
        var (low, high) = (Math.Floor(least / step) * step, Math.Ceiling(most / step) * step);
        return (low, high > low ? high : low + step, step);
    }
}
