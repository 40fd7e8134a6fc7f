using KeenEmber.Core.Quantities;

namespace KeenEmber.Core.Refrigerants;

/// <summary>Pressure and temperature along a bubble or a dew line, both ways.</summary>
public interface ISaturationLine
{
    /// <summary>Lower end of the range.</summary>
    Temperature Lowest { get; }

    /// <summary>Upper end of the range: the critical point, or as near to it as the method goes.</summary>
    Temperature Highest { get; }

    /// <returns>Absolute pressure; null outside the range.</returns>
    Pressure? PressureAt(Temperature temperature);

    /// <returns>The temperature of the line at an absolute pressure; null outside the range.</returns>
    Temperature? TemperatureAt(Pressure pressure);
}
