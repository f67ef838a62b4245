using HomeStage.Core.Cabled;
using HomeStage.Core.Machines;
using HomeStage.Core.Templates;
using HomeStage.TestKit;

namespace HomeStage.Core.Tests.Cabled;

/// <summary>Pads pressed on a device that is cabled somehow, and the inputs that light.</summary>
public class CabledMachineTests
{
    public static TheoryData<string> Ids => [.. CabledMachines.All.Select(d => d.Id)];

    [Theory]
    [MemberData(nameof(Ids))]
    public void Cables_OfADevice_EndInOneInputEach_AndNotAllInOrder(string id)
    {
        var device = CabledMachines.Find(id)!;

        Assert.Equal(Enumerable.Range(0, device.Jacks), device.Cables.Order());
        Assert.NotEqual(Enumerable.Range(0, device.Jacks), device.Cables);
    }

    /// <summary>Twelve pads on twelve single jacks, each by its own: pad n leaves by a jack that nothing else leaves by, so every input lights once.</summary>
    [Fact]
    public void Press_EveryPadOfABoxOfSingleJacks_LightsOneInputEach_AndAllOfThem()
    {
        var device = CabledMachines.Find("bollard")!;

        var lit = device.Pads.Select(p => Assert.Single(device.Press(p.Note, 5))).ToList();

        Assert.Equal(Enumerable.Range(5, 12), lit.Select(l => l.Input).Order());
        Assert.All(lit, l => Assert.InRange(l.PeakDbfs, -30, 0));
    }

    [Fact]
    public void Press_ADrumWithTwoMicrophones_LightsBoth_AndTheOverheadsBehindThem()
    {
        var device = CabledMachines.Find("gangway")!;
        int[] InputsOf(string pad) => [.. device.Press(device.Pads.Single(p => p.Name == pad).Note, 1).Select(l => l.Input)];

        var (kick, snare, ride) = (InputsOf("Kick"), InputsOf("Snare"), InputsOf("Ride"));

        Assert.Equal((4, 4, 4), (kick.Length, snare.Length, ride.Length));
        // The overheads hear all three, and nothing else does.
        var far = kick.Intersect(snare).Intersect(ride).ToList();
        Assert.Equal(2, far.Count);
        Assert.Equal(2, kick.Intersect(snare).Union(kick.Intersect(ride)).Union(snare.Intersect(ride)).Count());
        Assert.Empty(kick[..2].Intersect(far));
    }

    [Fact]
    public void Press_AStereoPadOfADeviceWithPairs_LightsTwoNeighbours()
    {
        var device = CabledMachines.Find("tiller")!;

        var lit = device.Press(device.Pads.Single(p => p.Name == "Chord").Note, 9).Select(l => l.Input).Order().ToList();

        Assert.Equal(2, lit.Count);
        Assert.Equal(lit[0] + 1, lit[1]);
        Assert.Equal(1, lit[0] % 2);
        Assert.Throws<ArgumentOutOfRangeException>(() => device.Press(1, 9));
    }

    /// <summary>The job: a box that somebody believes to be cabled in order is heard pad by pad, and its inputs are called after what lights them.</summary>
    [Fact]
    public void Naming_EveryPadOfABoxThatIsCabledOtherwise_EndsWithInputsThatAreCalledAfterTheirPads()
    {
        var device = CabledMachines.Find("bollard")!;
        var list = string.Join(", ", device.Pads.Select(p => p.Name));
        var believed = EmptyStage.Create("Believed");
        believed = believed.With([.. ((MachineResult.Made)OwnMachine.Of(believed, new("Box", list, 12, false) { FirstReserved = false, FirstInput = 1 })).Machine.Edits]);

        var heard = believed;
        foreach (var pad in device.Pads)
            heard = heard.With([.. InputNaming.Of(heard, device.Press(pad.Note, 1)[0].Input, pad.Name)]);

        string CalledAt(Template template, int input) => Assert.Single(InputNaming.TakersOf(template, input)).Name;
        Assert.All(device.Pads, pad => Assert.Equal(pad.Name, CalledAt(heard, device.Press(pad.Note, 1)[0].Input)));
        // As many were called otherwise before as cables are crossed.
        Assert.Equal(device.Cables.Where((cable, jack) => cable != jack).Count(), Enumerable.Range(1, 12).Count(i => CalledAt(believed, i) != CalledAt(heard, i)));
    }
}
