using KeenEmber.Core.Benches.Box;
using KeenEmber.Core.Benches.Controls;
using KeenEmber.Core.Findings;
using KeenEmber.Core.Quantities;
using KeenEmber.Core.Record;

namespace KeenEmber.Words.Benches.Box;

/// <summary>The box in words.</summary>
public static class BoxText
{
    public static string Name(BoxPart part) => part switch
    {
        BoxPart.GasketPaper => "gasket, by paper strip",
        BoxPart.LatchGap => "gap at the latch",
        BoxPart.Closer => "door closer",
        BoxPart.StripCurtain => "strip curtain",
        BoxPart.AirCurtain => "air curtain",
        BoxPart.Deflector => "coil panels and deflector",
        _ => "panel joints and holes",
    };

    public static string Name(bool isSound, BoxPart part) => (part, isSound) switch
    {
        (BoxPart.GasketPaper, true) => "holds the paper",
        (BoxPart.GasketPaper, false) => "paper slips out",
        (BoxPart.LatchGap, true) => "no gap",
        (BoxPart.LatchGap, false) => "gap",
        (BoxPart.Closer, true) => "pulls shut",
        (BoxPart.Closer, false) => "does not pull shut",
        (_, true) => "in order",
        _ => "not in order",
    };

    public static string Name(HeatSource source) => source switch
    {
        HeatSource.Walls => "walls",
        HeatSource.Doors => "open doors",
        HeatSource.Gaps => "gaps",
        HeatSource.Product => "warm product",
        HeatSource.People => "people",
        HeatSource.Lights => "lights",
        HeatSource.Fans => "evaporator fans",
        _ => "defrost heat",
    };

    public static string Name(Insulation insulation) => insulation switch
    {
        Insulation.Polyurethane => "polyurethane",
        Insulation.Polystyrene => "polystyrene",
        _ => "old, wet or unknown",
    };

    public static string Name(SystemRole role) => role switch
    {
        SystemRole.Carries => "carries its share",
        SystemRole.CarriesLess => "carries clearly less",
        SystemRole.Idles => "idle, not called",
        _ => "called, not running",
    };

    public static string Name(BoxTrouble trouble) => trouble switch
    {
        BoxTrouble.DoorAjar => "door ajar, two fingers wide",
        BoxTrouble.TornGasket => "a metre of gasket torn",
        BoxTrouble.FanOut => "one evaporator fan out",
        _ => "coil half blocked by ice",
    };

    public static string Name(AirSide side) => side == AirSide.Return ? "return air" : "supply air";

    /// <summary>Less is seen once and tells no time, h.</summary>
    private const double LeastHours = 0.05;

    /// <summary>Why a system carries less, and where to go on; empty where nothing shows it.</summary>
    public static string Say(SystemHint hint) => hint switch
    {
        SystemHint.Starved => "It is short of liquid or of air: check its coil and fans, then its glass and valve.",
        SystemHint.PumpsLittle => "It evaporates warmer than the other: check what its compressor pumps, and its current.",
        _ => "",
    };

    /// <summary>How the box was held beside an earlier visit, in a sentence or two.</summary>
    public static string Say(HoldingBeside held, UnitText units, SiteClock clock)
    {
        static string Percent(double share) => UnitText.Number(100 * share, 0);
        var ran = $"It ran {Percent(held.Now.RunShare)} % of the time, {Percent(held.Before.RunShare)} % on {clock.Day(held.Before.At)}.";
        var air = held is { Now.Air: { } now, Before.Air: { } then }
            ? $" Condenser air {units.Temperature(now.Kelvin)}, then {units.Temperature(then.Kelvin)}: "
                + $"{Percent(held.Low)} to {Percent(held.High)} % would be the weather." : "";
        var verdict = held.Verdict switch
        {
            HoldingVerdict.Same => " About the same.",
            HoldingVerdict.Weather => " The weather accounts for it.",
            HoldingVerdict.More => " It runs more than the weather accounts for. "
                + "Check door and gaskets, coil ice, condenser face, then charge.",
            HoldingVerdict.Less => " It runs less than the weather accounts for.",
            _ => " Log the air entering the condenser each time, so that weather can be told from fault.",
        };
        var hour = held.IsOtherHour && held.Verdict != HoldingVerdict.Same
            ? $" Seen at {clock.Time(held.Now.At)}, then at {clock.Time(held.Before.At)}: doors are used otherwise." : "";
        return ran + air + verdict + hour;
    }

