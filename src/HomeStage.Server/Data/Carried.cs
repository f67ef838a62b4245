using HomeStage.Core.Devices;
using HomeStage.Core.Templates;
using HomeStage.Server.Data.Sounds;
using HomeStage.Server.Data.Studios;

namespace HomeStage.Server.Data;

/// <summary>What lies beside a template and goes along in its project: the files of its sounds and of its devices' states.</summary>
public sealed class Carried(MediaFiles sounds, DeviceStates states)
{
    /// <returns>Gives a file by its content; null for one that is not kept here.</returns>
    public async Task<Func<string, byte[]?>> OfAsync(Template template, CancellationToken cancellation)
    {
        var held = new Dictionary<string, byte[]>(StringComparer.Ordinal);
        foreach (var state in HeldDevice.Of(template).Select(d => d.Device.State).OfType<DeviceState>().DistinctBy(s => s.Content))
            if (await states.FindAsync(state.Content, cancellation) is { } file)
                held[state.Content] = file;
        return content => held.GetValueOrDefault(content) ?? sounds.Whole(content);
    }
}
