using System.Net;
using System.Text.Json;
using System.Text.Json.Serialization;
using KeenEmber.Storage;
using KeenEmber.Web;
using KeenEmber.Web.Api;
using KeenEmber.Web.Demo;
using Microsoft.AspNetCore.DataProtection;
using Microsoft.AspNetCore.Http.Features;

var builder = WebApplication.CreateBuilder(new WebApplicationOptions { Args = args, ContentRootPath = AppContext.BaseDirectory });
var data = Path.GetFullPath(builder.Configuration["data"] ?? "data");
var port = builder.Configuration.GetValue("port", 5080);

// The loopback address only, until there are accounts.
builder.WebHost.ConfigureKestrel(kestrel =>
{
    kestrel.Listen(IPAddress.Loopback, port);
    kestrel.AddServerHeader = false;
    kestrel.Limits.MaxRequestBodySize = PhotoDesk.MostUploadBytes;
});
builder.Logging.AddFilter("Microsoft.AspNetCore.DataProtection", LogLevel.Error);

// The record is made ready beside the making of the app, which takes as long.
var database = new Database(data);
var migrated = Task.Run(database.Migrate);
builder.Services.AddSingleton(builder.Configuration["clock"] is { } clock ? new FileClock(clock) : TimeProvider.System);
builder.Services.AddSingleton(database);
builder.Services.AddSingleton<ShopStore>();
builder.Services.AddSingleton<EquipmentStore>();
builder.Services.AddSingleton<VisitStore>();
builder.Services.AddSingleton<SearchStore>();
builder.Services.AddSingleton<InstrumentStore>();
builder.Services.AddSingleton(new PhotoStore(data));
builder.Services.AddSingleton<RunSeriesStore>();
builder.Services.AddSingleton<LoggerStore>();
builder.Services.AddSingleton<StandingStore>();
builder.Services.AddSingleton<VisitDesk>();
builder.Services.AddSingleton<Board>();
builder.Services.AddSingleton<DemoHall>();
builder.Services.AddSingleton<LargeShop>();
builder.Services.AddDataProtection().SetApplicationName("KeenEmber").PersistKeysToFileSystem(new(Path.Combine(data, "keys")));
builder.Services.Configure<FormOptions>(options => options.MultipartBodyLengthLimit = PhotoDesk.MostUploadBytes);
builder.Services.AddProblemDetails();
builder.Services.AddOpenApi();
builder.Services.AddRazorPages(options => options.Conventions.AddPageRoute("/Equipment/Edit", "/equipment/new"));
builder.Services.ConfigureHttpJsonOptions(options =>
{
    options.SerializerOptions.DefaultIgnoreCondition = JsonIgnoreCondition.WhenWritingNull;
    options.SerializerOptions.Converters.Add(new JsonStringEnumConverter(JsonNamingPolicy.CamelCase));
});
builder.Services.AddRouting(options => options.LowercaseUrls = true);

var app = builder.Build();
if (builder.Configuration.GetValue("seed", false))
{
    await migrated;
    app.Services.GetRequiredService<LargeShop>().Fill(Console.WriteLine);
    return;
}

var filled = Fill();
app.UseMiddleware<SecurityHeaders>();
app.UseExceptionHandler("/errors/500");
// A page is told with a page, a program with problem+json.
app.UseWhen(c => !c.Request.Path.StartsWithSegments("/api"), pages => pages.UseStatusCodePagesWithReExecute("/errors/{0}"));
app.UseWhen(c => c.Request.Path.StartsWithSegments("/api"), api => api.UseStatusCodePages());
app.UseRouting();
app.MapStaticAssets();
app.MapRazorPages().WithStaticAssets();
app.MapGet("/visits/{id:guid}", (Guid id) => Results.Redirect($"/visits/{id}/circuit")).ExcludeFromDescription();
app.MapOpenApi();
app.MapSaturation();
app.MapCircuitAnalysis();
app.MapDefrost();
app.MapSensors();
app.MapFollowUp();
app.MapPhotos();
await filled;
app.Run();

async Task Fill()
{
    await migrated;
    if (builder.Configuration.GetValue("demo", false))
        app.Services.GetRequiredService<DemoHall>().FillIfEmpty();

    // The first page wants the rules compiled and the units judged by today's rules: begun here, beside the start of the server.
    _ = Task.Run(app.Services.GetRequiredService<Board>().RefreshAll);
}
