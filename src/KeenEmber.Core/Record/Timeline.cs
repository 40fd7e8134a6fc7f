using KeenEmber.Core.Plant;
using KeenEmber.Core.Quantities;

namespace KeenEmber.Core.Record;

/// <summary>The entries of one visit as they stand: corrected ones replaced, struck-out ones gone, in the order of time.</summary>
public sealed class Timeline
{
    private readonly Equipment equipment;
    private readonly Pressure atmosphere;
    private readonly DateTimeOffset unitSince;
    private readonly List<ObservationEntry> observations;
    private readonly ILookup<PointRef, ReadingEntry> readings;

    /// <param name="unitSince">Since when the unit is so; what was read before that speaks of another one.</param>
    public Timeline(IReadOnlyList<Entry> written, Equipment equipment, Pressure atmosphere, DateTimeOffset unitSince = default)
    {
        this.equipment = equipment;
        this.atmosphere = atmosphere;
        this.unitSince = unitSince;
        Written = written;
        Corrections = new(written);
        Standing = [.. Corrections.Standing.OrderBy(e => e.At).ThenBy(e => e.WrittenAt).ThenBy(e => e.Header.Sequence)];
        observations = [.. Standing.OfType<ObservationEntry>()];
        readings = Standing.OfType<ReadingEntry>().Where(r => r.At >= unitSince).ToLookup(r => r.Point);
    }

    /// <summary>What the unit was on the visit.</summary>
    public Equipment Unit => equipment;

    /// <summary>Everything ever written, replaced entries too.</summary>
    public IReadOnlyList<Entry> Written { get; }

    /// <summary>What replaces what.</summary>
    public Corrections Corrections { get; }

    /// <summary>What holds now, in the order of time; what is of one moment in the order of writing.</summary>
    public IReadOnlyList<Entry> Standing { get; }

    /// <summary>The time of the last entry that stands; null on an empty timeline.</summary>
    public DateTimeOffset? LastMoment => Standing.Count > 0 ? Standing[^1].At : null;

    /// <summary>Anything was measured.</summary>
    public bool HasReadings => readings.Count > 0;

    /// <summary>What was so before a moment: the visit as it would have ended then.</summary>
    public Timeline Before(DateTimeOffset moment) =>
        new([.. Written.Where(e => e.At < moment)], equipment, atmosphere, unitSince);

    /// <summary>The latest reading of every point, each with the conditions of its own moment.</summary>
    public IReadOnlyDictionary<PointRef, TakenReading> LatestReadings() =>
        readings.ToDictionary(g => g.Key, g => Taken(g.Last()));

    /// <summary>The latest reading of every point as an entry, for lists that do not judge it.</summary>
    public IEnumerable<ReadingEntry> LatestReadingEntries() => readings.Select(g => g.Last());

    /// <summary>In SI units: K, kPa absolute, A.</summary>
    public double Si(ReadingEntry entry) => entry.Value.Si(atmosphere);

    /// <summary>A temperature, or the one a suction pressure stands for in the unit's refrigerant (dew line).</summary>
    /// <returns>Null outside the refrigerant's range, and where the refrigerant is not in the catalogue.</returns>
    public Temperature? TemperatureOf(TypedValue typed) =>
        typed.Unit.Kind == QuantityKind.Pressure ? equipment.Circuit.Refrigerant?.DewTemperature(new(typed.Si(atmosphere)))
            : typed.Temperature;

    /// <summary>Every reading that stands, for their course in time.</summary>
    public IEnumerable<Sample> Samples() => readings.SelectMany(g => g).Select(r => new Sample(r.Point, r.At, r.Value.Si(atmosphere)));

    /// <summary>How the unit stood at a moment.</summary>
    /// <remarks>A fact first recorded after the moment is taken to have been so already: it is how the unit was found.</remarks>
    public OperatingConditions ConditionsAt(DateTimeOffset moment)
    {
        var compressor = FactAt(AsFound.Compressor, null, moment);
        var defrost = FactAt(AsFound.Defrost, null, moment);
        return new(
            [.. Enumerable.Range(1, equipment.EvaporatorFans).Select(n => FactAt(AsFound.EvaporatorFan, n, moment)?.State)],
            WorstOf([.. Enumerable.Range(1, equipment.Circuit.Coils).Select(n => FactAt(AsFound.Coil, n, moment)?.State)]),
            compressor?.State,
            TimeIn(compressor, FactState.Running, moment),
            FactAt(AsFound.CondenserFan, null, moment) is { } fan && !IsOvertaken(fan, moment) ? fan.State : null,
            FactAt(AsFound.CondenserFace, null, moment)?.State,
            AboveTargetAt(moment),
            equipment.Target)
        {
            IsOnRack = equipment.Circuit.Condenser == CondenserKind.Rack,
            Defrost = defrost?.State,
            SinceDefrost = TimeIn(defrost, FactState.Refrigerating, moment),
            FansStandInDefrost = DefrostKinds.UsualAt(equipment.Target) != DefrostKind.OffCycle,
            CondenserAir = ReadingAt(MeasuringPoint.CondenserAir, moment)?.Value.Temperature,
            Seen = observations.Select(o => o.Fact).Distinct().ToDictionary(f => f, f => FactAt(f, null, moment)!.State),
        };
    }

