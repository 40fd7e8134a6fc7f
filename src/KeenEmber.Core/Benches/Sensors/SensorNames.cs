using KeenEmber.Core.Record;

namespace KeenEmber.Core.Benches.Sensors;

/// <summary>What sensors are called now that were called something else when they were checked: a sensor that is renamed keeps its
/// history.</summary>
public sealed class SensorNames
{
    private readonly Dictionary<string, string> renamed = [];

    /// <param name="all">Timelines of the unit.</param>
    public SensorNames(IEnumerable<Timeline> all)
    {
        foreach (var sensor in UnitSensors.Said(all).Where(s => s.FormerName.Length > 0 && s.FormerName != s.Name))
        {
            renamed.Remove(sensor.Name);
            renamed[sensor.FormerName] = sensor.Name;
        }
    }

    /// <summary>What a sensor is called now that had this name once.</summary>
    public string Now(string name)
    {
        for (var steps = renamed.Count; steps > 0 && renamed.TryGetValue(name, out var next); steps--)
            name = next;
        return name;
    }
}
