using HomeStage.Core.Casting;
using HomeStage.Core.Catalogue;
using HomeStage.Core.Templates;
using HomeStage.Core.Timing;

namespace HomeStage.Core.Tests.Casting;

/// <summary>What a page of names says.</summary>
public class CastReaderTests
{
    [Theory]
    [InlineData("Voices: two singers, three answers; mono; input 1", "Voices|Singer 1|Singer 2|Answer 1|Answer 2|Answer 3")]
    [InlineData("Choir: sopranos 2–4, alto x 2, 3 basses", "Choir|Soprano 2|Soprano 3|Soprano 4|Alto 1|Alto 2|Bass 1|Bass 2|Bass 3")]
    [InlineData("Odds: 808 kick, 12 string guitar, glass harp, bass, spy, boxes × 2, lilies × 2", "Odds|808 kick|12 string guitar|Glass harp|Bass|Spy|Box 1|Box 2|Lily 1|Lily 2")]
    [InlineData("Keys · pianos", "Keys|Pianos")]
    [InlineData("Far: two echoes, two oboes, two banjoes", "Far|Echo 1|Echo 2|Oboe 1|Oboe 2|Banjo 1|Banjo 2")]
    [InlineData("Low\n  tuba · sousa\n    horn", "Low|Tuba|Sousa|Horn")]
    [InlineData("Voices: \"two singers, mono\", \"a \"\"b\"\"\"", "Voices|two singers, mono|a \"b\"")]
    [InlineData("Voices: singer\nBacking: singer", "Voices|Singer|Backing|Singer 2")]
    [InlineData("Narrator: three takes, spare", "Narrator|Narrator take 1|Narrator take 2|Narrator take 3|Narrator spare")]
    [InlineData("# nothing\n\n   \nMurk", "Murk")]
    public void Names(string text, string names) => Assert.Equal(names.Split('|'), CastReader.Read(text).Entries.Select(e => e.Name));

    /// <summary>Common practice: voices and guitars are recorded, effects are returns, references go around the main.</summary>
    [Theory]
    [InlineData("Voices: narrator", ChannelKind.Audio)]
    [InlineData("Voices: gurgle", ChannelKind.Audio)]
    [InlineData("Guitars: twelve string", ChannelKind.Audio)]
    [InlineData("Brass: tuba", ChannelKind.Instrument)]
    [InlineData("Brass: tuba on input 3", ChannelKind.Audio)]
    [InlineData("Brass: tuba on two microphones", ChannelKind.Audio)]
    [InlineData("Brass: tuba (bus)", ChannelKind.Bus)]
    [InlineData("Returns: well", ChannelKind.Return)]
    [InlineData("References: someone's mix", ChannelKind.Direct)]
    [InlineData("Triggers: heart", ChannelKind.Trigger)]
    [InlineData("Voices: narrator by Bellbuoy", ChannelKind.Instrument)]
    [InlineData("Brass: narrator (instrument)", ChannelKind.Instrument)]
    public void Kinds(string text, ChannelKind kind) => Assert.Equal(kind, CastReader.Read(text).Entries[^1].Kind);

    [Fact]
    public void AReturnThatIsSaidInBrackets_TakesWhatIsSaidOfEffects_WhateverItIsCalled()
    {
        var entries = CastReader.Read("Vaults: crypt (return) 2,4 s -5 dB, drain (return) 1/8 dotted left, 1/8 right into crypt -9 dB, oar 1/8").Entries;

        Assert.Equal(["Vaults", "Crypt", "Drain", "Oar 1/8"], entries.Select(e => e.Name));
        Assert.Equal([ChannelKind.Bus, ChannelKind.Return, ChannelKind.Return, ChannelKind.Instrument], entries.Select(e => e.Kind));
        Assert.Equal((2.4, -5.0), (entries[1].Details.DecaySeconds, entries[1].Details.Db));
        Assert.Equal((0.75, 0.5, new CastSend("crypt", -9)), (entries[2].Details.LeftQuarters, entries[2].Details.RightQuarters, entries[2].Details.Into.Single()));
    }

