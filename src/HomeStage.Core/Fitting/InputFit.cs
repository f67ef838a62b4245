using System.Globalization;
using HomeStage.Core.Editing;
using HomeStage.Core.Studios;
using HomeStage.Core.Templates;

namespace HomeStage.Core.Fitting;

/// <summary>Gives the hardware inputs that a template names to those of an interface: by name, then by number, then what is free.</summary>
/// <remarks>Inputs that were two stay two; channels that shared one go on sharing it.</remarks>
internal sealed class InputFit
{
    private readonly Template _template;
    private readonly AudioInterface _audio;
    private readonly IReadOnlyList<Channel> _channels;
    private readonly Dictionary<Jack, int> _given = [];

    public InputFit(Template template, AudioInterface audio)
    {
        (_template, _audio) = (template, audio);
        _channels = [.. template.Channels.Where(c => c.Source is InputSource)];
        var wanted = _channels.Where(c => !Waits(c)).OrderBy(c => InputOf(c) is { Monitored: false, Armed: false }).SelectMany(c => JacksOf(InputOf(c))).Distinct().ToList();
        foreach (var jack in wanted.Where(j => j.Name is not null))
            Give(jack, Enumerable.Range(1, audio.Inputs.Count).FirstOrDefault(n => string.Equals(audio.InputName(n), jack.Name, StringComparison.OrdinalIgnoreCase)));
        foreach (var jack in wanted)
            Give(jack, jack.Number <= audio.Inputs.Count ? jack.Number : 0);
        foreach (var channel in _channels.Where(c => !Waits(c)))
            GiveFree([.. JacksOf(InputOf(channel))]);
    }

    public IEnumerable<FitLine> Lines() => _channels.Select(LineOf);

    /// <summary>Channels that would be heard by the same input at once, after what is proposed for the others.</summary>
    /// <param name="after">The template with the inputs as they are proposed.</param>
    /// <param name="act">The act that is looked at; null for every one.</param>
    public static IEnumerable<FitLine> Shared(Template after, string? act = null)
    {
        var acts = after.Acts.Select(a => a.Id).Where(a => act is null || a == act).ToList();
        var heard = new Dictionary<int, List<Channel>>();
        foreach (var channel in after.Channels.Where(c => c.Source is InputSource { Monitored: true } && !Waits(after, c)))
        {
            var input = InputOf(channel);
            var before = NumbersOf(input).SelectMany(n => heard.TryGetValue(n, out var others) ? others : [])
                .FirstOrDefault(c => acts.Exists(a => Runs(c, a) && Runs(channel, a)));
            foreach (var number in NumbersOf(input))
                (heard.TryGetValue(number, out var others) ? others : heard[number] = []).Add(channel);
            if (before is not null)
                yield return new(FitKind.SharedInput, channel.Id, Spoken(input), Spoken(input), $"shares it with {before.Name}: both are heard at once",
                    [new($"record in turn: only {before.Name} is monitored", [new MonitorInputs([channel.Id], false, false)]), new("both stay monitored", [])]);
        }
    }

    internal static bool Runs(Channel channel, string act) => channel.StageIn(act) != StageState.InTheWings;

    internal static string Spoken(InputSource input)
    {
        var names = new[] { input.FirstName, input.SecondName }.OfType<string>().ToList();
        return string.Create(CultureInfo.InvariantCulture, $"{(input.Second is { } second ? $"{input.First}–{second}" : $"{input.First}")}{(names.Count > 0 ? $" · {string.Join(", ", names)}" : "")}");
    }

    private static InputSource InputOf(Channel channel) => (InputSource)channel.Source!;

    private static IEnumerable<int> NumbersOf(InputSource input) => input.Second is { } second ? [input.First, second] : [input.First];

    private static IEnumerable<Jack> JacksOf(InputSource input) =>
        input.Second is { } second ? [new(input.First, input.FirstName), new(second, input.SecondName)] : [new(input.First, input.FirstName)];

    private static bool Waits(Template template, Channel channel) => template.Acts.All(a => !Runs(channel, a.Id));

    private bool Waits(Channel channel) => Waits(_template, channel);

    private void Give(Jack jack, int number)
    {
        if (number > 0 && !_given.ContainsKey(jack) && !_given.ContainsValue(number))
            _given[jack] = number;
    }

    /// <summary>One that is free, or two beside each other for a pair of which neither is here.</summary>
    private void GiveFree(IReadOnlyList<Jack> jacks)
    {
        var free = Enumerable.Range(1, _audio.Inputs.Count).Where(n => !_given.ContainsValue(n)).ToHashSet();
        var missing = jacks.Where(j => !_given.ContainsKey(j)).ToList();
        if (missing.Count == 0 || free.Count < missing.Count)
            return;
        if (missing.Count == 1)
        {
            Give(missing[0], free.Min());
            return;
        }

        var pair = free.Order().FirstOrDefault(n => n % 2 == 1 && free.Contains(n + 1));
        if (pair > 0)
        {
            Give(missing[0], pair);
            Give(missing[1], pair + 1);
        }
    }

    private FitLine LineOf(Channel channel)
    {
        var input = InputOf(channel);
        var madeFor = Spoken(input);
        if (Waits(channel))
            return new(FitKind.Input, channel.Id, madeFor, null, "waits in the wings", [new("it waits", [])]);
        var here = JacksOf(input).Select(j => _given.GetValueOrDefault(j)).ToList();
        if (!here.Contains(0))
        {
            var taken = Named(input, here);
            return new(FitKind.Input, channel.Id, madeFor, Spoken(taken), NoteOf(input, taken), [new($"takes {Spoken(taken)}", Taking(channel, taken))]);
        }

        var choices = new List<FitChoice> { new("waits in the wings", _template.Acts.Select(a => (Edit)new SetStage(channel.Id, a.Id, StageState.InTheWings)).ToSequence()) };
        if (_audio.Inputs.Count >= here.Count)
        {
            var last = Enumerable.Range(_audio.Inputs.Count - here.Count + 1, here.Count).ToList();
            var shared = Named(input, last) with { Monitored = false };
            choices.Add(new($"shares {Spoken(shared)}, not monitored", Taking(channel, shared)));
        }

        choices.Add(new("a performer stands in, as it is", []));
        return new(FitKind.Input, channel.Id, madeFor, null, here.Count == 1 ? "no such input here" : "no such pair of inputs here", choices.ToSequence());
    }

    private InputSource Named(InputSource input, IReadOnlyList<int> here) => input with
    {
        First = here[0],
        FirstName = _audio.InputName(here[0]),
        Second = here.Count > 1 ? here[1] : null,
        SecondName = here.Count > 1 ? _audio.InputName(here[1]) : null,
    };

    /// <summary>What is as wide as its inputs stays so; what is not is left to the soundcheck.</summary>
    private static Sequence<Edit> Taking(Channel channel, InputSource taken) =>
        taken == InputOf(channel) || (taken.Second is null) != (channel.Format == ChannelFormat.Mono) ? [] : [new SetSource(channel.Id, taken)];

    private static string? NoteOf(InputSource was, InputSource now) =>
        was.First == now.First && was.Second == now.Second ? null
        : was.FirstName is not null && was.FirstName.Equals(now.FirstName, StringComparison.OrdinalIgnoreCase) ? "found by its name"
        : "takes what is free";

    /// <summary>One hardware input as a template names it.</summary>
    private readonly record struct Jack(int Number, string? Name);
}
