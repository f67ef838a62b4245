using Microsoft.EntityFrameworkCore.Migrations;

#nullable disable

namespace HomeStage.Server.Data.Migrations
{
    /// <inheritdoc />
    public partial class Brought : Migration
    {
        /// <inheritdoc />
        protected override void Up(MigrationBuilder migrationBuilder)
        {
            migrationBuilder.AddColumn<string>(
                name: "Brought",
                table: "Documents",
                type: "TEXT",
                nullable: true);
        }

        /// <inheritdoc />
        protected override void Down(MigrationBuilder migrationBuilder)
        {
            migrationBuilder.DropColumn(
                name: "Brought",
                table: "Documents");
        }
    }
}
