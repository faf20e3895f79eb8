using Microsoft.EntityFrameworkCore.Migrations;

#nullable disable

namespace HomeStart.Counterparts.Migrations
{
    /// <inheritdoc />
    public partial class AfterTheOrder : Migration
    {
        /// <inheritdoc />
        protected override void Up(MigrationBuilder migrationBuilder)
        {
            migrationBuilder.AddColumn<bool>(
                name: "IsUnlocked",
                table: "Registrations",
                type: "INTEGER",
                nullable: false,
                defaultValue: false);

            migrationBuilder.AddColumn<string>(
                name: "State",
                table: "Registrations",
                type: "TEXT",
                nullable: false,
                defaultValue: "live");

            migrationBuilder.AddColumn<DateOnly>(
                name: "ExpiresOn",
                table: "Cards",
                type: "TEXT",
                nullable: true);

            migrationBuilder.AddColumn<int>(
                name: "Later",
                table: "Cards",
                type: "INTEGER",
                nullable: false,
                defaultValue: 0);

            migrationBuilder.AddColumn<DateOnly>(
                name: "RefusedOn",
                table: "Cards",
                type: "TEXT",
                nullable: true);

            migrationBuilder.AddColumn<DateOnly>(
                name: "PaidUntil",
                table: "Accounts",
                type: "TEXT",
                nullable: true);

            migrationBuilder.AddColumn<string>(
                name: "State",
                table: "Accounts",
                type: "TEXT",
                nullable: false,
                defaultValue: "live");

            migrationBuilder.CreateTable(
                name: "Charges",
                columns: table => new
                {
                    World = table.Column<string>(type: "TEXT", nullable: false),
                    Key = table.Column<string>(type: "TEXT", nullable: false),
                    Book = table.Column<string>(type: "TEXT", nullable: false),
                    Seller = table.Column<string>(type: "TEXT", nullable: false),
                    Amount = table.Column<string>(type: "TEXT", nullable: false),
                    Currency = table.Column<string>(type: "TEXT", nullable: false),
                    On = table.Column<DateOnly>(type: "TEXT", nullable: false)
                },
                constraints: table =>
                {
                    table.PrimaryKey("PK_Charges", x => new { x.World, x.Key });
                });
        }

        /// <inheritdoc />
        protected override void Down(MigrationBuilder migrationBuilder)
        {
            migrationBuilder.DropTable(
                name: "Charges");

            migrationBuilder.DropColumn(
                name: "IsUnlocked",
                table: "Registrations");

            migrationBuilder.DropColumn(
                name: "State",
                table: "Registrations");

            migrationBuilder.DropColumn(
                name: "ExpiresOn",
                table: "Cards");

            migrationBuilder.DropColumn(
                name: "Later",
                table: "Cards");

            migrationBuilder.DropColumn(
                name: "RefusedOn",
                table: "Cards");

            migrationBuilder.DropColumn(
                name: "PaidUntil",
                table: "Accounts");

            migrationBuilder.DropColumn(
                name: "State",
                table: "Accounts");
        }
    }
}
