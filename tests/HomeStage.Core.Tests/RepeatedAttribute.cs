using FsCheck.Xunit;
using HomeStage.TestKit;

namespace HomeStage.Core.Tests;

#pragma warning disable xUnit3003 // The attribute of the package takes no source either.

/// <summary>A property that takes its time: a few examples in every check, many in the long one.</summary>
[AttributeUsage(AttributeTargets.Method)]
public sealed class RepeatedAttribute : PropertyAttribute
{
    public RepeatedAttribute(int brief, int many) => MaxTest = Runs.Of(brief, many);
}
