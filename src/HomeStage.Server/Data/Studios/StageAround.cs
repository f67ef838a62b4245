using HomeStage.Core.Soundcheck.Findings;
using HomeStage.Core.Templates;
using HomeStage.Server.Data.Sounds;

namespace HomeStage.Server.Data.Studios;

/// <summary>What lies around a template: its sounds, and the studio that is on.</summary>
public sealed class StageAround(MediaStore media, StudioDesk desk)
{
    public async Task<Surroundings> OfAsync(Template template, CancellationToken cancellation) =>
        media.Around(template) with { Studio = (await desk.OnAsync(cancellation))?.Studio };
}
