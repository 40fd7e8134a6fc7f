using KeenEmber.Core.Benches.Circuit;
using KeenEmber.Core.Benches.Controls;
using KeenEmber.Core.Cases;
using KeenEmber.Core.Plant;
using KeenEmber.Web.Pages.Visits.Circuit;
using KeenEmber.Web.Pages.Visits.Controls;
using KeenEmber.Web.Pages.Visits.Defrost;
using KeenEmber.Web.Pages.Visits.Sensors;

namespace KeenEmber.Web.Wording;

/// <summary>What the standing panel asks for next: the task, why, and where it is done.</summary>
/// <param name="Point">The reading it asks for; null for any other task.</param>
/// <param name="Page">Of the visit.</param>
public sealed record TaskText(string Task, string Why, string Button, string Page, MeasuringPoint? Point = null)
{
    public static TaskText Of(NextTask task, VisitView view) => task switch
    {
        CircuitTask { Step: var step } => OfCircuit(step, view.MakeUp),
        SensorTask { Step: var step, Sensor: var sensor } => new(SensorText.Step(step), $"{CircuitText.Sentence(sensor)}: {SensorText.Verdict(view.Benches.Sensors.Sensors.First(s => s.Name == sensor).Now!.Result.Verdict)}.", "To the sensors", "sensors"),
        OutputTask { Output: var output, Verdict: var verdict } => new(Output(verdict), $"{CircuitText.Sentence(ControllerText.Name(output))}. Live test: only by those licensed and equipped for it.", "To the outputs", "controloutputs"),
        SettingTask { Fault: var fault } => new("Set the pressure control so that it fits", ControlsText.Finding(fault, view.Units), "To the settings", "controls"),
        DefrostTask { Step: var remedy } => new(DefrostAdviceText.Remedy(remedy), DefrostText.Headline(remedy.Because), "To the defrost", "defrost"),
        _ => throw new ArgumentOutOfRangeException(nameof(task)),
    };

    private static TaskText OfCircuit(NextStep step, CircuitMakeUp makeUp) => new(PanelText.Step(step, makeUp), PanelText.StepReason(step, makeUp),
        step.Point is null ? "Note what you see" : step.Kind == StepKind.Recheck ? "Type it again" : "Log it", step.Point is null ? "look" : "circuit", step.Point);

    private static string Output(OutputVerdict verdict) => verdict switch
    {
        OutputVerdict.StuckClosed => "Take the load's lead off its terminal with the power off, then measure there: still live is a welded contact, dead means the load is fed from outside",
        OutputVerdict.NotClosing => "Measure the feed of the contact: live there, the contact is open; dead, look at what feeds it",
        OutputVerdict.LoadDead => "Follow the voltage to the load: connection, overload, winding",
        _ => "Find the wire that feeds it past the control, and whether it is there on purpose",
    };
}
