using KeenEmber.Core.Plant;
using KeenEmber.Core.Quantities;

namespace KeenEmber.Core.Diagnosis;

/// <summary>On which units a line of the table holds: every word must hold, one of several parted by "/", not one after "!".</summary>
/// <param name="Text">As it stands in the table; empty for every unit.</param>
public sealed record MakeUpRule(string Text)
{
    /// <summary>Whether it holds.</summary>
    /// <param name="unit">Words of the unit, as <see cref="UnitWords"/> gives them.</param>
    public bool Holds(IReadOnlySet<string> unit) => Text.Split(' ', StringSplitOptions.RemoveEmptyEntries)
        .All(word => word.StartsWith('!') ? !unit.Contains(word[1..]) : word.Split('/').Any(unit.Contains));
}

/// <summary>A unit in the words of the table.</summary>
public static class UnitWords
{
    /// <summary>Words a rule may use.</summary>
    public static IReadOnlySet<string> Known { get; } = new HashSet<string>
    {
        "txv", "exv", "cap", "air", "water", "rack", "own", "remote", "self", "receiver", "solenoid", "fancycle", "headvalve", "regulator",
        "suctionstop", "sides", "fans", "fans2", "freezer", "cooler", "chiller", "door", "open", "large",
    };

    /// <param name="fans">How many evaporator fans it has.</param>
    public static IReadOnlySet<string> Of(CircuitMakeUp makeUp, Temperature target, int fans)
    {
        var words = new HashSet<string>
        {
            makeUp.Metering switch { Metering.CapillaryTube => "cap", Metering.ElectronicValve => "exv", _ => "txv" },
        };
        void When(bool holds, string word)
        {
            if (holds)
                words.Add(word);
        }

        var isChiller = makeUp.Kind == EquipmentKind.GlycolChiller;
        When(makeUp.IsAirCooled, "air");
        When(makeUp.Condenser == CondenserKind.WaterCooled, "water");
        words.Add(makeUp.Condenser == CondenserKind.Rack ? "rack" : "own");
        When(makeUp.Condenser == CondenserKind.AirCooledRemote, "remote");
        When(makeUp.Condenser == CondenserKind.AirCooledSelfContained, "self");
        When(makeUp.Has(CircuitParts.Receiver), "receiver");
        When(makeUp.Has(CircuitParts.LiquidSolenoid), "solenoid");
        When(makeUp.Has(CircuitParts.FanCyclingControl), "fancycle");
        When(makeUp.Has(CircuitParts.HeadPressureValve), "headvalve");
        When(makeUp.Has(CircuitParts.EvaporatorPressureRegulator), "regulator");
        When(makeUp.Has(CircuitParts.SuctionStop), "suctionstop");
        When(makeUp.Coils > 1, "sides");
        When(fans > 0 && !isChiller, "fans");
        When(fans > 1 && !isChiller, "fans2");
        When(isChiller, "chiller");
        words.Add(DefrostKinds.UsualAt(target) == DefrostKind.OffCycle || isChiller ? "cooler" : "freezer");
        When(makeUp.Kind is not (EquipmentKind.OpenCase or EquipmentKind.GlycolChiller), "door");
        When(makeUp.Kind == EquipmentKind.OpenCase, "open");
        // Three-phase: no start parts.
        When(makeUp.Kind == EquipmentKind.DriveInFreezer, "large");
        return words;
    }
}