    [Fact]
    public void WhatIsSaidOfALine_IsSaidOfAllInIt_AndOfOneOverThat()
    {
        var entries = CastReader.Read("Voices: singer 1-2, answer stereo -3,5 dB pan 30 left; mono; input 4; makes room for Kick, 5 dB, back by 1/8D").Entries;

        Assert.Equal([ChannelFormat.Mono, ChannelFormat.Mono, ChannelFormat.Stereo], entries.Skip(1).Select(e => e.Details.Format));
        Assert.All(entries.Skip(1), e => Assert.Equal((4, (int?)null), (e.Details.Input!.Value, e.Details.SecondInput)));
        Assert.Equal((-3.5, -0.3), (entries[3].Details.Db, entries[3].Details.Pan));
        Assert.Null(entries[1].Details.RoomFor);
        Assert.Equal(("Kick", 5.0, 0.75), (entries[0].Details.RoomFor, entries[0].Details.RoomDb, entries[0].Details.BackQuarters));
    }

    /// <summary>"Input" is the one that all share, "inputs" are taken in turn, and two of them of one channel are its sides.</summary>
    [Theory]
    [InlineData("V: singers 1–3 input 2", "2 2 2")]
    [InlineData("V: singers 1–3 inputs 2", "2 3 4")]
    [InlineData("V: singers 1–3 inputs 2-4", "2 3 4")]
    [InlineData("V: singer a, singer b; inputs 7", "7 8")]
    [InlineData("V: piano inputs 5 and 6", "5+6")]
    [InlineData("V: piano inputs 5-6", "5+6")]
    [InlineData("V: piano inputs 5 and 8", "5+8")]
    [InlineData("V: piano inputs 5–8", "5")]
    [InlineData("V: piano input 5-8", "5")]
    [InlineData("V: fiddle on two microphones, inputs 3", "3 4")]
    [InlineData("V: crowd; stereo; inputs 5 and 6", "5+6")]
    [InlineData("V: fiddle on two microphones; inputs 3 and 4", "3 4")]
    [InlineData("V: singers 1–2 inputs 128", "128 -")]
    public void Inputs(string text, string inputs) =>
        Assert.Equal(inputs, string.Join(' ', CastReader.Read(text).Entries.Skip(1).Select(e => e.Details.Input is null ? "-" : $"{e.Details.Input}{(e.Details.SecondInput is { } second ? $"+{second}" : "")}")));

    [Fact]
    public void Effects_HaveTheirTimes_AndGoOn()
    {
        var entries = CastReader.Read("Returns: well 1,8 s, slap 1/8 dotted left, 1/4 right, into well, 4 dB, gong 1/4T cut under 300 cut over 6000 hz").Entries;

        Assert.Equal(1.8, entries[1].Details.DecaySeconds);
        Assert.Equal((0.75, 1.0), (entries[2].Details.LeftQuarters, entries[2].Details.RightQuarters));
        Assert.Equal(new CastSend("well", 4), Assert.Single(entries[2].Details.Into));
        Assert.Equal((2.0 / 3, 300.0, 6000.0), (entries[3].Details.LeftQuarters!.Value, entries[3].Details.LowCutHz!.Value, entries[3].Details.HighCutHz!.Value));
        // Nothing but a reverb lasts for seconds.
        var barn = CastReader.Read("Effects: stone barn 2.6 s").Entries[1];
        Assert.Equal(("Stone barn", ChannelKind.Return, 2.6, "reverb"), (barn.Name, barn.Kind, barn.Details.DecaySeconds, barn.Details.Role));
        // Elsewhere a fraction is a part of the name.
        Assert.Equal("Loop 3/4", CastReader.Read("Loops: loop 3/4").Entries[1].Name);
    }

    [Fact]
    public void APlace_HoldsWhatIsSetInUnderIt()
    {
        var entries = CastReader.Read("Drums\n\tShells\n\t\tkick · snare\n\thats\nBass").Entries;

        string? Under(string name) => entries.Single(e => e.Name == name).Under is { } i ? entries[i].Name : null;
        Assert.Equal(("Shells", "Drums", "Drums", null, null), (Under("Kick"), Under("Shells"), Under("Hats"), Under("Drums"), Under("Bass")));
    }

    [Theory]
    [InlineData("Drums: eleven pads, mono jacks", 11, ChannelFormat.Mono)]
    [InlineData("Percussion: 3 pads", 3, null)]
    [InlineData("Sticks: five pads", 5, null)]
    [InlineData("Boxes: thump, tick, hiss; stereo jacks", 3, ChannelFormat.Stereo)]
    [InlineData("Boxes: thump, tick; single jacks", 2, ChannelFormat.Mono)]
    public void PadsAndJacks_AreOneMachine(string text, int pieces, ChannelFormat? jacks)
    {
        var machine = CastReader.Read(text).Entries[1];

        Assert.Equal((pieces, jacks, ChannelKind.Instrument), (machine.PieceCount, machine.Details.Jacks, machine.Kind));
        Assert.Equal(pieces, machine.Pieces!.Split(", ").Length);
    }

