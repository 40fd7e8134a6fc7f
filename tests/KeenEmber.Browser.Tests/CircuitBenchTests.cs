using System.Text.RegularExpressions;
using KeenEmber.Browser.Tests.Harness;

namespace KeenEmber.Browser.Tests;

/// <summary>The circuit bench worked from an empty database: every make-up of unit, readings over time, settings, glycol, standing
/// pressure.</summary>
public sealed class CircuitBenchTests : IDisposable
{
    private readonly AppServer app = new();
    private Person person;

    public CircuitBenchTests() => person = new(app);

    public void Dispose()
    {
        person.Dispose();
        app.Dispose();
    }

    private string Map => person.SeesNow(".circuit-map.tall") ? ".circuit-map.tall" : ".circuit-map.wide";

    private void TakeThePhone()
    {
        person.Dispose();
        person = new(app, phone: true);
    }

    private void Add(string kind, string refrigerant, string target, Action? later = null)
    {
        person.Go("/equipment/new").Type("#tag", "Q-9").Type("#refrigerant", refrigerant).Type("#target", target)
            .Tap($"#kind option[value={kind}]");
        person.Tap(".later summary").Type("#fans", "1");
        later?.Invoke();
        person.Press("Add this unit").Press("Start a visit").See("#line");
    }

    private Person Log(string line, int count)
    {
        person.Type("#line", line).ReadUntil("#save-line", $"Save {count}");
        person.Press($"Save {count}").ReadUntil("#understood", $"{count} saved");
        return person;
    }

    private string Result(string kind, string part) => person.ReadUntil($"[data-result={kind}]", part);

    [Theory]
    [InlineData(false)]
    [InlineData(true)]
    public void A_walk_in_with_a_glide_blend_from_nothing_to_a_verdict(bool phone)
    {
        if (phone)
            TakeThePhone();
        Add("WalkInFreezer", "449a", "-20", () => person.Tap("input[name=parts][value=LiquidSolenoid]").Type("#current", "9"));
        Log("fan on, coil clear, comp on 40 min, defrost over 120 min, solenoid open", 5);
        Log("box -17.5, suc 0.55, line -19.5, head 11.9, liq 25.4, amb 19, amps 4.6, glass bubbles", 8);

        // Dew of R449A at 0.55 bar over sea level lies near -30.2 °C, its bubble line 5 to 6 K lower: superheat must be counted from the
        // dew line.
        person.Tap("[data-result=SuperheatCoil] .why summary");
        var formula = Result("SuperheatCoil", "dew of R449A");
        Assert.InRange(
            double.Parse(Regex.Match(formula, @"= (-?[\d.]+) K").Groups[1].Value, System.Globalization.CultureInfo.InvariantCulture), 9.5,
            11.5);
        Result("Subcooling", "below target");
        if (phone)
            person.Tap(".drawer summary");
        person.ReadUntil("[data-code='circuit.short-of-charge']", "sight glass bubbles");
        person.ReadUntil("[data-code='circuit.short-of-charge']", "current, % of nameplate 51 %");

        // A shut solenoid takes it all back.
        Log("solenoid shut", 1);
        Log("suc 0.1", 1);
        Result("SuperheatCoil", "being pumped down");
    }
}
