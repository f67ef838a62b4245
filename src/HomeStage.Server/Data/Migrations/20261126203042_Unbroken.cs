using System;
using Microsoft.EntityFrameworkCore.Migrations;

#nullable disable

namespace HomeStage.Server.Data.Migrations
{
    /// <inheritdoc />
    public partial class Unbroken : Migration
    {
        /// <inheritdoc />
        protected override void Up(MigrationBuilder migrationBuilder)
        {
            migrationBuilder.AddColumn<byte[]>(
                name: "Digest",
                table: "Snapshots",
                type: "BLOB",
                nullable: true);

            migrationBuilder.AddColumn<byte[]>(
                name: "Digest",
                table: "Revisions",
                type: "BLOB",
                nullable: true);

            migrationBuilder.AddColumn<DateTime>(
                name: "RemovedUtc",
                table: "RevisionNames",
                type: "TEXT",
                nullable: true);

            migrationBuilder.AddColumn<DateTime>(
                name: "RemovedUtc",
                table: "Media",
                type: "TEXT",
                nullable: true);

            migrationBuilder.AddColumn<DateTime>(
                name: "RemovedUtc",
                table: "Documents",
                type: "TEXT",
                nullable: true);

            migrationBuilder.AddColumn<bool>(
                name: "SoundsNoted",
                table: "Documents",
                type: "INTEGER",
                nullable: false,
                defaultValue: false);

            migrationBuilder.AddColumn<string>(
                name: "Summary",
                table: "Documents",
                type: "TEXT",
                nullable: true);

            migrationBuilder.AddColumn<int>(
                name: "SummaryRevision",
                table: "Documents",
                type: "INTEGER",
                nullable: true);

            migrationBuilder.CreateTable(
                name: "MediaUses",
                columns: table => new
                {
                    DocumentId = table.Column<string>(type: "TEXT", nullable: false),
                    Content = table.Column<string>(type: "TEXT", nullable: false)
                },
                constraints: table =>
                {
                    table.PrimaryKey("PK_MediaUses", x => new { x.DocumentId, x.Content });
                    table.ForeignKey(
                        name: "FK_MediaUses_Documents_DocumentId",
                        column: x => x.DocumentId,
                        principalTable: "Documents",
                        principalColumn: "Id",
                        onDelete: ReferentialAction.Cascade);
                });

            migrationBuilder.CreateIndex(
                name: "IX_MediaUses_Content",
                table: "MediaUses",
                column: "Content");
        }

        /// <inheritdoc />
        protected override void Down(MigrationBuilder migrationBuilder)
        {
            migrationBuilder.DropTable(
                name: "MediaUses");

            migrationBuilder.DropColumn(
                name: "Digest",
                table: "Snapshots");

            migrationBuilder.DropColumn(
                name: "Digest",
                table: "Revisions");

            migrationBuilder.DropColumn(
                name: "RemovedUtc",
                table: "RevisionNames");

            migrationBuilder.DropColumn(
                name: "RemovedUtc",
                table: "Media");

            migrationBuilder.DropColumn(
                name: "RemovedUtc",
                table: "Documents");

            migrationBuilder.DropColumn(
                name: "SoundsNoted",
                table: "Documents");

            migrationBuilder.DropColumn(
                name: "Summary",
                table: "Documents");

            migrationBuilder.DropColumn(
                name: "SummaryRevision",
                table: "Documents");
        }
    }
}
