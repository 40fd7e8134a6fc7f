namespace KeenEmber.Core.Quantities;

/// <summary>What is measured.</summary>
public enum QuantityKind
{
    /// <summary>On the scale; SI value in K.</summary>
    Temperature,

    /// <summary>Gauge or absolute as typed; SI value in kPa absolute.</summary>
    Pressure,

    /// <summary>SI value in A.</summary>
    Current,

    /// <summary>Of a mixture, % by mass.</summary>
    Concentration,

    /// <summary>SI value in kg.</summary>
    Mass,

    /// <summary>SI value in V.</summary>
    Voltage,

    /// <summary>SI value in Ω.</summary>
    Resistance,

    /// <summary>Between two temperatures: a differential, an offset.</summary>
    Difference,

    /// <summary>In min.</summary>
    Duration,

    /// <summary>SI value in m.</summary>
    Length,

    /// <summary>In m³/h.</summary>
    AirFlow,

    /// <summary>Of a capacitor, in µF.</summary>
    Capacitance,

    /// <summary>SI value in W.</summary>
    Power,

    /// <summary>Of a shaft, in revolutions a minute.</summary>
    Speed,

    /// <summary>SI value in Hz.</summary>
    Frequency,

    /// <summary>Absolute pressure of a circuit under vacuum, in Pa.</summary>
    Vacuum,

    /// <summary>In l.</summary>
    Volume,
}

/// <summary>Whether a pressure is counted from the air around the gauge or from nothing at all.</summary>
public enum PressureReference
{
    /// <summary>Above the air around the gauge.</summary>
    Gauge,

    /// <summary>Above nothing at all.</summary>
    Absolute,
}

