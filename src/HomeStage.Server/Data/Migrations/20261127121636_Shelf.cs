using System;
using Microsoft.EntityFrameworkCore.Migrations;

#nullable disable

namespace HomeStage.Server.Data.Migrations
{
    /// <inheritdoc />
    public partial class Shelf : Migration
    {
        /// <inheritdoc />
        protected override void Up(MigrationBuilder migrationBuilder)
        {
            migrationBuilder.CreateTable(
                name: "Shelf",
                columns: table => new
                {
                    Id = table.Column<string>(type: "TEXT", nullable: false),
                    Kind = table.Column<string>(type: "TEXT", nullable: false),
                    Name = table.Column<string>(type: "TEXT", nullable: false),
                    Revision = table.Column<int>(type: "INTEGER", nullable: false),
                    Content = table.Column<string>(type: "TEXT", nullable: false),
                    ChangedUtc = table.Column<DateTime>(type: "TEXT", nullable: false),
                    RemovedUtc = table.Column<DateTime>(type: "TEXT", nullable: true)
                },
                constraints: table =>
                {
                    table.PrimaryKey("PK_Shelf", x => x.Id);
                });

            migrationBuilder.CreateTable(
                name: "ShelfUses",
                columns: table => new
                {
                    DocumentId = table.Column<string>(type: "TEXT", nullable: false),
                    ItemId = table.Column<string>(type: "TEXT", nullable: false)
                },
                constraints: table =>
                {
                    table.PrimaryKey("PK_ShelfUses", x => new { x.DocumentId, x.ItemId });
                    table.ForeignKey(
                        name: "FK_ShelfUses_Documents_DocumentId",
                        column: x => x.DocumentId,
                        principalTable: "Documents",
                        principalColumn: "Id",
                        onDelete: ReferentialAction.Cascade);
                });

            migrationBuilder.CreateTable(
                name: "ShelfSounds",
                columns: table => new
                {
                    ItemId = table.Column<string>(type: "TEXT", nullable: false),
                    Content = table.Column<string>(type: "TEXT", nullable: false)
                },
                constraints: table =>
                {
                    table.PrimaryKey("PK_ShelfSounds", x => new { x.ItemId, x.Content });
                    table.ForeignKey(
                        name: "FK_ShelfSounds_Shelf_ItemId",
                        column: x => x.ItemId,
                        principalTable: "Shelf",
                        principalColumn: "Id",
                        onDelete: ReferentialAction.Cascade);
                });

            migrationBuilder.CreateIndex(
                name: "IX_Shelf_Kind_Name",
                table: "Shelf",
                columns: new[] { "Kind", "Name" });

            migrationBuilder.CreateIndex(
                name: "IX_ShelfSounds_Content",
                table: "ShelfSounds",
                column: "Content");

            migrationBuilder.CreateIndex(
                name: "IX_ShelfUses_ItemId",
                table: "ShelfUses",
                column: "ItemId");
        }

        /// <inheritdoc />
        protected override void Down(MigrationBuilder migrationBuilder)
        {
            migrationBuilder.DropTable(
                name: "ShelfSounds");

            migrationBuilder.DropTable(
                name: "ShelfUses");

            migrationBuilder.DropTable(
                name: "Shelf");
        }
    }
}
