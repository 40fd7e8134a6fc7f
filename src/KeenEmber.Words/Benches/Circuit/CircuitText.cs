using System.Globalization;
using KeenEmber.Core.Benches.Circuit;
using KeenEmber.Core.Plant;
using KeenEmber.Core.Quantities;
using KeenEmber.Core.Record;
using KeenEmber.Core.Refrigerants;

namespace KeenEmber.Words.Benches.Circuit;

/// <summary>Names and reasons of the circuit bench in plain words.</summary>
public static class CircuitText
{
    /// <summary>What a point is called on a unit of this make-up; without one, its general name.</summary>
    public static string Name(PointRef point, CircuitMakeUp? of) => (point.Point, of) switch
    {
        (MeasuringPoint.BoxAir, { Kind: EquipmentKind.GlycolChiller }) => "glycol bath",
        (MeasuringPoint.AirLeaving, { Kind: EquipmentKind.GlycolChiller }) => "glycol leaving",
        (MeasuringPoint.CondenserAir, { Condenser: CondenserKind.WaterCooled }) => "water off condenser",
        (MeasuringPoint.DischargePressure, { Condenser: CondenserKind.Rack }) => "liquid pressure",
        (MeasuringPoint.BoxAir, { Coils: > 1 }) => $"air, {EquipmentText.Coil(of.Kind, point.Coil)}",
        (MeasuringPoint.AirLeaving, { Coils: > 1 }) => $"leaving, {EquipmentText.Coil(of.Kind, point.Coil)}",
        (MeasuringPoint.SuctionLineCoil, { Coils: > 1 }) => $"line, {EquipmentText.Coil(of.Kind, point.Coil)}",
        (MeasuringPoint.BoxDisplay, { Coils: > 1 }) => $"display, {EquipmentText.Coil(of.Kind, point.Coil)}",
        _ => Name(point),
    };

    /// <summary>The general name, whatever the unit.</summary>
    public static string Name(PointRef point) => (point.Point, point.Coil) switch
    {
        (MeasuringPoint.SuctionLineCoil, 1) => "suction line, coil",
        (MeasuringPoint.SuctionLineCoil, var coil) => $"suction line, {CoilLetter(coil)}",
        (MeasuringPoint.AirLeaving, 1) => "air leaving coil",
        (MeasuringPoint.AirLeaving, var coil) => $"air leaving, {CoilLetter(coil)}",
        (var other, 1) => Name(other),
        (var other, var coil) => $"{Name(other)}, {CoilLetter(coil)}",
    };

    private static string CoilLetter(int coil) => $"coil {(char)('A' + coil - 1)}";

    private static string Name(MeasuringPoint point) => point switch
    {
        MeasuringPoint.CompressorCurrent => "compressor current",
        MeasuringPoint.HeadCycleLow => "head, cycle low",
        MeasuringPoint.HeadCycleHigh => "head, cycle high",
        MeasuringPoint.LiquidAfterDrier => "liquid after drier",
        MeasuringPoint.WaterIn => "water into condenser",
        MeasuringPoint.BoxAir => "box air",
        MeasuringPoint.SuctionPressure => "suction pressure",
        MeasuringPoint.SuctionLineCompressor => "suction line, comp.",
        MeasuringPoint.DischargeLine => "discharge line",
        MeasuringPoint.DischargePressure => "head pressure",
        MeasuringPoint.CondenserAir => "condenser air in",
        MeasuringPoint.BoxDisplay => "unit's display",
        MeasuringPoint.Product => "product",
        _ => "liquid line",
    };

    /// <summary>What a result is called on a unit of this make-up.</summary>
    public static string Name(ResultRef result, CircuitMakeUp of) => (result.Kind, of) switch
    {
        (ResultKind.SuperheatCoil, { Coils: > 1 }) => $"superheat, {EquipmentText.Coil(of.Kind, result.Coil)}",
        (ResultKind.EvaporatorTd, { Coils: > 1 }) => $"TD, {EquipmentText.Coil(of.Kind, result.Coil)}",
        (ResultKind.AirDrop, { Coils: > 1 }) => $"air drop, {EquipmentText.Coil(of.Kind, result.Coil)}",
        (ResultKind.EvaporatorTd, { Kind: EquipmentKind.GlycolChiller }) => "coil TD, bath",
        (ResultKind.AirDrop, { Kind: EquipmentKind.GlycolChiller }) => "bath less leaving",
        (ResultKind.CondenserSplit, { Condenser: CondenserKind.WaterCooled }) => "condenser approach",
        _ => Name(result),
    };

