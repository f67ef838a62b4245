using HomeStage.Bench;

// dotnet run -c Release --project bench/HomeStage.Bench
Console.WriteLine($"{Environment.ProcessorCount} cores, {System.Runtime.InteropServices.RuntimeInformation.FrameworkDescription}, medians");
RenderBench.Run();
await EditBench.RunAsync();
