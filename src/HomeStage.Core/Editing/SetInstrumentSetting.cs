using HomeStage.Core.Templates;

namespace HomeStage.Core.Editing;

/// <summary>Turns one control of a channel's instrument; null sets it back to its default.</summary>
public sealed record SetInstrumentSetting(ChannelId Channel, string Parameter, double? Value) : ChannelEdit(Channel)
{
    protected override EditResult Change(Template template, Channel channel)
    {
        if (channel.Source is not InstrumentSource source)
            return new Refusal.WrongPlace(channel.Name, "plays no instrument");
        double? before = source.Settings.TryGetValue(Parameter, out var old) ? old : null;
        return With(template, channel with { Source = source with { Settings = source.Settings.Put(Parameter, Value) } },
            new SetInstrumentSetting(Channel, Parameter, before));
    }
}
