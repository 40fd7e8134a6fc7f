using KeenEmber.Core.Circuit;
using KeenEmber.Core.Quantities;
using KeenEmber.Core.Service;
using KeenEmber.Storage;

namespace KeenEmber.Web.Demo;

/// <summary>Quillmere Market Hall, an invented harbour market: the demo's site, units and visits.</summary>
/// <remarks>Only temperatures and differences are made up; every pressure is the refrigerant's own at the state described.</remarks>
public sealed class DemoHall(ShopStore shops, EquipmentStore equipment, VisitStore visits, TimeProvider time)
{
    private const string Isolde = "Isolde Marrin";
    private const string Tobin = "Tobin Ashgrove";

    private readonly Site hall = new(Guid.CreateVersion7(), "Quillmere Market Hall", 6, "Europe/London");

    /// <summary>The state of a circuit at one moment, from which the readings follow. All K or °C.</summary>
    private sealed record State(
        double BoxC, double TdK, double SuperheatK, double LineGainK = 9, double AmbientC = 18, double SplitK = 12,
        double SubcoolingK = 5, double AirDropK = 3, double DischargeC = 68);

    private sealed record Seen(
        int RunMin = 35, FactState Coil = FactState.Clear, FactState LastFan = FactState.Running,
        FactState CondenserFan = FactState.Running, FactState Condenser = FactState.Clean);

    /// <summary>Fills an empty database; one that has units already is left as it is.</summary>
    public void FillIfEmpty()
    {
        if (equipment.All().Count > 0)
            return;
        shops.Save(new("Quillmere cold works", UnitPreference.Metric, new Dictionary<string, MeasuringPoint> { ["deflector"] = MeasuringPoint.AirLeaving }));

        var cold = Install("C-1", "Creamery cold room", EquipmentKind.WalkInCooler, 3, 2, "R134a", 3.4, "butter and soft cheese", "north aisle, behind the creamery");
        Visit(cold, 41, Isolde, "Yearly check", new(3.4, 6.1, 4.8), new());
        Visit(cold, 12, Tobin, "Check before the holidays", new(3.1, 5.9, 5.0), new());

        var fish = Install("F-3", "Fish counter freezer", EquipmentKind.WalkInFreezer, -20, 2, "R448A", 2.9, "fillets", "fish counter, lower floor");
        Visit(fish, 6, Isolde, "Soft product on the top shelf", new(-18.6, 5.2, 5.4), new());
        Visit(fish, 0.02, Tobin, "Soft product on the top shelf, again", new(-13.2, 12.5, 0.8, 4, 17, 8.5, 6.2, 1.1, 55), new(38, FactState.Iced, FactState.Stopped));

        var bakery = Install("B-2", "Bakery freezer", EquipmentKind.WalkInFreezer, -20, 3, "R507A", 4.1, "dough and butter sheets", "bakery, first floor");
        Visit(bakery, 160, Tobin, "Yearly check", new(-19.6, 5.1, 4.6), new());
        Visit(bakery, 2, Isolde, "Takes all night to get cold", new(-14.8, 13.9, 16.5, 8, 17, 8.2, 0.9, 2.1, 84), new());

        var canteen = Install("K-1", "Canteen walk-in", EquipmentKind.WalkInCooler, 3, 1, "R407C", 2.2, "prepared meals", "canteen kitchen");
        Visit(canteen, 75, Isolde, "Yearly check", new(3.2, 6.0, 5.1, 8, 21, 13), new());
        Visit(canteen, 9, Tobin, "Loud on the roof", new(4.1, 6.4, 5.5, 8, 24, 23.5, 5.2, 3, 92), new(Condenser: FactState.Dirty));

        var reachIn = Install("K-4", "Canteen reach-in", EquipmentKind.ReachInCooler, 4, 1, "R290", 0.12, "milk and desserts", "canteen, by the till",
            Metering.CapillaryTube, CondenserKind.AirCooledSelfContained, receiver: false);
        Visit(reachIn, 90, Tobin, "New gasket fitted", new(4.4, 11.5, 4.9, 8, 23, 11, 4), new());
        Visit(reachIn, 20, Tobin, "Yearly check", new(4.0, 11.2, 5.2, 8, 22, 11.5, 4.2), new());

        var flowers = Install("S-1", "Flower stall case", EquipmentKind.GlassDoorCase, 6, 2, "R134a", 0.85, "cut flowers", "flower stall, east door",
            Metering.ThermostaticValve, CondenserKind.AirCooledSelfContained, receiver: true);
        Visit(flowers, 55, Isolde, "Doors fog up", new(6.2, 9.4, 5.0, 8, 20), new());
        Visit(flowers, 4, Isolde, "Compressor is wet and cold", new(6.4, 9.0, 0.6, 2, 19, 11, 5, 3, 46), new());

        var prep = Install("K-6", "Canteen prep table", EquipmentKind.PrepTable, 4, 1, "R600a", 0.07, "sauces and salads", "canteen, cold line",
            Metering.CapillaryTube, CondenserKind.AirCooledSelfContained, receiver: false);
        Visit(prep, 33, Tobin, "Rail is warm at noon", new(5.4, 10.8, 5.5, 7, 27, 12, 4), new());
        Visit(prep, 15, Isolde, "Check after the lid was changed", new(4.2, 10.2, 5.1, 7, 25, 12, 4.1), new());

        var ice = Install("F-7", "Ice merchandiser", EquipmentKind.IceMerchandiser, -7, 1, "R404A", 0.6, "bagged ice", "fish counter, door to the quay",
            Metering.CapillaryTube, CondenserKind.AirCooledSelfContained, receiver: false);
        Visit(ice, 120, Isolde, "Yearly check", new(-6.8, 11.0, 4.4, 8, 16, 11, 4), new());
        Visit(ice, 27, Tobin, "Bags stick together", new(-5.9, 11.3, 4.7, 8, 17, 11, 4.2), new(9));

        var open = Install("C-5", "Creamery open case", EquipmentKind.OpenCase, 3, 4, "R134a", null, "yoghurt", "creamery, front",
            Metering.ElectronicValve, CondenserKind.Rack, receiver: true);
        Visit(open, 64, Tobin, "Yearly check", new(3.6, 9.1, 5.2), new());
        Visit(open, 18, Isolde, "One end warm", new(4.3, 9.3, 4.9), new());
    }