    [Theory]
    [InlineData("Boxes: thump, tick, hiss on nine outputs", 3, 9, ChannelFormat.Mono)]
    [InlineData("Boxes: thump on nine outputs, tick, hiss", 3, 9, ChannelFormat.Mono)]
    [InlineData("Boxes: thump, tick, hiss; with 5 stereo outs", 3, 5, ChannelFormat.Stereo)]
    [InlineData("Drums: eleven pads on 16 mono jacks", 11, 16, ChannelFormat.Mono)]
    public void HowManyOutputsAMachineHas_IsSaidWithItsPieces(string text, int pieces, int outputs, ChannelFormat width)
    {
        var sheet = CastReader.Read(text);

        Assert.Empty(sheet.Marks);
        Assert.Equal((pieces, outputs, width), (sheet.Entries[1].PieceCount, sheet.Entries[1].Details.JackCount, sheet.Entries[1].Details.Jacks));
    }

    /// <summary>More than a kit can have are part of the name: 33 pairs are 66 outputs.</summary>
    [Fact]
    public void MoreOutputsThanThereCanBe_AreNotUnderstood() => Assert.NotEmpty(CastReader.Read("Boxes: thump, tick; on 33 stereo outputs").Marks);

    [Theory]
    [InlineData("Keys: six pads")]
    [InlineData("Fog: four pads")]
    public void PadsElsewhere_AreSounds(string text) => Assert.All(CastReader.Read(text).Entries.Skip(1), e => Assert.Null(e.Pieces));

    [Fact]
    public void TheTimeline_IsSaidInLinesOfItsOwn()
    {
        var sheet = CastReader.Read("Tempo 97,5\nMeter: 7/8\nkey: f# minor\nSections: Verse 8, lift 4 bars · Verse");

        Assert.Equal((97.5, new Meter(7, 8), "F♯ minor"), (sheet.TempoBpm, sheet.Meter, sheet.Key!.Name));
        Assert.Equal([("Verse", 8), ("Lift", 4), ("Verse 2", 8)], sheet.Sections.Select(s => (s.Name, s.Bars)));
        Assert.Empty(sheet.Entries);
    }

    [Theory]
    [InlineData("133 BPM, 5/4, B flat minor")]
    [InlineData("133 bpm · 5/4 · Bb min")]
    [InlineData("5/4\nB♭ minor\n133 BPM")]
    [InlineData("Tempo 133, time signature 5/4, key bbm")]
    public void TheTimeline_IsKnownByItsNumbers(string text)
    {
        var sheet = CastReader.Read(text);

        Assert.Equal((133.0, new Meter(5, 4), "B♭ minor"), (sheet.TempoBpm, sheet.Meter, sheet.Key?.Name));
        Assert.Empty(sheet.Entries);
    }

    /// <summary>What stands among other names is one, and so is a letter alone.</summary>
    [Theory]
    [InlineData("Sections\n  ebb 4 · flood 8 3/4\n  Ebb 4\nBass: sub")]
    [InlineData("Sections:\n\tEbb 4\n\tFlood 8 3/4, ebb 4\n# a remark\nBass: sub")]
    [InlineData("Sections: Ebb 4\n  flood 8 3/4\n\n  ebb 4\nBass\n  sub")]
    public void Sections_CanStandInLinesThatAreSetIn(string text)
    {
        var sheet = CastReader.Read(text);

        Assert.Equal([("Ebb", 4, null), ("Flood", 8, new Meter(3, 4)), ("Ebb 2", 4, null)], sheet.Sections.Select(s => (s.Name, s.Bars, s.Meter)));
        Assert.Equal(["Bass", "Sub"], sheet.Entries.Select(e => e.Name));
        Assert.Empty(sheet.Marks);
    }

    [Theory]
    [InlineData("133 BPM, kick")]
    [InlineData("Songs: 5/4, D minor")]
    [InlineData("A")]
    public void WhatOnlyLooksLikeTheTimeline_IsAName(string text)
    {
        var sheet = CastReader.Read(text);

        Assert.Equal((null, null, null), (sheet.TempoBpm, sheet.Meter, sheet.Key));
        Assert.NotEmpty(sheet.Entries);
    }

    [Theory]
    [InlineData("Bass ducks under Kick; 5 dB")]
    [InlineData("Bass: sub; ducks to Kick, 5 dB")]
    [InlineData("Bass; is ducked by Kick, 5 dB")]
    public void Ducking_IsMakingRoom(string text) =>
        Assert.Equal(("Bass", "Kick", 5.0), (CastReader.Read(text).Entries[0] is var bass ? (bass.Name, bass.Details.RoomFor, bass.Details.RoomDb) : default));