    /// <summary>The general name, whatever the unit.</summary>
    public static string Name(ResultRef result) => result.Coil == 1 ? Name(result.Kind) : $"{Name(result.Kind)}, {CoilLetter(result.Coil)}";

    private static string Name(ResultKind kind) => kind switch
    {
        ResultKind.LineGain => "suction line rise",
        ResultKind.CondensingLow => "condensing, cycle low",
        ResultKind.CondensingHigh => "condensing, cycle high",
        ResultKind.DischargeTemperature => "discharge line",
        ResultKind.CurrentShare => "current, % of nameplate",
        ResultKind.DrierDrop => "drop across the drier",
        ResultKind.WaterRise => "rise of the water",
        ResultKind.Evaporating => "evaporating (dew)",
        ResultKind.Condensing => "condensing (mid-point)",
        ResultKind.SuperheatCoil => "superheat at the coil",
        ResultKind.SuperheatCompressor => "superheat at the compressor",
        ResultKind.Subcooling => "subcooling",
        ResultKind.EvaporatorTd => "coil TD",
        ResultKind.AirDrop => "air drop across coil",
        ResultKind.CondenserSplit => "condenser split",
        _ => "compression ratio",
    };

    public static string Name(ValidityLevel level) => level switch
    {
        ValidityLevel.Good => "usable",
        ValidityLevel.Provisional => "provisional",
        _ => "not usable",
    };

    /// <summary>Why a result does not fully count, and what would change that.</summary>
    public static string Reason(ReasonCode code) => code switch
    {
        ReasonCode.InstrumentNotChecked => "The instrument's check is missing, too old or failed.",
        ReasonCode.Defrosting => "It is in defrost. Log again 10 min after its end.",
        ReasonCode.JustDefrosted => "Out of defrost for less than 10 min: the coil is still warm and wet.",
        ReasonCode.ColdAmbient => "The condenser air is cold, so head is held up and swings. Log its low and its high.",
        ReasonCode.FanStopped => "An evaporator fan is off. Get every fan running, then log again.",
        ReasonCode.CoilIced => "The coil is iced. Thaw all of it, let it settle, then log again.",
        ReasonCode.ValveClosed => "A valve is shut: the coil is being pumped down. Log again 15 min after it opened.",
        ReasonCode.BoxMisread => "The box thermometer does not hang in the air that enters the coil. Move it there, then log again.",
        ReasonCode.CompressorOff => "The compressor is off. Log again after 15 min of running.",
        ReasonCode.OutsideRefrigerantRange => "The pressure is outside this refrigerant's range.",
        ReasonCode.Challenged => "A reading behind it cannot be right. Look at it again.",
        ReasonCode.CondenserFanStopped => "The condenser fan is off. Do not judge the charge.",
        ReasonCode.CondenserDirty => "The condenser is dirty. Clean it before judging the charge.",
        ReasonCode.CondenserFanCycling => "The condenser fan cycles, so head swings. Log its low and its high.",
        ReasonCode.ShortRun => "Under 15 min of running: it is still settling.",
        ReasonCode.StillMoving => "The series has not settled: it still moves.",
        ReasonCode.HotPullDown => "The box is more than 10 K (18 °F) over target: a hot pull-down.",
        ReasonCode.FrostedCooler => "Frost on a coil of a box above freezing: it should clear itself.",
        ReasonCode.JustWorked => "Less than 15 min after work on the unit.",
        ReasonCode.ReadingsFarApart => "The readings are more than 15 min apart.",
        ReasonCode.FansNotRecorded => "Evaporator fans not recorded. Check that each one runs.",
        ReasonCode.CoilNotRecorded => "Coil not recorded. Check whether it is clear.",
        ReasonCode.CompressorNotRecorded => "Compressor not recorded. Check whether it runs.",
        _ => "Run time not recorded. Note for how long the compressor has run.",
    };

