using KeenEmber.Load;

if (Plan.Read(args) is not { } plan)
    return 2;
var measured = new Measured();
var memory = plan.Process is { } process ? new Memory(process) : null;
using var shop = new Shop(plan, measured);
Console.WriteLine($"{plan.People} people sign up ...");
await shop.Open();
Console.WriteLine($"... and work for {plan.Minutes:0.#} min{(plan.Together ? ", all on one visit" : "")}.");
measured.Clear();
using var end = new CancellationTokenSource(TimeSpan.FromMinutes(plan.Minutes));
await shop.Work(end.Token);
measured.Say(Console.Out);
if (memory is not null)
    Console.WriteLine($"most memory of the server: {memory.MostMb():0} MB");
return measured.Errors == 0 ? 0 : 1;
