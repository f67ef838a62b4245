using HomeStage.Bench;

// dotnet run -c Release --project bench/HomeStage.Bench [kernels] [strips] [render] [rules] [plans] [edit] [first-sound] [song] [weight]; without a word all of them
Console.WriteLine($"{Environment.ProcessorCount} cores, {System.Runtime.InteropServices.RuntimeInformation.FrameworkDescription}, medians");
bool Asked(string word) => args.Length == 0 || args.Contains(word);
if (Asked("kernels"))
    KernelBench.Run();
if (Asked("strips"))
    StripsBench.Run();
if (Asked("render"))
    RenderBench.Run();
if (Asked("rules"))
    RulesBench.Run();
if (Asked("plans"))
    PlansBench.Run();
if (Asked("edit"))
    await EditBench.RunAsync();
if (Asked("first-sound"))
    await FirstSoundBench.RunAsync();
if (Asked("song"))
    await SongBench.RunAsync();
if (Asked("weight"))
    WeightBench.Run();
