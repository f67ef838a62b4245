using HomeStage.Core.Compiling;
using HomeStage.Core.Routing;
using HomeStage.Core.Soundcheck;

namespace HomeStage.Bench;

/// <summary>The graph compiled with its padding, and every static rule looked through, in templates of three sizes.</summary>
internal static class RulesBench
{
    private const int Runs = 31;

    public static void Run()
    {
        // What is asked again and again is compiled to its best form first.
        for (var warm = 0; warm < 100; warm++)
            Report.Of(SizedTemplates.Of(200), "mix");
        foreach (var channels in new[] { 100, 1000, 10_000 })
        {
            var template = SizedTemplates.Of(channels);
            var compile = Medians.Seconds(Runs, () =>
            {
                var graph = new SignalGraph(template, "mix");
                DelayCompensation.Of(graph, StageOrder.Of(graph), "mix");
            });
            var before = new CompiledTemplate(template);
            _ = before.In("mix").Compensation;
            var turned = template with { Channels = template.Channels.Replace(template.Channels[channels / 2] with { Level = new(-7) }) };
            var again = Medians.Seconds(Runs, () => _ = new CompiledTemplate(turned, before).In("mix").Compensation);
            var rules = Medians.Seconds(Runs, () => Report.Of(template, "mix"));
            Medians.Say($"{channels} channels: compiled in {1000 * compile:0.00} ms, after a turned fader in {1000 * again:0.000} ms, all rules in {1000 * rules:0.00} ms");
        }
    }
}
