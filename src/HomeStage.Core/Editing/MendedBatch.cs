using System.Globalization;
using HomeStage.Core.Templates;

namespace HomeStage.Core.Editing;

/// <summary>A batch that was refused, with what was wrong in it put right.</summary>
/// <param name="Name">What it does otherwise, as a person would say it.</param>
public sealed record MendedBatch(string Name, Sequence<Edit> Edits)
{
    /// <returns>Null where the batch applies as it is, and where nothing is known that would put it right.</returns>
    public static MendedBatch? Of(Template template, Sequence<Edit> edits)
    {
        var mended = new List<Edit>();
        var names = new List<string>();
        foreach (var edit in edits)
        {
            var result = edit.ApplyTo(template);
            var next = edit;
            if (result is EditResult.Refused { Why: Refusal.InputWidth width })
            {
                var input = Fitting(template.Channels[width.Channel], edit);
                next = new TakeInput(width.Channel, input);
                names.Add(Said(width.Name, input));
                result = next.ApplyTo(template);
            }

            if (result is not EditResult.Applied applied)
                return null;
            mended.Add(next);
            template = applied.Template;
        }

        return names.Count == 0 ? null : new(string.Join(", ", names), mended.ToSequence());
    }

    /// <summary>The inputs that were asked for where they were; else as many as the width that was asked for takes.</summary>
    private static InputSource Fitting(Channel channel, Edit asked)
    {
        if (asked is SetSource { Source: InputSource input })
            return input;
        var had = (InputSource)channel.Source!;
        return asked is SetFormat { Format: ChannelFormat.Stereo }
            ? had with { First = Math.Min(had.First, InputSource.Last - 1), Second = Math.Min(had.First, InputSource.Last - 1) + 1 }
            : had with { Second = null, SecondName = null };
    }

    private static string Said(string name, InputSource input) => input.Second is { } second
        ? string.Create(CultureInfo.InvariantCulture, $"{name} takes inputs {input.First} and {second} and is stereo")
        : string.Create(CultureInfo.InvariantCulture, $"{name} takes input {input.First} alone");
}
