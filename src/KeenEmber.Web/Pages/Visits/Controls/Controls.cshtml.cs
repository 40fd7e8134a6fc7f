using KeenEmber.Core.Benches.Controls;
using KeenEmber.Core.Plant;
using KeenEmber.Core.Quantities;
using KeenEmber.Core.Refrigerants;
using KeenEmber.Core.Visits;
using KeenEmber.Words;
using KeenEmber.Words.Benches.Controls;
using Microsoft.AspNetCore.Mvc;

namespace KeenEmber.Web.Pages.Visits.Controls;

/// <summary>Pressure settings as found and as set, read as temperatures, checked, and carried over on a conversion.</summary>
public sealed class ControlsModel(VisitViews views) : VisitPage(views)
{
    /// <summary>The refrigerant to convert to.</summary>
    [BindProperty(SupportsGet = true)]
    public string? To { get; set; }

    public IReadOnlyList<PressureSetting> Settings => PressureSettings.Of(View.MakeUp);

    public Refrigerant? Target => RefrigerantCatalogue.Find(To);

    public static string Field(PressureSetting setting, SettingStage stage) => $"{stage}-{setting}";

    public SettingEntry? Recorded(PressureSetting setting, SettingStage stage) => View.Timeline.Settings(stage).GetValueOrDefault(setting);

    /// <summary>The text a field shows: as typed while it is wrong, else as recorded.</summary>
    public string Shown(PressureSetting setting, SettingStage stage) =>
        Form.Or(Field(setting, stage), AsRecorded(setting, stage));

    private string AsRecorded(PressureSetting setting, SettingStage stage) =>
        Recorded(setting, stage)?.Value is { } v ? $"{UnitText.Number(v.Number, 2)} {v.Unit.Symbol}" : "";

    /// <summary>What a setting stands for in the unit's own refrigerant.</summary>
    public string AsTemperature(PressureSetting setting, TypedValue value) =>
        View.Equipment.Circuit.Refrigerant is { } fluid && setting.AsTemperature(fluid, new(value.Si(View.Site.Atmosphere))) is { } t
            ? View.Units.Temperature(t.Kelvin) : "outside its range";

    /// <summary>Every setting as left with the pressure that another refrigerant needs for the same temperature.</summary>
    public IEnumerable<(PressureSetting Setting, string Temperature, string Now, string New)> Conversion(Refrigerant from, Refrigerant to)
    {
        var now = View.Controls.Settings.ToDictionary(s => s.Key, s => new Pressure(s.Value.Si(View.Site.Atmosphere)));
        return PressureSettings.Converted(now, from, to).Select(s => (s.Key, AsTemperature(s.Key, View.Controls.Settings[s.Key]),
            View.Units.Gauge(now[s.Key].Kpa), s.Value is { } p ? View.Units.Gauge(p.Kpa) : "outside its range"));
    }

    /// <summary>What the new charge comes to where it fills the same places as the one on the nameplate, kg; null where that is not
    /// known.</summary>
    public double? ChargeBySpace(Refrigerant from, Refrigerant to) => View.Equipment.Circuit.ChargeKg is { } plate
        && Densities.Liquid(from, UsualLiquid) is { } old && Densities.Liquid(to, UsualLiquid) is { } now ? plate * now / old : null;

    private static readonly Temperature UsualLiquid = Temperature.FromCelsius(30);

    /// <summary>The unit is converted as of now: what was recovered and weighed in, and another nameplate. Visits before keep the
    /// refrigerant they had.</summary>
    public IActionResult OnPostConvert(Guid id, Guid lineId)
    {
        if (!Load(id, lineId))
            return NotFound();
        Keep();
        if (lineId == Guid.Empty || RefrigerantCatalogue.Find(Form["to"]) is not { } to
            || to.Name == View.Equipment.Circuit.RefrigerantName)
            return BadRequest();
        To = to.Name;
        var recovered = Form.Value("recovered", QuantityKind.Mass, required: true)?.Si(default);
        var charged = Form.Value("charged", QuantityKind.Mass, required: true)?.Si(default);
        if (charged <= 0)
            Form.Errors["charged"] = "Type the weight charged, such as 2.4 kg.";
        var cylinder = Form.Text("cylinder", 80);
        if (Form.IsWrong)
            return Page();
        var done = Form.Ticked<ConversionStep>("done").ToHashSet();
        if (Desk.Convert(
            View.Equipment, View.Site, to.Name, recovered!.Value, charged!.Value, cylinder, done, Form.Text("oil", 80), Writer))
            return RedirectToPage(new { id, saved = 3 });
        Form.Errors["charged"] = "Another unit has this unit's tag by now. Change one of the tags, then convert.";
        return Page();
    }

    public IActionResult OnPostSettings(Guid id, Guid lineId) => Take(id, lineId, () =>
    [
        .. from setting in Settings
           from stage in Enum.GetValues<SettingStage>()
           let field = Field(setting, stage)
           where Form[field].Length > 0 && Form[field] != AsRecorded(setting, stage)
           let value = Read(setting, field)
           where value is not null && value != Recorded(setting, stage)?.Value
           select new SettingEntry(Writer.Next(), setting, stage, value),
    ]);

    /// <summary>A pressure, or the temperature it is thought of as, which is turned into the company's pressure.</summary>
    private TypedValue? Read(PressureSetting setting, string field)
    {
        var value = View.Equipment.Circuit.Refrigerant is null ? Form.Value(field, QuantityKind.Pressure)
            : Form.Either(field, QuantityKind.Pressure, QuantityKind.Temperature);
        if (value?.Unit.Kind != QuantityKind.Temperature || View.Equipment.Circuit.Refrigerant is not { } fluid)
            return value;
        if (setting.AsPressure(fluid, value.Temperature) is { } p)
            return new(Math.Round(p.GaugeKpa(View.Site.Atmosphere) / View.Company.Units.Pressure.Scale, 2), View.Company.Units.Pressure);
        Form.Errors[field] = $"{fluid.Name} has no pressure at this temperature.";
        return null;
    }
}