    /// <summary>The formula in words, then the same with this result's numbers.</summary>
    public static (string Words, string Numbers) Formula(CircuitResult result, UnitText units, string refrigerant)
    {
        double? Term(TermKind kind, PointRef? point = null) =>
            result.Terms.Where(t => t.Kind == kind && (point is null || t.Point == point)).Select(t => (double?)t.Si).FirstOrDefault();
        string T(TermKind kind, PointRef? point = null) => Term(kind, point) is { } k ? units.Temperature(k) : "?";
        string P(PointRef point) =>
            Term(TermKind.AbsolutePressure, point) is { } kpa ? $"{units.Gauge(kpa)} ({units.Absolute(kpa)})" : "?";
        var equals = $" = {units.Result(result)}";
        return result.Kind switch
        {
            ResultKind.Evaporating => ("Dew point of the refrigerant at suction pressure.",
                $"{refrigerant} at {P(MeasuringPoint.SuctionPressure)}: dew {T(TermKind.DewTemperature)}"),
            ResultKind.Condensing => ("Mid-point of bubble and dew point at head pressure.",
                $"{refrigerant} at {P(MeasuringPoint.DischargePressure)}: bubble {T(TermKind.BubbleTemperature)}, dew "
                    + $"{T(TermKind.DewTemperature)}, mid-point {T(TermKind.MidpointTemperature)}"),
            ResultKind.CondensingLow or ResultKind.CondensingHigh =>
                ("Mid-point of bubble and dew point at that end of the fan's cycle.",
                $"{refrigerant}: mid-point {T(TermKind.MidpointTemperature)}"),
            ResultKind.LineGain => ("Suction line at the compressor less suction line at the coil.",
                $"{T(TermKind.Reading, MeasuringPoint.SuctionLineCompressor)} - "
                    + $"({T(TermKind.Reading, MeasuringPoint.SuctionLineCoil)}){equals}"),
            ResultKind.DischargeTemperature => ("Measured on the line, about 15 cm from the compressor.", T(TermKind.Reading)),
            ResultKind.CurrentShare =>
                ("Measured current over that of the nameplate.", $"{UnitText.Number(Term(TermKind.Reading) ?? 0, 2)} A{equals}"),
            ResultKind.WaterRise => ("Water off the condenser less water into it.",
                $"{T(TermKind.Reading, MeasuringPoint.CondenserAir)} - ({T(TermKind.Reading, MeasuringPoint.WaterIn)}){equals}"),
            ResultKind.DrierDrop => ("Liquid before less liquid after the drier.",
                $"{T(TermKind.Reading, MeasuringPoint.LiquidLine)} - ({T(TermKind.Reading, MeasuringPoint.LiquidAfterDrier)}){equals}"),
            ResultKind.SuperheatCoil or ResultKind.SuperheatCompressor =>
                ("Suction line temperature minus dew point at suction pressure.",
                $"{T(TermKind.Reading)} - ({T(TermKind.DewTemperature)}){equals}, dew of {refrigerant} at "
                    + $"{P(MeasuringPoint.SuctionPressure)}"),
            ResultKind.Subcooling => ("Bubble point at head pressure minus liquid line.",
                $"{T(TermKind.BubbleTemperature)} - ({T(TermKind.Reading)}){equals}, bubble of {refrigerant} at "
                    + $"{P(MeasuringPoint.DischargePressure)}"),
            ResultKind.EvaporatorTd => ("Box air less evaporating mid-point.",
                $"{T(TermKind.Reading)} - ({T(TermKind.MidpointTemperature)}){equals}, mid-point of {refrigerant} at "
                    + $"{P(MeasuringPoint.SuctionPressure)}"),
            ResultKind.AirDrop => ("Box air minus air leaving the coil.",
                $"{T(TermKind.Reading, MeasuringPoint.BoxAir.At(result.Ref.Coil))} - "
                    + $"({T(TermKind.Reading, MeasuringPoint.AirLeaving.At(result.Ref.Coil))}){equals}"),
            ResultKind.CondenserSplit => ("Condensing mid-point less the air entering the condenser, or the water leaving it.",
                $"{T(TermKind.MidpointTemperature)} - ({T(TermKind.Reading)}){equals}, mid-point of {refrigerant} at "
                    + $"{P(MeasuringPoint.DischargePressure)}"),
            _ => ("Head pressure over suction pressure, both absolute.",
                $"{P(MeasuringPoint.DischargePressure)} / {P(MeasuringPoint.SuctionPressure)}{equals}"),
        };
    }

    public static string Challenge(CircuitChallenge challenge, string refrigerant)
    {
        var points = List(challenge.Points.Select(Name));
        return challenge.Slip switch
        {
            Slip.PressuresSwapped => "Suction and head pressure look swapped: the other way round everything fits.",
            Slip.LinesSwapped => "The two suction line temperatures look swapped.",
            Slip.AirSwapped => "Box air and air leaving the coil look swapped.",
            Slip.OtherUnit when challenge.Points.Count == 1 => $"Is {points} in {challenge.MeantUnit!.Symbol}? Then everything fits.",
            Slip.OtherUnit => $"Are {points} in {challenge.MeantUnit!.Symbol}? Then everything fits.",
            Slip.OtherRefrigerant =>
                $"These readings do not fit {refrigerant}; they fit {challenge.MeantRefrigerant}. Check the nameplate.",
            _ => $"{Sentence(Impossible(challenge.Why))} Check {points}.",
        };
    }

