using Microsoft.EntityFrameworkCore.Migrations;

#nullable disable

namespace HomeStart.Data.Migrations
{
    /// <inheritdoc />
    public partial class DeletedSites : Migration
    {
        /// <inheritdoc />
        protected override void Up(MigrationBuilder migrationBuilder)
        {
            migrationBuilder.AddColumn<DateOnly>(
                name: "DeletedOn",
                table: "Sites",
                type: "TEXT",
                nullable: true);
        }

        /// <inheritdoc />
        protected override void Down(MigrationBuilder migrationBuilder)
        {
            migrationBuilder.DropColumn(
                name: "DeletedOn",
                table: "Sites");
        }
    }
}
