using HomeStage.Core.Editing;
using HomeStage.Core.Outputs;
using HomeStage.Core.Soundcheck.Findings;
using HomeStage.Core.Templates;

namespace HomeStage.Core.Soundcheck.Rules;

/// <summary>A split that is called otherwise than its output on the instrument.</summary>
public sealed class OutputNames : ISoundcheckRule
{
    public string Id => "output-names";

    public string Group => "Outputs";

    public IEnumerable<Finding> Look(Template template, string act) =>
        from kit in SplitKit.AllOf(template)
        from split in kit.Splits
        let number = SplitKit.NumberOf(split)
        let output = kit.Kit.Outputs[number - 1]
        where output.Name != split.Name && kit.Splits.First(s => SplitKit.NumberOf(s) == number) == split
        select new Finding(Id, Severity.Hint, [split.Id],
            $"{kit.Kit.JacksSaid(number).AtFirst()} of {kit.Player.Name} is called {output.Name} there and {split.Name} here.",
            [
                new($"Call the output {split.Name}", [new SetOutputs(kit.Player.Id, kit.Kit with { Outputs = kit.Kit.Outputs.SetItem(number - 1, output with { Name = split.Name }) }, [])]),
                new($"Call the channel {output.Name}", [new RenameChannel(split.Id, output.Name)]),
            ]);
}
