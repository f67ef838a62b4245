using HomeStage.Core.Outside;

namespace HomeStage.Server.Jobs;

/// <summary>A line check from outside at work: the test as it is heard here, and what came back of it so far. All sound lies on the disk and goes with it.</summary>
public sealed class TestBench : ISized
{
    public const int MostRecordings = 256;

    private readonly Lock _gate = new();
    private readonly List<Recording> _recordings = [];
    private readonly DiskTapes _tapes;

    /// <param name="document">Its id.</param>
    /// <param name="revision">The one that the test was made of.</param>
    public TestBench(string document, int revision, Reference reference, DiskTapes tapes) => (Document, Revision, Reference, _tapes) = (document, revision, reference, tapes);

    public string Document { get; }

    public int Revision { get; }

    public Reference Reference { get; }

    public long Bytes => _tapes.Bytes;

    /// <summary>What came back, in the order in which it came.</summary>
    public IReadOnlyList<Recording> Recordings
    {
        get
        {
            lock (_gate)
                return [.. _recordings];
        }
    }

    /// <param name="lanes">One or two of one length.</param>
    /// <returns>Its place among them and itself; null where there are too many. A file of the same name takes the place of the one before.</returns>
    public (int Place, Recording Recording)? Take(string name, IReadOnlyList<float[]> lanes, int sampleRateHz)
    {
        var recording = Reference.Brought(name, lanes, sampleRateHz, _tapes);
        lock (_gate)
        {
            var place = _recordings.FindIndex(r => r.Name == name);
            if (place < 0 && _recordings.Count >= MostRecordings)
                return null;
            if (place < 0)
                _recordings.Add(recording);
            else
                _recordings[place] = recording;
            return (place < 0 ? _recordings.Count - 1 : place, recording);
        }
    }
}
