using HomeStage.Core.Compiling;
using HomeStage.Core.Editing;
using HomeStage.Core.Outside;
using HomeStage.Core.Sound;
using HomeStage.Core.Sound.Listening;
using HomeStage.Core.Sound.Signals;
using HomeStage.Core.Templates;

namespace HomeStage.TestKit;

/// <summary>A workstation in which a test is played: the same template, with what was set up wrongly.</summary>
public sealed class Workstation : IStemSink
{
    private readonly List<ChannelId> _channels;
    private readonly List<float>[] _left;
    private readonly List<float>[] _right;

    public Workstation(TestSong song, params Edit[] mistakes)
    {
        Template = song.Template.With(mistakes);
        var compiled = new CompiledTemplate(Template);
        Stem[] stems = [.. StemRender.Able(compiled, song.Act).Select(c => new Stem(c.Id, StemPoint.AfterFader))];
        _channels = [.. stems.Select(s => s.Channel)];
        (_left, _right) = ([.. stems.Select(_ => new List<float>())], [.. stems.Select(_ => new List<float>())]);
        StemRender.Render(compiled, song.Act, stems, 1, this);
    }

    public Template Template { get; }

    public IReadOnlyList<ChannelId> Channels => _channels;

    public int SampleRateHz => Template.SampleRateHz;

    public void Take(int stem, ReadOnlySpan<float> left, ReadOnlySpan<float> right)
    {
        _left[stem].AddRange(left);
        _right[stem].AddRange(right);
    }

    public Recorded Of(string channel) => Of(new ChannelId(channel));

    public Recorded Of(ChannelId channel)
    {
        var at = _channels.IndexOf(channel);
        return new($"{Template.Channels[channel].Name}.wav", [[.. _left[at]], [.. _right[at]]], SampleRateHz);
    }

    public IReadOnlyList<Recorded> All() => [.. _channels.Select(Of)];
}

/// <summary>A file that a workstation wrote.</summary>
public sealed record Recorded(string Name, IReadOnlyList<float[]> Lanes, int SampleRateHz)
{
    public Recorded Gain(double db) => Each(lane => [.. lane.Select(v => (float)(v * Math.Pow(10, db / 20)))]);

    public Recorded At(int rateHz) => (this with { SampleRateHz = rateHz }).Each(lane => Resampler.Convert(lane, SampleRateHz, rateHz));

    /// <summary>Begins so much later, with silence before; below 0 its beginning is cut off.</summary>
    public Recorded Later(double seconds)
    {
        var frames = (int)Math.Round(seconds * SampleRateHz);
        return Each(lane => frames >= 0 ? [.. new float[frames], .. lane] : lane[-frames..]);
    }

    /// <summary>In whole steps, as a file of so many bits holds it; what is too loud is cut off.</summary>
    public Recorded Bits(int bits) => Each(lane => [.. lane.Select(v => (float)(Math.Round(Math.Clamp(v, -1, 1) * (1L << (bits - 1))) / (1L << (bits - 1))))]);

    public Recorded Plus(Recorded other, double later) => other.Later(later) is var second
        ? this with { Lanes = [.. Lanes.Zip(second.Lanes, (a, b) => a.Select((v, i) => v + (i < b.Length ? b[i] : 0)).ToArray())] }
        : this;

    public Recorded Called(string name) => this with { Name = name };

    private Recorded Each(Func<float[], float[]> change) => this with { Lanes = [.. Lanes.Select(change)] };
}

/// <summary>Tapes that are kept in memory.</summary>
public sealed class MemoryTapes : ITestTapes
{
    public ITestTape Fresh(int lanes) => new Tape(lanes);

    private sealed class Tape(int lanes) : ITestTape
    {
        private readonly List<float>[] _lanes = [.. Enumerable.Range(0, lanes).Select(_ => new List<float>())];

        public void Append(ReadOnlySpan<float> left, ReadOnlySpan<float> right)
        {
            _lanes[0].AddRange(left);
            if (lanes == 2)
                _lanes[1].AddRange(right);
        }

        public IReadOnlyList<float[]> Lanes() => [.. _lanes.Select(l => l.ToArray())];
    }
}