/// <summary>A unit as technicians type it. SI value = number × <paramref name="Scale"/> + <paramref name="Offset"/>, in K, kPa, A, mass %,
/// kg, V, Ω, K, min, m, m³/h, µF, W, rpm, Hz, Pa of a vacuum or l.</summary>
public sealed record Unit(
    string Symbol, QuantityKind Kind, double Scale, double Offset = 0, PressureReference Reference = PressureReference.Gauge)
{
    /// <summary>Degree Celsius.</summary>
    public static readonly Unit Celsius = new("°C", QuantityKind.Temperature, 1, Temperature.ZeroCelsiusInKelvin);

    /// <summary>Degree Fahrenheit.</summary>
    public static readonly Unit Fahrenheit = new("°F", QuantityKind.Temperature, 1 / 1.8, Temperature.ZeroCelsiusInKelvin - 32 / 1.8);

    /// <summary>Kelvin on the scale.</summary>
    public static readonly Unit Kelvin = new("K", QuantityKind.Temperature, 1);

    /// <summary>Pound per square inch, gauge.</summary>
    public static readonly Unit Psi = new("psi", QuantityKind.Pressure, KpaPerPsi);

    /// <summary>Bar, gauge.</summary>
    public static readonly Unit Bar = new("bar", QuantityKind.Pressure, 100);

    /// <summary>Kilopascal, gauge.</summary>
    public static readonly Unit Kilopascal = new("kPa", QuantityKind.Pressure, 1);

    /// <summary>Inches of mercury below the atmosphere, as on a compound gauge: 5 inHg is a gauge pressure of -16.9 kPa.</summary>
    public static readonly Unit InchesOfVacuum = new("inHg vac", QuantityKind.Pressure, -3.386389);

    /// <summary>Pound per square inch, absolute.</summary>
    public static readonly Unit PsiAbsolute = new("psia", QuantityKind.Pressure, KpaPerPsi, 0, PressureReference.Absolute);

    /// <summary>Bar, absolute.</summary>
    public static readonly Unit BarAbsolute = new("bar abs", QuantityKind.Pressure, 100, 0, PressureReference.Absolute);

    /// <summary>Kilopascal, absolute.</summary>
    public static readonly Unit KilopascalAbsolute = new("kPa abs", QuantityKind.Pressure, 1, 0, PressureReference.Absolute);

    /// <summary>Ampere.</summary>
    public static readonly Unit Ampere = new("A", QuantityKind.Current, 1);

    /// <summary>Kilogram.</summary>
    public static readonly Unit Kilogram = new("kg", QuantityKind.Mass, 1);

    /// <summary>Gram.</summary>
    public static readonly Unit Gram = new("g", QuantityKind.Mass, 0.001);

    /// <summary>Ounce, avoirdupois.</summary>
    public static readonly Unit Ounce = new("oz", QuantityKind.Mass, 0.028349523);

    /// <summary>Pound, avoirdupois.</summary>
    public static readonly Unit Pound = new("lb", QuantityKind.Mass, 0.45359237);

    /// <summary>Per cent by mass.</summary>
    public static readonly Unit Percent = new("%", QuantityKind.Concentration, 1);

    /// <summary>Volt.</summary>
    public static readonly Unit Volt = new("V", QuantityKind.Voltage, 1);

    /// <summary>Milliampere.</summary>
    public static readonly Unit Milliampere = new("mA", QuantityKind.Current, 0.001);

    /// <summary>Ohm.</summary>
    public static readonly Unit Ohm = new("Ω", QuantityKind.Resistance, 1);

    /// <summary>Kiloohm.</summary>
    public static readonly Unit Kiloohm = new("kΩ", QuantityKind.Resistance, 1000);

    /// <summary>Megaohm.</summary>
    public static readonly Unit Megaohm = new("MΩ", QuantityKind.Resistance, 1_000_000);

    /// <summary>Microfarad.</summary>
    public static readonly Unit Microfarad = new("µF", QuantityKind.Capacitance, 1);

    /// <summary>Watt.</summary>
    public static readonly Unit Watt = new("W", QuantityKind.Power, 1);

    /// <summary>Kilowatt.</summary>
    public static readonly Unit Kilowatt = new("kW", QuantityKind.Power, 1000);

    /// <summary>Revolution a minute.</summary>
    public static readonly Unit RevolutionPerMinute = new("rpm", QuantityKind.Speed, 1);

    /// <summary>Hertz.</summary>
    public static readonly Unit Hertz = new("Hz", QuantityKind.Frequency, 1);

    /// <summary>Kelvin between two temperatures.</summary>
    public static readonly Unit KelvinDifference = new("ΔK", QuantityKind.Difference, 1);

    /// <summary>Degree Fahrenheit between two temperatures.</summary>
    public static readonly Unit FahrenheitDifference = new("Δ°F", QuantityKind.Difference, 1 / 1.8);

    /// <summary>Minute.</summary>
    public static readonly Unit Minute = new("min", QuantityKind.Duration, 1);

    /// <summary>Hour.</summary>
    public static readonly Unit Hour = new("h", QuantityKind.Duration, 60);

    /// <summary>Metre.</summary>
    public static readonly Unit Metre = new("m", QuantityKind.Length, 1);

    /// <summary>Foot.</summary>
    public static readonly Unit Foot = new("ft", QuantityKind.Length, 0.3048);

    /// <summary>Cubic metre per hour.</summary>
    public static readonly Unit CubicMetrePerHour = new("m³/h", QuantityKind.AirFlow, 1);

    /// <summary>Cubic foot per minute.</summary>
    public static readonly Unit CubicFootPerMinute = new("cfm", QuantityKind.AirFlow, 1.699011);

    /// <summary>Millimetre.</summary>
    public static readonly Unit Millimetre = new("mm", QuantityKind.Length, 0.001);

    /// <summary>Inch.</summary>
    public static readonly Unit Inch = new("in", QuantityKind.Length, 0.0254);

    /// <summary>Pascal of a vacuum.</summary>
    public static readonly Unit Pascal = new("Pa", QuantityKind.Vacuum, 1);

    /// <summary>Micrometre of mercury, of a vacuum.</summary>
    public static readonly Unit Micron = new("micron", QuantityKind.Vacuum, 0.1333224);

    /// <summary>Torr, of a vacuum.</summary>
    public static readonly Unit Torr = new("Torr", QuantityKind.Vacuum, 133.3224);

    /// <summary>Millibar, of a vacuum.</summary>
    public static readonly Unit Millibar = new("mbar", QuantityKind.Vacuum, 100);

    /// <summary>Litre.</summary>
    public static readonly Unit Litre = new("l", QuantityKind.Volume, 1);

    /// <summary>Cubic foot.</summary>
    public static readonly Unit CubicFoot = new("cu ft", QuantityKind.Volume, 28.316847);

    /// <summary>NIST SP 811 (2008), appendix B: 1 oz = 0.028 349 523 kg, 1 lb = 0.453 592 37 kg, 1 psi = 6.894757 kPa, 1 inHg = 3.386389
    /// kPa, 1 ft³/min = 1.699 011 m³/h, 1 µm of mercury = 0.133 322 4 Pa, 1 ft³ = 28.316 847 l.</summary>
    private const double KpaPerPsi = 6.894757;

    private static readonly Dictionary<string, Unit> Spellings = new(StringComparer.Ordinal)
    {
        ["°c"] = Celsius, ["c"] = Celsius, ["degreesc"] = Celsius, ["degc"] = Celsius, ["celsius"] = Celsius,
        ["°f"] = Fahrenheit, ["f"] = Fahrenheit, ["degreesf"] = Fahrenheit, ["degf"] = Fahrenheit, ["fahrenheit"] = Fahrenheit,
        ["k"] = Kelvin, ["kelvin"] = Kelvin,
        ["psi"] = Psi, ["psig"] = Psi, ["psigauge"] = Psi, ["#"] = Psi, ["lb"] = Psi, ["lbs"] = Psi,
        ["bar"] = Bar, ["barg"] = Bar,
        ["kpa"] = Kilopascal, ["kpag"] = Kilopascal,
        ["inhg"] = InchesOfVacuum, ["inches"] = InchesOfVacuum, ["inhgvac"] = InchesOfVacuum, ["inhgvacuum"] = InchesOfVacuum,
            ["invac"] = InchesOfVacuum,
            ["\""] = InchesOfVacuum,
        ["psia"] = PsiAbsolute, ["psiabs"] = PsiAbsolute,
        ["bara"] = BarAbsolute, ["barabs"] = BarAbsolute,
        ["a"] = Ampere, ["amp"] = Ampere, ["amps"] = Ampere,
        ["v"] = Volt, ["volt"] = Volt, ["volts"] = Volt,
        ["kg"] = Kilogram, ["kilo"] = Kilogram, ["g"] = Gram, ["gram"] = Gram, ["grams"] = Gram, ["gr"] = Gram, ["ounces"] = Ounce,
            ["oz"] = Ounce, ["ounce"] = Ounce,
        ["%"] = Percent, ["percent"] = Percent,
        ["ma"] = Milliampere,
        ["ω"] = Ohm, ["ohm"] = Ohm, ["ohms"] = Ohm,
        ["kω"] = Kiloohm, ["kohm"] = Kiloohm, ["kohms"] = Kiloohm, ["mω"] = Megaohm, ["mohm"] = Megaohm, ["megohm"] = Megaohm,
        ["δk"] = KelvinDifference, ["δ°f"] = FahrenheitDifference,
        ["min"] = Minute, ["minute"] = Minute, ["minutes"] = Minute, ["h"] = Hour, ["hour"] = Hour, ["hours"] = Hour,
        ["m"] = Metre, ["metre"] = Metre, ["ft"] = Foot, ["foot"] = Foot, ["feet"] = Foot, ["'"] = Foot, ["m³/h"] = CubicMetrePerHour,
            ["cmh"] = CubicMetrePerHour, ["cfm"] = CubicFootPerMinute,
        ["µf"] = Microfarad, ["μf"] = Microfarad, ["uf"] = Microfarad, ["mfd"] = Microfarad,
        ["w"] = Watt, ["watt"] = Watt, ["watts"] = Watt, ["kw"] = Kilowatt, ["rpm"] = RevolutionPerMinute, ["hz"] = Hertz,
        ["kpaa"] = KilopascalAbsolute, ["kpaabs"] = KilopascalAbsolute,
        ["pa"] = Pascal, ["micron"] = Micron, ["microns"] = Micron, ["µmhg"] = Micron, ["umhg"] = Micron, ["torr"] = Torr,
        ["mbar"] = Millibar, ["l"] = Litre, ["litre"] = Litre, ["litres"] = Litre, ["liter"] = Litre, ["liters"] = Litre,
        ["cuft"] = CubicFoot, ["ft³"] = CubicFoot, ["mm"] = Millimetre,
    };

    /// <summary>Spellings that mean something else where a kind is asked for: "9.8k" of a resistance, "2 °F" of a difference.</summary>
    private static readonly Dictionary<(QuantityKind, string), Unit> SpellingsOf = new()
    {
        [(QuantityKind.Resistance, "k")] = Kiloohm, [(QuantityKind.Resistance, "r")] = Ohm, [(QuantityKind.Resistance, "m")] = Megaohm,
        [(QuantityKind.Length, "in")] = Inch, [(QuantityKind.Length, "inch")] = Inch, [(QuantityKind.Length, "inches")] = Inch,
        [(QuantityKind.Length, "\"")] = Inch, [(QuantityKind.Vacuum, "µ")] = Micron, [(QuantityKind.Vacuum, "μ")] = Micron,
        [(QuantityKind.Vacuum, "um")] = Micron, [(QuantityKind.Vacuum, "mmhg")] = Torr,
        [(QuantityKind.Mass, "lb")] = Pound, [(QuantityKind.Mass, "lbs")] = Pound, [(QuantityKind.Mass, "#")] = Pound,
        [(QuantityKind.Mass, "pound")] = Pound, [(QuantityKind.Mass, "pounds")] = Pound,
        [(QuantityKind.Difference, "k")] = KelvinDifference, [(QuantityKind.Difference, "°c")] = KelvinDifference,
            [(QuantityKind.Difference, "c")] = KelvinDifference,
        [(QuantityKind.Difference, "°f")] = FahrenheitDifference, [(QuantityKind.Difference, "f")] = FahrenheitDifference,
    };

    /// <summary>Every distinct unit, for trying the neighbours of a suspicious entry.</summary>
    public static IEnumerable<Unit> All => Spellings.Values.Distinct();

    /// <summary>The unit of a spelling, upper or lower case, with or without blanks; null when it is none.</summary>
    /// <param name="wanted">What is asked for, where a spelling means several things; a unit of another kind is found all the same.</param>
    public static Unit? Find(string spelling, QuantityKind? wanted = null)
    {
        var typed = string.Concat(spelling.Where(c => !char.IsWhiteSpace(c)));
        var plain = typed.ToLowerInvariant().Replace('º', '°');
        // A thousandth of an ohm and a million of them differ by the size of a letter, and only one of them is here.
        if (typed.StartsWith('m') && Spellings.GetValueOrDefault(plain) == Megaohm && plain != "megohm")
            return null;
        return wanted is { } kind && SpellingsOf.TryGetValue((kind, plain), out var unit) ? unit : Spellings.GetValueOrDefault(plain);
    }
}

