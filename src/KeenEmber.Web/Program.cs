using System.Text.Json;
using System.Text.Json.Serialization;
using KeenEmber.Application;
using KeenEmber.Core.Cases;
using KeenEmber.Core.Visits;
using KeenEmber.Core.Written;
using KeenEmber.Storage;
using KeenEmber.Storage.Gear;
using KeenEmber.Storage.Archives;
using KeenEmber.Web;
using KeenEmber.Web.Api;
using KeenEmber.Web.Demo;
using KeenEmber.Web.Edge;
using KeenEmber.Web.Offline;
using KeenEmber.Web.Pages.Visits;
using KeenEmber.Web.Pages.Visits.Report;
using KeenEmber.Web.People;
using KeenEmber.Web.Probing;
using KeenEmber.Web.Running;
using Microsoft.AspNetCore.DataProtection;
using Microsoft.AspNetCore.Http.Features;

// Who writes waits for the disk, and who judges for a bench: threads for a whole shop at once, without waiting for them one by one.
ThreadPool.SetMinThreads(StartOptions.Threads, StartOptions.Threads);

var builder = WebApplication.CreateBuilder(new WebApplicationOptions { Args = args, ContentRootPath = AppContext.BaseDirectory });
if (builder.Configuration["bench-unit"] is not null)
{
    using var stopped = new CancellationTokenSource();
    Console.CancelKeyPress += (_, e) => (e.Cancel, _) = (true, stopped.CancelAsync());
    return await BenchUnit.Run(builder.Configuration, stopped.Token);
}

if (StartOptions.Read(builder.Configuration) is not { } options)
    return StartOptions.Refused;
if (Commands.Run(builder.Configuration, options.Data) is { } done)
    return done;

builder.WebHost.ConfigureKestrel(kestrel => kestrel.Limits.MaxRequestBodySize = BodyLimits.Usual);
builder.Services.Configure<HostOptions>(host => host.ShutdownTimeout = TimeSpan.FromSeconds(3));
if (builder.Configuration["log"] == "json")
    builder.Logging.ClearProviders().AddJsonConsole(console => (console.UseUtcTimestamp, console.TimestampFormat) = (true, "O"));
builder.Logging.AddFilter("Microsoft.AspNetCore.DataProtection", LogLevel.Error);

// The record is made ready beside the making of the app, which takes as long.
if (StartOptions.Open(options.Data, builder.Configuration["synchronous"] != "off") is not { } database
    || StartOptions.Lock(options.Data) is not { } only)
    return StartOptions.Refused;
var data = options.Data;
if (!StartOptions.Listen(options, builder))
    return StartOptions.Refused;
var migrated = Task.Run(() => StartOptions.Migrate(database));
builder.Services.AddHttpContextAccessor();
builder.Services.AddSingleton(builder.Configuration["clock"] is { } clock ? new FileClock(clock) : TimeProvider.System);
builder.Services.AddSingleton(database);
builder.Services.AddSingleton(options);
builder.Services.AddSingleton<BackupKeeper>();
builder.Services.AddHostedService(services => services.GetRequiredService<BackupKeeper>());
builder.Services.AddSingleton<Health>();
builder.Services.AddAccounts();
builder.Services.AddSingleton(new Archive(database, data));
builder.Services.AddSingleton<CompanyStore>();
builder.Services.AddSingleton<EquipmentStore>();
builder.Services.AddSingleton<EntryKinds>();
builder.Services.AddSingleton<VisitStore>();
builder.Services.AddSingleton<SearchStore>();
builder.Services.AddSingleton<InstrumentStore>();
builder.Services.AddSingleton<CylinderStore>();
builder.Services.AddSingleton<PracticeStore>();
builder.Services.AddSingleton<ProbeStore>();
builder.Services.AddSingleton<ProbeIntake>();
builder.Services.AddSingleton<ControllerStore>();
builder.Services.AddSingleton<ControllerIntake>();
if (builder.Configuration.GetValue("live", false))
{
    builder.Configuration["mqtt"] = DemoWire.FreeAddress();
    builder.Services.AddHostedService<DemoWire>();
}

