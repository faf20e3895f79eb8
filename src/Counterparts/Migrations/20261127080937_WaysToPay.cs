using Microsoft.EntityFrameworkCore.Migrations;

#nullable disable

namespace HomeStart.Counterparts.Migrations
{
    /// <inheritdoc />
    public partial class WaysToPay : Migration
    {
        /// <inheritdoc />
        protected override void Up(MigrationBuilder migrationBuilder)
        {
            migrationBuilder.AddColumn<string>(
                name: "CameBy",
                table: "Registrations",
                type: "TEXT",
                nullable: true);

            migrationBuilder.AddColumn<string>(
                name: "SettledAnswer",
                table: "Operations",
                type: "TEXT",
                nullable: false,
                defaultValue: "");

            migrationBuilder.AddColumn<int>(
                name: "SettledStatus",
                table: "Operations",
                type: "INTEGER",
                nullable: false,
                defaultValue: 0);

            migrationBuilder.AddColumn<DateOnly>(
                name: "SettlesOn",
                table: "Operations",
                type: "TEXT",
                nullable: true);

            migrationBuilder.AddColumn<string>(
                name: "Book",
                table: "Holds",
                type: "TEXT",
                nullable: false,
                defaultValue: "");

            migrationBuilder.AddColumn<string>(
                name: "Captured",
                table: "Holds",
                type: "TEXT",
                nullable: true);

            migrationBuilder.AddColumn<DateOnly>(
                name: "DueOn",
                table: "Holds",
                type: "TEXT",
                nullable: true);

            migrationBuilder.AddColumn<string>(
                name: "Number",
                table: "Holds",
                type: "TEXT",
                nullable: false,
                defaultValue: "");

            migrationBuilder.AddColumn<string>(
                name: "Page",
                table: "Holds",
                type: "TEXT",
                nullable: true);

            migrationBuilder.AddColumn<string>(
                name: "Paid",
                table: "Holds",
                type: "TEXT",
                nullable: false,
                defaultValue: "");

            migrationBuilder.AddColumn<string>(
                name: "ReturnTo",
                table: "Holds",
                type: "TEXT",
                nullable: false,
                defaultValue: "");

            migrationBuilder.AddColumn<string>(
                name: "Way",
                table: "Holds",
                type: "TEXT",
                nullable: false,
                defaultValue: "");

            migrationBuilder.AddColumn<bool>(
                name: "WantsYes",
                table: "Cards",
                type: "INTEGER",
                nullable: false,
                defaultValue: false);

            migrationBuilder.AddColumn<string>(
                name: "PasscodeHash",
                table: "Accounts",
                type: "TEXT",
                nullable: true);

            migrationBuilder.AddColumn<string>(
                name: "User",
                table: "Accounts",
                type: "TEXT",
                nullable: true);

            migrationBuilder.CreateTable(
                name: "Customers",
                columns: table => new
                {
                    World = table.Column<string>(type: "TEXT", nullable: false),
                    Book = table.Column<string>(type: "TEXT", nullable: false),
                    IsConfirmed = table.Column<bool>(type: "INTEGER", nullable: false),
                    Balance = table.Column<string>(type: "TEXT", nullable: false),
                    Currency = table.Column<string>(type: "TEXT", nullable: false),
                    CodeHash = table.Column<string>(type: "TEXT", nullable: true),
                    CodeTries = table.Column<int>(type: "INTEGER", nullable: false)
                },
                constraints: table =>
                {
                    table.PrimaryKey("PK_Customers", x => new { x.World, x.Book });
                });

            migrationBuilder.CreateTable(
                name: "LogIns",
                columns: table => new
                {
                    Token = table.Column<string>(type: "TEXT", nullable: false),
                    World = table.Column<string>(type: "TEXT", nullable: false),
                    Book = table.Column<string>(type: "TEXT", nullable: false),
                    User = table.Column<string>(type: "TEXT", nullable: false),
                    PasscodeHash = table.Column<string>(type: "TEXT", nullable: false)
                },
                constraints: table =>
                {
                    table.PrimaryKey("PK_LogIns", x => x.Token);
                });

            migrationBuilder.CreateIndex(
                name: "IX_Holds_Page",
                table: "Holds",
                column: "Page",
                unique: true);
        }

        /// <inheritdoc />
        protected override void Down(MigrationBuilder migrationBuilder)
        {
            migrationBuilder.DropTable(
                name: "Customers");

            migrationBuilder.DropTable(
                name: "LogIns");

            migrationBuilder.DropIndex(
                name: "IX_Holds_Page",
                table: "Holds");

            migrationBuilder.DropColumn(
                name: "CameBy",
                table: "Registrations");

            migrationBuilder.DropColumn(
                name: "SettledAnswer",
                table: "Operations");

            migrationBuilder.DropColumn(
                name: "SettledStatus",
                table: "Operations");

            migrationBuilder.DropColumn(
                name: "SettlesOn",
                table: "Operations");

            migrationBuilder.DropColumn(
                name: "Book",
                table: "Holds");

            migrationBuilder.DropColumn(
                name: "Captured",
                table: "Holds");

            migrationBuilder.DropColumn(
                name: "DueOn",
                table: "Holds");

            migrationBuilder.DropColumn(
                name: "Number",
                table: "Holds");

            migrationBuilder.DropColumn(
                name: "Page",
                table: "Holds");

            migrationBuilder.DropColumn(
                name: "Paid",
                table: "Holds");

            migrationBuilder.DropColumn(
                name: "ReturnTo",
                table: "Holds");

            migrationBuilder.DropColumn(
                name: "Way",
                table: "Holds");

            migrationBuilder.DropColumn(
                name: "WantsYes",
                table: "Cards");

            migrationBuilder.DropColumn(
                name: "PasscodeHash",
                table: "Accounts");

            migrationBuilder.DropColumn(
                name: "User",
                table: "Accounts");
        }
    }
}
