using System.IO.Compression;
using HomeStage.Core.Catalogue;
using HomeStage.Core.Compiling;
using HomeStage.Core.Sound;
using HomeStage.Core.Sound.Listening;
using HomeStage.Core.Templates;
using HomeStage.Formats.Packages;
using HomeStage.Formats.Wave;
using NAudio.Wave;
using static HomeStage.TestKit.Stages;

namespace HomeStage.Formats.Tests.Packages;

/// <summary>Stems as files, read again by a general-purpose library.</summary>
public class StemFilesTests
{
    private static readonly Template Pair = OneBar(Bus("pots", "mix-bus"), Tone("lid", "pots", ChannelFormat.Mono));

    [Theory]
    [InlineData(WaveDepth.Int16, 16, WaveFormatEncoding.Pcm)]
    [InlineData(WaveDepth.Int24, 24, WaveFormatEncoding.Pcm)]
    [InlineData(WaveDepth.Float32, 32, WaveFormatEncoding.IeeeFloat)]
    public void Files_AreNumberedInOrder_AsWideAsTheirChannels_AndAsDeepAsAsked(WaveDepth depth, int bits, WaveFormatEncoding encoding)
    {
        Stem[] stems = [new(new("lid"), StemPoint.Input), new(new("pots"), StemPoint.AfterFader)];
        var (zip, expected) = (Zipped(stems, depth), Renderer.Render(Pair, new(InMix, new("pots"))));

        using var archive = new ZipArchive(new MemoryStream(zip));
        Assert.Equal(["01-tone-lid-dry.wav", "02-bus-pots.wav"], archive.Entries.Select(e => e.FullName));
        foreach (var (entry, lanes) in archive.Entries.Zip([1, 2]))
        {
            using var packed = entry.Open();
            using var copy = new MemoryStream();
            packed.CopyTo(copy);
            copy.Position = 0;
            using var reader = new WaveFileReader(copy);
            Assert.Equal((lanes, bits, encoding, 48000), (reader.WaveFormat.Channels, reader.WaveFormat.BitsPerSample, reader.WaveFormat.Encoding, reader.WaveFormat.SampleRate));
            Assert.Equal(expected.Left.Length, reader.SampleCount);
            Assert.Equal(StemFiles.Bytes(Pair, [stems[lanes - 1]], depth, expected.Seconds), reader.Length);
            if (lanes == 1)
                continue;
            var read = new float[10_000];
            Assert.Equal(read.Length, reader.ToSampleProvider().Read(read));
            // Dither of two steps at most, and half a step for rounding.
            Assert.All(Enumerable.Range(0, read.Length / 2), i => Assert.Equal(expected.Left[i], read[2 * i], depth == WaveDepth.Float32 ? 0 : 1.51 / (1 << (bits - 1))));
        }

        Assert.Equal(zip, Zipped(stems, depth));
    }

    /// <summary>The tone stands at −6 dBFS: 9 dB more take it 3 dB over full scale.</summary>
    [Theory]
    [InlineData(WaveDepth.Int16, 9, 3)]
    [InlineData(WaveDepth.Int24, 9, 3)]
    [InlineData(WaveDepth.Int24, 5, null)]
    [InlineData(WaveDepth.Float32, 9, null)]
    public void WhatGoesOverFullScale_IsToldByHowMuch_UnlessTheFileHoldsIt(WaveDepth depth, double gain, int? over)
    {
        var loud = OneBar(Tone("lid", "mix-bus", ChannelFormat.Stereo, Insert("gain", ProcessorCatalogue.Gain, ("gain-db", gain))), Tone("soft", "mix-bus"));
        Stem[] stems = [new(new("soft"), StemPoint.AfterFader), new(new("lid"), StemPoint.AfterFader)];
        using var files = new StemFiles(loud, stems, depth, Path.Combine(Path.GetTempPath(), $"stems-{Guid.NewGuid():N}"));
        StemRender.Render(new CompiledTemplate(loud), InMix, stems, 0, files, cancellation: TestContext.Current.CancellationToken);
        files.Ended();

        Assert.Equal(over is null ? [] : ["Tone lid"], files.Cut.Select(c => c.Name));
        Assert.All(files.Cut, c => Assert.Equal(over!.Value, c.ByDb, 0.1));
    }

    [Fact]
    public void WithACount_EachBeginsWithItsLength_AndTheClicksAreAFileOfTheirOwn()
    {
        Stem[] stems = [new(new("lid"), StemPoint.Input), new(new("pots"), StemPoint.AfterFader)];
        // One bar of 4/4 at 120 is two seconds.
        var counted = Pair with { Timeline = Pair.Timeline with { CountIn = new(1) } };
        const int Lead = 2 * 48000;

        using var with = new ZipArchive(new MemoryStream(Zipped(stems, WaveDepth.Float32, CountedRender.Clicks(counted, counted.Timeline, TestContext.Current.CancellationToken))));
        using var without = new ZipArchive(new MemoryStream(Zipped(stems, WaveDepth.Float32)));

        Assert.Equal(["01-tone-lid-dry.wav", "02-bus-pots.wav", "00-count-in.wav"], with.Entries.Select(e => e.FullName));
        foreach (var name in without.Entries.Select(e => e.FullName))
        {
            var (led, plain) = (Samples(with, name), Samples(without, name));
            var lanes = name.Contains("dry", StringComparison.Ordinal) ? 1 : 2;
            Assert.Equal(new float[Lead * lanes], led[..(Lead * lanes)]);
            Assert.Equal(plain, led[(Lead * lanes)..]);
        }

        var clicks = Samples(with, "00-count-in.wav");
        Assert.True(Math.Abs(clicks[..200].Max()) > 0.001 && clicks.Length >= 2 * Lead - 2 * 48000 / 2);
        // What is heard with its count is the two of them together.
        var heard = CountedRender.Render(new CompiledTemplate(counted), new(InMix, new("pots")) { CountedIn = true }, cancellation: TestContext.Current.CancellationToken);
        var pots = Samples(with, "02-bus-pots.wav");
        Assert.All(Enumerable.Range(0, pots.Length / 2), i => Assert.Equal(heard.Left[i], pots[2 * i] + (2 * i < clicks.Length ? clicks[2 * i] : 0), 1e-6));
    }

    private static float[] Samples(ZipArchive zip, string name)
    {
        using var packed = zip.GetEntry(name)!.Open();
        using var copy = new MemoryStream();
        packed.CopyTo(copy);
        copy.Position = 0;
        using var reader = new WaveFileReader(copy);
        var samples = new float[reader.SampleCount * reader.WaveFormat.Channels];
        Assert.Equal(samples.Length, reader.ToSampleProvider().Read(samples));
        return samples;
    }

    [Fact]
    public void TheFolder_GoesWithIt()
    {
        var folder = Path.Combine(Path.GetTempPath(), $"home-stage-stems-{Guid.NewGuid():N}");
        using (new StemFiles(Pair, [new(new("lid"), StemPoint.AfterFader)], WaveDepth.Int24, folder))
            Assert.Single(Directory.GetFiles(folder));
        Assert.False(Directory.Exists(folder));
    }

    private static byte[] Zipped(IReadOnlyList<Stem> stems, WaveDepth depth, (RenderedSound, int)? count = null)
    {
        using var files = new StemFiles(Pair, stems, depth, Path.Combine(Path.GetTempPath(), $"home-stage-stems-{Guid.NewGuid():N}"), count);
        StemRender.Render(new CompiledTemplate(Pair), InMix, stems, 0, files);
        using var zip = new MemoryStream();
        files.Zip(zip);
        return zip.ToArray();
    }
}
