using System.IO.Compression;
using System.Text;
using HomeStage.Core.Automation;
using HomeStage.Core.Catalogue;
using HomeStage.Core.Editing;
using HomeStage.Core.Playing;
using HomeStage.Core.Templates;
using HomeStage.Core.Timing;
using HomeStage.Formats.DawProject;
using HomeStage.TestKit;

namespace HomeStage.Formats.Tests.DawProject;

/// <summary>Automation of faders, pans, sends and generic devices as curves, held against the format's own way between points, and against what is heard of our own.</summary>
public sealed class ReadCurvesTests
{
    [Fact]
    public void AGlideAndAStep_AreHeardAsTheFormatHasThem_OverSections()
    {
        // Sections of 8, 8 and 16 quarters at 120: half a second each.
        var song = Read("""
            <Points unit="linear"><Target parameter="v"/><RealPoint time="0" value="0.25" interpolation="hold"/><RealPoint time="4" value="0.25" interpolation="linear"/><RealPoint time="12" value="1" interpolation="hold"/></Points>
            <Points unit="normalized"><Target parameter="p"/><RealPoint time="2" value="0" interpolation="hold"/><RealPoint time="6" value="1" interpolation="hold"/><RealPoint time="20" value="0.5" interpolation="linear"/></Points>
            <Points unit="decibel"><Target parameter="s"/><RealPoint time="0" value="-20" interpolation="linear"/><RealPoint time="8" value="-12" interpolation="hold"/></Points>
            """).Template;

        double amplitude(double quarter) => Math.Pow(10, At(song, new LevelTarget(), quarter) / 20);
        // A straight line of amplitude from a quarter of it to all of it.
        Assert.All(Enumerable.Range(0, 32).Select(i => i / 2.0 + 0.01), q => Assert.Equal(q < 4 ? 0.25 : q >= 12 ? 1 : 0.25 + 0.75 * (q - 4) / 8, amplitude(q), 0.02));
        Assert.All(new[] { (0.5, -1.0), (5.5, -1), (6.2, 1), (15, 1), (19.9, 1), (20.5, 0), (31, 0) }, p => Assert.Equal(p.Item2, At(song, new PanTarget(), p.Item1), 0.01));
        // A straight line of amplitude, from a tenth to a quarter: in its middle 15.14 dB down.
        Assert.Equal(20 * Math.Log10((0.1 + Math.Pow(10, -0.6)) / 2), At(song, new SendTarget(new("hall")), 4), 0.1);
        Assert.Equal(-12, At(song, new SendTarget(new("hall")), 30), 0.01);
    }

    [Fact]
    public void WhatStandsAsTheFader_IsNoCurve_AndWhatIsNoFaderIsSaid()
    {
        var read = Read("""
            <Points unit="linear"><Target parameter="v"/><RealPoint time="0" value="0.5" interpolation="hold"/></Points>
            <Points unit="linear"><Target parameter="v"/><RealPoint time="0" value="0.9" interpolation="hold"/></Points>
            <Points unit="hertz"><Target parameter="cutoff"/><RealPoint time="0" value="500"/></Points>
            <Points unit="linear" timeUnit="seconds"><Target parameter="p"/><RealPoint time="0" value="0.1"/></Points>
            """);

        Assert.Empty(read.Template.Channels.SelectMany(c => c.Shapes));
        Assert.Contains("3 curves of automation of what is no fader, pan, send or control here, or is moved already.", read.LeftOut);
        Assert.Equal(3, read.Held.Single().Curves);
    }

