using KeenEmber.Words.Benches.Electrical;

namespace KeenEmber.Web.Pages.Visits;

/// <summary>The pages of a station that has several.</summary>
/// <param name="Station">Its name.</param>
/// <param name="Pages">Path below the visit, name of the page, and what the choice is called.</param>
public sealed record Ways(string Station, Guid VisitId, IReadOnlyList<(string Path, string Page, string Name)> Pages)
{
    /// <summary>Of the controls.</summary>
    public static Ways Controls(Guid visit) => new("Controls", visit, [("controls", "Controls", "Pressure controls"),
        ("controlcycle", "ControlsCycle", "Cycle and dial"), ("controloutputs", "ControlsOutputs", "Outputs and damage"),
        ("controlsheet", "ControlsSheet", "Parameter sheet")]);

    /// <summary>Of the electrical bench.</summary>
    public static Ways Electrical(Guid visit) => new("Electrical", visit, [("electrical", "Electrical", "Parts"),
        ("trace", "ElectricalTrace", "Trace"), (TripText.Path, "ElectricalTripped", "Tripped"), ("diagram", "ElectricalDiagram", "Diagram"),
        ("wires", "ElectricalWires", "Swap"), ("damage", "ElectricalDamage", "Damage"), ("motor", "ElectricalMotor", "Motor")]);
}
