using System.Numerics;
using MathNet.Numerics.LinearAlgebra;
using ComplexVector = MathNet.Numerics.LinearAlgebra.Vector<System.Numerics.Complex>;

namespace KeenEmber.Core.Benches.Electrical.Tracing;

/// <summary>A change of admittance between two terminals.</summary>
/// <param name="By">S.</param>
/// <param name="Current">Current of a source that goes with it, A from the second into the first.</param>
internal readonly record struct Change(int A, int B, Complex By, Complex Current = default);

/// <summary>A circuit solved once by node voltages; what a change makes of it follows from the inverse (Woodbury), without solving it
/// again.</summary>
internal sealed class NodalNetwork
{
    /// <summary>A closed contact, a wire, a fuse, Ω.</summary>
    internal const double ClosedOhm = 0.05;

    /// <summary>Every terminal's stray conductance, S: it only gives what hangs on nothing a voltage, that of the reference.</summary>
    private const double StraySiemens = 1e-9;

    /// <summary>A transformer's winding in series, the other one's magnetising reactance, and what joins the two, Ω.</summary>
    private const double WindingOhm = 2, MagnetisingOhm = 5000, RatioOhm = 0.05;

    /// <summary>Earthed conductors and their electrode, Ω.</summary>
    private const double EarthingOhm = 0.5;

    private readonly Dictionary<string, int> at;
    private readonly Complex[,] inverse;
    private readonly Complex[] volts;

    /// <param name="wiring">The circuit.</param>
    /// <param name="isPowered">Sources are there; else only what the meter puts in.</param>
    internal NodalNetwork(Wiring wiring, bool isPowered = true)
    {
        Wiring = wiring;
        at = wiring.Terminals.Concat(wiring.Parts.Where(IsTransformer).Select(Behind)).Select((t, i) => (t, i))
            .ToDictionary(x => x.t, x => x.i);
        var y = Matrix<Complex>.Build.Dense(at.Count, at.Count);
        var current = ComplexVector.Build.Dense(at.Count);
        for (var i = 0; i < at.Count; i++)
            y[i, i] += StraySiemens;
        Ground(y);
        if (isPowered)
        {
            foreach (var source in wiring.Sources)
            {
                var (hot, back) = (at[source.Hot], at[source.Return]);
                Stamp(y, hot, back, 1 / source.Ohms);
                current[hot] += CurrentOf(source);
                current[back] -= CurrentOf(source);
            }
        }

        foreach (var part in wiring.Parts)
            Stamp(y, part);
        var z = y.Inverse();
        inverse = z.ToArray();
        volts = (z * current).ToArray();
    }

    internal Wiring Wiring { get; }

    internal int Terminal(string name) => at[name];

    internal bool Has(string name) => at.ContainsKey(name);

    /// <summary>Voltage from one terminal to another as it is drawn, V.</summary>
    internal Complex Volts(int a, int b) => volts[a] - volts[b];

    /// <summary>Voltage at one port for one ampere into another, Ω.</summary>
    internal Complex Transfer(int a, int b, int c, int d) => inverse[a, c] - inverse[a, d] - inverse[b, c] + inverse[b, d];

    /// <summary>Current of a source whose conductors are joined, A.</summary>
    internal static Complex CurrentOf(WiredSource source) =>
        Complex.FromPolarCoordinates(source.Volts / source.Ohms, source.PhaseDeg * Math.PI / 180);

    /// <summary>Admittance of a part as it should be, S; nothing for an open contact.</summary>
    internal static Complex AdmittanceOf(WiredPart part, double hertz) => part.Kind switch
    {
        WiredKind.Contact when !part.Closed => Complex.Zero,
        WiredKind.Contact or WiredKind.Wire or WiredKind.Fuse => 1 / Math.Max(part.Ohms, ClosedOhm),
        WiredKind.Capacitor => 1 / new Complex(Math.Max(part.Ohms, ClosedOhm), -1 / (Math.Tau * hertz * part.Microfarad * 1e-6)),
        WiredKind.Transformer => 1 / new Complex(WindingOhm, MagnetisingOhm),
        _ => 1 / new Complex(Math.Max(part.Ohms, ClosedOhm), part.ReactanceOhms),
    };

    /// <summary>Where there is an earth, a neutral is bonded to it; where there is none, both conductors of the first source are as far
    /// from it. Without an earth in the drawing voltages are told from the return of the first source.</summary>
    private void Ground(Matrix<Complex> y)
    {
        var source = Wiring.Sources[0];
        if (!at.TryGetValue(Wiring.Earth, out var earth))
        {
            y[at[source.Return], at[source.Return]] += 1 / EarthingOhm;
            return;
        }

        y[earth, earth] += 1 / EarthingOhm;
        if (at.TryGetValue(Wiring.Neutral, out var neutral))
        {
            Stamp(y, neutral, earth, 1 / EarthingOhm);
            return;
        }

        Stamp(y, at[source.Hot], earth, MidSiemens);
        Stamp(y, at[source.Return], earth, MidSiemens);
    }

    /// <summary>Of the two halves of a source that hold its middle at earth where its conductors are not tied otherwise, S.</summary>
    private const double MidSiemens = 0.01;

    private static bool IsTransformer(WiredPart part) =>
        part is { Kind: WiredKind.Transformer, Ratio: > 0, C.Length: > 0, D.Length: > 0 };

    /// <summary>The inner end of the second winding, which no meter reaches.</summary>
    private static string Behind(WiredPart transformer) => $"{transformer.Id}:inside";

    /// <summary>The second winding of a transformer: from its inner end to its terminal.</summary>
    internal Change WindingOpen(WiredPart transformer) => new(at[Behind(transformer)], at[transformer.C], -1 / WindingOhm);

    private void Stamp(Matrix<Complex> y, WiredPart part)
    {
        Stamp(y, at[part.A], at[part.B], AdmittanceOf(part, Wiring.Hertz));
        if (!IsTransformer(part))
            return;
        var inside = at[Behind(part)];
        Stamp(y, inside, at[part.C], 1 / WindingOhm);
        (int At, double Sign)[] ends =
            [(inside, 1), (at[part.D], -1), (at[part.A], -1 / part.Ratio), (at[part.B], 1 / part.Ratio)];
        foreach (var (i, one) in ends)
        {
            foreach (var (j, other) in ends)
                y[i, j] += one * other / RatioOhm;
        }
    }

    private static void Stamp(Matrix<Complex> y, int a, int b, Complex by)
    {
        y[a, a] += by;
        y[b, b] += by;
        y[a, b] -= by;
        y[b, a] -= by;
    }
}
