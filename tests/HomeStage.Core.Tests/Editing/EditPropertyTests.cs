using FsCheck.Xunit;
using HomeStage.Core.Editing;
using HomeStage.Core.Editing.Rules;
using HomeStage.TestKit;

namespace HomeStage.Core.Tests.Editing;

public class EditPropertyTests
{
    [Property(MaxTest = 300)]
    public void Undo_OfAnyBatchThatApplies_GivesTheSameDocument(int seed, byte size)
    {
        var chance = new RandomTemplates(seed);
        var before = chance.Grown(40);
        var applied = Assert.IsType<BatchResult.Applied>(Batch.Apply(before, chance.Possible(before, 1 + size % 12).Edits));

        var undone = Assert.IsType<BatchResult.Applied>(Batch.Apply(applied.Template, applied.Inverse));

        Assert.Equal(before, undone.Template);
    }

    [Property(MaxTest = 200)]
    public void Redo_AfterUndo_GivesTheEditedDocument(int seed, byte size)
    {
        var chance = new RandomTemplates(seed);
        var before = chance.Grown(30);
        var applied = Assert.IsType<BatchResult.Applied>(Batch.Apply(before, chance.Possible(before, 1 + size % 12).Edits));

        var undone = (BatchResult.Applied)Batch.Apply(applied.Template, applied.Inverse);
        var redone = Assert.IsType<BatchResult.Applied>(Batch.Apply(undone.Template, undone.Inverse));

        Assert.Equal(applied.Template, redone.Template);
    }

    [Property(MaxTest = 200)]
    public void Apply_WhateverTheBatch_LeavesATemplateThatKeepsEveryRule(int seed)
    {
        var grown = new RandomTemplates(seed).Grown(80);

        Assert.Null(TemplateRules.Check(grown));
    }

    [Property(MaxTest = 100)]
    public void Apply_BatchWhoseLastEditCannotBe_ChangesNothing(int seed)
    {
        var chance = new RandomTemplates(seed);
        var before = chance.Grown(20);
        var kept = chance.Edits(before, 5);

        var result = Batch.Apply(before, [.. kept, new RenameChannel(new("nobody"), "Nobody")]);

        Assert.IsType<BatchResult.Refused>(result);
        Assert.Equal(new RandomTemplates(seed).Grown(20), before);
    }

    [Fact]
    public void PossibleBatches_HoldAlmostEveryKindOfEdit_SoThatThePropertiesSayMuch()
    {
        var met = Enumerable.Range(0, 300).SelectMany(seed =>
        {
            var chance = new RandomTemplates(seed);
            return chance.Possible(chance.Grown(40), 7).Edits.Select(e => e.GetType());
        }).Distinct().Count();

        Assert.InRange(met, 50, 100);
    }
}
