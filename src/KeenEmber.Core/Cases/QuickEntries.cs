using System.Globalization;
using KeenEmber.Core.Benches.Charge;
using KeenEmber.Core.Benches.Controls;
using KeenEmber.Core.Benches.Defrost;
using KeenEmber.Core.Benches.Electrical;
using KeenEmber.Core.Benches.Sensors;
using KeenEmber.Core.Plant;
using KeenEmber.Core.Quantities;
using KeenEmber.Core.Record;
using KeenEmber.Core.Visits;
using KeenEmber.Core.Visits.LogLine;

namespace KeenEmber.Core.Cases;

/// <summary>Makes entries of what was understood of a line.</summary>
public static class QuickEntries
{
    /// <param name="visit">As it stood before the line.</param>
    /// <param name="watched">The defrost that is being watched.</param>
    public static IEnumerable<Entry> Of(QuickItem item, EntryWriter writer, VisitCase visit, Guid? watched) => item switch
    {
        QuickHeat heat => Heat(heat, writer, watched),
        QuickMended mended => Mended(mended, writer, visit),
        QuickLoadTest { Component.Kind: ComponentKind.HeaterElement, Test: LoadTest.Current } test when watched is { } run =>
            test.Readings.Select((r, i) => new RunReadingEntry(writer.Next(test.At), run, RunPlace.Leg(test.Component.Place + i), r.Value)),
        QuickLoadTest { Component.Kind: ComponentKind.HeaterElement, Test: LoadTest.Current } test =>
            [new HeaterAmpsEntry(writer.Next(test.At), null, [.. Enumerable.Repeat((double?)null, test.Component.Place - 1),
                .. test.Readings.Select(r => (double?)r.Value.Si(default))])],
        QuickSetting setting => Setting(setting, writer),
        _ => [One(item, writer.Next(item.At), visit.Equipment)],
    };

    private static Entry One(QuickItem item, EntryHeader header, Equipment unit) => item switch
    {
        QuickReading r => new ReadingEntry(header, r.Point, r.Value),
        QuickObservation o => new ObservationEntry(header, o.Fact, o.Index, o.State, header.At - o.RunTime),
        QuickRefrigerant r => new RefrigerantEntry(
            header, r.Refrigerant.Length > 0 ? r.Refrigerant : unit.Circuit.RefrigerantName, r.MassKg, "", ""),
        QuickVacuum v => new VacuumEntry(header, VacuumStep.Reading, v.Pressure),
        QuickAnswer a => VisitFacts.EntryOf(header, new(a.Observable, a.Answer, a.Number)),
        QuickNote n => new NoteEntry(header, n.Note, n.Topic),
        QuickLoadTest t => new LoadTestEntry(header, t.Component, t.Test, t.Readings, t.Marked),
        QuickDamage d => new PartConditionEntry(header, d.Component, ConditionOf(d.State), d.Place, ""),
        QuickEarlierPart p => new EarlierPartEntry(header, p.Component, p.DaysAgo, p.Text),
        QuickPart p => new PartEntry(header, "", "", "", "", "", false, WorkAreas.Of(p.Component.Kind), p.Component),
        QuickOutput o => new OutputStateEntry(header, o.Output, o.State, false),
        QuickJob { Job: QuickJobKind.BreakerReset } =>
            new ChangeEntry(header, "breaker", ChangeEntry.Tripped, "reset", "", null, false, WorkArea.Power),
        QuickJob { Job: QuickJobKind.ValveTurned } =>
            new ChangeEntry(header, "expansion valve", "", item.Text, "", null, false, WorkArea.Circuit),
        QuickJob => new ChangeEntry(header, "condenser", "dirty", "cleaned", "", null, false, WorkArea.Circuit),
        QuickSensor s => new SensorCheckEntry(header, s.Sensor, header.Id, s.Reference, s.Signal, false, null, false),
        _ => throw new ArgumentException("Only what was understood becomes an entry.", nameof(item)),
    };

    /// <summary>What was damaged on that part is; where nothing was recorded, it is work on it all the same.</summary>
    private static IEnumerable<Entry> Mended(QuickMended mended, EntryWriter writer, VisitCase visit)
    {
        var damage = (visit.Of<ElectricalJudgement>()?.Damage ?? []).Where(d => d.Component == mended.Component).ToList();
        return damage.Count > 0
            ? damage.Select(d => new PartConditionEntry(writer.Next(mended.At), d.Component, d.Condition, d.Place, mended.How))
            : [new ChangeEntry(writer.Next(mended.At), mended.Named, "", mended.How, "", null, false, WorkAreas.Of(mended.Component.Kind))];
    }

    private static PartCondition ConditionOf(FactState state) => state switch
    {
        FactState.Rubbed => PartCondition.Rubbed,
        FactState.Burnt => PartCondition.Burnt,
        FactState.Wet => PartCondition.Wet,
        _ => throw new ArgumentException("No lead is in that state.", nameof(state)),
    };

    /// <summary>Into the watched run; heat that comes on begins one.</summary>
    private static IEnumerable<Entry> Heat(QuickHeat heat, EntryWriter writer, Guid? watched)
    {
        if (watched is null && !heat.IsOn)
            return [new ObservationEntry(writer.Next(heat.At), AsFound.Defrost, null, FactState.Refrigerating, null)];
        if (watched is { } run)
            return [new RunMarkEntry(writer.Next(heat.At), run, heat.IsOn ? RunMarkKind.HeatOn : RunMarkKind.HeatOff)];
        var begun = new RunEntry(writer.Next(heat.At), RunOrigin.Watched);
        return [begun, new RunMarkEntry(writer.Next(heat.At), begun.Id, RunMarkKind.HeatOn)];
    }

    private static string Shown(TypedValue? value) =>
        value is null ? "" : string.Create(CultureInfo.InvariantCulture, $"{value.Number:0.###} {value.Unit.Symbol}");

    /// <summary>As found before as set; what was changed is on record as a change too, like one made on the sheet.</summary>
    private static IEnumerable<Entry> Setting(QuickSetting item, EntryWriter writer)
    {
        foreach (var (stage, typed) in new[] { (SettingStage.AsFound, item.Found), (SettingStage.AsSet, item.Set) })
        {
            if (typed is not { } value)
                continue;
            if (item.Setting.Parameter is { } parameter)
                yield return new ParameterEntry(writer.Next(item.At), parameter, stage, value);
            else
                yield return new SettingEntry(writer.Next(item.At), item.Setting.Pressure!.Value, stage, value);
        }

        if (item.Set is { } set)
            yield return new ChangeEntry(writer.Next(item.At), item.Name, Shown(item.Found), Shown(set), "", null, false, WorkArea.Control);
    }
}
