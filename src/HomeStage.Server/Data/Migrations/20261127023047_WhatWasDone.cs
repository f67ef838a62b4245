using Microsoft.EntityFrameworkCore.Migrations;

#nullable disable

namespace HomeStage.Server.Data.Migrations
{
    /// <inheritdoc />
    public partial class WhatWasDone : Migration
    {
        /// <inheritdoc />
        protected override void Up(MigrationBuilder migrationBuilder)
        {
            migrationBuilder.RenameColumn(name: "Edits", table: "Revisions", newName: "Done");
            migrationBuilder.RenameColumn(name: "Inverse", table: "Revisions", newName: "Back");
        }

        /// <inheritdoc />
        protected override void Down(MigrationBuilder migrationBuilder)
        {
            migrationBuilder.RenameColumn(name: "Done", table: "Revisions", newName: "Edits");
            migrationBuilder.RenameColumn(name: "Back", table: "Revisions", newName: "Inverse");
        }
    }
}
