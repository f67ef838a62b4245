using System.Text;
using FsCheck.Xunit;
using HomeStage.Core.Editing;
using HomeStage.Core.Patching;
using HomeStage.Core.Templates;
using HomeStage.Formats.Csv;
using HomeStage.TestKit;

namespace HomeStage.Formats.Tests.Csv;

/// <summary>Patching tables out and in. RFC 4180; what spreadsheets run as a formula is common practice.</summary>
public class PatchCsvTests
{
    private static readonly string[] Dangerous = ["=1+1", "+SUM(A1)", "-2", "@cmd", "'quoted", "'=x", "Com,ma", "Quo\"te", "Semi;colon", "Umlaut ä", "\u00a0nbsp"];

    [Property(MaxTest = 40)]
    public void AnyTemplate_OutAndIn_ChangesNothing(int seed)
    {
        var template = Named(new RandomTemplates(seed).Grown(70));

        foreach (var table in new[] { PatchCsv.Inputs(template), PatchCsv.Outputs(template) })
        {
            var read = Read(table);
            var changes = PatchChanges.Of(template, read.Rows);
            Assert.Equal([], read.LeftOut);
            // What an older document holds that no edit may make, an input of two lines on a mono channel, is made whole by reading it.
            Assert.Equal([], changes.LeftOut);
            Assert.All(changes.Edits, e => Assert.IsType<TakeInput>(e));
        }
    }

    [Property(MaxTest = 40)]
    public void WhatWasPatchedElsewhere_IsTheSameHere(int seed)
    {
        var random = new Random(seed);
        var was = Named(new RandomTemplates(seed).Grown(70));
        var now = was;
        foreach (var row in PatchRow.OfInputs(was).Where(_ => random.Next(2) == 0))
            now = now.With([.. PatchChanges.Of(now, [row with { Inputs = random.Next(3) switch { 0 => [], 1 => [random.Next(1, 129)], _ => [random.Next(1, 64), random.Next(65, 129)] }, InputName = Dangerous[random.Next(Dangerous.Length)].Trim('\u00a0') }]).Edits]);

        var back = PatchChanges.Of(was, Read(PatchCsv.Inputs(now)).Rows);

        Assert.Equal([], back.LeftOut);
        Assert.Equal(PatchRow.OfInputs(now), PatchRow.OfInputs(was.With([.. back.Edits])));
    }

    [Fact]
    public void NoCell_BeginsAsAFormula()
    {
        var template = Stages.OneBar(new AddChannel(new() { Id = new("x"), Name = "+1", Kind = ChannelKind.Audio, Destination = EmptyStage.MixBus, Source = new InputSource(1, 2) { FirstName = "=A1", SecondName = "@x" } }), new SetOutputPair(EmptyStage.Main, 2, "-3"));
        var text = Encoding.UTF8.GetString(PatchCsv.Inputs(template)) + Encoding.UTF8.GetString(PatchCsv.Outputs(template));

        Assert.DoesNotMatch("(^|[,\"\n])[=+\\-@]", text);
        Assert.Contains("\r\n", text, StringComparison.Ordinal);
    }

    [Theory]
    [InlineData("channel;input\r\nOboe;5-6", new[] { 5, 6 })]
    [InlineData("Input,Channel\n5 – 6,Oboe", new[] { 5, 6 })]
    [InlineData("\uFEFFchannel\tinput\nOboe\t12", new[] { 12 })]
    [InlineData("channel,input\nOboe,", new int[0])]
    public void AnyOrderAndSeparator_IsRead(string text, int[] inputs) => Assert.Equal(inputs, Read(Encoding.UTF8.GetBytes(text)).Rows.Single().Inputs!);

    [Fact]
    public void ALineThatCannotBeRead_IsSaid_AndTheOthersAreTaken()
    {
        var read = Read(Encoding.UTF8.GetBytes("channel,input,heard,wire\nOboe,05-Jun,yes,\nLute,4,perhaps,\n,3,,\nHarp,9,no,red"));

        Assert.Equal(["Harp"], read.Rows.Select(r => r.Channel));
        Assert.Equal(["The column wire is not known.", "Line 2: “05-Jun” in the column input is no number of an input or output.", "Line 3: “perhaps” in the column heard is neither yes nor no.", "Line 4 names no channel."], read.LeftOut);
    }

    [Theory]
    [InlineData("", "empty")]
    [InlineData("name,input\nx,1", "columns")]
    [InlineData("channel,colour\nx,1", "columns")]
    public void WhatIsNoSuchTable_IsRefused(string text, string code) => Assert.Equal(code, ((FormatResult<PatchTable>.Refused)PatchCsv.Read(Encoding.UTF8.GetBytes(text))).Code);

    [Fact]
    public void BytesThatAreNoText_AndTooManyOfThem_AreRefused()
    {
        Assert.Equal("not-text", ((FormatResult<PatchTable>.Refused)PatchCsv.Read([0x63, 0x00, 0xFE])).Code);
        Assert.Equal("too-large", ((FormatResult<PatchTable>.Refused)PatchCsv.Read(new byte[PatchCsv.MostBytes + 1])).Code);
    }

    /// <summary>Each name is there once, and some would be run by a spreadsheet.</summary>
    private static Template Named(Template template)
    {
        var number = 0;
        return template.Channels.Aggregate(template, (t, c) => t.With(new RenameChannel(c.Id, $"{Dangerous[number++ % Dangerous.Length].Trim('\u00a0')} {number}")));
    }

    private static PatchTable Read(byte[] table) => ((FormatResult<PatchTable>.Read)PatchCsv.Read(table)).Value;
}