builder.Services.AddHostedService<ProbeBroker>();
builder.Services.AddSingleton(new PhotoStore(data, options.Quota));
builder.Services.AddSingleton<WaitingDevices>();
builder.Services.AddSingleton<RunSeriesStore>();
builder.Services.AddSingleton<LoggerStore>();
builder.Services.AddSingleton<StandingStore>();
builder.Services.AddSingleton<SignedReportStore>();
builder.Services.AddScoped<SigningDesk>();
builder.Services.AddSingleton<ICaseMemory, CaseMemory>();
builder.Services.AddSingleton<VisitDesk>();
builder.Services.AddBenches();
builder.Services.AddSingleton<VisitViews>();
builder.Services.AddSingleton<Board>();
builder.Services.AddHostedService(services => services.GetRequiredService<Board>());
builder.Services.AddSingleton<DemoHall>();
builder.Services.AddSingleton<LargeRecord>();
builder.Services.AddDataProtection().SetApplicationName("KeenEmber").PersistKeysToFileSystem(new(Path.Combine(data, "keys")));
builder.Services.Configure<FormOptions>(options => options.MultipartBodyLengthLimit = PhotoDesk.MostUploadBytes);
builder.Services.AddProblemDetails();
builder.Services.AddOpenApi(options => options.AddSchemaTransformer(OpenApiNames.OfPointsAndResults));
builder.Services.AddRazorPages(pages => pages.Conventions.AddPageRoute("/Units/Edit", "/equipment/new")).AddMvcOptions(mvc =>
{
    mvc.Filters.Add<RequestGuard>();
    mvc.ModelBinderProviders.Insert(0, new EnumsByName());
});
builder.Services.ConfigureHttpJsonOptions(options =>
{
    options.SerializerOptions.DefaultIgnoreCondition = JsonIgnoreCondition.WhenWritingNull;
    options.SerializerOptions.Converters.Add(new JsonStringEnumConverter(JsonNamingPolicy.CamelCase, allowIntegerValues: false));
    options.SerializerOptions.Converters.Add(new CoilNames(JsonNamingPolicy.CamelCase));
    options.SerializerOptions.Converters.Add(new FiniteNumbers());
});
builder.Services.AddRouting(options => options.LowercaseUrls = true);

var app = builder.Build();
app.Lifetime.ApplicationStopped.Register(only.Dispose);
if (builder.Configuration.GetValue("seed", false))
{
    if (!await migrated)
        return StartOptions.Refused;
    app.Services.GetRequiredService<LargeRecord>().Fill(Console.WriteLine);
    return 0;
}

var filled = Fill();
app.UseOpenDoor(options.Listening);
app.UseMiddleware<SecurityHeaders>();
app.UseExceptionHandler(new ExceptionHandlerOptions { ExceptionHandlingPath = "/errors", StatusCodeSelector = Faults.Status });
// A page is told with a page, a program with problem+json.
app.UseWhen(c => !c.Request.Path.StartsWithSegments("/api"), pages => pages.UseStatusCodePagesWithReExecute("/errors/{0}"));
app.UseWhen(c => c.Request.Path.StartsWithSegments("/api"), api => api.UseStatusCodePages());
app.UseMiddleware<BodyLimits>();
app.UseRouting();
app.UseAuthentication();
if (builder.Configuration.GetValue("demo", false))
    app.Use(app.Services.GetRequiredService<DemoPeople>().SignIn);
app.UseAuthorization();
app.UseRateLimiter();
app.MapStaticAssets().AllowAnonymous();
app.MapRazorPages().WithStaticAssets();
app.MapGet("/visits/{id:guid}", (Guid id) => Results.Redirect($"/visits/{id}/circuit")).ExcludeFromDescription();
app.MapOpenApi();
app.MapSaturation();
app.MapCircuitAnalysis();
app.MapDiagnosis();
app.MapDefrost();
app.MapSensors();
app.MapTrace();
app.MapDiagram();
app.MapPartTest();
app.MapDecay();
app.MapPullDown();
app.MapProbes();
app.MapControllersOnWire();
app.MapVisits();
app.MapFollowUp();
app.MapPhotos();
app.MapArchives();
app.MapSheets();
app.MapHealth();
app.MapToken();
app.MapWaiting();
app.MapCase();
if (!await filled)
    return StartOptions.Refused;
if (app.Services.GetService<ServerCertificates>()?.Authority is { } authority)
    Console.WriteLine(ServerCertificates.HowToTrust(authority, options.Listening.Address));
InviteFirstLead();
app.Run();
return 0;

// Said on the console and nowhere else: a log is kept, and read by others.
void InviteFirstLead()
{
    var people = app.Services.GetRequiredService<PeopleStore>();
    if (builder.Configuration.GetValue("demo", false) || people.HasAny)
        return;
    var now = app.Services.GetRequiredService<TimeProvider>().GetUtcNow();
    var token = people.InviteFirst(now, now + Accounts.InvitedFor);
    var address = new Uri(options.Listening.Address, $"welcome/{token}");
    Console.WriteLine($"Nobody has an account yet. The first lead is made, once, at {address}");
}

async Task<bool> Fill()
{
    if (!await migrated)
        return false;
    app.Services.GetRequiredService<SearchStore>().Search(app.Services.GetServices<IBench>().SelectMany(b => b.Searched));
    if (builder.Configuration.GetValue("demo", false))
    {
        app.Services.GetRequiredService<DemoHall>().FillIfEmpty();
        app.Services.GetRequiredService<DemoPeople>().Arrive();
    }

    // The first page wants the rules compiled and the units judged by today's rules: begun here, beside the start of the server.
    app.Services.GetRequiredService<Board>().Begin();
    return true;
}
