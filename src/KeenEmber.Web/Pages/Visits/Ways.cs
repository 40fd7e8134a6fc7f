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

    /// <summary>Of the charge bench.</summary>
    public static Ways Charge(Guid visit) => new("Charge", visit, [("charge", "Charge", "Scale"), ("howmuch", "ChargeHowMuch", "How much"),
        ("leaks", "ChargeLeaks", "Leak search"), ("nitrogen", "ChargeNitrogen", "Pressure test"), ("vacuum", "ChargeVacuum", "Vacuum"),
        ("trim", "ChargeTrim", "Trimming")]);

    /// <summary>Of the box bench.</summary>
    public static Ways Box(Guid visit) => new("Box", visit, [("box", "Box", "Pull-down"), ("balance", "BoxBalance", "Can it hold"),
        ("doors", "BoxDoors", "Air and doors"), ("product", "BoxProduct", "Product"), ("systems", "BoxSystems", "Systems")]);

    /// <summary>Of the electrical bench.</summary>
    public static Ways Electrical(Guid visit) => new("Electrical", visit, [("electrical", "Electrical", "Parts"),
        ("trace", "ElectricalTrace", "Trace"), (TripText.Path, "ElectricalTripped", "Tripped"), ("diagram", "ElectricalDiagram", "Diagram"),
        ("wires", "ElectricalWires", "Swap"), ("damage", "ElectricalDamage", "Damage"), ("motor", "ElectricalMotor", "Motor")]);
}