    [Fact]
    public void WhatMovesAGenericDevice_IsACurveOfItsControl()
    {
        var song = Read("""
            <Points unit="seconds"><Target parameter="c.release"/><RealPoint time="0" value="0.05" interpolation="linear"/><RealPoint time="8" value="0.25" interpolation="hold"/></Points>
            <Points unit="hertz"><Target parameter="cutoff"/><RealPoint time="0" value="500" interpolation="hold"/><RealPoint time="16" value="2000" interpolation="hold"/></Points>
            <Points unit="decibel"><Target parameter="off"/><RealPoint time="0" value="6"/></Points>
            <Points unit="decibel"><Target parameter="g.range"/><RealPoint time="0" value="-40"/></Points>
            <Points unit="linear"><Target parameter="c.ratio"/><RealPoint time="0" value="5000"/></Points>
            """, """
            <Compressor id="c"><Enabled value="true"/><Attack id="c.attack" unit="seconds" value="0.01"/><Release id="c.release" unit="seconds" value="0.1"/><Ratio id="c.ratio" unit="linear" value="2"/><Threshold id="c.threshold" unit="decibel" value="-20"/></Compressor>
            <Equalizer><Band type="bell"><Freq id="cutoff" unit="hertz" value="800"/><Gain unit="decibel" value="3"/><Enabled value="true"/></Band><Band type="bell"><Freq unit="hertz" value="800"/><Gain id="off" unit="decibel" value="3"/><Enabled value="false"/></Band></Equalizer>
            <NoiseGate><Range id="g.range" unit="decibel" value="-20"/></NoiseGate>
            """);

        double at(int insert, string parameter, double quarter) => At(song.Template, new InsertTarget(song.Template.Channels.Single(c => c.Name == "Oboe").Inserts[insert].Id, parameter), quarter);
        // A straight line from 50 to 250 ms over the first section of eight quarters.
        Assert.All(new[] { 0.0, 2, 4, 7.5 }, q => Assert.Equal(50 + 25 * q, at(0, "release-ms", q), 1.0));
        Assert.Equal([500, 500, 2000], new[] { 1.0, 15, 17 }.Select(q => Math.Round(at(1, "bell-1-hz", q))));
        Assert.Equal(40, at(2, "range-db", 20), 0.01);
        Assert.Equal(ProcessorCatalogue.Find(ProcessorCatalogue.Compressor)!.Find("ratio")!.Max, at(0, "ratio", 3));
        // What is switched off is moved unheard.
        Assert.Contains("1 curve of automation of what is no fader, pan, send or control here, or is moved already.", song.LeftOut);
    }

    [Fact]
    public void ABandThatALeverTurnsUp_IsSwitchedOn_AndOneThatNothingMoves_IsNot()
    {
        var target = new InsertTarget(new("eq"), "bell-2-db");
        var was = Stages.OneBar(Stages.Tone("a", "mix-bus", ChannelFormat.Stereo, Stages.Insert("eq", ProcessorCatalogue.Equaliser)), new PutLever(new("air", "Air", 0, [new(new("a"), target, 0, 6)])));

        var bells = new Opened(was, Stages.InMix).Project.Descendants("Band").Where(b => (string?)b.Attribute("type") == "bell").Select(b => (string?)b.Element("Enabled")!.Attribute("value"));

        Assert.Equal(["false", "true", "false"], bells);
    }

    [Fact]
    public void ACurveOfThousandsOfPoints_IsThinned_AndStaysNear()
    {
        double Drawn(double quarter) => 0.5 + 0.45 * Math.Sin(quarter * 1.7) * Math.Cos(quarter * 0.31);
        var points = string.Concat(Enumerable.Range(0, 6400).Select(i => FormattableString.Invariant($"""<RealPoint time="{i / 200.0}" value="{Drawn(i / 200.0)}" interpolation="linear"/>""")));

        var song = Read($"""<Points unit="normalized"><Target parameter="p"/>{points}</Points>""").Template;

        Assert.All(song.Channels.SelectMany(c => c.Shapes), s => Assert.InRange(s.Points.Count, 2, Shape.MostPoints));
        Assert.All(Enumerable.Range(0, 310).Select(i => i / 10.0), q => Assert.Equal(2 * Drawn(q) - 1, At(song, new PanTarget(), q), 0.02));
    }