/// <summary>The units a company works in: what a bare number means and what is shown. Stored values do not change with it.</summary>
public sealed record UnitPreference(string Code, Unit Temperature, Unit Pressure)
{
    /// <summary>°C, bar, kg.</summary>
    public static readonly UnitPreference Metric = new("metric", Unit.Celsius, Unit.Bar);

    /// <summary>°F, psi, lb.</summary>
    public static readonly UnitPreference Us = new("us", Unit.Fahrenheit, Unit.Psi);

    /// <summary>For what is heavier than refrigerant: ice, a coil.</summary>
    public Unit Weight => this == Us ? Unit.Pound : Unit.Kilogram;

    /// <summary>The preference of this code; metric where none has it.</summary>
    public static UnitPreference FromCode(string? code) => code == Us.Code ? Us : Metric;

    /// <summary>The unit a number without one is taken to be in.</summary>
    public Unit For(QuantityKind kind) => kind switch
    {
        QuantityKind.Temperature => Temperature,
        QuantityKind.Pressure => Pressure,
        QuantityKind.Current => Unit.Ampere,
        QuantityKind.Mass => this == Us ? Unit.Ounce : Unit.Kilogram,
        QuantityKind.Voltage => Unit.Volt,
        QuantityKind.Resistance => Unit.Ohm,
        QuantityKind.Difference => this == Us ? Unit.FahrenheitDifference : Unit.KelvinDifference,
        QuantityKind.Duration => Unit.Minute,
        QuantityKind.Length => this == Us ? Unit.Foot : Unit.Metre,
        QuantityKind.Capacitance => Unit.Microfarad,
        QuantityKind.Power => Unit.Watt,
        QuantityKind.Speed => Unit.RevolutionPerMinute,
        QuantityKind.Frequency => Unit.Hertz,
        QuantityKind.Vacuum => this == Us ? Unit.Micron : Unit.Pascal,
        QuantityKind.Volume => this == Us ? Unit.CubicFoot : Unit.Litre,
        QuantityKind.AirFlow => this == Us ? Unit.CubicFootPerMinute : Unit.CubicMetrePerHour,
        _ => Unit.Percent,
    };
}
