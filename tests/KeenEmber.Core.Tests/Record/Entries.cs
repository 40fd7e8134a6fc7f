using KeenEmber.Core.Plant;
using KeenEmber.Core.Quantities;
using KeenEmber.Core.Record;
using KeenEmber.Core.Visits;

namespace KeenEmber.Core.Tests.Record;

/// <summary>Makes entries of one visit by the minute, on a walk-in freezer with two fans.</summary>
internal static class Entries
{
    public static readonly DateTimeOffset Nine = new(2026, 3, 2, 9, 0, 0, TimeSpan.Zero);
    public static readonly Guid VisitId = Guid.CreateVersion7();

    public static readonly Equipment Freezer =
        new(Guid.CreateVersion7(), Guid.CreateVersion7(), "F-3", "", EquipmentKind.WalkInFreezer, Temperature.FromCelsius(-20), 2, "", "",
        new(Guid.CreateVersion7(), "R404A", null, Metering.ThermostaticValve, CondenserKind.AirCooledRemote, CircuitParts.Receiver,
            "") { RatedCurrentA = 8 });

    public static Timeline Of(params Entry[] entries) => new(entries, Freezer, Pressure.StandardAtmosphere);

    public static ObservationEntry Seen(int minute, AsFound fact, FactState state, int? index = null) =>
        new(new(Guid.CreateVersion7(), VisitId, Nine.AddMinutes(minute), Nine, "Isolde"), fact, index, state, null);

    public static ReadingEntry Read(int minute, PointRef point, double number, Unit unit) =>
        new(new(Guid.CreateVersion7(), VisitId, Nine.AddMinutes(minute), Nine, "Isolde"), point, new(number, unit));

    public static PartEntry Part(int minute, WorkArea area) =>
        new(new(Guid.CreateVersion7(), VisitId, Nine.AddMinutes(minute), Nine, "Isolde"), "part", "", "", "", "", false, area);

    public static ChangeEntry Change(int minute, WorkArea area = WorkArea.Other, bool foundSo = false, OpenItemKind? opens = null) =>
        new(new(Guid.CreateVersion7(), VisitId, Nine.AddMinutes(minute), Nine, "Isolde"), "what", "", "", "", opens, foundSo, area);

    public static InstrumentEntry Uses(int minute, double? accuracy, bool isChecked) =>
        new(new(Guid.CreateVersion7(), VisitId, Nine.AddMinutes(minute), Nine, "Isolde"), QuantityKind.Temperature,
            new(Guid.CreateVersion7(), "T-2", accuracy, isChecked));
}
