using Microsoft.EntityFrameworkCore.Migrations;

#nullable disable

namespace HomeStart.Data.Migrations
{
    /// <inheritdoc />
    public partial class DayBooks : Migration
    {
        /// <inheritdoc />
        protected override void Up(MigrationBuilder migrationBuilder)
        {
            migrationBuilder.AddColumn<int>(
                name: "CalendarNumber",
                table: "Workspaces",
                type: "INTEGER",
                nullable: false,
                defaultValue: 0);

            migrationBuilder.AddColumn<bool>(
                name: "CalendarWithdrawn",
                table: "Workspaces",
                type: "INTEGER",
                nullable: false,
                defaultValue: false);

            migrationBuilder.AddColumn<string>(
                name: "RemindDays",
                table: "Workspaces",
                type: "TEXT",
                nullable: true);

            migrationBuilder.CreateTable(
                name: "DayBooks",
                columns: table => new
                {
                    WorkspaceId = table.Column<Guid>(type: "TEXT", nullable: false),
                    OrderId = table.Column<Guid>(type: "TEXT", nullable: false),
                    Version = table.Column<int>(type: "INTEGER", nullable: false),
                    WaitsFor = table.Column<int>(type: "INTEGER", nullable: false),
                    Document = table.Column<string>(type: "TEXT", nullable: false)
                },
                constraints: table =>
                {
                    table.PrimaryKey("PK_DayBooks", x => new { x.WorkspaceId, x.OrderId });
                    table.ForeignKey(
                        name: "FK_DayBooks_Workspaces_WorkspaceId",
                        column: x => x.WorkspaceId,
                        principalTable: "Workspaces",
                        principalColumn: "Id",
                        onDelete: ReferentialAction.Cascade);
                });

            migrationBuilder.CreateIndex(
                name: "IX_DayBooks_WaitsFor",
                table: "DayBooks",
                column: "WaitsFor");
        }

        /// <inheritdoc />
        protected override void Down(MigrationBuilder migrationBuilder)
        {
            migrationBuilder.DropTable(
                name: "DayBooks");

            migrationBuilder.DropColumn(
                name: "CalendarNumber",
                table: "Workspaces");

            migrationBuilder.DropColumn(
                name: "CalendarWithdrawn",
                table: "Workspaces");

            migrationBuilder.DropColumn(
                name: "RemindDays",
                table: "Workspaces");
        }
    }
}
