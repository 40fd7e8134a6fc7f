using KeenEmber.Core.Benches.Controls;
using KeenEmber.Core.Findings;
using KeenEmber.Core.Plant;
using KeenEmber.Core.Quantities;
using KeenEmber.Core.Record;
using KeenEmber.Core.Visits;
using KeenEmber.Words.Benches.Circuit;

namespace KeenEmber.Words.Benches.Controls;

/// <summary>What the controls bench says in words.</summary>
public sealed class ControlsBenchText() : BenchText("controls")
{
    public override string Label => "Controls.";

    public override BenchWords LogWords { get; } = BenchWords.None with { Settings = ControlsLogWords.Settings };

    public override string Finding(Finding finding, VisitView view) => finding.Bench switch
    {
        "control" => ControlsText.Finding(finding, view.Units),
        "output" => ControllerText.Finding(finding),
        "parameter" => ControllerText.Parameter(finding, view.Units),
        _ => ControllerText.Finding(finding, view.Units),
    };

    public override string Headline(Finding finding, EquipmentKind kind) => finding.Bench switch
    {
        "control" => ControlsText.Headline(finding),
        "parameter" => "A parameter of the controller cannot be meant as it is set.",
        _ => ControllerText.Headline(finding),
    };

    public override TaskText Task(BenchTask task, VisitView view) => task switch
    {
        TurnTask =>
            new("Turn each control and see which side follows",
            "Turned a few kelvins colder, its own side should follow: valve, air or frost. Before any gauge.", "To the turning test",
            "controlcycle"),
        OutputTask o =>
            new(Output(o.Verdict),
            $"{CircuitText.Sentence(ControllerText.Name(o.Output))}. Live test: only by those licensed and equipped for it.",
            "To the outputs", "controloutputs"),
        SettingTask s =>
            new("Set the pressure control so that it fits", ControlsText.Finding(s.Fault, view.Units), "To the settings", "controls"),
        _ => throw new ArgumentException("No task of the controls bench.", nameof(task)),
    };

    private static string Output(OutputVerdict verdict) => verdict switch
    {
        OutputVerdict.StuckClosed =>
            "Take the load's lead off its terminal with the power off, then measure there: still live is a welded contact, dead means "
            + "the load is fed from outside",
        OutputVerdict.NotClosing => "Measure the feed of the contact: live there, the contact is open; dead, look at what feeds it",
        OutputVerdict.LoadDead => "Follow the voltage to the load: connection, overload, winding",
        _ => "Find the wire that feeds it past the control, and whether it is there on purpose",
    };

    public override IEnumerable<Station> Stations(VisitView view)
    {
        var controls = view.Controls;
        var wrong = controls.OutputFaultsNow.Count + controls.CycleFaultsNow.Count;
        var settings = controls.Settings.Count == 1 ? "1 setting" : $"{controls.Settings.Count} settings";
        return [new(80, "Controls", "Controls", wrong > 0 ? $"{wrong} wrong" : settings)];
    }

    public override (string Name, Func<double, string> Value) Trend(Trend trend, UnitText units) => trend.Code switch
    {
        HoldingTrends.RunPercent => ("share of time it ran", v => $"{UnitText.Number(v, 0)} %"),
        HoldingTrends.StartsPerHour => ("starts an hour", v => UnitText.Number(v, 1)),
        _ => ("middle of cut-in and cut-out", v => units.Temperature(v)),
    };

    public override string? Entry(Entry entry, VisitView view)
    {
        string T(TypedValue typed) => view.Units.Temperature(typed.Temperature.Kelvin);
        return entry switch
        {
            SettingEntry s =>
                $"{ControlsText.Name(s.Setting)} {ControlsText.Name(s.Stage)} {view.Units.Gauge(s.Value.Si(view.Site.Atmosphere))}",
            ControlSettingEntry s =>
                $"control set to {T(s.Set)}{(s.Differential is { } d ? $", differential {view.Units.Difference(d.Si(default))}" : "")}, "
                    + $"{ControllerText.Name(s.Kind)}",
            ControlEventEntry e => $"control cut {(e.CutsIn ? "in" : "out")}{(e.Temperature is { } t ? $" at {ActedAt(t, view)}" : "")}",
            OutputStateEntry o => $"output {ControllerText.State(o)}",
            ParameterEntry p =>
                $"{ControllerText.Name(p.Parameter)} {ControlsText.Name(p.Stage)} {ControllerText.Value(p.Parameter, p.Value, view.Units)}",
            DialEntry d =>
                $"dial at {T(d.Dial)}{(d.CutIn is { } i ? $", in at {T(i)}" : "")}{(d.CutOut is { } o ? $", out at {T(o)}" : "")}",
            BulbTurnEntry b => $"control of {b.Turn.Control} turned, {(b.Turn.Followed.Length > 0 ? b.Turn.Followed : "nothing")} followed",
            DamageEntry d => $"{ControllerText.Name(d.Part)} {ControllerText.Name(d.Damage)}",
            _ => null,
        };
    }

    /// <summary>What a control acted at; a suction pressure with the temperature it stands for.</summary>
    private static string ActedAt(TypedValue typed, VisitView view) =>
        typed.Unit.Kind != QuantityKind.Pressure ? view.Units.Temperature(typed.Temperature.Kelvin)
        : $"{view.Units.Gauge(typed.Si(view.Site.Atmosphere))}, "
            + $"{(view.Timeline.TemperatureOf(typed) is { } dew ? view.Units.Temperature(dew.Kelvin) : "outside its range")}";

    /// <summary>What is wrong with the settings stands with what does not add up.</summary>
    public override IEnumerable<PanelLine> Lines(BenchJudgement judgement, VisitView view) =>
        base.Lines(judgement, view).Where(l => ((ControlsJudgement)judgement).SettingFaults.All(f => f.Code != l.Code));

    public override IEnumerable<UnfitLine> Unfit(BenchJudgement judgement, VisitView view) =>
        ((ControlsJudgement)judgement).SettingFaults.Select(f => new UnfitLine(view.Say(f)));

    public override string? ReportPart => "/Pages/Visits/Controls/_Report.cshtml";
}