    [Fact]
    public void CurvesOfOurs_AreHeardTheSame_WhenTheyComeBack()
    {
        var (moving, controls) = (0, 0);
        for (var seed = 0; seed < Runs.Of(60, 800); seed++)
        {
            var was = Turned(new RandomTemplates(seed).Grown(90), new(seed));
            var opened = new Opened(was, was.Acts[0].Id);
            var now = ReadFile(opened.Entries["project.xml"]).Template;
            var order = opened.Project.Descendants("Track").Select(t => ((string)t.Attribute("id")!)["track.".Length..]).Select(id => was.Channels[new ChannelId(id)]).ToList();
            var there = order.Zip(now.Channels).ToDictionary(x => x.First.Id, x => x.Second);
            var (after, time) = (new Movement(now), new TimeMap(was.Timeline));
            foreach (var channel in order)
                foreach (var (id, same, range) in Targets(channel, there))
                    if (opened.Project.Descendants("Points").FirstOrDefault(p => (string?)p.Element("Target")!.Attribute("parameter") == id) is { } points)
                    {
                        moving++;
                        controls += range is null ? 0 : 1;
                        var said = points.Elements("RealPoint").Select(p => (Time: (double)p.Attribute("time")!, Value: (double)p.Attribute("value")!, Holds: (string?)p.Attribute("interpolation") == "hold")).ToList();
                        foreach (var section in time.Sections)
                            for (var i = 0; i < 20; i++)
                            {
                                var share = (i + 0.37) / 20;
                                var (one, other) = (Line(said, (section.StartTick + section.LengthTicks * share) / Ticks.PerQuarter),
                                    after.At(there[channel.Id].Id, same, StoredValue.Of(there[channel.Id], same) ?? 0, section.StartSeconds + section.LengthSeconds * share));
                                var off = same is PanTarget ? Math.Abs(2 * one - 1 - other) / 0.01
                                    : range is { } moved ? Math.Abs(Math.Clamp(moved.Ours(one), moved.Min, moved.Max) - other) / (moved.IsPitch ? 0.02 * other : 0.01 * (moved.Max - moved.Min))
                                    : Math.Abs(Math.Max(20 * Math.Log10(one + 1e-12), -45) - Math.Max(other, -45)) / 0.15;
                                Assert.True(off <= 1, $"Seed {seed}, {channel.Name}, {id}, {section.Section.Name} at {i}: {one} became {other}.");
                            }
                    }
        }

        Assert.True(moving > Runs.Of(60, 800) / 4, $"Only {moving} moved.");
        Assert.True(controls > Runs.Of(60, 800) / 2, $"Only {controls} controls moved.");
    }

    private static bool IsGeneric(Insert insert) =>
        insert.Device is null && insert.Processor is ProcessorCatalogue.Equaliser or ProcessorCatalogue.Gain or ProcessorCatalogue.Compressor or ProcessorCatalogue.Gate or ProcessorCatalogue.Limiter;

    /// <summary>With a curve on one control of each generic device, where it may have one.</summary>
    private static Template Turned(Template template, Random random)
    {
        foreach (var channel in template.Channels)
            foreach (var insert in channel.Inserts.Where(IsGeneric))
            {
                var parameters = insert.Parameters().Where(p => p.StandsStill is null).ToList();
                var parameter = parameters[random.Next(parameters.Count)];
                double Within() => parameter.Min + (parameter.Max - parameter.Min) * random.NextDouble();
                var curve = new Shape(new InsertTarget(insert.Id, parameter.Id), template.Timeline.Sections[random.Next(template.Timeline.Sections.Count)].Id, [new(0, Within()), new(random.NextDouble(), Within()), new(1, Within())]);
                template = new PutShape(channel.Id, curve).ApplyTo(template) is EditResult.Applied applied ? applied.Template : template;
            }

        return template;
    }

