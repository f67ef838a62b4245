using System.Security.Cryptography;
using HomeStage.Core.Devices;
using Microsoft.EntityFrameworkCore;

namespace HomeStage.Server.Data.Studios;

/// <summary>States and presets of devices: never read, bounded one by one and as a whole.</summary>
public sealed class DeviceStates(IDbContextFactory<StageDb> databases, TimeProvider clock, WriteGate gate)
{
    public const long MostBytes = 1024L * 1024 * 1024;

    /// <returns>What a device holds of it, or why it was not kept.</returns>
    public async Task<(DeviceState? Kept, Refusal? Why)> AddAsync(byte[] bytes, string fileName, CancellationToken cancellation)
    {
        var name = TextRules.Cleaned(fileName, TextRules.LongestName);
        if (bytes.Length == 0)
            return (null, new Refusal.WrongPlace(name.Length > 0 ? name : "The file", "is empty"));
        var state = new DeviceState(Convert.ToHexStringLower(SHA256.HashData(bytes)), name.Length > 0 ? name : "State", bytes.Length);
        await using var db = await databases.CreateDbContextAsync(cancellation);
        return await gate.OneAtATimeAsync<(DeviceState?, Refusal?)>(async () =>
        {
            if (await db.DeviceStates.AnyAsync(s => s.Content == state.Content, cancellation))
                return (state, null);
            if (await db.DeviceStates.SumAsync(s => (long)s.Bytes.Length, cancellation) + bytes.Length > MostBytes)
                return (null, new Refusal.WrongPlace(state.FileName, $"was not kept: all states together may have {MostBytes / 1024 / 1024:N0} MB"));
            db.Add(new DeviceStateRow { Content = state.Content, Bytes = bytes, AddedUtc = clock.GetUtcNow().UtcDateTime });
            await db.SaveChangesAsync(cancellation);
            return (state, null);
        }, cancellation);
    }

    /// <returns>The file as it came; null where there is none.</returns>
    public async Task<byte[]?> FindAsync(string content, CancellationToken cancellation)
    {
        await using var db = await databases.CreateDbContextAsync(cancellation);
        return await db.DeviceStates.AsNoTracking().Where(s => s.Content == content).Select(s => s.Bytes).FirstOrDefaultAsync(cancellation);
    }
}
