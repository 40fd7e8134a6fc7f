using FsCheck;
using FsCheck.Fluent;
using KeenEmber.Core.Quantities;

namespace KeenEmber.Core.Tests.Quantities;

public class QuantityTests
{
    private static double Kpa(string text, UnitPreference? units = null) =>
        QuantityReader.Read(text, QuantityKind.Pressure, units ?? UnitPreference.Us).Value!.Si(Pressure.StandardAtmosphere);

    private static double Celsius(string text, UnitPreference? units = null) =>
        QuantityReader.Read(text, QuantityKind.Temperature, units ?? UnitPreference.Metric).Value!.Temperature.Celsius;

    [Theory]
    [InlineData("1.2 MΩ", true)]
    [InlineData("1.2 Mohm", true)]
    [InlineData("1.2 megohm", true)]
    [InlineData("1.2 mΩ", false)]
    [InlineData("1.2 mohm", false)]
    public void A_milliohm_is_never_taken_for_a_megohm(string text, bool isRead) =>
        Assert.Equal(
            isRead ? 1_200_000 : null, QuantityReader.Read(text, QuantityKind.Resistance, UnitPreference.Metric).Value?.Si(default));

    [Theory]
    [InlineData("21", 246.11)]
    [InlineData("21 psi", 246.11)]
    [InlineData("21psig", 246.11)]
    [InlineData("1.4 bar", 241.33)]
    [InlineData("1,4 BAR", 241.33)]
    [InlineData("241 kPa abs", 241)]
    [InlineData("35 psia", 241.32)]
    [InlineData("2.4 bara", 240)]
    [InlineData("5 inHg", 84.39)]
    [InlineData("-5 inHg", 84.39)]
    [InlineData("5 inHg vacuum", 84.39)]
    [InlineData("0", 101.325)]
    public void Pressures_are_read_as_typed(string text, double kpa) => Assert.Equal(kpa, Kpa(text), 0.01);

    [Theory]
    [InlineData("-13F", -25)]
    [InlineData("-25 °C", -25)]
    [InlineData("−25º c", -25)]
    [InlineData("43.5", 43.5)]
    [InlineData("43,5", 43.5)]
    [InlineData("+3", 3)]
    [InlineData(".5", 0.5)]
    [InlineData("273.15 K", 0)]
    public void Temperatures_are_read_as_typed(string text, double celsius) => Assert.Equal(celsius, Celsius(text), 1e-9);

    [Fact]
    public void A_bare_number_takes_the_shops_unit()
    {
        Assert.Equal(0, Celsius("32", UnitPreference.Us), 1e-9);
        Assert.Equal(32, Celsius("32", UnitPreference.Metric), 1e-9);
        Assert.Equal(241.325, Kpa("1.4", UnitPreference.Metric), 1e-6);
    }

    [Theory]
    [InlineData("", TypingProblem.Empty)]
    [InlineData("   ", TypingProblem.Empty)]
    [InlineData(null, TypingProblem.Empty)]
    [InlineData("abc", TypingProblem.NotANumber)]
    [InlineData("1e9", TypingProblem.NotANumber)]
    [InlineData("1.2.3", TypingProblem.NotANumber)]
    [InlineData("<script>", TypingProblem.NotANumber)]
    [InlineData("21 stone", TypingProblem.UnknownUnit)]
    [InlineData("21 °C", TypingProblem.WrongKindOfUnit)]
    [InlineData("1000000000", TypingProblem.BeyondPhysics)]
    [InlineData("-20 psi", TypingProblem.BeyondPhysics)]
    public void What_is_no_pressure_says_why(string? text, TypingProblem problem) =>
        Assert.Equal(problem, QuantityReader.Read(text, QuantityKind.Pressure, UnitPreference.Us).Problem);

    [Theory]
    [InlineData("21 psi", TypingProblem.WrongKindOfUnit)]
    [InlineData("-300 C", TypingProblem.BeyondPhysics)]
    public void What_is_no_temperature_says_why(string text, TypingProblem problem) =>
        Assert.Equal(problem, QuantityReader.Read(text, QuantityKind.Temperature, UnitPreference.Us).Problem);

    [Theory]
    [InlineData("9795", QuantityKind.Resistance, 9795)]
    [InlineData("9.8k", QuantityKind.Resistance, 9800)]
    [InlineData("9,8 kΩ", QuantityKind.Resistance, 9800)]
    [InlineData("1.2 MΩ", QuantityKind.Resistance, 1_200_000)]
    [InlineData("100.6 ohm", QuantityKind.Resistance, 100.6)]
    [InlineData("2", QuantityKind.Difference, 2)]
    [InlineData("-1.5 K", QuantityKind.Difference, -1.5)]
    [InlineData("3.6 °F", QuantityKind.Difference, 2)]
    [InlineData("25", QuantityKind.Duration, 25)]
    [InlineData("6 h", QuantityKind.Duration, 360)]
    [InlineData("12.3 mA", QuantityKind.Current, 0.0123)]
    public void Resistances_differences_and_times_are_read_as_typed(string text, QuantityKind kind, double si) =>
        Assert.Equal(
            si, QuantityReader.Read(text, kind, UnitPreference.Metric).Value!.Si(Pressure.StandardAtmosphere), Math.Abs(si) * 1e-9);

