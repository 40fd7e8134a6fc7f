namespace KeenEmber.Core.Refrigerants;

/// <summary>A pure fluid as a part of blends.</summary>
/// <param name="Name">Designation, as in "R32".</param>
/// <param name="MolarMass">g/mol.</param>
/// <param name="Gwp">Global warming potential over 100 years, IPCC Fourth Assessment Report (hydrocarbons, R744 and the two olefins as
/// F-gas rules of that report's time list them).</param>
/// <param name="Line">Its saturation line, bubble and dew alike.</param>
public sealed record BlendComponent(string Name, double MolarMass, double Gwp, WagnerEquation Line)
{
    /// <summary>Above this share of the critical temperature the attraction is continued, not solved for.</summary>
    private const double SolvedUpTo = 0.975;

    /// <summary>Step for the slope of the continuation, K.</summary>
    private const double SlopeStepK = 0.5;

    /// <summary>Covolume b of Peng–Robinson, L/mol.</summary>
    internal double Covolume { get; } = PengRobinson.Covolume(Line.Highest.Kelvin, Line.CriticalPressureKpa);

    /// <summary>
    /// Attraction a(T) with which the component alone saturates exactly at its own saturation pressure. Above 0.975 Tc ln a goes on
    /// linearly in T, so that a component above its critical point can still be part of a liquid.
    /// </summary>
    internal double Attraction(double tempK)
    {
        var limitK = SolvedUpTo * Line.Highest.Kelvin;
        if (tempK <= limitK)
            return Solved(tempK);
        var atLimit = Math.Log(Solved(limitK));
        var slope = (atLimit - Math.Log(Solved(limitK - SlopeStepK))) / SlopeStepK;
        return Math.Exp(atLimit + slope * (tempK - limitK));
    }

    private double Solved(double tempK)
    {
        var rt = PengRobinson.GasConstant * tempK;
        return PengRobinson.AttractionAtSaturation(Covolume * Line.ExtrapolatedKpa(tempK) / rt) * Covolume * rt;
    }
}
