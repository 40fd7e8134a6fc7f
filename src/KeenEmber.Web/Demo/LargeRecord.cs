using KeenEmber.Application;
using KeenEmber.Core.Plant;
using KeenEmber.Core.Quantities;
using KeenEmber.Core.Record;
using KeenEmber.Core.Refrigerants;
using KeenEmber.Core.Visits;
using KeenEmber.Storage;

namespace KeenEmber.Web.Demo;

/// <summary>A record as large as a company's after many years, to measure with: always the same one but for its dates.</summary>
public sealed class LargeRecord(EquipmentStore equipment, VisitStore visits, StandingStore standings, Board board, TimeProvider time)
{
    public const int Units = 2000;
    public const int VisitsEach = 10;
    private const int UnitsAtASite = 50;

    private static readonly string[] People = ["Isolde Marrin", "Tobin Ashgrove", "Perrin Hallow", "Sorcha Venn"];
    private static readonly string[] Stalls = ["cheese", "herring", "bread", "tulips", "soup", "oysters", "cakes", "ice"];
    private static readonly string[] Complaints =
        ["too warm at noon", "ice on the coil", "runs day and night", "yearly check", "loud", "product soft on top", "water on the floor"];
    private static readonly string[] Fluids = ["R134a", "R404A", "R448A", "R449A", "R407C", "R290", "R454C"];
    private static readonly string[] Parts = ["fan motor", "start relay", "drain heater", "contactor", "termination switch"];

    /// <summary>Fills an empty record; says how far it is.</summary>
    public void Fill(Action<string> say)
    {
        if (standings.Count().Units > 0)
            say("there are units in it already: nothing was added");
        else
            Write(say);
        say("judging every visit");
        board.ByTodaysRules();
        board.RefreshAll(Environment.ProcessorCount);
    }

    private void Write(Action<string> say)
    {
        var random = new Random(20260302);
        var fluids = Fluids.Select(n => RefrigerantCatalogue.Find(n)!).ToList();
        for (var n = 0; n < Units; n++)
        {
            var site = new Site(SiteId(n / UnitsAtASite), $"Quillmere quay {n / UnitsAtASite + 1}", 6, "Europe/London");
            var unit = Unit(n, site, fluids[n % fluids.Count].Name);
            equipment.Save(unit, site, new(EntryBounds.Earliest, "", ""));
            visits.Append([.. Enumerable.Range(0, VisitsEach).SelectMany(v => Visit(unit, site, v, random))]);
            if ((n + 1) % 200 == 0)
                say($"{n + 1} units");
        }
    }

    private static Guid SiteId(int n) => EntryId.OfLine(new("019c0000-0000-7000-8000-000000000000"), n);

    private static Equipment Unit(int n, Site site, string refrigerant)
    {
        var freezer = n % 3 == 0;
        var stall = Stalls[n % Stalls.Length];
        return new(
            Guid.CreateVersion7(), site.Id, $"{char.ToUpperInvariant(stall[0])}-{n + 1}",
            $"{stall} {(freezer ? "freezer" : "cold room")} {n + 1}",
            freezer ? EquipmentKind.WalkInFreezer
                : EquipmentKind.WalkInCooler, Temperature.FromCelsius(freezer ? -20 : 3), 2, stall, $"stall {n % UnitsAtASite + 1}",
            new(Guid.CreateVersion7(), refrigerant, 2.5, Metering.ThermostaticValve, CondenserKind.AirCooledRemote, CircuitParts.Receiver,
                ""));
    }

    /// <summary>A visit with its facts, a round of readings and a course of 19 samples: a hundred readings and more.</summary>
    private List<Entry> Visit(Equipment unit, Site site, int number, Random random)
    {
        var start =
            time.GetUtcNow() - TimeSpan.FromDays(120 * (VisitsEach - number) - random.Next(110)) - TimeSpan.FromMinutes(random.Next(600));
        var visit =
            new Visit(
            Guid.CreateVersion7(start), unit.Id, start, People[random.Next(People.Length)], Complaints[random.Next(Complaints.Length)]);
        visits.Start(visit);
        var superheat = 4 + random.NextDouble() * 4 + (random.Next(8) == 0 ? 9 : 0);
        var state =
            new DemoState(
            unit.Target.Celsius + random.NextDouble() * 2, 5 + random.NextDouble() * 2, superheat, SubcoolingK: superheat > 9 ? 0.8 : 5);
        var entries =
            DemoVisit.Entries(
            visit, unit, site, state, new(),
            new(9, 0.5, _ => state.TdK + random.NextDouble() * 0.2, _ => superheat + random.NextDouble() * 0.3));
        var at = start.AddMinutes(45);
        T Then<T>(Func<Guid, T> make) where T : Entry => make(Guid.CreateVersion7(at));
        entries.Add(
            Then(id =>
            new NoteEntry(
            new(id, visit.Id, at, at, visit.Author),
            $"{unit.Product} moved off the return, door closer oiled, drain {(random.Next(2) == 0 ? "runs" : "was slow")}")));
        if (random.Next(4) == 0)
            entries.Add(
                Then(id =>
                new PartEntry(
                new(id, visit.Id, at, at, visit.Author), Parts[random.Next(Parts.Length)], "left", "worn", "same plate", "", false)));
        if (random.Next(10) == 0)
            entries.Add(
                Then(id =>
                new ChangeEntry(new(id, visit.Id, at, at, visit.Author), "door gasket", "torn", "taped", "", OpenItemKind.TapeRepair,
                    false)));
        if (random.Next(3) > 0)
            entries.Add(Then(id => new SignOffEntry(new(id, visit.Id, at, at, visit.Author), "", "", "watch the door", null)));
        return entries;
    }
}
