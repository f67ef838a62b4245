using HomeStage.Core.Editing;
using HomeStage.Core.Making;
using HomeStage.Core.Templates;

namespace HomeStage.Core.Cabled;

/// <summary>Calls a hardware input after what was heard on it: the channels that take it bear the name, or one is made that does, beside what
/// takes the nearest input.</summary>
public static class InputNaming
{
    /// <param name="input">Number of the input, in [1, 128].</param>
    /// <param name="name">1 to 80 characters.</param>
    /// <returns>Edits for the template; none where it is called that already.</returns>
    public static Sequence<Edit> Of(Template template, int input, string name)
    {
        if (BearerOf(template, input) is not { } bearer)
        {
            var neighbour = template.Channels.Where(c => c.Source is InputSource && c.Destination is not null).MinBy(c => Math.Abs(((InputSource)c.Source!).First - input));
            var made = ChannelFactory.Make(template, new(ChannelKind.Audio) { Name = name, Under = neighbour?.Destination, Input = input, Format = ChannelFormat.Mono });
            return [new AddChannel(made with { Source = new InputSource(input, Monitored: true) })];
        }

        return bearer.Name == name ? [] : [new RenameChannel(bearer.Id, name)];
    }

    /// <summary>The channel that an input is called after: the first that monitors it, else the first that takes it, as another take may do; null for none.</summary>
    public static Channel? BearerOf(Template template, int input) =>
        TakersOf(template, input).OrderByDescending(c => ((InputSource)c.Source!).Monitored).FirstOrDefault();

    /// <summary>Channels that a hardware input comes in on, in the order of the template.</summary>
    public static IEnumerable<Channel> TakersOf(Template template, int input) =>
        template.Channels.Where(c => c.Source is InputSource source && (source.First == input || source.Second == input));
}
