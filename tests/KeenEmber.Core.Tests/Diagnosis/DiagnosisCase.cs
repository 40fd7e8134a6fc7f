using System.Text.Json;
using System.Text.Json.Serialization;
using KeenEmber.Core.Diagnosis;
using KeenEmber.Core.Plant;
using KeenEmber.Core.Quantities;

namespace KeenEmber.Core.Tests.Diagnosis;

/// <summary>A job as it was, with its truth: what a technician would have found wherever he had looked.</summary>
/// <param name="Unit">Its make-up.</param>
/// <param name="Root">Causes that began it; none where nothing was wrong.</param>
/// <param name="Follows">Causes that they brought on.</param>
/// <param name="Opening">What is known before anything is asked.</param>
/// <param name="Answers">What else differs from a healthy unit in that mode.</param>
public sealed record DiagnosisCase(
    string Name, CaseUnit Unit, IReadOnlyList<string> Root, IReadOnlyDictionary<string, string> Opening,
    IReadOnlyDictionary<string, string> Answers, IReadOnlyList<string>? Follows = null, OperatingMode Mode = OperatingMode.Calling,
    IReadOnlyList<CaseWork>? History = null)
{
    private static readonly JsonSerializerOptions Json = new(JsonSerializerDefaults.Web)
    {
        Converters = { new JsonStringEnumConverter() }, ReadCommentHandling = JsonCommentHandling.Skip, AllowTrailingCommas = true,
    };

    /// <summary>Cases of all files, or of one.</summary>
    public static IReadOnlyList<(string File, DiagnosisCase Case)> All(string files = "*.json") =>
        [.. Directory.GetFiles(Path.Combine(AppContext.BaseDirectory, "Diagnosis", "Cases"), files).Order()
            .SelectMany(f => JsonSerializer.Deserialize<List<DiagnosisCase>>(File.ReadAllText(f), Json)!
                .Select(c => (Path.GetFileNameWithoutExtension(f), c)))];

    /// <summary>Everything that is to be found.</summary>
    public IEnumerable<string> Truth => Root.Concat(Follows ?? []);
}

/// <summary>A unit in a few words.</summary>
public sealed record CaseUnit(
    EquipmentKind Kind, Metering Metering = Metering.ThermostaticValve, CondenserKind Condenser = CondenserKind.AirCooledRemote,
    IReadOnlyList<CircuitParts>? Parts = null, int Coils = 1, double TargetC = 3, int Fans = 2)
{
    public CircuitMakeUp MakeUp => new(Kind, Metering, Condenser,
        (Parts ?? (Metering == Metering.CapillaryTube ? [] : [CircuitParts.Receiver])).Aggregate(CircuitParts.None, (a, p) => a | p),
            Coils);

    public Temperature Target => Temperature.FromCelsius(TargetC);
}

/// <summary>Earlier work in a case.</summary>
public sealed record CaseWork(double DaysAgo, IReadOnlyList<string> Parts, IReadOnlyList<string>? Replaced = null);
