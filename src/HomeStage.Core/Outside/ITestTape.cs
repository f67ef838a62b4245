namespace HomeStage.Core.Outside;

/// <summary>Where sound of the test lies while it is looked at: a test of many channels is too long for the memory.</summary>
public interface ITestTape
{
    /// <summary>Adds to the end.</summary>
    /// <param name="right">As many; none for a tape of one lane.</param>
    void Append(ReadOnlySpan<float> left, ReadOnlySpan<float> right);

    /// <returns>One or two lanes of one length.</returns>
    IReadOnlyList<float[]> Lanes();
}

/// <summary>Gives out tapes.</summary>
public interface ITestTapes
{
    /// <param name="lanes">1 or 2.</param>
    ITestTape Fresh(int lanes);
}
