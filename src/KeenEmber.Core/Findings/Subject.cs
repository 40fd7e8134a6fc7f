namespace KeenEmber.Core.Findings;

/// <summary>What kind of thing a finding, a task or a trend is about.</summary>
public enum SubjectKind
{
    /// <summary>A part of the unit.</summary>
    Component,

    /// <summary>One of several coils.</summary>
    Coil,

    /// <summary>A sensor by its name.</summary>
    Sensor,

    /// <summary>A controller's output.</summary>
    Output,

    /// <summary>A setting or parameter.</summary>
    Setting,

    /// <summary>A leg of the heaters.</summary>
    HeaterLeg,
}

/// <summary>The thing a finding, a task or a trend is about.</summary>
/// <param name="Id">A component's id, a sensor's name, the name of an output or a setting, the number of a coil or a leg.</param>
public readonly record struct Subject(SubjectKind Kind, string Id)
{
    /// <summary>One of two coils, counted from 1.</summary>
    public static Subject Coil(int number) => new(SubjectKind.Coil, $"{number}");

    /// <summary>A part of the unit.</summary>
    public static Subject Component(Plant.Component component) => new(SubjectKind.Component, component.Id);

    /// <summary>A sensor by its name.</summary>
    public static Subject Sensor(string name) => new(SubjectKind.Sensor, name);

    /// <summary>A controller's output.</summary>
    public static Subject Output(Enum output) => new(SubjectKind.Output, $"{output}");

    /// <summary>A setting or parameter.</summary>
    public static Subject Setting(Enum setting) => new(SubjectKind.Setting, $"{setting}");

    /// <summary>A heater leg, counted from 1.</summary>
    public static Subject HeaterLeg(int leg) => new(SubjectKind.HeaterLeg, $"{leg}");

    /// <summary>The member of an enumeration that it names.</summary>
    /// <returns>Null where it names none.</returns>
    public T? As<T>() where T : struct, Enum => Enum.TryParse<T>(Id, out var member) ? member : null;
}
