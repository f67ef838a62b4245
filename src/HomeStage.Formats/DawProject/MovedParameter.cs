using HomeStage.Core.Automation;

namespace HomeStage.Formats.DawProject;

/// <summary>A parameter of a project that points of automation can move, as the value that it became here.</summary>
internal sealed record MovedParameter(ChannelId Channel, Target Target, ProjectValue Value);
