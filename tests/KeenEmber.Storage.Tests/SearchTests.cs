using KeenEmber.Core.Plant;
using KeenEmber.Core.Quantities;
using KeenEmber.Core.Record;
using KeenEmber.Core.Visits;
using KeenEmber.Core.Written;
using Microsoft.Data.Sqlite;

namespace KeenEmber.Storage.Tests;

public sealed class SearchTests : IDisposable
{
    private static readonly SavedBy Today = new(new(2026, 3, 2, 9, 0, 0, TimeSpan.Zero), "Isolde Marrin", "");

    private static readonly DateTimeOffset Start = new(2026, 3, 2, 9, 0, 0, TimeSpan.Zero);

    private readonly string folder = Directory.CreateTempSubdirectory("keen-ember-").FullName;
    private readonly Database database;
    private readonly Site site = new(Guid.CreateVersion7(), "Quillmere Market Hall", 6, "Europe/London");
    private readonly Equipment unit;
    private readonly Visit visit;

    public SearchTests()
    {
        database = new(folder);
        database.Migrate();
        unit = new(
            Guid.CreateVersion7(), site.Id, "F-3", "Fish counter freezer", EquipmentKind.WalkInFreezer, Temperature.FromCelsius(-20), 2,
            "fillets", "lower floor",
            new(Guid.CreateVersion7(), "R404A", 2.9, Metering.ThermostaticValve, CondenserKind.AirCooledRemote, CircuitParts.Receiver, ""));
        new EquipmentStore(database).Save(unit, site, Today);
        visit = new(Guid.CreateVersion7(), unit.Id, Start, "Isolde Marrin", "Soft crème brûlée");
        new VisitStore(database, EntryKinds.House).Start(visit);
        new VisitStore(database, EntryKinds.House).Append([
            new NoteEntry(
                new(Guid.CreateVersion7(), visit.Id, Start.AddMinutes(5), Start, "Isolde"), "oil at the flare nut of the receiver"),
            new PartEntry(
                new(Guid.CreateVersion7(), visit.Id, Start.AddMinutes(9), Start, "Isolde"), "fan motor", "left", "seized", "9 W motor",
                "A-17", false),
            new ChangeEntry(
                new(Guid.CreateVersion7(), visit.Id, Start.AddMinutes(11), Start, "Isolde"), "defrost length", "20 min", "35 min",
                "the warranty desk", null, false)]);
    }

    public void Dispose()
    {
        SqliteConnection.ClearAllPools();
        Directory.Delete(folder, recursive: true);
    }

    private IReadOnlyList<SearchHit> Find(string? words) => new SearchStore(database).Find(words);

    [Theory]
    [InlineData("flare", "note")]
    [InlineData("flare oil", "note")]
    [InlineData("FLA", "note")]
    [InlineData("motor left", "part")]
    [InlineData("A-17", "part")]
    [InlineData("warranty desk", "change")]
    [InlineData("creme brulee", SearchStore.Visit)]
    [InlineData("fillets", SearchStore.Unit)]
    [InlineData("F-3", SearchStore.Unit)]
    public void A_word_is_found_where_it_was_said(string words, string kind)
    {
        var hit = Find(words)[0];
        Assert.Equal((kind, unit.Id, "F-3"), (hit.Kind, hit.EquipmentId, hit.Tag));
        Assert.Equal(kind == SearchStore.Unit ? null : visit.Id, hit.VisitId);
        Assert.Contains(SearchStore.MarkOpen, hit.Text);
    }

    [Theory]
    [InlineData("")]
    [InlineData(null)]
    [InlineData("\" OR * NEAR( -")]
    [InlineData("flare zebra")]
    [InlineData("' ; DROP TABLE search")]
    public void What_is_not_there_or_not_a_word_finds_nothing_and_breaks_nothing(string? words)
    {
        Assert.Empty(Find(words));
        Assert.NotEmpty(Find("flare"));
    }

    [Fact]
    public void A_renamed_unit_is_found_by_its_new_name_only()
    {
        new EquipmentStore(database).Save(unit with { Name = "Oyster freezer" }, site, Today);
        Assert.Single(Find("oyster"), h => h.Kind == SearchStore.Unit);
        Assert.DoesNotContain(Find("counter"), h => h.Kind == SearchStore.Unit);
    }

    [Fact]
    public void What_was_struck_out_or_corrected_is_no_longer_found()
    {
        var visits = new VisitStore(database, EntryKinds.House);
        var visit = visits.OfEquipment(unit.Id)[0];
        var at = visit.StartedAt.AddMinutes(50);
        var (struck, wrong) =
            (new NoteEntry(new(Guid.CreateVersion7(), visit.Id, at, at, "Isolde"), "marmalade in the drain"),
            new NoteEntry(new(Guid.CreateVersion7(), visit.Id, at, at, "Isolde"), "quince on the fan"));
        visits.Append([struck, wrong]);
        Assert.Single(Find("marmalade"));
        visits.Append(
            [new WithdrawalEntry(new(Guid.CreateVersion7(), visit.Id, at, at, "Isolde", struck.Id)),
            wrong with { Header = wrong.Header with { Id = Guid.CreateVersion7(), Corrects = wrong.Id }, Text = "medlar on the fan" }]);
        Assert.Empty(Find("marmalade"));
        Assert.Empty(Find("quince"));
        Assert.Single(Find("medlar"));
    }

    [Fact]
    public void Photos_and_recommendations_are_found_by_their_words_only()
    {
        var visits = new VisitStore(database, EntryKinds.House);
        var visit = visits.OfEquipment(unit.Id)[0];
        var at = visit.StartedAt.AddMinutes(50);
        visits.Append([
            new PhotoEntry(new(Guid.CreateVersion7(), visit.Id, at, at, "Isolde"), new('b', 64), 8, 6, "sycamore leaf in the fan", null),
            new RecommendationEntry(
                new(Guid.CreateVersion7(), visit.Id, at, at, "Isolde"), "leaves", "a hornbeam screen", "", null, null, null,
                RecommendationUrgency.Watch)]);
        Assert.Equal("photo", Assert.Single(Find("sycamore")).Kind);
        Assert.Equal("recommendation", Assert.Single(Find("hornbeam")).Kind);
        Assert.Empty(Find(new string('b', 64)));
        Assert.Empty(Find("watch"));
    }
}
