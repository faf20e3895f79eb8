using Microsoft.EntityFrameworkCore.Migrations;

#nullable disable

namespace HomeStart.Data.Migrations
{
    /// <inheritdoc />
    public partial class SitesRest : Migration
    {
        /// <inheritdoc />
        protected override void Up(MigrationBuilder migrationBuilder)
        {
            migrationBuilder.AddColumn<DateOnly>(
                name: "ChangedOn",
                table: "Sites",
                type: "TEXT",
                nullable: false,
                defaultValue: new DateOnly(1, 1, 1));

            // Nobody knows when they were changed: they have rested from today on.
            migrationBuilder.Sql("UPDATE Sites SET ChangedOn = date('now')");
        }

        /// <inheritdoc />
        protected override void Down(MigrationBuilder migrationBuilder)
        {
            migrationBuilder.DropColumn(
                name: "ChangedOn",
                table: "Sites");
        }
    }
}