    private Equipment Install(
        string tag, string name, EquipmentKind kind, double targetC, int fans, string refrigerant, double? chargeKg, string product, string location,
        Metering metering = Metering.ThermostaticValve, CondenserKind condenser = CondenserKind.AirCooledRemote, bool receiver = true)
    {
        var unit = new Equipment(Guid.CreateVersion7(), hall.Id, tag, name, kind, Temperature.FromCelsius(targetC), fans, product, location,
            new(Guid.CreateVersion7(), refrigerant, chargeKg, metering, condenser, receiver, ""));
        equipment.Save(unit, hall);
        return unit;
    }

    private void Visit(Equipment unit, double daysAgo, string author, string complaint, State state, Seen seen)
    {
        var start = time.GetUtcNow() - TimeSpan.FromDays(daysAgo);
        var visit = new Visit(Guid.CreateVersion7(start), unit.Id, start, author, complaint);
        visits.Start(visit);
        var minute = 3;
        var entries = new List<TimelineEntry>();
        (Guid, Guid, DateTimeOffset, DateTimeOffset, string) Stamp()
        {
            var at = start + TimeSpan.FromMinutes(minute);
            return (Guid.CreateVersion7(at), visit.Id, at, at, author);
        }

        void See(AsFound fact, FactState state, int? index = null, DateTimeOffset? since = null)
        {
            var (id, of, at, written, by) = Stamp();
            entries.Add(new ObservationEntry(id, of, at, written, by, null, fact, index, state, since));
        }

        void Log(MeasuringPoint point, TypedValue value)
        {
            var (id, of, at, written, by) = Stamp();
            entries.Add(new ReadingEntry(id, of, at, written, by, null, point, value));
            minute++;
        }

        for (var fan = 1; fan <= unit.EvaporatorFans; fan++)
            See(AsFound.EvaporatorFan, fan == unit.EvaporatorFans ? seen.LastFan : FactState.Running, fan);
        See(AsFound.Coil, seen.Coil);
        See(AsFound.Compressor, FactState.Running, null, start + TimeSpan.FromMinutes(minute - seen.RunMin));
        if (unit.Target.Celsius < 0)
            See(AsFound.Defrost, FactState.Refrigerating, null, start - TimeSpan.FromHours(2));
        See(AsFound.CondenserFan, seen.CondenserFan);
        See(AsFound.CondenserFace, seen.Condenser);
        minute += 6;
        foreach (var (point, value) in Readings(unit, state))
            Log(point, value);
        visits.Append(entries);
    }

    private IEnumerable<(MeasuringPoint, TypedValue)> Readings(Equipment unit, State s)
    {
        var fluid = unit.Circuit.Refrigerant!;
        var box = Temperature.FromCelsius(s.BoxC);
        var ambient = Temperature.FromCelsius(s.AmbientC);
        var suction = PressureOfMidpoint(fluid, box - new TemperatureDifference(s.TdK));
        var head = PressureOfMidpoint(fluid, ambient + new TemperatureDifference(s.SplitK));
        var dew = fluid.DewTemperature(suction)!.Value;
        yield return (MeasuringPoint.BoxAir, Typed(box));
        yield return (MeasuringPoint.AirLeaving, Typed(box - new TemperatureDifference(s.AirDropK)));
        yield return (MeasuringPoint.SuctionLineCoil, Typed(dew + new TemperatureDifference(s.SuperheatK)));
        yield return (MeasuringPoint.SuctionPressure, Typed(suction));
        yield return (MeasuringPoint.SuctionLineCompressor, Typed(dew + new TemperatureDifference(s.SuperheatK + s.LineGainK)));
        yield return (MeasuringPoint.DischargeLine, Typed(Temperature.FromCelsius(s.DischargeC)));
        yield return (MeasuringPoint.DischargePressure, Typed(head));
        yield return (MeasuringPoint.CondenserAir, Typed(ambient));
        yield return (MeasuringPoint.LiquidLine, Typed(fluid.BubbleTemperature(head)!.Value - new TemperatureDifference(s.SubcoolingK)));
    }

    /// <summary>The pressure whose bubble and dew temperatures have this mid-point; two steps close a glide of a few kelvin.</summary>
    private static Pressure PressureOfMidpoint(Core.Refrigerants.Refrigerant fluid, Temperature midpoint)
    {
        var pressure = fluid.DewPressure(midpoint)!.Value;
        for (var step = 0; step < 4; step++)
            pressure = fluid.DewPressure(fluid.DewTemperature(pressure)!.Value + (midpoint - fluid.MidpointTemperature(pressure)!.Value))!.Value;
        return pressure;
    }

    /// <summary>As a technician reads it off: tenths of a degree, hundredths of a bar.</summary>
    private static TypedValue Typed(Temperature t) => new(Math.Round(t.Celsius, 1), Unit.Celsius);

    private TypedValue Typed(Pressure p) => new(Math.Round(p.GaugeKpa(hall.Atmosphere) / 100, 2), Unit.Bar);
}