    /// <summary>What air over the limit did to product nobody measured.</summary>
    public static string Say(ProductBehind behind, string limit)
    {
        var slow = behind.BehindHours > 0 ? $"about {UnitText.Number(behind.BehindHours, 1)} h" : "not at all";
        return $"Box air was over {limit} for {UnitText.Number(behind.AirHours, 1)} h. Stacked product that was cold before: {slow}. "
            + "Measure the warmest product.";
    }

    /// <summary>What to look at first where too much heat comes in.</summary>
    public static string LookAt(HeatSource? source) => source switch
    {
        HeatSource.Doors => "Look at the door first: how long it stands open, curtain, closer.",
        HeatSource.Gaps => "Look at gaskets and panel joints first.",
        HeatSource.Product => "Look at the product first: how warm it comes in, and how much of it.",
        HeatSource.Defrost => "Look at the defrosts first: how many, and heat after clear.",
        HeatSource.People => "Look at the working hours in it first.",
        HeatSource.Lights => "Look at the lights first.",
        _ => "Look at what the circuit moves.",
    };

    /// <summary>"a third", "a quarter", "40 %".</summary>
    public static string Share(double share) => share switch
    {
        > 0.30 and < 0.37 => "a third",
        > 0.22 and < 0.28 => "a quarter",
        > 0.46 and < 0.54 => "half",
        _ => $"{UnitText.Number(share * 100, 0)} %",
    };

    private static string Where(string detail)
    {
        var parts = detail.Split('|', 2);
        var part = EnumName.Find<BoxPart>(parts[0]) is { } known ? $"{Name(known)}: {Name(false, known)}" : "a part of the box";
        return part + TypingText.With(", ", parts.Length > 1 ? parts[1] : "");
    }

    private static string At(Finding finding) => finding.Detail.Length > 0 ? $" at “{finding.Detail}”" : "";

    /// <summary>A finding in a sentence.</summary>
    public static string Say(Finding finding, UnitText units)
    {
        string T(string name) => finding.Values.TryGetValue(name, out var kelvin) ? units.Temperature(kelvin) : "unknown";
        double V(string name) => finding.Values.GetValueOrDefault(name);
        return finding.Code switch
        {
            BoxBench.WillNotReach =>
                $"The box will not reach its target. It levels off at {T("Plateau")}, between {T("Low")} and {T("High")}. "
                + "Do not wait for it.",
            BoxBench.ForecastMissed =>
                $"The box read {T("Read")}, {T("Expected")} was expected. Something changed since, or loads it that was not seen before.",
            BoxBench.BalanceShort =>
                $"Short by {Share(V("ShortShare"))}: about {UnitText.Number(V("LoadW"), 0)} W come in, the circuit moves "
                + $"{UnitText.Number(V("CapacityW"), 0)} W. {LookAt(EnumName.Find<HeatSource>(finding.Detail))}",
            BoxBench.SystemStands => $"System {finding.Detail} is called and does not run. The other one carries the box alone.",
            BoxBench.SystemWeak => $"System {finding.Detail} carries clearly less than the other. Judge its circuit by itself.",
            BoxBench.ProductOver =>
                $"Product was over {T("Limit")}{(V("Hours") >= LeastHours ? $" for at least {UnitText.Number(V("Hours"), 1)} h" : "")}, "
                + $"up to {T("Warmest")}"
                + $"{(V("IsOver") > 0 ? ", and still is" : "")}. Tell the customer. What is discarded follows the local food code.",
            BoxBench.BottleFroze =>
                $"Water froze in this cooler ({T("Water")}). Check the control, its sensor and the coldest air on the product.",
            BoxBench.AirUneven =>
                $"The box is unevenly cold: {T("Air")}{At(finding)}, more than {units.Difference(3)} warmer than elsewhere. "
                + "Look for stock in the air path, a fan that stands, a door that leaks there.",
            BoxBench.SupplyUneven =>
                $"The coil blows {T("Air")}{At(finding)}, more than {units.Difference(3)} warmer than at its other end. "
                + "Look for ice, a starved circuit or a stopped fan there.",
            BoxBench.AirStraightBack =>
                $"Supply air goes straight back to the coil{At(finding)}. Check deflector, coil panels and stacking.",
            BoxBench.LetsAirIn => $"{Charge.ChargeText.Sentence(Where(finding.Detail))}. Repair it before judging the load.",
            _ => finding.Code,
        };
    }

