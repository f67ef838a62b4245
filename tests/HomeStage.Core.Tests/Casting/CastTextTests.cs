using FsCheck.Xunit;
using HomeStage.Core.Casting;
using HomeStage.Core.Editing;
using HomeStage.Core.Making;
using HomeStage.Core.Templates;
using HomeStage.TestKit;

namespace HomeStage.Core.Tests.Casting;

/// <summary>Reading and writing are each other's inverse, whatever a template holds.</summary>
public class CastTextTests
{
    [Property(MaxTest = 200)]
    public void AnyTemplate_ReadBack_IsTheChannelsThatAreThere(int seed)
    {
        var template = WithBusesToldApart(new RandomTemplates(seed).Grown(40));

        var text = CastText.Of(template);
        var sheet = CastReader.Read(text);

        Assert.Empty(sheet.Marks);
        var mix = ChannelFactory.MixBus(template);
        string Under(Channel c) => c.Destination is not { } to ? "" : to == mix ? "" : to == template.Main.Id ? "(main)" : template.Channels[to].Name;
        Assert.Equal(
            template.Channels.Where(c => c.Id != template.Main.Id && c.Id != mix).Select(c => Fact(c.Name, c.Kind, Under(c), c.Format, c.Source as InputSource, c.Spare)).Order(),
            sheet.Entries.Select(e => Fact(
                e.Name, e.Kind, e.UnderMain ? "(main)" : e.Under is { } i ? sheet.Entries[i].Name : "",
                e.Kind == ChannelKind.Split ? null : e.Details.Format ?? (e.Details.SecondInput is not null ? ChannelFormat.Stereo : Capabilities.Of(e.Kind).BeginsMono ? ChannelFormat.Mono : ChannelFormat.Stereo),
                e.Details.Input is { } input ? new(input, e.Details.SecondInput) : null, e.Details.Spare)).Order());
    }

    /// <summary>Two buses of one name are one line of a list: it goes on where it was left.</summary>
    private static Template WithBusesToldApart(Template template)
    {
        foreach (var alike in template.Channels.Where(c => c.Kind == ChannelKind.Bus).GroupBy(c => c.Name, StringComparer.OrdinalIgnoreCase))
            foreach (var bus in alike.Skip(1))
                template = template.With(new RenameChannel(bus.Id, Numbering.Next(bus.Name, name => template.Channels.Any(c => string.Equals(c.Name, name, StringComparison.OrdinalIgnoreCase)))));
        return template;
    }

    [Property(MaxTest = 200)]
    public void AnyTemplate_ReadBackAndPutOnAgain_StaysAsItIs(int seed)
    {
        var template = new RandomTemplates(seed).Grown(40);
        var text = CastText.Of(template);

        var plan = CastPlan.Of(template, text, text);

        Assert.Empty(plan.Edits);
        Assert.Empty(plan.Left);
    }

    [Theory]
    [InlineData("two singers")]
    [InlineData("Tempo 90")]
    [InlineData("90 BPM, 7/8")]
    [InlineData("D minor")]
    [InlineData("He ducks under her")]
    [InlineData("Triggers")]
    [InlineData("Mix bus")]
    [InlineData("Kick, in")]
    [InlineData("a \"b\" c")]
    [InlineData("He gives way to her")]
    [InlineData("Walk into rain")]
    [InlineData("Stage mono")]
    [InlineData("Loop (2)")]
    [InlineData("Night at -6 dB")]
    [InlineData("#1")]
    [InlineData("Take 3")]
    [InlineData("Spare 1")]
    [InlineData("Room 1-3")]
    [InlineData("x × 2")]
    [InlineData("Sections")]
    public void ANameThatWouldBeReadAsSomethingElse_StandsInQuotationMarks(string name)
    {
        var template = Stages.OneBar(Stages.Bus("a", "mix-bus"), Stages.Tone("b", "a"));
        template = template with { Channels = template.Channels.Replace(template.Channels[new ChannelId("a")] with { Name = name }).Replace(template.Channels[new ChannelId("b")] with { Name = $"{name}!" }) };

        Assert.Equal([name, $"{name}!"], CastReader.Read(CastText.Of(template)).Entries.Select(e => e.Name));
    }

    [Fact]
    public void AList_IsReadableText()
    {
        var plan = CastPlan.Of(EmptyStage.Create("x"), "Voices: singers 1–3 inputs 4, narrator inputs 1 and 2\n  Answers: call mono\nReturns: well\nReferences: mix × 2");

        Assert.Equal("""
            Voices: Singer 1–3 inputs 4, Narrator inputs 1 and 2
              Answers: Call mono
            Returns: Well
            Around the main: Mix 1–2

            """, CastText.Of(plan.After), ignoreLineEndingDifferences: true);
    }

    private static string Fact(string name, ChannelKind kind, string under, ChannelFormat? format, InputSource? input, bool spare) =>
        $"{name}|{kind}|{under}|{(kind == ChannelKind.Split || kind == ChannelKind.Bus && format == ChannelFormat.Stereo ? null : format)}|{input?.First}+{input?.Second}|{spare}";
}