    private static IEnumerable<(string Id, Target Now, Control? Of)> Targets(Channel channel, Dictionary<ChannelId, Channel> there)
    {
        yield return (ProjectIds.Volume(channel.Id), new LevelTarget(), null);
        yield return (ProjectIds.Pan(channel.Id), new PanTarget(), null);
        foreach (var send in channel.Sends.Where(s => s.Open))
            yield return (ProjectIds.Send(channel.Id, send.To), new SendTarget(there[send.To].Id), null);
        // What the format can say of a strip stands there in the same order.
        foreach (var (was, now) in channel.Inserts.Where(IsGeneric).Zip(there[channel.Id].Inserts.Where(i => i.Device is null)))
            foreach (var parameter in was.Parameters())
                yield return (ProjectIds.Parameter(channel.Id, was.Id, parameter.Id), new InsertTarget(now.Id, parameter.Id), Control.Of(was.Processor, parameter.Id, parameter.Min, parameter.Max));
    }

    /// <summary>How a control of ours is counted against the format's number: seconds against milliseconds, what a gate leaves against what it takes away.</summary>
    private sealed record Control(double Min, double Max, Func<double, double> Ours, bool IsPitch)
    {
        public static Control Of(string processor, string parameter, double min, double max) =>
            new(min, max, x => parameter.EndsWith("-ms", StringComparison.Ordinal) ? 1000 * x : (processor, parameter) == (ProcessorCatalogue.Gate, "range-db") ? -x : x, parameter.EndsWith("-hz", StringComparison.Ordinal));
    }

    /// <summary>As the format goes from point to point.</summary>
    private static double Line(List<(double Time, double Value, bool Holds)> points, double quarter)
    {
        var at = points.FindLastIndex(p => p.Time <= quarter);
        return points[at].Holds || at == points.Count - 1 ? points[at].Value
            : points[at].Value + (points[at + 1].Value - points[at].Value) * (quarter - points[at].Time) / (points[at + 1].Time - points[at].Time);
    }

    private static double At(Template song, Target target, double quarter)
    {
        var channel = song.Channels.Single(c => c.Name == "Oboe");
        return new Movement(song).At(channel.Id, target, StoredValue.Of(channel, target) ?? 0, quarter / 2);
    }

    /// <summary>An oboe at half of its amplitude, hard in the middle, with a send to a hall, and three sections.</summary>
    private static ReadProject Read(string points, string devices = "") => ReadFile(Encoding.UTF8.GetBytes($"""
        <Project version="1.0"><Transport><Tempo value="120" unit="bpm"/></Transport>
          <Arrangement><Lanes timeUnit="beats"><Lanes track="a"><Clips><Clip time="0" duration="32"/></Clips>{points}</Lanes></Lanes>
            <Markers><Marker time="0" name="A"/><Marker time="8" name="B"/><Marker time="16" name="C"/><Marker time="32" name="End"/></Markers></Arrangement>
          <Structure><Track id="a" name="Oboe" contentType="audio"><Channel id="ca" destination="cm"><Devices>{devices}</Devices><Pan id="p" unit="normalized" value="0.5"/><Sends><Send destination="ch" type="post"><Volume id="s" value="0.25" unit="linear"/></Send></Sends><Volume id="v" unit="linear" value="0.5"/></Channel></Track>
            <Track id="h" name="Hall"><Channel id="ch" role="effect" destination="cm"/></Track><Track id="m" name="Out"><Channel id="cm" role="master"/></Track></Structure></Project>
        """));

    private static ReadProject ReadFile(byte[] xml)
    {
        using var stream = new MemoryStream();
        using (var zip = new ZipArchive(stream, ZipArchiveMode.Create, leaveOpen: true))
        using (var entry = zip.CreateEntry("project.xml").Open())
            entry.Write(xml);
        return ((FormatResult<ReadProject>.Read)ProjectReader.Read(stream.ToArray(), "Curves")).Value;
    }
}