    /// <summary>The same without figures.</summary>
    public static string Headline(Finding finding) => finding.Code switch
    {
        BoxBench.WillNotReach => "The box will not reach its target.",
        BoxBench.ForecastMissed => "The box did not read what was forecast.",
        BoxBench.BalanceShort => "More heat comes in than the circuit moves.",
        BoxBench.SystemStands => "One of its systems is called and does not run.",
        BoxBench.SystemWeak => "One of its systems carries clearly less.",
        BoxBench.ProductOver => "Product was over its limit.",
        BoxBench.BottleFroze => "Water froze in a cooler.",
        BoxBench.AirUneven => "The box is unevenly cold.",
        BoxBench.SupplyUneven => "One end of the coil blows much warmer.",
        BoxBench.AirStraightBack => "Supply air goes straight back to the coil.",
        BoxBench.LetsAirIn => "The box lets warm air in.",
        _ => finding.Code,
    };

    /// <summary>What the course of a pull-down says, in a sentence or two.</summary>
    public static string Say(PullDownCourse course, Temperature target, UnitText units, SiteClock clock)
    {
        static double K(double celsius) => celsius + Temperature.ZeroCelsiusInKelvin;
        if (course.Result is not { } result)
            return course.StillToTake == 1 ? "Cannot tell yet. One more reading of the box air in a few minutes."
                : $"Cannot tell yet. {course.StillToTake} more readings of the box air, a few minutes apart.";
        if (course.Readings[^1] is var last && last.Value <= target)
            return $"At its target: {units.Temperature(last.Value.Kelvin)} at {clock.Time(last.At)}.";
        var plateau = $"{units.Temperature(K(result.Plateau.Low))} to {units.Temperature(K(result.Plateau.High))}";
        return (result.Verdict, result.ToTarget) switch
        {
            (PullDownVerdict.WillReach, { } at) =>
                $"Reaches its target at about {clock.Time(course.Moment(at.Value))}, between {clock.Time(course.Moment(at.Low))} and "
                + $"{Late(course, at, clock)}.",
            (PullDownVerdict.WillNotReach, _) =>
                $"Will not reach its target. Levels off at {units.Temperature(K(result.Plateau.Value))} ({plateau}).",
            _ => "Cannot tell yet whether it reaches its target. Read the box air again in ten minutes.",
        };
    }

    /// <summary>A time of day says nothing more beyond a day.</summary>
    private static string Late(PullDownCourse course, Forecast at, SiteClock clock) =>
        at.High - at.Value > 24 * 60 ? "more than a day later" : clock.Time(course.Moment(at.High));

    /// <summary>What a balance says, in a sentence or two.</summary>
    public static string Say(BalanceResult balance)
    {
        var load = $"About {UnitText.Number(balance.LoadW, 0)} W come in, give or take {UnitText.Number(balance.LoadErrorW, 0)} W.";
        return balance.Verdict switch
        {
            BalanceVerdict.LoadOnly =>
                load + " What the circuit moves is not known: type the compressor's capacity, or the coil's air and log its air drop.",
            BalanceVerdict.Holds =>
                $"{load} The circuit moves {UnitText.Number(balance.CapacityW!.Value, 0)} W: expect it to run about "
                + $"{UnitText.Number(balance.RunShare!.Value * 100, 0)} % of the time.",
            BalanceVerdict.Tight =>
                $"{load} The circuit moves {UnitText.Number(balance.CapacityW!.Value, 0)} W. Too close to call. "
                + LookAt(balance.LookFirst),
            _ => $"Short by {Share(balance.ShortShare)}. {load} The circuit moves {UnitText.Number(balance.CapacityW!.Value, 0)} W. "
                + LookAt(balance.LookFirst),
        };
    }

    /// <summary>One entry of the bench in a line; null for any other.</summary>
    internal static string? Line(Entry entry, VisitView view)
    {
        string T(TypedValue typed) => view.Units.Temperature(typed.Temperature.Kelvin);
        return entry switch
        {
            BoxForecastEntry f => $"box should read {T(f.Expected)} at {view.Clock.Time(f.Due)} ({T(f.Low)} to {T(f.High)})",
            BoxCheckEntry c => $"{Name(c.Part)}{TypingText.With(", ", c.Where)}: {Name(c.IsSound, c.Part)}"
                + TypingText.With("; repaired: ", c.Repaired),
            BoxSystemEntry s => $"system {s.System}: {(s.Runs ? "running" : "stopped")}, {(s.IsCalled ? "called" : "not called")}"
                + (s.Evaporating is { } at ? $", evaporating {T(at)}" : "")
                + (s.Glass is { } glass ? $", glass {FactText.Name(glass)}" : ""),
            AirAtEntry a => $"{Name(a.Side)}{TypingText.With(", ", a.Where)} {T(a.Temperature)}",
            BottleEntry b => $"water bottle {T(b.Temperature)}{(b.HasIce ? ", ice in it" : "")}",
            HeatBalanceEntry => "heat balance of the box",
            _ => null,
        };
    }
}
