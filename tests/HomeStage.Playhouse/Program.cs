using HomeStage.Playhouse;
using HomeStage.Server.Starting;

// Serves the stages of the browser tests out of one process, so that what the runtime compiled for one is there for the next: a server
// that lives for seconds spends most of them on that. Each stage is the whole server on a port and a folder of its own.
//   dotnet HomeStage.Playhouse.dll
//   POST   /stages  {"port": 0, "data": "FOLDER", "web": "FOLDER"}   opens one, and answers its address
//   DELETE /stages/PORT                                               ends it, as a signal to the program would
// The first line that it prints holds its address; it runs until it is told to stop.
await using var stages = new OpenStages();
var builder = WebApplication.CreateSlimBuilder();
builder.Logging.ClearProviders();
builder.WebHost.ConfigureKestrel(kestrel => kestrel.Listen(System.Net.IPAddress.Loopback, 0));
await using var door = builder.Build();
door.MapPost("/stages", async (WantedStage wanted) =>
{
    try
    {
        return Results.Text(await stages.OpenAsync(wanted));
    }
    catch (StartFault fault)
    {
        return Results.Text(fault.Message, statusCode: StatusCodes.Status409Conflict);
    }
});
door.MapDelete("/stages/{port:int}", async (int port) => await stages.CloseAsync(port) ? Results.NoContent() : Results.NotFound());
await door.StartAsync();
Console.WriteLine($"The playhouse is at {door.Urls.First()}");
await door.WaitForShutdownAsync();