    private static string Impossible(Impossibility why) => why switch
    {
        Impossibility.PointOutOfRange => "No unit works at this temperature.",
        Impossibility.BoxFarBelowTarget => "The box would be far below its target.",
        Impossibility.SaturationOutOfRange => "This refrigerant does not work at this pressure.",
        Impossibility.DischargeNotAboveSuction => "Head is not above suction although the compressor runs.",
        Impossibility.SuperheatImpossible => "This superheat cannot be.",
        Impossibility.SubcoolingImpossible => "This subcooling cannot be.",
        Impossibility.CoilNotColderThanAir => "The coil would not be colder than its air.",
        Impossibility.CondenserNotWarmerThanAir => "The condenser would not be warmer than its air.",
        Impossibility.AirWarmedByCoil => "The coil would be warming the air.",
        _ => "The discharge line would be colder than condensing.",
    };

    public static string List(IEnumerable<string> names)
    {
        var all = names.ToList();
        return all.Count <= 1 ? string.Concat(all) : $"{string.Join(", ", all.SkipLast(1))} and {all[^1]}";
    }

    public static string Sentence(string text) => text.Length == 0 ? text : char.ToUpperInvariant(text[0]) + text[1..];

    /// <summary>What a refrigerant without a table means for the reader; until its label is read it may be any.</summary>
    public static string NotInCatalogue(string name) =>
        $"{(name == "unknown" ? "The refrigerant is not known" : $"{name} is not in the catalogue")}: readings are kept, nothing is worked "
        + "out from its pressures. Until its safety class is read from the label, treat it as flammable.";

    /// <summary>The short caution that belongs to taking a reading on this circuit.</summary>
    public static string? Caution(Refrigerant? refrigerant, PointRef? point)
    {
        if (refrigerant is { Name: "R744" })
            return "High-pressure CO2: rated hoses only. In a closed room the gas displaces air: leave first. Local codes and the "
                + "manufacturer's instructions come first.";
        if (refrigerant is { Safety: SafetyClass.B2L })
            return $"{refrigerant.Name} is toxic and burns ({refrigerant.Safety}): mask at hand, leave on a leak, ventilate, no "
                + "flame. Local codes and the manufacturer's instructions come first.";
        if (refrigerant is { IsFlammable: true })
            return $"{refrigerant.Name} is flammable ({refrigerant.Safety}): ventilate, no flame or spark, rated tools. Local codes "
                + "and the manufacturer's instructions come first.";
        return point?.Kind() == QuantityKind.Pressure ? "Wear eye protection and gloves. Never vent. Certified technicians only." : null;
    }

    /// <summary>What the evaporator fans do, in a few words.</summary>
    public static string Fans(IReadOnlyList<FactState?> fans)
    {
        if (fans.Count == 0)
            return "";
        if (fans.All(f => f == FactState.Running))
            return fans.Count switch { 1 => "fan running", 2 => "both fans running", _ => $"all {fans.Count} fans running" };
        var stopped = fans.Select((f, i) => (f, i)).Where(x => x.f == FactState.Stopped)
            .Select(x => (x.i + 1).ToString(CultureInfo.InvariantCulture)).ToList();
        return stopped.Count > 0 ? $"fan {List(stopped)} stopped" : "fans not looked at";
    }

    /// <summary>Whether the compressor runs, and for how long.</summary>
    public static string Running(OperatingConditions c) => c switch
    {
        { Compressor: FactState.Stopped } => "off",
        { Compressor: FactState.Running, RunTime: { } t } => $"on for {SiteClock.Span(t)}",
        { Compressor: FactState.Running } => "running",
        _ => "not looked at",
    };

    /// <summary>Where a result lies against its band; nothing without a band.</summary>
    public static string Position(CircuitResult result) => result.Position switch
    {
        BandPosition.Below => "below target",
        BandPosition.Above => "above target",
        BandPosition.Inside => "on target",
        _ => "",
    };

    /// <summary>Style class of a validity, the same on tags, results and lists.</summary>
    public static string Class(ValidityLevel level) => level switch
    {
        ValidityLevel.Good => "usable",
        ValidityLevel.Provisional => "provisional",
        _ => "unusable",
    };
}
