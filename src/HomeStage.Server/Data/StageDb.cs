using HomeStage.Server.Data.Shelf;
using HomeStage.Server.Data.Sounds;
using HomeStage.Server.Data.Studios;
using Microsoft.EntityFrameworkCore;

namespace HomeStage.Server.Data;

/// <summary>The database: documents, their edit logs and their snapshots.</summary>
public sealed class StageDb(DbContextOptions<StageDb> options) : DbContext(options)
{
    public DbSet<DocumentRow> Documents => Set<DocumentRow>();

    public DbSet<RevisionRow> Revisions => Set<RevisionRow>();

    public DbSet<RevisionNameRow> RevisionNames => Set<RevisionNameRow>();

    public DbSet<MediaRow> Media => Set<MediaRow>();

    public DbSet<MediaUseRow> MediaUses => Set<MediaUseRow>();

    public DbSet<ShelfRow> Shelf => Set<ShelfRow>();

    public DbSet<ShelfPastRow> ShelfPasts => Set<ShelfPastRow>();

    public DbSet<ShelfSoundRow> ShelfSounds => Set<ShelfSoundRow>();

    public DbSet<ShelfUseRow> ShelfUses => Set<ShelfUseRow>();

    public DbSet<DeviceStateRow> DeviceStates => Set<DeviceStateRow>();

    public DbSet<SnapshotRow> Snapshots => Set<SnapshotRow>();

    protected override void OnModelCreating(ModelBuilder modelBuilder)
    {
        modelBuilder.Entity<DocumentRow>(row =>
        {
            row.HasKey(d => d.Id);
            row.Property(d => d.Kind).HasConversion<string>();
            row.HasIndex(d => new { d.Kind, d.Name });
        });
        modelBuilder.Entity<RevisionRow>(row =>
        {
            row.HasKey(r => new { r.DocumentId, r.Number });
            row.Property(r => r.Kind).HasConversion<string>();
            row.HasOne<DocumentRow>().WithMany().HasForeignKey(r => r.DocumentId);
        });
        modelBuilder.Entity<RevisionNameRow>(row =>
        {
            row.HasKey(n => new { n.DocumentId, n.Number });
            row.HasOne<DocumentRow>().WithMany().HasForeignKey(n => n.DocumentId);
        });
        modelBuilder.Entity<MediaRow>(row => row.HasKey(m => m.Content));
        modelBuilder.Entity<MediaUseRow>(row =>
        {
            row.HasKey(u => new { u.DocumentId, u.Content });
            row.HasIndex(u => u.Content);
            row.HasOne<DocumentRow>().WithMany().HasForeignKey(u => u.DocumentId);
        });
        modelBuilder.Entity<ShelfRow>(row =>
        {
            row.HasKey(r => r.Id);
            row.Property(r => r.Kind).HasConversion<string>();
            row.HasIndex(r => new { r.Kind, r.Name });
        });
        modelBuilder.Entity<ShelfPastRow>(row => row.HasKey(p => new { p.ItemId, p.Revision }));
        modelBuilder.Entity<ShelfSoundRow>(row =>
        {
            row.HasKey(s => new { s.ItemId, s.Content });
            row.HasIndex(s => s.Content);
            row.HasOne<ShelfRow>().WithMany().HasForeignKey(s => s.ItemId);
        });
        modelBuilder.Entity<ShelfUseRow>(row =>
        {
            row.HasKey(u => new { u.DocumentId, u.ItemId });
            row.HasIndex(u => u.ItemId);
            row.HasOne<DocumentRow>().WithMany().HasForeignKey(u => u.DocumentId);
        });
        modelBuilder.Entity<DeviceStateRow>(row => row.HasKey(s => s.Content));
        modelBuilder.Entity<SnapshotRow>(row =>
        {
            row.HasKey(s => new { s.DocumentId, s.Number });
            row.HasOne<DocumentRow>().WithMany().HasForeignKey(s => s.DocumentId);
        });
    }
}
