using HomeStage.Core.Devices;
using HomeStage.Core.Templates;

namespace HomeStage.Core.Editing;

/// <summary>Puts a processor, as new ones of it begin, into a channel's strip, under an id that the strip does not have.</summary>
/// <param name="Processor">Id in the processor catalogue.</param>
/// <param name="Place">Index in the strip, in [0, count]; null for the end.</param>
/// <param name="Device">The device that it stands in for; null where the processor is meant itself.</param>
public sealed record MakeInsert(ChannelId Channel, string Processor, int? Place = null, OutsideDevice? Device = null) : ChannelEdit(Channel)
{
    protected override EditResult Change(Template template, Channel channel)
    {
        if (!Identifier.IsValid(Processor))
            return new Refusal.Missing("processor", Processor, "in the catalogue");
        var taken = channel.Inserts.Select(i => i.Id.Value).ToHashSet();
        var id = Numbering.FreshId(Device is null ? Processor : Identifier.Of(Device.Name, Processor), i => taken.Contains(i.Value));
        var made = new Insert(new(id.Value), Processor) { Device = Device };
        // A device begins as it is; its settings are its own.
        return new AddInsert(Channel, Device is null && template.FirstPatchOf(Processor) is { } patch ? patch.On(made) : made, Place).ApplyTo(template);
    }
}
