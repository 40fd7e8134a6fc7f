using KeenEmber.Core.Plant;
using KeenEmber.Core.Visits;

namespace KeenEmber.Words;

/// <summary>Changes, what they leave open, and what a visit came to.</summary>
public static class ChangeText
{
    public static string Name(OpenItemKind kind) => kind switch
    {
        OpenItemKind.Jumper => "jumper",
        OpenItemKind.SafetyBypassed => "safety bypassed",
        OpenItemKind.ControlJumper => "jumper, not on a safety",
        OpenItemKind.PanelOff => "panel off",
        OpenItemKind.ValveSeated => "valve front-seated",
        OpenItemKind.PumpedDown => "pumped down",
        OpenItemKind.BreakerOff => "breaker off",
        OpenItemKind.PlugPulled => "plug or display pulled",
        OpenItemKind.SettingShifted => "setting shifted for a test",
        OpenItemKind.TapeRepair => "tape repair",
        OpenItemKind.PartOnOrder => "part on order",
        _ => "to be watched",
    };

    /// <summary>An open item in one line: "jumper: fan delay switch, bridged".</summary>
    public static string Line(OpenItem item) => $"{Name(item.Kind)}: {Change(item.Change)}";

    public static string Change(ChangeEntry c)
    {
        var move = (c.Before.Length, c.After.Length) switch
        {
            ( > 0, > 0) => $", {c.Before} → {c.After}",
            (_, > 0) => $", {c.After}",
            ( > 0, _) => $", was {c.Before}",
            _ => "",
        };
        return $"{c.What}{move}{(c.FoundSo ? ", found so" : "")}" + TypingText.With(", asked for by ", c.AskedBy);
    }

    public static string Part(PartEntry p, Equipment unit) =>
        $"{PartName(p, unit)} replaced" + TypingText.With(" by ", p.ReplacedBy) + TypingText.With(", serial ", p.Serial)
        + TypingText.With(": ", p.Failure) + (p.Warranty ? " (warranty)" : "");

    /// <summary>"evaporator fan 2, motor": the component first, what was typed after it.</summary>
    public static string PartName(PartEntry p, Equipment unit) => string.Join(", ", new[]
    {
        p.Component is { } component ? ComponentText.Name(component, unit) : "", p.Part, p.Place,
    }.Where(said => said.Length > 0));

    public static string Ledger(RefrigerantEntry r, UnitText units) =>
        $"{r.Refrigerant} {(r.MassKg >= 0 ? "added" : "recovered")} "
            + $"{units.Mass(Math.Abs(r.MassKg))}{(r.Cylinder.Length > 0 ? $", {r.Cylinder}" : "")}{(r.Why.Length > 0 ? $": {r.Why}" : "")}";

    public static string SignOff(SignOffEntry s) => $"signed off{(s.RootCause.Length > 0 ? $": {s.RootCause}" : ", root cause not found")}";

    /// <summary>Why an open item stays open, if somebody said so.</summary>
    public static string Handover(OpenItem item) =>
        item.Handover is { } h ? $"{h.Reason}; {h.Owner} by {SiteClock.Day(h.Due)}" : "no reason given";
}
