using KeenEmber.Core.Benches.Defrost;
using KeenEmber.Core.Plant;
using KeenEmber.Core.Quantities;
using KeenEmber.Words.Benches.Defrost;
using Microsoft.AspNetCore.Mvc;

namespace KeenEmber.Web.Pages.Visits.Defrost;

/// <summary>Tests of the parts that time and end a defrost: the clock, the end switch, the fan delay.</summary>
public sealed class DefrostTestsModel(VisitViews views) : VisitPage(views)
{
    public ClockTestEntry? Clock => View.Timeline.Standing.OfType<ClockTestEntry>().LastOrDefault();

    public IReadOnlyList<SwitchStateEntry> States(DefrostSwitch which) =>
        [.. View.Timeline.Standing.OfType<SwitchStateEntry>().Where(s => s.Switch == which)];

    /// <summary>Where a switch is meant to act while it warms up, and while it cools; null when the set-up does not say.</summary>
    public double? Rated(DefrostSwitch which, bool rising) => (which, rising) switch
    {
        (_, true) => View.Defrost.SetUp?.EndC,
        (DefrostSwitch.EndOfHeat, false) => View.Defrost.SetUp?.ResetAt?.Temperature.Celsius,
        _ => View.Defrost.SetUp?.FanDelayC,
    };

    public SwitchBracket? Bracket(DefrostSwitch which, bool rising) =>
        Rated(which, rising) is { } rated && States(which) is { Count: > 1 } states
        ? SwitchTest.Judge([.. states.Select(s => new SwitchState(s.Temperature.Temperature.Celsius, s.IsClosed))], rated, rising) : null;

    /// <summary>The last state that no sound switch has at its temperature; null where there is none, or nothing to hold it
    /// against.</summary>
    public SwitchStateEntry? Contradicting(DefrostSwitch which) =>
        Rated(which, rising: true) is { } warm && OpensWarm(which) is { } opens && States(which) is [.., var last]
        && SwitchTest.Contradicts(new(last.Temperature.Temperature.Celsius, last.IsClosed), warm, Rated(which, rising: false), opens)
            ? last : null;

    /// <summary>A fan delay lets the fans run in the cold, so it opens as it warms up.</summary>
    private bool? OpensWarm(DefrostSwitch which) => which == DefrostSwitch.FanDelay ? true : View.Defrost.SetUp?.SwitchOpensWarm;

    public IActionResult OnPostClock(Guid id, Guid entryId, bool? contacts, bool? solenoid) => Take(id, entryId, () =>
    {
        var (waited, dial, off) =
            (Form.Number("waited", 1, 3000, "minutes"), Form.Number("dial", 0, 3000, "minutes"),
            Form.Number("timeOff", -720, 720, "minutes"));
        if (waited is null != dial is null && !Form.IsWrong)
            Form.Errors[waited is null ? "waited" : "dial"] = "Waiting time and travel of the dial go together.";
        if (!Form.IsWrong && waited is null && contacts is null && solenoid is null && off is null)
            Form.Errors["waited"] = "Nothing was tried yet.";
        return new ClockTestEntry(Writer.Next(), waited, dial, contacts, solenoid, off);
    });

    /// <summary>How many legs the heaters have, as far as the set-up says.</summary>
    public int Legs => View.Defrost.SetUp is { Kind: DefrostKind.Electric } setUp ? setUp.Legs.Count : 0;

    /// <summary>It defrosts by heaters, as far as anybody has said.</summary>
    public bool IsElectric => (View.Defrost.SetUp?.Kind ?? DefrostKinds.UsualAt(View.Equipment.Target)) == DefrostKind.Electric;

    private const double MostAmps = 500;

    public IActionResult OnPostHeaters(Guid id, Guid entryId) => Take(id, entryId, () =>
    {
        if (Legs == 0)
            return null;
        var volts = Form.Value("heaterVolts", QuantityKind.Voltage);
        var amps = Enumerable.Range(1, Legs).Select(leg => Form.Number($"leg{leg}", 0, MostAmps, "A", "aA")).ToList();
        if (!Form.IsWrong && amps.TrueForAll(a => a is null))
            Form.Errors["leg1"] = "Type the current of one leg at least; 0 where none flows.";
        return new HeaterAmpsEntry(Writer.Next(), volts, amps);
    });

    public IActionResult OnPostState(Guid id, Guid entryId, DefrostSwitch which, bool closed) =>
        Take(id, entryId, () => Enum.IsDefined(which)
        ? new SwitchStateEntry(Writer.Next(), which, Form.Value($"at-{which}", QuantityKind.Temperature, required: true)!, closed) : null);
}