    /// <summary>Of a box, or of the side that is further above its target; null where no air was read.</summary>
    private TemperatureDifference? AboveTargetAt(DateTimeOffset moment) => Enumerable.Range(1, equipment.Circuit.Coils)
        .Select(n => ReadingAt(MeasuringPoint.BoxAir.At(n), moment)?.Value.Temperature - equipment.TargetOf(n)).MaxBy(a => a?.Kelvin);

    /// <summary>Of several coils the one that counts most against a reading; unknown while any is, unless one is iced already.</summary>
    private static FactState? WorstOf(IReadOnlyList<FactState?> coils)
    {
        if (coils.Contains(FactState.Iced))
            return FactState.Iced;
        if (coils.Contains(null))
            return null;
        return coils.Contains(FactState.Frosted) ? FactState.Frosted : FactState.Clear;
    }

    /// <summary>The reading of a point that holds at a moment: the last one up to it, else the first one after.</summary>
    private ReadingEntry? ReadingAt(PointRef point, DateTimeOffset moment)
    {
        var taken = readings[point];
        return taken.LastOrDefault(r => r.At <= moment) ?? taken.FirstOrDefault();
    }

    /// <summary>For how long a part has been in a state; null when it is not, or nobody said since when.</summary>
    private static TimeSpan? TimeIn(ObservationEntry? seen, FactState state, DateTimeOffset moment)
    {
        if (seen is not { Since: { } since } || seen.State != state)
            return null;
        return moment > since ? moment - since : TimeSpan.Zero;
    }

    /// <summary>The observation of a fact that holds at a moment, or null.</summary>
    /// <param name="index">Which of several; null for a fact there is one of, or for the last one seen of any.</param>
    public ObservationEntry? FactAt(AsFound fact, int? index, DateTimeOffset moment)
    {
        var seen = observations.Where(o => o.Fact == fact && (index is null || o.Index == index || o.Index is null)).ToList();
        return seen.LastOrDefault(o => o.At <= moment) ?? seen.FirstOrDefault();
    }

    /// <summary>A condenser fan that was seen to stand with its compressor says nothing of how it is once the compressor runs; what runs or
    /// stands says nothing of how it is once a defrost has begun or ended.</summary>
    public bool IsOvertaken(ObservationEntry seen, DateTimeOffset moment) =>
        (seen is { Fact: AsFound.CondenserFan, State: FactState.Stopped }
            && FactAt(AsFound.Compressor, null, moment) is { State: FactState.Running } now && now.At > seen.At
            && observations.LastOrDefault(o => o.Fact == AsFound.Compressor && o.At < now.At) is { State: FactState.Stopped })
        || (seen.Fact is AsFound.Compressor or AsFound.CondenserFan or AsFound.EvaporatorFan
            && DefrostChangedAt(moment) is { } changed && seen.At < changed);

    /// <summary>When a defrost was seen to have begun or ended; null where it may have been under way, or over, all the time: by what was
    /// said of it before, or because the compressor ran.</summary>
    private DateTimeOffset? DefrostChangedAt(DateTimeOffset moment)
    {
        var told = observations.Where(o => o.Fact == AsFound.Defrost && o.At <= moment).ToList();
        if (told is not [.., var last])
            return null;
        var begun = told.FindLastIndex(o => o.State != last.State) + 1;
        return begun > 0 || (last.State == FactState.Defrosting && RanBefore(told[0].At)) ? told[begun].At : null;
    }

    private bool RanBefore(DateTimeOffset moment) =>
        observations.LastOrDefault(o => o.Fact == AsFound.Compressor && o.At < moment) is { State: FactState.Running };

    private TakenReading Taken(ReadingEntry entry) =>
        new(entry.Id, entry.Point, entry.At, entry.Value, atmosphere, ConditionsAt(entry.At)) { Instrument = InstrumentOf(entry) };

    /// <summary>What a reading was taken with; the unit's own display is read with the eyes alone.</summary>
    public NamedInstrument? InstrumentOf(ReadingEntry entry) => entry.Point == MeasuringPoint.BoxDisplay ? null
        : InstrumentAt(entry.Point.Kind(), entry.At);

    /// <summary>What readings of a kind were taken with at a moment; null when nobody has said.</summary>
    public NamedInstrument? InstrumentAt(QuantityKind measures, DateTimeOffset moment) =>
        Standing.OfType<InstrumentEntry>().LastOrDefault(m => m.Measures == measures && m.At <= moment)?.Instrument;
}
