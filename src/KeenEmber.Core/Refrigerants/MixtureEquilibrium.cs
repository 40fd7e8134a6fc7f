namespace KeenEmber.Core.Refrigerants;

/// <summary>
/// Bubble and dew points of a mixture by Peng–Robinson with van der Waals one-fluid mixing: a = ΣΣ xᵢxⱼ√(aᵢaⱼ)(1 - kᵢⱼ), b = Σ xᵢbᵢ.
/// Each component's a(T) makes it saturate alone exactly at its own equation. Solved for equal fugacity by successive substitution
/// (M. L. Michelsen, J. M. Mollerup, "Thermodynamic Models: Fundamentals and Computational Aspects", ch. 11).
/// </summary>
internal sealed class MixtureEquilibrium
{
    private const int MostRounds = 500;
    private const double Accuracy = 1e-11;

    /// <summary>Compressibilities closer than this are one phase found twice: there is no saturation here.</summary>
    private const double SamePhase = 1e-3;

    private readonly BlendComponent[] components;
    private readonly double[] fractions;

    internal MixtureEquilibrium(Composition composition)
    {
        components = [.. composition.Parts.Select(p => p.Component)];
        fractions = composition.MoleFractions();
    }

    /// <summary>A point on the bubble or dew line: the pressure, and the mole fractions of the phase that just appears.</summary>
    internal readonly record struct Point(double PressureKpa, double[] Incipient);

    /// <summary>Null when no two phases are found: above or too near the mixture's critical point.</summary>
    internal Point? Bubble(double tempK) => Solve(tempK, liquidIsGiven: true);

    /// <inheritdoc cref="Bubble"/>
    internal Point? Dew(double tempK) => Solve(tempK, liquidIsGiven: false);

    private Point? Solve(double tempK, bool liquidIsGiven)
    {
        var count = components.Length;
        var attraction = PairAttraction(tempK);
        var saturation = new double[count];
        for (var i = 0; i < count; i++)
            saturation[i] = components[i].Line.ExtrapolatedKpa(tempK);

        // Raoult's law to begin with. K = vapour over liquid mole fraction.
        var pressure = liquidIsGiven ? Sum(i => fractions[i] * saturation[i]) : 1 / Sum(i => fractions[i] / saturation[i]);
        var k = new double[count];
        for (var i = 0; i < count; i++)
            k[i] = saturation[i] / pressure;

        var other = new double[count];
        var (logLiquid, logVapour) = (new double[count], new double[count]);
        for (var round = 0; round < MostRounds; round++)
        {
            var sum = 0.0;
            for (var i = 0; i < count; i++)
                sum += other[i] = liquidIsGiven ? fractions[i] * k[i] : fractions[i] / k[i];
            for (var i = 0; i < count; i++)
                other[i] /= sum;

            var liquid = liquidIsGiven ? fractions : other;
            var vapour = liquidIsGiven ? other : fractions;
            var zLiquid = LogFugacities(liquid, attraction, tempK, pressure, isLiquid: true, logLiquid);
            var zVapour = LogFugacities(vapour, attraction, tempK, pressure, isLiquid: false, logVapour);
            var total = 0.0;
            for (var i = 0; i < count; i++)
            {
                k[i] = Math.Exp(logLiquid[i] - logVapour[i]);
                total += liquidIsGiven ? fractions[i] * k[i] : fractions[i] / k[i];
            }

            pressure *= liquidIsGiven ? total : 1 / total;
            if (!double.IsFinite(pressure))
                return null;
            if (Math.Abs(total - 1) < Accuracy && Math.Abs(sum - total) < Accuracy)
                return zVapour - zLiquid < SamePhase ? null : new(pressure, other);
        }

        return null;
    }

    private double[,] PairAttraction(double tempK)
    {
        var count = components.Length;
        var root = new double[count];
        for (var i = 0; i < count; i++)
            root[i] = Math.Sqrt(components[i].Attraction(tempK));
        var pairs = new double[count, count];
        for (var i = 0; i < count; i++)
        {
            for (var j = 0; j < count; j++)
                pairs[i, j] = root[i] * root[j] * (1 - BinaryInteraction.Of(components[i].Name, components[j].Name, tempK));
        }

        return pairs;
    }

    /// <returns>The compressibility of the phase.</returns>
    private double LogFugacities(double[] x, double[,] attraction, double tempK, double pressureKpa, bool isLiquid, double[] result)
    {
        var count = components.Length;
        var (a, b) = (0.0, 0.0);
        Span<double> partial = stackalloc double[count];
        for (var i = 0; i < count; i++)
        {
            b += x[i] * components[i].Covolume;
            for (var j = 0; j < count; j++)
                partial[i] += x[j] * attraction[i, j];
            a += x[i] * partial[i];
        }

        var rt = PengRobinson.GasConstant * tempK;
        var (bigA, bigB) = (a * pressureKpa / (rt * rt), b * pressureKpa / rt);
        var (zLiquid, zVapour) = PengRobinson.Compressibilities(bigA, bigB);
        var z = isLiquid ? zLiquid : zVapour;
        var term = bigA / bigB * PengRobinson.AttractionTerm(z, bigB);
        var logGap = Math.Log(z - bigB);
        for (var i = 0; i < count; i++)
        {
            var ratio = components[i].Covolume / b;
            result[i] = ratio * (z - 1) - logGap - term * (2 * partial[i] / a - ratio);
        }

        return z;
    }

    private double Sum(Func<int, double> of) => Enumerable.Range(0, components.Length).Sum(of);
}
