using BenchmarkDotNet.Attributes;
using KeenEmber.Core.Quantities;
using KeenEmber.Core.Refrigerants;

namespace KeenEmber.Bench;

/// <summary>What one lookup costs, and what making a blend's tables costs.</summary>
[ShortRunJob]
public class SaturationLookup
{
    private readonly Refrigerant blend = RefrigerantCatalogue.Find("R448A")!;
    private readonly Pressure[] pressures = [.. Enumerable.Range(0, 256).Select(i => new Pressure(120 + i * 7))];
    private int next;

    [Benchmark]
    public Temperature? DewTemperature() => blend.DewTemperature(pressures[next = (next + 1) & 255]);

    [Benchmark]
    public Pressure? DewPressure() => blend.DewPressure(new(220 + (next = (next + 1) & 127)));

    [Benchmark]
    public Temperature? TablesOfOneBlend()
    {
        var fresh = Refrigerant.FromComposition(blend.Name, blend.Safety, blend.Oil, blend.Composition);
        return fresh.MidpointTemperature(new(300));
    }
}
