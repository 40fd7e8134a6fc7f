using KeenEmber.Core.Plant;
using KeenEmber.Core.Quantities;

namespace KeenEmber.Core.Probes;

/// <summary>What a value on a controller's wire is.</summary>
public enum WireKind
{
    /// <summary>What one of its own sensors reads.</summary>
    Sensor,

    /// <summary>A relay it switches: 0 or 1.</summary>
    Output,

    /// <summary>What it is set to.</summary>
    Parameter,

    /// <summary>An alarm: 0 or 1.</summary>
    Alarm,
}

/// <summary>A line of the company's list: what a value on the wire means.</summary>
/// <param name="Controller">Its id on the wire; "*" for every one.</param>
/// <param name="Key">Of the value, as the controller calls it.</param>
/// <param name="What">Name of sensor or alarm; of an output or a parameter the member's name.</param>
/// <param name="Unit">Of a sensor or parameter; null for the rest.</param>
public sealed record WireMeaning(string Controller, string Key, WireKind Kind, string What, Unit? Unit)
{
    /// <summary>For every controller.</summary>
    public const string Any = "*";

    /// <summary>The parameter it is; null for the rest.</summary>
    public ControllerParameter? Parameter => Kind == WireKind.Parameter ? Enum.Parse<ControllerParameter>(What) : null;

    /// <summary>The output it is; null for the rest.</summary>
    public ControlOutput? Output => Kind == WireKind.Output ? Enum.Parse<ControlOutput>(What) : null;
}

/// <summary>A value as the controller said it last.</summary>
/// <param name="At">By this machine's clock.</param>
public sealed record WireValue(string Key, DateTimeOffset At, double Value);

/// <summary>A controller that was heard.</summary>
/// <param name="Id">On the wire.</param>
public sealed record ControllerOnWire(string Id, string Name, IReadOnlyList<WireValue> Values)
{
    /// <summary>When it said something last.</summary>
    public DateTimeOffset At => Values.Max(v => v.At);

    /// <summary>Its values with what they mean; a line for this controller goes before one for every.</summary>
    /// <param name="map">The company's list.</param>
    /// <returns>In the order of the list, then those it does not name.</returns>
    public IReadOnlyList<(WireValue Value, WireMeaning? Meaning)> Read(IReadOnlyList<WireMeaning> map)
    {
        var mine = map.Where(m => m.Controller == Id || m.Controller == WireMeaning.Any).ToList();
        WireMeaning? Of(string key) => mine.Find(m => m.Key == key && m.Controller == Id) ?? mine.Find(m => m.Key == key);
        return [.. Values.Select(v => (Value: v, Meaning: Of(v.Key)))
            .OrderBy(v => v.Meaning is null ? int.MaxValue : mine.IndexOf(v.Meaning)).ThenBy(v => v.Value.Key, StringComparer.Ordinal)];
    }

    /// <summary>What it is set to.</summary>
    public IEnumerable<(ControllerParameter Parameter, TypedValue Value)> Parameters(IReadOnlyList<WireMeaning> map) =>
        Read(map).Where(v => v.Meaning is { Parameter: not null, Unit: not null })
            .Select(v => (v.Meaning!.Parameter!.Value, new TypedValue(v.Value.Value, v.Meaning.Unit!)));
}