    [Fact]
    public void A_difference_in_US_units_has_no_32_and_a_temperature_keeps_its_kelvin()
    {
        Assert.Equal(2, QuantityReader.Read("3.6", QuantityKind.Difference, UnitPreference.Us).Value!.Si(default), 1e-9);
        Assert.Equal(Unit.Kelvin, QuantityReader.Read("280 K", QuantityKind.Temperature, UnitPreference.Metric).Value!.Unit);
        Assert.Equal(280_000, QuantityReader.Read("280 K", QuantityKind.Resistance, UnitPreference.Metric).Value!.Si(default));
        Assert.Equal(TypingProblem.WrongKindOfUnit, QuantityReader.Read("280 V", QuantityKind.Resistance, UnitPreference.Metric).Problem);
        Assert.Equal(TypingProblem.BeyondPhysics, QuantityReader.Read("500 K", QuantityKind.Difference, UnitPreference.Metric).Problem);
        Assert.Equal(TypingProblem.BeyondPhysics, QuantityReader.Read("600 h", QuantityKind.Duration, UnitPreference.Metric).Problem);
        Assert.Equal(TypingProblem.BeyondPhysics, QuantityReader.Read("-5", QuantityKind.Resistance, UnitPreference.Metric).Problem);
    }

    /// <summary>Values are kept by the symbol of their unit.</summary>
    [Fact]
    public void Every_units_symbol_finds_it_again() => Assert.All(Unit.All, unit => Assert.Equal(unit, Unit.Find(unit.Symbol)));

    /// <summary>Factors of NIST SP 811 (2008), appendix B. A pound is a pressure where a pressure belongs.</summary>
    [Theory]
    [InlineData("2 lb", QuantityKind.Mass, 0.90718474)]
    [InlineData("2 lb", QuantityKind.Pressure, 2 * 6.894757 + 101.325)]
    [InlineData("3 ft", QuantityKind.Length, 0.9144)]
    [InlineData("6.5", QuantityKind.Length, 6.5 * 0.3048)]
    [InlineData("0.9 m", QuantityKind.Length, 0.9)]
    [InlineData("12 cfm", QuantityKind.AirFlow, 12 * 1.699011)]
    [InlineData("20 m³/h", QuantityKind.AirFlow, 20)]
    public void A_US_shop_types_pounds_feet_and_cubic_feet(string text, QuantityKind kind, double si) =>
        Assert.Equal(si, QuantityReader.Read(text, kind, UnitPreference.Us).Value!.Si(Pressure.StandardAtmosphere), 1e-6);

    [Fact]
    public void A_huge_paste_is_refused_quickly() =>
        Assert.Equal(
            TypingProblem.TooLong, QuantityReader.Read(new string('9', 1_000_000), QuantityKind.Pressure, UnitPreference.Us).Problem);

    [Fact]
    public void An_unlikely_value_is_accepted_as_typed() =>
        Assert.Equal(500, QuantityReader.Read("500 psi", QuantityKind.Pressure, UnitPreference.Us).Value!.Number);

    [Fact]
    public void Any_number_written_in_Fahrenheit_comes_back_from_Celsius() =>
        Check.QuickThrowOnFailure(
            Prop.ForAll(Gen.Choose(-400, 900).ToArbitrary(), f => Math.Abs(Temperature.FromFahrenheit(f).Fahrenheit - f) < 1e-9));

    /// <summary>Standard atmosphere table, ISO 2533.</summary>
    [Theory]
    [InlineData(0, 101.325)]
    [InlineData(1000, 89.875)]
    [InlineData(2000, 79.495)]
    [InlineData(3000, 70.109)]
    public void The_atmosphere_thins_with_height(double metres, double kpa) => Assert.Equal(kpa, Atmosphere.AtElevation(metres).Kpa, 0.05);

    [Fact]
    public void An_elevation_outside_the_range_is_held_at_its_end() =>
        Assert.Equal(Atmosphere.AtElevation(5000), Atmosphere.AtElevation(90_000));

    [Fact]
    public void A_gauge_pressure_becomes_absolute_with_the_local_atmosphere()
    {
        var high = Atmosphere.AtElevation(1600);
        Assert.Equal(100 + high.Kpa, new TypedValue(1, Unit.Bar).Si(high), 1e-9);
        Assert.Equal(100, new TypedValue(1, Unit.BarAbsolute).Si(high), 1e-9);
    }

    [Fact]
    public void A_difference_has_no_thirty_two()
    {
        var difference = Temperature.FromCelsius(5) - Temperature.FromCelsius(0);
        Assert.Equal(9, difference.FahrenheitDegrees, 1e-9);
    }
}