    [Fact]
    public void ASection_CanHaveATempoAndAMeterOfItsOwn_AndOneThatCannotBeIsMarked()
    {
        var sheet = CastReader.Read("Sections: Verse 8, Crossing 6 bars 4/4 104 BPM, Storm @ 900, Calm 2 5/3");

        Assert.Equal([("Verse", 8, null, null), ("Crossing", 6, 104.0, new Meter(4, 4))], sheet.Sections.Select(s => (s.Name, s.Bars, s.TempoBpm, s.Meter)));
        Assert.Equal(["Storm @ 900", "Calm 2 5/3"], sheet.Marks.Select(m => "Sections: Verse 8, Crossing 6 bars 4/4 104 BPM, Storm @ 900, Calm 2 5/3".Substring(m.At.Start, m.At.Length)));
    }

    [Theory]
    [InlineData("Voices: singer; glorp", 0, 16, 5)]
    [InlineData("Voices: mono", 0, 8, 4)]
    [InlineData("V: singers × 99", 0, 3, 12)]
    [InlineData("References: a\n  b: c", 1, 2, 1)]
    [InlineData("Tempo 900", 0, 0, 9)]
    [InlineData("92 BPM, 5/3", 0, 8, 3)]
    [InlineData("Sections:\n  Ebb 4\n  Flood 8 5/3", 2, 2, 11)]
    [InlineData("Key h", null, 0, 0)]
    public void WhatIsNotUnderstood_IsMarkedWhereItStands(string text, int? line, int start, int length) =>
        Assert.Equal(line is { } at ? [new CastSpan(at, start, length)] : [], CastReader.Read(text).Marks.Select(m => m.At));

    /// <summary>As a spreadsheet puts it on the clipboard (tabs), and as it saves it (RFC 4180, commas).</summary>
    [Theory]
    [InlineData("Voices\tSinger 1\tSinger 2\r\n\tAnswer\r\nBass\tSub")]
    [InlineData("Voices,Singer 1,Singer 2\n,Answer\nBass,Sub")]
    [InlineData("Bus\tName\nVoices\tSinger 1\n\tSinger 2\n\tAnswer\nBass\tSub")]
    [InlineData("name,group\n\"Singer 1\",Voices\nSinger 2,\nAnswer,Voices\nSub,Bass\n")]
    public void RowsOfASpreadsheet(string text)
    {
        var sheet = CastReader.Read(text);

        Assert.Equal(["Voices", "Singer 1", "Singer 2", "Answer", "Bass", "Sub"], sheet.Entries.Select(e => e.Name));
        Assert.Equal([null, 0, 0, 0, null, 4], sheet.Entries.Select(e => e.Under));
        Assert.Empty(sheet.Marks);
    }

    [Fact]
    public void RowsWithAHeading_SayWhatTheirColumnsAre()
    {
        var entries = CastReader.Read("Channel,Bus,Input,Width,Instrument,Level\n2 pianos,Keys,,,Bellbuoy,-3\n\"Choir, left\",Voices,3-4,stereo,,\nPip,Voices,in 7,,,").Entries;

        Assert.Equal(("2 pianos", InstrumentCatalogue.Bellbuoy, -3.0), (entries[1].Name, entries[1].Details.Instrument, entries[1].Details.Db));
        Assert.Equal(("Choir, left", 3, 4), (entries[3].Name, entries[3].Details.Input, entries[3].Details.SecondInput));
        Assert.Equal(7, entries[4].Details.Input);
    }

    [Fact]
    public void AnyText_IsReadWithoutAWord()
    {
        var chance = new Random(7);
        const string Signs = "ab :;,·\"()\n\t 12×–/dB into mono input gives way to back by 1/8 pads jacks";
        for (var i = 0; i < 2000; i++)
        {
            var text = string.Concat(Enumerable.Range(0, chance.Next(80)).Select(_ => chance.Next(3) > 0 ? Signs[chance.Next(Signs.Length)].ToString() : Signs.Split(' ')[chance.Next(12)] + " "));
            var sheet = CastReader.Read(text);
            var lines = text.Split('\n');
            Assert.All(sheet.Marks.Select(m => m.At).Concat(sheet.Entries.Select(e => e.At)), at => Assert.InRange(at.Start + at.Length, 0, lines[at.Line].Length));
            Assert.All(sheet.Entries, e => Assert.InRange(e.Name.Length, 1, 80));
        }
    }
}
