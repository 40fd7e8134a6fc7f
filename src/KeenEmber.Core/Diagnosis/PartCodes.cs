using System.Text.Json;
using KeenEmber.Core.Plant;

namespace KeenEmber.Core.Diagnosis;

/// <summary>Parts as the table calls them.</summary>
public static class PartCodes
{
    /// <summary>"EvaporatorFan" is "evaporator-fan"; a heater element is a heater.</summary>
    public static string Of(ComponentKind kind) => kind switch
    {
        ComponentKind.HeaterElement => "heater",
        ComponentKind.CapillaryTube => "capillary",
        ComponentKind.LowPressureControl => "lp-control",
        ComponentKind.HighPressureControl => "hp-control",
        ComponentKind.ControlRelay => "control",
        _ => JsonNamingPolicy.KebabCaseLower.ConvertName(kind.ToString()),
    };
}
