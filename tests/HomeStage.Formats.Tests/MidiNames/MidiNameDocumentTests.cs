using System.Diagnostics;
using System.Text;
using HomeStage.Core.Kits;
using HomeStage.Formats.MidiNames;

namespace HomeStage.Formats.Tests.MidiNames;

/// <summary>Element names are from memory of the association's document type.</summary>
public sealed class MidiNameDocumentTests
{
    [Fact]
    public void Read_WhatWasWritten_GivesNamesNotesAndFamilies()
    {
        var kit = StandInKits.TidewaterDeep;

        var notes = Read(MidiNameDocument.Write("Tidewater & <Deep>", kit));

        // Far microphones have no note, so they cannot be said.
        Assert.Equal(kit.Pieces.Select(p => (p.Note, p.Name, p.Family)).Order(), notes.Select(n => (n.Note, n.Name, n.Group)).Order());
    }

    [Fact]
    public void Write_IsWholeXml_ToAnotherProgram()
    {
        var path = Path.Combine(Path.GetTempPath(), $"{Guid.NewGuid():N}.midnam");
        File.WriteAllBytes(path, MidiNameDocument.Write("Kit", StandInKits.Breakwater));
        try
        {
            using var lint = Process.Start(new ProcessStartInfo("xmllint", ["--noout", "--nonet", path]) { RedirectStandardError = true, UseShellExecute = false })!;
            Assert.True(lint.WaitForExit(10_000));
            Assert.Equal((0, ""), (lint.ExitCode, lint.StandardError.ReadToEnd()));
        }
        catch (System.ComponentModel.Win32Exception)
        {
            Assert.Skip("xmllint is not installed.");
        }
        finally
        {
            File.Delete(path);
        }
    }

    [Theory]
    [InlineData("Kick\uFFFE", "Kick")]
    [InlineData("\uD800Half", "Half")]
    [InlineData("Bell \U0001F514", "Bell \U0001F514")]
    public void Write_NamesWithWhatXmlCannotHold_LeavesThatOut(string name, string written)
    {
        var kit = StandInKits.Breakwater;
        kit = kit with { Pieces = kit.Pieces.SetItem(0, kit.Pieces[0] with { Name = name }) };

        Assert.Equal(written, Read(MidiNameDocument.Write(name, kit)).Single(n => n.Note == kit.Pieces[0].Note).Name);
    }

    [Fact]
    public void Read_TheListWithMostNotes_WithADocumentTypeAndNotesOutsideOfGroups()
    {
        var notes = Read(Encoding.UTF8.GetBytes("""
            <?xml version="1.0" encoding="UTF-8"?>
            <!DOCTYPE MIDINameDocument PUBLIC "-//MIDI Manufacturers Association//DTD MIDINameDocument 1.0//EN" "http://example.invalid/MIDINameDocument10.dtd">
            <MIDINameDocument><MasterDeviceNames>
              <NoteNameList Name="Short"><Note Number="60" Name="One"/></NoteNameList>
              <NoteNameList Name="Long">
                <Note Number="35" Name="Low kick"/><NoteGroup Name="drums/snare"><Note Number="38" Name="Top"/><Note Number="40" Name="Bottom"/></NoteGroup>
                <Note Number="49" Name="Crash"/><Note Number="400" Name="Nothing"/><Note Number="50" Name=""/><Note Number="38" Name="Again"/>
              </NoteNameList></MasterDeviceNames></MIDINameDocument>
            """));

        Assert.Equal([(35, "Low kick", ""), (38, "Top", "drums/snare"), (40, "Bottom", "drums/snare"), (49, "Crash", "")], notes.Select(n => (n.Note, n.Name, n.Group)));
    }

    [Theory]
    [InlineData("damaged", "<MIDINameDocument><NoteNameList>")]
    [InlineData("not-names", "<html><body/></html>")]
    [InlineData("no-notes", "<MIDINameDocument><NoteNameList Name='x'/></MIDINameDocument>")]
    [InlineData("damaged", "<!DOCTYPE x [<!ENTITY a 'aaaa'><!ENTITY b '&a;&a;&a;'>]><MIDINameDocument>&b;</MIDINameDocument>")]
    public void Read_WhatIsNoNameDocument_IsRefused(string code, string xml) =>
        Assert.Equal(code, Assert.IsType<FormatResult<IReadOnlyList<MidiNameDocument.NamedNote>>.Refused>(MidiNameDocument.Read(Encoding.UTF8.GetBytes(xml))).Code);

    [Fact]
    public void NamedKit_IsWhatWasNamed_AndKeepsWhatStoodOnThoseNotes()
    {
        var kit = StandInKits.Breakwater;

        var named = NamedKit.Of(kit, [(36, "Boots", ""), (38, "Slap", "drums/hands"), (75, "Claves", ""), (39, "slap", "")]);

        Assert.Equal([kit.Pieces[0] with { Name = "Boots" }, kit.Pieces[1] with { Name = "Slap", Family = "drums/hands" }], named.Pieces.Take(2));
        Assert.Equal(("Claves", "percussion/wood", 1), (named.Pieces[2].Name, named.Pieces[2].Family, named.Pieces[2].Microphones[0].Output));
        // No name twice.
        Assert.Equal("slap 2", named.Pieces[3].Name);
        Assert.Equal(4, named.Pieces.Count);
        Assert.Equal(kit.Outputs, named.Outputs);
        Assert.Null(KitRules.Check(named));
    }

    private static IReadOnlyList<MidiNameDocument.NamedNote> Read(byte[] xml) =>
        Assert.IsType<FormatResult<IReadOnlyList<MidiNameDocument.NamedNote>>.Read>(MidiNameDocument.Read(xml)).Value;
}
