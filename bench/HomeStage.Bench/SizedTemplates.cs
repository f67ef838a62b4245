using HomeStage.Core.Editing;
using HomeStage.Core.Templates;

namespace HomeStage.Bench;

internal static class SizedTemplates
{
    /// <summary>That many channels under buses of ten, each with an equaliser and a compressor.</summary>
    public static Template Of(int channels)
    {
        Insert[] strip = [new(new("eq"), "equaliser"), new(new("comp"), "compressor")];
        var edits = new List<Edit>();
        var buses = Math.Max(2, channels / 10);
        for (var i = 0; i < channels - 2; i++)
        {
            edits.Add(i < buses
                ? new AddChannel(new() { Id = new($"b{i}"), Name = $"Bus {i}", Kind = ChannelKind.Bus, Destination = EmptyStage.MixBus, Inserts = strip.ToSequence() })
                : new AddChannel(new() { Id = new($"c{i - buses}"), Name = $"Channel {i}", Kind = ChannelKind.Audio, Destination = new($"b{i % buses}"), Source = new InputSource(1), Inserts = strip.ToSequence() }));
        }

        // A batch has a bound of its own.
        return edits.Chunk(4000).Aggregate(EmptyStage.Create("Sized"), (template, batch) => ((BatchResult.Applied)Batch.Apply(template, batch)).Template);
    }
}
