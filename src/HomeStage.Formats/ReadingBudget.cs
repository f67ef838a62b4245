namespace HomeStage.Formats;

/// <summary>What reading one file may cost, in steps of the reader's own work; ends with the request that it is read for.</summary>
/// <remarks>Steps, not seconds: the same file is refused or read on every machine.</remarks>
/// <param name="mostSteps">Above 0.</param>
internal sealed class ReadingBudget(long mostSteps, CancellationToken cancellation)
{
    private const int LookEvery = 4096;
    private long _steps;
    private long _nextLook = LookEvery;

    /// <summary>Takes some of it.</summary>
    /// <exception cref="InvalidDataException">It is used up.</exception>
    /// <exception cref="OperationCanceledException">Nobody waits for it any more.</exception>
    public void Spend(long steps)
    {
        _steps += steps;
        if (_steps > mostSteps)
            throw new InvalidDataException("It asks for more work than a file of its kind may.");
        if (_steps < _nextLook)
            return;
        _nextLook = _steps + LookEvery;
        cancellation.ThrowIfCancellationRequested();
    }
}
